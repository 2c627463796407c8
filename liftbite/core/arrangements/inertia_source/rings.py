"""The inertia of the flywheel as a sum of rings: ring gear, friction insert, web."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.guards import positive, same_length
from liftbite.core.quantities.torque_curve import Array


def flywheel_inertia(
    ring_outer_diameters: Array, ring_inner_diameters: Array, ring_thicknesses: Array, ring_densities: Array
) -> float:
    """Inertia of the flywheel as a sum of rings.

    I_w = Σ π/32 · ρ_i · t_i · (D_oi⁴ − D_ii⁴)

    Parameters
    ----------
    ring_outer_diameters : D_oi, outer diameter of each ring [m]
    ring_inner_diameters : D_ii, inner diameter of each ring [m]
    ring_thicknesses : t_i, thickness of each ring [m]
    ring_densities : ρ_i, density of each ring [kg/m³]

    Returns
    -------
    I_w, inertia of the flywheel [kg·m²]

    Range: as many of each; inner below outer.
    Source: [definition: I = ∫r² dm over rings].

    >>> one = lambda x: np.array([x])
    >>> round(flywheel_inertia(one(0.3), one(0.05), one(0.02), one(7200.0)), 4)
    0.1144
    """
    for name, values in (
        ("ring_inner_diameters", ring_inner_diameters),
        ("ring_thicknesses", ring_thicknesses),
        ("ring_densities", ring_densities),
    ):
        same_length(name, values, "ring_outer_diameters", ring_outer_diameters)
    positive("ring_outer_diameters", float(np.min(ring_outer_diameters - ring_inner_diameters)))
    return float(
        np.sum(np.pi / 32 * ring_densities * ring_thicknesses * (ring_outer_diameters**4 - ring_inner_diameters**4))
    )
