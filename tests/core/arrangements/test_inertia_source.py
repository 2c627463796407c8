"""Inertia of a flywheel by every way there is."""

from __future__ import annotations

import numpy as np
import pytest
from scipy.integrate import quad

from liftbite.core.arrangements.inertia_source import rings as inertia_by_rings
from liftbite.core.arrangements.inertia_source import swing as inertia_by_swing
from liftbite.core.arrangements.inertia_source import weight as inertia_by_weight
from liftbite.core.errors import OutOfRange


def test_inertia_three_ways() -> None:
    """A plate as a ring, by ∫r²dm, by its radius of gyration, and by the period its swing would have."""
    rho, ro, ri, t = 7850.0, 0.14, 0.02, 0.018
    mass = rho * np.pi * (ro**2 - ri**2) * t
    by_integral = quad(lambda r: r**2 * rho * 2 * np.pi * r * t, ri, ro)[0]
    rings = inertia_by_rings.flywheel_inertia(*(np.array([v]) for v in (2 * ro, 2 * ri, t, rho)))
    assert rings == pytest.approx(by_integral, rel=1e-12)
    gyration = np.sqrt((ro**2 + ri**2) / 2) / ro
    assert inertia_by_weight.flywheel_inertia(mass, 2 * ro, gyration) == pytest.approx(rings)
    period = 2 * np.pi * np.sqrt(rings * 1.5 / (mass * 9.80665 * 0.12**2))
    assert inertia_by_swing.flywheel_inertia(mass, 0.12, 1.5, period) == pytest.approx(rings)
    two = inertia_by_rings.flywheel_inertia(*(np.array(v) for v in ([0.28, 0.1], [0.1, 0.04], [t, t], [rho, rho])))
    assert two == pytest.approx(rings), "a plate is the sum of its rings"


def test_rings_that_cannot_be() -> None:
    with pytest.raises(OutOfRange, match="ring_outer_diameters"):
        inertia_by_rings.flywheel_inertia(*(np.array([v]) for v in (0.1, 0.2, 0.01, 7850.0)))
    with pytest.raises(OutOfRange, match="ring_inner_diameters"):
        inertia_by_rings.flywheel_inertia(np.array([0.2, 0.3]), np.array([0.1]), np.array([0.01]), np.array([7850.0]))
