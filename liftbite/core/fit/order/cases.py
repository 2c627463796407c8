"""What a row's case, and a step that is there only sometimes, depend on.

- `CASES`   the case before a row's colon -> whether a job is one
- `WHEN`    a step in braces -> whether a job has it
- `BLOCKS`, `blocks_of`   the files of rows, and those of a job
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from importlib.resources import files

from liftbite.core.fit.case import Case
from liftbite.core.fit.order.notation import Block, read_block

Holds = Callable[[Case], bool]
_IN_LINE = ("in_line", "transfer_case", "lengthwise_all_wheel")
_HUB = ("hub", "basket", "cush_rubbers", "basket_bearing", "lock_washer")
_WHEELS_OFF = ("transverse", "lengthwise_all_wheel", "rear_engine")


def _housing_off(c: Case) -> bool:
    return c.is_("housing", "separate") and c.opening > 1


def _is_separate(c: Case) -> bool:
    """True where the housing that goes in is one by itself."""
    goes_in = c.answers.get("housing_in", "same")
    same = goes_in == "same" and c.is_("housing", "separate")
    return c.is_("kind", "torque_tube") or goes_in == "separate" or same


def _housing_in(c: Case) -> bool:
    return _is_separate(c) and c.cover_off


def _line_off(c: Case) -> str:
    if not c.hydraulic:
        return "cable_slack"
    opened = c.is_("line", "opened") or c.concentric or c.moves("slave", "line")
    return "line_opened" if opened else "slave_hung"


def _alone(c: Case) -> bool:
    return c.opening == 0 and not c.never


def _from_below(c: Case) -> bool:
    """True of a job on the hydraulics that is done from under the car: all but a master cylinder alone."""
    return c.moves("slave", "line", "fluid") or not c.renews_hydraulics


def _retainer(c: Case) -> bool:
    return c.moves("retainer", "retainer_race", "retainer_gasket", "retainer_shims", "input_seal")


def _engine_here(c: Case) -> bool:
    return not c.is_("bench_has", "gearbox")


def _gearbox_here(c: Case) -> bool:
    return not c.is_("bench_has", "engine")


def _knuckle(c: Case) -> bool:
    return c.is_("kind", "transverse", "lengthwise_all_wheel")


CASES: Mapping[str, Holds] = {
    "separate housing": _is_separate,
    "drained": lambda c: (
        c.is_("kind", "transverse", "lengthwise_all_wheel")
        or (c.is_("shaft", "slips") and (not c.is_("kind", "engine_out") or c.is_("unit", "one_unit")))
    ),
    "shared with the starter": lambda c: c.is_("shared_bolt", "starter"),
    "shared with a brace": lambda c: c.is_("shared_bolt", "brace"),
    "shared with an earth strap": lambda c: c.is_("shared_bolt", "earth"),
    "slip joint": lambda c: c.is_("shaft", "slips"),
    "transfer case": lambda c: c.is_("kind", "transfer_case"),
    "front shafts": lambda c: c.is_("kind", "lengthwise_all_wheel"),
    "shafts slip in": lambda c: c.is_("shaft", "slips"),
    "pull": lambda c: c.pull,
    "one unit": lambda c: c.is_("unit", "one_unit"),
    "one unit with shafts that slip in": lambda c: c.is_("unit", "one_unit") and c.is_("shaft", "slips"),
    "gearbox stays": lambda c: c.is_("unit", "gearbox_stays"),
    "cut": lambda c: c.flywheel_off and c.fate("flywheel") == "dressed" and not c.dual_mass[1],
    "dual-mass out": lambda c: c.flywheel_off and not c.never and c.dual_mass[0],
    "solid for dual-mass": lambda c: c.flywheel_off and not c.never and c.dual_mass == (True, False),
    "twin": lambda c: c.twin and c.cover_off and c.is_("twin_gap", "open"),
    "twin under the cover": lambda c: c.twin and c.cover_off and c.is_("twin_gap", "under_cover"),
    "concentric": lambda c: c.concentric and _gearbox_here(c),
    "concentric in a separate housing": lambda c: c.concentric and _housing_in(c),
    "concentric in one piece": lambda c: c.concentric and not _housing_in(c),
    "bore out": lambda c: c.is_("bore", "dowels") and _housing_in(c),
    "hydraulic": lambda c: c.hydraulic,
    "cable": lambda c: not c.hydraulic,
    "new installation": lambda c: c.is_("kind", "new_installation"),
    "new hydraulics": lambda c: c.is_("hydraulics_new", "new"),
    "on the bench": lambda c: c.is_("kind", "bench"),
    "wet": lambda c: c.is_("runs", "wet"),
    "wet plates": lambda c: c.is_("runs", "wet") and c.renews("plates"),
    "arm in case": lambda c: c.is_("arm", "in_case"),
    "arm in cover": lambda c: c.is_("arm", "in_cover"),
    "hub out": lambda c: c.moves(*_HUB),
    "alone": _alone,
    "alone with a line": lambda c: _alone(c) and c.hydraulic,
    "alone with a cable": lambda c: _alone(c) and not c.hydraulic,
    "alone on a car": lambda c: _alone(c) and c.car,
    "alone on a motorcycle": lambda c: _alone(c) and not c.car,
    "within a car's clutch": lambda c: not _alone(c) and c.car,
}

WHEN: Mapping[str, Holds] = {
    # before, and the layouts
    "tools_gate": lambda c: c.car,
    "crossmember": lambda c: c.is_("tail", "crossmember"),
    "backbone": lambda c: c.is_("tail", "backbone"),
    "axle_carried": lambda c: c.is_("tail", "backbone"),
    "gearbox_tower": lambda c: c.is_("tower", "off"),
    "abs_lead": _knuckle,
    "hose_bracket": _knuckle,
    "torque_strut": lambda c: c.is_("torque_strut", "yes"),
    "stabiliser": lambda c: c.is_("stabiliser", "yes"),
    "steering_straight": lambda c: c.is_("subframe", "off"),
    "exhaust": lambda c: c.is_("subframe", "off"),
    "subframe_carried": lambda c: c.is_("subframe", "off"),
    "subframe": lambda c: c.is_("subframe", "off"),
    "subframe_mount": lambda c: c.is_("subframe", "off") and c.is_("mount_on_subframe", "yes"),
    "starter": lambda c: True,
    "other_end_held": lambda c: c.is_("lift", "lift"),
    "engine_supported": lambda c: True,
    "arm_freed": lambda c: c.pull,
    "fuel_pressure": lambda c: c.is_("fuel", "pressure"),
    "fuel_tight": lambda c: c.is_("fuel", "pressure"),
    "coolant_out": lambda c: c.is_("coolant", "water"),
    "on_stand": lambda c: c.is_("stand", "stand"),
    "off_stand": lambda c: c.is_("stand", "stand"),
    "slave_hung": lambda c: _line_off(c) == "slave_hung",
    "line_opened": lambda c: _line_off(c) == "line_opened",
    "cable_slack": lambda c: _line_off(c) == "cable_slack",
    # the clutch
    "housing_off": _housing_off,
    "cover_off": lambda c: c.cover_off,
    "disc_out": lambda c: c.cover_off,
    "flywheel_off": lambda c: c.flywheel_off,
    "reach_read": _gearbox_here,
    "housing_depth": _gearbox_here,
    "balance_class": _engine_here,
    "index": _engine_here,
    "dowels_found": _engine_here,
    "flywheel_beside": lambda c: c.flywheel_off and c.renews("flywheel") and not c.never,
    "disc_beside": lambda c: c.cover_off and c.renews("disc") and not c.never,
    "cover_beside": lambda c: c.cover_off and c.renews("cover") and not c.never,
    "bearing_beside": lambda c: c.renews("bearing") and not c.never,
    "plates_beside": lambda c: c.renews("plates", "springs"),
    "adjuster_set": lambda c: c.cover_off and c.is_("adjuster", "yes") and _engine_here(c),
    "balanced": lambda c: c.cover_off and c.is_("balance", "as_one") and _engine_here(c),
    "rear_seal_in": lambda c: c.flywheel_off and c.moves("rear_seal") and _engine_here(c),
    "pilot_in": lambda c: c.cover_off and c.moves("pilot") and c.fate("pilot") != "left_out" and _engine_here(c),
    "retainer_off": _retainer,
    "retainer_on": _retainer,
    "float_read": _retainer,
    "input_seal_in": lambda c: c.moves("input_seal"),
    "fork_in": lambda c: not c.concentric and _gearbox_here(c),
    "prove_flywheel": lambda c: c.flywheel_off and _engine_here(c),
    "flywheel_on": lambda c: c.flywheel_off and _engine_here(c),
    "prove_disc": lambda c: c.cover_off and _engine_here(c),
    "disc_on": lambda c: c.cover_off and _engine_here(c),
    "pull_bearing_in": lambda c: c.pull and (c.cover_off or c.moves("bearing")) and _engine_here(c),
    "prove_cover": lambda c: c.cover_off and _engine_here(c),
    "cover_on": lambda c: c.cover_off and _engine_here(c),
    "housing_on": _housing_in,
    "bore_read": lambda c: _housing_in(c) and not c.is_("kind", "torque_tube"),
    "arm_hooked": lambda c: c.pull and _gearbox_here(c),
    "arm_pin": lambda c: c.pull,
    # what follows
    "bled": lambda c: c.bleeds,
    "clutch_switch": lambda c: not c.is_("kind", "bench"),
    "gears_tried": lambda c: not c.is_("kind", "engine_out") or c.is_("unit", "one_unit"),
    "aligned": _knuckle,
    "brake_firm": _knuckle,
    "rubber_tight": lambda c: c.is_("subframe", "off") or c.is_("kind", "rear_engine"),
    "relearn": lambda c: c.is_("electronics", "relearn"),
    "brake_proved": lambda c: c.is_("reservoir", "shared"),
    # the hydraulics
    "raise": _from_below,
    "undertray": lambda c: c.moves("slave", "line"),
    "chocks": _from_below,
    "reservoir_low": lambda c: c.hydraulic and (c.renews_hydraulics or _alone(c)),
    "slave_out": lambda c: c.fate("slave") in ("renewed", "left_out") or "slave" in c.found,
    "slave_in": lambda c: c.renews("slave"),
    "trim": lambda c: c.car and c.moves("master"),
    "rod_pin": lambda c: c.moves("master"),
    "master_out": lambda c: c.fate("master") in ("renewed", "left_out") or "master" in c.found,
    "master_in": lambda c: c.renews("master"),
    "rod_play": lambda c: c.renews("master"),
    "hose_in": lambda c: c.renews("line"),
    "cable_in": lambda c: not c.hydraulic and c.renews("line"),
}

#: Kind of vehicle -> the file of its rows.
_LAYOUTS: Mapping[str, str] = {
    **dict.fromkeys(_IN_LINE, "in_line"),
    "transverse": "transverse",
    "rear_engine": "rear_mid",
    "torque_tube": "torque_tube",
    "engine_out": "engine_out",
}


def _block(name: str) -> Block:
    return read_block((files("liftbite.core.fit.order") / f"{name}.order").read_text("utf-8"))


BLOCKS: Mapping[str, Block] = {
    name: _block(name)
    for name in (
        "before",
        "in_line",
        "transverse",
        "rear_mid",
        "torque_tube",
        "engine_out",
        "bench",
        "motorcycle",
        "hydraulics",
        "clutch",
        "back",
        "finish",
    )
}


def blocks_of(case: Case) -> list[str]:
    """The files of rows a job is made of, in order.

    >>> bike = Case({}, False, False, True, False, 1, "", {}, {})
    >>> blocks_of(bike)
    ['motorcycle', 'hydraulics', 'finish']
    """
    if _alone(case):
        return ["hydraulics", "finish"]
    if not case.car:
        return ["motorcycle", "hydraulics", "finish"]
    if case.is_("kind", "bench"):
        return ["bench", "clutch"]
    if case.is_("kind", "new_installation"):
        return ["bench", "clutch", "finish"]
    layout = _LAYOUTS[case.answers["kind"]]
    return ["before", layout, "hydraulics", "clutch", "back", "finish"]
