"""The planned stage is the present curve times a factor."""

from __future__ import annotations

from liftbite.core.graph.graph import within
from liftbite.core.quantities.torque_curve import TorqueCurve


def planned_curve(crank_curve: TorqueCurve, stage_gain: float) -> TorqueCurve:
    """Torque curve after the planned work, as a gain over the present one.

    T_planned(ω) = T_now(ω) · (1 + g)

    Parameters
    ----------
    crank_curve : T_now, curve as the engine is [N·m]
    stage_gain : g, planned gain over the present curve [-]

    Returns
    -------
    T_planned, planned torque over engine speed [N·m]

    Range: g above −1.
    Source: [definition: the builder's plan].
    """
    within(stage_gain > -1, "stage_gain", stage_gain, "above", -1)
    return crank_curve.scaled(1 + stage_gain)
