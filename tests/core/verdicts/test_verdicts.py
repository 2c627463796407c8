"""The four verdicts, tolerance and sensitivity."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.analysis.tolerance import Spread, Tolerance, sensitivity, spread, tolerances
from liftbite.core.graph.graph import Needs
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.cure import soonest
from liftbite.core.verdicts.words import verdict_sentence
from tests.jobs import CAR, FULL, built, entries


def states(**changes: str | None) -> dict[str, str]:
    found = answer(entries(FULL, **changes))
    return {v.question: v.state for v in (found.verdict, *found.others)}


def test_every_question_answers_a_job_with_everything_entered() -> None:
    assert states() == {"bite": "thin", "lift": "thin", "heat": "stays", "true": "runs true"}


def test_each_question_can_be_mended() -> None:
    mended = states(
        diaphragm_thickness="3.3 mm",
        pressure_limit="1 MPa",
        spline_engagement="60 mm",
        damper_stop_torque="900 N·m",
        master_diameter="7/8 in",
        effort_limit="400 N",
        flywheel_strength="900 MPa",
        shaft_diameter="30 mm",
        bolt_torque="120 N·m",
        bolt_diameter="12 mm",
    )
    assert mended == {"bite": "holds", "lift": "frees", "heat": "stays", "true": "runs true"}


@pytest.mark.parametrize(
    ("clearance", "inner_wear", "state", "says"),
    [
        ("0.022 in", "0 mm", "frees", ""),
        ("0.004 in", "0 mm", "drags", "the inner disc 0.102 mm"),
        ("0.022 in", "1.4 mm", "drags", "leaves the outer disc"),
        ("0.080 in", "0 mm", "drags", "leaves the outer disc"),
    ],
)
def test_a_floater_that_stops_at_the_wrong_place_drags(clearance: str, inner_wear: str, state: str, says: str) -> None:
    """However far the plate lifts, one of a twin's discs stays where the floater leaves it."""
    twin = FULL | {
        "disc_count": "2",
        "cushion_travel": "0 mm",
        "disc_wobble": "0.1 mm",
        "effort_limit": "900 N",
        "master_diameter": "7/8 in",
    }
    lift = answer(entries(twin, floater_clearance=clearance, inner_wear=inner_wear)).others[0]
    weakest = min(lift.links, key=lambda link: link.reserve)
    assert (lift.state == "drags") == (state == "drags"), verdict_sentence(lift)
    assert weakest.name == "floater_margin" or state == "frees"
    assert says in verdict_sentence(lift)
    assert "floater" in verdict_sentence(answer(entries(twin, floater_clearance=None)).others[0])
    single = answer(entries(FULL, floater_clearance="0.004 in")).others[0]
    assert all(link.name != "floater_margin" for link in single.links)


def test_the_fuse_names_what_breaks_first() -> None:
    found = answer(entries(FULL, shaft_diameter="18 mm", diaphragm_thickness="3.3 mm", pressure_limit="1 MPa"))
    weakest = min(found.verdict.links, key=lambda link: link.reserve)
    assert (weakest.name, found.verdict.state) == ("shaft_margin", "look again")
    assert "input shaft" in verdict_sentence(found.verdict)


def test_what_is_not_entered_is_said_not_to_be_looked_at() -> None:
    true = answer(entries(FULL, residual_unbalance=None, disc_burst_speed=None)).others[2]
    assert "Not looked at: balance." in verdict_sentence(true)
    lift = answer(entries(FULL, slave_stroke=None)).others[0]
    assert "Not looked at: slave stroke" in verdict_sentence(lift)


def test_only_bite_is_answered_where_only_bite_is_entered() -> None:
    found = answer(entries(CAR))
    assert [v.state for v in found.others] == ["open", "open", "open"]
    assert "master_diameter" in found.others[0].needs


def test_overtravel_asks_for_a_pedal_stop() -> None:
    lift = answer(entries(FULL, master_diameter="7/8 in", plate_lift_limit="1.2 mm")).others[0]
    assert lift.state == "look again"
    assert "set a pedal stop" in verdict_sentence(lift)


def test_soonest_mended_by_the_smallest_change_that_does() -> None:
    found = answer(entries(FULL))
    ways = soonest(found.build, found.others[0])
    assert ways
    assert all(w.reached for w in ways)
    again = found.build.evaluate(("lift_margin",), **{ways[0].quantity: ways[0].crossings[0]})
    assert again["lift_margin"] == pytest.approx(1.1, rel=1e-6)
    assert soonest(found.build, found.others[1]) == []


# --- tolerance


def test_tolerances_are_read_as_typed() -> None:
    build = built(FULL, outer_diameter="240 ± 0.5 mm", pedal_ratio="5.6 +/- 0.1")
    assert tolerances(build) == {"outer_diameter": Tolerance(0.0005), "pedal_ratio": Tolerance(pytest.approx(0.1))}
    assert build.known["outer_diameter"] == 0.24


def test_a_product_has_the_spread_its_factors_give() -> None:
    """m = N·μ·F·r/T is a product, so relative uncertainties add in squares; Monte Carlo agrees."""
    build = built(CAR)
    spreads = {"cover_clamp": Tolerance(180.0, "standard"), "peak_torque": Tolerance(4.0, "standard")}
    found = spread(build, "bite_margin", stage=0, spreads=spreads, target=1.125)
    assert isinstance(found, Spread)
    relative = np.hypot(180 / 9000, 4 / 400)
    assert found.rss / found.nominal == pytest.approx(relative, rel=1e-3)
    assert found.worst < found.low < found.nominal < found.high < found.best
    flat = spread(build, "clamp_load", stage=0, spreads={"cover_clamp": Tolerance(180.0, "standard")}, target=9000.0)
    assert isinstance(flat, Spread)
    assert flat.deviation == pytest.approx(180, rel=0.02)
    assert flat.short == pytest.approx(0.5, abs=0.01)


def test_limits_are_as_likely_everywhere_between() -> None:
    found = spread(built(CAR), "clamp_load", stage=0, spreads={"cover_clamp": Tolerance(300.0)}, target=8850.0)
    assert isinstance(found, Spread)
    assert found.rss == pytest.approx(300 / np.sqrt(3))
    assert found.short == pytest.approx(0.25, abs=0.01)
    assert (found.worst, found.best) == (pytest.approx(8700), pytest.approx(9300))


@pytest.mark.parametrize(
    ("press", "thick"),
    [("4.1 ± 0.6 mm", "2.8 ± 0.05 mm"), ("3.9 ± 0.3 mm", "2.8 ± 0.02 mm"), ("6.4 ± 0.5 mm", "2.6 ± 0.04 mm")],
)
def test_the_worst_case_is_that_of_brute_force(press: str, thick: str) -> None:
    """A diaphragm near its peak or its valley gives less, or more, on both sides of where it stands."""
    build = built(FULL, diaphragm_set=press, diaphragm_thickness=thick, cover_clamp=None)
    found = spread(build, "clamp_load", stage=0)
    assert isinstance(found, Spread)
    half = {n: t.half for n, t in tolerances(build).items()}
    x, t = (
        np.linspace(build.known[n] - half[n], build.known[n] + half[n], 301)
        for n in ("diaphragm_set", "diaphragm_thickness")
    )
    every = build.evaluate(("clamp_load",), diaphragm_set=x[:, None], diaphragm_thickness=t[None, :])["clamp_load"]
    assert found.worst == pytest.approx(float(every.min()), rel=2e-3)
    assert found.best == pytest.approx(float(every.max()), rel=2e-3)
    assert found.worst <= found.nominal <= found.best


def test_a_spread_of_something_missing_says_so() -> None:
    assert isinstance(spread(built(CAR), "lift_margin", stage=0), Needs)


def test_sensitivity_is_the_exponent_of_a_product() -> None:
    found = {e.quantity: e.elasticity for e in sensitivity(built(CAR), "bite_margin", stage=0, friction=-1)}
    assert found["cover_clamp"] == pytest.approx(1.0, abs=1e-6)
    assert found["peak_torque"] == pytest.approx(-1.0, abs=1e-3)
    assert found["friction_low"] == pytest.approx(1.0, abs=1e-3)
    assert found["outer_diameter"] == pytest.approx(0.6, abs=1e-3), "r_e = (D_o + D_i)/4, D_o 240 of 400"
    ranked = [abs(v) for v in found.values()]
    assert ranked == sorted(ranked, reverse=True)


def test_of_several_crossings_the_nearest_comes_first_with_its_own_direction() -> None:
    """A concentric slave lifts enough when a little smaller; far smaller would cross again on the other side."""
    from liftbite.core.analysis.goal_seek import seek

    build = built(FULL)
    found = seek(build, "lift_margin", 1.1, "slave_outer_diameter", stage=0, friction=0)
    assert found is not None
    assert found.reached
    now = build.known["slave_outer_diameter"]
    assert abs(found.crossings[0] - now) == min(abs(c - now) for c in found.crossings)
    assert not found.at_least
    smaller = build.evaluate(("lift_margin",), slave_outer_diameter=found.crossings[0] - 1e-5)["lift_margin"]
    assert smaller > 1.1
