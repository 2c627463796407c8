"""How long the steps of the work take in this shop.

- `minutes_learned`    step -> how long it takes, kept until some hundred lines more were said
- `minutes_of_steps`   the same, worked out anew
"""

from __future__ import annotations

from collections import defaultdict
from threading import Lock

from sqlalchemy.orm import Session

from liftbite.core.fit.step_names import step_now
from liftbite.core.prove.learned import Learned, learned_from, step_minutes
from liftbite.store import learned as store

#: So many lines of the record later, what was learned is worked out anew.
_FRESH = 200
_kept: dict[str, tuple[int, dict[str, Learned]]] = {}
_lock = Lock()


def minutes_learned(session: Session) -> dict[str, Learned]:
    """Step -> how long it takes in this shop; looked at again after some hundred lines of the record."""
    shop, now = str(session.get_bind().engine.url), store.newest_line(session) // _FRESH
    with _lock:
        if shop not in _kept or _kept[shop][0] != now:
            _kept.clear()
            _kept[shop] = now, minutes_of_steps(session)
        return _kept[shop][1]


def minutes_of_steps(session: Session) -> dict[str, Learned]:
    """Step -> how long it takes in this shop, worked out anew."""
    by_step: dict[str, list[float]] = defaultdict(list)
    for ticks in store.step_ticks(session).values():
        for key, minutes in step_minutes(ticks).items():
            by_step[step_now(key)].append(minutes)
    return {key: found for key, minutes in by_step.items() if (found := learned_from(minutes))}
