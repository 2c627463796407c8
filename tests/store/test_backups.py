"""Copies of the shop's file: taken in use, thinned by age and room, noticed when put back."""

from __future__ import annotations

import shutil
import sqlite3
import time
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.job.ledger import Entry, Revision
from liftbite.store import jobs
from liftbite.store.backups import Keeper, NotBackedUp, back_up, keep, restore, thin
from liftbite.store.copies import Backup, backups_of, faults_of
from liftbite.store.database import Replaced, UnusableShop, close, look_at, open_database, writing

NOW = datetime(2026, 11, 28, 12, 30, tzinfo=UTC)


@pytest.fixture
def shop(tmp_path: Path, new_shop: Path) -> Path:
    return Path(shutil.copy(new_shop, tmp_path / "shop.sqlite"))


def job(shop: Path, name: str) -> int:
    sessions = open_database(shop)
    with writing(sessions) as session:
        entries = (Entry("layout", "dry_car"), Entry("job_name", name))
        number = jobs.create(session, [Revision(1, "start", jobs.utc_text(NOW), entries)], NOW)
    close(sessions)
    return number


def until(there: Callable[[], object]) -> None:
    end = time.monotonic() + 60
    while not there():
        assert time.monotonic() < end
        time.sleep(0.01)


def aged(days: float, size: int = 1) -> Backup:
    at = NOW - timedelta(days=days)
    return Backup(Path(f"{at.timestamp()}"), at, size)


def test_of_a_year_of_hours_the_last_day_fortnight_and_eight_weeks_stay() -> None:
    every = [aged(hour / 24) for hour in range(24 * 365)]
    goes = {b.path for b in thin(every)}
    stays = [b for b in every if b.path not in goes]
    ages = [(NOW - b.at) / timedelta(days=1) for b in stays]
    assert sum(age < 1 for age in ages) == 24
    assert len(stays) <= 24 + 14 + 8
    assert 42 < max(ages) <= 56, "eight weeks, the one that runs among them"
    assert len({b.at.date() for b in stays if NOW - b.at < timedelta(days=14)}) == 14


@given(st.lists(st.tuples(st.floats(0, 400), st.integers(1, 10)), min_size=1, max_size=60), st.integers(1, 50))
def test_the_newest_stays_whatever_room_there_is_and_the_rest_fits(ages: list[tuple[float, int]], room: int) -> None:
    every = [aged(age, size) for age, size in {round(a, 6): (a, s) for a, s in ages}.values()]
    goes = {b.path for b in thin(every, room)}
    stays = [b for b in every if b.path not in goes]
    newest = max(every, key=lambda b: b.at)
    assert newest in stays
    assert sum(b.size for b in stays) <= room or stays == [newest]


def test_the_copy_of_the_hour_is_taken_once_and_only_of_what_changed(shop: Path) -> None:
    first = keep(shop, datetime.now(UTC))
    assert first is not None
    assert keep(shop, datetime.now(UTC)) is None, "within the hour"
    later = datetime.now(UTC) + timedelta(hours=2)
    assert keep(shop, later) is None, "nothing changed"
    job(shop, "another")
    assert keep(shop, later + timedelta(seconds=1)) is not None
    assert len(backups_of(shop)) == 2


def test_a_copy_taken_while_it_is_written_to_is_whole(shop: Path, tmp_path: Path) -> None:
    sessions = open_database(shop)
    with writing(sessions) as session:
        jobs.create(session, [Revision(1, "start", jobs.utc_text(NOW), (Entry("layout", "dry_car"),))], NOW)
        session.flush()
        made = back_up(shop, tmp_path / "half.sqlite")
    assert faults_of(made.path) == []
    with sqlite3.connect(made.path) as connection:
        assert connection.execute("SELECT count(*) FROM job").fetchone() == (0,), "what was not committed is not in it"
    connection.close()
    close(sessions)


def test_an_older_state_put_back_under_a_running_program_is_noticed(shop: Path, tmp_path: Path) -> None:
    number = job(shop, "first")
    copy = back_up(shop, tmp_path / "copy.sqlite").path
    sessions = open_database(shop)
    with writing(sessions) as session:
        jobs.append(session, number, 1, [Entry("notes", "later")], NOW)
    with sessions() as session:
        assert len(jobs.revisions_of(session, number)) == 2
    restore(shop, copy)
    with sessions() as session:
        assert len(jobs.revisions_of(session, number)) == 1, "what was known before does not count any more"
    with writing(sessions) as session, pytest.raises(jobs.Stale, match="revision 1"):
        jobs.append(session, number, 2, [Entry("notes", "on what is gone")], NOW)
    close(sessions)


def test_another_file_in_its_place_stops_everything(shop: Path, tmp_path: Path) -> None:
    sessions = open_database(shop)
    copy = back_up(shop, tmp_path / "copy.sqlite").path
    copy.replace(shop)
    with pytest.raises(Replaced, match=r"shop\.sqlite"), writing(sessions):
        raise AssertionError("nothing is written to a file that is not the one that was opened")
    sessions.kw["bind"].dispose()


def test_a_keeper_takes_a_copy_at_once_and_says_why_it_cannot(shop: Path) -> None:
    keeper = Keeper(shop, look=0.01)
    keeper.start()
    until(lambda: backups_of(shop))
    keeper.stop()
    assert keeper.trouble == ""
    gone = Keeper(shop.with_name("none.sqlite"), look=60)
    gone.start()
    until(lambda: gone.trouble)
    gone.stop()
    with pytest.raises(NotBackedUp, match="There is no shop"):
        back_up(shop.with_name("none.sqlite"), shop.with_name("copy.sqlite"))


def test_a_file_is_made_for_its_owner_alone(tmp_path: Path) -> None:
    path = tmp_path / "deep" / "shop.sqlite"
    close(open_database(path))
    assert path.stat().st_mode & 0o777 == 0o600
    assert path.parent.stat().st_mode & 0o777 == 0o700
    with pytest.raises(UnusableShop, match="is a folder"):
        look_at(path.parent)


def test_a_file_held_by_another_program_is_said(shop: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("liftbite.store.database.PATIENCE", 50)
    holder = sqlite3.connect(shop, isolation_level=None)
    holder.execute("PRAGMA locking_mode=EXCLUSIVE")
    holder.execute("BEGIN EXCLUSIVE")
    with pytest.raises(UnusableShop, match="held by another program"):
        open_database(shop)
    holder.close()
