"""Readings over a part's life, and their trends, as they go over the wire."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from liftbite.api.jobs.present import figure_out, fine_out
from liftbite.api.measure import models as mm
from liftbite.api.measure.scales import span_of
from liftbite.core.measure.check import Check
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.left import left_of
from liftbite.core.measure.limit import Limit, value_of
from liftbite.core.measure.sweep import decided
from liftbite.core.units.sentence import per_distance
from liftbite.core.units.show import typeset
from liftbite.store.jobs import utc_text
from liftbite.store.measurements import Series
from liftbite.whole.bench import Bench, settings_of

#: Lines of the record a page shows; the file has them all.
HISTORY_LINES = 500


def history_out(bench: Bench) -> mm.BenchHistoryOut:
    """Readings over the vehicle's life, newest first, and the trend of every check over its part's."""
    series = [t for t in bench.life or bench.series if t.check in bench.known]
    names = list(dict.fromkeys(t.check for t in series))
    found = (_trend(bench.known[name], bench.lived(name), bench.limits(bench.known[name])) for name in names)
    trends = [trend for trend in found if trend is not None]
    lines, total = _lines([(t, bench.vehicle) for t in series], bench.known)
    return mm.BenchHistoryOut(trends=trends, total=total, readings=lines)


def shop_history_out(series: Sequence[tuple[Series, str]]) -> mm.BenchHistoryOut:
    """The latest readings of the whole shop, and how each check came out over time, whatever the vehicle.

    Series of different vehicles make no line and have no limit in common: only points over time.
    """
    known = [(t, vehicle) for t, vehicle in series if t.check in CHECKS]
    taken = sorted((t for t, _ in known), key=lambda t: t.begun_at)
    names = dict.fromkeys(t.check for t in taken)
    found = (_trend(CHECKS[name], taken, CHECKS[name].limits, over_time=True) for name in names)
    lines, total = _lines(known, CHECKS)
    return mm.BenchHistoryOut(trends=[t for t in found if t is not None], total=total, readings=lines)


def _lines(series: Sequence[tuple[Series, str]], checks: Mapping[str, Check]) -> tuple[list[mm.BenchLineOut], int]:
    """Readings newest first, as many as a page shows, and how many there are."""
    lines = [(t, vehicle, taken) for t, vehicle in series for taken in t.taken]
    lines.sort(key=lambda line: (line[2].at, line[2].id), reverse=True)
    return [
        mm.BenchLineOut(
            at=utc_text(taken.at),
            job=t.job_id,
            vehicle=vehicle,
            check=t.check,
            label=checks[t.check].title,
            place=taken.reading.place,
            typed=typeset(taken.reading.typed),
            value=None if taken.reading.si is None else fine_out(taken.reading.si, checks[t.check].unit),
            instrument=taken.reading.instrument,
            source=taken.source,
            skipped=taken.reading.skipped,
            withdrawn=taken.withdrawn,
            who=taken.who,
        )
        for t, vehicle, taken in lines[:HISTORY_LINES]
    ], len(lines)


def _trend(
    check: Check, series: Sequence[Series], limits: Sequence[Limit], *, over_time: bool = False
) -> mm.TrendOut | None:
    found = [(t, decided(check, t.readings, limits, settings_of(t))) for t in series if t.check == check.name]
    points = [(t, w) for t, w in found if w is not None]
    if not points:
        return None
    driven = not over_time and all(t.distance is not None for t, _ in points)
    xs = [t.distance if driven and t.distance is not None else t.begun_at.timestamp() for t, _ in points]
    limit = None if over_time else value_of(limits, "least", "most", "spread")  # a limit is a vehicle's own
    low, high = span_of([v for _, (v, _) in points] + ([limit] if limit is not None else []))
    left = left_of(check, [(t.distance, t.readings) for t, _ in points], limits) if driven else None
    start, last = min(xs), max(xs)
    end = last + (min(left.distance, 3 * (last - start)) if left else 0.0)

    def at(x: float, y: float) -> tuple[float, float]:
        return round((x - start) / ((end - start) or 1.0), 5), round((y - low) / (high - low), 5)

    line: list[mm.PointOut] = []
    if left is not None and limit is not None:
        along = [at(x, left.reading_at(x - last, limit)) for x in (last, end)]
        line = [mm.PointOut(x=x, y=y) for x, y in along]
    return mm.TrendOut(
        check=check.name,
        title=check.title,
        line=line,
        rate="" if left is None else per_distance(left.rate, check.unit),
        points=[
            mm.TrendPointOut(
                at=utc_text(t.begun_at),
                job=t.job_id,
                worst=fine_out(v, check.unit),
                distance=None if over_time or t.distance is None else figure_out(t.distance, "m driven"),
                readings=sum(r.si is not None for r in t.readings),
                x=at(x, v)[0],
                y=at(x, v)[1],
                y_low=at(x, v - u)[1],
                y_high=at(x, v + u)[1],
            )
            for (t, (v, u)), x in zip(points, xs, strict=True)
        ],
        limit=None if limit is None else fine_out(limit, check.unit),
        limit_at=None if limit is None else at(start, limit)[1],
        low=fine_out(low, check.unit),
        high=fine_out(high, check.unit),
    )
