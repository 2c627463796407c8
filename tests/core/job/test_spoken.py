"""Forty ways of saying a torque: each is read, asked back, or refused rightly [common practice, no source]."""

from __future__ import annotations

from math import degrees

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.spoken import read_spoken

#: One pound-foot in newton metres [standard: NIST SP 811:2008, appendix B.8].
LB_FT = 1.3558179483


@pytest.mark.parametrize(
    ("said", "aim", "low", "high"),
    [
        ("53 lb-ft", 53, 53, 53),
        ("53 ft-lb", 53, 53, 53),
        ("53 ft lbs", 53, 53, 53),
        ("53 foot pounds", 53, 53, 53),
        ("53 foot-pounds, blue locker", 53, 53, 53),
        ("53lbft", 53, 53, 53),
        ("12 1/2 lb-ft", 12.5, 12.5, 12.5),
        ("14 to 19 ft-lb", 16.5, 14, 19),
        ("14-19 lb-ft", 16.5, 14, 19),
        ("14 – 19 ft. lbs.", 16.5, 14, 19),
        ("between 14 and 19 lb-ft", 16.5, 14, 19),
        ("from 14 to 19 foot pounds, dry", 16.5, 14, 19),
        ("14 lb-ft to 19 lb-ft", 16.5, 14, 19),
        ("53 ft-lb or 72 N·m", 53, 53, 53),
        ("53 lb-ft (72 Nm)", 53, 53, 53),
        ("53 lb-ft = 71.9 Nm", 53, 53, 53),
        ("150 inch pounds", 12.5, 12.5, 12.5),
        ("150 in-lb", 12.5, 12.5, 12.5),
    ],
)
def test_one_figure_and_a_range(said: str, aim: float, low: float, high: float) -> None:
    found = read_spoken(said)
    assert found.how == "figure"
    assert [found.torque, found.low, found.high] == pytest.approx([t * LB_FT for t in (aim, low, high)])
    assert (found.angle, found.stages, found.sizes) == (0.0, (), ())


@pytest.mark.parametrize(
    ("said", "torque"),
    [
        ("72 N·m", 72),
        ("72 Nm", 72),
        ("72 newton metres", 72),
        ("19,8 N·m", 19.8),
        ("7.3 kgm", 71.588545),
        ("72 N·m or 53 ft-lb", 72),
        ("72", 72),
    ],
)
def test_metric_figures(said: str, torque: float) -> None:
    """[standard: NIST SP 811:2008, appendix B.8: 1 kgf·m = 9.80665 N·m]"""
    assert read_spoken(said).torque == pytest.approx(torque)


@pytest.mark.parametrize(
    ("said", "stages"),
    [
        ("15, 20, 25 lb-ft", (15, 20, 25)),
        ("15,20,25 lb-ft", (15, 20, 25)),
        ("15/20/25 lb-ft", (15, 20, 25)),
        ("35; 55; 75 lb-ft", (35, 55, 75)),
        ("25 then 35 foot pounds", (25, 35)),
        ("25 lb-ft then 35 lb-ft, new bolts", (25, 35)),
        ("35 lb-ft in two stages", (17.5, 35)),
        ("36 ft-lb in three passes, oiled", (12, 24, 36)),
        ("36 lb-ft in thirds", (12, 24, 36)),
    ],
)
def test_stages_take_the_unit_of_the_last_and_end_at_the_figure(said: str, stages: tuple[float, ...]) -> None:
    found = read_spoken(said)
    assert found.stages == pytest.approx(tuple(t * LB_FT for t in stages))
    assert found.torque == pytest.approx(stages[-1] * LB_FT)


@pytest.mark.parametrize(
    ("said", "sizes"),
    [
        ("28 and 53 lb-ft", {"large": 53, "small": 28}),
        ("53 large, 28 small, lb-ft", {"large": 53, "small": 28}),
        ("53 lb-ft large, 28 lb-ft small", {"large": 53, "small": 28}),
        ("28 lb-ft for the small ones and 53 lb-ft for the large ones", {"large": 53, "small": 28}),
        ("M8 18 lb-ft, M10 37 lb-ft", {"M10": 37, "M8": 18}),
        ("M10: 37, M8: 18 lb-ft", {"M10": 37, "M8": 18}),
        ("30 upper, 25 lower lb-ft", {"upper": 30, "lower": 25}),
    ],
)
def test_one_joint_with_two_sizes_has_two_figures(said: str, sizes: dict[str, float]) -> None:
    found = read_spoken(said)
    assert {s.size: round(s.torque / LB_FT, 6) for s in found.sizes} == sizes
    assert found.torque == pytest.approx(max(sizes.values()) * LB_FT)


@pytest.mark.parametrize(
    ("said", "torque", "angle"),
    [
        ("44 lb-ft + 90°", 44, 90),
        ("44 lb-ft + 90", 44, 90),
        ("22 ft-lb plus a quarter turn", 22, 90),
        ("22 lb-ft, then a quarter turn", 22, 90),
        ("22 lb-ft and 1/4 turn", 22, 90),
        ("19.8 lb-ft then 120 degrees", 19.8, 120),
        ("19.8 lb-ft + a third of a turn", 19.8, 120),
        ("40 lb-ft + half a turn", 40, 180),
        ("30 lb-ft plus three quarters of a turn", 30, 270),
    ],
)
def test_torque_and_a_turn(said: str, torque: float, angle: float) -> None:
    found = read_spoken(said)
    assert found.torque == pytest.approx(torque * LB_FT)
    assert degrees(found.angle) == pytest.approx(angle)


@pytest.mark.parametrize(
    ("said", "how"),
    [
        ("snug", "by_feel"),
        ("by feel", "by_feel"),
        ("no room for the wrench", "by_feel"),
        ("hand tight", "by_feel"),
        ("snug + 90°", "by_feel"),
        ("no figure known", "none_known"),
        ("don't know", "none_known"),
    ],
)
def test_what_is_no_figure_is_said_so(said: str, how: str) -> None:
    assert read_spoken(said).how == how


@pytest.mark.parametrize(
    ("said", "asks"),
    [
        ("72 N·m or 60 ft-lb", "differ by 13 %; which one"),
        ("53 pounds", "is it lb-ft or lb-in"),
        ("53 psi", "no unit of torque"),
        ("53 or 28 lb-ft", "not understood|no unit"),
        ("19 to 14 lb-ft", "from the smaller to the larger"),
        ("25, 20, 15 lb-ft", "stages go further each time"),
        ("90°", "say the torque before the angle"),
        ("a quarter turn", "say the torque before the angle"),
        ("5000 N·m", "between 0 and 1000"),
        ("0 N·m", "between 0 and 1000"),
        ("-5 N·m", "not understood"),
        ("tight", "not understood"),
        ("large 53, large 28 lb-ft", "one size has two figures"),
        ("x" * 300, "too long"),
        ("", "not understood"),
    ],
)
def test_what_could_be_two_things_is_asked_and_the_rest_refused(said: str, asks: str) -> None:
    with pytest.raises(UnreadableEntry, match=asks):
        read_spoken(said)


def test_what_goes_with_a_figure_stays_with_it() -> None:
    assert read_spoken("53 large, 28 small lb-ft, blue locker, new washers").words == "blue locker, new washers"
    assert read_spoken("19 lb-ft with oil").words == "oil"
