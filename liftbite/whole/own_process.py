"""Long work in a process of its own, so that the server answers others meanwhile.

- `Work`      a piece of work under way: what it sends, how it ends, how it is stopped
- `result_of`   what a function of a module comes to in one
- `warm`       begins what such processes are forked from
- `TooLong`, `Broken`   it took longer than it may; its process ended before it did

Only functions of modules and what can be pickled go over. A search, the list's lines and archives, which nobody waits
for, are bounded by their own owners; what requests wait for takes turns (`api/waiting.py`).
"""

from __future__ import annotations

import multiprocessing
from collections.abc import Callable, Iterator
from multiprocessing import forkserver
from multiprocessing.connection import Connection
from typing import Any, Concatenate, Generic, ParamSpec, TypeAlias, TypeVar

from liftbite.core.errors import LiftBiteError

# a server that forks clean children: quick to begin, and no thread of this process is in them
_processes = multiprocessing.get_context("forkserver")
_processes.set_forkserver_preload(["__main__", "liftbite.api.preload"])


def warm() -> None:
    """Begins the server that processes are forked from, so that the first one does not wait for its imports."""
    forkserver.ensure_running()


class TooLong(LiftBiteError):
    """Work was ended because it took longer than it may."""


class Broken(LiftBiteError):
    """The process of a piece of work ended before the work did."""


#: Sends something on the way; what is sent has to be pickled.
Send: TypeAlias = Callable[[Any], None]
T = TypeVar("T")
P = ParamSpec("P")


def _run(pipe: Connection, work: Callable[..., Any], args: tuple[Any, ...]) -> None:
    try:
        result = work(lambda part: pipe.send(("part", part)), *args)
    except Exception as error:  # whatever it is, it is raised where the work was asked for
        pipe.send(("error", error))
    else:
        pipe.send(("result", result))


class Work(Generic[T]):
    """A piece of work in a process of its own.

    Parameters
    ----------
    work : a function of a module; its first argument sends what is to be seen on the way
    args : the rest
    """

    def __init__(self, work: Callable[Concatenate[Send, P], T], *args: P.args, **_: P.kwargs) -> None:
        self._here, there = _processes.Pipe(duplex=False)
        self._process = _processes.Process(target=_run, args=(there, work, args), daemon=True)
        self._process.start()
        there.close()

    @property
    def pid(self) -> int | None:
        """The number of its process."""
        return self._process.pid

    def parts(self, limit: float | None = None) -> Iterator[tuple[str, Any]]:
        """What it sends: ("part", …) on the way, at last ("result", …).

        Raises
        ------
        TooLong : nothing came for `limit` [s]
        Broken : the process ended, or was stopped
        Exception : what the work raised
        """
        try:
            while True:
                if not self._here.poll(limit):
                    raise TooLong(f"This takes longer than {limit:.0f} s, and was ended; nothing was changed.")
                kind, sent = self._here.recv()
                if kind == "error":
                    raise sent
                yield kind, sent
                if kind == "result":
                    return
        except (EOFError, OSError):
            raise Broken(
                "The process this ran in ended before it was done; nothing was changed. Try it again."
            ) from None
        finally:
            self.stop()

    def stop(self) -> None:
        """Ends it at once, whatever it is at."""
        self._process.kill()
        self._process.join()


def _whole(_: Send, work: Callable[..., Any], args: tuple[Any, ...]) -> Any:
    return work(*args)


def result_of(work: Callable[..., T], args: tuple[Any, ...], limit: float) -> T:
    """What a function of a module comes to, worked out in a process of its own.

    Raises
    ------
    TooLong, Broken : as `Work.parts`
    Exception : what the work raised
    """
    *_, (_, found) = Work(_whole, work, args).parts(limit)
    result: T = found
    return result
