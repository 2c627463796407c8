"""Sums of the bench that stand beside the graph: bearing cushion and spacers, a cut flywheel, a taller bearing, the
port, stocked cylinders, and what another flywheel changes.

- `bearing_cushion`, `cushion_window`   a concentric bearing from two depths; `core.proving` tries its spacers
- `flywheel_cut`        what cutting one or both levels of a flywheel does
- `taller_bearing`      what a bearing of another height does to a fork
- `port_shut`           what hot fluid does with the master's port shut
- `cylinder_choices`, `area_ratio_needed`   pairs of stocked bores, forwards and backwards
- `wheel_change`        a lighter or heavier flywheel, and what it leaves alone

Lengths in metres.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build

#: Stocked bores [m]: inch sizes, then metric [practice: nominal bores of the trade].
BORES: tuple[float, ...] = (
    0.015875, 0.01778, 0.0174625, 0.01905, 0.0206375, 0.022225, 0.0238125, 0.0254,
    0.014, 0.016, 0.018, 0.019, 0.020, 0.022,
)  # fmt: skip
INCH = 0.0254


def bearing_cushion(x: float, y: float, spacers: Sequence[float] = ()) -> float:
    """How far a concentric bearing stands from the fingers: X less Y and the spacers under the bearing.

    Source: [practice: two depths with a straight edge, before the gearbox goes in].

    >>> round(bearing_cushion(3.21875 * INCH, 2.5 * INCH) / INCH, 3)
    0.719
    >>> round(bearing_cushion(3.21875 * INCH, 2.5 * INCH, [0.509 * INCH]) / INCH, 3)
    0.21
    """
    return x - y - sum(spacers)


#: What the computed window of a cushion keeps beyond the wear [m]; our own choice.
SPARE = 0.5e-3


@dataclass(frozen=True, slots=True)
class Window:
    """Cushions that serve a bearing over the life of the disc [m]; `low` over `high` where none does."""

    low: float
    high: float


def cushion_window(
    total_wear: float, lever_ratio: float, release_stroke: float, bearing_stroke: float, margin: float = SPARE
) -> Window:
    """The cushion a push-type cover needs: room for the fingers to come back, stroke enough to release.

    low = wear · R_d + margin, high = bearing stroke − release stroke. The rule of thumb, 1/8 to 3/8 in, is ranked
    below this: 1/8 in at R_d 4 covers 0.79 mm of wear alone.

    >>> w = cushion_window(0.0014, 4.0, 0.0065, 0.020)
    >>> round(w.low * 1e3, 2), round(w.high * 1e3, 2)
    (6.1, 13.5)
    """
    return Window(total_wear * lever_ratio + margin, bearing_stroke - release_stroke)


@dataclass(frozen=True, slots=True)
class Cut:
    """What cutting a flywheel does.

    Attributes
    ----------
    fingers : movement of the finger tips, plus towards the gearbox [m]; cushion or free play changes by its opposite
    acts_as_wear : wear the cover acts as if the disc had [m]; below 0 where the seat was cut more
    hub_nearer : how much nearer the disc's hub comes to the flywheel bolts [m]
    """

    fingers: float
    acts_as_wear: float
    hub_nearer: float


def flywheel_cut(face_cut: float, seat_cut: float, lever_ratio: float, *, pushed: bool = True) -> Cut:
    """What cutting the friction face and the cover's seat does: cut alike the clutch moves, cut apart it ages.

    Both by x: the whole clutch goes x towards the engine, fingers too. The face alone by x: like x of wear, the
    fingers of a push-type cover come back x·R_d, the opposite sign; those of a pull-type cover go on to the engine.

    >>> both, face = flywheel_cut(0.0005, 0.0005, 4.0), flywheel_cut(0.0005, 0.0, 4.0)
    >>> both.fingers, both.acts_as_wear, face.fingers, face.acts_as_wear
    (-0.0005, 0.0, 0.002, 0.0005)
    """
    apart = face_cut - seat_cut
    back = apart * lever_ratio if pushed else -apart * lever_ratio
    return Cut(fingers=back - seat_cut, acts_as_wear=apart, hub_nearer=face_cut)


def taller_bearing(height_change: float, fork_ratio: float, free_play: float) -> float:
    """Free play left at the slave when the bearing is taller by `height_change` [m]; below 0 it is always loaded.

    >>> round(taller_bearing(0.001, 2.0, 0.003), 4)
    0.001
    """
    return free_play - height_change * fork_ratio


def port_shut(volume: float, expansion: float, rise: float, slave_area: float) -> float:
    """How far hot fluid pushes the slave when the master's port is shut at rest [m].

    >>> round(port_shut(20e-6, 7.5e-4, 60.0, 1000e-6) * 1e3, 2)
    0.9
    """
    return volume * expansion * rise / slave_area


@dataclass(frozen=True, slots=True)
class Cylinders:
    """A pair of stocked bores [m] with what it gives."""

    master: float
    slave: float
    lift_margin: float
    effort: float


def cylinder_choices(build: Build, least_margin: float = 1.1) -> list[Cylinders] | Needs | Refused:
    """Pairs of stocked bores that meet lift and effort, by spare lift, then by effort.

    A concentric slave stays as it is; only masters are tried.
    """
    fixed = "slave_diameter" not in build.graph.inputs(["lift_margin"])
    masters = np.array(BORES)
    master, slave = (masters, np.full(masters.size, np.nan)) if fixed else (
        a.ravel() for a in np.meshgrid(masters, masters, indexing="ij"))  # fmt: skip
    given: dict[str, Any] = {"master_diameter": master} | ({} if fixed else {"slave_diameter": slave})
    v = build.evaluate(("lift_margin", "plate_lift_available", "effort_limit"), **given)
    for name in ("lift_margin", "effort_limit"):
        if isinstance(v[name], Needs | Refused):
            found: Needs | Refused = v[name]
            return found
    points = [v["plate_lift_available"] * share for share in (0.25, 0.5, 0.75, 1.0)]
    efforts = [build.evaluate(("pedal_effort",), **given, plate_lift=x)["pedal_effort"] for x in points]
    effort = np.max([np.broadcast_to(e, master.shape) for e in efforts], axis=0)
    good = (v["lift_margin"] >= least_margin) & (effort <= v["effort_limit"])
    pairs = [Cylinders(float(master[i]), float(slave[i]), float(v["lift_margin"][i]), float(effort[i]))
             for i in np.flatnonzero(good)]  # fmt: skip
    return sorted(pairs, key=lambda c: (-round(c.lift_margin, 2), c.effort))


def area_ratio_needed(build: Build, margin: float = 1.1) -> float | Needs | Refused:
    """Slave area over master area at which the lift margin is met with nothing soft in the line [-]."""
    names = ("lift_needed", "pedal_stroke", "pedal_free_play", "pedal_ratio", "port_travel", "fork_ratio",
             "bearing_clearance", "finger_flex", "release_lever_ratio")  # fmt: skip
    v = build.evaluate(names)
    for name in names:
        if isinstance(v[name], Needs | Refused):
            found: Needs | Refused = v[name]
            return found
    travel = v["lift_needed"] * margin * v["release_lever_ratio"] / v["finger_flex"] + v["bearing_clearance"]
    master = (v["pedal_stroke"] - v["pedal_free_play"]) / v["pedal_ratio"] - v["port_travel"]
    return float(master / (travel * v["fork_ratio"]))


def wheel_change(build: Build, inertia: float, stage: float = 0.0) -> dict[str, tuple[float, float]]:
    """What another flywheel inertia [kg·m²] changes and what it does not: quantity -> old and new value [SI].

    What could not be worked out is left out; `bite_margin` and `lift_margin` are there to show that they stay.
    """
    names = ("effective_mass", "stored_energy", "free_rev_time", "slip_time", "slip_energy", "engine_inertia",
             "bite_margin", "lift_margin")  # fmt: skip
    old = build.evaluate(names, stage=stage)
    new = build.evaluate(names, stage=stage, flywheel_inertia=inertia)
    return {
        n: (float(old[n]), float(new[n])) for n in names if not isinstance(old[n], Needs | Refused)
    }  # fmt: skip
