"""How far a new clutch is bedded in: by distance or by gentle starts, trip after trip.

- `SCHOOLS`, `school_of`   the two ways the trade does it, and which one a build takes
- `HOW`         how a trip was driven
- `Trip`, `read_trip`   one trip, as said
- `read_drive_as_trip`   a logged drive that was kept, counted as one
- `RunningIn`, `running_in`   how far it is, what was asked too early, and when to look again

Until it is done the build carries "do not load fully"; a trip driven hard before is a breach, and stays one.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.record import Line
from liftbite.core.measure.keyed import read_distance

_KM = 1e3
School = Literal["distance", "starts"]
#: School -> in words, and how much it asks for: metres, or gentle starts [practice].
SCHOOLS: Mapping[School, tuple[str, float]] = {
    "distance": ("By distance: 800 km of streets without hard starts", 800.0 * _KM),
    "starts": ("By starts: 1,200 gentle ones, as metallic kits ask", 1200.0),
}
#: When level, leaks, mounts, shaft bolts and slave travel are looked at again [m] [practice].
LOOK_AGAIN = (50.0 * _KM, 100.0 * _KM)
#: How a trip was driven -> in a word.
HOW: Mapping[str, str] = {"gentle": "gently", "mixed": "mixed", "hard": "hard"}


@dataclass(frozen=True, slots=True)
class Trip:
    """A trip: how far [m], how many starts, how it was driven, by whom and when."""

    distance: float
    starts: int
    how: str
    who: str = ""
    at: str = ""


@dataclass(frozen=True, slots=True)
class RunningIn:
    """How far a clutch is bedded in.

    Attributes
    ----------
    school : the way it is counted
    distance, starts : driven so far [m], [-]; starts of hard trips do not count
    share : of what is asked, 0 to 1 [-]
    breaches : trips driven hard before it was done
    look_again : True between 50 and 100 km, and from there until somebody said it was done
    """

    school: School
    distance: float
    starts: int
    share: float
    breaches: tuple[Trip, ...]
    look_again: bool

    @property
    def done(self) -> bool:
        """True once it may be loaded fully."""
        return self.share >= 1.0

    @property
    def said(self) -> str:
        """In a sentence."""
        km = f"{self.distance / _KM:.0f} km and {self.starts} gentle starts"
        if self.done:
            return f"Bedded in: {km}."
        asked = "of 800 km" if self.school == "distance" else "of 1,200 gentle starts"
        return f"Do not load it fully yet: {100 * self.share:.0f} % {asked}; {km} so far."

    @property
    def driven_hard(self) -> str:
        """In a sentence, how often it was driven hard before it was done; empty where it never was."""
        times = len(self.breaches)
        often = {0: "", 1: "once", 2: "twice"}.get(times, f"{times} times")
        return f"Driven hard {often} before it was bedded in." if often else ""


def school_of(facing: str, said: str = "") -> School:
    """The way it is counted: as said; else by starts where the facing is metallic, by distance where not [practice].

    Parameters
    ----------
    facing : option of the facing's material
    said : the way somebody picked; empty where nobody did

    >>> school_of("sintered"), school_of("organic"), school_of("organic", "starts")
    ('starts', 'distance', 'starts')
    """
    if said in SCHOOLS:
        return "starts" if said == "starts" else "distance"
    return "starts" if "sinter" in facing else "distance"


def read_trip(line: Line) -> Trip:
    """A trip, as said.

    Raises
    ------
    UnreadableEntry : no distance and no starts, or a figure that cannot be

    >>> read_trip(Line("trip", "1", {"distance": "42 km", "starts": "60"})).distance
    42000.0
    """
    said = line.said
    distance = read_distance(said.get("distance", "")) or 0.0
    try:
        starts = int(said.get("starts") or 0)
    except ValueError:
        raise UnreadableEntry(f"Trip, starts: “{said['starts']}” is no count") from None
    if not 0 <= distance <= 5_000.0 * _KM or not 0 <= starts <= 10_000:
        raise UnreadableEntry("Trip: up to 5,000 km and 10,000 starts at a time")
    if not distance and not starts:
        raise UnreadableEntry("Trip: say how far, or how many starts")
    return Trip(distance, starts, said.get("how", "gentle"), line.who, line.at)


def read_drive_as_trip(line: Line) -> Trip | None:
    """A drive that was kept as a trip: what its logger counted; None of one that says neither distance nor starts.

    >>> read_drive_as_trip(Line("drive", "a.csv", {"distance": "3.2 km", "starts": "9", "how": "gentle"})).starts
    9
    """
    counted = any(line.said.get(name) for name in ("distance", "starts"))
    return read_trip(line) if counted else None


def running_in(lines: Iterable[Line], school: School) -> RunningIn:
    """How far it is, from trips that were said, drives that were kept, and the look again.

    >>> trips = [Line("trip", str(n), {"distance": "300 km", "starts": "100"}) for n in (1, 2)]
    >>> running_in(trips, "distance").share, running_in(trips, "starts").starts
    (0.75, 200)
    """
    all_lines = list(lines)
    latest = {(line.kind, line.key): line for line in all_lines if line.kind in {"trip", "drive"}}
    distance, starts, breaches = 0.0, 0, []
    asked = SCHOOLS[school][1]
    for line in latest.values():
        if line.answer == "open":
            continue
        trip = read_trip(line) if line.kind == "trip" else read_drive_as_trip(line)
        if trip is None:
            continue
        if trip.how == "hard" and (distance if school == "distance" else starts) < asked:
            breaches.append(trip)
        distance += trip.distance
        starts += 0 if trip.how == "hard" else trip.starts
    looked = any(line.kind == "second_look" and line.answer == "done" for line in all_lines)
    share = min((distance if school == "distance" else starts) / asked, 1.0)
    return RunningIn(school, distance, starts, share, tuple(breaches), distance >= LOOK_AGAIN[0] and not looked)
