"""How a figure came about and what it would have to be, as they go over the wire.

- `working_out`   the steps behind a result
- `sought_out`    what a quantity would have to be
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Any

from liftbite.api.jobs import models_working as mw
from liftbite.api.jobs.present import curve_words, figure_out
from liftbite.core.analysis.goal_seek import Sought
from liftbite.core.analysis.working import Step, Term, Whole
from liftbite.core.job.build import Build, label_of, unit_of
from liftbite.core.job.inputs import INPUTS
from liftbite.core.quantities.launch_case import Launch
from liftbite.core.quantities.thermal import HeatNetwork
from liftbite.core.quantities.torque_curve import TorqueCurve
from liftbite.core.units.read import from_si, read
from liftbite.core.units.sentence import both
from liftbite.core.units.show import figure, typeset


def si_text(value: float | None, unit: str) -> str:
    """A value in SI, to six digits: `0.2413 m`."""
    if value is None:
        return "—"
    return f"{figure(value, 6)} {'' if unit in {'-', 'count', 'share'} else unit}".rstrip()


def _worked(of: Step | Term) -> dict[str, Any]:
    """What a step or a term comes to: a figure, or in words where it is several figures or a curve."""
    if of.whole is not None:
        return {"value": None, "si": "", "words": _whole_words(of.whole)}
    if isinstance(of.value, tuple):
        return {"value": None, "si": "", "words": "; ".join(both(v, of.unit) for v in of.value)}
    value = None if of.value is None else figure_out(of.value, of.unit)
    return {"value": value, "si": si_text(of.value, of.unit), "words": None}


def _whole_words(whole: Whole) -> str:
    if isinstance(whole, TorqueCurve):
        return curve_words(whole)
    if isinstance(whole, Launch):
        return f"{whole.outcome} after {both(float(whole.slip_time), 's')}, {both(float(whole.energy), 'J')}"
    if isinstance(whole, HeatNetwork):
        masses = zip(whole.names, whole.stores, strict=True)
        return "; ".join(f"{name} {both(float(store), 'J/K')}" for name, store in masses)
    let, speed = both(float(whole.clutch_torque), "N·m"), both(float(whole.start_speed), "rad/s")
    return f"{let} let in at {speed} of the engine side"


def working_out(steps: Sequence[Step], at: str) -> mw.WorkingOut:
    """A working of the core."""
    return mw.WorkingOut(
        at=at,
        steps=[
            mw.WorkingStepOut(
                name=s.name,
                label=label_of(s.name),
                meaning=s.meaning,
                formula=s.formula,
                symbol=s.symbol,
                **_worked(s),
                terms=[
                    mw.TermOut(
                        name=t.name,
                        label=label_of(t.name),
                        symbol=t.symbol,
                        text=t.text,
                        **_worked(t),
                        typeset=typeset(t.typed) if t.typed else None,
                        mark=t.mark,
                        why=t.why,
                    )
                    for t in s.terms
                ],
                mark=s.mark,
                source=s.source,
                holds=s.holds,
            )
            for s in steps
        ],
    )


def sought_out(sought: Sought, build: Build, result: str) -> mw.SoughtOut:
    """An answer of goal seek."""
    unit = INPUTS[sought.quantity].unit
    return mw.SoughtOut(
        name=sought.quantity,
        label=label_of(sought.quantity),
        can_enter=sought.quantity in build.graph.inputs([result]),
        present=figure_out(sought.present, unit) if sought.present is not None else None,
        values=[figure_out(v, unit) for v in sought.crossings],
        typed=[
            typed_safely(v, sought.quantity, sought.at_least, _unit_typed(build, sought.quantity))
            for v in sought.crossings
        ],
        at_least=sought.at_least,
        best=figure_out(sought.best, unit_of(result, build.graph)),
        best_at=figure_out(sought.best_at, unit),
    )


def _unit_typed(build: Build, quantity: str) -> str:
    """The unit a builder used for this quantity, else its field's."""
    entry = build.entries.get(quantity)
    asked = INPUTS[quantity]
    return read(entry.typed, asked.unit, asked.field_unit).unit if entry and entry.typed else asked.field_unit


def typed_safely(value: float, quantity: str, at_least: bool, unit: str) -> str:
    """A sought value as it would be typed, rounded so that the target is still met.

    >>> typed_safely(0.25512345, "outer_diameter", True, "mm"), typed_safely(2.0, "disc_count", True, "")
    ('255.2 mm', '2')
    """
    asked = INPUTS[quantity]
    shown = from_si(value, unit)
    if asked.unit == "count" or shown == 0:
        return f"{shown:g}"
    step = 10.0 ** (math.floor(math.log10(abs(shown))) - 3)
    rounded = (math.ceil if at_least else math.floor)(round(shown / step, 6)) * step
    return f"{rounded:.10g} {unit}".rstrip()
