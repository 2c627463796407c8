"""A clutch that has come to the temperature of its housing."""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def first_temperature(ambient_temperature: Values) -> Values:
    """Temperature of the clutch before the first start.

    ϑ_1 = ϑ_amb

    Parameters
    ----------
    ambient_temperature : ϑ_amb, temperature in the housing [K]

    Returns
    -------
    ϑ_1, temperature of the clutch before the first start [K]

    Range: a clutch that has stood, or run locked, for some minutes.
    Source: [definition: nothing has heated it].

    >>> first_temperature(353.15)
    353.15
    """
    return ambient_temperature
