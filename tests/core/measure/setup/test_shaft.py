"""The input shaft in its pilot, both ends."""

from __future__ import annotations

import pytest

from liftbite.core.measure.setup.shaft import shaft_reach
from tests.core.measure.setup.steps import DEPTHS, found, told
from tests.jobs import CAR


@pytest.mark.parametrize(
    ("depths", "engagement", "full", "touches"),
    [
        ((0.190, 0.165, 0.003, 0.004, 0.0, 0.016, 0.010), 18e-3, True, False),
        ((0.175, 0.165, 0.003, 0.004, 0.0, 0.016, 0.010), 3e-3, False, False),
        ((0.150, 0.165, 0.003, 0.004, 0.0, 0.016, 0.010), -22e-3, False, False),
        ((0.199, 0.165, 0.003, 0.004, 0.0, 0.016, 0.010), 27e-3, True, True),
        ((0.190, 0.165, 0.003, 0.004, 0.002, 0.016, 0.010), 20e-3, True, False),
    ],
)
def test_a_shaft_is_checked_at_both_ends(
    depths: tuple[float, ...], engagement: float, full: bool, touches: bool
) -> None:
    found = shaft_reach(*depths)
    assert found.engagement == pytest.approx(engagement)
    assert (found.full, found.touches) == (full, touches)
    assert found.engagement + found.clear == pytest.approx(depths[5] + depths[6])


@pytest.mark.parametrize(
    ("protrusion", "says"),
    [
        (160, "does not reach its pilot: 12 mm"),
        (180, "enters the pilot by 8 mm"),
        (190, "passes the whole pilot"),
        (205, "meets the bottom of the bore"),
    ],
)
def test_what_a_shafts_reach_says(protrusion: float, says: str) -> None:
    words = told("shaft", CAR, shaft_reach={"Shaft beyond the gearbox face": protrusion} | DEPTHS)
    assert says in words.sentence
    assert f"= {protrusion} − 165 − 3 − 4 + 0 = {protrusion - 172}".replace("-", "−") in words.working[0]


def test_a_depth_left_out_is_waited_for() -> None:
    assert found("shaft", CAR, shaft_reach=DEPTHS) is None
