"""A sweep of the record: angles from its places, the fit, its verdict and what to do about it.

- `angle_of`     the angle a place of a sweep names
- `read_angle`   an angle as typed, to the place it is kept under
- `places_read`   where a check is taken, the places added among them
- `scale_of`     from the radius swept to the one a face's limit is meant at
- `ALONE`, `tir_alone`   a total indicator reading taken without angles
- `Sweep`, `sweep_of`   readings of a sweep with their fit
- `judge_sweep`  the verdict
- `decided`      the figure a series came to, of a sweep or of plain readings
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from math import sqrt

import numpy as np

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.build import Build
from liftbite.core.measure.check import Check, Place, Verdict
from liftbite.core.measure.instruments import guard_band, settles_it, zone_of
from liftbite.core.measure.judgement import Finding, Held, Swept
from liftbite.core.measure.left import deciding
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.runout import (
    Dowel,
    SweepFit,
    SweepSettings,
    choose_dowel,
    closure,
    fit_sweep,
    rule_of_five,
)
from liftbite.core.units.read import read

AGAIN = " again"
#: The place of a total indicator reading that was read off without angles.
ALONE = "TIR"


def angle_of(place: str) -> float | None:
    """The angle a place names [°], or None for what is no angle.

    >>> angle_of("45°"), angle_of("0° again"), angle_of("Once")
    (45.0, 0.0, None)
    """
    try:
        return float(place.removesuffix(AGAIN).removesuffix("°"))
    except ValueError:
        return None


def read_angle(typed: str) -> str:
    """An angle as typed, as the place it is kept under.

    Raises
    ------
    UnreadableEntry : no angle, or outside a turn

    >>> read_angle("30"), read_angle("22,5 deg"), read_angle("0 again"), read_angle("tir")
    ('30°', '22.5°', '0° again', 'TIR')
    """
    if typed.strip().upper() == ALONE:
        return ALONE
    again = AGAIN if typed.strip().lower().endswith("again") else ""
    text = typed.strip()[: -len("again")].strip() if again else typed
    try:
        found = float(np.degrees(read(text, "rad", "°").si))
    except UnreadableEntry as error:
        raise UnreadableEntry(f"Angle: {error.reason}.") from None
    found = round(found, 3)
    if not 0 <= found < 360:
        raise UnreadableEntry(f"Angle: “{typed}” is outside a turn; 0° to less than 360°, clockwise.")
    return f"{found:g}°{again}"


def places_read(check: Check, planned: Sequence[Place], readings: Sequence[Reading]) -> tuple[Place, ...]:
    """The places of a check, those added among them; a sweep with angles of its own goes by these, and closes.

    >>> from liftbite.core.measure.checks import CHECKS
    >>> planned = [Place("0°"), Place("90°"), Place("0° again")]
    >>> [p.key for p in places_read(CHECKS["bore_runout"], planned, [Reading("30°"), Reading("150°")])]
    ['30°', '150°', '30° again']
    """
    known = {p.key for p in planned}
    added = [Place(key) for key in dict.fromkeys(r.place for r in readings) if key not in known]
    if check.kind != "sweep" or all(place.key == ALONE for place in added):
        return (*planned, *added)
    alone = tuple(place for place in added if place.key == ALONE)
    added = [place for place in added if place.key != ALONE]
    taken = [key for key in dict.fromkeys(r.place for r in readings) if key != ALONE]
    kept = [*(p for p in planned if p.key in taken), *added]
    first = next((key for key in taken if not key.endswith(AGAIN)), "0°")
    return (*(p for p in kept if not p.key.endswith(AGAIN)), Place(f"{first}{AGAIN}"), *alone)


def scale_of(check: Check, swept: float, build: Build) -> float:
    """From the radius a face was swept at to the one its limit is meant at; 1 where either is not known.

    Source: [geometry: a face that leans runs out in proportion to the radius].
    """
    diameter = build.known.get(check.meant_at[0])
    return 1.0 if diameter is None or swept <= 0 else float(diameter) / (2 * swept)


def tir_alone(readings: Sequence[Reading]) -> Reading | None:
    """The total indicator reading taken without angles, the last of them; or None."""
    return next((r for r in reversed(readings) if r.place == ALONE and r.si is not None), None)


@dataclass(frozen=True, slots=True)
class Sweep:
    """A sweep of the record.

    Attributes
    ----------
    angles : of the readings the fit stands on, the first angle once [°]
    readings : their values [SI]
    fit : the fit
    closes : how far the first angle read otherwise at the end [SI]; None where it was not read again
    stands : False where it has to be taken again
    passes : the 0.005 in rule by total indicator reading, and by distance off centre
    dowels : for a bore, from the best to the worst
    doubt : uncertainty of the eccentricity, k = 2 [SI]
    scale : from the radius swept to the one the limit is meant at, of a face [-]
    """

    angles: tuple[float, ...]
    readings: tuple[float, ...]
    fit: SweepFit
    closes: float | None
    stands: bool
    passes: tuple[bool, bool]
    dowels: tuple[Dowel, ...]
    doubt: float
    scale: float = 1.0

    @property
    def tir(self) -> float:
        """What is judged: the larger of what was read and of the circle through it, at the radius of the limit [SI]."""
        return float(self.fit.judged) * self.scale


def sweep_of(
    check: Check, readings: Sequence[Reading], settings: SweepSettings, limit: float | None, scale: float = 1.0
) -> Sweep | None:
    """Readings of a sweep with their fit; None below three different angles. Repeats at an angle all count."""
    taken = [(a, r) for r in readings if r.si is not None and (a := angle_of(r.place)) is not None]
    first = [(a, r) for a, r in taken if not r.place.endswith(AGAIN)]
    if len({a for a, _ in first}) < 3:
        return None
    angles = [a for a, _ in first]
    values = [float(r.si) for _, r in first if r.si is not None]
    fit = fit_sweep(np.radians(angles), values, inside=check.from_inside, settings=settings)
    again = [(a, r.si) for a, r in taken if r.place.endswith(AGAIN) and r.si is not None]
    closes, stands = None, True
    if again:
        at, value = again[-1]
        start = next((v for a, v in zip(angles, values, strict=True) if a == at), None)
        if start is not None:
            closes, stands = closure(start, value)
    bore = limit if limit is not None else 0.0
    e, phi = float(fit.eccentricity), float(fit.direction)
    dowels = tuple(choose_dowel(e, phi, limit=bore)) if check.name == "bore_runout" and bore > 0 else ()
    u = max((r.uncertainty for _, r in first), default=0.0)
    return Sweep(
        tuple(angles),
        tuple(values),
        fit,
        closes,
        stands,
        rule_of_five(float(fit.judged), e, bore),
        dowels,
        u * sqrt(2 / len(values)),
        scale,
    )


def judge_sweep(
    check: Check,
    sweep: Sweep | None,
    limits: Sequence[Limit],
    base: Finding,
    uncertainty: float,
    rule: str = "full",
    alone: Reading | None = None,
    scale: float = 1.0,
) -> Finding:
    """The verdict of a sweep by its total indicator reading; a sweep that does not close has none.

    One total indicator reading without angles, `alone`, is judged where there is no circle; it says which way nothing.
    """
    if sweep is None and alone is not None and alone.si is not None:
        return _judge_alone(check, abs(alone.si) * scale, limits, base, alone.uncertainty, rule)
    if sweep is None:
        return replace(base, verdict="open", code="too few angles")
    tir = sweep.tir
    swept = _amounts_to(check, sweep)
    base = replace(base, code="swept", swept=swept, worst=tir, spread=tir)
    if not sweep.stands and sweep.closes is not None:
        return replace(base, verdict="too close to call", code="does not close")
    limit = next((found for found in limits if found.name == "most" and found.value is not None), None)
    if limit is None or limit.value is None:
        return replace(base, verdict="noted")
    guard = guard_band(uncertainty * sqrt(2), rule)
    word = zone_of(tir, limit.value, guard, "most")
    held = Held(limit, word, tir, guard, "", check.unit, swept)
    base = replace(base, held=(held,), decides=held)
    if sweep.closes is None:
        return replace(base, verdict="open")
    if word == "pass":
        return replace(base, verdict="reuse")
    if word == "close":
        better = settles_it((tir - limit.value) / sqrt(2), check.suited, uncertainty, rule)
        return replace(base, verdict="too close to call", better=better.label if better else "")
    return replace(base, verdict=check.if_failed)


def _amounts_to(check: Check, sweep: Sweep) -> Swept:
    """A sweep as data."""
    scaled, read = sweep.scale != 1, float(sweep.fit.tir)
    return Swept(
        sweep.tir,
        float(sweep.fit.eccentricity),
        float(sweep.fit.direction),
        check.of_face,
        check.meant_at[1] if scaled else "",
        float(sweep.fit.judged) if scaled else None,
        read if not scaled and sweep.tir > 1.02 * read else None,
        sweep.closes,
        sweep.dowels[0] if sweep.dowels else None,
        check.name == "bore_runout",
    )


def _judge_alone(
    check: Check, tir: float, limits: Sequence[Limit], base: Finding, uncertainty: float, rule: str
) -> Finding:
    """The verdict of a total indicator reading without angles."""
    swept = Swept(tir, bore=check.name == "bore_runout")
    base = replace(base, code="swept", swept=swept, worst=tir, spread=tir)
    limit = next((found for found in limits if found.name == "most" and found.value is not None), None)
    if limit is None or limit.value is None:
        return replace(base, verdict="noted")
    guard = guard_band(uncertainty * sqrt(2), rule)
    word = zone_of(tir, limit.value, guard, "most")
    held = Held(limit, word, tir, guard, "", check.unit, swept)
    base = replace(base, held=(held,), decides=held)
    verdicts: Mapping[str, Verdict] = {"pass": "reuse", "close": "too close to call", "fail": check.if_failed}
    return replace(base, verdict=verdicts[word])


def decided(
    check: Check, readings: Sequence[Reading], limits: Sequence[Limit], settings: SweepSettings, scale: float = 1.0
) -> tuple[float, float] | None:
    """The figure that decides a series, with its uncertainty; of a sweep its total indicator reading [SI], or None."""
    if check.kind != "sweep":
        return deciding(check, readings, limits)
    sweep, alone = sweep_of(check, readings, settings, None, scale), tir_alone(readings)
    if sweep is None:
        return None if alone is None or alone.si is None else (abs(alone.si) * scale, sqrt(2) * alone.uncertainty)
    return sweep.tir, sqrt(2) * max((r.uncertainty for r in readings), default=0.0)
