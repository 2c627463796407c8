"""How it is released: pedal or lever, line or cable, and where a floater stops."""

from __future__ import annotations

from liftbite.core.arrangements.floater_stop import stands, straps
from liftbite.core.arrangements.pedal_spring import curve, over_centre, returns
from liftbite.core.arrangements.release import (
    cable,
    concentric_slave,
    cover_levers,
    hydraulics,
    no_fork,
    slave_on_fork,
    straight_lifter,
)
from liftbite.core.job.alternatives.choice import Choice, Option
from liftbite.core.job.assumptions import CABLE, HYDRAULIC
from liftbite.core.job.parts import CAR, MOTORCYCLE
from liftbite.core.quantities import pedal_return

CHOICES = (
    Choice(
        "release",
        "Release by",
        (
            Option(
                "hydraulic_fork",
                "Hydraulic slave and fork",
                "Master, line, slave, fork.",
                (hydraulics, slave_on_fork, cover_levers),
                HYDRAULIC,
                (CAR,),
                frozenset({"fork", "slave on a lever"}),
            ),
            Option(
                "concentric",
                "Concentric slave",
                "A ring-shaped piston round the input shaft.",
                (hydraulics, concentric_slave, no_fork, cover_levers),
                HYDRAULIC,
                (CAR,),
                frozenset({"concentric slave"}),
            ),
            Option(
                "cable_fork",
                "Cable and fork",
                "Pedal, cable, fork.",
                (cable, cover_levers),
                CABLE,
                (CAR,),
                frozenset({"fork", "cable"}),
            ),
            Option(
                "lever_cable",
                "Lever, cable and arm",
                "Hand lever, cable, arm with rack or cam.",
                (cable, straight_lifter),
                CABLE,
                (MOTORCYCLE,),
                frozenset({"cable"}),
            ),
            Option(
                "lever_hydraulic",
                "Lever and hydraulic slave",
                "Hand lever, master, line, slave.",
                (hydraulics, slave_on_fork, no_fork, straight_lifter),
                HYDRAULIC,
                (MOTORCYCLE,),
                frozenset({"slave on a lever"}),
            ),
        ),
        begins={CAR: "hydraulic_fork", MOTORCYCLE: "lever_cable"},
        group="release",
        parts=("slave",),
    ),
    Choice(
        "floater_stop",
        "Floater of a twin stops",
        (
            Option(
                "stands",
                "At stands",
                "Stands on the flywheel, set by shims.",
                (stands,),
                traits=frozenset({"floater on stands"}),
            ),
            Option(
                "straps",
                "Half way, by straps",
                "Straps to either side keep it in the middle; nothing is set.",
                (straps,),
            ),
        ),
        begins={CAR: "stands"},
        under=("layout", CAR),
        group="stack",
    ),
    Choice(
        "pedal_spring",
        "Spring at the pedal",
        (
            Option("returns", "Returns it", "A return spring of one force, or none.", (returns,)),
            Option(
                "over_centre",
                "Over centre",
                "A spring between two pivots: it holds the pedal up, and beyond its centre helps it down.",
                (over_centre, pedal_return),
                layouts=(CAR,),
                traits=frozenset({"assist spring"}),
            ),
            Option(
                "curve",
                "By its curve",
                "Force at the pad over travel, as measured; minus where it helps.",
                (curve, pedal_return),
                layouts=(CAR,),
                traits=frozenset({"assist spring"}),
            ),
        ),
        begins={CAR: "returns", MOTORCYCLE: "returns"},
        group="losses",
    ),
)
