"""Jobs the tests are about, typed as a builder would type them."""

from __future__ import annotations

from liftbite.core.job.build import Build, build_of
from liftbite.core.job.ledger import Entry, Revision, curve_entry, read_entry
from liftbite.core.quantities.torque_curve import TorqueCurve

CAR = {
    "layout": "dry_car",
    "job_name": "Test coupé",
    "curve_source": "peaks",
    "curve_reference": "crank",
    "peak_torque": "400 N·m",
    "peak_torque_speed": "3800 rpm",
    "peak_power": "220 kW",
    "peak_power_speed": "6200 rpm",
    "use": "tuned",
    "disc_count": "1",
    "outer_diameter": "240 mm",
    "inner_diameter": "160 mm",
    "facing_material": "organic",
    "cover_clamp": "9 kN",
}

MOTORCYCLE = {
    "layout": "wet_motorcycle",
    "job_name": "Test twin",
    "curve_source": "peaks",
    "curve_reference": "crank",
    "peak_torque": "90 N·m",
    "peak_torque_speed": "7000 rpm",
    "peak_power": "80 kW",
    "peak_power_speed": "9500 rpm",
    "use": "track",
    "primary_source": "teeth",
    "basket_gear_teeth": "70",
    "crank_gear_teeth": "40",
    "friction_plate_count": "7",
    "outer_diameter": "140 mm",
    "inner_diameter": "110 mm",
    "facing_material": "paper",
    "spring_count": "6",
    "spring_rate": "25 N/mm",
    "spring_free_length": "45 mm",
    "spring_installed_length": "30 mm",
}


#: What makes a pulled cover of `FULL`: its fulcrum ring lies outside the plate seat.
PULLED = {"cover_action": "pull", "plate_seat_diameter": "191 mm", "fulcrum_diameter": "221 mm"}


def entries(typed: dict[str, str], **changes: str | None) -> dict[str, Entry]:
    """Entries of what was typed, with some changed or (None) left out."""
    merged = {**typed, **changes}
    return {name: read_entry(name, text) for name, text in merged.items() if text is not None}


def with_curve(typed: dict[str, str], curve: TorqueCurve, **changes: str | None) -> dict[str, Entry]:
    """The same with a measured curve in place of the two peaks."""
    found = entries(typed, curve_source="file", **changes)
    return found | {"measured_curve": curve_entry("measured_curve", "run.csv", curve)}


def built(typed: dict[str, str], **changes: str | None) -> Build:
    return build_of(entries(typed, **changes))


def ledger_of(typed: dict[str, str]) -> list[Revision]:
    """The entries as a ledger of one revision."""
    return [Revision(1, "start", "2026-03-02T08:30:00.000000Z", tuple(entries(typed).values()))]


FULL = {
    **{q: t for q, t in CAR.items() if q != "cover_clamp"},
    "job_name": "Everything entered",
    "inner_diameter": "155 mm",
    "pressure_limit": "0.6 MPa",
    "clamp_source": "diaphragm",
    "diaphragm_outer_diameter": "225 mm",
    "diaphragm_inner_diameter": "178 mm",
    "diaphragm_thickness": "2.8 mm",
    "diaphragm_cone_height": "4.6 mm",
    "diaphragm_set": "5.2 mm",
    "plate_seat_diameter": "221 mm",
    "fulcrum_diameter": "191 mm",
    "finger_tip_diameter": "56 mm",
    "bearing": "rides",
    "bearing_preload": "80 N",
    "plate_lift_limit": "2.6 mm",
    "bearing_reserve": "9 mm",
    "release": "concentric",
    "master_diameter": "3/4 in",
    "slave_outer_diameter": "52 mm",
    "slave_inner_diameter": "38 mm",
    "pedal_stroke": "150 mm",
    "pedal_ratio": "5.6",
    "master_stroke": "34 mm",
    "slave_stroke": "20 mm",
    "effort_limit": "250 N",
    "redline": "7000 rpm",
    "idle_speed": "850 rpm",
    "flywheel_material": "steel",
    "flywheel_diameter": "290 mm",
    "flywheel_bore": "40 mm",
    "inertia_source": "weight",
    "flywheel_mass": "7.2 kg",
    "crank_inertia": "0.05 kg·m²",
    "cover_inertia": "0.045 kg·m²",
    "disc_inertia": "0.006 kg·m²",
    "rotating_mass": "13 kg",
    "residual_unbalance": "25 g·mm",
    "gear_ratio_from": "1.35",
    "gear_ratio_into": "3.4",
    "disc_burst_speed": "19000 rpm",
    "vehicle_mass": "1350 kg",
    "tyre_radius": "310 mm",
    "gear_ratio": "3.4",
    "final_ratio": "3.9",
    "start": "pull_away",
    "heat_mass": "5.5 kg",
    "starts_per_distance": "0.5 1/km",
    "shaft_diameter": "25.5 mm",
    "shaft_yield": "950 MPa",
    "spline_pitch_diameter": "25 mm",
    "spline_count": "24",
    "spline_height": "1.2 mm",
    "spline_engagement": "32 mm",
    "damper_stop_torque": "620 N·m",
    "bolt_count": "8",
    "bolt_diameter": "11 mm",
    "bolt_pitch": "1.25 mm",
    "bolt_torque": "100 N·m",
    "bolt_proof_strength": "970 MPa",
    "bolt_circle_diameter": "76 mm",
    "shift_speed_step": "2200 rpm",
    "free_rev_torque": "180 N·m",
    "floater_clearance": "0.022 in",
    "drill_radius": "135 mm",
    "drill_diameter": "9 mm",
    "housing_bore_runout": "0.06 mm",
    "housing_face_runout": "0.05 mm",
    "flywheel_face_runout": "0.04 mm",
    "pilot_engagement": "18 mm",
    "pilot_length": "16 mm",
    "pilot_room": "26 mm",
}
