"""Jobs of an invented shop. Every name, vehicle and figure here is made up."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, datetime

OPENED = datetime(2026, 3, 2, 8, 30, tzinfo=UTC)


@dataclass(frozen=True, slots=True)
class DemoJob:
    """A job as it was entered: the day it came in, and what was typed step by step."""

    day: int
    steps: tuple[Mapping[str, str], ...]


JOBS: tuple[DemoJob, ...] = (
    DemoJob(0, (
        {"layout": "dry_car", "job_name": "Bramwick estate, slips with the caravan", "vehicle": "Bramwick 2.0 estate"},
        {"curve_source": "peaks", "curve_reference": "crank", "peak_torque": "350 N·m", "peak_torque_speed": "1900",
         "peak_power": "150 PS", "peak_power_speed": "3900", "use": "drag"},
        {"disc_count": "1", "outer_diameter": "240 mm", "inner_diameter": "155 mm", "facing_material": "organic",
         "cover_clamp": "10.8 kN"},
        {"notes": "Tows 1.4 t over the pass every other weekend. Smell on the last climb."},
    )),
    DemoJob(3, (
        {"layout": "dry_car", "job_name": "Halvern coupé, stage two", "vehicle": "Halvern 2.4 coupé, owner R. Tolland"},
        {"curve_source": "file", "measured_curve": "halvern-wheels.csv", "curve_reference": "two_wheel"},
        {"use": "tuned", "stage_plan": "scaled", "stage_gain": "18 %"},
        {"disc_count": "1", "outer_diameter": "9 1/2 in", "inner_diameter": "6 1/8 in", "facing_material": "organic"},
        {"cover_clamp": "1560 lbf"},
        {"notes": "Holds today. Owner wants the larger intake and a new map in spring: will it still?"},
    )),
    DemoJob(4, (
        {"layout": "dry_car", "job_name": "Halvern coupé, twin-disc plan",
         "vehicle": "Halvern 2.4 coupé, owner R. Tolland"},
        {"curve_source": "file", "measured_curve": "halvern-wheels.csv", "curve_reference": "two_wheel"},
        {"use": "tuned", "stage_plan": "scaled", "stage_gain": "18 %"},
        {"disc_count": "2", "outer_diameter": "184 mm", "inner_diameter": "124 mm", "facing_material": "cermet",
         "cover_clamp": "7.4 kN"},
    )),
    DemoJob(9, (
        {"layout": "wet_motorcycle", "job_name": "Ostrel 900, heavier springs?", "vehicle": "Ostrel 900 twin"},
        {"curve_source": "file", "measured_curve": "ostrel-crank.csv", "curve_reference": "crank", "use": "track"},
        {"primary_source": "teeth", "basket_gear_teeth": "72", "crank_gear_teeth": "41"},
        {"friction_plate_count": "7", "outer_diameter": "137 mm", "inner_diameter": "109 mm",
         "facing_material": "paper"},
        {"spring_rate_source": "wire", "wire_diameter": "2.6 mm", "coil_mean_diameter": "14.2 mm",
         "active_coils": "5", "spring_count": "6", "spring_free_length": "46.8 mm",
         "spring_installed_length": "31.5 mm", "shear_modulus": "79 GPa"},
    )),
    DemoJob(11, (
        {"layout": "wet_motorcycle", "job_name": "Merrix 600, tired springs", "vehicle": "Merrix 600 four, track"},
        {"curve_source": "peaks", "curve_reference": "chain", "peak_torque": "44 lb-ft", "peak_torque_speed": "9500",
         "peak_power": "98 hp", "peak_power_speed": "12500", "use": "track"},
        {"primary_ratio": "1.9", "friction_plate_count": "8", "outer_diameter": "4 7/8 in", "inner_diameter": "96 mm",
         "facing_material": "paper"},
        {"spring_rate": "17.4 N/mm", "spring_count": "5", "spring_free_length": "44.1 mm",
         "spring_installed_length": "30.6 mm"},
    )),
    DemoJob(16, (
        {"layout": "dry_car", "job_name": "Dunlode hillclimb special", "vehicle": "Dunlode single-seater"},
        {"use": "drag", "curve_reference": "crank", "notes": "Engine still on the stand; curve to follow."},
    )),
)  # fmt: skip
