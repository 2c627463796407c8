"""All combinations of a shelf of parts against a brief: which hold, which are worth a look, what excludes the rest.

- `Candidates`   the combinations worth a look and what excluded the others
- `search`     evaluates every combination, in chunks of bounded memory
- `STEPS`     how far two combinations have to be apart to be two

What a combination misses is worked out in `combinations`, which of them are worth a look in `front`.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass
from itertools import product
from typing import Any

import numpy as np

from liftbite.core.find.combinations import OBJECTIVES, Combinations, FinderPart, Shelf
from liftbite.core.find.front import merged
from liftbite.core.job.build import build_of
from liftbite.core.job.ledger import Entry
from liftbite.core.quantities.torque_curve import Array

#: So many are worked out at once; the first are fewer, so that something is seen soon.
CHUNK, _FIRST = 65_536, 8_192


@dataclass(frozen=True, eq=False)
class Candidates:
    """What a search found.

    Attributes
    ----------
    total, kept : combinations evaluated, and those that pass every limit
    front : the non-dominated ones: slot -> part name, objective -> value
    excluded : limit -> how many it excludes, each counted at the first limit it fails
    unseen : objectives that could not be worked out from brief and shelf
    complete : False where it was cancelled
    """

    total: int
    kept: int
    front: list[dict[str, Any]]
    excluded: dict[str, int]
    unseen: tuple[str, ...]
    complete: bool


#: Steps in which objectives are told apart: what is closer than this is equal to a builder.
STEPS: Mapping[str, float] = {
    "bite": 0.05,
    "lift": 0.05,
    "effort": 5.0,
    "inertia": 0.005,
    "heat": 0.25,
    "price": 10.0,
}
_STEPS = np.array([STEPS[objective] for objective in OBJECTIVES])


def _groups(shelf: Shelf) -> Iterator[dict[str, list[FinderPart]]]:
    """The shelf split so that within each piece all parts of a slot bring the same options."""
    split = []
    for parts in shelf.values():
        by_options: dict[tuple[tuple[str, str], ...], list[FinderPart]] = {}
        for part in parts:
            by_options.setdefault(tuple(sorted(part.options.items())), []).append(part)
        split.append(list(by_options.values()))
    for pieces in product(*split):
        yield dict(zip(shelf, pieces, strict=True))


def _chunks(count: int) -> Iterator[range]:
    """All places, a chunk at a time, each twice as many as the one before until they are `CHUNK`.

    >>> [len(some) for some in _chunks(100_000)]
    [8192, 16384, 32768, 42656]
    """
    start, size = 0, _FIRST
    while start < count:
        yield range(start, min(start + size, count))
        start, size = start + size, min(2 * size, CHUNK)


def search(
    brief: Mapping[str, Entry],
    shelf: Shelf,
    *,
    stage: float = 1.0,
    all_four: bool = False,
    progress: Callable[[int, int], bool] | None = None,
    seen: Callable[[Candidates], None] | None = None,
) -> Candidates:
    """Evaluates every combination of one part from each slot.

    Parameters
    ----------
    brief : entries of the job; parts override what they bring
    shelf : slot -> parts
    stage : engine as it is (0) or as planned (1)
    all_four : True to keep only what is good in Bite, Lift, Heat and True alike, not just what works
    progress : called with done and total after each chunk; returning False cancels
    seen : called after each chunk with what was found so far
    """
    total = int(np.prod([len(parts) for parts in shelf.values()], dtype=np.int64)) if shelf else 0
    done = kept = 0
    excluded: Counter[str] = Counter()
    unseen: set[str] = set()
    names: list[dict[str, str]] = []
    rows = np.empty((0, len(OBJECTIVES)))
    for piece in _groups(shelf):
        options = {c: o for parts in piece.values() for c, o in parts[0].options.items()}
        build = build_of({**brief, **{c: Entry(c, o) for c, o in options.items()}})
        combinations = Combinations(build, piece, stage, all_four=all_four)
        for some in _chunks(combinations.count):
            passed = combinations.passed(some)
            excluded.update(passed.excluded)
            unseen |= passed.unseen
            kept += len(passed.rows)
            if len(passed.rows):
                places = merged(rows, passed.rows, _STEPS)
                names = [
                    names[k] if k < len(rows) else combinations.parts_of(int(passed.at[k - len(rows)])) for k in places
                ]
                rows = np.vstack([rows, passed.rows])[places]
            done += len(some)
            if seen is not None:
                seen(_candidates(done, kept, names, rows, excluded, unseen, complete=False))
            if progress is not None and not progress(done, total):
                return _candidates(done, kept, names, rows, excluded, unseen, complete=False)
    return _candidates(done, kept, names, rows, excluded, unseen, complete=True)


def _candidates(
    done: int,
    kept: int,
    names: list[dict[str, str]],
    rows: Array,
    excluded: Counter[str],
    unseen: set[str],
    *,
    complete: bool,
) -> Candidates:
    front = [
        {
            **name,
            **{o: sign * float(v) for (o, sign), v in zip(OBJECTIVES.items(), row, strict=True) if o not in unseen},
        }
        for name, row in zip(names, rows, strict=True)
    ]
    return Candidates(done, kept, front, {k: v for k, v in excluded.items() if v}, tuple(sorted(unseen)), complete)
