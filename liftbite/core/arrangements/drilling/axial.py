"""A hole drilled into the face, in line with the crank."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive


def drill_depth(residual_unbalance: Values, drill_radius: Values, drill_diameter: Values, density: Values) -> Values:
    """Depth of a hole, drilled in line with the crank at 118°, that takes the unbalance away; without its point.

    h = 4·U/(ρ·π·d²·r_d) − 0.1·d

    Parameters
    ----------
    residual_unbalance : U, residual unbalance there [kg·m]
    drill_radius : r_d, radius of the hole's middle [m]
    drill_diameter : d, diameter of the drill [m]
    density : ρ, density of the flywheel [kg/m³]

    Returns
    -------
    h, depth of the hole without its point [m]

    Range: drilled only where the maker allows, usually the flywheel, never the cover; a flywheel thick enough for it.
    Source: [geometry: the point holds as much as 0.1·d of full depth].

    >>> round(drill_depth(150e-6, 0.14, 0.010, 7200.0) * 1e3, 2)
    0.89
    """
    ok = positive("drill_radius", drill_radius) * positive("drill_diameter", drill_diameter)
    return (
        plain(residual_unbalance / (np.pi / 4 * density * drill_diameter**2 * drill_radius) - 0.1 * drill_diameter) * ok
    )
