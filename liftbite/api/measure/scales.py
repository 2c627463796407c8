"""Readings drawn: on a ruler with their limit, or round a circle.

- `ruler_out`   readings with their guard bands, and the limits
- `sweep_out`   a sweep round its axis, with what it amounts to
- `span_of`     the ends of a scale that holds some values
"""

from __future__ import annotations

from collections.abc import Sequence
from math import log10
from typing import Any

import numpy as np
import numpy.typing as npt

from liftbite.api.jobs.present import fine_out
from liftbite.api.measure import models as mm
from liftbite.api.measure.models_calculations import StandsAtOut
from liftbite.core.measure.check import Check
from liftbite.core.measure.instruments import guard_band
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.runout import pointing, unreachable
from liftbite.core.measure.sweep import Sweep


def span_of(values: Sequence[float]) -> tuple[float, float]:
    """From where to where a ruler runs that shows these values."""
    low, high = min(values), max(values)
    room = (high - low) * 0.12 or abs(high) * 0.05 or 1e-4
    return low - room, high + room


def _stands(name: str, start: float, end: float) -> StandsAtOut:
    return StandsAtOut(name=name, start=start, end=end)


def ruler_out(check: Check, readings: Sequence[Reading], limits: Sequence[Limit], rule: str) -> mm.RulerOut | None:
    """Readings and limits on one ruler, each limit with its guard band; None where nothing was read."""
    values = [r.si for r in readings if r.si is not None]
    shown = [f for f in limits if f.value is not None and f.name != "spread"]
    if not values or check.kind != "reading":
        return None
    guard = guard_band(max((r.uncertainty for r in readings), default=0.0), rule)
    edges = [f.value + side for f in shown if f.value is not None for side in (-guard, guard)]
    low, high = span_of([*values, *edges])

    def at(value: float) -> float:
        return round((value - low) / (high - low), 5)

    close = [
        _stands(f.name, at(f.value - guard), at(f.value + guard))
        for f in shown
        if f.value is not None and f.name != "new"
    ]
    return mm.RulerOut(
        readings=[at(v) for v in values],
        close=close,
        limits=[_stands(f.name, at(f.value), at(f.value)) for f in shown if f.value is not None],
        low=fine_out(low, check.unit),
        high=fine_out(high, check.unit),
    )


def nice_radius(deviation: float) -> float:
    """The deviation a picture's radius stands for, rounded up to 1, 2 or 5 so that the largest takes a third of it.

    >>> nice_radius(1e-4), nice_radius(0.0)
    (0.0005, 1e-05)
    """
    wanted = max(deviation / 0.34, 1e-5)
    power = 10.0 ** np.floor(log10(wanted) + 1e-9)
    return float(f"{next(step for step in (1, 2, 5, 10) if step * power >= wanted * (1 - 1e-9)) * power:.6g}")


def _polar(angles: npt.NDArray[np.float64], deviations: npt.NDArray[np.float64]) -> mm.PolarOut:
    return mm.PolarOut(angles=np.degrees(angles).round(3).tolist(), radii=(1 + deviations).round(5).tolist())


def sweep_out(check: Check, sweep: Sweep, limit: float | None) -> mm.SweepOut:
    """A sweep with what its picture is drawn from."""
    fit, unit = sweep.fit, check.unit
    mean = fit.distances - fit.residuals
    offset = float(np.mean(mean - fit.at(fit.angles)))
    deviations = fit.distances - offset
    theta = np.radians(np.arange(0, 361, 5))
    curve = fit.at(theta)
    largest = float(np.max(np.abs([*deviations, *curve])))
    radius = nice_radius(max(largest, (limit or 0.0) / 2))
    e, phi = float(fit.eccentricity), float(fit.direction)

    def maybe(value: Any) -> Any:
        return fine_out(float(value), unit) if np.isfinite(value) else None

    return mm.SweepOut(
        tir=fine_out(float(fit.tir), unit),
        tir_fit=fine_out(float(fit.tir_fit), unit),
        eccentricity=fine_out(e, unit),
        doubt=fine_out(sweep.doubt, unit),
        direction=round(float(np.degrees(phi)), 2),
        direction_words=pointing(phi),
        face=check.of_face,
        oval=maybe(fit.oval),
        scatter=maybe(fit.scatter),
        closes=None if sweep.closes is None else fine_out(sweep.closes, unit),
        stands=sweep.stands,
        passes_tir=sweep.passes[0],
        passes_centre=sweep.passes[1],
        dowels=[
            mm.DowelOut(
                offset=fine_out(d.offset, unit),
                clock=round(float(np.degrees(d.clock)), 1),
                clock_words=pointing(d.clock),
                residual=fine_out(d.residual, unit),
                slack=round(float(np.degrees(d.slack)), 1),
                meets=d.meets,
            )
            for d in sweep.dowels
        ],
        unreachable=[
            mm.BetweenOut(low=fine_out(a, unit), high=fine_out(b, unit))
            for a, b in (unreachable(limit=limit) if sweep.dowels and limit else [])
        ],
        radius=fine_out(radius, unit),
        points=_polar(fit.angles, deviations / radius),
        curve=_polar(theta, curve / radius),
        right=round(e * float(np.sin(phi)) / radius, 5),
        up=round(e * float(np.cos(phi)) / radius, 5),
        limit=None if limit is None else round(limit / 2 / radius, 5),
    )
