"""Heat: one start, from what the driver wants to the heat it makes.

In the order in which it is used:

- the start    `start_case`, `start_run`
- of it        `slip_time`, `slip_energy`, `tyre_energy`, `peak_slip_power`, `lowest_start_speed`, `start_settles`
- second way   `held_slip_time`, `held_slip_energy`

Everything is referred to the clutch shaft. What it works against: `start_loads`. `start_clutch_torque` and
`throttle_held` come from an arrangement; `quantities.launch` integrates.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within
from liftbite.core.graph.guards import positive
from liftbite.core.quantities.launch import launch
from liftbite.core.quantities.launch_case import Launch, LaunchCase
from liftbite.core.quantities.torque_curve import TorqueCurve


def start_case(
    engine_curve: TorqueCurve,
    rev_limit: Values,
    start_engine_share: Values,
    throttle_held: Values,
    engine_drag_share: Values,
    primary_ratio: Values,
    primary_efficiency: Values,
    engine_inertia: Values,
    gearbox_side_inertia: Values,
    vehicle_inertia: Values,
    start_clutch_torque: Values,
    torque_capacity: Values,
    tyre_torque: Values,
    start_load_torque: Values,
    start_speed: Values,
    stall_speed: Values,
    release_time: Values,
    restrictor_time: Values,
    first_temperature: Values,
    stack_sustained: Values,
    stack_brief: Values,
    stack_fade: Values,
    heat_mass: Values,
    specific_heat: Values,
    plate_heat_share: Values,
) -> LaunchCase:
    """What a start is integrated from.

    t_up = max(t_r, t_restr), C_h = m_h·c/a_h, ω_lim = min(ω_cut, last row of T(ω))

    Parameters
    ----------
    engine_curve : T(ω), torque over engine speed [N·m]
    rev_limit : ω_cut, engine speed at which the limiter cuts [rad/s]
    start_engine_share : a_e, most of full load the driver gives [-]
    throttle_held : h, 1 where the throttle is held open, 0 where it follows the clutch [-]
    engine_drag_share : a_d, torque of the closed throttle over the peak torque [-]
    primary_ratio : i_p, primary reduction [-]
    primary_efficiency : η_p, efficiency of the primary drive [-]
    engine_inertia : I_e, inertia on the engine side, at the clutch shaft [kg·m²]
    gearbox_side_inertia : I_g, inertia of the gearbox side at the clutch [kg·m²]
    vehicle_inertia : I_v, inertia of the vehicle at the clutch [kg·m²]
    start_clutch_torque : T_s, clutch torque during the start [N·m]
    torque_capacity : T_cap, torque capacity [N·m]
    tyre_torque : T_tyre, torque the tyres hold, at the clutch [N·m]
    start_load_torque : T_l, road load at the clutch [N·m]
    start_speed : ω_0, speed of the clutch's engine side at the start [rad/s]
    stall_speed : ω_st, engine speed below which it stalls [rad/s]
    release_time : t_r, time from biting to fully let up [s]
    restrictor_time : t_restr, least time a restrictor lets the pedal come up in [s]
    first_temperature : ϑ_1, temperature of the clutch before the first start [K]
    stack_sustained : ϑ_s, temperature the facing stands for long, of the whole stack [K]
    stack_brief : ϑ_b, temperature it stands for moments, of the whole stack [K]
    stack_fade : f, friction left at ϑ_b [-]
    heat_mass : m_h, mass of the hottest plate [kg]
    specific_heat : c, specific heat of that plate [J/(kg·K)]
    plate_heat_share : a_p, share of the heat the hottest plate takes [-]

    Returns
    -------
    case, everything at the clutch shaft [-]

    Range: as each of them.
    Source: [definition: referred to the clutch shaft by equal power].
    """
    return LaunchCase(
        curve=engine_curve,
        limiter=plain(np.minimum(rev_limit, engine_curve.speed[-1])),
        throttle_share=start_engine_share,
        held=throttle_held,
        drag_share=engine_drag_share,
        primary=primary_ratio * primary_efficiency,
        ratio=primary_ratio,
        engine_inertia=engine_inertia,
        gearbox_inertia=gearbox_side_inertia,
        vehicle_inertia=vehicle_inertia,
        clutch_torque=start_clutch_torque,
        capacity=torque_capacity,
        grip_torque=tyre_torque,
        load_torque=start_load_torque,
        start_speed=start_speed,
        stall_speed=stall_speed / primary_ratio,
        release_time=plain(np.maximum(release_time, restrictor_time)),
        start_temperature=first_temperature,
        sustained=stack_sustained,
        brief=stack_brief,
        fade=stack_fade,
        heat_capacity=heat_mass * specific_heat / plate_heat_share * positive("heat_mass", heat_mass),
    )


def start_run(start_case: LaunchCase) -> Launch:
    """The start, integrated until clutch, wheels and vehicle agree, the engine stalls, or it is given up.

    I_e·dω_e/dt = T_e − T_c; I_g·dω_g/dt = T_c − T_t; I_v·dω_v/dt = T_t − T_l

    Parameters
    ----------
    start_case : case, everything at the clutch shaft [-]

    Returns
    -------
    run, what came of it [-]

    Range: three inertias; the driver gives what the clutch takes, up to full load; given up after 30 s.
    Source: [definition: change of angular momentum].
    """
    return launch(start_case)


def slip_time(start_run: Launch) -> Values:
    """Time the clutch slips in a start.

    t = ∫ dt while ω_e ≠ ω_g

    Parameters
    ----------
    start_run : run, the start [-]

    Returns
    -------
    t, slip time of a start [s]

    Range: up to the stall, or to where it was given up.
    Source: [definition: both sides meet in speed].
    """
    return start_run.slip_time


def slip_energy(start_run: Launch) -> Values:
    """Heat of one start in the clutch, over all times it slips.

    E = ∫ T_c·(ω_e − ω_g) dt

    Parameters
    ----------
    start_run : run, the start [-]

    Returns
    -------
    E, heat of one start [J]

    Range: up to the stall, or to where it was given up.
    Source: [definition: power of sliding friction].
    """
    return start_run.energy


def tyre_energy(start_run: Launch) -> Values:
    """Heat of one start that goes into tyres that spin.

    E_t = ∫ T_tyre·(ω_g − ω_v) dt

    Parameters
    ----------
    start_run : run, the start [-]

    Returns
    -------
    E_t, heat of one start in the tyres [J]

    Range: 0 where they hold.
    Source: [definition: power of sliding friction].
    """
    return start_run.tyre_energy


def peak_slip_power(start_run: Launch) -> Values:
    """Highest power the clutch turns into heat in a start.

    P_max = max T_c·(ω_e − ω_g)

    Parameters
    ----------
    start_run : run, the start [-]

    Returns
    -------
    P_max, highest slip power of a start [W]

    Range: up to the end of slip or the stall.
    Source: [definition: power of sliding friction].
    """
    return start_run.peak_power


def lowest_start_speed(start_run: Launch, primary_ratio: Values) -> Values:
    """Lowest engine speed of a start.

    ω_min = i_p · min ω_e

    Parameters
    ----------
    start_run : run, the start [-]
    primary_ratio : i_p, primary reduction [-]

    Returns
    -------
    ω_min, lowest engine speed of a start [rad/s]

    Range: down to where the engine stalls.
    Source: [geometry: gear pair].
    """
    return start_run.lowest_speed * primary_ratio


def start_settles(start_run: Launch) -> Values:
    """Whether the start ends with clutch, wheels and vehicle running alike; not so where it stalls or never locks.

    b = 1 where ω_e = ω_g = ω_v at its end, else 0

    Parameters
    ----------
    start_run : run, the start [-]

    Returns
    -------
    b, 1 where the start settles [-]

    Range: 0 or 1.
    Source: [definition: both sides meet in speed].
    """
    settles = np.isin(start_run.outcome, ("locks", "spins"))
    return float(settles) if np.ndim(settles) == 0 else settles.astype(np.float64)


def held_slip_time(
    start_speed: Values,
    vehicle_inertia: Values,
    start_clutch_torque: Values,
    start_load_torque: Values,
    release_time: Values,
) -> Values:
    """Slip time of a start with the engine's speed held and one inertia behind the clutch: a second way.

    t = ω_0·I_v/(T_s − T_l) + t_r/2·(1 + T_l/T_s)

    Parameters
    ----------
    start_speed : ω_0, speed of the clutch's engine side at the start [rad/s]
    vehicle_inertia : I_v, inertia of the vehicle at the clutch [kg·m²]
    start_clutch_torque : T_s, clutch torque during the start [N·m]
    start_load_torque : T_l, road load at the clutch [N·m]
    release_time : t_r, time from biting to fully let up [s]

    Returns
    -------
    t, slip time with the engine's speed held [s]

    Range: t at least t_r, T_s above T_l; the vehicle stands on its brake until the clutch pulls; the tyres grip.
    Source: [definition: change of angular momentum, torque let in over t_r in a straight line].

    >>> round(held_slip_time(150.0, 0.8, 60.0, 5.0, 1.0), 3)
    2.723
    """
    ok = within(
        np.greater(start_clutch_torque, start_load_torque),
        "start_clutch_torque",
        start_clutch_torque,
        "above",
        start_load_torque,
        "start_load_torque",
    )
    pulls = start_clutch_torque - start_load_torque
    late = release_time / 2 * (1 + start_load_torque / start_clutch_torque)
    return (start_speed * vehicle_inertia / pulls + late) * ok


def held_slip_energy(
    start_speed: Values,
    vehicle_inertia: Values,
    start_clutch_torque: Values,
    start_load_torque: Values,
    release_time: Values,
) -> Values:
    """Heat of a start with the engine's speed held and one inertia behind the clutch: a second way.

    E = ω_0·T_s·t_r/2 − T_s²/(2·t_r²·I_v)·(U⁴/4 + t_0·U³/3) + T_s·I_v·(ω_0 − ω_1)²/(2·(T_s − T_l))

    Parameters
    ----------
    start_speed : ω_0, speed of the clutch's engine side at the start [rad/s]
    vehicle_inertia : I_v, inertia of the vehicle at the clutch [kg·m²]
    start_clutch_torque : T_s, clutch torque during the start [N·m]
    start_load_torque : T_l, road load at the clutch [N·m]
    release_time : t_r, time from biting to fully let up [s]

    Returns
    -------
    E, heat with the engine's speed held [J]

    Range: locks after t_r, T_s above T_l; t_0 = t_r·T_l/T_s, U = t_r − t_0, ω_1 = T_s·U²/(2·t_r·I_v); tyres grip.
    Source: [definition: power of sliding friction, integrated in closed form].

    >>> round(held_slip_energy(150.0, 0.8, 60.0, 5.0, 1.0))
    10181
    """
    ok = within(
        np.greater(start_clutch_torque, start_load_torque),
        "start_clutch_torque",
        start_clutch_torque,
        "above",
        start_load_torque,
        "start_load_torque",
    )
    t0 = release_time * start_load_torque / start_clutch_torque
    u = release_time - t0
    reached = start_clutch_torque * u**2 / (2 * release_time * vehicle_inertia)
    ramp = start_speed * start_clutch_torque * release_time / 2
    taken = start_clutch_torque**2 / (2 * release_time**2 * vehicle_inertia) * (u**4 / 4 + t0 * u**3 / 3)
    rest = start_clutch_torque * vehicle_inertia * (start_speed - reached) ** 2
    return (ramp - taken + rest / (2 * (start_clutch_torque - start_load_torque))) * ok
