"""What no plan may have, whatever was answered: a circle, a way round a hold point, a thing carried by nothing."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from random import Random
from typing import Any

import pytest
from hypothesis import given

from liftbite.core.fit.case import Case
from liftbite.core.fit.library import LIBRARY, refuse_unfinished
from liftbite.core.fit.order.cases import BLOCKS, CASES, WHEN
from liftbite.core.fit.order.notation import LINE_OFF, SETS, read_block
from liftbite.core.fit.own_steps import OwnPlace
from liftbite.core.fit.plan import LATER, ON, Plan, plan_of
from liftbite.core.fit.step import REASONS, Step
from tests.core.fit.cases import any_case, case, drawn, pairs, place_of, reached, renewing

GOALS = ("start", "drive", "full_load")
#: What takes something out -> what has to carry it before.
CARRIED = {
    "gearbox_out": "gearbox_carried",
    "crossmember": "gearbox_carried",
    "mounts": "gearbox_carried",
    "transaxle": "gearbox_carried",
    "tube": "tube_carried",
    "subframe": "subframe_carried",
    "engine_mounts": "hoist",
    "backbone": "axle_carried",
    "front_prop_shaft": "case_stand",
}
#: What may come out for good: a housing for one in a piece with the gearbox, a cylinder that is left out.
EXCHANGED = ("housing_off", "slave_out", "master_out")
#: What closes a gearbox, where the plan has it.
CLOSES = (
    "on:prop_shaft",
    "on:front_prop_shaft",
    "on:drive_shafts",
    "on:tilt",
    "on:crossmember",
    "on:transaxle",
    "housing_tight",
)


def faults_of(plan: Plan) -> list[str]:
    """What a plan may not have, a sentence each: but for what is exchanged for another, or left out on purpose."""
    return [*_circles(plan), *_ways_round(plan), *_carried_by_nothing(plan), *_open_boxes(plan), *_never_off(plan)]


def _circles(plan: Plan) -> list[str]:
    place = place_of(plan)
    return [f"{p.key} stands before {n}" for p in plan.steps for n in p.needs if place[n] >= place[p.key]]


def _ways_round(plan: Plan) -> list[str]:
    """A goal that a hold point ahead of it does not shut."""
    place = place_of(plan)
    holds = [p.key for p in plan.steps if p.step.hold]
    return [
        f"{goal} is reached round {hold}"
        for goal in GOALS
        for hold in holds
        if goal in place and place[hold] < place[goal] and hold not in plan.before[goal]
    ]


def _carried_by_nothing(plan: Plan) -> list[str]:
    found = []
    for off, carrier in CARRIED.items():
        if off == "front_prop_shaft" or off not in plan.by_key:
            continue
        if carrier not in plan.before[off]:
            found.append(f"{off} with nothing that carries it: {carrier}")
    return found


def _open_boxes(plan: Plan) -> list[str]:
    if "filled" not in plan.by_key:
        return []
    return [f"filled before {key}" for key in CLOSES if key in plan.by_key and key not in plan.before["filled"]]


def _never_off(plan: Plan) -> list[str]:
    """A part on that never came off, nor is new; and one off that never goes back."""
    never = "first fitting" in " ".join(p.step.note.lower() for p in plan.steps) or "unit_in" in plan.by_key
    found = []
    for p in plan.steps:
        if p.step.off and p.step.off not in plan.by_key and p.key.startswith(ON) and not never:
            found.append(f"{p.key} was never off")
        if p.step.on and p.step.on not in plan.by_key and p.key not in EXCHANGED:
            found.append(f"{p.key} never goes back")
        if "final_look" in plan.by_key and p.step.off and p.key not in LATER | plan.before["final_look"]:
            found.append(f"{p.key} is forgotten at the last look")
    return found


def test_no_two_answers_fates_or_scopes_make_a_plan_nobody_would_sign() -> None:
    wrong = {fault: found for found in pairs() for fault in faults_of(plan_of(found))}
    assert wrong == {}


def test_no_combination_of_five_thousand_makes_a_plan_nobody_would_sign() -> None:
    random = Random(26)
    wrong = {fault: found for found in (drawn(random) for _ in range(5_000)) for fault in faults_of(plan_of(found))}
    assert wrong == {}


@given(any_case())
def test_every_need_has_a_reason(found: Case) -> None:
    plan = plan_of(found)
    for planned in plan.steps:
        assert set(planned.why) == set(planned.needs)
        assert all(reason.kind in REASONS and reason.says for reason in planned.why.values())


@given(any_case())
def test_a_need_names_what_is_waited_for_and_nothing_that_follows_from_it(found: Case) -> None:
    plan = plan_of(found)
    for planned in plan.steps:
        for need in planned.needs:
            assert not any(need in plan.before[other] for other in planned.needs if other != need)


@given(any_case())
def test_every_step_leads_to_the_last_look_or_follows_it(found: Case) -> None:
    plan = plan_of(found)
    needs = {p.key: set(p.needs) for p in plan.steps}
    after = {key: {other for other in needs if key in needs[other]} for key in needs}
    ends = {"final_look"} | reached(needs, "final_look") | reached(after, "final_look")
    assert set(needs) <= ends | LATER | {"fuel_tight"}


def test_what_came_off_goes_back_in_the_reverse_of_the_order_this_job_took_it_off() -> None:
    """The starter off last goes on first, though the table has it otherwise; what needed one another stays."""
    one = place_of(plan_of(renewing("disc"), taken_off=["wiring", "shift_linkage", "starter"]))
    other = place_of(plan_of(renewing("disc"), taken_off=["starter", "shift_linkage", "wiring"]))
    assert one["on:starter"] < one["on:shift_linkage"] < one["on:wiring"]
    assert other["on:wiring"] < other["on:shift_linkage"] < other["on:starter"]
    assert one["on:tilt"] < one["on:crossmember"]


def test_what_is_written_outranks_the_reverse() -> None:
    """Hub nuts come loose before the car is up; reversed they would be torqued when it is down again."""
    place = place_of(plan_of(renewing("disc", kind="transverse")))
    assert place["on:hub_nut"] < place["lowered"]


# --- not on this job


def test_what_is_not_there_hands_its_needs_on() -> None:
    whole, without = plan_of(renewing("disc")), plan_of(renewing("disc"), gone=["exhaust", "undertray"])
    assert not {"exhaust", "on:exhaust", "undertray", "on:undertray"} & set(without.by_key)
    assert "raise" in without.by_key["prop_shaft"].needs or "raise" in without.before["prop_shaft"]
    assert set(whole.by_key) - set(without.by_key) == {"exhaust", "on:exhaust", "undertray", "on:undertray"}
    assert faults_of(without) == []


@pytest.mark.parametrize(("gone", "stays"), [("gearbox_strapped", "housing_tight"), ("drain", "filled")])
def test_bolts_are_tight_and_levels_right_though_nothing_was_strapped_or_drained(gone: str, stays: str) -> None:
    plan = plan_of(renewing("disc"), gone=[gone])
    assert gone not in plan.by_key
    assert stays in plan.before["final_look"]


@given(any_case())
def test_whatever_ordinary_step_is_not_on_the_job_the_plan_holds(found: Case) -> None:
    plan = plan_of(found)
    ordinary = [p.key for p in plan.steps if not p.step.hold and not p.step.guards and p.step.stretch == "down"]
    for gone in ordinary[:: max(1, len(ordinary) // 4)]:
        without = plan_of(found, gone=[gone])
        assert gone not in without.by_key
        assert [*_circles(without), *_ways_round(without)] == []


# --- steps of one's own


def own(title: str, after: str = "", before: str = "", back: str = "") -> OwnPlace:
    return OwnPlace(Step(f"own:{title.lower()}", title, "fit"), after, before, back)


def test_what_followed_waits_for_a_step_of_ones_own() -> None:
    plan = plan_of(case(), [own("Trace", "cover_on")])
    assert "own:trace" in plan.before["housing_on"]
    assert "cover_on" in plan.before["own:trace"]


def test_only_what_it_comes_before_waits_where_that_is_named() -> None:
    plan = plan_of(renewing("disc"), [own("Photo", "gearbox_out", "lowered")])
    assert "own:photo" in plan.before["lowered"]
    assert "own:photo" not in plan.before["housing_off"]


def test_a_step_of_ones_own_without_a_place_comes_before_the_last_look() -> None:
    plan = plan_of(case(), [own("Wash")])
    assert "own:wash" in plan.before["final_look"]


def test_what_comes_off_by_a_step_of_ones_own_goes_back_where_the_reverse_puts_it() -> None:
    plan = plan_of(renewing("disc"), [own("Bracket", "exhaust", back="Bracket on")])
    assert plan.by_key["on:own:bracket"].step.title == "Bracket on"
    assert "on:own:bracket" in plan.before["on:exhaust"]
    assert "gearbox_in" in plan.before["on:own:bracket"]
    assert "on:own:bracket" in plan.before["final_look"]


@pytest.mark.parametrize(
    "places",
    [
        [own("A", "own:b"), own("B", "own:a")],
        [own("A", "gearbox_out", "raise")],
        [own("A", before="own:b"), own("B", before="own:a")],
        [own("A", "cover_on", "cover_on")],
    ],
)
def test_a_step_of_ones_own_that_comes_after_itself_is_left_out_by_name(places: list[OwnPlace]) -> None:
    plan = plan_of(case(), places)
    assert any("“A” comes after itself" in each for each in plan.left_out)
    assert faults_of(plan) == []


# --- the tables


def keys_of(block: str) -> set[str]:
    return {key for row in BLOCKS[block].rows for key in row.keys}


def test_every_key_of_the_rows_is_a_step_and_every_step_is_on_a_row() -> None:
    left = set().union(*map(keys_of, BLOCKS))
    called = {name for block in BLOCKS.values() for pair in block.called.items() for name in pair}
    needs = {
        key
        for block in BLOCKS.values()
        for row in block.rows
        for segment in row.segments
        for need in segment.needs
        for key in need.any_of
    }
    assert (left | needs | called) - set(LIBRARY) - set(SETS) - set(LINE_OFF) == set()
    assert {key for key in LIBRARY if not LIBRARY[key].off} - left - called == set()


def test_every_case_of_a_row_and_every_step_in_braces_is_known() -> None:
    for block in BLOCKS.values():
        assert {row.case for row in block.rows if row.case} <= set(CASES)
        maybe = {key for row in block.rows for segment in row.segments for key in segment.sometimes}
        assert {key for key in maybe if key not in WHEN and not LIBRARY[key].off} == set()


def test_no_title_stands_twice_and_each_begins_with_a_capital() -> None:
    titles = [step.title for step in LIBRARY.values()]
    assert all(title[0].isupper() for title in titles)
    assert len(set(titles)) == len(titles)


@pytest.mark.parametrize("text", ["a < b = c", "a; b & c", "A < b"])
def test_a_row_that_is_not_understood_is_refused(text: str) -> None:
    with pytest.raises(ValueError, match="is not understood"):
        read_block(text)


@pytest.mark.parametrize(
    ("wrong", "says"),
    [
        ({"parts": ("gizmo",)}, "“gizmo” is no part"),
        ({"part": "gizmo"}, "“gizmo” is no part"),
        ({"on": "never"}, "is put back by “never”, which is no step"),
        ({"title": ""}, "say what to do"),
        ({"evidence": "bolts"}, "name their joint"),
    ],
)
def test_a_step_that_lacks_what_it_must_say_is_refused(wrong: Mapping[str, Any], says: str) -> None:
    step = replace(Step("throwaway", "Do a thing", "fit"), **wrong)
    with pytest.raises(ValueError, match=says):
        refuse_unfinished(step, LIBRARY)
