"""Causes ranked: thirty made-up complaints with known causes, asked as the finder asks; and what numbers add."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.build import build_of
from liftbite.core.prove.causes import CANNOT_TELL, CAUSES, COMPLAINTS, TESTS
from liftbite.core.prove.faults import find, known_of
from tests.jobs import FULL, entries

CASES: list[dict[str, Any]] = json.loads(
    (Path(__file__).parents[2] / "data" / "faults" / "cases.json").read_text(encoding="utf-8")
)["cases"]
#: Tests a mechanic has patience for.
PATIENCE = 10


def asked(case: dict[str, Any]) -> tuple[list[str], dict[str, str]]:
    """Causes as they stand once the finder has asked what it wanted, and what it asked."""
    answers: dict[str, str] = {}
    found = find(case["layout"], case["complaints"], answers)
    while len(answers) < PATIENCE and not found.settled:
        test = found.tests[0][0]
        answers[test.name] = case["answers"].get(test.name, CANNOT_TELL)
        found = find(case["layout"], case["complaints"], answers)
    return [r.cause.name for r in found.ranked], answers


@pytest.mark.parametrize("half", ["tuned", "kept"])
def test_the_true_cause_comes_first_or_second(half: str) -> None:
    cases = [c for c in CASES if c["half"] == half]
    places = {c["name"]: asked(c) for c in cases}
    late = {
        n: r[:3] for c in cases for n, (r, _) in [(c["name"], places[c["name"]])] if not set(c["true"]) & set(r[:2])
    }
    tests = sum(len(answers) for _, answers in places.values()) / len(cases)
    print(f"{half}: {len(cases) - len(late)} of {len(cases)} first or second, {tests:.1f} tests asked; late: {late}")
    assert len(cases) == 15
    assert len(late) <= 1


def test_compound_faults_both_stand_high() -> None:
    for case in CASES:
        if len(case["true"]) > 1:
            ranked = find(case["layout"], case["complaints"], case["answers"]).ranked
            assert set(case["true"]) <= {r.cause.name for r in ranked[:3]}, case["name"]


def test_tables_hold_together() -> None:
    for cause in CAUSES.values():
        assert set(cause.shows) <= set(COMPLAINTS), cause.name
        for test, answers in cause.tells.items():
            assert set(answers) <= set(TESTS[test].answers), (cause.name, test)
            assert sum(answers.values()) == pytest.approx(1, abs=0.02), (cause.name, test)
            assert TESTS[test].layout in ("", cause.layout) or not cause.layout, (cause.name, test)
    for check in TESTS.values():
        assert sum(check.answers.values()) == pytest.approx(1), check.name


def test_an_answer_that_tells_nothing_changes_no_odds_and_nothing_is_closed() -> None:
    before = find("dry_car", ["drags"])
    after = find("dry_car", ["drags"], {"slave_travel": CANNOT_TELL})
    assert [r.odds for r in before.ranked] == [r.odds for r in after.ranked]
    assert "slave_travel" not in {t.name for t, _ in after.tests}
    assert all(r.odds > 0 for r in find("dry_car", ["drags"], CASES[5]["answers"]).ranked)


def test_the_cheapest_test_that_separates_comes_before_opening_it_up() -> None:
    found = find("dry_car", ["drags"])
    first = [t.name for t, _ in found.tests[:3]]
    assert not any(TESTS[name].opens for name in first)
    worth = [w for _, w in found.tests]
    assert worth == sorted(worth, reverse=True)


def test_the_builds_own_numbers_move_a_cause() -> None:
    weak = build_of(entries(FULL, peak_torque="700 N·m", peak_power="400 kW"))
    sound = build_of(entries(FULL, peak_torque="250 N·m", peak_power="140 kW"))

    def odds(build: Any) -> float:
        ranked = find("dry_car", ["slips"], known=known_of(build)).ranked
        return next(r.odds for r in ranked if r.cause.name == "small_clamp")

    assert odds(weak) > 20 * odds(sound)
    why = next(r.why for r in find("dry_car", ["slips"], known=known_of(weak)).ranked if r.cause.name == "small_clamp")
    assert any("by the numbers it holds" in line for line in why)


@pytest.mark.parametrize(
    ("answers", "words"),
    [
        ({"guess": "yes"}, "no test"),
        ({"pump": "perhaps"}, "no answer"),
    ],
)
def test_what_cannot_be_answered_is_refused(answers: dict[str, str], words: str) -> None:
    with pytest.raises(UnreadableEntry, match=words):
        find("dry_car", ["slips"], answers)
    with pytest.raises(UnreadableEntry, match="say what it does"):
        find("dry_car", [])
