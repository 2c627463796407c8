"""A bolt card drawn at 1:1: whole as SVG, and on as many sheets as it takes.

- `card_svg`     the whole card
- `sheets_of`, `card_html`   cut to sheets, with crosses to lay them by
"""

from __future__ import annotations

from dataclasses import dataclass
from math import hypot

from markupsafe import Markup, escape

from liftbite.api.paper.document import page
from liftbite.core.fit.joints import Card

#: Room on an A4 sheet inside its margins, how far sheets overlap, and the length of the bar [mm].
ROOM, LAP, BAR = (180.0, 245.0), 10.0, 100.0
#: How far inside a hole's edge its number stands, alone and with its bolt's words under it [mm].
_NUMBER, _BOLT = 5.0, 9.0
#: Room under the holes for the bar and the words [mm].
FOOT = 28.0
_MM = 1e3


def _side(card: Card) -> float:
    """Of the square a card takes [mm]: circle, holes and numbers, and never less than the bar."""
    return max(2 * card.reach * _MM + 24, BAR + 8)


def card_svg(card: Card) -> Markup:
    """The card as SVG in millimetres, with a bar of 100 mm to hold a rule against."""
    side = _side(card)
    middle, height = side / 2, side + FOOT
    parts = [
        ""
        if card.diameter is None
        else f'<circle cx="{middle:.3f}" cy="{middle:.3f}" r="{card.diameter * _MM / 2:.3f}" fill="none" '
        'stroke="#13202b" stroke-width="0.2" stroke-dasharray="4 1 1 1"/>',
        _cross(middle, middle, 4),
        _text(middle, 5, "TOP", 4.2, "700"),
        f'<path d="M{middle:.3f} 6.5v4" stroke="#13202b" stroke-width="0.5"/>',
    ]
    for i, (x, y) in enumerate((x * _MM, y * _MM) for x, y in card.places):
        at, up, number = middle + x, middle - y, card.numbers[i]
        beside = _BOLT if card.bolts else _NUMBER
        inwards = 1 - ((card.holes[i] or 0.0) * _MM / 2 + beside) / max(hypot(x, y), 1e-9)
        parts.append(f'<g data-hole="{number}" data-x="{at:.3f}" data-y="{up:.3f}">{_hole(card.holes[i], at, up)}</g>')
        parts.append(_text(middle + x * inwards, middle - y * inwards + 1.6, str(number), 4.4, "700"))
        if card.bolts:
            parts.append(_text(middle + x * inwards, middle - y * inwards + 4.6, card.bolts[i], 2.6))
    start, low = middle - BAR / 2, side + 6
    parts.append(f'<path data-bar="100" d="M{start:.3f} {low:.3f}h{BAR:.3f}" stroke="#13202b" stroke-width="0.6"/>')
    ends = f"M{start:.3f} {low - 2:.3f}v4M{start + BAR:.3f} {low - 2:.3f}v4"
    parts.append(f'<path d="{ends}" stroke="#13202b" stroke-width="0.4"/>')
    parts.append(_text(middle, low + 5, "100 mm: hold a rule against it", 3.2))
    parts.append(_text(middle, low + 11, f"in the order {', '.join(map(str, card.order))}", 3.2, "700"))
    parts.append(_text(middle, low + 16, f"{card.starts}; cut the holes out, push each bolt through its own", 2.8))
    return Markup(
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {side:.3f} {height:.3f}" width="{side:.3f}mm" '
        f'height="{height:.3f}mm" role="img" aria-label="{escape(card.label)} at 1:1">{"".join(parts)}</svg>'
    )


def _hole(across: float | None, x: float, y: float) -> str:
    """A hole as large as its bolt; a cross where nobody said how thick that is."""
    if across is None:
        return _cross(x, y, 2)
    radius = across * _MM / 2
    return f'<circle cx="{x:.3f}" cy="{y:.3f}" r="{radius:.3f}" fill="none" stroke="#13202b" stroke-width="0.4"/>'


def _text(x: float, y: float, words: str, size: float, weight: str = "400") -> str:
    return (
        f'<text x="{x:.3f}" y="{y:.3f}" text-anchor="middle" font-size="{size}" font-weight="{weight}" '
        f'font-family="B612, sans-serif" fill="#13202b">{escape(words)}</text>'
    )


@dataclass(frozen=True, slots=True)
class Sheet:
    """A part of a card on a sheet: where it lies, and its drawing."""

    place: str
    drawn: Markup


def sheets_of(card: Card) -> list[Sheet]:
    """The card on as many sheets as it takes, each at 1:1, with crosses where they overlap."""
    whole = card_svg(card)
    side = _side(card)
    across, down = _cuts(side, ROOM[0]), _cuts(side + FOOT, ROOM[1])
    if len(across) == len(down) == 1:
        return [Sheet("", whole)]
    inside = whole[whole.index(">") + 1 : whole.rindex("</svg>")]
    crosses = [_cross(x + LAP / 2, y, 3) for x in across[1:] for y in (side / 4, side * 3 / 4)]
    crosses += [_cross(x, y + LAP / 2, 3) for y in down[1:] for x in (side / 4, side * 3 / 4)]
    rows, columns = _names(len(down), ("top", "bottom"), "row"), _names(len(across), ("left", "right"), "column")
    return [
        Sheet(f"{rows[j]} {columns[i]}".strip(), _window(card, f"{inside}{''.join(crosses)}", x, y))
        for j, y in enumerate(down)
        for i, x in enumerate(across)
    ]


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
