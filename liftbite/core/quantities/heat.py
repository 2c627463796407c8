"""Heat: does it survive the way it is used? Temperature of a start, and of several in a row.

In the order in which it is used:

- temperature  `bulk_rise`, `base_temperature`, `hot_temperature`
- full load    `full_load_slip_power`, `full_load_temperature`

What a face takes, and its margins, stand in `face`; `slip_energy` and `slip_time` are those of the start in `start`.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive


def bulk_rise(slip_energy: Values, plate_heat_share: Values, heat_mass: Values, specific_heat: Values) -> Values:
    """How much one start warms the hottest plate through.

    Δϑ_bulk = a_p · E / (m_h · c)

    Parameters
    ----------
    slip_energy : E, heat of one start [J]
    plate_heat_share : a_p, share of the heat the hottest plate takes [-]
    heat_mass : m_h, mass of that plate [kg]
    specific_heat : c, specific heat of that plate [J/(kg·K)]

    Returns
    -------
    Δϑ_bulk, bulk rise of one start [K diff]

    Range: m_h and c above 0, a_p from 0 to 1; no heat lost during the start.
    Source: [definition: heat over heat capacity].

    >>> bulk_rise(30e3, 0.5, 5.0, 500.0)
    6.0
    """
    return plate_heat_share * slip_energy / (heat_mass * specific_heat) * positive("heat_mass", heat_mass)


def base_temperature(
    ambient_temperature: Values,
    first_temperature: Values,
    bulk_rise: Values,
    starts_in_row: Values,
    start_interval: Values,
    heat_mass: Values,
    specific_heat: Values,
    cooling: Values,
) -> Values:
    """Temperature of the hottest plate just before the last of several starts.

    ϑ_base = ϑ_amb + (ϑ_1 − ϑ_amb)·q^(n−1) + Δϑ_bulk · (q − q^n)/(1 − q), q = exp(−τ·hA/(m_h·c))

    Parameters
    ----------
    ambient_temperature : ϑ_amb, temperature in the housing [K]
    first_temperature : ϑ_1, temperature of the clutch before the first start [K]
    bulk_rise : Δϑ_bulk, bulk rise of one start [K diff]
    starts_in_row : n, starts in a row [count]
    start_interval : τ, time between them [s]
    heat_mass : m_h, mass of that plate [kg]
    specific_heat : c, specific heat of that plate [J/(kg·K)]
    cooling : hA, heat given to the air per degree [W/K]

    Returns
    -------
    ϑ_base, temperature before the last start [K]

    Range: n 1 or more.
    Source: [definition: each rise decays with the cooling time m_h·c/hA].

    >>> round(base_temperature(353.15, 353.15, 10.0, 10.0, 60.0, 5.0, 500.0, 15.0), 1)
    375.3
    >>> base_temperature(353.15, 453.15, 10.0, 1.0, 60.0, 5.0, 500.0, 15.0)
    453.15
    """
    left = np.exp(-start_interval * cooling / (heat_mass * specific_heat))
    many = np.where(left < 1, (left - left**starts_in_row) / np.where(left < 1, 1 - left, 1), starts_in_row - 1)
    before = (first_temperature - ambient_temperature) * left ** (starts_in_row - 1)
    return plain(ambient_temperature + before + bulk_rise * many)


def hot_temperature(base_temperature: Values, bulk_rise: Values) -> Values:
    """How hot the build's own use gets the hottest plate through: after the last start, without the flash.

    ϑ_hot = ϑ_base + Δϑ_bulk

    Parameters
    ----------
    base_temperature : ϑ_base, temperature before the last start [K]
    bulk_rise : Δϑ_bulk, bulk rise of one start [K diff]

    Returns
    -------
    ϑ_hot, bulk temperature after the last start [K]

    Range: a flash lasts too short to fade a facing through.
    Source: [definition: heat over heat capacity].

    >>> hot_temperature(400.0, 12.0)
    412.0
    """
    return base_temperature + bulk_rise


def full_load_slip_power(torque_capacity: Values, full_load_slip_speed: Values, primary_ratio: Values) -> Values:
    """Heat a clutch makes each second that does not hold full load, at the speed the engine gets away by.

    P_f = T_cap · ω_f / i_p

    Parameters
    ----------
    torque_capacity : T_cap, torque capacity [N·m]
    full_load_slip_speed : ω_f, engine speed over the speed of the gearbox side, at the crank [rad/s]
    primary_ratio : i_p, primary reduction [-]

    Returns
    -------
    P_f, heat at full load while it slips [W]

    Range: counts where the engine makes more than T_cap.
    Source: [definition: power of sliding friction].

    >>> round(full_load_slip_power(236.0, 52.36, 1.0))
    12357
    """
    return torque_capacity * full_load_slip_speed / primary_ratio


def full_load_temperature(
    full_load_slip_power: Values,
    full_load_slip_time: Values,
    heated_area: Values,
    plate_heat_share: Values,
    heat_mass: Values,
    specific_heat: Values,
    conductivity: Values,
    plate_density: Values,
    first_temperature: Values,
) -> Values:
    """Temperature of the face after slipping at full load: the steady flux of that time, or the plate heated through.

    ϑ_f = ϑ_1 + max(a_p·P_f·t/(m_h·c), 2·P_f/(A_heat·√π)·√(t/(k·ρ_h·c)))

    Parameters
    ----------
    full_load_slip_power : P_f, heat at full load while it slips [W]
    full_load_slip_time : t, time it is kept slipping [s]
    heated_area : A_heat, area the heat of the whole clutch spreads over, as these faces see it [m²]
    plate_heat_share : a_p, share of the heat the hottest plate takes [-]
    heat_mass : m_h, mass of that plate [kg]
    specific_heat : c, specific heat of that plate [J/(kg·K)]
    conductivity : k, conductivity of the plate [W/(m·K)]
    plate_density : ρ_h, density of the plate [kg/m³]
    first_temperature : ϑ_1, temperature of the clutch before the first start [K]

    Returns
    -------
    ϑ_f, temperature of the face after slipping at full load [K]

    Range: steady flux, no heat lost meanwhile; a plate thick against the depth heat reaches, or heated through.
    Source: [memory: Carslaw and Jaeger, Conduction of Heat in Solids, 2nd edition, steady flux into a half-space].

    >>> round(full_load_temperature(12e3, 10.0, 0.046, 0.5, 5.0, 500.0, 50.0, 7200.0, 353.15), 1)
    422.5
    """
    stores = conductivity * plate_density * specific_heat
    flash = 2 * full_load_slip_power / (heated_area * np.sqrt(np.pi)) * np.sqrt(full_load_slip_time / stores)
    bulk = plate_heat_share * full_load_slip_power * full_load_slip_time / (heat_mass * specific_heat)
    return plain(first_temperature + np.maximum(flash, bulk) * positive("heat_mass", heat_mass))
