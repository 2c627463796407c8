"""A fast upshift, throttle kept open: what slips while the pedal comes up, with a restrictor in the line and without.

- `Upshift`, `upshift`   from the first gear to the second, at the redline
- `upshift_sentence`         the same in a sentence
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.quantities.launch import launch
from liftbite.core.quantities.launch_case import Launch, LaunchCase
from liftbite.core.units.sentence import both

#: Time a quick foot takes to let the pedal up [s], and the torque it then asks the clutch for over the engine's peak.
QUICK, LET_GO = 0.1, 3.0


@dataclass(frozen=True, slots=True)
class Upshift:
    """A fast upshift.

    Attributes
    ----------
    gears : ratios left and taken [-]
    free : the shift without a restrictor
    held_back : the same with the restrictor's time; None where there is none in the line
    """

    gears: tuple[float, float]
    free: Launch
    held_back: Launch | None


def upshift(build: Build, *, stage: float) -> Upshift | Needs | Refused:
    """The shift from the first gear to the second at the redline, or what is missing or impossible.

    The gearbox side begins at the redline times the step of the gears; the engine at the redline, at full load.
    """
    missing = frozenset(n for n in ("gear_ratios", "redline") if n not in build.known)
    if missing:
        return Needs(missing)
    gears = np.atleast_1d(build.known["gear_ratios"]).astype(float)
    if len(gears) < 2:
        return Needs(frozenset({"gear_ratios"}))
    first, second = float(gears[0]), float(gears[1])
    case = build.evaluate(("start_case",), stage=stage, gear_ratio=second)["start_case"]
    if not isinstance(case, LaunchCase):
        return case if isinstance(case, Needs | Refused) else Needs(frozenset())
    speed = float(build.known["redline"]) / case.ratio
    peak = case.curve.peak_torque * case.primary
    free = replace(
        case,
        start_speed=speed,
        vehicle_speed=speed * second / first,
        clutch_torque=LET_GO * peak,
        held=1.0,
        throttle_share=1.0,
        release_time=QUICK,
    )
    restrictor = float(build.known.get("restrictor_time", 0.0))
    held = launch(replace(free, release_time=restrictor)) if restrictor > QUICK else None
    return Upshift((first, second), launch(free), held)


def upshift_sentence(build: Build, *, stage: float) -> str:
    """What a fast upshift slips, with the restrictor and without; empty while gears or redline are not known."""
    found = upshift(build, stage=stage)
    if not isinstance(found, Upshift):
        return ""
    words = (
        f"A fast upshift at the redline, first to second, throttle open, pedal up in {QUICK:g} s: {_said(found.free)}"
    )
    if found.held_back is None:
        return f"{words}; no restrictor in the line."
    saved = both(float(found.held_back.energy) - float(found.free.energy), "J")
    return f"{words}; with the restrictor {_said(found.held_back)}. Taking it out saves {saved} a shift."


def _said(run: Launch) -> str:
    return f"{both(float(run.slip_time), 's')} of slip, {both(float(run.energy), 'J')}"
