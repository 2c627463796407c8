"""Constants of units, by name, in SI.

- `INCH`, `THOU`   [m] [standard: NIST SP 811:2008, appendix B, exact]
- `RPM`            a turn a minute [rad/s]
- `ATMOSPHERE`     standard pressure of the air [Pa] [standard: ISO 2533:1975, at sea level]
- `FREEZING`       0 °C [K]
- `MPA`            a megapascal [Pa]
- `GRAVITY`        standard acceleration of free fall [m/s²] [standard: NIST SP 811:2008, appendix B, exact]
"""

from __future__ import annotations

from math import tau

INCH = 0.0254
THOU = INCH / 1000
RPM = tau / 60
ATMOSPHERE = 101_325.0
FREEZING = 273.15
MPA = 1e6
PSI = 6894.757293168361  # pound-force per square inch [standard: NIST SP 811:2008, appendix B]
GRAVITY = 9.80665
