"""What is said of a job at the bench: orders, lines of the list, checks closed, verdicts overruled, how far it goes.

- `Order`, `ORDERS`, `ON_ITS_WAY`, `HERE`   how far an order is
- `ListLine`, `OwnPart`      a line of the list accepted or struck, a part put on it
- `CheckClosed`, `Overruling`   a check that is closed, a verdict in the place of one that was reached
- `ScopeAnswer`, `PracticeHere`   how far the job goes, and in which practice it departs from the shop's

A check a job adds is said in `measure.own`.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import ClassVar, Literal, get_args

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.parts import called, part_named
from liftbite.core.job.record import Kind, Names, Statement
from liftbite.core.measure.parts_list import WORKS, line_named
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.measure.scope import SCOPES

#: How far an order is.
ORDERS: Mapping[str, str] = {
    "": "not ordered",
    "ordered": "ordered",
    "awaited": "awaited",
    "arrived": "arrived",
    "in_stock": "in stock",
}
#: Orders of a part that is not here yet, and of one that is.
ON_ITS_WAY, HERE = ("ordered", "awaited"), ("arrived", "in_stock")
#: Verdicts a builder may put in the place of one that was reached.
OverruledBy = Literal["reuse", "dress or resurface", "put right", "renew", "renew as set", "stop"]
OVERRULED: tuple[OverruledBy, ...] = get_args(OverruledBy)


def _part_of_line(key: str) -> str:
    part, _, work = key.rpartition(":")
    return part if work in WORKS else key


@dataclass(frozen=True, slots=True, kw_only=True)
class Order(Statement):
    """The order of a line of the list."""

    about: ClassVar = Kind("order", "Order", "bench", takes_back=("", ""), key_now=line_named)

    number: str = ""
    source: str = ""
    price: str = ""
    currency: str = ""
    state: Literal["", "ordered", "awaited", "arrived", "in_stock"] = ""

    def hold(self, key: str, who: str) -> None:
        """Its price."""
        try:
            price = float(self.price.replace(",", ".") or 0)
        except ValueError:
            raise UnreadableEntry(f"Order, price: “{self.price}” is no figure") from None
        if not 0 <= price < 1e9:
            raise UnreadableEntry(f"Order, price: “{self.price}” is no price")

    def subject(self, key: str, names: Names) -> str:
        """The part that is ordered."""
        return called(_part_of_line(key))

    def of_part(self, key: str, names: Names) -> str:
        """The same by its key."""
        return _part_of_line(key)


@dataclass(frozen=True, slots=True, kw_only=True)
class ListLine(Statement):
    """A line of the list, accepted or struck."""

    about: ClassVar = Kind(
        "line", "Line of the list", "bench", answers={"taken_back": "on the list again"}, key_now=line_named
    )

    answer: Literal["accepted", "struck", "open"]
    reason: str = ""

    def hold(self, key: str, who: str) -> None:
        """Why it is struck."""
        if self.answer == "struck" and not self.reason:
            raise UnreadableEntry("Line of the list: say why it is struck")

    def subject(self, key: str, names: Names) -> str:
        """The part, and what is done with it."""
        part, _, work = key.rpartition(":")
        words = next((words for name, words in WORKS.items() if name == work), None)
        return f"{called(part)}, {words}" if words else called(key)

    def of_part(self, key: str, names: Names) -> str:
        """The part."""
        return _part_of_line(key)


@dataclass(frozen=True, slots=True, kw_only=True)
class CheckClosed(Statement):
    """A check that is closed without all its readings."""

    about: ClassVar = Kind(
        "check", "Check", "bench", signed=True, of_named=True, answers={"taken_back": "asked for again"}
    )

    answer: Literal["enough", "not_on_job", "open"]
    reason: str = ""

    def subject(self, key: str, names: Names) -> str:
        """The check."""
        return names.check(key)

    def of_part(self, key: str, names: Names) -> str:
        """Its part."""
        return names.part_of_check(key)


@dataclass(frozen=True, slots=True, kw_only=True)
class Overruling(Statement):
    """A verdict that somebody puts in the place of the one that was reached."""

    about: ClassVar = Kind(
        "verdict", "Verdict", "bench", signed=True, of_named=True, answers={"taken_back": "as the readings say again"}
    )

    answer: Literal[OverruledBy, "open"]
    reason: str = ""

    def subject(self, key: str, names: Names) -> str:
        """The verdict of a check."""
        return f"{names.check(key)}, verdict"

    def of_part(self, key: str, names: Names) -> str:
        """The part of the check."""
        return names.part_of_check(key)


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnPart(Statement):
    """A part somebody puts on the list."""

    about: ClassVar = Kind(
        "own_part",
        "Part of the list",
        "bench",
        answers={"to_get": "put on the list", "taken_back": "taken off the list"},
        key_now=part_named,
    )

    answer: Literal["to_get", "open"]
    reason: str = ""

    def hold(self, key: str, who: str) -> None:
        """Which part, and why."""
        if not (key and self.reason):
            raise UnreadableEntry("Part of the list: say which part, and why it is got")

    def subject(self, key: str, names: Names) -> str:
        """The part."""
        return called(key)

    def of_part(self, key: str, names: Names) -> str:
        """The same by its key."""
        return key


@dataclass(frozen=True, slots=True, kw_only=True)
class ScopeAnswer(Statement):
    """How far a job goes."""

    about: ClassVar = Kind("scope", "Scope", "bench", takes_back=("", ""), answers=SCOPES)

    answer: Literal["everything", "clutch_flywheel", "clutch", "bearing", "hydraulics", "complaint"]

    def subject(self, key: str, names: Names) -> str:
        """How far the job goes."""
        return "How far the job goes"


@dataclass(frozen=True, slots=True, kw_only=True)
class PracticeHere(Statement):
    """A practice in which a job departs from the shop's; empty for as the shop does."""

    about: ClassVar = Kind("practice", "Practice of this job", "bench", takes_back=("answer", ""))

    answer: str = ""

    def subject(self, key: str, names: Names) -> str:
        """The practice."""
        return PRACTICES[key][0] if key in PRACTICES else key
