"""Work is kept along the release chain and through a start: what goes in comes out, is stored, or is heat.

Nothing of this is a formula of the code: forces and travels are worked out by different quantities, and only physics
ties them together. An error in a ratio, an area or an efficiency anywhere on the way breaks the balance.
"""

from __future__ import annotations

import numpy as np
import numpy.typing as npt
import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.quantities.launch import launch
from tests.core.test_every_quantity import CABLE_CAR, WHOLE_MOTORCYCLE
from tests.jobs import FULL, built

Array = npt.NDArray[np.float64]
FORK = {
    **{q: t for q, t in FULL.items() if not q.startswith("slave_")},
    "release": "hydraulic_fork",
    "slave_diameter": "22 mm",
    "fork_ratio": "1.6",
    "slave_stroke": "40 mm",
}
JOBS = {
    "concentric": FULL,
    "fork": FORK,
    "cable": CABLE_CAR,
    "lever": WHOLE_MOTORCYCLE,
    "lever by cable": {**WHOLE_MOTORCYCLE, "release": "lever_cable", "fork_ratio": "4"},
}

MM = st.floats(0.8, 1.25)
CHANGES = st.fixed_dictionaries(
    {
        "pedal_ratio": MM.map(lambda s: f"{5.5 * s:.3f}"),
        "pedal_efficiency": st.integers(60, 100).map(lambda s: f"{s} %"),
        "pedal_return_force": st.integers(0, 60).map(lambda n: f"{n} N"),
        "pedal_free_play": st.integers(0, 15).map(lambda n: f"{n} mm"),
        "finger_flex": st.sampled_from(["85 %", "95 %", "100 %"]),
    }
)
HYDRAULIC = st.fixed_dictionaries(
    {
        "master_diameter": st.sampled_from(["5/8 in", "3/4 in", "7/8 in"]),
        "port_travel": st.sampled_from(["0.5 mm", "1 mm", "1.5 mm"]),
        "slave_spring_force": st.sampled_from(["0 N", "30 N", "80 N"]),
        "hose_swell": st.sampled_from(["0 mm³/MPa", "40 mm³/MPa", "120 mm³/MPa"]),
    }
)


def curves(build: Build, lift: Array, *names: str) -> tuple[Array, ...]:
    found = build.evaluate(names, plate_lift=lift)
    for name in names:
        assert not isinstance(found[name], Needs | Refused), name
    return tuple(np.broadcast_to(np.asarray(found[name], dtype=float), lift.shape) for name in names)


def work(force: Array, travel: Array) -> float:
    """∫ F dx along a curve."""
    return float(np.trapezoid(force, travel))


def lifts(build: Build) -> Array:
    reach = build.evaluate(("plate_lift_reach",))["plate_lift_reach"]
    assert not isinstance(reach, Needs | Refused)
    return np.linspace(0.0, max(float(reach), 2e-4), 1201)


@pytest.mark.parametrize("job", ["concentric", "fork", "lever"])
@given(changes=CHANGES, wet=HYDRAULIC)
def test_a_hydraulic_chain_keeps_its_work(job: str, changes: dict[str, str], wet: dict[str, str]) -> None:
    """Pad less return spring and friction = bearing + slave spring + what the hose stores, ½·C·(p₁² − p₀²)."""
    build = built(JOBS[job], **changes, **wet)
    lift = lifts(build)
    pedal, effort, pressure, slave, bearing, force = curves(
        build, lift, "pedal_travel", "pedal_effort", "line_pressure", "slave_travel", "bearing_travel", "bearing_force"
    )
    known = build.known
    into = work(effort - known["pedal_return_force"], pedal) * known["pedal_efficiency"]
    stored = 0.5 * known["hose_swell"] * (pressure[-1] ** 2 - pressure[0] ** 2)
    out = work(force, bearing) + known["slave_spring_force"] * (slave[-1] - slave[0])
    assert into == pytest.approx(out + stored, rel=2e-4, abs=1e-4)


@pytest.mark.parametrize("job", ["cable", "lever by cable"])
@given(changes=CHANGES, stiffness=st.sampled_from(["80 N/mm", "150 N/mm", "400 N/mm"]))
def test_a_cable_keeps_its_work(job: str, changes: dict[str, str], stiffness: str) -> None:
    """Pad less return spring and friction = bearing over the arm's efficiency + what the cable stores, F²/2k."""
    build = built(JOBS[job], **changes, cable_stiffness=stiffness)
    lift = lifts(build)
    pedal, effort, cable, bearing, force = curves(
        build, lift, "pedal_travel", "pedal_effort", "cable_force", "bearing_travel", "bearing_force"
    )
    known = build.known
    into = work(effort - known["pedal_return_force"], pedal) * known["pedal_efficiency"]
    stored = (cable[-1] ** 2 - cable[0] ** 2) / (2 * known["cable_stiffness"])
    assert into == pytest.approx(work(force, bearing) / known["arm_efficiency"] + stored, rel=2e-4, abs=1e-4)


@pytest.mark.parametrize("job", JOBS)
@given(changes=CHANGES)
def test_the_lift_at_full_pedal_is_where_the_pedal_ends(job: str, changes: dict[str, str]) -> None:
    """The lift available, put back into the chain, comes to the pedal's stroke: the inverse is one."""
    build = built(JOBS[job], **changes)
    v = build.evaluate(("plate_lift_available", "plate_lift_reach"))
    full = v["plate_lift_available"]
    assert not isinstance(full, Needs | Refused)
    assert 0 <= float(full) <= float(v["plate_lift_reach"]) + 1e-12
    pedal = float(build.evaluate(("pedal_travel",), plate_lift=float(full))["pedal_travel"])
    if float(full) > 0:
        assert pedal == pytest.approx(build.known["pedal_stroke"], rel=1e-6)
    else:
        assert pedal >= build.known["pedal_stroke"] - 1e-9


@pytest.mark.parametrize("job", ["concentric", "fork", "lever"])
@given(wet=HYDRAULIC, air=st.floats(0, 4))
def test_what_softens_the_line_never_adds_lift(job: str, wet: dict[str, str], air: float) -> None:
    hard = built(JOBS[job], **{**wet, "hose_swell": "0 mm³/MPa"})
    soft = built(JOBS[job], **wet, trapped_air=f"{air:.3f} mL")
    available = [float(s.evaluate(("plate_lift_available",))["plate_lift_available"]) for s in (hard, soft)]
    assert available[1] <= available[0] + 1e-12
    softer = built(JOBS[job], **wet, trapped_air=f"{air + 1:.3f} mL")
    assert float(softer.evaluate(("plate_lift_available",))["plate_lift_available"]) <= available[1] + 1e-12


@given(
    mass=st.integers(800, 2500),
    trailer=st.sampled_from(["0 kg", "1200 kg"]),
    kind=st.sampled_from(["pull_away", "hill", "standing", "dropped"]),
    grip=st.floats(0.3, 2.0),
    grade=st.sampled_from(["0 %", "12 %"]),
    speed=st.integers(1500, 5000),
)
def test_a_starts_heat_is_what_the_engine_gave_and_the_car_did_not_get(
    mass: int, trailer: str, kind: str, grip: float, grade: str, speed: int
) -> None:
    """Heat of clutch and tyres = work of the engine and of what turned, less motion and load of the car."""
    build = built(
        FULL,
        vehicle_mass=f"{mass} kg",
        trailer_mass=trailer,
        grade=grade,
        start=kind,
        tyre_grip=f"{grip:.3f}",
        start_engine_speed=f"{speed} rpm",
    )
    c = build.evaluate(("start_case",))["start_case"]
    f = launch(c, 6)
    turned = c.engine_inertia * c.start_speed**2 / 2
    left = (
        c.engine_inertia * f.end_speed**2 + c.gearbox_inertia * f.end_gearbox**2 + c.vehicle_inertia * f.end_vehicle**2
    ) / 2
    given_ = f.engine_work + turned
    assert f.energy + f.tyre_energy + f.road_work + left == pytest.approx(given_, rel=4e-3)
