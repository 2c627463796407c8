"""Where a car's clutch keeps its heat: flywheel, pressure plate, floaters, cover, the air in the housing.

`heat_network`. What a wet pack keeps stands with its layout.
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
    plate_heat_share: Values,
    first_side_heat: Values,
    disc_count: Values,
    flywheel_heat_mass: Values,
    floater_mass: Values,
    cover_mass: Values,
    plate_to_cover: Values,
    air_heat: Values,
    air_exchange: Values,
) -> HeatNetwork:
    """The masses that take a start's heat, and what lies between them.

    C_i = m_i·c; each gives hA·(m_i/m_h)^(2/3) to the air, the air hA_x to what is around the housing

    Parameters
    ----------
    heat_mass : m_h, mass of the hottest plate [kg]
    specific_heat : c, specific heat of that plate [J/(kg·K)]
    cooling : hA, heat given to the air per degree [W/K]
    plate_heat_share : a_p, share of the heat the hottest plate takes [-]
    first_side_heat : a_1, share of the heat the flywheel's sides of all discs make [-]
    disc_count : n_discs, discs in the clutch [count]
    flywheel_heat_mass : m_w, mass of the flywheel that warms with its face [kg]
    floater_mass : m_f, mass of a floater plate [kg]
    cover_mass : m_k, mass of cover and spring [kg]
    plate_to_cover : hA_k, heat from pressure plate to cover per degree [W/K]
    air_heat : C_a, heat capacity of the air in the housing [J/K]
    air_exchange : hA_x, heat from the air to what is around the housing per degree [W/K]

    Returns
    -------
    network, masses with what lies between them [-]

    Range: every plate at one temperature; the air at one, too.
    Source: [definition: heat balance of each mass; surface of like shapes goes with mass to the power of two thirds].
    """
    ok = positive("heat_mass", heat_mass) * positive("flywheel_heat_mass", flywheel_heat_mass)
    discs, share = round(float(disc_count * ok)), float(plate_heat_share)
    first = float(first_side_heat)
    shares = [1 - share, share]
    if discs > 1:  # a floater meets a face of either side
        shares = [first / discs, (1 - first) / discs, *[1 / discs] * (discs - 1)]
    rubbed = ["flywheel", "pressure plate", *(["floater"] if discs == 2 else [f"floater {i}" for i in range(1, discs)])]
    masses = [flywheel_heat_mass, heat_mass, *[floater_mass] * (discs - 1), cover_mass]
    count, air = len(masses) + 1, len(masses)
    links = np.zeros((count, count))
    for i, mass in enumerate(masses):
        links[i, air] = links[air, i] = cooling * (mass / heat_mass) ** (2 / 3)
    links[1, air - 1] = links[air - 1, 1] = plate_to_cover
    outside = np.zeros(count)
    outside[air] = air_exchange
    return HeatNetwork(
        (*rubbed, "cover", "air"),
        np.array([*(specific_heat * m for m in masses), air_heat]),
        links,
        outside,
        np.array([*shares, 0.0, 0.0]),
    )
