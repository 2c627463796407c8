"""Turns at writing: whoever asks first writes first, and nobody waits for ever.

- `Turns`   one at a time, in the order they came
- `TooMany` it took too long until one's turn came
"""

from __future__ import annotations

import threading
from collections import deque
from collections.abc import Iterator
from contextlib import contextmanager


class TooMany(Exception):
    """Others write, and one's turn did not come in time."""


class Turns:
    """Lets one in at a time, in the order they came; SQLite alone lets in whoever asks at the right moment."""

    def __init__(self) -> None:
        self._lock = threading.Lock()
        self._waiting: deque[threading.Event] = deque()
        self._taken = False

    @contextmanager
    def one(self, patience: float) -> Iterator[None]:
        """One's turn while a block runs.

        Parameters
        ----------
        patience : how long it is waited for [s]

        Raises
        ------
        TooMany : it did not come in that time
        """
        self._wait(patience)
        try:
            yield
        finally:
            self._leave()

    def _wait(self, patience: float) -> None:
        with self._lock:
            if not self._taken:
                self._taken = True
                return
            turn = threading.Event()
            self._waiting.append(turn)
        if turn.wait(patience):
            return
        with self._lock:
            if turn.is_set():  # it came at the last moment
                return
            self._waiting.remove(turn)
        raise TooMany

    def _leave(self) -> None:
        with self._lock:
            if self._waiting:
                self._waiting.popleft().set()
            else:
                self._taken = False
