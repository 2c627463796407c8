"""The clamp load comes from coil springs of one kind."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph import Values, within
from liftbite.core.guards import positive


def clamp_load(
    spring_count: Values, spring_rate: Values, spring_free_length: Values, spring_installed_length: Values
) -> Values:
    """Force that presses the stack together, from coil springs.

    F = n · k · (L_free − L_inst)

    Parameters
    ----------
    spring_count : n, springs [count]
    spring_rate : k, rate of one spring [N/m]
    spring_free_length : L_free, length of a spring on the bench [m]
    spring_installed_length : L_inst, length between its seats with the pack clamped [m]

    Returns
    -------
    F, clamp load [N]

    Range: one spring or more, L_inst below L_free.
    Source: [definition: Hooke's law, springs side by side].

    >>> round(clamp_load(5, 20000.0, 0.035, 0.025))
    1000
    """
    ok = positive("spring_count", spring_count) * within(
        np.less(spring_installed_length, spring_free_length),
        "spring_installed_length",
        spring_installed_length,
        "below",
        spring_free_length,
        "spring_free_length",
    )
    return spring_count * spring_rate * (spring_free_length - spring_installed_length) * ok
