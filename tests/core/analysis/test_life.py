"""The life of the facings and what ends it."""

from __future__ import annotations

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
