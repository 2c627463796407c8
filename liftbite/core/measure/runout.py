"""A dial swept round a circle: how far off centre, which way, how round, and what dowel puts it right.

Angles run clockwise seen from the gearbox side, 0 at the top. Lengths in metres, angles in radians.

- `SweepSettings`   how the dial was read: its sign, the side the angles were counted from, the bracket's sag
- `fit_sweep`, `SweepFit`   least squares of d = a + b·cos θ + c·sin θ, with 2θ from six angles up; a thousand at once
- `closure`         the first angle read again
- `rule_of_five`    both readings of the 0.005 in rule
- `choose_dowel`, `Dowel`   the offset dowel, its clock angle and what is left
- `unreachable`     runouts no stocked dowel brings within the limit
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from math import acos, pi

import numpy as np
import numpy.typing as npt

from liftbite.core.units.constants import THOU

Array = npt.NDArray[np.float64]

#: Offsets of stocked dowels [m] [practice].
STOCK_DOWELS = (7 * THOU, 14 * THOU, 21 * THOU)
#: The rule of the trade for a bell housing's bore [m] [practice].
BORE_LIMIT = 5 * THOU
#: A first angle that reads otherwise at the end by more than this means to start again [m] [practice].
CLOSURE_LIMIT = 1 * THOU


@dataclass(frozen=True, slots=True)
class SweepSettings:
    """How a sweep was read.

    Attributes
    ----------
    presses_plus : True where the dial reads plus with the plunger pressed in
    seen_from : "gearbox" or "engine": the side from which the angles were counted clockwise
    sag : fall of the indicator's bracket, half its full reading on a plain bar, plus where the top reads high [m]
    swept : radius at which a face was swept [m]; 0 where it was not said
    """

    presses_plus: bool = True
    seen_from: str = "gearbox"
    sag: float = 0.0
    swept: float = 0.0


@dataclass(frozen=True, slots=True)
class SweepFit:
    """A fitted sweep; arrays of the sweeps' shape.

    Attributes
    ----------
    eccentricity : e, how far the centre lies off the axis [m]
    direction : φ, which way, 0 to 2π [rad]
    oval : amplitude of the twice-per-turn part, NaN below six angles [m]
    oval_direction : its widest direction, 0 to π [rad]
    tir : total indicator reading, largest less smallest, sag taken off [m]
    tir_fit : 2·e [m]
    scatter : root mean square of what the fit leaves, over its degrees of freedom; NaN where it has none [m]
    residuals : reading less fit, one per angle along the last axis [m]
    distances : readings turned into distance from the axis, sag taken off [m]
    angles : the angles as counted from the gearbox side [rad]
    """

    eccentricity: Array
    direction: Array
    oval: Array
    oval_direction: Array
    tir: Array
    tir_fit: Array
    scatter: Array
    residuals: Array
    distances: Array
    angles: Array

    @property
    def judged(self) -> Array:
        """What is judged [m]: the larger of what was read and of the circle through it.

        Few places miss the extremes: four equal ones see down to 0.71 of the circle's, eight down to 0.92.
        """
        return np.maximum(self.tir, self.tir_fit)

    def at(self, angles: npt.ArrayLike, *, oval: bool = True) -> Array:
        """The fitted distance less its mean, at any angles; for a single sweep [m]."""
        theta = np.asarray(angles, dtype=float)
        found = self.eccentricity * np.cos(theta - self.direction)
        if oval and np.isfinite(self.oval):
            found = found + self.oval * np.cos(2 * (theta - self.oval_direction))
        return np.asarray(found)


def fit_sweep(
    angles: npt.ArrayLike, readings: npt.ArrayLike, *, inside: bool, settings: SweepSettings | None = None
) -> SweepFit:
    """Where the centre lies, from a dial swept round a bore, a spigot or a face.

    d = a + b·cos θ + c·sin θ, e = √(b² + c²), φ = atan2(c, b); with six angles or more also the 2θ part.
    From inside a bore the wall is nearest where the dial reads highest: d = −r. Round a spigot or on a face d = +r.

    Parameters
    ----------
    angles : n angles, at least three different ones [rad]
    readings : dial readings, the angles along the last axis; any leading shape [m]
    inside : True for a bore swept from inside
    settings : how the dial was read

    Returns
    -------
    the fit

    Raises
    ------
    ValueError : fewer than three different angles, or another number of readings than of angles

    Range: eccentricity small against the radius (the neglected term is e²/2R).
    Source: [definition: least squares of a first harmonic]; the sign of a bore [geometry].

    A bore 0.10 mm off towards 3 o'clock, the dial plus when pressed:

    >>> theta = np.radians([0, 90, 180, 270])
    >>> fit = fit_sweep(theta, [0.0, -1e-4, 0.0, 1e-4], inside=True)
    >>> round(float(fit.eccentricity) * 1e3, 3), round(float(np.degrees(fit.direction)))
    (0.1, 90)
    """
    how = settings or SweepSettings()
    theta = np.asarray(angles, dtype=float)
    r = np.asarray(readings, dtype=float)
    if theta.ndim != 1 or r.shape[-1:] != theta.shape:
        raise ValueError(f"{r.shape[-1] if r.ndim else 1} readings for {theta.size} angles; one for each")
    around = np.unique(np.round(np.mod(theta, 2 * pi), 6) % round(2 * pi, 6)).size
    if around < 3:
        raise ValueError(f"{around} different angles; a circle needs three or more")
    r = (r - how.sag * np.cos(theta)) * (1.0 if how.presses_plus else -1.0)
    d = -r if inside else r
    seen = theta if how.seen_from == "gearbox" else -theta
    columns = [np.ones_like(seen), np.cos(seen), np.sin(seen)]
    if around >= 6:
        columns += [np.cos(2 * seen), np.sin(2 * seen)]
    matrix = np.column_stack(columns)
    found = d @ np.linalg.pinv(matrix).T
    left = d - found @ matrix.T
    free = theta.size - matrix.shape[1]
    none = np.full(found.shape[:-1], np.nan)
    b, c = found[..., 1], found[..., 2]
    twice = (found[..., 3], found[..., 4]) if around >= 6 else (none, none)
    return SweepFit(
        eccentricity=np.hypot(b, c),
        direction=np.mod(np.arctan2(c, b), 2 * pi),
        oval=np.hypot(*twice),
        oval_direction=np.mod(np.arctan2(twice[1], twice[0]) / 2, pi),
        tir=np.ptp(d, axis=-1),
        tir_fit=2 * np.hypot(b, c),
        scatter=np.sqrt(np.sum(left**2, axis=-1) / free) if free > 0 else none,
        residuals=left,
        distances=d,
        angles=np.mod(seen, 2 * pi),
    )


def closure(first: float, again: float) -> tuple[float, bool]:
    """How far the first angle reads otherwise at the end, and whether the sweep stands.

    Source: [practice: over 0.001 in means redo].

    >>> closure(0.0, 2e-5), closure(0.0, 4e-5)
    ((2e-05, True), (4e-05, False))
    """
    return again - first, bool(abs(again - first) <= CLOSURE_LIMIT + 1e-12)


def rule_of_five(tir: float, eccentricity: float, limit: float = BORE_LIMIT) -> tuple[bool, bool]:
    """Whether a bore passes 0.005 in read as total indicator reading, and read as off centre.

    Source: [practice: both readings are in use; the first is the stricter].

    >>> rule_of_five(8 * THOU, 4 * THOU)
    (False, True)
    """
    return tir <= limit, eccentricity <= limit


@dataclass(frozen=True, slots=True)
class Dowel:
    """A pair of offset dowels.

    Attributes
    ----------
    offset : of the dowel; 0 is the plain dowel that is in there [m]
    clock : where its high side points, clockwise seen from the gearbox side [rad]
    residual : total indicator reading left, 2·|e − offset| [m]
    slack : how far it may be clocked off before the limit is passed; 0 where it does not meet it [rad]
    meets : True where the residual is within the limit
    """

    offset: float
    clock: float
    residual: float
    slack: float
    meets: bool


def choose_dowel(
    eccentricity: float, direction: float, *, stock: Sequence[float] = STOCK_DOWELS, limit: float = BORE_LIMIT
) -> list[Dowel]:
    """Dowels from the best to the worst, doing nothing among them. Both dowels of a pair point the same way.

    residual = 2·|e − o|, clock = φ + 180°: the housing moves against the way its bore is off.

    Parameters
    ----------
    eccentricity, direction : from `fit_sweep` [m], [rad]
    stock : offsets at hand [m]
    limit : total indicator reading allowed [m]

    Source: [practice: stock offsets 0.007, 0.014, 0.021 in; fit, tighten, measure again].

    >>> best = choose_dowel(6 * THOU, 0.0)[0]
    >>> round(best.offset / THOU), round(best.residual / THOU, 1), round(best.clock, 4) == round(pi, 4)
    (7, 2.0, True)
    """
    clock = (direction + pi) % (2 * pi)
    found = []
    for offset in sorted({0.0, *stock}):
        residual = 2 * abs(eccentricity - offset)
        meets = residual <= limit
        found.append(Dowel(offset, clock if offset else 0.0, residual, _slack(eccentricity, offset, limit), meets))
    return sorted(found, key=lambda d: (d.residual, d.offset))


def _slack(eccentricity: float, offset: float, limit: float) -> float:
    """Clock error at which the residual reaches the limit: |e − o·∠δ| = limit/2."""
    if offset == 0 or 2 * abs(eccentricity - offset) > limit:
        return 0.0
    cosine = (eccentricity**2 + offset**2 - (limit / 2) ** 2) / (2 * eccentricity * offset)
    return acos(min(max(cosine, -1.0), 1.0))


def unreachable(stock: Sequence[float] = STOCK_DOWELS, limit: float = BORE_LIMIT) -> list[tuple[float, float]]:
    """Bands of total indicator reading that no dowel of the stock brings within the limit [m].

    >>> [(round(a / THOU), round(b / THOU)) for a, b in unreachable()]
    [(5, 9), (19, 23), (33, 37)]
    """
    offsets = sorted({0.0, *stock})
    bands = [(2 * a + limit, 2 * b - limit) for a, b in pairwise(offsets)]
    return [(low, high) for low, high in bands if high > low + 1e-12]


def pointing(direction: float) -> str:
    """A direction as an hour of the clock: `3 o'clock`, `half past 7`.

    >>> pointing(pi / 2), pointing(0.0), pointing(7.5 * pi / 6)
    ("3 o'clock", "12 o'clock", 'half past 7')
    """
    halves = round((direction % (2 * pi)) / (pi / 12)) % 24
    hour = halves // 2 or 12
    return f"half past {hour}" if halves % 2 else f"{hour} o'clock"
