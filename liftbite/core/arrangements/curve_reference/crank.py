"""The present curve was taken at the crank: it is used as it is."""

from __future__ import annotations

from liftbite.core.quantities.torque_curve import TorqueCurve


def crank_curve(measured_curve: TorqueCurve) -> TorqueCurve:
    """Torque curve of the engine as it is; the figures were taken at the crank.

    T_now(ω) = T_measured(ω)

    Parameters
    ----------
    measured_curve : T_measured, curve as measured [N·m]

    Returns
    -------
    T_now, torque over engine speed at the crank [N·m]

    Range: a curve measured at the crank.
    Source: [definition: measured where it is needed].
    """
    return measured_curve
