"""What the vehicle is, what its engine makes, and what it is for."""

from __future__ import annotations

from liftbite.core.arrangements.air import corrected, known_day, measured, standard
from liftbite.core.arrangements.cover_action import pull, push
from liftbite.core.arrangements.curve_reference import crank, hub, wheel
from liftbite.core.arrangements.curve_source import peaks
from liftbite.core.arrangements.fingers import left_aside
from liftbite.core.arrangements.layout import (
    dry_discs,
    engine_on_clutch,
    engine_through_primary,
    pack_nodes,
    pack_trueness,
    wet_pack,
)
from liftbite.core.arrangements.primary_source import teeth
from liftbite.core.arrangements.stage_plan import crank_file, none, scaled, wheel_file
from liftbite.core.job.alternatives.choice import Choice, Option
from liftbite.core.job.assumptions import DENSE_AIR, LAYOUT_ASSUMES, loss_assumes, use_assumes
from liftbite.core.job.classes import CLASSES
from liftbite.core.job.parts import CAR, MOTORCYCLE
from liftbite.core.quantities import alignment, disc, floater, heat_nodes, joint, strength

CHOICES = (
    Choice(
        "layout",
        "Layout",
        (
            Option(
                CAR,
                "Car, dry clutch",
                "One to three discs between flywheel and pressure plate, at crank speed.",
                (dry_discs, engine_on_clutch, alignment, disc, floater, heat_nodes, joint, strength),
                LAYOUT_ASSUMES[CAR],
                traits=frozenset({"car"}),
            ),
            Option(
                MOTORCYCLE,
                "Motorcycle, wet pack",
                "Friction and plain plates in a basket, behind a primary drive.",
                (wet_pack, pack_nodes, engine_through_primary, pack_trueness, left_aside),
                LAYOUT_ASSUMES[MOTORCYCLE],
                traits=frozenset({"motorcycle"}),
            ),
        ),
        first=True,
    ),
    Choice(
        "vehicle_class",
        "Class of vehicle",
        (
            Option("none", "Not said", "Nothing is assumed of the vehicle."),
            *(
                Option(c.name, c.label, c.meaning, (), c.assumes(), (c.layout,), picks=c.picks)
                for c in CLASSES.values()
            ),
        ),
        begins={CAR: "none", MOTORCYCLE: "none"},
        first=True,
        group="use",
    ),
    Choice(
        "curve_source",
        "Engine output from",
        (
            Option("file", "A dynamometer file", "Torque or power over engine speed, as CSV."),
            Option("peaks", "Two peaks", "Peak torque and peak power give an estimated curve.", (peaks,)),
        ),
        begins={CAR: "file", MOTORCYCLE: "file"},
        first=True,
        group="engine",
    ),
    Choice(
        "curve_reference",
        "Figures taken at",
        (
            Option("crank", "The crank", "An engine dynamometer, or a maker's figure.", (crank,)),
            Option(
                "chain",
                "The wheel, chain drive",
                "A chassis dynamometer; 8 to 12 % is lost on the way.",
                (wheel,),
                loss_assumes(0.10, "chain drive, 8 to 12 %", 0.08, 0.12),
                (MOTORCYCLE,),
            ),
            Option(
                "two_wheel",
                "The wheels, two driven",
                "A chassis dynamometer; 12 to 17 % is lost on the way.",
                (wheel,),
                loss_assumes(0.145, "two-wheel drive, 12 to 17 %", 0.12, 0.17),
                (CAR,),
            ),
            Option(
                "all_wheel",
                "The wheels, four driven",
                "A chassis dynamometer; 18 to 25 % is lost on the way.",
                (wheel,),
                loss_assumes(0.215, "all-wheel drive, 18 to 25 %", 0.18, 0.25),
                (CAR,),
            ),
            Option(
                "hub",
                "The hubs, torque there",
                "Torque of the hubs themselves: the gear that was driven divides it.",
                (hub,),
                loss_assumes(0.145, "two-wheel drive, 12 to 17 %", 0.12, 0.17),
                (CAR,),
            ),
        ),
        supplies="crank_curve",
        asks="where the figures were taken",
        first=True,
        group="engine",
    ),
    Choice(
        "stage_plan",
        "Planned stage",
        (
            Option("none", "None", "The engine stays as it is.", (none,)),
            Option(
                "scaled",
                "A gain over the present curve",
                "Every torque changes by the same share.",
                (scaled,),
                traits=frozenset({"plan"}),
            ),
            Option(
                "crank_file",
                "A curve of its own, at the crank",
                "A file of the planned engine.",
                (crank_file,),
                traits=frozenset({"plan"}),
            ),
            Option(
                "wheel_file",
                "A curve of its own, at the wheel",
                "A file of the planned engine.",
                (wheel_file,),
                traits=frozenset({"plan", "plan at the wheel"}),
            ),
        ),
        begins={CAR: "none", MOTORCYCLE: "none"},
        first=True,
        group="stage",
    ),
    Choice(
        "air",
        "Figures are",
        (
            Option("measured", "As measured", "The torque of the day.", (measured,)),
            Option(
                "corrected",
                "Corrected to standard air",
                "The clutch feels the actual torque of the densest day.",
                (corrected, standard),
                DENSE_AIR,
            ),
            Option(
                "known_day",
                "As measured, the day's air known",
                "From that day to the densest one expected.",
                (known_day, standard),
                DENSE_AIR,
            ),
        ),
        begins={CAR: "measured", MOTORCYCLE: "measured"},
        first=True,
        group="engine",
    ),
    Choice(
        "cover_action",
        "Cover works by",
        (
            Option("push", "Push", "The bearing pushes the fingers towards the flywheel.", (push,)),
            Option(
                "pull",
                "Pull",
                "The bearing pulls; the fingers move towards the engine with wear.",
                (pull,),
                traits=frozenset({"pulled"}),
            ),
        ),
        begins={CAR: "push"},
        under=("layout", CAR),
        group="cover",
        parts=("cover",),
    ),
    Choice(
        "use",
        "Use",
        (
            Option("gentle", "Gentle road", "Daily driving, no tuning, no trailer.", (), use_assumes(1.2)),
            Option("tuned", "Road, tuned", "Road driving with a tuned engine.", (), use_assumes(1.3)),
            Option("track", "Track", "Standing starts now and then, hard shifts.", (), use_assumes(1.35)),
            Option("towing", "Towing, hill starts", "A trailer or a load, slopes, slow starts.", (), use_assumes(1.4)),
            Option("drag", "Drag", "The clutch slips under full load at every start.", (), use_assumes(1.5)),
        ),
        first=True,
        group="use",
    ),
    Choice(
        "primary_source",
        "Primary drive by",
        (
            Option("ratio", "Ratio", "Crank turns per clutch turn."),
            Option("teeth", "Teeth", "Teeth of the two primary gears.", (teeth,)),
        ),
        begins={MOTORCYCLE: "ratio"},
        first=True,
        under=("layout", MOTORCYCLE),
        group="primary",
    ),
)
