"""An engine's torque over speed, and what is read off it.

- `TorqueCurve`      the points, sorted by speed
- `from_peaks`       an estimated curve through peak torque and peak power
- `intervals_above`  where a curve exceeds a level: the speeds at which a clutch slips
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache

import numpy as np
import numpy.typing as npt

from liftbite.core.errors import Bound, OutOfRange

Array = npt.NDArray[np.float64]


@dataclass(frozen=True, eq=False)
class TorqueCurve:
    """Torque over engine speed.

    Attributes
    ----------
    speed : ascending, without repeats [rad/s]
    torque : at those speeds [N·m]

    Raises
    ------
    ValueError : shapes differ, fewer than two points, or speed not ascending

    >>> curve = TorqueCurve.of([100.0, 200.0], [50.0, 60.0])
    >>> curve.peak_torque, curve.torque_at(150.0), curve == TorqueCurve.of([100.0, 200.0], [50.0, 60.0])
    (60.0, 55.0, True)
    """

    speed: Array
    torque: Array

    def __post_init__(self) -> None:
        if self.speed.shape != self.torque.shape or self.speed.ndim != 1 or self.speed.size < 2:
            raise ValueError("a torque curve wants two or more points of speed and torque")
        if not (np.all(np.isfinite(self.speed)) and np.all(np.isfinite(self.torque))):
            raise ValueError("a torque curve wants finite figures")
        if np.any(np.diff(self.speed) <= 0):
            raise ValueError("the speeds of a torque curve ascend without repeats")

    @cached_property
    def _content(self) -> bytes:
        return self.speed.tobytes() + self.torque.tobytes()

    def __eq__(self, other: object) -> bool:
        """True for a curve through the same points: what was worked out with one holds for the other."""
        return isinstance(other, TorqueCurve) and self._content == other._content

    def __hash__(self) -> int:
        return hash(self._content)

    @classmethod
    def of(cls, speed: Sequence[float] | Array, torque: Sequence[float] | Array) -> TorqueCurve:
        """The curve through the points given [rad/s], [N·m]."""
        return cls(np.asarray(speed, dtype=np.float64), np.asarray(torque, dtype=np.float64))

    def scaled(self, factor: float) -> TorqueCurve:
        """The same curve with every torque times `factor` [-]."""
        return TorqueCurve(self.speed, self.torque * factor)

    @cached_property
    def from_rest(self) -> tuple[list[float], list[float]]:
        """The points with one at rest before them: no speed [rad/s] and no torque [N·m]."""
        return [0.0, *self.speed.tolist()], [0.0, *self.torque.tolist()]

    @cached_property
    def peak_torque(self) -> float:
        """Largest torque [N·m]."""
        return float(self.torque.max())

    @property
    def peak_torque_speed(self) -> float:
        """Speed at the largest torque [rad/s]."""
        return float(self.speed[self.torque.argmax()])

    @property
    def power(self) -> Array:
        """P = T·ω at each point [W]."""
        return self.torque * self.speed

    @property
    def peak_power(self) -> float:
        """Largest power at a point [W]."""
        return float(self.power.max())

    @property
    def peak_power_speed(self) -> float:
        """Speed at the largest power; of a flat top its end, where an engine is quoted [rad/s]."""
        power = self.power
        return float(self.speed[np.flatnonzero(power >= power.max() * (1 - 1e-9))[-1]])

    def torque_at(self, speed: float | Array) -> float | Array:
        """Torque between the points by straight lines; NaN outside them [N·m]."""
        value = np.interp(speed, self.speed, self.torque, left=np.nan, right=np.nan)
        return float(value) if np.ndim(speed) == 0 else np.asarray(value, dtype=np.float64)


def intervals_above(curve: TorqueCurve, level: float) -> list[tuple[float, float]]:
    """The stretches of speed [rad/s] in which `curve` lies above `level` [N·m], ends by straight lines.

    >>> intervals_above(TorqueCurve.of([0.0, 10.0, 20.0], [0.0, 10.0, 0.0]), 5.0)
    [(5.0, 15.0)]
    """
    above = curve.torque > level
    stretches: list[tuple[float, float]] = []
    start: float | None = float(curve.speed[0]) if above[0] else None
    for i in range(1, curve.speed.size):
        if above[i] == above[i - 1]:
            continue
        t0, t1 = curve.torque[i - 1], curve.torque[i]
        crossing = float(curve.speed[i - 1] + (level - t0) / (t1 - t0) * (curve.speed[i] - curve.speed[i - 1]))
        if above[i]:
            start = crossing
        elif start is not None:
            stretches.append((start, crossing))
            start = None
    if start is not None:
        stretches.append((start, float(curve.speed[-1])))
    return stretches


def _cubic(x: Array, x0: float, x1: float, y0: float, y1: float, slope0: float, slope1: float) -> Array:
    """Cubic through two points with a slope at each (Hermite)."""
    t = (x - x0) / (x1 - x0)
    h = x1 - x0
    return np.asarray(
        y0 * (1 + 2 * t) * (1 - t) ** 2
        + slope0 * h * t * (1 - t) ** 2
        + y1 * t**2 * (3 - 2 * t)
        + slope1 * h * t**2 * (t - 1)
    )


@lru_cache(maxsize=256)
def from_peaks(peak_torque: float, torque_speed: float, peak_power: float, power_speed: float) -> TorqueCurve:
    """An estimated curve from the two peaks an engine is quoted by.

    Between the peaks runs the one cubic that is level at peak torque and, at peak power, falls as dT/dω = −T/ω,
    which is what makes power peak there; it is capped at the peak torque. Below peak torque it rises from 70 % at a
    third of that speed; beyond peak power it goes on along its last slope for a tenth. Both ends are a plain guess.

    Parameters
    ----------
    peak_torque : largest torque [N·m]
    torque_speed : speed at which it occurs [rad/s]
    peak_power : largest power [W]
    power_speed : speed at which it occurs [rad/s]

    Raises
    ------
    OutOfRange : the two peaks contradict each other

    Source: [definition: P = T·ω with dP/dω = 0 at peak power]. The ends below and beyond are [practice].

    >>> curve = from_peaks(400.0, 400.0, 200e3, 600.0)
    >>> round(curve.peak_torque, 1), round(curve.peak_power / 1e3, 1)
    (400.0, 200.0)
    """
    if power_speed <= torque_speed:
        raise OutOfRange("peak_power_speed", power_speed, Bound("above", torque_speed, "peak_torque_speed"))
    torque_at_power = peak_power / power_speed
    if torque_at_power > peak_torque:
        raise OutOfRange("peak_power", peak_power, Bound("at most", peak_torque * power_speed, "peak_torque"))
    if peak_torque * torque_speed > peak_power:
        raise OutOfRange("peak_power", peak_power, Bound("at least", peak_torque * torque_speed, "peak_torque"))
    low = np.linspace(torque_speed / 3, torque_speed, 13)
    middle = np.linspace(torque_speed, power_speed, 25)[1:]
    beyond = np.linspace(power_speed, 1.1 * power_speed, 4)[1:]
    slope = -torque_at_power / power_speed
    rising = _cubic(low, low[0], torque_speed, 0.7 * peak_torque, peak_torque, 0.45 * peak_torque / torque_speed, 0.0)
    falling = _cubic(middle, torque_speed, power_speed, peak_torque, torque_at_power, 0.0, slope)
    tail = torque_at_power + slope * (beyond - power_speed)
    torque = np.minimum(np.concatenate([rising, falling, tail]), peak_torque)
    speed = np.concatenate([low, middle, beyond])
    return TorqueCurve.of(speed, np.minimum(torque, peak_power / speed))
