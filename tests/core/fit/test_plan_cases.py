"""The order of work of every layout, held against what a foreman would sign.

The chains were written down from the practice of the trade before the plan was run [common practice, no source].
"""

from __future__ import annotations

from itertools import pairwise
from typing import Any

import pytest

from liftbite.core.fit.case import Case
from liftbite.core.fit.plan import plan_of
from liftbite.core.fit.progress import Evidence, progress
from tests.core.fit.cases import case, place_of, renewing

#: A name -> the case, chains that stand in this order, and what is not there.
TRADE: dict[str, tuple[Case, list[str], str]] = {
    "slip joint, slave hung, disc and cover": (
        renewing("disc", "cover", shaft="slips", line="hung"),
        ["drain prop_shaft", "gearbox_carried crossmember", "on:tilt filled", "prop_shaft on:prop_shaft filled"],
        "bled flywheel_off slave_in rear_seal_in",
    ),
    "the same, fluid renewed": (
        renewing("disc", "cover", "fluid", shaft="slips", line="hung"),
        ["on:slave bled slave_read"],
        "line_opened",
    ),
    "lengthwise, front shafts": (
        renewing("disc", "cover", kind="lengthwise_all_wheel", stabiliser="yes"),
        [
            "prop_shaft gearbox_out",
            "strut_marked drive_shafts gearbox_strapped",
            "stabiliser shift_linkage on:shift_linkage on:stabiliser",
            "hub_nut raise",
            "on:drive_shafts on:hub_nut lowered",
            "on:drive_shafts filled",
            "on:drive_shafts on:strut",
        ],
        "subframe transaxle",
    ),
    "transfer case": (
        renewing("disc", kind="transfer_case"),
        ["case_stand gearbox_strapped", "front_prop_shaft tilt transfer_tower", "on:transfer_tower on:tilt filled"],
        "drive_shafts hub_nut",
    ),
    "transverse with its subframe": (
        renewing("disc", "cover", kind="transverse", subframe="off", mount_on_subframe="yes"),
        [
            "steering_straight battery subframe",
            "engine_supported subframe_mount subframe gearbox_out on:subframe on:subframe_mount",
            "hub_nut raise wheels_off strut_marked drain drive_shafts",
            "on:mounts carrier_off mounts_tight on:wheels lowered aligned",
            "lowered rubber_tight prove_start",
            "on:drive_shafts on:strut on:wheels",
            "brake_firm prove_drive",
        ],
        "prop_shaft crossmember tilt",
    ),
    "mid engine, pull": (
        renewing("disc", "cover", kind="rear_engine", pull=True, shaft="flanged"),
        ["drive_shafts gearbox_out on:drive_shafts", "arm_freed gearbox_out arm_hooked slave_read"],
        "drain fill_plug",
    ),
    "torque tube, pull": (
        renewing("disc", "cover", kind="torque_tube", pull=True),
        [
            "transaxle tube arm_freed housing_off",
            "housing_on arm_hooked arm_pin housing_tight on:tube on:transaxle filled",
            "drive_shafts transaxle on:transaxle on:drive_shafts",
            "gearbox_carried mounts",
            "other_end_held transaxle",
        ],
        "gearbox_in gearbox_out gearbox_strapped prove_housing",
    ),
    "engine out, gearbox stays": (
        renewing("disc", kind="engine_out"),
        [
            "engine_in on:engine_mounts hoist_off on:exhaust start",
            "fuel_pressure battery",
            "gearbox_carried parted",
            "hoist engine_mounts parted engine_lifted set_down cover_off",
            "engine_in mated housing_tight on:engine_mounts",
            "hoist_off mounts_tight",
            "on:battery fuel_tight start",
            "on:coolant_out start",
        ],
        "gearbox_in drive_shafts drain",
    ),
    "engine and gearbox out as one": (
        renewing("disc", "flywheel", kind="engine_out", unit="one_unit", stand="stand", pull=True),
        [
            "drain drive_shafts hoist engine_lifted set_down gearbox_carried arm_freed parted",
            "flywheel_off on_stand off_stand prove_flywheel",
            "mated housing_tight arm_hooked engine_in on:engine_mounts hoist_off on:drive_shafts filled",
        ],
        "gearbox_in gearbox_strapped",
    ),
    "new installation, concentric": (
        case(kind="new_installation", concentric=True),
        [
            "reach_read prove_flywheel flywheel_on prove_disc",
            "cover_on housing_trial x_read housing_trial_off concentric_in housing_on prove_gearbox gearbox_in",
            "y_read spacers_set concentric_in",
            "housing_tight unit_in on:mounts lever_opening shaft_set mounts_tight",
            "master_in rod_play line_in bled slave_read",
        ],
        "gearbox_out cover_off battery raise fork_in disc_beside",
    ),
    "motorcycle, arm in the cover": (
        renewing("plates", car=False, arm="in_cover", hydraulic=False),
        [
            "springs_in on:case_off on:lever_slack lifted_by_hand free_play",
            "soaked prove_pack",
            "on:case_off engine_oil",
        ],
        "raise mounts_tight filled slave_read",
    ),
    "motorcycle, arm in the case": (
        renewing("plates", car=False, arm="in_case", hydraulic=False),
        ["springs_in lifted_by_hand on:case_off"],
        "bled hub_out",
    ),
    "motorcycle, hydraulic, its basket": (
        renewing("basket", "fluid", car=False, arm="in_case"),
        ["pack_out hub_out basket_out basket_in hub_in prove_pack", "on:lever_slack bled lifted_by_hand on:case_off"],
        "free_play soaked",
    ),
    "motorcycle, dry": (renewing("plates", car=False, runs="dry"), ["case_off pack_out"], "oil_out soaked engine_oil"),
    "slave alone": (
        renewing("slave", scope="hydraulics"),
        ["chocks raise slave_out slave_in bled slave_read lowered", "reservoir_low slave_out"],
        "cover_off gearbox_out battery master_in prove_gearbox",
    ),
    "master alone": (
        renewing("master", scope="hydraulics", reservoir="shared"),
        ["trim master_out master_in rod_play bled slave_read", "bled brake_proved prove_drive"],
        "raise lowered slave_out",
    ),
    "slave in a clutch job": (
        renewing("disc", "slave"),
        ["line_opened slave_out slave_in on:line bled slave_read", "housing_tight slave_in"],
        "slave_hung",
    ),
    "release bearing alone": (
        renewing("bearing"),
        ["gearbox_out measured fork_in prove_gearbox gearbox_in"],
        "cover_off disc_out cover_on prove_cover flywheel_off housing_off",
    ),
    "solid for dual-mass": (
        renewing("flywheel", "disc", dual_mass=(True, False)),
        ["disc_out dual_read flywheel_off solid_beside prove_flywheel flywheel_on"],
        "flywheel_sent",
    ),
    "dual-mass, dressed": (  # never machined
        case(fates={"flywheel": "dressed"}, dual_mass=(True, True)),
        ["disc_out dual_read flywheel_off prove_flywheel"],
        "flywheel_sent solid_beside",
    ),
    "rear seal": (renewing("rear_seal"), ["flywheel_off rear_seal_in prove_flywheel flywheel_on"], "pilot_in"),
    "input seal": (
        renewing("input_seal"),
        ["gearbox_out retainer_off input_seal_in float_read retainer_on fork_in"],
        "cover_off",
    ),
    "twin": (
        renewing("disc", discs=2),
        ["disc_on floater_on floater_read second_disc prove_cover cover_on"],
        "stack_trial",
    ),
    "twin, its gap under the cover": (
        renewing("disc", discs=2, twin_gap="under_cover"),
        ["stack_trial floater_read stack_apart floater_on second_disc cover_on"],
        "",
    ),
    "flywheel cut": (
        case(fates={"flywheel": "dressed"}),
        ["flywheel_off flywheel_sent flywheel_back flywheel_remeasured prove_flywheel"],
        "flywheel_beside",
    ),
    "housing in one piece comes out, a separate one goes in": (
        renewing("disc", housing="one_piece", housing_in="separate", bore="dowels"),
        ["cover_on housing_trial bore_tried housing_trial_off dowels housing_on bore_read prove_gearbox"],
        "housing_off",
    ),
    "starter shares a bolt of the housing": (
        renewing("disc", shared_bolt="starter"),
        ["gearbox_in on:starter housing_tight"],
        "",
    ),
    "never assembled": (
        case(begun="never_assembled"),
        ["raise gearbox_carried carrier_off mounts_tight", "housing_tight on:prop_shaft filled lowered"],
        "gearbox_out exhaust cover_off gearbox_strapped slave_hung",
    ),
}


@pytest.mark.parametrize("name", TRADE)
def test_the_order_is_the_trades(name: str) -> None:
    found, chains, absent = TRADE[name]
    plan = plan_of(found)
    place = place_of(plan)
    for chain in chains:
        keys = chain.split()
        assert [key for key in keys if key not in place] == [], f"{chain}: not in the plan"
        assert sorted(keys, key=place.__getitem__) == keys, chain
        for first, then in pairwise(keys):
            held = first in plan.before[then]
            assert held or (first, then) in _SHOWN, f"{then} does not wait for {first}"
    assert set(absent.split()) & set(place) == set()


#: Pairs that are shown in this order and wait for nothing of one another.
_SHOWN = {
    ("prop_shaft", "gearbox_out"),
    ("slave_read", "lowered"),
    ("bled", "lowered"),
    ("master_in", "bled"),
    ("raise", "slave_out"),
    ("drain", "drive_shafts"),
    ("strut_marked", "drain"),
    ("battery", "subframe"),
    ("on:engine_mounts", "hoist_off"),
    ("bled", "lifted_by_hand"),
    ("springs_in", "on:case_off"),
    ("prop_shaft", "on:prop_shaft"),
}


def waits_for(plan_case: Case, *parts: str) -> set[str]:
    """The steps that wait for parts on their way, each with all before it done."""
    plan = plan_of(plan_case)
    return {s.planned.key for s in progress(plan, [], Evidence(awaited=parts)).standings if s.awaits}


@pytest.mark.parametrize(
    ("parts", "more", "steps"),
    [
        ("cover_bolts", {"kind": "transverse"}, "cover_on"),
        ("cover", {"pull": True}, "cover_on pull_bearing_in"),
        ("cover", {"balance": "as_one"}, "cover_on balanced"),
        ("flywheel_bolts", {}, "flywheel_on"),
        ("disc", {}, "disc_on"),
        ("bearing", {}, "fork_in"),
        ("bearing", {"pull": True}, "pull_bearing_in"),
        ("bearing", {"concentric": True}, "concentric_in"),
        ("pivot", {}, "fork_in"),
        ("fluid", {"line": "opened"}, "bled"),
        ("gearbox_oil", {}, "filled"),
        ("exhaust_hardware", {}, "on:exhaust"),
        ("shaft_clips", {"kind": "transverse"}, "on:drive_shafts"),
        ("hub_nuts", {"kind": "transverse"}, "on:hub_nut"),
        ("coolant", {"kind": "engine_out"}, "on:coolant_out"),
        ("housing_bolts", {}, "housing_tight"),
        ("cover_gasket", {"car": False}, "on:case_off"),
        ("plates", {"car": False}, "soaked pack_in"),
        ("springs", {"car": False}, "springs_in"),
        ("lock_washer", {"car": False}, "hub_in"),
    ],
)
def test_a_part_on_its_way_shuts_exactly_the_steps_that_put_it_in(parts: str, more: dict[str, Any], steps: str) -> None:
    found = renewing("disc", "cover", "flywheel", "bearing", "plates", "hub", **more)
    assert waits_for(found, *parts.split()) == set(steps.split())
