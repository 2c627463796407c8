"""A bolt card at 1:1: the circle of a joint with its holes numbered in the order they are tightened.

- `JOINTS`     the joints a card is drawn of
- `Card`, `card_of`          what it shows, from a job
- `card_svg`, `card_html`    drawn: whole, and on as many sheets as it takes
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from markupsafe import Markup, escape

from liftbite.api.paper.document import page
from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolts import places_on, star
from liftbite.core.job.build import Build, label_of

#: Joint -> what it is called, the quantities of its circle and of its bolts, and how many where none is entered.
JOINTS: Mapping[str, tuple[str, str, str, str]] = {
    "flywheel": ("Flywheel bolts", "bolt_circle_diameter", "bolt_count", "bolt_diameter"),
    "cover": ("Cover bolts", "flywheel_cover_bolt_circle", "", ""),
}
#: Room on an A4 sheet inside its margins, how far sheets overlap, and the length of the bar [mm].
ROOM, LAP, BAR = (180.0, 245.0), 10.0, 100.0
_MM = 1e3


@dataclass(frozen=True, slots=True)
class Card:
    """A bolt circle.

    Attributes
    ----------
    label : what the joint is called
    diameter : of the circle [mm]
    places : of the holes from the centre, x to the right and y up [mm]
    order : at each place, when it is tightened, from 1
    hole : diameter of a hole [mm]
    tightening : as typed, or empty
    """

    label: str
    diameter: float
    places: tuple[tuple[float, float], ...]
    order: tuple[int, ...]
    hole: float
    tightening: str

    @property
    def side(self) -> float:
        """Of the square it takes [mm]."""
        return self.diameter + 2 * self.hole + 24


def card_of(build: Build, joint: str, count: int | None = None) -> Card:
    """The card of a joint; 1:1 only from a circle that was entered.

    Parameters
    ----------
    build : the job
    joint : one of `JOINTS`
    count : how many bolts, where the job does not say

    Raises
    ------
    UnreadableEntry : no such joint, or its circle or count is not entered
    """
    label, circle, counted, bolt = JOINTS[joint]
    if circle not in build.known:
        raise UnreadableEntry(f"A card at 1:1 wants what was measured: enter {label_of(circle).lower()}.")
    many = count or int(build.known.get(counted, 0))
    if not 3 <= many <= 36:
        raise UnreadableEntry(f"{label}: say how many there are, 3 to 36.")
    across = float(build.known[circle]) * _MM
    found = star(many)
    order = tuple(found.index(n) + 1 for n in range(1, many + 1))
    typed = build.entries.get("bolt_torque") if joint == "flywheel" else None
    hole = float(build.known[bolt]) * _MM + 1 if bolt and bolt in build.known else 9.0
    return Card(label, across, tuple(places_on(many, across)), order, hole, (typed.typed or "") if typed else "")


def card_svg(card: Card) -> Markup:
    """The card as SVG in millimetres, with a bar of 100 mm to hold a rule against."""
    side, middle = max(card.side, BAR + 8), max(card.side, BAR + 8) / 2
    height = side + 18
    parts = [
        f'<circle cx="{middle:.3f}" cy="{middle:.3f}" r="{card.diameter / 2:.3f}" fill="none" stroke="#13202b" '
        'stroke-width="0.2" stroke-dasharray="4 1 1 1"/>',
        _cross(middle, middle, 4),
        _text(middle, 5, "TOP", 4.2, "700"),
        f'<path d="M{middle:.3f} 6.5v4" stroke="#13202b" stroke-width="0.5"/>',
    ]
    for (x, y), turn in zip(card.places, card.order, strict=True):
        at, up = middle + x, middle - y
        parts.append(f'<circle data-hole="{turn}" cx="{at:.3f}" cy="{up:.3f}" r="{card.hole / 2:.3f}" fill="none" '
                     'stroke="#13202b" stroke-width="0.4"/>')  # fmt: skip
        out = 1 - (card.hole + 6) / card.diameter
        parts.append(_text(middle + x * out, middle - y * out + 1.6, str(turn), 4.4, "700"))
    start, low = middle - BAR / 2, side + 6
    parts.append(f'<path data-bar="100" d="M{start:.3f} {low:.3f}h{BAR:.3f}" stroke="#13202b" stroke-width="0.6"/>')
    ends = f"M{start:.3f} {low - 2:.3f}v4M{start + BAR:.3f} {low - 2:.3f}v4"
    parts.append(f'<path d="{ends}" stroke="#13202b" stroke-width="0.4"/>')
    parts.append(_text(middle, low + 5, "100 mm: hold a rule against it", 3.2))
    return Markup(
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {side:.3f} {height:.3f}" width="{side:.3f}mm" '
        f'height="{height:.3f}mm" role="img" aria-label="{escape(card.label)} at 1:1">{"".join(parts)}</svg>'
    )


def _text(x: float, y: float, words: str, size: float, weight: str = "400") -> str:
    return (f'<text x="{x:.3f}" y="{y:.3f}" text-anchor="middle" font-size="{size}" font-weight="{weight}" '
            f'font-family="B612, sans-serif" fill="#13202b">{escape(words)}</text>')  # fmt: skip


@dataclass(frozen=True, slots=True)
class Sheet:
    """A part of a card on a sheet: where it lies, and its drawing."""

    place: str
    drawn: Markup


def sheets_of(card: Card) -> list[Sheet]:
    """The card on as many sheets as it takes, each at 1:1, with crosses where they overlap."""
    whole = card_svg(card)
    side = max(card.side, BAR + 8)
    across, down = _cuts(side, ROOM[0]), _cuts(side + 18, ROOM[1])
    if len(across) == len(down) == 1:
        return [Sheet("", whole)]
    inside = whole[whole.index(">") + 1 : whole.rindex("</svg>")]
    crosses = [_cross(x + LAP / 2, y, 3) for x in across[1:] for y in (side / 4, side * 3 / 4)]
    crosses += [_cross(x, y + LAP / 2, 3) for y in down[1:] for x in (side / 4, side * 3 / 4)]
    rows, columns = _names(len(down), ("top", "bottom"), "row"), _names(len(across), ("left", "right"), "column")
    return [
        Sheet(f"{rows[j]} {columns[i]}".strip(), _window(card, f"{inside}{''.join(crosses)}", x, y))
        for j, y in enumerate(down) for i, x in enumerate(across)
    ]  # fmt: skip


def _names(count: int, two: tuple[str, str], many: str) -> list[str]:
    return [""] if count == 1 else [*two] if count == 2 else [f"{many} {n + 1}" for n in range(count)]


def _window(card: Card, inside: str, x: float, y: float) -> Markup:
    """A sheet's part of a card, at 1:1."""
    width, height = ROOM
    return Markup(
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{x:.3f} {y:.3f} {width} {height}" width="{width}mm" '
        f'height="{height}mm" role="img" aria-label="{escape(card.label)} at 1:1">{inside}</svg>'
    )


def _cross(x: float, y: float, arm: float) -> str:
    lines = f"M{x - arm:.3f} {y:.3f}h{2 * arm:.3f}M{x:.3f} {y - arm:.3f}v{2 * arm:.3f}"
    return f'<path d="{lines}" stroke="#13202b" stroke-width="0.2"/>'


def _cuts(length: float, room: float) -> list[float]:
    """Where sheets of a room begin that overlap by `LAP`.

    >>> _cuts(150.0, 180.0), _cuts(300.0, 180.0)
    ([0.0], [0.0, 170.0])
    """
    starts = [0.0]
    while starts[-1] + room < length:
        starts.append(starts[-1] + room - LAP)
    return starts


def card_html(card: Card, job: str) -> str:
    """The card as a document."""
    return page("card", card=card, sheets=sheets_of(card), name=job or "Job", running=(job or "Job", card.label))
