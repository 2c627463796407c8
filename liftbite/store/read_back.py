"""What a transaction wrote, read back before it counts, by the models a job's file carries it with.

- `note_written`   keeps which rows a flush wrote
- `read_back`      reads them as the file of their job would have them
- `as_it_came`     of a session that brings what was just read from a file

So nothing is taken in that could not go out again: screens, papers and files show what these models let through.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from types import SimpleNamespace
from typing import Any

from pydantic import ValidationError
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.measure.check import Check
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.own import known_checks
from liftbite.core.measure.parts_list import Renewal
from liftbite.core.measure.reading import Reading
from liftbite.files import job as job_file
from liftbite.files import measured
from liftbite.store.jobs import entry_of
from liftbite.store.models import Base, EntryRow, ReadingRow, RecordRow, RenewalRow, SeriesRow, VehicleLimitRow
from liftbite.store.record import line_of, record_of

_WRITTEN, _FROM_FILE = "written", "from file"


def note_written(session: Session, _context: Any) -> None:
    """Keeps what the rows of a flush say that are of a job, to be read back at the end; not the rows themselves, which
    would hold what they were read with."""
    written = session.info.setdefault(_WRITTEN, {})
    for row in (*session.new, *session.dirty):
        if type(row) in _READERS:
            said = {name: getattr(row, name) for name in row.__mapper__.columns.keys()}  # noqa: SIM118
            written[type(row), said["id"]] = SimpleNamespace(**said)


def as_it_came(session: Session) -> None:
    """What this session writes was just read from a file, by the very models it would be read back by."""
    session.info[_FROM_FILE] = True


def read_back(session: Session) -> None:
    """Reads what a session wrote as the file of its job would carry it.

    Raises
    ------
    UnreadableEntry : the file could not carry it, or not bring it back; in a sentence
    """
    if session.info.get(_FROM_FILE):
        return
    written: Mapping[tuple[type[Base], int], Any] = session.info.get(_WRITTEN, {})
    for job_id in {row.job_id for (kind, _), row in written.items() if kind is RecordRow}:
        count = session.scalar(select(func.count()).select_from(RecordRow).where(RecordRow.job_id == job_id)) or 0
        if count > measured.MOST_LINES:
            raise UnreadableEntry(f"the record of a job takes {measured.MOST_LINES} lines")
    for (kind, _), row in written.items():
        try:
            _READERS[kind](session, row)
        except ValidationError as error:
            first = error.errors()[0]
            place = ".".join(str(part) for part in first["loc"])
            raise UnreadableEntry(f"{place}: {first['msg'].removeprefix('Value error, ')}") from None
        except UnreadableFile as error:
            raise UnreadableEntry(error.reason) from None


def _entry(_: Session, row: EntryRow) -> None:
    job_file.entry_back(entry_of(row))


def _line(_: Session, row: RecordRow) -> None:
    measured.line_back(line_of(row))


def _checks(session: Session, job_id: int, name: str) -> Mapping[str, Check]:
    return CHECKS if name in CHECKS else known_checks(record_of(session, job_id))


def _series(session: Session, row: SeriesRow) -> None:
    checks = _checks(session, row.job_id, row.check)
    if row.check in checks:
        measured.series_back(row.check, row.begun_at, row.distance, dict(row.settings), row.build, checks)


def _reading(session: Session, row: ReadingRow) -> None:
    job_id, check = session.execute(
        select(SeriesRow.job_id, SeriesRow.check).where(SeriesRow.id == row.series_id)
    ).one()
    checks = _checks(session, job_id, check)
    if check in checks:
        reading = Reading(row.place, row.si, row.typed, row.instrument, row.uncertainty, row.skipped, row.held)
        measured.reading_back(checks[check], reading, row.at, row.source, row.who)


def _limit(session: Session, row: VehicleLimitRow) -> None:
    if row.typed is not None:
        checks = _checks(session, row.job_id, row.check)
        measured.limit_back(measured.FiledLimit(row.check, row.name, row.typed, row.si or 0.0, row.source), checks)


def _renewal(_: Session, row: RenewalRow) -> None:
    measured.renewal_back(Renewal(row.part, row.price, row.chance, row.hours, row.rate, row.extra_hours))


_READERS: Mapping[type[Base], Callable[[Session, Any], None]] = {
    EntryRow: _entry,
    RecordRow: _line,
    SeriesRow: _series,
    ReadingRow: _reading,
    VehicleLimitRow: _limit,
    RenewalRow: _renewal,
}
