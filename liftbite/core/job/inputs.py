"""What a builder enters: every input with its unit, its range and the figures that are usual.

- `INPUTS`    all of them, in the order of work; what one is: `job.input`
- `STATES`    inputs that are not entered but looked at: the place in the friction band, the stage
- `FITS`      what has to fit, and the input that states it
- `ALWAYS_ASSUMED`   assumptions that hold whatever is chosen

Hard ranges are what can exist. Usual ranges only raise a question, for the classic mistake is a figure in the wrong
unit.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from liftbite.core.job.input import Assumed, Input
from liftbite.core.job.rows import clutch, engine, fits, flywheel, joints, release, sizes, starts

_ALL = (
    *engine.ROWS,
    *clutch.ROWS,
    *sizes.ROWS,
    *release.ROWS,
    *flywheel.ROWS,
    *starts.ROWS,
    *joints.ROWS,
    *fits.ROWS,
)

#: What is entered of one side of a disc; the other side has its own of each where the two differ.
OF_OTHER_SIDE = ("outer_diameter", "inner_diameter", "coverage", "friction_low", "friction_nominal", "friction_high",
            "pressure_limit", "sustained_temperature", "brief_temperature", "fade_share", "specific_energy_limit",
            "wear_rate")  # fmt: skip

INPUTS: Mapping[str, Input] = {
    i.name: i
    for i in (
        *_ALL,
        *(replace(i, name=f"other_{i.name}", label=f"Plate side: {i.label}", group="facing",
                  parts=("disc",), fits=None, searched=False)
          for i in _ALL if i.name in OF_OTHER_SIDE),
    )
}  # fmt: skip

#: Slot and property of what has to fit -> the input that states it.
FITS: Mapping[tuple[str, str], str] = {i.fits: i.name for i in INPUTS.values() if i.fits is not None}

#: State -> its value where nothing else is asked: nominal friction, engine as it is.
STATES: Mapping[str, float] = {
    "friction_state": 0.0,
    "stage": 0.0,
    "wear": 0.0,
    "plate_lift": 0.0,
    "facing_temperature": 293.15,
    "clutch_speed": 0.0,
}

#: What stands in for an input whatever is chosen.
ALWAYS_ASSUMED: Mapping[str, Assumed] = {i.name: i.assumed for i in INPUTS.values() if i.assumed is not None}
