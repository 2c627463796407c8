"""Jobs of an invented shop. Every name, vehicle and figure here is made up."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, datetime

OPENED = datetime(2026, 3, 2, 8, 30, tzinfo=UTC)


@dataclass(frozen=True, slots=True)
class InBuild:
    """What was typed in a build of its own."""

    build: str
    typed: Mapping[str, str]


@dataclass(frozen=True, slots=True)
class DemoJob:
    """A job as it was entered: the day it came in, and what was typed step by step."""

    day: int
    steps: tuple[Mapping[str, str] | InBuild, ...]

    @property
    def vehicle(self) -> str:
        """The vehicle it is about."""
        return next(s["vehicle"] for s in self.steps if not isinstance(s, InBuild) and "vehicle" in s)


JOBS: tuple[DemoJob, ...] = (
    DemoJob(
        0,
        (
            {
                "layout": "dry_car",
                "job_name": "Bramwick estate, slips with the caravan",
                "vehicle": "Bramwick 2.0 estate",
            },
            {
                "curve_source": "peaks",
                "curve_reference": "crank",
                "peak_torque": "350 N·m",
                "peak_torque_speed": "1900",
                "peak_power": "150 PS",
                "peak_power_speed": "3900",
                "use": "towing",
            },
            {
                "disc_count": "1",
                "outer_diameter": "240 mm",
                "inner_diameter": "155 mm",
                "facing_material": "organic",
                "cover_clamp": "5.6 kN",
            },
            {"notes": "Tows 1.4 t over the pass every other weekend. Smell on the last climb."},
        ),
    ),
    DemoJob(
        3,
        (
            {
                "layout": "dry_car",
                "job_name": "Halvern coupé, stage two",
                "vehicle": "Halvern 2.4 coupé, owner R. Tolland",
            },
            {"curve_source": "file", "measured_curve": "halvern-wheels.csv", "curve_reference": "two_wheel"},
            {"use": "tuned", "stage_plan": "scaled", "stage_gain": "18 %"},
            {
                "disc_count": "1",
                "outer_diameter": "9 1/2 in",
                "inner_diameter": "6 1/8 in",
                "facing_material": "organic",
            },
            {"cover_clamp": "1560 lbf"},
            {"notes": "Holds today. Owner wants the larger intake and a new map in spring: will it still?"},
        ),
    ),
    DemoJob(
        4,
        (
            {
                "layout": "dry_car",
                "job_name": "Halvern coupé, twin-disc plan",
                "vehicle": "Halvern 2.4 coupé, owner R. Tolland",
            },
            {"curve_source": "file", "measured_curve": "halvern-wheels.csv", "curve_reference": "two_wheel"},
            {"use": "tuned", "stage_plan": "scaled", "stage_gain": "18 %"},
            {
                "disc_count": "2",
                "outer_diameter": "184 mm",
                "inner_diameter": "124 mm",
                "facing_material": "cermet",
                "cover_clamp": "7.4 kN",
            },
            {
                "release": "hydraulic_fork",
                "pedal_stroke": "148 mm",
                "pedal_ratio": "5.4",
                "master_diameter": "3/4 in",
                "master_stroke": "36 mm",
                "slave_diameter": "13/16 in",
                "slave_stroke": "28 mm",
                "fork_ratio": "2.4",
                "lever_ratio": "4.2",
                "plate_lift_limit": "2.4 mm",
                "bearing_reserve": "9 mm",
                "floater_clearance": "0.022 in",
                "disc_wobble": "0.2 mm",
                "facing_depth": "0.6 mm",
                "effort_limit": "200 N",
            },
            {
                "inertia_source": "weight",
                "flywheel_mass": "6.1 kg",
                "flywheel_diameter": "275 mm",
                "flywheel_bore": "38 mm",
                "flywheel_material": "steel",
                "flywheel_insert": "own",
                "flywheel_strength": "900 MPa",
                "redline": "7200 rpm",
                "idle_speed": "850 rpm",
                "crank_inertia": "0.055 kg·m²",
                "cover_inertia": "0.031 kg·m²",
                "disc_inertia": "0.004 kg·m²",
                "rotating_mass": "12.4 kg",
                "residual_unbalance": "28 g·mm",
                "gear_ratios": "3.32; 1.95; 1.41; 1.08; 0.86",
                "free_rev_torque": "150 N·m",
                "shift_speed_step": "2300 rpm",
                "bolt_count": "8",
                "bolt_diameter": "11 mm",
                "bolt_pitch": "1.25 mm",
                "bolt_torque": "95 N·m",
                "bolt_proof_strength": "970 MPa",
                "bolt_circle_diameter": "78 mm",
                "crank_bolt_count": "8",
                "crank_bolt_circle": "78 mm",
                "gear_ratio_from": "1.41",
                "gear_ratio_into": "3.32",
                "disc_burst_speed": "21000 rpm",
            },
            {
                "start": "pull_away",
                "vehicle_mass": "1290 kg",
                "tyre_radius": "305 mm",
                "gear_ratio": "3.32",
                "final_ratio": "3.91",
                "heat_mass": "3.4 kg",
                "cooling": "11 W/K",
                "starts_per_distance": "0.6 1/km",
                "start_schedule": "6 x standing every 45 s; rest 8 min; 6 x standing every 45 s",
                "bolt_instructions": "kit: 95 N·m, blue locker; vehicle maker: 44 lb-ft + 90°, oiled",
            },
            {
                "shaft_diameter": "25.4 mm",
                "shaft_yield": "980 MPa",
                "disc_thickness": "6.4 mm",
                "floater_thickness": "8 mm",
                "pressure_plate_thickness": "14 mm",
            },
            {"flywheel_fate": "renewed"},
            InBuild(
                "found",
                {"inertia_source": "figure", "flywheel_inertia": "0.135 kg·m²", "flywheel_material": "grey_iron"},
            ),
            InBuild("organic twin", {"facing_material": "organic", "cover_clamp": "9.6 kN"}),
        ),
    ),
    DemoJob(
        9,
        (
            {"layout": "wet_motorcycle", "job_name": "Ostrel 900, heavier springs?", "vehicle": "Ostrel 900 twin"},
            {"curve_source": "file", "measured_curve": "ostrel-crank.csv", "curve_reference": "crank", "use": "track"},
            {"primary_source": "teeth", "basket_gear_teeth": "72", "crank_gear_teeth": "41"},
            {
                "friction_plate_count": "7",
                "outer_diameter": "137 mm",
                "inner_diameter": "109 mm",
                "facing_material": "paper",
            },
            {
                "spring_rate_source": "wire",
                "wire_diameter": "2.6 mm",
                "coil_mean_diameter": "14.2 mm",
                "active_coils": "5",
                "spring_count": "6",
                "spring_free_length": "46.8 mm",
                "spring_installed_length": "31.5 mm",
                "shear_modulus": "79 GPa",
            },
            {
                "release": "lever_cable",
                "pedal_stroke": "75 mm",
                "pedal_ratio": "4.8",
                "fork_ratio": "5.6",
                "pedal_free_play": "10 mm",
                "spring_circle_diameter": "72 mm",
            },
            {
                "crank_inertia": "0.012 kg·m²",
                "basket_inertia": "0.011 kg·m²",
                "vehicle_mass": "275 kg",
                "tyre_radius": "310 mm",
                "gear_ratio": "2.6",
                "final_ratio": "2.9",
                "start": "pull_away",
                "heat_mass": "0.9 kg",
                "redline": "11000 rpm",
            },
        ),
    ),
    DemoJob(
        11,
        (
            {"layout": "wet_motorcycle", "job_name": "Merrix 600, tired springs", "vehicle": "Merrix 600 four, track"},
            {
                "curve_source": "peaks",
                "curve_reference": "chain",
                "peak_torque": "44 lb-ft",
                "peak_torque_speed": "9500",
                "peak_power": "98 hp",
                "peak_power_speed": "12500",
                "use": "track",
            },
            {
                "primary_ratio": "1.9",
                "friction_plate_count": "8",
                "outer_diameter": "4 7/8 in",
                "inner_diameter": "96 mm",
                "facing_material": "paper",
            },
            {
                "spring_rate": "17.4 N/mm",
                "spring_count": "5",
                "spring_free_length": "44.1 mm",
                "spring_installed_length": "30.6 mm",
            },
        ),
    ),
    DemoJob(
        16,
        (
            {"layout": "dry_car", "job_name": "Dunlode hillclimb special", "vehicle": "Dunlode single-seater"},
            {"use": "drag", "curve_reference": "crank", "notes": "Engine still on the stand; curve to follow."},
        ),
    ),
    DemoJob(
        18,
        (
            {"layout": "dry_car", "job_name": "Kestrane roadster, bearing set-up", "vehicle": "Kestrane 3.0 roadster"},
            {
                "curve_source": "peaks",
                "curve_reference": "crank",
                "peak_torque": "310 N·m",
                "peak_torque_speed": "4600",
                "peak_power": "255 hp",
                "peak_power_speed": "6900",
                "use": "track",
            },
            {
                "disc_count": "1",
                "outer_diameter": "9 7/16 in",
                "inner_diameter": "155 mm",
                "facing_material": "organic",
                "cover_clamp": "10.1 kN",
                "facing_depth": "1.1 mm",
            },
            {
                "release": "concentric",
                "master_diameter": "3/4 in",
                "slave_outer_diameter": "52 mm",
                "slave_inner_diameter": "38 mm",
                "slave_stroke": "20 mm",
                "pedal_stroke": "150 mm",
                "pedal_ratio": "5.4",
                "lever_ratio": "3.9",
                "plate_lift_limit": "2.6 mm",
                "master_stroke": "34 mm",
            },
        ),
    ),
)


#: Who fits, what was said of some steps, and how far a job is: job, the step at hand, its bolts that are tight.
FITTER = "Ines Marrow"
SAID_OF = {
    "cautions": "read",
    "free_height": "612 mm, the gearbox on its jack stands 540 mm high",
    "disc_out": "two discs, dots of paint on the sides to the flywheel, inner one marked I",
    "prove_flywheel": "seal dry, face bare, pilot 1 mm below the flange, index hole found",
}
#: Checks that were closed by name before anything went in -> why.
CLOSED = {
    **dict.fromkeys(("disc_condition", "puck_thickness"), "both discs are new since spring, looked over"),
    **dict.fromkeys(
        ("finger_height", "finger_tips", "plate_face", "plate_flatness"), "the cover came back from its maker in spring"
    ),
    **dict.fromkeys(
        ("flywheel_thickness", "flywheel_step", "flywheel_bolts", "ring_gear"), "another flywheel goes in, with its own"
    ),
    **dict.fromkeys(("bearing_bore", "fork", "input_shaft", "shaft_seal"), "looked over and dry, no figures taken"),
    "housing_face": "only the bore is read this time",
    **dict.fromkeys(("hydraulics_leak", "hydraulics_fluid"), "the line stays closed, bled in spring"),
}
FITTED = ((3, "flywheel_on", 3),)
#: What was done besides, for parts the bench wants renewed.
ALSO_DONE = ("bearing_beside",)
