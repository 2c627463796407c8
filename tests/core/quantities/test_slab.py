"""The slab: against the half-space, against its own mean, and against an independent integration."""

from __future__ import annotations

import numpy as np
import pytest
from scipy.integrate import solve_ivp

from liftbite.core.quantities import heat
from liftbite.core.quantities.slab import slab_rise

IRON = (50.0, 7200.0, 500.0)


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
