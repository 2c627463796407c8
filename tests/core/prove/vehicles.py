"""Vehicles the tests drive."""

from __future__ import annotations

from functools import cache

from liftbite.core.job.build import Build, build_of
from liftbite.core.prove.logger import Vehicle, vehicle_of
from tests.jobs import FULL, entries

GEARED = FULL | {"gear_ratios": "3.4; 1.95; 1.36; 1.05; 0.82"}


@cache
def car() -> Build:
    return build_of(entries(GEARED))


@cache
def vehicle() -> Vehicle:
    return vehicle_of(car())
