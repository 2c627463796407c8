"""Fluids and oils: which class, how much went in, whether the level was looked at again, when it is due.

- `Fluid`, `FLUIDS`, `fluids_of`   what a case holds
- `Filled`, `read_filled`   a filling as said
- `due_in`, `in_months`   days until it is renewed, and as one says it

What a class does to a wet clutch and to brass synchronisers stands in `fluids.toml`; the manual's class wins.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.case import Case
from liftbite.core.job.record import Line
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


def read_filled(line: Line) -> Filled:
    """A filling as said.

    Raises
    ------
    UnreadableEntry : no such fluid or class, or no volume

    >>> said = {"class": "for wet clutches", "bottles": "4 L", "left": "1 US qt"}
    >>> filled = read_filled(Line("fluid", "engine", said))
    >>> filled.wrong, round(filled.used * 1e3, 2)
    ('', 3.05)
    """
    fluid = FLUIDS.get(line.key)
    if fluid is None:
        raise UnreadableEntry(f"“{line.key}” is no fluid of a job; {', '.join(FLUIDS)} are")
    kind = line.said.get("class", "")
    if kind not in fluid.classes:
        raise UnreadableEntry(f"{fluid.label}: say its class: {'; '.join(fluid.classes)}")
    used = used_of(line.said.get("bottles", ""), line.said.get("left", ""))
    return Filled(fluid, kind, used, line.said.get("again") == "right", fluid.classes[kind])


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
