"""A motorcycle's basket, centre and lifter."""

from __future__ import annotations

from liftbite.core.measure.check import Check
from liftbite.core.measure.checks.shared import is_motorcycle, look, manual
from liftbite.core.measure.enters import worst_enters
from liftbite.core.measure.grades import BEARING, NOTCHES, RUBBER, TEETH

CHECKS = (
    look("basket", "basket", "Slots", "Run a fingertip down every slot.", NOTCHES, is_motorcycle, causes=("notched",)),
    look("hub", "hub", "Slots", "Run a fingertip down every slot.", NOTCHES, is_motorcycle, causes=("notched",)),
    look(
        "primary_gear",
        "primary_gear",
        "Teeth",
        "All round, both flanks; backlash against the crank's.",
        TEETH,
        is_motorcycle,
        causes=("pack_noise",),
    ),
    look(
        "hub_rubber",
        "cush_rubbers",
        "Play of rubbers or springs",
        "Turn the gear against the basket by hand.",
        RUBBER,
        is_motorcycle,
        causes=("pack_noise",),
    ),
    look(
        "basket_bearing",
        "basket_bearing",
        "Turn it, rock it",
        "Turn it, rock it, listen.",
        BEARING,
        is_motorcycle,
        causes=("pack_noise",),
    ),
    look(
        "lifter",
        "lifter",
        "Turn it under load",
        "Turn it under a light load.",
        BEARING,
        is_motorcycle,
        causes=("lifter_worn",),
    ),
    Check(
        "push_rod",
        "push_rod",
        "Bow",
        "Roll it on glass; the blade that goes under.",
        suited=("feeler",),
        wanted=is_motorcycle,
        usual=(0, 2e-3),
        limits=(manual("most"),),
        enters=("push_rod_bow",),
        effect=worst_enters("push_rod", "push_rod_bow", "the thickest blade that went under"),
        causes=("lifter_worn",),
    ),
)
