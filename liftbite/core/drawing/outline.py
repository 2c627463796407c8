"""What a drawing is made of: closed outlines of parts, dimensions between two points.

- `Point`, `Outline`, `Dimension`, `Drawing`
- `box`, `band`   the two shapes most parts are made of
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

Point = tuple[float, float, str]
"""Place along the shaft, radius [m], and the motion it follows; "" for what stands still."""


@dataclass(frozen=True, slots=True)
class Outline:
    """A closed outline in section.

    Attributes
    ----------
    part : the part it belongs to, as in `PARTS`
    material : "iron", "steel", "aluminium", "facing", "sheet", "spring", "bearing" or "fluid"
    points : corners in order
    """

    part: str
    material: str
    points: tuple[Point, ...]


@dataclass(frozen=True, slots=True)
class Dimension:
    """A dimension: the quantity it shows, its value [SI], from where to where; `across` True for a diameter."""

    name: str
    value: float
    start: Point
    end: Point
    across: bool = False


@dataclass(frozen=True, slots=True)
class Drawing:
    """Outlines of one view with its dimensions."""

    outlines: tuple[Outline, ...]
    dimensions: tuple[Dimension, ...] = ()


#: Part -> what the screen calls it, in the order of the parts list.
PARTS = {
    "crank": "Crank and pilot",
    "flywheel": "Flywheel",
    "disc": "Disc",
    "floater": "Floater",
    "basket": "Basket and hub",
    "plates": "Plates",
    "plate": "Pressure plate",
    "spring": "Spring",
    "cover": "Cover",
    "bearing": "Release bearing",
    "shaft": "Input shaft",
    "release": "Release chain",
}


def box(
    part: str, material: str, x: tuple[float, float], r: tuple[float, float], follows: str = "", back: str | None = None
) -> Outline:
    """A ring of rectangular section; its right-hand edge may follow a motion of its own.

    >>> box("disc", "facing", (0.0, 0.008), (0.08, 0.12), "disc1_front", "disc1_back").points[1]
    (0.008, 0.08, 'disc1_back')
    """
    (x0, x1), (r0, r1) = x, r
    end = follows if back is None else back
    return Outline(part, material, ((x0, r0, follows), (x1, r0, end), (x1, r1, end), (x0, r1, follows)))


def band(part: str, material: str, middle: Sequence[Point], width: float) -> Outline:
    """A strip of even width along x, such as a finger or a stamped cover, given by its middle line."""
    half = width / 2
    return Outline(
        part,
        material,
        (*((x - half, r, f) for x, r, f in middle), *((x + half, r, f) for x, r, f in reversed(middle))),
    )
