"""Heat: does it survive the way it is used? Temperature of a start, and of several in a row.

In the order in which it is used:

- energy       `specific_energy`, `energy_margin`
- temperature  `bulk_rise`, `flash_rise`, `base_temperature`, `surface_temperature`, `hot_temperature`
- full load    `full_load_slip_power`, `full_load_temperature`
- margins      `heat_margin`, `sustained_margin`

`slip_energy` and `slip_time` are those of the start in `start`.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive


def specific_energy(slip_energy: Values, facing_area_total: Values) -> Values:
    """Heat of one start over the area of all faces.

    e = E / A_total

    Parameters
    ----------
    slip_energy : E, heat of one start [J]
    facing_area_total : A_total, area of all faces [m²]

    Returns
    -------
    e, heat per area of one start [J/m²]

    Range: A_total above 0.
    Source: [definition: energy over area].

    >>> round(specific_energy(30e3, 0.05) / 1e6, 2)
    0.6
    """
    return slip_energy / facing_area_total


def energy_margin(specific_energy_limit: Values, specific_energy: Values) -> Values:
    """Heat per area a facing stands over what a start brings.

    m_e = e_limit / e

    Parameters
    ----------
    specific_energy_limit : e_limit, heat per area of a hard start that the facing stands [J/m²]
    specific_energy : e, heat per area of one start [J/m²]

    Returns
    -------
    m_e, energy margin [-]

    Range: e above 0.
    Source: [memory: 0.5 to 1 J/mm² per hard start for dry organic].

    >>> energy_margin(0.7e6, 0.5e6)
    1.4
    """
    return plain(specific_energy_limit / np.maximum(specific_energy, 1e-9))


def bulk_rise(slip_energy: Values, heat_share: Values, heat_mass: Values, specific_heat: Values) -> Values:
    """How much one start warms the hottest plate through.

    Δϑ_bulk = a_h · E / (m_h · c)

    Parameters
    ----------
    slip_energy : E, heat of one start [J]
    heat_share : a_h, share of the heat the hottest plate takes [-]
    heat_mass : m_h, mass of that plate [kg]
    specific_heat : c, specific heat of that plate [J/(kg·K)]

    Returns
    -------
    Δϑ_bulk, bulk rise of one start [K diff]

    Range: m_h and c above 0, a_h from 0 to 1; no heat lost during the start.
    Source: [definition: heat over heat capacity].

    >>> bulk_rise(30e3, 0.5, 5.0, 500.0)
    6.0
    """
    return heat_share * slip_energy / (heat_mass * specific_heat) * positive("heat_mass", heat_mass)


def flash_rise(
    slip_energy: Values,
    slip_time: Values,
    facing_area_total: Values,
    conductivity: Values,
    plate_density: Values,
    specific_heat: Values,
) -> Values:
    """How much the surface of a thick plate flashes up in one start; flux falls in a straight line to zero.

    Δϑ_flash = 0.943 · (2·q/√π) · √(t/(k·ρ·c)), q = E/(A_total·t)

    Parameters
    ----------
    slip_energy : E, heat of one start [J]
    slip_time : t, slip time of a start [s]
    facing_area_total : A_total, area of all faces [m²]
    conductivity : k, conductivity of the plate [W/(m·K)]
    plate_density : ρ_h, density of the plate [kg/m³]
    specific_heat : c, specific heat of that plate [J/(kg·K)]

    Returns
    -------
    Δϑ_flash, surface rise of one start [K diff]

    Range: t, k, ρ_h and c above 0; a plate thick against the depth heat reaches, power that falls evenly to 0.
    Source: [memory: Carslaw and Jaeger, Conduction of Heat in Solids, 2nd edition; 0.943 for flux that falls to zero].

    >>> round(flash_rise(30e3, 1.0, 0.05, 50.0, 7200.0, 500.0), 1)
    47.6
    """
    flux = slip_energy / (facing_area_total * slip_time)
    return plain(
        2
        * np.sqrt(2)
        / 3
        * 2
        * flux
        / np.sqrt(np.pi)
        * np.sqrt(slip_time / (conductivity * plate_density * specific_heat))
    )


def base_temperature(
    ambient_temperature: Values,
    bulk_rise: Values,
    starts_in_row: Values,
    start_interval: Values,
    heat_mass: Values,
    specific_heat: Values,
    cooling: Values,
) -> Values:
    """Temperature of the hottest plate just before the last of several starts.

    ϑ_base = ϑ_amb + Δϑ_bulk · (q − q^n)/(1 − q), q = exp(−τ·hA/(m_h·c))

    Parameters
    ----------
    ambient_temperature : ϑ_amb, temperature in the housing [K]
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

    >>> round(base_temperature(353.15, 10.0, 10.0, 60.0, 5.0, 500.0, 15.0), 1)
    375.3
    """
    left = np.exp(-start_interval * cooling / (heat_mass * specific_heat))
    many = np.where(left < 1, (left - left**starts_in_row) / np.where(left < 1, 1 - left, 1), starts_in_row - 1)
    return plain(ambient_temperature + bulk_rise * many)


def surface_temperature(base_temperature: Values, flash_rise: Values, bulk_rise: Values) -> Values:
    """Highest temperature of the rubbing surface, in the last start; flash and bulk rise of one start are not added.

    ϑ_max = ϑ_base + max(Δϑ_flash, Δϑ_bulk)

    Parameters
    ----------
    base_temperature : ϑ_base, temperature before the last start [K]
    flash_rise : Δϑ_flash, surface rise of one start [K diff]
    bulk_rise : Δϑ_bulk, bulk rise of one start [K diff]

    Returns
    -------
    ϑ_max, peak surface temperature [K]

    Range: rises 0 or more; a cautious sum, whichever rise is the larger.
    Source: [practice: the larger of the two].

    >>> surface_temperature(400.0, 80.0, 12.0)
    480.0
    """
    return plain(base_temperature + np.maximum(flash_rise, bulk_rise))


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
    facing_area_total: Values,
    heat_share: Values,
    heat_mass: Values,
    specific_heat: Values,
    conductivity: Values,
    plate_density: Values,
    ambient_temperature: Values,
) -> Values:
    """Temperature of the face after slipping at full load: the steady flux of that time, or the plate heated through.

    ϑ_f = ϑ_amb + max(a_h·P_f·t/(m_h·c), 2·P_f/(A_total·√π)·√(t/(k·ρ_h·c)))

    Parameters
    ----------
    full_load_slip_power : P_f, heat at full load while it slips [W]
    full_load_slip_time : t, time it is kept slipping [s]
    facing_area_total : A_total, area of all faces [m²]
    heat_share : a_h, share of the heat the hottest plate takes [-]
    heat_mass : m_h, mass of that plate [kg]
    specific_heat : c, specific heat of that plate [J/(kg·K)]
    conductivity : k, conductivity of the plate [W/(m·K)]
    plate_density : ρ_h, density of the plate [kg/m³]
    ambient_temperature : ϑ_amb, temperature in the housing [K]

    Returns
    -------
    ϑ_f, temperature of the face after slipping at full load [K]

    Range: steady flux, no heat lost meanwhile; a plate thick against the depth heat reaches, or heated through.
    Source: [memory: Carslaw and Jaeger, Conduction of Heat in Solids, 2nd edition, steady flux into a half-space].

    >>> round(full_load_temperature(12e3, 10.0, 0.046, 0.5, 5.0, 500.0, 50.0, 7200.0, 353.15), 1)
    422.5
    """
    stores = conductivity * plate_density * specific_heat
    flash = 2 * full_load_slip_power / (facing_area_total * np.sqrt(np.pi)) * np.sqrt(full_load_slip_time / stores)
    bulk = heat_share * full_load_slip_power * full_load_slip_time / (heat_mass * specific_heat)
    return plain(ambient_temperature + np.maximum(flash, bulk) * positive("heat_mass", heat_mass))


def heat_margin(brief_temperature: Values, surface_temperature: Values, ambient_temperature: Values) -> Values:
    """Rise the facing stands for moments over the rise there is.

    m_heat = (ϑ_b − ϑ_amb) / (ϑ_max − ϑ_amb)

    Parameters
    ----------
    brief_temperature : ϑ_b, temperature it stands for moments [K]
    surface_temperature : ϑ_max, peak surface temperature [K]
    ambient_temperature : ϑ_amb, temperature in the housing [K]

    Returns
    -------
    m_heat, heat margin [-]

    Range: ϑ_max above ϑ_amb, ϑ_b above ϑ_amb.
    Source: [definition: limit over value, both above ambient].

    >>> heat_margin(573.15, 453.15, 353.15)
    2.2
    """
    return plain(
        (brief_temperature - ambient_temperature) / np.maximum(surface_temperature - ambient_temperature, 1e-9)
    )


def sustained_margin(sustained_temperature: Values, base_temperature: Values, ambient_temperature: Values) -> Values:
    """Rise the facing stands for long over the rise of the hot plate between starts.

    m_sus = (ϑ_s − ϑ_amb) / (ϑ_base − ϑ_amb)

    Parameters
    ----------
    sustained_temperature : ϑ_s, temperature it stands for long [K]
    base_temperature : ϑ_base, temperature before the last start [K]
    ambient_temperature : ϑ_amb, temperature in the housing [K]

    Returns
    -------
    m_sus, sustained heat margin [-]

    Range: ϑ_base above ϑ_amb, ϑ_s above ϑ_amb.
    Source: [definition: limit over value, both above ambient].

    >>> sustained_margin(473.15, 413.15, 353.15)
    2.0
    """
    return plain(
        (sustained_temperature - ambient_temperature) / np.maximum(base_temperature - ambient_temperature, 1e-9)
    )
