"""The bolt map by hand: bottoms, too short, shank in the thread, swaps with harm, indexed circles."""

from __future__ import annotations

from collections.abc import Iterable

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolt_map import Hole, judge, swaps
from liftbite.core.fit.pattern import places_of, ways_round
from tests.core.lines import hole_of, pattern_of

HOUSING = {"thread": "M10 x 1.5", "grip": "30 mm", "material": "aluminium", "depth": "30 mm"}


def hole(number: int = 1, **said: str) -> Hole:
    return hole_of(f"Bell housing:{number}", HOUSING | said)


@pytest.mark.parametrize(
    ("said", "state"),
    [
        ({"length": "55 mm"}, "good"),  # 23.5 in the thread, 2.35 d, and 25 of 28.5 deep
        ({"length": "50 mm"}, "look again"),  # 18.5, 1.85 d
        ({"length": "45 mm"}, "short"),  # 13.5, 1.35 d
        ({"length": "45 mm", "material": "iron"}, "look again"),
        ({"length": "45 mm", "material": "steel"}, "good"),
        ({"length": "60 mm"}, "bottoms"),  # 30 of 28.5
        ({"length": "60 mm", "washer": "2 mm"}, "good"),
        ({"length": "55 mm", "shank": "32 mm"}, "shank in thread"),
        ({"length": "55 mm", "shank": "32 mm", "washer": "2 mm"}, "good"),
        ({"length": "55 mm", "depth": ""}, "open"),
        ({"length": "25 mm"}, "short"),
    ],
)
def test_what_a_bolt_does_in_its_hole(said: dict[str, str], state: str) -> None:
    assert judge(hole(**said)).state == state


def test_a_bolt_in_inches_is_judged_alike() -> None:
    inch = {"thread": "3/8-16", "length": "2 in", "grip": "1 in", "material": "iron", "depth": "1.2 in"}
    found = judge(hole_of("Cover:1", inch))
    assert found.engaged == pytest.approx((1 - 1 / 16) * 0.0254)
    assert found.state == "good"


def test_two_bolts_that_can_be_swapped_with_harm_are_named_and_those_that_cannot_are_not() -> None:
    long, short = hole(1, length="85 mm", grip="60 mm"), hole(2, length="55 mm")
    other = hole(3, length="85 mm", thread="M12", grip="60 mm", depth="60 mm")
    told = [(s.bolt_of.number, s.into.number, s.says.split(":")[0]) for s in swaps([long, short, other])]
    assert told == [(1, 2, "bottoms"), (2, 1, "too short, it strips")]
    assert list(swaps([hole(1, length="55 mm"), hole(2, length="55 mm")])) == []


def circle(angles: Iterable[float]) -> list[tuple[float, float]]:
    return [(np.sin(a), np.cos(a)) for a in angles]


@given(st.integers(3, 12), st.floats(0, 6.28))
def test_an_even_circle_goes_on_as_many_ways_as_it_has_holes(count: int, start: float) -> None:
    assert ways_round(circle(start + 2 * np.pi * n / count for n in range(count))) == count


def test_one_hole_off_its_place_indexes_a_circle_and_two_opposite_ones_halve_it() -> None:
    even = [n * np.pi / 3 for n in range(6)]
    assert ways_round(circle([0.1, *even[1:]])) == 1
    assert ways_round(circle([0.1, even[1], even[2], np.pi + 0.1, even[4], even[5]])) == 2


@pytest.mark.parametrize(
    ("key", "said", "says"),
    [
        ("Bell housing", {}, "say the joint and the hole"),
        (":3", {}, "say the joint"),
        ("A:0", {}, "say the joint"),
        ("A:1", {"thread": "10 mm"}, "is no thread"),
        ("A:1", {"material": "wood"}, "say what the thread is in"),
        ("A:1", {"length": ""}, "length under the head is missing"),
        ("A:1", {"length": "5 m"}, "no length of a bolt"),
        ("A:1", {"length": "20 mm", "shank": "25 mm"}, "the shank is as long"),
        ("A:1", {"length": "50 mm", "angle": "noon"}, "noon"),
    ],
)
def test_what_is_no_hole_is_refused_in_a_sentence(key: str, said: dict[str, str], says: str) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        hole_of(key, HOUSING | {"length": "55 mm"} | said)


def test_the_working_says_the_sum_by_which_a_bolt_is_judged() -> None:
    found = judge(hole(length="55 mm", washer="2 mm"))
    assert found.working.startswith(
        "Length 55 less grip 30 less washers 2: 23 mm reach in. Less a point of one pitch, 1.5: 21.5 mm engage. "
        "Aluminium wants 15 mm, better 20"
    )
    assert "Depth 30 less a pitch: 28.5 mm are free." in found.working
    assert found.engaged == pytest.approx(21.5e-3)


def placed(*places: tuple[int, str, str]) -> list[Hole]:
    return [hole(number, length="55 mm", angle=angle, out=out) for number, angle, out in places]


def test_holes_dragged_over_a_photo_come_to_true_size_by_one_length_between_two() -> None:
    holes = placed((1, "0°", "0.9"), (2, "90°", "0.4"), (3, "180°", "0.9"), (4, "270°", "1.2"))
    places = places_of(holes, pattern_of("Bell housing", {"between": "1-3: 324 mm"}))
    assert places[1] == pytest.approx((0, 0.162), abs=1e-9)
    assert places[2] == pytest.approx((0.072, 0), abs=1e-9)
    assert places[4] == pytest.approx((-0.216, 0), abs=1e-9)


@pytest.mark.parametrize(
    ("said", "says"),
    [
        ({}, "wants a length that was measured"),
        ({"between": "1-9: 30 mm"}, "there is no hole 9"),
        ({"across": "324 mm"}, "wants a length that was measured"),  # they stand on no circle
        ({"between": "1-1: 30 mm"}, "is not understood"),
        ({"between": "1-3: 30 m"}, "no length between bolts"),
        ({"photo": "me.jpg"}, "goes by the SHA-256"),
    ],
)
def test_no_card_at_true_size_without_a_length_that_was_measured(said: dict[str, str], says: str) -> None:
    holes = placed((1, "0°", "0.9"), (2, "90°", "0.4"), (3, "180°", "0.9"))
    with pytest.raises(UnreadableEntry, match=says):
        places_of(holes, pattern_of("Bell housing", said))


def test_a_hole_nobody_placed_is_named() -> None:
    holes = [*placed((1, "0°", "1"), (2, "90°", "1")), hole(7, length="55 mm")]
    with pytest.raises(UnreadableEntry, match="place hole 7"):
        places_of(holes, pattern_of("Bell housing", {"across": "300 mm"}))


def test_every_fault_of_a_hole_is_said_and_engagement_stops_where_the_thread_does() -> None:
    found = judge(hole(length="60 mm", grip="20 mm", depth="15 mm", shank="25 mm"))
    assert found.state == "bottoms"
    assert "its shank runs" in found.says
    assert "too short, it strips" in found.says, "15 mm of thread less a point, however long the bolt"
    assert found.engaged == pytest.approx(0.0135)


def test_a_swap_that_harms_is_said_though_the_hole_is_at_fault_already() -> None:
    both = [hole(1, length="90 mm", depth="25 mm"), hole(2, length="80 mm", depth="25 mm")]
    assert {(s.bolt_of.number, s.into.number) for s in swaps(both)} == {(1, 2), (2, 1)}
