"""The glyph of a verdict, drawn from its numbers: a glance reads the state without a colour code.

- `Stroke`   one path of it
- `glyph`    Bite: two faces pressed together; Lift: two faces apart; Heat: a bar filled; True: a circle off its centre
- `temper_colour`   the colour steel takes when it is tempered

A glyph stands in a box of 64 by 48, y downwards. What has no number yet is only outlined.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field
from itertools import pairwise
from typing import Literal

from liftbite.core.verdicts.verdict import Question, Verdict

WIDTH, HEIGHT = 64, 48
_MIDDLE, _PER_UNIT, _MOST = 32.0, 26.0, 22.0
_KELVIN = 273.15

#: Colours of tempered steel: °C and red, green, blue; common knowledge of the trade, [memory].
_TEMPER = (
    (200, (226, 226, 214)),
    (220, (222, 190, 110)),
    (255, (150, 96, 48)),
    (280, (110, 62, 120)),
    (295, (44, 70, 140)),
    (320, (128, 166, 204)),
)


@dataclass(frozen=True, slots=True)
class Stroke:
    """One path of a glyph.

    Attributes
    ----------
    path : SVG path data
    width : width of its line; 0 for none
    dashes : lengths of dashes and gaps
    fill : "none", "ink", "hair" (a light tint) or a colour
    """

    path: str
    width: float = 1.75
    dashes: tuple[float, ...] = field(default=())
    fill: str = "none"


def glyph(verdict: Verdict) -> tuple[Stroke, ...]:
    """The strokes of a verdict's glyph.

    >>> glyph(Verdict("true", "open", "needs"))[0].dashes
    (2.0, 3.0)
    """
    return _DRAWN[verdict.question](verdict)


def _reserve(verdict: Verdict) -> float | None:
    return verdict.deciding.reserve if verdict.deciding else None


def _dashed(*paths: str) -> tuple[Stroke, ...]:
    return tuple(Stroke(path, 1.5, (2.0, 3.0)) for path in paths)


def _bounded(value: float) -> float:
    return max(-_MOST, min(_MOST, value))


def _rect(x: float, y: float, width: float, height: float) -> str:
    return f"M{x:.5g} {y:.5g}h{width:.5g}v{height:.5g}h{-width:.5g}z"


def _circle(x: float, y: float, radius: float) -> str:
    r = f"{radius:.5g} {radius:.5g}"
    return f"M{x - radius:.5g} {y:.5g}a{r} 0 1 0 {2 * radius:.5g} 0a{r} 0 1 0 {-2 * radius:.5g} 0z"


def _face(start: float, end: float, lean: Literal[1, -1]) -> tuple[Stroke, Stroke]:
    """A face in section from `start` to `end`, hatched at 45 degrees, rising to the right or to the left."""
    width, lines, y = max(end - start, 0.0), "", 5.0
    while y < 43 + width:
        first, last = max(0.0, y - 43), min(width, y - 5)
        if last > first:
            edge = start if lean == 1 else end
            lines += f"M{edge + lean * first:.5g} {y - first:.5g}L{edge + lean * last:.5g} {y - last:.5g}"
        y += 6
    return Stroke(_rect(start, 5, width, 38)), Stroke(lines, 1.0)


def _ticks(x: float) -> Stroke:
    return Stroke(f"M{x:.5g} 0v4M{x:.5g} 44v4", 2.5)


def _bite(verdict: Verdict) -> tuple[Stroke, ...]:
    """Two faces pressed into each other by as much as the margin exceeds 1; ticks where it is asked for."""
    if verdict.margin is None:
        return _dashed(_rect(6, 6, 22, 36), _rect(36, 6, 22, 36))
    overlap = _bounded((verdict.margin.nominal - 1) * _PER_UNIT)
    left, right = _MIDDLE + overlap / 2, _MIDDLE - overlap / 2
    drawn = [*_face(3, left, 1), *_face(right, 61, -1)]
    if overlap > 0:
        drawn.append(Stroke(_rect(right, 5, overlap, 38), 0.0, fill="ink"))
    if verdict.target is not None:
        drawn.append(_ticks(_MIDDLE + _bounded((verdict.target - 1) * _PER_UNIT) / 2))
    return tuple(drawn)


def _lift(verdict: Verdict) -> tuple[Stroke, ...]:
    """Two faces apart by as much as the margin; ticks where it is just enough."""
    margin = _reserve(verdict)
    if margin is None:
        return _dashed(_rect(6, 6, 20, 36), _rect(40, 6, 18, 36), "M29 24h8")
    gap = max(0.0, min(26.0, margin * 11))
    return (*_face(4, 24, 1), *_face(24 + gap, min(44 + gap, 62), -1), _ticks(35))


def _heat(verdict: Verdict) -> tuple[Stroke, ...]:
    """A bar filled by what is used up, in the colour steel takes at the heat that decides."""
    margin, link = _reserve(verdict), verdict.deciding
    if margin is None or link is None:
        return _dashed(_rect(6, 17, 52, 14))
    filled = max(2.0, min(52.0, 52 / max(margin, 0.01)))
    colour = temper_colour(link.figure - _KELVIN) if link.unit == "K" else None
    return (
        Stroke(_rect(6, 16, filled, 16), 0.0, fill=colour or "hair"),
        Stroke(_rect(6, 16, 52, 16)),
        Stroke(f"M{6 + filled:.5g} 11v26", 2.5),
    )


def _true(verdict: Verdict) -> tuple[Stroke, ...]:
    """A circle as far off its centre as the weakest link is from its limit: at the limit by 6, at most by 13."""
    margin = _reserve(verdict)
    if margin is None:
        return _dashed(_circle(32, 24, 19), "M32 18v12M26 24h12")
    off = min(13.0, 6 / max(margin, 0.01))
    x, y = 32 + off * 0.8, 24 - off * 0.6
    return (
        Stroke(_circle(32, 24, 20), 1.0, (3.0, 3.0)),
        Stroke("M32 18v12M26 24h12", 1.0),
        Stroke(_circle(x, y, 14)),
        Stroke(_circle(x, y, 1.8), 0.0, fill="ink"),
    )


_DRAWN: dict[Question, Callable[[Verdict], tuple[Stroke, ...]]] = {
    "bite": _bite,
    "lift": _lift,
    "heat": _heat,
    "true": _true,
}


def temper_colour(celsius: float) -> str | None:
    """The temper colour of steel at a temperature [°C]; none below the first.

    >>> temper_colour(220.0), temper_colour(100.0)
    ('rgb(222,190,110)', None)
    """
    if celsius < _TEMPER[0][0]:
        return None
    for (low, a), (high, b) in pairwise(_TEMPER):
        if celsius <= high:
            share = (celsius - low) / (high - low)
            return f"rgb({','.join(str(round(x + (y - x) * share)) for x, y in zip(a, b, strict=True))})"
    return f"rgb({','.join(map(str, _TEMPER[-1][1]))})"
