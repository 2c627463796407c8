"""Capacity of a new clutch: rigid and flat, pressed evenly all over."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import ring_exists


def effective_radius(outer_diameter: Values, inner_diameter: Values) -> Values:
    """Radius at which friction acts on a new, rigid and flat facing.

    r_e = (D_o³ − D_i³) / (3 · (D_o² − D_i²))

    Parameters
    ----------
    outer_diameter : D_o, outer diameter of the facing [m]
    inner_diameter : D_i, inner diameter of the facing [m]

    Returns
    -------
    r_e, effective radius [m]

    Range: D_i from 0 to below D_o.
    Source: [memory: Shigley's Mechanical Engineering Design, 10th edition, section 16-5, uniform pressure].

    >>> round(effective_radius(0.24, 0.16), 6)
    0.101333
    """
    ok = ring_exists(outer_diameter, inner_diameter)
    with np.errstate(divide="ignore", invalid="ignore"):
        return (outer_diameter**3 - inner_diameter**3) / (3 * (outer_diameter**2 - inner_diameter**2)) * ok
