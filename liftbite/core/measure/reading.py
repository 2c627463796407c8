"""A reading, and all that are in force.

- `Reading`, `Readings`   one as taken, graded or skipped, and all in force; kept, never averaged away
- `values_of`, `mean_by_item`   their values; the mean of each item's
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np


@dataclass(frozen=True, slots=True)
class Reading:
    """One reading.

    Attributes
    ----------
    place : key of the place
    si : the value [SI]; None for a grade or a skip
    typed : as typed, or the grade's name
    instrument : kind it was taken with
    uncertainty : expanded uncertainty, k = 2 [SI]
    skipped : why nothing was taken there, or empty
    held : identity of the shop's own instrument it was taken with; empty for one of its kind
    """

    place: str
    si: float | None = None
    typed: str = ""
    instrument: str = ""
    uncertainty: float = 0.0
    skipped: str = ""
    held: str = ""


#: Check -> its readings in force, in the order taken.
Readings = Mapping[str, Sequence[Reading]]


def values_of(readings: Readings, check: str, place: str = "") -> list[float]:
    """The values of a check's readings [SI], of the places whose key begins with `place`."""
    return [r.si for r in readings.get(check, ()) if r.si is not None and r.place.startswith(place)]


def mean_by_item(readings: Readings, check: str) -> dict[str, float]:
    """Mean of every item's readings [SI]: a plate's thickness from its three places."""
    found: dict[str, list[float]] = {}
    for r in readings.get(check, ()):
        if r.si is not None:
            found.setdefault(r.place.split(",")[0], []).append(r.si)
    return {item: float(np.mean(values)) for item, values in found.items()}
