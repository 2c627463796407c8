"""Engine over road by hand: gear times final times primary over the tyre's radius."""

from __future__ import annotations

import pytest

from liftbite.core.job.build import build_of
from liftbite.core.prove.gearing import primary_of, ratios_of
from liftbite.core.prove.logger import simulated, vehicle_of, written
from liftbite.core.prove.road_log import read_log
from tests.core.prove.vehicles import car
from tests.jobs import FULL, MOTORCYCLE, entries


def test_a_cars_gears_by_hand() -> None:
    assert ratios_of(car()) == pytest.approx([gear * 3.9 / 0.31 for gear in (3.4, 1.95, 1.36, 1.05, 0.82)])
    assert primary_of(car()) == 1.0


def test_a_motorcycles_primary_counts() -> None:
    bike = build_of(entries(MOTORCYCLE, tyre_radius="310 mm", final_ratio="2.8", gear_ratios="2.6; 1.0"))
    assert primary_of(bike) == pytest.approx(70 / 40)
    assert ratios_of(bike) == pytest.approx([gear * 2.8 * 1.75 / 0.31 for gear in (2.6, 1.0)])


def test_gears_nobody_entered_are_guessed_and_said_in_the_file() -> None:
    vehicle = vehicle_of(build_of(entries(FULL)))
    assert ratios_of(build_of(entries(FULL))) == ()
    assert any("of the one entered" in line for line in vehicle.guessed)
    log, _ = simulated(vehicle, minutes=0.5)
    text = written(log, vehicle.guessed)
    assert text.startswith("# simulated, with gears at")
    assert read_log(text.encode()).time.size == log.time.size
    assert vehicle_of(car()).guessed == ()
