"""Every shared formula worked by hand once more, with figures a builder can check on a pocket calculator.

Sources stand beside each; [practice] is common practice of the trade, no source.
"""

from __future__ import annotations

import math

import numpy as np
import pytest

from liftbite.core.arrangements.capacity_model import uniform_wear
from liftbite.core.arrangements.facing_pair import alike
from liftbite.core.arrangements.floater_stop import stands
from liftbite.core.arrangements.layout import dry_discs, wet_pack
from liftbite.core.arrangements.release import cable, hydraulics
from liftbite.core.arrangements.unbalance_source import vectors
from liftbite.core.measure.setup.bearing import bearing_stacks, reserve_window
from liftbite.core.measure.setup.flywheel_cut import flywheel_cut
from liftbite.core.parts.mismatch import mismatches
from liftbite.core.quantities import balance, capacity, face, flywheel, heat, joint, release, start, strength, wear
from liftbite.core.units.read import from_si, to_si

INCH = 0.0254
LBF = 4.4482216152605


class TestBite:
    """Chapter and verse: a 9 1/2 by 6 1/8 in organic disc under an 1850 lbf cover."""

    outer, inner, clamp = 9.5 * INCH, 6.125 * INCH, 1850 * LBF

    def test_radius(self) -> None:
        radius = uniform_wear.effective_radius(self.outer, self.inner)
        assert radius / INCH == pytest.approx(3.90625)

    def test_capacity_in_shop_units(self) -> None:
        """2 faces × 0.30 × 1850 lbf × 3.90625 in / 12 = 361.3 lb-ft."""
        torque = alike.friction_torque(2, 0.30, self.clamp, (self.outer + self.inner) / 4)
        assert from_si(torque, "lb-ft") == pytest.approx(2 * 0.30 * 1850 * 3.90625 / 12)

    def test_area_and_pressure_in_shop_units(self) -> None:
        """π/4·(9.5² − 6.125²) = 41.42 in²; 1850/41.42 = 44.67 psi."""
        area = face.facing_area(self.outer, self.inner, 1.0)
        assert from_si(area, "in²") == pytest.approx(math.pi / 4 * (9.5**2 - 6.125**2))
        assert from_si(face.mean_pressure(self.clamp, area), "psi") == pytest.approx(44.67, abs=0.01)

    def test_uniform_wear_edge_pressure(self) -> None:
        """p_max = F/(2π r_i (r_o − r_i)) [handbook: Shigley]: 1850/(2π·3.0625·1.6875) = 56.97 psi."""
        edge = face.edge_pressure(self.clamp, 1.0, self.outer, self.inner)
        assert from_si(edge, "psi") == pytest.approx(1850 / (2 * math.pi * 3.0625 * 1.6875))

    def test_edge_over_mean(self) -> None:
        """The edge carries (r_o + r_i)/(2·r_i) times the mean."""
        mean = face.mean_pressure(self.clamp, face.facing_area(self.outer, self.inner, 1.0))
        edge = face.edge_pressure(self.clamp, 1.0, self.outer, self.inner)
        assert edge / mean == pytest.approx((9.5 + 6.125) / (2 * 6.125))

    def test_a_margin_at_the_low_end_of_the_band(self) -> None:
        """A margin of 1.2 at μ 0.30 is 1.0 at μ 0.25 [practice]."""
        assert pytest.approx(1.0) == 1.2 * 0.25 / 0.30
        high, low = (alike.friction_torque(2, mu, self.clamp, 0.1) for mu in (0.30, 0.25))
        assert low / high == pytest.approx(1 / 1.2)

    def test_smaller_discs_and_more_of_them(self) -> None:
        """Two discs at half the radius carry what one carries at the whole."""
        assert alike.friction_torque(4, 0.3, 8e3, 0.05) == alike.friction_torque(2, 0.3, 8e3, 0.10)

    def test_demand(self) -> None:
        clutch = capacity.torque_at_clutch(90.0, 1.75, 0.98)
        assert clutch == pytest.approx(154.35)
        assert capacity.torque_demand(clutch, 1.35) == pytest.approx(208.3725)
        assert capacity.holdable_engine_torque(clutch, 1.75, 0.98) == pytest.approx(90.0)
        assert capacity.kept_engine_torque(130.0, 1.3) == pytest.approx(100.0)

    def test_net_clamp(self) -> None:
        """8000 N of spring, 0.05 MPa left in a 1000 mm² concentric slave at R_d 4: 200 N off [practice]."""
        takes = 0.05e6 * 1000e-6 * 4
        assert takes == pytest.approx(200)
        assert capacity.clamp_load(8000.0, takes, -50.0, 100.0) == pytest.approx(7850)

    def test_faces(self) -> None:
        assert [dry_discs.friction_faces(float(n)) for n in (1, 2, 3)] == [2, 4, 6]
        assert wet_pack.friction_faces(8.0) == 16


class TestLift:
    """A 3/4 in master on a 52/38 mm concentric slave, pedal 5.6, fingers 4.5."""

    def test_areas(self) -> None:
        assert hydraulics.master_area(0.75 * INCH) * 1e6 == pytest.approx(285.02, abs=0.01)

    def test_a_whole_stroke_by_hand(self) -> None:
        """150 mm of pedal less 6 is 25.71 mm at the rod, less 1 of port 24.71; 7.12 at the slave, 1.50 at the plate."""
        rod = (0.150 - 0.006) / 5.6
        slave = (rod - 0.001) * 285.023 / 989.602
        assert rod * 1e3 == pytest.approx(25.714, abs=0.001)
        assert slave * 1e3 == pytest.approx(7.118, abs=0.001)
        assert slave * 0.95 / 4.5 * 1e3 == pytest.approx(1.5027, abs=0.0005)
        reach = hydraulics.plate_lift_reach(0.150, 0.006, 5.6, 0.001, 285.023e-6, 989.602e-6, 1.0, 0.0, 0.95, 4.5)
        assert reach == pytest.approx(slave * 0.95 / 4.5)

    def test_force_back_to_front(self) -> None:
        """7200 N at the plate: 1600 at the bearing, 1.617 MPa, 461 N at the rod, 91.4 N at the pad and 10 of spring."""
        bearing = release.bearing_force(7200.0, 0.0, 0.0, 4.5)
        pressure = hydraulics.line_pressure(hydraulics.slave_force(bearing, 1.0, 0.0), 989.602e-6)
        assert bearing == pytest.approx(1600)
        assert pressure / 1e6 == pytest.approx(1.6168, abs=0.0001)
        assert hydraulics.pedal_effort(pressure, 285.023e-6, 5.6, 0.9, 10.0) == pytest.approx(101.43, abs=0.02)

    def test_a_millilitre_of_air(self) -> None:
        """At 2 MPa one millilitre shrinks to 0.048: 0.952 mL is lost, 3.3 mm of a 285 mm² master."""
        lost = hydraulics.soft_volume(2e6, 0.0, 1e-6)
        assert lost * 1e6 == pytest.approx(0.9518, abs=0.0001)
        assert lost / 285.02e-6 * 1e3 == pytest.approx(3.34, abs=0.01)

    def test_half_a_millimetre_of_port_doubt(self) -> None:
        """Half a millimetre at a 285 mm² master is 0.14 mL [practice]."""
        pushed = hydraulics.master_area(0.01905) * 0.0005
        assert pushed * 1e6 == pytest.approx(0.1425, abs=0.0005)

    def test_a_quarter_inch_crossed_on_every_stroke(self) -> None:
        """6.35 mm × 1000 mm² is 22 mm of a 19 mm master [practice]."""
        travel = hydraulics.master_travel(0.00635, 1000e-6, 0.0, hydraulics.master_area(0.019))
        assert travel * 1e3 == pytest.approx(22.4, abs=0.1)

    def test_a_cable(self) -> None:
        """300 N in a cable of 150 N/mm is 2 mm, 10 mm at a 5:1 lever."""
        stretch = cable.cable_stretch(300.0, 150e3)
        assert stretch * 1e3 == pytest.approx(2.0)
        assert cable.pedal_travel(0.008, stretch, 5.0, 0.01) * 1e3 == pytest.approx(60.0)

    def test_gaps_of_a_twin(self) -> None:
        """x 0.045 in, f 0.022 in: 0.022 inside and 0.023 outside, near half each [practice]."""
        assert stands.inner_gap(0.022 * INCH, 0.0, 0.0) / INCH == pytest.approx(0.022)
        assert stands.outer_gap(0.045 * INCH, 0.022 * INCH, 0.0, 0.0) / INCH == pytest.approx(0.023)
        assert stands.reshim_wear(0.045 * INCH, 0.022 * INCH, 0.0, 0.00015) * 1e3 == pytest.approx(0.2842, abs=0.0001)

    def test_common_practice_against_the_sum(self) -> None:
        """0.045 in frees button discs without cushion; a cushioned street disc asks for more [practice]."""
        buttons = release.lift_needed(4, 0.0002, 0.0, 0.0001)
        street = release.lift_needed(2, 0.0004, 0.0007 + 0.00015, 0.0)
        assert buttons < 0.045 * INCH < street


class TestTrue:
    """A 290 mm steel wheel of 7.2 kg at 7000 rpm."""

    redline = to_si(7000, "rpm")

    def test_rim_speed(self) -> None:
        assert strength.rim_speed(0.29, self.redline) == pytest.approx(106.3, abs=0.1)

    def test_the_ring_of_the_rim(self) -> None:
        """ρv² of the rim at over-speed is a floor for the bore stress."""
        over = strength.overspeed(self.redline)
        floor = 7850 * (over * 0.145) ** 2 * (3 + 0.3) / 4
        assert strength.bore_stress(7850.0, 0.3, 0.29, 0.04, over, 1.0) > floor

    def test_felt_mass(self) -> None:
        """0.05 kg·m² in a 3.4 × 3.9 first on 310 mm tyres weighs like 91 kg; in a 0.8 top like 5 kg."""
        first = flywheel.effective_mass(0.05, 1.0, 3.4, 3.9, 0.31)
        top = flywheel.effective_mass(0.05, 1.0, 0.8, 3.9, 0.31)
        assert first == pytest.approx(91.5, abs=0.1)
        assert first / top == pytest.approx((3.4 / 0.8) ** 2)

    def test_off_its_register(self) -> None:
        """10 kg 0.02 mm off its register is 200 g·mm, more than twice G 6.3 at 7000 rpm, 86 g·mm [practice]."""
        allowed = balance.permissible_unbalance(0.0063, 10.0, self.redline)
        assert pytest.approx(200) == 10 * 0.02e-3 * 1e6
        assert allowed * 1e6 == pytest.approx(86, abs=0.1)
        assert balance.balance_margin(allowed, 200e-6) < 0.5

    def test_four_bolts_of_one_weight_and_one_heavier(self) -> None:
        angles = np.arange(4) * np.pi / 2
        assert vectors.residual_unbalance(np.array([1.0, 1.0, 1.2, 1.0]), angles) == pytest.approx(0.2)

    def test_revving(self) -> None:
        """0.2 kg·m² from 850 to 7000 rpm with 180 N·m to spare: 0.72 s."""
        time = flywheel.free_rev_time(0.2, self.redline, to_si(850, "rpm"), 180.0, 1.0)
        assert time == pytest.approx(0.2 * (7000 - 850) * math.pi / 30 / 180)

    def test_a_bolted_joint(self) -> None:
        """Eight M11 at 100 N·m, K 0.2: 45.5 kN each; 0.7 of it at μ 0.12 on a 76 mm circle holds 1161 N·m."""
        preload = joint.bolt_preload(100.0, 0.2, 0.011, 0.0, 0.00125, 76e-6, 0.02, 80e3)
        assert preload == pytest.approx(45_455, abs=1)
        assert joint.joint_slip_torque(8.0, 0.7 * preload, 0.12, 0.076, 0.0) == pytest.approx(1161, abs=1)
        assert joint.joint_margin(1161.0, 545.0, 400.0) == pytest.approx(1161 / 600)


class TestHeat:
    """A pull-away: 60 N·m through the clutch at 157 rad/s, 0.8 kg·m² of vehicle, 5 N·m of road."""

    def test_a_held_speed(self) -> None:
        """157·0.8/55 + 0.5·(1 + 5/60) = 2.825 s."""
        assert start.held_slip_time(157.0, 0.8, 60.0, 5.0, 1.0) == pytest.approx(157 * 0.8 / 55 + 0.5 * (1 + 5 / 60))

    def test_let_in_at_once(self) -> None:
        """½·60·157·(157·0.8/55): half of what the engine gives meanwhile."""
        energy = start.held_slip_energy(157.0, 0.8, 60.0, 5.0, 1e-9)
        assert energy == pytest.approx(60 * 157 * (157 * 0.8 / 55) / 2, rel=1e-6)

    def test_bulk(self) -> None:
        """10 kJ, half of it into 5.5 kg of iron: 1.8 K."""
        assert heat.bulk_rise(10e3, 0.5, 5.5, 500.0) == pytest.approx(1.818, abs=0.001)

    def test_repeats_settle(self) -> None:
        """In the long run each rise adds q/(1−q) of itself."""
        q = math.exp(-60 * 8 / (5.5 * 500))
        base = heat.base_temperature(353.15, 353.15, 1.818, 1e4, 60.0, 5.5, 500.0, 8.0)
        assert base - 353.15 == pytest.approx(1.818 * q / (1 - q))

    def test_wear_of_a_life(self) -> None:
        """5·10⁻⁵ mm³/J, 10 kJ on 243 cm²: 0.0206 µm a start, 68 000 starts to 1.4 mm."""
        per = alike.wear_per_start(5e-14, 10e3, 243e-4)
        assert per * 1e6 == pytest.approx(0.0206, abs=0.0001)
        assert wear.starts_to_limit(0.0014, 0.0, per) == pytest.approx(68_040, abs=10)

    def test_the_working_ceiling(self) -> None:
        """30 kJ on 500 cm² is 0.6 J/mm², inside the 0.5 to 1 of a hard start."""
        assert 0.5 < from_si(face.specific_energy(30e3, 0.05), "J/mm²") < 1


class TestFitting:
    """What is decided before the gearbox goes in."""

    def test_two_schools_and_the_computed_window(self) -> None:
        window = reserve_window(0.0014, 4.5, 0.00668, 0.020)
        assert window.low / INCH == pytest.approx(0.268, abs=0.001), "the rule's 1/8 in would bottom"
        stack = bearing_stacks(0.090, 0.060, [0.0061, 0.0127, 0.0132], window)[0]
        assert window.low <= stack.reserve <= window.high

    @pytest.mark.parametrize(
        ("face", "seat", "fingers"), [(0.3, 0.3, -0.3), (0.3, 0.0, 1.35), (0.0, 0.3, -1.65), (0.0, 0.0, 0.0)]
    )
    def test_cuts(self, face: float, seat: float, fingers: float) -> None:
        assert flywheel_cut(face / 1e3, seat / 1e3, 4.5).fingers * 1e3 == pytest.approx(fingers)

    def test_several_mismatches_are_all_named(self) -> None:
        found = mismatches(
            {
                "flywheel": {"crank_bolts": 6, "external_balance": 0.0, "ring_gear_teeth": 132, "step_height": 0.0},
                "crank": {"crank_bolts": 8, "external_balance": 28 * 0.000720078},
                "starter": {"ring_gear_teeth": 132},
                "cover": {"step_height": 0.0005},
            }
        )
        assert {m.slots for m in found} == {("flywheel", "crank"), ("cover", "flywheel")}
        assert len(found) == 3
