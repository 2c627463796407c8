"""The integration of a start: engine, gearbox side and vehicle; driver, pedal, fading friction, tyres, road, stall.

- `integrated`   integrates a case, figures or arrays alike
- `full_load`    torque at full throttle, with the limiter
- `SINGLE`, `MANY`   what is done alike with one figure and with many

Three inertias. While the clutch slips, I_e·dω_e/dt = T_e − T_c; the gearbox side takes T_c, and hands on to the
vehicle what the tyres hold. While the tyres hold, gearbox side and vehicle turn as one; beyond that the wheels spin and
the vehicle gets what they hold. The clutch locks when engine and gearbox side run alike, and the run goes on until
wheels and vehicle agree: a locked clutch that would have to carry more than its capacity slips again, and an engine
that has come below its stall speed has stalled. The clutch's torque does not depend on the speeds, so the gearbox side
is a plain integral over a step (Simpson); the engine is stepped by Runge and Kutta's fourth-order rule.

Source: [definition: change of angular momentum]; driver and governor [practice].
"""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Callable
from typing import NamedTuple

import numpy as np

from liftbite.core.graph.graph import Flags, Values
from liftbite.core.quantities.launch_case import Launch, LaunchCase
from liftbite.core.quantities.torque_curve import TorqueCurve

#: Engine speed over which a driver goes from no throttle to full, and a limiter from full to none [rad/s].
GRASP = 20.0
#: Most steps of a start; it is given up after `longest` or these.
_STEPS = 900
#: A change nearer than this is stepped on in one go; no step is longer than the other [s].
_LANDS, _LONGEST_STEP = 0.015, 0.1
#: A case whose clutch asks for less than this share of full load is one a driver holds at its speed.
EASY = 0.95


def full_load(curve: TorqueCurve, limiter: Values, single: bool) -> Callable[[Values], Values]:
    """Torque at full throttle over engine speed: it falls to nothing towards rest, and over `GRASP` at the limiter.

    Below the first row of a curve nothing was measured; the straight line to rest is an estimate.
    """
    speed, torque = curve.from_rest
    if not single:
        xs, ys = np.array(speed), np.array(torque)
        return lambda w: np.interp(w, xs, ys) * np.minimum(np.maximum((limiter + GRASP - w) / GRASP, 0.0), 1.0)
    cut = float(limiter)

    def at(w: Values) -> float:
        w = float(w)
        if w <= 0 or w >= cut + GRASP:
            return 0.0
        i = bisect_right(speed, w)
        if i == len(speed):
            made = torque[-1]
        else:
            x0, x1 = speed[i - 1], speed[i]
            made = torque[i - 1] + (w - x0) / (x1 - x0) * (torque[i] - torque[i - 1])
        return float(made if w <= cut else made * (cut + GRASP - w) / GRASP)

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


SINGLE = _Ops(
    min,
    max,
    lambda flag, a, b: a if flag else b,
    lambda a, b: a and b,
    lambda a, b: a or b,
    lambda a, b: a and not b,
    bool,
)


def _picked(flag: Flags, a: Values, b: Values) -> Values:
    """`a` where the flag is up, else `b`; where all flags are alike, as in most steps, nothing is picked one by one."""
    if not isinstance(flag, np.ndarray) or not flag.ndim:
        return a if flag else b
    one = a if flag.all() else None if flag.any() else b
    return one if isinstance(one, np.ndarray) and one.shape == flag.shape else np.where(flag, a, b)


MANY = _Ops(np.minimum, np.maximum, _picked, np.logical_and, np.logical_or, np.greater, np.any)


def integrated(case: LaunchCase, fineness: float) -> Launch:
    """Integrates; figures or arrays alike."""
    run = _Run(case, fineness)
    for _ in range(int(_STEPS * fineness)):
        now = run.now()
        if not run.ops.some(run.going):
            break
        run.take(now, run.move(now, run.step(now)))
    return run.result()


class _Now(NamedTuple):
    """How things stand at the beginning of a step: the clutch's torque, whether it slips, what moves the vehicle, what
    the driver asks of the engine and what it gives."""

    torque: Values
    slips: Flags
    pull: Values
    asked: Values
    given: Values


class _Move(NamedTuple):
    """A step: its length, the clutch's torque half way and at the end, how far each speed gets by then."""

    h: Values
    half_torque: Values
    end_torque: Values
    engine: tuple[Values, Values]
    gearbox: tuple[Values, Values]
    vehicle: tuple[Values, Values]
    asked: tuple[Values, Values]


class _Run:
    """A start under way. Speeds are those of engine side, gearbox side and vehicle [rad/s] at the clutch shaft."""

    def __init__(self, case: LaunchCase, fineness: float) -> None:
        many = [value.shape for value in vars(case).values() if isinstance(value, np.ndarray)]
        shape = np.broadcast_shapes(*many)
        self.c, self.fineness, self.single = case, fineness, shape == ()
        self.ops = SINGLE if self.single else MANY
        self.full = full_load(case.curve, case.limiter, self.single)
        self.zero: Values = 0.0 if self.single else np.zeros(shape)
        self.yes: Flags = True if self.single else np.ones(shape, dtype=bool)
        no: Flags = False if self.single else np.zeros(shape, dtype=bool)
        self._constants()
        self.t = self.q = self.tyre = self.work = self.road = self.slipped = self.zero
        self.engine = case.start_speed + self.zero
        self.gearbox = self.vehicle = case.vehicle_speed + self.zero
        self.low, self.peak_power, self.peak_torque = self.engine, self.zero, self.zero
        self.going, self.stalled, self.locked, self.up, self.spinning, self.spun = self.yes, no, no, no, no, no
        self.trace: list[tuple[Values, ...]] = []

    def _constants(self) -> None:
        c, ops = self.c, self.ops
        peak = c.curve.peak_torque
        self.most = c.throttle_share * c.primary * peak
        self.gives = c.throttle_share * c.primary  # torque at the clutch over that of full load at the crank
        self.stiff = c.primary * c.ratio * peak / GRASP  # the driver's hold on the engine's speed
        self.drag = -c.drag_share * peak * c.primary
        self.whole, self.engaged = c.gearbox_inertia + c.vehicle_inertia, c.engine_inertia + c.gearbox_inertia
        self.wants = ops.least(c.clutch_torque, c.capacity)
        # a driver holds the engine's speed up to this
        self.fed = EASY * self.gives * self.full(c.start_speed * c.ratio)
        self.calm = 1.2 * c.engine_inertia / self.stiff  # a step over which a held speed stays stable
        pulls = ops.most(ops.most(self.wants - c.load_torque, 1e-3 * self.wants), 1e-9)
        longest = c.start_speed * self.whole / pulls + 2 * c.release_time
        warmest = c.start_temperature + self.wants * c.start_speed * longest / c.heat_capacity  # twice a held speed's
        self.steady = ops.both(ops.both(self.wants < self.fed, c.held < 1), warmest < c.sustained)

    def capacity(self, q: Values) -> Values:
        """What the friction carries at the heat it has taken."""
        c, ops = self.c, self.ops
        hot = (c.start_temperature + q / c.heat_capacity - c.sustained) / (c.brief - c.sustained)
        return c.capacity * (1 - (1 - c.fade) * ops.least(ops.most(hot, 0.0), 1.0))

    def clutch(self, t: Values, q: Values) -> Values:
        """What a slipping clutch carries: what pedal and friction let it."""
        ops, holds = self.ops, self.capacity(q)
        let = ops.least(self.c.clutch_torque * ops.least(t / self.c.release_time, 1.0), holds)
        return ops.pick(self.up, holds, let)

    def throttle(self, speed: Values, asked: Values) -> Values:
        """Torque of the engine at the clutch: what the driver gives, or held open."""
        c, ops = self.c, self.ops
        full = self.gives * self.full(speed * c.ratio)
        fed = ops.most(ops.least(asked + self.stiff * (c.start_speed - speed), full), self.drag)
        return ops.pick(c.held > 0, full, fed)

    def pulled(self, torque: Values) -> Values:
        """What moves gearbox side and vehicle together; brakes hold until the clutch pulls."""
        c, ops = self.c, self.ops
        net = torque - c.load_torque
        return ops.pick(ops.both(self.vehicle <= 0, c.load_torque > 0), ops.most(net, 0.0), net)

    def driven(self) -> Values:
        """What moves the vehicle while the wheels spin; brakes hold it where the tyres do not pull it."""
        c, ops = self.c, self.ops
        net = c.grip_torque - c.load_torque + self.zero
        return ops.pick(ops.both(self.vehicle <= 0, c.load_torque > 0), ops.most(net, 0.0), net)

    def through_tyres(self, torque: Values) -> Values:
        """Torque the tyres have to hand on where gearbox side and vehicle turn as one; all of it while brakes hold."""
        c, ops = self.c, self.ops
        stands = ops.both(self.vehicle <= 0, torque < c.load_torque)
        moves = c.load_torque + c.vehicle_inertia * (torque - c.load_torque) / self.whole
        return ops.pick(stands, torque, moves)

    def now(self) -> _Now:
        """What holds and what gives way, from how things stand; ends what is over."""
        c, ops, pick, both = self.c, self.ops, self.ops.pick, self.ops.both
        wanted = self.throttle(self.engine, self.wants)
        alone = (wanted * c.gearbox_inertia + c.grip_torque * c.engine_inertia) / self.engaged
        together = (wanted * self.whole + c.load_torque * c.engine_inertia) / (c.engine_inertia + self.whole)
        carried = pick(self.spinning, alone, together)
        self.locked = both(self.locked, carried <= self.capacity(self.q))
        slips = ops.but_not(self.yes, self.locked)
        torque = pick(slips, self.clutch(self.t, self.q), carried)
        pull = self.pulled(torque)
        self.spinning = ops.either(self.spinning, both(slips, self.through_tyres(torque) > c.grip_torque))
        self.spun = ops.either(self.spun, both(self.spinning, self.going))
        over = both(self.going, ops.but_not(self.locked, self.spinning))
        self.stalled = ops.either(self.stalled, both(over, self.engine < c.stall_speed))
        self.going = ops.but_not(self.going, over)
        self._keep(torque)
        self.peak_torque = ops.most(self.peak_torque, pick(self.going, torque, 0.0))
        power = pick(both(self.going, slips), torque * (self.engine - self.gearbox), 0.0)
        self.peak_power = ops.most(self.peak_power, power)
        asked = pick(slips, torque, self.wants)
        return _Now(torque, slips, pull, asked, self.throttle(self.engine, asked))

    def _keep(self, torque: Values) -> None:
        if self.single:
            warm = self.c.start_temperature + self.q / self.c.heat_capacity
            self.trace.append((self.t, self.engine, self.gearbox, self.vehicle, torque, self.q, warm))

    def rates(self, now: _Now) -> tuple[Values, Values, Values]:
        """Changes of the three speeds at the beginning of a step [rad/s²]."""
        c, pick = self.c, self.ops.pick
        alike = now.pull / self.whole
        engine = pick(
            now.slips, (now.given - now.torque) / c.engine_inertia, (now.given - c.grip_torque) / self.engaged
        )
        gearbox = pick(now.slips, (now.torque - c.grip_torque) / c.gearbox_inertia, engine)
        vehicle = self.driven() / c.vehicle_inertia
        return engine, pick(self.spinning, gearbox, alike), pick(self.spinning, vehicle, alike)

    def step(self, now: _Now) -> tuple[Values, Flags]:
        """How long the step is: to where something changes, or a part of it; and whether the driver holds the speed."""
        c, ops, pick, both = self.c, self.ops, self.ops.pick, self.ops.both
        engine, gearbox, vehicle = self.rates(now)
        gap, part = self.engine - self.gearbox, self.gearbox - self.vehicle
        meet = pick(both(now.slips, engine < gearbox), gap / ops.most(gearbox - engine, 1e-9), 1e9)
        agree = pick(both(self.spinning, gearbox < vehicle), part / ops.most(vehicle - gearbox, 1e-9), 1e9)
        ahead = ops.least(meet, agree)
        ramp = c.release_time / 8
        held = both(
            both(now.slips, self.clutch(self.t + ramp, self.q) < self.fed),
            both(c.held < 1, self.engine >= c.start_speed),
        )
        held = ops.but_not(held, self.up)
        lands = ops.either(ahead < _LANDS, both(self.steady, self.t >= c.release_time))
        h = pick(lands, ahead * 1.01, ops.least(ahead / 3, _LONGEST_STEP))
        h = pick(self.t < c.release_time, ops.least(h, ramp), h)
        far = now.asked + self.stiff * (c.start_speed - self.engine) > 1.5 * self.most  # beyond all throttle
        h = pick(ops.either(held, both(far, c.held < 1)), h, ops.least(h, self.calm))
        return ops.most(h / self.fineness, 1e-4), held

    def move(self, now: _Now, length: tuple[Values, Flags]) -> _Move:
        """The step: the clutch over it, then the gearbox side by Simpson's rule, then the engine by Runge and Kutta."""
        c, ops, pick = self.c, self.ops, self.ops.pick
        (h, held), slips = length, now.slips
        heats = now.torque * (self.engine - self.gearbox)
        half = pick(slips, self.clutch(self.t + h / 2, self.q + h / 2 * heats), now.torque)
        end = pick(slips, self.clutch(self.t + h, self.q + h * heats), now.torque)
        f0, fm, f1 = (
            pick(self.spinning, torque - c.grip_torque, self.pulled(torque)) for torque in (now.torque, half, end)
        )
        alone = pick(self.spinning, c.gearbox_inertia, self.whole)
        gearbox_half, gearbox = h * (5 * f0 + 8 * fm - f1) / 24 / alone, h * (f0 + 4 * fm + f1) / 6 / alone
        turns = pick(slips, c.engine_inertia, self.engaged)
        r0, rm, r1 = (pick(slips, torque, c.grip_torque) for torque in (now.torque, half, end))
        am, a1 = (pick(slips, torque, self.wants) for torque in (half, end))
        k1 = (now.given - r0) / turns
        k2 = (self.throttle(self.engine + h / 2 * k1, am) - rm) / turns
        k3 = (self.throttle(self.engine + h / 2 * k2, am) - rm) / turns
        k4 = (self.throttle(self.engine + h * k3, a1) - r1) / turns
        engine = pick(held, 0.0, h * (k1 + 2 * k2 + 2 * k3 + k4) / 6)
        engine_half = pick(held, 0.0, h * (k1 + k2) / 4)
        free = h * self.driven() / c.vehicle_inertia
        vehicle_half, vehicle = pick(self.spinning, free / 2, gearbox_half), pick(self.spinning, free, gearbox)
        with_engine = ops.but_not(self.spinning, slips)
        return _Move(
            h,
            half,
            end,
            (engine_half, engine),
            (pick(with_engine, engine_half, gearbox_half), pick(with_engine, engine, gearbox)),
            (vehicle_half, vehicle),
            (am, a1),
        )

    def take(self, now: _Now, m: _Move) -> None:
        """Takes the step, or as much of it as there is until something changes."""
        c, ops, pick, both = self.c, self.ops, self.ops.pick, self.ops.both
        gap, part = self.engine - self.gearbox, self.gearbox - self.vehicle
        after, apart = gap + m.engine[1] - m.gearbox[1], part + m.gearbox[1] - m.vehicle[1]
        to_meet = pick(both(both(now.slips, after <= 0), gap > 0), gap / ops.most(gap - after, 1e-12), 2.0)
        to_agree = pick(both(both(self.spinning, apart <= 0), part > 0), part / ops.most(part - apart, 1e-12), 2.0)
        fails = both(self.engine + m.engine[1] < c.stall_speed, self.engine >= c.stall_speed)
        to_stall = pick(fails, (self.engine - c.stall_speed) / ops.most(-m.engine[1], 1e-12), 2.0)
        share = ops.least(ops.least(ops.least(to_meet, to_agree), to_stall), 1.0)
        held, asked = self.through_tyres(now.torque), self.through_tyres(m.end_torque)
        gives = both(both(now.slips, asked > c.grip_torque), ops.but_not(held < c.grip_torque, self.spinning))
        to_give = (c.grip_torque - held) / ops.most(asked - held, 1e-12) * (1 + 1e-6) + 1e-9
        share = pick(gives, ops.least(share, to_give), share)
        middle = part + m.gearbox[0] - m.vehicle[0]
        slides = pick(share < 1, part + share * (apart - part) / 2, (part + 4 * middle + apart) / 6)
        self._add(now, m, share, gap, after, slides)
        moved = pick(self.going, share, 0.0)
        self.engine = self.engine + moved * m.engine[1]
        self.gearbox = self.gearbox + moved * m.gearbox[1]
        self.vehicle = self.vehicle + moved * m.vehicle[1]
        self.low = ops.least(self.low, self.engine)
        self._change(to_meet <= share, to_agree <= share, to_stall <= share)

    def _add(self, now: _Now, m: _Move, share: Values, gap: Values, after: Values, slides: Values) -> None:
        """Adds what clutch, tyres, engine and road did over the share of a step that was taken."""
        c, ops, pick, both = self.c, self.ops, self.ops.pick, self.ops.both
        middle = ops.most(gap + m.engine[0] - m.gearbox[0], 0.0)
        whole = now.torque * gap + 4 * m.half_torque * middle + m.end_torque * ops.most(after, 0.0)
        cut = now.torque * gap + m.end_torque * ops.most(gap + share * (after - gap), 0.0)
        heat = m.h * pick(share < 1, share * cut / 2, whole / 6)
        step = pick(self.going, m.h * share, 0.0)
        self.q = self.q + pick(both(self.going, now.slips), ops.most(heat, 0.0), 0.0)
        self.tyre = self.tyre + pick(self.spinning, step * c.grip_torque * ops.most(slides, 0.0), 0.0)
        half, end = self.engine + m.engine[0], self.engine + m.engine[1]
        did = (now.given * self.engine, self.throttle(half, m.asked[0]) * half, self.throttle(end, m.asked[1]) * end)
        self.work = self.work + step * (did[0] + 4 * did[1] + did[2]) / 6
        self.road = self.road + step * c.load_torque * (self.vehicle + share * m.vehicle[0])
        self.slipped = self.slipped + pick(now.slips, step, 0.0)
        self.t = self.t + step

    def _change(self, meets: Flags, agrees: Flags, fails: Flags) -> None:
        """What locks, what takes hold again, what stalls at the end of a step."""
        ops, pick, both = self.ops, self.ops.pick, self.ops.both
        meets, agrees = both(meets, self.going), both(agrees, self.going)
        fails = ops.but_not(both(fails, self.going), ops.either(meets, agrees))
        self.gearbox = pick(meets, self.engine, self.gearbox)
        self.engine = pick(both(agrees, self.locked), self.vehicle, self.engine)
        self.gearbox = pick(agrees, self.vehicle, self.gearbox)
        self.locked, self.up = ops.either(self.locked, meets), ops.either(self.up, meets)
        self.spinning = ops.but_not(self.spinning, agrees)
        self.stalled = ops.either(self.stalled, fails)
        self.going = ops.but_not(both(self.going, self.t < self.c.longest), fails)

    def result(self) -> Launch:
        """What came of it."""
        if self.single:
            self._keep(self.trace[-1][4])
        locks = self.ops.but_not(self.locked, self.stalled)
        pick = (lambda flag, a, b: a if flag else b) if self.single else np.where
        words = pick(self.stalled, "stalls", pick(locks, pick(self.spun, "spins", "locks"), "never locks"))
        names = ("time", "engine_side", "gearbox_side", "vehicle_side", "torque", "heat", "temperature")
        trace = (
            {n: np.array(v) for n, v in zip(names, zip(*self.trace, strict=True), strict=True)} if self.single else {}
        )
        return Launch(
            slip_time=self.slipped,
            energy=self.q,
            tyre_energy=self.tyre,
            peak_power=self.peak_power,
            peak_torque=self.peak_torque,
            lowest_speed=self.low,
            end_speed=self.engine,
            end_gearbox=self.gearbox,
            end_vehicle=self.vehicle,
            engine_work=self.work,
            road_work=self.road,
            bulk_temperature=self.c.start_temperature + self.q / self.c.heat_capacity,
            outcome=str(words) if self.single else words,
            trace=trace,
        )
