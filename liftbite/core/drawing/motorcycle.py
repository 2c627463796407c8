"""The half section of a wet motorcycle clutch: plates between basket and hub, springs, lifter.

- `motorcycle_section`   outlines and dimensions
"""

from __future__ import annotations

from liftbite.core.drawing.car import coil_outline
from liftbite.core.drawing.outline import Dimension, Drawing, Outline, box
from liftbite.core.drawing.sizes import Sizes


def motorcycle_section(s: Sizes) -> Drawing:
    """The half section above the shaft line; the engine's primary gear to the left, the cover to the right."""
    outer, inner = s["outer_diameter"] / 2, s["inner_diameter"] / 2
    back = s.stack + s["pressure_plate_thickness"]
    outlines = [*_basket(s, outer, inner), *_plates(s, outer, inner), *_plate(s, outer, inner, back), *_lifter(s, back)]
    mid = s.stack / 2
    return Drawing(
        tuple(outlines),
        (
            Dimension("outer_diameter", 2 * outer, (mid, 0.0, ""), (mid, outer, ""), across=True),
            Dimension("inner_diameter", 2 * inner, (mid, 0.0, ""), (mid, inner, ""), across=True),
            Dimension(
                "friction_plate_thickness",
                s.thickness,
                (0.0, outer + 0.003, "disc1_front"),
                (s.thickness, outer + 0.003, "disc1_back"),
            ),
            Dimension(
                "spring_circle_diameter",
                s["spring_circle_diameter"],
                (back, 0.0, ""),
                (back, s["spring_circle_diameter"] / 2, ""),
                across=True,
            ),
        ),
    )


def _basket(s: Sizes, outer: float, inner: float) -> list[Outline]:
    shaft, end = s["shaft_diameter"] / 2, s.stack + 0.004
    hub = inner - 0.004
    web, lip = min(0.006, s.stack * 0.4), max(s.stack - 0.002, s.stack * 0.6)  # a pack of one plate has a hub too
    return [
        Outline(
            "basket",
            "aluminium",
            (
                (-0.020, shaft + 0.007, ""),
                (-0.020, outer + 0.005, ""),
                (-0.014, outer + 0.009, ""),
                (end, outer + 0.009, ""),
                (end, outer + 0.004, ""),
                (-0.012, outer + 0.004, ""),
                (-0.012, shaft + 0.007, ""),
            ),
        ),
        box("basket", "steel", (-0.034, -0.022), (shaft + 0.007, outer + 0.014)),
        Outline(
            "basket",
            "aluminium",
            (
                (-0.007, shaft, ""),
                (-0.007, outer - 0.003, ""),
                (0.0, outer - 0.003, ""),
                (0.0, hub, ""),
                (lip, hub, ""),
                (lip, hub - 0.006, ""),
                (web, hub - 0.006, ""),
                (web, shaft, ""),
            ),
        ),
        Outline(
            "shaft",
            "steel",
            (
                (-0.044, 0.004, ""),
                (-0.044, shaft, ""),
                (0.012, shaft, ""),
                (0.012, shaft * 0.8, ""),
                (0.018, shaft * 0.8, ""),
                (0.018, 0.004, ""),
            ),
        ),
    ]


def _plates(s: Sizes, outer: float, inner: float) -> list[Outline]:
    found = []
    thick, core = s.thickness, s.thickness * 0.4
    facing = (thick - core) / 2
    for i in range(1, s.discs + 1):
        x = (i - 1) * (thick + s.between) if i > 1 else 0.0
        front, inside, outside, back = (f"disc{i}_{n}" for n in ("front", "core_front", "core_back", "back"))
        found += [
            box("plates", "facing", (x, x + facing), (inner, outer), front, inside),
            box("plates", "aluminium", (x + facing, x + thick - facing), (inner, outer + 0.007), inside, outside),
            box("plates", "facing", (x + thick - facing, x + thick), (inner, outer), outside, back),
        ]
        if i < s.discs:
            plain = ((x + thick, x + thick + s.between), (inner - 0.003, outer - 0.002))
            found.append(box("plates", "steel", *plain, f"between{i}"))
    return found


def _plate(s: Sizes, outer: float, inner: float, back: float) -> list[Outline]:
    shaft, centre = s["shaft_diameter"] / 2, s["spring_circle_diameter"] / 2
    coil, length = s["coil_mean_diameter"] / 2, s["spring_installed_length"]
    x = s.stack
    seat = x - length * 0.55  # springs stand in pockets of the plate that reach into the hub
    centre = min(centre, inner - 0.008 - coil)
    plate = Outline(
        "plate",
        "aluminium",
        (
            (x, outer - 0.003, "plate"),
            (x, inner - 0.004, "plate"),
            (x, centre + coil + 0.003, "plate"),
            (seat - 0.002, centre + coil + 0.003, "plate"),
            (seat - 0.002, centre - coil - 0.003, "plate"),
            (x, centre - coil - 0.003, "plate"),
            (x, shaft * 0.8, "plate"),
            (back, shaft * 0.8, "plate"),
            (back, centre - coil - 0.001, "plate"),
            (seat, centre - coil - 0.001, "plate"),
            (seat, centre + coil + 0.001, "plate"),
            (back, centre + coil + 0.001, "plate"),
            (back, outer - 0.003, "plate"),
        ),
    )
    far = seat + length
    return [
        plate,
        coil_outline(seat, length, centre, coil, "plate"),
        box("spring", "steel", (0.004, far + 0.002), (centre - 0.003, centre + 0.003)),
        box("spring", "steel", (far, far + 0.0025), (centre - coil - 0.002, centre + coil + 0.002)),
        box("spring", "steel", (far + 0.0025, far + 0.0075), (centre - 0.005, centre + 0.005)),
    ]


def _lifter(s: Sizes, back: float) -> list[Outline]:
    shaft = s["shaft_diameter"] / 2
    return [
        box("bearing", "bearing", (back - 0.001, back + 0.006), (shaft * 0.42, shaft * 1.15), "plate"),
        box("bearing", "steel", (back - 0.004, back + 0.034), (0.0, shaft * 0.4), "plate"),
    ]
