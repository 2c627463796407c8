"""The half section of a dry car clutch, from the crank to the release bearing.

- `car_section`   outlines and dimensions
"""

from __future__ import annotations

from liftbite.core.drawing.outline import Dimension, Drawing, Outline, Point, band, box
from liftbite.core.drawing.sizes import Sizes

_SHEET = 0.0035  # stamped cover [m]
_SEAT = 0.004  # height of the ridge the spring presses on [m]


def car_section(s: Sizes) -> Drawing:
    """The half section above the shaft line."""
    outer, inner = s["outer_diameter"] / 2, s["inner_diameter"] / 2
    plate_back = s.stack + s["pressure_plate_thickness"]
    outlines = [
        *_engine_side(s, outer),
        *_discs(s, outer, inner),
        *_plate(s, outer, inner, plate_back),
        *_spring(s, plate_back),
        *_cover(s, outer, plate_back),
        *_bearing_side(s, plate_back),
    ]
    return Drawing(tuple(outlines), tuple(_dimensions(s, outer, inner, plate_back)))


def _engine_side(s: Sizes, outer: float) -> list[Outline]:
    thick, bore = s["flywheel_thickness"], s["flywheel_bore"] / 2
    rim, nose = s["flywheel_diameter"] / 2, s["shaft_diameter"] * 0.32
    flange = s["bolt_circle_diameter"] / 2 + 0.011
    aluminium = s.build.chosen.has("aluminium flywheel")
    wheel: tuple[Point, ...] = (
        (-thick, bore, ""),
        (0.0, flange + 0.006, ""),
        (0.0, rim - 0.004, ""),
        (-thick * 0.35, rim - 0.004, ""),
        (-thick * 0.35, rim, ""),
        (-thick * 0.95, rim, ""),
        (-thick * 0.95, rim - 0.006, ""),
        (-thick, rim - 0.006, ""),
    )
    wheel = ((-thick, bore, ""), (-thick * 0.45, bore, ""), (-thick * 0.45, flange + 0.004, ""), *wheel[1:])
    found = [
        Outline(
            "crank",
            "steel",
            (
                (-thick - 0.030, 0.0, ""),
                (-thick - 0.030, flange * 0.8, ""),
                (-thick - 0.014, flange * 0.8, ""),
                (-thick - 0.014, flange, ""),
                (-thick, flange, ""),
                (-thick, bore, ""),
                (-thick + 0.004, bore, ""),
                (-thick + 0.004, nose + 0.007, ""),
                (-thick - 0.022, nose + 0.007, ""),
                (-thick - 0.022, 0.0, ""),
            ),
        ),
        box("crank", "bearing", (-thick - 0.012, -thick + 0.002), (nose, nose + 0.007)),
        Outline("flywheel", "aluminium" if aluminium else "iron", wheel),
        box("flywheel", "steel", (-thick - 0.001, -thick * 0.45 + 0.007), (flange - 0.015, flange - 0.006)),
    ]
    if aluminium:
        found.append(box("flywheel", "steel", (-0.005, 0.0), (s["inner_diameter"] / 2 - 0.004, outer + 0.003)))
    return found


def _discs(s: Sizes, outer: float, inner: float) -> list[Outline]:
    found = []
    thick, core = s.thickness, 0.0018
    facing = (thick - core) / 2
    shaft, other = s["shaft_diameter"] / 2, (inner, outer)
    if s.build.chosen.has("two kinds of facing"):
        other = s["other_inner_diameter"] / 2, s["other_outer_diameter"] / 2
    for i in range(1, s.discs + 1):
        x = (i - 1) * (thick + s.between) if i > 1 else 0.0
        front, inside, outside, back = (f"disc{i}_{n}" for n in ("front", "core_front", "core_back", "back"))
        found += [
            box("disc", "facing", (x, x + facing), (inner, outer), front, inside),
            box("disc", "facing", (x + thick - facing, x + thick), other, outside, back),
            box("disc", "sheet", (x + facing, x + thick - facing), (shaft + 0.010, outer - 0.004), inside, outside),
            box("disc", "steel", (x + thick / 2 - 0.011, x + thick / 2 + 0.011), (shaft, shaft + 0.011), inside),
        ]
        if i == s.discs:
            damper = ((x - 0.001, x + thick + 0.001), (shaft + 0.018, shaft + 0.034))
            found.append(box("disc", "sheet", *damper, inside, outside))
        else:
            floater = ((x + thick, x + thick + s.between), (inner - 0.003, outer + 0.008))
            found.append(box("floater", "iron", *floater, f"between{i}"))
    return found


def _plate(s: Sizes, outer: float, inner: float, back: float) -> list[Outline]:
    seat = min(s["plate_seat_diameter"] / 2, outer - 0.002)
    x = s.stack
    return [
        Outline(
            "plate",
            "iron",
            (
                (x, inner - 0.003, "plate"),
                (back - 0.002, inner - 0.003, "plate"),
                (back - 0.002, seat - 0.006, "plate"),
                (back + _SEAT, seat - 0.002, "plate"),
                (back + _SEAT, seat + 0.002, "plate"),
                (back - 0.001, seat + 0.005, "plate"),
                (back - 0.001, outer + 0.002, "plate"),
                (x, outer + 0.002, "plate"),
            ),
        )
    ]


def _tip_x(s: Sizes, back: float) -> float:
    """Where the finger tips stand at rest, new; how far fingers are dished is not known, so they are drawn so."""
    dish = 0.010 if s.way > 0 else -0.006
    return back + _SEAT + s["diaphragm_thickness"] / 2 + dish


def _spring(s: Sizes, back: float) -> list[Outline]:
    seat, fulcrum, tip = s["plate_seat_diameter"] / 2, s["fulcrum_diameter"] / 2, s["finger_tip_diameter"] / 2
    thick = s["diaphragm_thickness"]
    x = back + _SEAT + thick / 2
    found = []
    if s.build.chosen.has("coil springs"):
        centre, coil = s["spring_circle_diameter"] / 2, s["coil_mean_diameter"] / 2
        found.append(coil_outline(back, s["spring_installed_length"], centre, coil, "plate"))
        thick = 0.005
    edge = max(s["diaphragm_outer_diameter"] / 2, seat, fulcrum)
    line: list[Point] = [(_tip_x(s, back), tip, "tips"), (x, fulcrum, ""), (x, seat, "plate")]
    if fulcrum > seat:
        line[1:] = [(x, seat, "plate"), (x, fulcrum, "")]
    line.append((x, edge, line[-1][2]))
    found.append(band("spring", "spring", line, thick))
    found += [
        box("cover", "steel", (x + thick / 2, x + thick / 2 + 0.003), (fulcrum - 0.002, fulcrum + 0.002)),
        box("cover", "steel", (x - thick / 2 - 0.003, x - thick / 2), (fulcrum - 0.002, fulcrum + 0.002)),
    ]
    return found


def coil_outline(start: float, length: float, centre: float, coil: float, follows: str) -> Outline:
    """A coil spring in section as a zigzag strip; its left end follows a motion, its right end stands."""
    turns = 12
    middle: list[Point] = []
    for k in range(turns + 1):
        along = k / turns
        radius = centre + (coil if k % 2 else -coil)
        middle.append((start + length * along, radius, follows if along < 0.5 else ""))
    return band("spring", "spring", middle, coil * 0.28)


def _cover(s: Sizes, outer: float, back: float) -> list[Outline]:
    rim = min(s["flywheel_diameter"] / 2 - 0.005, outer + 0.026)
    wall = max(outer + 0.011, s["diaphragm_outer_diameter"] / 2 + 0.005)
    far = back + _SEAT + s["diaphragm_thickness"] + 0.005
    if s.build.chosen.has("coil springs"):
        far = back + s["spring_installed_length"]
    fulcrum = s["fulcrum_diameter"] / 2
    low = fulcrum - 0.004
    if s.build.chosen.has("coil springs"):
        low = min(low, s["spring_circle_diameter"] / 2 - 0.02)
    rim = max(rim, wall + 0.008)
    return [
        Outline(
            "cover",
            "sheet",
            (
                (0.0, rim, ""),
                (0.0, wall, ""),
                (far, wall - 0.003, ""),
                (far, low, ""),
                (far + _SHEET, low, ""),
                (far + _SHEET, wall + 0.001, ""),
                (_SHEET, wall + _SHEET, ""),
                (_SHEET, rim, ""),
            ),
        ),
        box("cover", "steel", (-0.012, _SHEET + 0.006), (wall + 0.006, wall + 0.012)),
    ]


def _bearing_side(s: Sizes, back: float) -> list[Outline]:
    tip, shaft = s["finger_tip_diameter"] / 2, s["shaft_diameter"] / 2
    thick = s["flywheel_thickness"]
    clearance = float(s.build.known.get("bearing_clearance", 0.0))
    x = _tip_x(s, back) + s.way * (s["diaphragm_thickness"] / 2 + clearance) - (0.012 if s.way < 0 else 0.0)
    end = bearing_end(s, back)
    return [
        box("bearing", "bearing", (x, x + 0.012), (tip - 0.006, tip + 0.011), "bearing"),
        box("bearing", "steel", (x + 0.003, end), (tip - 0.011, tip - 0.006), "bearing"),
        Outline(
            "shaft",
            "steel",
            (
                (-thick - 0.016, 0.0, ""),
                (-thick - 0.016, shaft * 0.6, ""),
                (-thick + 0.006, shaft * 0.64, ""),
                (-thick + 0.010, shaft, ""),
                (end + 0.030, shaft, ""),
                (end + 0.030, 0.0, ""),
            ),
        ),
    ]


def bearing_end(s: Sizes, back: float) -> float:
    """Where the carrier of the bearing ends, at rest, new."""
    return _tip_x(s, back) + float(s.build.known.get("bearing_clearance", 0.0)) + 0.020


def _dimensions(s: Sizes, outer: float, inner: float, back: float) -> list[Dimension]:
    mid, tip = s.stack / 2, s["finger_tip_diameter"] / 2
    return [
        Dimension("outer_diameter", 2 * outer, (mid, 0.0, ""), (mid, outer, ""), across=True),
        Dimension("inner_diameter", 2 * inner, (mid, 0.0, ""), (mid, inner, ""), across=True),
        Dimension(
            "flywheel_diameter",
            s["flywheel_diameter"],
            (-s["flywheel_thickness"] * 0.7, 0.0, ""),
            (-s["flywheel_thickness"] * 0.7, s["flywheel_diameter"] / 2, ""),
            across=True,
        ),
        Dimension(
            "finger_tip_diameter", 2 * tip, (_tip_x(s, back), 0.0, "tips"), (_tip_x(s, back), tip, "tips"), across=True
        ),
        Dimension(
            "disc_thickness",
            s.thickness,
            (0.0, outer + 0.002, "disc1_front"),
            (s.thickness, outer + 0.002, "disc1_back"),
        ),
        Dimension(
            "pressure_plate_thickness",
            s["pressure_plate_thickness"],
            (s.stack, inner - 0.006, "plate"),
            (back, inner - 0.006, "plate"),
        ),
    ]
