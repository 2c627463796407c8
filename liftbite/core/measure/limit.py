"""A figure a reading is held against.

- `Limit`      the figure, whose it is, and what it limits
- `value_of`   the figure of one of several
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

PRACTICE = "common practice, no source"
LimitName = Literal["new", "least", "most", "spread"]


@dataclass(frozen=True, slots=True)
class Limit:
    """A figure a reading is held against.

    Attributes
    ----------
    name : "new", "least", "most" or "spread"; "new" is what an unworn part reads and limits nothing
    value : the figure [SI]; None until the manual's is typed
    mark : "standard", "handbook", "memory", "practice", "job" or "manual"
    why : whose it is, in words
    """

    name: LimitName
    value: float | None
    mark: str
    why: str


def value_of(limits: Iterable[Limit], *names: str) -> float | None:
    """The figure of the first of these names that has one [SI], or None.

    >>> limits = (Limit("least", 2.8e-3, "practice", ""), Limit("new", 3e-3, "practice", ""))
    >>> value_of(limits, "new"), value_of(limits, "least", "most"), value_of(limits, "most")
    (0.003, 0.0028, None)
    """
    known = {found.name: found.value for found in limits if found.value is not None}
    return next((known[name] for name in names if name in known), None)
