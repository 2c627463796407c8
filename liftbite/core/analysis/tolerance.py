"""What a margin does when its inputs are not exact: worst case, root sum of squares, Monte Carlo, sensitivity.

- `Tolerance`, `tolerances`   the spread of each input, as typed (`240 ± 0.2 mm`) or given
- `Spread`, `spread`, `spread_of_samples`   worst case, RSS and Monte Carlo of a result, with the chance that it
  falls short
- `extremes`      worst and best of a result, by scanning
- `Influence`, `sensitivity`     how much each input moves a result, the strongest first

A tolerance typed with ± is a pair of limits, taken as evenly likely between them; a standard uncertainty is taken as
normal. Friction is spread over its own band (triangular, low to high). Arrays take the place of scalars, nothing else.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from itertools import product
from typing import Any, Literal

import numpy as np

from liftbite.core.graph.graph import Known, Needs, Refused, Values
from liftbite.core.job.build import Build
from liftbite.core.job.inputs import INPUTS, STATES
from liftbite.core.quantities.torque_curve import Array
from liftbite.core.units.read import spread_of


@dataclass(frozen=True, slots=True)
class Tolerance:
    """The spread of an input: half the distance of its limits, or a standard uncertainty [SI]."""

    half: float
    kind: Literal["limits", "standard"] = "limits"

    @property
    def standard(self) -> float:
        """As a standard uncertainty [SI]: limits over √3."""
        return self.half / np.sqrt(3) if self.kind == "limits" else self.half


@dataclass(frozen=True, slots=True)
class Spread:
    """A result under the tolerances of its inputs.

    Attributes
    ----------
    nominal : with every input as it stands
    worst, best : lowest and highest with every input anywhere in its tolerance, friction anywhere in its band
    rss : standard uncertainty by the root sum of squares, friction left at nominal
    mean, deviation, low, high : of the Monte Carlo; `low` and `high` hold 95 % of it
    short : share of the samples below the target, None without one
    samples : how many had a value
    """

    nominal: float
    worst: float
    best: float
    rss: float
    mean: float
    deviation: float
    low: float
    high: float
    short: float | None
    samples: int


@dataclass(frozen=True, slots=True)
class Influence:
    """How an input moves a result.

    Attributes
    ----------
    quantity : the input
    elasticity : per cent of the result per per cent of the input [-]
    swing : change of the result over the input's tolerance, 0 without one
    """

    quantity: str
    elasticity: float
    swing: float


def tolerances(build: Build) -> dict[str, Tolerance]:
    """The tolerances typed in the entries of a build."""
    found = {}
    for name, entry in build.entries.items():
        asked = INPUTS.get(name)
        if asked and entry.typed and entry.si is not None:
            half = spread_of(entry.typed, asked.unit, asked.field_unit)
            if half:
                found[name] = Tolerance(half)
    return found


def _moved(build: Build, result: str) -> list[str]:
    leaves = build.graph.inputs([result]) - set(STATES)
    return sorted(n for n in leaves if n in INPUTS and isinstance(build.known.get(n), float | int))


def _at(build: Build, result: str, stage: float, friction: Values, changes: Known) -> Any:
    found = build.evaluate((result,), stage=stage, friction=friction, **changes)[result]
    return np.nan if isinstance(found, Needs | Refused) else found


def sensitivity(
    build: Build, result: str, *, stage: float, friction: float, spreads: Mapping[str, Tolerance] | None = None
) -> list[Influence]:
    """Every input of a result by how strongly it moves it, the strongest first; whole numbers left out."""
    spreads = tolerances(build) if spreads is None else spreads
    base = _at(build, result, stage, friction, {})
    effects = []
    for name in _moved(build, result):
        value = float(build.known[name])
        if INPUTS[name].unit == "count" or not np.isfinite(base) or base == 0:
            continue
        step = 1e-4 * abs(value) or 1e-6
        up, down = (float(_at(build, result, stage, friction, {name: value + s})) for s in (step, -step))
        slope = (up - down) / (2 * step) if np.isfinite(up) and np.isfinite(down) else np.nan
        if np.isfinite(slope) and abs(slope * (value or 1.0) / base) > 1e-6:
            half = spreads[name].half if name in spreads else 0.0
            effects.append(Influence(name, float(slope * value / base), float(2 * half * slope)))
    return sorted(effects, key=lambda e: -abs(e.elasticity))


def _drawn(build: Build, stage: float, steps: Mapping[str, Array]) -> dict[str, Any]:
    """Inputs moved by their steps. One that shapes the torque curve moves the peak it gives, to first order."""
    shapes = build.graph.inputs(["engine_curve"])
    drawn: dict[str, Any] = {n: build.known[n] + step for n, step in steps.items() if n not in shapes}
    peak: Values = 0.0
    for name in steps.keys() & shapes:
        h = 1e-4 * abs(build.known[name]) or 1e-6
        up, down = (_at(build, "peak_engine_torque", stage, 0.0, {name: build.known[name] + s}) for s in (h, -h))
        peak = peak + (up - down) / (2 * h) * steps[name]
    if steps.keys() & shapes:
        drawn["peak_engine_torque"] = _at(build, "peak_engine_torque", stage, 0.0, {}) + peak
    return drawn


#: Inputs whose every corner is tried; with more of them each is scanned from where the others stand.
_CORNERS = 6
#: Places a tolerance is scanned at, and how often all are scanned in turn.
_PLACES, _ROUNDS = 33, 3


def extremes(
    build: Build, result: str, *, stage: float, spreads: Mapping[str, Tolerance] | None = None
) -> tuple[float, float]:
    """The lowest and the highest a result gets with every input within its tolerance and friction within its band.

    A result need not rise or fall with an input: a diaphragm near its peak gives less on either side of it. So every
    corner and middle is tried, and from the best of them each tolerance is scanned in turn.
    """
    spreads = tolerances(build) if spreads is None else spreads
    inputs = build.graph.inputs([result])
    names = [n for n in spreads if n in inputs and isinstance(build.known.get(n), float | int)]
    banded = "friction_state" in build.graph.upstream([result])
    bands = (-1.0, 0.0, 1.0) if banded else (0.0,)
    steps = (-1.0, 0.0, 1.0) if len(names) <= _CORNERS else (0.0,)
    grid = np.array(list(product(bands, *(steps for _ in names))))

    def values(places: Array) -> Array:
        """The result at rows of friction and shares of each tolerance."""
        moved = {n: places[:, i + 1] * spreads[n].half for i, n in enumerate(names)}
        found = _at(build, result, stage, places[:, 0] if banded else 0.0, _drawn(build, stage, moved))
        return np.broadcast_to(np.asarray(found, dtype=np.float64), len(places))

    ends = []
    for sign in (1.0, -1.0):
        tried = np.where(np.isfinite(at := values(grid)), sign * at, np.inf)
        best = grid[int(np.argmin(tried))].copy()
        for _, column in product(range(_ROUNDS), range(len(names) + 1)):
            if column == 0 and not banded:
                continue
            scan = np.repeat(best[None, :], _PLACES, axis=0)
            scan[:, column] = np.linspace(-1.0, 1.0, _PLACES)
            found = np.where(np.isfinite(at := values(scan)), sign * at, np.inf)
            best = scan[int(np.argmin(found))].copy()
        ends.append(float(values(best[None, :])[0]))
    return ends[0], ends[1]


def _draw(rng: np.random.Generator, tolerance: Tolerance, samples: int) -> Array:
    if tolerance.kind == "limits":
        return rng.uniform(-tolerance.half, tolerance.half, samples)
    return rng.normal(0, tolerance.half, samples)


def spread(
    build: Build,
    result: str,
    *,
    stage: float,
    target: float | None = None,
    spreads: Mapping[str, Tolerance] | None = None,
    samples: int = 100_000,
    seed: int = 1,
) -> Spread | Needs | Refused:
    """A result under tolerances, or what is missing or impossible; `spread_of_samples` without the samples."""
    found = spread_of_samples(build, result, stage=stage, target=target, spreads=spreads, samples=samples, seed=seed)
    return found if isinstance(found, Needs | Refused) else found[0]


def spread_of_samples(
    build: Build,
    result: str,
    *,
    stage: float,
    target: float | None = None,
    spreads: Mapping[str, Tolerance] | None = None,
    samples: int = 100_000,
    seed: int = 1,
) -> tuple[Spread, Array] | Needs | Refused:
    """A result under tolerances with the samples that had a value, or what is missing or impossible.

    Parameters
    ----------
    build, result, stage : what is looked at
    target : what the result should not fall short of
    spreads : tolerances of inputs; those typed where left out
    samples, seed : of the Monte Carlo
    """
    spreads = tolerances(build) if spreads is None else dict(spreads)
    found = build.evaluate((result,), stage=stage)[result]
    if isinstance(found, Needs | Refused):
        return found
    nominal = float(found)
    effects = sensitivity(build, result, stage=stage, friction=0.0, spreads=spreads)
    slopes = {e.quantity: e.swing / (2 * spreads[e.quantity].half) for e in effects if e.quantity in spreads}
    banded = "friction_state" in build.graph.upstream([result])
    worst, best = extremes(build, result, stage=stage, spreads=spreads)
    rng = np.random.default_rng(seed)
    inputs = build.graph.inputs([result])
    steps = {name: _draw(rng, tolerance, samples) for name, tolerance in spreads.items() if name in inputs}
    drawn = _drawn(build, stage, steps)
    friction: Values = rng.triangular(-1, 0, 1, samples) if banded else 0.0
    values = np.broadcast_to(_at(build, result, stage, friction, drawn), samples)
    valid = values[np.isfinite(values)]
    low, high = np.percentile(valid, [2.5, 97.5]) if valid.size else (np.nan, np.nan)
    found_spread = Spread(
        nominal,
        worst,
        best,
        float(np.sqrt(sum((slope * spreads[n].standard) ** 2 for n, slope in slopes.items()))),
        float(valid.mean()) if valid.size else np.nan,
        float(valid.std()) if valid.size else np.nan,
        float(low),
        float(high),
        None if target is None else float(np.mean(~(values >= target))),
        int(valid.size),
    )
    return found_spread, valid
