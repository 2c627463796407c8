"""The clutch carries as much as the acceleration wanted takes: pulling away."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain


def start_clutch_torque(
    start_acceleration: Values,
    start_load_torque: Values,
    vehicle_inertia: Values,
    gearbox_side_inertia: Values,
    gear_ratio: Values,
    final_ratio: Values,
    tyre_radius: Values,
    start_full_torque: Values,
    torque_capacity: Values,
) -> Values:
    """Torque the clutch is let to carry while pulling away: what the acceleration wanted takes.

    T_s = min(T_l + (I_v + I_g)·a·i_g·i_f/r_t, T_full, T_cap)

    Parameters
    ----------
    start_acceleration : a, acceleration wanted [m/s²]
    start_load_torque : T_l, road load at the clutch [N·m]
    vehicle_inertia : I_v, inertia of the vehicle at the clutch [kg·m²]
    gearbox_side_inertia : I_g, inertia of the gearbox side at the clutch [kg·m²]
    gear_ratio : i_g, ratio of the gear [-]
    final_ratio : i_f, ratio of the final drive [-]
    tyre_radius : r_t, rolling radius of the tyre [m]
    start_full_torque : T_full, largest engine torque at the start, at the clutch [N·m]
    torque_capacity : T_cap, torque capacity [N·m]

    Returns
    -------
    T_s, clutch torque during the start [N·m]

    Range: a above 0; where T_l alone is more than T_full or T_cap it cannot pull away in this gear.
    Source: [practice: about 1.5 m/s² on the level, 0.5 on a slope].

    >>> round(start_clutch_torque(1.5, 5.0, 0.64, 0.02, 3.5, 4.0, 0.3, 300.0, 400.0), 1)
    51.2
    """
    wanted = start_load_torque + (vehicle_inertia + gearbox_side_inertia) * start_acceleration * (
        gear_ratio * final_ratio / tyre_radius
    )
    return plain(np.minimum(np.minimum(wanted, start_full_torque), torque_capacity))
