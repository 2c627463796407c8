"""The next question: what it says an assumption decides is what the answers themselves do at its ends."""

from __future__ import annotations

from dataclasses import replace

import pytest

from liftbite.core.job.ledger import Entry
from liftbite.core.verdicts.answers import Answers, answer
from liftbite.core.verdicts.next_question import ranking
from liftbite.core.verdicts.verdict import GRAVITY, Verdict
from tests.jobs import CAR, FULL, MOTORCYCLE, entries


def graded(answers: Answers) -> dict[str, int]:
    """Question -> how grave its gravest link is that is judged, words and told rows aside."""

    def level(verdict: Verdict) -> int:
        return max((GRAVITY[link.grade] for link in verdict.links if link.grade != "note"), default=0)

    return {v.question: level(v) for v in (answers.verdict, *answers.others) if v.state != "open"}


@pytest.mark.parametrize("job", [FULL, {**FULL, "stage_plan": "scaled", "stage_gain": "40 %"}])
def test_an_assumption_decides_what_its_ends_decide(job: dict[str, str]) -> None:
    """Every assumption entered at both ends and the whole job answered anew: the slow way says the same."""
    typed = entries(job)
    answers = answer(typed)
    told = {a.name: set(a.settles) for a in ranking(answers) if not a.missing}
    before = graded(answers)
    checked = 0
    for name, assumed in answers.build.chosen.assumed.items():
        if name in typed or name not in {a.name for a in answers.assumptions} or assumed.low == assumed.high:
            continue
        ends = [graded(answer({**typed, name: Entry(name, "an end", end)})) for end in (assumed.low, assumed.high)]
        decides = {q for q in before if any(end.get(q) != before[q] for end in ends)}
        # a clutch that slips at full load is told by Heat beyond its rows: that much it may say more than was counted
        assert told.get(name, set()) - {"heat"} == decides - {"heat"}, name
        assert told.get(name, set()) <= decides, name
        checked += 1
    assert checked > 20


def test_what_decides_most_comes_first_and_what_is_read_breaks_a_tie() -> None:
    asked = ranking(answer(entries(FULL)))
    assert [len(a.settles) for a in asked] == sorted((len(a.settles) for a in asked), reverse=True)
    even = [a for a in asked if not a.settles]
    assert [round(a.moves, 3) for a in even] == sorted((round(a.moves, 3) for a in even), reverse=True)
    open_job = answer(entries({q: t for q, t in CAR.items() if q not in ("outer_diameter", "inner_diameter")}))
    tied = ranking(open_job, {"inner_diameter": "a check"})
    names = [a.name for a in tied]
    assert names.index("inner_diameter") < names.index("outer_diameter")


def test_what_one_answer_alone_waits_for_comes_before_one_of_many() -> None:
    first = ranking(answer(entries({**MOTORCYCLE, "pedal_stroke": "70 mm"})))[0]
    assert (first.missing, first.moves) == (True, 1.0)
    assert first.why.endswith("waits for it.")


def test_entered_it_is_asked_no_more() -> None:
    typed = entries(FULL)
    for _ in range(3):
        first = ranking(answer(typed))[0]
        assumed = answer(typed).build.chosen.assumed[first.name]
        typed = {**typed, first.name: Entry(first.name, "as it is", assumed.value)}
        assert first.name not in {a.name for a in ranking(answer(typed))}


def test_nothing_to_ask_is_no_question() -> None:
    answers = answer(entries(FULL))
    assert ranking(replace(answers, assumptions=())) == ()
