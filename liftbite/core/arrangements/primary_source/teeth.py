"""The primary ratio comes from the teeth of the gears."""

from __future__ import annotations

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import positive


def primary_ratio(basket_gear_teeth: Values, crank_gear_teeth: Values) -> Values:
    """Crank turns per clutch turn, from the teeth of the primary gears.

    i_p = z_basket / z_crank

    Parameters
    ----------
    basket_gear_teeth : z_basket, teeth of the gear on the clutch basket [count]
    crank_gear_teeth : z_crank, teeth of the gear on the crank [count]

    Returns
    -------
    i_p, primary reduction [-]

    Range: teeth above 0.
    Source: [geometry: gear pair].

    >>> primary_ratio(70.0, 40.0)
    1.75
    """
    ok = positive("crank_gear_teeth", crank_gear_teeth)
    return basket_gear_teeth / crank_gear_teeth * ok
