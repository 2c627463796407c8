"""The throttle is held open from the start."""

from __future__ import annotations


def throttle_held() -> float:
    """The throttle is held open from the start: the engine flares, and the heat is many times as much.

    h = 1

    Returns
    -------
    h, 1 where the throttle is held open, 0 where it follows the clutch [-]

    Range: 0 or 1.
    Source: [practice: a wide-open start].
    """
    return 1.0
