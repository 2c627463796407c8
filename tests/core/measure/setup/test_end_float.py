"""Shims that take up an end float."""

from __future__ import annotations

from itertools import combinations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.job.build import build_of
from liftbite.core.measure.setup import CALCULATIONS
from liftbite.core.measure.setup.end_float import shims_for_float
from tests.core.measure.setup.steps import found, taken, told
from tests.jobs import CAR, FULL, entries


@given(end=st.floats(0, 2e-3), shims=st.lists(st.floats(5e-5, 1e-3), max_size=6))
def test_shims_never_take_more_than_the_float(end: float, shims: list[float]) -> None:
    pieces, left = shims_for_float(end, shims)
    assert left >= -1e-9
    assert left == pytest.approx(end - sum(shims[i] for i in pieces), abs=1e-12)
    every = [end - sum(c) for n in range(len(shims) + 1) for c in combinations(shims, n)]
    assert left <= min(v for v in every if v >= -1e-9) + 1e-8


@pytest.mark.parametrize(
    ("shims", "says"),
    [
        ({}, "Measure the shims at hand"),
        ({"Shim 1": 0.5}, "no shim at hand is thin enough"),
        ({"Shim 1": 0.2, "Shim 2": 0.1}, "Shim 1 and Shim 2 take the end float to 0 mm"),
        ({"Shim 1": 0.25}, "Shim 1 takes the end float to 0.05 mm"),
    ],
)
def test_what_an_end_float_says(shims: dict[str, float], says: str) -> None:
    assert says in told("end_float", CAR, end_float={"Once": 0.3}, retainer_shims=shims).sentence
    assert found("end_float", CAR, retainer_shims=shims) is None


@pytest.mark.parametrize(
    ("behind", "left", "verdict"),
    [
        ("none", "0.3 mm", "put right"),
        ("1", "0.1 mm", "put right"),
        ("2", "nil", "reuse"),
        ("1+2", "clamped", "put right"),
    ],
)
def test_the_shims_that_are_in_decide(behind: str, left: str, verdict: str) -> None:
    """End float 0.30 mm with shims of 0.20 and 0.30 mm: only the second alone is nil."""
    readings = {"end_float": taken({"Once": 0.30}), "retainer_shims": taken({"Shim 1": 0.20, "Shim 2": 0.30})}
    calculation = CALCULATIONS["end_float"]
    told = calculation.tell(calculation.work_out(build_of(entries(FULL)), readings, {"behind": behind}))
    assert told.verdict == verdict
    assert left in told.sentence
