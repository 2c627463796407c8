"""What a customer complains of: its words, and which findings of the bench explain it.

- `complaints_in`   which complaints a text tells of
- `makes`   whether a cause explains a complaint
- `explained_by`   complaint -> the checks whose findings explain it, by the causes both belong to
"""

from __future__ import annotations

from collections.abc import Iterable

from liftbite.core.measure.judgement import Finding
from liftbite.core.prove.causes import CAUSES, COMPLAINTS

#: A cause that makes a complaint less often than this does not explain it [-] [practice].
_EXPLAINS_FROM = 0.1
_BAD = frozenset({"stop", "renew as set", "renew", "dress or resurface", "put right", "reuse and watch"})


def complaints_in(text: str) -> tuple[str, ...]:
    """The complaints a text tells of.

    >>> complaints_in("Slips with the caravan, smell on the last climb")
    ('slips', 'smell')
    """
    told = text.lower()
    return tuple(name for name, words in COMPLAINTS.items() if any(word in told for word in words))


def explained_by(complaints: Iterable[str], findings: Iterable[Finding]) -> dict[str, tuple[str, ...]]:
    """Complaint -> the checks whose findings explain it: those that speak for a cause that makes it.

    An empty row stays unexplained.
    """
    bad = [f for f in findings if f.verdict in _BAD]
    return {
        complaint: tuple(f.check for f in bad if any(makes(cause, complaint) for cause in f.causes))
        for complaint in complaints
        if complaint in COMPLAINTS
    }


def makes(cause: str, complaint: str) -> bool:
    """True where a cause makes a complaint often enough to explain it."""
    return CAUSES[cause].shows.get(complaint, 0.0) >= _EXPLAINS_FROM
