"""What a shop's own jobs teach: how long its steps take, which parts come back, how clutches wear by use.

- `Learned`      a figure with its spread and how many jobs it rests on
- `learned_from`   from figures, one a job; nothing from fewer than five
- `step_minutes`   how long a step took, from the moments its steps were ticked
- `Left`, `left_and_back`   parts that were left, and came back
- `rates_of`     how fast clutches wore, by use

Nothing is said from fewer than `LEAST` jobs, and every figure says how many it rests on.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

#: Fewest jobs a figure rests on, and the longest a step may take before it was a pause [min].
LEAST, PAUSE = 5, 240.0
#: A tick sooner after the one before it was typed back, and says nothing of time [min].
TYPED = 0.5


@dataclass(frozen=True, slots=True)
class Learned:
    """A figure of the shop's own: the middle of its jobs, a quarter of them below `low` and a quarter above `high`."""

    middle: float
    low: float
    high: float
    jobs: int


def learned_from(figures: Sequence[float]) -> Learned | None:
    """What figures of jobs, one each, amount to; None from fewer than five.

    >>> learned_from([30, 40, 50, 45, 35]), learned_from([30, 40])
    (Learned(middle=40.0, low=35.0, high=45.0, jobs=5), None)
    """
    if len(figures) < LEAST:
        return None
    low, middle, high = np.percentile(np.asarray(figures, dtype=np.float64), (25, 50, 75))
    return Learned(float(middle), float(low), float(high), len(figures))


def step_minutes(ticks: Iterable[tuple[float, str]]) -> dict[str, float]:
    """Step -> minutes it took in a job: from the tick before it to its own; a pause counts for none.

    Parameters
    ----------
    ticks : when each step was ticked [min], from any beginning, and its key

    >>> step_minutes([(0.0, "a"), (25.0, "b"), (900.0, "c")])
    {'b': 25.0}
    """
    return {key: at - before for (before, _), (at, key) in pairwise(sorted(ticks)) if TYPED <= at - before <= PAUSE}


@dataclass(frozen=True, slots=True)
class Left:
    """A part that was left in jobs: in how many, and in how many vehicles it was renewed in a later one."""

    jobs: int
    back: int

    @property
    def share(self) -> float:
        """How often leaving it came back [-]."""
        return self.back / self.jobs


def left_and_back(jobs: Iterable[tuple[str, Mapping[str, str]]]) -> dict[str, Left]:
    """Part -> how often it was left and renewed later; only parts left in at least five jobs.

    Parameters
    ----------
    jobs : vehicle, and part -> fate as somebody said it, in the order of time

    >>> jobs = [(str(n), {"pilot": "stays"}) for n in range(5)] + [("2", {"pilot": "renewed"})]
    >>> left_and_back(jobs)["pilot"]
    Left(jobs=5, back=1)
    """
    left: dict[str, list[str]] = {}
    back: dict[str, int] = {}
    for vehicle, fates in jobs:
        for part, fate in fates.items():
            waiting = left.setdefault(part, [])
            if fate == "stays":
                waiting.append(vehicle)
            elif fate == "renewed" and vehicle in waiting:
                back[part] = back.get(part, 0) + 1
    return {part: Left(len(found), back.get(part, 0)) for part, found in left.items() if len(found) >= LEAST}


def rates_of(series: Iterable[tuple[str, str, float, float]]) -> list[tuple[str, float]]:
    """Use and rate of wear [m/m] of every two readings of a check of a vehicle, of which the later one is thinner.

    Parameters
    ----------
    series : vehicle and check as one name, use, odometer [m driven], mean thickness [m]; in the order of time

    >>> [(use, round(rate * 1e12)) for use, rate in rates_of([("a", "road", 1e7, 2.0e-3), ("a", "road", 3e7, 1.6e-3)])]
    [('road', 20)]
    """
    before: dict[str, tuple[float, float]] = {}
    found = []
    for name, use, at, thick in series:
        if name in before and at > before[name][0] and thick < before[name][1]:
            found.append((use, (before[name][1] - thick) / (at - before[name][0])))
        before[name] = at, thick
    return found
