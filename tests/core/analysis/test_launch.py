"""One start, integrated: against SciPy, by its energy, and how it can end."""

from __future__ import annotations

import numpy as np
import pytest
from scipy.integrate import solve_ivp

from liftbite.core.analysis.launch import LaunchCase, case_of, launch
from tests.jobs import FULL, MOTORCYCLE, built

RPM = np.pi / 30


def case(**changes: object) -> LaunchCase:
    found = case_of(built(FULL), stage=0)
    assert isinstance(found, LaunchCase)
    return LaunchCase(
        **{
            **vars(found),
            "clutch_torque": 250.0,
            "grip_torque": 500.0,
            "asked_torque": 240.0,
            "start_speed": 350.0,
            **changes,
        }
    )  # type: ignore[arg-type]


def reference(c: LaunchCase):  # type: ignore[no-untyped-def]
    """The same equations through SciPy's solve_ivp."""
    xs = np.array([0.0, *c.curve.speed, c.curve.speed[-1] * 1.25])
    ys = np.array([0.0, *c.curve.torque, 0.0])

    def rates(t, y):  # type: ignore[no-untyped-def]
        we, wv, q = y
        hot = min(max((c.start_temperature + q / c.heat_capacity - c.sustained) / (c.brief - c.sustained), 0), 1)
        up = min(t / c.release_time, 1)
        tc = min(c.clutch_torque * up, c.capacity * (1 - (1 - c.fade) * hot), c.grip_torque)
        te = min(np.interp(we * c.ratio, xs, ys), c.asked_torque) * up * c.primary
        pull = tc - c.load_torque if wv > 0 else max(tc - c.load_torque, 0)
        return [(te - tc) / c.engine_inertia, pull / c.vehicle_inertia, tc * (we - wv)]

    def meet(_t, y):  # type: ignore[no-untyped-def]
        return y[0] - y[1]

    meet.terminal, meet.direction = True, -1  # type: ignore[attr-defined]
    return solve_ivp(rates, (0, c.longest), [c.start_speed, 0, 0], rtol=1e-9, atol=1e-9, events=meet)


def test_a_start_against_scipy() -> None:
    for c in (case(), case(release_time=0.2, clutch_torque=400.0), case(heat_capacity=400.0, clutch_torque=400.0)):
        mine, other = launch(c), reference(c)
        assert mine.outcome == "locks"
        assert mine.energy == pytest.approx(other.y[2][-1], rel=1e-3)
        assert mine.slip_time == pytest.approx(other.t[-1], rel=1e-3)


def test_a_start_keeps_energy_and_converges() -> None:
    """Engine work + what turned at the start = slip heat + road + what turns at the end."""
    c = case()
    errors = []
    for steps in (16, 64, 256):
        found = launch(c, steps)
        turned = c.engine_inertia * c.start_speed**2 / 2
        left = (c.engine_inertia + c.vehicle_inertia) * found.end_speed**2 / 2
        errors.append(abs(found.engine_work + turned - found.energy - found.road_work - left) / found.energy)
    assert errors[1] < 1e-3
    assert errors[2] < errors[0] / 5


def test_many_starts_at_once_equal_one_by_one() -> None:
    torques = np.array([180.0, 250.0, 330.0])
    at_once = launch(case(clutch_torque=torques))
    for i, torque in enumerate(torques):
        one = launch(case(clutch_torque=float(torque)))
        assert at_once.energy[i] == pytest.approx(one.energy, rel=1e-9)
        assert at_once.outcome[i] == one.outcome


@pytest.mark.parametrize(
    ("changes", "outcome"),
    [
        ({"asked_torque": 20.0, "clutch_torque": 300.0, "start_speed": 120.0, "release_time": 0.2}, "stalls"),
        ({"grip_torque": 60.0}, "spins"),
        ({"clutch_torque": 60.0, "asked_torque": 400.0, "load_torque": 80.0}, "never locks"),
    ],
)
def test_how_a_start_can_end(changes: dict[str, float], outcome: str) -> None:
    assert launch(case(**changes)).outcome == outcome


def test_a_motorcycle_is_referred_to_its_clutch() -> None:
    typed = {**MOTORCYCLE, "crank_inertia": "0.011 kg·m²", "basket_inertia": "0.01 kg·m²", "vehicle_mass": "280 kg",
             "tyre_radius": "310 mm", "gear_ratio": "2.8", "final_ratio": "2.7", "start": "standing",
             "heat_mass": "1.1 kg"}  # fmt: skip
    found = case_of(built(typed), stage=0, friction=0.0)
    assert isinstance(found, LaunchCase)
    assert found.start_speed == pytest.approx(4500 * RPM / 1.75)
    assert found.engine_inertia == pytest.approx(1.75**2 * 0.011 + 0.01)
    assert launch(found).outcome in {"locks", "spins"}


def test_a_restrictor_slows_the_pedal() -> None:
    held = case_of(built(FULL, start="dropped", restrictor_time="0.6 s"), stage=0)
    free = case_of(built(FULL, start="dropped"), stage=0)
    assert isinstance(held, LaunchCase)
    assert isinstance(free, LaunchCase)
    assert (held.release_time, free.release_time) == (0.6, 0.1)
