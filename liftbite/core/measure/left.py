"""How far a part still goes: a straight line through dated readings to their limit.

- `Left`, `left_of`   the distance left, with its doubt, from a check's series
- `distance_left`     from readings and odometers
- `deciding`          the reading of a series that decides
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from math import hypot, sqrt

import numpy as np
import numpy.typing as npt

from liftbite.core.measure.check import Check
from liftbite.core.measure.limit import Limit, value_of
from liftbite.core.measure.reading import Reading


@dataclass(frozen=True, slots=True)
class Left:
    """Distance to a limit [m driven]: best estimate, its band (k = 2), and the wear per distance [m per m driven]."""

    distance: float
    doubt: float
    rate: float

    def reading_at(self, beyond: float, limit: float) -> float:
        """What the line says at a distance beyond the last reading; at `distance` it is the limit [SI]."""
        return limit + self.rate * (self.distance - beyond)


def deciding(check: Check, readings: Sequence[Reading], limits: Sequence[Limit]) -> tuple[float, float] | None:
    """The reading of a series that decides, with its uncertainty; None without one [SI].

    The lowest where wear takes away, what they spread by where only that is limited, else the highest. A sweep is
    decided by its fit: `sweeps.decided`.
    """
    values = [(r.si, r.uncertainty) for r in readings if r.si is not None]
    if not values or check.kind == "sweep":
        return None
    named = {limit.name for limit in limits} - {"new"}
    if named == {"spread"}:
        (low, u), (high, v) = min(values), max(values)
        return high - low, hypot(u, v)
    return min(values) if "least" in named else max(values)


def distance_left(
    distances: npt.ArrayLike, values: npt.ArrayLike, uncertainties: npt.ArrayLike, limit: float
) -> Left | None:
    """Distance until a straight line through dated readings meets its limit, with the readings' own doubt carried on.

    x = (a − limit)/b − x_last, for the least-squares line a − b·x; U_x² = Σ (∂x/∂y_i · U_i)².

    Parameters
    ----------
    distances : odometer at each reading, at least two different [m driven]
    values : readings [SI], shape of `distances`
    uncertainties : their expanded uncertainties [SI]
    limit : the limit [SI]

    Returns
    -------
    what is left counted from the last reading; None where the readings show no wear towards the limit

    Source: [definition: straight-line extrapolation, first-order propagation].

    Two readings 10 000 km apart, 1.00 and 0.80 mm, limit 0.30 mm:

    >>> left = distance_left([0, 1e7], [1.0e-3, 0.8e-3], [3e-5, 3e-5], 0.3e-3)
    >>> round(left.distance / 1e6, 1), round(left.doubt / 1e6, 1)
    (25.0, 6.5)
    """
    x, y, u = (np.asarray(v, dtype=float) for v in (distances, values, uncertainties))
    if x.size < 2 or np.ptp(x) == 0:
        return None
    scale, last = np.ptp(x), float(x.max())
    fit = np.linalg.pinv(np.column_stack([np.ones_like(x), (x - last) / scale]))
    at_last, slope = fit @ y
    gap = at_last - limit
    if abs(slope) <= 1e-9 * abs(gap) or gap * slope >= 0:
        return None
    run = -gap / slope
    gradient = -fit[0] / slope + gap * fit[1] / slope**2
    return Left(float(run * scale), float(sqrt(np.sum((gradient * u) ** 2)) * scale), float(-slope / scale))


def left_of(
    check: Check, series: Iterable[tuple[float | None, Sequence[Reading]]], limits: Sequence[Limit]
) -> Left | None:
    """Distance until the readings that decide meet their limit; None without two dated ones, or without wear.

    Parameters
    ----------
    check : the check
    series : odometer [m driven], None where it was not noted, and the readings of one series; the oldest first
    limits : limits in force, from `limits_of`
    """
    dated = [(at, found) for at, readings in series if at is not None and (found := deciding(check, readings, limits))]
    to = value_of(limits, "least", "most", "spread")
    if to is None or len(dated) < 2:
        return None
    return distance_left([at for at, _ in dated], [v for _, (v, _) in dated], [u for _, (_, u) in dated], to)
