"""All of a job's bench, out to a file and in from one.

- `filed_of`   what it holds
- `bring`, `clear`   what a file says, into a job; room for it where it goes on what is there
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from datetime import datetime

from pydantic import ValidationError
from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from liftbite.core.job.record import Line, RawLine
from liftbite.core.measure.own import known_checks
from liftbite.core.measure.parts_list import Renewal
from liftbite.core.statements import names_of_now, readable
from liftbite.files.measured import (
    Filed,
    FiledLimit,
    FiledReading,
    FiledSeries,
    renewal_back,
)
from liftbite.store.instruments import add_instrument, instruments_ever
from liftbite.store.jobs import touch, utc_moment
from liftbite.store.measurements import StoredReading, limits_in_force, reading_row, renewals_of, series_of
from liftbite.store.models import ReadingRow, RecordRow, RenewalRow, SeriesRow, VehicleLimitRow
from liftbite.store.people import note_person
from liftbite.store.record import all_lines, record_row
from liftbite.store.vehicles import note_vehicle


def filed_of(session: Session, job_id: int, vehicle: str) -> Filed:
    """All that a job's bench holds: its series, the limits in force, its sums, what was said, with what it was read."""
    record, bad = readable(all_lines(session, job_id))
    checks, names = known_checks(record), names_of_now(record)
    of_job = [replace(t, check=names.get(t.check, t.check)) for t in series_of(session, job_id)[0]]
    series = tuple(
        FiledSeries(
            t.check,
            t.begun_at,
            t.distance,
            t.settings,
            tuple(map(_filed, t.taken)),
            t.build,
            t.vehicle if t.vehicle != vehicle else None,
        )
        for t in of_job
        if t.check in checks
    )
    limits = tuple(
        FiledLimit(
            row.check,
            row.name,
            row.typed or "",
            row.si or 0.0,
            row.source,
            row.vehicle if row.vehicle != vehicle else None,
            row.at,
        )
        for row in limits_in_force(session, job_id, vehicle)
        if row.check in checks
    )
    renewals = tuple(_that_can_be_filed(renewal for renewal, _ in renewals_of(session, job_id)))
    used = {r.reading.held for t in of_job for r in t.taken} - {""}
    held = tuple(replace(i, port="") for i, _ in instruments_ever(session) if i.uid in used) if used else ()
    return Filed(series, limits, renewals, tuple(record), held, tuple(line for line, _ in bad))


def _filed(taken: StoredReading) -> FiledReading:
    return FiledReading(taken.reading, taken.at, taken.source, taken.withdrawn, taken.who, taken.back)


def clear(session: Session, job_id: int) -> None:
    """Takes a job's bench away before a file that holds all of it, and more, is brought in its place."""
    series = select(SeriesRow.id).where(SeriesRow.job_id == job_id)
    session.execute(delete(ReadingRow).where(ReadingRow.series_id.in_(series)))
    for table in (SeriesRow, VehicleLimitRow, RecordRow, RenewalRow):
        session.execute(delete(table).where(table.job_id == job_id))
    session.expire_all()


def bring(session: Session, job_id: int, vehicle: str, filed: Filed, at: datetime) -> list[int]:
    """Takes all that a file says was measured into a job; the numbers of the series.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    rows = []
    for series in filed.series:
        called = vehicle if series.vehicle is None else series.vehicle
        note_vehicle(session, called)
        row = SeriesRow(
            job_id=job_id,
            check=series.check,
            vehicle=called,
            begun_at=series.begun_at,
            distance=series.distance,
            settings=dict(series.settings),
            build=series.build,
        )
        row.readings = [
            reading_row(r.reading, r.at, r.source, r.at if r.withdrawn else None, r.who) for r in series.readings
        ]
        rows.append(row)
    for who in dict.fromkeys(r.who for series in filed.series for r in series.readings):
        note_person(session, who)
    session.add_all(rows)
    session.flush()
    for row, series in zip(rows, filed.series, strict=True):
        for reading, of_file in zip(row.readings, series.readings, strict=True):
            if of_file.back and of_file.withdrawn:
                reading.withdrawn_seen = row.readings[-1].id
    for limit in filed.limits:
        note_vehicle(session, vehicle if limit.vehicle is None else limit.vehicle)
        session.add(
            VehicleLimitRow(
                job_id=job_id,
                vehicle=vehicle if limit.vehicle is None else limit.vehicle,
                check=limit.check,
                name=limit.name,
                typed=limit.typed,
                si=limit.si,
                source=limit.source,
                at=limit.at or at,
            )
        )
    lines: tuple[Line | RawLine, ...] = (*filed.record, *filed.unread)
    for line in lines:
        note_person(session, line.who)
        session.add(record_row(job_id, line, line.who, utc_moment(line.at)))
    for found in filed.renewals:
        session.add(
            RenewalRow(
                job_id=job_id,
                part=found.part,
                price=found.price,
                chance=found.chance,
                hours=found.hours,
                rate=found.rate,
                extra_hours=found.extra_hours,
            )
        )
    known = {instrument.uid for instrument, _ in instruments_ever(session)} if filed.instruments else set()
    for held in filed.instruments:  # of another shop: not on this bench, but its readings say which it was
        if held.uid not in known:
            add_instrument(session, replace(held, port=""), at)
    touch(session, job_id)
    return [row.id for row in rows]


def _that_can_be_filed(renewals: Iterable[Renewal]) -> Iterable[Renewal]:
    """Sums less those of before that are none: of no part, of a million hours."""
    for renewal in renewals:
        try:
            yield renewal_back(renewal)
        except ValidationError:
            continue
