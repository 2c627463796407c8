"""How a number came about: formula, values as typed and in SI, unit and source, down to the inputs.

- `Term`, `Step`, `working`   the steps behind a result, the result first
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, TypeAlias

import numpy as np

from liftbite.core.graph.docstring import read_doc
from liftbite.core.graph.graph import Known, Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.quantities.launch_case import Launch, LaunchCase
from liftbite.core.quantities.thermal import HeatNetwork
from liftbite.core.quantities.torque_curve import TorqueCurve

#: What is more than figures.
Whole: TypeAlias = TorqueCurve | LaunchCase | Launch | HeatNetwork


@dataclass(frozen=True, slots=True)
class Term:
    """One quantity that enters a step.

    Attributes
    ----------
    name, symbol, text, unit : which it is, as the formula writes it
    value : its value [SI], or its figures where it is several; None while missing; of a curve its peak torque, of a
        start its heat
    whole : the curve or the start itself where it is one
    typed : what was typed, for an input that was entered
    mark : "entered", "measured", "assumed", "missing" for inputs; "worked out", "state" for the rest
    why : where an assumed value comes from
    """

    name: str
    symbol: str
    text: str
    unit: str
    value: float | tuple[float, ...] | None
    whole: Whole | None
    typed: str | None
    mark: str
    why: str


@dataclass(frozen=True, slots=True)
class Step:
    """One formula with its figures.

    Attributes
    ----------
    name, meaning, formula : which quantity, in words and as a formula
    symbol, unit : of the result
    value, whole : the result, as in `Term`
    terms : what enters
    mark, source, holds : where the formula comes from and where it holds
    """

    name: str
    meaning: str
    formula: str
    symbol: str
    unit: str
    value: float | tuple[float, ...] | None
    whole: Whole | None
    terms: tuple[Term, ...]
    mark: str
    source: str
    holds: str


def working(build: Build, result: str, *, stage: float, friction: float) -> list[Step]:
    """The steps behind `result`, the result first, each before what it rests on.

    Raises
    ------
    KeyError : no function of this arrangement supplies `result`
    """
    graph = build.graph
    if result not in graph.functions:
        raise KeyError(result)
    values = build.evaluate_through((result,), stage=stage, friction=friction)
    return [_step(build, name, values) for name in reversed(graph.order([result]))]


def _value(value: Any) -> tuple[float | tuple[float, ...] | None, Whole | None]:
    if isinstance(value, TorqueCurve):
        return value.peak_torque, value
    if isinstance(value, LaunchCase):
        return float(value.clutch_torque), value
    if isinstance(value, Launch):
        return float(value.energy), value
    if isinstance(value, HeatNetwork):
        return float(value.stores.sum()), value
    if value is None or isinstance(value, Needs | Refused):
        return None, None
    if np.ndim(value):
        return tuple(np.ravel(value).tolist()), None
    return float(value), None


def _step(build: Build, name: str, values: Known) -> Step:
    doc = read_doc(build.graph.functions[name]) if build.graph.functions[name].__doc__ else None
    value, whole = _value(values.get(name))
    if doc is None:  # stands in for a choice that is not made
        return Step(name, "Waits for a choice.", "", name, "-", None, None, (), "definition", "", "")
    terms = tuple(
        _term(build, term_name, doc.arguments[term_name], values) for term_name in build.graph.parameters[name]
    )
    return Step(
        name,
        doc.meaning,
        doc.formula,
        doc.result.symbol,
        doc.result.unit,
        value,
        whole,
        terms,
        doc.mark,
        doc.source,
        doc.holds,
    )


def _term(build: Build, name: str, says: Any, values: Known) -> Term:
    value, whole = _value(values.get(name))
    entry = build.entries.get(name)
    why = ""
    if name in build.graph.functions:
        mark = "worked out"
    elif name in {"stage", "friction_state"}:
        mark = "state"
    else:
        mark = build.mark(name)
        why = build.chosen.assumed[name].why if mark == "assumed" else ""
    typed = entry.typed if entry is not None and mark in {"entered", "measured"} else None
    return Term(name, says.symbol, says.text, says.unit, value, whole, typed, mark, why)
