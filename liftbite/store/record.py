"""The record of a job: what was said of it, by whom and when; appended, never changed.

- `record_of`, `all_lines`, `line_of`   what was said, in its order; with what cannot be read; one line of it
- `record_row`  the row of a line
- `say`         appends a line; sent again under the same request it counts once
"""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from liftbite.core.job.record import Line, RawLine
from liftbite.core.statements import readable
from liftbite.store.jobs import touch, utc_text, who_of
from liftbite.store.models import RecordRow
from liftbite.store.people import known_as


def record_of(session: Session, job_id: int) -> list[Line]:
    """What was said of a job, oldest first, as far as it can be read."""
    return readable(all_lines(session, job_id))[0]


def all_lines(session: Session, job_id: int) -> list[RawLine]:
    """Everything said of a job, oldest first, whether it can be read or not."""
    query = select(RecordRow).where(RecordRow.job_id == job_id).order_by(RecordRow.id)
    return [line_of(row) for row in session.scalars(query)]


def line_of(row: RecordRow) -> RawLine:
    """A line of the record as its row stands."""
    return RawLine(row.kind, row.key, dict(row.said), row.who, utc_text(row.at))


def say(session: Session, job_id: int, line: Line, at: datetime, request: str = "") -> Line:
    """Appends a line to the record of a job.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    if request:
        query = select(RecordRow.id).where(RecordRow.job_id == job_id, RecordRow.request == request)
        if session.scalar(query) is not None:
            return line
    touch(session, job_id)
    who = known_as(session, line.who) or who_of(session)
    session.add(record_row(job_id, line, who, at, request))
    session.flush()
    return replace(line, who=who, at=utc_text(at))


def record_row(job_id: int, line: Line | RawLine, who: str, at: datetime, request: str = "") -> RecordRow:
    """The row of a line of a job's record."""
    return RecordRow(
        job_id=job_id, kind=line.kind, key=line.key, said=dict(line.words), who=who, at=at, request=request or None
    )
