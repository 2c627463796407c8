"""What becomes of a part: stays, stays dressed, renewed, added, left out.

- `Fated`, `FATED`   a part whose fate is told, what belongs to it, and what its use has left on it
- `FATES`, `fate_of`   the fates, and the choice that says a part's
- `APART`   fates with which the part that was found and the one that is planned are two

The choice of a part's fate is an entry like any other: it can be undone, and goes along in the job file. `job.builds`
makes of it what was found and what is planned.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

CAR, MOTORCYCLE = "dry_car", "wet_motorcycle"


@dataclass(frozen=True, slots=True)
class Fated:
    """A part that stays or is renewed, comes in or goes.

    Attributes
    ----------
    label : what a builder calls it
    layout : the layout that has it; empty for both
    slots : kinds of parts of the shelf whose figures are its own
    also : what else belongs to it
    used : what its use leaves on it, which a new one has not, however it was entered
    read : what may be read off it; a figure that was typed stays, for it is the new one's
    dressed : True where it may stay dressed
    optional : True where a clutch works without it, so that it may be added or left out
    under : choice and the option of it with which it is there; the layout where empty
    """

    label: str
    layout: str
    slots: tuple[str, ...] = ()
    also: tuple[str, ...] = ()
    used: tuple[str, ...] = ()
    read: tuple[str, ...] = ()
    dressed: bool = False
    optional: bool = False
    under: tuple[str, str] = ("", "")

    @property
    def fates(self) -> tuple[str, ...]:
        """What may become of it.

        >>> FATED["disc"].fates
        ('stays', 'renewed')
        """
        return tuple(f for f in FATES if (f != "dressed" or self.dressed) and (f not in _OPTIONAL or self.optional))


_OPTIONAL = ("added", "left_out")
#: In the order a clutch is taken down; of two parts that a figure could belong to, the first has it.
FATED: Mapping[str, Fated] = {
    "floater": Fated("Floater and its stands", CAR, also=("floater_thickness", "floater_mass", "floater_stop"),
                     read=("floater_clearance",), dressed=True, optional=True),
    "disc": Fated("Disc or discs", CAR, ("disc", "material"), ("pressure_slope", "capacity_model"),
                  used=("wear", "inner_wear"), read=("disc_wobble",)),
    "plates": Fated("Plates", MOTORCYCLE, ("plates", "material"), ("plain_warp_limit",), used=("wear", "plain_warp")),
    "cover": Fated("Cover", CAR, ("cover",), ("finger_mass", "finger_centroid_radius", "finger_offset", "finger_flex",
                   "fingers", "specific_heat", "conductivity", "plate_density"), read=("diaphragm_set",)),
    "springs": Fated("Clutch springs", "", ("springs",), ("shear_modulus",),
                     read=("spring_free_lengths", "spring_lengths"), under=("clamp_source", "coils")),
    "flywheel": Fated("Flywheel", CAR, ("flywheel",),
                      ("gyration_share", "wire_radius", "wire_length", "ring_masses", "ring_gyrations",
                       "ring_outer_diameters", "ring_inner_diameters", "ring_thicknesses", "ring_densities", "density",
                       "poisson_ratio", "burst_share", "strength_factor", "stress_concentration", "hole_width",
                       "ring_gear", "flywheel_face_limit"),
                      used=("flywheel_face_runout",), read=("flywheel_mass", "swing_period", "flywheel_thickness"),
                      dressed=True),
    "bolts": Fated("Flywheel bolts", CAR, ("bolts",), ("bolt_instructions", "preload_scatter")),
    "pilot": Fated("Pilot bearing", CAR, ("pilot",), optional=True),
    "seals": Fated("Seals, engine and gearbox", ""),
    "bearing": Fated("Release bearing", CAR, ("bearing",), read=("bearing_reserve",)),
    "spacers": Fated("Spacers and shims", CAR, optional=True),
    "fork": Fated("Fork and pivot", CAR, also=("fork_ratio", "arm_efficiency"), optional=True),
    "push_rod": Fated("Push rod", MOTORCYCLE, also=("push_rod_limit",), used=("push_rod_bow",)),
    "basket": Fated("Basket", MOTORCYCLE, also=("basket_inertia", "basket_mass", "basket_gear_teeth"), dressed=True),
    "master": Fated("Master cylinder", "", ("master",), optional=True),
    "slave": Fated("Slave cylinder", "", ("slave",), optional=True),
    "line": Fated("Line or cable", "", also=("hose_swell", "cable_stiffness")),
    "restrictor": Fated("Restrictor", CAR, also=("restrictor_time",), optional=True),
    "fluid": Fated("Fluid, bled anew", "", ("fluid",), used=("trapped_air",)),
}  # fmt: skip
#: Fate -> what it is called and says.
FATES: Mapping[str, tuple[str, str]] = {
    "stays": ("Stays", "As it was found and read."),
    "dressed": ("Stays, dressed", "As it was read after dressing."),
    "renewed": ("Renewed", "A new one goes in; what was read of the old one stays with the old one."),
    "added": ("Added", "There was none before."),
    "left_out": ("Left out", "It comes out, and nothing goes in."),
}
#: Fates with which what was found and what is planned are two parts, or a part and none.
APART = ("renewed", "added", "left_out")


def fate_of(part: str) -> str:
    """The name of the choice that says what becomes of a part.

    >>> fate_of("disc")
    'disc_fate'
    """
    return f"{part}_fate"
