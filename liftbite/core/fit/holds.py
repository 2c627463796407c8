"""What a hold point looks up: lines that stand by themselves, good, bad or not there yet.

- `Look`           a line, with its source
- `OverriddenLine` a line a named person goes past, as it stood
- `Stands`, `standing_of`   the lines of a hold point as they stand; which of them keep it shut
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import ClassVar, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.library import title_of
from liftbite.core.job.record import Kind, Line, Names, Statement, in_force

LookState = Literal["good", "bad", "open", "overridden"]


@dataclass(frozen=True, slots=True)
class Look:
    """A line a hold point looks up.

    Attributes
    ----------
    key, label : of the line, and what it says
    state : good, bad, or open where nobody has read or done it; no hand ticks it
    says : what it is known from, with figure and who
    where : station and key it is done at, as "measure:disc_wobble"
    """

    key: str
    label: str
    state: LookState
    says: str
    where: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class OverriddenLine(Statement):
    """A line of a hold point that a named person goes past: as it stood, so that a contrary reading shuts it again."""

    about: ClassVar = Kind(
        "hold_line",
        "Line of a hold point",
        "plan",
        signed=True,
        answers={"overridden": "overridden", "taken_back": "taken back"},
    )

    answer: Literal["overridden", "open"]
    reason: str = ""
    stood: str = ""

    def hold(self, key: str, who: str) -> None:
        """Hold point and line, a colon between; never the cautions."""
        step, colon, line = key.partition(":")
        if not (step and colon and line):
            raise UnreadableEntry(f"“{key}” is no line of a hold point; write it as “prove_cover:floater”")
        if step == "cautions":
            raise UnreadableEntry("The cautions are read and signed; nobody overrides them")

    def subject(self, key: str, names: Names) -> str:
        """The hold point."""
        return names.step(key.partition(":")[0])


@dataclass(frozen=True, slots=True)
class Stands:
    """A line as it stands: looked up, or overridden by whom and why."""

    look: Look
    overridden: Line[OverriddenLine] | None

    @property
    def shuts(self) -> bool:
        """True where it keeps its hold point shut."""
        return self.look.state in ("bad", "open") and self.overridden is None


def standing_of(step: str, looks: Iterable[Look], said: Mapping[str, Line[OverriddenLine]]) -> list[Stands]:
    """The lines of a hold point; an override counts while its line says what it said then.

    >>> look = Look("floater", "Floater", "bad", "0.031 in: put right")
    >>> line = OverriddenLine(answer="overridden", reason="race car", stood="0.031 in: put right")
    >>> [s.shuts for s in standing_of("prove_cover", [look], {"prove_cover:floater": Line("x", line, "Ivo")})]
    [False]
    """
    found = []
    for look in looks:
        line = said.get(f"{step}:{look.key}")
        holds = line is not None and line.statement.stood == look.says
        found.append(Stands(look, line if holds else None))
    return found


def overridden_in(record: Iterable[Line]) -> dict[str, Line[OverriddenLine]]:
    """Hold point and line -> who overrode it."""
    return in_force(record, OverriddenLine)


def refuse_shut(step: str, stands: Sequence[Stands]) -> None:
    """Refuses a hold point that a line keeps shut.

    Raises
    ------
    UnreadableEntry : the first such line, and what would open it
    """
    for each in stands:
        if each.shuts:
            raise UnreadableEntry(
                f"{title_of(step)}: {each.look.label.lower()}: {each.look.says}; "
                "put it right, or override this line with a name and a reason"
            )
