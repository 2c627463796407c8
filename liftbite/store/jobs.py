"""Jobs and their ledger, read and appended to.

- `list_jobs`, `count_jobs`, `revisions_of`   reading, through a `LedgerCache`
- `create`, `append`, `archived`   writing; `Stale` when the writer had not seen the newest revision
"""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Iterable, Sequence
from datetime import UTC, datetime
from threading import Lock

from sqlalchemy import func, select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session, selectinload

from liftbite.core.job.ledger import Entry, Revision, RevisionKind
from liftbite.core.quantities.torque_curve import TorqueCurve
from liftbite.store.models import EntryRow, JobRow, RevisionRow


class Stale(Exception):
    """A write made against an older revision than the newest one.

    Attributes
    ----------
    newest : number of the newest revision
    """

    def __init__(self, newest: int) -> None:
        super().__init__(f"the job is at revision {newest}")
        self.newest = newest


class NoSuchJob(Exception):
    """No job has this number."""


def utc_text(moment: datetime) -> str:
    """A moment as ISO 8601 in UTC: `2026-05-04T09:30:00.000000Z`."""
    return moment.astimezone(UTC).isoformat(timespec="microseconds").replace("+00:00", "Z")


def utc_moment(text: str) -> datetime:
    """The moment that `utc_text` wrote; a text without zone is taken as UTC."""
    moment = datetime.fromisoformat(text)
    return moment if moment.tzinfo else moment.replace(tzinfo=UTC)


def _to_row(entry: Entry) -> EntryRow:
    curve = entry.curve
    points = None if curve is None else {"speed": curve.speed.tolist(), "torque": curve.torque.tolist()}
    file = dict(entry.file) if entry.file is not None else None
    return EntryRow(quantity=entry.quantity, typed=entry.typed, si=entry.si, mark=entry.mark, curve=points, file=file)


def _from_row(row: EntryRow) -> Entry:
    curve = TorqueCurve.of(row.curve["speed"], row.curve["torque"]) if row.curve else None
    return Entry(row.quantity, row.typed, row.si, row.mark, curve, row.file)


def _revision(row: RevisionRow) -> Revision:
    return Revision(row.number, row.kind, utc_text(row.at), tuple(_from_row(e) for e in row.entries), row.of)


def _add(session: Session, job_id: int, revision: Revision) -> None:
    row = RevisionRow(
        job_id=job_id, number=revision.number, kind=revision.kind, at=utc_moment(revision.at), of=revision.of
    )
    row.entries = [_to_row(e) for e in revision.entries]
    session.add(row)


class LedgerCache:
    """Ledgers read before. A ledger is only ever added to, so what was read stays right and only the rest is read.

    Bounded to the `most` jobs used last; one lock, for sessions of several threads share it.
    """

    def __init__(self, most: int = 256) -> None:
        self.most = most
        self._ledgers: OrderedDict[int, list[Revision]] = OrderedDict()
        self._lock = Lock()

    def read(self, session: Session, job_id: int) -> list[Revision]:
        """The ledger of a job, oldest revision first; empty where there is no such job."""
        with self._lock:
            known = list(self._ledgers.get(job_id, ()))
        query = (
            select(RevisionRow)
            .where(RevisionRow.job_id == job_id, RevisionRow.number > len(known))
            .options(selectinload(RevisionRow.entries))
            .order_by(RevisionRow.number)
        )
        known += [_revision(row) for row in session.scalars(query)]
        with self._lock:
            self._ledgers[job_id] = known
            self._ledgers.move_to_end(job_id)
            while len(self._ledgers) > self.most:
                self._ledgers.popitem(last=False)
        return list(known)

    def add(self, job_id: int, revision: Revision) -> None:
        """Takes in a revision just written, so that it need not be read back."""
        with self._lock:
            known = self._ledgers.get(job_id)
            if known is not None and len(known) == revision.number - 1:
                self._ledgers[job_id] = [*known, revision]


def _cache(session: Session) -> LedgerCache:
    cache: LedgerCache = session.info["ledgers"]
    return cache


def list_jobs(session: Session, *, archived: bool = False) -> list[tuple[int, list[Revision]]]:
    """Every job with its revisions, newest first; the archived ones, or the ones at hand."""
    query = (
        select(JobRow.id)
        .where(JobRow.archived_at.is_not(None) if archived else JobRow.archived_at.is_(None))
        .order_by(JobRow.id.desc())
    )
    return [(job_id, _cache(session).read(session, job_id)) for job_id in session.scalars(query).all()]


def count_jobs(session: Session, *, archived: bool) -> int:
    """How many jobs are archived, or at hand."""
    shelf = JobRow.archived_at.is_not(None) if archived else JobRow.archived_at.is_(None)
    return session.scalar(select(func.count()).select_from(JobRow).where(shelf)) or 0


def revisions_of(session: Session, job_id: int) -> list[Revision]:
    """The ledger of a job, oldest first.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    found = _cache(session).read(session, job_id)
    if not found:
        raise NoSuchJob(job_id)
    return found


def is_archived(session: Session, job_id: int) -> bool:
    """True for a job that is archived."""
    job = session.get(JobRow, job_id)
    return job is not None and job.archived_at is not None


def create(session: Session, revisions: Iterable[Revision], at: datetime) -> int:
    """A new job with the ledger given; its number."""
    job = JobRow(created_at=at)
    session.add(job)
    session.flush()
    for revision in revisions:
        _add(session, job.id, revision)
    session.commit()
    return job.id


def append(
    session: Session,
    job_id: int,
    seen: int,
    entries: Sequence[Entry],
    at: datetime,
    *,
    kind: RevisionKind = "edit",
    of: int | None = None,
) -> Revision:
    """Adds a revision to a job whose newest revision the writer has seen.

    Raises
    ------
    NoSuchJob : no job has this number
    Stale : another revision came in between
    """
    newest = newest_revision(session, job_id)
    if newest != seen:
        raise Stale(newest)
    revision = Revision(seen + 1, kind, utc_text(at), tuple(entries), of)
    _add(session, job_id, revision)
    try:
        session.commit()
    except IntegrityError:
        session.rollback()
        raise Stale(newest_revision(session, job_id)) from None
    _cache(session).add(job_id, revision)
    return revision


def newest_revision(session: Session, job_id: int) -> int:
    """Number of the newest revision.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    query = select(RevisionRow.number).where(RevisionRow.job_id == job_id).order_by(RevisionRow.number.desc()).limit(1)
    newest = session.scalar(query)
    if newest is None:
        raise NoSuchJob(job_id)
    return newest


def archive(session: Session, job_id: int, at: datetime | None) -> None:
    """Puts a job out of sight, or with `at` None back among the others; nothing is deleted.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    job = session.get(JobRow, job_id)
    if job is None:
        raise NoSuchJob(job_id)
    job.archived_at = at
    session.commit()
