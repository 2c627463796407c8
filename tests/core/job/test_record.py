"""What can be said of a job, and what stands of it."""

from __future__ import annotations

import itertools
from typing import Any

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.record import fields_of, in_force, option_words
from liftbite.core.job.record_before import now_called
from liftbite.core.measure import statements as said_at_bench
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.judgement import VERDICTS, Finding
from liftbite.core.measure.scope import SCOPES, asked_in
from liftbite.core.measure.statements import ORDERS, CheckClosed, Order, ScopeAnswer
from liftbite.core.prove.complaints import complaints_in, explained_by
from liftbite.core.statements import KINDS, read_statement


@pytest.mark.parametrize(
    ("kind", "said", "who", "why"),
    [
        ("gossip", {"answer": "x"}, "", "nothing that is said"),
        ("check", {"answer": "enough", "reason": "six of eight"}, "", "who"),
        ("check", {"answer": "enough"}, "Ines", "why"),
        ("check", {"answer": "perhaps", "reason": "x"}, "Ines", "not offered"),
        ("verdict", {"answer": "reuse", "reason": "x" * 2_500}, "Ines", "too many"),
        ("verdict", {"answer": "reuse", "reason": "two\x07bells"}, "Ines", "cannot be stored"),
        ("line", {"answer": "struck"}, "", "why"),
        ("order", {"price": "cheap"}, "", "no figure"),
        ("order", {"price": "-3"}, "", "no price"),
        ("order", {"colour": "blue"}, "", "no field"),
        ("scope", {}, "", "say its answer"),
    ],
)
def test_what_cannot_be_said_is_told(kind: str, said: dict[str, str], who: str, why: str) -> None:
    with pytest.raises(UnreadableEntry, match=why):
        read_statement(kind, "fork", said, who)


def test_what_is_said_last_stands_and_can_be_taken_back() -> None:
    lines = [
        read_statement("order", "Disc, get", {"state": "ordered", "source": "Halm & Daughters", "price": "84,50"}),
        read_statement("order", "Disc, get", {"state": "arrived"}),
        read_statement("check", "fork", {"answer": "not_on_job", "reason": "not out"}, "Ines"),
        read_statement("check", "fork", {"answer": "open"}),
    ]
    assert in_force(lines, Order)["disc:get"].words == {"state": "arrived"}
    assert in_force(lines, CheckClosed) == {}
    assert in_force(lines[:3], CheckClosed)["fork"].who == "Ines"


def test_the_words_of_the_record_are_those_of_the_bench() -> None:
    assert set(said_at_bench.OVERRULED) <= set(VERDICTS)
    assert set(fields_of(ScopeAnswer)["answer"]) == set(SCOPES)
    assert set(fields_of(Order)["state"]) == set(ORDERS)
    assert all(kind.about.takes_back[0] in ("", *fields_of(kind)) for kind in KINDS.values())


def test_a_wider_scope_asks_for_all_a_narrower_one_does() -> None:
    narrow_first = ["complaint", "hydraulics", "bearing", "clutch", "clutch_flywheel", "everything"]
    asked = [{name for name, check in CHECKS.items() if asked_in(scope, check)} for scope in narrow_first]
    assert all(a < b for a, b in itertools.pairwise(asked))
    assert asked[-1] == set(CHECKS)


def test_a_complaint_is_explained_by_what_was_found_and_by_nothing_else() -> None:
    told = complaints_in("It JUDDERS from cold and the pedal is spongy")
    assert told == ("judders", "pedal")
    found = [
        Finding("flywheel_face", "dress or resurface", causes=CHECKS["flywheel_face"].causes),
        Finding("slave_travel", "reuse", causes=CHECKS["slave_travel"].causes),
    ]
    assert explained_by(told, found) == {"judders": ("flywheel_face",), "pedal": ()}


def test_no_option_is_read_out_as_its_key() -> None:
    """Scopes and verdicts have words of their own; every other option is said in words, and so is an order."""
    options = {
        o
        for name, kind in KINDS.items()
        if name not in {"scope", "verdict"}
        for field, some in fields_of(kind).items()
        if (name, field) != ("order", "state")
        for o in some
    }
    assert {o: option_words(o) for o in options if "_" in option_words(o)} == {}
    assert [words for words in ORDERS.values() if "_" in words] == []


@pytest.mark.parametrize(
    ("before", "now"),
    [
        (
            ("own part", {"answer": "to get", "reason": "to get"}),
            ("own_part", {"answer": "to_get", "reason": "to get"}),
        ),
        (("order", {"state": "in stock"}), ("order", {"state": "in_stock"})),
        (("step", {"answer": "done", "text": "by feel"}), ("step", {"answer": "done", "text": "by feel"})),
    ],
)
def test_a_line_of_before_is_called_as_now_and_free_text_stays(before: Any, now: Any) -> None:
    assert now_called(*before) == now
    assert now_called(*now) == now
