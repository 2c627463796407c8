"""The clamp load comes from coil springs; as the pack wears every spring gets longer, as it lifts, shorter."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, within
from liftbite.core.graph.guards import positive


def spring_clamp(
    spring_count: Values,
    spring_rate: Values,
    spring_free_length: Values,
    spring_installed_length: Values,
    wear_movement: Values,
) -> Values:
    """Force of coil springs on the plate, at rest.

    F_spring = n · k · (L_free − L_inst − w)

    Parameters
    ----------
    spring_count : n, springs [count]
    spring_rate : k, rate of one spring [N/m]
    spring_free_length : L_free, length of a spring on the bench [m]
    spring_installed_length : L_inst, length between its seats with the new pack clamped [m]
    wear_movement : w, how far the plate has moved with wear [m]

    Returns
    -------
    F_spring, spring force on the plate [N]

    Range: one spring or more, L_inst below L_free.
    Source: [definition: Hooke's law, springs side by side].

    >>> round(spring_clamp(5, 20000.0, 0.035, 0.025, 0.001))
    900
    """
    ok = positive("spring_count", spring_count) * within(
        np.less(spring_installed_length, spring_free_length),
        "spring_installed_length",
        spring_installed_length,
        "below",
        spring_free_length,
        "spring_free_length",
    )
    return spring_count * spring_rate * (spring_free_length - spring_installed_length - wear_movement) * ok


def lifted_spring_force(spring_clamp: Values, spring_count: Values, spring_rate: Values, plate_lift: Values) -> Values:
    """Force of coil springs on the plate while it lifts.

    F_lift = F_spring + n · k · x

    Parameters
    ----------
    spring_clamp : F_spring, spring force at rest [N]
    spring_count : n, springs [count]
    spring_rate : k, rate of one spring [N/m]
    plate_lift : x, lift of the plate [m]

    Returns
    -------
    F_lift, spring force on the plate while it lifts [N]

    Range: x 0 or more, up to where the coils bind.
    Source: [definition: Hooke's law].

    >>> round(lifted_spring_force(1000.0, 5, 20000.0, 0.002))
    1200
    """
    return spring_clamp + spring_count * spring_rate * plate_lift
