"""A wet pack out and in."""

from __future__ import annotations

from liftbite.core.fit.case import Case
from liftbite.core.fit.step import Step


def _pack(c: Case) -> bool:
    return not c.car and c.opens


STEPS = (
    Step(
        "oil_out",
        "Oil drained, or the machine leaned on its far side",
        "down",
        ("parts_gate",),
        _pack,
        "bench",
        tools=("catch pan",),
        hazards=("Hot oil burns. A machine that leans is held.",),
    ),
    Step(
        "lever_slack",
        "Cable slack, or the slave left closed and its lever tied back",
        "down",
        ("parts_gate",),
        _pack,
        "above",
        back="Cable or slave on, free play at the lever",
    ),
    Step(
        "case_off",
        "Clutch cover off: bolts by length, through the card",
        "down",
        ("oil_out", "lever_slack"),
        _pack,
        "bench",
        note="A gasket is planned for. Dowels stay where they are.",
        back="Clutch cover on, new gasket, bolts from the card",
        joint="clutch_cover",
    ),
    Step(
        "springs_out",
        "Spring bolts out evenly, a turn at a time, crosswise",
        "down",
        ("case_off",),
        _pack,
        "bench",
        hazards=("Stored spring force.",),
    ),
    Step(
        "pack_out",
        "Plates out in order, and kept in order; washers and bearing of the lifter too",
        "down",
        ("springs_out",),
        _pack,
        "bench",
        evidence="sentence",
        note="Dots, arrows and edges are noted: which way each plate lay.",
    ),
    Step(
        "soaked",
        "Friction plates soaked in the engine's oil, an hour or more",
        "clean",
        ("parts_gate",),
        lambda c: _pack(c) and c.moves("plates"),
        "bench",
        parts=("plates",),
        part="plates",
        minutes=60,
        note="30 minutes to 3 hours are used.",
    ),
    Step(
        "prove_pack",
        "Prove before the pack goes in",
        "fit",
        ("measured", "soaked", "old_beside_new", "pack_out"),
        _pack,
        "bench",
        evidence="sentence",
        hold=True,
        note="Plate order and edge direction; dots of plate and hub; lifter free; basket smooth.",
    ),
    Step(
        "pack_in",
        "Pack in, in its order, the odd plate where it belongs",
        "fit",
        ("prove_pack",),
        _pack,
        "bench",
        part="plates",
        parts=("plates",),
    ),
    Step(
        "springs_in",
        "Pressure plate, springs and bolts: in star, every bolt ticked",
        "fit",
        ("pack_in",),
        _pack,
        "bench",
        evidence="bolts",
        joint="spring_bolts",
        part="springs",
        parts=("springs", "spring_bolts"),
        tools=("torque wrench",),
        hazards=("They strip at little more than their torque.",),
    ),
    Step(
        "lifted_by_hand",
        "Lever or arm pulled by hand: the plate lifts straight",
        "fit",
        ("springs_in",),
        _pack,
        "bench",
        evidence="reading",
    ),
)
