"""A slave cylinder that works a fork."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import positive


def slave_area(slave_diameter: Values) -> Values:
    """Area of the slave cylinder.

    A_s = π/4 · d_s²

    Parameters
    ----------
    slave_diameter : d_s, bore of the slave cylinder [m]

    Returns
    -------
    A_s, area of the slave cylinder [m²]

    Range: d_s above 0.
    Source: [geometry: circle].

    >>> round(slave_area(0.02223) * 1e6)
    388
    """
    return np.pi / 4 * slave_diameter**2 * positive("slave_diameter", slave_diameter)
