"""A facing that fades when it gets too hot."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within


def temperature_factor(
    facing_temperature: Values, sustained_temperature: Values, brief_temperature: Values, fade_share: Values
) -> Values:
    """Share of the friction that is left at a temperature.

    f = 1 up to ϑ_s, falling in a straight line to f_fade at ϑ_b, flat beyond

    Parameters
    ----------
    facing_temperature : ϑ, temperature of the facing [K]
    sustained_temperature : ϑ_s, temperature it stands for long [K]
    brief_temperature : ϑ_b, temperature it stands for moments [K]
    fade_share : f_fade, share of the friction left at ϑ_b [-]

    Returns
    -------
    f, friction left at this temperature [-]

    Range: ϑ_s below ϑ_b.
    Source: [memory: flat, then falling; 0.6 of nominal at the brief limit].

    >>> temperature_factor(293.15, 473.15, 573.15, 0.6), round(temperature_factor(523.15, 473.15, 573.15, 0.6), 3)
    (1.0, 0.8)
    """
    ok = within(
        np.less(sustained_temperature, brief_temperature),
        "sustained_temperature",
        sustained_temperature,
        "below",
        brief_temperature,
        "brief_temperature",
    )
    share = (facing_temperature - sustained_temperature) / (brief_temperature - sustained_temperature)
    return plain((1 - (1 - fade_share) * np.clip(share, 0, 1)) * ok)
