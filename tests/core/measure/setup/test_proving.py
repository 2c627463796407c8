"""The set-up proved from readings: the trade's worked cases, and every stack and shim against brute force."""

from __future__ import annotations

from itertools import combinations, product

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from liftbite.core.measure.setup.fitting import Window
from liftbite.core.measure.setup.proving import (
    ALIKE,
    FLOATER,
    INCH,
    NOMINAL,
    RULE,
    THOU,
    air_left,
    bearing_stacks,
    floater_stands,
    fork_change,
    shaft_reach,
    shims_for_float,
)
from liftbite.core.quantities.release import inner_gap, outer_gap

THICK = st.floats(0.5e-3, 8e-3)


@pytest.mark.parametrize(("x", "y", "spacers", "pieces", "left"), [
    (3.21875, 2.5, (0.254, 0.255), (0, 1), 0.210),  # 3 7/32 in less 2.5 in, two spacers measured 0.509 together
    (2.880, 2.402, (0.25,), (0,), 0.228),
    (2.65, 2.402, (0.25, 0.1), (), 0.248),
])  # fmt: skip
def test_the_worked_cases_of_the_trade(x: float, y: float, spacers: tuple[float, ...], pieces: tuple[int, ...],
                                       left: float) -> None:  # fmt: skip
    """Common practice, no source."""
    best = bearing_stacks(x * INCH, y * INCH, [s * INCH for s in spacers])[0]
    assert best.pieces == pieces
    assert best.cushion / INCH == pytest.approx(left, abs=1e-3)
    assert best.in_rule


def test_over_the_nominal_a_shim_is_needed() -> None:
    """Common practice, no source: X 3.75, Y 3.325 leaves 0.425."""
    bare = bearing_stacks(3.75 * INCH, 3.325 * INCH, [])[0]
    assert bare.cushion / INCH == pytest.approx(0.425)
    assert not bare.in_rule
    assert bearing_stacks(3.75 * INCH, 3.325 * INCH, [0.18 * INCH])[0].pieces == (0,)


@settings(max_examples=60)
@given(x=st.floats(0.05, 0.1), gap=st.floats(0.002, 0.03), spacers=st.lists(THICK, max_size=5),
       low=st.floats(1e-3, 6e-3), width=st.floats(0, 8e-3))  # fmt: skip
def test_the_best_stack_is_best_by_brute_force(
    x: float, gap: float, spacers: list[float], low: float, width: float
) -> None:
    window = Window(low, low + width)
    found = bearing_stacks(x, x - gap, spacers, window)
    assert len(found) == 2 ** len(spacers)
    every = [gap - sum(c) for n in range(len(spacers) + 1) for c in combinations(spacers, n)]
    if any(window.low <= c <= window.high for c in every):
        assert found[0].in_window
        assert abs(found[0].cushion - (low + width / 2)) == pytest.approx(
            min(abs(c - low - width / 2) for c in every), abs=1e-9
        )
    else:
        assert not any(s.in_window for s in found if abs(s.cushion - window.low) > 1e-8 < abs(s.cushion - window.high))


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


def test_too_many_pieces_are_not_tried() -> None:
    with pytest.raises(ValueError, match="10 at most"):
        bearing_stacks(0.08, 0.07, [1e-3] * 11)
    with pytest.raises(ValueError, match="10 at most"):
        floater_stands([5e-4] * 3, [1e-4] * 11, opens=True)
    with pytest.raises(ValueError, match="10 at most"):
        shims_for_float(5e-4, [1e-4] * 11)


@pytest.mark.parametrize("opens", [True, False])
def test_shims_of_the_floater_are_the_best_by_brute_force(opens: bool) -> None:
    gaps = [t * THOU for t in ((15, 21, 18) if opens else (30, 26, 28))]
    shims = [t * THOU for t in (3, 5, 7, 2)]
    found = floater_stands(gaps, shims, opens=opens)
    assert found.in_window
    assert found.alike
    sign = 1 if opens else -1
    stacks = [c for n in range(3) for c in combinations(range(4), n)]
    fewest = min(
        sum(map(len, p))
        for p in product(stacks, repeat=3)
        if len({i for c in p for i in c}) == sum(map(len, p))
        and all(
            FLOATER.low - 1e-9 <= g + sign * sum(shims[i] for i in c) <= FLOATER.high + 1e-9
            for g, c in zip(gaps, p, strict=True)
        )
        and np.ptp([g + sign * sum(shims[i] for i in c) for g, c in zip(gaps, p, strict=True)]) <= ALIKE + 1e-9
    )
    assert sum(map(len, found.pieces)) == fewest


def test_a_shim_is_used_once_and_the_wrong_way_is_no_help() -> None:
    gaps = [15 * THOU] * 3
    found = floater_stands(gaps, [7 * THOU], opens=True)
    assert sum(map(len, found.pieces)) == 1
    assert not found.in_window
    closing = floater_stands(gaps, [7 * THOU, 5 * THOU], opens=False)
    assert closing.pieces == ((), (), ())


def test_good_stands_want_no_shims() -> None:
    found = floater_stands([22 * THOU, 23 * THOU, 22.5 * THOU], [2 * THOU], opens=True)
    assert found.pieces == ((), (), ())
    with pytest.raises(ValueError, match="no gap"):
        floater_stands([], [], opens=True)


def test_the_inner_discs_wear_takes_the_outer_discs_gap() -> None:
    """Handbook's case: lift 0.045 in, f 0.022 in and 0.5 mm of inner wear leave the outer disc 0.003 in."""
    inner, outer = inner_gap(22 * THOU, 0.0, 0.5e-3), outer_gap(45 * THOU, 22 * THOU, 0.0, 0.5e-3)
    assert outer / THOU == pytest.approx(3.3, abs=0.1)
    assert inner + outer == pytest.approx(45 * THOU)


@pytest.mark.parametrize(("depths", "engagement", "full", "touches"), [
    ((0.190, 0.165, 0.003, 0.004, 0.0, 0.016, 0.010), 18e-3, True, False),
    ((0.175, 0.165, 0.003, 0.004, 0.0, 0.016, 0.010), 3e-3, False, False),
    ((0.150, 0.165, 0.003, 0.004, 0.0, 0.016, 0.010), -22e-3, False, False),
    ((0.199, 0.165, 0.003, 0.004, 0.0, 0.016, 0.010), 27e-3, True, True),
    ((0.190, 0.165, 0.003, 0.004, 0.002, 0.016, 0.010), 20e-3, True, False),
])  # fmt: skip
def test_a_shaft_is_checked_at_both_ends(
    depths: tuple[float, ...], engagement: float, full: bool, touches: bool
) -> None:
    found = shaft_reach(*depths)
    assert found.engagement == pytest.approx(engagement)
    assert (found.full, found.touches) == (full, touches)
    assert found.engagement + found.clear == pytest.approx(depths[5] + depths[6])


@given(end=st.floats(0, 2e-3), shims=st.lists(st.floats(5e-5, 1e-3), max_size=6))
def test_shims_never_take_more_than_the_float(end: float, shims: list[float]) -> None:
    pieces, left = shims_for_float(end, shims)
    assert left >= -1e-9
    assert left == pytest.approx(end - sum(shims[i] for i in pieces), abs=1e-12)
    every = [end - sum(c) for n in range(len(shims) + 1) for c in combinations(shims, n)]
    assert left <= min(v for v in every if v >= -1e-9) + 1e-8


def test_a_quarter_inch_taller_bearing_loads_the_fork() -> None:
    found = fork_change(20e-3, 20e-3 + INCH / 4, 1.8, 3e-3, 0.12)
    assert found.free_play < 0
    assert found.tilt is not None
    assert np.sin(found.tilt) * 0.12 == pytest.approx(INCH / 4 * 1.8)
    assert fork_change(20e-3, 21e-3, 1.8, 3e-3).tilt is None
    assert fork_change(20e-3, 20e-3, 1.8, 3e-3).free_play == pytest.approx(3e-3)


@given(air=st.floats(0, 3e-6), pressure=st.floats(1e5, 6e6))
def test_air_put_in_is_air_found(air: float, pressure: float) -> None:
    """Forwards: the slave is short by what hose and air swallow, V = C·p + V_air·(1 − p_0/(p_0 + p))."""
    master, travel, slave, hose = 285e-6, 22e-3, 1000e-6, 4e-14
    swallowed = hose * pressure + air * (1 - 101_325 / (101_325 + pressure))
    moved = (master * travel - swallowed) / slave
    found = air_left(master, travel, slave, moved, hose, pressure)
    assert found is not None
    assert found.volume == pytest.approx(air, abs=1e-12)
    assert found.low <= found.volume <= found.high


def test_half_a_millimetre_of_port_doubt_is_a_seventh_of_a_millilitre() -> None:
    found = air_left(285e-6, 22e-3, 1000e-6, 5e-3, 0.0, 3e6)
    assert found is not None
    assert (found.high - found.volume) * 1e6 == pytest.approx(0.147, abs=0.005)
    assert air_left(285e-6, 22e-3, 1000e-6, 5e-3, 0.0, 0.0) is None
