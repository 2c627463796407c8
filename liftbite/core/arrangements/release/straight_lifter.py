"""A lifter rod that works the plate directly, as in a motorcycle."""

from __future__ import annotations


def release_lever_ratio() -> float:
    """Lifter travel per plate travel: one.

    R_d = 1

    Returns
    -------
    R_d, bearing travel per plate travel [-]

    Range: a lifter that moves the plate itself.
    Source: [geometry: in line].
    """
    return 1.0


def finger_way() -> float:
    """Which way the lifter goes as the pack wears: with the plate, away from the gearbox.

    s_f = −1

    Returns
    -------
    s_f, way of the lifter with wear, plus to the gearbox [-]

    Range: holds for every lifter that pushes or pulls the plate itself.
    Source: [geometry: in line].
    """
    return -1.0
