"""The kinds of parts a shelf holds.

- `Slot`, `SLOTS`   each with the layouts it belongs to, and whether the finder searches it

What a part of a kind states is said by the inputs themselves (`Input.parts`).
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

BOTH = ("dry_car", "wet_motorcycle")


@dataclass(frozen=True, slots=True)
class Slot:
    """A kind of part.

    Attributes
    ----------
    name, label : name in files, name on screen
    layouts : layouts that have one
    searched : layouts in which the finder offers it
    first : True where a search begins with every part of it
    """

    name: str
    label: str
    layouts: tuple[str, ...] = BOTH
    searched: tuple[str, ...] = ()
    first: bool = False


SLOTS: Mapping[str, Slot] = {
    s.name: s
    for s in (
        Slot("disc", "Disc", layouts=("dry_car",), searched=("dry_car",), first=True),
        Slot("plates", "Plate set", layouts=("wet_motorcycle",), searched=("wet_motorcycle",), first=True),
        Slot("material", "Facing material", searched=("dry_car", "wet_motorcycle")),
        Slot("cover", "Cover", layouts=("dry_car",), searched=("dry_car",), first=True),
        Slot("springs", "Springs", searched=("wet_motorcycle",), first=True),
        Slot("flywheel", "Flywheel", layouts=("dry_car",), searched=("dry_car",)),
        Slot("master", "Master cylinder", searched=("dry_car", "wet_motorcycle")),
        Slot("slave", "Slave cylinder", searched=("dry_car", "wet_motorcycle")),
        Slot("fluid", "Fluid"),
        Slot("bearing", "Release bearing"),
        Slot("shaft", "Input shaft", searched=("dry_car",)),
        Slot("pilot", "Pilot bearing", layouts=("dry_car",)),
        Slot("crank", "Crank"),
        Slot("starter", "Starter", layouts=("dry_car",)),
        Slot("housing", "Housing", layouts=("dry_car",)),
        Slot("bolts", "Bolts", layouts=("dry_car",), searched=("dry_car",)),
    )
}
