"""What slipped on the road, by the job's own figures: torque, heat, temperature, and how much it holds.

- `Event`, `Driven`   a start, a shift or slip with its torque and heat; a drive with all of them
- `driven`            a drive against a job
- `LoggedTrip`, `trip_of`   what a drive counts for
- `drive_sentence`       what a builder says of it
- `driven_working`    how its figures came about, and what was taken for what nobody logged
- `friction_driven`   the friction that slip measured, to be entered

The torque of a clutch that slips is seen from two sides. From the engine: what it makes less what speeds it up. From
the vehicle: what moves it, over the gear. Neither is exact (throttle, grade, air), so both are shown and their
difference is the band; where neither is known, only that it slipped.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.prove.drive import Drive, Stretch, drive_of
from liftbite.core.prove.gearing import primary_of, ratios_of
from liftbite.core.prove.road_log import RoadLog
from liftbite.core.quantities.thermal import HeatNetwork, settle
from liftbite.core.quantities.torque_curve import Array, TorqueCurve
from liftbite.core.units.constants import RPM
from liftbite.core.units.sentence import both
from liftbite.core.units.show import figure

#: Share of the clutch's torque that reaches the road, low, middle and high [practice] [-].
_PASSES = (0.86, 0.91, 0.95)
#: Grade nobody logged [-], and air: density [kg/m³], drag area of a road vehicle [m²] [practice].
_GRADE, _DENSITY, _DRAG_AREA = 0.02, 1.2, 0.65
_AIR = 0.5 * _DENSITY * _DRAG_AREA
#: Throttle from which an engine makes what its curve says, and how far off the curve may be [-] [practice].
_FULL, _OF_CURVE = 0.9, 0.05
#: The ends of a stretch tell of the clutch taking hold, not of what it holds: so much of it counts [-].
_CORE = 0.7


@dataclass(frozen=True, slots=True)
class Event:
    """Engine and wheels apart, with what it cost.

    Attributes
    ----------
    stretch : when, in which gear, at which speed
    gear : name of the gear
    torque : clutch torque low, middle and high [N·m]; None where neither side is known
    sides : from the engine and from the vehicle [N·m]; None for one that is not known
    heat : into the faces, low, middle and high [J]; None as above
    hottest : temperature of the hottest mass the facings rub on, after it [K]; None without masses
    """

    stretch: Stretch
    gear: str
    torque: tuple[float, float, float] | None
    sides: tuple[float | None, float | None]
    heat: tuple[float, float, float] | None
    hottest: float | None


@dataclass(frozen=True, slots=True)
class Driven:
    """A drive against a job.

    Attributes
    ----------
    drive : gears and stretches
    events : starts, shifts and slip, in order; the clutch pressed in gear makes no heat worth counting
    holds : what the clutch held while it slipped, low, middle and high [N·m]; None where nothing slipped
    expected : what the job says it holds, at low, nominal and high friction [N·m]; None where it does not
    friction : nominal friction that slip measured [-]; None as above
    hottest : hottest mass of the whole drive [K]
    """

    drive: Drive
    events: tuple[Event, ...]
    holds: tuple[float, float, float] | None
    expected: tuple[float, float, float] | None
    friction: float | None
    hottest: float | None

    @property
    def slips(self) -> tuple[Event, ...]:
        """Those that are slip."""
        return tuple(e for e in self.events if e.stretch.kind == "slip")


@dataclass(frozen=True, slots=True)
class _Vehicle:
    """What moves a vehicle in a gear, seen from the clutch.

    Attributes
    ----------
    speed : of the clutch over that of the road [1/m]
    inertia : of vehicle, wheels and gearbox [kg·m²]
    load : road load on the level [N·m]
    slope : what the grade nobody logged may add or take [N·m]
    primary : engine over clutch [-]
    """

    speed: float
    inertia: float
    load: float
    slope: float
    primary: float


@dataclass(frozen=True, eq=False)
class _Sides:
    """What of a job tells a clutch's torque; None for what it does not say, and for a gear it cannot be said in."""

    curve: TorqueCurve | None
    inertia: float | None
    vehicles: tuple[_Vehicle | None, ...]


def driven(build: Build, log: RoadLog) -> Driven:
    """A log against a job: its gears by the job's ratios where they are known, torque and heat of what slipped."""
    drive = drive_of(log, ratios_of(build) if log.of_road else ())
    v = build.evaluate(("engine_curve", "engine_inertia"), stage=build.stage)
    curve, inertia = (None if isinstance(v[n], Needs | Refused) else v[n] for n in ("engine_curve", "engine_inertia"))
    vehicles = tuple(_vehicle_in(build, r, drive.gears.scale) if log.of_road else None for r in drive.gears.ratios)
    sides = _Sides(curve, None if inertia is None else float(inertia), vehicles)
    events = _heated(build, [_event(log, s, drive, sides) for s in drive.stretches if s.kind != "clutch down"])
    holds, expected = _held(events), _expected(build)
    nominal = build.known.get("friction_nominal")
    friction = None
    if holds is not None and expected is not None and isinstance(nominal, int | float) and expected[1] > 0:
        friction = float(nominal) * holds[1] / expected[1]
    warm = [e.hottest for e in events if e.hottest is not None]
    return Driven(drive, events, holds, expected, friction, max(warm, default=None))


def _vehicle_in(build: Build, ratio: float, scale: float | None) -> _Vehicle | None:
    """The job's vehicle in a gear; None where the job does not say enough of it.

    Parameters
    ----------
    build : the job
    ratio : engine over road, as logged [1/m]
    scale : wheels as logged over the job's [-]; the gear is the one the job's own wheels make of it
    """
    names = ("vehicle_inertia", "gearbox_side_inertia", "start_load_torque")
    known = build.evaluate(("tyre_radius", "final_ratio"))
    tyre, final = known["tyre_radius"], known["final_ratio"]
    if isinstance(tyre, Needs | Refused) or isinstance(final, Needs | Refused):
        return None
    primary = primary_of(build)
    gear = ratio * (scale or 1.0) * float(tyre) / (float(final) * primary)
    level, slope = (build.evaluate(names, gear_ratio=gear, grade=grade) for grade in (0.0, _GRADE))
    if any(isinstance(level[name], Needs | Refused) for name in names):
        return None
    load = float(level["start_load_torque"])
    inertia = float(level["vehicle_inertia"]) + float(level["gearbox_side_inertia"])
    return _Vehicle(ratio / primary, inertia, load, float(slope["start_load_torque"]) - load, primary)


def _expected(build: Build) -> tuple[float, float, float] | None:
    """What the clutch holds by the job, at the engine [N·m]."""
    found = build.evaluate(("holdable_engine_torque",), friction=np.array([-1.0, 0.0, 1.0]))["holdable_engine_torque"]
    if isinstance(found, Needs | Refused):
        return None
    low, nominal, high = np.broadcast_to(np.asarray(found, dtype=np.float64), (3,)).tolist()
    return low, nominal, high


def _event(log: RoadLog, stretch: Stretch, drive: Drive, sides: _Sides) -> Event:
    rows = slice(stretch.begin, max(stretch.end, stretch.begin + 2))
    time, engine, output = log.time[rows], log.engine[rows], log.output[rows]
    ratio = drive.gears.ratios[stretch.gear]
    apart = engine - output * ratio
    from_engine = _by_engine(log, rows, sides)
    from_vehicle = _by_vehicle(log, rows, sides.vehicles[stretch.gear])
    both_sides = [s for s in (from_engine, from_vehicle) if s is not None]
    if not both_sides:
        return Event(stretch, drive.gears.names[stretch.gear], None, (None, None), None, None)
    low, high = _least([s[0] for s in both_sides]), _most([s[2] for s in both_sides])
    middle = _between(both_sides)
    core = slice(int((1 - _CORE) / 2 * time.size), max(int((1 + _CORE) / 2 * time.size), 1))
    torque = tuple(float(np.mean(t[core])) for t in (low, middle, high))
    heat = tuple(float(np.trapezoid(np.maximum(t, 0.0) * np.abs(apart), time)) for t in (low, middle, high))
    one, other = (None if s is None else float(np.mean(s[1][core])) for s in (from_engine, from_vehicle))
    return Event(
        stretch,
        drive.gears.names[stretch.gear],
        (torque[0], torque[1], torque[2]),
        (one, other),
        (heat[0], heat[1], heat[2]),
        None,
    )


def _least(series: Sequence[Array]) -> Array:
    found: Array = np.minimum.reduce(list(series))
    return found


def _most(series: Sequence[Array]) -> Array:
    found: Array = np.maximum.reduce(list(series))
    return found


_Band = tuple[Array, Array, Array]


def _between(sides: Sequence[_Band]) -> Array:
    """The middle of both sides, each by the inverse square of its own band."""
    weights = np.array([1.0 / np.maximum(high - low, 1e-6) ** 2 for low, _, high in sides])
    found: Array = (weights * np.array([middle for _, middle, _ in sides])).sum(axis=0) / weights.sum(axis=0)
    return found


def _gained(values: Array, time: Array) -> Array:
    """How fast something changes, a straight line through its neighbours [1/s]."""
    if values.size < 5:
        return np.full(values.size, (values[-1] - values[0]) / max(float(time[-1] - time[0]), 1e-3))
    return np.asarray(np.gradient(np.convolve(np.pad(values, 2, mode="edge"), np.ones(5) / 5, "valid"), time))


def _by_engine(log: RoadLog, rows: slice, sides: _Sides) -> _Band | None:
    """What the engine makes less what speeds it up; known where the throttle is full [N·m]."""
    if sides.curve is None or sides.inertia is None or log.throttle is None:
        return None
    if float(np.mean(log.throttle[rows])) < _FULL:
        return None
    engine = log.engine[rows]
    makes = np.interp(engine, sides.curve.speed, sides.curve.torque)
    middle = makes - sides.inertia * _gained(engine, log.time[rows])
    return middle - _OF_CURVE * makes, middle, middle + _OF_CURVE * makes


def _by_vehicle(log: RoadLog, rows: slice, vehicle: _Vehicle | None) -> _Band | None:
    """What moves the vehicle and what resists it, over the gear [N·m]; the grade nobody logged is its doubt."""
    if vehicle is None:
        return None
    road = log.output[rows]
    level = (
        vehicle.inertia * vehicle.speed * _gained(road, log.time[rows]) + vehicle.load + _AIR * road**2 / vehicle.speed
    )
    high, middle, low = (
        torque / (vehicle.primary * share)
        for torque, share in zip((level + vehicle.slope, level, level - vehicle.slope), _PASSES, strict=True)
    )
    return low, middle, high


def _held(events: Sequence[Event]) -> tuple[float, float, float] | None:
    """What it held in slip that lasted, weighted by how long [N·m]."""
    told = [(e.torque, e.stretch.duration) for e in events if e.stretch.kind == "slip" and e.torque is not None]
    if not told:
        return None
    weights = np.array([seconds for _, seconds in told])
    low, middle, high = (np.array([t[:3] for t, _ in told]).T @ weights / weights.sum()).tolist()
    return low, middle, high


def _heated(build: Build, events: Sequence[Event]) -> tuple[Event, ...]:
    """The same events with the temperature each leaves, through the masses of the job."""
    v = build.evaluate(("heat_network", "first_temperature", "ambient_temperature"), stage=build.stage)
    if any(isinstance(v[n], Needs | Refused) for n in ("heat_network", "first_temperature", "ambient_temperature")):
        return tuple(events)
    network: HeatNetwork = v["heat_network"]
    around, now = float(v["ambient_temperature"]), np.full(len(network.names), float(v["first_temperature"]))
    clock, found = 0.0, list[Event]()
    for event in events:
        stretch = event.stretch
        idle, lasted = stretch.time - clock, max(stretch.duration, 1e-2)
        if idle > 0:
            now = settle(network, now, around, 0.0, np.array([idle]))[-1]
        power = (event.heat[1] if event.heat else 0.0) / lasted
        now = settle(network, now, around, power, np.array([lasted]))[-1]
        clock = stretch.time + lasted
        found.append(replace(event, hottest=float(now[: network.rubbed].max())))
    return tuple(found)


def friction_driven(found: Driven) -> dict[str, str]:
    """The friction that slip measured, nominal and both ends, as it is entered; nothing where none did.

    Only what slipped at full throttle or on a known vehicle measures anything, and a start's take-up never does.
    """
    if found.friction is None or found.holds is None:
        return {}
    low, middle, high = found.holds
    names = ("friction_low", "friction_nominal", "friction_high")
    return {n: f"{found.friction * held / middle:.3f}" for n, held in zip(names, (low, middle, high), strict=True)}


@dataclass(frozen=True, slots=True)
class LoggedTrip:
    """What a drive counts for: how far [m], how many starts, what one of them heats [J], whether it was driven hard."""

    distance: float
    starts: int
    heat: float
    hard: bool


def trip_of(log: RoadLog, found: Driven) -> LoggedTrip:
    """A drive as a trip: the distance 0 where no road speed was logged, the heat 0 where none is known."""
    metres = sum(float(np.trapezoid(log.output[s], log.time[s])) for s in log.stretches) if log.of_road else 0.0
    starts = [event for event in found.events if event.stretch.kind == "start"]
    heats = [event.heat[1] for event in starts if event.heat]
    return LoggedTrip(metres, len(starts), float(np.mean(heats)) if heats else 0.0, bool(found.slips))


def drive_sentence(found: Driven) -> tuple[str, ...]:
    """What a builder says of a drive, a sentence each."""
    gears = found.drive.gears
    if not gears.ratios:
        return ("No gear can be made out: engine and wheels never keep a ratio for long. Is it the right log?",)
    says = []
    if gears.scale is not None and abs(gears.scale - 1) > 0.015:
        way = "smaller" if gears.scale < 1 else "larger"
        says.append(
            f"The wheels turn as if they were {figure(100 * abs(gears.scale - 1), 2)} % {way} than the job's "
            "tyre; gears are found all the same."
        )
    slips = found.slips
    if not slips:
        least = f"{figure(100 * found.drive.least_slip, 2)} % for {figure(found.drive.least_time, 2)} s"
        says.append(f"No slip in {figure(found.drive.locked_time / 60, 2)} min in gear; {least} would have been seen.")
    for event in sorted(slips, key=lambda e: -e.stretch.duration)[:3]:
        says.append(_slip_said(event))
    if len(slips) > 3:
        says.append(f"It slipped {len(slips)} times in all.")
    if found.holds is not None:
        band = f"{both(found.holds[0], 'N·m')} to {both(found.holds[2], 'N·m')}"
        against = "" if found.expected is None else f"; the job says {both(found.expected[1], 'N·m')}"
        says.append(f"As driven it holds {band}{against}.")
    starts = [e for e in found.events if e.stretch.kind == "start" and e.heat]
    if starts:
        worst = max(starts, key=lambda e: e.heat[1] if e.heat else 0.0)
        says.append(f"{len(starts)} starts, the hardest put {both(worst.heat[1] if worst.heat else 0.0, 'J')} into it.")
    return tuple(says)


def driven_working(found: Driven, friction: float | None) -> tuple[str, ...]:
    """How the figures of a drive came about, line by line, and what was taken for what nobody logged.

    Parameters
    ----------
    found : the drive
    friction : the job's nominal friction [-]; None where it has none
    """
    gears = ", ".join(
        f"{name} {figure(ratio, 4)}"
        for name, ratio in zip(found.drive.gears.names, found.drive.gears.ratios, strict=True)
    )
    lines = [
        f"Engine over road or shaft, in SI, by the peaks of its own histogram: {gears}. Slip is an engine more than "
        f"{figure(100 * found.drive.least_slip, 2)} % above that line for {figure(found.drive.least_time, 2)} s while "
        "the vehicle gains speed [our own choice, proved against drives whose slip is known]."
    ]
    told = [e for e in found.slips if e.torque is not None]
    if not told:
        return tuple(lines)
    lines += [
        f"From the engine, from {100 * _FULL:.0f} % of throttle: T = T_engine − I_engine · dω/dt, "
        f"± {100 * _OF_CURVE:.0f} % of the curve [practice].",
        "From the vehicle: T = ((I_v + I_g) · dω/dt + T_load + ½ · ρ · cA · v² · r/(i_g · i_f)) / share. Taken, as "
        f"nobody logged them: {_PASSES[0]:g} to {_PASSES[2]:g} of the torque reaches the road, a grade within "
        f"± {100 * _GRADE:.0f} %, air of {_DENSITY:g} kg/m³ on {both(_DRAG_AREA, 'm²')} [practice].",
    ]
    longest = max(told, key=lambda e: e.stretch.duration)
    one, other = (None if side is None else both(side, "N·m") for side in longest.sides)
    torque = longest.torque or (0.0, 0.0, 0.0)
    lines.append(
        f"The longest slip: {one or 'not known'} from the engine, {other or 'not known'} from the vehicle; between "
        f"them, each by the inverse square of its own band, {both(torque[1], 'N·m')} of {both(torque[0], 'N·m')} to "
        f"{both(torque[2], 'N·m')}. Heat = ∫ T · (ω_engine − ω_line) dt, spread over the masses of the job."
    )
    if found.holds is not None and found.expected is not None and friction is not None and found.friction is not None:
        lines.append(
            f"Friction = nominal · held/expected = {figure(friction, 3)} · {figure(found.holds[1], 4)}/"
            f"{figure(found.expected[1], 4)} = {figure(found.friction, 3)}; its ends by the ends of the band."
        )
    return tuple(lines)


def _slip_said(event: Event) -> str:
    stretch = event.stretch
    how = f"up to {figure(100 * stretch.slip, 2)} %"
    says = f"Slipped {figure(stretch.duration, 2)} s at {figure(stretch.speed / RPM, 3)} rpm in {event.gear}, {how}"
    return f"{says}: holds {both(event.torque[1], 'N·m')}{_state_of(event)}." if event.torque else f"{says}."


def _state_of(event: Event) -> str:
    """Cold or hot, by what the masses had taken."""
    return "" if event.hottest is None else f" at {both(event.hottest, 'K')}"
