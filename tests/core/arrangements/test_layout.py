"""What turns with the engine, by layout."""

from __future__ import annotations

import pytest

from liftbite.core.arrangements.layout import engine_through_primary


def test_a_motorcycles_crank_counts_by_the_ratio_squared() -> None:
    crank = 0.012 * (1.75 * 300) ** 2 / 2
    assert engine_through_primary.engine_inertia(0.012, 0.0, 1.75) * 300**2 / 2 == pytest.approx(crank)
