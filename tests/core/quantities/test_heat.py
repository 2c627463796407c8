"""Heat of a start: Shigley's energy, the half-space, and a slab solved another way."""

from __future__ import annotations

import numpy as np
import pytest
import sympy
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad, solve_ivp

from liftbite.core.errors import OutOfRange
from liftbite.core.quantities import heat
from liftbite.core.verdicts.heat import heat_verdict
from tests.core.quantities.slab import slab_rise
from tests.jobs import FULL, built

IRON = (50.0, 7200.0, 500.0)


def test_the_energy_of_a_start_by_shigley() -> None:
    """[handbook: Shigley, energy considerations], T_e = T_l = 0: E = ½·I_e·I_v/(I_e+I_v)·Δω², whatever the torque."""
    t, ie, iv, w = sympy.symbols("t I_e I_v omega", positive=True)
    time = w / (t / ie + t / iv)
    assert sympy.simplify(t * w * time / 2 - ie * iv / (ie + iv) * w**2 / 2) == 0
    for torque in (50.0, 400.0):
        time_ = heat.slip_time(300.0, torque, 0.0, 0.0, 0.2, 0.65)
        assert heat.slip_energy(torque, 300.0, time_) == pytest.approx(0.5 * 0.2 * 0.65 / 0.85 * 300**2)


def test_a_start_that_never_locks_is_refused_with_its_figure() -> None:
    with pytest.raises(OutOfRange, match="closing_rate"):
        heat.slip_time(300.0, 100.0, 150.0, 200.0, 0.2, 0.65)
    verdict = heat_verdict(built(FULL, start_clutch_share="0.1", grade="20 %"))
    assert verdict.state == "cooks"
    assert verdict.sentence.startswith("Never locks")


def test_the_flash_of_a_half_space() -> None:
    """[handbook: Carslaw and Jaeger]: θ = ∫ q(τ)/√(π·kρc·(t−τ)) dτ with q falling in a line to 0; peak at half time."""
    k, rho, c, seconds, mean = 50.0, 7200.0, 500.0, 1.0, 6e5

    def rise(at: float) -> float:
        # τ = at − u² takes the singularity away
        flux = quad(lambda u: 2 * mean * (1 - (at - u * u) / seconds) * 2, 0, np.sqrt(at))[0]
        return flux / np.sqrt(np.pi * k * rho * c)

    best = max(rise(at) for at in np.linspace(0.3, 0.7, 81))
    assert heat.flash_rise(mean * 0.05, seconds, 0.05, k, rho, c) == pytest.approx(best, rel=1e-4)


@given(st.integers(1, 30), st.floats(10, 300))
def test_repeated_starts_are_a_sum_of_decays(starts: int, interval: float) -> None:
    left = np.exp(-interval * 8 / (5 * 500))
    by_hand = 353.15 + sum(12.0 * left**k for k in range(1, starts))
    assert heat.base_temperature(353.15, 12.0, float(starts), interval, 5.0, 500.0, 8.0) == pytest.approx(by_hand)


def test_a_thick_plate_is_a_half_space() -> None:
    """[handbook: Carslaw and Jaeger]: 0.943·(2q/√π)·√(t/kρc)."""
    flash = heat.flash_rise(6e5 * 0.05 * 1.0, 1.0, 0.05, *IRON)
    assert slab_rise(6e5, 1.0, 0.08, *IRON, nodes=200) == pytest.approx(flash, rel=0.003)


def test_a_six_millimetre_plate_runs_hotter_than_a_half_space() -> None:
    """6 mm iron, 1 s: a third hotter under steady flux [practice], by q·b/k·(Fo + 1/3) over 2q·√(t/πkρc).

    Under the falling flux of a clutch it is a quarter: the peak comes at half time, with less heat gone in.
    """
    k, rho, c = IRON
    fourier = k / (rho * c) / 0.003**2
    steady = 0.003 / k * (fourier + 1 / 3) / (2 / np.sqrt(np.pi * k * rho * c))
    assert steady == pytest.approx(1.33, abs=0.02)
    falling = slab_rise(6e5, 1.0, 0.006, *IRON) / slab_rise(6e5, 1.0, 0.08, *IRON, nodes=200)
    assert falling == pytest.approx(1.24, abs=0.01)


def test_a_very_thin_plate_is_one_lump() -> None:
    """All the heat of both faces in the plate's own mass: q·t/(ρ·c·b/2)."""
    lump = 6e5 * 1.0 / (7200 * 500 * 0.0005)
    assert slab_rise(6e5, 1.0, 0.001, *IRON) == pytest.approx(lump, rel=0.01)


def test_against_scipy() -> None:
    nodes, thickness = 40, 0.006
    width = thickness / 2 / nodes

    def rates(t: float, y: np.ndarray) -> np.ndarray:  # type: ignore[type-arg]
        flow = np.r_[2 * 6e5 * (1 - t), 50.0 * (y[:-1] - y[1:]) / width, 0.0]
        return (flow[:-1] - flow[1:]) / (7200 * 500 * width)

    found = solve_ivp(rates, (0, 1), np.zeros(nodes), method="BDF", rtol=1e-8, max_step=0.005)
    surface = found.y[0] + 2 * 6e5 * (1 - found.t) * width / 2 / 50.0
    assert slab_rise(6e5, 1.0, thickness, *IRON, nodes=nodes) == pytest.approx(surface.max(), rel=1e-3)
