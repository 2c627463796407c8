"""A part of the shelf as the finder takes it.

- `finder_part`   its figures in SI, its options, what has to fit
"""

from __future__ import annotations

from liftbite.core.find.combinations import FinderPart
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import FITS, INPUTS
from liftbite.core.parts.shelf import ShelfPart, read_part


def finder_part(part: ShelfPart) -> FinderPart:
    """The part as the finder takes it: figures in SI, options, what has to fit."""
    values, options = {}, {}
    for quantity, entry in read_part(part).items():
        if quantity in CHOICES:
            options[quantity] = entry.typed or ""
        elif entry.si is not None and INPUTS[quantity].unit != "text":
            values[quantity] = entry.si
    properties = {
        name: values[quantity] for (slot, name), quantity in FITS.items() if slot == part.slot and quantity in values
    }
    return FinderPart(part.name, part.price, values, options, properties)
