"""The inertia of the flywheel as a sum of parts, each by its weight and its radius of gyration."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.guards import same_length
from liftbite.core.quantities.torque_curve import Array


def flywheel_inertia(ring_masses: Array, ring_gyrations: Array) -> float:
    """Inertia of the flywheel as a sum of parts.

    I_w = Σ m_i · k_i²

    Parameters
    ----------
    ring_masses : m_i, mass of each part [kg]
    ring_gyrations : k_i, radius of gyration of each part [m]

    Returns
    -------
    I_w, inertia of the flywheel [kg·m²]

    Range: as many of one as of the other.
    Source: [definition: I = m·k²].

    >>> round(flywheel_inertia(np.array([6.0, 1.2]), np.array([0.095, 0.135])), 5)
    0.07602
    """
    same_length("ring_gyrations", ring_gyrations, "ring_masses", ring_masses)
    return float(np.sum(ring_masses * ring_gyrations**2))
