"""Wear, and the sizes a section is drawn with."""

from __future__ import annotations

from liftbite.core.job.input import Assumed, Input

ROWS = (
    Input("wear", "Wear found", "m", "mm", 0, 0.03, (0, 0.006),
          "Thickness all discs or plates together have lost, as measured; the parts were new without it.",
          group="wear", assumed=Assumed(0.0, "practice", "discs or plates new")),
    Input("facing_depth", "Facing to wear", "m", "mm", 0, 0.01, (0.0002, 0.004),
          "Facing above rivet or carrier that may be worn, per face.", above=True,
          group="wear", parts=("disc",)),
    Input("plate_wear_allowed", "Plate wear allowed", "m", "mm", 0, 0.005, (0.0001, 0.0015),
          "Thickness a friction plate may lose.", above=True,
          group="wear", parts=("plates",)),
    Input("bearing_reserve", "Bearing reserve", "m", "mm", 0, 0.05, (0.001, 0.02),
          "How far the bearing rests from fully pushed back: X less Y of a concentric slave.",
          group="bearing", parts=("slave", "bearing")),
    Input("disc_thickness", "Disc, clamped thickness", "m", "mm", 0, 0.05, (0.005, 0.012),
          "Thickness of a new disc under clamp.", above=True,
          group="sizes", parts=("disc",)),
    Input("floater_thickness", "Floater thickness", "m", "mm", 0, 0.05, (0.004, 0.016),
          "Thickness of the plate between two discs.", above=True,
          group="sizes", parts=("disc",)),
    Input("friction_plate_thickness", "Friction plate thickness", "m", "mm", 0, 0.02, (0.0018, 0.005),
          "Thickness of a new friction plate.", above=True,
          group="sizes", parts=("plates",)),
    Input("plain_plate_thickness", "Plain plate thickness", "m", "mm", 0, 0.02, (0.001, 0.003),
          "Thickness of a plain plate.", above=True,
          group="sizes", parts=("plates",)),
    Input("pressure_plate_thickness", "Pressure plate thickness", "m", "mm", 0, 0.08, (0.004, 0.03),
          "Thickness of the pressure plate under the facing.", above=True,
          group="sizes", parts=("cover",)),
    Input("flywheel_thickness", "Flywheel thickness", "m", "mm", 0, 0.15, (0.008, 0.06),
          "Thickness of the flywheel behind the facing.", above=True,
          group="sizes", parts=("flywheel",)),
)  # fmt: skip
