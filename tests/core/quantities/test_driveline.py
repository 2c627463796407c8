"""Shaft, splines and the flywheel joint."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.quantities import driveline
from tests.data import rows


@pytest.mark.parametrize("row", rows("iso_898_1_stress_areas"), ids=lambda row: row["thread"])
def test_stress_areas_of_iso_898_1(row: dict[str, str]) -> None:
    found = driveline.bolt_stress_area(float(row["diameter_mm"]) / 1e3, float(row["pitch_mm"]) / 1e3)
    assert found * 1e6 == pytest.approx(float(row["area_mm2"]), rel=0.004)


@pytest.mark.parametrize("row", rows("iso_898_1_proof_loads"), ids=lambda row: f"{row['thread']} {row['class']}")
def test_proof_loads_of_iso_898_1(row: dict[str, str]) -> None:
    found = driveline.bolt_proof_load(float(row["area_mm2"]) / 1e6, float(row["proof_strength_mpa"]) * 1e6)
    assert found == pytest.approx(float(row["proof_load_n"]), rel=0.005)


def test_the_shaft_shears_where_torsion_says() -> None:
    """τ = 16T/(πd³) at the limit equals 0.577·σ_y over the shock factor."""
    torque = driveline.shaft_torque_limit(0.0255, 950e6, 1.5)
    assert 16 * torque / (np.pi * 0.0255**3) == pytest.approx(0.577 * 950e6 / 1.5)


def test_low_preload_for_slip_nominal_preload_for_proof() -> None:
    slip = driveline.joint_slip_torque(8.0, 40e3, 0.3, 0.12, 0.076, 0.0)
    assert slip == pytest.approx(8 * 40e3 * 0.7 * 0.12 * 0.038)
    assert driveline.proof_margin(60e3, 40e3) == pytest.approx(1.5)
