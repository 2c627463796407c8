"""A hub without ramps: the clutch carries what its friction carries."""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def torque_capacity(friction_torque: Values) -> Values:
    """Torque the clutch carries before it slips.

    T_cap = T_f

    Parameters
    ----------
    friction_torque : T_f, torque of the friction faces [N·m]

    Returns
    -------
    T_cap, torque capacity [N·m]

    Range: a hub without ramps.
    Source: [definition: a hub without ramps adds nothing].

    >>> torque_capacity(500.0)
    500.0
    """
    return friction_torque


def overrun_capacity(friction_torque: Values) -> Values:
    """Torque the clutch carries when the wheel drives the engine.

    T_over = T_f

    Parameters
    ----------
    friction_torque : T_f, torque of the friction faces [N·m]

    Returns
    -------
    T_over, torque capacity on the overrun [N·m]

    Range: a hub without ramps.
    Source: [definition: a hub without ramps takes nothing].

    >>> overrun_capacity(500.0)
    500.0
    """
    return friction_torque
