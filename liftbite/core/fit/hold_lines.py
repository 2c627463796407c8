"""What each hold point looks up, line by line: what stands by itself, and of which parts a bad reading keeps it shut.

- `LookUp`      a line: what it is called, how it is known, of what
- `HOLD_LINES`   hold point -> its lines, in order
- `GOING_IN`    hold point -> parts that are out of reach after it: a bad reading of one keeps it shut
- `FILLED_AT`   fluid -> the step that fills it
- `state_of`    a reading of what goes in as a line: good, bad, open
- `READ_LATER`  checks that are read at another hold point than the rest of their part
- `READ_AS_FITTED`   checks that are read as parts go in

Handbook of the trade [common practice, no source].
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from liftbite.core.fit.holds import Look, LookState
from liftbite.core.measure.judgement import USABLE, Finding

#: How a line is known: by a step that is done, by a check's verdict, by a calculation of the set-up, by readings that
#: are all there whatever they come to, by a part that is renewed or whose check passes, by rules that fit parts
#: together, by the bolt map, or by what else a job says of itself.
By = Literal[
    "step", "check", "setup", "read", "part", "fit", "bolt map", "back", "fluids", "left over", "card", "bedding"
]


@dataclass(frozen=True, slots=True)
class LookUp:
    """A line of a hold point.

    Attributes
    ----------
    key, label : in the record, and what it says
    by : how it is known
    of : key of the step, check or card; of a calculation it and its check; of a part it and its check; of a fit the
        figures
    only_with : step whose plan has the line; empty where every plan with its hold point has
    """

    key: str
    label: str
    by: By
    of: tuple[str, ...] = ()
    only_with: str = ""

    def found(self, state: LookState, says: str, where: str) -> Look:
        """The line as it stands."""
        return Look(self.key, self.label, state, says, where)


def _step(key: str, label: str, step: str) -> LookUp:
    return LookUp(key, label, "step", (step,), step)


#: A twin's floater keeps the second disc out, and the cover off.
_FLOATER = LookUp("floater", "Floater at every stand", "setup", ("floater", "floater_gap"), "floater_read")

HOLD_LINES: Mapping[str, tuple[LookUp, ...]] = {
    "prove_flywheel": (
        LookUp("seal", "Seal of the crank", "part", ("rear_seal", "rear_seal")),
        LookUp("pilot", "Pilot bearing", "part", ("pilot", "pilot_bearing")),
        LookUp("face", "Face of the flywheel", "part", ("flywheel", "flywheel_face")),
        _step("remeasured", "Measured again after the cut", "flywheel_remeasured"),
        _step("beside", "Old beside new", "flywheel_beside"),
        _step("solid", "Solid in the place of dual-mass", "solid_beside"),
        _step("balance", "Balance class", "balance_class"),
        _step("balanced", "Balanced as one", "balanced"),
    ),
    "prove_disc": (
        _step("bolts", "Every bolt of the flywheel", "flywheel_on"),
        LookUp("runout", "Runout of the face", "check", ("flywheel_runout",)),
        _step("beside", "Old beside new", "disc_beside"),
    ),
    "second_disc": (_FLOATER,),
    "prove_cover": (
        _FLOATER,
        LookUp("wobble", "Wobble of the disc", "check", ("disc_wobble",)),
        _step("pull_bearing", "Pull bearing in, and turned", "pull_bearing_in"),
        LookUp("splines", "Splines of disc and shaft", "fit", ("spline_count", "spline_diameter")),
        _step("beside", "Old beside new", "cover_beside"),
        _step("adjuster", "Adjuster set back", "adjuster_set"),
    ),
    "prove_gearbox": (
        _step("cover", "Every bolt of the cover", "cover_on"),
        LookUp("reserve", "X − Y in its window", "setup", ("bearing", "depth_x"), "x_read"),
        _step("line", "Bearing in, its line through", "concentric_in"),
        LookUp("height", "Height of the bearing, old and new", "setup", ("fork", "bearing_height"), "bearing_beside"),
        LookUp("bore", "Bore of the housing", "check", ("bore_runout",), "bore_read"),
        LookUp("float", "End float of the shaft", "check", ("end_float",), "float_read"),
        LookUp("reach", "Reach of the shaft into the pilot", "setup", ("shaft", "shaft_reach"), "reach_read"),
    ),
    "prove_housing": (
        LookUp("gaps", "Gap at all four places", "read", ("housing_gap",)),
        LookUp("map", "The right bolt in each hole", "bolt map", ("gearbox", "housing")),
    ),
    "prove_pack": (
        _step("beside", "Old beside new", "plates_beside"),
        _step("soaked", "Plates soaked", "soaked"),
        _step("hub", "Hub in, its nut tight", "hub_in"),
    ),
    "prove_start": (
        LookUp("back", "Everything back on", "back"),
        LookUp("fluids", "Fluids, by class and level", "fluids"),
        _step("bled", "Bled", "bled"),
        LookUp("travel", "Travel at full pedal", "setup", ("travel", "slave_travel"), "slave_read"),
        _step("play", "Free play", "free_play"),
        _step("switch", "Clutch switch", "clutch_switch"),
        LookUp("left_over", "Nothing left over", "left over"),
    ),
    "prove_drive": (LookUp("start", "First start, item by item", "card", ("start",)),),
    "prove_full_load": (
        LookUp("bedding", "Bedded in", "bedding"),
        LookUp("recheck", "Re-check after the first kilometres", "card", ("recheck",), "recheck"),
    ),
}

GOING_IN: Mapping[str, tuple[str, ...]] = {
    "prove_flywheel": ("rear_seal", "pilot", "flywheel", "flywheel_bolts", "insert", "ring_gear"),
    "prove_disc": ("flywheel", "insert", "ring_gear", "pilot"),
    "prove_cover": ("disc", "cover", "floater"),
    "prove_gearbox": ("bearing", "fork", "input_seal", "input_shaft", "bell_housing"),
    "prove_pack": (
        "friction_plates",
        "plain_plates",
        "springs",
        "basket",
        "hub",
        "primary_gear",
        "cush_rubbers",
        "basket_bearing",
        "lifter",
        "push_rod",
        "bearing",
        "cover",
    ),
    "prove_start": ("cylinders", "fluid", "slave", "pedal"),
}
#: Checks that are read after the hold point of their part, and the one they are looked up at.
READ_LATER: Mapping[str, str] = {
    "flywheel_runout": "prove_disc",
    "cover_standoff": "prove_cover",
    "housing_gap": "prove_housing",
}
#: Checks that are read as parts go in, each looked up at a hold point; every other is read before anything does.
READ_AS_FITTED = READ_LATER.keys() | {
    line.of[0] for lines in HOLD_LINES.values() for line in lines if line.by == "check"
}
#: Fluid -> the step that fills it.
FILLED_AT: Mapping[str, str] = {"clutch": "bled", "gearbox": "filled", "engine": "engine_oil"}
#: Verdicts with which a part goes in.


def state_of(found: Finding) -> LookState:
    """What a reading of what goes in does to a hold point; a place that was skipped proves nothing.

    >>> from liftbite.core.measure.judgement import USABLE, Finding
    >>> [state_of(Finding("x", v)) for v in ("reuse", "open", "too close to call")]
    ['good', 'open', 'bad']
    """
    if found.skipped or found.verdict == "open":
        return "open"
    return "good" if found.verdict in USABLE else "bad"
