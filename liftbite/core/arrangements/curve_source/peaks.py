"""The curve is estimated from peak torque and peak power."""

from __future__ import annotations

from liftbite.core.quantities.torque_curve import TorqueCurve, from_peaks


def measured_curve(
    peak_torque: float, peak_torque_speed: float, peak_power: float, peak_power_speed: float
) -> TorqueCurve:
    """Estimated torque curve through the two peaks an engine is quoted by.

    T(ω) = level at T_peak, falling as −T/ω at P_peak

    Parameters
    ----------
    peak_torque : T_peak, quoted peak torque [N·m]
    peak_torque_speed : ω_T, speed at peak torque [rad/s]
    peak_power : P_peak, quoted peak power [W]
    peak_power_speed : ω_P, speed at peak power [rad/s]

    Returns
    -------
    T_measured, estimated curve [N·m]

    Range: ω_P above ω_T; T_peak·ω_T ≤ P_peak ≤ T_peak·ω_P.
    Source: [definition: P = T·ω with dP/dω = 0 at peak power; the ends are a guess].
    """
    return from_peaks(peak_torque, peak_torque_speed, peak_power, peak_power_speed)
