"""What a calculation of the set-up is, what it tells, and how that is shown.

- `Calculation`   one of them: which checks feed it, how it is worked out and told, what it enters into the job
- `Outcome`          the sentence, its working, and what is shown beside it
- `Ruler`, `Band`, `Mark`, `Move`   lengths on one ruler: where they should lie, where they do, where pieces bring them
- `Table`         rows of words and lengths
- `Lines`         lengths along a length
- `Remark`        a sentence with its verdict
- `Asked`         something the readings do not say and nobody may guess
- `within`        held against a kit maker's or a manual's window, which wins
- `Pieces`, `pieces_of`   spacers or shims at hand

Screen, sheet and interface show these as they come; none of them knows a calculation by its name. Lengths in metres.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any, Literal, TypeAlias

from liftbite.core.job.build import Build
from liftbite.core.measure.effect import EffectOf
from liftbite.core.measure.limit import LimitName
from liftbite.core.measure.reading import Readings
from liftbite.core.units.read import from_si
from liftbite.core.units.sentence import both_fine
from liftbite.core.units.show import figure

#: More pieces than this are not tried in every combination.
MOST_PIECES = 10
#: Fingers that moved by more than this are made up for [m] [practice].
MAKE_UP = 0.5e-3


@dataclass(frozen=True, slots=True)
class Window:
    """Lengths that serve, both ends among them [m]; `low` over `high` where none does."""

    low: float
    high: float

    def holds(self, value: float) -> bool:
        """True where a length lies in it, to a nanometre."""
        return self.low - 1e-9 <= value <= self.high + 1e-9


@dataclass(frozen=True, slots=True)
class Band:
    """A stretch of a ruler where something should lie [m]; `leading` for the one that counts most."""

    label: str
    low: float
    high: float
    leading: bool = False


@dataclass(frozen=True, slots=True)
class Mark:
    """A length on a ruler [m]; `leading` for the one that is proposed."""

    label: str
    at: float
    leading: bool = False


@dataclass(frozen=True, slots=True)
class Move:
    """A length on a row of its own: as measured, and where the pieces named bring it [m]."""

    label: str
    before: float
    after: float


@dataclass(frozen=True, slots=True)
class Ruler:
    """Lengths on one ruler from nothing upwards; `zero` says what stands at nothing."""

    about: str
    bands: tuple[Band, ...] = ()
    marks: tuple[Mark, ...] = ()
    moves: tuple[Move, ...] = ()
    zero: str = ""


Cell: TypeAlias = "str | float | None"


@dataclass(frozen=True, slots=True)
class Table:
    """Rows of words and lengths [m], the proposed one first."""

    about: str
    heads: tuple[str, ...]
    rows: tuple[tuple[Cell, ...], ...]


@dataclass(frozen=True, slots=True)
class Lines:
    """Lengths along a length [m]: label -> values; the leading one is named."""

    about: str
    along: str
    x: tuple[float, ...]
    curves: Mapping[str, tuple[float, ...]]
    leading: str = ""


@dataclass(frozen=True, slots=True)
class Remark:
    """A sentence; with the verdict it stands for, or empty."""

    text: str
    verdict: str = ""


#: What a calculation of the set-up says of what it was worked out for.
SetUp: TypeAlias = Literal["reuse", "put right", "stop", ""]
Shown: TypeAlias = "Ruler | Table | Lines | Remark"


@dataclass(frozen=True, slots=True)
class Outcome:
    """A calculation in words.

    Attributes
    ----------
    sentence : what it comes to
    verdict : "reuse" where it goes in as it is, "put right" or "stop" where not, empty where it says neither
    working : how, line by line, with its figures and whose rule it is
    shows : what is shown beside it, in order
    length : what a kit maker's or a manual's window is for [m]; None where there is no such length
    again : True where the readings contradict one another, or what can be: they are taken again before anything moves
    """

    sentence: str
    verdict: SetUp
    working: tuple[str, ...] = ()
    shows: tuple[Shown, ...] = ()
    length: float | None = None
    again: bool = False


@dataclass(frozen=True, slots=True)
class Asked:
    """Something about a series of readings that is asked, never guessed.

    Attributes
    ----------
    check : whose series it belongs to
    name : name of the setting
    label : the question
    options : what may be said -> in words; the first where nothing was
    """

    check: str
    name: str
    label: str
    options: Mapping[str, str]


@dataclass(frozen=True, slots=True)
class Calculation:
    """A calculation of the set-up.

    Attributes
    ----------
    name, label : name in the record, name on screen
    part : key of the part that is put right where it does not come right
    checks : the checks that feed it
    waits_for : what it waits for while readings are missing
    work_out : build, readings in force and what was asked to what it comes to; None while readings are missing
    tell : that in words
    asks : what the readings do not say
    effects : check -> what it enters into the job
    window_of : the check whose limits, as a kit maker or a manual gives them, are a window for its `length`
    """

    name: str
    label: str
    part: str
    checks: tuple[str, ...]
    waits_for: str
    work_out: Callable[[Build, Readings, Mapping[str, str]], Any]
    tell: Callable[[Any], Outcome]
    asks: Asked | None = None
    effects: Mapping[str, EffectOf] = field(default_factory=dict)
    window_of: str = ""


def within(told: Outcome, given: Mapping[LimitName, tuple[float, str]]) -> Outcome:
    """What a calculation came to, held against a window somebody gave: that window wins, the sum stands beside it.

    Parameters
    ----------
    given : "least" and "most" -> length [m] and whose it is

    >>> told = Outcome("The reserve is 5 mm, outside 6 to 9 mm.", "put right", length=5e-3)
    >>> within(told, {"most": (8e-3, "kit sheet")}).verdict
    'reuse'
    """
    if told.length is None or not ({"least", "most"} & set(given)) or told.verdict == "stop":
        return told
    low, high = given.get("least"), given.get("most")
    inside = (low is None or told.length >= low[0] - 1e-9) and (high is None or told.length <= high[0] + 1e-9)
    ends = [f"{word} {span(end[0])}" for word, end in (("at least", low), ("at most", high)) if end is not None]
    whose = next((end[1] for end in (low, high) if end is not None and end[1]), "the manual")
    lies = "lies inside" if inside else "lies outside"
    first = f"{span(told.length)} {lies} what {whose} gives, {' and '.join(ends)}, which counts. By the sum: "
    return replace(told, sentence=first + told.sentence, verdict=right(inside))


@dataclass(frozen=True, slots=True)
class Pieces:
    """Spacers or shims at hand, each by its latest reading.

    Attributes
    ----------
    names, heights : of those that are tried, in order [m]
    untried : how many were measured beyond those
    """

    names: tuple[str, ...]
    heights: tuple[float, ...]
    untried: int

    def tried(self) -> list[str]:
        """A line of the working where more were measured than can be tried."""
        if not self.untried:
            return []
        return [f"{len(self.names) + self.untried} pieces were measured; the first {MOST_PIECES} are tried."]

    def named(self, pieces: Sequence[int]) -> str:
        """Some of them by name: `Shim 1 and Shim 2`."""
        return " and ".join(self.names[i] for i in pieces)


def right(fine: bool) -> SetUp:
    """The verdict on something that either goes in as it is or is put right first.

    >>> right(True), right(False)
    ('reuse', 'put right')
    """
    return "reuse" if fine else "put right"


def pieces_of(readings: Readings, check: str) -> Pieces:
    """The pieces at hand that were measured; the first `MOST_PIECES` are tried."""
    latest = {r.place: r.si for r in readings.get(check, ()) if r.si is not None}
    names = sorted(latest, key=lambda place: (len(place), place))
    tried = names[:MOST_PIECES]
    return Pieces(tuple(tried), tuple(latest[n] for n in tried), len(names) - len(tried))


def span(value: float) -> str:
    """A length in both systems, as a bench reads it."""
    return both_fine(value, "m")


def mm(value: float) -> str:
    """A term of a sum: in millimetres alone, so that the sum can be read."""
    return f"{figure(round(from_si(value, 'mm'), 3), 12)}"
