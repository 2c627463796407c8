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

from flask import current_app
from sqlalchemy.orm import Session, sessionmaker

from liftbite.api.jobs import models as m
from liftbite.api.jobs import present as out
from liftbite.core.job.ledger import Revision
from liftbite.core.units.preference import prefer
from liftbite.core.verdicts.verdict import gravest
from liftbite.store import jobs as store
from liftbite.store import kept
from liftbite.store.database import Busy, Full, Replaced, writing
from liftbite.store.rules import rules_version
from liftbite.store.shop import units

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


def _line(session: Session, job_id: int, change: int) -> m.JobLineOut:
    """A job as a line of the list; one that cannot be read is there as well, and says so."""
    try:
        return out.line_out(job_id, store.revisions_of(session, job_id), change)
    except Exception as error:  # whatever is wrong with one, the others are shown
        log.exception("job %d cannot be read", job_id)
        return out.unreadable_line(job_id, change, str(error))


def _kept(session: Session, line: m.JobLineOut, revision: int) -> kept.Kept:
    words = f"{line.name} {line.vehicle} {line.layout_label}"
    answers: dict[str, str] = {line.verdict.question: line.verdict.state}
    answers.update((each.question, each.state) for each in line.others)
    states = kept.states_text(gravest(answers.values()), answers)
    return kept.Kept(revision, _written_by(session), words, states, line.changed_at, line.model_dump())


def keep_line(session: Session, job: m.JobOut, revisions: Sequence[Revision]) -> None:
    """Keeps the line of a job as it stands after a write, in the same transaction."""
    kept.keep(session, job.id, _kept(session, out.line_of(job, revisions[-1].at), job.revision))


def list_out(
    session: Session, *, archived: bool, find: str, question: str, state: str, sort: kept.Sort, first: int, most: int
) -> m.JobListOut:
    """A page of the list; lines that had to be left to the background are marked."""
    jobs, count = kept.page_of(
        session, archived=archived, find=find, question=question, state=state, sort=sort, first=first, most=most
    )  # fmt: skip
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
            lines.append(_line(session, job.job_id, job.change))
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
            thread = self._thread
        if thread is not None:
            thread.join()

    def _run(self) -> None:
        try:
            while not self._ended and self._batch():
                time.sleep(0.01)
            self.done = not self._ended
        except (Busy, Full, Replaced) as error:
            log.warning("the job list is not up to date: %s", error)
        except Exception:
            log.exception("the job list is not up to date")

    def _batch(self) -> bool:
        """Works some jobs out and keeps them; False where none was left."""
        found = []
        with self._sessions() as session:
            prefer(units(session)[0])
            for job_id in kept.to_work_out(session, _written_by(session), _BATCH):
                if self._ended:
                    return False
                revision = store.newest_revision(session, job_id)
                found.append((job_id, _kept(session, _line(session, job_id, 0), revision)))
                time.sleep(0.001)  # lets a request through
        with writing(self._sessions) as session:
            for job_id, line in found:
                kept.keep(session, job_id, line)
        return bool(found)
