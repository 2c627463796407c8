"""Readings of the invented shop's bench: a pack with one tired spring, a bore that needs a dowel, a disc half worn."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class DemoSeries:
    """Readings of one check: the job by its place in the shop, the day, the odometer, place to what was keyed."""

    job: int
    check: str
    day: int
    readings: Mapping[str, str]
    instrument: str = ""
    distance: str = ""


def _pack(*plates: str) -> dict[str, str]:
    """Three places of every plate; the second reads a hundredth less, the third the same again."""
    found = {}
    for i, plate in enumerate(plates, start=1):
        for place, less in ((1, 0), (2, 1), (3, 0)):
            found[f"Plate {i}, place {place}"] = f"{float(plate) - less / 100:.2f}"
    return found


def _disc(disc: int, flywheel: tuple[str, ...], plate: tuple[str, ...]) -> dict[str, str]:
    sides = (("flywheel side", flywheel), ("plate side", plate))
    return {f"Disc {disc}, {side}, {i}": v for side, depths in sides for i, v in enumerate(depths, start=1)}


def _swept(*thou: str) -> dict[str, str]:
    places = [*(f"{a}°" for a in range(0, 360, 45)), "0° again"]
    return {place: f"{value} thou" for place, value in zip(places, thou, strict=True)}


SERIES: tuple[DemoSeries, ...] = (
    DemoSeries(3, "rear_seal", 3, {"Once": "dry"}),
    DemoSeries(3, "pilot_bearing", 3, {"Once": "greasy"}),
    DemoSeries(
        5,
        "plate_thickness",
        2,
        _pack("2.97", "2.96", "2.98", "2.97", "2.96", "2.97", "2.98", "2.97"),
        "caliper",
        "6 200 km",
    ),
    DemoSeries(
        5,
        "plate_thickness",
        12,
        _pack("2.90", "2.89", "2.91", "2.83", "2.90", "2.91", "2.92", "2.91"),
        "caliper",
        "11 400 km",
    ),
    DemoSeries(
        5,
        "spring_free_length",
        12,
        {"Spring 1": "43.2", "Spring 2": "43.1", "Spring 3": "41.2", "Spring 4": "43.3", "Spring 5": "43.1"},
        "caliper",
        "11 400 km",
    ),
    DemoSeries(
        5,
        "plain_warp",
        12,
        {
            f"Plain plate {i}": v
            for i, v in enumerate(("0.05", "0.05", "0.10", "0.05", "0.10", "0.05", "0.05"), start=1)
        },
        "feeler",
        "11 400 km",
    ),
    DemoSeries(5, "basket", 12, {"Once": "light"}),
    DemoSeries(5, "lifter", 12, {"Once": "greasy"}),
    DemoSeries(3, "bore_runout", 5, _swept("0", "-5", "-9.5", "-12", "-11", "-6.5", "-1.5", "1", "0"), "dial"),
    DemoSeries(
        3,
        "rivet_depth",
        5,
        _disc(1, ("0.46", "0.44", "0.47"), ("0.48", "0.47", "0.49"))
        | _disc(2, ("0.52", "0.51", "0.53"), ("0.50", "0.52", "0.51")),
        "depth_gauge",
    ),
    DemoSeries(3, "floater_gap", 5, {"Stand 1": "0.019", "Stand 2": "0.022", "Stand 3": "0.016"}, "feeler"),
    DemoSeries(3, "floater_shims", 5, {"Shim 1": "0.003 in", "Shim 2": "0.005 in", "Shim 3": "0.006 in"}, "micrometer"),
    DemoSeries(3, "release_bearing", 5, {"Once": "free"}),
    DemoSeries(3, "flywheel_face", 5, {"Once": "scored"}),
    DemoSeries(7, "depth_x", 1, {"At 12": "3 7/32 in", "At 4": "3.221 in", "At 8": "3.217 in"}, "depth_gauge"),
    DemoSeries(7, "depth_y", 1, {"At 12": "2.5 in", "At 4": "2.501 in", "At 8": "2.499 in"}, "depth_gauge"),
    DemoSeries(7, "spacers", 1, {"Spacer 1": "0.254 in", "Spacer 2": "0.255 in", "Spacer 3": "0.1 in"}, "micrometer"),
)
