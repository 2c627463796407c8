"""Searches that run beside the requests.

- `Run`, `Runs`   a search on its way, and those of the application
- `RunState`      how one stands
- `NoSuchFind`    one that is not kept any more
"""

from __future__ import annotations

import itertools
import logging
import threading
import time
from collections import OrderedDict
from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any, Literal

from liftbite.core.errors import LiftBiteError
from liftbite.core.find.combinations import FinderPart
from liftbite.core.find.finder import Candidates, search
from liftbite.core.job.ledger import Entry
from liftbite.whole.own_process import Send, Work

#: How a search stands.
RunState = Literal["running", "finished", "cancelled", "failed"]
log = logging.getLogger(__name__)
#: How long a search may be silent [s].
_LIMIT = 300.0
#: How often a search tells what it found so far [s].
_SEEN_EVERY = 0.1


class NoSuchFind(LiftBiteError):
    """No search of this number is kept any more."""


@dataclass
class Run:
    """A search on its way."""

    number: int
    job: int
    shelf: Mapping[str, list[FinderPart]]
    ids: Mapping[str, Mapping[str, int]]
    total: int
    all_four: bool = True
    state: RunState = "running"
    trouble: str | None = None
    cancelled: threading.Event = field(default_factory=threading.Event)
    found: Candidates | None = None
    process: Work[Candidates] | None = None

    def work(self, entries: Mapping[str, Entry], stage: float) -> None:
        """Searches in a process of its own; what was found so far can be looked at while it does."""
        try:
            self.process = Work(_search, entries, self.shelf, stage, self.all_four)
            for _, found in self.process.parts(_LIMIT):
                self.found = found
                if self.cancelled.is_set():
                    break
            self.state = "finished" if self.found and self.found.complete else "cancelled"
        except Exception as error:
            if self.cancelled.is_set():
                self.state = "cancelled"
                return
            log.exception("search %d of job %d failed", self.number, self.job)
            self.state, self.trouble = "failed", f"The finder failed: {error}"

    def cancel(self) -> None:
        """Ends it; what it found so far stays."""
        self.cancelled.set()
        if self.process is not None:
            self.process.stop()


def _search(
    send: Send, entries: Mapping[str, Entry], shelf: Mapping[str, list[FinderPart]], stage: float, all_four: bool
) -> Candidates:
    """The core's search, which sends what it found so far now and then."""
    last = time.monotonic()

    def see(found: Candidates) -> None:
        nonlocal last
        if time.monotonic() - last > _SEEN_EVERY:
            send(found)
            last = time.monotonic()

    return search(entries, shelf, stage=stage, all_four=all_four, seen=see)


class Runs:
    """The searches of this application, the oldest forgotten; a new one of a job ends the one before."""

    def __init__(self, most: int = 8) -> None:
        self.most = most
        self._runs: OrderedDict[int, Run] = OrderedDict()
        self._numbers = itertools.count(1)
        self._lock = threading.Lock()

    def start(self, job: int, *begun: Any, **more: Any) -> Run:
        """Keeps a new `Run` of a job; one of the same job that still runs is cancelled."""
        with self._lock:
            for old in self._runs.values():
                if old.job == job and old.state == "running":
                    old.cancel()
            run = Run(next(self._numbers), job, *begun, **more)
            self._runs[run.number] = run
            while len(self._runs) > self.most:
                self._runs.popitem(last=False)
        return run

    def get(self, number: int) -> Run:
        """A run by its number."""
        run = self._runs.get(number)
        if run is None:
            raise NoSuchFind(str(number))
        return run
