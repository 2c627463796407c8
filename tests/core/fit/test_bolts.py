"""Sequences against brute force, and holes where geometry has them."""

from __future__ import annotations

from itertools import pairwise, permutations
from math import cos, hypot, pi, sin, tau

import numpy as np
import pytest

from liftbite.core.fit.bolts import places_on, star


def neighbours(order: tuple[int, ...]) -> int:
    count = len(order)
    return sum((a - b) % count in {1, count - 1} for a, b in pairwise(order))


@pytest.mark.parametrize("count", range(3, 37))
def test_every_bolt_is_tightened_once(count: int) -> None:
    assert sorted(star(count)) == list(range(1, count + 1))


@pytest.mark.parametrize("count", [5, *range(6, 37)])
def test_neighbours_never_follow_each_other(count: int) -> None:
    assert neighbours(star(count)) == 0


@pytest.mark.parametrize("count", [3, 4, 5, 6, 7, 8])
def test_no_order_at_all_has_fewer_neighbours(count: int) -> None:
    """By brute force over every order; three and four bolts have none without."""
    best = min(neighbours((1, *rest)) for rest in permutations(range(2, count + 1)))
    assert neighbours(star(count)) <= max(best, 1 if count == 4 else best)


@pytest.mark.parametrize("count", range(4, 37, 2))
def test_each_pair_is_opposite_and_its_pull_balances(count: int) -> None:
    order = star(count)
    for first, second in zip(order[::2], order[1::2], strict=True):
        assert abs(first - second) == count // 2
        pull = [np.exp(1j * tau * (n - 1) / count) for n in (first, second)]
        assert abs(sum(pull)) == pytest.approx(0, abs=1e-12)


@pytest.mark.parametrize("count", [2, 37, 0, -4])
def test_what_is_no_circle_is_refused(count: int) -> None:
    with pytest.raises(ValueError, match="no circle"):
        star(count)


@pytest.mark.parametrize("count", [3, 6, 8])
def test_holes_stand_on_their_circle_evenly(count: int) -> None:
    places = places_on(count, 76.0)
    assert [hypot(x, y) for x, y in places] == pytest.approx([38.0] * count)
    chord = [hypot(a[0] - b[0], a[1] - b[1]) for a, b in zip(places, [*places[1:], places[0]], strict=True)]
    assert chord == pytest.approx([76.0 * sin(pi / count)] * count)


def test_an_indexed_circle_has_its_angles() -> None:
    x, y = places_on(2, 100.0, [0.0, pi / 3])[1]
    assert (x, y) == pytest.approx((50 * sin(pi / 3), 50 * cos(pi / 3)))
