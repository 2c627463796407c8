"""Asks a result backwards: which clamp load, which friction, which diameter gives the target?

- `Sought`       what one quantity would have to be, or how far it gets
- `seek`         one quantity for one target
- `seekable`     what may be asked for in an arrangement
- `seek_all`     every seekable quantity for one target

A result need not rise steadily with a quantity, so the whole usual range is scanned for crossings first and each one
is refined after (scipy.optimize.brentq). What an arrangement works out may be asked for too: the graph takes a known
value as it is.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.job.inputs import INPUTS
from liftbite.core.quantities.torque_curve import Array

_POINTS = 241
#: Inputs that one other quantity stands for when a target is asked backwards.
_SPOKEN_FOR = {"friction_low", "friction_nominal", "friction_high", "shear_modulus", "primary_efficiency"}
_WORKED_OUT = ("friction_coefficient", "spring_rate", "primary_ratio")


@dataclass(frozen=True, slots=True)
class Sought:
    """What one quantity would have to be for a result to reach its target.

    Attributes
    ----------
    quantity : what may move
    present : its value now [SI], None where it has none yet
    at_least : True where the target wants this much or more, False where this much or less, near the first crossing
    crossings : every value at which the result equals the target, the nearest to the present one first; for counts
        the first whole number that meets it
    best : the result's value nearest to the target when it is not reached, and the largest otherwise
    best_at : where that lies [SI]
    """

    quantity: str
    present: float | None
    at_least: bool
    crossings: tuple[float, ...]
    best: float
    best_at: float

    @property
    def reached(self) -> bool:
        """True where some value in the usual range gives the target."""
        return bool(self.crossings)

    @property
    def change(self) -> float:
        """Smallest share by which the present value would have to change; 1 where there is none yet."""
        if not self.present or not self.crossings:
            return 1.0
        return min(abs(v / self.present - 1) for v in self.crossings)


def seekable(build: Build, result: str) -> tuple[str, ...]:
    """Quantities that `result` rests on and that a builder might change, in the order of work."""
    upstream = build.graph.upstream([result])
    leaves = build.graph.inputs([result])
    worked_out = _WORKED_OUT if "cover_clamp" in leaves else (*_WORKED_OUT, "clamp_load")
    return tuple(
        name
        for name, asked in INPUTS.items()
        if name in upstream
        and asked.unit not in {"text", "curve"}
        and not asked.many
        and name not in _SPOKEN_FOR
        and (name in leaves or name in worked_out)
        and not (name == "primary_ratio" and not build.graph.inputs(["primary_ratio"]))
    )


def _result_over(build: Build, result: str, quantity: str, stage: float, friction: float) -> Callable[[Array], Array]:
    """The result as a function of the quantity; NaN where it has no value."""
    graph = build.graph
    known = {**build.known, "stage": stage, "friction_state": friction}
    shapes_curve = any(quantity in graph.upstream([q]) for q in graph.functions if q.endswith("_curve"))

    def once(value: Any) -> Any:
        found = graph.evaluate([result], {**known, quantity: value})[result]
        return np.nan if isinstance(found, Needs | Refused) else found

    def many(values: Array) -> Array:
        if shapes_curve:  # a curve is an axis of its own, so it is made anew for each value
            return np.array([once(float(v)) for v in values], dtype=np.float64)
        return np.asarray(np.broadcast_to(once(values), values.shape), dtype=np.float64)

    return many


def seek(build: Build, result: str, target: float, quantity: str, *, stage: float, friction: float) -> Sought | None:
    """What `quantity` has to be for `result` to equal `target`; None where the
    result has no value at all or does not move.

    Parameters
    ----------
    build : what is known
    result : the quantity aimed at
    target : the value it should take [SI]
    quantity : what may move; searched over its usual range, its present value included
    stage : 0 as it is, 1 as planned [-]
    friction : place in the friction band, -1 to +1 [-]
    """
    asked = INPUTS[quantity]
    present = build.known.get(quantity)
    if present is None and quantity in build.graph.functions:
        found = build.evaluate((quantity,), stage=stage, friction=friction)[quantity]
        present = None if isinstance(found, Needs | Refused) else float(found)
    low, high = asked.usual
    if present is not None:
        low, high = min(low, float(present)), max(high, float(present))
    many = _result_over(build, result, quantity, stage, friction)
    whole = asked.unit == "count"
    values = np.arange(low, high + 0.5) if whole else np.linspace(low, high, _POINTS)
    results = many(values)
    valid = np.isfinite(results)
    if not valid.any() or np.ptp(results[valid]) < 1e-9 * np.abs(results[valid]).max():
        return None
    values, results = values[valid], results[valid]
    at_least = bool(results[-1] >= results[0])
    crossings = _whole(values, results, target, at_least) if whole else _refined(values, results, target, many)
    if crossings and not whole:
        crossings = tuple(sorted(crossings, key=lambda v: abs(v - present) if present is not None else v))
        step = (high - low) * 1e-6
        above, below = many(np.array([crossings[0] + step, crossings[0] - step]))
        at_least = bool(above > below)
    at = int(results.argmax() if crossings else np.abs(results - target).argmin())
    return Sought(quantity, present, at_least, crossings, float(results[at]), float(values[at]))


def _whole(values: Array, results: Array, target: float, at_least: bool) -> tuple[float, ...]:
    meets = values[results >= target]
    if meets.size == 0:
        return ()
    return (float(meets[0] if at_least else meets[-1]),)


def _refined(values: Array, results: Array, target: float, many: Callable[[Array], Array]) -> tuple[float, ...]:
    from scipy.optimize import brentq

    gap = results - target
    found = [float(v) for v, g in zip(values, gap, strict=True) if g == 0]
    for i in np.flatnonzero(gap[:-1] * gap[1:] < 0):
        root = brentq(lambda x: float(many(np.array([x]))[0]) - target, values[i], values[i + 1], rtol=1e-12)
        found.append(float(root))
    return tuple(sorted(found))


def seek_all(build: Build, result: str, target: float, *, stage: float, friction: float) -> list[Sought]:
    """`seek` for everything `seekable`: what reaches the target first, by the smallest change, then the rest."""
    sought = (
        seek(build, result, target, quantity, stage=stage, friction=friction) for quantity in seekable(build, result)
    )
    return sorted((s for s in sought if s is not None), key=lambda s: (not s.reached, s.change))
