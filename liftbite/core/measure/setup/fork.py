"""A bearing of another height on a fork: free play, how the fork turns, and the slave's stroke.

- `fork_change`, `ForkChange`   what the height does
- `Fork`, `work_out`, `tell`    the calculation

Lengths in metres.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import asin

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.effect import Effect, EffectOf, of_length
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.reading import Readings, values_of
from liftbite.core.measure.setup.calculation import MAKE_UP, Calculation, Outcome, mm, right, span
from liftbite.core.units.sentence import both
from liftbite.core.units.show import figure


@dataclass(frozen=True, slots=True)
class ForkChange:
    """What a bearing of another height does to a fork.

    Attributes
    ----------
    height : how much taller the new bearing is [m]
    free_play : left at the slave or cable [m]; below 0 the bearing is always loaded
    tilt : how far the fork turns [rad]; None where its length was not measured
    """

    height: float
    free_play: float
    tilt: float | None


def taller_bearing(height_change: float, fork_ratio: float, free_play: float) -> float:
    """Free play left at the slave when the bearing is taller by `height_change` [m]; below 0 it is always loaded.

    >>> round(taller_bearing(0.001, 2.0, 0.003), 4)
    0.001
    """
    return free_play - height_change * fork_ratio


def fork_change(old: float, new: float, fork_ratio: float, free_play: float, arm: float | None = None) -> ForkChange:
    """A taller bearing takes free play and turns the fork.

    Parameters
    ----------
    old, new : heights of the bearings, seat to face [m]
    fork_ratio : slave travel over bearing travel [-]
    free_play : at the slave or cable with the old one [m]
    arm : pivot to the slave's end of the fork, where it was measured [m]

    >>> found = fork_change(0.020, 0.0215, 1.8, 0.003, 0.1)
    >>> round(found.free_play * 1e3, 2), round(found.tilt, 3)
    (0.3, 0.027)
    """
    rise = new - old
    tilt = None if arm is None else asin(max(-1.0, min(1.0, rise * fork_ratio / arm)))
    return ForkChange(rise, taller_bearing(rise, fork_ratio, free_play), tilt)


@dataclass(frozen=True, slots=True)
class Fork:
    """A bearing of another height on a fork.

    Attributes
    ----------
    old, new : heights of the bearings [m]
    arm : pivot to the slave's end of the fork [m], or None
    ratio : slave travel over bearing travel [-]
    play, assumed : free play at the slave or cable with the old bearing [m], and whether nobody entered it
    change : what it does
    stroke, needed : of the slave [m]: what is left with the new bearing, what full pedal asks for; None where not known
    """

    old: float
    new: float
    arm: float | None
    ratio: float
    play: float
    assumed: bool
    change: ForkChange
    stroke: float | None
    needed: float | None


def work_out(build: Build, readings: Readings, _: Mapping[str, str]) -> Fork | None:
    """What a job's bearings do to its fork; None until both are measured and the fork's ratio is known."""
    old, new, arms = (values_of(readings, "bearing_height", place) for place in ("Old", "New", "Fork"))
    ratio = build.known.get("fork_ratio")
    if not old or not new or ratio is None:
        return None
    ratio, arm = float(ratio), arms[-1] if arms else None
    play = float(build.known.get("bearing_clearance", 0.0)) * ratio
    assumed = build.mark("bearing_clearance") not in {"entered", "measured"}
    change = fork_change(old[-1], new[-1], ratio, play, arm)
    stroke, needed = build.known.get("slave_stroke"), None
    lift = build.evaluate(("plate_lift_available",))["plate_lift_available"]
    if not isinstance(lift, Needs | Refused):
        travel = build.evaluate(("slave_travel",), plate_lift=lift)["slave_travel"]
        needed = None if isinstance(travel, Needs | Refused) else float(travel)
    # a shorter bearing lets the piston stand further out, a taller one pushes it home
    left = None if stroke is None else float(stroke) - max(-change.height, 0.0) * ratio
    return Fork(old[-1], new[-1], arm, ratio, play, assumed, change, left, needed)


def tell(found: Fork) -> Outcome:
    """A bearing of another height: free play left, how the fork turns, whether the slave still has its stroke."""
    f = found.change
    new = f"The new bearing is {span(abs(f.height))} {'taller' if f.height >= 0 else 'shorter'}"
    sentence = f"{new}; {span(f.free_play)} of free play is left."
    if f.free_play < 0:
        sentence = f"{new} and always loaded, {span(-f.free_play)} past its free play: shim the pivot or the slave."
    rise = mm(f.height) if f.height >= 0 else f"({mm(f.height)})"
    if found.assumed:
        sentence += " Free play with the old one is taken as none: nobody entered the bearing's clearance."
    where = "assumed, nobody entered the bearing's clearance" if found.assumed else "the bearing's clearance · R_f"
    working = [
        f"Rise = new − old = {mm(found.new)} − {mm(found.old)} = {mm(f.height)} mm.",
        f"Free play left = free play − rise · R_f = {mm(found.play)} − {rise} · {figure(found.ratio)} = "
        f"{mm(f.free_play)} mm; free play {mm(found.play)} mm is {where}.",
    ]
    if f.tilt is not None and found.arm is not None:
        sentence += f" The fork turns by {both(abs(f.tilt), 'rad')}."
        working.append(f"Turn = arcsin(rise · R_f/arm), arm {mm(found.arm)} mm [geometry].")
    if found.stroke is not None and found.needed is not None:
        enough = found.needed <= found.stroke
        sentence += (
            f" The slave still has its stroke: {span(found.needed)} of {span(found.stroke)}."
            if enough
            else f" The slave runs out: full pedal asks for {span(found.needed)}, {span(found.stroke)} is left."
        )
        working.append(
            f"Slave at full pedal = (bearing travel + clearance) · R_f = {mm(found.needed)} mm; a shorter "
            f"bearing lets the piston stand further out by its difference · R_f, which leaves "
            f"{mm(found.stroke)} mm."
        )
    if abs(f.height) > MAKE_UP:
        working.append("Past 0.5 mm it is made up for with a pivot or slave shim [practice].")
    short = found.stroke is not None and found.needed is not None and found.stroke < found.needed
    return Outcome(sentence, right(f.free_play >= 0 and not short), tuple(working), length=f.free_play)


def _effects(build: Build, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    found = work_out(build, readings, {})
    if found is None or found.change.free_play < 0:
        return []
    left = found.change.free_play / found.ratio
    return [of_length("bearing_height", "bearing_clearance", left, "what the new bearing's height leaves of it")]


CALCULATION = Calculation(
    "fork",
    "Fork with the new bearing",
    "fork",
    ("bearing_height",),
    "both heights, and this job's fork ratio",
    work_out,
    tell,
    effects={"bearing_height": EffectOf(_effects, once=True)},
    window_of="bearing_height",
)
