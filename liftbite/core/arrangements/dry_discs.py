"""A dry car clutch: discs between flywheel, floater plates and pressure plate, at crank speed."""

from __future__ import annotations

from liftbite.core.graph import Values
from liftbite.core.guards import positive


def friction_faces(disc_count: Values) -> Values:
    """Friction interfaces of a stack of dry discs; each disc rubs on both sides.

    N = 2 · n_discs

    Parameters
    ----------
    disc_count : n_discs, discs in the clutch [count]

    Returns
    -------
    N, friction interfaces in the stack [-]

    Range: one disc or more.
    Source: [definition: two faces a disc].

    >>> friction_faces(2)
    4.0
    """
    return 2 * disc_count * positive("disc_count", disc_count)


def primary_ratio() -> float:
    """Crank turns per clutch turn: a car's clutch turns with the crank.

    i_p = 1

    Returns
    -------
    i_p, primary reduction [-]

    Source: [definition: the clutch sits on the crank].
    """
    return 1.0


def primary_efficiency() -> float:
    """Efficiency of the primary drive: a car has none before the clutch.

    η_p = 1

    Returns
    -------
    η_p, efficiency of the primary drive [-]

    Source: [definition: the clutch sits on the crank].
    """
    return 1.0


def interface_efficiency() -> float:
    """Share of the clamp each interface passes on: a dry stack has no teeth that hold it back.

    η = 1

    Returns
    -------
    η, share of the clamp each interface passes on [-]

    Source: [practice: dry discs slide freely on their splines].
    """
    return 1.0
