"""The store: migrations, SQLite as it should be, two writers."""

from __future__ import annotations

from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime, timedelta, timezone
from pathlib import Path

import pytest
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import text
from sqlalchemy.exc import IntegrityError

from liftbite.core.job.ledger import Entry, Revision
from liftbite.store import jobs as store
from liftbite.store.database import open_database, writing
from liftbite.store.models import Base, EntryRow

NOW = datetime(2026, 5, 4, 9, 30, tzinfo=UTC)


@pytest.fixture
def sessions(tmp_path: Path):  # type: ignore[no-untyped-def]
    made = open_database(tmp_path / "deep" / "shop.sqlite")
    yield made
    made.kw["bind"].dispose()


def job(session) -> int:  # type: ignore[no-untyped-def]
    first = Revision(1, "start", store.utc_text(NOW), (Entry("layout", "dry_car"),))
    return store.create(session, [first], NOW)


def test_the_migrations_make_the_tables_the_models_describe(sessions) -> None:  # type: ignore[no-untyped-def]
    with sessions.kw["bind"].connect() as connection:
        context = MigrationContext.configure(connection, opts={"render_as_batch": True})
        assert compare_metadata(context, Base.metadata) == []


def test_sqlite_keeps_a_log_and_its_keys(sessions) -> None:  # type: ignore[no-untyped-def]
    with sessions() as session:
        assert session.scalar(text("PRAGMA journal_mode")) == "wal"
        assert session.scalar(text("PRAGMA foreign_keys")) == 1
        session.add(EntryRow(revision_id=999, quantity="x", mark="entered"))
        with pytest.raises(IntegrityError, match="FOREIGN KEY"):
            session.commit()


def test_opening_twice_changes_nothing(tmp_path: Path) -> None:
    path = tmp_path / "shop.sqlite"
    first = open_database(path)
    with writing(first) as session:
        job(session)
    again = open_database(path)
    with again() as session:
        assert len(store.list_jobs(session)) == 1
    for made in (first, again):
        made.kw["bind"].dispose()


def test_of_two_writers_on_one_revision_one_is_stale(sessions) -> None:  # type: ignore[no-untyped-def]
    with writing(sessions) as session:
        number = job(session)
        store.append(session, number, 1, [Entry("notes", "mine")], NOW)
    with sessions() as session, pytest.raises(store.Stale, match="revision 2"):
        store.append(session, number, 1, [Entry("notes", "theirs")], NOW)


def test_of_a_dozen_writers_at_once_one_is_kept_and_eleven_are_stale(sessions) -> None:  # type: ignore[no-untyped-def]
    with writing(sessions) as session:
        number = job(session)

    def write(mine: int) -> str:
        try:
            with writing(sessions) as session:
                store.append(session, number, 1, [Entry("notes", str(mine))], NOW)
        except store.Stale as error:
            return f"stale at {error.newest}"
        return "kept"

    with ThreadPoolExecutor(12) as pool:
        found = list(pool.map(write, range(12)))
    assert sorted(found) == ["kept", *["stale at 2"] * 11]


def test_what_goes_wrong_half_way_leaves_nothing(sessions) -> None:  # type: ignore[no-untyped-def]
    def stopped_half_way() -> None:
        with writing(sessions) as session:
            job(session)
            raise ZeroDivisionError("half way")

    with pytest.raises(ZeroDivisionError, match="half way"):
        stopped_half_way()
    with sessions() as session:
        assert store.list_jobs(session) == []


def test_no_such_job(sessions) -> None:  # type: ignore[no-untyped-def]
    with writing(sessions) as session:
        for call in (store.revisions_of, store.newest_revision):
            with pytest.raises(store.NoSuchJob, match=r"^7$"):
                call(session, 7)
        with pytest.raises(store.NoSuchJob, match=r"^7$"):
            store.archive(session, 7, None, 0)


def test_moments_are_kept_in_utc_to_the_microsecond(sessions) -> None:  # type: ignore[no-untyped-def]
    here = datetime(2026, 7, 1, 12, 0, 0, 123456, tzinfo=timezone(timedelta(hours=2)))
    with writing(sessions) as session:
        first = Revision(1, "start", store.utc_text(here), (Entry("layout", "dry_car"),))
        number = store.create(session, [first], here)
    with sessions() as session:
        assert store.revisions_of(session, number)[0].at == "2026-07-01T10:00:00.123456Z"
    assert store.utc_moment("2026-07-01T10:00:00") == datetime(2026, 7, 1, 10, tzinfo=UTC)
