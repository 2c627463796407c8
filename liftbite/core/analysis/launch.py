"""One start, integrated: torque curve, pedal let up over time, friction that fades, tyre grip, road, stall.

- `LaunchCase`   what a start needs, scalars or arrays of one shape
- `Launch`       what came of it
- `launch`       integrates one start or thousands at once, by Runge and Kutta's fourth-order step
- `case_of`      a `LaunchCase` from a build

While slipping, I_e·dω_e/dt = T_e − T_c and I_v·dω_v/dt = T_c − T_l; the heat is the integral of T_c·(ω_e − ω_v). The
clutch carries the smallest of what the pedal lets it, what its friction gives hot, and what the tyres hold. The start
ends when both speeds meet, when the engine stalls, or after `longest`. One code runs on plain floats and on arrays.
"""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Callable
from dataclasses import dataclass, field
from typing import NamedTuple

import numpy as np
import numpy.typing as npt

from liftbite.core.graph.graph import Figures, Flags, Needs, Refused, Values, plain
from liftbite.core.job.build import Build
from liftbite.core.quantities.torque_curve import TorqueCurve

#: Share of the last speed of a curve over which the torque beyond it falls to nothing.
_CUT = 0.25


@dataclass(frozen=True, eq=False)
class LaunchCase:
    """What a start needs; everything at the clutch shaft.

    Attributes
    ----------
    curve : engine torque over engine speed [N·m]
    asked_torque : engine torque the driver asks for once the pedal is up, as far as the curve gives it; until then it
        grows with the pedal [N·m]
    primary : crank turns per clutch turn times efficiency for torque [-]; `ratio` the turns alone
    engine_inertia, vehicle_inertia : [kg·m²]
    clutch_torque : torque the pedal lets the clutch carry once fully up [N·m]
    capacity : torque its friction gives cold [N·m]
    grip_torque, load_torque : what the tyres hold, what the road takes [N·m]
    start_speed, stall_speed : [rad/s] at the clutch
    release_time : from biting to fully up [s]
    start_temperature, sustained, brief : [K]; fade : friction left at `brief` [-]
    heat_capacity : of the hottest plate over its share of the heat [J/K]
    longest : after which the start is given up [s]
    """

    curve: TorqueCurve
    asked_torque: Values
    primary: Values
    ratio: Values
    engine_inertia: Values
    vehicle_inertia: Values
    clutch_torque: Values
    capacity: Values
    grip_torque: Values
    load_torque: Values
    start_speed: Values
    stall_speed: Values
    release_time: Values
    start_temperature: Values
    sustained: Values
    brief: Values
    fade: Values
    heat_capacity: Values
    longest: float = 12.0


@dataclass(frozen=True, eq=False)
class Launch:
    """What came of a start; scalars or arrays as the case had.

    Attributes
    ----------
    slip_time : until both speeds meet [s], or until it ended otherwise
    energy : slip heat [J]
    peak_power, peak_torque : of the clutch [W], [N·m]
    lowest_speed : of the engine side [rad/s]
    end_speed : of the engine side when it ended [rad/s]
    engine_work, road_work : done by the engine, taken by the road [J]
    bulk_temperature : of the hottest plate at the end [K]
    outcome : "locks", "stalls", "spins" (tyres at their limit, locks) or "never locks"
    trace : for a single start: time, engine side, vehicle side [rad/s], torque [N·m], heat [J], temperature [K]
    """

    slip_time: Values
    energy: Values
    peak_power: Values
    peak_torque: Values
    lowest_speed: Values
    end_speed: Values
    engine_work: Values
    road_work: Values
    bulk_temperature: Values
    outcome: str | npt.NDArray[np.str_]
    trace: dict[str, Figures] = field(default_factory=dict)


def _interpolator(curve: TorqueCurve, single: bool) -> Callable[[Values], Values]:
    """Torque at a speed; it falls to nothing towards rest, and over a quarter more speed beyond the last point."""
    speed = [0.0, *curve.speed.tolist(), float(curve.speed[-1]) * (1 + _CUT)]
    torque = [0.0, *curve.torque.tolist(), 0.0]
    if not single:
        xs, ys = np.array(speed), np.array(torque)
        return lambda w: np.interp(w, xs, ys)

    def at(w: Values) -> float:
        w = float(w)
        i = bisect_right(speed, w)
        if i == 0 or i == len(speed):
            return 0.0
        x0, x1 = speed[i - 1], speed[i]
        return float(torque[i - 1] + (w - x0) / (x1 - x0) * (torque[i] - torque[i - 1]))

    return at


class _Ops(NamedTuple):
    """What is done alike with one figure and with many; numpy's own take ten times as long on one."""

    least: Callable[[Values, Values], Values]
    most: Callable[[Values, Values], Values]
    pick: Callable[[Flags, Values, Values], Values]
    both: Callable[[Flags, Flags], Flags]
    either: Callable[[Flags, Flags], Flags]
    but_not: Callable[[Flags, Flags], Flags]
    some: Callable[[Flags], bool]


_SINGLE = _Ops(
    min, max, lambda flag, a, b: a if flag else b,
    lambda a, b: a and b, lambda a, b: a or b, lambda a, b: a and not b, bool,
)  # fmt: skip
_MANY = _Ops(np.minimum, np.maximum, np.where, np.logical_and, np.logical_or, np.greater, np.any)


def launch(case: LaunchCase, steps: int = 44) -> Launch:
    """Integrates a start, or as many as the arrays of the case hold.

    Parameters
    ----------
    case : what the start needs
    steps : Runge-Kutta steps over the time constant torques would take; more are taken if it takes longer
    """
    c = case
    shape = np.broadcast_shapes(*(np.shape(value) for name, value in vars(c).items() if name != "curve"))
    single = shape == ()
    ops = _SINGLE if single else _MANY
    least, most, pick, both, either, but_not = ops.least, ops.most, ops.pick, ops.both, ops.either, ops.but_not
    engine = _interpolator(c.curve, single)

    def rates(t: Values, we: Values, wv: Values, q: Values) -> tuple[Values, Values, Values, Values, Values, Values]:
        hot = least(most((c.start_temperature + q / c.heat_capacity - c.sustained) / (c.brief - c.sustained), 0.0), 1.0)
        up = least(t / c.release_time, 1.0)  # the driver opens the throttle as he lets the pedal up
        tc = least(least(c.clutch_torque * up, c.capacity * (1 - (1 - c.fade) * hot)), c.grip_torque)
        te = least(engine(we * c.ratio), c.asked_torque) * up * c.primary
        held = pick(wv > 0, tc - c.load_torque, most(tc - c.load_torque, 0.0))  # brakes hold until the clutch pulls
        return (te - tc) / c.engine_inertia, held / c.vehicle_inertia, tc * (we - wv), te * we, c.load_torque * wv, tc

    full = least(least(c.clutch_torque, c.capacity), c.grip_torque)
    h = least(most(c.start_speed * c.vehicle_inertia / most(full, 1e-9) + c.release_time, 0.02), 4.0) / steps
    # an engine that outruns its clutch gets to the end of its curve, where torque falls steeply; steps are short there
    steep = c.curve.torque[-1] * c.primary * c.ratio / (_CUT * c.curve.speed[-1] * c.engine_inertia)
    h = pick(c.asked_torque * c.primary > 0.98 * full, least(h, 1.2 / most(steep, 1e-9)), h)
    zero: Values = 0.0 if single else np.zeros(shape)
    t, we, wv, q, work, road = zero, c.start_speed + zero, zero, zero, zero, zero
    low, peak_power, peak_torque = we, zero, zero
    going: Flags = True if single else np.ones(shape, dtype=bool)
    stalled: Flags = False if single else np.zeros(shape, dtype=bool)
    trace: list[tuple[Values, ...]] = []
    for _ in range(steps * 60):
        k1 = rates(t, we, wv, q)
        k2 = rates(t + h / 2, we + h / 2 * k1[0], wv + h / 2 * k1[1], q + h / 2 * k1[2])
        k3 = rates(t + h / 2, we + h / 2 * k2[0], wv + h / 2 * k2[1], q + h / 2 * k2[2])
        k4 = rates(t + h, we + h * k3[0], wv + h * k3[1], q + h * k3[2])
        dwe, dwv, dq, dwork, droad = (
            h / 6 * (a + 2 * b + 2 * e + f) for a, b, e, f in zip(k1[:5], k2[:5], k3[:5], k4[:5], strict=True)
        )
        before, after = we - wv, we + dwe - wv - dwv
        meets = after <= 0
        share = pick(meets, before / most(before - after, 1e-12), 1.0)  # of the step until both speeds meet
        dq = pick(meets, share * h * before * k1[5] / 2, dq)
        if single:
            trace.append((t, we, wv, k1[5], q, c.start_temperature + q / c.heat_capacity))
        share, dq = pick(going, share, 0.0), pick(going, dq, 0.0)
        peak_power, peak_torque = most(peak_power, k1[2]), most(peak_torque, pick(going, k1[5], 0.0))
        t, we, wv = t + share * h, we + share * dwe, wv + share * dwv
        q, work, road = q + dq, work + share * dwork, road + share * droad
        low = least(low, we)
        stalled = either(stalled, but_not(both(going, we < c.stall_speed), meets))
        going = but_not(both(going, t < c.longest), either(meets, stalled))
        if not ops.some(going):
            break
    if single:
        trace.append((t, we, wv, k4[5], q, c.start_temperature + q / c.heat_capacity))
    names = ("time", "engine_side", "vehicle_side", "torque", "heat", "temperature")
    return Launch(
        slip_time=t, energy=q, peak_power=peak_power, peak_torque=peak_torque, lowest_speed=low, end_speed=we,
        engine_work=work, road_work=road, bulk_temperature=c.start_temperature + q / c.heat_capacity,
        outcome=_outcome(c, single, stalled, we - wv, peak_torque),
        trace={n: np.array(v) for n, v in zip(names, zip(*trace, strict=True), strict=True)} if single else {},
    )  # fmt: skip


def _outcome(c: LaunchCase, single: bool, stalled: Flags, gap: Values, peak: Values) -> str | npt.NDArray[np.str_]:
    locked = np.asarray(gap) <= 1e-6 * np.asarray(c.start_speed) + 1e-9
    spun = np.asarray(peak) >= np.asarray(c.grip_torque) * (1 - 1e-9)
    words = np.where(stalled, "stalls", np.where(locked, np.where(spun, "spins", "locks"), "never locks"))
    return str(words) if single else words


def case_of(
    build: Build, *, stage: float = 1.0, friction: float = 0.0, **states: Values
) -> LaunchCase | Needs | Refused:
    """The start a build describes, or what is missing or impossible."""
    wanted = ("engine_curve", "peak_engine_torque", "engine_inertia", "vehicle_inertia", "torque_capacity",
              "torque_at_clutch",
              "start_load_torque", "start_speed", "primary_ratio", "primary_efficiency", "start_engine_share",
              "start_clutch_share", "release_time", "sustained_temperature", "brief_temperature", "fade_share",
              "heat_mass", "specific_heat", "heat_share", "ambient_temperature", "tyre_grip", "driven_load_share",
              "vehicle_mass", "tyre_radius", "gear_ratio", "final_ratio", "stall_speed")  # fmt: skip
    v = build.evaluate(wanted, stage=stage, friction=friction, **states)
    missing = frozenset().union(*(v[n].names for n in wanted if isinstance(v[n], Needs)))
    refused = next((v[n] for n in wanted if isinstance(v[n], Refused)), None)
    if refused is not None or missing:
        return refused or Needs(missing)
    ratio, efficiency = v["primary_ratio"], v["primary_efficiency"]
    geared = v["gear_ratio"] * v["final_ratio"]
    restrictor = build.known.get("restrictor_time", 0.0)
    grip = v["tyre_grip"] * v["driven_load_share"] * v["vehicle_mass"] * 9.80665 * v["tyre_radius"] / geared
    return LaunchCase(
        curve=v["engine_curve"], asked_torque=v["start_engine_share"] * v["peak_engine_torque"],
        primary=ratio * efficiency, ratio=ratio,
        engine_inertia=v["engine_inertia"], vehicle_inertia=v["vehicle_inertia"],
        clutch_torque=v["start_clutch_share"] * v["torque_at_clutch"], capacity=v["torque_capacity"],
        grip_torque=grip, load_torque=v["start_load_torque"], start_speed=v["start_speed"],
        stall_speed=v["stall_speed"] / ratio, release_time=plain(np.maximum(v["release_time"], restrictor)),
        start_temperature=v["ambient_temperature"], sustained=v["sustained_temperature"],
        brief=v["brief_temperature"], fade=v["fade_share"],
        heat_capacity=v["heat_mass"] * v["specific_heat"] / v["heat_share"],
    )  # fmt: skip
