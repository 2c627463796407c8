"""Where a job stands in its plan: what is open, shut, waits; what proves a step; what is kept when the plan changes."""

from __future__ import annotations

from dataclasses import replace

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.holds import Look
from liftbite.core.fit.own_steps import own_steps
from liftbite.core.fit.plan import Plan, plan_of
from liftbite.core.fit.progress import (
    Evidence,
    Known,
    Progress,
    gone_of,
    groups_of,
    order_of_ticks,
    progress,
    read_evidence,
)
from liftbite.core.fit.statements import BoltTick
from liftbite.core.job.record import Line
from liftbite.core.statements import read_statement
from tests.core.fit.cases import EVERY_KIND, case, name_of

PLAN = plan_of(case())


def said(key: str, answer: str = "done", who: str = "Ines", **more: str) -> Line:
    return read_statement("step", key, {"answer": answer, "text": "as it should be", **more}, who)


def states(found: Progress) -> dict[str, str]:
    return {s.planned.key: s.state for s in found.standings}


def done_up_to(plan: Plan, goal: str) -> list[Line]:
    return [said(key) for key in plan.before[goal]]


def test_a_job_begins_with_its_cautions_and_everything_else_is_shut() -> None:
    found = progress(PLAN, [])
    assert found.next is not None
    assert found.next.planned.key == "cautions"
    assert set(states(found).values()) == {"open", "shut"}
    assert list(states(found).values()).count("open") == 1


@pytest.mark.parametrize("found", EVERY_KIND, ids=name_of)
def test_doing_what_comes_next_again_and_again_ends_the_job(found: object) -> None:
    plan = plan_of(found)  # type: ignore[arg-type]
    record: list[Line] = []
    for _ in plan.steps:
        here = progress(plan, record)
        assert here.next is not None
        line = said(here.next.planned.key)
        read_evidence(plan, line, {s.planned.key: s for s in here.standings})
        record.append(line)
    assert progress(plan, record).next is None
    assert progress(plan, record).done == len(plan.steps)


def test_a_hold_point_keeps_what_follows_shut_until_it_is_proved_or_overridden() -> None:
    record = done_up_to(PLAN, "prove_cover")
    assert states(progress(PLAN, record))["cover_on"] == "shut"
    proved = states(progress(PLAN, [*record, said("prove_cover")]))
    overridden = states(progress(PLAN, [*record, said("prove_cover", "overridden", reason="the customer waits")]))
    assert (proved["cover_on"], overridden["cover_on"]) == ("open", "open")
    assert overridden["prove_cover"] == "overridden"


def test_only_a_name_with_a_reason_overrides_and_only_a_hold_point() -> None:
    with pytest.raises(UnreadableEntry, match="who overrides"):
        said("prove_cover", "overridden", who="", reason="because")
    with pytest.raises(UnreadableEntry, match="who overrides"):
        said("prove_cover", "overridden")
    here = {s.planned.key: s for s in progress(PLAN, done_up_to(PLAN, "cover_on")).standings}
    with pytest.raises(UnreadableEntry, match="only a hold point"):
        read_evidence(PLAN, said("cover_on", "overridden", reason="late"), here)


@pytest.mark.parametrize(
    ("line", "complaint"),
    [
        (said("gearbox_in"), "shut: .*; first: "),
        (said("bled"), "no step of this plan"),
        (said("cautions", who=""), "say who says so"),
    ],
)
def test_what_cannot_be_said_of_a_step_is_refused_in_words(line: Line, complaint: str) -> None:
    here = {s.planned.key: s for s in progress(PLAN, []).standings}
    with pytest.raises(UnreadableEntry, match=complaint):
        read_evidence(PLAN, line, here)


def test_a_reading_wants_its_figure() -> None:
    here = {s.planned.key: s for s in progress(PLAN, done_up_to(PLAN, "free_height")).standings}
    with pytest.raises(UnreadableEntry, match="say what was read"):
        read_evidence(PLAN, said("free_height", text=""), here)


def test_while_a_part_is_on_its_way_another_branch_is_offered() -> None:
    plan = plan_of(case(fates={"rear_seal": "renewed"}))
    record = done_up_to(plan, "rear_seal_in")
    found = progress(plan, record, Evidence(awaited=["rear_seal"]))
    assert states(found)["rear_seal_in"] == "waits"
    assert found.next is not None
    assert found.next.planned.key not in {"rear_seal_in", "prove_flywheel"}
    assert states(progress(plan, record))["rear_seal_in"] == "open"


def test_evidence_stays_with_its_step_when_the_answers_change_and_what_vanishes_is_listed() -> None:
    record = [*done_up_to(PLAN, "drain"), said("drain")]
    flanged = progress(plan_of(case(shaft="flanged")), record)
    assert states(flanged)["raise"] == "done"
    assert {line.key for line in flanged.vanished} == {"fill_plug", "drain"}
    assert states(progress(PLAN, record))["drain"] == "done"  # it comes back as it was


def test_what_is_taken_back_is_open_again() -> None:
    record = [said("cautions"), said("cautions", "open")]
    assert states(progress(PLAN, record))["cautions"] == "open"


def test_own_steps_are_read_from_the_record() -> None:
    words = {"answer": "asked", "after": "cover_on", "before": "housing_on", "parts": "Cover bolts", "hands": "2"}
    line = read_statement("own_step", "Paint every bolt", words)
    (place,) = own_steps([line])
    assert (place.step.key, place.after, place.before) == ("own:paint_every_bolt", "cover_on", "housing_on")
    assert (place.step.parts, place.step.hands) == (("cover_bolts",), 2)
    assert own_steps([line, read_statement("own_step", "Paint every bolt", {"answer": "open"})]) == []


def test_a_shut_step_says_why_and_what_comes_first() -> None:
    plan = plan_of(case(kind="rear_engine", pull=True))
    here = {s.planned.key: s for s in progress(plan, []).standings}
    with pytest.raises(UnreadableEntry, match="pushes its piston out; first: refit the slave"):
        read_evidence(plan, said("slave_read"), here)
    assert here["slave_read"].reason is not None
    assert here["slave_read"].reason.kind == "harm"


# --- opened again


def test_opening_a_step_again_opens_every_proof_that_rests_on_it_and_nothing_else() -> None:
    plan = plan_of(case(line="opened"))
    record = [*done_up_to(plan, "full_load"), said("on:line", "open")]
    found = {s.planned.key: s for s in progress(plan, record).standings}
    opened = {key for key, s in found.items() if s.state not in ("done", "overridden")}
    assert {"on:line", "bled", "slave_read", "final_look", "prove_start", "start", "prove_drive"} <= opened
    assert not {"prove_cover", "cover_on", "filled", "housing_tight"} & opened
    assert found["slave_read"].again == "on:line"
    redone = [*record, said("on:line"), said("bled"), said("slave_read")]
    assert states(progress(plan, redone))["slave_read"] == "done"


def test_ticks_of_bolts_belong_to_the_last_time_a_step_was_done() -> None:
    bolt = Line("cover_on:1", BoltTick(answer="done"), "Ines")
    record = [*done_up_to(PLAN, "cover_on"), bolt, said("cover_on")]
    here = next(s for s in progress(PLAN, record).standings if s.planned.key == "cover_on")
    assert here.since == 0
    again = next(s for s in progress(PLAN, [*record, said("disc_on", "open")]).standings if s.planned.key == "cover_on")
    assert again.since > record.index(bolt)


# --- not on this job, and begun in the middle


def not_here(key: str, answer: str, who: str = "Ines", **more: str) -> Line:
    return read_statement("not_here", key, {"answer": answer, **more}, who)


@pytest.mark.parametrize("answer", ["found_done", "elsewhere"])
def test_what_is_found_done_counts_as_done_and_keeps_what_puts_it_back(answer: str) -> None:
    record = [not_here("exhaust", answer)]
    assert gone_of(record) == {}
    found = progress(PLAN, record)
    assert states(found)["exhaust"] == "done"
    assert "on:exhaust" in states(found)


@pytest.mark.parametrize("answer", ["none", "stays_on"])
def test_what_is_not_there_is_no_step_and_is_listed(answer: str) -> None:
    record = [not_here("exhaust", answer)]
    found = progress(plan_of(case(), gone=gone_of(record)), record)
    assert not {"exhaust", "on:exhaust"} & set(states(found))
    assert [line.key for line in found.gone] == ["exhaust"]


@pytest.mark.parametrize(
    ("key", "said_of_it", "complaint"),
    [
        ("battery", {"answer": "none"}, "carries or guards; say why"),
        ("starter", {"answer": "stays_on"}, "bolted to what|bolted to that stays"),
        ("prove_cover", {"answer": "none"}, "a hold point is overridden"),
        ("exhaust", {"answer": "none", "who": ""}, "say who"),
    ],
)
def test_what_is_not_on_the_job_is_said_by_name_and_with_a_reason_where_it_carries(
    key: str, said_of_it: dict[str, str], complaint: str
) -> None:
    with pytest.raises(UnreadableEntry, match=complaint):
        not_here(key, **said_of_it)


def test_a_job_taken_down_elsewhere_begins_with_its_off_steps_done_and_no_marks() -> None:
    found = progress(PLAN, [], Evidence(elsewhere=True))
    here = {s.planned.key: s for s in found.standings}
    assert (here["gearbox_out"].state, here["gearbox_out"].known) == ("done", "taken down elsewhere: no marks")
    assert here["battery"].state != "done"  # what guards is proved here


def test_the_order_in_which_steps_were_done_is_that_of_their_last_tick() -> None:
    record = [said("wiring"), said("starter"), said("wiring", "open"), said("wiring")]
    assert order_of_ticks(record) == ["starter", "wiring"]


# --- what a hold point looks up


def looked(state: str, says: str) -> Evidence:
    return Evidence(looks={"prove_cover": [Look("floater", "Floater", state, says)]})  # type: ignore[arg-type]


def test_a_line_that_is_bad_or_missing_keeps_its_hold_point_shut_and_no_hand_ticks_it() -> None:
    record = done_up_to(PLAN, "prove_cover")
    here = {s.planned.key: s for s in progress(PLAN, record, looked("bad", "0.031 in, put right")).standings}
    with pytest.raises(UnreadableEntry, match=r"floater: 0\.031 in, put right; put it right, or override"):
        read_evidence(PLAN, said("prove_cover"), here)
    good = {s.planned.key: s for s in progress(PLAN, record, looked("good", "0.022 in")).standings}
    read_evidence(PLAN, said("prove_cover"), good)


def test_an_override_covers_a_line_as_it_stood_and_a_contrary_reading_shuts_again() -> None:
    words = {"answer": "overridden", "reason": "race car", "stood": "not read"}
    record = [
        *done_up_to(PLAN, "prove_cover"),
        read_statement("hold_line", "prove_cover:floater", words, "Ines"),
        said("prove_cover"),
    ]
    assert states(progress(PLAN, record, looked("open", "not read")))["cover_on"] == "open"
    assert states(progress(PLAN, record, looked("bad", "0.031 in, put right")))["cover_on"] == "shut"
    assert states(progress(PLAN, record, looked("good", "0.022 in")))["cover_on"] == "open"


def test_a_hold_point_takes_no_x() -> None:
    here = {s.planned.key: s for s in progress(PLAN, done_up_to(PLAN, "prove_cover")).standings}
    with pytest.raises(UnreadableEntry, match="say what was seen"):
        read_evidence(PLAN, said("prove_cover", text="x"), here)


def test_what_a_step_was_called_before_is_still_said_of_it() -> None:
    assert read_statement("step", "back:exhaust", {"answer": "done"}).key == "on:exhaust"
    assert read_statement("bolt", "back:case_off:4", {"answer": "done"}).key == "on:case_off:4"


def test_a_stretch_is_ticked_in_one_go_as_far_as_plain_steps_go() -> None:
    """Once the car is up everything is plain, until what has to be written down."""
    record = done_up_to(PLAN, "raise")
    groups = {group.stretch: group for group in groups_of(progress(PLAN, record))}
    keys = groups["down"].in_one_go
    assert (keys[0], keys[-1]) == ("raise", "cover_off")
    for key in keys:
        here = {s.planned.key: s for s in progress(PLAN, record).standings}
        read_evidence(PLAN, said(key), here)
        record.append(said(key))
    assert "disc_out" not in keys, "which side faced the flywheel is written down"


def known_of(says: str = "bled (Odo)", at: str = "") -> Evidence:
    return Evidence(proved={"bled": Known(says, at)}, asked={"bled": "in Prove, “Bleed it”"})


def test_a_fact_ticks_its_step_when_its_turn_has_come_and_not_before() -> None:
    plan = plan_of(case(fates={"slave": "renewed"}))
    early = {s.planned.key: s for s in progress(plan, [], known_of()).standings}
    assert (early["bled"].state, early["bled"].known) == ("shut", "")
    record = done_up_to(plan, "bled")
    then = {s.planned.key: s for s in progress(plan, record, known_of()).standings}
    assert (then["bled"].state, then["bled"].known) == ("done", "bled (Odo)")
    unsaid = {s.planned.key: s for s in progress(plan, record, replace(known_of(), proved={})).standings}
    assert unsaid["bled"].asked == "in Prove, “Bleed it”"
    with pytest.raises(UnreadableEntry, match="said in Prove, “Bleed it”; it is ticked from there"):
        read_evidence(plan, said("bled"), unsaid)


def test_a_step_whose_fact_is_asked_elsewhere_is_in_no_bulk() -> None:
    plan = plan_of(case(fates={"slave": "renewed"}))
    found = progress(plan, done_up_to(plan, "bled"), Evidence(asked={"bled": "in Prove"}))
    assert all("bled" not in group.in_one_go for group in groups_of(found))
