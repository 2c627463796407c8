"""What a customer complains of: its words, and which findings of the bench explain it.

- `complaints_in`   which complaints a text tells of
- `makes`   whether a cause explains a complaint
- `explained_by`   complaint -> the checks whose findings explain it, by the causes both belong to
"""

from __future__ import annotations

import re
from collections.abc import Iterable

from liftbite.core.measure.judgement import Finding
from liftbite.core.prove.causes import CAUSES, COMPLAINTS

#: A cause that makes a complaint less often than this does not explain it [-] [practice].
_EXPLAINS_FROM = 0.1
_PATTERNS = {name: tuple(re.compile(words) for words in told) for name, told in COMPLAINTS.items()}
_BAD = frozenset({"stop", "renew as set", "renew", "dress or resurface", "put right", "reuse and watch"})


#: A word that turns what follows it round, with at most one word between: “does not really slip”.
_NOT = re.compile(r"(\b(not|no|never|without)|n[’']t)\s+(\w+\s+)?$")


def complaints_in(text: str) -> tuple[str, ...]:
    """The complaints a text tells of, every one of them; nothing of what follows not, no or never.

    >>> complaints_in("Slips with the caravan, smell on the last climb")
    ('slips', 'smell')
    >>> complaints_in("The revs climb but the bike does not go"), complaints_in("It does not slip, no noise")
    (('slips', 'no drive'), ())
    """
    told = text.lower().replace("’", "'")
    return tuple(name for name, patterns in _PATTERNS.items() if any(_says(pattern, told) for pattern in patterns))


def _says(pattern: re.Pattern[str], told: str) -> bool:
    return any(not _NOT.search(told[: found.start()]) for found in pattern.finditer(told))


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
