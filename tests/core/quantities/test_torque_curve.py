"""Torque curves: peaks, crossings, the estimate from two peaks, wheel to crank, stages."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from liftbite.core.arrangements.curve_reference import wheel as curve_at_wheel
from liftbite.core.arrangements.stage_plan import scaled as stage_scaled
from liftbite.core.errors import OutOfRange
from liftbite.core.quantities.torque_curve import TorqueCurve, from_peaks, intervals_above
from liftbite.core.units.read import to_si
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.words import verdict_sentence
from tests.jobs import CAR, entries, with_curve

CURVE = TorqueCurve.of([100.0, 200.0, 300.0, 400.0], [200.0, 300.0, 320.0, 260.0])


def test_peaks_are_the_largest_points() -> None:
    assert (CURVE.peak_torque, CURVE.peak_torque_speed) == (320.0, 300.0)
    assert (CURVE.peak_power, CURVE.peak_power_speed) == (260.0 * 400, 400.0)


def test_between_points_the_curve_is_straight_and_beyond_them_it_has_no_value() -> None:
    assert CURVE.torque_at(150.0) == 250.0
    assert np.isnan(CURVE.torque_at(99.0))
    np.testing.assert_allclose(CURVE.torque_at(np.array([100.0, 350.0])), [200.0, 290.0])


@pytest.mark.parametrize(
    ("speed", "torque", "says"),
    [
        ([100.0], [1.0], "two or more points"),
        ([100.0, 200.0], [1.0], "two or more points"),
        ([200.0, 100.0], [1.0, 2.0], "ascend"),
        ([100.0, 100.0], [1.0, 2.0], "ascend"),
        ([100.0, float("nan")], [1.0, 2.0], "finite"),
    ],
)
def test_what_is_no_curve_is_refused(speed: list[float], torque: list[float], says: str) -> None:
    with pytest.raises(ValueError, match=says):
        TorqueCurve.of(speed, torque)


def test_crossings() -> None:
    assert intervals_above(CURVE, 250.0) == [(150.0, 400.0)]
    assert intervals_above(CURVE, 310.0) == [pytest.approx((250.0, 316.6666666666667))]
    assert intervals_above(CURVE, 500.0) == []
    assert intervals_above(CURVE, 100.0) == [(100.0, 400.0)]
    wavy = TorqueCurve.of([0.0, 1.0, 2.0, 3.0, 4.0], [0.0, 2.0, 0.0, 2.0, 0.0])
    assert intervals_above(wavy, 1.0) == [(0.5, 1.5), (2.5, 3.5)]


@given(st.floats(50, 900), st.floats(100, 500), st.floats(1.15, 3.0), st.floats(0.45, 0.99))
def test_the_estimate_keeps_both_peaks(torque: float, speed: float, later: float, kept: float) -> None:
    """Both peaks are met, neither is exceeded, and dP/dω vanishes at peak power."""
    power_speed = speed * later
    power = torque * kept * power_speed
    assume(power >= torque * speed)
    curve = from_peaks(torque, speed, power, power_speed)
    assert curve.peak_torque == pytest.approx(torque, rel=1e-9)
    assert curve.peak_torque_speed == pytest.approx(speed, rel=1e-2)
    assert curve.peak_power == pytest.approx(power, rel=1e-9)
    assert np.all(curve.torque * curve.speed <= power * (1 + 1e-9))
    assert np.all(curve.torque > 0)


@pytest.mark.parametrize(
    ("peaks", "quantity"),
    [
        ((400.0, 400.0, 150e3, 300.0), "peak_power_speed"),
        ((400.0, 400.0, 300e3, 600.0), "peak_power"),
        ((400.0, 400.0, 100e3, 600.0), "peak_power"),
    ],
)
def test_peaks_that_contradict_each_other_are_refused(peaks: tuple[float, ...], quantity: str) -> None:
    with pytest.raises(OutOfRange, match="has to be") as caught:
        from_peaks(*peaks)
    assert caught.value.quantity == quantity


def test_wheel_figures_are_referred_to_the_crank() -> None:
    """300 N·m at the wheel with 15 % lost is 300/0.85 at the crank, not 300·1.15."""
    wheel = TorqueCurve.of([100.0, 200.0], [300.0, 280.0])
    assert curve_at_wheel.crank_curve(wheel, 0.15).peak_torque == pytest.approx(352.94, abs=0.01)
    for impossible in (1.0, -0.1):
        with pytest.raises(OutOfRange, match="driveline_loss"):
            curve_at_wheel.crank_curve(wheel, impossible)


def test_a_stage_scales_the_curve_and_both_are_kept() -> None:
    assert stage_scaled.planned_curve(CURVE, 0.2).peak_torque == pytest.approx(384.0)
    answers = answer(with_curve(CAR, CURVE, stage_plan="scaled", stage_gain="20 %"))
    assert answers.results_now["peak_engine_torque"].nominal == pytest.approx(320.0)
    assert answers.results["peak_engine_torque"].nominal == pytest.approx(384.0)
    ratio = answers.results_now["bite_margin"].low / answers.results["bite_margin"].low
    assert ratio == pytest.approx(1.2)
    assert answers.chart is not None
    assert answers.chart.planned is not None


def test_a_stage_replaces_the_curve() -> None:
    from liftbite.core.job.ledger import curve_entry

    given_entries = with_curve(CAR, CURVE, stage_plan="wheel_file", curve_reference="crank")
    given_entries["replacement_curve"] = curve_entry("replacement_curve", "new.csv", CURVE.scaled(1.5))
    given_entries |= entries({"driveline_loss": "20 %"})
    answers = answer(given_entries)
    assert answers.results_now["peak_engine_torque"].nominal == pytest.approx(320.0)
    assert answers.results["peak_engine_torque"].nominal == pytest.approx(320 * 1.5 / 0.8)


def test_where_it_slips_is_said() -> None:
    answers = answer(with_curve(CAR, CURVE, cover_clamp="5 kN"))
    held = answers.results["holdable_engine_torque"].nominal
    assert held == pytest.approx(2 * 0.30 * 5000 * 0.1)
    assert answers.verdict.state == "slips"
    assert answers.chart is not None
    (stretch,) = answers.chart.slips
    assert stretch[0] == pytest.approx(200.0, abs=1e-9)
    assert f"{stretch[0] / to_si(1, 'rpm'):.0f}"[:2] in verdict_sentence(answers.verdict)
