"""Which shop a file holds and in which state; copies that lack their log; writes that take turns."""

from __future__ import annotations

import os
import shutil
import socket
import threading
import time
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest

from liftbite.core.job.ledger import Entry, Revision
from liftbite.store import jobs
from liftbite.store import state as state_store
from liftbite.store.backups import DAYS, HOURS, WEEKS, back_up, keep, new_name, restore, room_sentence, thin
from liftbite.store.copies import Backup, backups_of, faults_of, folder_of
from liftbite.store.database import (
    Crowded,
    UnusableShop,
    accept_as_it_stands,
    begin_use,
    close,
    open_database,
    writing,
)
from liftbite.store.state import AnotherState, expect_state, identity_of
from liftbite.store.turns import TooMany, Turns
from tests.store.test_backups import job

NOW = datetime(2026, 11, 28, 12, 30, tzinfo=UTC)


@pytest.fixture
def shop(tmp_path: Path, new_shop: Path) -> Path:
    return Path(shutil.copy(new_shop, tmp_path / "shop.sqlite"))


def test_after_a_restore_the_shop_is_in_another_state_and_no_number_is_given_twice(shop: Path, tmp_path: Path) -> None:
    """A tab that is open still says job 2; the next job is another one."""
    first = job(shop, "first")
    copy = back_up(shop, tmp_path / "copy.sqlite").path
    second = job(shop, "second")
    sessions = open_database(shop)
    with sessions() as session:
        before = identity_of(session)
    restore(shop, copy)
    with sessions() as session:
        after = identity_of(session)
        with pytest.raises(AnotherState, match=before.state):
            expect_state(session, before.state)
        expect_state(session, after.state)
        expect_state(session, "")
    assert (after.shop, after.state != before.state) == (before.shop, True)
    close(sessions)
    assert (first, second, job(shop, "third")) == (1, 2, 3)


def test_a_copy_of_the_file_alone_taken_while_it_is_served_says_what_it_lacks(shop: Path, tmp_path: Path) -> None:
    sessions = open_database(shop)
    begin_use(sessions, "since 2026-11-28 12:30 UTC")
    with writing(sessions) as session:
        jobs.create(session, [Revision(1, "start", jobs.utc_text(NOW), (Entry("layout", "dry_car"),))], NOW)
    alone, whole = tmp_path / "alone.sqlite", tmp_path / "whole.sqlite"
    shutil.copy(shop, alone)
    back_up(shop, whole)
    shutil.copy(shop, tmp_path / "both.sqlite")
    shutil.copy(f"{shop}-wal", tmp_path / "both.sqlite-wal")
    assert any("alone.sqlite-wal, which is not beside it" in fault for fault in faults_of(alone))
    with pytest.raises(UnusableShop, match=r"copy of the file alone.*--as-it-stands"):
        open_database(alone)
    assert faults_of(whole) == [], "a copy taken by the program is whole in itself"
    assert faults_of(tmp_path / "both.sqlite") == []
    Path(f"{alone}-wal").touch()  # as a program leaves it that only looked
    assert faults_of(alone) != []
    Path(f"{alone}-wal").unlink()
    close(sessions)
    assert faults_of(shop) == [], "a shop that was closed lacks nothing"
    accept_as_it_stands(alone)
    close(open_database(alone))


def test_a_file_without_any_table_is_no_empty_shop(tmp_path: Path, shop: Path) -> None:
    """The file of a new shop whose tables still stood in its log."""
    sessions = open_database(tmp_path / "new.sqlite")
    with sessions() as session:
        session.connection().exec_driver_sql("SELECT 1")
    head = (tmp_path / "new.sqlite").read_bytes()
    close(sessions)
    hollow = tmp_path / "hollow.sqlite"
    hollow.write_bytes(head[:4096][:28] + (1).to_bytes(4, "big") + head[32:100] + b"\x0d" + bytes(4096 - 101))
    with pytest.raises(UnusableShop, match=r"no table|damaged"):
        open_database(hollow)


def test_a_process_that_was_killed_uses_the_file_no_more(shop: Path, tmp_path: Path) -> None:
    sessions = open_database(shop)
    with writing(sessions) as session:
        state_store.mark_in_use(session, f"999999999@{socket.gethostname()} since yesterday at {shop.resolve()}")
    close(sessions)
    (tmp_path / "shop.sqlite-wal").touch()
    reopened = open_database(shop)
    with reopened() as session:
        assert state_store.in_use_since(session) == ""
    close(reopened)
    sessions = open_database(shop)
    with writing(sessions) as session:
        state_store.mark_in_use(session, f"{os.getppid()}@{socket.gethostname()} since today")
    with sessions() as session:
        assert state_store.in_use_since(session), "another that runs is left in peace"
    sessions.kw["bind"].dispose()


# --- copies


def test_copies_by_hand_and_by_restore_stay_and_take_no_other_away(shop: Path) -> None:
    """Two restores within an hour destroyed the morning's work."""
    folder = folder_of(shop)
    folder.mkdir()
    for minutes in range(0, 50, 10):
        for why in ("hour", "hand", "restore"):
            shutil.copy(shop, new_name(shop, NOW - timedelta(minutes=minutes), why))
    goes = thin(backups_of(shop))
    assert {b.why for b in goes} == {"hour"}
    assert sum(b.why in {"hand", "restore"} for b in backups_of(shop)) == 10
    copy = back_up(shop, new_name(shop, NOW, "hand")).path
    restore(shop, copy)
    restore(shop, copy)
    assert sum(b.why == "restore" for b in backups_of(shop)) == 7, "each says why it is there"


def test_a_copy_dated_in_the_future_stops_none_to_come(shop: Path) -> None:
    """The clock ran ahead for a day; copies stopped silently for good."""
    folder_of(shop).mkdir()
    ahead = new_name(shop, datetime.now(UTC) + timedelta(days=1), "hour")
    shutil.copy(shop, ahead)
    os.utime(ahead, (time.time() + 86_400,) * 2)
    job(shop, "today")
    assert keep(shop, datetime.now(UTC)) is not None
    assert ahead.exists(), "and it is not taken away either"


def test_as_many_copies_stay_as_the_disk_allows_and_fewer_are_said(shop: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    size = shop.stat().st_size
    disk = lambda free: lambda _: shutil._ntuple_diskusage(10**12, 0, free)  # noqa: E731
    monkeypatch.setattr("liftbite.store.backups.shutil.disk_usage", disk(10**12))
    assert room_sentence(shop) == ""
    monkeypatch.setattr("liftbite.store.backups.shutil.disk_usage", disk(512 * 2**20 + 5 * size))
    assert "room for 3 copies of the hour" in room_sentence(shop)
    assert f"not for the {HOURS + DAYS + WEEKS}" in room_sentence(shop)
    every = [Backup(Path(str(n)), NOW - timedelta(hours=n), size, "hour") for n in range(10)]
    assert len(every) - len(thin(every, 3 * size)) == 3


# --- turns


def test_twenty_writers_write_in_the_order_they_came() -> None:
    turns, order = Turns(), []
    first = threading.Event()

    def write(number: int) -> None:
        with turns.one(30):
            order.append(number)

    with turns.one(1):
        writers = []
        for number in range(20):
            writer = threading.Thread(target=write, args=(number,))
            writer.start()
            writers.append(writer)
            while len(turns._waiting) <= number:  # it has taken its place
                time.sleep(0.001)
        first.set()
    for writer in writers:
        writer.join()
    assert order == list(range(20))


def test_whose_turn_does_not_come_is_told_so_and_the_next_one_has_it(
    shop: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr("liftbite.store.database.PATIENCE", 50)
    sessions = open_database(shop)
    turns: Turns = sessions.kw["info"]["turns"]
    with turns.one(1):
        with pytest.raises(TooMany), turns.one(0.01):
            raise AssertionError("two write at once")
        with pytest.raises(Crowded), writing(sessions):
            raise AssertionError("two write at once")
    with writing(sessions) as session:
        assert identity_of(session).state
    close(sessions)
