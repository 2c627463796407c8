"""The rest of the torque chain: what breaks when the clutch does not slip. The clutch is also a fuse.

In the order in which it is used:

- shaft      `shaft_torque_limit`, `shaft_margin`, `spline_torque_limit`, `spline_margin`

Every check here takes friction and clamp at the high end of their bands: the opposite of Bite.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import positive


def shaft_torque_limit(shaft_diameter: Values, shaft_yield: Values, shock_factor: Values) -> Values:
    """Torque the input shaft carries.

    T_shaft = π·d³/16 · 0.577·σ_y / K_s

    Parameters
    ----------
    shaft_diameter : d, input shaft at the root of its splines [m]
    shaft_yield : σ_y, yield strength of the shaft [Pa]
    shock_factor : K_s, rise of the torque when the clutch grabs [-]

    Returns
    -------
    T_shaft, torque limit of the input shaft [N·m]

    Range: d and σ_y above 0, K_s 1 or more; a solid shaft of the smallest diameter, splines left aside.
    Source: [definition: torsion of a round bar with distortion-energy shear yield].

    >>> round(shaft_torque_limit(0.025, 900e6, 1.5))
    1062
    """
    return np.pi * shaft_diameter**3 / 16 * 0.577 * shaft_yield / shock_factor * positive("shock_factor", shock_factor)


def shaft_margin(shaft_torque_limit: Values, torque_capacity: Values) -> Values:
    """Torque the input shaft carries over what the clutch can pass; below 1 the shaft is the fuse.

    m_shaft = T_shaft / T_cap

    Parameters
    ----------
    shaft_torque_limit : T_shaft, torque limit of the input shaft [N·m]
    torque_capacity : T_cap, torque capacity [N·m]

    Returns
    -------
    m_shaft, shaft margin [-]

    Range: T_cap above 0.
    Source: [definition: limit over value].

    >>> shaft_margin(1000.0, 800.0)
    1.25
    """
    return shaft_torque_limit / torque_capacity


def spline_torque_limit(
    spline_pitch_diameter: Values,
    spline_count: Values,
    spline_height: Values,
    spline_engagement: Values,
    spline_pressure_limit: Values,
    spline_sharing: Values,
) -> Values:
    """Torque the splines carry by the pressure on their flanks.

    T_spline = p_s · d_p · z · h · L / (2 · K_z)

    Parameters
    ----------
    spline_pitch_diameter : d_p, pitch diameter of the splines [m]
    spline_count : z, splines [count]
    spline_height : h, working height of a spline [m]
    spline_engagement : L, length engaged with the hub [m]
    spline_pressure_limit : p_s, pressure the flanks stand [Pa]
    spline_sharing : K_z, uneven sharing among the splines [-]

    Returns
    -------
    T_spline, torque limit of the splines [N·m]

    Range: everything above 0, K_z 1 or more; flanks that bear over h.
    Source: [memory: uneven sharing 1.5 to 2].

    >>> round(spline_torque_limit(0.025, 24.0, 0.0012, 0.022, 100e6, 1.75))
    453
    """
    return (
        spline_pressure_limit
        * spline_pitch_diameter
        * spline_count
        * spline_height
        * spline_engagement
        / (2 * spline_sharing)
    )


def spline_margin(spline_torque_limit: Values, torque_capacity: Values) -> Values:
    """Torque the splines carry over what the clutch can pass.

    m_spline = T_spline / T_cap

    Parameters
    ----------
    spline_torque_limit : T_spline, torque limit of the splines [N·m]
    torque_capacity : T_cap, torque capacity [N·m]

    Returns
    -------
    m_spline, spline margin [-]

    Range: T_cap above 0.
    Source: [definition: limit over value].

    >>> spline_margin(900.0, 600.0)
    1.5
    """
    return spline_torque_limit / torque_capacity
