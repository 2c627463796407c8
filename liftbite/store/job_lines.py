"""Lines of the job list that were worked out before, searched and sorted where they stand.

- `JobLine`, `ListedJob`   a line as it is kept, and a job with its line, where there is one
- `keep`             keeps the line of a job
- `page_of`          a page of the list
- `to_work_out`      jobs whose line is of an earlier revision, or of other rules
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Literal

from sqlalchemy import Select, and_, func, or_, select
from sqlalchemy.dialects.sqlite import insert
from sqlalchemy.orm import Session

from liftbite.store.models import JobRow, KeptLineRow, KeptRow, RevisionRow

Sort = Literal["newest", "changed", "name", "gravest"]


@dataclass(frozen=True, slots=True)
class JobLine:
    """A line as it is kept: of which revision, by which rules, what is searched, and the line itself."""

    revision: int
    rules: str
    words: str
    state: str
    changed_at: str
    line: Mapping[str, Any]


@dataclass(frozen=True, slots=True)
class ListedJob:
    """A job of the list: number, change, newest revision, and its line where one was worked out."""

    job_id: int
    change: int
    revision: int
    kept: JobLine | None


def keep(session: Session, job_id: int, found: JobLine) -> None:
    """Keeps the line of a job."""
    head = {
        "revision": found.revision,
        "rules": found.rules,
        "words": found.words.casefold(),
        "state": found.state,
        "changed_at": found.changed_at,
    }
    for table, values in ((KeptRow, head), (KeptLineRow, {"line": dict(found.line)})):
        row = insert(table).values(job_id=job_id, **values)
        session.execute(row.on_conflict_do_update(index_elements=["job_id"], set_=values))


_NEWEST = (
    select(func.max(RevisionRow.number)).where(RevisionRow.job_id == JobRow.id).correlate(JobRow).scalar_subquery()
)


def states_text(gravest: int, states: Mapping[str, str]) -> str:
    """The answers of a job as they are kept, the gravest first, so that sorting and narrowing need no other column.

    >>> states_text(3, {"bite": "slips", "lift": "frees"})
    '3|bite:slips|lift:frees|'
    """
    return f"{gravest}|{''.join(f'{question}:{state}|' for question, state in states.items())}"


def _narrowed(query: Select[Any], archived: bool, find: str, question: str, state: str) -> Select[Any]:
    query = query.where(JobRow.archived_at.is_not(None) if archived else JobRow.archived_at.is_(None))
    for word in find.casefold().split()[:10]:
        query = query.where(KeptRow.words.contains(word, autoescape=True))
    return query.where(KeptRow.state.contains(f"{question}:{state}|", autoescape=True)) if state else query


def page_of(
    session: Session,
    *,
    archived: bool = False,
    find: str = "",
    question: str = "",
    state: str = "",
    sort: Sort = "newest",
    first: int = 0,
    most: int = 50,
) -> tuple[list[ListedJob], int]:
    """A page of the jobs that match, and how many do.

    Parameters
    ----------
    archived : the archived ones, or the ones at hand
    find : words that have to stand in name, vehicle or layout
    question, state : what an answer has to be, empty for any; a state without a question is of any of them
    sort : newest first, changed last first, by name, or what gives way first
    first, most : where the page begins and how long it is
    """
    wanted = select(JobRow.id, JobRow.change, _NEWEST.label("newest"))
    counted = select(func.count()).select_from(JobRow)
    if find.strip() or state or sort != "newest":
        wanted = wanted.outerjoin(KeptRow, KeptRow.job_id == JobRow.id)
    if find.strip() or state:
        counted = counted.join(KeptRow, KeptRow.job_id == JobRow.id)
    order = {
        "newest": (JobRow.id.desc(),),
        "changed": (KeptRow.changed_at.desc(), JobRow.id.desc()),
        "name": (KeptRow.words, JobRow.id.desc()),
        "gravest": (func.substr(KeptRow.state, 1, 1).desc(), JobRow.id.desc()),
    }[sort]
    page = _narrowed(wanted, archived, find, question, state).order_by(*order).offset(first).limit(most)
    rows = session.execute(page).all()
    count = session.scalar(_narrowed(counted, archived, find, question, state)) or 0
    there = _of(session, [row.id for row in rows])
    return [ListedJob(row.id, row.change, row.newest or 0, there.get(row.id)) for row in rows], count


def _of(session: Session, job_ids: Sequence[int]) -> dict[int, JobLine]:
    """What is kept of some jobs."""
    query = select(KeptRow, KeptLineRow.line).join(KeptLineRow, KeptLineRow.job_id == KeptRow.job_id)
    found = session.execute(query.where(KeptRow.job_id.in_(job_ids)))
    return {r.job_id: JobLine(r.revision, r.rules, r.words, r.state, r.changed_at, line) for r, line in found}


def to_work_out(session: Session, rules: str, most: int) -> list[int]:
    """Numbers of jobs, newest first, whose line is missing, of an earlier revision, or of other rules."""
    query = (
        select(JobRow.id)
        .outerjoin(KeptRow, and_(KeptRow.job_id == JobRow.id, KeptRow.rules == rules))
        .where(or_(KeptRow.job_id.is_(None), KeptRow.revision != _NEWEST))
        .order_by(JobRow.id.desc())
        .limit(most)
    )
    return list(session.scalars(query))
