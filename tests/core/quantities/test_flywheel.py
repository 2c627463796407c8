"""Strength and speed of a flywheel."""

from __future__ import annotations

import pytest

from liftbite.core.quantities import disc, strength


def test_the_bore_stress_of_a_rotating_ring() -> None:
    """[handbook: Shigley, rotating rings]: tangential stress at r_i of a thin ring turning, by the Lamé-like solution.

    σ_t(r) = ρω²(3+ν)/8·(r_i² + r_o² + r_i²r_o²/r² − (1+3ν)/(3+ν)·r²), at r = r_i.
    """
    rho, nu, ro, ri, w = 7850.0, 0.3, 0.145, 0.02, 843.0
    at_bore = rho * w**2 * (3 + nu) / 8 * (ri**2 + ro**2 + ro**2 - (1 + 3 * nu) / (3 + nu) * ri**2)
    assert strength.bore_stress(rho, nu, 2 * ro, 2 * ri, w, 1.0) == pytest.approx(at_bore, rel=1e-12)
    thin = strength.bore_stress(rho, nu, 0.29, 0.28999, w, 1.0)
    assert thin == pytest.approx(rho * (w * 0.145) ** 2, rel=1e-3), "a thin ring carries ρv²"


def test_a_missed_shift() -> None:
    """From 7000 rpm in a 1.35 gear into 3.40: about 17 600 rpm [practice]."""
    assert disc.disc_speed_missed_shift(7000.0, 1.35, 3.40) == pytest.approx(17_600, rel=0.003)
