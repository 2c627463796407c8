"""What a job is about: which checks are asked for, and which complaint a finding explains.

- `SCOPES`, `asked_in`   how far the job goes, and whether a check belongs to it
- `SYMPTOMS`, `symptoms_in`   what a customer complains of, and which of it was said
- `explained_by`   complaint -> the findings that explain it

[practice: the fault table of the trade, by symptom and cause; no source].
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from liftbite.core.measure.check import Check
from liftbite.core.measure.judgement import Finding

_HYDRAULICS = frozenset({"Hydraulics", "Pedal or lever"})
_BEARING = _HYDRAULICS | {"Release bearing", "Fork and pivot", "Lifter", "Input shaft seal"}
_CLUTCH = _BEARING | {"Disc", "Friction plates", "Plain plates", "Coil springs", "Cover", "Floater plate", "Basket",
                      "Clutch centre", "Pilot bearing"}  # fmt: skip
_FLYWHEEL = _CLUTCH | {"Flywheel", "Rear main seal", "Input shaft"}
#: Scope -> what it is called, and the parts whose checks it asks for; None for all.
SCOPES: Mapping[str, tuple[str, frozenset[str] | None]] = {
    "everything": ("Everything", None),
    "clutch_flywheel": ("Clutch and flywheel", _FLYWHEEL),
    "clutch": ("Clutch", _CLUTCH),
    "bearing": ("Release bearing", _BEARING),
    "hydraulics": ("Hydraulics only", _HYDRAULICS),
    "complaint": ("Complaint only", frozenset()),
}  # fmt: skip


def asked_in(scope: str, check: Check) -> bool:
    """True where a scope asks for a check; a scope nobody set asks for everything, and every one for what a job added.

    >>> from liftbite.core.measure.checks import CHECKS
    >>> asked_in("hydraulics", CHECKS["slave_travel"]), asked_in("hydraulics", CHECKS["ring_gear"])
    (True, False)
    """
    parts = SCOPES.get(scope, SCOPES["everything"])[1]
    return parts is None or check.own or check.part in parts


_SLIPS = ("rivet_depth", "plate_thickness", "spring_free_length", "disc_condition", "rear_seal", "shaft_seal", "hub")
_DRAGS = ("slave_travel", "slave_travel_half", "bite_point", "hydraulics_leak", "friction_warp", "disc_wobble",
          "finger_height", "plain_warp", "basket", "pilot_bearing", "floater_gap", "fork", "push_rod", "cover_standoff",
          "finger_tips")  # fmt: skip
_JUDDERS = ("flywheel_face", "plate_face", "rear_seal", "shaft_seal", "disc_condition", "flywheel_runout",
            "disc_wobble", "input_shaft")  # fmt: skip
_HOWLS = ("release_bearing", "primary_gear", "hub_rubber", "pilot_bearing", "lifter", "basket_bearing", "fork",
          "disc_condition", "finger_tips")  # fmt: skip
_AT_THE_PEDAL = ("pedal_force", "bite_point", "slave_travel", "slave_travel_half", "hydraulics_leak",
                 "hydraulics_fluid", "bearing_bore", "fork",
                 "finger_tips", "basket", "push_rod", "release_bearing")  # fmt: skip
_SHAKES = ("bore_runout", "housing_face", "flywheel_runout", "finger_height", "ring_gear")
_BURNT = ("rivet_depth", "plate_condition", "flywheel_face", "plate_face", "rear_seal")
#: Complaint -> the words it is told by, and the checks whose findings explain it.
SYMPTOMS: Mapping[str, tuple[tuple[str, ...], tuple[str, ...]]] = {
    "slips": (("slip",), _SLIPS),
    "drags": (("drag", "grind", "crunch", "hard to shift", "won't go in", "will not go in"), _DRAGS),
    "judders": (("judder", "shudder", "chatter", "grab"), _JUDDERS),
    "noise": (("noise", "noisy", "squeal", "howl", "rattle", "rumble"), _HOWLS),
    "pedal": (("pedal", "lever", "spongy", "stays down", "to the floor", "stiff", "heavy"), _AT_THE_PEDAL),
    "vibration": (("vibrat", "shake"), _SHAKES),
    "smell": (("smell", "smoke", "burnt"), _BURNT),
    "no drive": (("no drive", "lost drive", "loss of drive"), ("disc_condition", "input_shaft", "rivet_depth")),
}


def symptoms_in(text: str) -> tuple[str, ...]:
    """The complaints a text tells of.

    >>> symptoms_in("Slips with the caravan, smell on the last climb")
    ('slips', 'smell')
    """
    told = text.lower()
    return tuple(name for name, (words, _) in SYMPTOMS.items() if any(word in told for word in words))


_EXPLAINS = frozenset({"stop", "renew as set", "renew", "dress or resurface", "put right", "reuse and watch"})


def explained_by(symptoms: Iterable[str], findings: Iterable[Finding]) -> dict[str, tuple[str, ...]]:
    """Complaint -> the checks whose findings explain it; an empty row stays unexplained."""
    bad = [f.check for f in findings if f.verdict in _EXPLAINS]
    return {s: tuple(check for check in bad if check in SYMPTOMS[s][1]) for s in symptoms if s in SYMPTOMS}
