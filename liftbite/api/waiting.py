"""Requests that wait for long work, which goes on in a process of its own.

- `wait_for`   what work comes to, where its turn has come
- `wait_long`   the same for a thread of one's own that may wait
- `by_size`    at once where there is little to read, else in a process of its own
- `AT_ONCE`, `LIMIT`   how much is little; how long a request waits
"""

from __future__ import annotations

import threading
from collections.abc import Callable
from typing import Any, TypeVar

from liftbite.api.turns import turn
from liftbite.whole.own_process import result_of

#: Size up to which a file is worked out where it was asked for, in some hundredths of a second [characters].
AT_ONCE = 100_000
#: How long a request waits for its work [s].
LIMIT = 60.0
_one_by_one = threading.Lock()
T = TypeVar("T")


def wait_for(work: Callable[..., T], *args: Any, limit: float = LIMIT) -> T:
    """What a function of a module comes to, worked out in a process of its own, where its turn has come.

    Raises
    ------
    NoTurn : other work is under way; ask again
    TooLong, Broken : as `Work.parts`
    Exception : what the work raised
    """
    with turn():
        return result_of(work, args, limit)


def wait_long(work: Callable[..., T], *args: Any) -> T:
    """The same for a thread that is no request's: it waits until those like it are through.

    Raises
    ------
    TooLong, Broken : as `Work.parts`
    Exception : what the work raised
    """
    with _one_by_one:
        return result_of(work, args, LIMIT)


def by_size(size: int, work: Callable[..., T], *args: Any) -> T:
    """What a function comes to: at once where it has little to read, else in a process of its own.

    Parameters
    ----------
    size : of what it reads [characters or bytes]

    Raises
    ------
    NoTurn, TooLong, Broken : as `wait_for`

    >>> by_size(3, len, "log")
    3
    """
    return work(*args) if size <= AT_ONCE else wait_for(work, *args)
