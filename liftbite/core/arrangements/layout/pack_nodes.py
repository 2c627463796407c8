"""Where a wet pack keeps its heat: the plain plates, basket with hub, and the oil.

`heat_network`.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import positive
from liftbite.core.quantities.thermal import HeatNetwork


def heat_network(
    heat_mass: Values,
    specific_heat: Values,
    cooling: Values,
    basket_mass: Values,
    oil_heat: Values,
    oil_exchange: Values,
) -> HeatNetwork:
    """The masses that take a start's heat, and what lies between them.

    C_i = m_i·c; plates and basket give hA to the oil, the oil hA_x to what is around the engine

    Parameters
    ----------
    heat_mass : m_h, mass of the hottest plate [kg]
    specific_heat : c, specific heat of that plate [J/(kg·K)]
    cooling : hA, heat given to the oil per degree [W/K]
    basket_mass : m_k, mass of basket and hub [kg]
    oil_heat : C_o, heat capacity of the oil [J/K]
    oil_exchange : hA_x, heat from the oil to what is around the engine per degree [W/K]

    Returns
    -------
    network, masses with what lies between them [-]

    Range: all plain plates at one temperature; the oil at one, too.
    Source: [definition: heat balance of each mass].
    """
    ok = positive("heat_mass", heat_mass) * positive("basket_mass", basket_mass)
    links = np.array([[0.0, 0.0, cooling], [0.0, 0.0, cooling], [cooling, cooling, 0.0]]) * ok
    stores = np.array([specific_heat * heat_mass, specific_heat * basket_mass, oil_heat])
    return HeatNetwork(
        ("plates", "basket", "oil"), stores, links, np.array([0.0, 0.0, oil_exchange]), np.array([1.0, 0.0, 0.0])
    )
