"""Values as a sentence has them, in the units preferred where it is written.

- `both`, `both_fine`   a value; one that was measured
- `per_distance`        a change over a distance driven
- `distance_about`      a distance ahead, to no more figures than it is worth
"""

from __future__ import annotations

from liftbite.core.units.preference import wanted
from liftbite.core.units.read import from_si, to_si
from liftbite.core.units.show import System, show, show_fine

_FAR = {"metric": "km", "inch": "mi"}


def both(value: float, unit: str, digits: int = 0) -> str:
    """A value in the units preferred: `241.3 mm (9.5 in)`; digits as its kind has, or fewer.

    >>> both(0.2413, "m"), both(1.25, "-"), both(0.2413, "m", 2)
    ('241.3 mm (9.5 in)', '1.25', '240 mm (9.5 in)')
    """
    return _written([str(show(value, unit, system, digits)) for system in wanted()])


def both_fine(value: float, unit: str) -> str:
    """A value that was measured, in the units preferred, to no more decimals than a bench reads.

    >>> both_fine(0.00016942, "m")
    '0.169 mm (0.0067 in)'
    """
    return _written([str(show_fine(value, unit, system)) for system in wanted()])


def _written(systems: list[str]) -> str:
    first, *rest = dict.fromkeys(systems)
    return f"{first} ({rest[0]})" if rest else first


def per_distance(rate: float, unit: str, digits: int = 2) -> str:
    """A change over 1000 km, or over 1000 miles, in the units preferred.

    Parameters
    ----------
    rate : change per distance [unit per m driven], either way
    unit : SI unit of what changes

    >>> per_distance(2e-11, "m"), per_distance(2e-6, "N")
    ('0.02 mm per 1000 km (0.0013 in per 1000 mi)', '2 N per 1000 km (0.72 lbf per 1000 mi)')
    """
    return _written([_over(abs(rate), unit, system, digits) for system in wanted()])


def _over(rate: float, unit: str, system: System, digits: int) -> str:
    far = _FAR[system]
    return f"{show(rate * to_si(1000.0, far), unit, system, digits)} per 1000 {far}"


def distance_about(metres: float) -> str:
    """A distance ahead, to no more figures than it is worth, in the units preferred.

    >>> distance_about(41_730e3), distance_about(480e3)
    ('42,000 km (26,000 mi)', '480 km (300 mi)')
    """
    return _written([f"{_rounded(from_si(metres, _FAR[system])):,} {_FAR[system]}" for system in wanted()])


def _rounded(value: float) -> int:
    """To two figures."""
    step = 10 ** max(len(f"{value:.0f}") - 2, 0)
    return int(round(value / step) * step)
