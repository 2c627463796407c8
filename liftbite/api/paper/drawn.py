"""Drawings of a document as SVG: attributes only, so that screen, print and PDF show the same.

- `glyph_svg`     the glyph of a verdict
- `section_svg`   the half section at rest, its parts numbered, with the release chain beside it
- `torque_svg`    engine torque over speed, with what the clutch holds lying across it
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence

import numpy as np
from markupsafe import Markup, escape

from liftbite.api.choose.models import OutlineOut, SectionOut
from liftbite.api.jobs.models import ChartOut, CurveOut, VerdictOut
from liftbite.core.units.preference import wanted

INK, LINE, HAIR, SHEET = "#13202b", "#7d8b93", "#bcc7c6", "#ffffff"
_SOLID = {"sheet", "spring"}
_HATCHES = {
    "iron": (45, 2.0, 1),
    "steel": (45, 3.0, 2),
    "aluminium": (135, 2.3, 1),
    "bearing": (90, 1.4, 1),
    "rubber": (0, 1.0, 1),
}


def _tag(name: str, inside: str = "", **attributes: object) -> Markup:
    said = "".join(f' {key.rstrip("_").replace("_", "-")}="{escape(_text(v))}"' for key, v in attributes.items())
    return Markup(f"<{name}{said}>{inside}</{name}>")


def _text(value: object) -> str:
    return f"{value:.5g}" if isinstance(value, float) else str(value)


def _svg(width: float, height: float, label: str, parts: Iterable[str]) -> Markup:
    """A drawing of this size [mm]."""
    box = f"0 0 {width:.5g} {height:.5g}"
    return _tag(
        "svg",
        Markup("").join(parts),
        xmlns="http://www.w3.org/2000/svg",
        viewBox=box,
        width=f"{width:.5g}mm",
        height=f"{height:.5g}mm",
        role="img",
        aria_label=label,
    )


def _words(x: float, y: float, words: str, anchor: str = "start", size: float = 2.8, weight: str = "400") -> Markup:
    return _tag(
        "text",
        escape(words),
        x=x,
        y=y,
        text_anchor=anchor,
        font_size=size,
        font_weight=weight,
        font_family="B612, sans-serif",
        fill=INK,
    )


def glyph_svg(verdict: VerdictOut) -> Markup:
    """The glyph of a verdict, 14 mm wide."""
    fills = {"none": "none", "ink": INK, "hair": HAIR}
    drawn = [
        _tag(
            "path",
            d=stroke.path,
            fill=fills.get(stroke.fill, stroke.fill),
            stroke=INK if stroke.width else "none",
            stroke_width=stroke.width,
            stroke_dasharray=" ".join(map(_text, stroke.dashes)) or "none",
        )
        for stroke in verdict.glyph
    ]
    return _tag(
        "svg",
        Markup("").join(drawn),
        xmlns="http://www.w3.org/2000/svg",
        viewBox="0 0 64 48",
        width="14mm",
        height="10.5mm",
        aria_hidden="true",
    )


# --- the section

#: Outlines with their corners where they stand.
Shapes = Sequence[tuple[OutlineOut, list[tuple[float, float]]]]


def _hatches() -> Markup:
    made = []
    for name, (turn, gap, lines) in _HATCHES.items():
        line = _tag("path", d=f"M0 0V{gap}" + (f"M0.9 0V{gap}" if lines == 2 else ""), stroke=INK, stroke_width=0.25)
        made.append(
            _tag(
                "pattern",
                line,
                id=f"hatch-{name}",
                width=gap,
                height=gap,
                patternUnits="userSpaceOnUse",
                patternTransform=f"rotate({turn})",
            )
        )
    cross = _tag("path", d="M0 0L1.7 1.7M1.7 0L0 1.7", stroke=INK, stroke_width=0.25)
    made.append(_tag("pattern", cross, id="hatch-facing", width=1.7, height=1.7, patternUnits="userSpaceOnUse"))
    fluid = _tag("path", d="M0 0.8H1.7", stroke=INK, stroke_width=0.3)
    made.append(_tag("pattern", fluid, id="hatch-fluid", width=2.7, height=1.7, patternUnits="userSpaceOnUse"))
    return _tag("defs", Markup("").join(made))


def _moved(section: SectionOut) -> list[float]:
    """Displacement of every motion at rest, at the wear found [mm]."""
    return [float(np.interp(section.found, section.wear, [row[0] for row in grid])) for grid in section.motions]


def _corners(outline: OutlineOut, moved: Sequence[float]) -> list[tuple[float, float]]:
    return [(x + (moved[motion] if motion >= 0 else 0.0), r) for x, r, motion in outline.points]


def section_svg(section: SectionOut, width: float = 174.0, height: float = 92.0) -> Markup:
    """The half section at rest, its parts numbered, fitted into a sheet's width [mm]; nothing where none is drawn."""
    if not section.clutch:
        return Markup("")
    moved = _moved(section)
    clutch = [(o, _corners(o, moved)) for o in section.clutch]
    chain = [(o, _corners(o, moved)) for o in section.chain]
    (x0, x1, r0, r1), (c0, c1, b0, b1) = _bounds(clutch), _bounds(chain) if chain else (0.0, 1.0, 0.0, 1.0)
    scale = min((height - 16) / (r1 - r0), width * 0.6 / (x1 - x0))
    small = min((height - 20) / (b1 - b0), (width - (x1 - x0) * scale - 14) / (c1 - c0), scale * 0.8)
    base, left, beside = 10 + r1 * scale, 2 - x0 * scale, width - 2 - c1 * small
    parts = [_hatches()]
    shown = [(o, [(left + x * scale, base - r * scale) for x, r in points]) for o, points in clutch]
    away = [(o, [(beside + x * small, 12 + (b1 - r) * small) for x, r in points]) for o, points in chain]
    parts += [_shape(*shape) for shape in (*shown, *away)]
    parts += _line(shown, away)
    parts.append(
        _tag(
            "path",
            d=f"M0 {base:.5g}H{left + x1 * scale + 4:.5g}",
            stroke=LINE,
            stroke_width=0.3,
            stroke_dasharray="6 1.5 1 1.5",
        )
    )
    parts += _balloons(section, shown)
    parts.append(_words(width - 1, height - 1, f"section {scale:.2g} : 1, chain {small:.2g} : 1", "end", 2.4))
    return _svg(width, height, "Half section of the clutch", parts)


def _bounds(shapes: Shapes) -> tuple[float, float, float, float]:
    xs, rs = zip(*(corner for _, points in shapes for corner in points), strict=True)
    return min(xs), max(xs), min(0.0, *rs), max(rs)


def _shape(outline: OutlineOut, points: Sequence[tuple[float, float]]) -> Markup:
    path = "M" + "L".join(f"{x:.2f} {y:.2f}" for x, y in points) + "Z"
    fill = INK if outline.material in _SOLID else f"url(#hatch-{outline.material})"
    return _tag("path", d=path, fill=SHEET) + _tag(
        "path", d=path, fill=fill, stroke=INK, stroke_width=0.35, stroke_linejoin="round"
    )


def _line(shown: Shapes, away: Shapes) -> list[Markup]:
    """The line or cable from the chain to what it works in the section."""
    works = [points for outline, points in shown if outline.part == "release"]
    if not works or not away:
        return []
    ends = [max(works[-1]), min(away[-1][1])]
    middles = [
        (x, float(np.mean([r for a, r in points if abs(a - x) < 0.3])))
        for (x, _), points in zip(ends, (works[-1], away[-1][1]), strict=True)
    ]
    (x0, y0), (x1, y1) = middles
    reach = max((x1 - x0) / 2, 6.0)
    path = f"M{x0:.5g} {y0:.5g}C{x0 + reach:.5g} {y0:.5g} {x1 - reach:.5g} {y1:.5g} {x1:.5g} {y1:.5g}"
    return [_tag("path", d=path, fill="none", stroke=INK, stroke_width=0.6)]


def _balloons(section: SectionOut, shapes: Shapes) -> list[Markup]:
    """A number to each part, in the order they stand along the shaft."""
    tops = []
    for number, part in enumerate(section.parts, start=1):
        mine = [point for outline, points in shapes if outline.part == part.name for point in points]
        if mine:
            top = min(y for _, y in mine)
            edge = [x for x, y in mine if y < top + 1]
            tops.append(((min(edge) + max(edge)) / 2, top + 1, number))
    drawn, last = [], -2.0
    for x, y, number in sorted(tops):
        at = last = max(x, last + 7)
        drawn += [
            _tag("path", d=f"M{at:.5g} 7L{x:.5g} {y:.5g}", stroke=LINE, stroke_width=0.25),
            _tag("circle", cx=at, cy=3.8, r=3.2, fill=SHEET, stroke=INK, stroke_width=0.3),
            _words(at, 4.9, str(number), "middle", 3.0),
        ]
    return drawn


# --- torque


def torque_svg(chart: ChartOut, width: float = 174.0, height: float = 72.0) -> Markup:
    """Engine torque at the crank over speed, in the units preferred; the band of what the clutch holds across it."""
    inch = wanted()[0] == "inch"
    unit, per = ("lb-ft", chart.inch_per_metric) if inch else ("N·m", 1.0)
    left, right, top, bottom = 16.0, width - 44.0, 6.0, height - 9.0
    curve = chart.planned or chart.now
    speeds = [*chart.now.rpm, *curve.rpm]
    made = max([*chart.now.torque, *curve.torque])
    most = max(made, min(chart.holds_high or 0.0, made * 1.9), min(chart.holds_nominal or 0.0, made * 3)) * 1.08
    low, high = min(speeds), max(speeds)

    def x(rpm: float) -> float:
        return left + (rpm - low) / (high - low) * (right - left)

    def y(torque: float) -> float:
        return max(top, bottom - torque / most * (bottom - top))

    rulers = _axes(x, lambda t: y(t / per), (low, high), most * per, (left, right, top, bottom))
    parts = [_band_defs(), *rulers, _words(left - 1.5, top - 2, unit, "end", 2.6)]
    labels = [("planned engine" if chart.planned else "engine", y(curve.torque[-1]))]
    if chart.holds_low is not None and chart.holds_nominal is not None and chart.holds_high is not None:
        ends = y(chart.holds_low), y(chart.holds_nominal), y(chart.holds_high)
        parts.append(
            _tag(
                "rect",
                x=left,
                y=ends[2],
                width=right - left,
                height=max(ends[0] - ends[2], 0.0),
                fill="url(#hatch-band)",
            )
        )
        for at, stroke, dashes in zip(ends, (0.3, 0.6, 0.3), ("4 1 0.6 1", "none", "none"), strict=True):
            parts.append(
                _tag(
                    "path", d=f"M{left} {at:.5g}H{right:.5g}", stroke=INK, stroke_width=stroke, stroke_dasharray=dashes
                )
            )
        labels += [("holds, low friction", ends[0]), ("holds, nominal", ends[1]), ("holds, high", ends[2])]
    if chart.planned:
        parts.append(_curve(chart.now, x, y, 0.4))
        labels.append(("engine now", y(chart.now.torque[-1])))
    parts.append(_curve(curve, x, y, 0.9))
    for words, at, place in _spread(labels, 4.0, top + 2, bottom):
        parts.append(
            _tag(
                "path",
                d=f"M{right + 0.5:.5g} {at:.5g}L{right + 4:.5g} {place:.5g}",
                stroke=LINE,
                stroke_width=0.25,
                fill="none",
            )
        )
        parts.append(_words(right + 5, place + 1, words))
    slips = ", ".join(f"{s.start:.0f} to {s.end:.0f} rpm" for s in chart.slips)
    said = f"slips at nominal friction from {slips}" if slips else "no slip at nominal friction"
    parts.append(_words(left, height - 0.5, said.capitalize(), size=2.6))
    return _svg(width, height, f"Engine torque over speed: {said}", parts)


def _band_defs() -> Markup:
    line = _tag("path", d="M0 0V2", stroke=LINE, stroke_width=0.25)
    return _tag(
        "defs",
        _tag(
            "pattern",
            line,
            id="hatch-band",
            width=2.0,
            height=2.0,
            patternUnits="userSpaceOnUse",
            patternTransform="rotate(45)",
        ),
    )


Along = Callable[[float], float]


def _curve(curve: CurveOut, x: Along, y: Along, stroke: float) -> Markup:
    points = "L".join(f"{x(rpm):.2f} {y(torque):.2f}" for rpm, torque in zip(curve.rpm, curve.torque, strict=True))
    return _tag("path", d=f"M{points}", fill="none", stroke=INK, stroke_width=stroke, stroke_linejoin="round")


def _axes(
    x: Along, y: Along, speeds: tuple[float, float], most: float, frame: tuple[float, float, float, float]
) -> list[Markup]:
    left, right, top, bottom = frame
    drawn = [_tag("path", d=f"M{left} {top}V{bottom:.5g}H{right:.5g}", stroke=INK, stroke_width=0.35, fill="none")]
    for torque in _ticks(0.0, most):
        drawn.append(_tag("path", d=f"M{left} {y(torque):.5g}H{right:.5g}", stroke=HAIR, stroke_width=0.2))
        drawn.append(_words(left - 1.5, y(torque) + 1, f"{torque:.0f}", "end", 2.6))
    for rpm in _ticks(*speeds):
        drawn.append(_tag("path", d=f"M{x(rpm):.5g} {bottom:.5g}v-1.8", stroke=INK, stroke_width=0.3))
        drawn.append(_words(x(rpm), bottom + 3.4, f"{rpm:.0f}", "middle", 2.6))
    return [*drawn, _words(right, bottom + 6.8, "rpm", "end", 2.6)]


def _ticks(low: float, high: float) -> list[float]:
    """Round figures from `low` to `high`, about six of them.

    >>> _ticks(0.0, 610.0)
    [0.0, 100.0, 200.0, 300.0, 400.0, 500.0, 600.0]
    """
    size = 10.0 ** np.floor(np.log10((high - low) / 5))
    step = float(next(s * size for s in (1, 2, 5, 10) if (high - low) / (s * size) <= 7))
    first = np.ceil(low / step) * step
    return [float(v) for v in np.arange(first, high + step * 1e-9, step)]


def _spread(
    labels: Sequence[tuple[str, float]], gap: float, top: float, bottom: float
) -> list[tuple[str, float, float]]:
    """Labels with where they point and where they stand, apart by `gap` at least.

    >>> _spread([("a", 10.0), ("b", 11.0)], 4.0, 0.0, 50.0)
    [('a', 10.0, 10.0), ('b', 11.0, 14.0)]
    """
    in_order = sorted(labels, key=lambda label: label[1])
    last, down = top - gap, []
    for _, at in in_order:
        last = max(at, last + gap)
        down.append(last)
    limit, places = bottom, []
    for place in reversed(down):
        places.append(min(place, limit))
        limit = places[-1] - gap
    return [(words, at, place) for (words, at), place in zip(in_order, reversed(places), strict=True)]
