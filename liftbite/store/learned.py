"""What a shop's jobs hold that teaches something: ticks of steps, fates of parts, thicknesses over distance.

- `step_ticks`   when the steps of the newest jobs were ticked
- `fates`        which parts of the newest jobs were left and which renewed
- `thicknesses`    what was read of facings and plates, at which distance
- `newest_line`  how far the record has come
"""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator
from datetime import UTC, datetime
from statistics import fmean

from sqlalchemy import func, select
from sqlalchemy.orm import Session, selectinload

from liftbite.core.job.ledger import present
from liftbite.core.job.parts import fate_of, fated
from liftbite.store import jobs as jobs_store
from liftbite.store.models import JobRow, RecordRow, SeriesRow

#: Newest jobs that are looked at, and newest series.
JOBS, SERIES = 200, 2_000
_WORN = ("rivet_depth", "plate_thickness")
_BEGIN = datetime(2020, 1, 1, tzinfo=UTC)


def newest_line(session: Session) -> int:
    """The number of the line of the record that was said last, over all jobs; 0 where there is none."""
    return session.scalar(select(func.max(RecordRow.id))) or 0


def _newest(session: Session) -> list[int]:
    return list(session.scalars(select(JobRow.id).order_by(JobRow.id.desc()).limit(JOBS)))[::-1]


def step_ticks(session: Session) -> dict[int, list[tuple[float, str]]]:
    """Job -> when each of its steps was ticked [min] and its key, of the newest jobs."""
    query = select(RecordRow.job_id, RecordRow.key, RecordRow.at, RecordRow.said).where(
        RecordRow.kind == "step", RecordRow.job_id.in_(_newest(session))
    )
    found: dict[int, list[tuple[float, str]]] = defaultdict(list)
    for job, key, at, said in session.execute(query):
        if said.get("answer") == "done":
            found[job].append(((at - _BEGIN).total_seconds() / 60, key))
    return found


def _readable(session: Session) -> Iterator[tuple[int, str, dict[str, str]]]:
    """Job, vehicle, and what was picked in it, of the newest jobs that can be read and name a vehicle."""
    for job in _newest(session):
        try:
            entries = present(jobs_store.revisions_of(session, job))
        except jobs_store.UnreadableJob:
            continue
        named = entries.get("vehicle")
        if named is not None and named.typed:
            yield job, named.typed, {name: entry.typed for name, entry in entries.items() if entry.typed}


def fates(session: Session) -> list[tuple[str, dict[str, str]]]:
    """Vehicle, and part -> fate as somebody said it, of the newest jobs in the order they were begun."""
    return [
        (vehicle, {part.key: typed[fate_of(part.key)] for part in fated() if fate_of(part.key) in typed})
        for _, vehicle, typed in _readable(session)
    ]


def thicknesses(session: Session) -> list[tuple[str, str, float, float]]:
    """Vehicle and check, use, odometer [m driven] and mean thickness [m] of series, in the order of time."""
    used = {vehicle: typed.get("use", "") for _, vehicle, typed in _readable(session)}
    query = select(SeriesRow).where(
        SeriesRow.check.in_(_WORN), SeriesRow.distance.is_not(None), SeriesRow.build == "found"
    )
    rows = session.scalars(query.options(selectinload(SeriesRow.readings)).order_by(SeriesRow.id.desc()).limit(SERIES))
    found = []
    for row in sorted(rows, key=lambda r: r.begun_at):
        read = [r.si for r in row.readings if r.si is not None and r.withdrawn_at is None]
        if read and row.vehicle and row.distance is not None:
            found.append((f"{row.vehicle} {row.check}", used.get(row.vehicle, ""), row.distance, fmean(read)))
    return found
