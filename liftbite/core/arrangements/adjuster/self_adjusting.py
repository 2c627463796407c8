"""A self-adjusting cover: fingers and clamp stay where they are until the adjuster is spent."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain


def wear_movement(wear: Values, adjuster_range: Values) -> Values:
    """How far the spring has moved with wear: not at all until the adjuster is spent.

    w_m = max(w − w_adj, 0)

    Parameters
    ----------
    wear : w, thickness lost by all discs together [m]
    adjuster_range : w_adj, wear the cover takes up by itself [m]

    Returns
    -------
    w_m, movement of the plate with wear [m]

    Range: w from 0 to w_max, w_adj 0 or more.
    Source: [definition: the adjuster takes up the wear].

    >>> wear_movement(0.001, 0.003), round(wear_movement(0.004, 0.003), 6)
    (0.0, 0.001)
    """
    return plain(np.maximum(wear - adjuster_range, 0.0))
