"""There is no fork: slave or cable arm act in line with the bearing or the lifter."""

from __future__ import annotations


def fork_ratio() -> float:
    """Slave travel per bearing travel: one.

    R_f = 1

    Returns
    -------
    R_f, slave travel per bearing travel [-]

    Range: a slave or lifter that pushes straight.
    Source: [geometry: in line].
    """
    return 1.0
