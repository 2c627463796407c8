"""An over-centre spring at the pedal: between two pivots, it holds the pedal up and then helps it down."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within


def pedal_spring(
    pedal_return_force: Values,
    pedal_travel: Values,
    assist_force: Values,
    assist_rate: Values,
    assist_arm: Values,
    assist_anchor: Values,
    assist_centre: Values,
    pedal_arm: Values,
) -> Values:
    """Force of the springs at the pad: the return spring, and one that is shortest at its centre and pushes.

    F_sp = F_return − F_a · a·b·sin α/(s·L), α = (x_p − x_c)/L, s = √(a² + b² − 2ab·cos α), F_a = F_0 − k·(s − |b − a|)

    Parameters
    ----------
    pedal_return_force : F_return, return spring at the pad [N]
    pedal_travel : x_p, travel of the pedal [m]
    assist_force : F_0, push of the assist spring at its centre [N]
    assist_rate : k, rate of the assist spring [N/m]
    assist_arm : a, pedal's pivot to the spring's pivot on it [m]
    assist_anchor : b, pedal's pivot to the spring's fixed pivot [m]
    assist_centre : x_c, travel at which both pivots are in line with the pedal's [m]
    pedal_arm : L, pedal's pivot to the pad [m]

    Returns
    -------
    F_sp, force of the springs at the pad [N]

    Range: a and b differ, or the spring has no length at its centre; one that is fully out pushes no more.
    Source: [definition: virtual work, the force at the pad is what its travel takes from the spring].

    >>> round(over := pedal_spring(0.0, 0.12, 900.0, 8000.0, 0.05, 0.11, 0.03, 0.3), 1), over < 0
    (-73.5, True)
    >>> pedal_spring(10.0, 0.03, 900.0, 8000.0, 0.05, 0.11, 0.03, 0.3)
    10.0
    """
    ok = within(
        np.not_equal(assist_arm, assist_anchor), "assist_arm", assist_arm, "other than", assist_anchor, "assist_anchor"
    )
    angle = (pedal_travel - assist_centre) / pedal_arm
    length = np.sqrt(assist_arm**2 + assist_anchor**2 - 2 * assist_arm * assist_anchor * np.cos(angle))
    push = np.maximum(assist_force - assist_rate * (length - np.abs(assist_anchor - assist_arm)), 0.0)
    lever = assist_arm * assist_anchor * np.sin(angle) / (length * pedal_arm)
    return plain(pedal_return_force - push * lever * ok)
