"""How far a new clutch is bedded in: by distance or by gentle starts, trip after trip.

- `SCHOOLS`, `school_of`   the two ways the trade does it, and which one a build takes
- `Asked`, `asked_for`     what bedding in takes: the trade's figure, or the maker's, which outranks it
- `HOW`         how a trip was driven
- `TripDriven`, `LoggedDrive`   what is said of one, and of a logged drive
- `Trip`, `read_trip`   one trip, as said
- `read_drive_as_trip`   a logged drive that was kept, counted as one
- `read_share`   how much of what it should hold a drive showed
- `RunningIn`, `running_in`   how far it is, what was asked too early, and when to look again

Only a friction face that is new or cut is bedded in. Until it is done the build carries "do not load fully"; a trip
driven hard before is a breach, and stays one.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import ClassVar, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.record import Kind, Line, Statement, lines_of
from liftbite.core.measure.keyed import read_distance
from liftbite.core.prove.statements import BeddingIn, SecondLook, read_bedding
from liftbite.core.units.read import read

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
    """A trip: how far [m], how many starts, how it was driven, by whom and when, what was felt."""

    distance: float
    starts: int
    how: str
    who: str = ""
    at: str = ""
    felt: str = ""


@dataclass(frozen=True, slots=True)
class Asked:
    """What bedding in takes.

    Attributes
    ----------
    school : the way it is counted
    amount : metres, or gentle starts
    maker : the kit maker's figure as typed, which outranks the trade's; empty where nobody typed one
    wet : True of plates that run in oil
    """

    school: School
    amount: float
    maker: str = ""
    wet: bool = False

    @property
    def words(self) -> str:
        """How much, in words.

        >>> Asked("distance", 800e3).words, Asked("starts", 300.0, "300").words
        ('800 km', "300 gentle starts, the maker's figure")
        """
        how_much = f"{self.amount / _KM:,.0f} km" if self.school == "distance" else f"{self.amount:,.0f} gentle starts"
        return f"{how_much}, the maker's figure" if self.maker else how_much


def asked_for(facings: Iterable[str], picked: Line[BeddingIn] | None = None, *, wet: bool = False) -> Asked:
    """What bedding in takes: the maker's figure where one was typed, else as the facing asks.

    Parameters
    ----------
    facings : materials of the facings, of both sides where they differ
    picked : what somebody said of it; None where nobody did
    wet : True of plates that run in oil

    >>> asked_for(["organic", "cermet"]).words, asked_for(["organic"]).words
    ('1,200 gentle starts', '800 km')
    """
    said = picked.statement if picked else None
    school = school_of(" ".join(facings), said.answer if said else "")
    figure = read_bedding(said.answer, said.figure) if said else None
    if figure is not None and said is not None:
        return Asked(school, figure, said.figure, wet)
    return Asked(school, SCHOOLS[school][1], wet=wet)


@dataclass(frozen=True, slots=True)
class RunningIn:
    """How far a clutch is bedded in.

    Attributes
    ----------
    asked : what it takes
    faces : parts whose friction face is new or cut; nothing is bedded in where there is none
    distance, starts : driven so far [m], [-]; starts of hard trips do not count
    breaches : trips driven hard before it was done
    look_again : True between 50 and 100 km, and from there until somebody said it was done
    """

    asked: Asked
    faces: tuple[str, ...]
    distance: float
    starts: int
    breaches: tuple[Trip, ...]
    look_again: bool

    @property
    def school(self) -> School:
        """The way it is counted."""
        return self.asked.school

    @property
    def share(self) -> float:
        """Of what is asked, 0 to 1 [-]; 1 where nothing is bedded in."""
        if not self.faces:
            return 1.0
        return min((self.distance if self.school == "distance" else self.starts) / self.asked.amount, 1.0)

    @property
    def done(self) -> bool:
        """True once it may be loaded fully."""
        return self.share >= 1.0

    @property
    def sentence(self) -> str:
        """In a sentence."""
        km = f"{self.distance / _KM:.0f} km and {self.starts} gentle starts"
        if not self.faces:
            driven = f" {km} so far." if self.distance or self.starts else ""
            return f"Nothing to bed in: no friction face is new or cut.{driven}"
        if self.done:
            return f"Bedded in: {km}."
        if self.asked.wet:
            says = "New plates seat on the plain ones in their oil: ride it gently, no hard starts"
            return f"{says}; {100 * self.share:.0f} % of {self.asked.words}; {km} so far."
        return f"Do not load it fully yet: {100 * self.share:.0f} % of {self.asked.words}; {km} so far."

    @property
    def driven_hard(self) -> str:
        """In a sentence, how often it was driven hard before it was done; empty where it never was."""
        times = len(self.breaches)
        often = {0: "", 1: "once", 2: "twice"}.get(times, f"{times} times")
        return f"Driven hard {often} before it was bedded in." if often else ""


def school_of(facing: str, said: str = "") -> School:
    """The way it is counted: as said; else by starts where a dry facing is metallic, by distance where not [practice].

    Parameters
    ----------
    facing : options of the facings' materials
    said : the way somebody picked; empty where nobody did

    >>> school_of("sintered_dry"), school_of("cermet"), school_of("organic"), school_of("organic", "starts")
    ('starts', 'starts', 'distance', 'starts')
    """
    if said in SCHOOLS:
        return "starts" if said == "starts" else "distance"
    metallic = "cermet" in facing or ("sinter" in facing and "wet" not in facing)
    return "starts" if metallic else "distance"


How = Literal["", "gentle", "mixed", "hard"]


@dataclass(frozen=True, slots=True, kw_only=True)
class TripDriven(Statement):
    """A trip, by its number: how far, how many starts, how it was driven."""

    about: ClassVar = Kind("trip", "Trip", "proof")

    answer: Literal["", "open"] = ""
    distance: str = ""
    starts: str = ""
    how: How = ""
    felt: str = ""

    def hold(self, key: str, who: str) -> None:
        """All of it."""
        read_trip(Line(key, self, who))


@dataclass(frozen=True, slots=True, kw_only=True)
class LoggedDrive(Statement):
    """A logged drive, by its name: what it said, friction and its share of what the job took [-], and its trip."""

    about: ClassVar = Kind("drive", "Drive", "proof")

    answer: Literal["kept", "open"]
    says: str = ""
    friction: str = ""
    share: str = ""
    distance: str = ""
    heat: str = ""
    starts: str = ""
    how: How = ""

    def hold(self, key: str, who: str) -> None:
        """Its share, heat, and what counts as a trip."""
        read_share(self.share)
        read_drive_as_trip(Line(key, self, who))
        if self.heat:
            read(self.heat, "J", "J")


def read_share(text: str) -> float | None:
    """How much of what it should hold a drive showed, as it was kept; None where none was.

    Raises
    ------
    UnreadableEntry : no figure, or no share

    >>> read_share("0.87"), read_share("")
    (0.87, None)
    """
    if not text:
        return None
    try:
        share = float(text)
    except ValueError:
        raise UnreadableEntry(f"Drive: “{text}” is no figure") from None
    if not 0 < share < 100:
        raise UnreadableEntry(f"Drive: “{text}” is no share of what it should hold")
    return share


def read_trip(line: Line[TripDriven] | Line[LoggedDrive]) -> Trip:
    """A trip, as said.

    Raises
    ------
    UnreadableEntry : no distance and no starts, or a figure that cannot be

    >>> read_trip(Line("1", TripDriven(distance="42 km", starts="60"))).distance
    42000.0
    """
    said = line.statement
    distance = read_distance(said.distance) or 0.0
    try:
        starts = int(said.starts or 0)
    except ValueError:
        raise UnreadableEntry(f"Trip, starts: “{said.starts}” is no count") from None
    if not 0 <= distance <= 5_000.0 * _KM or not 0 <= starts <= 10_000:
        raise UnreadableEntry("Trip: up to 5,000 km and 10,000 starts at a time")
    if not distance and not starts:
        raise UnreadableEntry("Trip: say how far, or how many starts")
    felt = said.felt if isinstance(said, TripDriven) else said.says
    return Trip(distance, starts, said.how or "gentle", line.who, line.at, felt)


def read_drive_as_trip(line: Line[LoggedDrive]) -> Trip | None:
    """A drive that was kept as a trip: what its logger counted; None of one that says neither distance nor starts.

    >>> drive = LoggedDrive(answer="kept", distance="3.2 km", starts="9", how="gentle")
    >>> read_drive_as_trip(Line("a.csv", drive)).starts
    9
    """
    counted = line.statement.distance or line.statement.starts
    return read_trip(line) if counted else None


def running_in(lines: Iterable[Line], asked: Asked, faces: tuple[str, ...]) -> RunningIn:
    """How far it is, from trips that were said, drives that were kept, and the look again.

    Parameters
    ----------
    lines : what was said of the job
    asked : what bedding in takes
    faces : parts whose friction face is new or cut

    >>> trips = [Line(str(n), TripDriven(distance="300 km", starts="100")) for n in (1, 2)]
    >>> running_in(trips, Asked("distance", 800e3), ("disc",)).share, running_in(trips, Asked("starts", 9.0), ()).starts
    (0.75, 200)
    """
    all_lines = list(lines)
    latest = {(line.kind, line.key): line for line in all_lines if isinstance(line.statement, TripDriven | LoggedDrive)}
    distance, starts, breaches = 0.0, 0, []
    for line in latest.values():
        if line.answer == "open":
            continue
        said, drive = line.of(TripDriven), line.of(LoggedDrive)
        trip = read_trip(said) if said else read_drive_as_trip(drive) if drive else None
        if trip is None:
            continue
        if faces and trip.how == "hard" and (distance if asked.school == "distance" else starts) < asked.amount:
            breaches.append(trip)
        distance += trip.distance
        starts += 0 if trip.how == "hard" else trip.starts
    looked = any(line.answer == "done" for line in lines_of(all_lines, SecondLook))
    return RunningIn(asked, faces, distance, starts, tuple(breaches), distance >= LOOK_AGAIN[0] and not looked)
