"""Bolts in order: sequences for any count, and where each stands on its circle.

- `star`        opposite to opposite, never neighbours in turn
- `read_sequence`, `sequence_faults`   one somebody typed, and what is wrong with it
- `places_on`   where the holes of a circle stand
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from functools import lru_cache
from itertools import pairwise
from math import cos, gcd, pi, sin

from liftbite.core.errors import UnreadableEntry

#: Most bolts of a circle.
MOST = 36


@lru_cache(maxsize=64)
def star(count: int) -> tuple[int, ...]:
    """The sequence bolts of a circle are tightened in, numbered round it from 1.

    Opposite to opposite and never neighbours in turn, where a circle of that count has such an order; an odd count goes
    by the step nearest half of it that shares no factor with it. Source: [practice].

    Raises
    ------
    ValueError : fewer than three bolts, or more than 36

    >>> star(6), star(5)
    ((1, 4, 2, 5, 3, 6), (1, 3, 5, 2, 4))
    """
    if not 3 <= count <= MOST:
        raise ValueError(f"{count} bolts are no circle of 3 to {MOST}")
    if count % 2:
        steps = sorted(range(1, count - 1), key=lambda s: (s == 1, abs(s - count / 2), s))
        step = next(s for s in steps if gcd(s, count) == 1)
        return tuple((n * step) % count + 1 for n in range(count))
    half = count // 2
    order = _pairs((0,), half, count)
    return tuple(place % count + 1 for first in order for place in (first, first + half))


def _pairs(begun: tuple[int, ...], half: int, count: int) -> tuple[int, ...]:
    """Opposite pairs by their first bolt, so that no bolt follows its neighbour; any order where there is none such."""
    found = _search(begun, half, count)
    return found if found is not None else (*begun, *range(1, half))


def _search(begun: tuple[int, ...], half: int, count: int) -> tuple[int, ...] | None:
    if len(begun) == half:
        return begun
    last = (begun[-1] + half) % count
    taken = {b % half for b in begun}
    quarter = half / 2
    choices = [p for p in range(count) if p % half not in taken]
    # a cross first: the pair a quarter round from the last one pulls evenly
    for place in sorted(choices, key=lambda p: (abs((p - begun[-1]) % half - quarter), p)):
        if (place - last) % count in {1, count - 1}:
            continue
        found = _search((*begun, place), half, count)
        if found is not None:
            return found
    return None


def places_on(
    count: int, diameter: float, angles: Sequence[float] = (), start: float = 0.0
) -> list[tuple[float, float]]:
    """Where the holes of a circle stand, x to the right and y up, from its centre, in the unit of `diameter`.

    Parameters
    ----------
    count : how many, evenly round where no angles are given
    angles : clockwise from the top [rad], one for each
    start : of the first one, clockwise from the top [rad]

    >>> [round(v, 6) + 0.0 for v in places_on(4, 100.0)[1]]
    [50.0, 0.0]
    """
    turned = list(angles) or [start + 2 * pi * n / count for n in range(count)]
    return [(diameter / 2 * sin(a), diameter / 2 * cos(a)) for a in turned]


def read_sequence(typed: str) -> tuple[int, ...]:
    """A sequence that was typed: numbers with spaces, commas or dashes between.

    Raises
    ------
    UnreadableEntry : something in it is no number of a bolt

    >>> read_sequence("1-4, 2 5 3 6")
    (1, 4, 2, 5, 3, 6)
    """
    parts = [part for part in re.split(r"[\s,;>–-]+", typed.strip()) if part]
    wrong = [part for part in parts if not (part.isascii() and part.isdigit() and 0 < int(part) <= MOST)]
    if wrong or not parts:
        raise UnreadableEntry(f"Sequence: “{(wrong or [typed])[0]}” is no bolt; write it as “1 4 2 5 3 6”")
    return tuple(map(int, parts))


def sequence_faults(sequence: Sequence[int], count: int) -> list[str]:
    """What is wrong with a sequence for a circle of so many bolts, a sentence each; nothing where it is sound.

    >>> sequence_faults((1, 2, 4, 5, 3, 3), 6)
    ['bolt 6 is left out', 'bolt 3 comes twice', '1 and 2 are neighbours in a row', '4 and 5 are neighbours in a row']
    """
    faults = [f"bolt {n} is left out" for n in range(1, count + 1) if n not in sequence]
    faults += [f"bolt {n} comes twice" for n in dict.fromkeys(sequence) if sequence.count(n) > 1]
    faults += [f"there is no bolt {n}" for n in dict.fromkeys(sequence) if n > count]
    if count > 4:
        near = ((a, b) for a, b in pairwise(sequence) if (a - b) % count in {1, count - 1})
        faults += [f"{a} and {b} are neighbours in a row" for a, b in near]
    return faults
