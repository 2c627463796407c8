"""A dry disc: facing, wobble, damper, pucks."""

from __future__ import annotations

from liftbite.core.measure.check import Check, Swept
from liftbite.core.measure.checks.shared import SWEEP_PLACES, discs, is_car, look, manual, practice, spots
from liftbite.core.measure.effect import EffectOf
from liftbite.core.measure.enters import rivets_enter
from liftbite.core.measure.grades import SPRUNG
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.limits import new_of

CHECKS = (
    Check(
        "rivet_depth",
        "disc",
        "Facing down to the rivet",
        "From the facing's surface down to the nearest rivet head. The lowest place decides. Disc 1 runs at the "
        "flywheel. Old dust may hold asbestos: wipe it wet, never an air line.",
        suited=("depth_gauge", "caliper"),
        wanted=is_car,
        places=spots(
            "Disc",
            discs,
            "flywheel side, 1",
            "flywheel side, 2",
            "flywheel side, 3",
            "plate side, 1",
            "plate side, 2",
            "plate side, 3",
        ),
        limits=(practice("new", 1.0e-3, "new over 1.0 mm"), practice("least", 0.3e-3)),
        usual=(0, 4e-3),
        whole="discs",
        causes=("worn_facing",),
        enters=(
            "wear",
            "inner_wear",
        ),
        effect=EffectOf(rivets_enter),
        of_job=new_of("facing_depth"),
    ),
    Check(
        "disc_wobble",
        "disc",
        "Wobble at the rim",
        "Disc on its own shaft or a mandrel, dial at the rim, one turn.",
        "sweep",
        suited=("dial",),
        places=SWEEP_PLACES,
        wanted=is_car,
        usual=(-5e-3, 5e-3),
        limits=(Limit("most", 0.8e-3, "memory", "0.5 to 0.8 mm at the rim; the larger"),),
        causes=(
            "disc_stuck",
            "disc_out_of_true",
        ),
        swept=Swept("disc_wobble", face=True),
    ),
    look(
        "disc_condition",
        "disc",
        "Damper, splines, oil",
        "Shake it by your ear; slide it on the shaft; look for oil.",
        SPRUNG,
        is_car,
        places=spots("Disc", discs),
        causes=(
            "oily_facing",
            "glazed",
            "damper",
            "burst",
        ),
    ),
    Check(
        "puck_thickness",
        "disc",
        "Thickness of the pucks",
        "Across each puck and its carrier, never at an edge.",
        suited=("micrometer", "caliper"),
        usual=(2e-3, 20e-3),
        places=spots("Disc", discs, "puck 1", "puck 2", "puck 3"),
        wanted=lambda s: is_car(s) and float(s.known.get("coverage", 1.0)) < 1,
        whole="discs",
        limits=(manual("new"), manual("least")),
        causes=("worn_facing",),
    ),
)
