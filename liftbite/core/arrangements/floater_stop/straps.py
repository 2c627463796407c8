"""The floater of a twin is kept half way by straps.

`inner_gap`, `outer_gap`: alike, new and worn, so that there is nothing to set and nothing to shim.
"""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def inner_gap(plate_lift_available: Values, cushion_travel: Values) -> Values:
    """Free travel the floater leaves the inner disc of a twin, both faces together.

    f_in = x_full/2 − x_cush

    Parameters
    ----------
    plate_lift_available : x_full, lift at full pedal [m]
    cushion_travel : x_cush, how far one disc's cushion springs back [m]

    Returns
    -------
    f_in, free travel at the inner disc [m]

    Range: two discs; straps alike to either side, new and worn.
    Source: [geometry: straps of one stiffness share the lift].

    >>> round(inner_gap(0.0012, 0.0002) * 1e3, 2)
    0.4
    """
    return plate_lift_available / 2 - cushion_travel


def outer_gap(inner_gap: Values) -> Values:
    """Free travel left to the outer disc of a twin, both faces together: as much as the inner one has.

    f_out = f_in

    Parameters
    ----------
    inner_gap : f_in, free travel at the inner disc, both faces together [m]

    Returns
    -------
    f_out, free travel at the outer disc [m]

    Range: two discs; straps alike to either side, new and worn.
    Source: [geometry: straps of one stiffness share the lift].

    >>> outer_gap(0.0004)
    0.0004
    """
    return inner_gap
