"""Starts side by side and in a row."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.analysis.repeated_starts import RepeatedStarts, repeated_starts, start_kinds
from liftbite.core.graph.graph import Needs
from liftbite.core.quantities.launch_case import Launch
from tests.jobs import CAR, FULL, built


def test_the_kind_entered_is_one_of_the_kinds_shown() -> None:
    build = built(FULL)
    kinds = start_kinds(build, stage=0.0)
    mine = build.evaluate(("start_run",))["start_run"]
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


@pytest.mark.parametrize(
    ("changes", "outcome"),
    [
        ({"grade": "60 %", "vehicle_mass": "3500 kg"}, "never locks"),
        ({"start": "dropped", "start_engine_speed": "700 rpm"}, "stalls"),
    ],
)
def test_a_start_that_does_not_lock_ends_the_row(changes: dict[str, str], outcome: str) -> None:
    row = repeated_starts(built(FULL, **changes), stage=0.0)
    assert isinstance(row, RepeatedStarts)
    assert row.outcome == (outcome,)


def test_what_is_missing_is_named() -> None:
    found = repeated_starts(built(CAR), stage=0.0)
    assert isinstance(found, Needs)
    assert "vehicle_mass" in found.names
