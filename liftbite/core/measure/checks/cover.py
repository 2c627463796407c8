"""A cover: fingers, straps, face, stand-off."""

from __future__ import annotations

from liftbite.core.measure.check import Check
from liftbite.core.measure.checks.shared import fixed, has_coils, is_car, look, manual, practice, spots
from liftbite.core.measure.grades import FACE, TIPS
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.limits import standoff_limits
from liftbite.core.units.constants import INCH

CHECKS = (
    Check(
        "finger_height",
        "cover",
        "Finger height",
        "From one plane to each finger tip, evenly round.",
        suited=("depth_gauge", "caliper"),
        places=spots("Finger", lambda _: 6),
        usual=(0, 0.1),
        wanted=lambda s: is_car(s) and not has_coils(s),
        limits=(Limit("spread", 0.8e-3, "memory", "0.5 to 0.8 mm between fingers; the larger"),),
        causes=("fingers_uneven",),
    ),
    look(
        "finger_tips",
        "cover",
        "Finger tips and straps",
        "Where the bearing runs; every strap.",
        TIPS,
        is_car,
        causes=("fingers_uneven",),
    ),
    look(
        "plate_face",
        "cover",
        "Pressure plate's face",
        "Spots, cracks, grooves.",
        FACE,
        is_car,
        causes=(
            "glazed",
            "hot_spots",
        ),
    ),
    Check(
        "plate_flatness",
        "cover",
        "Pressure plate, out of flat",
        "Straight edge across the face, blade under it.",
        suited=("feeler",),
        wanted=is_car,
        usual=(0, 1e-3),
        limits=(manual("most"),),
        places=fixed("Across", "Square to it"),
        if_failed="dress or resurface",
    ),
    Check(
        "cover_standoff",
        "disc",
        "Stand-off of the cover before tightening",
        "Disc in place, cover set down by hand: gap between cover and flywheel. None left is no clamp at all. Its "
        "bolts come on and off evenly, a turn at a time: it is a loaded spring.",
        suited=("feeler", "caliper", "rule"),
        wanted=is_car,
        places=fixed("At 12", "At 4", "At 8"),
        usual=(0, 15e-3),
        limits=(
            practice("new", INCH / 4, "near a quarter inch with a new disc"),
            practice("least", INCH / 8, "near an eighth well worn"),
        ),
        of_job=standoff_limits,
        causes=("worn_facing",),
    ),
)
