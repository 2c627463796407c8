"""What a builder enters: every input with its unit, its range and the figures that are usual.

- `INPUTS`    all of them, in the order of work, from the tables in `job/rows`; what one is: `job.input`
- `STATES`    inputs that are not entered but looked at: the place in the friction band, the stage
- `FITS`      what has to fit, and the input that states it
- `ALWAYS_ASSUMED`   assumptions that hold whatever is chosen

Hard ranges are what can exist. Usual ranges only raise a question, for the classic mistake is a figure in the wrong
unit.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import Any

from liftbite.core.job.input import Assumed, Input
from liftbite.core.job.slots import SLOTS
from liftbite.core.tables import made, rows
from liftbite.core.units.read import to_si

#: The files of `job/rows`, in the order of work.
_FILES = ("engine", "clutch", "sizes", "release", "flywheel", "starts", "joints", "fits")


def _read(name: str, said: Mapping[str, Any]) -> Input:
    """An input as its row says it: figures in the unit a bare number of it is read in."""
    unit = said.get("field_unit", "")

    def figure(value: float) -> float:
        return to_si(value, unit) if unit else float(value)

    row = dict(said) | {"name": name}
    if "range" in row:
        row["least"], row["most"] = map(figure, row.pop("range"))
    if "usual" in row:
        row["usual"] = tuple(map(figure, row["usual"]))
    if "assumed" in row:
        assumed = dict(row["assumed"])
        if "between" in assumed:
            assumed["low"], assumed["high"] = map(figure, assumed.pop("between"))
        assumed |= {word: figure(assumed[word]) for word in ("value", "several") if word in assumed}
        row["assumed"] = made(Assumed, f"{name}, assumed", assumed)
    return made(Input, name, row)


_ALL = (
    *(_read(name, said) for file in _FILES for name, said in rows("liftbite.core.job.rows", f"{file}.toml").items()),
    *(Input(f"{slot.name}_part", slot.label, "text", meaning="Taken from the shelf.") for slot in SLOTS.values()),
)

#: What is entered of one side of a disc; the other side has its own of each where the two differ.
OF_OTHER_SIDE = (
    "outer_diameter",
    "inner_diameter",
    "coverage",
    "friction_low",
    "friction_nominal",
    "friction_high",
    "pressure_limit",
    "sustained_temperature",
    "brief_temperature",
    "fade_share",
    "specific_energy_limit",
    "wear_rate",
)

INPUTS: Mapping[str, Input] = {
    i.name: i
    for i in (
        *_ALL,
        *(
            replace(
                i,
                name=f"other_{i.name}",
                label=f"Plate side: {i.label}",
                group="facing",
                parts=("disc",),
                fits=None,
                searched=False,
            )
            for i in _ALL
            if i.name in OF_OTHER_SIDE
        ),
    )
}

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
