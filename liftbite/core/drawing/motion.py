"""What moves by how much: every face, finger and piston over pedal travel, at every wear from new to the limit.

- `Motion`   the grids, the motions by name, and what goes with them: gaps, effort, pressure, torque passed
- `motion`   from a build

A motion is an array [wear, pedal] of displacements along the shaft, positive towards the gearbox, from the place at
rest with a new clutch. Sums that have to close do: along the stack the gaps, springing back and wear add up to the
movement of the plate.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any

import numpy as np

from liftbite.core.analysis.stroke import Stroke, stroke
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.quantities.torque_curve import Array

WEARS, PEDALS = 7, 61


@dataclass(frozen=True, eq=False)
class Motion:
    """The clutch over pedal travel and wear.

    Attributes
    ----------
    wear : wear of the stack, from new to the limit [m]
    pedal : travel of pedal or lever [m], from rest to the stop
    follows : motion -> displacement [wear, pedal] [m]
    gaps : gap at each face, from the flywheel on [face, wear, pedal] [m]
    lift, effort, pressure : lift of the plate [m], force at the pad [N], line pressure [Pa] or None [wear, pedal]
    passes : engine torque the clutch still passes, nominal friction, as a share of what it holds at rest [wear, pedal]
    first_movement, bite_point : pedal travel by wear [m], NaN where the pedal ends before
    stop : pedal travel at which the stroke has to end [m], and the input that ends it
    warns : other limits met on the way, input -> pedal travel [m]
    smooth : False where the plate snaps through at some wear
    needs : what is missing for the pedal to move; the clutch is then drawn at rest
    """

    wear: Array
    pedal: Array
    follows: Mapping[str, Array]
    gaps: Array
    lift: Array
    effort: Array | None
    pressure: Array | None
    passes: Array | None
    first_movement: Array | None
    bite_point: Array | None
    stop: tuple[float, str] | None
    warns: Mapping[str, float] = field(default_factory=dict)
    smooth: bool = True
    needs: tuple[str, ...] = ()


def faces_of(build: Build) -> tuple[int, bool]:
    """Discs or friction plates in the stack, at least one; True for a car.

    >>> from liftbite.core.job.ledger import read_entry
    >>> from liftbite.core.job.build import build_of
    >>> faces_of(build_of({"layout": read_entry("layout", "dry_car"), "disc_count": read_entry("disc_count", "2")}))
    (2, True)
    """
    car = build.chosen.has("car")
    count = build.known.get("disc_count" if car else "friction_plate_count")
    return (1 if count is None else max(1, int(count))), car


def _value(build: Build, name: str, default: float, **states: Any) -> Any:
    """A quantity, or `default` where it has no value yet; the drawing stays at rest there."""
    found = build.evaluate((name,), **states)[name]
    return default if isinstance(found, Needs | Refused) else found


def rooms(lift: Array, discs: int, floater: float | None, inner_wear: float, springs: float) -> list[Array]:
    """Room each disc or friction plate gets as the plate lifts, the one nearest the flywheel first.

    Without a stop every disc gets its share. The floater of a twin follows the pressure plate, once the discs have
    sprung back, until its stop holds it; the stop is fixed to the flywheel: the inner disc's room ends at the floater
    clearance with what the disc has worn, the outer one gets the rest.

    >>> [round(float(r[0]) * 1e3, 3) for r in rooms(np.array([0.0012]), 2, 0.0005, 0.0, 0.0)]
    [0.5, 0.7]
    """
    share = lift / discs
    if discs != 2 or floater is None:
        return [share] * discs
    inner = np.where(share <= springs, share, np.minimum(lift - springs, max(floater + inner_wear, springs)))
    return [inner, lift - inner]


def motion(build: Build) -> Motion:
    """Every motion of the clutch. What has no value yet does not move, and `needs` says what it waits for."""
    discs, car = faces_of(build)
    limit = float(_value(build, "wear_limit", 0.0))
    wear = np.linspace(0.0, limit, WEARS) if limit > 0 else np.zeros(1)
    lacks = build.lacks(("pedal_effort", "plate_lift_available", "lift_margin"))
    strokes = [] if lacks else [stroke(build, points=81, wear=float(w)) for w in wear]
    sound = [s for s in strokes if isinstance(s, Stroke)]
    if lacks or len(sound) < len(strokes) or not sound:
        missing = next((s.names for s in strokes if isinstance(s, Needs)), frozenset(lacks))
        pedal, lift = np.array([0.0, 1e-3]), np.zeros((wear.size, 2))
        follows, gaps = _stack(build, discs, car, wear, lift)
        follows |= _levers(build, wear, np.zeros_like(lift))
        still = {n: np.zeros_like(lift) for n in ("master", "slave", "cable", "pedal")}
        return Motion(
            wear,
            pedal,
            follows | still,
            gaps,
            lift,
            None,
            None,
            None,
            None,
            None,
            None,
            needs=build.chosen.to_ask(missing),
        )
    return _moving(build, discs, car, wear, sound)


def _moving(build: Build, discs: int, car: bool, wear: Array, sound: list[Stroke]) -> Motion:
    known = build.known
    firm = [s for s in sound[0].stops if s[0] in {"pedal_stroke", "master_stroke", "slave_stroke"}]
    name, end = min(firm, key=lambda pair: pair[1])
    pedal = np.linspace(0.0, end, PEDALS)

    def over(pick: Any, start: float) -> Array:
        """Values over the pedal, from `start` with the pedal untouched."""
        return np.array(
            [
                np.interp(
                    pedal,
                    np.concatenate([[0.0], np.maximum.accumulate(s.pedal) + 1e-9]),
                    np.concatenate([[start], pick(s)]),
                )
                for s in sound
            ]
        )

    lift = over(lambda s: s.lift, 0.0)
    clearance = float(known.get("bearing_clearance", 0.0))
    follows, gaps = _stack(build, discs, car, wear, lift)
    bearing = over(lambda s: s.bearing + clearance, 0.0)
    follows |= _levers(build, wear, bearing)
    port = float(known.get("port_travel", 0.0))
    follows["pedal"] = np.broadcast_to(pedal, lift.shape)
    for motion_name, extra in (("master", port), ("slave", 0.0), ("cable", 0.0)):
        link = f"{motion_name}_travel"
        there = link in sound[0].chain
        follows[motion_name] = over(lambda s, n=link, e=extra: s.chain[n] + e, 0.0) if there else 0 * lift

    def points(pick: Any) -> Array:
        return np.array([np.nan if (at := pick(s)) is None else at for s in sound])

    return Motion(
        wear=wear,
        pedal=pedal,
        follows=follows,
        gaps=gaps,
        lift=lift,
        effort=over(lambda s: s.effort, float(known.get("pedal_return_force", 0.0))),
        pressure=over(lambda s: s.pressure, 0.0) if sound[0].pressure is not None else None,
        passes=over(lambda s: s.held, 1.0),
        first_movement=points(lambda s: s.first_movement),
        bite_point=points(lambda s: s.bite_point),
        stop=(end, name),
        warns={n: at for n, at in sound[0].stops if n != name and at < end},
        smooth=all(s.smooth for s in sound),
    )


def _stack(build: Build, discs: int, car: bool, wear: Array, lift: Array) -> tuple[dict[str, Array], Array]:
    """Motions of discs, floater or plain plates and pressure plate, and the gap at each face."""
    worn = np.broadcast_to(wear[:, None], lift.shape)
    springs = float(_value(build, "springback", 0.0)) / discs
    floater, inner = build.known.get("floater_clearance"), float(build.known.get("inner_wear", 0.0))
    follows: dict[str, Array] = {}
    gaps = []
    at: Array = np.zeros_like(lift)  # movement of what the disc before rests against
    for i, room in enumerate(rooms(lift, discs, floater if car else None, inner, springs), start=1):
        expands = np.minimum(room, springs)
        gap = (room - expands) / 2
        follows[f"disc{i}_front"] = at + gap
        follows[f"disc{i}_core_front"] = at + gap - worn / (2 * discs)
        follows[f"disc{i}_core_back"] = at + gap + expands - worn / (2 * discs)
        follows[f"disc{i}_back"] = at + gap + expands - worn / discs
        at = at + room - worn / discs
        follows[f"between{i}"] = at
        gaps += [gap, gap]
    follows["plate"] = follows.pop(f"between{discs}")
    return follows, np.array(gaps)


def _levers(build: Build, wear: Array, bearing: Array) -> dict[str, Array]:
    """Motions of finger tips and bearing. With wear the tips come back by it times the lever ratio; a pulled cover's
    go the other way, and so does its bearing."""
    ratio = float(_value(build, "release_lever_ratio", 0.0))
    clearance = float(build.known.get("bearing_clearance", 0.0))
    moved = np.broadcast_to(np.asarray(_value(build, "wear_movement", 0.0, wear=wear), dtype=np.float64), wear.shape)
    way = float(_value(build, "finger_way", 1.0))
    back = way * ratio * moved[:, None]
    return {
        "tips": back - way * np.maximum(bearing - clearance, 0.0),
        "bearing": back - way * bearing,
    }
