"""How figures and choices stand together on screen, in the order of work.

- `Group`, `GROUPS`   the groups, each with the kinds of parts that bring its figures
- `rows_of`           the inputs and choices of a group
- `VIEWS`             the groups beside each view of the workbench
- `SIZES_DRAWN`       layout -> inputs that only the drawing needs
- `DRAWN`             part of the drawing -> its groups, and the results that come from it

A row names its group itself (`Input.group`, `Choice.group`), so a new one is shown without being listed here.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.parts import CAR, MOTORCYCLE


@dataclass(frozen=True, slots=True)
class Group:
    """Figures and choices that stand together.

    Attributes
    ----------
    name, title : name in the interface, heading on screen
    slots : kinds of parts that bring its figures
    order : rows that stand in an order of their own; the others follow, choices first, in the order of work
    """

    name: str
    title: str
    slots: tuple[str, ...] = ()
    order: tuple[str, ...] = ()


GROUPS: Mapping[str, Group] = {
    g.name: g
    for g in (
        Group(
            "engine",
            "Engine output",
            order=(
                "curve_source",
                "measured_curve",
                "peak_torque",
                "peak_torque_speed",
                "peak_power",
                "peak_power_speed",
                "curve_reference",
                "dyno_ratio",
                "air",
                "dyno_pressure",
                "dyno_temperature",
                "dry_pressure",
                "intake_temperature",
                "driveline_loss",
            ),
        ),
        Group("stage", "Planned stage", order=("stage_plan", "stage_gain", "replacement_curve")),
        Group("use", "Use"),
        Group("fates", "What stays, what is renewed"),
        Group("primary", "Primary drive"),
        Group("stack", "Stack", slots=("disc", "plates")),
        Group(
            "facing",
            "Facing",
            slots=("material",),
            order=(
                "facing_material",
                "friction_low",
                "friction_nominal",
                "friction_high",
                "pressure_limit",
                "pressure_hard_limit",
                "coverage",
                "capacity_model",
                "pressure_slope",
                "facing_pair",
                "other_material",
                "other_outer_diameter",
                "other_inner_diameter",
                "other_coverage",
                "other_friction_low",
                "other_friction_nominal",
                "other_friction_high",
                "other_pressure_limit",
            ),
        ),
        Group(
            "clamp",
            "Clamp",
            slots=("cover", "springs"),
            order=(
                "clamp_source",
                "cover_clamp",
                "spring_lengths",
                "spring_count",
                "spring_rate_source",
                "spring_rate",
                "wire_diameter",
                "coil_mean_diameter",
                "active_coils",
                "shear_modulus",
                "spring_free_length",
                "spring_free_lengths",
                "spring_installed_length",
                "spring_circle_diameter",
                "diaphragm_outer_diameter",
                "diaphragm_inner_diameter",
                "diaphragm_thickness",
                "diaphragm_cone_height",
                "diaphragm_set",
                "plate_seat_diameter",
                "fulcrum_diameter",
                "finger_tip_diameter",
                "lever_ratio",
                "plate_lift_limit",
            ),
        ),
        Group(
            "cover",
            "Cover, finer points",
            order=(
                "cover_action",
                "finger_flex",
                "strap_force",
                "fingers",
                "finger_mass",
                "finger_centroid_radius",
                "finger_offset",
                "adjuster",
                "adjuster_range",
                "hub",
                "ramp_radius",
                "ramp_angle",
            ),
        ),
        Group(
            "bearing",
            "Bearing",
            slots=("bearing",),
            order=("bearing", "bearing_preload", "bearing_clearance", "bearing_reserve"),
        ),
        Group(
            "release",
            "Release",
            slots=("master", "slave"),
            order=(
                "release",
                "pedal_stroke",
                "pedal_ratio",
                "master_diameter",
                "master_stroke",
                "slave_diameter",
                "slave_outer_diameter",
                "slave_inner_diameter",
                "slave_stroke",
                "fork_ratio",
                "effort_limit",
            ),
        ),
        Group(
            "losses",
            "What the chain loses",
            slots=("fluid",),
            order=(
                "trapped_air",
                "hose_swell",
                "cable_stiffness",
                "pedal_free_play",
                "port_travel",
                "pedal_efficiency",
                "arm_efficiency",
                "pedal_spring",
                "pedal_return_force",
                "assist_force",
                "assist_rate",
                "assist_arm",
                "assist_anchor",
                "assist_centre",
                "pedal_arm",
                "assist_travels",
                "assist_forces",
                "pedal_drag",
                "slave_spring_force",
                "pressure_rating",
                "fluid_dry_boiling",
                "fluid_wet_boiling",
            ),
        ),
        Group(
            "room",
            "Lift that is needed",
            order=(
                "cushion_travel",
                "disc_wobble",
                "hot_coning",
                "running_gap",
                "gap_single",
                "gap_several",
                "least_gap",
            ),
        ),
        Group("wear", "Wear"),
        Group("sizes", "Sizes of the drawing"),
        Group(
            "flywheel",
            "Flywheel",
            slots=("flywheel",),
            order=(
                "inertia_source",
                "flywheel_inertia",
                "flywheel_mass",
                "flywheel_diameter",
                "flywheel_bore",
                "gyration_share",
                "wire_radius",
                "wire_length",
                "swing_period",
                "ring_outer_diameters",
                "ring_inner_diameters",
                "ring_thicknesses",
                "ring_densities",
            ),
        ),
        Group(
            "strength",
            "Strength at speed",
            order=(
                "redline",
                "flywheel_build",
                "certified_speed",
                "flywheel_material",
                "flywheel_tensile",
                "flywheel_strength",
                "hole_width",
                "ring_gear",
                "ring_gear_mass",
                "ring_gear_diameter",
                "density",
                "poisson_ratio",
                "burst_share",
                "strength_factor",
                "stress_concentration",
                "disc_burst_speed",
                "gear_ratio_from",
                "gear_ratio_into",
            ),
        ),
        Group(
            "turning",
            "What turns with it",
            slots=("crank",),
            order=(
                "crank_inertia",
                "cover_inertia",
                "basket_inertia",
                "disc_inertia",
                "gear_ratios",
                "idle_speed",
                "free_rev_torque",
                "shift_speed_step",
            ),
        ),
        Group(
            "balance",
            "Balance",
            order=(
                "balance",
                "balance_grade",
                "rotating_mass",
                "unbalance_source",
                "residual_unbalance",
                "register_offset",
                "unbalance_amounts",
                "unbalance_angles",
                "drilling",
                "drill_radius",
                "drill_diameter",
            ),
        ),
        Group("joint", "Flywheel joint", slots=("bolts",)),
        Group("shaft", "Shaft and damper", slots=("shaft",)),
        Group("runs", "Runout"),
        Group(
            "fits",
            "What has to fit",
            slots=("crank", "pilot", "starter", "housing"),
            order=(
                "disc_spline_count",
                "disc_spline_diameter",
                "shaft_spline_diameter",
                "cover_disc_size",
                "cover_bolt_circle",
                "flywheel_cover_bolt_circle",
                "cover_dowel_count",
                "flywheel_dowel_count",
                "cover_step_height",
                "flywheel_step_height",
                "flywheel_insert",
                "crank_bolt_count",
                "crank_bolt_circle",
                "engine_external_balance",
                "flywheel_external_balance",
                "ring_gear_teeth",
                "starter_ring_gear_teeth",
                "starter_flywheel_diameter",
                "crank_pilot_bore",
                "pilot_outer_diameter",
                "pilot_inner_diameter",
                "shaft_pilot_diameter",
                "housing_depth",
                "shaft_housing_depth",
            ),
        ),
        Group(
            "start",
            "Start",
            order=(
                "start",
                "throttle",
                "start_engine_speed",
                "start_acceleration",
                "start_clutch_share",
                "start_engine_share",
                "release_time",
                "restrictor_time",
                "starts_in_row",
                "start_interval",
                "full_load_slip_time",
                "full_load_slip_speed",
                "stall_speed",
                "rev_limit",
                "engine_drag_share",
            ),
        ),
        Group(
            "schedule",
            "Heat over time",
            order=(
                "start_schedule",
                "heat_before",
                "first_temperature",
                "flywheel_heat_mass",
                "floater_mass",
                "cover_mass",
                "basket_mass",
            ),
        ),
        Group(
            "vehicle",
            "Vehicle",
            order=("drive", "vehicle_mass", "trailer_mass", "tyre_radius", "gear_ratio", "final_ratio", "grade"),
        ),
        Group(
            "heat",
            "Heat",
            order=(
                "heat_mass",
                "heat_share",
                "cooling",
                "ambient_temperature",
                "specific_heat",
                "conductivity",
                "plate_density",
                "sustained_temperature",
                "brief_temperature",
                "fade_share",
                "specific_energy_limit",
            ),
        ),
    )
}


def rows_of(group: str) -> tuple[str, ...]:
    """The inputs and choices of a group, in the order they are shown.

    >>> rows_of("use")
    ('vehicle_class', 'use', 'use_factor')
    """
    order = GROUPS[group].order
    choices = [c.name for c in CHOICES.values() if c.group == group]
    rows = [*choices, *(i.name for i in INPUTS.values() if i.group == group)]
    return tuple(sorted(rows, key=lambda name: order.index(name) if name in order else len(order)))


#: View of the workbench -> the groups beside it.
VIEWS: Mapping[str, tuple[str, ...]] = {
    "brief": ("engine", "stage", "use"),
    "section": ("release", "losses", "stack", "clamp", "bearing", "cover", "room", "wear", "sizes", "fits"),
    "bite": ("primary", "stack", "facing", "clamp", "bearing", "cover", "heat", "shaft"),
    "start": ("start", "vehicle", "schedule", "heat", "turning", "flywheel", "wear"),
    "against": ("fates",),
    "flywheel": ("flywheel", "turning", "strength", "balance", "joint", "runs", "fits", "vehicle"),
}

#: Part of the drawing -> its groups, and the results that come from it.
DRAWN: Mapping[str, tuple[tuple[str, ...], tuple[str, ...]]] = {
    "crank": (("joint", "balance", "fits"), ("joint_margin", "proof_margin", "unbalance_force")),
    "flywheel": (
        ("flywheel", "strength", "runs", "fits", "sizes"),
        ("flywheel_inertia", "burst_margin", "rim_speed", "flywheel_face_margin"),
    ),
    "disc": (
        ("stack", "facing", "room", "wear", "sizes"),
        ("torque_capacity", "mean_pressure", "lift_needed", "pressure_margin"),
    ),
    "floater": (("stack", "sizes"), ("inner_gap", "outer_gap", "floater_margin", "reshim_wear")),
    "plates": (("stack", "facing", "room", "wear", "sizes"), ("torque_capacity", "mean_pressure", "lift_needed")),
    "basket": (("primary", "turning"), ("torque_at_clutch", "engine_inertia")),
    "plate": (("heat", "sizes"), ("bulk_rise", "base_temperature", "surface_temperature")),
    "spring": (("clamp",), ("clamp_load", "spring_rate", "bite_margin")),
    "cover": (("clamp", "cover"), ("clamp_load", "release_lever_ratio", "overtravel_margin")),
    "bearing": (("bearing",), ("release_lever_ratio", "lift_margin")),
    "shaft": (("shaft", "fits"), ("shaft_margin", "spline_margin", "damper_margin")),
    "release": (("release", "losses"), ("plate_lift_available", "lift_needed", "lift_margin", "least_lift_margin")),
}

#: Layout -> inputs that only the drawing needs.
SIZES_DRAWN: Mapping[str, tuple[str, ...]] = {
    CAR: ("disc_thickness", "floater_thickness", "pressure_plate_thickness", "flywheel_thickness"),
    MOTORCYCLE: ("friction_plate_thickness", "plain_plate_thickness", "pressure_plate_thickness"),
}
