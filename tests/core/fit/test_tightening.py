"""How joints are tightened: passes, plausibility, and what a wrench says, against figures worked out another way."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolt_load import end_of, plausible
from liftbite.core.fit.bolts import sequence_faults, star
from liftbite.core.fit.pulls import Pull, judged, read_pull
from liftbite.core.fit.tightening import JointInstruction, chosen_of, left_of, read_way, turns_at, turns_of
from liftbite.core.fit.way import Way
from liftbite.core.quantities.joint import bolt_stress_area
from liftbite.core.statements import read_statement
from tests.core.lines import line, way_of

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
        ({"figure": "30 N·m", "count": "0"}, "no number of bolts"),
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


# --- figures as they are spoken, sizes within one joint, sequences


def wait_for(figure: str, **more: str) -> Way:
    return read_way("housing:maker", JointInstruction(answer="chosen", figure=figure, **more))  # type: ignore[arg-type]


def test_each_hole_its_own_figure_one_star_and_the_same_share_of_it_in_each_pass() -> None:
    way = wait_for("53 large, 28 small lb-ft", count="6", sizes="large: 1 4; small: 2 3 5 6", passes="thirds")
    turns = turns_of(6, way)
    assert [t.bolt for t in turns[:6]] == list(star(6))
    first = {t.bolt: t.torque for t in turns if t.number == 1}
    last = {t.bolt: t.torque for t in turns if t.key.isdigit()}
    assert {n: round(t / 1.3558179483) for n, t in last.items()} == {1: 53, 2: 28, 3: 28, 4: 53, 5: 28, 6: 28}
    assert all(first[n] == pytest.approx(last[n] / 3) for n in last)


def test_the_bolt_map_says_which_hole_takes_which_size() -> None:
    """Five holes of 17 mm spanners, six of 14: the larger thread is the larger figure."""
    record = [line("tightening", "housing:maker", {"answer": "chosen", "figure": "28 and 53 lb-ft"})]
    for number in range(1, 12):
        thread = "M10" if number <= 5 else "M8"
        words = {"answer": "kept", "thread": thread, "length": "50 mm", "grip": "30 mm", "material": "iron"}
        record.append(line("hole", f"housing:{number}", words))
    turns = turns_at("housing", {}, record)
    assert {t.bolt: round((t.torque or 0) / 1.3558179483) for t in turns} == {
        n: 53 if n <= 5 else 28 for n in range(1, 12)
    }


def test_a_hole_nobody_gave_a_size_is_asked_about_and_never_tightened_to_the_larger() -> None:
    turns = turns_of(3, wait_for("53 large, 28 small lb-ft"))
    assert {(t.to, t.torque) for t in turns} == {("say which size this hole takes", None)}


def test_a_range_is_aimed_at_in_the_middle_and_both_ends_are_allowed() -> None:
    turn = turns_of(3, wait_for("14 to 19 N·m"))[0]
    assert turn.torque == pytest.approx(16.5)
    assert [judged(Pull(t, None), turn)[:4] for t in (14.0, 16.5, 19.0, 13.9, 19.1)] == ["", "", "", "low:", "high"]


def test_stages_of_a_figure_are_its_passes() -> None:
    turns = turns_of(6, wait_for("15, 20, 25 lb-ft"))
    assert [round((t.torque or 0) / 1.3558179483) for t in turns[::6]] == [15, 20, 25, 25]


def test_a_sound_sequence_of_the_makers_is_followed_and_another_told() -> None:
    sound, unsound = wait_for("30 N·m", sequence="1 5 3 6 2 4"), wait_for("30 N·m", sequence="1 2 3 4 5 6")
    assert [t.bolt for t in turns_of(6, sound)] == [1, 5, 3, 6, 2, 4]
    assert [t.bolt for t in turns_of(6, unsound)] == list(star(6))
    assert sequence_faults((1, 4, 2, 5, 3), 6) == ["bolt 6 is left out"]


@pytest.mark.parametrize(
    ("said", "how"),
    [("snug", "by_feel"), ("no room for the wrench", "by_feel"), ("no figure known", "none_known")],
)
def test_what_is_spoken_without_a_figure_is_a_state_of_the_joint(said: str, how: str) -> None:
    assert (wait_for(said).how, wait_for(said).given) == (how, None)


# --- where torque and angle end


@pytest.mark.parametrize(
    ("grip", "preload", "yields"),
    [("70 mm", 60_000, False), ("20 mm", 79_200, True)],
)
def test_snug_and_an_angle_are_judged_by_where_they_end(grip: str, preload: float, yields: bool) -> None:
    """M12 × 1.75, 10.9, 45°: 60 kN elastic on 70 mm, at yield on 20 mm [common practice, no source]."""
    end = end_of(wait_for("40 N·m + 45°", thread="M12 x 1.75", grade="10.9", grip=grip))
    assert end is not None
    assert (end.preload, end.yields) == (pytest.approx(preload, rel=0.02), yields)


def test_what_holds_the_crank_carries_the_end_of_the_angle() -> None:
    """Preload at its end times K·d, not the snug torque."""
    way = wait_for("40 N·m + 45°", thread="M12 x 1.75", grade="10.9", grip="70 mm")
    end = end_of(way)
    assert end is not None
    assert end.torque == pytest.approx(end.preload * 0.20 * 0.012)
    assert end.torque > 3 * 40


def test_class_8_8_is_stronger_above_m16_and_inch_areas_go_by_the_inch_table() -> None:
    """[standard: ISO 898-1:2013, table 3; ASME B1.1, table of tensile stress areas: 3/8-16 0.0775 in²; from memory]."""
    assert wait_for("100 N·m", thread="M16", grade="8.8").proof == 580e6
    assert wait_for("100 N·m", thread="M18", grade="8.8").proof == 600e6
    assert bolt_stress_area(9.525e-3, 25.4e-3 / 16) == pytest.approx(0.0775 * 25.4e-3**2, rel=2e-3)
