"""The calculations of the set-up as they go over the wire; places on a ruler as shares of it, 0 to 1.

- `calculations_out`   those a job's checks feed, each with what it comes to or what it waits for
"""

from __future__ import annotations

from collections.abc import Callable, Collection, Mapping

from liftbite.api.jobs.models import NameOut
from liftbite.api.jobs.present import fine_out
from liftbite.api.measure import models_calculations as mc
from liftbite.core.measure.setup import outcome_of
from liftbite.core.measure.setup.calculation import Asked, Calculation, Lines, Outcome, Remark, Ruler, Shown, Table
from liftbite.core.units.read import from_si
from liftbite.whole.bench import Bench


def calculations_out(bench: Bench, checks: Collection[str]) -> list[mc.CalculationOut]:
    """The calculations that the checks of a bench feed."""
    return [
        _calculation(calculation, told, bench.series_answers)
        for calculation, told in outcome_of(bench.build, bench.readings, bench.series_answers, bench.manual)
        if any(check in checks for check in calculation.checks)
    ]


def _calculation(calculation: Calculation, told: Outcome | None, said: Mapping[str, str]) -> mc.CalculationOut:
    return mc.CalculationOut(
        name=calculation.name,
        label=calculation.label,
        checks=list(calculation.checks),
        waits_for="" if told else calculation.waits_for,
        sentence=told.sentence if told else "",
        verdict=told.verdict if told else "",
        working=list(told.working) if told else [],
        shows=[_shown(s) for s in told.shows] if told else [],
        asks=_asked(calculation.asks, said) if calculation.asks else None,
    )


def _asked(asked: Asked, said: Mapping[str, str]) -> mc.AskedOfSeriesOut:
    return mc.AskedOfSeriesOut(
        check=asked.check,
        name=asked.name,
        label=asked.label,
        said=said.get(asked.name, ""),
        options=[NameOut(name=name, label=label) for name, label in asked.options.items()],
    )


def _scale(*marks: float) -> Callable[[float], float]:
    """Places lengths on a ruler from nothing to a little beyond the longest: 0 to 1."""
    top = max(*marks, 1e-6) * 1.08
    return lambda value: round(max(value, 0.0) / top, 5)


def _shown(shown: Shown) -> mc.ShownOut:
    if isinstance(shown, Ruler):
        return _ruler(shown)
    if isinstance(shown, Table):
        cells = [[_cell(cell) for cell in row] for row in shown.rows]
        return mc.TableOut(kind="table", about=shown.about, heads=list(shown.heads), rows=cells)
    if isinstance(shown, Lines):
        return _lines(shown)
    return _remark(shown)


def _ruler(ruler: Ruler) -> mc.LengthsOut:
    at = _scale(
        *(b.high for b in ruler.bands),
        *(m.at for m in ruler.marks),
        *(end for m in ruler.moves for end in (m.before, m.after)),
    )
    return mc.LengthsOut(
        kind="ruler",
        about=ruler.about,
        zero=ruler.zero,
        bands=[
            mc.BandOnOut(
                label=b.label,
                low=fine_out(b.low, "m"),
                high=fine_out(b.high, "m"),
                start=at(b.low),
                end=at(b.high),
                leading=b.leading,
            )
            for b in ruler.bands
        ],
        marks=[
            mc.MarkOnOut(label=m.label, value=fine_out(m.at, "m"), at=at(m.at), leading=m.leading) for m in ruler.marks
        ],
        moves=[
            mc.MoveOut(label=m.label, after=fine_out(m.after, "m"), before_at=at(m.before), after_at=at(m.after))
            for m in ruler.moves
        ],
    )


def _cell(cell: str | float | None) -> mc.CellOut:
    if cell is None or isinstance(cell, str):
        return mc.CellOut(text=cell or "", value=None)
    return mc.CellOut(text="", value=fine_out(cell, "m"))


def _lines(lines: Lines) -> mc.LinesOut:
    def drawn(values: tuple[float, ...]) -> list[float]:
        return [round(from_si(v, "mm"), 4) for v in values]

    return mc.LinesOut(
        kind="lines",
        about=lines.about,
        along=lines.along,
        unit="mm",
        x=drawn(lines.x),
        curves=[
            mc.CurveOnOut(label=label, y=drawn(ys), leading=label == lines.leading)
            for label, ys in lines.curves.items()
        ],
    )


def _remark(remark: Remark) -> mc.RemarkOut:
    return mc.RemarkOut(kind="remark", text=remark.text, verdict=remark.verdict)
