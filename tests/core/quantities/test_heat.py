"""Heat of a start: Shigley's energy, the half-space, and a slab solved another way."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad, solve_ivp

from liftbite.core.quantities import face, heat, start
from liftbite.core.verdicts.heat import heat_verdict
from liftbite.core.verdicts.words import verdict_sentence
from tests.core.quantities.slab import slab_rise
from tests.jobs import FULL, built

IRON = (50.0, 7200.0, 500.0)


def test_the_closed_form_of_a_held_speed_is_its_integral() -> None:
    """Torque let in over t_r in a straight line, the vehicle on its brake until it pulls: integrated step by step."""
    speed, inertia, torque, load, let = 150.0, 0.8, 60.0, 5.0, 1.0
    t = np.linspace(0, 4, 400_001)
    clutch = torque * np.minimum(t / let, 1)
    vehicle = np.cumsum(np.maximum(clutch - load, 0)) / inertia * (t[1] - t[0])
    slips = vehicle < speed
    heat_ = np.trapezoid((clutch * (speed - vehicle))[slips], t[slips])
    assert start.held_slip_time(speed, inertia, torque, load, let) == pytest.approx(t[slips][-1], rel=1e-3)
    assert start.held_slip_energy(speed, inertia, torque, load, let) == pytest.approx(heat_, rel=1e-3)


def test_a_start_that_never_locks_says_why_and_the_cure() -> None:
    verdict = heat_verdict(built(FULL, grade="60 %", vehicle_mass="3500 kg"))
    assert verdict.state == "cooks"
    assert verdict_sentence(verdict).startswith("Never locks")
    assert "a lower gear" in verdict_sentence(verdict)
    stalls = heat_verdict(built(FULL, start="dropped", start_engine_speed="700 rpm"))
    assert (stalls.state, "stalls the engine" in verdict_sentence(stalls)) == ("look again", True)


def test_a_clutch_that_slips_at_full_load_is_judged_by_how_long() -> None:
    """4 kN holds 2·0.3·4000·0.0988 less the bearing's share, 216 N·m nominal: 11.3 kW at 500 rpm."""
    weak = {"clamp_source": "figure", "cover_clamp": "4 kN", "lever_ratio": "4.5"}
    verdict = heat_verdict(built(FULL, **weak))
    assert verdict.state == "open"
    assert verdict.needs == ("full_load_slip_time",)
    assert "Slips at full load: 11.29 kW" in verdict_sentence(verdict)
    assert heat_verdict(built(FULL, **weak, full_load_slip_time="240 s")).state == "cooks"
    brief = heat_verdict(built(FULL, **weak, full_load_slip_time="1 s"))
    assert brief.state == "open", "never a good word for a clutch that slips"
    assert "mend Bite first" in verdict_sentence(brief)


def test_the_flash_of_a_half_space() -> None:
    """[handbook: Carslaw and Jaeger]: θ = ∫ q(τ)/√(π·kρc·(t−τ)) dτ with q falling in a line to 0; peak at half time."""
    k, rho, c, seconds, mean = 50.0, 7200.0, 500.0, 1.0, 6e5

    def rise(at: float) -> float:
        # τ = at − u² takes the singularity away
        flux = quad(lambda u: 2 * mean * (1 - (at - u * u) / seconds) * 2, 0, np.sqrt(at))[0]
        return flux / np.sqrt(np.pi * k * rho * c)

    best = max(rise(at) for at in np.linspace(0.3, 0.7, 81))
    assert face.flash_rise(mean * 0.05, seconds, 0.05, k, rho, c) == pytest.approx(best, rel=1e-4)


@given(st.integers(1, 30), st.floats(10, 300))
def test_repeated_starts_are_a_sum_of_decays(starts: int, interval: float) -> None:
    left = np.exp(-interval * 8 / (5 * 500))
    by_hand = 353.15 + sum(12.0 * left**k for k in range(1, starts))
    assert heat.base_temperature(353.15, 353.15, 12.0, float(starts), interval, 5.0, 500.0, 8.0) == pytest.approx(
        by_hand
    )


def test_a_thick_plate_is_a_half_space() -> None:
    """[handbook: Carslaw and Jaeger]: 0.943·(2q/√π)·√(t/kρc)."""
    flash = face.flash_rise(6e5 * 0.05 * 1.0, 1.0, 0.05, *IRON)
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
