"""The chain from pedal or lever to the bearing, beside the section and in its own scale.

- `fork`     the fork in the section, from its pivot to the slave or cable
- `chain`    pedal or lever, master, line, slave or cable

Pistons move as far as they do, fluid fills what they leave. Levers turn about their pivots; the ends of a lever move
straight here, which is right to a degree or two.
"""

from __future__ import annotations

from liftbite.core.drawing.car import bearing_end
from liftbite.core.drawing.outline import Drawing, Outline, Point, box
from liftbite.core.drawing.sizes import Sizes

_PIVOT = 0.045  # fork pivot to shaft axis [m]
_CARRIER = 0.011  # where the fork pushes the bearing's carrier, below the finger tips [m]


def fork(s: Sizes) -> list[Outline]:
    """What pushes the bearing in a car: fork or concentric slave."""
    x = bearing_end(s, s.stack + s["pressure_plate_thickness"])
    if s.build.chosen.has("concentric slave"):
        outer, inner = s["slave_outer_diameter"] / 2, s["slave_inner_diameter"] / 2
        return [
            box("release", "bearing", (x, x + 0.014), (inner, outer), "bearing"),
            Outline(
                "release",
                "fluid",
                (
                    (x + 0.014, inner, "bearing"),
                    (x + 0.026, inner, ""),
                    (x + 0.026, outer, ""),
                    (x + 0.014, outer, "bearing"),
                ),
            ),
            Outline(
                "release",
                "aluminium",
                (
                    (x + 0.004, outer, ""),
                    (x + 0.004, outer + 0.005, ""),
                    (x + 0.032, outer + 0.005, ""),
                    (x + 0.032, inner - 0.004, ""),
                    (x + 0.004, inner - 0.004, ""),
                    (x + 0.004, inner, ""),
                    (x + 0.026, inner, ""),
                    (x + 0.026, outer, ""),
                ),
            ),
        ]
    reach = _PIVOT * (s["fork_ratio"] - 1)
    travel = "cable" if s.build.chosen.has("cable") else "slave"
    end = f"-{travel}"
    middle: list[Point] = [
        (x + 0.012, -_PIVOT, ""),
        (x + 0.002, 0.0, "bearing"),
        (x + 0.004, s["finger_tip_diameter"] / 2 - _CARRIER, "bearing"),
        (x + 0.010, max(reach, 0.03) + 0.004, end),
    ]
    top = middle[-1][1]
    lever = [*middle[2:], (x + 0.010, top + 0.008, end)]
    found = [
        Outline(
            "release",
            "steel",
            (
                *((px - 0.004, r, f) for px, r, f in lever),
                *((px + 0.004, r, f) for px, r, f in reversed(lever)),
            ),
        ),
    ]
    if travel == "slave":
        found += _slave(s, x + 0.016, top)
    else:
        found.append(box("release", "steel", (x + 0.014, x + 0.060), (top + 0.001, top + 0.004), end))
    return found


def _slave(s: Sizes, x: float, r: float) -> list[Outline]:
    """A slave cylinder whose rod pushes to the left at radius r."""
    half = s["slave_diameter"] / 2
    mouth = x + 0.018 - s["slave_stroke"]
    return [
        box("release", "steel", (x, x + 0.018), (r - 0.003, r + 0.003), "-slave"),
        box("release", "bearing", (x + 0.018, x + 0.028), (r - half, r + half), "-slave"),
        box("release", "fluid", (x + 0.028, x + 0.040), (r - half, r + half), "-slave", ""),
        Outline(
            "release",
            "aluminium",
            (
                (mouth, r + half, ""),
                (mouth, r + half + 0.004, ""),
                (x + 0.045, r + half + 0.004, ""),
                (x + 0.045, r - half - 0.004, ""),
                (mouth, r - half - 0.004, ""),
                (mouth, r - half, ""),
                (x + 0.040, r - half, ""),
                (x + 0.040, r + half, ""),
            ),
        ),
    ]


def chain(s: Sizes) -> Drawing:
    """Pedal with master, or lever with cable or master, on axes of their own: x to the right, r up from the pivot.

    The pad moves to the left, and so does the piston.
    """
    hydraulic = not s.build.chosen.has("cable")
    car = s.car
    arm = 0.045 if car else 0.028
    pad = min(arm * s["pedal_ratio"], 0.32)
    lever: list[Point] = [(0.0, 0.012, ""), (0.0, -arm, "-rod"), (0.0, -pad, "-pedal")]
    found = [
        Outline(
            "release",
            "steel",
            (
                *((x - 0.005, r, f) for x, r, f in lever),
                *((x + 0.005, r, f) for x, r, f in reversed(lever)),
            ),
        ),
        box("release", "rubber" if car else "steel", (-0.012, 0.010), (-pad - 0.024, -pad), "-pedal"),
        box("release", "bearing", (-0.007, 0.007), (-0.007, 0.007)),
    ]
    if not hydraulic:
        found.append(box("release", "steel", (-0.150, -0.004), (-arm - 0.002, -arm + 0.002), "-rod"))
        found.append(box("release", "sheet", (-0.150, -0.070), (-arm - 0.005, -arm + 0.005)))
        return Drawing(tuple(found))
    half, room = s["master_diameter"] / 2, s["master_stroke"]
    face = -0.050
    end = face - 0.012 - room - 0.008
    found += [
        box("release", "steel", (face, -0.004), (-arm - 0.003, -arm + 0.003), "-rod"),
        box("release", "bearing", (face - 0.012, face), (-arm - half, -arm + half), "-rod"),
        box("release", "fluid", (end, face - 0.012), (-arm - half, -arm + half), "", "-rod"),
        Outline(
            "release",
            "aluminium",
            (
                (face + 0.004, -arm + half, ""),
                (face + 0.004, -arm + half + 0.004, ""),
                (end - 0.006, -arm + half + 0.004, ""),
                (end - 0.006, -arm - half - 0.004, ""),
                (face + 0.004, -arm - half - 0.004, ""),
                (face + 0.004, -arm - half, ""),
                (end, -arm - half, ""),
                (end, -arm + half, ""),
            ),
        ),
        box("release", "fluid", (end - 0.028, end), (-arm - 0.002, -arm + 0.002)),
    ]
    return Drawing(tuple(found))
