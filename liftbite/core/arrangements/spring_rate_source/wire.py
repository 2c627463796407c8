"""The rate of a coil spring comes from its wire."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, within
from liftbite.core.graph.guards import positive


def spring_rate(
    shear_modulus: Values, wire_diameter: Values, coil_mean_diameter: Values, active_coils: Values
) -> Values:
    """Rate of one coil spring, from its wire.

    k = G · d⁴ / (8 · D³ · n_a)

    Parameters
    ----------
    shear_modulus : G, shear modulus of the spring steel [Pa]
    wire_diameter : d, diameter of the wire [m]
    coil_mean_diameter : D, mean diameter of the coil, outside less one wire [m]
    active_coils : n_a, coils that work, all less the closed ends [-]

    Returns
    -------
    k, rate of one spring [N/m]

    Range: d below D, n_a above 0.
    Source: [memory: DIN EN 13906-1:2013, rate of a cylindrical compression spring].

    >>> round(spring_rate(81.5e9, 0.002, 0.02, 5.0))
    4075
    """
    ok = within(
        np.less(wire_diameter, coil_mean_diameter),
        "wire_diameter",
        wire_diameter,
        "below",
        coil_mean_diameter,
        "coil_mean_diameter",
    ) * positive("active_coils", active_coils)
    return shear_modulus * wire_diameter**4 / (8 * coil_mean_diameter**3 * active_coils) * ok
