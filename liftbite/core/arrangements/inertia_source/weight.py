"""The inertia of the flywheel from the scale."""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def flywheel_inertia(flywheel_mass: Values, flywheel_diameter: Values, gyration_share: Values) -> Values:
    """Inertia of the flywheel from its weight.

    I_w = m_w · (a_k · D_w/2)²

    Parameters
    ----------
    flywheel_mass : m_w, mass of the flywheel [kg]
    flywheel_diameter : D_w, outer diameter of the flywheel [m]
    gyration_share : a_k, radius of gyration over outer radius [-]

    Returns
    -------
    I_w, inertia of the flywheel [kg·m²]

    Range: m_w and D_w above 0; a_k from 0.5 for a solid disc to 1 for a thin rim.
    Source: [memory: 0.65 to 0.72 of the outer radius for one-piece plates].

    >>> round(flywheel_inertia(8.0, 0.3, 0.7), 4)
    0.0882
    """
    return flywheel_mass * (gyration_share * flywheel_diameter / 2) ** 2
