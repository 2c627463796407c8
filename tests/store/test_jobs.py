"""The store: migrations, SQLite as it should be, two writers."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta, timezone
from pathlib import Path

import pytest
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import text
from sqlalchemy.exc import IntegrityError

from liftbite.core.job.ledger import Entry, Revision
from liftbite.store import jobs as store
from liftbite.store.database import open_database
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
    with first() as session:
        job(session)
    again = open_database(path)
    with again() as session:
        assert len(store.list_jobs(session)) == 1
    for made in (first, again):
        made.kw["bind"].dispose()


def test_of_two_writers_on_one_revision_one_is_stale(sessions) -> None:  # type: ignore[no-untyped-def]
    with sessions() as session:
        number = job(session)
        store.append(session, number, 1, [Entry("notes", "mine")], NOW)
    with sessions() as session, pytest.raises(store.Stale, match="revision 2"):
        store.append(session, number, 1, [Entry("notes", "theirs")], NOW)


def test_even_a_writer_between_check_and_write_is_seen(sessions, monkeypatch: pytest.MonkeyPatch) -> None:  # type: ignore[no-untyped-def]
    with sessions() as session:
        number = job(session)
        store.append(session, number, 1, [Entry("notes", "first")], NOW)
        seen = iter([1, 2])
        monkeypatch.setattr(store, "newest_revision", lambda *_: next(seen))
        with pytest.raises(store.Stale, match="revision 2"):
            store.append(session, number, 1, [Entry("notes", "second")], NOW)


def test_no_such_job(sessions) -> None:  # type: ignore[no-untyped-def]
    with sessions() as session:
        for call in (store.revisions_of, store.newest_revision):
            with pytest.raises(store.NoSuchJob, match=r"^7$"):
                call(session, 7)
        with pytest.raises(store.NoSuchJob, match=r"^7$"):
            store.archive(session, 7, None)


def test_moments_are_kept_in_utc_to_the_microsecond(sessions) -> None:  # type: ignore[no-untyped-def]
    here = datetime(2026, 7, 1, 12, 0, 0, 123456, tzinfo=timezone(timedelta(hours=2)))
    with sessions() as session:
        first = Revision(1, "start", store.utc_text(here), (Entry("layout", "dry_car"),))
        number = store.create(session, [first], here)
    with sessions() as session:
        assert store.revisions_of(session, number)[0].at == "2026-07-01T10:00:00.123456Z"
    assert store.utc_moment("2026-07-01T10:00:00") == datetime(2026, 7, 1, 10, tzinfo=UTC)
