"""In which units sentences are written: both, or one system alone.

- `PREFERENCES`   what a shop may prefer
- `wanted`, `prefer`, `preferring`   what is preferred here and now

Figures go out in both systems anyway, and whoever shows them picks; a sentence is written once, in the units preferred
where it is written: by request, by thread, by command.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from contextvars import ContextVar
from typing import Literal

from liftbite.core.units.show import System

Preference = Literal["both", "metric", "inch"]

#: What a shop may prefer, in words; it begins with both.
PREFERENCES: Mapping[Preference, str] = {"both": "Metric + inch", "metric": "Metric", "inch": "Inch"}

_wanted: ContextVar[Preference] = ContextVar("units", default="both")


def wanted() -> tuple[System, ...]:
    """The systems a sentence is written in, the first one first.

    >>> wanted()
    ('metric', 'inch')
    """
    found = _wanted.get()
    return ("metric", "inch") if found == "both" else (found,)


def prefer(preference: Preference) -> None:
    """From here on, in this thread."""
    _wanted.set(preference)


@contextmanager
def preferring(preference: Preference) -> Iterator[None]:
    """Within a block.

    >>> with preferring("inch"):
    ...     wanted()
    ('inch',)
    """
    before = _wanted.set(preference)
    try:
        yield
    finally:
        _wanted.reset(before)
