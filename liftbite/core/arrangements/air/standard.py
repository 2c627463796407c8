"""What the engine makes in standard air: the figure others quote."""

from __future__ import annotations

from liftbite.core.arrangements.air import corrected
from liftbite.core.graph.graph import Values


def standard_torque(peak_engine_torque: Values, dry_pressure: Values, intake_temperature: Values) -> Values:
    """Peak torque corrected to standard air, from the actual torque of the densest day.

    T_std = T_max · cf, cf = 1.18 · (99 000 Pa/p_dry) · √(T/298 K) − 0.18

    Parameters
    ----------
    peak_engine_torque : T_max, peak engine torque at the crank [N·m]
    dry_pressure : p_dry, pressure of the dry air on the densest day [Pa]
    intake_temperature : T, its temperature [K]

    Returns
    -------
    T_std, peak torque in standard air [N·m]

    Range: p_dry above 0; not for boosted or diesel engines.
    Source: [memory: SAE J1349, revision of 2011].

    >>> round(float(standard_torque(400.0, 103_000.0, 273.0)), 1)
    362.2
    """
    return peak_engine_torque / corrected.air_gain(dry_pressure, intake_temperature)
