"""Quantities of the whole stroke, made from an arrangement's own.

- `plate_lift_available`   lift at full pedal
- `peak_pedal_effort`, `peak_line_pressure`   the highest on the way down
- `least_pedal_return`   the least that brings the pedal back
- `release_load`, `heaviest_lift`   the bearing's highest force, and the lift at which the pedal is heaviest
- `pedal_at_overtravel`, `pedal_at_master_stop`, `pedal_at_slave_stop`, `pedal_at_sleeve_end`   where cover, cylinders
  and sleeve reach their ends
- `made_of`                those an arrangement has the parts for

Each is a quantity like any other, for one job and for an array of candidates.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from inspect import signature
from typing import TypeAlias

import numpy as np

from liftbite.core.graph.derived import Along, Course, Places, along, inverse
from liftbite.core.graph.docstring import Argument, read_doc
from liftbite.core.graph.graph import Figures, Graph, Quantity

Take: TypeAlias = Callable[[Along], Figures]
Near: TypeAlias = Callable[[Along], Places]
#: Lifts along a stroke.
LIFTS = 161


def value_at(x: Figures, xs: Figures, ys: Figures) -> Figures:
    """`ys` where `xs`, which does not fall along its last axis, takes the value `x`; row by row, straight between.

    >>> value_at(np.array([[1.5], [9.0]]), np.array([[0.0, 1.0, 2.0]] * 2), np.array([[0.0, 10.0, 30.0]] * 2))
    array([20., 30.])
    """
    last = xs.shape[-1] - 1
    i = np.minimum(np.maximum(np.count_nonzero(xs <= x, axis=-1, keepdims=True) - 1, 0), last - 1)
    x0, x1, y0, y1 = (_taken(v, j) for v, j in ((xs, i), (xs, i + 1), (ys, i), (ys, i + 1)))
    with np.errstate(divide="ignore", invalid="ignore"):
        share = np.where(x1 > x0, (x - x0) / (x1 - x0), 0.0)
    return (y0 + np.minimum(np.maximum(share, 0.0), 1.0) * (y1 - y0))[..., 0]


def _taken(values: Figures, at: Places) -> Figures:
    """`values` at places of their last axis, row by row."""
    return values[at] if values.ndim == 1 else np.take_along_axis(values, at, axis=-1)


def _highest(of: str) -> Take:
    """The highest of a quantity down to the end of the pedal."""

    def take(v: Along) -> Figures:
        pedal, end, values = v["pedal_travel"], v["pedal_stroke"], v[of]
        steady = np.maximum.accumulate(pedal, axis=-1)
        inside = pedal <= end
        best = np.where(inside, values, -np.inf).max(axis=-1)
        ends_on_the_way = ((pedal[..., :1] < end) & (end < pedal[..., -1:]))[..., 0]
        best = np.where(ends_on_the_way, np.maximum(best, value_at(end, steady, values)), best)
        found: Figures = np.where(inside.any(axis=-1), best, values[..., 0]) + 0 * values.sum(
            axis=-1
        )  # what is NaN stays so
        return found

    return take


def _lowest(of: str) -> Take:
    """The lowest of a quantity down to the end of the pedal."""
    highest = _highest(of)
    return lambda v: -highest({**v, of: -v[of]})


def _near_highest(of: str) -> Near:
    """Where a quantity is highest down to the first point beyond the end of the pedal."""

    def near(v: Along) -> Places:
        inside = v["pedal_travel"] <= v["pedal_stroke"]
        beyond = np.concatenate([np.ones_like(inside[..., :1]), inside[..., :-1]], axis=-1)
        found: Places = np.where(inside | beyond, np.fmax(v[of], -np.inf), -np.inf).argmax(axis=-1)
        return found

    return near


def _lift_at_highest(v: Along) -> Figures:
    """The lift at which the effort is highest down to the end of the pedal."""
    inside = v["pedal_travel"] <= v["pedal_stroke"]
    at = np.where(inside, np.fmax(v["pedal_effort"], -np.inf), -np.inf).argmax(axis=-1)[..., None]
    lift = np.broadcast_to(v["plate_lift"], inside.shape)
    found: Figures = _taken(lift, at)[..., 0] + 0 * v["pedal_effort"].sum(axis=-1)
    return found


def _travelled(v: Along, of: str, before: str) -> Figures:
    return v[of] + (v[before] if before else 0.0)


def _reached(of: str, limit: str, before: str = "") -> Take:
    """Pedal travel at which a travel reaches its limit; without end where it does not."""

    def take(v: Along) -> Figures:
        travel = _travelled(v, of, before)
        at = value_at(v[limit], travel, v["pedal_travel"])
        found: Figures = np.where(
            (travel.max(axis=-1, keepdims=True) >= v[limit])[..., 0], at, np.inf
        ) + 0 * travel.sum(axis=-1)
        return found

    return take


def _near_reached(of: str, limit: str, before: str = "") -> Near:
    """The first point at which a travel has reached its limit, the last where it does not."""

    def near(v: Along) -> Places:
        there = _travelled(v, of, before) >= v[limit]
        found: Places = np.where(there.any(axis=-1), there.argmax(axis=-1), there.shape[-1] - 1)
        return found

    return near


@dataclass(frozen=True, slots=True)
class _Made:
    """One of them: what it is taken of, over which state, what also has to be worked out, and how it is described."""

    name: str
    of: tuple[str, ...]
    take: Take
    near: Near | None
    near_of: tuple[str, ...] | None
    beside: tuple[str, ...]
    meaning: str
    formula: str
    result: str
    range: str
    source: str
    also: tuple[str, ...] = ()

    @property
    def beyond(self) -> bool:
        """False for a limit that is reached, which lies before the first point beyond it; a maximum lies around it."""
        return self.near_of is None


_STROKE = "worked out at 161 lifts from none to the lift with nothing soft"
_MADE = (
    _Made(
        "peak_pedal_effort",
        ("pedal_travel", "pedal_effort"),
        _highest("pedal_effort"),
        _near_highest("pedal_effort"),
        None,
        ("pedal_stroke",),
        "Highest force at the pad on the way down.",
        "F_max = max F_p(x) for x_p(x) ≤ x_stroke",
        "F_max, highest force at the pad [N]",
        _STROKE,
        "definition: maximum over the stroke",
    ),
    _Made(
        "peak_line_pressure",
        ("pedal_travel", "line_pressure"),
        _highest("line_pressure"),
        _near_highest("line_pressure"),
        None,
        ("pedal_stroke",),
        "Highest pressure in the line on the way down.",
        "p_max = max p(x) for x_p(x) ≤ x_stroke",
        "p_max, highest line pressure [Pa]",
        _STROKE,
        "definition: maximum over the stroke",
    ),
    _Made(
        "release_load",
        ("pedal_travel", "bearing_force"),
        _highest("bearing_force"),
        _near_highest("bearing_force"),
        None,
        ("pedal_stroke",),
        "Highest force of the release bearing on the way down; in a car the crank's thrust bearing takes it.",
        "F_bm = max F_b(x) for x_p(x) ≤ x_stroke",
        "F_bm, highest force of the release bearing [N]",
        _STROKE,
        "definition: maximum over the stroke",
    ),
    _Made(
        "least_pedal_return",
        ("pedal_travel", "pedal_return"),
        _lowest("pedal_return"),
        None,
        None,
        ("pedal_stroke",),
        "Least force that brings the pedal back, over the stroke.",
        "F_bl = min F_back(x) for x_p(x) ≤ x_stroke",
        "F_bl, least force that brings the pedal back [N]",
        _STROKE,
        "definition: minimum over the stroke",
    ),
    _Made(
        "heaviest_lift",
        ("pedal_travel", "pedal_effort", "plate_lift"),
        _lift_at_highest,
        None,
        None,
        ("pedal_stroke",),
        "Lift of the plate where the pedal is heaviest on the way down.",
        "x* = argmax F_p(x) for x_p(x) ≤ x_stroke",
        "x*, lift at the heaviest effort [m]",
        _STROKE,
        "definition: maximum over the stroke",
    ),
    _Made(
        "pedal_at_sleeve_end",
        ("pedal_travel", "slave_travel"),
        _reached("slave_travel", "sleeve_stroke"),
        _near_reached("slave_travel", "sleeve_stroke"),
        ("slave_travel",),
        ("sleeve_stroke",),
        "Pedal travel at which a concentric bearing comes to the end of its sleeve.",
        "x_p where x_s = x_left",
        "x_p, pedal travel at the sleeve's end [m]",
        "without end where it is not reached",
        "definition: travel at a stop",
        also=("sleeve_stroke",),
    ),
    _Made(
        "pedal_at_overtravel",
        ("pedal_travel", "plate_lift"),
        _reached("plate_lift", "plate_lift_limit"),
        _near_reached("plate_lift", "plate_lift_limit"),
        (),
        ("plate_lift_limit",),
        "Pedal travel at which the plate is lifted as far as the cover allows.",
        "x_p where x = x_max",
        "x_p, pedal travel at the cover's largest lift [m]",
        "without end where the lift stays below it",
        "definition: travel at a stop",
    ),
    _Made(
        "pedal_at_master_stop",
        ("pedal_travel", "master_travel"),
        _reached("master_travel", "master_stroke", "port_travel"),
        _near_reached("master_travel", "master_stroke", "port_travel"),
        ("master_travel",),
        ("master_stroke", "port_travel"),
        "Pedal travel at which the master cylinder reaches the end of its stroke.",
        "x_p where x_m + x_port = x_mm",
        "x_p, pedal travel at the master's end [m]",
        "without end where it is not reached",
        "definition: travel at a stop",
    ),
    _Made(
        "pedal_at_slave_stop",
        ("pedal_travel", "slave_travel"),
        _reached("slave_travel", "slave_stroke"),
        _near_reached("slave_travel", "slave_stroke"),
        ("slave_travel",),
        ("slave_stroke",),
        "Pedal travel at which the slave cylinder reaches the end of its stroke.",
        "x_p where x_s = x_sm",
        "x_p, pedal travel at the slave's end [m]",
        "without end where it is not reached",
        "definition: travel at a stop",
    ),
)


#: What ends a stroke, as a docstring says it; no other quantity names these.
_ENDS = {
    a.name: a
    for a in (
        Argument("plate_lift_reach", "x_reach", "lift at full pedal with nothing soft", "m"),
        Argument("master_stroke", "x_mm", "stroke of the master cylinder", "m"),
        Argument("slave_stroke", "x_sm", "stroke of the slave cylinder", "m"),
        Argument("pedal_stroke", "x_stroke", "full travel at the pad", "m"),
    )
}


def _documented(made: Quantity, functions: list[Quantity], head: str, result: str, tail: str) -> Quantity:
    """The quantity with a docstring like any other's; its parameters are described as what it passes through does."""
    arguments = {a.name: a for f in functions if f.__doc__ for a in read_doc(f).arguments.values()}
    results = {f.__name__: read_doc(f).result for f in functions if f.__doc__}
    known = results | arguments | _ENDS
    told = ((name, known[name]) for name in signature(made).parameters)
    lines = "\n".join(f"{name} : {a.symbol}, {a.text} [{a.unit}]" for name, a in told)
    made.__doc__ = f"{head}\n\nParameters\n----------\n{lines}\n\nReturns\n-------\n{result}\n\n{tail}\n"
    return made


def _plate_lift_available(functions: list[Quantity], course: Course) -> Quantity:
    made = inverse("plate_lift_available", course, of="pedal_travel", equals="pedal_stroke")
    head = (
        "Lift of the plate at full pedal, with what hose, air or cable swallow.\n\nx_full = x where x_p(x) = x_stroke"
    )
    tail = (
        "Range: at most the lift with nothing soft; 0 where the pedal ends before the plate moves.\n"
        "Source: [definition: pressure and travel solved together]."
    )
    return _documented(made, functions, head, "x_full, lift at full pedal [m]", tail)


def made_of(functions: list[Quantity]) -> Iterator[Quantity]:
    """The quantities of the whole stroke that these functions have the parts for."""
    graph = Graph(functions)
    names = graph.functions.keys()
    released = {"pedal_travel", "plate_lift_reach", "release_lever_ratio"} <= names
    if not released:
        return
    course = Course(graph, over="plate_lift", until="plate_lift_reach", points=LIFTS)
    yield _plate_lift_available(functions, course)
    for m in _MADE:
        if {*m.of, *m.also} - {course.over} <= names:
            made = along(
                m.name, course, of=m.of, take=m.take, near=m.near, near_of=m.near_of, beside=m.beside, beyond=m.beyond
            )
            head = f"{m.meaning}\n\n{m.formula}"
            tail = f"Range: {m.range}.\nSource: [{m.source}]."
            yield _documented(made, functions, head, m.result, tail)
