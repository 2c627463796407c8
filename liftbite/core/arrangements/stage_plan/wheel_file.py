"""The planned stage has a curve of its own, taken at the wheel."""

from __future__ import annotations

from liftbite.core.graph.guards import share_lost
from liftbite.core.quantities.torque_curve import TorqueCurve


def planned_curve(replacement_curve: TorqueCurve, driveline_loss: float) -> TorqueCurve:
    """Torque curve after the planned work, from a file taken at the wheel.

    T_planned(ω) = T_file(ω) / (1 − λ)

    Parameters
    ----------
    replacement_curve : T_file, wheel torque of the planned stage referred to engine speed [N·m]
    driveline_loss : λ, share lost between crank and wheel [-]

    Returns
    -------
    T_planned, planned torque over engine speed [N·m]

    Range: λ from 0 to below 1.
    Source: [practice: losses of a chassis dynamometer].
    """
    share_lost("driveline_loss", driveline_loss)
    return replacement_curve.scaled(1 / (1 - driveline_loss))
