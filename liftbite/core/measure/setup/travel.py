"""Slave travel and bite point held against the stroke the job works out: what is short, and what that looks like.

- `Point`, `Shortfall`     travel at one place of the pedal; all of them with what each cause would leave
- `Reach`                  how far a master can push its slave
- `Cause`, `causes_of`     air, flex or lost travel, each fitted alone to what is missing
- `work_out`, `tell`       the calculation

What the slave falls short by is a volume. Air takes V·p/(p_0 + p), what flexes or swells C·p, travel lost before the
port closes A_m·s: three shapes over pressure. Each is fitted alone by least squares, with the doubt of the readings and
the one doubt of the port that all of them share; what it leaves unexplained says how well it fits.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from liftbite.core.analysis.stroke import Stroke, stroke
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.reading import Reading, Readings
from liftbite.core.measure.setup.air import PORT_DOUBT
from liftbite.core.measure.setup.calculation import Calculation, Outcome, Remark, mm, right, span
from liftbite.core.quantities.torque_curve import Array
from liftbite.core.units.constants import ATMOSPHERE
from liftbite.core.units.sentence import both
from liftbite.core.units.show import bare, figure

#: Check -> how far down the pedal it is read [-].
PLACES: Mapping[str, float] = {"slave_travel_half": 0.5, "slave_travel": 1.0}
#: What is left unexplained, in square standard doubts, up to which a cause fits, and beyond which it does not [-].
FITS, DOES_NOT = 2.0, 9.0
#: No caliper at a slave under a car knows better [m] [practice].
LEAST_DOUBT = 5e-5
#: A bite point, and a force, that differ by less say nothing: the pedal's own doubt [m] and share [-] [practice].
BITE_DOUBT, FORCE_DOUBT = 5e-3, 0.2


@dataclass(frozen=True, slots=True)
class Point:
    """Slave travel at one place of the pedal: worked out, measured, its doubt [m].

    `pressure` is the gauge pressure that the travel measured takes [Pa], `eased` what the hose swells less for it [m³].
    """

    pedal: float
    expected: float
    measured: float
    doubt: float
    pressure: float
    eased: float = 0.0


@dataclass(frozen=True, slots=True)
class Cause:
    """One way to lose travel, fitted alone.

    Attributes
    ----------
    name : "air", "flex" or "lost"
    amount : how much of it there would be: air at rest [m³], swell [m³/Pa], travel of the master [m]
    left : what it leaves unexplained, in square standard doubts [-]
    """

    name: str
    amount: float
    left: float


@dataclass(frozen=True, slots=True)
class Reach:
    """How far a master can push its slave: areas of both [m²], and the travel of the master [m]."""

    master: float
    slave: float
    pushed: float

    @property
    def most(self) -> float:
        """Travel of the slave [m]."""
        return self.master / self.slave * self.pushed


@dataclass(frozen=True, slots=True)
class Shortfall:
    """What a job's pedal does against its stroke.

    Attributes
    ----------
    points : travels, from the top of the pedal down
    causes : what fits what is missing, best first; empty where nothing is missing
    apart : False where the readings cannot tell the causes from each other
    frees : lift with the travel as it was measured over what just frees [-]; None where that is not known
    bite : bite point worked out and measured [m]; None until it was read
    force : highest force worked out and measured [N]; None until it was read
    most : at each travel read, how far the master can push the slave
    """

    points: tuple[Point, ...]
    causes: tuple[Cause, ...]
    apart: bool
    frees: float | None
    bite: tuple[float, float] | None
    force: tuple[float, float] | None
    most: tuple[Reach | None, ...] = ()

    @property
    def beyond(self) -> tuple[Point, Reach] | None:
        """A travel no master of this bore can give, and how far it can; None where there is none."""
        pairs = zip(self.points, self.most, strict=False)
        return next(((p, r) for p, r in pairs if r is not None and p.measured - p.doubt > r.most), None)

    @property
    def short(self) -> bool:
        """True where travel is missing that no reading's doubt explains."""
        return bool(self.causes)


def causes_of(points: Sequence[Point], master_area: float, slave_area: float) -> tuple[Cause, ...]:
    """What fits the travel that is missing, each cause alone, best first; nothing where the doubt explains it.

    Minimises (V − θ·s)ᵀ·Σ⁻¹·(V − θ·s) over θ ≥ 0, V the missing volumes, s a cause's shape over pressure.

    Parameters
    ----------
    points : slave travels, at least one
    master_area, slave_area : [m²]

    Source: [definition: generalised least squares]; the port's doubt is common to all readings.

    A millilitre of air at two pressures:

    >>> points = [Point(0.07, 8e-3, 8e-3 - 1e-6 * p / (p + 101_325) / 1e-3, 5e-5, p) for p in (2e5, 3e6)]
    >>> best = causes_of(points, 285e-6, 1e-3)[0]
    >>> best.name, round(best.amount * 1e6, 2)
    ('air', 1.0)
    """
    missing = np.array([slave_area * (p.expected - p.measured) + p.eased for p in points])
    pressure = np.array([p.pressure for p in points])
    spread = np.diag([(slave_area * p.doubt / 2) ** 2 for p in points])
    common = (master_area * PORT_DOUBT / 2) ** 2
    weight = np.linalg.inv(spread + common)
    if missing.max() <= 0 or missing @ weight @ missing <= FITS * 2:
        return ()
    apart = np.linalg.inv(spread + 1e-6 * common)
    shapes: dict[str, Array] = {
        "air": pressure / (ATMOSPHERE + pressure),
        "flex": pressure,
        "lost": np.full(pressure.size, master_area),
    }
    found = []
    for name, shape in shapes.items():
        if not shape.any():
            continue
        w = apart if name == "lost" else weight
        amount = max(float(shape @ w @ missing / (shape @ w @ shape)), 0.0)
        rest = missing - amount * shape
        found.append(Cause(name, amount, float(rest @ w @ rest)))
    return tuple(sorted(found, key=lambda c: c.left))


def work_out(build: Build, readings: Readings, _: Mapping[str, str]) -> Shortfall | None:
    """A job's readings against its stroke; None until a travel or a bite point was read and can be worked out."""
    travels = {share: reading for name, share in PLACES.items() if (reading := _latest(readings, name)) is not None}
    bite, force = _latest(readings, "bite_point"), _latest(readings, "pedal_force")
    whole = stroke(build, trapped_air=0.0)  # what was read may already stand in the job as air
    if not (travels or bite) or not isinstance(whole, Stroke):
        return None
    points = _points(build, whole, travels)
    if points is None:
        return None
    causes = causes_of(points, *_areas(build)) if points else ()
    apart = len(causes) > 1 and causes[1].left - causes[0].left > FITS
    return Shortfall(
        points,
        causes,
        apart,
        _frees(build, points[-1].measured) if 1.0 in travels else None,
        _beside(whole.bite_point, bite),
        _beside(whole.peak_effort, force),
        tuple(_reach(build, point.pedal) for point in points),
    )


def _reach(build: Build, pedal: float) -> Reach | None:
    """How far a slave goes at most: no free play, a port that shuts at once, nothing that swells; None if not known.

    s = A_m/A_s · min(x/R_p, x_m)

    Source: [geometry: what leaves the master comes to the slave].
    """
    names = ("master_area", "slave_area", "pedal_ratio", "master_stroke")
    v = build.evaluate(names)
    if any(isinstance(v[name], Needs | Refused) for name in names[:3]):
        return None
    pushed = pedal / float(v["pedal_ratio"])
    if not isinstance(v["master_stroke"], Needs | Refused):
        pushed = min(pushed, float(v["master_stroke"]))
    return Reach(float(v["master_area"]), float(v["slave_area"]), pushed)


def _areas(build: Build) -> tuple[float, float]:
    """Of master and slave [m²]."""
    v = build.evaluate(("master_area", "slave_area"))
    return float(v["master_area"]), float(v["slave_area"])


def _points(build: Build, whole: Stroke, travels: Mapping[float, Reading]) -> tuple[Point, ...] | None:
    """The travels read, each against the stroke; None where there is no fluid to work them out from."""
    if not travels:
        return ()
    names = ("master_area", "slave_area", "pedal_stroke", "hose_swell")
    v = build.evaluate(names)
    if whole.pressure is None or any(isinstance(v[name], Needs | Refused) for name in names):
        return None
    end, swell, along = float(v["pedal_stroke"]), float(v["hose_swell"]), whole.pressure
    return tuple(_point(whole, along, share * end, swell, reading) for share, reading in travels.items())


def _latest(readings: Readings, check: str) -> Reading | None:
    return next((r for r in reversed(readings.get(check, ())) if r.si is not None), None)


def _beside(worked_out: float | None, reading: Reading | None) -> tuple[float, float] | None:
    return None if worked_out is None or reading is None or reading.si is None else (worked_out, reading.si)


def _point(whole: Stroke, along: Array, pedal: float, swell: float, reading: Reading) -> Point:
    """A travel at a pedal: the pressure follows from where the slave is, whatever keeps it there."""
    travel, read = whole.chain["slave_travel"], reading.si or 0.0
    expected = float(np.interp(pedal, whole.pedal, travel))
    sound, pressure = float(np.interp(pedal, whole.pedal, along)), float(np.interp(read, travel, along))
    doubt = max(reading.uncertainty, LEAST_DOUBT)
    return Point(pedal, expected, read, doubt, max(pressure, 0.0), swell * (sound - pressure))


def _frees(build: Build, travel: float) -> float | None:
    """Lift with the travel measured at full pedal over what just frees; None where that is not known."""
    names = ("lift_needed_least", "fork_ratio", "bearing_clearance", "finger_flex", "release_lever_ratio")
    v = build.evaluate(names)
    if any(isinstance(v[n], Needs | Refused) for n in names):
        return None
    bearing = travel / v["fork_ratio"] - v["bearing_clearance"]
    return max(float(bearing * v["finger_flex"] / v["release_lever_ratio"] / v["lift_needed_least"]), 0.0)


def _said_of(cause: Cause) -> str:
    if cause.name == "air":
        return f"air, {both(cause.amount, 'm³', 2)} of it"
    if cause.name == "flex":
        return f"something that swells or flexes, {figure(cause.amount * 1e15, 2)} mm³ for every MPa"
    return f"travel lost before the port closes, {span(cause.amount)} at the master"


#: Cause -> what else would show it, where the readings alone do not, and what is done next.
SHOWS: Mapping[str, tuple[str, str]] = {
    "air": (
        "pumped twice quickly, the slave travels further and the pedal firms up",
        "bleed again, and read the travel once more",
    ),
    "flex": (
        "a helper pushes while you watch bulkhead, bracket, fork and hose: one of them moves",
        "find what moves; a braided hose takes out what a rubber one swells",
    ),
    "lost": (
        "with free play and push-rod play taken up, the slave travels further by as much times the area ratio",
        "set free play and push-rod play, then read the travel once more",
    ),
}


@dataclass(frozen=True, slots=True)
class _Part:
    """A part of what is told."""

    sentence: str = ""
    working: tuple[str, ...] = ()
    shows: tuple[Remark, ...] = ()
    fine: bool = True


def tell(found: Shortfall) -> Outcome:
    """What the pedal does against its stroke, what that looks like, and what to do next."""
    parts = (_travel(found), _freeing(found), _biting(found), _pressing(found))
    return Outcome(
        " ".join(part.sentence for part in parts if part.sentence),
        right(all(part.fine for part in parts)),
        tuple(line for part in parts for line in part.working),
        tuple(remark for part in parts for remark in part.shows),
        again=found.beyond is not None,
    )


def _beyond(point: Point, reach: Reach) -> _Part:
    areas = f"{bare(reach.master, 'mm²', 1)}/{bare(reach.slave, 'mm²', 1)}"
    return _Part(
        f"The slave travels {span(point.measured)} at {both(point.pedal, 'm')} of pedal, further than the "
        f"{span(reach.most)} its master can push: a bore or a ratio is not this vehicle's, or the figure is misread. "
        "Measure again.",
        (
            f"At most A_m/A_s · x_m = {areas} · {mm(reach.pushed)} = {mm(reach.most)} mm: the pedal over its ratio, no "
            "further than the master's stroke, without free play, port or swell [geometry].",
        ),
        fine=False,
    )


def _travel(found: Shortfall) -> _Part:
    if not found.points:
        return _Part()
    if found.beyond is not None:
        return _beyond(*found.beyond)
    working = tuple(
        f"At {both(p.pedal, 'm')} of pedal, {both(p.pressure, 'Pa')} in the line: worked out less measured, "
        f"{mm(p.expected)} − {mm(p.measured)} = {mm(round(p.expected, 6) - round(p.measured, 6))} mm."
        for p in found.points
    )
    if not found.short:
        return _Part("The slave travels as far as worked out.", working)
    best, last = found.causes[0], found.points[-1]
    alike = [c for c in found.causes if c.left - best.left <= FITS]
    looks = (
        "No one cause fits: there are several at once, or a bore, a ratio or the stroke is not this vehicle's."
        if best.left > DOES_NOT
        else f"That looks like {_said_of(best)}."
        if found.apart
        else f"The readings do not tell apart: {'; or '.join(_said_of(c) for c in alike)}."
    )
    remarks = [Remark(f"{c.name.capitalize()}: {SHOWS[c.name][0]}. Then {SHOWS[c.name][1]}.") for c in alike]
    return _Part(
        f"The slave falls {span(last.expected - last.measured)} short at {both(last.pedal, 'm')} of pedal. {looks}",
        (*working, *(_fit(c) for c in found.causes)),
        tuple(remarks),
        fine=False,
    )


def _fit(cause: Cause) -> str:
    how = "fits" if cause.left <= FITS else "does not fit" if cause.left > DOES_NOT else "fits badly"
    what = _said_of(cause)
    return f"{what[0].upper()}{what[1:]}: {how}, it leaves {figure(cause.left, 2)} square doubts unexplained."


def _freeing(found: Shortfall) -> _Part:
    if found.frees is None:
        return _Part()
    word = "frees" if found.frees >= 1 else "does not free"
    return _Part(f"It {word} as it is: {figure(found.frees, 3)} times what just frees it.", fine=found.frees >= 1)


def _biting(found: Shortfall) -> _Part:
    if found.bite is None:
        return _Part()
    worked, read = found.bite
    other = abs(read - worked)
    if other <= BITE_DOUBT:
        return _Part(f"It bites {span(read)} below rest, as it should.")
    says = f"It bites {span(read)} below rest, {span(other)} {'lower' if read > worked else 'higher'} than worked out."
    if found.short or not found.points:
        return _Part(says, fine=read < worked)
    look = "Travel is right and the bite point is not: look at the disc's cushion and at what drags, not at the fluid."
    return _Part(says, shows=(Remark(look, "put right"),), fine=False)


def _pressing(found: Shortfall) -> _Part:
    if found.force is None:
        return _Part()
    worked, read = found.force
    times = f"{figure(read / worked, 2)} times what was worked out"
    working = (f"Highest force worked out {both(worked, 'N')}, measured {both(read, 'N')}.",)
    if read > (1 + FORCE_DOUBT) * worked:
        why = "pivot, sleeve, fork or a cylinder binds, or the cover is a heavier one"
        return _Part("", working, (Remark(f"The pedal takes {times}: {why}.", "put right"),), fine=False)
    if read < (1 - FORCE_DOUBT) * worked:
        why = "a seal lets fluid by, or the cover is a lighter one"
        return _Part("", working, (Remark(f"The pedal takes {times}: {why}."),))
    return _Part("", working)


CALCULATION = Calculation(
    "travel",
    "Travel against the stroke",
    "slave",
    ("slave_travel_half", "slave_travel", "bite_point", "pedal_force"),
    "the stroke of this job, and a travel or a bite point",
    work_out,
    tell,
)
