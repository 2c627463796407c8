"""Capacity of parallel-sided buttons that have worn in."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive, ring_exists


def effective_radius(outer_diameter: Values, inner_diameter: Values) -> Values:
    """Radius at which friction acts on parallel-sided buttons that have worn in; about 2 % below the ring's.

    r_e = (D_o − D_i) / (2 · ln(D_o/D_i))

    Parameters
    ----------
    outer_diameter : D_o, outer diameter of the facing [m]
    inner_diameter : D_i, inner diameter of the facing [m]

    Returns
    -------
    r_e, effective radius [m]

    Range: D_i above 0 and below D_o.
    Source: [definition: uniform wear, p·r constant, over pads of constant width].

    >>> round(effective_radius(0.24, 0.15), 6)
    0.095744
    """
    ok = ring_exists(outer_diameter, inner_diameter) * positive("inner_diameter", inner_diameter)
    with np.errstate(divide="ignore", invalid="ignore"):
        return plain((outer_diameter - inner_diameter) / (2 * np.log(outer_diameter / inner_diameter)) * ok)
