"""The names of a shop: of everything that is signed, the latest first, found without going through what they signed."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

import pytest
from sqlalchemy import text
from sqlalchemy.dialects import sqlite
from sqlalchemy.orm import Session

from liftbite.core.job.ledger import Entry, Revision
from liftbite.store import jobs as jobs_store
from liftbite.store.models import ReadingRow, RecordRow, RevisionRow, SeriesRow
from liftbite.store.record import _names_in, people

NOW = datetime(2026, 5, 4, 9, 30, tzinfo=UTC)


def _signed(session: Session) -> None:
    first = Revision(1, "start", jobs_store.utc_text(NOW), (Entry("layout", "dry_car"),))
    job = jobs_store.create(session, [first], NOW)

    def later(hours: int) -> datetime:
        return NOW + timedelta(hours=hours)

    session.add(RecordRow(job_id=job, kind="check", key="a", said={}, who="Ada Fell", at=later(1)))
    session.add(RecordRow(job_id=job, kind="check", key="b", said={}, who="Bo Lind", at=later(5)))
    session.add(RecordRow(job_id=job, kind="check", key="c", said={}, who="", at=later(9)))
    session.add(RevisionRow(job_id=job, number=2, kind="edit", at=later(3), who="Cy Hart"))
    series = SeriesRow(job_id=job, check="basket", vehicle="", begun_at=NOW, settings={})
    session.add(series)
    session.flush()
    for hours, who in ((2, "Cy Hart"), (7, "Ada Fell"), (8, ""), (6, "Ünal Öz")):
        session.add(ReadingRow(series_id=series.id, place="1", si=None, typed="", instrument="", uncertainty=0.0,
                               skipped="", source="typed", at=later(hours), who=who))  # fmt: skip
    session.flush()


def test_the_names_of_all_that_is_signed_come_the_latest_first(session: Session) -> None:
    assert people(session) == []
    _signed(session)
    assert people(session) == ["Ada Fell", "Ünal Öz", "Bo Lind", "Cy Hart"]


@pytest.mark.parametrize("table", [RecordRow, RevisionRow, ReadingRow])
def test_names_are_found_by_their_index_however_many_rows_there_are(
    session: Session, table: type[RecordRow | RevisionRow | ReadingRow]
) -> None:
    query = str(_names_in(table).compile(dialect=sqlite.dialect(), compile_kwargs={"literal_binds": True}))  # type: ignore[no-untyped-call]
    steps = [str(row[3]) for row in session.execute(text(f"EXPLAIN QUERY PLAN {query}"))]
    name = table.__tablename__
    assert not any(f"SCAN {name}" in step for step in steps), steps
    assert sum(f"SEARCH {name} USING COVERING INDEX ix_{name}_who" in step for step in steps) == 3
