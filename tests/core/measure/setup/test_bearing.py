"""A concentric bearing's reserve: the trade's worked cases, every stack by brute force, and what it says."""

from __future__ import annotations

from itertools import combinations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from liftbite.core.analysis.life import Life, life
from liftbite.core.job.build import Build, build_of
from liftbite.core.measure.setup.bearing import (
    ALIKE,
    NOMINAL,
    RULE,
    bearing_reserve,
    bearing_stacks,
    computed_window,
    reserve_window,
)
from liftbite.core.measure.setup.calculation import Window
from liftbite.core.units.constants import INCH
from tests.core.measure.setup.steps import NO_STROKE, found, told
from tests.jobs import CAR, FULL, PULLED, entries

THICK = st.floats(0.5e-3, 8e-3)


@pytest.mark.parametrize(
    ("x", "y", "spacers", "left"),
    [
        (3.21875, 2.5, (), 0.719),
        (3.21875, 2.5, (0.509,), 0.210),
        (2.880, 2.402, (), 0.478),
        (2.880, 2.402, (0.25,), 0.228),
        (3.75, 3.325, (), 0.425),
    ],
)
def test_reserves_of_the_trade(x: float, y: float, spacers: tuple[float, ...], left: float) -> None:
    """[practice]: common practice, no source; X, Y and spacers in inches."""
    found = bearing_reserve(x * INCH, y * INCH, [s * INCH for s in spacers]) / INCH
    assert found == pytest.approx(left, abs=0.0006)


def test_the_stack_nearest_the_middle_is_named_from_measured_thicknesses() -> None:
    spacers = [t * INCH for t in (0.254, 0.255, 0.12)]
    best = bearing_stacks(3.21875 * INCH, 2.5 * INCH, spacers, RULE)[0]
    assert best.pieces == (0, 1)
    assert best.reserve / INCH == pytest.approx(0.210, abs=0.0006)
    assert not any(s.in_window for s in bearing_stacks(3.0 * INCH, 2.9 * INCH, spacers, RULE))


def test_the_rule_of_thumb_covers_little_wear() -> None:
    """1/8 in at R_d 4 covers only 0.79 mm of total wear [practice]."""
    assert pytest.approx(0.79, abs=0.005) == 0.125 * INCH / 4 * 1e3
    window = reserve_window(0.0014, 4.0, 0.0065, 0.020)
    assert window.low > RULE.low
    assert reserve_window(0.004, 4.0, 0.0065, 0.012).low > reserve_window(0.004, 4.0, 0.0065, 0.012).high


@pytest.mark.parametrize(
    ("x", "y", "spacers", "pieces", "left"),
    [
        (3.21875, 2.5, (0.254, 0.255), (0, 1), 0.210),  # 3 7/32 in less 2.5 in, two spacers measured 0.509 together
        (2.880, 2.402, (0.25,), (0,), 0.228),
        (2.65, 2.402, (0.25, 0.1), (), 0.248),
    ],
)
def test_the_worked_cases_of_the_trade(
    x: float, y: float, spacers: tuple[float, ...], pieces: tuple[int, ...], left: float
) -> None:
    """Common practice, no source."""
    best = bearing_stacks(x * INCH, y * INCH, [s * INCH for s in spacers])[0]
    assert best.pieces == pieces
    assert best.reserve / INCH == pytest.approx(left, abs=1e-3)
    assert best.in_rule


def test_over_the_nominal_a_shim_is_needed() -> None:
    """Common practice, no source: X 3.75, Y 3.325 leaves 0.425."""
    bare = bearing_stacks(3.75 * INCH, 3.325 * INCH, [])[0]
    assert bare.reserve / INCH == pytest.approx(0.425)
    assert not bare.in_rule
    assert bearing_stacks(3.75 * INCH, 3.325 * INCH, [0.18 * INCH])[0].pieces == (0,)


@settings(max_examples=60)
@given(
    x=st.floats(0.05, 0.1),
    gap=st.floats(0.002, 0.03),
    spacers=st.lists(THICK, max_size=5),
    low=st.floats(1e-3, 6e-3),
    width=st.floats(0, 8e-3),
)
def test_the_best_stack_is_best_by_brute_force(
    x: float, gap: float, spacers: list[float], low: float, width: float
) -> None:
    window = Window(low, low + width)
    found = bearing_stacks(x, x - gap, spacers, window)
    assert len(found) == 2 ** len(spacers)
    every = [gap - sum(c) for n in range(len(spacers) + 1) for c in combinations(spacers, n)]
    if any(window.low <= c <= window.high for c in every):
        assert found[0].in_window
        off = abs(found[0].reserve - (low + width / 2))
        assert off <= min(abs(c - low - width / 2) for c in every) + ALIKE
        fewer = [s for s in found if s.in_window and len(s.pieces) < len(found[0].pieces)]
        assert all(abs(s.reserve - (low + width / 2)) > off - ALIKE for s in fewer)
    else:
        assert not any(s.in_window for s in found if abs(s.reserve - window.low) > 1e-8 < abs(s.reserve - window.high))


def test_the_computed_window_outranks_the_rule() -> None:
    """1/8 in at a lever ratio of 4 covers 0.79 mm of wear alone, so a window that asks for more is followed."""
    window = Window(10e-3, 13e-3)
    found = bearing_stacks(0.080, 0.068, [0.25 * INCH], window)
    assert found[0].pieces == ()
    assert not found[0].in_rule
    assert found[1].in_rule
    assert found[1].in_window is False


def test_doubt_at_the_edge_of_a_window_is_said() -> None:
    stack = bearing_stacks(0.08, 0.08 - RULE.high + 1e-5, [], doubt=4e-5)[0]
    assert not stack.sure
    assert bearing_stacks(0.08, 0.08 - NOMINAL, [], doubt=4e-5)[0].sure


def test_the_computed_window_covers_the_wear_to_come() -> None:
    build = build_of(entries(FULL, slave_stroke="25 mm"))
    window = computed_window(build)
    assert window is not None
    v = build.evaluate(("wear_limit", "release_lever_ratio"))
    assert window.low == pytest.approx(float(v["wear_limit"] * v["release_lever_ratio"]) + 0.5e-3)
    worn = computed_window(build_of(entries(FULL, slave_stroke="25 mm", wear="0.5 mm")))
    assert worn is not None
    assert worn.low < window.low
    assert computed_window(build_of(entries(NO_STROKE))) is None


@pytest.mark.parametrize(
    ("typed", "x", "y", "spacers", "says"),
    [
        (NO_STROKE, 70, 75, {}, "already meets the fingers"),
        (NO_STROKE, 80, 73.5, {}, "With no spacer the reserve is 6.5 mm"),
        (NO_STROKE, 80, 60, {"Spacer 1": 2}, "No stack at hand falls in 1/8 to 3/8 in. Nearest: with Spacer 1"),
        (NO_STROKE, 80, 70.475, {}, "stands on the doubt of the readings"),
        (FULL | {"slave_stroke": "12 mm"}, 80, 70, {}, "No reserve serves"),
        (FULL | {"slave_stroke": "30 mm"}, 80, 40, {}, "No stack at hand falls between"),
        (FULL | {"slave_stroke": "30 mm"}, 80, 68, {}, "It lies outside the rule of 1/8 to 3/8 in, which counts less"),
    ],
)
def test_what_a_bearings_sum_says(
    typed: dict[str, str], x: float, y: float, spacers: dict[str, float], says: str
) -> None:
    words = told("bearing", typed, depth_x={"At 12": x}, depth_y={"At 12": y}, spacers=spacers)
    assert says in words.sentence
    assert any("3.175 mm (0.125 in) to 9.525 mm (0.375 in)" in line for line in words.working)
    assert any("It outranks the rule" in line for line in words.working) == ("slave_stroke" in typed)


def test_a_bearing_that_springs_back_crosses_its_reserve_on_every_stroke() -> None:
    """[practice]: 6.35 mm at 1000 mm² is 22 mm of a 19 mm master."""
    job = FULL | {"master_diameter": "19 mm"}
    area = build_of(entries(job)).evaluate(("slave_area",))["slave_area"]
    bearing = found("bearing", job, depth_x={"At 12": 76.35}, depth_y={"At 12": 70.0})
    assert bearing is not None
    assert bearing.crossing is not None
    assert bearing.crossing * (1000e-6 / float(area)) == pytest.approx(22.4e-3, rel=2e-3)
    assert "springs fully back" in " ".join(
        told("bearing", job, depth_x={"At 12": 76.35}, depth_y={"At 12": 70}).working
    )
    assert "springs" not in " ".join(told("bearing", CAR, depth_x={"At 12": 76.35}, depth_y={"At 12": 70}).working)


def test_a_pulled_cover_has_a_window_of_its_own() -> None:
    """Release stroke at the low end, wear at the high end: the other way round than a push cover's [practice]."""
    job = FULL | PULLED | {"slave_stroke": "25 mm"}
    build = build_of(entries(job))
    v = build.evaluate(("wear_limit", "release_lever_ratio", "plate_lift_available", "finger_flex"))
    ratio = float(v["release_lever_ratio"])
    window = computed_window(build)
    assert window is not None
    release = float(v["plate_lift_available"]) * ratio / float(v["finger_flex"])
    assert window.low == pytest.approx(release + 0.5e-3)
    assert window.high == pytest.approx(25e-3 - float(v["wear_limit"]) * ratio - 0.5e-3)
    words = told("bearing", job, depth_x={"At 12": 80}, depth_y={"At 12": 70})
    assert "for the stroke and" in words.sentence or "falls between" in words.sentence
    assert "1/8 to 3/8 in, is for push covers" in " ".join(words.working)
    bare = told("bearing", NO_STROKE | PULLED, depth_x={"At 12": 80}, depth_y={"At 12": 70})
    assert "no rule of thumb does" in bare.sentence


def test_a_pulled_bearing_comes_to_either_end_of_its_sleeve() -> None:
    """Releasing it comes back, wearing it goes out: one end of the sleeve for each."""
    held = build_of(entries(FULL, **PULLED, slave_stroke="25 mm", bearing_reserve="4 mm"))
    far = build_of(entries(FULL, **PULLED, slave_stroke="25 mm", bearing_reserve="22 mm"))
    assert float(held.evaluate(("pedal_at_sleeve_end",))["pedal_at_sleeve_end"]) < 0.15
    assert float(far.evaluate(("pedal_at_sleeve_end",))["pedal_at_sleeve_end"]) == float("inf")
    assert "sleeve" in {name for name, _ in life_of(far).ends}
    wear = dict(life_of(far).ends)["sleeve"]
    ratio = float(far.evaluate(("release_lever_ratio",))["release_lever_ratio"])
    assert wear == pytest.approx((25e-3 - 22e-3 - 0.5e-3) / ratio)


def life_of(build: Build) -> Life:
    found = life(build, stage=build.stage, friction=0.0)
    assert isinstance(found, Life)
    return found


def test_a_fork_has_no_reserve_to_set_up() -> None:
    from liftbite.core.measure.checks import checks_for

    assert {"depth_x", "depth_y", "spacers"} <= {c.name for c in checks_for(build_of(entries(FULL)))}
    assert not {"depth_x", "depth_y", "spacers"} & {
        c.name for c in checks_for(build_of(entries(CAR, release="hydraulic_fork")))
    }


SPACERS = {"Spacer 1": 6.3, "Spacer 2": 3.2}


def test_the_stack_that_is_fitted_is_what_counts() -> None:
    """Two spacers at hand of which one is fitted: its reserve is told and entered, not that of the stack proposed."""
    readings = {"depth_x": {"At 12": 80.0}, "depth_y": {"At 12": 68.0}, "spacers": SPACERS}
    proposed, one = (found("bearing", NO_STROKE, fitted=fitted, **readings) for fitted in ("", "2"))
    assert proposed is not None
    assert one is not None
    assert proposed.fitted == proposed.stacks[0]
    assert one.fitted.pieces == (1,)
    assert one.fitted.reserve == pytest.approx(8.8e-3)
    assert "Fitted with Spacer 2: the reserve is 8.8 mm" in told("bearing", NO_STROKE, fitted="2", **readings).sentence
    outside = told("bearing", NO_STROKE, fitted="none", **readings).sentence
    assert "outside" in outside
    assert "With Spacer 1" in outside


def test_where_nothing_at_hand_serves_the_thickness_to_get_is_named() -> None:
    words = told("bearing", NO_STROKE, depth_x={"At 12": 80}, depth_y={"At 12": 60}).sentence
    assert f"Get {20 - 9.525:.5g} mm" in words
    assert f"to {20 - 3.175:.5g} mm" in words
