"""Copies of the shop's file that can be brought back: taken while it is in use, and looked at before they count.

- `Backup`, `backups_of`   what is kept beside a file, newest first
- `back_up`, `restore`     a copy out, and one back in under a program that may be running
- `keep`, `thin`, `Keeper`   the copy of the hour, which of the older ones stay, and who sees to it
- `faults_of`              what is wrong with a file
- `last_good`              the newest copy that can be used
"""

from __future__ import annotations

import contextlib
import logging
import os
import re
import sqlite3
import threading
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from pathlib import Path

log = logging.getLogger(__name__)
#: The newest copies of so many different hours, days and weeks stay.
HOURS, DAYS, WEEKS = 24, 14, 8
#: All copies together take no more than this, but for the newest [bytes].
ROOM = 2 * 1024**3
_NAME = re.compile(r"(\d{8}T\d{6}Z)(?:-\d+)?\.sqlite")
_WAIT = 5.0


class NotBackedUp(Exception):
    """A copy that could not be made or brought back; the sentence says why."""


@dataclass(frozen=True, slots=True)
class Backup:
    """A copy: its file, when it was taken (UTC) and its size [bytes]."""

    path: Path
    at: datetime
    size: int


def folder_of(shop: Path) -> Path:
    """Where the copies of a shop's file are kept: beside it."""
    return shop.with_name(f"{shop.name}.backups")


def backups_of(shop: Path) -> list[Backup]:
    """The copies kept beside a shop's file, newest first."""
    found = []
    folder = folder_of(shop)
    for path in folder.iterdir() if folder.is_dir() else ():
        named = _NAME.fullmatch(path.name)
        if named:
            at = datetime.strptime(named[1], "%Y%m%dT%H%M%SZ").replace(tzinfo=UTC)
            found.append(Backup(path, at, path.stat().st_size))
    return sorted(found, key=lambda b: (b.at, b.path.name), reverse=True)


def last_good(shop: Path) -> Path | None:
    """The newest copy that opens and is whole."""
    return next((b.path for b in backups_of(shop) if not faults_of(b.path)), None)


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
    """One file's content into another, page by page, by SQLite's own online copy; the target is for its owner only."""
    if not to.exists():
        os.close(os.open(to, os.O_CREAT | os.O_RDWR, 0o600))
    with _opened(f"{from_.absolute().as_uri()}?mode=ro") as source, _opened(str(to)) as target:
        source.backup(target, pages=256, sleep=0.01)
        target.execute("PRAGMA journal_mode=DELETE").close()


@contextlib.contextmanager
def _opened(name: str) -> Iterator[sqlite3.Connection]:
    connection = sqlite3.connect(name, timeout=_WAIT, uri=name.startswith("file:"))
    try:
        yield connection
    finally:
        connection.close()


def restore(shop: Path, source: Path) -> Path | None:
    """Puts a copy back in the place of a shop's file; what stood there is kept as a copy of its own, if it was whole.

    A program that has the file open goes on with what was put back.

    Raises
    ------
    NotBackedUp : the copy is none, is damaged, or the file is held by another program
    """
    faults = faults_of(source)
    if faults:
        raise NotBackedUp(f"{source} cannot be brought back: {faults[0]}.")
    before = None
    if shop.exists() and not faults_of(shop):
        before = back_up(shop, new_name(shop, datetime.now(UTC))).path
    elif shop.exists():
        before = shop.with_name(f"{shop.name}.damaged-{datetime.now(UTC):%Y%m%dT%H%M%SZ}")
        shop.replace(before)
        for rest in ("-wal", "-shm"):
            shop.with_name(shop.name + rest).unlink(missing_ok=True)
    try:
        shop.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
        if not shop.exists():
            os.close(os.open(shop, os.O_CREAT | os.O_RDWR, 0o600))
        with _opened(f"{source.absolute().as_uri()}?mode=ro") as copy, _opened(str(shop)) as target:
            target.execute("PRAGMA synchronous=FULL").close()
            copy.backup(target)
    except (OSError, sqlite3.Error) as error:
        raise NotBackedUp(f"{shop} could not be written: {getattr(error, 'strerror', None) or error}.") from None
    return before


def new_name(shop: Path, at: datetime) -> Path:
    """Where a copy taken at a moment is kept, beside the shop's file."""
    folder, stem = folder_of(shop), f"{at:%Y%m%dT%H%M%SZ}"
    names = (folder / f"{stem}{tail}.sqlite" for tail in ("", *(f"-{n}" for n in range(2, 1000))))
    return next(name for name in names if not name.exists())


def keep(shop: Path, at: datetime, *, every: timedelta = timedelta(hours=1)) -> Backup | None:
    """The copy of the hour: taken where the newest one is older than `every` and the shop has changed since."""
    if not shop.is_file():
        raise NotBackedUp(f"There is no shop at {shop}.")
    newest = next(iter(backups_of(shop)), None)
    written = (p.stat() for p in (shop, shop.with_name(f"{shop.name}-wal")) if p.exists())
    changed = max(there.st_mtime for there in written if there.st_size)
    if newest is not None and (at - newest.at < every or newest.path.stat().st_mtime >= changed):
        return None
    made = back_up(shop, new_name(shop, at))
    for old in thin(backups_of(shop)):
        old.path.unlink(missing_ok=True)
    return made


class Keeper:
    """Takes the copy of the hour while a shop is served, in a thread of its own; `stop` ends it.

    Attributes
    ----------
    trouble : why the last copy could not be made; empty where it could
    """

    def __init__(self, shop: Path, look: float = 60.0) -> None:
        self.shop, self.trouble = shop, ""
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
                self.trouble = ""
            except (NotBackedUp, OSError) as error:
                if str(error) != self.trouble:
                    log.warning("no backup was taken: %s", error)
                self.trouble = str(error)
            if self._ended.wait(self._look):
                return


def thin(kept: Iterable[Backup], room: int = ROOM) -> list[Backup]:
    """Which copies go: all but the newest of each of the last hours, days and weeks, and what finds no room.

    >>> thin([])
    []
    """
    newest_first = sorted(kept, key=lambda b: b.at, reverse=True)
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


def is_shop(path: Path) -> bool:
    """True for a file that is, or was, a shop's with tables this program knows, whole or damaged."""
    from liftbite.store.database import versions

    try:
        with _opened(f"{path.absolute().as_uri()}?mode=ro") as connection:
            found = connection.execute("SELECT version_num FROM alembic_version").fetchone()
            return found is not None and found[0] in versions()
    except sqlite3.DatabaseError as error:
        return "malformed" in str(error)


def is_of_today(path: Path) -> bool:
    """True where a file's tables are those this program writes."""
    from liftbite.store.database import newest_migration

    with _opened(f"{path.absolute().as_uri()}?mode=ro") as connection:
        found = connection.execute("SELECT version_num FROM alembic_version").fetchone()
    return bool(found == (newest_migration(),))


def faults_of(path: Path) -> list[str]:
    """What is wrong with a file, in words; nothing where it is a shop's, whole, and this program can read it."""
    from liftbite.store.database import newest_migration, versions

    if not path.is_file():
        return ["there is no such file"]
    if path.stat().st_size == 0 and not path.with_name(f"{path.name}-wal").exists():
        return ["it is empty"]
    try:
        with _opened(f"{path.absolute().as_uri()}?mode=ro") as connection:
            tables = {name for (name,) in connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
            if not {"alembic_version", "job"} <= tables:
                return ["it is not a shop's file"]
            (version,) = connection.execute("SELECT version_num FROM alembic_version").fetchone() or ("none",)
            if version not in versions():
                return [f"it was written by a newer Lift Bite (tables {version}, known up to {newest_migration()})"]
            damage = [line for (line,) in connection.execute("PRAGMA integrity_check(20)") if line != "ok"]
            orphans = connection.execute("PRAGMA foreign_key_check").fetchall()
            return damage + [f"a row of “{table}” belongs to nothing" for table, *_ in orphans[:20]]
    except sqlite3.DatabaseError as error:
        if "not a database" in str(error):
            return ["it is not a shop's file"]
        return [f"it is damaged: {error}"]
