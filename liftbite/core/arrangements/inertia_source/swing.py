"""The inertia of the flywheel from a swing on three wires (trifilar pendulum)."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import positive
from liftbite.core.units.constants import GRAVITY


def flywheel_inertia(flywheel_mass: Values, wire_radius: Values, wire_length: Values, swing_period: Values) -> Values:
    """Inertia of the flywheel from a swing.

    I_w = m_w · g · R² · τ² / (4π² · L)

    Parameters
    ----------
    flywheel_mass : m_w, mass of the flywheel [kg]
    wire_radius : R, radius the three wires hang at [m]
    wire_length : L, length of the wires [m]
    swing_period : τ, time of one small twist, there and back [s]

    Returns
    -------
    I_w, inertia of the flywheel [kg·m²]

    Range: small swings about the centre, three equal wires, all four above 0.
    Source: [geometry: trifilar pendulum, small angles].

    >>> round(flywheel_inertia(8.0, 0.12, 1.5, 1.35), 4)
    0.0348
    """
    return (
        flywheel_mass
        * GRAVITY
        * wire_radius**2
        * swing_period**2
        / (4 * np.pi**2 * wire_length)
        * positive("wire_length", wire_length)
    )
