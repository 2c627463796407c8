"""What calculations of the set-up share: pieces, waiting, sums that come out, and that one file makes one more."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.job.build import build_of
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.limit import LimitName
from liftbite.core.measure.setup import CALCULATIONS, outcome_of
from liftbite.core.measure.setup.bearing import bearing_stacks
from liftbite.core.measure.setup.calculation import Outcome, pieces_of, within
from liftbite.core.measure.setup.end_float import shims_for_float
from liftbite.core.measure.setup.floater import floater_stands
from tests.core.measure.setup.steps import DEPTHS, FORK_CAR, TWIN, found, sums_told, taken, told
from tests.jobs import FULL, entries


def test_every_calculation_names_checks_there_are_and_waits_without_them() -> None:
    assert [c for c, told in outcome_of(build_of(entries(FULL)), {}) if told is not None] == []
    for calculation in CALCULATIONS.values():
        assert set(calculation.checks) <= set(CHECKS)
        assert calculation.waits_for
        assert set(calculation.effects) <= set(calculation.checks)
        assert calculation.asks is None or calculation.asks.check in calculation.checks


def test_a_bearing_waits_for_both_depths_and_a_floater_for_three_stands() -> None:
    bearing = found(
        "bearing",
        FULL,
        depth_x={"At 12": 80.0, "At 4": 80.1},
        depth_y={"At 12": 62.0},
        spacers={"Spacer 1": 6.4, "Spacer 2": 3.2},
    )
    assert bearing.reserve == pytest.approx(18.05e-3)
    assert bearing.doubt == pytest.approx((2**0.5 * 3e-5) + 0.05e-3)
    assert len(bearing.stacks) == 4
    assert found("bearing", FULL, depth_x={"At 12": 80.0}) is None
    assert found("floater", TWIN, floater_gap={"Stand 1": 0.5, "Stand 2": 0.55}) is None
    assert found("floater", TWIN, floater_gap={"Stand 1": 0.5, "Stand 2": 0.55, "Stand 3": 0.6}) is not None


def test_the_last_reading_of_a_spacer_is_its_thickness() -> None:
    readings = {"spacers": taken({"Spacer 1": 9.9}) + taken({"Spacer 1": 3.0})}
    assert pieces_of(readings, "spacers").heights == (3e-3,)


def test_more_spacers_than_can_be_tried_are_told() -> None:
    many = {f"Spacer {i}": 1 + i / 10 for i in range(1, 13)}
    pieces = pieces_of({"spacers": taken(many)}, "spacers")
    assert pieces.names == tuple(f"Spacer {i}" for i in range(1, 11))
    assert pieces.untried == 2
    words = told("bearing", FULL, depth_x={"At 12": 80}, depth_y={"At 12": 70}, spacers=many)
    assert words.working[-1] == "12 pieces were measured; the first 10 are tried."


def test_too_many_pieces_are_not_tried() -> None:
    with pytest.raises(ValueError, match="10 at most"):
        bearing_stacks(0.08, 0.07, [1e-3] * 11)
    with pytest.raises(ValueError, match="10 at most"):
        floater_stands([5e-4] * 3, [1e-4] * 11, opens=True)
    with pytest.raises(ValueError, match="10 at most"):
        shims_for_float(5e-4, [1e-4] * 11)


LENGTH = st.integers(0, 4000).map(lambda n: n / 100)
TWO = st.tuples(LENGTH, LENGTH)


@given(
    heights=TWO,
    depths=st.lists(LENGTH, min_size=7, max_size=7),
    cut=TWO,
    end=LENGTH,
    stands=st.lists(LENGTH, min_size=3, max_size=3),
    shims=st.lists(LENGTH, min_size=1, max_size=3),
)
def test_every_sum_told_comes_out(
    heights: tuple[float, float],
    depths: list[float],
    cut: tuple[float, float],
    stands: list[float],
    shims: list[float],
    end: float,
) -> None:
    readings = {
        "bearing_height": dict(zip(("Old", "New"), heights, strict=True)),
        "shaft_reach": dict(zip(("Shaft beyond the gearbox face", *DEPTHS), depths, strict=True)),
        "face_cut": {"Once": cut[0]},
        "seat_cut": {"Once": cut[1]},
        "end_float": {"Once": end},
        "floater_gap": {f"Stand {i}": v for i, v in enumerate(stands, 1)},
    }
    for name in ("floater_shims", "retainer_shims"):
        readings[name] = {f"Shim {i}": v for i, v in enumerate(shims, 1)}
    for which in ("floater", "shaft", "fork", "cut", "end_float"):
        words = told(which, TWIN | FORK_CAR, **readings)
        sums = sums_told(words)
        assert len(sums) >= (0 if which in {"end_float", "floater"} else 1), words.working
        for left, right in sums:
            assert left == pytest.approx(right, abs=0.0061, rel=1e-3), words.working


@pytest.mark.parametrize(
    ("given", "verdict"),
    [
        ({}, "put right"),
        ({"spread": (1e-3, "kit sheet")}, "put right"),
        ({"least": (4e-3, "kit sheet")}, "reuse"),
        ({"least": (4e-3, "kit sheet"), "most": (4.5e-3, "kit sheet")}, "put right"),
        ({"most": (5e-3, "")}, "reuse"),
    ],
)
def test_a_kit_makers_window_wins_over_the_sum(given: dict[LimitName, tuple[float, str]], verdict: str) -> None:
    told = Outcome("The reserve is 5 mm, outside.", "put right", length=5e-3)
    held = within(told, given)
    assert held.verdict == verdict
    assert "The reserve is 5 mm, outside." in held.sentence
    if verdict == "reuse":
        assert "lies inside what" in held.sentence


def test_no_window_lets_in_what_cannot_be() -> None:
    told = Outcome("The bearing already meets the fingers.", "stop", length=-1e-3)
    assert within(told, {"least": (-5e-3, "kit sheet")}) == told
