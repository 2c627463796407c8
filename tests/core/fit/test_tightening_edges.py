"""Tightening at its edges: what is still an instruction, what a bolt's preload is called, what a head does below it."""

from __future__ import annotations

import math
from typing import Any

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolt_load import head_pressure, of_proof, plausible
from liftbite.core.fit.bolts import MOST, star
from liftbite.core.fit.pulls import Pull, judged, read_pull
from liftbite.core.fit.tightening import Turn, chosen_of, read_way, turns_of
from liftbite.core.fit.way import Way
from liftbite.core.job.record import Line
from liftbite.core.units.fasteners import Thread
from tests.core.lines import line, way_of

FIGURE = {"figure": "30 N·m"}


def way(**said: str) -> Way:
    return way_of("cover:kit", FIGURE | said)


def refused(says: str, **said: str) -> bool:
    with pytest.raises(UnreadableEntry, match=says):
        way(**said)
    return True


def test_how_many_bolts_a_joint_may_have() -> None:
    assert way().count == 0
    assert (way(count="1").count, way(count=str(MOST)).count) == (1, MOST)
    assert refused(f"“0” is no number of bolts from 1 to {MOST}", count="0")
    assert refused("is no number of bolts", count=str(MOST + 1))


def test_what_is_a_head() -> None:
    assert way().head is None
    assert (way(head="4 mm").head, way(head="80 mm").head) == (pytest.approx(4e-3), pytest.approx(80e-3))
    assert refused("no head or washer that covers its hole", head="3.99 mm")
    assert refused("no head or washer", head="80.1 mm")
    assert way(head="11.01 mm", thread="M10").head == pytest.approx(11.01e-3)
    assert refused("“11 mm” is no head or washer", head="11 mm", thread="M10")
    assert refused("no head", head="5 mm", thread="M10")
    assert refused("“8.8 mm” is no head", head="8.8 mm", thread="M8")
    assert way(head="1/2 in", thread="M8").head == pytest.approx(12.7e-3)


def test_bolts_renewed_or_used_again_or_not_said() -> None:
    assert [way(bolts=b).renewed for b in ("renewed", "used_again", "")] == [True, False, None]


def test_passes_as_given() -> None:
    def steps(typed: str) -> tuple[float, ...]:
        return way(passes="as_given", steps=typed).steps

    assert steps("15; 30 N·m") == (15, 30)
    assert steps("5; 10; 15; 20; 25; 30") == (5, 10, 15, 20, 25, 30)
    assert steps("0.5; 30.29 N·m") == (0.5, 30.29), "the last within a hundredth of the figure"
    assert refused("the last pass goes to 30 N·m", passes="as_given", steps="15; 30.31 N·m")
    assert refused("two to six", passes="as_given", steps="1; 5; 10; 15; 20; 25; 30")
    assert refused("two to six", passes="as_given", steps="30")
    assert refused("each pass goes further", passes="as_given", steps="0; 30 N·m")
    assert refused("each pass goes further", passes="as_given", steps="15; 15; 30 N·m")
    assert way(steps="15; 30 N·m").steps == (), "said, and not picked"


def test_the_passes_of_the_trade_as_shares() -> None:
    """Common practice, no source: at once; thirds; a half, then by fifths."""

    def shares(passes: str) -> list[float]:
        turns = turns_of(3, way(passes=passes))
        return [round(t.torque / 30, 6) for t in turns[::3] if t.torque is not None]

    assert shares("at_once") == [1]
    assert shares("thirds") == [0.333333, 0.666667, 1, 1]
    assert shares("half_then_fifths") == [0.5, 0.7, 0.9, 1, 1]
    assert shares("of their own") == [1]


def test_the_turns_of_a_joint_one_by_one() -> None:
    first, again = turns_of(3, way(passes="thirds"))[0], turns_of(3, way(passes="thirds"))[-3]
    assert first == Turn("1.1", 1, 1, "10 N·m (7.38 lb-ft)", pytest.approx(10.0), None, False)
    assert again == Turn("4.1", 4, 1, "once more at 30 N·m (22.1 lb-ft)", 30.0, None, True)
    odd = turns_of(3, way_of("cover:kit", {"figure": "31.234 N·m", "passes": "thirds"}))
    assert [t.to for t in odd[::3]] == [
        "10.4 N·m (7.68 lb-ft)",
        "20.8 N·m (15.4 lb-ft)",
        "31.2 N·m (23 lb-ft)",
        "once more at 31.2 N·m (23 lb-ft)",
    ]
    snug, angle = turns_of(3, way_of("cover:kit", {"figure": "30 N·m + 90°"}))[::3]
    assert snug == Turn("1.1", 1, 1, "30 N·m (22.1 lb-ft)", 30.0)
    assert angle == Turn("1", 2, 1, "90° further", 30.0, pytest.approx(math.pi / 2), False)
    little = turns_of(3, way_of("cover:kit", {"figure": "30 N·m + 40°", "passes": "thirds"}))
    assert [t.key for t in little[::3]] == ["1.1", "2.1", "3.1", "1"]
    two = turns_of(3, way(passes="as_given", steps="15; 30 N·m"))
    assert [(t.key, t.again) for t in two[::3]] == [("1.1", False), ("1", False), ("3.1", True)]
    assert turns_of(0, way()) == ()
    assert [t.bolt for t in turns_of(2, way())] == [1, 2]
    assert turns_of(4, None) == tuple(Turn(str(bolt), 1, bolt, "") for bolt in star(4))
    felt = turns_of(3, way_of("cover:kit", {"how": "by_feel"}))
    assert {t.to for t in felt} == {"by feel"}
    assert all(t.torque is None and not t.again for t in felt)


def test_which_instruction_a_joint_goes_by() -> None:
    def said(key: str, answer: str, figure: str = "30 N·m") -> Line[Any]:
        return line("tightening", key, {"answer": answer, "figure": figure})

    assert chosen_of([], "cover") is None
    kit, mine = said("cover:kit", "chosen"), said("cover:mine", "chosen", figure="25 N·m")
    assert chosen_of([kit, mine], "cover") == read_way("cover:mine", mine.statement)
    assert chosen_of([mine, kit], "cover") == read_way("cover:kit", kit.statement)
    assert chosen_of([kit, said("cover:kit", "beside")], "cover") is None, "no longer chosen"
    assert chosen_of([kit, said("cover:mine", "beside")], "cover") == read_way("cover:kit", kit.statement)
    assert chosen_of([said("flywheel:kit", "chosen"), line("step", "cover:kit", {"answer": "done"})], "cover") is None


@pytest.mark.parametrize(
    ("share", "state"),
    [
        (0.4999, "low"),
        (0.5, "plausible"),
        (0.9, "plausible"),
        (0.9001, "high"),
        (1.1, "high"),
        (1.1001, "refused"),
        (0.0, "low"),
    ],
)
def test_what_a_preload_over_proof_is_called(share: float, state: str) -> None:
    """Common practice, no source: 50, 90 and 110 % of proof."""
    assert of_proof(share) == state


def test_a_plausible_instruction_shows_its_working() -> None:
    """A_s = π/4·(8 − 0.9382·1.25)² = 36.6 mm²; F = 20/(0.2·0.008) = 12 500 N; 580 MPa · A_s = 21 235 N: 58.9 %."""
    found = plausible(way(figure="20 N·m", thread="M8", grade="8.8"))
    assert found is not None
    assert (found.state, found.says) == ("plausible", "plausible: 58.9 % of proof")
    assert found.taken == "nobody said what is on the thread: taken as received"
    assert found.working.startswith("20 N·m (14.8 lb-ft) at K 0.20 on 8 mm: preload 12.5 kN")
    oiled = plausible(way(figure="20 N·m, oiled", thread="M8", grade="8.8"))
    assert oiled is not None
    assert (oiled.taken, oiled.says) == ("", "plausible: 78.5 % of proof")
    weak = plausible(way(figure="6 N·m", thread="M8", grade="8.8"))
    assert weak is not None
    assert weak.says == "look again, low: 17.7 % of proof"
    assert plausible(way(thread="M8")) is plausible(way(grade="8.8")) is None
    assert plausible(way_of("cover:kit", {"how": "by_feel", "thread": "M8", "grade": "8.8"})) is None


@pytest.mark.parametrize(
    ("bolts", "says"),
    [
        ("", "; used once: renew them"),
        ("used_again", "; used once: renew them"),
        ("renewed", "; renewed, as bolts used"),
    ],
)
def test_bolts_by_an_angle_are_used_once(bolts: str, says: str) -> None:
    for figure in ("30 N·m + 40°", "30 N·m + 90°"):
        found = plausible(way(figure=figure, bolts=bolts))
        assert found is not None
        assert (found.state, says in found.says) == ("by stretch", True)


def test_the_flywheels_bolts_are_known_by_the_job() -> None:
    known = {"bolt_diameter": 0.010, "bolt_pitch": 0.0015, "bolt_proof_strength": 830e6}

    def says(key: str, known: dict[str, object], **said: str) -> str | None:
        found = plausible(way_of(key, {"figure": "60 N·m"} | said), known)
        return found.says if found else None

    by_hand = 60 / (0.2 * 0.010) / (math.pi / 4 * (10 - 0.9382 * 1.5) ** 2 * 830) * 100
    assert by_hand == pytest.approx(62.3, abs=0.05)
    assert says("flywheel:kit", dict(known)) == "plausible: 62.3 % of proof"
    assert says("flywheel:kit", dict(known), grade="12.9") == "plausible: 53.3 % of proof", "what was said comes first"
    assert says("cover:kit", dict(known)) is None
    for missing in known:
        assert says("flywheel:kit", {**known, missing: None}) is None
        assert says("flywheel:kit", {k: v for k, v in known.items() if k != missing}) is None
    assert says("flywheel:kit", dict(known), thread="M8", grade="8.8") is not None


def test_pressure_under_a_head_by_hand() -> None:
    """30 N·m at K 0.2 on M8 is 18 750 N; on 17 mm less a hole of 8.8 mm, 166.2 mm²: 113 MPa."""
    said = {"thread": "M8", "head": "17 mm", "under": "aluminium"}
    found = head_pressure(way(**said))
    assert found is not None
    assert found.pressure == pytest.approx(18_750 / (math.pi / 4 * (0.017**2 - 0.0088**2)), rel=1e-9)
    assert found.says == "under the head 110 MPa (16 000 psi) of 200 MPa (29 000 psi), aluminium stands it"
    assert found.stands == 200e6
    small = head_pressure(way(**said | {"head": "13 mm"}))
    assert small is not None
    assert small.says == "under the head 260 MPa (38 000 psi) of 200 MPa (29 000 psi), aluminium it sinks in: a washer"
    steel = head_pressure(way(**said | {"head": "13 mm", "under": "steel"}))
    assert steel is not None
    assert (steel.stands, steel.says.endswith("steel stands it")) == (500e6, True)
    for missing in said:
        assert head_pressure(way(**{k: v for k, v in said.items() if k != missing})) is None
    assert head_pressure(way(**said, figure="30 N·m + 40°")) is None
    assert head_pressure(way_of("cover:kit", {"how": "by_feel", **said})) is None


def test_a_pull_is_judged_to_the_last_figure() -> None:
    turn = Turn("1", 1, 1, "", 31.234)
    assert judged(Pull(31.234 * 1.0499, 0.8), turn) == judged(Pull(31.234 * 0.9501, 0.8), turn) == ""
    assert judged(Pull(33.333, None), turn) == "out of band: 33.3 N·m of 31.2 N·m"
    assert judged(Pull(31.2, math.radians(3.01)), turn) == ""
    assert judged(Pull(31.2, math.radians(3.0)), turn) == ""
    assert "turned 3° only" in judged(Pull(31.2, math.radians(2.99)), turn)
    by_angle = Turn("1", 1, 1, "", 30.0, math.radians(90))
    assert judged(Pull(30, math.radians(94.99)), by_angle) == judged(Pull(30, math.radians(85.01)), by_angle) == ""
    assert judged(Pull(30, math.radians(95.2)), by_angle) == "out of band: 95° of 90°"
    assert judged(Pull(30, None), Turn("1", 1, 1, "by feel")) == ""


def test_what_a_wrench_sends() -> None:
    assert read_pull("30 N·m 92.5 °") == Pull(30.0, pytest.approx(math.radians(92.5)))
    assert read_pull("1.2.3 N·m") is None
    assert Thread(0.008, 0.00125) == way(thread="M8").thread
