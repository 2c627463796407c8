"""Engine output: the curve the clutch has to hold.

In the order in which it is used: `engine_curve` picks the stage, `peak_torque` is what the clutch must carry,
`peak_torque_engine_speed` and `peak_power_of_stage` name the curve, `engine_torque` reads it at a speed.
Where the curve comes from (a file, two peaks), where it was taken (crank, wheel) and what is planned
(scaled, replaced) are arrangements.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values
from liftbite.core.quantities.torque_curve import TorqueCurve


def engine_curve(crank_curve: TorqueCurve, planned_curve: TorqueCurve, stage: float, air_gain: float) -> TorqueCurve:
    """Torque curve at the crank for the stage looked at.

    T(ω) = g_air · T_now(ω) at stage 0, g_air · T_planned(ω) at stage 1

    Parameters
    ----------
    crank_curve : T_now, curve as the engine is [N·m]
    planned_curve : T_planned, curve after the planned work [N·m]
    stage : s, 0 as it is, 1 as planned [-]
    air_gain : g_air, actual torque over the figures given [-]

    Returns
    -------
    T(ω), torque over engine speed [N·m]

    Range: s 0 or 1, or between for an engine part way; within the speeds of the curve.
    Source: [definition: the builder's plan].
    """
    curve = planned_curve if stage >= 0.5 else crank_curve
    return curve if air_gain == 1 else curve.scaled(float(air_gain))


def peak_engine_torque(engine_curve: TorqueCurve) -> float:
    """Largest torque the engine makes at the crank.

    T_max = max T(ω)

    Parameters
    ----------
    engine_curve : T(ω), torque over engine speed [N·m]

    Returns
    -------
    T_max, peak engine torque [N·m]

    Range: a curve of one point or more.
    Source: [definition: largest point of the curve].

    >>> peak_engine_torque(TorqueCurve.of([100.0, 200.0], [300.0, 280.0]))
    300.0
    """
    return engine_curve.peak_torque


def peak_engine_torque_speed(engine_curve: TorqueCurve) -> float:
    """Engine speed at peak torque.

    ω_T = ω where T(ω) = T_max

    Parameters
    ----------
    engine_curve : T(ω), torque over engine speed [N·m]

    Returns
    -------
    ω_T, speed at peak torque [rad/s]

    Range: a curve of one point or more; the lowest of several speeds.
    Source: [definition: largest point of the curve].

    >>> peak_engine_torque_speed(TorqueCurve.of([100.0, 200.0], [300.0, 280.0]))
    100.0
    """
    return engine_curve.peak_torque_speed


def peak_engine_power(engine_curve: TorqueCurve) -> float:
    """Largest power the engine makes at the crank.

    P_max = max T(ω) · ω

    Parameters
    ----------
    engine_curve : T(ω), torque over engine speed [N·m]

    Returns
    -------
    P_max, peak engine power [W]

    Range: a curve of one point or more.
    Source: [definition: P = T·ω].

    >>> peak_engine_power(TorqueCurve.of([100.0, 200.0], [300.0, 280.0]))
    56000.0
    """
    return engine_curve.peak_power


def peak_engine_power_speed(engine_curve: TorqueCurve) -> float:
    """Engine speed at peak power.

    ω_P = ω where T(ω) · ω = P_max

    Parameters
    ----------
    engine_curve : T(ω), torque over engine speed [N·m]

    Returns
    -------
    ω_P, speed at peak power [rad/s]

    Range: a curve of one point or more; the lowest of several speeds.
    Source: [definition: P = T·ω].

    >>> peak_engine_power_speed(TorqueCurve.of([100.0, 200.0], [300.0, 280.0]))
    200.0
    """
    return engine_curve.peak_power_speed


def engine_torque(engine_curve: TorqueCurve, engine_speed: Values) -> Values:
    """Torque the engine makes at a speed, by straight lines between the points; NaN beyond the curve.

    T = T(ω)

    Parameters
    ----------
    engine_curve : T(ω), torque over engine speed [N·m]
    engine_speed : ω, engine speed [rad/s]

    Returns
    -------
    T, engine torque [N·m]

    Range: between the first and the last speed of the curve.
    Source: [definition: straight lines between measured points].

    >>> engine_torque(TorqueCurve.of([100.0, 200.0], [300.0, 280.0]), 150.0)
    290.0
    """
    return engine_curve.torque_at(np.asarray(engine_speed) if np.ndim(engine_speed) else float(engine_speed))
