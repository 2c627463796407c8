"""Wear by the heat of starts."""

from __future__ import annotations

import pytest

from liftbite.core.arrangements.facing_pair import alike
from liftbite.core.quantities import wear


def test_wear_there_and_back() -> None:
    per_start = alike.wear_per_start(5e-14, 30e3, 0.025)
    starts = wear.starts_to_limit(0.0014, 0.0002, per_start)
    assert starts * per_start + 0.0002 == pytest.approx(0.0014)
    assert wear.distance_to_limit(starts, 0.0005) == pytest.approx(starts * 2000)
