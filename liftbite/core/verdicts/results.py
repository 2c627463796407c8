"""What a job shows and asks for, by question.

- `RESULTS_OF`   question -> the results shown, in the order of reading
- `asked_of`     the inputs an arrangement has a field for
- `friction_of`, `target_of`   where in the friction band a result is judged, and what is asked of it
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.graph.graph import Graph, Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.job.groups import SIZES_DRAWN
from liftbite.core.job.inputs import FITS, INPUTS
from liftbite.core.verdicts.criteria import CRITERIA, margins_of
from liftbite.core.verdicts.verdict import Question

RESULTS_OF: Mapping[Question, tuple[str, ...]] = {
    "bite": (
        "peak_engine_torque",
        "peak_engine_torque_speed",
        "peak_engine_power",
        "peak_engine_power_speed",
        "primary_ratio",
        "torque_at_clutch",
        "torque_demand",
        "friction_faces",
        "friction_coefficient",
        "effective_radius",
        "clamp_load",
        "torque_capacity",
        "holdable_engine_torque",
        "kept_engine_torque",
        "bite_margin",
        "facing_area",
        "facing_area_total",
        "spring_rate",
        "standard_torque",
        "clamp_offset",
        "clamp_offset_direction",
    ),
    "lift": (
        "lift_needed",
        "lift_needed_least",
        "plate_lift_available",
        "lift_margin",
        "least_lift_margin",
        "overtravel_margin",
        "release_lever_ratio",
        "release_load",
        "heaviest_lift",
        "least_pedal_return",
        "return_margin",
        "inner_gap",
        "outer_gap",
        "floater_margin",
        "reshim_wear",
    ),
    "heat": (
        "vehicle_inertia",
        "start_clutch_torque",
        "slip_time",
        "slip_energy",
        "tyre_energy",
        "peak_slip_power",
        "lowest_start_speed",
        "held_slip_time",
        "held_slip_energy",
        "specific_energy",
        "energy_margin",
        "bulk_rise",
        "flash_rise",
        "base_temperature",
        "surface_temperature",
        "hot_temperature",
        "heat_margin",
        "sustained_margin",
        "mean_pressure",
        "edge_pressure",
        "pressure_margin",
        "heat_split",
        "other_specific_energy",
        "other_energy_margin",
        "other_flash_rise",
        "other_surface_temperature",
        "other_heat_margin",
        "other_mean_pressure",
        "other_pressure_margin",
        "full_load_slip_power",
        "full_load_temperature",
        "wear_per_start",
        "starts_to_limit",
        "distance_to_limit",
    ),
    "true": (
        "flywheel_inertia",
        "engine_inertia",
        "mean_hoop_stress",
        "burst_speed",
        "burst_margin",
        "bore_stress",
        "elastic_margin",
        "yield_margin",
        "certified_margin",
        "rim_speed",
        "disc_speed_missed_shift",
        "disc_speed_margin",
        "permissible_unbalance",
        "residual_unbalance",
        "balance_margin",
        "gross_balance_margin",
        "unbalance_force",
        "drill_depth",
        "housing_bore_margin",
        "housing_face_margin",
        "flywheel_face_margin",
        "pilot_margin",
        "pilot_room_margin",
        "plain_warp_margin",
        "push_rod_margin",
        "effective_mass",
        "stored_energy",
        "free_rev_time",
        "synchro_energy",
        "shaft_torque_limit",
        "shaft_margin",
        "spline_torque_limit",
        "spline_margin",
        "damper_margin",
        "bolt_preload",
        "proof_margin",
        "joint_slip_torque",
        "joint_margin",
    ),
}

#: What the criteria ask of a margin, where it is not 1.
_NEEDED = {
    row.value: row.need for row in reversed([*CRITERIA.values()]) if isinstance(row.need, float) and not any(row.states)
}
#: Inputs that no result passes on but that stroke, life, verdicts and starts look at.
_LOOKED_AT = (
    "effort_limit",
    "plate_lift_limit",
    "bearing_reserve",
    "tyre_grip",
    "driven_load_share",
    "release_time",
    "stall_speed",
    "full_load_slip_time",
    "full_load_slip_speed",
    "starts_in_row",
    "start_interval",
    "restrictor_time",
    "gear_ratios",
)
_OF_TWINS = {"floater_clearance", "floater_thickness", "inner_wear"}
_OF_HYDRAULICS = ("master_stroke", "slave_stroke", "pressure_rating")


def results_in(graph: Graph) -> tuple[str, ...]:
    """Every result of an arrangement, in the order of reading; what it does not work out is left out."""
    return tuple(name for names in RESULTS_OF.values() for name in names if name in graph.functions)


def asked_of(build: Build) -> tuple[str, ...]:
    """The inputs an arrangement has a field for, in the order of work."""
    graph, layout = build.graph, build.chosen.layout
    needed = set(
        graph.inputs(
            (
                *results_in(graph),
                *(n for question in RESULTS_OF for n in margins_of(question)),
                "pedal_travel",
                "heat_network",
            )
        )
    )
    needed |= {*_LOOKED_AT, *SIZES_DRAWN.get(layout, ())}
    if "master_travel" in graph.functions:
        needed |= set(_OF_HYDRAULICS)
        needed |= {"fluid_wet_boiling", "fluid_dry_boiling", "ambient_temperature"}
    if build.chosen.has("car"):
        needed |= set(FITS.values())
    else:
        needed -= {"bearing_reserve"}
    if build.known.get("disc_count") == 1:
        needed -= _OF_TWINS
    return tuple(name for name in INPUTS if name in needed)


def friction_of(result: str) -> float:
    """Place in the friction band a result is judged at: what breaks first at high friction, the rest at nominal."""
    return 1.0 if result in RESULTS_OF["true"] else 0.0


def target_of(build: Build, result: str) -> float | None:
    """What is asked of a margin; None for what is no margin, or while nothing says it."""
    if result == "bite_margin":
        wanted = build.evaluate(("use_factor",))["use_factor"]
        return None if isinstance(wanted, Needs | Refused) else float(wanted)
    return _NEEDED.get(result, 1.0) if result.endswith("_margin") else None
