"""The bench's record: series and readings, limits of vehicles, the shop's practices and sums.

- `StoredReading`, `Series`     a reading and the readings taken together, with their numbers
- `series_of`, `latest_series`   reading them
- `begin`, `change_series`, `add_readings`   writing them
- `withdraw_last`, `withdraw_series`, `bring_back`   taking readings back; nothing is ever deleted
- `TypedLimit`, `limits_of`, `set_limit`     a manual's figure, remembered for its vehicle
- `practices`, `set_practice`              where builders differ
- `renewals_of`, `set_renewal`, `drop_renewal`     renewing while it is open
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import or_, select
from sqlalchemy.orm import Session, selectinload

from liftbite.core.job.ledger import FOUND
from liftbite.core.measure.limit import LimitName
from liftbite.core.measure.parts_list import Renewal
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.measure.reading import Reading
from liftbite.store.jobs import expect, touch, who_of
from liftbite.store.models import (
    PracticeRow,
    ReadingRow,
    RenewalRow,
    SeriesRow,
    VehicleLimitRow,
)
from liftbite.store.vehicles import note_vehicle


class NoSuchSeries(Exception):
    """No series of this job has this number."""


@dataclass(frozen=True, slots=True)
class StoredReading:
    """A reading with its number, its moment and where it came from: "typed", "gauge" or "file".

    `withdrawn` where it was taken back, `back` where it may still be brought back, `who` read it.
    """

    id: int
    reading: Reading
    at: datetime
    source: str
    withdrawn: bool
    back: bool = False
    who: str = ""


@dataclass(frozen=True, slots=True)
class Series:
    """Readings taken together.

    Attributes
    ----------
    id, job_id, check : numbers and the check
    begun_at : when, UTC
    distance : odometer then [m]; None where nobody said
    settings : how a sweep was read and what it is called
    taken : readings, withdrawn ones among them, in the order taken
    version : how often its distance and settings were said
    build : whose part was read: the one found, or the plan's, which goes in
    vehicle : what the vehicle was called then
    """

    id: int
    job_id: int
    check: str
    begun_at: datetime
    distance: float | None
    settings: Mapping[str, Any]
    taken: tuple[StoredReading, ...]
    version: int = 1
    build: str = FOUND
    vehicle: str = ""

    @property
    def readings(self) -> tuple[Reading, ...]:
        """The readings in force."""
        return tuple(t.reading for t in self.taken if not t.withdrawn)


def _series(row: SeriesRow) -> Series:
    newest = row.readings[-1].id if row.readings else 0
    taken = tuple(
        StoredReading(
            r.id,
            Reading(r.place, r.si, r.typed, r.instrument, r.uncertainty, r.skipped, r.held),
            r.at,
            r.source,
            r.withdrawn_at is not None,
            r.withdrawn_seen == newest,
            r.who,
        )
        for r in row.readings
    )
    return Series(
        row.id,
        row.job_id,
        row.check,
        row.begun_at,
        row.distance,
        dict(row.settings),
        taken,
        row.version,
        row.build,
        row.vehicle,
    )


def series_of(session: Session, job_id: int, vehicle: str = "") -> tuple[list[Series], list[Series]]:
    """Series of a job, and of its vehicle's life: over all jobs, and this one's whatever it was called then.

    The job's come in the order of their numbers, the vehicle's in the order of time; one without a name has no life.
    A series that came in again with a file counts once in it.
    """
    wanted = SeriesRow.job_id == job_id
    query = select(SeriesRow).where(or_(wanted, SeriesRow.vehicle == vehicle) if vehicle else wanted)
    rows = session.scalars(query.options(selectinload(SeriesRow.readings)).order_by(SeriesRow.begun_at, SeriesRow.id))
    found = [_series(row) for row in rows]
    of_job = sorted((t for t in found if t.job_id == job_id), key=lambda t: t.id)
    once = {_what(t): t for t in found} | {_what(t): t for t in of_job}
    return of_job, [t for t in found if once[_what(t)] is t] if vehicle else []


def _what(series: Series) -> tuple[object, ...]:
    """What makes a taking itself: a file brings the same one again. Files of readings have moments to the second."""
    read = tuple(
        (t.reading.place, t.reading.typed, t.at.replace(microsecond=0)) for t in series.taken if not t.withdrawn
    )
    return series.check, read if read else series.id


def latest_series(session: Session, most: int) -> list[tuple[Series, str]]:
    """The series of the whole shop begun last, newest first, each with its vehicle."""
    query = select(SeriesRow).options(selectinload(SeriesRow.readings)).order_by(SeriesRow.id.desc()).limit(most)
    return [(_series(row), row.vehicle) for row in session.scalars(query)]


def _row(session: Session, job_id: int, series_id: int) -> SeriesRow:
    row = session.get(SeriesRow, series_id)
    if row is None or row.job_id != job_id:
        raise NoSuchSeries(series_id)
    return row


def begin(
    session: Session,
    job_id: int,
    check: str,
    vehicle: str,
    at: datetime,
    *,
    distance: float | None = None,
    settings: Mapping[str, Any] | None = None,
    request: str = "",
    build: str = FOUND,
) -> int:
    """A new series of a check; its number. One begun before under the same `request` is that one.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    if request:
        query = select(SeriesRow.id).where(SeriesRow.job_id == job_id, SeriesRow.request == request)
        there = session.scalar(query)
        if there is not None:
            return there
    touch(session, job_id)
    note_vehicle(session, vehicle)
    row = SeriesRow(
        job_id=job_id,
        check=check,
        vehicle=vehicle,
        begun_at=at,
        distance=distance,
        settings=dict(settings or {}),
        request=request or None,
        build=build,
    )
    session.add(row)
    session.flush()
    return row.id


def change_series(
    session: Session, job_id: int, series_id: int, seen: int, *, distance: float | None, settings: Mapping[str, Any]
) -> None:
    """The distance of a series and how its sweep was read, in the place of the version seen.

    Raises
    ------
    NoSuchSeries : the job has no such series
    Stale : somebody else has said them since
    """
    row = _row(session, job_id, series_id)
    expect(seen, row.version, "series", {"distance": row.distance, "settings": row.settings})
    row.distance, row.settings, row.version = distance, dict(settings), row.version + 1
    touch(session, job_id)


def add_readings(
    session: Session,
    job_id: int,
    series_id: int,
    readings: Iterable[Reading],
    at: datetime,
    source: str = "typed",
    request: str = "",
) -> list[int]:
    """Readings into a series; their numbers.

    Parameters
    ----------
    request : what their sender calls them; sent again under the same name they are not added again

    Raises
    ------
    NoSuchSeries : the job has no such series
    """
    _row(session, job_id, series_id)
    if request:
        query = select(ReadingRow.id).join(SeriesRow, SeriesRow.id == ReadingRow.series_id)
        there = session.scalars(query.where(ReadingRow.request == request, SeriesRow.job_id == job_id)).all()
        if there:
            return list(there)
    rows = [reading_row(reading, at, source) for reading in readings]
    for row in rows:
        row.series_id, row.request, row.who = series_id, request or None, who_of(session)
    session.add_all(rows)
    touch(session, job_id)
    return [row.id for row in rows]


def reading_row(
    r: Reading, at: datetime, source: str, withdrawn_at: datetime | None = None, who: str = ""
) -> ReadingRow:
    """A reading as a row that belongs to no series yet."""
    return ReadingRow(
        place=r.place,
        si=r.si,
        typed=r.typed,
        instrument=r.instrument,
        uncertainty=r.uncertainty,
        skipped=r.skipped,
        source=source,
        at=at,
        withdrawn_at=withdrawn_at,
        who=who,
        held=r.held,
    )


def any_in_force(session: Session, series_ids: Iterable[int]) -> bool:
    """True where a reading of some series still counts."""
    query = select(ReadingRow.id).where(ReadingRow.series_id.in_(list(series_ids)), ReadingRow.withdrawn_at.is_(None))
    return session.scalar(query.limit(1)) is not None


def withdraw_last(session: Session, job_id: int, series_id: int, at: datetime) -> str | None:
    """Withdraws the last reading in force of a series; its place, or None where there is none. The row stays.

    Raises
    ------
    NoSuchSeries : the job has no such series
    """
    rows = _row(session, job_id, series_id).readings
    row = next((r for r in reversed(rows) if r.withdrawn_at is None), None)
    if row is None:
        return None
    row.withdrawn_at, row.withdrawn_seen = at, rows[-1].id
    touch(session, job_id)
    return row.place


def withdraw_series(session: Session, job_id: int, series_ids: Iterable[int], at: datetime) -> None:
    """Withdraws every reading of some series, such as a file brought. The rows stay.

    Raises
    ------
    NoSuchSeries : the job has no such series
    """
    rows = [_row(session, job_id, number) for number in series_ids]
    for reading in (r for row in rows for r in row.readings if r.withdrawn_at is None):
        reading.withdrawn_at = at
    touch(session, job_id)


def bring_back(session: Session, job_id: int, series_id: int) -> str | None:
    """Brings the reading withdrawn last back, as long as nothing was read since; its place, or None.

    Raises
    ------
    NoSuchSeries : the job has no such series
    """
    rows = _row(session, job_id, series_id).readings
    row = next((r for r in rows if r.withdrawn_seen == rows[-1].id), None)
    if row is None:
        return None
    row.withdrawn_at = row.withdrawn_seen = None
    touch(session, job_id)
    return row.place


# --- limits, practices


@dataclass(frozen=True, slots=True)
class TypedLimit:
    """A limit typed for a vehicle: its value [SI], where it comes from, and its version."""

    value: float
    source: str
    version: int


def limits_of(session: Session, job_id: int, vehicle: str) -> dict[str, dict[LimitName, TypedLimit]]:
    """Check -> limit: typed for a vehicle in any job, or in this job under another name.

    The latest of each is in force, those for the vehicle before those for another name; a vehicle without a name has
    only the job's own.
    """
    found: dict[str, dict[LimitName, TypedLimit]] = {}
    for row in limits_in_force(session, job_id, vehicle):
        then = f"typed for “{row.vehicle}”" if row.vehicle else "typed before the vehicle had a name"
        source = row.source if row.vehicle == vehicle else ", ".join(filter(None, (row.source, then)))
        found.setdefault(row.check, {})[row.name] = TypedLimit(row.si or 0.0, source, row.id)
    return found


def _latest(session: Session, job_id: int, vehicle: str) -> list[VehicleLimitRow]:
    named = VehicleLimitRow.vehicle == vehicle
    wanted = VehicleLimitRow.job_id == job_id
    rows = session.scalars(select(VehicleLimitRow).where(or_(wanted, named) if vehicle else wanted)).all()
    return list({(r.check, r.name): r for r in sorted(rows, key=lambda r: (r.vehicle == vehicle, r.id))}.values())


def limits_in_force(session: Session, job_id: int, vehicle: str) -> list[VehicleLimitRow]:
    """The limits of a vehicle in force, those of the job under another name among them."""
    return [row for row in _latest(session, job_id, vehicle) if row.typed is not None and row.si is not None]


def set_limit(
    session: Session,
    job_id: int,
    vehicle: str,
    check: str,
    name: LimitName,
    typed: str | None,
    si: float | None,
    source: str,
    at: datetime,
    seen: int,
) -> None:
    """A limit for a vehicle from now on, typed in a job; `typed` None goes back to the default.

    Parameters
    ----------
    seen : version of the limit it replaces, 0 where none is in force

    Raises
    ------
    NoSuchJob : no job has this number
    Stale : somebody else has typed it since
    """
    there = next((r for r in limits_in_force(session, job_id, vehicle) if (r.check, r.name) == (check, name)), None)
    expect(seen, there.id if there else 0, "limit", {"typed": there.typed, "source": there.source} if there else {})
    touch(session, job_id)
    note_vehicle(session, vehicle)
    session.add(
        VehicleLimitRow(
            job_id=job_id, vehicle=vehicle, check=check, name=name, typed=typed, si=si, source=source, at=at
        )
    )
    session.flush()


def practices(session: Session) -> dict[str, tuple[str, int]]:
    """Practice -> option in force and its version: the shop's own, or where a shop begins, of version 0."""
    begins = {name: (next(iter(options)), 0) for name, (_, options) in PRACTICES.items()}
    rows = session.scalars(select(PracticeRow))
    return begins | {row.name: (row.option, row.version) for row in rows if row.name in PRACTICES}


def set_practice(session: Session, name: str, option: str, at: datetime, seen: int) -> None:
    """What the shop does from now on, in the place of the version seen.

    Raises
    ------
    Stale : somebody else has said it since
    """
    there, version = practices(session).get(name, ("", 0))
    expect(seen, version, "practice", {"option": there})
    session.merge(PracticeRow(name=name, option=option, at=at, version=version + 1))
    session.flush()


# --- renewing while it is open


def renewals_of(session: Session, job_id: int) -> list[tuple[Renewal, int]]:
    """The sums of a job with their versions, in the order they were first made."""
    query = select(RenewalRow).where(RenewalRow.job_id == job_id).order_by(RenewalRow.id)
    return [
        (Renewal(r.part, r.price, r.chance, r.hours, r.rate, r.extra_hours), r.version) for r in session.scalars(query)
    ]


def set_renewal(session: Session, job_id: int, found: Renewal, seen: int) -> None:
    """The figures for a part of a job from now on, in the place of the version seen, 0 where there is none.

    Raises
    ------
    NoSuchJob : no job has this number
    Stale : somebody else has said them since
    """
    row = _renewal_row(session, job_id, found.part, seen) or RenewalRow(job_id=job_id, part=found.part, version=0)
    row.price, row.chance, row.hours, row.version = found.price, found.chance, found.hours, row.version + 1
    row.rate, row.extra_hours = found.rate, found.extra_hours
    touch(session, job_id)
    session.add(row)
    session.flush()


def _renewal_row(session: Session, job_id: int, part: str, seen: int) -> RenewalRow | None:
    row = session.scalar(select(RenewalRow).where(RenewalRow.job_id == job_id, RenewalRow.part == part))
    stands = {n: getattr(row, n) for n in ("price", "chance", "hours", "rate", "extra_hours")} if row else {}
    expect(seen, row.version if row else 0, "sum", stands)
    return row


def drop_renewal(session: Session, job_id: int, part: str, seen: int) -> None:
    """Takes a sum off a job's list.

    Raises
    ------
    Stale : somebody else has said it anew since
    """
    row = _renewal_row(session, job_id, part, seen)
    if row is not None:
        session.delete(row)
        touch(session, job_id)
