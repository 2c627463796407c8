"""The shop's SQLite file: opened, looked at before it is trusted, migrated, and written in one transaction at a time.

- `open_database`   sessions on a file, or `UnusableShop` with a sentence and the way out
- `writing`         a session whose whole block is one transaction, begun before anything is read
- `begin_use`, `close`   while a shop is served its file says so; once all of it stands in the file it does not
- `UnusableShop`, `Replaced`, `Busy`, `Crowded`, `Full`   why a file cannot be used, now or at all
- `newest_migration`, `versions`, `migrate`   the tables' version
"""

from __future__ import annotations

import contextlib
import os
import socket
import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from sqlalchemy import Connection, Engine, create_engine, event
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session, sessionmaker

from liftbite.store import state
from liftbite.store.copies import lacks, way_out
from liftbite.store.jobs import LedgerCache
from liftbite.store.read_back import note_written, read_back
from liftbite.store.tables import migrate, newest_migration, versions
from liftbite.store.turns import TooMany, Turns

#: How long a write waits for another one [ms].
PATIENCE = 5000
_MAGIC = b"SQLite format 3\x00"


class UnusableShop(Exception):
    """A file that is no shop, or one that this program cannot use; the sentence says which, and the way out."""


class Replaced(Exception):
    """The file under a running program is another one than it opened."""


class Busy(Exception):
    """Another program held the file for longer than a write waits."""


class Crowded(Exception):
    """So many writes of this program were before one that its turn did not come in time."""


class Full(Exception):
    """There is no room left for what was to be written."""


def _on_connect(connection: sqlite3.Connection, _record: Any) -> None:
    connection.isolation_level = None  # transactions begin where we say
    for pragma in (
        "journal_mode=WAL",
        "foreign_keys=ON",
        f"busy_timeout={PATIENCE}",
        "synchronous=FULL",
        "secure_delete=ON",
    ):
        connection.execute(f"PRAGMA {pragma}").close()


def _on_begin(connection: Connection) -> None:
    writes = connection.get_execution_options().get("writes", False)
    connection.exec_driver_sql("BEGIN IMMEDIATE" if writes else "BEGIN")


def open_database(path: Path) -> sessionmaker[Session]:
    """Sessions on the file at `path`, which is made with its folder if it is not there, and migrated.

    What is acknowledged is on the disk: every commit waits for it (`synchronous=FULL`).

    Raises
    ------
    UnusableShop : the file is no shop, is damaged, of a newer program, empty, read-only, or held by another program
    """
    look_at(path)
    engine = create_engine(f"sqlite:///{path}")
    event.listen(engine, "connect", _on_connect)
    event.listen(engine, "begin", _on_begin)
    try:
        migrate(engine)
        _complete(engine, path)
    except DBAPIError as error:
        engine.dispose()
        raise _unusable(error, path) from None
    except BaseException:
        engine.dispose()
        raise
    opened = (path, _identity(path))
    sessions = sessionmaker(
        engine, expire_on_commit=False, info={"ledgers": LedgerCache(), "opened": opened, "turns": Turns()}
    )
    event.listen(sessions, "after_flush", note_written)
    _forget_ended_use(sessions)
    return sessions


def _forget_ended_use(sessions: sessionmaker[Session]) -> None:
    """A process of this machine that ended without closing the file uses it no more."""
    with sessions() as session:
        since = state.in_use_since(session)
    if since and _has_ended(since):
        with contextlib.suppress(Busy, Crowded), writing(sessions) as session:
            state.mark_closed(session)


def _has_ended(since: str) -> bool:
    """Whether the process of this machine that uses a file has ended; of another machine's nothing is known."""
    number, _, rest = since.partition("@")
    if rest.partition(" ")[0] != socket.gethostname() or not number.isdecimal():
        return False
    try:
        os.kill(int(number), 0)
    except ProcessLookupError:
        return True
    except (PermissionError, OverflowError):
        return False
    return False


def begin_use(sessions: sessionmaker[Session], at: str) -> None:
    """Notes in the file itself, not only in its log, that it is served: a copy of it alone can be told by that.

    Parameters
    ----------
    at : the moment, in words
    """
    with writing(sessions) as session:
        path: Path = sessions.kw["info"]["opened"][0]
        state.mark_in_use(session, f"{os.getpid()}@{socket.gethostname()} {at} at {path.resolve()}")
    settle(sessions)


def settle(sessions: sessionmaker[Session]) -> None:
    """Brings what stands in the log into the file, and empties the log, as far as nobody reads there."""
    engine: Engine = sessions.kw["bind"]
    with contextlib.suppress(DBAPIError), engine.connect() as connection:
        connection.connection.execute("PRAGMA wal_checkpoint(TRUNCATE)")


def look_at(path: Path) -> None:
    """Whether a file can be trusted as a shop's; one that is not there is made, for its owner's eyes only.

    Raises
    ------
    UnusableShop : it cannot
    """
    if path.is_dir():
        raise UnusableShop(f"{path} is a folder; name the file that holds the shop.")
    try:
        path.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
        if not path.exists():
            os.close(os.open(path, os.O_CREAT | os.O_EXCL | os.O_RDWR, 0o600))
            return
        size = path.stat().st_size
        with path.open("rb") as file:
            magic = file.read(len(_MAGIC))
    except OSError as error:
        raise UnusableShop(f"{path} cannot be opened ({error.strerror}).") from None
    if size == 0 and not path.with_name(path.name + "-wal").exists():
        raise UnusableShop(f"{path} is empty, not even a new shop: something cut it off. {way_out(path)}")
    if magic != _MAGIC:
        raise UnusableShop(f"{path} is not a shop's file. Name another in LIFTBITE_DATA. {way_out(path)}")
    if not os.access(path, os.W_OK) or not os.access(path.parent, os.W_OK):
        raise UnusableShop(f"{path} may only be read; give yourself the right to write it and its folder.")
    with contextlib.suppress(OSError):  # a file that somebody else owns stays as he left it
        path.chmod(0o600)
    _tables(path)


def accept_as_it_stands(path: Path) -> None:
    """Goes on with what a file holds that was copied without its log; what the log held is not in it.

    Raises
    ------
    UnusableShop : it cannot be written
    """
    try:
        with contextlib.closing(sqlite3.connect(path, timeout=PATIENCE / 1000)) as connection, connection:
            connection.execute("UPDATE shop SET in_use = ''")
    except sqlite3.DatabaseError as error:
        raise _unusable(error, path) from None


def _tables(path: Path) -> None:
    """Looks at what stands in a file before anything is written to it."""
    try:
        missing = lacks(path)
    except sqlite3.DatabaseError as error:
        raise _unusable(error, path) from None
    if missing:
        raise UnusableShop(
            f"{path} is not whole: {missing}. Put that file beside it, or go on without with “liftbite check "
            f"--as-it-stands {path}”. {way_out(path)}"
        )
    connection = sqlite3.connect(path, timeout=PATIENCE / 1000)
    try:
        tables = {name for (name,) in connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
        if not tables:
            return
        if not {"alembic_version", "job"} <= tables:
            raise UnusableShop(f"{path} is a database of another program. Name another file in LIFTBITE_DATA.")
        (version,) = connection.execute("SELECT version_num FROM alembic_version").fetchone() or ("none",)
        if version not in versions():
            raise UnusableShop(
                f"{path} was written by a newer Lift Bite (tables {version}; this program knows up to "
                f"{newest_migration()}). Use the newer program. {way_out(path)}"
            )
        found = connection.execute("PRAGMA quick_check(1)").fetchone()[0]
        if found != "ok":
            raise UnusableShop(f"{path} is damaged ({found}). {way_out(path)}")
    except sqlite3.DatabaseError as error:
        raise _unusable(error, path) from None
    finally:
        connection.close()


def _complete(engine: Engine, path: Path) -> None:
    from liftbite.store.models import Base

    with engine.connect() as connection:
        there = {name for (name,) in connection.exec_driver_sql("SELECT name FROM sqlite_master WHERE type = 'table'")}
    missing = sorted(Base.metadata.tables.keys() - there)
    if missing:
        raise UnusableShop(f"{path} is damaged: it has no table “{missing[0]}”. {way_out(path)}")


def _unusable(error: Exception, path: Path) -> UnusableShop:
    """A failure of SQLite as a sentence with the way out."""
    text = str(error).lower()
    if "locked" in text or "busy" in text:
        return UnusableShop(f"{path} is held by another program; end that one, or wait until it is done.")
    if "readonly" in text or "read-only" in text:
        return UnusableShop(f"{path} may only be read; give yourself the right to write it and its folder.")
    if "full" in text:
        return UnusableShop(f"There is no room left on the disk of {path}; make some, nothing was lost.")
    reason = str(getattr(error, "orig", None) or error)
    return UnusableShop(f"{path} is damaged ({reason}). {way_out(path)}")


@contextmanager
def writing(sessions: sessionmaker[Session], who: str = "") -> Iterator[Session]:
    """A session whose block is one transaction: all of it is kept, or nothing.

    It holds the right to write from the start, so nothing it reads can change before it has written. Writes of one
    program take turns in the order they come, and what was written counts only where a job's file can carry it and
    bring it back (`read_back`).

    Parameters
    ----------
    who : the name that stands under what is written

    Raises
    ------
    UnreadableEntry : what was written could not be read back
    Busy : another program held the file for too long
    Crowded : so many writes of this one were before it that its turn did not come
    Full : no room is left
    Replaced : the file is another one than was opened
    """
    check_identity(sessions)
    turns: Turns = sessions.kw["info"]["turns"]
    try:
        turn = contextlib.ExitStack()
        turn.enter_context(turns.one(PATIENCE / 1000))
    except TooMany:
        raise Crowded from None
    with turn, sessions() as session:
        session.info["who"] = who
        try:
            session.connection(execution_options={"writes": True})
            yield session
            session.flush()
            read_back(session)
            session.commit()
        except DBAPIError as error:
            session.rollback()
            raise reason_of(error) from error


def reason_of(error: DBAPIError) -> Exception:
    """What a failure of the file means for whoever waits: `Busy`, `Full`, or the failure itself."""
    text = str(error.orig).lower()
    if "locked" in text or "busy" in text:
        return Busy(text)
    if "full" in text:
        return Full(text)
    return error


def check_identity(sessions: sessionmaker[Session]) -> None:
    """Notices a file put in the place of the one that was opened.

    Raises
    ------
    Replaced : it is another one, or gone
    """
    path, identity = sessions.kw["info"]["opened"]
    if _identity(path) != identity:
        raise Replaced(str(path))


def _identity(path: Path) -> tuple[int, int] | None:
    try:
        there = path.stat()
    except OSError:
        return None
    return there.st_dev, there.st_ino


def close(sessions: sessionmaker[Session]) -> None:
    """Closes the file: what stands in its log goes into it, and the log goes."""
    with contextlib.suppress(DBAPIError, Busy, Crowded, Full, Replaced):
        with sessions() as session:
            mine = state.in_use_since(session).startswith(f"{os.getpid()}@{socket.gethostname()} ")
        if mine:
            with writing(sessions) as session:
                state.mark_closed(session)
    settle(sessions)
    engine: Engine = sessions.kw["bind"]
    engine.dispose()
