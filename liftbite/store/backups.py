"""Copies of the shop's file that can be brought back: taken while it is in use, and looked at before they count.

- `back_up`, `restore`     a copy out, and one back in under a program that may be running
- `keep`, `thin`, `Keeper`   the copy of the hour, which of the older ones stay, and who sees to it
- `room_for`, `room_sentence`  how much room the copies of the hour may take, and what it is too little for

A copy somebody took, and what stood there before a copy was brought back, are kept until somebody takes them away. Only
the copies of the hour give way to newer ones.
"""

from __future__ import annotations

import logging
import os
import shutil
import sqlite3
import threading
import uuid
from collections.abc import Iterable
from datetime import UTC, datetime, timedelta
from pathlib import Path

from liftbite.store.copies import Backup, backups_of, faults_of, folder_of, has_identity, opened
from liftbite.store.database import close, open_database

log = logging.getLogger(__name__)
#: The newest copies of so many different hours, days and weeks stay.
HOURS, DAYS, WEEKS = 24, 14, 8
#: What is left free on the disk for the shop to grow: so much, and so many times its own size [bytes].
FREE, FREE_TIMES = 512 * 1024**2, 2
#: Copies that give way to newer ones.
_GIVE_WAY = ("hour", "")


class NotBackedUp(Exception):
    """A copy that could not be made or brought back; the sentence says why."""


def back_up(shop: Path, to: Path) -> Backup:
    """A copy of a shop's file as it stands now, while it may be written to.

    It is written under another name, looked at, and only then given its own.

    Raises
    ------
    NotBackedUp : there is no such shop, no room, or what was copied is damaged
    """
    if not shop.is_file():
        raise NotBackedUp(f"There is no shop at {shop}.")
    if to.is_dir():
        raise NotBackedUp(f"{to} is a folder; name the file the copy goes into.")
    rough = to.with_name(f".{to.name}.part")
    try:
        to.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
        _copy(shop, rough)
        faults = faults_of(rough)
        if faults:
            raise NotBackedUp(f"{shop} is damaged, so no copy of it was kept: {faults[0]}.")
        with rough.open("rb") as file:
            os.fsync(file.fileno())
        rough.replace(to)
    except (OSError, sqlite3.Error) as error:
        raise NotBackedUp(f"{to} could not be written: {getattr(error, 'strerror', None) or error}.") from None
    finally:
        rough.unlink(missing_ok=True)
    return Backup(to, datetime.now(UTC), to.stat().st_size)


def _copy(from_: Path, to: Path) -> None:
    """One file's content into another, page by page, by SQLite's own online copy; the target is for its owner only.

    The copy is whole in itself, so it does not say that it is in use.
    """
    if not to.exists():
        os.close(os.open(to, os.O_CREAT | os.O_RDWR, 0o600))
    with opened(f"{from_.absolute().as_uri()}?mode=ro") as source, opened(str(to)) as target:
        source.backup(target, pages=256, sleep=0.01)
        target.execute("PRAGMA journal_mode=DELETE").close()
        if has_identity(target):
            target.execute("UPDATE shop SET in_use = ''").close()
            target.commit()


def restore(shop: Path, source: Path) -> Path | None:
    """Puts a copy back in the place of a shop's file; what stood there is kept as a copy of its own, if it was whole.

    A program that has the file open goes on with what was put back. The file is in another state then, so that what
    was asked of the state before is told apart, and no number of a job is given a second time.

    Raises
    ------
    NotBackedUp : the copy is none, is damaged, or the file is held by another program
    """
    faults = faults_of(source)
    if faults:
        raise NotBackedUp(f"{source} cannot be brought back: {faults[0]}.")
    before = None
    if shop.exists() and not faults_of(shop):
        before = back_up(shop, new_name(shop, datetime.now(UTC), "restore")).path
    elif shop.exists():
        before = shop.with_name(f"{shop.name}.damaged-{datetime.now(UTC):%Y%m%dT%H%M%SZ}")
        shop.replace(before)
        for rest in ("-wal", "-shm"):
            shop.with_name(shop.name + rest).unlink(missing_ok=True)
    ready = shop.with_name(f".{shop.name}.{uuid.uuid4().hex[:8]}.ready")
    try:
        shop.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
        last_job, in_use = _said_of(before) if before is not None else (0, "")
        _copy(source, ready)
        _as_new_state(ready, last_job, _in_use(shop) or in_use)
        if not shop.exists():
            os.close(os.open(shop, os.O_CREAT | os.O_RDWR, 0o600))
        with opened(f"{ready.absolute().as_uri()}?mode=ro") as copy, opened(str(shop)) as target:
            target.execute("PRAGMA synchronous=FULL").close()
            copy.backup(target)
    except (OSError, sqlite3.Error) as error:
        raise NotBackedUp(f"{shop} could not be written: {getattr(error, 'strerror', None) or error}.") from None
    finally:
        for rest in ("", "-wal", "-shm"):
            ready.with_name(ready.name + rest).unlink(missing_ok=True)
    return before


def _said_of(path: Path) -> tuple[int, str]:
    """The highest number a job ever had in a file, and since when it was in use; a damaged one says nothing."""
    try:
        with opened(f"{path.absolute().as_uri()}?mode=ro") as connection:
            highest = connection.execute("SELECT coalesce(max(id), 0) FROM job").fetchone()[0]
            if not has_identity(connection):
                return highest, ""
            last_job, in_use = connection.execute("SELECT last_job, in_use FROM shop").fetchone()
            return max(highest, last_job), in_use
    except sqlite3.Error:
        return 0, ""


def _in_use(path: Path) -> str:
    return _said_of(path)[1] if path.exists() else ""


def _as_new_state(path: Path, last_job: int, in_use: str) -> None:
    """Brings a copy up to date and makes it a state of its own, before it takes the place of another."""
    close(open_database(path))
    with opened(str(path)) as connection:
        connection.execute("PRAGMA journal_mode=DELETE").close()
        connection.execute(
            "UPDATE shop SET state = ?, in_use = ?, "
            "last_job = max(last_job, ?, (SELECT coalesce(max(id), 0) FROM job))",
            (uuid.uuid4().hex[:12], in_use, last_job),
        ).close()
        connection.commit()


def new_name(shop: Path, at: datetime, why: str) -> Path:
    """Where a copy taken at a moment is kept, beside the shop's file, and why it is taken, of `WHY`."""
    folder, stem, end = folder_of(shop), f"{at:%Y%m%dT%H%M%SZ}", f"-{why}" if why else ""
    names = (folder / f"{stem}{tail}{end}.sqlite" for tail in ("", *(f"-{n}" for n in range(2, 1000))))
    return next(name for name in names if not name.exists())


def room_for(shop: Path) -> int:
    """How much the copies of the hour may take: what the disk has free, less what the shop itself may want [bytes]."""
    folder = folder_of(shop)
    taken = sum(b.size for b in backups_of(shop) if b.why in _GIVE_WAY)
    free = shutil.disk_usage(folder if folder.is_dir() else shop.parent).free
    return max(free + taken - FREE - FREE_TIMES * shop.stat().st_size, 0)


def room_sentence(shop: Path) -> str:
    """What the disk is too small for; empty where every copy of the hour finds its room."""
    if not shop.is_file():
        return ""
    size, room = max(shop.stat().st_size, 1), room_for(shop)
    fit, wanted = max(room // size, 1), HOURS + DAYS + WEEKS
    if fit >= wanted:
        return ""
    copies = "one copy" if fit == 1 else f"{fit} copies"
    return (
        f"The disk has room for {copies} of the hour of this size, not for the {wanted} that would be kept; "
        "older ones give way sooner. Copies taken by hand stay."
    )


def keep(shop: Path, at: datetime, *, every: timedelta = timedelta(hours=1)) -> Backup | None:
    """The copy of the hour: taken where the newest one is older than `every` and the shop has changed since."""
    if not shop.is_file():
        raise NotBackedUp(f"There is no shop at {shop}.")
    there = [backup for backup in backups_of(shop) if backup.at <= at]  # one dated ahead stops none to come
    newest = next(iter(there), None)
    last = next((backup for backup in there if backup.why in _GIVE_WAY), None)
    written = (p.stat() for p in (shop, shop.with_name(f"{shop.name}-wal")) if p.exists())
    changed = max(there.st_mtime for there in written if there.st_size)
    if last is not None and at - last.at < every:
        return None
    if newest is not None and changed <= newest.path.stat().st_mtime <= at.timestamp():
        return None
    made = back_up(shop, new_name(shop, at, "hour"))
    for old in thin(backups_of(shop), room_for(shop), at):
        old.path.unlink(missing_ok=True)
    return made


class Keeper:
    """Takes the copy of the hour while a shop is served, in a thread of its own; `stop` ends it.

    Attributes
    ----------
    trouble : why the last copy could not be made; empty where it could
    short : what the disk is too small for; empty where it is not
    """

    def __init__(self, shop: Path, look: float = 60.0) -> None:
        self.shop, self.trouble, self.short = shop, "", ""
        self._look = look
        self._ended = threading.Event()
        self._thread = threading.Thread(target=self._run, name="backups", daemon=True)

    def start(self) -> None:
        """Begins; the first look is at once."""
        self._thread.start()

    def stop(self) -> None:
        """Ends it; a copy under way is finished."""
        self._ended.set()
        if self._thread.is_alive():
            self._thread.join()

    def _run(self) -> None:
        while True:
            try:
                keep(self.shop, datetime.now(UTC))
                self.trouble, self.short = "", room_sentence(self.shop)
            except (NotBackedUp, OSError) as error:
                if str(error) != self.trouble:
                    log.warning("no backup was taken: %s", error)
                self.trouble = str(error)
            if self._ended.wait(self._look):
                return


def thin(kept: Iterable[Backup], room: int = 2**63, now: datetime | None = None) -> list[Backup]:
    """Which copies go: of those of the hour all but the newest of each of the last hours, days and weeks, and what
    finds no room. Copies taken by hand or by a restore stay, and so do those dated ahead.

    Parameters
    ----------
    kept : every copy
    room : what the copies of the hour may take together, but for the newest [bytes]
    now : the moment; the newest copy's where left out

    >>> thin([])
    []
    """
    found = [backup for backup in kept if backup.why in _GIVE_WAY]
    newest_first = sorted((b for b in found if now is None or b.at <= now), key=lambda b: b.at, reverse=True)
    stays: set[Path] = set()
    for most, mark in ((HOURS, "%Y%m%d%H"), (DAYS, "%Y%m%d"), (WEEKS, "%G%V")):
        first: dict[str, Backup] = {}
        for backup in newest_first:
            first.setdefault(f"{backup.at:{mark}}", backup)
        stays |= {b.path for b in list(first.values())[:most]}
    goes, used = [], 0
    for backup in newest_first:
        used += backup.size if backup.path in stays else 0
        if backup.path not in stays or (used > room and backup is not newest_first[0]):
            goes.append(backup)
    return goes
