"""Wear of the facings by the heat of starts, and how long they last.

In the order in which it is used: `starts_to_limit`, `distance_to_limit`. `wear_limit` comes from the layout,
`wear_per_start` from whether both sides of a disc are alike.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive


def starts_to_limit(wear_limit: Values, wear: Values, wear_per_start: Values) -> Values:
    """Starts of this kind until the facings are at their limit.

    n_life = (w_max − w) / w_1

    Parameters
    ----------
    wear_limit : w_max, wear of the stack at its limit [m]
    wear : w, thickness lost by all discs together [m]
    wear_per_start : w_1, wear of the stack per start [m]

    Returns
    -------
    n_life, starts to the wear limit [-]

    Range: w from 0 to w_max, w_1 above 0; one kind of start.
    Source: [definition: what is left over what each start takes].

    >>> round(starts_to_limit(0.0014, 0.0, 60e-9))
    23333
    """
    return plain((wear_limit - wear) / np.maximum(wear_per_start, 1e-30))


def distance_to_limit(starts_to_limit: Values, starts_per_distance: Values) -> Values:
    """Distance until the facings are at their limit.

    x_life = n_life / s_d

    Parameters
    ----------
    starts_to_limit : n_life, starts to the wear limit [-]
    starts_per_distance : s_d, starts of this kind per distance driven [1/m]

    Returns
    -------
    x_life, distance to the wear limit [m driven]

    Range: s_d above 0.
    Source: [definition: starts over starts per distance].

    >>> round(distance_to_limit(20000.0, 0.0005) / 1e3)
    40000
    """
    return starts_to_limit / starts_per_distance * positive("starts_per_distance", starts_per_distance)
