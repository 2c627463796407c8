"""A cover that follows the wear."""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def wear_movement(wear: Values) -> Values:
    """How far the plate has moved towards the flywheel: as far as the facings have worn.

    w_m = w

    Parameters
    ----------
    wear : w, thickness lost by all discs together [m]

    Returns
    -------
    w_m, movement of the plate with wear [m]

    Range: w from 0 to w_max; an adjuster in the cover takes none of it up.
    Source: [geometry: the plate follows the facings].

    >>> wear_movement(0.001)
    0.001
    """
    return wear
