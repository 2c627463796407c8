"""Laws that hold for every quantity: homogeneous in its units, arrays equal loops, monotone where physics says so."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest

from liftbite.api.jobs.workings import working_out
from liftbite.core.analysis.working import working
from liftbite.core.graph.docstring import read_doc
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.arrangement import QUANTITIES
from liftbite.core.job.build import NOW, Build, build_of
from liftbite.core.job.inputs import INPUTS, STATES
from liftbite.core.units.kinds import KINDS
from liftbite.core.verdicts.criteria import LOW
from tests.jobs import FULL, MOTORCYCLE, PULLED, entries

#: A motorcycle with every figure entered that its arrangement asks for.
WHOLE_MOTORCYCLE = {
    **MOTORCYCLE,
    "release": "lever_hydraulic",
    "master_diameter": "14 mm",
    "slave_diameter": "28 mm",
    "pedal_stroke": "75 mm",
    "pedal_ratio": "5.4",
    "plate_lift_limit": "3 mm",
    "crank_inertia": "0.011 kg·m²",
    "basket_inertia": "0.01 kg·m²",
    "vehicle_mass": "280 kg",
    "tyre_radius": "310 mm",
    "gear_ratio": "2.8",
    "final_ratio": "2.7",
    "start": "standing",
    "heat_mass": "1.1 kg",
    "hub": "ramps",
    "ramp_radius": "38 mm",
    "ramp_angle": "80 °",
    "spring_lengths": "each",
    "spring_free_lengths": "45; 44.8; 44.9; 45; 44.2; 45 mm",
    "spring_circle_diameter": "96 mm",
    "spring_rate_source": "wire",
    "wire_diameter": "2.4 mm",
    "coil_mean_diameter": "14 mm",
    "active_coils": "5.5",
    "capacity_model": "uniform_pressure",
    **{
        q: t
        for q, t in FULL.items()
        if q
        in {
            "redline",
            "idle_speed",
            "flywheel_material",
            "flywheel_diameter",
            "flywheel_bore",
            "disc_inertia",
            "rotating_mass",
            "residual_unbalance",
            "gear_ratio_from",
            "gear_ratio_into",
            "disc_burst_speed",
            "shaft_diameter",
            "shaft_yield",
            "spline_pitch_diameter",
            "spline_count",
            "spline_height",
            "spline_engagement",
            "damper_stop_torque",
            "bolt_count",
            "bolt_diameter",
            "bolt_pitch",
            "bolt_torque",
            "bolt_proof_strength",
            "bolt_circle_diameter",
            "drill_radius",
            "drill_diameter",
            "shift_speed_step",
            "free_rev_torque",
            "starts_per_distance",
        }
    },
    "flywheel_inertia": "0.01 kg·m²",
}
CABLE_CAR = {
    **{q: t for q, t in FULL.items() if not q.startswith(("slave_", "master_"))},
    "release": "cable_fork",
    "fork_ratio": "2.2",
    "fingers": "counted",
    "finger_mass": "0.3 kg",
    "finger_centroid_radius": "58 mm",
    "finger_offset": "1.5 mm",
    "adjuster": "self_adjusting",
    "adjuster_range": "2 mm",
    "capacity_model": "coned_plate",
    "pressure_slope": "0.2",
    "air": "corrected",
    "unbalance_source": "register",
    "register_offset": "0.01 mm",
    "facing_material": "carbon",
    "inertia_source": "swing",
    "wire_radius": "120 mm",
    "wire_length": "1.5 m",
    "swing_period": "1.4 s",
}
#: A twin whose discs differ by side, a pulled cover, straps at the floater, a spring over the pedal's centre.
RACE = {
    **FULL,
    **PULLED,
    "disc_count": "2",
    "facing_pair": "differ",
    "other_material": "cermet",
    "other_outer_diameter": "238 mm",
    "other_inner_diameter": "160 mm",
    "floater_stop": "straps",
    "air": "known_day",
    "dyno_pressure": "960 hPa",
    "dyno_temperature": "25 °C",
    "drilling": "axial",
    "heat_before": "known",
    "first_temperature": "120 °C",
    "pedal_spring": "over_centre",
    "assist_force": "700 N",
    "assist_rate": "8 N/mm",
    "assist_arm": "50 mm",
    "assist_anchor": "110 mm",
    "assist_centre": "30 mm",
    "pedal_arm": "300 mm",
}
_FLUID = {"fluid_wet_boiling": "155 °C"}
_ENTERED = {"full_load_slip_time": "2 s"}
_CERTIFIED = {"certified_speed": "9000 rpm"}
JOBS = {
    "car": FULL | _FLUID | _ENTERED | _CERTIFIED,
    "cable car": CABLE_CAR | _ENTERED | _CERTIFIED,
    "race car": RACE | _FLUID | _ENTERED | _CERTIFIED,
    "motorcycle": WHOLE_MOTORCYCLE
    | _FLUID
    | _ENTERED
    | {
        "plain_warp": "0.1 mm",
        "push_rod_bow": "0.2 mm",
        "plate_seat_diameter": "221 mm",
        "fulcrum_diameter": "191 mm",
        "master_stroke": "14 mm",
        "slave_stroke": "9 mm",
    },
}
AT = {"wear": 0.0004, "plate_lift": 0.0009, "clutch_speed": 300.0, "engine_speed": 350.0, "facing_temperature": 420.0}


def worked(name: str) -> tuple[Build, dict[str, Any]]:
    build = build_of(entries(JOBS[name]))
    return build, build.evaluate_through(build.graph.functions, friction=-0.5, **AT)


def plain_calls() -> list[tuple[str, str]]:
    """Every quantity of every job whose arguments are single figures."""
    found = []
    for job in JOBS:
        build, values = worked(job)
        for name, parameters in build.graph.parameters.items():
            arguments = [values.get(p) for p in parameters]
            if (
                name != "measured_curve"
                and parameters
                and all(isinstance(a, float | int) for a in arguments)
                and isinstance(values[name], float | int)
            ):
                found.append((job, name))
    return found


CALLS = plain_calls()


@pytest.mark.parametrize("job", JOBS)
def test_every_result_opens_its_working_and_every_step_follows_from_its_terms(job: str) -> None:
    """Single figures, several ones and curves: what a step says it comes to is its own function of what enters."""
    build, _ = worked(job)
    for result in build.graph.functions:
        steps = working(build, result, stage=NOW, friction=LOW)
        assert steps[0].name == result
        assert len(working_out(steps, "low friction").steps) == len(steps)
        for step in steps:
            arguments = [np.array(v) if isinstance(v := t.value, tuple) else t.whole or v for t in step.terms]
            if step.value is None or step.whole is not None or None in (t.value for t in step.terms):
                continue
            again = build.graph.functions[step.name](*arguments)
            assert np.ravel(again) == pytest.approx(np.ravel(step.value), rel=1e-9), (result, step.name)


def test_every_job_is_worked_out_in_full() -> None:
    for job in JOBS:
        _, values = worked(job)
        blank = {n: v for n, v in values.items() if isinstance(v, Needs | Refused)}
        assert blank == {}, job


def test_nearly_every_quantity_is_covered() -> None:
    covered = {name for _, name in CALLS}
    whole = ("curve", "start_case", "start_run", "heat_network")
    curves = {n for n, f in QUANTITIES.items() if any(w in p for p in (*f.__code__.co_varnames, n) for w in whole)}
    lists = {
        "spring_free_length",
        "spring_count",
        "spring_spread",
        "clamp_offset",
        "clamp_offset_direction",
        "flywheel_inertia",
    }
    nothing = {n for n, f in QUANTITIES.items() if not f.__code__.co_argcount}
    assert set(QUANTITIES) - covered - curves - lists - nothing <= {"plate_lift_available", "engine_torque"}


@pytest.mark.parametrize(("job", "name"), CALLS)
def test_arrays_equal_loops(job: str, name: str) -> None:
    build, values = worked(job)
    function, parameters = build.graph.functions[name], build.graph.parameters[name]
    arguments = [float(values[p]) for p in parameters]
    spread = np.array([0.98, 0.99, 1.0])
    at_once = np.broadcast_to(function(*(a * spread for a in arguments)), 3)
    one_by_one = [function(*(a * s for a in arguments)) for s in spread]
    np.testing.assert_allclose(at_once, one_by_one, rtol=1e-10)


#: SI unit -> exponents of length, mass, time.
EXPONENTS = {
    "m": (1, 0, 0),
    "N": (1, 1, -2),
    "N·m": (2, 1, -2),
    "W": (2, 1, -3),
    "rad/s": (0, 0, -1),
    "Pa": (-1, 1, -2),
    "N/m": (0, 1, -2),
    "m²": (2, 0, 0),
    "kg": (0, 1, 0),
    "m³": (3, 0, 0),
    "kg·m": (1, 1, 0),
    "J": (2, 1, -2),
    "kg·m²": (2, 1, 0),
    "s": (0, 0, 1),
    "m/s": (1, 0, -1),
    "m³/Pa": (4, -1, 2),
    "m³/J": (1, -1, 2),
    "kg/m³": (-3, 1, 0),
    "J/m²": (0, 1, -2),
    "J/(kg·K)": (2, 0, -2),
    "W/(m·K)": (1, 1, -3),
    "W/K": (2, 1, -3),
    "m/s of G": (1, 0, -1),
    "m³ of fluid": (3, 0, 0),
    "1/m": (-1, 0, 0),
    "m driven": (1, 0, 0),
    "m/s²": (1, 0, -2),
    "-": (0, 0, 0),
    "count": (0, 0, 0),
    "share": (0, 0, 0),
    "rad": (0, 0, 0),
    "K": (0, 0, 0),
    "K diff": (0, 0, 0),
    "1/K": (0, 0, 0),
    "J/K": (2, 1, -2),
}
#: What carries a constant of nature or of a material in itself, so that it does not scale.
CONSTANTS = {
    "spring_clamp",
    "lifted_spring_force",
    "spring_peak_clamp",
    "diaphragm_stress",
    "soft_volume",
    "start_load_torque",
    "flywheel_inertia",
    "air_gain",
    "plate_lift_available",
    "overtravel_margin",
    "balance_margin",
    "housing_bore_margin",
    "housing_face_margin",
    "flywheel_face_margin",
    "fluid_margin",
    "pilot_room_margin",
    "peak_pedal_effort",
    "peak_line_pressure",
    "pedal_at_overtravel",
    "pedal_at_master_stop",
    "pedal_at_slave_stop",
    "gross_balance_margin",
    "tyre_torque",
    "sleeve_stroke",  # a grade, gravity, a margin
    "least_pedal_return",
    "return_margin",
    "sleeve_wear",
    "standard_torque",
    "release_load",
    "heaviest_lift",
    "pedal_at_sleeve_end",  # springs and fluids whose constants they pass through
}


def test_the_exponents_name_every_unit() -> None:
    assert set(KINDS) <= set(EXPONENTS)


@pytest.mark.parametrize(("job", "name"), [c for c in CALLS if c[1] not in CONSTANTS])
@pytest.mark.parametrize("scale", [(2.0, 1.0, 1.0), (1.0, 3.0, 1.0), (1.0, 1.0, 0.5)], ids=["length", "mass", "time"])
def test_every_quantity_is_homogeneous_in_its_units(job: str, name: str, scale: tuple[float, float, float]) -> None:
    """Dimensional consistency: measured in other base units, the same formula gives the same thing."""
    build, values = worked(job)
    doc = read_doc(build.graph.functions[name])

    def factor(unit: str) -> float:
        return float(np.prod([s**e for s, e in zip(scale, EXPONENTS[unit], strict=True)]))

    arguments = [float(values[p]) * factor(doc.arguments[p].unit) for p in build.graph.parameters[name]]
    expected = float(values[name]) * factor(doc.result.unit)
    assert build.graph.functions[name](*arguments) == pytest.approx(expected, rel=1e-9, abs=1e-15)


#: quantity, input, +1 where it rises with the input and −1 where it falls: laws a builder would swear to.
LAWS = [
    ("bite_margin", "clamp_load", 1),
    ("bite_margin", "friction_low", 1),
    ("bite_margin", "outer_diameter", 1),
    ("bite_margin", "inner_diameter", 1),
    ("bite_margin", "peak_engine_torque", -1),
    ("mean_pressure", "clamp_load", 1),
    ("mean_pressure", "outer_diameter", -1),
    ("mean_pressure", "coverage", -1),
    ("edge_pressure", "inner_diameter", 1),
    ("spring_clamp", "diaphragm_thickness", 1),
    ("clamp_load", "bearing_preload", -1),
    ("clamp_load", "strap_force", 1),
    ("lever_ratio", "finger_tip_diameter", -1),
    ("lift_needed", "gap_single", 1),
    ("lift_needed", "cushion_travel", 1),
    ("lift_needed", "disc_wobble", 1),
    ("lift_needed", "hot_coning", 1),
    ("plate_lift_available", "master_diameter", 1),
    ("plate_lift_available", "slave_outer_diameter", -1),
    ("plate_lift_available", "slave_inner_diameter", 1),
    ("plate_lift_available", "pedal_stroke", 1),
    ("plate_lift_available", "pedal_ratio", -1),
    ("plate_lift_available", "pedal_free_play", -1),
    ("plate_lift_available", "port_travel", -1),
    ("plate_lift_available", "hose_swell", -1),
    ("plate_lift_available", "finger_flex", 1),
    ("plate_lift_available", "bearing_clearance", -1),
    ("pedal_effort", "master_diameter", 1),
    ("pedal_effort", "slave_outer_diameter", -1),
    ("pedal_effort", "pedal_ratio", -1),
    ("pedal_effort", "pedal_efficiency", -1),
    ("pedal_effort", "pedal_return_force", 1),
    ("line_pressure", "strap_force", 1),
    ("overtravel_margin", "plate_lift_limit", 1),
    ("outer_gap", "floater_clearance", -1),
    ("inner_gap", "floater_clearance", 1),
    ("reshim_wear", "floater_clearance", -1),
    ("floater_margin", "disc_wobble", -1),
    ("bore_stress", "redline", 1),
    ("bore_stress", "density", 1),
    ("bore_stress", "flywheel_diameter", 1),
    ("bore_stress", "flywheel_bore", 1),
    ("burst_margin", "flywheel_tensile", 1),
    ("burst_margin", "flywheel_diameter", -1),
    ("burst_margin", "hole_width", -1),
    ("elastic_margin", "flywheel_strength", 1),
    ("elastic_margin", "strength_factor", -1),
    ("rim_speed", "redline", 1),
    ("disc_speed_margin", "gear_ratio_into", -1),
    ("disc_speed_margin", "gear_ratio_from", 1),
    ("flywheel_inertia", "flywheel_mass", 1),
    ("flywheel_inertia", "gyration_share", 1),
    ("effective_mass", "flywheel_mass", 1),
    ("effective_mass", "gear_ratio", 1),
    ("effective_mass", "tyre_radius", -1),
    ("stored_energy", "flywheel_mass", 1),
    ("stored_energy", "start_engine_speed", 1),
    ("free_rev_time", "flywheel_mass", 1),
    ("free_rev_time", "free_rev_torque", -1),
    ("synchro_energy", "disc_inertia", 1),
    ("permissible_unbalance", "rotating_mass", 1),
    ("permissible_unbalance", "redline", -1),
    ("balance_margin", "residual_unbalance", -1),
    ("housing_bore_margin", "housing_bore_runout", -1),
    ("housing_face_margin", "housing_face_limit", 1),
    ("flywheel_face_margin", "flywheel_face_runout", -1),
    ("pilot_margin", "pilot_engagement", 1),
    ("pilot_room_margin", "pilot_engagement", -1),
    ("unbalance_force", "redline", 1),
    ("vehicle_inertia", "vehicle_mass", 1),
    ("vehicle_inertia", "gear_ratio", -1),
    ("start_load_torque", "grade", 1),
    ("start_load_torque", "trailer_mass", 1),
    ("start_load_torque", "rolling_resistance", 1),
    ("slip_energy", "vehicle_mass", 1),
    ("slip_energy", "start_engine_speed", 1),
    ("slip_energy", "gear_ratio", -1),
    ("slip_energy", "tyre_radius", 1),
    ("specific_energy", "outer_diameter", -1),
    ("energy_margin", "specific_energy_limit", 1),
    ("bulk_rise", "heat_mass", -1),
    ("bulk_rise", "specific_heat", -1),
    ("flash_rise", "conductivity", -1),
    ("flash_rise", "plate_density", -1),
    ("base_temperature", "start_interval", -1),
    ("base_temperature", "starts_in_row", 1),
    ("base_temperature", "cooling", -1),
    ("surface_temperature", "ambient_temperature", 1),
    ("heat_margin", "brief_temperature", 1),
    ("sustained_margin", "sustained_temperature", 1),
    ("wear_per_start", "wear_rate", 1),
    ("starts_to_limit", "facing_depth", 1),
    ("distance_to_limit", "starts_per_distance", -1),
    ("shaft_margin", "shaft_diameter", 1),
    ("shaft_margin", "shock_factor", -1),
    ("shaft_margin", "clamp_load", -1),
    ("spline_margin", "spline_engagement", 1),
    ("spline_margin", "spline_sharing", -1),
    ("damper_margin", "damper_stop_torque", 1),
    ("joint_margin", "bolt_torque", 1),
    ("joint_margin", "joint_friction", 1),
    ("joint_margin", "preload_scatter", -1),
    ("joint_margin", "dowel_torque", 1),
    ("proof_margin", "bolt_torque", -1),
    ("proof_margin", "bolt_proof_strength", 1),
]


@pytest.mark.parametrize(("quantity", "moved", "sign"), LAWS)
def test_laws_a_builder_would_swear_to(quantity: str, moved: str, sign: int) -> None:
    """Over ±8 % of the input, or a little above nothing, the quantity moves one way only."""
    build = build_of(entries(FULL))
    base = build.evaluate_through((moved,), **{k: v for k, v in AT.items() if k != "engine_speed"})[moved]
    steps = np.linspace(0.92, 1.08, 9) * base if base else np.linspace(0, 1, 9) * _little(moved)
    friction = -1.0 if moved == "friction_low" else 0.0
    found = [
        build.evaluate_through((quantity,), friction=friction, plate_lift=0.0009, **{moved: float(x)})[quantity]
        for x in steps
    ]
    assert np.all(sign * np.diff(np.array(found, dtype=np.float64)) > 0), found


def _little(name: str) -> float:
    """A step for what stands at nothing: a tenth of its usual range."""
    low, high = INPUTS[name].usual
    return (high - max(low, 0.0)) / 10


def test_states_at_rest_change_nothing() -> None:
    build = build_of(entries(FULL))
    for name in ("bite_margin", "lift_margin", "heat_margin"):
        assert (
            build.evaluate_through((name,))[name] == build.evaluate((name,), **{"wear": 0.0, "clutch_speed": 0.0})[name]
        )
    assert set(STATES) <= set(build.known)
