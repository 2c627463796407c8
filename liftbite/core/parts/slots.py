"""What has to fit before anything is ordered, and the slots of the shelf that bring it.

- `SLOTS`        kinds of parts, with what each is called
- `FITS`         (slot, property of a mismatch rule) -> the input that states it
- `FIT_FIELDS`   those inputs that nothing is worked out from, as rows for `inputs.INPUTS`

Both sides of a rule are inputs like any other: typed, brought by a part, undone, exported.
"""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

SLOTS: Mapping[str, str] = {
    "disc": "Disc",
    "plates": "Plate set",
    "material": "Facing material",
    "cover": "Cover",
    "springs": "Springs",
    "flywheel": "Flywheel",
    "master": "Master cylinder",
    "slave": "Slave cylinder",
    "fluid": "Fluid",
    "bearing": "Release bearing",
    "shaft": "Input shaft",
    "pilot": "Pilot bearing",
    "crank": "Crank",
    "starter": "Starter",
    "housing": "Housing",
    "bolts": "Bolts",
}

FITS: Mapping[tuple[str, str], str] = {
    ("disc", "spline_count"): "disc_spline_count",
    ("shaft", "spline_count"): "spline_count",
    ("disc", "spline_diameter"): "disc_spline_diameter",
    ("shaft", "spline_diameter"): "shaft_spline_diameter",
    ("flywheel", "crank_bolts"): "bolt_count",
    ("crank", "crank_bolts"): "crank_bolt_count",
    ("flywheel", "crank_bolt_circle"): "bolt_circle_diameter",
    ("crank", "crank_bolt_circle"): "crank_bolt_circle",
    ("flywheel", "external_balance"): "flywheel_external_balance",
    ("crank", "external_balance"): "engine_external_balance",
    ("flywheel", "ring_gear_teeth"): "ring_gear_teeth",
    ("starter", "ring_gear_teeth"): "starter_ring_gear_teeth",
    ("flywheel", "flywheel_diameter"): "flywheel_diameter",
    ("starter", "flywheel_diameter"): "starter_flywheel_diameter",
    ("cover", "cover_bolt_circle"): "cover_bolt_circle",
    ("flywheel", "cover_bolt_circle"): "flywheel_cover_bolt_circle",
    ("cover", "cover_dowels"): "cover_dowel_count",
    ("flywheel", "cover_dowels"): "flywheel_dowel_count",
    ("cover", "step_height"): "cover_step_height",
    ("flywheel", "step_height"): "flywheel_step_height",
    ("housing", "housing_depth"): "housing_depth",
    ("shaft", "housing_depth"): "shaft_housing_depth",
    ("pilot", "pilot_bore"): "pilot_outer_diameter",
    ("crank", "pilot_bore"): "crank_pilot_bore",
    ("pilot", "pilot_diameter"): "pilot_inner_diameter",
    ("shaft", "pilot_diameter"): "shaft_pilot_diameter",
    ("disc", "disc_size"): "outer_diameter",
    ("cover", "disc_size"): "cover_disc_size",
}


def _length(name: str, label: str, usual: tuple[float, float], meaning: str, least: float = 0.0) -> tuple[Any, ...]:
    return (name, label, "m", "mm", least, 1.0, usual, meaning)


def _count(name: str, label: str, usual: tuple[float, float], meaning: str) -> tuple[Any, ...]:
    return (name, label, "count", "", 0, 400, usual, meaning)


FIT_FIELDS: tuple[tuple[Any, ...], ...] = (
    _count("disc_spline_count", "Disc, splines", (6, 40), "Splines of the disc's hub."),
    _length("disc_spline_diameter", "Disc, spline size", (0.015, 0.05), "Outer diameter of the hub's splines."),
    _length("shaft_spline_diameter", "Shaft, spline size", (0.015, 0.05), "Outer diameter of the shaft's splines."),
    _length("shaft_pilot_diameter", "Shaft, nose", (0.008, 0.03), "Diameter of the nose that runs in the pilot."),
    _length("shaft_housing_depth", "Shaft made for a housing of", (0.08, 0.35), "Depth the shaft reaches through."),
    _length("housing_depth", "Housing, depth", (0.08, 0.35), "From the engine's face to the gearbox's."),
    _count("crank_bolt_count", "Crank, flywheel bolts", (4, 12), "Bolt holes in the crank's flange."),
    _length("crank_bolt_circle", "Crank, bolt circle", (0.03, 0.15), "Of the holes in the crank's flange."),
    _length("crank_pilot_bore", "Crank, pilot bore", (0.01, 0.06), "Bore for the pilot bearing."),
    ("engine_external_balance", "Engine, external balance", "kg·m", "g·mm", 0, 1, (0, 0.06),
     "Unbalance the engine asks its flywheel to carry."),
    ("flywheel_external_balance", "Flywheel, external balance", "kg·m", "g·mm", 0, 1, (0, 0.06),
     "Unbalance the flywheel carries on purpose."),
    _count("ring_gear_teeth", "Ring gear, teeth", (80, 180), "Teeth of the flywheel's ring gear."),
    _count("starter_ring_gear_teeth", "Starter asks for teeth", (80, 180), "Ring gear the starter is made for."),
    _length("starter_flywheel_diameter", "Starter asks for a flywheel of", (0.2, 0.42), "Diameter it reaches."),
    _length("cover_bolt_circle", "Cover, bolt circle", (0.15, 0.42), "Of the cover's bolts."),
    _length("flywheel_cover_bolt_circle", "Flywheel, bolt circle for the cover", (0.15, 0.42), "As it is drilled."),
    _count("cover_dowel_count", "Cover, dowels", (0, 6), "Dowel holes of the cover."),
    _count("flywheel_dowel_count", "Flywheel, dowels", (0, 6), "Dowels that stand in the flywheel."),
    _length("cover_step_height", "Cover made for a step of", (-0.05, 0.05), "Step it wants; 0 for flat.", -0.1),
    _length("flywheel_step_height", "Flywheel, step", (-0.05, 0.05), "Cover seat over the friction face.", -0.1),
    _length("cover_disc_size", "Cover made for a disc of", (0.12, 0.46), "Outer diameter of the disc."),
    _length("pilot_outer_diameter", "Pilot bearing, outside", (0.01, 0.06), "Outer diameter."),
    _length("pilot_inner_diameter", "Pilot bearing, inside", (0.008, 0.03), "Bore."),
    ("fluid_dry_boiling", "Fluid boils, fresh", "K", "°C", 350, 650, (430, 620), "Boiling point of fresh fluid."),
    ("fluid_wet_boiling", "Fluid boils, old", "K", "°C", 350, 650, (400, 500), "Boiling point with water taken up."),
)  # fmt: skip
