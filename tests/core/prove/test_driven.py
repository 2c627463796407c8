"""Torque, heat and margin of a drive against what the simulated clutch did."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest

from liftbite.core.job.build import build_of
from liftbite.core.prove.driven import drive_sentence, driven, driven_working, friction_driven
from liftbite.core.prove.logger import simulated
from tests.core.prove.vehicles import GEARED, car, vehicle
from tests.jobs import CAR, entries


def test_a_clutch_that_slips_tells_what_it_holds() -> None:
    held = 0.86 * float(vehicle().curve.torque.max())
    log, _ = simulated(vehicle(), "slip", minutes=10, seed=3)
    found = driven(car(), log)
    assert found.holds is not None
    low, middle, high = found.holds
    assert middle == pytest.approx(held, rel=0.02)
    assert low < held < high
    for event in found.slips:
        assert event.torque is not None
        assert event.sides[1] == pytest.approx(held, rel=0.12), "the vehicle's side alone, less sure"


def test_the_friction_it_measured_makes_the_job_hold_as_much() -> None:
    """Entered as friction, it gives back the torque that was measured."""
    log, _ = simulated(vehicle(), "slip", minutes=10, seed=3)
    found = driven(car(), log)
    assert found.holds is not None
    measured = build_of(entries(GEARED, **friction_driven(found)))
    holds = measured.evaluate(("holdable_engine_torque",), friction=0.0)["holdable_engine_torque"]
    assert holds == pytest.approx(found.holds[1], rel=0.005)


def test_the_heat_of_slip_is_torque_times_speed_apart() -> None:
    """By hand, from the simulated rows themselves."""
    log, slip = simulated(vehicle(), "slip", minutes=10, seed=3, noise=0.0)
    held = 0.86 * float(vehicle().curve.torque.max())
    found = driven(car(), log)
    for event in found.slips:
        rows = slice(event.stretch.begin, event.stretch.end)
        line = log.engine[rows] / (1 + slip[rows])
        by_hand = float(np.trapezoid(held * (log.engine[rows] - line), log.time[rows]))
        assert event.heat is not None
        assert event.heat[1] == pytest.approx(by_hand, rel=0.06)


def test_the_heat_of_a_start_is_near_the_launch_integrators() -> None:
    """The same start by the integrator: the clutch's torque ramped as the simulated driver's, speeds held alike."""
    log, _ = simulated(vehicle(), "none", minutes=5, seed=3, noise=0.0)
    starts = [e for e in driven(car(), log).events if e.stretch.kind == "start"]
    assert len(starts) > 3
    for event in starts:
        assert event.heat is not None
        rows = slice(event.stretch.begin, event.stretch.end)
        apart = np.abs(log.engine[rows] - log.output[rows] * vehicle().ratios[0])
        ratio, mass = vehicle().ratios[0], vehicle().mass
        force = mass * 1.04 * np.gradient(log.output[rows], log.time[rows]) + mass * 9.81 * 0.015
        by_hand = float(np.trapezoid(np.maximum(force, 0) / (ratio * 0.91) * apart, log.time[rows]))
        assert event.heat[1] == pytest.approx(by_hand, rel=0.1)
        assert 500 < event.heat[1] < 20e3, "a gentle start of a car is some kilojoules"


def test_a_hot_clutch_that_fades_slips_warm_and_holds_less() -> None:
    log, _ = simulated(vehicle(), "slip_hot", minutes=10, seed=3)
    found = driven(car(), log)
    assert found.slips
    assert found.hottest is not None
    first = found.events[0].hottest
    assert first is not None
    assert found.hottest > first


def test_a_job_that_knows_neither_engine_nor_vehicle_says_only_that_it_slipped() -> None:
    log, _ = simulated(vehicle(), "slip", minutes=5, seed=11)
    found = driven(build_of(entries({"layout": "dry_car", "job_name": CAR["job_name"]})), log)
    assert found.slips
    assert all(e.torque is None and e.heat is None for e in found.slips)
    assert (found.holds, friction_driven(found)) == (None, {})
    assert drive_sentence(found)[0].startswith("Slipped")


def test_a_part_throttle_leaves_the_engines_side_unsaid() -> None:
    log, _ = simulated(vehicle(), "slip", minutes=10, seed=3)
    assert log.throttle is not None
    found = driven(car(), replace(log, throttle=log.throttle * 0.8))
    assert all(e.sides[0] is None for e in found.slips)
    assert all(e.sides[1] is not None for e in found.slips)


def test_what_is_said_of_a_healthy_drive_and_of_other_tyres() -> None:
    healthy, _ = simulated(vehicle(), minutes=5)
    assert drive_sentence(driven(car(), healthy))[0].startswith("No slip in")
    tyres, _ = simulated(vehicle(), "tyre", minutes=10)
    assert "smaller than the job's tyre" in drive_sentence(driven(car(), tyres))[0]


def test_the_working_shows_the_sums_and_what_nobody_logged() -> None:
    log, _ = simulated(vehicle(), "slip", minutes=10, seed=3)
    found = driven(car(), log)
    lines = driven_working(found, 0.3)
    assert any("grade within" in line and "[practice]" in line for line in lines)
    assert found.holds is not None
    assert found.expected is not None
    held, expected = found.holds[1], found.expected[1]
    assert f"= {0.3 * held / expected:.3f}" in lines[-1]
    assert len(driven_working(driven(car(), simulated(vehicle(), minutes=3)[0]), 0.3)) == 1


def test_wheels_of_another_size_change_what_is_held_by_little() -> None:
    """The gear is the job's own; only the road's acceleration is logged too small or too large."""
    log, _ = simulated(vehicle(), "slip", minutes=10, seed=3)
    holds = [driven(car(), replace(log, output=log.output * wheels)).holds for wheels in (0.98, 1.0, 1.02)]
    middles = [h[1] for h in holds if h is not None]
    assert len(middles) == 3
    assert max(middles) / min(middles) < 1.02
