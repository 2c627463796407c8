"""Rows no other row beats in everything, out of millions that come piece by piece.

- `non_dominated`   the rows no other row beats in everything
- `merged`         those of a front and of rows that are new, where what differs by less than a step is equal
"""

from __future__ import annotations

from typing import Any, TypeAlias

import numpy as np
import numpy.typing as npt

Mask: TypeAlias = npt.NDArray[np.bool_]
Places: TypeAlias = npt.NDArray[np.intp]
#: Rows of figures, of which more is better.
Rows: TypeAlias = npt.NDArray[np.floating[Any]]

#: Rows held against others at once, and how many of the others are tried first.
_BLOCK, _STRONGEST = 512, 64


def non_dominated(rows: Rows) -> Mask:
    """Mask of the rows that no other row equals or beats in every column and beats in one; more is better.

    >>> non_dominated(np.array([[1.0, 2.0], [2.0, 1.0], [1.0, 1.0]]))
    array([ True,  True, False])
    """
    order = np.argsort(-rows.sum(axis=1), kind="stable")  # no row is beaten by one with a smaller sum
    front = np.empty((0, rows.shape[1]))
    mask = np.zeros(len(rows), dtype=bool)
    for start in range(0, len(rows), _BLOCK):
        at = order[start : start + _BLOCK]
        at = at[~_beaten(rows[at], front)]
        at = at[~_beaten(rows[at], rows[at])]
        mask[at] = True
        front = np.vstack([front, rows[at]])
    return mask


def _beaten(rows: Rows, by: Rows) -> Mask:
    """Mask of `rows` that some row of `by` equals or beats in every column and beats in one.

    The strongest of `by` beat most of what is beaten at all; only what they leave is held against all.
    """
    mask = np.zeros(len(rows), dtype=bool)
    strongest = by[np.argsort(-by.sum(axis=1))[:_STRONGEST]]
    for start in range(0, len(rows), _BLOCK):
        at = np.arange(start, min(start + _BLOCK, len(rows)))
        for among in (strongest, by) if len(by) > _STRONGEST else (by,):
            lost = _beaten_at_once(rows[at], among)
            mask[at[lost]] = True
            at = at[~lost]
    return mask


def _beaten_at_once(rows: Rows, by: Rows) -> Mask:
    if not len(rows) or not len(by):
        return np.zeros(len(rows), dtype=bool)
    at_least = by[:, 0] >= rows[:, :1]
    for column in range(1, rows.shape[1]):
        at_least &= np.ascontiguousarray(by[:, column]) >= rows[:, column, None]
    first = at_least.argmax(axis=1)
    covered = at_least[np.arange(len(rows)), first]
    beaten: Mask = covered & np.any(by[first] > rows, axis=1)
    doubt = covered & ~beaten  # the first is its equal; another may still beat it
    better = np.zeros((np.count_nonzero(doubt), len(by)), dtype=bool)
    for column in range(rows.shape[1]):
        better |= np.ascontiguousarray(by[:, column]) > rows[doubt, column, None]
    beaten[doubt] = np.any(at_least[doubt] & better, axis=1)
    return beaten


def merged(front: Rows, found: Rows, steps: Rows) -> Places:
    """Places, in the rows of both one after the other, of those that are the front of both.

    Parameters
    ----------
    front : rows of which none beats another
    found : rows that are new; more is better in every column
    steps : how far two rows have to be apart in a column to be two; of those that are one, the first stands

    >>> merged(np.array([[3.0, 1.0]]), np.array([[1.0, 3.0], [1.2, 3.1], [2.0, 1.0]]), np.array([1.0, 1.0]))
    array([0, 1])
    """
    had = len(front)
    stepped = np.floor(np.vstack([front, found]) / steps).astype(np.float32)  # whole numbers: exact, in half the room
    new = _distinct(stepped)
    new = new[new >= had]
    new = new[~_beaten(stepped[new], stepped[:had])]
    new = new[non_dominated(stepped[new])]
    return np.append(np.flatnonzero(~_beaten(stepped[:had], stepped[new])), new)


def _distinct(rows: Rows) -> Places:
    """Places of the first of every row, in order; whole numbers are told apart as one number a row where they fit.

    >>> _distinct(np.array([[1.0, 2.0], [3.0, 2.0], [1.0, 2.0]]))
    array([0, 1])
    """
    low = rows.min(axis=0)
    spans = rows.max(axis=0) - low + 1
    if np.prod(spans) < 2**62:  # not so where one is infinite
        whole = tuple((rows - low).astype(np.int64).T)
        _, first = np.unique(np.ravel_multi_index(whole, tuple(spans.astype(np.int64))), return_index=True)
    else:
        _, first = np.unique(rows, axis=0, return_index=True)
    return np.sort(first)
