"""How a verdict was worked out: the lines say what the verdict did, figure by figure."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.measure.check import Place
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.explained import finding_explained, sweep_explained
from liftbite.core.measure.judgement import assess
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.runout import SweepSettings
from liftbite.core.measure.sweep import sweep_of

PLATES = CHECKS["plate_thickness"]


def lines(mm: float, rule: str = "full") -> tuple[str, ...]:
    readings = [Reading("Plate 1", mm / 1e3, f"{mm} mm", "caliper", 3e-5)]
    finding = assess(PLATES, [Place("Plate 1")], readings, PLATES.limits, rule)
    return finding_explained(PLATES, finding, PLATES.limits, rule)


def test_a_plate_is_explained_to_its_life() -> None:
    inside, guard, life = lines(2.85)
    assert inside.startswith("Inside the limit by 2.85 mm (0.1122 in) − 2.8 mm (0.1102 in) = 0.05 mm")
    assert guard.startswith("Guard band 1 · U = 0.03 mm")
    assert "ISO 14253-1:2017" in guard
    assert "(3 mm (0.1181 in) − 2.85 mm (0.1122 in))/(3 mm (0.1181 in) − 2.8 mm (0.1102 in)) = 75 %, 60 to 90 %" in life


def test_the_shops_guard_rule_is_the_one_that_is_told() -> None:
    assert lines(2.85, "share95")[1].startswith("Guard band 0.82 · U = 0.025 mm")


def test_outside_is_a_minus() -> None:
    assert "= −0.1 mm" in lines(2.7)[0]


def test_an_upper_limit_is_taken_the_other_way_round() -> None:
    warp = CHECKS["plain_warp"]
    finding = assess(warp, [Place("a")], [Reading("a", 1e-4, "0.1 mm", "feeler", 2.5e-5)], warp.limits)
    assert finding_explained(warp, finding, warp.limits, "full")[0].startswith(
        "Inside the limit by 0.2 mm (0.0079 in) − 0.1 mm"
    )


def test_a_spread_says_that_it_is_of_two_readings() -> None:
    fingers = CHECKS["finger_height"]
    readings = [
        Reading("Finger 1", 40e-3, "", "depth_gauge", 3e-5),
        Reading("Finger 2", 40.2e-3, "", "depth_gauge", 3e-5),
    ]
    finding = assess(fingers, [Place("Finger 1"), Place("Finger 2")], readings, fingers.limits)
    assert "√(U₁² + U₂²), of two readings, = 0.042 mm" in finding_explained(fingers, finding, fingers.limits, "full")[1]


def test_nothing_held_against_anything_is_not_explained() -> None:
    thickness = CHECKS["flywheel_thickness"]
    finding = assess(thickness, [Place("At 12")], [Reading("At 12", 24e-3)], thickness.limits)
    assert finding_explained(thickness, finding, thickness.limits, "full") == ()


@pytest.mark.parametrize(("check", "sign"), [("bore_runout", "d = −r"), ("flywheel_runout", "d = r")])
def test_a_sweep_says_its_sign_its_fit_and_its_dowel(check: str, sign: str) -> None:
    angles = np.arange(0, 360, 45.0)
    readings = [Reading(f"{a:g}°", -1.8e-4 * float(np.cos(np.radians(a - 60))), "", "dial", 1e-5) for a in angles]
    sweep = sweep_of(CHECKS[check], readings, SweepSettings(), 127e-6)
    assert sweep is not None
    said = sweep_explained(CHECKS[check], sweep)
    assert sign in said[0]
    assert ("off centre, = 0.18 mm" if check == "bore_runout" else "half the lean, = 0.18 mm") in said[2]
    assert "n = 8" in said[2]
    assert (len(said) == 4) == (check == "bore_runout")
    if check == "bore_runout":
        assert "2·|0.18 mm (0.0071 in) − 0.178 mm (0.007 in)| = 0.004 mm" in said[3]
