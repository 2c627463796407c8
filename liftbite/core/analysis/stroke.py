"""The whole stroke of pedal or lever, point by point, and what stops it.

- `Stroke`   travel, lift, pressure, effort, gap per face, and the points worth knowing
- `stroke`   from a build, at any wear or temperature

Free play and port first, with no pressure; then what the slave's spring holds builds up with the slave at rest, and the
bearing reaches the fingers; force builds up with the plate at rest, against hose, air or cable; then the plate lifts.
All are evaluations of the same quantities: the slave held, the bearing force scaled from 0, an array of lifts. Nothing
is iterated.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.quantities.torque_curve import Array

#: What a stroke cannot be worked out without.
STROKE_NEEDS = (
    "plate_lift_available",
    "plate_lift_reach",
    "bearing_force",
    "pedal_stroke",
    "friction_faces",
    "springback",
    "cushion_stack",
    "bearing_travel",
    "spring_clamp",
    "strap_force",
    "release_lever_ratio",
)
_BUILD = np.linspace(0.0, 1.0, 41)
_LINKS = ("master_travel", "slave_travel", "cable_travel")
#: What holds while the slave, or the cable, has not moved yet.
_HELD = {"slave_travel": 0.0, "cable_travel": 0.0, "cable_force": 0.0}
_RISE = np.linspace(0.0, 1.0, 6)


@dataclass(frozen=True, eq=False)
class Stroke:
    """One stroke, from rest to full pedal.

    Attributes
    ----------
    pedal, lift, bearing, effort : travel of the pad, lift of the plate, bearing travel [m], force at the pad [N]
    pressure : line pressure [Pa], None for a cable
    chain : travels on the way, as the chain has them: `master_travel`, `slave_travel`, `cable_travel` [m]
    held : share of the clamp that still presses the facings, 1 at rest [-]
    gap : gap per face, 0 until the discs have sprung back [m]
    first_movement, bite_point : pedal travel at which the plate first moves, and at which on the way back it touches
        the unloaded cushion [m]; None where the pedal ends before
    full : lift at full pedal [m]
    stops : what limits the stroke, with the pedal travel at which it does [m], nearest first
    smooth : False where the effort falls so fast that the plate snaps through
    """

    pedal: Array
    lift: Array
    bearing: Array
    effort: Array
    pressure: Array | None
    chain: Mapping[str, Array]
    held: Array
    gap: Array
    first_movement: float | None
    bite_point: float | None
    full: float
    stops: tuple[tuple[str, float], ...]
    smooth: bool

    @property
    def peak_effort(self) -> float:
        """Highest force at the pad on the way down [N]."""
        return float(self.effort.max())


def stroke(build: Build, *, points: int = 161, **states: Any) -> Stroke | Needs | Refused:
    """The stroke at the states given (`wear`, `facing_temperature`), or what is missing or impossible.

    Parameters
    ----------
    build : what is known
    points : lifts evaluated
    states : states or quantities to be taken instead of what is known
    """
    rest = build.evaluate(STROKE_NEEDS, **states)
    for name in STROKE_NEEDS:
        if isinstance(rest[name], Needs | Refused):
            found: Needs | Refused = rest[name]
            return found
    lift = np.linspace(0.0, max(float(rest["plate_lift_reach"]), 1e-6), points)
    links = tuple(n for n in _LINKS if n in build.graph.functions)
    chain = ("pedal_travel", "pedal_effort", "bearing_travel", "line_pressure", *links)
    built = build.evaluate(chain, **states, bearing_force=_BUILD * rest["bearing_force"], plate_lift=0.0)
    lifted = build.evaluate((*chain, "cushion_force"), **states, plate_lift=lift)
    fluid = not isinstance(lifted["line_pressure"], Needs | Refused)
    rising = {"line_pressure": _RISE * np.ravel(built["line_pressure"])[0]} if fluid else {}
    held = build.evaluate(chain, **states, **_HELD, **rising, bearing_force=0.0, bearing_travel=0.0, plate_lift=0.0)
    idle = build.evaluate(("pedal_spring",), **states, pedal_travel=0.0)["pedal_spring"]
    if isinstance(idle, Needs | Refused):
        return idle
    before = 1 + _RISE.size
    first = before + _BUILD.size - 1

    def joined(name: str, at_rest: float = 0.0) -> Array:
        still = np.broadcast_to(np.asarray(held[name], dtype=np.float64), _RISE.shape)
        start = np.broadcast_to(np.asarray(built[name], dtype=np.float64), _BUILD.shape)
        return np.concatenate([[at_rest], still, start, np.broadcast_to(lifted[name], lift.shape)[1:]])

    pedal, effort = joined("pedal_travel"), joined("pedal_effort", float(idle))
    lifts = np.concatenate([np.zeros(first), lift])
    end = float(rest["pedal_stroke"])
    steady = np.maximum.accumulate(pedal)
    full = float(rest["plate_lift_available"])
    inside = pedal <= end
    pressure = joined("line_pressure") if fluid else None
    gap = np.maximum(lifts - rest["springback"], 0.0) / rest["friction_faces"]

    clamped = rest["spring_clamp"] + rest["strap_force"]
    taken = rest["release_lever_ratio"] * _BUILD * rest["bearing_force"]
    cushioned = np.broadcast_to(lifted["cushion_force"], lift.shape)[1:]
    presses = np.concatenate([np.full(before, clamped), clamped - taken, cushioned])
    kept = np.clip(presses / clamped, 0.0, 1.0)

    def cut(values: Array) -> Array:
        last = np.interp(end, steady, values) if pedal[0] < end < pedal[-1] else None
        return values[inside] if last is None else np.append(values[inside], last)

    def at_lift(value: float) -> float | None:
        where = float(np.interp(value, lift, pedal[first:]))
        return where if value <= full + 1e-12 and where <= end + 1e-9 else None

    return Stroke(
        pedal=cut(pedal),
        lift=cut(lifts),
        bearing=cut(joined("bearing_travel")),
        effort=cut(effort),
        pressure=None if pressure is None else cut(pressure),
        chain={n: cut(joined(n)) for n in links},
        held=cut(kept),
        gap=cut(gap),
        first_movement=at_lift(0.0),
        bite_point=at_lift(float(rest["cushion_stack"])),
        full=full,
        stops=_stops(build, lift, pedal[first:], states),
        smooth=bool(np.all(np.diff(pedal) >= -1e-12)),
    )


def _stops(build: Build, lift: Array, pedal: Array, states: dict[str, Any]) -> tuple[tuple[str, float], ...]:
    """Pedal travel at which master, slave and cover reach their limits."""
    known = build.known
    travel = build.evaluate(("master_travel", "slave_travel", "port_travel"), **states, plate_lift=lift)
    limits = [
        ("pedal_stroke", pedal, known.get("pedal_stroke")),
        ("plate_lift_limit", lift, known.get("plate_lift_limit")),
    ]
    if not isinstance(travel["master_travel"], Needs | Refused):
        limits.append(("master_stroke", travel["master_travel"] + travel["port_travel"], known.get("master_stroke")))
        limits.append(("slave_stroke", travel["slave_travel"], known.get("slave_stroke")))
    found = []
    for name, values, limit in limits:
        if limit is None:
            continue
        if name == "pedal_stroke":
            found.append((name, float(limit)))
        elif np.max(values) >= limit:
            found.append((name, float(np.interp(limit, values, pedal))))
    return tuple(sorted(found, key=lambda pair: pair[1]))
