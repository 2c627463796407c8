"""Turns at long work: what has to wait holds no thread of the server, keeps its place, and is refused beyond a few.

- `Gate`      lets so many in at once; whoever has to wait is told to come again, and comes in the order they first came
- `NoTurn`    one's turn has not come: how many are before, and when to ask again
- `in_turn`   a view that is long work from its beginning
- `heed_turns`   whose place a request keeps, as its header `Turn` says
"""

from __future__ import annotations

import threading
import time
from collections import OrderedDict
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from functools import wraps
from typing import ParamSpec, TypeVar

from flask import Flask, request

from liftbite.core.errors import LiftBiteError

#: Work that runs at once, and how many may wait for it.
MOST, WAITING = 2, 12
#: When to ask again [s], and how long a place is kept for whoever does not.
AGAIN, KEPT = 1, 8.0
T = TypeVar("T")
P = ParamSpec("P")


class NoTurn(LiftBiteError):
    """One's turn has not come.

    Attributes
    ----------
    before : how many are before
    refused : True where no place is left to wait in
    """

    def __init__(self, before: int, *, refused: bool) -> None:
        what = "So much long work waits that no more is taken on" if refused else "Other long work is under way"
        super().__init__(f"{what}; nothing was changed, and it is asked again in a moment.")
        self.before, self.refused = before, refused


class Gate:
    """Lets so many in at once.

    Parameters
    ----------
    most : at once
    waiting : how many places there are to wait in
    clock : seconds
    """

    def __init__(self, most: int, waiting: int, clock: Callable[[], float] = time.monotonic) -> None:
        self._most, self._places, self._clock = most, waiting, clock
        self._inside = 0
        self._waiting: OrderedDict[str, float] = OrderedDict()
        self._lock = threading.Lock()

    def enter(self, name: str = "") -> None:
        """Goes in, where it is one's turn.

        Parameters
        ----------
        name : whose place it is; without one nobody's place is kept

        Raises
        ------
        NoTurn : it is not
        """
        with self._lock:
            now = self._clock()
            for gone in [each for each, seen in self._waiting.items() if now - seen > KEPT]:
                del self._waiting[gone]
            order = list(self._waiting)
            before = order.index(name) if name in self._waiting else len(order)
            if self._inside + before < self._most:
                self._waiting.pop(name, None)
                self._inside += 1
                return
            if name in self._waiting or (name and len(order) < self._places):
                self._waiting[name] = now
            else:
                raise NoTurn(self._inside + before, refused=len(order) >= self._places)
            raise NoTurn(self._inside + before, refused=False)

    def leave(self) -> None:
        """Goes out."""
        with self._lock:
            self._inside -= 1


gate = Gate(MOST, WAITING)
_name: ContextVar[str] = ContextVar("turn", default="")
_inside: ContextVar[bool] = ContextVar("inside", default=False)


@contextmanager
def turn() -> Iterator[None]:
    """One's turn while a block runs; whoever has it already goes on with it.

    Raises
    ------
    NoTurn : it has not come
    """
    if _inside.get():
        yield
        return
    gate.enter(_name.get())
    token = _inside.set(True)
    try:
        yield
    finally:
        _inside.reset(token)
        gate.leave()


def in_turn(view: Callable[P, T]) -> Callable[P, T]:
    """A view that is long work from its beginning, not only where it hands some over."""

    @wraps(view)
    def taken(*args: P.args, **kwargs: P.kwargs) -> T:
        with turn():
            return view(*args, **kwargs)

    return taken


def heed_turns(app: Flask) -> None:
    """A request that names its place keeps it over the times it is asked."""

    @app.before_request
    def heed() -> None:
        _name.set(request.headers.get("Turn", "")[:64])
