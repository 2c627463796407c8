"""The present curve was taken at the hubs: it is referred to the crank by the ratio that was driven and its losses."""

from __future__ import annotations

from liftbite.core.graph.guards import positive, share_lost
from liftbite.core.quantities.torque_curve import TorqueCurve


def crank_curve(measured_curve: TorqueCurve, dyno_ratio: float, driveline_loss: float) -> TorqueCurve:
    """Torque curve of the engine as it is, from torque at the hubs over engine speed.

    T_now(ω) = T_hub(ω) / (i_dyno · (1 − λ))

    Parameters
    ----------
    measured_curve : T_hub, torque of both hubs together over engine speed [N·m]
    dyno_ratio : i_dyno, engine turns per hub turn of the gear that was driven [-]
    driveline_loss : λ, share lost between crank and wheel [-]

    Returns
    -------
    T_now, torque over engine speed at the crank [N·m]

    Range: i_dyno above 0, λ from 0 to below 1; not for power, which no ratio changes.
    Source: [definition: torque through gears]; [practice: losses of a chassis dynamometer].
    """
    positive("dyno_ratio", dyno_ratio)
    share_lost("driveline_loss", driveline_loss)
    return measured_curve.scaled(1 / (dyno_ratio * (1 - driveline_loss)))
