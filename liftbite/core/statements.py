"""Everything that can be said of a job, and what was said, read by its kind: whoever says it, a screen or a file.

- `KINDS`        key -> the class of a kind of statement
- `read_statement`     a line, its words checked by what its kind means; under names of before as well
- `readable`      the lines of a record that can be read, and those that cannot
- `names_of_now`, `under_names_of_now`   what own steps and checks went by before; a record by the names of now

A kind is added as a class in its room, and to `KINDS`; interface, files and types of the screens follow from it.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace
from functools import lru_cache

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolt_map import HoleMapped
from liftbite.core.fit.holds import OverriddenLine
from liftbite.core.fit.own_steps import own_keys_of_before
from liftbite.core.fit.pattern import PatternMeasured
from liftbite.core.fit.statements import (
    AtStep,
    Bag,
    BoltTick,
    LeftOver,
    Mark,
    NotHere,
    OwnStep,
    PartNote,
    PlanAnswer,
    StepTick,
)
from liftbite.core.fit.step_names import STEPS_OF_BEFORE
from liftbite.core.fit.tightening import JointInstruction
from liftbite.core.job.photos import Photo
from liftbite.core.job.record import Line, RawLine, Statement, checked, lines_of
from liftbite.core.job.record_before import now_called
from liftbite.core.measure.own import OwnCheck, own_names_of_before
from liftbite.core.measure.statements import (
    CheckClosed,
    ListLine,
    Order,
    Overruling,
    OwnPart,
    PracticeHere,
    ScopeAnswer,
)
from liftbite.core.prove.fluids import FluidFilled
from liftbite.core.prove.running_in import LoggedDrive, TripDriven
from liftbite.core.prove.statements import (
    BeddingIn,
    Bled,
    BleedStepDone,
    ComplaintClosed,
    Complaints,
    FaultTestAnswer,
    FullLoad,
    HandOver,
    Heard,
    ProvedFault,
    SecondLook,
    Tried,
)

#: Key -> kind of statement.
KINDS: Mapping[str, type[Statement]] = {
    kind.about.name: kind
    for kind in (
        Order,
        ListLine,
        CheckClosed,
        Overruling,
        OwnPart,
        ScopeAnswer,
        OwnCheck,
        PracticeHere,
        PlanAnswer,
        StepTick,
        BoltTick,
        JointInstruction,
        AtStep,
        NotHere,
        OverriddenLine,
        PatternMeasured,
        OwnStep,
        HoleMapped,
        Bag,
        Mark,
        LeftOver,
        PartNote,
        Bled,
        BleedStepDone,
        Tried,
        Heard,
        FluidFilled,
        TripDriven,
        BeddingIn,
        SecondLook,
        FullLoad,
        Complaints,
        ComplaintClosed,
        FaultTestAnswer,
        ProvedFault,
        LoggedDrive,
        HandOver,
        Photo,
    )
}


def read_statement(kind: str, key: str, words: Mapping[str, str], who: str = "", at: str = "") -> Line:
    """What is said of a job, checked by its words and by what its kind means; under names of before as well.

    Raises
    ------
    UnreadableEntry : a kind there is none of, or as `record.checked`

    >>> read_statement("line", "Pilot bearing", {"answer": "struck", "reason": " renewed in spring "}).reason
    'renewed in spring'
    >>> read_statement("check", "fork", {"answer": "not_on_job", "reason": "not out"})
    Traceback (most recent call last):
    liftbite.core.errors.UnreadableEntry: Check: say who says so
    """
    kind, words = now_called(kind, words)
    found = KINDS.get(kind)
    if found is None:
        raise UnreadableEntry(f"“{kind}” is nothing that is said of a job; {', '.join(KINDS)} are")
    return checked(found, RawLine(kind, key, words, who, at))


@lru_cache(maxsize=65_536)
def _read(kind: str, key: str, words: tuple[tuple[str, str], ...], who: str) -> Line | str:
    """A line of the record, or why it cannot be read."""
    try:
        return read_statement(kind, key, dict(words), who)
    except UnreadableEntry as error:
        return error.reason


def readable(record: Iterable[RawLine]) -> tuple[list[Line], list[tuple[RawLine, str]]]:
    """The lines of a record that can be read, and with why those that cannot: a line of before keeps no job shut.

    >>> good, bad = readable([RawLine("trip", "1", {"distance": "42 km"}), RawLine("own", "Gap", {"unit": "furlong"})])
    >>> len(good), bad[0][1]
    (1, 'Gap: “furlong” is no unit; mm, in, °, N, bar and the like are')
    """
    good, bad = [], []
    for raw in record:
        try:
            line = _read(raw.kind, raw.key, tuple(sorted(raw.words.items())), raw.who)
        except TypeError:  # words that are none
            line = "its words are damaged"
        if isinstance(line, str):
            bad.append((raw, line))
        else:
            good.append(replace(line, at=raw.at))
    return good, bad


def names_of_now(record: Iterable[Line], shop_steps: Iterable[str] = ()) -> dict[str, str]:
    """What a job's own steps and checks went by before -> what they go by, where only one can be meant.

    Parameters
    ----------
    record : what was said of the job
    shop_steps : titles of steps the shop adds
    """
    lines = list(record)
    titles = [*shop_steps, *(line.key for line in lines_of(lines, OwnStep))]
    return {**STEPS_OF_BEFORE, **own_names_of_before(lines), **own_keys_of_before(dict.fromkeys(titles))}


def under_names_of_now(record: Iterable[Line], names: Mapping[str, str]) -> list[Line]:
    """A record with every own step and check by the name of now."""
    found = []
    for line in record:
        key, statement = line.statement.renamed(line.key, names)
        found.append(replace(line, key=key, statement=statement))
    return found
