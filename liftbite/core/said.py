"""What is said of a job, read as what it is of: whoever says it, the bench, Fit, Prove or a job file.

`read_said`   a line of the record, its words checked by what its kind means

`job.record` knows which words a kind has; what a hole, a trip or a cause is, the rooms above it know.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolt_map import read_hole
from liftbite.core.fit.pattern import read_pattern
from liftbite.core.fit.tightening import read_way
from liftbite.core.job.record import Line, read_line, takes_back
from liftbite.core.measure.own import read_own
from liftbite.core.measure.scope import SYMPTOMS
from liftbite.core.prove.bleeding import read_step, used_of
from liftbite.core.prove.cards import ITEMS, NOISE
from liftbite.core.prove.causes import CANNOT_TELL, CAUSES, TESTS
from liftbite.core.prove.driven import read_share
from liftbite.core.prove.fluids import read_filled
from liftbite.core.prove.running_in import read_drive_as_trip, read_trip
from liftbite.core.units.read import read


def _complaint(line: Line) -> None:
    unknown = [name for name in line.answer.split(", ") if name and name not in SYMPTOMS]
    if unknown:
        raise UnreadableEntry(f"“{unknown[0]}” is no complaint; {', '.join(SYMPTOMS)} are")


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
    "bleed step": read_step,
    "card": _card,
    "heard": _heard,
    "fluid": read_filled,
    "complaint": _complaint,
    "fault test": _fault_test,
    "fault": _fault,
}


def read_said(kind: str, key: str, said: Mapping[str, str], who: str = "") -> Line:
    """What is said of a job, checked by its words and by what its kind means.

    Raises
    ------
    UnreadableEntry : of `record.read_line`, or of what the line is of

    >>> read_said("trip", "1", {"distance": "42 km"}).kind
    'trip'
    >>> read_said("fault", "gremlins", {"answer": "found"})
    Traceback (most recent call last):
    liftbite.core.errors.UnreadableEntry: “gremlins” is no cause
    """
    line = read_line(kind, key, said, who)
    reads = _READERS.get(kind)
    if reads is not None and not takes_back(line):
        reads(line)
    return line
