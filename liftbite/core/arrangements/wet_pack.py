"""A wet motorcycle clutch: friction plates and plain plates in a basket."""

from __future__ import annotations

from liftbite.core.graph import Values
from liftbite.core.guards import positive


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
