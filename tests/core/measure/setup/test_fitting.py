"""Sums of the bench beside the graph, and corrected air."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.arrangements.air import corrected as air_corrected
from liftbite.core.graph.graph import Needs
from liftbite.core.measure.setup import fitting
from liftbite.core.measure.setup.fitting import INCH, Window, bearing_cushion, cylinder_choices, flywheel_cut
from liftbite.core.measure.setup.proving import bearing_stacks
from tests.jobs import CAR, FULL, MOTORCYCLE, built

RULE = Window(0.125 * INCH, 0.375 * INCH)


@pytest.mark.parametrize(
    ("x", "y", "spacers", "cushion"),
    [
        (3.21875, 2.5, (), 0.719),
        (3.21875, 2.5, (0.509,), 0.210),
        (2.880, 2.402, (), 0.478),
        (2.880, 2.402, (0.25,), 0.228),
        (3.75, 3.325, (), 0.425),
    ],
)
def test_cushions_of_the_trade(x: float, y: float, spacers: tuple[float, ...], cushion: float) -> None:
    """[practice]: common practice, no source; X, Y and spacers in inches."""
    found = bearing_cushion(x * INCH, y * INCH, [s * INCH for s in spacers]) / INCH
    assert found == pytest.approx(cushion, abs=0.0006)


def test_the_stack_nearest_the_middle_is_named_from_measured_thicknesses() -> None:
    spacers = [t * INCH for t in (0.254, 0.255, 0.12)]
    best = bearing_stacks(3.21875 * INCH, 2.5 * INCH, spacers, RULE)[0]
    assert best.pieces == (0, 1)
    assert best.cushion / INCH == pytest.approx(0.210, abs=0.0006)
    assert not any(s.in_window for s in bearing_stacks(3.0 * INCH, 2.9 * INCH, spacers, RULE))


def test_the_rule_of_thumb_covers_little_wear() -> None:
    """1/8 in at R_d 4 covers only 0.79 mm of total wear [practice]."""
    assert pytest.approx(0.79, abs=0.005) == 0.125 * INCH / 4 * 1e3
    window = fitting.cushion_window(0.0014, 4.0, 0.0065, 0.020)
    assert window.low > RULE.low
    assert (
        fitting.cushion_window(0.004, 4.0, 0.0065, 0.012).low > fitting.cushion_window(0.004, 4.0, 0.0065, 0.012).high
    )


def test_cutting_both_levels_and_one_have_opposite_signs() -> None:
    both, face = flywheel_cut(0.0005, 0.0005, 4.0), flywheel_cut(0.0005, 0.0, 4.0)
    assert both.fingers < 0 < face.fingers
    assert (both.acts_as_wear, face.acts_as_wear) == (0.0, 0.0005)
    assert both.hub_nearer == face.hub_nearer == 0.0005


def test_a_cut_face_acts_like_wear_on_clamp_and_lift() -> None:
    """A diaphragm set past its peak clamps more at first, coil springs less."""
    diaphragm, coils = built(FULL), built(MOTORCYCLE)
    worn = flywheel_cut(0.0005, 0.0, 4.5).acts_as_wear
    more, less = (
        s.evaluate(("clamp_load",), wear=worn)["clamp_load"] - s.evaluate(("clamp_load",))["clamp_load"]
        for s in (diaphragm, coils)
    )
    assert more > 0 > less


def test_a_shut_port_and_a_taller_bearing() -> None:
    """20 mL by 60 K at a 1000 mm² bearing: 0.9 mm [practice]."""
    assert fitting.port_shut(20e-6, 7.5e-4, 60.0, 1000e-6) == pytest.approx(0.0009)
    assert fitting.taller_bearing(0.00635, 2.0, 0.003) < 0


def test_stocked_bores_forwards_and_backwards() -> None:
    build = built(FULL)
    found = cylinder_choices(build)
    assert isinstance(found, list)
    assert found
    assert all(c.lift_margin >= 1.1 and c.effort <= 250 for c in found)
    again = build.evaluate(("lift_margin",), master_diameter=found[0].master)["lift_margin"]
    assert again == pytest.approx(found[0].lift_margin, rel=1e-9)
    ratio = fitting.area_ratio_needed(build)
    assert isinstance(ratio, float)
    area = build.evaluate(("slave_area",))["slave_area"]
    master = float(np.sqrt(area / ratio * 4 / np.pi))
    reach = build.evaluate(("plate_lift_reach", "lift_needed"), master_diameter=master)
    assert reach["plate_lift_reach"] == pytest.approx(1.1 * reach["lift_needed"], rel=1e-9)
    assert isinstance(cylinder_choices(built(CAR)), Needs)
    assert isinstance(fitting.area_ratio_needed(built(CAR)), Needs)


def test_pairs_are_tried_where_the_slave_is_stocked_too() -> None:
    typed = {q: t for q, t in FULL.items() if not q.startswith("slave_")}
    build = built(typed, release="hydraulic_fork", slave_diameter="22 mm", fork_ratio="2.1", slave_stroke="30 mm")
    found = cylinder_choices(build)
    assert isinstance(found, list)
    assert len({c.slave for c in found}) > 1


def test_a_lighter_wheel_changes_some_things_and_leaves_others() -> None:
    old = built(FULL).evaluate(("flywheel_inertia",))["flywheel_inertia"]
    found = fitting.wheel_change(built(FULL), old / 2)
    assert found["effective_mass"][1] == pytest.approx(found["effective_mass"][0] / 2)
    for name in ("stored_energy", "free_rev_time"):
        assert found[name][1] < found[name][0]
    for name in ("bite_margin", "lift_margin"):
        assert found[name][1] == found[name][0]


def test_corrected_figures_are_taken_back_to_the_densest_day() -> None:
    """[standard: SAE J1349, from memory]: 1030 hPa and 0 °C give cf ≈ 0.906, about 10 % more than the figures."""
    assert 1 / air_corrected.air_gain(103_000.0, 273.0) == pytest.approx(0.906, abs=0.001)
    assert air_corrected.air_gain(99_000.0, 298.0) == pytest.approx(1.0)
    plain = built(CAR).evaluate(("peak_engine_torque",))["peak_engine_torque"]
    dense = built(CAR, air="corrected").evaluate(("peak_engine_torque",))["peak_engine_torque"]
    assert dense / plain == pytest.approx(1.10, abs=0.01)


def test_a_restrictor_slows_the_pedal() -> None:
    from liftbite.core.analysis.launch import LaunchCase, case_of

    held = case_of(built(FULL, start="dropped", restrictor_time="0.6 s"), stage=0)
    free = case_of(built(FULL, start="dropped"), stage=0)
    assert isinstance(held, LaunchCase)
    assert isinstance(free, LaunchCase)
    assert (held.release_time, free.release_time) == (0.6, 0.1)


def test_a_pulled_cover_is_not_ended_by_the_bearing() -> None:
    from liftbite.core.analysis.life import Life, life

    found = life(built(FULL, cover_action="pull", bearing_reserve="0.1 mm"), stage=0, friction=-1)
    assert isinstance(found, Life)
    assert "bearing" not in dict(found.ends)
