"""The present curve was taken at the wheel: it is referred to the crank."""

from __future__ import annotations

from liftbite.core.graph.guards import share_lost
from liftbite.core.quantities.torque_curve import TorqueCurve


def crank_curve(measured_curve: TorqueCurve, driveline_loss: float) -> TorqueCurve:
    """Torque curve of the engine as it is, from figures taken at the wheel.

    T_now(ω) = T_wheel(ω) / (1 − λ)

    Parameters
    ----------
    measured_curve : T_wheel, wheel torque referred to engine speed [N·m]
    driveline_loss : λ, share lost between crank and wheel [-]

    Returns
    -------
    T_now, torque over engine speed at the crank [N·m]

    Range: λ from 0 to below 1.
    Source: [practice: losses of a chassis dynamometer].
    """
    share_lost("driveline_loss", driveline_loss)
    return measured_curve.scaled(1 / (1 - driveline_loss))
