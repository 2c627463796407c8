"""The engine figures were corrected to standard air; the clutch feels the actual torque of the densest day."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import positive


def air_gain(dry_pressure: Values, intake_temperature: Values) -> Values:
    """Gain of the actual torque over corrected figures, in the densest air expected; not for boosted engines.

    g_air = 1/cf, cf = 1.18 · (99 000 Pa/p_dry) · √(T/298 K) − 0.18

    Parameters
    ----------
    dry_pressure : p_dry, pressure of the dry air on the densest day [Pa]
    intake_temperature : T, its temperature [K]

    Returns
    -------
    g_air, actual torque over the figures given [-]

    Range: p_dry above 0.
    Source: [memory: SAE J1349, revision of 2011].

    >>> round(float(1 / air_gain(103000.0, 273.0)), 3)
    0.906
    """
    ok = positive("dry_pressure", dry_pressure)
    return ok / (1.18 * (99_000.0 / dry_pressure) * np.sqrt(intake_temperature / 298.0) - 0.18)
