"""The ring gear is left aside."""

from __future__ import annotations


def ring_gear_stress() -> float:
    """Hoop stress that the ring gear adds: left aside.

    σ_g = 0

    Returns
    -------
    σ_g, hoop stress that the ring gear adds at the redline [Pa]

    Range: for a ring gear cut into the flywheel, or for want of its mass.
    Source: [practice: a ring gear of 1.5 kg takes a few hundredths off the burst speed].
    """
    return 0.0
