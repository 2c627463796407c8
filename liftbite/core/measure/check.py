"""What a check of the bench is: one thing to measure or look at, with its places and its limits.

- `Limit`     a figure a reading is held against
- `Grade`     a condition in a word, where there is nothing to measure
- `Place`     where on a part
- `Check`     one thing to measure or look at
- `Verdict`   what readings can come to
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Literal

from liftbite.core.job.build import Build

PRACTICE = "common practice, no source"
Kind = Literal["reading", "grade", "sweep", "figure"]
LimitName = Literal["new", "least", "most", "spread"]
Picture = Literal["surface", "bearing", "seal", "facing", "fastener", "spots", "spring"]
Verdict = Literal[
    "stop", "renew as set", "renew", "dress or resurface", "put right", "too close to call", "reuse and watch",
    "reuse", "open", "noted",
]  # fmt: skip


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


@dataclass(frozen=True, slots=True)
class Grade:
    """A condition in a word, with the verdict it leads to; `level` 0 as new to 3 scrap draws its picture."""

    value: str
    word: str
    says: str
    verdict: Verdict
    level: int


@dataclass(frozen=True, slots=True)
class Place:
    """Where on a part: the item, such as a plate of a pack, and the spot on it."""

    item: str
    spot: str = ""

    @property
    def key(self) -> str:
        """Its name in the record: `Plate 3, place 1`."""
        return f"{self.item}, {self.spot}" if self.spot else self.item


@dataclass(frozen=True, slots=True)
class Check:
    """One thing to measure or look at.

    Attributes
    ----------
    name : name in the record
    part, label : the part and what is measured on it
    how : how it is taken, one or two sentences
    kind : "reading" against limits, "grade", "sweep" round a circle, or "figure" that a sum needs
    unit, field_unit : SI unit and the unit a bare number is read in
    suited : instruments that can take it, the usual one first
    places : where on the part, for a job
    limits : what it is held against
    grades : conditions to pick from
    picture : what their pictures show: "surface", "bearing", "seal", "facing" or "fastener"
    if_failed : verdict where it fails
    whole : the set it is renewed with, or empty
    wanted : arrangement that calls for it
    usual : range outside which a reading is questioned [SI]
    grows : True where more places may be added, such as spacers at hand
    own : True where a job added it
    """

    name: str
    part: str
    label: str
    how: str
    kind: Kind = "reading"
    unit: str = "m"
    field_unit: str = "mm"
    suited: tuple[str, ...] = ("caliper", "micrometer")
    places: Callable[[Build], tuple[Place, ...]] = lambda _: (Place("Once"),)
    limits: tuple[Limit, ...] = ()
    grades: tuple[Grade, ...] = ()
    picture: Picture = "surface"
    if_failed: Verdict = "renew"
    whole: str = ""
    wanted: Callable[[Build], bool] = lambda _: True
    usual: tuple[float, float] = (0.0, 1.0)
    grows: bool = False
    own: bool = False

    @property
    def title(self) -> str:
        """Part and what is measured on it: `Disc: wobble at the rim`."""
        keep = self.label[1:2].isupper() or not self.label[1:2].isalpha()
        return f"{self.part}: {self.label if keep else self.label[0].lower() + self.label[1:]}"

    def limit(self, name: str) -> Limit | None:
        """The limit of that name, or None."""
        return next((found for found in self.limits if found.name == name), None)
