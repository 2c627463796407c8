"""The front of a search: what nothing beats, however its rows come."""

from __future__ import annotations

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.find.finder import STEPS
from liftbite.core.find.front import merged, non_dominated


def beaten(rows: np.ndarray, i: int) -> bool:  # type: ignore[type-arg]
    return any(np.all(r >= rows[i]) and np.any(r > rows[i]) for r in rows)


@given(st.lists(st.tuples(*[st.integers(0, 5)] * 3), min_size=1, max_size=60))
def test_the_front_is_what_nothing_beats(points: list[tuple[int, int, int]]) -> None:
    rows = np.array(points, dtype=np.float64)
    np.testing.assert_array_equal(non_dominated(rows), [not beaten(rows, i) for i in range(len(rows))])


def test_the_front_of_thousands_is_the_same_whichever_way_they_come() -> None:
    """More rows than are held against each other at once, put together piece by piece as the finder does."""
    steps = np.array(list(STEPS.values()))
    rows = np.random.default_rng(7).integers(0, 9, (3000, len(steps))) * steps
    front, names = np.empty((0, len(steps))), np.empty(0, dtype=np.int64)
    for start in range(0, len(rows), 700):
        found = np.arange(start, min(start + 700, len(rows)))
        places = merged(front, rows[found], steps)
        front, names = np.vstack([front, rows[found]])[places], np.append(names, found)[places]
    whole = {tuple(r) for r in np.unique(rows, axis=0)[non_dominated(np.unique(rows, axis=0))]}
    assert {tuple(r) for r in front} == whole
    assert len(front) == len(whole)
    np.testing.assert_array_equal(rows[names], front)
    few = np.unique(rows, axis=0)[:300]
    np.testing.assert_array_equal(non_dominated(few), [not beaten(few, i) for i in range(len(few))])
