"""What is in a job's record, in sentences: of which station, of which part, and what was said.

- `Names`       what the things of a job are called that are its own: checks, steps
- `RecordedLine`, `recorded_line`   a line of the record as it is read: station, part, sentence
- `STATIONS`    the stations of a job, in the order of work

Every kind of the record has its sentence here; a kind without one is refused when this is loaded.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Literal

from liftbite.core.fit.case import QUESTIONS
from liftbite.core.fit.library import LIBRARY
from liftbite.core.job.parts import called
from liftbite.core.job.record import KINDS, ORDERS, Line, option_words, takes_back
from liftbite.core.measure.check import Check
from liftbite.core.measure.parts_list import WORKS
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.measure.scope import SCOPES
from liftbite.core.prove.bleeding import METHODS
from liftbite.core.prove.cards import ITEMS
from liftbite.core.prove.causes import CAUSES, TESTS
from liftbite.core.prove.fluids import FLUIDS

Station = Literal["choose", "measure", "fit", "prove", "photos"]
#: Station -> what it is called.
STATIONS: Mapping[Station, str] = {
    "choose": "Brief and Choose",
    "measure": "Measure",
    "fit": "Fit",
    "prove": "Prove",
    "photos": "Photos",
}


@dataclass(frozen=True, slots=True)
class Names:
    """What the things of a job are called: its checks, own ones among them, and the titles of its own steps."""

    checks: Mapping[str, Check]
    steps: Mapping[str, str]

    def check(self, key: str) -> str:
        """A check by its part and what is measured."""
        return self.checks[key].title if key in self.checks else key

    def step(self, key: str) -> str:
        """A step by its title; of putting back by the step that took it off."""
        taken = LIBRARY.get(key.removeprefix("back:"))
        if key.startswith("back:") and taken is not None:
            return taken.back or taken.title
        return LIBRARY[key].title if key in LIBRARY else self.steps.get(key, key)


@dataclass(frozen=True, slots=True)
class RecordedLine:
    """A line of the record as it is read: station, key of its part or empty, and a sentence."""

    station: Station
    part: str
    sentence: str


def recorded_line(line: Line, names: Names) -> RecordedLine:
    """A line of the record as it is read.

    >>> from liftbite.core.measure.checks import CHECKS
    >>> struck = Line("line", "pilot:get", {"answer": "struck", "reason": "renewed in spring"})
    >>> recorded_line(struck, Names(CHECKS, {}))
    RecordedLine(station='measure', part='pilot', sentence='Pilot bearing, get: struck. renewed in spring')
    """
    says = _SAYS[line.kind]
    subject = says.subject(line, names)
    return RecordedLine(_STATION[KINDS[line.kind].at], says.part(line, names), _sentence(line, subject, says))


_STATION: Mapping[str, Station] = {"bench": "measure", "plan": "fit", "proof": "prove", "photo": "photos"}


@dataclass(frozen=True, slots=True)
class _Says:
    """How a kind is read: what it is of, and of which part; which words stand for its answers."""

    subject: Callable[[Line, Names], str]
    part: Callable[[Line, Names], str] = lambda line, names: ""
    words: Mapping[str, str] | None = None


def _sentence(line: Line, subject: str, says: _Says) -> str:
    """Subject, what was answered, and the other words that were said."""
    answer = "taken_back" if takes_back(line) else line.answer
    answer = (says.words or {}).get(answer, option_words(answer))
    rest = [option_words(words) for name, words in line.said.items() if name not in {"answer", "state"} and words]
    state = ORDERS.get(line.said.get("state", ""), "") if line.kind == "order" else ""
    first = ": ".join(filter(None, (subject, answer or state)))
    return ". ".join(filter(None, (first, "; ".join(rest))))


def _of_line(line: Line, _: Names) -> str:
    part, _colon, work = line.key.rpartition(":")
    words = next((words for name, words in WORKS.items() if name == work), None)
    return f"{called(part)}, {words}" if words else called(line.key)


def _part_of_line(line: Line, _: Names) -> str:
    part, _colon, work = line.key.rpartition(":")
    return part if work in WORKS else line.key


def _part_of_check(line: Line, names: Names) -> str:
    return names.checks[line.key].part if line.key in names.checks else ""


def _step(line: Line, names: Names) -> str:
    return names.step(line.key)


def _part_of_step(line: Line, _: Names) -> str:
    key = line.key.rpartition(":")[0] if line.kind == "bolt" else line.key
    return LIBRARY[key].part if key in LIBRARY else ""


def _bolt(line: Line, names: Names) -> str:
    step, _colon, turn = line.key.rpartition(":")
    return f"{names.step(step)}: bolt {turn}"


def _named(label: str) -> Callable[[Line, Names], str]:
    return lambda line, _: f"{label} “{line.key}”" if line.key else label


def _photo(line: Line, names: Names) -> str:
    of, _colon, key = line.said.get("of", "").partition(":")
    thing = names.check(key) if of == "check" else names.step(key) if of == "step" else key
    return f"Photo of {thing}" if thing else "Photo"


_SAYS: Mapping[str, _Says] = {
    "order": _Says(lambda line, names: called(_part_of_line(line, names)), _part_of_line),
    "line": _Says(_of_line, _part_of_line, {"taken_back": "on the list again"}),
    "check": _Says(lambda line, names: names.check(line.key), _part_of_check, {"taken_back": "asked for again"}),
    "verdict": _Says(
        lambda line, names: f"{names.check(line.key)}, verdict",
        _part_of_check,
        {"taken_back": "as the readings say again"},
    ),
    "own_part": _Says(
        lambda line, _: called(line.key),
        lambda line, _: line.key,
        {"to_get": "put on the list", "taken_back": "taken off the list"},
    ),
    "scope": _Says(lambda *_: "How far the job goes", words=SCOPES),
    "own": _Says(_named("Check"), words={"asked": "added"}),
    "plan": _Says(lambda line, _: QUESTIONS[line.key].label if line.key in QUESTIONS else line.key),
    "step": _Says(_step, _part_of_step, {"overridden": "hold point overridden", "taken_back": "open again"}),
    "bolt": _Says(_bolt, _part_of_step, {"done": "tight"}),
    "tightening": _Says(_named("Instruction for")),
    "at_step": _Says(_step, _part_of_step, {"here": "somebody is at it", "taken_back": "nobody is at it"}),
    "pattern": _Says(_named("Pattern of holes")),
    "own_step": _Says(_named("Step"), words={"asked": "added"}),
    "bled": _Says(lambda line, _: "Bled", words={name: method.label for name, method in METHODS.items()}),
    "bleed_step": _Says(_named("Step of bleeding")),
    "card": _Says(lambda line, _: ITEMS[line.key].do if line.key in ITEMS else line.key),
    "heard": _Says(_named("Noise that is not the clutch")),
    "fluid": _Says(lambda line, _: FLUIDS[line.key].label if line.key in FLUIDS else line.key),
    "trip": _Says(_named("Trip")),
    "bedding_in": _Says(lambda *_: "Bedding in is counted by"),
    "second_look": _Says(lambda *_: "Looked at again"),
    "full_load": _Says(lambda *_: "Full load before it is bedded in"),
    "complaint": _Says(lambda *_: "Complaint looked into"),
    "fault_test": _Says(lambda line, _: TESTS[line.key].ask if line.key in TESTS else line.key),
    "fault": _Says(
        lambda line, _: CAUSES[line.key].words.capitalize() if line.key in CAUSES else line.key,
        words={"found": "found to be the fault"},
    ),
    "drive": _Says(_named("Drive")),
    "hand_over": _Says(lambda *_: "Hand-over"),
    "hole": _Says(_named("Hole of the bolt map")),
    "bag": _Says(_named("Bag")),
    "mark": _Says(_named("Mark")),
    "leftover": _Says(_named("Left over")),
    "noted": _Says(lambda line, _: f"Noted of {called(line.key)}", lambda line, _: line.key),
    "photo": _Says(_photo),
    "practice": _Says(lambda line, _: PRACTICES[line.key][0] if line.key in PRACTICES else line.key),
}
_unsaid = set(KINDS) ^ set(_SAYS)
if _unsaid:
    raise ValueError(
        f"kinds of the record without a sentence, or sentences without a kind: {', '.join(sorted(_unsaid))}"
    )
