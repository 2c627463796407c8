"""The life of the facings and what ends it."""

from __future__ import annotations

import pytest

from liftbite.core.analysis.life import Life, life
from tests.jobs import FULL, PULLED, built


def test_a_pulled_cover_is_not_ended_by_the_bearing() -> None:
    found = life(built(FULL, **PULLED, bearing_reserve="0.1 mm"), stage=0, friction=-1)
    assert isinstance(found, Life)
    assert "bearing" not in dict(found.ends)


def test_a_pushed_one_is() -> None:
    found = life(built(FULL, bearing_reserve="0.1 mm"), stage=0, friction=-1)
    assert isinstance(found, Life)
    ratio = float(built(FULL).evaluate(("release_lever_ratio",))["release_lever_ratio"])
    assert abs(dict(found.ends)["bearing"] - 0.1e-3 / ratio) < 1e-12


def test_a_twins_floater_wants_new_shims_within_the_life() -> None:
    """0.045 in of lift, 0.022 in at the stands, buttons: 0.284 mm of inner wear leave the outer disc its least gaps."""
    twin = built(FULL, disc_count="2", cushion_travel="0 mm", floater_clearance="0.022 in", facing_depth="1 mm")
    found = life(twin, stage=0, friction=0.0)
    assert isinstance(found, Life)
    expected = float(twin.evaluate(("reshim_wear",))["reshim_wear"])
    assert found.shims_at == pytest.approx(expected)
    assert "floater" not in dict(found.ends), "a service, not an end"
    single = life(built(FULL), stage=0, friction=0.0)
    assert isinstance(single, Life)
    assert single.shims_at is None
