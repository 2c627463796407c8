"""The throttle follows what the clutch takes."""

from __future__ import annotations


def throttle_held() -> float:
    """The throttle follows what the clutch takes, so that the engine keeps its speed.

    h = 0

    Returns
    -------
    h, 1 where the throttle is held open, 0 where it follows the clutch [-]

    Range: 0 or 1.
    Source: [practice: how a driver pulls away].
    """
    return 0.0
