"""An assist and slipper hub: ramps press the pack when the engine drives, and open it when the wheel does."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within
from liftbite.core.graph.guards import positive


def ramp_gain(friction_torque: Values, clamp_load: Values, ramp_radius: Values, ramp_angle: Values) -> Values:
    """How strongly the ramps feed torque back into the clamp; at 1 the clutch locks itself.

    g = T_f / (F · r_c · tan θ)

    Parameters
    ----------
    friction_torque : T_f, torque of the friction faces [N·m]
    clamp_load : F, force that presses the stack together [N]
    ramp_radius : r_c, radius of the ramps [m]
    ramp_angle : θ, angle of the ramps to the plane of rotation [rad]

    Returns
    -------
    g, gain of the ramps [-]

    Range: F, r_c and θ above 0.
    Source: [definition: axial force of a ramp, T/(r_c·tan θ)].

    >>> round(ramp_gain(14 * 0.12 * 0.06 * 5000.0, 5000.0, 0.04, 1.4), 3)
    0.435
    """
    ok = positive("ramp_radius", ramp_radius) * positive("ramp_angle", ramp_angle)
    return plain(friction_torque / (clamp_load * ramp_radius * np.tan(ramp_angle)) * ok)


def torque_capacity(friction_torque: Values, ramp_gain: Values) -> Values:
    """Torque the clutch carries before it slips, with the ramps pressing.

    T_cap = T_f / (1 − g)

    Parameters
    ----------
    friction_torque : T_f, torque of the friction faces [N·m]
    ramp_gain : g, gain of the ramps [-]

    Returns
    -------
    T_cap, torque capacity [N·m]

    Range: g below 1; at 1 the clutch locks itself and cannot be released under torque.
    Source: [definition: T = N·μ·r_e·(F + T/(r_c·tan θ)) solved for T].

    >>> round(torque_capacity(200.0, 0.2))
    250
    """
    ok = within(np.less(ramp_gain, 1), "ramp_gain", ramp_gain, "below", 1)
    return friction_torque / (1 - ramp_gain) * ok


def overrun_capacity(friction_torque: Values, ramp_gain: Values) -> Values:
    """Torque the clutch carries when the wheel drives the engine, with the ramps opening the pack.

    T_over = T_f / (1 + g)

    Parameters
    ----------
    friction_torque : T_f, torque of the friction faces [N·m]
    ramp_gain : g, gain of the ramps [-]

    Returns
    -------
    T_over, torque capacity on the overrun [N·m]

    Range: g 0 or more; an oiled hub whose ramps slide freely.
    Source: [definition: T = N·μ·r_e·(F − T/(r_c·tan θ)) solved for T].

    >>> round(overrun_capacity(240.0, 0.2))
    200
    """
    return friction_torque / (1 + ramp_gain)
