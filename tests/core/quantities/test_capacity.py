"""Torque demand and capacity, against published relations and second derivations."""

from __future__ import annotations

import numpy as np
import pytest
import sympy
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad

from liftbite.core.arrangements.capacity_model import uniform_pressure, uniform_wear
from liftbite.core.arrangements.clamp_source import coils as coil_springs
from liftbite.core.arrangements.facing_pair import alike
from liftbite.core.arrangements.layout import dry_discs, wet_pack
from liftbite.core.arrangements.primary_source import teeth as primary_gears
from liftbite.core.arrangements.spring_rate_source import wire as spring_wire
from liftbite.core.errors import OutOfRange
from liftbite.core.graph.graph import Needs
from liftbite.core.job.build import build_of
from liftbite.core.quantities import capacity, face
from liftbite.core.quantities.torque_curve import TorqueCurve
from liftbite.core.units.read import to_si
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.words import verdict_sentence
from tests.jobs import CAR, MOTORCYCLE, built, entries, with_curve

diameters = st.floats(0.05, 0.4).flatmap(lambda outer: st.tuples(st.just(outer), st.floats(0.01, outer * 0.99)))


def test_effective_radii_by_integration() -> None:
    """[handbook: Shigley, uniform wear and uniform pressure]: T = ∫ μ p(r) 2πr² dr, with p ~ 1/r and p constant."""
    ro, ri = 0.12, 0.075
    wear = quad(lambda r: r**2 / r, ri, ro)[0] / quad(lambda r: r / r, ri, ro)[0]
    even = quad(lambda r: r**2, ri, ro)[0] / quad(lambda r: r, ri, ro)[0]
    assert uniform_wear.effective_radius(2 * ro, 2 * ri) == pytest.approx(wear, rel=1e-12)
    assert uniform_pressure.effective_radius(2 * ro, 2 * ri) == pytest.approx(even, rel=1e-12)


def test_effective_radii_by_algebra() -> None:
    """The same in symbols (SymPy), with the limits: a thin ring, where both agree; a solid disc, 2/3 against 1/2."""
    ro, ri, r = sympy.symbols("r_o r_i r", positive=True)
    even = sympy.simplify(sympy.integrate(r**2, (r, ri, ro)) / sympy.integrate(r, (r, ri, ro)))
    assert sympy.limit(even, ri, ro) == ro
    assert sympy.simplify(even.subs(ri, 0) - sympy.Rational(2, 3) * ro) == 0
    assert uniform_pressure.effective_radius(0.24, 0.0) == pytest.approx(2 / 3 * 0.12)
    assert uniform_wear.effective_radius(0.24, 0.0) == pytest.approx(0.12 / 2)
    thin = (0.24, 0.2399999)
    assert uniform_pressure.effective_radius(*thin) == pytest.approx(uniform_wear.effective_radius(*thin), rel=1e-6)


@given(diameters)
def test_uniform_wear_is_the_cautious_model(pair: tuple[float, float]) -> None:
    assert uniform_wear.effective_radius(*pair) <= uniform_pressure.effective_radius(*pair) * (1 + 1e-12)


def test_edge_pressure_by_integration() -> None:
    """Under uniform wear p = p_max·r_i/r; its integral over the ring is the clamp load [handbook: Shigley]."""
    outer, inner, clamp = 0.24, 0.16, 8000.0
    p_max = face.edge_pressure(clamp, 1.0, outer, inner)
    force = quad(lambda r: p_max * (inner / 2) / r * 2 * np.pi * r, inner / 2, outer / 2)[0]
    assert force == pytest.approx(clamp, rel=1e-12)


def test_power_and_torque_in_shop_units_meet_at_5252_rpm() -> None:
    """hp = lb-ft × rpm / 5252.113 [standard: NIST SP 811 factors]."""
    power = to_si(100, "lb-ft") * to_si(5252.113, "rpm")
    assert power / to_si(1, "hp") == pytest.approx(100.0, rel=1e-7)


def test_five_friction_and_four_plain_plates_make_ten_faces() -> None:
    """[practice]: common practice, no source; the outer faces rub on hub and pressure plate."""
    assert wet_pack.friction_faces(5.0) == 10
    assert dry_discs.friction_faces(1.0) == 2


def test_leaving_out_the_primary_ratio_is_caught() -> None:
    verdict = answer(entries(MOTORCYCLE, basket_gear_teeth=None)).verdict
    assert verdict.state == "open"
    assert "basket_gear_teeth" in verdict.needs
    assert "basket" in verdict_sentence(verdict)


def test_the_primary_ratio_multiplies_the_demand() -> None:
    ratio = primary_gears.primary_ratio(70.0, 40.0)
    assert ratio == 1.75
    with_ratio, without = answer(entries(MOTORCYCLE)), answer(entries(MOTORCYCLE, basket_gear_teeth="40"))
    assert without.results["bite_margin"].low == pytest.approx(1.75 * with_ratio.results["bite_margin"].low)


def test_clamp_lost_from_plate_to_plate() -> None:
    """N 14, η 0.97 gives 11.57, not 14 and not 14·0.97¹⁴ [practice]; the sum of the series as a second way."""
    assert capacity.effective_faces(14, 0.97) == pytest.approx(sum(0.97**k for k in range(14)), rel=1e-12)
    assert capacity.effective_faces(14, 0.97) == pytest.approx(11.57, abs=0.005)
    np.testing.assert_allclose(
        capacity.effective_faces(np.array([2.0, 14.0]), np.array([1.0, 0.97])), [2.0, 11.572], 1e-4
    )


def test_spring_rate_of_din_en_13906_1() -> None:
    """[memory: DIN EN 13906-1:2013] k = G·d⁴/(8·D³·n); checked by the strain energy of a bar in torsion.

    Castigliano: δ = F·(D/2)²·L/(G·J), L = π·D·n, J = π·d⁴/32.
    """
    g, d, mean, coils = 78.5e9, 0.0026, 0.0142, 5.0
    compliance = (mean / 2) ** 2 * (np.pi * mean * coils) / (g * np.pi * d**4 / 32)
    assert spring_wire.spring_rate(g, d, mean, coils) == pytest.approx(1 / compliance, rel=1e-12)


def test_clamp_of_coil_springs_falls_with_every_millimetre_of_wear() -> None:
    clamp = coil_springs.spring_clamp(5.0, 20_000.0, 0.035, 0.025, 0.0)
    worn = coil_springs.spring_clamp(5.0, 20_000.0, 0.035, 0.025, 0.001)
    assert clamp - worn == pytest.approx(5 * 20_000 * 0.001)


@given(st.floats(500, 20_000), st.floats(0.05, 0.6), st.floats(0.03, 0.2), st.integers(1, 20), st.floats(1.001, 2.0))
def test_capacity_grows_with_clamp_friction_radius_and_faces(
    clamp: float, friction: float, radius: float, faces: int, more: float
) -> None:
    base = alike.friction_torque(faces, friction, clamp, radius)
    for grown in (
        alike.friction_torque(faces * more, friction, clamp, radius),
        alike.friction_torque(faces, friction * more, clamp, radius),
        alike.friction_torque(faces, friction, clamp * more, radius),
        alike.friction_torque(faces, friction, clamp, radius * more),
    ):
        assert grown > base


@given(st.floats(-1, 1), st.floats(0.05, 0.3), st.floats(0, 0.1), st.floats(0, 0.1))
def test_friction_stays_in_its_band(state: float, nominal: float, down: float, up: float) -> None:
    low = nominal - down * 0.4
    mu = face.friction_coefficient(low, nominal, nominal + up, state, 1.0)
    assert low - 1e-12 <= mu <= nominal + up + 1e-12


@pytest.mark.parametrize(
    ("call", "quantity"),
    [
        (lambda: uniform_wear.effective_radius(0.2, 0.3), "inner_diameter"),
        (lambda: uniform_pressure.effective_radius(0.2, 0.2), "inner_diameter"),
        (lambda: face.facing_area(0.2, 0.3, 1.0), "inner_diameter"),
        (lambda: face.edge_pressure(1000.0, 1.0, 0.2, 0.0), "inner_diameter"),
        (lambda: alike.friction_torque(2, 0.3, -1.0, 0.1), "clamp_load"),
        (lambda: capacity.torque_demand(100.0, 1.05), "use_factor"),
        (lambda: face.friction_coefficient(0.4, 0.3, 0.5, 0.0, 1.0), "friction_low"),
        (lambda: face.friction_coefficient(0.2, 0.3, 0.25, 0.0, 1.0), "friction_high"),
        (lambda: capacity.effective_faces(0, 1.0), "friction_faces"),
        (lambda: capacity.effective_faces(4, 1.2), "interface_efficiency"),
        (lambda: coil_springs.spring_clamp(5.0, 2e4, 0.03, 0.031, 0.0), "spring_installed_length"),
        (lambda: spring_wire.spring_rate(8e10, 0.02, 0.01, 5.0), "wire_diameter"),
        (lambda: wet_pack.friction_faces(0.0), "friction_plate_count"),
        (lambda: dry_discs.friction_faces(-1.0), "disc_count"),
        (lambda: primary_gears.primary_ratio(70.0, 0.0), "crank_gear_teeth"),
    ],
)
def test_documented_ranges_are_enforced(call, quantity: str) -> None:  # type: ignore[no-untyped-def]
    with pytest.raises(OutOfRange, match="has to be") as caught:
        call()
    assert caught.value.quantity == quantity


def test_a_million_candidates_equal_a_loop_on_a_sample() -> None:
    build = built(CAR)
    rng = np.random.default_rng(3)
    clamp = rng.uniform(4e3, 12e3, 200_000)
    at_once = build.graph.evaluate(["torque_capacity"], {**build.known, "friction_state": 0.0, "cover_clamp": clamp})
    for i in range(0, 200_000, 40_000):
        one = build.graph.evaluate(
            ["torque_capacity"], {**build.known, "friction_state": 0.0, "cover_clamp": float(clamp[i])}
        )
        assert at_once["torque_capacity"][i] == pytest.approx(one["torque_capacity"], rel=1e-14)


def test_missing_inputs_never_give_a_zero() -> None:
    answers = answer(entries({"layout": "dry_car"}))
    for name, value in answers.results.items():
        if name not in {"primary_ratio"}:
            assert isinstance(value, Needs), name


def test_hub_torque_is_divided_by_the_gear_that_was_driven() -> None:
    """800 N·m at the hubs in a ratio of 4 with 20 % lost is 250 N·m at the crank; forgotten, it would be 1000."""
    hubs = TorqueCurve.of([200.0, 400.0, 600.0], [640.0, 800.0, 600.0])
    job = with_curve(CAR, hubs, curve_reference="hub", dyno_ratio="4", driveline_loss="20 %")
    assert build_of(job).evaluate(("peak_engine_torque",))["peak_engine_torque"] == pytest.approx(250.0)
    forgotten = with_curve(CAR, hubs, curve_reference="two_wheel", driveline_loss="20 %")
    assert build_of(forgotten).evaluate(("peak_engine_torque",))["peak_engine_torque"] == pytest.approx(1000.0)


def test_a_known_day_lies_between_the_densest_and_standard_air() -> None:
    """Measured in thin air and corrected by hand, standard air comes out as with the figure corrected."""
    day = {"air": "known_day", "dyno_pressure": "960 hPa", "dyno_temperature": "25 °C"}
    names = ("peak_engine_torque", "standard_torque")
    measured = build_of(entries(CAR, **day)).evaluate(names)
    plain = build_of(entries(CAR)).evaluate(("peak_engine_torque",))["peak_engine_torque"]
    cf = 1.18 * (990 / 960) * (298.15 / 298) ** 0.5 - 0.18
    assert float(measured["standard_torque"]) == pytest.approx(plain * cf, rel=1e-9)
    assert float(measured["peak_engine_torque"]) > float(measured["standard_torque"]) > plain
