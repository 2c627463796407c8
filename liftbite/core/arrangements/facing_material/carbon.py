"""Carbon: weak when cold, at its best from 200 °C up."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain


def temperature_factor(facing_temperature: Values) -> Values:
    """Share of the friction a carbon facing has at a temperature.

    f = 0.5 at 20 °C, rising in a straight line to 1 at 200 °C, flat beyond

    Parameters
    ----------
    facing_temperature : ϑ, temperature of the facing [K]

    Returns
    -------
    f, friction left at this temperature [-]

    Range: ϑ above 0 K; carbon on carbon or steel.
    Source: [memory: half of nominal cold, nominal at 200 °C].

    >>> temperature_factor(293.15), temperature_factor(473.15)
    (0.5, 1.0)
    """
    return plain(0.5 + 0.5 * np.clip((facing_temperature - 293.15) / 180.0, 0, 1))
