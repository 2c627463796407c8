"""Whole shops on their way out and in: made and read beside the requests, with how far they are.

- `Transfers`   those under way; each has a name of its own and a file beside the shop's
- `Transfer`    one: what it is at, how far, and what became of it
"""

from __future__ import annotations

import logging
import secrets
import shutil
import threading
import time
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from datetime import UTC, datetime
from pathlib import Path
from typing import Literal

from sqlalchemy.orm import Session, sessionmaker

from liftbite.api.waiting import AT_ONCE, wait_long
from liftbite.core.errors import LiftBiteError, UnreadableFile
from liftbite.core.units.preference import Preference, preferring
from liftbite.files.archive import Archive, write_archive
from liftbite.files.job import FiledJob, read_job_file
from liftbite.files.photo import Photo, stored_photo
from liftbite.store.carry import Brought, Decision, bring_shop, count_of_shop, files_of_shop
from liftbite.store.database import Busy, Crowded, Full, Replaced

log = logging.getLogger(__name__)
#: Transfers at once, and those that are kept for whoever comes back to them.
MOST, KEPT = 2, 8
#: How long one that comes in may say nothing before its place is another's [s].
QUIET = 600.0
#: What is left free on the disk, whatever is sent [bytes].
FREE = 256 * 2**20

State = Literal["receiving", "working", "done", "failed"]


class NoSuchTransfer(LiftBiteError):
    """No transfer has this name, or its file is gone."""


@dataclass
class Transfer:
    """A shop on its way out or in.

    Attributes
    ----------
    name : what it goes by
    way : out of this shop, or into it
    path : its file
    state, trouble : how far it is, and why it failed
    done, total : files that are through, of how many
    brought : what was brought, of one that came in
    seen : when it was begun or went on
    """

    name: str
    way: Literal["out", "in"]
    path: Path
    state: State = "receiving"
    trouble: str = ""
    done: int = 0
    total: int = 0
    brought: Brought | None = None
    seen: float = field(default_factory=time.monotonic)
    lock: threading.Lock = field(default_factory=threading.Lock)


class Transfers:
    """Those under way. Their files lie beside the shop's, and go with the program or with whoever is done with them."""

    def __init__(self, shop: Path, sessions: sessionmaker[Session]) -> None:
        self._folder = shop.with_name(f"{shop.name}.transfers")
        self._sessions = sessions
        self._all: dict[str, Transfer] = {}
        self._lock = threading.Lock()
        shutil.rmtree(self._folder, ignore_errors=True)  # of a program that ended

    def begin(self, way: Literal["out", "in"]) -> Transfer:
        """A new one, with an empty file.

        Raises
        ------
        UnreadableFile : as many as may be are under way
        """
        with self._lock:
            now = time.monotonic()
            for left in [t for t in self._all.values() if t.state == "receiving" and now - t.seen > QUIET]:
                self._drop(left)
            busy = [t for t in self._all.values() if t.state in {"receiving", "working"}]
            if len(busy) >= MOST + KEPT or sum(t.state == "working" for t in busy) >= MOST:
                raise UnreadableFile("other archives are on their way; wait until they are through, and begin again")
            for old in [t for t in self._all.values() if t.state in {"done", "failed"}][: -KEPT or None]:
                self._drop(old)
            self._folder.mkdir(mode=0o700, exist_ok=True)
            name = secrets.token_hex(12)
            found = self._all[name] = Transfer(name, way, self._folder / f"{name}.zip")
            found.path.touch(mode=0o600)
        return found

    def of(self, name: str, way: Literal["out", "in"] | None = None) -> Transfer:
        """One by its name.

        Raises
        ------
        NoSuchTransfer : there is none
        """
        found = self._all.get(name)
        if found is None or (way is not None and found.way != way):
            raise NoSuchTransfer
        return found

    def add(self, found: Transfer, at: int, piece: bytes) -> int:
        """A piece of a file that comes in, at its place; how long the file is now.

        Raises
        ------
        UnreadableFile : it does not go on where the file ends, is being read already, or the disk has no room
        """
        with found.lock:
            if found.state != "receiving":
                raise UnreadableFile("this archive is being read already")
            size = found.path.stat().st_size
            if at != size:
                raise UnreadableFile(f"the next piece begins at {size}, not at {at}")
            if shutil.disk_usage(self._folder).free - len(piece) < FREE:
                raise UnreadableFile("the disk has no room for this archive")
            with found.path.open("ab") as file:
                file.write(piece)
            found.seen = time.monotonic()
            return size + len(piece)

    def write(self, found: Transfer) -> None:
        """Writes all of the shop into the file of one that goes out, on a thread of its own."""
        self._run(found, self._write)

    def read(self, found: Transfer, decided: Mapping[str, Decision], who: str, units: Preference) -> None:
        """Brings what came in into the shop, on a thread of its own; again with what was decided since."""
        self._run(found, lambda t: self._read(t, decided, who, units))

    def drop(self, found: Transfer) -> None:
        """Lets one go, with its file; one that is at work ends after the file it is at."""
        with self._lock:
            self._drop(found)

    def stop(self) -> None:
        """Lets all of them go."""
        for found in list(self._all.values()):
            self.drop(found)
        shutil.rmtree(self._folder, ignore_errors=True)

    def _drop(self, found: Transfer) -> None:
        self._all.pop(found.name, None)
        found.path.unlink(missing_ok=True)

    def _run(self, found: Transfer, work: Callable[[Transfer], None]) -> None:
        with found.lock:
            if found.state == "working":
                raise UnreadableFile("it is under way already")
            found.state, found.trouble = "working", ""
        threading.Thread(target=self._worked, args=(found, work), name="transfer", daemon=True).start()

    def _worked(self, found: Transfer, work: Callable[[Transfer], None]) -> None:
        try:
            work(found)
            found.state = "done"
        except (LiftBiteError, OSError, Busy, Crowded, Full, Replaced) as error:
            found.trouble, found.state = str(error) or "the shop's file cannot be written now", "failed"
        except Exception:  # whatever it was, whoever waits is told
            log.exception("a transfer failed")
            found.trouble, found.state = "something went wrong that is not your doing", "failed"

    def _write(self, found: Transfer) -> None:
        with self._sessions() as session, found.path.open("wb") as file:
            found.done, found.total = 0, count_of_shop(session)

            def counted() -> object:
                for name, content, _ in files_of_shop(session):
                    if found.name not in self._all:
                        raise NoSuchTransfer("it was let go")
                    yield name, content
                    found.done += 1

            write_archive(counted(), file)  # type: ignore[arg-type]
            found.total = found.done

    def _read(self, found: Transfer, decided: Mapping[str, Decision], who: str, units: Preference) -> None:
        found.brought = told = Brought()

        def step() -> None:
            found.done, found.total = told.done, told.total
            if found.name not in self._all:
                raise NoSuchTransfer("it was let go")

        with preferring(units), Archive(found.path) as archive:
            bring_shop(
                self._sessions, archive, datetime.now(UTC), read_photo_apart, decided, told, who, read_job_apart, step
            )


def read_photo_apart(data: bytes, name: str) -> Photo:
    """A photo of an archive, read in a process of its own."""
    return wait_long(stored_photo, data, name)


def read_job_apart(data: bytes) -> FiledJob:
    """A job file, read in a process of its own where it is long."""
    return read_job_file(data) if len(data) <= AT_ONCE else wait_long(read_job_file, data)
