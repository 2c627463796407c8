"""Runout: the fit against scipy.optimize and synthetic bores, signs, sag, dowels, the trade's own bands."""

from __future__ import annotations

from math import cos, pi, radians, sin

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import least_squares

from liftbite.core.errors import UnreadableEntry
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.judgement import Finding, assess
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.runout import (
    BORE_LIMIT,
    STOCK_DOWELS,
    THOU,
    SweepSettings,
    choose_dowel,
    closure,
    fit_sweep,
    pointing,
    rule_of_five,
    unreachable,
)
from liftbite.core.measure.sweep import Sweep, angle_of, judge_sweep, read_angle, sweep_of
from liftbite.core.measure.words import finding_sentence

EIGHT = np.radians(np.arange(0, 360, 45.0))
ECCENTRIC = st.floats(1e-6, 6e-4)
TURN = st.floats(0.0, 2 * pi, exclude_max=True)
CHANCE = np.random.default_rng(7)


def residual_when_clocked(e: float, o: float, error: float) -> float:
    """Total indicator reading left by a dowel clocked off by an angle: the two vectors' difference, twice."""
    return float(2 * abs(e - o * np.exp(1j * error)))


def wall(angles: np.ndarray, off: float, towards: float, radius: float = 0.08) -> np.ndarray:
    """Distance from the axis to the wall of a true bore whose centre lies `off` away: the exact circle, not its
    first-order form, so that the fit is held against geometry and not against itself."""
    across = off * np.sin(angles - towards)
    return off * np.cos(angles - towards) + np.sqrt(radius**2 - across**2)


def dial_in_bore(angles: np.ndarray, off: float, towards: float) -> np.ndarray:
    """A dial zeroed at the first angle, plus when its plunger is pressed in."""
    d = wall(angles, off, towards)
    return -(d - d[0])


@given(off=ECCENTRIC, towards=TURN)
def test_a_bore_moved_by_a_known_vector_is_found_there(off: float, towards: float) -> None:
    fit = fit_sweep(EIGHT, dial_in_bore(EIGHT, off, towards), inside=True)
    found = fit.eccentricity * np.array([np.sin(fit.direction), np.cos(fit.direction)])
    true = off * np.array([sin(towards), cos(towards)])
    assert np.hypot(*(found - true)) < 2e-6  # the neglected term e²/2R of the largest is 2.3 µm
    assert fit.tir_fit == pytest.approx(2 * off, abs=4e-6)


@given(off=ECCENTRIC, towards=TURN)
def test_round_a_spigot_the_sign_is_the_other(off: float, towards: float) -> None:
    """A spigot's surface is nearest where the dial reads highest, and that is the way its centre is off."""
    readings = wall(EIGHT, off, towards) - 0.08
    fit = fit_sweep(EIGHT, readings, inside=False)
    assert cos(float(fit.direction) - towards) == pytest.approx(1.0, abs=2e-3)


@given(off=ECCENTRIC, towards=TURN)
def test_counted_from_the_engine_side_or_with_the_sign_flipped_it_is_the_same_bore(off: float, towards: float) -> None:
    truth = fit_sweep(EIGHT, dial_in_bore(EIGHT, off, towards), inside=True)
    mirrored = dial_in_bore(-EIGHT, off, towards)
    from_engine = fit_sweep(EIGHT, mirrored, inside=True, settings=SweepSettings(seen_from="engine"))
    flipped = fit_sweep(
        EIGHT, -dial_in_bore(EIGHT, off, towards), inside=True, settings=SweepSettings(presses_plus=False)
    )
    for other in (from_engine, flipped):
        assert other.eccentricity == pytest.approx(float(truth.eccentricity), rel=1e-6)
        assert cos(float(other.direction - truth.direction)) == pytest.approx(1.0, abs=1e-9)


def test_a_wrong_sign_doubles_the_error() -> None:
    """What the sign is for: the dowel of a sweep read the wrong way round makes it twice as bad."""
    off, towards = 7 * THOU, radians(75)
    wrong = fit_sweep(EIGHT, dial_in_bore(EIGHT, off, towards), inside=True, settings=SweepSettings(presses_plus=False))
    best = choose_dowel(float(wrong.eccentricity), float(wrong.direction))[0]
    moved = off * np.array([sin(towards), cos(towards)]) + best.offset * np.array([sin(best.clock), cos(best.clock)])
    assert np.hypot(*moved) == pytest.approx(2 * off, rel=1e-2)


@given(off=ECCENTRIC, towards=TURN, sag=st.floats(-2e-4, 2e-4))
def test_the_brackets_sag_is_taken_off(off: float, towards: float, sag: float) -> None:
    readings = dial_in_bore(EIGHT, off, towards) + sag * np.cos(EIGHT)
    fit = fit_sweep(EIGHT, readings, inside=True, settings=SweepSettings(sag=sag))
    plain = fit_sweep(EIGHT, dial_in_bore(EIGHT, off, towards), inside=True)
    assert fit.eccentricity == pytest.approx(float(plain.eccentricity), abs=1e-12)


@pytest.mark.parametrize("angles", [(0, 90, 180, 270), (0, 40, 95, 170, 200, 310), (5, 17, 120, 121, 240)])
def test_the_fit_is_the_least_squares_of_scipy(angles: tuple[int, ...]) -> None:
    theta = np.radians(np.array(angles, dtype=float))
    readings = dial_in_bore(theta, 2e-4, 1.1) + CHANCE.normal(0, 1e-5, theta.size)
    fit = fit_sweep(theta, readings, inside=True)

    def model(p: np.ndarray) -> np.ndarray:
        d = p[0] + p[1] * np.cos(theta) + p[2] * np.sin(theta)
        if theta.size >= 6:
            d = d + p[3] * np.cos(2 * theta) + p[4] * np.sin(2 * theta)
        return np.asarray(d)

    size = 5 if theta.size >= 6 else 3
    found = least_squares(lambda p: (model(p) + readings) * 1e6, np.zeros(size), xtol=1e-15, ftol=1e-15, gtol=1e-15)
    assert float(fit.eccentricity) == pytest.approx(np.hypot(found.x[1], found.x[2]), rel=1e-6)
    assert np.allclose(fit.residuals, -readings - model(found.x), atol=1e-10)


def test_an_oval_bore_is_told_from_one_off_centre() -> None:
    theta = np.radians(np.arange(0, 360, 30.0))
    d = 3e-5 * np.cos(2 * (theta - 0.4))
    fit = fit_sweep(theta, -d, inside=True)
    assert float(fit.oval) == pytest.approx(3e-5)
    assert float(fit.oval_direction) == pytest.approx(0.4)
    assert float(fit.eccentricity) < 1e-12
    assert float(fit.scatter) < 1e-12


def test_below_six_angles_no_out_of_round_is_claimed() -> None:
    """Five readings with the 2θ part always fit exactly and would hide the scatter."""
    fit = fit_sweep(np.radians([0.0, 72, 144, 216, 288]), [0.0, 2e-5, -1e-5, 3e-5, 0.0], inside=True)
    assert np.isnan(fit.oval)
    assert fit.scatter > 0
    assert np.isnan(fit_sweep(np.radians([0.0, 120, 240]), [0.0, 1e-5, 2e-5], inside=True).scatter)


def test_a_thousand_sweeps_at_once_are_those_one_by_one() -> None:
    off, towards = CHANCE.uniform(0, 4e-4, 1000), CHANCE.uniform(0, 2 * pi, 1000)
    readings = -off[:, None] * np.cos(EIGHT - towards[:, None]) + CHANCE.normal(0, 5e-6, (1000, 8))
    together = fit_sweep(EIGHT, readings, inside=True)
    assert together.eccentricity.shape == (1000,)
    assert together.residuals.shape == (1000, 8)
    for i in (0, 17, 999):
        alone = fit_sweep(EIGHT, readings[i], inside=True)
        assert float(together.eccentricity[i]) == pytest.approx(float(alone.eccentricity), rel=1e-12)
        assert float(together.scatter[i]) == pytest.approx(float(alone.scatter), rel=1e-9)


def test_the_recommended_dowel_is_never_worse_than_doing_nothing() -> None:
    """Over a thousand noisy sweeps, the true residual included: the dowel stands on the fit, not on the truth."""
    off, towards = CHANCE.uniform(0, 27 * THOU, 1000), CHANCE.uniform(0, 2 * pi, 1000)
    readings = -off[:, None] * np.cos(EIGHT - towards[:, None]) + CHANCE.normal(0, 2e-6, (1000, 8))
    fit = fit_sweep(EIGHT, readings, inside=True)
    for e, phi, true, way in zip(fit.eccentricity, fit.direction, off, towards, strict=True):
        best = choose_dowel(float(e), float(phi))[0]
        assert best.residual <= 2 * e + 1e-15
        moved = true * np.array([sin(way), cos(way)]) + best.offset * np.array([sin(best.clock), cos(best.clock)])
        assert np.hypot(*moved) <= true + 1.2e-5


@pytest.mark.parametrize("limit", [BORE_LIMIT, 3 * THOU])
def test_the_bands_no_stock_dowel_reaches(limit: float) -> None:
    for low, high in unreachable(limit=limit):
        best = choose_dowel((low + high) / 4, 0.3, limit=limit)[0]
        assert not best.meets
        inside = choose_dowel((high + 0.1 * THOU) / 2, 0.3, limit=limit)[0]
        assert inside.meets


def test_the_stock_cannot_reach_five_thou_where_the_trade_says_so() -> None:
    """[practice]: near 0.005-0.009, 0.019-0.023 and 0.033-0.037 in; common practice, no source."""
    assert [(round(a / THOU), round(b / THOU)) for a, b in unreachable()] == [(5, 9), (19, 23), (33, 37)]


@given(e=st.floats(1e-5, 7e-4), offset=st.sampled_from(STOCK_DOWELS))
def test_the_slack_of_the_clock_is_where_the_limit_is_met(e: float, offset: float) -> None:
    dowel = next(d for d in choose_dowel(e, 1.0) if d.offset == offset)
    if dowel.meets and dowel.slack < pi:
        assert residual_when_clocked(e, offset, dowel.slack) == pytest.approx(BORE_LIMIT, rel=1e-6)
    assert residual_when_clocked(e, offset, 0.0) == pytest.approx(dowel.residual, abs=1e-9)


def test_both_readings_of_the_rule() -> None:
    assert rule_of_five(5 * THOU, 2.5 * THOU) == (True, True)
    assert rule_of_five(10 * THOU, 5 * THOU) == (False, True)
    assert rule_of_five(11 * THOU, 5.5 * THOU) == (False, False)


@pytest.mark.parametrize(
    ("again", "stands"), [(0.0, True), (1 * THOU, True), (1.1 * THOU, False), (-1.1 * THOU, False)]
)
def test_a_sweep_closes_within_a_thou(again: float, stands: bool) -> None:
    assert closure(0.0, again)[1] is stands


@pytest.mark.parametrize(
    ("angles", "readings", "match"),
    [
        ([0.0, 1.0], [0.0, 1e-5], "2 different angles"),
        ([0.0, 2 * pi, 1.0], [0.0, 0.0, 1e-5], "2 different angles"),
        ([0.0, 1.0, 2.0], [0.0, 1e-5], "2 readings for 3 angles"),
    ],
)
def test_a_circle_needs_three_angles(angles: list[float], readings: list[float], match: str) -> None:
    with pytest.raises(ValueError, match=match):
        fit_sweep(angles, readings, inside=True)


@pytest.mark.parametrize(
    ("degrees", "words"),
    [
        (0, "12 o'clock"),
        (359, "12 o'clock"),
        (90, "3 o'clock"),
        (105, "half past 3"),
        (200, "half past 6"),
        (352, "half past 11"),
    ],
)
def test_a_direction_is_an_hour(degrees: float, words: str) -> None:
    assert pointing(radians(degrees)) == words


# --- a sweep of the record


def swept(off: float, towards: float, *, again: float | None = 0.0, angles: tuple[float, ...] = ()) -> list[Reading]:
    degrees = np.array(angles or tuple(np.degrees(EIGHT)))
    values = dial_in_bore(np.radians(degrees), off, towards)
    found = [
        Reading(f"{a:g}°", float(v), f"{v * 1e3:.3f} mm", "dial", 1e-5) for a, v in zip(degrees, values, strict=True)
    ]
    if again is not None:
        found.append(Reading(f"{degrees[0]:g}° again", again, "0 mm", "dial", 1e-5))
    return found


def judged(readings: list[Reading], check: str = "bore_runout") -> tuple[Finding, Sweep | None]:
    asked = CHECKS[check]
    limit = asked.limit("most")
    sweep = sweep_of(asked, readings, SweepSettings(), limit.value if limit else None)
    base = assess(asked, (), readings, ())
    return judge_sweep(asked, sweep, asked.limits, base, 1e-5), sweep


def test_a_bore_in_line_runs_true() -> None:
    finding, sweep = judged(swept(1 * THOU, 1.0))
    assert finding.verdict == "reuse"
    assert sweep is not None
    assert sweep.passes == (True, True)


def test_a_bore_that_needs_a_dowel_names_it_and_its_clock() -> None:
    finding, sweep = judged(swept(7.5 * THOU, radians(60)))
    assert finding.verdict == "put right"
    assert "0.007 in" in finding_sentence(finding)
    assert "high side towards 8 o'clock" in finding_sentence(finding)
    assert sweep is not None
    assert sweep.dowels[0].residual == pytest.approx(1 * THOU, abs=0.1 * THOU)


def test_a_bore_between_the_dowels_asks_for_a_special_one() -> None:
    finding, _ = judged(swept(3.4 * THOU, 0.5))
    assert "No stocked dowel betters it" in finding_sentence(finding)
    finding, _ = judged(swept(10.4 * THOU, 0.5))
    assert "turned-down or special" in finding_sentence(finding)


def test_a_sweep_that_does_not_close_has_no_verdict_on_the_bore() -> None:
    finding, _ = judged(swept(7 * THOU, 1.0, again=3 * THOU))
    assert finding.verdict == "too close to call"
    assert finding_sentence(finding).startswith("It does not close")


def test_a_sweep_that_was_not_closed_waits_for_it() -> None:
    finding, _ = judged(swept(7 * THOU, 1.0, again=None))
    assert finding.verdict == "open"
    assert "first angle again" in finding_sentence(finding)


def test_near_the_limit_is_too_close_to_call() -> None:
    finding, _ = judged(swept(2.5 * THOU, radians(45)))
    assert finding.verdict == "too close to call"


def test_two_angles_are_no_sweep() -> None:
    finding, sweep = judged(swept(7 * THOU, 1.0)[:2])
    assert sweep is None
    assert finding.verdict == "open"


def test_a_disc_is_centred_by_the_same_tool() -> None:
    """The hub lies towards the shallowest depth; it has to go the other way."""
    theta = np.radians([0.0, 90, 180, 270])
    depths = 0.1 + 1e-3 * -np.cos(theta - radians(90))
    readings = [
        Reading(f"{np.degrees(t):g}°", float(d), "", "depth_gauge", 3e-5) for t, d in zip(theta, depths, strict=True)
    ]
    sweep = sweep_of(CHECKS["disc_centring"], readings, SweepSettings(), 5e-4)
    assert sweep is not None
    assert float(np.degrees(sweep.fit.direction)) == pytest.approx(90.0)


@pytest.mark.parametrize(
    ("typed", "place"),
    [("0", "0°"), ("45°", "45°"), ("112,5", "112.5°"), ("0 again", "0° again"), ("359.9 deg", "359.9°")],
)
def test_an_angle_as_typed(typed: str, place: str) -> None:
    assert read_angle(typed) == place
    assert angle_of(place) is not None


@pytest.mark.parametrize("typed", ["360", "-10", "twelve", "", "1 mm"])
def test_what_is_no_angle(typed: str) -> None:
    with pytest.raises(UnreadableEntry, match="Angle"):
        read_angle(typed)


def test_few_places_miss_the_extremes_so_the_larger_counts() -> None:
    """A circle of 0.006 in read at 0, 80, 170 and 265° shows 0.0048 in, common practice, no source."""
    centre = 0.003 * 25.4e-3
    angles = np.radians([0, 80, 170, 265])
    best = min((np.ptp(centre * np.cos(angles - towards)), towards) for towards in np.linspace(0, 2 * np.pi, 3601))
    fit = fit_sweep(angles, -centre * np.cos(angles - best[1]), inside=True)
    assert float(fit.tir) < 0.75 * 0.006 * 25.4e-3
    assert float(fit.judged) == pytest.approx(0.006 * 25.4e-3)
    out_of_round = fit_sweep(angles, 1e-4 * np.cos(2 * angles), inside=True)
    assert float(out_of_round.judged) == pytest.approx(float(out_of_round.tir))
