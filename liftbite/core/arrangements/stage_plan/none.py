"""No further tuning is planned."""

from __future__ import annotations

from liftbite.core.quantities.torque_curve import TorqueCurve


def planned_curve(crank_curve: TorqueCurve) -> TorqueCurve:
    """Torque curve after the planned work: none is planned, so the engine as it is.

    T_planned(ω) = T_now(ω)

    Parameters
    ----------
    crank_curve : T_now, curve as the engine is [N·m]

    Returns
    -------
    T_planned, planned torque over engine speed [N·m]

    Range: an engine that stays as it is.
    Source: [definition: the builder's plan].
    """
    return crank_curve
