"""Heat: what a start works against, seen from the clutch shaft.

- inertias     `vehicle_inertia`, `gearbox_side_inertia`
- torques      `start_speed`, `start_load_torque`, `tyre_torque`, `start_full_torque`
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive
from liftbite.core.quantities.torque_curve import TorqueCurve
from liftbite.core.units.constants import GRAVITY


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
    weight = (vehicle_mass + trailer_mass) * GRAVITY
    force = weight * (np.sin(slope) + rolling_resistance * np.cos(slope))
    return plain(force * tyre_radius / (gear_ratio * final_ratio))


def gearbox_side_inertia(
    gearbox_inertia: Values, wheels_inertia: Values, gear_ratio: Values, final_ratio: Values
) -> Values:
    """Inertia between the clutch and the tyres' contact with the road: disc, gearbox, shafts and driven wheels.

    I_g = I_b + I_r / (i_g · i_f)²

    Parameters
    ----------
    gearbox_inertia : I_b, inertia of disc and gearbox at the clutch shaft [kg·m²]
    wheels_inertia : I_r, inertia of the driven wheels with their shafts [kg·m²]
    gear_ratio : i_g, ratio of the gear [-]
    final_ratio : i_f, ratio of the final drive [-]

    Returns
    -------
    I_g, inertia of the gearbox side at the clutch [kg·m²]

    Range: i_g and i_f above 0, I_b or I_r above 0.
    Source: [definition: equal kinetic energy].

    >>> round(gearbox_side_inertia(0.01, 2.5, 3.5, 4.0), 5)
    0.02276
    """
    return gearbox_inertia + wheels_inertia / (gear_ratio * final_ratio) ** 2 * positive("gear_ratio", gear_ratio)


def tyre_torque(
    tyre_grip: Values,
    driven_load_share: Values,
    vehicle_mass: Values,
    grade: Values,
    tyre_radius: Values,
    gear_ratio: Values,
    final_ratio: Values,
) -> Values:
    """Torque at which the driven tyres let go, referred to the clutch; no limit of the clutch's own torque.

    T_tyre = μ_t · a_d · m_v·g·cos α · r_t / (i_g·i_f), tan α = s

    Parameters
    ----------
    tyre_grip : μ_t, friction of the driven tyres on the road [-]
    driven_load_share : a_d, share of the weight on the driven wheels [-]
    vehicle_mass : m_v, mass of the vehicle with load [kg]
    grade : s, slope of the road, rise over run [-]
    tyre_radius : r_t, rolling radius of the tyre [m]
    gear_ratio : i_g, ratio of the gear [-]
    final_ratio : i_f, ratio of the final drive [-]

    Returns
    -------
    T_tyre, torque the tyres hold, at the clutch [N·m]

    Range: μ_t above 0, a_d from 0 to 1; the weight as it is distributed at the start.
    Source: [definition: friction on the road].

    >>> round(tyre_torque(1.0, 0.6, 1400.0, 0.0, 0.3, 3.5, 4.0), 1)
    176.5
    """
    weight = vehicle_mass * GRAVITY * np.cos(np.arctan(grade))
    return plain(tyre_grip * driven_load_share * weight * tyre_radius / (gear_ratio * final_ratio))


def start_full_torque(
    engine_curve: TorqueCurve,
    start_engine_speed: Values,
    start_engine_share: Values,
    primary_ratio: Values,
    primary_efficiency: Values,
) -> Values:
    """Torque the driver can ask for at the speed of the start, at the clutch; below the curve's first row estimated.

    T_full = a_e · T(ω_s) · i_p · η_p

    Parameters
    ----------
    engine_curve : T(ω), torque over engine speed [N·m]
    start_engine_speed : ω_s, engine speed at the start [rad/s]
    start_engine_share : a_e, most of full load the driver gives [-]
    primary_ratio : i_p, primary reduction [-]
    primary_efficiency : η_p, efficiency of the primary drive [-]

    Returns
    -------
    T_full, largest engine torque at the start, at the clutch [N·m]

    Range: ω_s above 0; below the first row torque falls in a straight line to rest.
    Source: [definition: torque through a gear pair].
    """
    made = np.interp(start_engine_speed, *engine_curve.from_rest)
    return plain(start_engine_share * made * primary_ratio * primary_efficiency)
