"""The plan of a case: no circle, nothing forgotten, no way round a hold point."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given

from liftbite.core.fit.case import Case
from liftbite.core.fit.library import LIBRARY, refuse_unfinished
from liftbite.core.fit.plan import BACK, Plan, plan_of
from liftbite.core.fit.step import Step
from tests.core.fit.cases import EVERY_KIND, any_case, case, name_of, reached

GOALS = ("start", "drive", "full_load")


def needed_by(plan: Plan) -> tuple[dict[str, set[str]], dict[str, set[str]]]:
    """Key -> the steps it needs, and key -> the steps that need it."""
    needs = {p.key: set(p.needs) for p in plan.steps}
    return needs, {key: {other for other in needs if key in needs[other]} for key in needs}


@given(any_case())
def test_a_plan_is_in_an_order_that_keeps_every_need_and_has_no_circle(found: Case) -> None:
    plan = plan_of(found)
    place = {p.key: n for n, p in enumerate(plan.steps)}
    assert all(place[need] < place[p.key] for p in plan.steps for need in p.needs)


@given(any_case())
def test_no_way_to_start_drive_or_full_load_avoids_a_hold_point(found: Case) -> None:
    """Taking a hold point out of the graph leaves no goal that can be reached without it."""
    plan = plan_of(found)
    after, place = needed_by(plan)[1], {p.key: n for n, p in enumerate(plan.steps)}
    for hold in (p.key for p in plan.steps if p.step.hold):
        for goal in GOALS:
            if goal in place and place[hold] < place[goal]:
                assert goal in reached(after, hold), (hold, goal)


@given(any_case())
def test_what_comes_off_goes_back_in_reverse_before_the_last_look(found: Case) -> None:
    plan = plan_of(found)
    off = [p.key for p in plan.steps if p.step.back]
    needs, after = needed_by(plan)
    for key in off:
        assert key in reached(needs, BACK + key)
        assert "final_look" in reached(after, BACK + key)
        for earlier in reached(needs, key) & set(off):
            assert BACK + key in reached(needs, BACK + earlier)


@given(any_case())
def test_every_step_leads_to_the_last_look_or_follows_it(found: Case) -> None:
    plan = plan_of(found)
    needs, after = needed_by(plan)
    assert set(needs) <= {"final_look"} | reached(needs, "final_look") | reached(after, "final_look")


@pytest.mark.parametrize("found", EVERY_KIND, ids=name_of)
def test_each_kind_has_its_own_way_down_and_in(found: Case) -> None:
    keys = set(plan_of(found).by_key)
    kind = found.answers.get("kind")
    assert ("pack_out" in keys) == (not found.car)
    assert ("engine_lifted" in keys) == (kind == "engine_out")
    assert ("gearbox_out" in keys) == (found.car and kind != "engine_out")
    assert ("tube" in keys) == (kind == "torque_tube")
    assert ("transfer_shafts" in keys) == (kind == "transfer_case")
    assert ("arm_freed" in keys) == found.pull == ("pull_bearing_in" in keys)
    assert {"prove_start", "prove_drive", "prove_full_load"} <= keys


@pytest.mark.parametrize(
    ("part", "steps"),
    [
        ("disc", ("disc_on",)),
        ("cover", ("cover_on",)),
        ("flywheel", ("flywheel_on",)),
        ("pilot", ("pilot_in",)),
        ("rear_seal", ("rear_seal_in",)),
        ("input_seal", ("shaft_seal_in",)),
        ("bearing", ("fork_in",)),
        ("floater", ("floater_on",)),
    ],
)
def test_a_renewed_part_has_its_step(part: str, steps: tuple[str, ...]) -> None:
    keys = plan_of(case(fates={part: "renewed"}, discs=2)).by_key
    assert set(steps) <= set(keys)
    assert all(keys[step].step.part == part for step in steps)


def test_a_renewed_line_is_bled_and_a_slave_hung_aside_is_not() -> None:
    assert "bled" not in plan_of(case()).by_key
    assert "bled" in plan_of(case(fates={"line": "renewed"})).by_key
    assert "bled" in plan_of(case(line="opened")).by_key
    assert "slave_hung" not in plan_of(case(line="opened")).by_key


def test_a_flanged_shaft_wants_no_draining() -> None:
    assert {"drain", "gearbox_filled"} <= set(plan_of(case(shaft="slips")).by_key)
    assert not {"drain", "gearbox_filled"} & set(plan_of(case(shaft="flanged")).by_key)


def test_a_job_on_the_hydraulics_lays_no_clutch_open() -> None:
    keys = [p.key for p in plan_of(case(scope="hydraulics")).steps]
    assert "gearbox_out" not in keys
    assert keys[:4] == ["cautions", "parts_gate", "hydraulics_out", "cylinders_in"]
    assert {"bled", "slave_read", "prove_start"} <= set(keys)


def test_the_order_of_work_is_the_trades() -> None:
    keys = [p.key for p in plan_of(case(fates={"rear_seal": "renewed", "pilot": "renewed", "disc": "renewed"})).steps]
    spine = [
        "battery",
        "console",
        "raise",
        "fill_plug",
        "drain",
        "exhaust",
        "crossmember",
        "tilt",
        "gearbox_strapped",
        "gearbox_out",
        "cover_off",
        "disc_out",
        "flywheel_off",
        "measured",
        "prove_flywheel",
        "flywheel_on",
        "prove_disc",
        "disc_on",
        "prove_cover",
        "cover_on",
        "prove_gearbox",
        "gearbox_in",
        "prove_housing",
        "housing_tight",
        "back:battery",
        "final_look",
        "prove_start",
        "start",
        "drive",
        "full_load",
    ]
    assert [key for key in keys if key in spine] == spine


def test_a_step_of_ones_own_stands_where_it_was_put_and_before_the_last_look() -> None:
    plan = plan_of(case(), [Step("own:trace", "Trace every bolt", "fit", ("cover_on",))])
    place = {p.key: n for n, p in enumerate(plan.steps)}
    assert place["cover_on"] < place["own:trace"] < place["final_look"]


def test_every_key_of_the_library_is_there_and_none_stands_twice() -> None:
    known = {*LIBRARY, *(BACK + key for key, step in LIBRARY.items() if step.back)}
    for key, step in LIBRARY.items():
        assert set(step.needs) <= known, key
        assert step.title[0].isupper()
    assert len({step.title for step in LIBRARY.values()}) == len(LIBRARY)


@pytest.mark.parametrize(
    ("wrong", "says"),
    [
        ({"parts": ("gizmo",)}, "“gizmo” is no part"),
        ({"part": "gizmo"}, "“gizmo” is no part"),
        ({"needs": ("never",)}, "comes after “never”, which is no step"),
        ({"title": ""}, "say what to do"),
        ({"evidence": "bolts"}, "name their joint"),
    ],
)
def test_a_step_that_lacks_what_it_must_say_is_refused(wrong: dict[str, Any], says: str) -> None:
    step = replace(Step("throwaway", "Do a thing", "fit"), **wrong)
    with pytest.raises(ValueError, match=says):
        refuse_unfinished(step, LIBRARY)
