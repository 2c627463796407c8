"""What turns with the engine, and what its inertia does: felt mass, stored energy, revving up, synchronising.

`effective_mass`, `stored_energy`, `free_rev_time`, `synchro_energy`; `flywheel_inertia` and `engine_inertia` come from
an arrangement, or are inputs. Strength stands in `strength`, balance in `balance`.
"""

from __future__ import annotations

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import positive


def effective_mass(
    flywheel_inertia: Values, primary_ratio: Values, gear_ratio: Values, final_ratio: Values, tyre_radius: Values
) -> Values:
    """Mass the vehicle feels heavier by, in this gear, for the inertia of the flywheel.

    m_eff = I_w · (i_p·i_g·i_f)² / r_t²

    Parameters
    ----------
    flywheel_inertia : I_w, inertia of the flywheel [kg·m²]
    primary_ratio : i_p, primary reduction, where the wheel sits ahead of it; 1 in a car [-]
    gear_ratio : i_g, ratio of the gear [-]
    final_ratio : i_f, ratio of the final drive [-]
    tyre_radius : r_t, rolling radius of the tyre [m]

    Returns
    -------
    m_eff, mass felt in this gear [kg]

    Range: r_t above 0; in that gear, clutch closed.
    Source: [definition: equal kinetic energy].

    >>> round(effective_mass(0.1, 1.0, 3.5, 4.0, 0.3), 1)
    217.8
    """
    return (
        flywheel_inertia
        * (primary_ratio * gear_ratio * final_ratio) ** 2
        / tyre_radius**2
        * positive("tyre_radius", tyre_radius)
    )


def stored_energy(engine_inertia: Values, start_speed: Values) -> Values:
    """Energy that turns with the engine side when the clutch begins to bite; a light wheel has less to give.

    E_rot = I_e · ω_0² / 2

    Parameters
    ----------
    engine_inertia : I_e, inertia on the engine side, at the clutch shaft [kg·m²]
    start_speed : ω_0, speed of the clutch's engine side at the start [rad/s]

    Returns
    -------
    E_rot, rotating energy at the start [J]

    Range: I_e above 0.
    Source: [definition: kinetic energy].

    >>> stored_energy(0.2, 300.0)
    9000.0
    """
    return engine_inertia * start_speed**2 / 2


def free_rev_time(
    engine_inertia: Values, redline: Values, idle_speed: Values, free_rev_torque: Values, primary_ratio: Values
) -> Values:
    """Time the engine takes to rev from idle to the redline with the clutch open.

    t = I_e · (ω_red − ω_idle) / (T_net · i_p²)

    Parameters
    ----------
    engine_inertia : I_e, inertia on the engine side, at the clutch shaft [kg·m²]
    redline : ω_red, highest engine speed [rad/s]
    idle_speed : ω_idle, idle speed [rad/s]
    free_rev_torque : T_net, torque left to rev the engine with the clutch open [N·m]
    primary_ratio : i_p, primary reduction [-]

    Returns
    -------
    t, time from idle to redline [s]

    Range: T_net above 0, ω_idle below ω_red.
    Source: [definition: torque changes angular momentum; everything at the crank].

    >>> free_rev_time(0.2, 700.0, 100.0, 120.0, 1.0)
    1.0
    """
    return (
        engine_inertia
        * (redline - idle_speed)
        / (free_rev_torque * primary_ratio**2)
        * positive("free_rev_torque", free_rev_torque)
    )


def synchro_energy(disc_inertia: Values, shift_speed_step: Values) -> Values:
    """Energy the synchroniser has to take to match disc and input shaft at a shift.

    E_sync = I_d · Δω² / 2

    Parameters
    ----------
    disc_inertia : I_d, inertia of disc and input shaft [kg·m²]
    shift_speed_step : Δω, step of the input shaft's speed at a shift [rad/s]

    Returns
    -------
    E_sync, energy at the synchroniser [J]

    Range: I_d 0 or more; gears of the box left aside.
    Source: [definition: kinetic energy of the difference].

    >>> synchro_energy(0.005, 200.0)
    100.0
    """
    return disc_inertia * shift_speed_step**2 / 2
