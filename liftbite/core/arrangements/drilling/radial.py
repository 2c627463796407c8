"""A hole drilled into the rim, towards the crank."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within


def drill_depth(residual_unbalance: Values, drill_radius: Values, drill_diameter: Values, density: Values) -> Values:
    """Depth of a hole, drilled radially inwards with a 118° drill, that takes the unbalance away; without its point.

    h = r_d − √(r_d² − 2·U/(ρ·π/4·d²)) − 0.1·d

    Parameters
    ----------
    residual_unbalance : U, residual unbalance there is [kg·m]
    drill_radius : r_d, radius the hole begins at [m]
    drill_diameter : d, diameter of the drill [m]
    density : ρ, density of the flywheel [kg/m³]

    Returns
    -------
    h, depth of the hole without its point [m]

    Range: drilled only where the maker allows, usually the flywheel, never the cover.
    Source: [geometry: the mass's radius falls as the drill goes in; the point holds as much as 0.1·d of full depth].

    >>> round(drill_depth(150e-6, 0.14, 0.010, 7200.0) * 1e3, 2)
    0.91
    """
    area = np.pi / 4 * drill_diameter**2 * density
    inside = drill_radius**2 - 2 * residual_unbalance / area
    ok = within(
        np.greater(inside, 0),
        "drill_diameter",
        drill_diameter,
        "at least",
        np.sqrt(2 * residual_unbalance / (np.pi / 4 * density * drill_radius**2)),
    )
    return plain(drill_radius - np.sqrt(np.maximum(inside, 0.0)) - 0.1 * drill_diameter) * ok
