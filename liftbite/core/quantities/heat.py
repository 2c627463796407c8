"""Heat: does it survive the way it is used? One start in closed form, temperature, repeats.

In the order in which it is used:

- start        `vehicle_inertia`, `start_slip_speed`, `start_clutch_torque`, `start_engine_torque`, `start_load_torque`
- energy       `slip_time`, `slip_energy`, `specific_energy`, `energy_margin`
- temperature  `bulk_rise`, `flash_rise`, `base_temperature`, `surface_temperature`, `hot_temperature`
- margins      `heat_margin`, `sustained_margin`

Everything is referred to the clutch shaft. The start is worked out with constant torques; `analysis.launch`
integrates the real one.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within
from liftbite.core.graph.guards import positive


def vehicle_inertia(
    vehicle_mass: Values, trailer_mass: Values, tyre_radius: Values, gear_ratio: Values, final_ratio: Values
) -> Values:
    """Inertia of the vehicle as the clutch feels it in this gear.

    I_v = (m_v + m_t) · r_t² / (i_g · i_f)²

    Parameters
    ----------
    vehicle_mass : m_v, mass of the vehicle with load [kg]
    trailer_mass : m_t, mass of the trailer [kg]
    tyre_radius : r_t, rolling radius of the tyre [m]
    gear_ratio : i_g, ratio of the gear [-]
    final_ratio : i_f, ratio of the final drive [-]

    Returns
    -------
    I_v, inertia of the vehicle at the clutch [kg·m²]

    Range: m_v, r_t, i_g and i_f above 0, m_t 0 or more; turning parts of the driveline left aside.
    Source: [definition: equal kinetic energy].

    >>> round(vehicle_inertia(1400.0, 0.0, 0.3, 3.5, 4.0), 4)
    0.6429
    """
    return (
        (vehicle_mass + trailer_mass)
        * tyre_radius**2
        / (gear_ratio * final_ratio) ** 2
        * positive("gear_ratio", gear_ratio)
    )


def start_speed(start_engine_speed: Values, primary_ratio: Values) -> Values:
    """Speed of the clutch's engine side at the start.

    ω_0 = ω_s / i_p

    Parameters
    ----------
    start_engine_speed : ω_s, engine speed at the start [rad/s]
    primary_ratio : i_p, primary reduction [-]

    Returns
    -------
    ω_0, speed of the clutch's engine side at the start [rad/s]

    Range: ω_s and i_p above 0.
    Source: [geometry: gear pair].

    >>> start_speed(350.0, 1.75)
    200.0
    """
    return start_engine_speed / primary_ratio


def start_clutch_torque(start_clutch_share: Values, torque_at_clutch: Values, torque_capacity: Values) -> Values:
    """Torque the clutch is let to carry during the start, at most its capacity.

    T_s = min(a_c · T_c, T_cap)

    Parameters
    ----------
    start_clutch_share : a_c, clutch torque at the start over the engine's peak [-]
    torque_at_clutch : T_c, largest engine torque at the clutch [N·m]
    torque_capacity : T_cap, torque capacity [N·m]

    Returns
    -------
    T_s, clutch torque during the start [N·m]

    Range: a_c above 0.
    Source: [practice: shares by kind of start].

    >>> start_clutch_torque(0.5, 400.0, 520.0)
    200.0
    """
    return plain(np.minimum(start_clutch_share * torque_at_clutch, torque_capacity))


def start_engine_torque(start_engine_share: Values, torque_at_clutch: Values) -> Values:
    """Torque of the engine during the start, at the clutch.

    T_e = a_e · T_c

    Parameters
    ----------
    start_engine_share : a_e, engine torque at the start over its peak [-]
    torque_at_clutch : T_c, largest engine torque at the clutch [N·m]

    Returns
    -------
    T_e, engine torque during the start [N·m]

    Range: a_e 0 or more.
    Source: [practice: shares by kind of start].

    >>> start_engine_torque(0.5, 400.0)
    200.0
    """
    return start_engine_share * torque_at_clutch


def start_load_torque(
    vehicle_mass: Values,
    trailer_mass: Values,
    grade: Values,
    rolling_resistance: Values,
    tyre_radius: Values,
    gear_ratio: Values,
    final_ratio: Values,
) -> Values:
    """Road load during the start, at the clutch.

    T_l = (m_v + m_t)·g·(sin α + f_r·cos α)·r_t / (i_g·i_f), tan α = s

    Parameters
    ----------
    vehicle_mass : m_v, mass of the vehicle with load [kg]
    trailer_mass : m_t, mass of the trailer [kg]
    grade : s, slope of the road, rise over run [-]
    rolling_resistance : f_r, rolling resistance over weight [-]
    tyre_radius : r_t, rolling radius of the tyre [m]
    gear_ratio : i_g, ratio of the gear [-]
    final_ratio : i_f, ratio of the final drive [-]

    Returns
    -------
    T_l, road load at the clutch [N·m]

    Range: s from 0 to 1, f_r 0 or more, i_g and i_f above 0; no wind.
    Source: [definition: forces on a slope].

    >>> round(start_load_torque(1400.0, 0.0, 0.0, 0.015, 0.3, 3.5, 4.0), 2)
    4.41
    """
    slope = np.arctan(grade)
    weight = (vehicle_mass + trailer_mass) * 9.80665
    force = weight * (np.sin(slope) + rolling_resistance * np.cos(slope))
    return plain(force * tyre_radius / (gear_ratio * final_ratio))


def slip_time(
    start_speed: Values,
    start_clutch_torque: Values,
    start_engine_torque: Values,
    start_load_torque: Values,
    engine_inertia: Values,
    vehicle_inertia: Values,
) -> Values:
    """Time the clutch slips in a start from rest with constant torques.

    t = ω_0 / ((T_s − T_e)/I_e + (T_s − T_l)/I_v)

    Parameters
    ----------
    start_speed : ω_0, speed of the clutch's engine side at the start [rad/s]
    start_clutch_torque : T_s, clutch torque during the start [N·m]
    start_engine_torque : T_e, engine torque during the start [N·m]
    start_load_torque : T_l, road load at the clutch [N·m]
    engine_inertia : I_e, inertia on the engine side, at the clutch shaft [kg·m²]
    vehicle_inertia : I_v, inertia of the vehicle at the clutch [kg·m²]

    Returns
    -------
    t, slip time of a start [s]

    Range: the closing rate above 0; at or below it the clutch never locks.
    Source: [definition: both sides meet in speed].

    >>> round(slip_time(300.0, 200.0, 200.0, 5.0, 0.2, 0.643), 3)
    0.989
    """
    rate = (start_clutch_torque - start_engine_torque) / engine_inertia + (
        start_clutch_torque - start_load_torque
    ) / vehicle_inertia
    return start_speed / rate * within(np.greater(rate, 0), "closing_rate", rate, "above", 0)


def slip_energy(start_clutch_torque: Values, start_speed: Values, slip_time: Values) -> Values:
    """Heat of one start.

    E = T_s · ω_0 · t / 2

    Parameters
    ----------
    start_clutch_torque : T_s, clutch torque during the start [N·m]
    start_speed : ω_0, speed of the clutch's engine side at the start [rad/s]
    slip_time : t, slip time of a start [s]

    Returns
    -------
    E, heat of one start [J]

    Range: t 0 or more; a slip speed that falls evenly, constant torque.
    Source: [memory: Shigley's Mechanical Engineering Design, 10th edition, section 16-8, energy considerations].

    >>> slip_energy(200.0, 300.0, 1.0)
    30000.0
    """
    return start_clutch_torque * start_speed * slip_time / 2


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
    return specific_energy_limit / specific_energy


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
