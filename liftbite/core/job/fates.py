"""What becomes of the parts that were found: stays, stays dressed, renewed.

- `Fated`, `FATED`   a part whose fate is told, and what its use has left on it
- `FATES`, `fate_of`   the fates, and the choice that says a part's

What was read of a part belongs to the part that was found. The choice of a part's fate is an entry like any other: it
can be undone, and goes along in the job file. `job.builds` makes of it what was found and what is planned.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

CAR, MOTORCYCLE = "dry_car", "wet_motorcycle"


@dataclass(frozen=True, slots=True)
class Fated:
    """A part that stays or is renewed.

    Attributes
    ----------
    label : what a builder calls it
    layout : the layout that has it; empty for both
    under : choice and the option of it with which it is there; the layout where empty
    used : what its use leaves on it, which a new one has not, however it was entered
    read : what may be read off it; a figure that was typed stays, for it is the new one's
    dressed : True where it may stay dressed
    """

    label: str
    layout: str
    used: tuple[str, ...] = ()
    read: tuple[str, ...] = ()
    dressed: bool = False
    under: tuple[str, str] = ("", "")

    @property
    def owns(self) -> tuple[str, ...]:
        """Every quantity that belongs to it."""
        return (*self.used, *self.read)


FATED: Mapping[str, Fated] = {
    "disc": Fated("Disc or discs", CAR, ("wear", "inner_wear"), ("disc_wobble",)),
    "plates": Fated("Plates", MOTORCYCLE, ("wear", "plain_warp")),
    "springs": Fated("Clutch springs", "", (), ("spring_free_lengths", "spring_lengths"),
                     under=("clamp_source", "coils")),
    "cover": Fated("Cover", CAR, (), ("diaphragm_set",)),
    "flywheel": Fated("Flywheel", CAR, ("flywheel_face_runout",),
                      ("flywheel_mass", "swing_period", "flywheel_thickness"), dressed=True),
    "floater": Fated("Floater and its stands", CAR, (), ("floater_clearance",)),
    "bearing": Fated("Release bearing", CAR, (), ("bearing_reserve",)),
    "push_rod": Fated("Push rod", MOTORCYCLE, ("push_rod_bow",)),
    "fluid": Fated("Fluid, bled anew", "", ("trapped_air",)),
}  # fmt: skip
#: Fate -> what it is called and says.
FATES: Mapping[str, tuple[str, str]] = {
    "stays": ("Stays", "As it was found and read."),
    "dressed": ("Stays, dressed", "As it was read after dressing."),
    "renewed": ("Renewed", "A new one goes in; what was read of the old one stays with the old one."),
}


def fate_of(part: str) -> str:
    """The name of the choice that says what becomes of a part.

    >>> fate_of("disc")
    'disc_fate'
    """
    return f"{part}_fate"
