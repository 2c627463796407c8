"""What is in a job's record, in sentences: of which station, of which part, and what was said.

- `JobNames`    what the things of a job are called that are its own: checks, steps
- `RecordedLine`, `recorded_line`   a line of the record as it is read: station, part, sentence
- `STATIONS`    the stations of a job, in the order of work

What a line is of, its kind says; this puts subject, answer and the other words into a sentence.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from liftbite.core.fit.library import title_of
from liftbite.core.job.record import At, Line, option_words
from liftbite.core.measure.check import Check
from liftbite.core.measure.statements import ORDERS, Order

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
class JobNames:
    """What the things of a job are called: its checks, own ones among them, and the titles of its own steps."""

    checks: Mapping[str, Check]
    steps: Mapping[str, str]

    def check(self, key: str) -> str:
        """A check by its part and what is measured."""
        return self.checks[key].title if key in self.checks else key

    def step(self, key: str) -> str:
        """A step by its title."""
        return self.steps.get(key) or title_of(key)

    def part_of_check(self, key: str) -> str:
        """Key of the part of a check; empty where there is none."""
        return self.checks[key].part if key in self.checks else ""


@dataclass(frozen=True, slots=True)
class RecordedLine:
    """A line of the record as it is read: station, key of its part or empty, and a sentence."""

    station: Station
    part: str
    sentence: str


def recorded_line(line: Line, names: JobNames) -> RecordedLine:
    """A line of the record as it is read.

    >>> from liftbite.core.measure.checks import CHECKS
    >>> from liftbite.core.measure.statements import ListLine
    >>> struck = Line("pilot:get", ListLine(answer="struck", reason="renewed in spring"))
    >>> recorded_line(struck, JobNames(CHECKS, {}))
    RecordedLine(station='measure', part='pilot', sentence='Pilot bearing, get: struck. renewed in spring')
    """
    said = line.statement
    return RecordedLine(_STATION[said.about.at], said.of_part(line.key, names), _sentence(line, names))


_STATION: Mapping[At, Station] = {"bench": "measure", "plan": "fit", "proof": "prove", "photo": "photos"}


def _sentence(line: Line, names: JobNames) -> str:
    """Subject, what was answered, and the other words that were said."""
    answer = "taken_back" if line.is_taken_back else line.answer
    order = line.of(Order)
    first = ORDERS[order.statement.state] if order else line.statement.about.answers.get(answer, option_words(answer))
    beside = {name: words for name, words in line.words.items() if name != ("state" if order else "answer")}
    subject = line.statement.subject(line.key, names)
    rest = "; ".join(map(option_words, beside.values()))
    return ". ".join(filter(None, (": ".join(filter(None, (subject, first))), rest)))
