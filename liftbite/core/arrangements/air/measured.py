"""The engine figures are those of the day and stand as they are."""

from __future__ import annotations


def air_gain() -> float:
    """Gain of the actual torque over the figures: none is taken.

    g_air = 1

    Returns
    -------
    g_air, actual torque over the figures given [-]

    Range: a curve measured in the air it is driven in.
    Source: [definition: the figures are the actual ones].
    """
    return 1.0
