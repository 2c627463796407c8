"""Flywheel, balance, heat, wear and joints: standards, handbooks and second derivations."""

from __future__ import annotations

import numpy as np
import pytest
import sympy
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad, solve_ivp

from liftbite.core.analysis.launch import LaunchCase, case_of, launch
from liftbite.core.arrangements.inertia_source import rings as inertia_by_rings
from liftbite.core.arrangements.inertia_source import swing as inertia_by_swing
from liftbite.core.arrangements.inertia_source import weight as inertia_by_weight
from liftbite.core.arrangements.layout import engine_through_primary
from liftbite.core.errors import OutOfRange
from liftbite.core.quantities import balance, heat, wear
from liftbite.core.quantities import driveline as chain
from liftbite.core.quantities import flywheel as spin
from liftbite.core.quantities.balance import Residual
from tests.jobs import FULL, MOTORCYCLE, built

RPM = np.pi / 30


def test_the_bore_stress_of_a_rotating_ring() -> None:
    """[handbook: Shigley, rotating rings]: tangential stress at r_i of a thin ring turning, by the Lamé-like solution.

    σ_t(r) = ρω²(3+ν)/8·(r_i² + r_o² + r_i²r_o²/r² − (1+3ν)/(3+ν)·r²), at r = r_i.
    """
    rho, nu, ro, ri, w = 7850.0, 0.3, 0.145, 0.02, 843.0
    at_bore = rho * w**2 * (3 + nu) / 8 * (ri**2 + ro**2 + ro**2 - (1 + 3 * nu) / (3 + nu) * ri**2)
    assert spin.bore_stress(rho, nu, 2 * ro, 2 * ri, w, 1.0) == pytest.approx(at_bore, rel=1e-12)
    thin = spin.bore_stress(rho, nu, 0.29, 0.28999, w, 1.0)
    assert thin == pytest.approx(rho * (w * 0.145) ** 2, rel=1e-3), "a thin ring carries ρv²"


def test_inertia_three_ways() -> None:
    """A plate as a ring, by ∫r²dm, by its radius of gyration, and by the period its swing would have."""
    rho, ro, ri, t = 7850.0, 0.14, 0.02, 0.018
    mass = rho * np.pi * (ro**2 - ri**2) * t
    by_integral = quad(lambda r: r**2 * rho * 2 * np.pi * r * t, ri, ro)[0]
    rings = inertia_by_rings.flywheel_inertia(*(np.array([v]) for v in (2 * ro, 2 * ri, t, rho)))
    assert rings == pytest.approx(by_integral, rel=1e-12)
    gyration = np.sqrt((ro**2 + ri**2) / 2) / ro
    assert inertia_by_weight.flywheel_inertia(mass, 2 * ro, gyration) == pytest.approx(rings)
    period = 2 * np.pi * np.sqrt(rings * 1.5 / (mass * 9.80665 * 0.12**2))
    assert inertia_by_swing.flywheel_inertia(mass, 0.12, 1.5, period) == pytest.approx(rings)
    two = inertia_by_rings.flywheel_inertia(*(np.array(v) for v in ([0.28, 0.1], [0.1, 0.04], [t, t], [rho, rho])))
    assert two == pytest.approx(rings), "a plate is the sum of its rings"


def test_rings_that_cannot_be() -> None:
    with pytest.raises(OutOfRange, match="ring_outer_diameters"):
        inertia_by_rings.flywheel_inertia(*(np.array([v]) for v in (0.1, 0.2, 0.01, 7850.0)))
    with pytest.raises(OutOfRange, match="ring_inner_diameters"):
        inertia_by_rings.flywheel_inertia(np.array([0.2, 0.3]), np.array([0.1]), np.array([0.01]), np.array([7850.0]))


def test_a_missed_shift() -> None:
    """From 7000 rpm in a 1.35 gear into 3.40: about 17 600 rpm [practice]."""
    assert spin.disc_speed_missed_shift(7000.0, 1.35, 3.40) == pytest.approx(17_600, rel=0.003)


def test_unbalance_by_grade_and_its_force() -> None:
    """[standard: ISO 21940-11] 9549·G·m/n; 22 oz·in at 6000 rpm is 6.25 kN [practice]."""
    assert spin.permissible_unbalance(6.3e-3, 10.0, 7000 * RPM) * 1e6 == pytest.approx(9549 * 6.3 * 10 / 7000, rel=1e-4)
    left = balance.external_mismatch(50 * 0.028349523125 * 0.0254, 28 * 0.028349523125 * 0.0254)
    assert left * 1e6 == pytest.approx(15_842, abs=1)
    assert spin.unbalance_force(left, 6000 * RPM) == pytest.approx(6250, rel=0.002)


def test_vector_sums_and_turned_packs() -> None:
    three = balance.vector_sum(np.ones(3), np.array([0, 2, 4]) * np.pi / 3)
    assert three.amount == pytest.approx(0, abs=1e-12)
    for turned in range(7):
        found = balance.turned_pack(Residual(3e-5, 0.4), Residual(2e-5, 1.9), 6, turned)
        angle = 1.9 - 0.4 + turned * np.pi / 3
        assert found.amount == pytest.approx(np.sqrt(9 + 4 + 12 * np.cos(angle)) * 1e-5), "law of cosines"


def test_a_drilled_hole_removes_what_it_should() -> None:
    """The hole's moment by integration, point and all; the cone's mass taken at full radius, as the rule does."""
    for unbalance in (80e-6, 200e-6, 400e-6):
        depth = balance.drill_depth(unbalance, 0.14, 0.010, 7200.0)
        removed = np.pi / 4 * 0.010**2 * 7200 * quad(lambda x: 0.14 - x, 0, depth + 0.1 * 0.010)[0]
        assert removed == pytest.approx(unbalance, rel=1e-9)
    with pytest.raises(ValueError, match="cannot remove"):
        balance.drill_depth(1.0, 0.14, 0.010, 7200.0)


def test_a_motorcycles_crank_counts_by_the_ratio_squared() -> None:
    crank = 0.012 * (1.75 * 300) ** 2 / 2
    assert engine_through_primary.engine_inertia(0.012, 0.0, 1.75) * 300**2 / 2 == pytest.approx(crank)


def test_the_energy_of_a_start_by_shigley() -> None:
    """[handbook: Shigley, energy considerations], T_e = T_l = 0: E = ½·I_e·I_v/(I_e+I_v)·Δω², whatever the torque."""
    t, ie, iv, w = sympy.symbols("t I_e I_v omega", positive=True)
    time = w / (t / ie + t / iv)
    assert sympy.simplify(t * w * time / 2 - ie * iv / (ie + iv) * w**2 / 2) == 0
    for torque in (50.0, 400.0):
        time_ = heat.slip_time(300.0, torque, 0.0, 0.0, 0.2, 0.65)
        assert heat.slip_energy(torque, 300.0, time_) == pytest.approx(0.5 * 0.2 * 0.65 / 0.85 * 300**2)


def test_a_start_that_never_locks_is_refused_with_its_figure() -> None:
    from liftbite.core.verdicts.verdicts import heat_verdict

    with pytest.raises(OutOfRange, match="closing_rate"):
        heat.slip_time(300.0, 100.0, 150.0, 200.0, 0.2, 0.65)
    verdict = heat_verdict(built(FULL, start_clutch_share="0.1", grade="20 %"), 0.0)
    assert verdict.state == "cooks"
    assert verdict.sentence.startswith("Never locks")


def test_the_flash_of_a_half_space() -> None:
    """[handbook: Carslaw and Jaeger]: θ = ∫ q(τ)/√(π·kρc·(t−τ)) dτ with q falling in a line to 0; peak at half time."""
    k, rho, c, seconds, mean = 50.0, 7200.0, 500.0, 1.0, 6e5

    def rise(at: float) -> float:
        # τ = at − u² takes the singularity away
        flux = quad(lambda u: 2 * mean * (1 - (at - u * u) / seconds) * 2, 0, np.sqrt(at))[0]
        return flux / np.sqrt(np.pi * k * rho * c)

    best = max(rise(at) for at in np.linspace(0.3, 0.7, 81))
    assert heat.flash_rise(mean * 0.05, seconds, 0.05, k, rho, c) == pytest.approx(best, rel=1e-4)


@given(st.integers(1, 30), st.floats(10, 300))
def test_repeated_starts_are_a_sum_of_decays(starts: int, interval: float) -> None:
    left = np.exp(-interval * 8 / (5 * 500))
    by_hand = 353.15 + sum(12.0 * left**k for k in range(1, starts))
    assert heat.base_temperature(353.15, 12.0, float(starts), interval, 5.0, 500.0, 8.0) == pytest.approx(by_hand)


def test_wear_there_and_back() -> None:
    per_start = wear.wear_per_start(5e-14, 30e3, 0.025)
    starts = wear.starts_to_limit(0.0014, 0.0002, per_start)
    assert starts * per_start + 0.0002 == pytest.approx(0.0014)
    assert wear.distance_to_limit(starts, 0.0005) == pytest.approx(starts * 2000)


@pytest.mark.parametrize(
    ("diameter", "pitch", "area"), [(6, 1, 20.1), (8, 1.25, 36.6), (10, 1.5, 58.0), (12, 1.75, 84.3), (16, 2, 157.0)]
)
def test_stress_areas_of_iso_898_1(diameter: float, pitch: float, area: float) -> None:
    """[standard: ISO 898-1, table of stress areas, mm²]."""
    assert chain.bolt_stress_area(diameter / 1e3, pitch / 1e3) * 1e6 == pytest.approx(area, rel=0.0025)


def test_proof_load_of_iso_898_1() -> None:
    """[standard: ISO 898-1]: M10 10.9 has a proof load of 48.1 kN."""
    assert chain.bolt_proof_load(58.0e-6, 830e6) == pytest.approx(48_100, rel=0.002)


def test_the_shaft_shears_where_torsion_says() -> None:
    """τ = 16T/(πd³) at the limit equals 0.577·σ_y over the shock factor."""
    torque = chain.shaft_torque_limit(0.0255, 950e6, 1.5)
    assert 16 * torque / (np.pi * 0.0255**3) == pytest.approx(0.577 * 950e6 / 1.5)


def test_low_preload_for_slip_high_preload_for_proof() -> None:
    slip = chain.joint_slip_torque(8.0, 40e3, 0.3, 0.12, 0.076, 0.0)
    assert slip == pytest.approx(8 * 40e3 * 0.7 * 0.12 * 0.038)
    assert chain.proof_margin(60e3, 40e3, 0.3) == pytest.approx(60 / 52)


# --- the start, integrated


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
