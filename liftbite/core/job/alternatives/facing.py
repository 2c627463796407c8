"""Facings, on one side of a disc and on the other, and what they begin at."""

from __future__ import annotations

from types import ModuleType

from liftbite.core.arrangements.facing_material import carbon, fading
from liftbite.core.arrangements.facing_pair import alike, differ
from liftbite.core.arrangements.heat_before import housing
from liftbite.core.graph.graph import functions_of
from liftbite.core.job.alternatives.choice import Choice, Option
from liftbite.core.job.inputs import OF_OTHER_SIDE
from liftbite.core.job.materials import MATERIALS, Material
from liftbite.core.job.parts import CAR, MOTORCYCLE
from liftbite.core.quantities import face

#: What is told of one face, and the same of the other side of a disc.
OTHER_SIDE = {
    name: f"other_{name}"
    for name in (*OF_OTHER_SIDE, *(q.__name__ for q in functions_of(face)), "temperature_factor", "heated_area")
}
#: How the friction of a material goes with temperature, by the word its row says.
_HEATED = {"fading": fading, "carbon": carbon}


def heated(material: Material) -> ModuleType:
    """What a material's friction does with temperature, into the graph.

    Raises
    ------
    ValueError : its row says what there is none of
    """
    if material.heated not in _HEATED:
        raise ValueError(
            f"{material.name}: “{material.heated}” is no way friction goes with temperature: {', '.join(_HEATED)}"
        )
    return _HEATED[material.heated]


CHOICES = (
    Choice(
        "facing_material",
        "Facing material",
        tuple(
            Option(
                m.name, m.label, m.character, (heated(m),), m.assumes(), (CAR,) if m.runs == "dry" else (MOTORCYCLE,)
            )
            for m in MATERIALS.values()
        ),
        supplies="temperature_factor",
        group="facing",
        parts=("disc", "plates", "material"),
    ),
    Choice(
        "facing_pair",
        "Sides of a disc",
        (
            Option("alike", "Alike", "The same facing on both.", (alike,)),
            Option(
                "differ",
                "Two kinds",
                "Metallic on one side, organic on the other; or other radii.",
                (differ,),
                layouts=(CAR,),
                traits=frozenset({"two kinds of facing"}),
            ),
        ),
        begins={CAR: "alike", MOTORCYCLE: "alike"},
        group="facing",
        parts=("disc",),
    ),
    Choice(
        "other_material",
        "Pressure plate's side, facing",
        tuple(
            Option(
                m.name,
                m.label,
                m.character,
                (heated(m),),
                {OTHER_SIDE[n]: a for n, a in m.assumes().items() if n in OF_OTHER_SIDE},
                (CAR,),
            )
            for m in MATERIALS.values()
            if m.runs == "dry"
        ),
        supplies="other_temperature_factor",
        asks="what the pressure plate's side is faced with",
        under=("facing_pair", "differ"),
        renames=OTHER_SIDE,
        always=(face,),
        group="facing",
        parts=("disc",),
    ),
    Choice(
        "heat_before",
        "Before the first start",
        (
            Option("housing", "As warm as its housing", "It has stood, or run locked, for some minutes.", (housing,)),
            Option("known", "A temperature", "Warm from what went before.", ()),
        ),
        begins={CAR: "housing", MOTORCYCLE: "housing"},
        group="schedule",
    ),
)
