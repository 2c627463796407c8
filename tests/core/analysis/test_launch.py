"""One start, integrated: against SciPy, by its energy, by closed forms, and how it can end."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
from scipy.integrate import solve_ivp

from liftbite.core.quantities.launch import launch
from liftbite.core.quantities.launch_case import LaunchCase
from liftbite.core.quantities.launch_run import GRASP
from tests.jobs import FULL, MOTORCYCLE, built

RPM = np.pi / 30


def case(**changes: object) -> LaunchCase:
    found = built(FULL).evaluate(("start_case",))["start_case"]
    assert isinstance(found, LaunchCase)
    return replace(found, **changes)  # type: ignore[arg-type]


HARD = {"clutch_torque": 400.0, "start_speed": 4500 * RPM, "release_time": 0.8}
DROPPED = {"clutch_torque": 1200.0, "capacity": 900.0, "start_speed": 5000 * RPM, "release_time": 0.1}


def reference(c: LaunchCase):  # type: ignore[no-untyped-def]
    """The same machine through SciPy's solve_ivp, phase by phase, each ended by an event.

    Returns outcome, heat of the clutch, heat of the tyres and time in slip.
    """
    xs, ys = np.array([0.0, *c.curve.speed]), np.array([0.0, *c.curve.torque])
    stiff = c.primary * c.ratio * c.curve.peak_torque / GRASP

    def engine(w, asked):  # type: ignore[no-untyped-def]
        cut = np.clip((c.limiter + GRASP - w * c.ratio) / GRASP, 0, 1)
        full = c.throttle_share * c.primary * np.interp(w * c.ratio, xs, ys) * cut
        fed = max(min(asked + stiff * (c.start_speed - w), full), -c.drag_share * c.curve.peak_torque * c.primary)
        return full if c.held else fed

    def capacity(q):  # type: ignore[no-untyped-def]
        hot = np.clip((c.start_temperature + q / c.heat_capacity - c.sustained) / (c.brief - c.sustained), 0, 1)
        return c.capacity * (1 - (1 - c.fade) * hot)

    wants = min(c.clutch_torque, c.capacity)
    whole = c.gearbox_inertia + c.vehicle_inertia

    def torque(t, q, up):  # type: ignore[no-untyped-def]
        return capacity(q) if up else min(c.clutch_torque * min(t / c.release_time, 1), capacity(q))

    def gripping(t, y, up):  # type: ignore[no-untyped-def]
        e, _, v, q, _ = y
        tc = torque(t, q, up)
        pull = tc - c.load_torque if v > 0 else max(tc - c.load_torque, 0)
        return [(engine(e, tc) - tc) / c.engine_inertia, pull / whole, pull / whole, tc * (e - v), 0]

    def spinning(t, y, up):  # type: ignore[no-untyped-def]
        e, g, v, q, _ = y
        tc = torque(t, q, up)
        return [
            (engine(e, tc) - tc) / c.engine_inertia,
            (tc - c.grip_torque) / c.gearbox_inertia,
            (c.grip_torque - c.load_torque) / c.vehicle_inertia,
            tc * (e - g),
            c.grip_torque * (g - v),
        ]

    def locked(_t, y, _up):  # type: ignore[no-untyped-def]
        e, g, v, _, _ = y
        a = (engine(e, wants) - c.grip_torque) / (c.engine_inertia + c.gearbox_inertia)
        return [a, a, (c.grip_torque - c.load_torque) / c.vehicle_inertia, 0, c.grip_torque * (g - v)]

    def event(f, direction):  # type: ignore[no-untyped-def]
        f.terminal, f.direction = True, direction
        return f

    meet = event(lambda t, y, up: y[0] - y[1], -1)
    agree = event(lambda t, y, up: y[1] - y[2] + 1e-12, -1)
    lets_go = event(
        lambda t, y, up: (
            c.load_torque + c.vehicle_inertia * (torque(t, y[3], up) - c.load_torque) / whole - c.grip_torque
        ),
        1,
    )
    stall = event(lambda t, y, up: y[0] - c.stall_speed, -1)
    t, y, mode, slipped, up, spun = 0.0, [c.start_speed, 0.0, 0.0, 0.0, 0.0], gripping, 0.0, False, False
    for _ in range(20):
        events = {gripping: (meet, lets_go, stall), spinning: (meet, agree, stall), locked: (agree, stall)}[mode]
        found = solve_ivp(mode, (t, c.longest), y, args=(up,), rtol=1e-9, atol=1e-9, events=events, max_step=0.02)
        slipped += found.t[-1] - t if mode is not locked else 0.0
        t, y = found.t[-1], found.y[:, -1].tolist()
        if found.status == 0:
            return "never locks", y[3], y[4], slipped
        hit = events[next(i for i, e in enumerate(found.t_events) if len(e))]
        if hit is stall:
            return "stalls", y[3], y[4], slipped
        if hit is lets_go:
            mode, spun = spinning, True
            y[1] += 1e-9
        elif hit is meet:
            up = True
            if mode is gripping:
                return "spins" if spun else "locks", y[3], y[4], slipped
            mode = locked
        elif mode is locked:
            return "spins", y[3], y[4], slipped
        else:
            mode = gripping
    raise AssertionError("no end")


@pytest.mark.parametrize(
    "changes",
    [
        {},
        {"release_time": 0.2},
        HARD,
        {"heat_capacity": 400.0, **HARD},
        DROPPED,
        DROPPED | {"grip_torque": 5000.0},
        DROPPED | {"start_speed": 800 * RPM},
        {"held": 1.0, "clutch_torque": 250.0},
        HARD | {"grip_torque": 300.0},
    ],
    ids=["pull-away", "quick", "standing", "fading", "dropped", "dropped, tyres hold", "stalls", "held", "spinning"],
)
def test_a_start_against_scipy(changes: dict[str, float]) -> None:
    c = case(**changes)
    mine, other = launch(c, 4), reference(c)
    assert mine.outcome == other[0]
    assert mine.energy == pytest.approx(other[1], rel=4e-3)
    assert mine.tyre_energy == pytest.approx(other[2], rel=6e-3, abs=1.0)
    assert mine.slip_time == pytest.approx(other[3], rel=4e-3, abs=2e-3)
    usual = launch(c)
    assert usual.outcome == other[0]
    assert usual.energy == pytest.approx(other[1], rel=0.02)


@pytest.mark.parametrize("changes", [{}, HARD, DROPPED, HARD | {"grip_torque": 300.0}])
def test_a_start_keeps_energy_and_converges(changes: dict[str, float]) -> None:
    """Engine work + what turned at the start = heat of clutch and tyres + road + what turns at the end."""
    c = case(**changes)
    errors = []
    for fineness in (1, 4, 16):
        f = launch(c, fineness)
        turned = c.engine_inertia * c.start_speed**2 / 2
        left = (
            c.engine_inertia * f.end_speed**2
            + c.gearbox_inertia * f.end_gearbox**2
            + c.vehicle_inertia * f.end_vehicle**2
        ) / 2
        errors.append(abs(f.engine_work + turned - f.energy - f.tyre_energy - f.road_work - left) / f.energy)
    assert errors[0] < 3e-2
    assert errors[2] < 1e-3


def test_a_gentle_start_is_its_closed_form() -> None:
    """With the engine's speed held, and gearbox side and vehicle as one inertia: within what they differ by."""
    v = built(FULL).evaluate(
        ("slip_time", "slip_energy", "held_slip_time", "held_slip_energy", "gearbox_side_inertia", "vehicle_inertia")
    )
    more = 1 + v["gearbox_side_inertia"] / v["vehicle_inertia"]
    assert v["slip_time"] == pytest.approx(v["held_slip_time"] * more, rel=0.01)
    assert v["slip_energy"] == pytest.approx(v["held_slip_energy"] * more, rel=0.01)


def test_a_car_that_pulls_away_makes_ten_kilojoules() -> None:
    """Common practice, no source: 1350 kg on the level, 54 N·m at the clutch, 10 kJ."""
    v = built(FULL).evaluate(("start_clutch_torque", "slip_energy"))
    assert v["start_clutch_torque"] == pytest.approx(54, abs=1.5)
    assert v["slip_energy"] == pytest.approx(10e3, rel=0.1)


def test_a_dropped_clutch_heats_less_than_a_slipped_one_from_the_same_speed() -> None:
    slipping = HARD | {"start_speed": 5000 * RPM, "clutch_torque": 250.0}
    dropped, slipped = launch(case(**DROPPED | {"grip_torque": 300.0})), launch(case(**slipping, grip_torque=300.0))
    assert (dropped.outcome, slipped.outcome) == ("spins", "locks")
    assert dropped.energy < slipped.energy / 3
    assert dropped.tyre_energy > dropped.energy
    holds = launch(case(**DROPPED | {"grip_torque": 5000.0}))
    assert dropped.energy < holds.energy < slipped.energy


def test_a_throttle_held_open_multiplies_the_heat() -> None:
    follows, held = launch(case()), launch(case(held=1.0))
    assert held.energy > 5 * follows.energy


def test_two_inertias_without_engine_or_road_are_shigleys_case() -> None:
    """E = ½·I_e·I_v/(I_e + I_v)·Δω², [memory: Shigley, energy considerations]."""
    c = case(
        throttle_share=1e-9,
        drag_share=0.0,
        load_torque=0.0,
        gearbox_inertia=1e-6,
        stall_speed=0.0,
        clutch_torque=200.0,
        start_speed=300.0,
        release_time=1e-3,
        grip_torque=1e9,
    )
    expected = c.engine_inertia * c.vehicle_inertia / (c.engine_inertia + c.vehicle_inertia) * 300.0**2 / 2
    assert launch(c, 4).energy == pytest.approx(expected, rel=2e-3)


def test_many_starts_at_once_equal_one_by_one() -> None:
    torques = np.linspace(30.0, 900.0, 40)
    at_once = launch(case(clutch_torque=torques, capacity=800.0, start_speed=3000 * RPM))
    for i, torque in enumerate(torques):
        one = launch(case(clutch_torque=float(torque), capacity=800.0, start_speed=3000 * RPM))
        assert at_once.energy[i] == pytest.approx(one.energy, rel=1e-9)  # type: ignore[index]
        assert at_once.outcome[i] == one.outcome


def test_what_cannot_settle_is_said() -> None:
    assert launch(case(load_torque=900.0)).outcome == "never locks"
    assert launch(case(**DROPPED | {"start_speed": 800 * RPM})).outcome == "stalls"
    stalled = launch(case(**DROPPED | {"start_speed": 800 * RPM}))
    assert stalled.end_speed == pytest.approx(stalled.lowest_speed)
    assert float(stalled.end_speed) >= 600 * RPM * (1 - 1e-6)


def test_a_motorcycle_is_referred_to_its_clutch_shaft() -> None:
    """The primary drive turns the clutch slower than the crank: inertia with the square, torque with the ratio."""
    build = built(
        MOTORCYCLE
        | {
            "crank_inertia": "0.008 kg·m²",
            "basket_inertia": "0.006 kg·m²",
            "heat_mass": "1.5 kg",
            "vehicle_mass": "280 kg",
            "tyre_radius": "310 mm",
            "gear_ratio": "2.8",
            "final_ratio": "2.9",
            "start": "standing",
            "redline": "11000 rpm",
        }
    )
    c = build.evaluate(("start_case",))["start_case"]
    assert c.ratio == pytest.approx(1.75)
    assert c.engine_inertia == pytest.approx(1.75**2 * 0.008 + 0.006)
    assert c.start_speed == pytest.approx(0.6 * 11000 * RPM / 1.75)
