"""Kinds of fields that requests and files share.

- `Finite`, `Count`   a number that is one, and one that counts
- `Money`, `Hours`, `Share`, `Named`   what the sums of a shop are made of
- `Words`, `Short`    text that can be stored
- `Moment`, `moment_of`   when something was
"""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Annotated

from pydantic import AfterValidator, Field, StringConstraints


def storable(text: str) -> str:
    """The text, where it can be stored.

    Raises
    ------
    ValueError : it holds a null character, or half of a pair that stands for one
    """
    if "\x00" in text or any("\ud800" <= c <= "\udfff" for c in text):
        raise ValueError("holds a character that cannot be stored")
    return text


def moment_of(text: str) -> datetime:
    """A moment as files write it, in UTC; one without a zone is taken as UTC.

    Raises
    ------
    ValueError : it is none, or none that a job can have been worked on

    >>> moment_of("2026-03-01T10:30:00+01:00").isoformat()
    '2026-03-01T09:30:00+00:00'
    """
    try:
        found = datetime.fromisoformat(text)
        found = found.replace(tzinfo=UTC) if found.tzinfo is None else found.astimezone(UTC)
    except (ValueError, OverflowError):
        found = None
    if found is None or not _FIRST <= found.year < _LAST:
        raise ValueError(f"“{text[:40]}” is no moment from {_FIRST} to {_LAST}; write 2026-03-01T09:30:00Z")
    return found


def _moment(text: str) -> str:
    moment_of(text)
    return text


_FIRST, _LAST = 1970, 2200
Words = Annotated[str, AfterValidator(storable)]
#: A figure or a name as typed: one line of it.
Short = Annotated[Words, Field(max_length=80)]
Moment = Annotated[str, Field(max_length=40), AfterValidator(_moment)]
#: A number that counts: revisions, lines.
Count = Annotated[int, Field(strict=True, ge=1, le=2**53)]
Finite = Annotated[float, Field(strict=True, allow_inf_nan=False)]
#: Money and hours of a shop's sums, a share, the name of a part: as requests and files take them.
Money = Annotated[Finite, Field(ge=0, lt=1e9)]
Hours = Annotated[Finite, Field(ge=0, le=1e6)]
Share = Annotated[Finite, Field(ge=0, le=1)]
Named = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80), AfterValidator(storable)]
