"""The release bearing rides on the fingers with a preload."""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def bearing_takes(bearing_preload: Values, release_lever_ratio: Values) -> Values:
    """Force the riding bearing takes off the clamp at rest.

    F_takes = R_d · F_pre

    Parameters
    ----------
    bearing_preload : F_pre, force of the bearing on the fingers at rest [N]
    release_lever_ratio : R_d, bearing travel per plate travel [-]

    Returns
    -------
    F_takes, force the bearing takes off the clamp [N]

    Range: F_pre 0 or more.
    Source: [geometry: lever].

    >>> bearing_takes(80.0, 4.0)
    320.0
    """
    return bearing_preload * release_lever_ratio
