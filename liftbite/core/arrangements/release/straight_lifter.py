"""A lifter rod that works the plate directly, as in a motorcycle."""

from __future__ import annotations


def release_lever_ratio() -> float:
    """Lifter travel per plate travel: one.

    R_d = 1

    Returns
    -------
    R_d, bearing travel per plate travel [-]

    Source: [geometry: in line].
    """
    return 1.0
