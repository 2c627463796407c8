"""What is not done, and known: all that a hand-over must not be silent about.

- `Code`, `Point`   one of them: its code, of what, how many and which
- `WORK`            codes with which the work itself is not finished
- `Status`, `status_of`   whether it was begun, is in work, or finished
"""

from __future__ import annotations

from collections.abc import Collection, Iterable
from dataclasses import dataclass
from typing import Literal

Code = Literal[
    "steps",
    "hold points",
    "to fit",
    "awaited",
    "renew",
    "dress",
    "put right",
    "measure",
    "stops",
    "unread",
    "cards",
    "odd",
    "left over",
    "answers",
    "not answered",
    "complaints",
    "figures",
    "undone",
    "no drive",
    "bedding",
    "look again",
    "lines unread",
]
#: Codes with which the work itself is not finished; the others are known of work that is.
WORK: frozenset[Code] = frozenset(
    {
        "steps",
        "hold points",
        "undone",
        "to fit",
        "awaited",
        "renew",
        "dress",
        "put right",
        "stops",
        "cards",
        "odd",
        "left over",
    }
)
Station = Literal["brief", "choose", "measure", "fit", "prove"]
Status = Literal["not_begun", "in_work", "finished"]


@dataclass(frozen=True, slots=True)
class Point:
    """One thing that is not done, and known.

    Attributes
    ----------
    code : what it is
    station, at : where it is mended, and the key of what is mended there; empty where that is all of it
    named : which, by what they are called; of "lines unread" the sentence
    """

    code: Code
    station: Station
    named: tuple[str, ...] = ()
    at: str = ""

    @property
    def count(self) -> int:
        """How many."""
        return max(len(self.named), 1)


def status_of(points: Iterable[Point], passed: Collection[str]) -> Status:
    """Whether the work was begun, is in work, or finished.

    Parameters
    ----------
    points : what is not done
    passed : keys of the steps that are passed

    >>> status_of([Point("bedding", "prove")], ["full_load"]), status_of([Point("awaited", "measure")], ["raise"])
    ('finished', 'in_work')
    """
    if not passed:
        return "not_begun"
    return "in_work" if any(point.code in WORK for point in points) else "finished"
