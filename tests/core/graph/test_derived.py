"""Quantities along a state: what is read off it is worked out once, for one job as for many."""

from __future__ import annotations

from collections import Counter

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.errors import OutOfRange
from liftbite.core.graph.derived import Course, along, inverse
from liftbite.core.graph.graph import Graph, within

STIFF = st.floats(0.1, 10.0)


def height(time, speed, bend):  # type: ignore[no-untyped-def]
    return time * speed + bend * time**3 * within(np.greater(speed, 0), "speed", speed, "above", 0.0)


def weight(height):  # type: ignore[no-untyped-def]
    return height * (7.0 - height)


def course() -> Course:
    return Course(Graph([height, weight]), over="time", until="most", points=41)


@given(speed=STIFF, bend=STIFF, goal=st.floats(-1.0, 30.0), most=st.floats(0.5, 3.0))
def test_one_is_turned_round_as_many_are(speed: float, bend: float, goal: float, most: float) -> None:
    """From two points of the course, or from its ends: the same root, and the ends where there is none between."""
    when = inverse("when", course(), of="height", equals="goal")
    single = when(bend, goal, most, speed)
    assert isinstance(single, float)
    (many,) = when(np.array([bend]), goal, most, speed)
    assert single == pytest.approx(many, rel=1e-7, abs=1e-8)
    if 0 < goal < height(most, speed, bend):
        assert height(single, speed, bend) == pytest.approx(goal, rel=1e-8, abs=1e-9)
    else:
        assert single == (0.0 if goal <= 0 else most)


@given(speed=STIFF, bend=STIFF, most=st.floats(0.5, 3.0), beyond=st.booleans())
def test_a_highest_of_one_is_that_of_many_and_of_the_whole(
    speed: float, bend: float, most: float, beyond: bool
) -> None:
    def highest(near: bool):  # type: ignore[no-untyped-def]
        return along(
            "highest",
            course(),
            of=["weight"],
            take=lambda v: v["weight"].max(axis=-1),
            near=(lambda v: v["weight"].argmax(axis=-1)) if near else None,
        )

    single, whole = highest(True)(bend, most, speed), highest(False)(bend, most, speed)
    (many,) = highest(True)(np.array([bend]), most, speed)
    assert single == pytest.approx(many, rel=1e-12)
    times = np.linspace(0.0, most, 41)
    assert single == pytest.approx(whole) == pytest.approx(weight(height(times, speed, bend)).max())


def test_what_several_are_read_off_is_worked_out_once() -> None:
    calls: Counter[str] = Counter()

    def counted(time, speed):  # type: ignore[no-untyped-def]
        calls["counted"] += 1
        return time * speed

    one = Course(Graph([counted]), over="time", until="most", points=11)
    high = along("high", one, of=["counted"], take=lambda v: v["counted"].max(axis=-1))
    low = along("low", one, of=["counted", "time"], take=lambda v: v["counted"].min(axis=-1) + v["time"][..., 0])
    assert (high(4.0, 2.0), low(4.0, 2.0), high(4.0, 2.0)) == (8.0, 0.0, 8.0)
    assert calls["counted"] == 1
    assert high(4.0, 3.0) == 12.0
    assert calls["counted"] == 2


def test_a_line_can_be_read_by_all_and_changed_by_none() -> None:
    line = course().line("height", {"most": 2.0, "speed": 1.0, "bend": 0.0})
    with pytest.raises(ValueError, match="read-only"):
        line[0] = 1.0


def test_an_impossible_figure_is_refused_each_time_and_masked_among_many() -> None:
    when = inverse("when", course(), of="height", equals="goal")
    for _ in range(2):
        with pytest.raises(OutOfRange):
            when(1.0, 2.0, 3.0, -1.0)
    found = when(1.0, 2.0, 3.0, np.array([-1.0, 1.0]))
    assert np.isnan(found[0])
    assert np.isfinite(found[1])
