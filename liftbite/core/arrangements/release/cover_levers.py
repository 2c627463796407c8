"""The bearing works the plate through fingers or levers of the cover."""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def release_lever_ratio(lever_ratio: Values) -> Values:
    """Bearing travel per plate travel.

    R_d = R_cover

    Parameters
    ----------
    lever_ratio : R_cover, lever ratio of the cover [-]

    Returns
    -------
    R_d, bearing travel per plate travel [-]

    Range: R_cover above 1.
    Source: [geometry: lever].

    >>> release_lever_ratio(4.2)
    4.2
    """
    return lever_ratio
