"""The release chain: energy along the stroke, both ways of the chain, stops, air, cable, twin-disc gaps."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import brentq

from liftbite.core.analysis.stroke import Stroke, stroke
from liftbite.core.arrangements.floater_stop import stands
from liftbite.core.arrangements.release import hydraulics
from liftbite.core.graph.derived import Course, inverse
from liftbite.core.graph.graph import Graph, Needs, Refused
from liftbite.core.quantities import release
from tests.jobs import CAR, FULL, MOTORCYCLE, built

CABLE = {
    **MOTORCYCLE,
    "release": "lever_cable",
    "fork_ratio": "5.5",
    "pedal_ratio": "5.4",
    "pedal_stroke": "75 mm",
}


def stroke_of(typed: dict[str, str], **changes: str | None) -> Stroke:
    found = stroke(built(typed, **changes), points=1201)
    assert isinstance(found, Stroke), found
    return found


def test_the_lift_a_street_disc_asks_for() -> None:
    """g 0.4, cushion 0.7, wobble 0.3 → 1.65 mm on two faces [practice]."""
    assert release.lift_needed(2, 0.0004, 0.0007 + 0.00015, 0.0) == pytest.approx(0.00165)


def test_the_hydraulic_chain_keeps_energy_along_the_stroke() -> None:
    """Work at the pad, friction and return spring off, is work at the bearing plus what hose and air store.

    The hose stores ½·C·p², the air what isothermal compression takes: V·p0·(ln(1+p/p0) − p/(p0+p)).
    """
    build = built(FULL, trapped_air="1.2 mL")
    found = stroke_of(FULL, trapped_air="1.2 mL")
    known = build.known
    moving = found.effort - known["pedal_return_force"]
    put_in = np.trapezoid(moving * known["pedal_efficiency"], found.pedal)
    assert found.pressure is not None
    area = build.evaluate(("slave_area",))["slave_area"]
    given_out = np.trapezoid(found.pressure * area, found.bearing)
    p, p0 = found.pressure[-1], hydraulics.ATMOSPHERE
    hose = known["hose_swell"] * p**2 / 2
    # the air swallows V·(1 − p0/(p0+p)) while the gauge pressure is p
    swallowed = 1.2e-6 * (1 - p0 / (p0 + found.pressure))
    air = np.trapezoid(found.pressure, swallowed)
    assert put_in == pytest.approx(given_out + hose + air, rel=2e-3)


def test_front_to_back_and_back_to_front_are_inverse() -> None:
    """The lift at full pedal, found by SciPy's brentq on the same chain, and by the graph."""
    build = built(FULL, trapped_air="0.8 mL")
    values = build.evaluate(("plate_lift_available", "plate_lift_reach"))
    other = brentq(
        lambda x: build.evaluate(("pedal_travel",), plate_lift=x)["pedal_travel"] - 0.150, 0, values["plate_lift_reach"]
    )
    assert values["plate_lift_available"] == pytest.approx(other, rel=1e-8)


def test_without_anything_soft_the_lift_is_the_reach() -> None:
    values = built(FULL, hose_swell="0").evaluate(("plate_lift_available", "plate_lift_reach"))
    assert values["plate_lift_available"] == pytest.approx(values["plate_lift_reach"], rel=1e-9)
    master = (0.150 - 0.006) / 5.6 - 0.001
    area = 0.01905**2 / (0.052**2 - 0.038**2)
    assert values["plate_lift_reach"] == pytest.approx(master * area * 0.95 / 4.5, rel=1e-9)


@settings(max_examples=30)
@given(st.floats(0, 3), st.floats(0, 200))
def test_air_and_swell_only_ever_take_lift(air: float, swell: float) -> None:
    typed = {"trapped_air": f"{air:.4f} mL", "hose_swell": f"{swell:.3f} mm³/MPa"}
    soft = built(FULL, **typed).evaluate(("plate_lift_available", "plate_lift_reach"))
    assert 0 <= soft["plate_lift_available"] <= soft["plate_lift_reach"] * (1 + 1e-9)


def test_trapped_air_makes_lift_fail() -> None:
    from liftbite.core.verdicts.lift import lift_verdict

    assert lift_verdict(built(FULL)).state == "thin"
    assert lift_verdict(built(FULL, trapped_air="4 mL")).state == "drags"
    assert lift_verdict(built(FULL, master_diameter="7/8 in")).state == "frees"


def test_an_array_of_bores_equals_a_loop() -> None:
    build = built(FULL)
    bores = np.array([0.0159, 0.0178, 0.01905, 0.0222])
    at_once = build.evaluate(("lift_margin",), master_diameter=bores)["lift_margin"]
    one_by_one = [build.evaluate(("lift_margin",), master_diameter=float(b))["lift_margin"] for b in bores]
    np.testing.assert_allclose(at_once, one_by_one, rtol=1e-9)
    assert np.all(np.diff(at_once) > 0), "a bigger master gives more travel"
    effort = build.evaluate(("pedal_effort",), master_diameter=bores, plate_lift=0.001)["pedal_effort"]
    assert np.all(np.diff(effort) > 0), "and more effort"


def test_the_points_of_a_stroke() -> None:
    found = stroke_of(FULL)
    assert np.all(np.diff(found.pedal) >= 0)
    assert found.pedal[-1] == pytest.approx(0.150)
    assert found.lift[-1] == pytest.approx(found.full, rel=1e-4)
    assert found.first_movement is not None
    assert found.bite_point is not None
    assert found.first_movement < found.bite_point
    assert np.interp(found.bite_point, found.pedal, found.lift) == pytest.approx(0.0007, rel=1e-3)
    assert found.gap[-1] == pytest.approx((found.full - 0.0007 - 0.00015) / 2, rel=1e-3)


def test_the_nearest_stop_comes_first_and_names_itself() -> None:
    assert stroke_of(FULL, plate_lift_limit="1.2 mm").stops[0][0] == "plate_lift_limit"
    assert stroke_of(FULL, slave_stroke="5 mm").stops[0][0] == "slave_stroke"
    assert stroke_of(FULL, master_stroke="20 mm").stops[0][0] == "master_stroke"


def test_a_pedal_that_ends_before_the_plate_moves_lifts_nothing() -> None:
    values = built(FULL, pedal_stroke="10 mm").evaluate(("plate_lift_available",))
    assert values["plate_lift_available"] == 0.0
    assert stroke_of(FULL, pedal_stroke="10 mm").bite_point is None


def test_a_cable_stretches_with_its_force() -> None:
    build = built(CABLE)
    stiff = built(CABLE, cable_stiffness="100000 N/mm").evaluate(("plate_lift_available", "plate_lift_reach"))
    soft = build.evaluate(("plate_lift_available", "bearing_force", "cable_force", "pedal_effort"))
    assert stiff["plate_lift_available"] == pytest.approx(stiff["plate_lift_reach"], rel=1e-3)
    assert soft["plate_lift_available"] < stiff["plate_lift_available"]
    at = build.evaluate(("pedal_effort",), plate_lift=0.001)["pedal_effort"]
    force = 2250 + 6 * 25e3 * 0.001
    assert at == pytest.approx(force / (5.5 * 0.9) / (5.4 * 0.85) + 10), "springs, arm, lever, return spring"


def test_missing_and_impossible_are_said() -> None:
    assert isinstance(stroke(built(CAR)), Needs)
    assert isinstance(stroke(built(FULL, slave_inner_diameter="60 mm")), Refused)


def test_floater_gaps_along_wear() -> None:
    """x 0.045 in, f 0.022 in and 0.5 mm of inner wear leave the outer disc 0.003 in: it drags [practice]."""
    inch = 0.0254
    outer = stands.outer_gap(0.045 * inch, 0.022 * inch, 0.0, 0.0005)
    assert outer / inch == pytest.approx(0.0033, abs=0.0003)
    assert stands.inner_gap(0.022 * inch, 0.0, 0.0005) == pytest.approx(0.022 * inch + 0.0005)


def test_an_inverse_outside_its_reach() -> None:
    def rises(time, speed):  # type: ignore[no-untyped-def]
        return time * speed

    course = Course(Graph([rises]), over="time", until="most", points=9)
    when = inverse("when", course, of="rises", equals="goal")
    graph = Graph([rises, when])
    assert graph.evaluate(["when"], {"speed": 2.0, "goal": 100.0, "most": 10.0})["when"] == 10.0
    assert graph.evaluate(["when"], {"speed": 2.0, "goal": -1.0, "most": 10.0})["when"] == 0.0
    speeds = np.array([1.0, np.nan, 4.0])
    np.testing.assert_allclose(
        graph.evaluate(["when"], {"speed": speeds, "goal": 2.0, "most": 10.0})["when"], [2.0, np.nan, 0.5]
    )
