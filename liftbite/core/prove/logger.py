"""A simulated logger: it drives the job's own vehicle, healthy or with a fault, and writes what a real one would.

- `FAULTS`        what may be wrong with the vehicle it drives
- `Vehicle`, `vehicle_of`   what of a job it needs
- `simulated`     a drive, row by row
- `written`       a drive as a logger's CSV

The clutch is what a clutch is: locked while the engine asks for less than it holds, else it passes what it holds and
both sides go their own way. It proves the reader of logs against slip that is known, and shows what it is like.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from liftbite.core.errors import UnreadableEntry
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build, label_of
from liftbite.core.prove.gearing import primary_of, ratios_of
from liftbite.core.prove.road_log import RoadLog
from liftbite.core.quantities.torque_curve import Array, TorqueCurve
from liftbite.core.units.constants import GRAVITY, RPM
from liftbite.core.units.read import from_si

#: Fault -> what it is.
FAULTS: Mapping[str, str] = {
    "none": "a healthy vehicle",
    "slip": "a clutch that holds less than the engine makes",
    "slip_hot": "a clutch that holds cold and slips once it is hot",
    "drag": "a clutch that never quite frees",
    "judder": "a take-up that shakes",
    "tyre": "tyres of another size than the job says",
}
#: How long a foot takes from a take-up to the floor [s].
_ROLLS_ON = 0.35
#: Share of the torque that reaches the road [practice] [-].
_PASSES = 0.91
#: Gears of a vehicle whose own are not known, over its first one [-].
_STEPS = (1.0, 0.58, 0.40, 0.30, 0.24)
_IDLE = 850.0 * RPM
#: Turning parts of the driveline count for so much of the vehicle's mass [practice] [-].
_TURNING = 1.04
_NEEDS = (
    "engine_curve",
    "engine_inertia",
    "holdable_engine_torque",
    "vehicle_mass",
    "tyre_radius",
    "gear_ratio",
    "final_ratio",
    "redline",
    "rolling_resistance",
)


@dataclass(frozen=True, eq=False)
class Vehicle:
    """What is driven [SI]: its engine, clutch and gears.

    `holds` is at the engine, `ratios` are engine over road [1/m], `guessed` says what the job does not.
    """

    curve: TorqueCurve
    inertia: float
    holds: float
    mass: float
    ratios: tuple[float, ...]
    redline: float
    idle: float
    rolling: float
    guessed: tuple[str, ...] = ()


def vehicle_of(build: Build) -> Vehicle:
    """The vehicle of a job.

    Raises
    ------
    UnreadableEntry : the job does not say enough of it; the sentence names what is missing
    """
    v = build.evaluate(_NEEDS, stage=build.stage, friction=0.0)
    missing = [n for n in _NEEDS if isinstance(v[n], Needs | Refused)]
    if missing:
        lacks = build.chosen.to_ask({m for n in missing for m in build.lacks((n,))}) or missing
        raise UnreadableEntry(f"to drive it the job lacks {', '.join(label_of(n).lower() for n in lacks)}")
    guessed = []
    ratios = ratios_of(build)
    if not ratios:
        first = float(v["gear_ratio"]) * float(v["final_ratio"]) * primary_of(build) / float(v["tyre_radius"])
        ratios = tuple(first * step for step in _STEPS)
        guessed.append(f"gears at {', '.join(f'{step:g}' for step in _STEPS)} of the one entered")
    idle = build.evaluate(("idle_speed",))["idle_speed"]
    if isinstance(idle, Needs | Refused):
        idle = _IDLE
        guessed.append("an idle of 850 rpm")
    return Vehicle(
        v["engine_curve"],
        float(v["engine_inertia"]),
        float(v["holdable_engine_torque"]),
        float(v["vehicle_mass"]),
        ratios,
        float(v["redline"]),
        float(idle),
        float(v["rolling_resistance"]),
        tuple(guessed),
    )


def simulated(
    vehicle: Vehicle,
    fault: str = "none",
    *,
    minutes: float = 5.0,
    rate: float = 50.0,
    seed: int = 1,
    noise: float = 1.0,
    slips: float | None = None,
) -> tuple[RoadLog, Array]:
    """A drive of starts, runs through the gears, cruising and stops; and the true slip of every row [-].

    Parameters
    ----------
    vehicle : what is driven
    fault : one of `FAULTS`
    minutes, rate : how long [min] and how many rows a second [Hz]
    seed : of its chance; the same drive again for the same seed
    noise : of a usual logger, as a factor [-]: 8 rpm, 0.1 km/h
    slips : what the clutch holds over the engine's peak, in place of the fault's own [-]

    Raises
    ------
    UnreadableEntry : a fault or a length there is none of
    """
    if fault not in FAULTS:
        raise UnreadableEntry(f"“{fault}” is no fault of it; it has {', '.join(FAULTS)}")
    if not 0.2 <= minutes <= 1200 or not 5 <= rate <= 200:
        raise UnreadableEntry("a drive takes 0.2 to 1200 minutes at 5 to 200 rows a second")
    rng = np.random.default_rng(seed)
    peak = float(vehicle.curve.torque.max())
    share = slips if slips is not None else 0.86 if fault == "slip" else None
    holds = vehicle.holds if fault != "none" and share is None else max(vehicle.holds, 1.3 * peak)
    driven = replace(vehicle, holds=share * peak if share is not None else max(holds, 1.3 * peak))
    if fault == "tyre":
        driven = replace(driven, ratios=tuple(r * 1.06 for r in driven.ratios))
    rows = int(minutes * 60 * rate)
    table = np.empty((rows, 4))
    for n, row in zip(range(rows), _driven(driven, fault, 1.0 / rate, rng), strict=False):
        table[n] = row
    engine = np.maximum(table[:, 0] + rng.normal(0, 8 * RPM * noise, rows), 0.0)
    road = np.maximum(table[:, 1] + rng.normal(0, 0.028 * noise, rows), 0.0)
    log = RoadLog(np.arange(rows) / rate, engine, road, table[:, 2], True, (), rate)
    return log, table[:, 3]


def _driven(
    vehicle: Vehicle, fault: str, dt: float, rng: np.random.Generator
) -> Iterator[tuple[float, float, float, float]]:
    """Engine speed, road speed, throttle and true slip, row after row, without end."""
    state = _State(vehicle, fault, dt, rng)
    while True:
        yield from state.waits(float(rng.uniform(1.0, 4.0)))
        yield from state.starts()
        top = int(rng.integers(2, len(vehicle.ratios) + 1)) if len(vehicle.ratios) > 2 else len(vehicle.ratios)
        hard = float(rng.choice([0.45, 0.7, 1.0]))
        for gear in range(top):
            yield from state.pulls(gear, hard, float(rng.uniform(0.6, 0.95)))
            if gear + 1 < top:
                yield from state.shifts(gear + 1)
        yield from state.cruises(top - 1, float(rng.uniform(3.0, 12.0)))
        if top > 2 and rng.random() < 0.4:
            yield from state.coasts(top - 1, float(rng.uniform(1.0, 3.0)))
            yield from state.pulls(top - 1, 1.0, 0.9)
        yield from state.stops(top - 1)


class _State:
    """A vehicle on its way."""

    def __init__(self, vehicle: Vehicle, fault: str, dt: float, rng: np.random.Generator) -> None:
        self.vehicle, self.fault, self.dt, self.rng = vehicle, fault, dt, rng
        self.engine, self.road, self.heat, self.clock = vehicle.idle, 0.0, 0.0, 0.0

    def holds(self) -> float:
        """What the clutch holds now [N·m]; a hot one fades."""
        if self.fault != "slip_hot":
            return self.vehicle.holds
        peak = float(self.vehicle.curve.torque.max())
        return peak * float(np.interp(self.heat, (2e3, 9e3), (1.25, 0.8)))

    def makes(self, throttle: float) -> float:
        """Torque of the engine [N·m]."""
        speed = self.engine
        full = float(np.interp(speed, self.vehicle.curve.speed, self.vehicle.curve.torque))
        drag = 0.08 * float(self.vehicle.curve.torque.max()) * min(speed / self.vehicle.redline, 1.2)
        if speed >= self.vehicle.redline:
            return -drag
        return throttle * (full + drag) - drag if speed > 0.9 * self.vehicle.idle else 0.25 * full

    def resists(self) -> float:
        """Force against it [N]."""
        return self.vehicle.mass * GRAVITY * self.vehicle.rolling + 0.42 * self.road**2 if self.road > 0.02 else 0.0

    def row(self, throttle: float, slip: float) -> tuple[float, float, float, float]:
        self.clock += self.dt
        self.heat *= 1.0 - self.dt / 90.0
        return self.engine, self.road, throttle, slip

    def clutched(self, ratio: float, throttle: float, holds: float) -> float:
        """A step with the clutch passing at most `holds`; the share of slip after it [-]."""
        makes, v, steps = self.makes(throttle), self.vehicle, 4
        slip = 0.0
        for _ in range(steps):
            dt = self.dt / steps
            line = self.road * ratio
            apart = self.engine - line
            mass = v.mass * _TURNING
            locked = (makes * ratio * _PASSES - self.resists()) / (mass + v.inertia * ratio**2 * _PASSES)
            asked = makes - v.inertia * locked * ratio
            if abs(apart) < 0.02 * max(line, 10.0) and abs(asked) <= holds:
                self.road = max(self.road + locked * dt, 0.0)
                self.engine = self.road * ratio
                continue
            passes = holds if apart > 0 else -holds
            if abs(apart) < 0.02 * max(line, 10.0):
                passes = holds if asked > 0 else -holds
            engine = self.engine + (makes - passes) / v.inertia * dt
            self.road = max(self.road + (passes * ratio * _PASSES - self.resists()) / mass * dt, 0.0)
            self.heat += abs(passes * apart) * dt
            crossed = (engine - self.road * ratio) * apart < 0 and abs(asked) <= holds
            self.engine = self.road * ratio if crossed else min(engine, v.redline * 1.02)
            slip = (self.engine / max(self.road * ratio, 1e-6) - 1.0) if self.road > 1.0 else 0.0
        return slip

    def free(self, throttle: float) -> None:
        """A step with the clutch down."""
        idle = self.vehicle.idle
        wants = idle + throttle * 60.0
        self.engine += (wants - self.engine) * min(self.dt / 0.35, 1.0)
        self.road = max(self.road - self.resists() / self.vehicle.mass * self.dt, 0.0)

    def waits(self, seconds: float) -> Iterator[tuple[float, float, float, float]]:
        for _ in range(int(seconds / self.dt)):
            self.engine += (self.vehicle.idle - self.engine) * min(self.dt / 0.3, 1.0)
            self.road = 0.0
            yield self.row(0.0, 0.0)

    def starts(self) -> Iterator[tuple[float, float, float, float]]:
        ratio, up = self.vehicle.ratios[0], 0.0
        for _ in range(int(6.0 / self.dt)):
            up = min(up + self.dt / 1.4, 1.0)
            holds = up**2 * 0.6 * float(self.vehicle.curve.torque.max())
            if self.fault == "judder":
                holds *= 1.0 + 0.5 * float(np.sin(2 * np.pi * 9.0 * self.clock))
            throttle = float(np.clip(0.2 + (1.7 * self.vehicle.idle - self.engine) / 150.0, 0.05, 0.6))
            self.clutched(ratio, throttle, min(holds, self.holds()))
            yield self.row(throttle, 0.0)
            if up >= 1.0 and abs(self.engine - self.road * ratio) < 0.5:
                return

    def pulls(self, gear: int, hard: float, until: float) -> Iterator[tuple[float, float, float, float]]:
        ratio, begun = self.vehicle.ratios[gear], self.clock
        while self.engine < until * self.vehicle.redline and self.clock - begun < 14.0:
            throttle = float(np.interp(self.clock - begun, (0.0, _ROLLS_ON), (0.3, hard)))
            slip = self.clutched(ratio, throttle, self.holds())
            yield self.row(throttle, slip)

    def shifts(self, gear: int) -> Iterator[tuple[float, float, float, float]]:
        ratio = self.vehicle.ratios[gear]
        for _ in range(max(int(0.35 / self.dt), 1)):
            if self.fault == "drag":
                self.clutched(ratio, 0.0, 0.15 * self.vehicle.holds)
            else:
                self.free(0.0)
            yield self.row(0.0, 0.0)
        up = 0.0
        for _ in range(int(1.2 / self.dt)):
            up = min(up + self.dt / 0.35, 1.0)
            self.clutched(ratio, 0.3 * up, min(up * 0.5 * self.vehicle.holds, self.holds()))
            yield self.row(0.3 * up, 0.0)
            if abs(self.engine - self.road * ratio) < 0.5 and up >= 1.0:
                return

    def cruises(self, gear: int, seconds: float) -> Iterator[tuple[float, float, float, float]]:
        ratio, at = self.vehicle.ratios[gear], self.road
        for _ in range(int(seconds / self.dt)):
            throttle = float(np.clip(0.15 + 0.15 * (at - self.road), 0.0, 0.6))
            self.clutched(ratio, throttle, self.holds())
            yield self.row(throttle, 0.0)

    def coasts(self, gear: int, seconds: float) -> Iterator[tuple[float, float, float, float]]:
        for _ in range(int(seconds / self.dt)):
            self.free(0.0)
            yield self.row(0.0, 0.0)
        for _ in range(int(0.7 / self.dt)):
            self.clutched(self.vehicle.ratios[gear], 0.1, 0.4 * self.vehicle.holds)
            yield self.row(0.1, 0.0)

    def stops(self, gear: int) -> Iterator[tuple[float, float, float, float]]:
        ratio = self.vehicle.ratios[gear]
        brake = float(self.rng.uniform(2.0, 4.0))
        while self.road > 0.05:
            self.road = max(self.road - brake * self.dt, 0.0)
            line = self.road * ratio
            if line > 1.3 * self.vehicle.idle:
                self.engine = line
            else:
                self.engine += (self.vehicle.idle - self.engine) * min(self.dt / 0.3, 1.0)
            yield self.row(0.0, 0.0)


def written(log: RoadLog, guessed: Sequence[str] = ()) -> str:
    """A drive as a logger's CSV: time, engine speed, road speed, throttle; what was guessed stands in a line above."""
    engine, road = from_si(1.0, "rpm"), from_si(1.0, "km/h")
    throttle = np.zeros(log.time.size) if log.throttle is None else log.throttle * 100.0
    table = np.column_stack([log.time, log.engine * engine, log.output * road, throttle])
    rows = "\n".join(f"{t:.3f},{e:.0f},{v:.2f},{p:.0f}" for t, e, v, p in table)
    taken = f"# simulated, with {', '.join(guessed).replace(',', ';')}\n" if guessed else ""
    return f"{taken}time [s],engine speed [rpm],road speed [km/h],throttle [%]\n{rows}\n"
