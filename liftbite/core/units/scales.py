"""What the units of the tables are worth in SI, so that a start need not wait for Pint; a test asks Pint again."""

from __future__ import annotations

from collections.abc import Mapping
from math import pi

from liftbite.core.units.constants import FREEZING, MPA, PSI, RPM

#: Unit as it is written -> scale and offset that take a figure in it to SI.
SCALES: Mapping[str, tuple[float, float]] = {
    "m": (1.0, 0.0),
    "mm": (1e-3, 0.0),
    "km": (1e3, 0.0),
    "1/km": (1e-3, 0.0),
    "kg": (1.0, 0.0),
    "g·mm": (1e-6, 0.0),
    "kg·m²": (1.0, 0.0),
    "kg/m³": (1.0, 0.0),
    "s": (1.0, 0.0),
    "m/s": (1.0, 0.0),
    "m/s²": (1.0, 0.0),
    "rpm": (RPM, 0.0),
    "°": (pi / 180, 0.0),
    "%": (1e-2, 0.0),
    "N": (1.0, 0.0),
    "N/mm": (1e3, 0.0),
    "N·m": (1.0, 0.0),
    "kW": (1e3, 0.0),
    "hPa": (1e2, 0.0),
    "kPa": (1e3, 0.0),
    "MPa": (MPA, 0.0),
    "GPa": (1e3 * MPA, 0.0),
    "psi": (PSI, 0.0),
    "mL": (1e-6, 0.0),
    "mm³/MPa": (1e-15, 0.0),
    "mm³/J": (1e-9, 0.0),
    "J/mm²": (1e6, 0.0),
    "J/K": (1.0, 0.0),
    "W/K": (1.0, 0.0),
    "J/(kg·K)": (1.0, 0.0),
    "W/(m·K)": (1.0, 0.0),
    "°C": (1.0, FREEZING),
}
