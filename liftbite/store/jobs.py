"""Jobs and their ledger, read and appended to.

- `list_jobs`, `count_jobs`, `revisions_of`   reading, through a `LedgerCache`
- `create`, `append`, `go_on`, `archive`   writing; `Stale` when the writer had not seen what he replaces
- `uid_of`, `job_of`   the identity of a job, and the job of one
- `touch`, `change_of`   the counter of all that is written to a job

Whoever writes opens the session with `database.writing`: its block is the transaction, and nothing here ends it.
"""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Iterable, Mapping, Sequence
from datetime import UTC, datetime
from threading import Lock
from typing import Any

from sqlalchemy import func, select, text, update
from sqlalchemy.orm import Session, selectinload

from liftbite.core.job.ledger import Entry, Revision, RevisionKind
from liftbite.core.quantities.torque_curve import TorqueCurve
from liftbite.files.job import tidy_source
from liftbite.store.models import BroughtRow, EntryRow, JobRow, RevisionRow, new_identity
from liftbite.store.people import known_as, note_person
from liftbite.store.state import next_job


class Stale(Exception):
    """A write that replaces something its writer had not seen the newest version of.

    Attributes
    ----------
    newest : the version that stands
    seen : the one the writer had seen
    what : what it is of
    stands : what stands there now, as its writer would send it; empty where that is a whole job
    """

    def __init__(self, newest: int, seen: int = 0, what: str = "job", stands: Mapping[str, Any] | None = None) -> None:
        super().__init__(f"the {what} is at revision {newest}")
        self.newest, self.seen, self.what, self.stands = newest, seen, what, dict(stands or {})


def expect(seen: int, newest: int, what: str, stands: Mapping[str, Any]) -> None:
    """Lets a write that replaces something pass only where its writer has seen what stands.

    Raises
    ------
    Stale : he has not
    """
    if seen != newest:
        raise Stale(newest, seen, what, stands)


class NoSuchJob(Exception):
    """No job has this number."""


class UnreadableJob(Exception):
    """A job whose rows are there but cannot be read; the sentence says where it fails.

    Attributes
    ----------
    job_id : its number
    """

    def __init__(self, job_id: int, reason: Exception) -> None:
        super().__init__(str(reason))
        self.job_id = job_id


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
    return EntryRow(
        quantity=entry.quantity,
        typed=entry.typed,
        si=entry.si,
        mark=entry.mark,
        curve=points,
        file=file,
        build=entry.build,
    )


def entry_of(row: EntryRow) -> Entry:
    """An entry of its row.

    Raises
    ------
    ValueError : its points are damaged
    """
    try:
        curve = TorqueCurve.of(row.curve["speed"], row.curve["torque"]) if row.curve else None
    except (ValueError, TypeError, KeyError):
        raise ValueError(f"the points of “{row.quantity}” are damaged") from None
    file = None if row.file is None else tidy_source(row.file)
    return Entry(row.quantity, row.typed, row.si, row.mark, curve, file, row.build)


def _revision(row: RevisionRow) -> Revision:
    return Revision(row.number, row.kind, utc_text(row.at), tuple(entry_of(e) for e in row.entries), row.of, row.who)


def _add(session: Session, job_id: int, revision: Revision) -> None:
    note_person(session, revision.who)
    row = RevisionRow(
        job_id=job_id,
        number=revision.number,
        kind=revision.kind,
        at=utc_moment(revision.at),
        of=revision.of,
        who=revision.who,
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
        """The ledger of a job, oldest revision first; empty where there is no such job.

        The last revision known is read again with those after it: where it is another one, an older state of the file
        was put back, and nothing known counts any more.
        """
        with self._lock:
            known = list(self._ledgers.get(job_id, ()))
        fresh = _revisions(session, job_id, len(known))
        if known and (not fresh or fresh[0] != known[-1]):
            known, fresh = [], _revisions(session, job_id, 1)
        known = [*known[:-1], *fresh]
        with self._lock:
            self._ledgers[job_id] = known
            self._ledgers.move_to_end(job_id)
            while len(self._ledgers) > self.most:
                self._ledgers.popitem(last=False)
        return list(known)


def _revisions(session: Session, job_id: int, first: int) -> list[Revision]:
    query = (
        select(RevisionRow)
        .where(RevisionRow.job_id == job_id, RevisionRow.number >= first)
        .options(selectinload(RevisionRow.entries))
        .order_by(RevisionRow.number)
    )
    return [_revision(row) for row in session.scalars(query)]


def _cache(session: Session) -> LedgerCache:
    cache: LedgerCache = session.info["ledgers"]
    return cache


def list_jobs(session: Session, *, archived: bool = False) -> list[tuple[int, int]]:
    """Number and change of every job, newest first; the archived ones, or the ones at hand."""
    query = (
        select(JobRow.id, JobRow.change)
        .where(JobRow.archived_at.is_not(None) if archived else JobRow.archived_at.is_(None))
        .order_by(JobRow.id.desc())
    )
    return [(number, change) for number, change in session.execute(query)]


def all_numbers(session: Session) -> list[int]:
    """The numbers of all jobs, the archived ones too, oldest first."""
    return list(session.scalars(select(JobRow.id).order_by(JobRow.id)))


def raw_of(session: Session, job_id: int) -> dict[str, Any]:
    """A job as its rows stand in the tables, for one that cannot be read.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    job = session.execute(text("SELECT * FROM job WHERE id = :id"), {"id": job_id}).mappings().first()
    if job is None:
        raise NoSuchJob(job_id)
    rows: dict[str, Any] = {"job": [dict(job)]}
    for table, where in _OF_JOB.items():
        query = text(f"SELECT * FROM {table} WHERE {where} ORDER BY id")
        rows[table] = [dict(row) for row in session.execute(query, {"id": job_id}).mappings()]
    return {"format": "liftbite-rows", "job": job_id, "tables": rows}


_OF_JOB = {
    "revision": "job_id = :id",
    "entry": "revision_id IN (SELECT id FROM revision WHERE job_id = :id)",
    "series": "job_id = :id",
    "record": "job_id = :id",
    "reading": "series_id IN (SELECT id FROM series WHERE job_id = :id)",
    "vehicle_limit": "job_id = :id",
    "renewal": "job_id = :id",
}


def count_jobs(session: Session, *, archived: bool) -> int:
    """How many jobs are archived, or at hand."""
    shelf = JobRow.archived_at.is_not(None) if archived else JobRow.archived_at.is_(None)
    return session.scalar(select(func.count()).select_from(JobRow).where(shelf)) or 0


def revisions_of(session: Session, job_id: int) -> list[Revision]:
    """The ledger of a job, oldest first.

    Raises
    ------
    NoSuchJob : no job has this number
    UnreadableJob : its rows are damaged
    """
    try:
        found = _cache(session).read(session, job_id)
    except (ValueError, TypeError, KeyError) as error:
        raise UnreadableJob(job_id, error) from error
    if not found:
        raise NoSuchJob(job_id)
    return found


def who_of(session: Session) -> str:
    """Who writes in this session, as the shop knows them; empty where nobody gave a name."""
    who = known_as(session, str(session.info.get("who", "")))
    session.info["who"] = who
    return who


def is_archived(session: Session, job_id: int) -> bool:
    """True for a job that is archived."""
    job = session.get(JobRow, job_id)
    return job is not None and job.archived_at is not None


def create(
    session: Session, revisions: Iterable[Revision], at: datetime, uid: str = "", archived_at: datetime | None = None
) -> int:
    """A new job with the ledger given; its number.

    Parameters
    ----------
    uid : its identity, where it has one from another shop
    archived_at : when it was put out of sight there
    """
    job = JobRow(id=next_job(session), uid=uid or new_identity(), created_at=at, archived_at=archived_at)
    session.add(job)
    session.flush()
    for revision in revisions:
        _add(session, job.id, revision)
    touch(session, job.id)
    return job.id


def go_on(session: Session, job_id: int, revisions: Sequence[Revision]) -> None:
    """Adds to a job what a ledger has that goes on where its own ends."""
    newest = newest_revision(session, job_id)
    for revision in revisions[newest:]:
        _add(session, job_id, revision)
    touch(session, job_id)


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
        raise Stale(newest, seen)
    revision = Revision(seen + 1, kind, utc_text(at), tuple(entries), of, who_of(session))
    _add(session, job_id, revision)
    touch(session, job_id)
    return revision


def uid_of(session: Session, job_id: int) -> str:
    """The identity of a job, in any shop.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    uid = session.scalar(select(JobRow.uid).where(JobRow.id == job_id))
    if uid is None:
        raise NoSuchJob(job_id)
    return uid


def job_of(session: Session, uid: str) -> int | None:
    """The number here of a job of this identity; None where it is not here."""
    return session.scalar(select(JobRow.id).where(JobRow.uid == uid)) if uid else None


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


def archive(session: Session, job_id: int, at: datetime | None, seen: int) -> int:
    """Puts a job out of sight, or with `at` None back among the others; its change. Nothing is deleted.

    Parameters
    ----------
    seen : the job's change that whoever puts it away has seen

    Raises
    ------
    NoSuchJob : no job has this number
    Stale : something was written to it since
    """
    job = session.get(JobRow, job_id)
    if job is None:
        raise NoSuchJob(job_id)
    expect(seen, job.change, "job", {"archived": job.archived_at is not None})
    job.archived_at = at
    return touch(session, job_id)


def touch(session: Session, job_id: int) -> int:
    """Counts a write to anything of a job; the new count.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    session.flush()
    query = update(JobRow).where(JobRow.id == job_id).values(change=JobRow.change + 1).returning(JobRow.change)
    count = session.scalar(query.execution_options(synchronize_session="fetch"))
    if count is None:
        raise NoSuchJob(job_id)
    return count


def change_of(session: Session, job_id: int) -> int:
    """How often anything of a job was written.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    count = session.scalar(select(JobRow.change).where(JobRow.id == job_id))
    if count is None:
        raise NoSuchJob(job_id)
    return count


def brought(session: Session, digest: str, job_id: int | None = None) -> BroughtRow | None:
    """What a file of this content said when it was taken in: into a job, or where none is named, as one still there."""
    query = select(BroughtRow).where(BroughtRow.digest == digest)
    if job_id is not None:
        return session.scalar(query.where(BroughtRow.job_id == job_id))
    query = query.join(JobRow, JobRow.id == BroughtRow.job_id).where(JobRow.archived_at.is_(None))
    return session.scalar(query.order_by(BroughtRow.id.desc()).limit(1))


def note_brought(session: Session, digest: str, job_id: int, at: datetime, says: Mapping[str, Any]) -> None:
    """Keeps that a file was taken in."""
    row = brought(session, digest, job_id) or BroughtRow(digest=digest, job_id=job_id)
    row.at, row.says = at, dict(says)
    session.add(row)
