"""Bite: does it hold the torque?

In the order in which it is used:

- demand      `torque_at_clutch`, `torque_demand`
- friction    `friction_coefficient`
- faces       `effective_faces`, `facing_area`, `facing_area_total`
- clamp       `clamp_load`
- capacity    `friction_torque`, `holdable_engine_torque`, `kept_engine_torque`
- margins     `bite_margin`, `pressure_margin`
- pressure    `mean_pressure`, `edge_pressure`

`friction_faces`, `primary_ratio`, `primary_efficiency`, `interface_efficiency`, `effective_radius`, `spring_clamp`,
`temperature_factor` and `torque_capacity` come from an arrangement, or are inputs.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within
from liftbite.core.graph.guards import positive, ring_exists


def torque_at_clutch(peak_engine_torque: Values, primary_ratio: Values, primary_efficiency: Values) -> Values:
    """Largest engine torque as it arrives at the clutch.

    T_c = T_max · i_p · η_p

    Parameters
    ----------
    peak_engine_torque : T_max, peak engine torque at the crank [N·m]
    primary_ratio : i_p, primary reduction, crank turns per clutch turn [-]
    primary_efficiency : η_p, efficiency of the primary drive [-]

    Returns
    -------
    T_c, torque at the clutch [N·m]

    Range: i_p above 0, η_p above 0 and at most 1.
    Source: [definition: torque through a gear pair].

    >>> torque_at_clutch(100.0, 1.75, 1.0)
    175.0
    """
    ok = positive("primary_ratio", primary_ratio)
    return peak_engine_torque * primary_ratio * primary_efficiency * ok


def torque_demand(torque_at_clutch: Values, use_factor: Values) -> Values:
    """Torque the clutch has to be able to carry, with the reserve its use asks for.

    T_demand = T_c · K_use

    Parameters
    ----------
    torque_at_clutch : T_c, largest engine torque at the clutch [N·m]
    use_factor : K_use, reserve for the kind of use [-]

    Returns
    -------
    T_demand, torque demand [N·m]

    Range: K_use 1.1 or more.
    Source: [practice: use factors of the trade].

    >>> torque_demand(400.0, 1.25)
    500.0
    """
    ok = within(np.greater_equal(use_factor, 1.1), "use_factor", use_factor, "at least", 1.1)
    return torque_at_clutch * use_factor * ok


def friction_coefficient(
    friction_low: Values, friction_nominal: Values, friction_high: Values, friction_state: Values,
    temperature_factor: Values,
) -> Values:  # fmt: skip
    """Coefficient of friction at a temperature and a place in the material's band: −1 low, 0 nominal, +1 high.

    μ = f · (μ_nom + s·(μ_high − μ_nom)) for s above 0; μ = f · (μ_nom + s·(μ_nom − μ_low)) below

    Parameters
    ----------
    friction_low : μ_low, low end of the band [-]
    friction_nominal : μ_nom, nominal value [-]
    friction_high : μ_high, high end of the band [-]
    friction_state : s, place in the band from −1 to +1 [-]
    temperature_factor : f, friction left at this temperature [-]

    Returns
    -------
    μ, coefficient of friction [-]

    Range: μ_low ≤ μ_nom ≤ μ_high, all above 0.
    Source: [definition: straight lines between the three figures of the band].

    >>> friction_coefficient(0.25, 0.30, 0.38, -1.0, 1.0), friction_coefficient(0.25, 0.30, 0.38, 0.0, 1.0)
    (0.25, 0.3)
    """
    ok = (
        positive("friction_low", friction_low)
        * within(np.less_equal(friction_low, friction_nominal), "friction_low", friction_low,
                 "at most", friction_nominal, "friction_nominal")
        * within(np.greater_equal(friction_high, friction_nominal), "friction_high", friction_high,
                 "at least", friction_nominal, "friction_nominal")
    )  # fmt: skip
    up, down = friction_high - friction_nominal, friction_nominal - friction_low
    band = friction_nominal + friction_state * np.where(np.greater(friction_state, 0), up, down)
    return plain(temperature_factor * band * ok)


def effective_faces(friction_faces: Values, interface_efficiency: Values) -> Values:
    """Friction interfaces counted at the full clamp load; plate teeth that rub lose a little from plate to plate.

    N_eff = Σ η^k for k = 0 … N−1 = (1 − η^N)/(1 − η); N_eff = N for η = 1

    Parameters
    ----------
    friction_faces : N, friction interfaces in the stack [-]
    interface_efficiency : η, share of the clamp each interface passes on [-]

    Returns
    -------
    N_eff, interfaces at full clamp [-]

    Range: N above 0, η above 0 and at most 1.
    Source: [practice: 0.97 to 1.0 per interface].

    >>> effective_faces(14, 1.0), round(effective_faces(14, 0.97), 2)
    (14.0, 11.57)
    """
    eta = np.asarray(interface_efficiency, dtype=np.float64)
    ok = positive("friction_faces", friction_faces) * within(
        np.greater(eta, 0) & np.less_equal(eta, 1), "interface_efficiency", interface_efficiency, "at most", 1
    )
    lossy = np.where(eta < 1, eta, 0.5)
    return plain(np.where(eta < 1, (1 - lossy ** np.asarray(friction_faces)) / (1 - lossy), friction_faces) * ok)


def facing_area(outer_diameter: Values, inner_diameter: Values, coverage: Values) -> Values:
    """Area of one friction face that really touches.

    A = c · π/4 · (D_o² − D_i²)

    Parameters
    ----------
    outer_diameter : D_o, outer diameter of the facing [m]
    inner_diameter : D_i, inner diameter of the facing [m]
    coverage : c, share of the ring that is facing [-]

    Returns
    -------
    A, area of one face [m²]

    Range: D_i below D_o, both above 0; c above 0 and at most 1.
    Source: [geometry: ring].

    >>> round(facing_area(0.24, 0.16, 1.0) * 1e4, 2)
    251.33
    """
    ok = ring_exists(outer_diameter, inner_diameter) * positive("coverage", coverage)  # fmt: skip
    return coverage * np.pi / 4 * (outer_diameter**2 - inner_diameter**2) * ok


def facing_area_total(facing_area: Values, friction_faces: Values) -> Values:
    """Area of all friction faces together, which is what heat and wear spread over.

    A_total = N · A

    Parameters
    ----------
    facing_area : A, area of one face [m²]
    friction_faces : N, friction interfaces in the stack [-]

    Returns
    -------
    A_total, area of all faces [m²]

    Range: A above 0, N two or more.
    Source: [geometry: sum over faces].

    >>> facing_area_total(0.02, 2)
    0.04
    """
    return facing_area * friction_faces


def clamp_load(spring_clamp: Values, bearing_takes: Values, strap_force: Values, centrifugal_clamp: Values) -> Values:
    """Force that presses the stack together: what the springs give, less what acts against them.

    F = F_spring − F_takes + F_strap + ΔF_c

    Parameters
    ----------
    spring_clamp : F_spring, spring force on the plate [N]
    bearing_takes : F_takes, force the bearing takes off the clamp [N]
    strap_force : F_strap, force of the straps towards the flywheel [N]
    centrifugal_clamp : ΔF_c, centrifugal part of the clamp load [N]

    Returns
    -------
    F, clamp load [N]

    Range: above 0; below it the clutch is open.
    Source: [definition: forces on the pressure plate].

    >>> clamp_load(8000.0, 320.0, 0.0, 0.0)
    7680.0
    """
    total = spring_clamp - bearing_takes + strap_force + centrifugal_clamp
    return total * positive("clamp_load", total)


def friction_torque(
    effective_faces: Values, friction_coefficient: Values, clamp_load: Values, effective_radius: Values
) -> Values:
    """Torque the friction faces carry before they slip.

    T_f = N_eff · μ · F · r_e

    Parameters
    ----------
    effective_faces : N_eff, interfaces at full clamp [-]
    friction_coefficient : μ, coefficient of friction of the facing [-]
    clamp_load : F, force that presses the stack together [N]
    effective_radius : r_e, radius at which friction acts [m]

    Returns
    -------
    T_f, torque of the friction faces [N·m]

    Range: F above 0.
    Source: [memory: Shigley's Mechanical Engineering Design, 10th edition, section 16-5].

    >>> friction_torque(2.0, 0.25, 8000.0, 0.125)
    500.0
    """
    return effective_faces * friction_coefficient * clamp_load * effective_radius * positive("clamp_load", clamp_load)


def holdable_engine_torque(torque_capacity: Values, primary_ratio: Values, primary_efficiency: Values) -> Values:
    """Engine torque at which the clutch begins to slip: its capacity referred to the crank.

    T_hold = T_cap / (i_p · η_p)

    Parameters
    ----------
    torque_capacity : T_cap, torque capacity [N·m]
    primary_ratio : i_p, primary reduction [-]
    primary_efficiency : η_p, efficiency of the primary drive [-]

    Returns
    -------
    T_hold, engine torque the clutch can hold [N·m]

    Range: i_p and η_p above 0.
    Source: [definition: torque through a gear pair].

    >>> holdable_engine_torque(350.0, 1.75, 1.0)
    200.0
    """
    return torque_capacity / (primary_ratio * primary_efficiency)


def kept_engine_torque(holdable_engine_torque: Values, use_factor: Values) -> Values:
    """Engine torque up to which the clutch keeps the reserve its use asks for.

    T_keep = T_hold / K_use

    Parameters
    ----------
    holdable_engine_torque : T_hold, engine torque the clutch can hold [N·m]
    use_factor : K_use, reserve for the kind of use [-]

    Returns
    -------
    T_keep, engine torque held with reserve [N·m]

    Range: K_use 1 or more.
    Source: [practice: use factors of the trade].

    >>> kept_engine_torque(520.0, 1.3)
    400.0
    """
    return holdable_engine_torque / use_factor


def bite_margin(torque_capacity: Values, torque_at_clutch: Values) -> Values:
    """How many times the engine's torque the clutch holds; to be compared with the use factor.

    m_bite = T_cap / T_c

    Parameters
    ----------
    torque_capacity : T_cap, torque capacity [N·m]
    torque_at_clutch : T_c, largest engine torque at the clutch [N·m]

    Returns
    -------
    m_bite, bite margin [-]

    Range: T_c above 0.
    Source: [definition: capacity over demand without its reserve].

    >>> bite_margin(520.0, 400.0)
    1.3
    """
    ok = positive("torque_at_clutch", torque_at_clutch)
    return torque_capacity / torque_at_clutch * ok


def mean_pressure(clamp_load: Values, facing_area: Values) -> Values:
    """Pressure on the facing, averaged over what touches.

    p = F / A

    Parameters
    ----------
    clamp_load : F, force that presses the stack together [N]
    facing_area : A, area of one face [m²]

    Returns
    -------
    p, mean face pressure [Pa]

    Range: A above 0.
    Source: [definition: force over area].

    >>> mean_pressure(8000.0, 0.025)
    320000.0
    """
    return clamp_load / facing_area


def edge_pressure(clamp_load: Values, coverage: Values, outer_diameter: Values, inner_diameter: Values) -> Values:
    """Pressure at the inner edge of a facing that has worn in, where it is highest.

    p_max = 2·F / (c · π · D_i · (D_o − D_i))

    Parameters
    ----------
    clamp_load : F, force that presses the stack together [N]
    coverage : c, share of the ring that is facing [-]
    outer_diameter : D_o, outer diameter of the facing [m]
    inner_diameter : D_i, inner diameter of the facing [m]

    Returns
    -------
    p_max, pressure at the inner edge under uniform wear [Pa]

    Range: D_i above 0 and below D_o.
    Source: [memory: Shigley's Mechanical Engineering Design, 10th edition, section 16-5, uniform wear].

    >>> round(edge_pressure(8000.0, 1.0, 0.24, 0.16))
    397887
    """
    ok = ring_exists(outer_diameter, inner_diameter) * positive("inner_diameter", inner_diameter)  # fmt: skip
    return 2 * clamp_load / (coverage * np.pi * inner_diameter * (outer_diameter - inner_diameter)) * ok


def pressure_margin(pressure_limit: Values, mean_pressure: Values) -> Values:
    """How far the mean face pressure stays below what the material carries.

    m_p = p_limit / p

    Parameters
    ----------
    pressure_limit : p_limit, mean pressure the material carries [Pa]
    mean_pressure : p, mean face pressure [Pa]

    Returns
    -------
    m_p, pressure margin [-]

    Range: p above 0.
    Source: [definition: limit over value; the limit is meant as a mean].

    >>> pressure_margin(400000.0, 320000.0)
    1.25
    """
    return pressure_limit / mean_pressure
