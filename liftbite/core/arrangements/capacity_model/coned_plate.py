"""A plate coned by heat presses one edge of the ring harder than the other."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, within
from liftbite.core.graph.guards import ring_exists


def effective_radius(outer_diameter: Values, inner_diameter: Values, pressure_slope: Values) -> Values:
    """Radius at which friction acts where pressure changes in a straight line across the ring.

    r_e = ∫p·r²dr / ∫p·r dr, p = 1 + κ·(r − r_m)/(r_o − r_m), r_m = (r_o + r_i)/2

    Parameters
    ----------
    outer_diameter : D_o, outer diameter of the facing [m]
    inner_diameter : D_i, inner diameter of the facing [m]
    pressure_slope : κ, pressure at the outer edge over the mean, less one; below 0 where the inner edge is pressed [-]

    Returns
    -------
    r_e, effective radius [m]

    Range: κ from −1 to 1; D_i from 0 to below D_o.
    Source: [definition: friction torque over normal force of the pressure given].

    >>> round(effective_radius(0.24, 0.16, 0.0), 6), round(effective_radius(0.24, 0.16, 0.5), 6)
    (0.101333, 0.104516)
    """
    ok = ring_exists(outer_diameter, inner_diameter) * within(
        np.less_equal(np.abs(pressure_slope), 1), "pressure_slope", pressure_slope, "at most", 1
    )
    ro, ri = outer_diameter / 2, inner_diameter / 2
    mean, half = (ro + ri) / 2, (ro - ri) / 2
    a, b = 1 - pressure_slope * mean / half, pressure_slope / half
    torque = a * (ro**3 - ri**3) / 3 + b * (ro**4 - ri**4) / 4
    force = a * (ro**2 - ri**2) / 2 + b * (ro**3 - ri**3) / 3
    return torque / force * ok
