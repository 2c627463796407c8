"""The job list: lines kept from before, worked out where they are missing, and all of them anew when the rules change.

- `list_out`   a page of the list
- `keep_line`  keeps the line of a job that was just written
- `Refresher`  works out in the background what the list could not wait for
"""

from __future__ import annotations

import logging
import threading
import time
from collections.abc import Sequence
from typing import TypeAlias

from flask import current_app
from sqlalchemy.orm import Session, sessionmaker

from liftbite.api.jobs import models as m
from liftbite.api.jobs import present as out
from liftbite.api.waiting import LIMIT
from liftbite.core.job.ledger import Revision
from liftbite.core.units.preference import Preference, preferring
from liftbite.core.verdicts.verdict import gravest
from liftbite.store import job_lines
from liftbite.store import jobs as store
from liftbite.store.database import Busy, Crowded, Full, Replaced, writing
from liftbite.store.rules import rules_version
from liftbite.store.shop import units
from liftbite.whole.own_process import Broken, Send, Work

log = logging.getLogger(__name__)
#: How long a list works lines out itself before it leaves the rest to the background [s].
_PATIENCE = 0.06
#: Lines it works out whatever the time.
_AT_ONCE = 8
#: Jobs worked out between two writes of the background.
_BATCH = 20


def _written_by(session: Session) -> str:
    """By which rules, and in which units, lines are written now."""
    return f"{rules_version()} {units(session)[0]}"


#: Jobs and their revisions, or why a job cannot be read.
_Asked: TypeAlias = Sequence[tuple[int, list[Revision] | str]]


def _revisions(session: Session, job_id: int) -> list[Revision] | str:
    try:
        return list(store.revisions_of(session, job_id))
    except Exception as error:  # whatever is wrong with one, the others are worked out
        log.exception("job %d cannot be read", job_id)
        return str(error)


def _lines_of(_: Send, preference: Preference, asked: _Asked) -> list[m.JobLineOut]:
    """Jobs as lines of the list, in units of one's own."""
    with preferring(preference):
        return [_line_of(job_id, revisions) for job_id, revisions in asked]


def _line_of(job_id: int, revisions: list[Revision] | str, change: int = 0) -> m.JobLineOut:
    """A job as a line of the list; one that cannot be read is there as well, and says so."""
    if isinstance(revisions, str):
        return out.unreadable_line(job_id, change, revisions)
    try:
        return out.line_out(job_id, revisions, change)
    except Exception as error:  # whatever is wrong with one, the others are worked out
        log.exception("job %d cannot be read", job_id)
        return out.unreadable_line(job_id, change, str(error))


def _kept(session: Session, line: m.JobLineOut, revision: int) -> job_lines.JobLine:
    words = f"{line.name} {line.vehicle} {line.layout_label}"
    answers: dict[str, str] = {line.verdict.question: line.verdict.state}
    answers.update((each.question, each.state) for each in line.others)
    states = job_lines.states_text(gravest(answers.values()), answers)
    return job_lines.JobLine(revision, _written_by(session), words, states, line.changed_at, line.model_dump())


def keep_line(session: Session, job: m.JobOut, revisions: Sequence[Revision]) -> None:
    """Keeps the line of a job as it stands after a write, in the same transaction."""
    job_lines.keep(session, job.id, _kept(session, out.line_of(job, revisions[-1].at), job.revision))


def list_out(
    session: Session,
    *,
    archived: bool,
    find: str,
    question: str,
    state: str,
    sort: job_lines.Sort,
    first: int,
    most: int,
) -> m.JobListOut:
    """A page of the list; lines that had to be left to the background are marked."""
    jobs, count = job_lines.page_of(
        session, archived=archived, find=find, question=question, state=state, sort=sort, first=first, most=most
    )
    until = time.monotonic() + _PATIENCE
    written_by = _written_by(session)
    lines, late = [], False
    for job in jobs:
        known = job.kept
        if known is not None and (known.revision, known.rules) == (job.revision, written_by):
            lines.append(m.JobLineOut(**(dict(known.line) | {"change": job.change})))
            continue
        late = True
        if len(lines) < _AT_ONCE or time.monotonic() < until:
            lines.append(_line_of(job.job_id, _revisions(session, job.job_id), job.change))
        elif known is not None:
            lines.append(m.JobLineOut(**(dict(known.line) | {"change": job.change, "waits": True})))
        else:
            lines.append(out.waiting_line(job.job_id, job.change))
    refresher: Refresher = current_app.extensions["liftbite.refresher"]
    if late or not refresher.done:
        refresher.wake()
    away = store.count_jobs(session, archived=True)
    return m.JobListOut(jobs=lines, archived=away, count=count, first=first, waits=not refresher.done)


class Refresher:
    """Works lines out in the background until none is missing; a thread only while there is something to do.

    Attributes
    ----------
    done : True once every line was there; until then a search may miss jobs
    """

    def __init__(self, sessions: sessionmaker[Session]) -> None:
        self._sessions = sessions
        self._lock = threading.Lock()
        self._thread: threading.Thread | None = None
        self._work: Work[list[m.JobLineOut]] | None = None
        self._ended = False
        self.done = False

    def wake(self) -> None:
        """Begins, where it is not at work already."""
        with self._lock:
            if self._ended or (self._thread is not None and self._thread.is_alive()):
                return
            self._thread = threading.Thread(target=self._run, name="lines", daemon=True)
            self._thread.start()

    def stop(self) -> None:
        """Ends it after the job at hand."""
        with self._lock:
            self._ended = True
            thread, work = self._thread, self._work
        if work is not None:
            work.stop()
        if thread is not None:
            thread.join()

    def _run(self) -> None:
        try:
            while not self._ended and self._batch():
                time.sleep(0.01)
            self.done = not self._ended
        except (Busy, Crowded, Full, Replaced) as error:
            log.warning("the job list is not up to date: %s", error)
        except Exception:
            log.exception("the job list is not up to date")

    def _batch(self) -> bool:
        """Works some jobs out and keeps them; False where none was left. Many are worked out in another process."""
        with self._sessions() as session:
            preference = units(session)[0]
            jobs = job_lines.to_work_out(session, _written_by(session), _BATCH)
            asked = [(job_id, _revisions(session, job_id)) for job_id in jobs]
        lines = self._lines(preference, asked)
        if self._ended:
            return False
        with writing(self._sessions) as session:
            for (job_id, revisions), line in zip(asked, lines, strict=True):
                newest = (
                    revisions[-1].number if not isinstance(revisions, str) else store.newest_revision(session, job_id)
                )
                job_lines.keep(session, job_id, _kept(session, line, newest))
        return bool(asked)

    def _lines(self, preference: Preference, asked: _Asked) -> list[m.JobLineOut]:
        if len(asked) <= _AT_ONCE:
            return _lines_of(lambda _: None, preference, asked)
        self._work = Work(_lines_of, preference, asked)
        if self._ended:
            self._work.stop()
        try:
            *_, (_, lines) = self._work.parts(LIMIT)
        except Broken:
            if not self._ended:
                raise
            return []
        found: list[m.JobLineOut] = lines
        return found
