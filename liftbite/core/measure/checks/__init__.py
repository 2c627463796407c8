"""What is measured on the bench: every check with its places, its limits and whose they are.

- `CHECKS`       all of them, in the order of work
- `checks_for`   those a job's arrangement calls for

A manual's figure, once typed, stands over every default here. A check that does not say all it must is refused here.

- `disc`   A dry disc: facing, wobble, damper, pucks.
- `pack`   A wet pack: plates by thickness, warp, colour and count.
- `springs`   Coil springs: length and squareness.
- `cover`   A cover: fingers, straps, face, stand-off.
- `flywheel`   A flywheel: thickness, step, face, bolts, ring gear, what was cut, weight and swing.
- `basket`   A motorcycle's basket, centre and lifter.
- `bearings`   Bearings, seals, fork and input shaft.
- `runouts`   Runout of the housing, its gap, and a disc centred without a tool.
- `set_up`   What the set-up calculations ask for: floater, concentric bearing, shaft, pedal, hydraulics.
- `shared`   What the tables of checks share: arrangements, places, limits nobody has to repeat.
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.job.build import Build
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import INPUTS
from liftbite.core.measure.check import Check, refuse_unfinished
from liftbite.core.measure.checks import basket, bearings, cover, disc, flywheel, pack, runouts, set_up, springs

_TABLES = (disc, pack, springs, cover, flywheel, basket, bearings, runouts, set_up)
CHECKS: Mapping[str, Check] = {check.name: check for table in _TABLES for check in table.CHECKS}
for _check in CHECKS.values():
    refuse_unfinished(_check, (*INPUTS, *CHOICES))


def checks_for(build: Build) -> tuple[Check, ...]:
    """The checks a job's arrangement calls for, in the order of work.

    >>> from liftbite.core.job.ledger import Entry
    >>> from liftbite.core.job.build import build_of
    >>> [c.name for c in checks_for(build_of({"layout": Entry("layout", "wet_motorcycle")}))][:3]
    ['plate_thickness', 'plate_condition', 'friction_warp']
    """
    return tuple(c for c in CHECKS.values() if c.wanted(build))
