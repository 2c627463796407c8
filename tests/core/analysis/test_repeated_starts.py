"""Starts side by side and in a row."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.analysis.launch import Launch, case_of, launch
from liftbite.core.analysis.repeated_starts import RepeatedStarts, repeated_starts, start_kinds
from liftbite.core.graph.graph import Needs
from tests.jobs import CAR, FULL, built


def test_the_kind_entered_is_one_of_the_kinds_shown() -> None:
    build = built(FULL)
    kinds = start_kinds(build, stage=0.0)
    mine = launch(case_of(build, stage=0.0))  # type: ignore[arg-type]
    assert isinstance(kinds["pull_away"], Launch)
    assert kinds["pull_away"].energy == pytest.approx(mine.energy)
    assert kinds["standing"].energy > kinds["pull_away"].energy  # type: ignore[union-attr]


def test_a_row_warms_up_to_where_heat_in_is_heat_out() -> None:
    """The plate's temperature before each start is a geometric series; its limit by hand."""
    build = built(FULL, starts_in_row="60", start_interval="40 s", cooling="9 W/K")
    row = repeated_starts(build, stage=0.0)
    assert isinstance(row, RepeatedStarts)
    assert row.begins.size == 60
    rise = float(row.ends[0] - row.begins[0])
    kept = np.exp(-40 * 9 / (5.5 * 500))
    limit = 353.15 + rise * kept / (1 - kept)
    assert row.begins[0] == pytest.approx(353.15)
    assert np.all(np.diff(row.begins) > -1e-9)
    assert row.begins[-1] == pytest.approx(limit, rel=1e-3)


@pytest.mark.parametrize(("clutch", "engine", "outcome"), [("0.05", "0.6", "never locks"), ("0.9", "0.05", "stalls")])
def test_a_start_that_does_not_lock_ends_the_row(clutch: str, engine: str, outcome: str) -> None:
    row = repeated_starts(built(FULL, start_clutch_share=clutch, start_engine_share=engine), stage=0.0)
    assert isinstance(row, RepeatedStarts)
    assert row.outcome == (outcome,)


def test_what_is_missing_is_named() -> None:
    found = repeated_starts(built(CAR), stage=0.0)
    assert isinstance(found, Needs)
    assert "vehicle_mass" in found.names
