"""What a drive shows: the gears, and where engine and wheels part.

- `Gears`, `gears_of`   speed of the engine over that of the wheels, gear by gear, found from the log itself
- `Stretch`, `Drive`    a start, a shift, slip, or the clutch down; all of them, with the least slip that can be seen
- `drive_of`            a log read so

In gear and locked the ratio of the speeds is a constant of the gear; whatever the wheel's size or the clock's error, it
is found as a peak of the ratio's own histogram. Slip is an engine above that line while the vehicle is still driven,
with the same gear on one side of it; a start, a shift and a clutch pressed are not.
"""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from liftbite.core.prove.road_log import RoadLog
from liftbite.core.quantities.torque_curve import Array

Kind = Literal["start", "shift", "slip", "clutch down"]
#: Slip is looked for from so much on, for so long [-], [s].
LEAST_SLIP, LEAST_TIME = 0.03, 0.2
#: After a shift the clutch slips for a while by itself [s].
SHIFT_TIME = 0.8
#: Slower than this there is no ratio [m/s, rad/s of a shaft], [rad/s].
_STILL, _IDLE = 1.5, 60.0
#: Pulling: so much acceleration [m/s²] and throttle [-].
_PULLS, _PRESSED = 0.15, 0.25
#: How far apart two gears are at least, and how wide a peak is, both of ln(ratio) [-].
_APART, _WIDE = 0.08, 0.02
#: Driven for so much of a time is driven all the while [-].
_ALL_THE_WHILE = 0.9
#: Of a gear's peak so much lies within 0.3 of its width [-].
_SHARP = 0.55
#: A ratio that begins and ends so far out on both sides of a gear's line crosses it, of the edge looked at [-].
_CROSSES = 0.35
#: Logged wheels and typed ratios may differ by so much: worn tyres, a clock, another size [-].
_SCALE = 0.10


@dataclass(frozen=True, slots=True)
class Gears:
    """The gears a drive was in.

    Attributes
    ----------
    ratios : engine over output, the lowest gear first [1/m or -]
    names : what each is called
    scale : what was logged over what the job's ratios and tyre say [-]; None where those are not known
    """

    ratios: tuple[float, ...]
    names: tuple[str, ...]
    scale: float | None


@dataclass(frozen=True, slots=True)
class Stretch:
    """Engine and wheels apart.

    Attributes
    ----------
    kind : a start, a shift, slip, or the clutch pressed in gear
    begin, end : rows of the log
    gear : index of the gear it ends in, or slips in
    time, duration : when it begins and how long it lasts [s]
    speed : of the engine, mean [rad/s]
    slip : highest share of slip [-]
    """

    kind: Kind
    begin: int
    end: int
    gear: int
    time: float
    duration: float
    speed: float
    slip: float


@dataclass(frozen=True, slots=True)
class Drive:
    """A drive: its gears, what happened, and the least slip the log can show [-], for how long [s]."""

    gears: Gears
    stretches: tuple[Stretch, ...]
    least_slip: float
    least_time: float
    locked_time: float


def _smooth(values: Array, rows: int) -> Array:
    from scipy.ndimage import uniform_filter1d  # here: it takes longer to load than all of the core

    found: Array = uniform_filter1d(values, max(rows, 1), mode="nearest")
    return found


def _log_ratio(log: RoadLog) -> Array:
    """ln(engine/output); not finite where either all but stands."""
    rows = round(0.08 * log.rate)
    engine, output = _smooth(log.engine, rows), _smooth(log.output, rows)
    moving = (output > _STILL) & (engine > _IDLE)
    with np.errstate(divide="ignore", invalid="ignore"):
        return np.where(moving, np.log(engine / output), np.nan)


def gears_of(log: RoadLog, known: Sequence[float] = ()) -> Gears:
    """The gears of a drive, by the peaks of the ratio of its speeds.

    Parameters
    ----------
    log : the drive
    known : the job's own ratios, engine over output, in order; empty where they are not known
    """
    from scipy.ndimage import maximum_filter1d, minimum_filter1d

    ratio = _log_ratio(log)
    window = max(round(0.4 * log.rate), 3)
    filled = np.nan_to_num(ratio, nan=99.0)
    steady = np.isfinite(ratio) & (maximum_filter1d(filled, window) - minimum_filter1d(filled, window) < 2 * _WIDE)
    found = ratio[steady]
    if found.size < log.rate:
        return Gears((), (), None)
    if known:
        return _known_gears(found, np.log(np.asarray(known, dtype=np.float64)), log.rate)
    peaks = _peaks(found, log.rate)
    ratios = tuple(float(np.exp(p)) for p in sorted(peaks, reverse=True))
    return Gears(ratios, tuple(f"gear {i} of those driven" for i in range(1, len(ratios) + 1)), None)


def _peaks(found: Array, rate: float) -> list[float]:
    from scipy.signal import find_peaks

    bins = np.arange(found.min() - 0.1, found.max() + 0.1, 0.004)
    counts, edges = np.histogram(found, bins)
    smooth = _smooth(counts.astype(np.float64), 5)
    at, _ = find_peaks(smooth, height=max(0.15 * rate, 0.02 * smooth.max()), distance=int(_APART / 0.004))
    centres = [float(np.median(found[np.abs(found - (edges[i] + 0.002)) < _WIDE])) for i in at]
    return [c for c in centres if _sharp(found, c) > _SHARP]


def _sharp(found: Array, centre: float) -> float:
    """How much of a peak lies at its middle [-]: a gear is a line, slip that drifts is a slope."""
    off = np.abs(found - centre)
    return int(np.count_nonzero(off < 0.3 * _WIDE)) / max(int(np.count_nonzero(off < 1.5 * _WIDE)), 1)


def _known_gears(found: Array, known: Array, rate: float) -> Gears:
    """The job's ratios, all moved by one scale that brings most of the drive onto them."""
    scales = np.linspace(-_SCALE, _SCALE, 401)
    sample = found[:: max(found.size // 3_000, 1)]
    near = [np.count_nonzero(np.abs(sample[:, None] - (known + s)).min(axis=1) < 0.006) for s in scales]
    best = np.flatnonzero(np.asarray(near) >= 0.98 * max(near))
    scale = float(scales[best].mean())
    offsets = sample[:, None] - (known + scale)
    nearest = np.abs(offsets).argmin(axis=1)
    offset = offsets[np.arange(sample.size), nearest]
    close = np.abs(offset) < _WIDE
    scale += float(np.median(offset[close])) if close.any() else 0.0
    names = tuple(f"gear {i}" for i in range(1, known.size + 1))
    return Gears(tuple(float(r) for r in np.exp(known + scale)), names, float(np.exp(-scale)))


def drive_of(log: RoadLog, known: Sequence[float] = ()) -> Drive:
    """Gears, starts, shifts and slip of a log.

    Parameters
    ----------
    log : the drive
    known : the job's own ratios, engine over output, in order; empty where they are not known
    """
    gears = gears_of(log, known)
    least_time = max(LEAST_TIME, 3.0 / log.rate)
    if not gears.ratios:
        return Drive(gears, (), LEAST_SLIP, least_time, 0.0)
    ratio = _log_ratio(log)
    lines = np.log(np.asarray(gears.ratios))
    off = np.where(np.isfinite(ratio)[:, None], ratio[:, None] - lines, np.inf)
    nearest = np.abs(off).argmin(axis=1)
    apart = off[np.arange(ratio.size), nearest]
    close = np.abs(apart) < _WIDE
    noise = 1.4826 * float(np.median(np.abs(apart[close] - np.median(apart[close])))) if close.any() else 0.0
    edge = max(0.55 * LEAST_SLIP, 4.0 * noise)
    gear = np.where(np.abs(apart) <= edge, nearest, -1)
    gear = _settled(gear, apart, edge, log.rate)
    found: list[Stretch] = []
    for piece in log.stretches:
        found += _of_piece(log, piece, gear[piece], off[piece], edge, least_time)
    locked = float(np.count_nonzero(gear >= 0)) / log.rate
    return Drive(gears, tuple(found), max(LEAST_SLIP, edge), least_time, locked)


def _settled(gear: NDArray[np.int64], apart: Array, edge: float, rate: float) -> NDArray[np.int64]:
    """A gear held for less than a tenth of a second, or one the ratio crosses from edge to edge, is passed through."""
    least = max(round(0.12 * rate), 1)
    found = gear.copy()
    for begin, end in _runs(gear):
        if gear[begin] < 0:
            continue
        quarter = max((end - begin) // 4, 1)
        first, last = float(apart[begin : begin + quarter].mean()), float(apart[end - quarter : end].mean())
        crosses = min(abs(first), abs(last)) > _CROSSES * edge and first * last < 0
        if end - begin < least or crosses:
            found[begin:end] = -1
    return found


def _reached(gear: NDArray[np.int64], pulls: NDArray[np.bool_]) -> NDArray[np.int64]:
    """The gears without those a slipping engine only climbs to: down a gear goes none that is driven all the while."""
    found, last, end_of_last = gear.copy(), -1, 0
    for begin, end in _runs(gear):
        if gear[begin] < 0:
            continue
        climbed = 0 <= gear[begin] < last and begin > end_of_last and pulls[end_of_last:begin].mean() > _ALL_THE_WHILE
        if climbed:
            found[begin:end] = -1
        else:
            last, end_of_last = int(gear[begin]), end
    return found


def _runs(values: NDArray[np.int64]) -> list[tuple[int, int]]:
    """Where values stay the same: first and one past the last."""
    cuts = np.flatnonzero(np.diff(values)) + 1
    edges = [0, *cuts.tolist(), values.size]
    return list(itertools.pairwise(edges))


def _of_piece(
    log: RoadLog, piece: slice, gear: NDArray[np.int64], off: Array, edge: float, least_time: float
) -> list[Stretch]:
    """What happened in a stretch without gaps."""
    rows = round(0.3 * log.rate)
    time, output = log.time[piece], log.output[piece]
    pulls = _pulling(log, piece, rows)
    gear = _reached(gear, pulls)
    runs = _runs(gear)
    found = []
    for n, (begin, end) in enumerate(runs):
        if gear[begin] >= 0:
            continue
        before = int(gear[runs[n - 1][0]]) if n else -1
        after = int(gear[runs[n + 1][0]]) if n + 1 < len(runs) else -1
        stood = float(output[begin:end].min()) < 0.8
        made = _Run(begin, end, before, after, stood)
        found += _told(made, log, piece, time, off, pulls, edge, least_time)
    return found


@dataclass(frozen=True, slots=True)
class _Run:
    """Rows in no gear, with the gears on both sides, -1 for none."""

    begin: int
    end: int
    before: int
    after: int
    stood: bool


def _pulling(log: RoadLog, piece: slice, rows: int) -> NDArray[np.bool_]:
    """Where the vehicle is driven: it gains speed, and the throttle is open where that was logged."""
    time, output = log.time[piece], log.output[piece]
    smooth = _smooth(output, rows)
    gained = np.gradient(smooth, time) if time.size > 2 else np.zeros(time.size)
    pulls: NDArray[np.bool_] = gained > (_PULLS if log.of_road else _PULLS / 0.3)
    if log.throttle is not None:
        pulls &= log.throttle[piece] >= _PRESSED
    return pulls


def _told(
    run: _Run,
    log: RoadLog,
    piece: slice,
    time: Array,
    off: Array,
    pulls: NDArray[np.bool_],
    edge: float,
    least_time: float,
) -> list[Stretch]:
    rows = slice(run.begin, run.end)

    def stretch(kind: Kind, begin: int, end: int, gear: int) -> Stretch:
        engine = log.engine[piece][begin:end]
        slip = float(np.nanmax(np.where(np.isfinite(off[begin:end, gear]), off[begin:end, gear], np.nan), initial=0.0))
        last = min(end, time.size - 1)
        lasted, share = float(time[last] - time[begin]), float(np.expm1(max(slip, 0.0)))
        first, behind = piece.start + begin, piece.start + end
        return Stretch(kind, first, behind, gear, float(time[begin]), lasted, float(engine.mean()), share)

    if run.stood:
        if run.after < 0:
            return []
        moves = run.end - 1 - int(np.argmax(log.output[piece][rows][::-1] < 0.8))
        return [stretch("start", max(moves, run.begin), run.end, run.after)]
    found = []
    if run.before >= 0:
        head = _above(off[rows, run.before], pulls[rows], edge, from_begin=run.before != run.after)
        if head is not None and _lasts(time, run.begin + head[0], run.begin + head[1]) >= least_time:
            found.append(stretch("slip", run.begin + head[0], run.begin + head[1], run.before))
    if run.after >= 0 and run.after != run.before:
        tail = _above(off[rows, run.after][::-1], pulls[rows][::-1], edge, from_begin=True)
        if tail is not None and _lasts(time, run.end - tail[1], run.end) >= max(SHIFT_TIME, least_time):
            found.append(stretch("slip", run.end - tail[1], run.end, run.after))
        if run.before >= 0:
            found.append(stretch("shift", run.begin, run.end, run.after))
    if not found and run.before >= 0 and run.before == run.after and run.end - run.begin > 2:
        found.append(stretch("clutch down", run.begin, run.end, run.before))
    return [s for s in found if s.kind != "slip" or s.slip >= LEAST_SLIP * 0.8]


def _lasts(time: Array, begin: int, end: int) -> float:
    return float(time[min(end, time.size - 1)] - time[begin])


def _above(off: Array, pulls: NDArray[np.bool_], edge: float, *, from_begin: bool) -> tuple[int, int] | None:
    """The longest run of rows above a gear's line while driven, or the one that begins at once."""
    slips = np.isfinite(off) & (off > edge) & (off < 1.0) & pulls
    runs = [(a, b) for a, b in _runs(slips.astype(np.int64)) if slips[a]]
    if from_begin:
        runs = [(a, b) for a, b in runs if a <= 2]
    return max(runs, key=lambda r: r[1] - r[0], default=None)
