"""How joints are tightened: passes, plausibility, and what a wrench says, against figures worked out another way."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolts import star
from liftbite.core.fit.tightening import (
    Pull,
    chosen_of,
    judged,
    left_of,
    plausible,
    read_pull,
    turns_at,
    turns_of,
)
from liftbite.core.statements import read_statement
from tests.core.lines import way_of

LB_FT = 1.3558179483314004


@pytest.mark.parametrize(
    ("figure", "thread", "grade", "state"),
    [  # common practice, no source: five that are sound and five that are not
        ("18.8 lb-ft", "M8", "8.8", "plausible"),
        ("27 lb-ft", "M8", "10.9", "plausible"),
        ("37 lb-ft", "M10", "8.8", "plausible"),
        ("31 lb-ft", "3/8-16", "grade 5", "plausible"),
        ("53 lb-ft", "M10", "10.9", "plausible"),
        ("35 lb-ft", "M8", "8.8", "refused"),
        ("75 lb-ft", "M10", "8.8", "refused"),
        ("24 lb-ft", "M8", "8.8", "high"),
        ("6 lb-ft", "M8", "8.8", "low"),
        ("85 lb-ft", "3/8-16", "grade 5", "refused"),
    ],
)
def test_the_trades_figures_are_called_what_the_trade_calls_them(
    figure: str, thread: str, grade: str, state: str
) -> None:
    found = plausible(way_of("cover:the manual", {"figure": figure, "thread": thread, "grade": grade}))
    assert found is not None
    assert found.state == state


def test_share_of_proof_by_hand() -> None:
    """M8 x 1.25: A_s = π/4·(8 − 0.9382·1.25)² mm²; oiled threads, K 0.15."""
    area = math.pi / 4 * (8 - 0.9382 * 1.25) ** 2
    share = 12 / (0.15 * 0.008) / (area * 580)
    found = plausible(way_of("cover:kit", {"figure": "12 N·m, oiled", "thread": "M8", "grade": "8.8"}))
    assert found is not None
    assert float(found.says.split()[-4]) == pytest.approx(100 * share, rel=1e-2)


def test_a_figure_that_breaks_the_bolt_stands_only_under_somebodys_name() -> None:
    said = {"figure": "35 lb-ft", "thread": "M8", "grade": "8.8"}
    with pytest.raises(UnreadableEntry, match="140 % of proof; say whose figure it is"):
        way_of("cover:", said)
    assert way_of("cover:the manual", said).owner == "the manual"


@pytest.mark.parametrize(
    ("said", "says"),
    [
        ({}, "type the figure, or say that none is known"),
        ({"figure": "tight"}, "tight"),
        ({"figure": "30 N·m", "thread": "10 mm"}, "is no thread"),
        ({"figure": "30 N·m", "grade": "9"}, "is no class"),
        ({"figure": "30 N·m", "count": "2"}, "no number of bolts"),
        ({"figure": "30 N·m", "count": "x"}, "no number"),
        ({"figure": "30 N·m", "passes": "as_given", "steps": "30"}, "two to six"),
        ({"figure": "30 N·m", "passes": "as_given", "steps": "30; 20 N·m"}, "further than the one before"),
        ({"figure": "30 N·m", "passes": "as_given", "steps": "10; 20 N·m"}, "the last pass goes to 30 N·m"),
    ],
)
def test_what_is_no_instruction_is_refused_in_a_sentence(said: dict[str, str], says: str) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        way_of("cover:kit", said)


def test_passes_of_the_trade() -> None:
    kit = way_of("flywheel:kit", {"figure": "75 lb-ft", "passes": "as_given", "steps": "35; 55; 75 lb-ft"})
    assert [round(t.torque / LB_FT) for t in turns_of(6, kit)[::6]] == [35, 55, 75, 75]  # type: ignore[operator]
    assert [t.again for t in turns_of(6, kit)[::6]] == [False, False, False, True]
    fifths = way_of("cover:kit", {"figure": "20 N·m", "passes": "half_then_fifths"})
    assert [t.torque for t in turns_of(6, fifths)[::6]] == pytest.approx([10, 14, 18, 20, 20])
    angle = way_of("flywheel:maker", {"figure": "22 lb-ft + 90°", "passes": "at_once"})
    assert [t.angle for t in turns_of(8, angle)[::8]] == [None, pytest.approx(math.pi / 2)]


@given(st.integers(3, 36), st.sampled_from(["at_once", "thirds", "half_then_fifths"]), st.booleans())
def test_every_bolt_has_its_turn_in_every_pass_and_its_own_name(count: int, passes: str, angle: bool) -> None:
    way = way_of("cover:kit", {"figure": "30 N·m + 90°" if angle else "30 N·m", "passes": passes})
    turns = turns_of(count, way)
    assert len({t.key for t in turns}) == len(turns)
    for number in {t.number for t in turns}:
        assert tuple(t.bolt for t in turns if t.number == number) == star(count)
    assert {t.bolt for t in turns if t.key.isdecimal()} == set(range(1, count + 1)), "the pass that makes it tight"
    torques = [t.torque for t in turns if t.torque is not None]
    assert torques == sorted(torques)


def test_a_wrench_is_held_against_its_turn() -> None:
    snug, angle = turns_of(3, way_of("cover:kit", {"figure": "30 N·m + 90°"}))[::3]
    assert judged(Pull(30.9, math.radians(40)), snug) == ""
    assert "out of band" in judged(Pull(27, math.radians(40)), snug)
    assert "twice" in judged(Pull(30.2, math.radians(1)), snug)
    assert judged(Pull(61, math.radians(93)), angle) == ""
    assert judged(Pull(61, math.radians(70)), angle) == "out of band: 70° of 90°"
    assert "no angle" in judged(Pull(61, None), angle)
    again = turns_of(3, way_of("cover:kit", {"figure": "30 N·m", "passes": "thirds"}))[-1]
    assert judged(Pull(30.2, 0.0), again) == "", "a tight bolt tried once more turns no further"


def test_what_a_wrench_sends() -> None:
    pull = read_pull("70 lb-ft 90 °")
    assert pull is not None
    assert pull.torque == pytest.approx(70 * LB_FT)
    assert pull.angle == pytest.approx(math.pi / 2)
    assert read_pull("2.83 mm") is None


def test_of_two_instructions_the_one_chosen_last_is_gone_by_until_it_is_taken_back() -> None:
    record = [
        read_statement("tightening", "cover:kit", {"answer": "chosen", "figure": "20 N·m", "count": "6"}),
        read_statement("tightening", "cover:maker", {"answer": "beside", "figure": "25 N·m"}),
    ]
    assert chosen_of(record, "cover").owner == "kit"  # type: ignore[union-attr]
    record.append(read_statement("tightening", "cover:maker", {"answer": "chosen", "figure": "25 N·m", "count": "8"}))
    assert [t.bolt for t in turns_at("cover", {}, record)] == list(star(8))
    record.append(read_statement("tightening", "cover:maker", {"answer": "open"}))
    assert chosen_of(record, "cover") is None
    assert turns_at("cover", {}, record) == ()


def test_nobody_knows_a_figure_and_every_bolt_is_still_ticked() -> None:
    turns = turns_of(4, way_of("housing:", {"how": "by_feel", "count": "4"}))
    assert [(t.key, t.to) for t in turns] == [(str(b), "by feel") for b in star(4)]
    assert [t.bolt for t in left_of(turns, ["1", "3"])] == [b for b in star(4) if b not in (1, 3)]
