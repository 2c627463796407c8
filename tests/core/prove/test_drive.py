"""Gears and slip of a drive, against drives whose slip is known row by row."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest

from liftbite.core.prove.drive import drive_of, gears_of
from liftbite.core.prove.logger import FAULTS, simulated
from liftbite.core.prove.road_log import RoadLog
from liftbite.core.quantities.torque_curve import Array
from tests.core.prove.vehicles import vehicle


def truly(log: RoadLog, slip: Array, least: float = 0.03, lasts: float = 0.2) -> list[tuple[float, float]]:
    """Where the simulated clutch slipped by more than `least` for longer than `lasts`: begin and length [s]."""
    over = np.diff(np.concatenate([[0], (slip > least).astype(int), [0]]))
    runs = zip(np.flatnonzero(over > 0), np.flatnonzero(over < 0), strict=True)
    return [(log.time[a], (b - a) / log.rate) for a, b in runs if (b - a) / log.rate >= lasts]


@pytest.mark.parametrize("rate", [20.0, 50.0, 100.0])
@pytest.mark.parametrize("known", [True, False])
def test_every_slip_is_found_and_nothing_else(rate: float, known: bool) -> None:
    log, slip = simulated(vehicle(), "slip", minutes=10, rate=rate, seed=11)
    wanted = truly(log, slip)
    found = [s for s in drive_of(log, vehicle().ratios if known else ()).stretches if s.kind == "slip"]
    assert len(wanted) > 5
    for begin, lasted in wanted:
        near = [s for s in found if abs(s.time - begin) < 0.4]
        assert near, f"slip at {begin:.1f} s for {lasted:.2f} s was not seen"
    for s in found:
        assert any(abs(s.time - begin) < 0.4 for begin, _ in truly(log, slip, 0.015, 0.1)), f"no slip at {s.time:.1f} s"


@pytest.mark.parametrize("fault", sorted(set(FAULTS) - {"slip", "slip_hot"}))
def test_a_clutch_that_holds_raises_no_alarm(fault: str) -> None:
    log, slip = simulated(vehicle(), fault, minutes=20, rate=50, seed=4)
    assert truly(log, slip) == []
    kinds = [s.kind for s in drive_of(log, vehicle().ratios).stretches]
    assert "slip" not in kinds
    assert kinds.count("start") > 15
    assert kinds.count("shift") > 30


@pytest.mark.parametrize("wheels", [0.98, 1.0, 1.02])
def test_gears_are_found_whatever_the_wheels_size(wheels: float) -> None:
    log, _ = simulated(vehicle(), minutes=10, seed=2)
    log = replace(log, output=log.output * wheels)
    for known in (vehicle().ratios, ()):
        gears = gears_of(log, known)
        assert np.array(gears.ratios) * wheels == pytest.approx(np.array(vehicle().ratios), rel=0.004)
    scale = gears_of(log, vehicle().ratios).scale
    assert scale is not None
    assert scale == pytest.approx(wheels, abs=0.003)


def test_a_shaft_instead_of_the_road_gives_the_gears_too() -> None:
    log, _ = simulated(vehicle(), minutes=10, seed=2)
    shaft = replace(log, output=log.output * 3.9 / 0.31, of_road=False)
    ratios = gears_of(shaft).ratios
    assert ratios == pytest.approx((3.4, 1.95, 1.36, 1.05, 0.82), rel=0.01)


def test_a_log_of_standing_still_has_no_gear_and_no_slip() -> None:
    time = np.arange(0, 60, 0.02)
    still = RoadLog(time, np.full(time.size, 90.0), np.zeros(time.size), None, True, (), 50.0)
    found = drive_of(still)
    assert (found.gears.ratios, found.stretches) == ((), ())


def test_without_a_throttle_slip_is_found_by_the_speeds_alone() -> None:
    log, slip = simulated(vehicle(), "slip", minutes=10, seed=11)
    blind = replace(log, throttle=None)
    found = [s for s in drive_of(blind).stretches if s.kind == "slip"]
    for begin, _ in truly(log, slip):
        assert any(abs(s.time - begin) < 0.4 for s in found)


@pytest.mark.trust
def test_ten_hours_of_healthy_driving_raise_no_alarm() -> None:
    """Noise of a usual logger and wheels 2 % off, ten hours of starts, shifts and runs at every throttle."""
    alarms = starts = 0
    for hour in range(10):
        log, _ = simulated(vehicle(), "none", minutes=60, rate=50, seed=100 + hour)
        found = drive_of(replace(log, output=log.output * (1.02 if hour % 2 else 0.98)), vehicle().ratios).stretches
        alarms += sum(s.kind == "slip" for s in found)
        starts += sum(s.kind == "start" for s in found)
    print(f"10 h of healthy driving, {starts} starts: {alarms} false alarms")
    assert alarms == 0
    assert starts > 500


@pytest.mark.trust
@pytest.mark.parametrize("slips", [0.80, 0.90, 0.96])
def test_slip_from_three_hundredths_for_a_fifth_of_a_second_is_found(slips: float) -> None:
    tried = missed = 0
    for seed in range(6):
        log, slip = simulated(vehicle(), "slip", minutes=30, rate=50, seed=seed, slips=slips)
        found = [s for s in drive_of(log, vehicle().ratios).stretches if s.kind == "slip"]
        for begin, _ in truly(log, slip):
            tried += 1
            missed += not any(abs(s.time - begin) < 0.5 for s in found)
    print(f"holds {slips:.2f} of the peak: {tried} times slipped, {missed} not seen")
    assert tried > 20
    assert missed == 0
