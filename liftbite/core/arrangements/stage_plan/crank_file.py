"""The planned stage has a curve of its own, taken at the crank."""

from __future__ import annotations

from liftbite.core.quantities.torque_curve import TorqueCurve


def planned_curve(replacement_curve: TorqueCurve) -> TorqueCurve:
    """Torque curve after the planned work, from a file taken at the crank.

    T_planned(ω) = T_file(ω)

    Parameters
    ----------
    replacement_curve : T_file, curve of the planned stage [N·m]

    Returns
    -------
    T_planned, planned torque over engine speed [N·m]

    Range: a curve measured at the crank.
    Source: [definition: the builder's plan].
    """
    return replacement_curve
