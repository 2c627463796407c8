"""A concentric slave: its piston is a ring round the input shaft and carries the release bearing."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, within


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
    ok = within(np.less(slave_inner_diameter, slave_outer_diameter), "slave_inner_diameter", slave_inner_diameter,
                "below", slave_outer_diameter, "slave_outer_diameter")  # fmt: skip
    return np.pi / 4 * (slave_outer_diameter**2 - slave_inner_diameter**2) * ok
