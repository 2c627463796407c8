"""A fast upshift with a restrictor in the line and without, against the closed form of two inertias."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.analysis.upshift import Upshift, upshift
from liftbite.core.graph.graph import Needs
from tests.jobs import FULL, built

GEARS = {"gear_ratios": "3.4; 2.0; 1.4", "tyre_grip": "3"}


def test_taking_the_restrictor_out_saves_what_it_slipped() -> None:
    without = upshift(built(FULL, **GEARS), stage=0.0)
    with_one = upshift(built(FULL, **GEARS, restrictor_time="0.5 s"), stage=0.0)
    assert isinstance(without, Upshift)
    assert isinstance(with_one, Upshift)
    assert without.held_back is None
    assert with_one.held_back is not None
    assert with_one.free.energy == pytest.approx(without.free.energy)
    assert float(with_one.held_back.energy) > 1.1 * float(with_one.free.energy)
    assert float(with_one.held_back.slip_time) > float(with_one.free.slip_time)


def test_a_shift_closes_the_step_of_the_gears() -> None:
    """Less than if all of the step's speed were taken against full load at the clutch's capacity from the first moment;
    more than the two inertias alone have to give: ½·I_e·I_v/(I_e + I_v)·Δω², from memory of Shigley.
    """
    build = built(FULL, **GEARS)
    found = upshift(build, stage=0.0)
    assert isinstance(found, Upshift)
    v = build.evaluate(("engine_inertia", "vehicle_inertia", "gearbox_side_inertia", "torque_capacity"), gear_ratio=2.0)
    engine, rest = v["engine_inertia"], v["vehicle_inertia"] + v["gearbox_side_inertia"]
    step = 7000 * np.pi / 30 * (1 - 2.0 / 3.4)
    alone = engine * rest / (engine + rest) * step**2 / 2
    assert found.free.outcome == "locks"
    assert alone < float(found.free.energy) < 4 * alone
    assert float(found.free.end_speed) == pytest.approx(float(found.free.end_vehicle))


def test_what_a_shift_waits_for() -> None:
    assert isinstance(upshift(built(FULL), stage=0.0), Needs)
    assert isinstance(upshift(built(FULL, gear_ratios="3.4"), stage=0.0), Needs)
