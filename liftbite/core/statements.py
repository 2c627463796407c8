"""What is said of a job, read as what it is of: whoever says it, the bench, Fit, Prove or a job file.

- `read_statement`     a line of the record, its words checked by what its kind means
- `readable`      the lines of a record that can be read, and those that cannot
- `names_of_now`, `under_names_of_now`   what own steps and checks went by before; a record by the names of now

`job.record` knows which words a kind has; what a hole, a trip or a cause is, the rooms above it know.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from dataclasses import replace
from functools import lru_cache

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolt_map import read_hole
from liftbite.core.fit.pattern import read_pattern
from liftbite.core.fit.progress import own_keys_of_before
from liftbite.core.fit.tightening import read_way
from liftbite.core.job.parts import part_named
from liftbite.core.job.record import Line, read_line, takes_back
from liftbite.core.job.record_before import now_called
from liftbite.core.measure.own import own_names_of_before, read_own
from liftbite.core.measure.parts_list import line_named
from liftbite.core.prove.bleeding import read_step, used_of
from liftbite.core.prove.cards import ITEMS, NOISE
from liftbite.core.prove.causes import CANNOT_TELL, CAUSES, COMPLAINTS, TESTS
from liftbite.core.prove.driven import read_share
from liftbite.core.prove.fluids import read_filled
from liftbite.core.prove.running_in import read_drive_as_trip, read_trip
from liftbite.core.units.read import read


def _complaint(line: Line) -> None:
    unknown = [name for name in line.answer.split(", ") if name and name not in COMPLAINTS]
    if unknown:
        raise UnreadableEntry(f"“{unknown[0]}” is no complaint; {', '.join(COMPLAINTS)} are")


def _fault_test(line: Line) -> None:
    test = TESTS.get(line.key)
    if test is None or line.answer not in (*test.answers, CANNOT_TELL):
        raise UnreadableEntry(f"“{line.answer}” is no answer to “{line.key}”")


def _fault(line: Line) -> None:
    if line.key not in CAUSES:
        raise UnreadableEntry(f"“{line.key}” is no cause")


def _drive(line: Line) -> None:
    read_share(line.said.get("share", ""))
    read_drive_as_trip(line)
    if line.said.get("heat"):
        read(line.said["heat"], "J", "J")


def _card(line: Line) -> None:
    if line.key not in ITEMS:
        raise UnreadableEntry(f"“{line.key}” is on no card")


def _heard(line: Line) -> None:
    if line.key not in NOISE:
        raise UnreadableEntry(f"“{line.key}” is no noise of the list; {', '.join(NOISE)} are")


#: Kind -> what else has to be so of a line of it, than that it has the kind's words.
_READERS: Mapping[str, Callable[[Line], object]] = {
    "own": read_own,
    "hole": lambda line: read_hole(line.key, line.said),
    "tightening": lambda line: read_way(line.key, line.said),
    "pattern": lambda line: read_pattern(line.key, line.said),
    "bled": lambda line: used_of(line.said.get("bottles", ""), line.said.get("left", "")),
    "trip": read_trip,
    "drive": _drive,
    "bleed_step": read_step,
    "card": _card,
    "heard": _heard,
    "fluid": read_filled,
    "complaint": _complaint,
    "fault_test": _fault_test,
    "fault": _fault,
}


#: Kinds that are said of a part or of a line of the list -> the key of what somebody named.
_OF_PARTS: Mapping[str, Callable[[str], str]] = {
    "order": line_named,
    "line": line_named,
    "own_part": part_named,
    "noted": part_named,
}


def read_statement(kind: str, key: str, said: Mapping[str, str], who: str = "") -> Line:
    """What is said of a job, checked by its words and by what its kind means; under names of before as well.

    Raises
    ------
    UnreadableEntry : of `record.read_line`, or of what the line is of

    >>> read_statement("trip", "1", {"distance": "42 km"}).kind
    'trip'
    >>> read_statement("fault", "gremlins", {"answer": "found"})
    Traceback (most recent call last):
    liftbite.core.errors.UnreadableEntry: “gremlins” is no cause
    """
    kind, said = now_called(kind, said)
    line = read_line(kind, key, said, who)
    if kind in _OF_PARTS:
        line = replace(line, key=_OF_PARTS[kind](line.key))
    reads = _READERS.get(kind)
    if reads is not None and not takes_back(line):
        reads(line)
    return line


@lru_cache(maxsize=65_536)
def _fault_of(kind: str, key: str, said: tuple[tuple[str, str], ...], who: str) -> str:
    """Why a line cannot be read; empty where it can."""
    try:
        read_statement(kind, key, dict(said), who)
    except UnreadableEntry as error:
        return error.reason
    return ""


def readable(record: Iterable[Line]) -> tuple[list[Line], list[tuple[Line, str]]]:
    """The lines of a record that can be read, and with why those that cannot: a line of before keeps no job shut.

    >>> good, bad = readable([Line("trip", "1", {"distance": "42 km"}), Line("own", "Gap", {"unit": "furlong"})])
    >>> len(good), bad[0][1]
    (1, 'Gap: “furlong” is no unit; mm, in, °, N, bar and the like are')
    """
    good, bad = [], []
    for line in record:
        try:
            fault = _fault_of(line.kind, line.key, tuple(sorted(line.said.items())), line.who)
        except TypeError:  # words that are none
            fault = "its words are damaged"
        if fault:
            bad.append((line, fault))
        else:
            good.append(line)
    return good, bad


def names_of_now(record: Iterable[Line], shop_steps: Iterable[str] = ()) -> dict[str, str]:
    """What a job's own steps and checks went by before -> what they go by, where only one can be meant.

    Parameters
    ----------
    record : what was said of the job
    shop_steps : titles of steps the shop adds
    """
    lines = list(record)
    titles = [*shop_steps, *(line.key for line in lines if line.kind == "own_step")]
    return own_names_of_before(lines) | own_keys_of_before(dict.fromkeys(titles))


def under_names_of_now(record: Iterable[Line], names: Mapping[str, str]) -> list[Line]:
    """A record with every own step, check and part by the name of now."""
    return [_renamed(line, names) for line in record]


def _renamed(line: Line, names: Mapping[str, str]) -> Line:
    if line.kind in _OF_PARTS:
        return replace(line, key=_OF_PARTS[line.kind](line.key))
    if line.kind in {"step", "at_step", "check", "verdict"}:
        return replace(line, key=names.get(line.key, line.key))
    if line.kind == "bolt":
        step, colon, turn = line.key.rpartition(":")
        return replace(line, key=names.get(step, step) + colon + turn)
    if line.kind == "photo":
        kind, colon, name = line.said.get("of", "").partition(":")
        return replace(line, said={**line.said, "of": kind + colon + names.get(name, name)}) if name in names else line
    if line.kind == "own_step":
        after = line.said.get("after", "")
        return replace(line, said={**line.said, "after": names[after]}) if after in names else line
    return line
