"""Where a job stands in its plan: what is open, shut, waits; what proves a step; what is kept when the plan changes."""

from __future__ import annotations

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.plan import Plan, plan_of
from liftbite.core.fit.progress import Progress, own_steps, progress, read_evidence
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
        (said("gearbox_in"), "its turn has not come; first:"),
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
    found = progress(plan, record, awaited=["rear_seal"])
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
    line = read_statement("own_step", "Paint every bolt", {"answer": "asked", "after": "cover_on"})
    (step,) = own_steps([line])
    assert (step.key, step.needs) == ("own:paint_every_bolt", ("cover_on",))
    assert own_steps([line, read_statement("own_step", "Paint every bolt", {"answer": "open"})]) == []
