"""The floater of a twin stops at stands on the flywheel, set by shims.

`inner_gap`, `outer_gap`, `reshim_wear`: what the stands leave either disc, and the wear at which they want new shims.
"""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def inner_gap(floater_clearance: Values, cushion_travel: Values, inner_wear: Values) -> Values:
    """Free travel the floater leaves the inner disc of a twin, both faces together.

    f_in = f + w_in − x_cush

    Parameters
    ----------
    floater_clearance : f, gap between floater and its stop with the clutch clamped, new [m]
    cushion_travel : x_cush, how far one disc's cushion springs back [m]
    inner_wear : w_in, thickness the inner disc has lost [m]

    Returns
    -------
    f_in, free travel at the inner disc [m]

    Range: two discs or three; f 0 or more.
    Source: [geometry: the stops are fixed to the flywheel, so the gap grows with the inner disc's wear].

    >>> round(inner_gap(0.00056, 0.0, 0.0005) * 1e3, 2)
    1.06
    """
    return floater_clearance + inner_wear - cushion_travel


def outer_gap(
    plate_lift_available: Values, floater_clearance: Values, cushion_travel: Values, inner_wear: Values
) -> Values:
    """Free travel left to the outer disc of a twin, both faces together; it shrinks as the inner disc wears.

    f_out = x_full − (f + w_in) − x_cush

    Parameters
    ----------
    plate_lift_available : x_full, lift at full pedal [m]
    floater_clearance : f, gap between floater and its stop with the clutch clamped, new [m]
    cushion_travel : x_cush, how far one disc's cushion springs back [m]
    inner_wear : w_in, thickness the inner disc has lost [m]

    Returns
    -------
    f_out, free travel at the outer disc [m]

    Range: two discs or three; below 0 the outer disc is not freed.
    Source: [geometry: what the floater does not take].

    >>> round(outer_gap(0.001143, 0.000559, 0.0, 0.0005) * 1e3, 3)
    0.084
    """
    return plate_lift_available - floater_clearance - inner_wear - cushion_travel


def reshim_wear(
    plate_lift_available: Values, floater_clearance: Values, cushion_travel: Values, least_gap: Values
) -> Values:
    """Wear of the inner disc of a twin at which the outer one is left its least gaps: the stands want new shims.

    w_shim = x_full − f − x_cush − 2·g_least

    Parameters
    ----------
    plate_lift_available : x_full, lift at full pedal [m]
    floater_clearance : f, gap between floater and its stop with the clutch clamped, new [m]
    cushion_travel : x_cush, how far one disc's cushion springs back [m]
    least_gap : g_least, gap per face that is just enough [m]

    Returns
    -------
    w_shim, inner-disc wear at which the floater wants new shims [m]

    Range: two discs or three; 0 or more where the lift is enough for a new stack.
    Source: [geometry: the outer gap shrinks one for one with the inner disc's wear].

    >>> round(reshim_wear(0.001143, 0.000559, 0.0, 0.00015) * 1e3, 3)
    0.284
    """
    return plate_lift_available - floater_clearance - cushion_travel - 2 * least_gap
