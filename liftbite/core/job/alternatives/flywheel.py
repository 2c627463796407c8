"""The flywheel: inertia, material, balance."""

from __future__ import annotations

from liftbite.core.arrangements.drilling import axial, radial
from liftbite.core.arrangements.inertia_source import parts, rings, swing, weight
from liftbite.core.arrangements.ring_gear import counted, left_aside
from liftbite.core.arrangements.unbalance_source import register, vectors
from liftbite.core.job.alternatives.choice import Choice, Option
from liftbite.core.job.assumptions import FLYWHEELS, grade_assumes
from liftbite.core.job.parts import CAR, MOTORCYCLE

CHOICES = (
    Choice(
        "inertia_source",
        "Flywheel inertia from",
        (
            Option("figure", "A figure", "A data sheet."),
            Option("weight", "Its weight", "Weight and outer diameter.", (weight,)),
            Option("swing", "A swing on three wires", "Weight, wires and the time of a swing.", (swing,)),
            Option("rings", "Rings", "A sum of rings.", (rings,)),
            Option("parts", "Parts weighed", "Each by its weight and radius of gyration.", (parts,)),
        ),
        begins={CAR: "figure"},
        under=("layout", CAR),
        group="flywheel",
        parts=("flywheel",),
    ),
    Choice(
        "flywheel_material",
        "Flywheel of",
        tuple(
            Option(name, label, says, (), assumes, traits=frozenset({f"{name} flywheel"}))
            for name, (label, says, assumes) in FLYWHEELS.items()
        ),
        under=("layout", CAR),
        group="strength",
        parts=("flywheel",),
    ),
    Choice(
        "flywheel_build",
        "Flywheel is",
        (
            Option("single", "One piece", "Iron, steel or aluminium.", (), {}, (CAR,)),
            Option(
                "dual_mass",
                "Dual-mass",
                "Two masses with springs between; its strength is its maker's business.",
                (),
                {},
                (CAR,),
                frozenset({"dual-mass flywheel"}),
            ),
        ),
        begins={CAR: "single"},
        under=("layout", CAR),
        group="strength",
        parts=("flywheel",),
    ),
    Choice(
        "ring_gear",
        "Ring gear's pull",
        (
            Option("left_aside", "Left aside", "Cut into the flywheel, or its mass is not known.", (left_aside,)),
            Option("counted", "Counted", "A ring gear that is shrunk on pulls at the rim.", (counted,)),
        ),
        begins={CAR: "left_aside"},
        under=("layout", CAR),
        group="strength",
    ),
    Choice(
        "flywheel_insert",
        "Friction face",
        (
            Option("own", "Its own metal", "Iron or steel takes the facing itself.", (), {}, (CAR,)),
            Option(
                "steel",
                "A steel insert",
                "What an aluminium flywheel needs.",
                (),
                {},
                (CAR,),
                frozenset({"friction insert"}),
            ),
            Option("none", "Bare aluminium", "The facing would tear it.", (), {}, (CAR,), frozenset({"bare face"})),
        ),
        under=("layout", CAR),
        group="fits",
        parts=("flywheel",),
    ),
    Choice(
        "balance",
        "Balance grade",
        (
            Option("g63", "G 6.3", "General.", (), grade_assumes(0.0063)),
            Option("g25", "G 2.5", "Performance rotating assemblies.", (), grade_assumes(0.0025)),
        ),
        begins={CAR: "g25", MOTORCYCLE: "g25"},
        group="balance",
    ),
    Choice(
        "drilling",
        "Drilled",
        (
            Option("radial", "Into the rim", "Towards the crank.", (radial,)),
            Option("axial", "Into the face", "In line with the crank.", (axial,)),
        ),
        begins={CAR: "radial", MOTORCYCLE: "radial"},
        group="balance",
    ),
    Choice(
        "unbalance_source",
        "Residual unbalance from",
        (
            Option("figure", "The balancer", "What the balancer reads."),
            Option(
                "vectors", "What the parts bring", "The vector sum of each part's unbalance at its angle.", (vectors,)
            ),
            Option("register", "Its register", "How far the assembly sits off its register.", (register,)),
        ),
        begins={CAR: "figure", MOTORCYCLE: "figure"},
        group="balance",
    ),
)
