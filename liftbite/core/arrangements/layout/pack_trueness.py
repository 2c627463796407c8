"""What of a pack has to be true: its plain plates flat, its push rod straight. Readings of the bench."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain

#: Below a micrometre a part is as true as any feeler can tell [m].
LEAST = 1e-6


def plain_warp_margin(plain_warp_limit: Values, plain_warp: Values) -> Values:
    """Warp allowed over warp there is, of the worst plain plate.

    m_warp = t_warp / r_warp

    Parameters
    ----------
    plain_warp_limit : t_warp, warp allowed [m]
    plain_warp : r_warp, warp of the worst plain plate, as the thickest blade that goes under [m]

    Returns
    -------
    m_warp, margin of the plain plates [-]

    Range: t_warp above 0; a warp of 0 leaves a reserve without end.
    Source: [practice: 0.1 to 0.3 mm by manual; a warped plate drags and slips hot].

    >>> plain_warp_margin(0.2e-3, 0.1e-3)
    2.0
    """
    return plain(plain_warp_limit / np.maximum(plain_warp, LEAST))


def push_rod_margin(push_rod_limit: Values, push_rod_bow: Values) -> Values:
    """Bow allowed over bow there is, of the push rod.

    m_rod = t_rod / r_rod

    Parameters
    ----------
    push_rod_limit : t_rod, bow allowed [m]
    push_rod_bow : r_rod, bow of the push rod rolled on glass [m]

    Returns
    -------
    m_rod, margin of the push rod [-]

    Range: t_rod above 0; a bow of 0 leaves a reserve without end.
    Source: [practice: 0.3 to 0.5 mm; a bent rod binds in the shaft].

    >>> push_rod_margin(0.4e-3, 0.8e-3)
    0.5
    """
    return plain(push_rod_limit / np.maximum(push_rod_bow, LEAST))
