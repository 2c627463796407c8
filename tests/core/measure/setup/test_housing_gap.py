"""The gap of the gearbox: towards the wider side, by similar triangles."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.measure.setup.housing_gap import tail_move
from tests.core.measure.setup.steps import found, told
from tests.jobs import CAR, MOTORCYCLE

LENGTHS = {"Face to tail": 700, "Across the housing": 350}


def test_six_millimetres_over_350_with_the_tail_at_700_are_twelve() -> None:
    """Common practice, no source."""
    said = told("housing_gap", CAR, housing_gap={"At 12": 8, "At 3": 5, "At 6": 2, "At 9": 5, **LENGTHS})
    assert said.sentence.startswith("The tail goes up by 12 mm")
    assert said.verdict == "put right"
    assert "to 3" not in said.sentence


@pytest.mark.parametrize(
    ("gaps", "ways"),
    [
        ((2, 5, 8, 5), ["down"]),
        ((5, 8, 5, 2), ["to 3"]),
        ((5, 2, 5, 8), ["to 9"]),
        ((8, 8, 2, 2), ["up", "to 3"]),
    ],
)
def test_the_tail_goes_towards_the_wider_side(gaps: tuple[int, ...], ways: list[str]) -> None:
    read = dict(zip(("At 12", "At 3", "At 6", "At 9"), gaps, strict=True))
    sentence = told("housing_gap", CAR, housing_gap=read).sentence
    for way in ways:
        assert way in sentence
    assert "Measure the tail's distance" in sentence


def test_an_even_gap_goes_home_and_three_places_tell_nothing() -> None:
    even = told("housing_gap", CAR, housing_gap={"At 12": 5, "At 3": 5.1, "At 6": 5, "At 9": 5.2})
    assert even.verdict == "reuse"
    assert found("housing_gap", CAR, housing_gap={"At 12": 5, "At 3": 5, "At 6": 5}) is None
    assert MOTORCYCLE["layout"] != CAR["layout"]


@given(st.floats(0, 0.01), st.floats(0, 0.01), st.floats(0.3, 1.5), st.floats(0.2, 0.5))
def test_after_the_move_the_gaps_are_even(one: float, other: float, tail: float, across: float) -> None:
    """Turning the box about its face by move/tail closes the wide side and opens the narrow one to their mean."""
    angle = tail_move(one, other, tail, across) / tail
    assert one - angle * across / 2 == pytest.approx(other + angle * across / 2, abs=1e-12)


@pytest.mark.parametrize("gaps", [(8, 2, 2, 2), (5, 5, 5, 9), (1, 8, 1, 8)])
def test_four_gaps_that_no_plane_has_are_measured_again_and_move_nothing(gaps: tuple[int, ...]) -> None:
    """Geometry: across two flat faces opposite gaps add up to the same on every diameter."""
    said = told("housing_gap", CAR, housing_gap=dict(zip(("At 12", "At 3", "At 6", "At 9"), gaps, strict=True)))
    assert said.sentence.startswith("Measure again: no two flat faces have these gaps.")
    assert said.again
    assert "tail" not in said.sentence


@given(st.floats(2, 8), st.floats(-2, 2), st.floats(-2, 2), st.lists(st.floats(-0.15, 0.15), min_size=4, max_size=4))
def test_no_plane_read_to_a_blade_is_sent_back(mean: float, up: float, side: float, off: list[float]) -> None:
    true = (mean + up, mean + side, mean - up, mean - side)
    places = ("At 12", "At 3", "At 6", "At 9")
    read = {place: gap + blade for place, gap, blade in zip(places, true, off, strict=True)}
    assert not told("housing_gap", CAR, housing_gap=read).again
