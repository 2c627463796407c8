"""A wet motorcycle clutch: friction plates and plain plates in a basket."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive


def friction_faces(friction_plate_count: Values) -> Values:
    """Friction interfaces of a wet pack; every friction plate rubs on both sides.

    N = 2 · n_friction

    The outer faces rub on the hub flange and on the pressure plate, so the plain plates do not enter the count:
    five friction and four plain plates make ten interfaces.

    Parameters
    ----------
    friction_plate_count : n_friction, friction plates in the pack [count]

    Returns
    -------
    N, friction interfaces in the stack [-]

    Range: one friction plate or more.
    Source: [definition: two faces a friction plate].

    >>> friction_faces(5)
    10.0
    """
    ok = positive("friction_plate_count", friction_plate_count)
    return 2 * friction_plate_count * ok


def springback() -> float:
    """How far the pack springs back when unloaded: flat plates do not.

    x_spring = 0

    Returns
    -------
    x_spring, what discs spring back when unloaded, with half their wobble [m]

    Range: a wet pack, whose plates spring no further than their coning.
    Source: [definition: plates without cushion].
    """
    return 0.0


def cushion_stack() -> float:
    """How far cushions spring back: a pack has none.

    c = 0

    Returns
    -------
    c, how far the cushions of all discs spring back [m]

    Range: a wet pack, whose plates have no cushion.
    Source: [definition: plates without cushion].
    """
    return 0.0


def strap_force() -> float:
    """Force of straps on the plate: a pack has none.

    F_strap = 0

    Returns
    -------
    F_strap, force of the straps towards the flywheel [N]

    Range: a wet pack, which has no drive straps.
    Source: [definition: no straps].
    """
    return 0.0


def wear_limit(friction_plate_count: Values, plate_wear_allowed: Values) -> Values:
    """Thickness the pack can lose before its friction plates are at their limit.

    w_max = n_friction · d_p

    Parameters
    ----------
    friction_plate_count : n_friction, friction plates in the pack [count]
    plate_wear_allowed : d_p, thickness a friction plate may lose [m]

    Returns
    -------
    w_max, wear of the stack at its limit [m]

    Range: n_friction one or more, d_p above 0.
    Source: [practice: 3.0 mm new, renew under 2.8].

    >>> round(wear_limit(7.0, 0.0002) * 1e3, 2)
    1.4
    """
    return friction_plate_count * plate_wear_allowed


def lever_arm(plate_seat_diameter: Values, fulcrum_diameter: Values) -> Values:
    """Diameter between plate seat and fulcrum, over which the ring is levered.

    a = |D_p − D_f|

    Parameters
    ----------
    plate_seat_diameter : D_p, where the ring presses the plate [m]
    fulcrum_diameter : D_f, where the ring rests in the cover [m]

    Returns
    -------
    a, lever arm of the ring, as a diameter [m]

    Range: the two diameters apart; whichever way the cover works.
    Source: [geometry: lever].

    >>> round(lever_arm(0.215, 0.185), 3)
    0.03
    """
    arm = np.abs(plate_seat_diameter - fulcrum_diameter)
    return plain(arm * positive("plate_seat_diameter", arm))
