"""Bite: does it hold the torque?

In the order in which it is used:

- demand      `torque_at_clutch`, `torque_demand`
- faces       `effective_faces`
- clamp       `clamp_load`
- capacity    `holdable_engine_torque`, `kept_engine_torque`
- margin      `bite_margin`

A single face stands in `face`. `friction_torque`, `friction_faces`, `primary_ratio`, `primary_efficiency`,
`interface_efficiency`, `effective_radius`, `spring_clamp`, `temperature_factor` and `torque_capacity` come from an
arrangement, or are inputs.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within
from liftbite.core.graph.guards import positive


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
