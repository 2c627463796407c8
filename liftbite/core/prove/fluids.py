"""Fluids and oils: which class, how much went in, whether the level was looked at again, when it is due.

- `Fluid`, `FLUIDS`, `fluids_of`   what a case holds
- `FluidFilled`   what is said of a filling
- `Filled`, `read_filled`   the same, read
- `due_in`, `in_months`   days until it is renewed, and as one says it

What a class does to a wet clutch and to brass synchronisers stands in `fluids.toml`; the manual's class wins.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import ClassVar, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.case import Case
from liftbite.core.job.record import Kind, Names, Statement
from liftbite.core.prove.bleeding import used_of
from liftbite.core.tables import made, rows


@dataclass(frozen=True, slots=True)
class Fluid:
    """A fluid of a vehicle.

    Attributes
    ----------
    name, label : in the record, on screen
    classes : class -> what it does where it is wrong; empty where it is right
    days : until it is renewed, 0 where no round figure is used
    note : how its level is set
    where : what a case has that holds it, by the words of `Case.has`
    source : where it is from
    """

    name: str
    label: str
    classes: Mapping[str, str]
    days: int
    note: str
    where: tuple[str, ...]
    source: str


FLUIDS: Mapping[str, Fluid] = {
    name: made(Fluid, name, {"name": name, **said}) for name, said in rows("liftbite.core.prove", "fluids.toml").items()
}


def fluids_of(case: Case) -> list[Fluid]:
    """The fluids a case holds."""
    return [fluid for fluid in FLUIDS.values() if case.has(*fluid.where)]


@dataclass(frozen=True, slots=True)
class Filled:
    """A filling: of what, its class, how much [m³] or None, whether its level was looked at again, what is wrong."""

    fluid: Fluid
    kind: str
    used: float | None
    again: bool
    wrong: str


@dataclass(frozen=True, slots=True, kw_only=True)
class FluidFilled(Statement):
    """A fluid that was filled: its class, what bottles held and what is left, whether its level was looked at again."""

    about: ClassVar = Kind("fluid", "Fluid", "proof")

    answer: Literal["filled", "open"]
    class_: str = ""
    bottles: str = ""
    left: str = ""
    note: str = ""
    again: Literal["", "right"] = ""

    def hold(self, key: str, who: str) -> None:
        """All of it."""
        read_filled(key, self)

    def subject(self, key: str, names: Names) -> str:
        """The fluid."""
        return FLUIDS[key].label if key in FLUIDS else key


def read_filled(key: str, said: FluidFilled) -> Filled:
    """A filling as said.

    Raises
    ------
    UnreadableEntry : no such fluid or class, or no volume

    >>> said = FluidFilled(answer="filled", class_="for wet clutches", bottles="4 L", left="1 US qt")
    >>> filled = read_filled("engine", said)
    >>> filled.wrong, round(filled.used * 1e3, 2)
    ('', 3.05)
    """
    fluid = FLUIDS.get(key)
    if fluid is None:
        raise UnreadableEntry(f"“{key}” is no fluid of a job; {', '.join(FLUIDS)} are")
    kind = said.class_
    if kind not in fluid.classes:
        raise UnreadableEntry(f"{fluid.label}: say its class: {'; '.join(fluid.classes)}")
    used = used_of(said.bottles, said.left)
    return Filled(fluid, kind, used, said.again == "right", fluid.classes[kind])


def due_in(fluid: Fluid, age: int) -> int | None:
    """Days until a fluid that was filled `age` days ago is renewed, at least 1; None where no round figure is used.

    >>> due_in(FLUIDS["engine"], 184), due_in(FLUIDS["gearbox"], 3)
    (181, None)
    """
    return max(fluid.days - age, 1) if fluid.days else None


def in_months(days: int) -> str:
    """Days as months, as one says it.

    >>> in_months(730), in_months(20)
    ('24 months', '1 month')
    """
    months = max(round(days / 30.4), 1)
    return f"{months} month{'' if months == 1 else 's'}"
