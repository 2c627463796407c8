"""The clutch carries a share of the engine's torque: standing and dropped starts."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain


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

    Range: a_c above 0; a pedal let go passes what the clutch can.
    Source: [practice: shares by kind of start].

    >>> start_clutch_torque(0.5, 400.0, 520.0)
    200.0
    """
    return plain(np.minimum(start_clutch_share * torque_at_clutch, torque_capacity))
