"""A concentric slave: its piston is a ring round the input shaft and carries the release bearing."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within

#: Room a bearing keeps to the end of its sleeve [m].
SLEEVE_MARGIN = 0.5e-3


def slave_area(slave_outer_diameter: Values, slave_inner_diameter: Values) -> Values:
    """Area of the ring-shaped piston.

    A_s = π/4 · (D_so² − D_si²)

    Parameters
    ----------
    slave_outer_diameter : D_so, outer diameter of the piston [m]
    slave_inner_diameter : D_si, inner diameter of the piston [m]

    Returns
    -------
    A_s, area of the slave cylinder [m²]

    Range: D_si below D_so.
    Source: [geometry: ring].

    >>> round(slave_area(0.052, 0.0375) * 1e6)
    1019
    """
    ok = within(
        np.less(slave_inner_diameter, slave_outer_diameter),
        "slave_inner_diameter",
        slave_inner_diameter,
        "below",
        slave_outer_diameter,
        "slave_outer_diameter",
    )
    return np.pi / 4 * (slave_outer_diameter**2 - slave_inner_diameter**2) * ok


def sleeve_stroke(slave_stroke: Values, bearing_reserve: Values, finger_way: Values) -> Values:
    """Stroke a bearing has left before it comes to an end of its sleeve, from where it rests on the fingers.

    x_left = x_sm − r − m for a push cover, r − m for a pull cover; m = 0.5 mm

    Parameters
    ----------
    slave_stroke : x_sm, stroke of the slave cylinder [m]
    bearing_reserve : r, X less Y: how far the bearing rests from fully pushed back [m]
    finger_way : s_f, way of the finger tips with wear, plus to the gearbox [-]

    Returns
    -------
    x_left, stroke left to the bearing [m]

    Range: a push cover's bearing goes out along its sleeve, a pull cover's comes back on it.
    Source: [geometry: one sleeve; margin of half a millimetre by common practice].

    >>> round(sleeve_stroke(0.020, 0.009, 1.0), 4), round(sleeve_stroke(0.020, 0.009, -1.0), 4)
    (0.0105, 0.0085)
    """
    pushes = np.greater(finger_way, 0)
    return plain(np.where(pushes, slave_stroke - bearing_reserve, bearing_reserve) - SLEEVE_MARGIN)


def sleeve_wear(
    slave_stroke: Values, bearing_reserve: Values, finger_way: Values, release_lever_ratio: Values
) -> Values:
    """Wear of the discs that takes a pulled bearing off the end of its sleeve; it follows the fingers to the engine.

    w_s = (x_sm − r − m) / R_d for a pull cover, without end for a push cover; m = 0.5 mm

    Parameters
    ----------
    slave_stroke : x_sm, stroke of the slave cylinder [m]
    bearing_reserve : r, X less Y: how far the bearing rests from fully pushed back [m]
    finger_way : s_f, way of the finger tips with wear, plus to the gearbox [-]
    release_lever_ratio : R_d, bearing travel per plate travel [-]

    Returns
    -------
    w_s, wear that takes the bearing off its sleeve [m]

    Range: R_d above 0.
    Source: [geometry: one sleeve; margin of half a millimetre by common practice].

    >>> round(sleeve_wear(0.020, 0.0139, -1.0, 4.0) * 1e3, 3), sleeve_wear(0.020, 0.009, 1.0, 4.0)
    (1.4, inf)
    """
    left = (slave_stroke - bearing_reserve - SLEEVE_MARGIN) / release_lever_ratio
    return plain(np.where(np.greater(finger_way, 0), np.inf, left))
