"""Strength and speed of a flywheel."""

from __future__ import annotations

import numpy as np
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


def test_a_wheel_by_its_parts_is_a_wheel_by_its_rings() -> None:
    """Second way: rings of one density, weighed, each with its own radius of gyration √((r_o² + r_i²)/2)."""
    from liftbite.core.arrangements.inertia_source import parts, rings

    outer, inner, thick = np.array([0.28, 0.31]), np.array([0.04, 0.27]), np.array([0.022, 0.012])
    density = np.array([7200.0, 7850.0])
    mass = density * np.pi / 4 * (outer**2 - inner**2) * thick
    gyration = np.sqrt((outer**2 + inner**2) / 8)
    assert parts.flywheel_inertia(mass, gyration) == pytest.approx(
        rings.flywheel_inertia(outer, inner, thick, density), rel=1e-12
    )


def test_a_hole_into_the_face_takes_away_what_it_should() -> None:
    """The mass drilled out, cone and all, times its radius is the unbalance; into the rim it has to go deeper."""
    from liftbite.core.arrangements.drilling import axial, radial

    unbalance, radius, drill, density = 150e-6, 0.14, 0.010, 7200.0
    depth = axial.drill_depth(unbalance, radius, drill, density)
    volume = np.pi / 4 * drill**2 * depth + np.pi / 12 * drill**2 * (0.3 * drill)
    assert volume * density * radius == pytest.approx(unbalance, rel=1e-9)
    assert radial.drill_depth(unbalance, radius, drill, density) > depth
