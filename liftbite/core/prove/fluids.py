"""Fluids and oils: which class, how much went in, whether the level was looked at again, when it is due.

- `Fluid`, `FLUIDS`, `fluids_of`   what a case holds
- `Filled`, `read_filled`   a filling as said
- `due_in`, `in_months`   days until it is renewed, and as one says it

[practice]: what a class does to a wet clutch and to brass synchronisers; the manual names the class and wins.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.case import Case
from liftbite.core.job.record import Line
from liftbite.core.prove.bleeding import used_of
from liftbite.core.prove.hand_over import FLUID


@dataclass(frozen=True, slots=True)
class Fluid:
    """A fluid of a vehicle.

    Attributes
    ----------
    name, label : in the record, on screen
    classes : class -> what it does where it is wrong; empty where it is right
    days : until it is renewed, 0 where no round figure is used
    note : how its level is set
    when : the cases that hold it
    """

    name: str
    label: str
    classes: Mapping[str, str]
    days: int
    note: str
    when: Callable[[Case], bool]


_AXLE = "an oil for hypoid axles can attack brass synchronisers: only where the manual names it"
_SLIPPERY = "a friction-modified oil makes a wet clutch slip: wash the plates, and fill what the manual names"
FLUIDS: Mapping[str, Fluid] = {f.name: f for f in (
    Fluid("clutch", "Clutch fluid", {
        "glycol, as the cap says": "", "mineral, as the cap says": "",
        "another than the cap says": "brake fluid ruins seals made for mineral oil, and the other way round: flush and "
        "renew the seals"}, FLUID, "Between the marks, level again after the first run.", lambda c: c.hydraulic),
    Fluid("gearbox", "Gearbox oil", {
        "as the manual names": "", "for brass synchronisers": "", "for hypoid axles": _AXLE}, 0,
        "Level, until it just runs from the fill hole; the fill plug was proved open first.",
        lambda c: c.car and c.opens),
    Fluid("engine", "Engine oil, shared with the clutch", {
        "for wet clutches": "", "friction-modified, energy-saving": _SLIPPERY, "not said on the can": _SLIPPERY}, 365,
        "At its mark upright and level; again after a run of a few minutes.", lambda c: not c.car),
)}  # fmt: skip


def fluids_of(case: Case) -> list[Fluid]:
    """The fluids a case holds."""
    return [fluid for fluid in FLUIDS.values() if fluid.when(case)]


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
