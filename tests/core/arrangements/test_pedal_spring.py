"""Springs at the pedal: by the work they store, the way back, and a stroke that begins with no pressure."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.analysis.stroke import Stroke, stroke
from liftbite.core.arrangements.pedal_spring import over_centre
from liftbite.core.job.build import build_of
from liftbite.core.verdicts.lift import lift_verdict
from liftbite.core.verdicts.words import verdict_sentence
from tests.jobs import FULL, entries

ASSISTED = {
    "pedal_spring": "over_centre",
    "assist_force": "900 N",
    "assist_rate": "8 N/mm",
    "assist_arm": "50 mm",
    "assist_anchor": "110 mm",
    "assist_centre": "30 mm",
    "pedal_arm": "300 mm",
    "pedal_return_force": "0 N",
}


def stroke_of(**changes: str) -> Stroke:
    found = stroke(build_of(entries(FULL, **changes)))
    assert isinstance(found, Stroke)
    return found


@given(travel=st.floats(0, 0.15), centre=st.floats(0.01, 0.08), rate=st.floats(1e3, 3e4), force=st.floats(50, 2000))
def test_an_over_centre_spring_gives_what_its_travel_takes_from_it(
    travel: float, centre: float, rate: float, force: float
) -> None:
    """Virtual work: the force at the pad is the slope of the energy the spring holds, by central differences."""
    arm, anchor, pedal = 0.05, 0.11, 0.3

    def held(at: float) -> float:
        length = np.sqrt(arm**2 + anchor**2 - 2 * arm * anchor * np.cos((at - centre) / pedal))
        out = length - (anchor - arm)
        free = force / rate
        return 0.5 * rate * max(free - out, 0.0) ** 2

    step = 1e-6
    slope = (held(travel + step) - held(travel - step)) / (2 * step)
    assert over_centre.pedal_spring(0.0, travel, force, rate, arm, anchor, centre, pedal) == pytest.approx(
        slope, rel=1e-3, abs=0.05
    )


def test_an_assist_spring_holds_the_pedal_up_and_then_helps_it_down() -> None:
    plain, helped = stroke_of(pedal_return_force="0 N"), stroke_of(**ASSISTED)
    assert helped.effort[0] > plain.effort[0]
    assert helped.effort[-1] < plain.effort[-1]
    work = [float(np.trapezoid(s.effort, s.pedal)) for s in (plain, helped)]
    assert helped.pedal[-1] == pytest.approx(plain.pedal[-1])
    assert work[1] < work[0]


def test_a_curve_is_taken_as_measured() -> None:
    found = stroke_of(pedal_spring="curve", assist_travels="100; 0; 40 mm", assist_forces="-60; 20; 0 N")
    plain = stroke_of(pedal_return_force="0 N")
    both = [np.interp([0.0, 0.02, 0.1], s.pedal, s.effort) for s in (found, plain)]
    np.testing.assert_allclose(both[0] - both[1], [20.0, 10.0, -60.0], atol=0.5)


def test_a_pedal_that_does_not_come_back_is_said() -> None:
    kept = lift_verdict(build_of(entries(FULL, **ASSISTED | {"pedal_return_force": "10 N"})))
    assert next(link for link in kept.links if link.key == "way_back").grade == "good"
    strong = lift_verdict(build_of(entries(FULL, **ASSISTED | {"assist_force": "4 kN"})))
    assert strong.state == "look again"
    assert "brings the pedal back" in verdict_sentence(strong)
    assert "way_back" not in {link.key for link in lift_verdict(build_of(entries(FULL))).links}


def test_a_stroke_begins_with_no_pressure() -> None:
    """A slave's spring of 120 N has to be overcome with the slave at rest, against hose and air."""
    found = stroke_of(slave_spring_force="120 N", trapped_air="2 mL")
    assert found.pressure is not None
    assert found.pedal[0] == 0.0
    assert found.pressure[0] == found.pressure[1] == 0.0
    build = build_of(entries(FULL, slave_spring_force="120 N", trapped_air="2 mL"))
    area = float(build.evaluate(("slave_area",))["slave_area"])
    moves = int(np.flatnonzero(found.chain["slave_travel"] > 1e-9)[0])
    assert found.pressure[moves - 1] >= 120 / area * (1 - 1e-9)
    assert found.pedal[moves - 1] > found.pedal[1] + 0.001
    assert np.all(np.diff(found.pedal) >= -1e-12)


def test_straps_keep_the_floater_half_way() -> None:
    twin = {"disc_count": "2", "cushion_travel": "0.1 mm"}
    v = build_of(entries(FULL, **twin, floater_stop="straps")).evaluate(
        ("inner_gap", "outer_gap", "plate_lift_available")
    )
    assert v["inner_gap"] == v["outer_gap"] == pytest.approx(float(v["plate_lift_available"]) / 2 - 1e-4)
    build = build_of(entries(FULL, **twin, floater_stop="straps"))
    assert "reshim_wear" not in build.graph.functions
    assert "floater_clearance" not in build.graph.inputs(("floater_margin",))
