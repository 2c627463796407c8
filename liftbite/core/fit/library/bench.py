"""What is cleaned, read and put in before the clutch goes on."""

from __future__ import annotations

from liftbite.core.fit.case import Case
from liftbite.core.fit.step import Step


def _opens(c: Case) -> bool:
    return c.car and c.opens


STEPS = (
    Step(
        "measured",
        "Everything asked for on the bench is measured and decided",
        "clean",
        ("disc_out", "flywheel_off", "pack_out"),
        lambda c: c.opens,
        "bench",
        evidence="sentence",
        minutes=60,
        note="What the list and the set-up say follows from it.",
    ),
    Step(
        "old_beside_new",
        "Old beside new: bolts, splines, diameter, height from mounting face to friction face",
        "clean",
        ("measured",),
        lambda c: c.opens and c.moves("disc", "cover", "flywheel", "plates", "springs", "bearing"),
        "bench",
        note="With any spacer ring. What is wrong on arrival is recorded: it protects the shop.",
    ),
    Step(
        "faces_clean",
        "Mating faces bare, also of paint; threads chased, old locker out",
        "clean",
        ("measured",),
        _opens,
        "below",
        tools=("tap or chaser", "solvent", "lint-free cloth"),
        hazards=("Solvents: air, and nothing that sparks.",),
        minutes=30,
    ),
    Step(
        "rear_seal_in",
        "Crank seal in: evenly, lip oiled, flush, its depth read at four places",
        "clean",
        ("flywheel_off", "faces_clean"),
        lambda c: c.flywheel_off and c.moves("rear_seal"),
        "below",
        evidence="reading",
        parts=("rear_seal",),
        part="rear_seal",
        note="Never mark crank or bore.",
    ),
    Step(
        "shaft_seal_in",
        "Input shaft seal in; end float proved with the gasket that will be used",
        "clean",
        ("faces_clean",),
        lambda c: _opens(c) and c.moves("input_seal"),
        "bench",
        evidence="reading",
        parts=("input_seal",),
        part="input_seal",
        note="A retainer left without its 0.25 mm gasket turns nil end float into preload. Oil hole in line, unsealed.",
    ),
    Step(
        "pilot_in",
        "Pilot bearing in, by its outer ring only, to its depth",
        "clean",
        ("faces_clean",),
        lambda c: _opens(c) and c.moves("pilot") and c.fate("pilot") != "left_out",
        "below",
        evidence="reading",
        parts=("pilot",),
        part="pilot",
        hazards=("Out by pressure: eyes covered.",),
    ),
    Step(
        "fork_in",
        "Fork, pivot and bearing on, thin grease on sleeve, fork ends and pivot",
        "clean",
        ("measured", "faces_clean"),
        lambda c: _opens(c) and not c.concentric,
        "bench",
        parts=("bearing", "fork", "fork_bush", "pivot", "pivot_clip"),
        part="bearing",
        note="None on facings; none where the maker says dry.",
    ),
    Step(
        "concentric_in",
        "Concentric bearing on with the spacers worked out, line and shield through",
        "clean",
        ("measured", "faces_clean"),
        lambda c: _opens(c) and c.concentric,
        "bench",
        evidence="sentence",
        parts=("bearing",),
        part="bearing",
        hazards=("Before the gearbox goes on: after it there is no hand room.",),
    ),
)
