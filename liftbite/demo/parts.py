"""Parts on the shelf of the invented shop. Makers, names and figures are made up."""

from __future__ import annotations

from liftbite.core.parts.shelf import ShelfPart

_OURS = "invented for the demo shop"
_SPLINE = {"disc_spline_count": "24", "disc_spline_diameter": "25.5 mm"}


def _disc(name: str, outer: str, inner: str, material: str, price: float, **more: str) -> ShelfPart:
    values = {"outer_diameter": outer, "inner_diameter": inner, "facing_material": material, **_SPLINE, **more}
    return ShelfPart("disc", name, values, price, _OURS)


def _cover(name: str, clamp: str, ratio: str, size: str, price: float, **more: str) -> ShelfPart:
    values = {
        "clamp_source": "figure",
        "cover_clamp": clamp,
        "lever_ratio": ratio,
        "cover_disc_size": size,
        "plate_lift_limit": "2.4 mm",
        **more,
    }
    return ShelfPart("cover", name, values, price, _OURS)


PARTS: tuple[ShelfPart, ...] = (
    _disc("Wendle 228 organic", "228 mm", "150 mm", "organic", 118, disc_count="1", disc_thickness="8.4 mm"),
    _disc(
        "Wendle 240 organic",
        "240 mm",
        "155 mm",
        "organic",
        131,
        disc_count="1",
        disc_thickness="8.4 mm",
        damper_stop_torque="520 N·m",
    ),
    _disc(
        "Wendle 240 fibre",
        "240 mm",
        "155 mm",
        "aramid",
        189,
        disc_count="1",
        disc_thickness="8.2 mm",
        damper_stop_torque="560 N·m",
    ),
    _disc("Karst 240 six-button", "240 mm", "165 mm", "cermet", 214, disc_count="1", disc_thickness="7.4 mm"),
    _disc(
        "Karst 184 pair, cermet",
        "184 mm",
        "124 mm",
        "cermet",
        640,
        disc_count="2",
        disc_thickness="6.4 mm",
        floater_clearance="0.022 in",
        floater_thickness="8 mm",
    ),
    _disc(
        "Karst 184 pair, sintered",
        "184 mm",
        "124 mm",
        "sintered_dry",
        705,
        disc_count="2",
        disc_thickness="6.4 mm",
        floater_clearance="0.022 in",
        floater_thickness="8 mm",
    ),
    _disc("Old stock 228, ten splines", "228 mm", "150 mm", "organic", 60, disc_count="1", disc_spline_count="10"),
    _cover("Wendle 240 standard", "6900 N", "4.1", "240 mm", 205),
    _cover("Wendle 240 heavy", "8600 N", "4.3", "240 mm", 262),
    _cover("Karst 240 race", "11.2 kN", "4.6", "240 mm", 398, plate_lift_limit="2.2 mm"),
    _cover("Wendle 228 standard", "5900 N", "4.0", "228 mm", 178),
    _cover("Karst 184 light", "6.2 kN", "4.0", "184 mm", 412),
    _cover("Karst 184", "7.4 kN", "4.2", "184 mm", 455),
    _cover("Karst 184 heavy", "9.1 kN", "4.4", "184 mm", 489),
    ShelfPart(
        "flywheel",
        "Halden steel, light",
        {
            "inertia_source": "weight",
            "flywheel_mass": "6.1 kg",
            "flywheel_diameter": "275 mm",
            "flywheel_bore": "38 mm",
            "flywheel_material": "steel",
            "flywheel_insert": "own",
            "flywheel_strength": "900 MPa",
            "bolt_count": "8",
            "bolt_circle_diameter": "78 mm",
            "ring_gear_teeth": "132",
        },
        540,
        _OURS,
    ),
    ShelfPart(
        "flywheel",
        "Halden aluminium, bare",
        {
            "inertia_source": "weight",
            "flywheel_mass": "4.2 kg",
            "flywheel_diameter": "275 mm",
            "flywheel_bore": "38 mm",
            "flywheel_material": "aluminium",
            "flywheel_insert": "none",
            "bolt_count": "8",
            "bolt_circle_diameter": "78 mm",
        },
        390,
        _OURS,
        "No friction insert: for a rig, not for a facing.",
    ),
    ShelfPart(
        "flywheel",
        "Halden iron, six bolts",
        {
            "inertia_source": "weight",
            "flywheel_mass": "11.5 kg",
            "flywheel_diameter": "280 mm",
            "flywheel_bore": "38 mm",
            "flywheel_material": "grey_iron",
            "flywheel_insert": "own",
            "bolt_count": "6",
            "bolt_circle_diameter": "72 mm",
            "ring_gear_teeth": "132",
        },
        240,
        _OURS,
    ),
    ShelfPart(
        "shaft",
        "Halvern gearbox, 24 splines",
        {
            "shaft_diameter": "25.4 mm",
            "shaft_yield": "980 MPa",
            "spline_count": "24",
            "spline_pitch_diameter": "24 mm",
            "spline_height": "1.1 mm",
            "spline_engagement": "30 mm",
            "shaft_spline_diameter": "25.5 mm",
        },
        0,
        _OURS,
    ),
    ShelfPart(
        "crank",
        "Halvern 2.4 crank",
        {
            "crank_inertia": "0.055 kg·m²",
            "crank_bolt_count": "8",
            "crank_bolt_circle": "78 mm",
            "engine_external_balance": "0 g·mm",
        },
        0,
        _OURS,
    ),
    ShelfPart(
        "slave",
        "Concentric 52/38",
        {
            "release": "concentric",
            "slave_outer_diameter": "52 mm",
            "slave_inner_diameter": "38 mm",
            "slave_stroke": "20 mm",
        },
        165,
        _OURS,
    ),
    ShelfPart(
        "springs",
        "Ostrel standard, six",
        {
            "clamp_source": "coils",
            "spring_count": "6",
            "spring_rate_source": "figure",
            "spring_rate": "21 N/mm",
            "spring_free_length": "43.5 mm",
            "spring_installed_length": "31.5 mm",
        },
        34,
        _OURS,
    ),
    ShelfPart(
        "springs",
        "Ostrel firm, six",
        {
            "clamp_source": "coils",
            "spring_count": "6",
            "spring_rate_source": "figure",
            "spring_rate": "24 N/mm",
            "spring_free_length": "43.5 mm",
            "spring_installed_length": "31.5 mm",
        },
        41,
        _OURS,
    ),
    ShelfPart(
        "springs",
        "Merrix track, five",
        {
            "clamp_source": "coils",
            "spring_count": "5",
            "spring_rate_source": "figure",
            "spring_rate": "23.5 N/mm",
            "spring_free_length": "45.2 mm",
            "spring_installed_length": "30.6 mm",
        },
        48,
        _OURS,
    ),
    ShelfPart(
        "plates",
        "Ostrel paper, seven",
        {
            "friction_plate_count": "7",
            "outer_diameter": "137 mm",
            "inner_diameter": "109 mm",
            "facing_material": "paper",
            "friction_plate_thickness": "3.0 mm",
            "plain_plate_thickness": "1.6 mm",
        },
        96,
        _OURS,
    ),
    ShelfPart(
        "plates",
        "Ostrel sintered, eight thin",
        {
            "friction_plate_count": "8",
            "outer_diameter": "137 mm",
            "inner_diameter": "109 mm",
            "facing_material": "sintered_wet",
            "friction_plate_thickness": "2.6 mm",
            "plain_plate_thickness": "1.4 mm",
        },
        148,
        _OURS,
    ),
)
