"""Air the figures were corrected to."""

from __future__ import annotations

import pytest

from liftbite.core.arrangements.air import corrected as air_corrected
from tests.jobs import CAR, built


def test_corrected_figures_are_taken_back_to_the_densest_day() -> None:
    """[memory: SAE J1349, revision of 2011]: 1030 hPa and 0 °C give cf ≈ 0.906, about 10 % more than the figures."""
    assert 1 / air_corrected.air_gain(103_000.0, 273.0) == pytest.approx(0.906, abs=0.001)
    assert air_corrected.air_gain(99_000.0, 298.0) == pytest.approx(1.0)
    plain = built(CAR).evaluate(("peak_engine_torque",))["peak_engine_torque"]
    dense = built(CAR, air="corrected").evaluate(("peak_engine_torque",))["peak_engine_torque"]
    assert dense / plain == pytest.approx(1.10, abs=0.01)
