"""What tests of the set-up's calculations share: readings in millimetres, a calculation by name, sums told."""

from __future__ import annotations

import re
from collections.abc import Mapping
from typing import Any

from liftbite.core.job.build import build_of
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.setup import CALCULATIONS
from liftbite.core.measure.setup.calculation import Outcome
from tests.jobs import FULL, entries

FORK_CAR = {
    **{q: t for q, t in FULL.items() if not q.startswith("slave_")},
    "release": "hydraulic_fork",
    "slave_diameter": "22 mm",
    "fork_ratio": "1.6",
    "slave_stroke": "30 mm",
}
TWIN = FULL | {"disc_count": "2"}
NO_STROKE = {q: t for q, t in FULL.items() if q != "slave_stroke"}
DEPTHS = {
    "Housing depth": 165,
    "Block plate and gaskets": 3,
    "Pilot below the crank flange": 4,
    "Flange beyond the block face": 0,
    "Pilot bearing length": 16,
    "Bottom of the bore below the pilot": 10,
}


def taken(mm: Mapping[str, float], uncertainty: float = 3e-5) -> list[Reading]:
    return [Reading(place, v / 1e3, f"{v} mm", "caliper", uncertainty) for place, v in mm.items()]


def found(
    which: str, typed: Mapping[str, str], shims: str = "", fitted: str = "", **readings: Mapping[str, float]
) -> Any:
    """What a calculation comes to for a job and readings in millimetres; None while it waits."""
    read = {check: taken(mm) for check, mm in readings.items()}
    return CALCULATIONS[which].work_out(build_of(entries(dict(typed))), read, {"shims": shims, "fitted": fitted})


def told(
    which: str, typed: Mapping[str, str], shims: str = "", fitted: str = "", **readings: Mapping[str, float]
) -> Outcome:
    """The same in words."""
    return CALCULATIONS[which].tell(found(which, typed, shims, fitted, **readings))


_NUMBER = r"−?\d+(?:\.\d+)?"
_SUM = re.compile(rf"(\(?{_NUMBER}(?: mm)?(?: (?:[−+·] )\(?{_NUMBER}\)?)+) = ({_NUMBER})(?![\d.])")


def sums_told(said: Outcome) -> list[tuple[float, float]]:
    """Every sum of plain figures in a working, worked out again by Python, beside what the working says."""
    told = []
    for line in said.working:
        for left, right in _SUM.findall(line):
            text = left.replace("−", "-").replace("·", "*").replace(" mm", "")
            assert re.fullmatch(r"[-+*() \d.]+", text), text
            told.append((float(eval(text)), float(right.replace("−", "-"))))  # figures alone, as asserted
    return told
