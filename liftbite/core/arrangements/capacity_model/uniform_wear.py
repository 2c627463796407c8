"""Capacity of a bedded clutch: where more has rubbed, more has worn, until wear is even."""

from __future__ import annotations

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import ring_exists


def effective_radius(outer_diameter: Values, inner_diameter: Values) -> Values:
    """Radius at which friction acts on a facing that has worn in; the smaller, so the safer of the two models.

    r_e = (D_o + D_i) / 4

    Parameters
    ----------
    outer_diameter : D_o, outer diameter of the facing [m]
    inner_diameter : D_i, inner diameter of the facing [m]

    Returns
    -------
    r_e, effective radius [m]

    Range: D_i from 0 to below D_o.
    Source: [memory: Shigley's Mechanical Engineering Design, 10th edition, section 16-5, uniform wear].

    >>> round(effective_radius(0.24, 0.16), 6)
    0.1
    """
    ok = ring_exists(outer_diameter, inner_diameter)
    return (outer_diameter + inner_diameter) / 4 * ok
