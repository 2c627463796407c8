"""A race, a hill, a day in town: starts one after the other, as a builder writes them.

- `Stretch`         some starts of one kind, or a rest
- `read_schedule`   `8 x standing every 45 s; rest 10 min; 20 min of pull-away every 90 s`
"""

from __future__ import annotations

import re
from dataclasses import dataclass

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.assumptions import STARTS

#: More starts than this are not worked out one by one.
MOST_STARTS = 200
_SECONDS = {
    "s": 1.0,
    "sec": 1.0,
    "second": 1.0,
    "seconds": 1.0,
    "min": 60.0,
    "minute": 60.0,
    "minutes": 60.0,
    "h": 3600.0,
    "hour": 3600.0,
    "hours": 3600.0,
}
_TIME = r"(\d+(?:[.,]\d+)?)\s*(s|sec|seconds?|min|minutes?|h|hours?)"
_REST = re.compile(rf"rest(?:\s+for)?\s+{_TIME}\Z")
_COUNTED = re.compile(rf"(\d{{1,4}})\s*[x×]?\s+([a-z][a-z\s-]*?)\s+every\s+{_TIME}\Z")
_STINT = re.compile(rf"{_TIME}\s+of\s+([a-z][a-z\s-]*?)\s+every\s+{_TIME}\Z")
_EXAMPLE = "write it as “8 x standing every 45 s; rest 10 min; 20 min of pull-away every 90 s”"
#: What a builder calls a kind of start -> its name.
_KINDS = {
    word: name
    for name, start in STARTS.items()
    for word in (name.replace("_", " "), name.replace("_", "-"), start.label.lower())
} | {"standing": "standing", "drop": "dropped", "slope": "hill", "traffic": "creep"}


@dataclass(frozen=True, slots=True)
class Stretch:
    """Some starts of one kind, or a rest.

    Attributes
    ----------
    kind : of `STARTS`, empty for a rest
    count : how many
    interval : from one to the next; of a rest, how long it is [s]
    """

    kind: str
    count: int
    interval: float


def read_schedule(typed: str) -> tuple[Stretch, ...]:
    """The stretches of a schedule, told apart by semicolons or lines.

    Raises
    ------
    UnreadableEntry : a sentence that says which stretch and what would be right

    >>> read_schedule("8 x standing every 45 s; rest 10 min")
    (Stretch(kind='standing', count=8, interval=45.0), Stretch(kind='', count=1, interval=600.0))
    >>> read_schedule("20 min of pull-away every 90 s")[0].count
    13
    """
    found = tuple(_stretch(part.strip()) for part in re.split(r"[;\n]", typed) if part.strip())
    starts = sum(s.count for s in found if s.kind)
    if not starts:
        raise UnreadableEntry(f"no start in it; {_EXAMPLE}")
    if starts > MOST_STARTS:
        raise UnreadableEntry(f"{starts} starts are too many to work out one by one; {MOST_STARTS} at most")
    return found


def _seconds(number: str, unit: str) -> float:
    return float(number.replace(",", ".")) * _SECONDS[unit]


def _stretch(part: str) -> Stretch:
    text = part.lower()
    if len(text) > 120:
        raise UnreadableEntry(f"“{part[:40]}…” is too long for one stretch; {_EXAMPLE}")
    if rest := _REST.match(text):
        return Stretch("", 1, _seconds(rest[1], rest[2]))
    if stint := _STINT.match(text):
        interval = _interval(stint[4], stint[5], part)
        return Stretch(_kind(stint[3], part), max(int(_seconds(stint[1], stint[2]) / interval), 1), interval)
    if counted := _COUNTED.match(text):
        return Stretch(_kind(counted[2], part), int(counted[1]), _interval(counted[3], counted[4], part))
    raise UnreadableEntry(f"“{part}” is not understood; {_EXAMPLE}")


def _interval(number: str, unit: str, part: str) -> float:
    found = _seconds(number, unit)
    if not 1 <= found <= 86_400:
        raise UnreadableEntry(f"“{part}”: a start every 1 s to 24 h")
    return found


def _kind(words: str, part: str) -> str:
    words = re.sub(r"\s+", " ", words.strip())
    for word in (words, words.removesuffix("s"), words.removesuffix(" starts").removesuffix(" start")):
        if word in _KINDS:
            return _KINDS[word]
    raise UnreadableEntry(f"“{part}”: a start is one of {', '.join(s.label.lower() for s in STARTS.values())}")
