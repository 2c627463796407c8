"""The names of a shop: of everything that is signed, whatever the spelling, found without going through it all."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

import pytest
from sqlalchemy import text
from sqlalchemy.dialects import sqlite
from sqlalchemy.orm import Session

from liftbite.core.job.ledger import Entry, Revision
from liftbite.core.job.record import Line
from liftbite.core.measure.reading import Reading
from liftbite.files.measured import Filed, FiledReading, FiledSeries
from liftbite.store import filed, jobs
from liftbite.store.people import _last_used, known_as, note_person, people
from liftbite.store.record import record_of, say
from tests.core.lines import line

NOW = datetime(2026, 5, 4, 9, 30, tzinfo=UTC)
LINE = line("check", "disc_wobble", {"answer": "enough", "reason": "new disc"})


def later(hours: int) -> datetime:
    return NOW + timedelta(hours=hours)


def _signed(session: Session) -> int:
    first = Revision(1, "start", jobs.utc_text(NOW), (Entry("layout", "dry_car"),))
    job = jobs.create(session, [first], NOW)
    jobs.go_on(session, job, [first, Revision(2, "edit", jobs.utc_text(later(3)), (), None, "Cy Hart")])
    for hours, who in ((1, "Ada Fell"), (5, "Bo Lind"), (9, "")):
        say(session, job, Line(LINE.key, LINE.statement, who), later(hours))
    readings = tuple(
        FiledReading(Reading("1", None, "good"), later(hours), "typed", False, who)
        for hours, who in ((2, "Cy Hart"), (7, "Ada Fell"), (8, ""), (6, "Ünal Öz"))
    )
    filed.bring(session, job, "", Filed((FiledSeries("basket", NOW, None, {}, readings),)), NOW)
    session.flush()
    return job


def test_the_names_of_all_that_is_signed_come_the_latest_first(session: Session) -> None:
    assert people(session) == []
    _signed(session)
    assert people(session) == ["Ada Fell", "Ünal Öz", "Bo Lind", "Cy Hart"]


@pytest.mark.parametrize("table", ["record", "revision", "reading"])
def test_when_a_name_was_used_last_is_found_by_its_index_however_many_rows_there_are(
    session: Session, table: str
) -> None:
    query = str(_last_used().compile(dialect=sqlite.dialect(), compile_kwargs={"literal_binds": True}))  # type: ignore[no-untyped-call]
    steps = [str(row[3]) for row in session.execute(text(f"EXPLAIN QUERY PLAN {query}"))]
    assert not any(f"SCAN {table}" in step for step in steps), steps
    assert sum(f"SEARCH {table} USING COVERING INDEX ix_{table}_who" in step for step in steps) == 1


@pytest.mark.parametrize("typed", ["ada fell", "  Ada   FELL ", "Áda Fell", "A\u0301da Fell"])
def test_a_name_is_known_whatever_its_case_accents_composition_and_spaces(session: Session, typed: str) -> None:
    job = _signed(session)
    session.info["who"] = typed
    say(session, job, LINE, later(20))
    assert record_of(session, job)[-1].who == "Ada Fell"
    assert people(session)[0] == "Ada Fell"


def test_two_who_were_told_apart_before_stay_apart(session: Session) -> None:
    note_person(session, "Jose Pell")
    note_person(session, "José Pell")
    assert known_as(session, "José Pell") == "José Pell"
    assert known_as(session, "jose pell") == "Jose Pell"


def test_somebody_new_is_known_as_first_typed(session: Session) -> None:
    assert known_as(session, "  Di   Voss ") == "Di Voss"
    assert known_as(session, "DI VOSS") == "Di Voss"
    assert known_as(session, "   ") == ""
