"""The engine was measured as it is on a day whose air is known; the clutch feels the densest day expected."""

from __future__ import annotations

from liftbite.core.arrangements.air import corrected
from liftbite.core.graph.graph import Values


def air_gain(
    dyno_pressure: Values, dyno_temperature: Values, dry_pressure: Values, intake_temperature: Values
) -> Values:
    """Gain of the densest day expected over the day of the measurement; not for boosted engines.

    g_air = cf_day/cf_dense, cf = 1.18 · (99 000 Pa/p) · √(T/298 K) − 0.18

    Parameters
    ----------
    dyno_pressure : p_day, pressure of the dry air on the day of the measurement [Pa]
    dyno_temperature : T_day, its temperature [K]
    dry_pressure : p_dry, pressure of the dry air on the densest day [Pa]
    intake_temperature : T, its temperature [K]

    Returns
    -------
    g_air, actual torque over the figures given [-]

    Range: pressures above 0.
    Source: [memory: SAE J1349, revision of 2011].

    >>> round(float(air_gain(96_000.0, 298.0, 103_000.0, 273.0)), 3)
    1.145
    """
    day, dense = (
        corrected.air_gain(p, t) for p, t in ((dyno_pressure, dyno_temperature), (dry_pressure, intake_temperature))
    )
    return dense / day
