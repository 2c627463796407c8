"""True: does it run true? Speed, strength and inertia of what turns with the engine.

In the order in which it is used:

- speed      `overspeed`, `bore_stress`, `burst_margin`, `rim_speed`, `disc_speed_missed_shift`, `disc_speed_margin`
- inertia    `effective_mass`, `stored_energy`, `free_rev_time`, `synchro_energy`

`flywheel_inertia` and `engine_inertia` come from an arrangement, or are inputs; balance stands in `balance`.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, within
from liftbite.core.graph.guards import positive


def overspeed(redline: Values) -> Values:
    """Speed the flywheel is judged at.

    ω_over = 1.15 · ω_red

    Parameters
    ----------
    redline : ω_red, highest engine speed [rad/s]

    Returns
    -------
    ω_over, over-speed [rad/s]

    Range: ω_red above 0.
    Source: [practice: 15 % over the redline; a missed shift goes further].

    >>> overspeed(100.0)
    114.99999999999999
    """
    return 1.15 * redline


def bore_stress(
    density: Values,
    poisson_ratio: Values,
    flywheel_diameter: Values,
    flywheel_bore: Values,
    overspeed: Values,
    stress_concentration: Values,
) -> Values:
    """Largest stress of the flywheel, at its bore, at over-speed.

    σ = K_t · ρ·ω²·(3+ν)/4 · (r_o² + r_i²·(1−ν)/(3+ν))

    Parameters
    ----------
    density : ρ, density of the flywheel [kg/m³]
    poisson_ratio : ν, ratio of Poisson of the flywheel [-]
    flywheel_diameter : D_w, outer diameter of the flywheel [m]
    flywheel_bore : d_w, bore of the flywheel [m]
    overspeed : ω_over, over-speed [rad/s]
    stress_concentration : K_t, local rise at holes near the bore [-]

    Returns
    -------
    σ, stress at the bore at over-speed [Pa]

    Range: d_w above 0 and below D_w; a plate of even thickness.
    Source: [memory: Shigley's Mechanical Engineering Design, 10th edition, section 3-15, rotating rings].

    >>> round(bore_stress(7200.0, 0.26, 0.3, 0.04, 843.0, 1.0) / 1e6, 1)
    94.2
    """
    ok = positive("flywheel_bore", flywheel_bore) * within(
        np.less(flywheel_bore, flywheel_diameter),
        "flywheel_bore",
        flywheel_bore,
        "below",
        flywheel_diameter,
        "flywheel_diameter",
    )
    ro, ri = flywheel_diameter / 2, flywheel_bore / 2
    ring = ro**2 + ri**2 * (1 - poisson_ratio) / (3 + poisson_ratio)
    return stress_concentration * density * overspeed**2 * (3 + poisson_ratio) / 4 * ring * ok


def burst_margin(flywheel_strength: Values, strength_factor: Values, bore_stress: Values) -> Values:
    """Strength of the flywheel over what its stress and the factor asked for need; below 1 it is not to be run.

    m_burst = S / (n_S · σ)

    Parameters
    ----------
    flywheel_strength : S, strength of the flywheel that counts, yield or for grey iron tensile [Pa]
    strength_factor : n_S, factor asked for on that strength [-]
    bore_stress : σ, stress at the bore at over-speed [Pa]

    Returns
    -------
    m_burst, strength margin of the flywheel [-]

    Range: σ above 0, n_S 1 or more.
    Source: [memory: 4 on yield for steel, 6 on tensile strength for grey iron].

    >>> burst_margin(240e6, 6.0, 20e6)
    2.0
    """
    return flywheel_strength / (strength_factor * bore_stress)


def rim_speed(flywheel_diameter: Values, redline: Values) -> Values:
    """Speed of the flywheel rim at the redline.

    v = ω_red · D_w/2

    Parameters
    ----------
    flywheel_diameter : D_w, outer diameter of the flywheel [m]
    redline : ω_red, highest engine speed [rad/s]

    Returns
    -------
    v, rim speed at the redline [m/s]

    Range: D_w and ω_red above 0.
    Source: [geometry: circle].

    >>> rim_speed(0.3, 700.0)
    105.0
    """
    return redline * flywheel_diameter / 2


def disc_speed_missed_shift(redline: Values, gear_ratio_from: Values, gear_ratio_into: Values) -> Values:
    """Speed of the disc, pedal down, after the worst gear is selected by mistake.

    ω_disc = ω_red · i_into/i_from

    Parameters
    ----------
    redline : ω_red, highest engine speed [rad/s]
    gear_ratio_from : i_from, ratio of the gear that is left at the redline [-]
    gear_ratio_into : i_into, ratio of the lowest gear that can be selected by mistake [-]

    Returns
    -------
    ω_disc, disc speed after a missed shift [rad/s]

    Range: i_from and i_into above 0; no slip of the tyres.
    Source: [geometry: the disc turns at road speed times gear].

    >>> round(disc_speed_missed_shift(7000.0, 1.35, 3.40))
    17630
    """
    return redline * gear_ratio_into / gear_ratio_from * positive("gear_ratio_from", gear_ratio_from)


def disc_speed_margin(disc_burst_speed: Values, disc_speed_missed_shift: Values) -> Values:
    """Speed the disc stands over the speed of a missed shift.

    m_disc = ω_burst / ω_disc

    Parameters
    ----------
    disc_burst_speed : ω_burst, speed the disc is proved to [rad/s]
    disc_speed_missed_shift : ω_disc, disc speed after a missed shift [rad/s]

    Returns
    -------
    m_disc, speed margin of the disc [-]

    Range: ω_disc above 0.
    Source: [definition: limit over value].

    >>> disc_speed_margin(1500.0, 1000.0)
    1.5
    """
    return disc_burst_speed / disc_speed_missed_shift


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
