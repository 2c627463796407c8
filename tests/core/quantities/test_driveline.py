"""Shaft, splines and the flywheel joint."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.quantities import driveline, joint
from tests.data import rows
from tests.jobs import built


@pytest.mark.parametrize("row", rows("iso_898_1_stress_areas"), ids=lambda row: row["thread"])
def test_stress_areas_of_iso_898_1(row: dict[str, str]) -> None:
    found = joint.bolt_stress_area(float(row["diameter_mm"]) / 1e3, float(row["pitch_mm"]) / 1e3)
    assert found * 1e6 == pytest.approx(float(row["area_mm2"]), rel=0.004)


@pytest.mark.parametrize("row", rows("iso_898_1_proof_loads"), ids=lambda row: f"{row['thread']} {row['class']}")
def test_proof_loads_of_iso_898_1(row: dict[str, str]) -> None:
    found = joint.bolt_proof_load(float(row["area_mm2"]) / 1e6, float(row["proof_strength_mpa"]) * 1e6)
    assert found == pytest.approx(float(row["proof_load_n"]), rel=0.005)


def test_the_shaft_shears_where_torsion_says() -> None:
    """τ = 16T/(πd³) at the limit equals 0.577·σ_y over the shock factor."""
    torque = driveline.shaft_torque_limit(0.0255, 950e6, 1.5)
    assert 16 * torque / (np.pi * 0.0255**3) == pytest.approx(0.577 * 950e6 / 1.5)


def test_low_preload_for_slip_nominal_preload_for_proof() -> None:
    slip = joint.joint_slip_torque(8.0, joint.low_preload(40e3, 0.3, 0.0), 0.12, 0.076, 0.0)
    assert slip == pytest.approx(8 * 40e3 * 0.7 * 0.12 * 0.038)
    assert joint.proof_margin(60e3, 40e3, 0.0) == pytest.approx(1.5)


def test_an_angle_after_a_snug_torque_is_set_by_stretch_and_ends_at_yield() -> None:
    """[memory: Shigley, joint stiffness]: 22 lb-ft + 90° on M10 10.9 is no joint of 22 lb-ft."""
    area, snug = joint.bolt_stress_area(0.010, 0.00125), 29.8
    yields = joint.bolt_yield_load(joint.bolt_proof_load(area, 830e6))
    alone = joint.bolt_preload(snug, 0.2, 0.010, 0.0, 0.00125, area, 0.03, yields)
    some = joint.bolt_preload(snug, 0.2, 0.010, np.radians(10), 0.00125, area, 0.03, yields)
    turned = joint.bolt_preload(snug, 0.2, 0.010, np.radians(90), 0.00125, area, 0.03, yields)
    bolt = 206e9 * area / 0.03
    assert some - alone == pytest.approx(10 / 360 * 0.00125 / (1 / bolt + 1 / (4 * bolt)))
    assert turned == pytest.approx(yields)
    assert joint.low_preload(turned, 0.3, np.radians(90)) == pytest.approx(0.8 * yields)
    assert np.isinf(joint.proof_margin(48e3, turned, np.radians(90)))


def test_a_thread_a_class_and_torque_with_angle_are_typed_as_one_text() -> None:
    joint = {
        "layout": "dry_car",
        "bolt_diameter": "M10 x 1.25",
        "bolt_proof_strength": "10.9",
        "bolt_torque": "22 lb-ft + 90°",
    }
    build = built(joint)
    assert build.known["bolt_pitch"] == pytest.approx(0.00125)
    assert build.known["bolt_proof_strength"] == pytest.approx(830e6)
    assert build.known["bolt_angle"] == pytest.approx(np.pi / 2)
    assert build.known["bolt_torque"] == pytest.approx(22 * 1.3558179483)
    assert build.entries["bolt_pitch"].typed == "M10 x 1.25"
    assert built(joint, bolt_pitch="1.5 mm").known["bolt_pitch"] == pytest.approx(0.0015), "what is typed itself wins"
    assert built(joint, bolt_torque="44 lb-ft").known["bolt_angle"] == 0.0
    unified = built(joint, bolt_diameter="7/16-20").known
    assert unified["bolt_diameter"] == pytest.approx(7 / 16 * 0.0254)
    assert unified["bolt_pitch"] == pytest.approx(0.0254 / 20)


@pytest.mark.parametrize(
    ("torque", "thread", "strength", "share"),
    [
        (12.0, "M6", "8.8", 0.86),
        (18.8 * 1.3558, "M8", "8.8", 0.75),
        (37 * 1.3558, "M10", "8.8", 0.75),
        (35 * 1.3558, "M8", "8.8", 1.40),
        (31 * 1.3558, "3/8-16", "grade 5", 0.75),
    ],
)
def test_plausible_torques_go_by_thread_and_class(torque: float, thread: str, strength: str, share: float) -> None:
    """Share of proof at K 0.20; common practice, no source."""
    build = built(
        {"layout": "dry_car"}, bolt_diameter=thread, bolt_proof_strength=strength, bolt_torque=f"{torque:.3f} N·m"
    )
    v = build.evaluate(("bolt_preload", "bolt_proof_load"))
    assert v["bolt_preload"] / v["bolt_proof_load"] == pytest.approx(share, abs=0.02)
