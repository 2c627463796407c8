"""Whatever a job plans is ticked off somewhere: a part no step of the library takes gets a step."""

from __future__ import annotations

import pytest

from liftbite.core.fit.case import Case, answered
from liftbite.core.fit.part_steps import steps_of_parts
from liftbite.core.fit.plan import Plan, plan_of
from liftbite.core.job.parts import CAR, PARTS, fated


def planned(kind: str, part: str, fate: str, *more: str) -> Plan:
    case = answered(Case({"kind": kind}, True, False, True, False, 1, "", {part: fate}, {}), {"kind": kind})
    return plan_of(case, steps_of_parts(case, plan_of(case), [part] if fate == "renewed" else more))


def takers(plan: Plan, part: str) -> list[str]:
    taken = {part, PARTS[part].on}
    return [p.key for p in plan.steps if taken & set(p.step.parts) and p.step.stretch not in ("before", "down")]


@pytest.mark.parametrize("kind", ["in_line", "transverse", "rear_engine", "torque_tube", "engine_out", "bench"])
def test_every_part_that_is_renewed_is_put_in_by_some_step(kind: str) -> None:
    assert [part.key for part in fated(CAR) if not takers(planned(kind, part.key, "renewed"), part.key)] == []


def test_what_goes_in_inside_goes_in_before_the_gearbox_does() -> None:
    plan = planned("in_line", "input_bearing", "renewed")
    assert "gearbox_out" in plan.before["in:input_bearing"]
    assert "in:input_bearing" in plan.before["prove_gearbox"]


def test_the_shops_own_part_is_put_in_before_the_last_look() -> None:
    plan = planned("in_line", "disc", "stays", "Speed sensor")
    assert plan.by_key["in:Speed sensor"].step.title == "Fit: Speed sensor"
    assert "in:Speed sensor" in plan.before["final_look"]


def test_what_stays_dressed_is_dressed_and_what_is_left_out_comes_out() -> None:
    assert "dress:ring_gear" in planned("in_line", "ring_gear", "dressed").before["flywheel_on"]
    assert "out:pilot" in planned("in_line", "pilot", "left_out").before["prove_gearbox"]
    assert "slave_out" in planned("in_line", "slave", "left_out").by_key
    assert "out:slave" not in planned("in_line", "slave", "left_out").by_key
    flywheel = planned("in_line", "flywheel", "dressed").by_key
    assert ("flywheel_sent" in flywheel, "dress:flywheel" in flywheel) == (True, False)
