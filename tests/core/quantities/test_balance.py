"""Balance: grades, forces, vectors, and what a drill takes away."""

from __future__ import annotations

import numpy as np
import pytest
from scipy.integrate import quad

from liftbite.core.arrangements.drilling import radial
from liftbite.core.arrangements.unbalance_source import vectors
from liftbite.core.errors import OutOfRange
from liftbite.core.quantities import balance

RPM = np.pi / 30
OUNCE_INCH = 0.028349523125 * 0.0254


def test_unbalance_by_grade_and_its_force() -> None:
    """[standard: ISO 21940-11] 9549·G·m/n; 22 oz·in at 6000 rpm is 6.25 kN [practice]."""
    allowed = balance.permissible_unbalance(6.3e-3, 10.0, 7000 * RPM)
    assert allowed * 1e6 == pytest.approx(9549 * 6.3 * 10 / 7000, rel=1e-4)
    assert balance.unbalance_force(22 * OUNCE_INCH, 6000 * RPM) == pytest.approx(6250, rel=0.002)


def test_unbalances_add_as_vectors() -> None:
    three = vectors.residual_unbalance(np.ones(3), np.array([0, 2, 4]) * np.pi / 3)
    assert three == pytest.approx(0, abs=1e-12)
    for angle in np.linspace(0, 2 * np.pi, 7):
        found = vectors.residual_unbalance(np.array([3e-5, 2e-5]), np.array([0.4, 0.4 + angle]))
        assert found == pytest.approx(np.sqrt(9 + 4 + 12 * np.cos(angle)) * 1e-5), "law of cosines"


def test_a_drilled_hole_removes_what_it_should() -> None:
    """The hole's moment by integration, point and all; the cone's mass taken at full radius, as the rule does."""
    for unbalance in (80e-6, 200e-6, 400e-6):
        depth = radial.drill_depth(unbalance, 0.14, 0.010, 7200.0)
        removed = np.pi / 4 * 0.010**2 * 7200 * quad(lambda x: 0.14 - x, 0, depth + 0.1 * 0.010)[0]
        assert removed == pytest.approx(unbalance, rel=1e-9)
    with pytest.raises(OutOfRange, match="drill_diameter"):
        radial.drill_depth(1.0, 0.14, 0.010, 7200.0)
