"""A spring at the pedal told by its curve: force at the pad over travel, as measured."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import same_length


def pedal_spring(pedal_travel: Values, assist_travels: Values, assist_forces: Values) -> Values:
    """Force of the springs at the pad, straight between the points measured and level beyond them.

    F_sp = F(x_p)

    Parameters
    ----------
    pedal_travel : x_p, travel of the pedal [m]
    assist_travels : x_i, travels at which the force was taken [m]
    assist_forces : F_i, force at the pad there with the clutch disconnected, minus where it helps [N]

    Returns
    -------
    F_sp, force of the springs at the pad [N]

    Range: as many forces as travels, in any order.
    Source: [definition: straight lines between points].

    >>> pedal_spring(0.05, np.array([0.0, 0.1]), np.array([20.0, -40.0]))
    -10.0
    """
    at, force = np.ravel(assist_travels), np.ravel(assist_forces)
    same_length("assist_forces", force, "assist_travels", at)
    in_order = np.argsort(at)
    return plain(np.interp(pedal_travel, at[in_order], force[in_order]))
