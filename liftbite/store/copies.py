"""Copies kept beside a shop's file, and what is wrong with a file.

- `Backup`, `WHY`, `backups_of`   what is kept beside a file and why, newest first
- `last_good`              the newest copy that can be used
- `way_out`                what to do about a file that cannot be used
- `faults_of`, `lacks`, `is_alone`   what is wrong with a file, and what is missing beside one
- `is_shop`, `is_of_today`   whether a file is, or was, a shop's, and of the tables of now
- `opened`, `has_identity`   a file opened by SQLite alone
"""

from __future__ import annotations

import contextlib
import re
import sqlite3
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path

from liftbite.store.tables import newest_migration, versions

#: Why a copy is there; files of before say nothing and are taken for copies of the hour.
WHY: Mapping[str, str] = {
    "hour": "copy of the hour",
    "hand": "taken by hand",
    "restore": "what stood there before a copy was brought back",
    "": "copy of the hour",
}
_NAME = re.compile(r"(\d{8}T\d{6}Z)(?:-\d+)?(?:-(hour|hand|restore))?\.sqlite")
_WAIT = 5.0


@dataclass(frozen=True, slots=True)
class Backup:
    """A copy: its file, when it was taken (UTC), its size [bytes] and why it was taken, of `WHY`."""

    path: Path
    at: datetime
    size: int
    why: str = ""


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
            with contextlib.suppress(FileNotFoundError):  # gone since the folder was read
                found.append(Backup(path, at, path.stat().st_size, named[2] or ""))
    return sorted(found, key=lambda b: (b.at, b.path.name), reverse=True)


def last_good(shop: Path) -> Path | None:
    """The newest copy that opens and is whole; one dated ahead only where there is no other."""
    now = datetime.now(UTC)
    order = sorted(backups_of(shop), key=lambda b: b.at > now)
    return next((b.path for b in order if not faults_of(b.path)), None)


def has_identity(connection: sqlite3.Connection) -> bool:
    """True where a file says which shop it is."""
    query = "SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'shop'"
    return connection.execute(query).fetchone() is not None


@contextlib.contextmanager
def opened(name: str) -> Iterator[sqlite3.Connection]:
    """A file opened by SQLite alone, and closed again."""
    connection = sqlite3.connect(name, timeout=_WAIT, uri=name.startswith("file:"))
    try:
        yield connection
    finally:
        connection.close()


def lacks(path: Path) -> str:
    """What is missing beside a file that was copied alone while its shop was served; empty where nothing is.

    What is written goes to a log beside the file first. A file that says it is in use, and has no log, lost it; so did
    one that says it is in use elsewhere and has an empty one, as a program makes it that only looks.
    """
    log_ = path.with_name(f"{path.name}-wal")
    written = log_.stat().st_size if log_.exists() else None
    if written:
        return ""
    with opened(f"{path.absolute().as_uri()}?mode=ro&immutable=1") as connection:
        if written is None and not connection.execute("SELECT 1 FROM sqlite_master LIMIT 1").fetchone():
            return (
                "it holds no table at all: a copy of the file alone, taken while its shop was new and in use; what "
                f"was written stands in {path.name}-wal, which is not beside it"
            )
        since = connection.execute("SELECT in_use FROM shop").fetchone()[0] if has_identity(connection) else ""
    if not since or (written == 0 and since.endswith(f" at {path.resolve()}")):
        return ""
    return (
        f"it is a copy of the file alone, taken while the shop was in use ({since}); what was written since stands in "
        f"{path.name}-wal, which is not beside it"
    )


def is_alone(path: Path) -> bool:
    """Whether what is wrong with a file is that something is missing beside it."""
    try:
        return bool(lacks(path))
    except sqlite3.DatabaseError:
        return False


def is_shop(path: Path) -> bool:
    """True for a file that is, or was, a shop's with tables this program knows, whole or damaged."""
    try:
        with opened(f"{path.absolute().as_uri()}?mode=ro&immutable=1") as connection:
            found = connection.execute("SELECT version_num FROM alembic_version").fetchone()
            return found is not None and found[0] in versions()
    except sqlite3.DatabaseError as error:
        return "malformed" in str(error)


def is_of_today(path: Path) -> bool:
    """True where a file's tables are those this program writes."""
    with opened(f"{path.absolute().as_uri()}?mode=ro") as connection:
        found = connection.execute("SELECT version_num FROM alembic_version").fetchone()
    return bool(found == (newest_migration(),))


def faults_of(path: Path) -> list[str]:
    """What is wrong with a file, in words; nothing where it is a shop's, whole, and this program can read it."""
    if not path.is_file():
        return ["there is no such file"]
    if path.stat().st_size == 0 and not path.with_name(f"{path.name}-wal").exists():
        return ["it is empty"]
    try:
        missing = lacks(path)
        if missing:
            return [missing]
        with opened(f"{path.absolute().as_uri()}?mode=ro") as connection:
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


def way_out(path: Path) -> str:
    """What to do about a file that cannot be used: the last backup that is good, if there is one."""
    found = last_good(path)
    if found is None:
        return "There is no backup beside it; look for one of your own and bring it back with “liftbite restore FILE”."
    return f"The last good backup is {found}; bring it back with “liftbite restore {found}”."
