"""A schedule of starts: how hot every mass of the clutch gets, and what is hot first.

- `Stint`, `Peak`, `stint`   from a build with a schedule
- `stint_sentence`, `stint_working`   what a builder says of it, and how it came about

Every start is integrated with the hottest plate as the ones before have left it; its heat goes into the masses as the
faces share it, and between two starts the masses settle in closed form.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np

from liftbite.core.analysis.repeated_starts import kind_of_start
from liftbite.core.graph.graph import Known, Needs, Refused
from liftbite.core.job.alternatives.facing import OTHER_SIDE
from liftbite.core.job.build import Build
from liftbite.core.job.schedule import read_schedule
from liftbite.core.quantities.face import flash_rise
from liftbite.core.quantities.heat import bulk_rise
from liftbite.core.quantities.launch import launch
from liftbite.core.quantities.launch_case import LaunchCase
from liftbite.core.quantities.thermal import HeatNetwork, settle
from liftbite.core.quantities.torque_curve import Array
from liftbite.core.units.sentence import both
from liftbite.core.units.show import figure

#: Moments of the time between two starts that are worked out for the chart.
_BETWEEN = 12
#: A rest longer than this is no rest [s].
_LONGEST = 86_400.0


@dataclass(frozen=True, slots=True)
class Peak:
    """The hottest a rubbed mass gets.

    Attributes
    ----------
    name : the mass
    surface, at, start : hottest of its face [K], when [s], in which start, from 1
    through : hottest it is warmed through between starts [K]
    brief, sustained : what the facings it meets stand for moments and for long, the lower of two kinds [K]
    brief_at, sustained_at : when its face passes what the facing stands for moments, and when it is itself warmer than
        the facing stands for long [s]; None where never
    """

    name: str
    surface: float
    at: float
    start: int
    through: float
    brief: float
    sustained: float
    brief_at: float | None
    sustained_at: float | None


@dataclass(frozen=True, eq=False)
class Stint:
    """A schedule, worked out.

    Attributes
    ----------
    network : the masses
    time : moments [s], those at which starts begin and end among them
    temperatures : of every mass at each of them [K]
    begins : when each start begins [s]
    energies, surfaces : heat of each [J], and its hottest face [K]
    outcome : how the last one that was worked out ended; one that does not lock ends the schedule
    planned : starts of the schedule
    peaks : of the rubbed masses, the hottest first
    brief, sustained : what the facings stand, the lower of two kinds [K]
    rest : rest after the last start from which the same one stays within both limits [s]; 0 where none is needed, None
        where no rest is enough
    """

    network: HeatNetwork
    time: Array
    temperatures: Array
    begins: tuple[float, ...]
    energies: tuple[float, ...]
    surfaces: tuple[float, ...]
    outcome: str
    planned: int
    peaks: tuple[Peak, ...]
    brief: float
    sustained: float
    rest: float | None

    @property
    def hottest(self) -> Peak:
        """The mass whose face gets hottest."""
        return self.peaks[0]

    @property
    def first_over(self) -> tuple[Peak, float] | None:
        """The mass that passes a limit first, and when [s]; None where none does."""
        over = [(p, t) for p in self.peaks for t in (p.brief_at, p.sustained_at) if t is not None]
        return min(over, key=lambda pair: pair[1], default=None)


#: What a face brings to the mass it rubs on: area its heat spreads over, what it stands for moments and for long.
_FACE = ("heated_area", "brief_temperature", "sustained_temperature")


def _faces(v: Known, rubbed: int) -> Array:
    """For every mass the facings rub on, the smallest `_FACE` of the sides it meets, a row each.

    The flywheel meets the discs' first side, the pressure plate the other one, a floater both.
    """
    first = [float(v[n]) for n in _FACE]
    if OTHER_SIDE[_FACE[0]] not in v:
        return np.array([first] * rubbed)
    other = [float(v[OTHER_SIDE[n]]) for n in _FACE]
    both_sides = np.minimum(first, other)
    return np.array([first, other, *[both_sides] * (rubbed - 2)])


def _wanted(build: Build) -> tuple[str, ...]:
    sides = tuple(OTHER_SIDE[n] for n in _FACE) if build.chosen.has("two kinds of facing") else ()
    return (
        *sides,
        "start_case",
        "heat_network",
        "facing_area_total",
        "heated_area",
        "first_temperature",
        "ambient_temperature",
        "sustained_temperature",
        "brief_temperature",
        "conductivity",
        "plate_density",
        "specific_heat",
    )


def stint(build: Build, *, stage: float) -> Stint | Needs | Refused | None:
    """The schedule of a build, worked out; None where none was entered."""
    entry = build.entries.get("start_schedule")
    if entry is None or not entry.typed:
        return None
    v = build.evaluate(_wanted(build), stage=stage)
    for name in _wanted(build):
        if isinstance(v[name], Needs | Refused):
            found: Needs | Refused = v[name]
            return found
    stretches = read_schedule(entry.typed)
    cases: dict[str, LaunchCase] = {}
    for kind in {s.kind for s in stretches if s.kind}:
        case = kind_of_start(build, kind).evaluate(("start_case",), stage=stage)["start_case"]
        if isinstance(case, Needs | Refused):
            return case
        cases[kind] = case
    times = [(s.kind, s.interval) for s in stretches for _ in range(s.count)]
    return _Run(v, cases).worked_out(times)


class _Run:
    """A schedule while it is worked out."""

    def __init__(self, v: Known, cases: dict[str, LaunchCase]) -> None:
        self.cases = cases
        self.network: HeatNetwork = v["heat_network"]
        figures = {n: float(x) for n, x in v.items() if isinstance(x, int | float)}
        self.around = figures["ambient_temperature"]
        self.areas, self.brief, self.sustained = _faces(v, self.network.rubbed).T
        self.stores = tuple(figures[n] for n in ("conductivity", "plate_density", "specific_heat"))
        self.now = np.full(len(self.network.names), figures["first_temperature"])
        self.now[-1] = self.around
        self.at = 0.0
        self.time: list[float] = [0.0]
        self.rows: list[Array] = [self.now]
        self.begins: list[float] = []
        self.energies: list[float] = []
        self.surfaces: list[Array] = []
        self.outcome = "locks"

    def worked_out(self, times: list[tuple[str, float]]) -> Stint:
        planned = sum(1 for kind, _ in times if kind)
        for kind, seconds in times:
            if not kind:
                self._pass(seconds, 0.0, _BETWEEN)
                continue
            slipped = self._start(self.cases[kind])
            if self.outcome not in {"locks", "spins"}:
                break
            self._pass(max(seconds - slipped, 0.0), 0.0, _BETWEEN)
        peaks = tuple(sorted(self._peaks(), key=lambda p: -p.surface))
        return Stint(
            self.network,
            np.array(self.time),
            np.array(self.rows),
            tuple(self.begins),
            tuple(self.energies),
            tuple(float(s.max()) for s in self.surfaces),
            self.outcome,
            planned,
            peaks,
            float(self.brief.min()),
            float(self.sustained.min()),
            self._rest(),
        )

    def _start(self, case: LaunchCase) -> float:
        """One start: the masses take its heat; returns how long it slipped [s]."""
        rubbed = self.network.rubbed
        found = launch(replace(case, start_temperature=float(self.now[:rubbed].max())))
        energy, seconds = float(found.energy), max(float(found.slip_time), 1e-3)
        self.begins.append(self.at)
        self.energies.append(energy)
        self.surfaces.append(self.now[:rubbed] + self._rises(energy, seconds))
        self.outcome = str(found.outcome)
        self._pass(seconds, energy / seconds, 3)
        return seconds

    def _rises(self, energy: float, seconds: float) -> Array:
        """By how much each rubbed face rises in a start: its flash, or what warms it through where that is more [K]."""
        n = self.network.rubbed
        flash = flash_rise(energy, seconds, self.areas, *self.stores)
        # the network's stores are mass and specific heat in one, so the second is 1 here
        bulk = bulk_rise(energy, self.network.shares[:n], self.network.stores[:n], 1.0)
        risen: Array = np.maximum(flash, bulk)
        return risen

    def _pass(self, seconds: float, power: float, points: int) -> None:
        if seconds <= 0:
            return
        moments = np.linspace(0.0, seconds, points + 1)[1:]
        rows = settle(self.network, self.now, self.around, power, moments)
        self.time += (self.at + moments).tolist()
        self.rows += list(rows)
        self.now, self.at = rows[-1], self.at + seconds

    def _peaks(self) -> Iterator[Peak]:
        time, through = np.array(self.time), np.array(self.rows)
        surfaces = np.array(self.surfaces)
        for i, name in enumerate(self.network.names[: self.network.rubbed]):
            hottest = int(surfaces[:, i].argmax())
            over = np.flatnonzero(surfaces[:, i] > self.brief[i])
            long = np.flatnonzero(through[:, i] > self.sustained[i])
            yield Peak(
                name,
                float(surfaces[hottest, i]),
                self.begins[hottest],
                hottest + 1,
                float(through[:, i].max()),
                float(self.brief[i]),
                float(self.sustained[i]),
                self.begins[over[0]] if over.size else None,
                _crossing(time, through[:, i], int(long[0]), float(self.sustained[i])) if long.size else None,
            )

    def _rest(self) -> float | None:
        """How long to rest until one more start of the last kind stays within both limits."""
        rubbed = self.network.rubbed
        rise = self.surfaces[-1] - np.array(
            [np.interp(self.begins[-1], self.time, [row[i] for row in self.rows]) for i in range(rubbed)]
        )
        bulk = bulk_rise(self.energies[-1], self.network.shares[:rubbed], self.network.stores[:rubbed], 1.0)

        def over(seconds: float) -> float:
            then = settle(self.network, self.now, self.around, 0.0, np.array([seconds]))[0, :rubbed]
            return float(max((then + rise - self.brief).max(), (then + bulk - self.sustained).max()))

        if over(0.0) <= 0:
            return 0.0
        from scipy.optimize import brentq  # here: it takes longer to load than all of the core

        return None if over(_LONGEST) > 0 else float(brentq(over, 0.0, _LONGEST, xtol=1.0))


def _crossing(time: Array, values: Array, i: int, limit: float) -> float:
    """When a temperature passes a limit, straight between the moment before and the i-th."""
    if i == 0:
        return float(time[0])
    share = (limit - values[i - 1]) / (values[i] - values[i - 1])
    return float(time[i - 1] + share * (time[i] - time[i - 1]))


def clock(seconds: float) -> str:
    """A time as it is said: seconds, minutes or hours.

    >>> clock(45.0), clock(600.0), clock(9000.0)
    ('45 s', '10 min', '2.5 h')
    """
    if seconds < 120:
        return f"{figure(seconds, 2)} s"
    return f"{figure(seconds / 60, 2)} min" if seconds < 7200 else f"{figure(seconds / 3600, 2)} h"


def stint_sentence(found: Stint) -> tuple[str, ...]:
    """What a builder says of a schedule, a sentence each."""
    says = []
    done = len(found.begins)
    if found.outcome not in {"locks", "spins"}:
        says.append(f"Start {done} of {found.planned} {found.outcome}: the schedule ends there.")
    hot = found.hottest
    says.append(
        f"Hot first: the {hot.name}, {both(hot.surface, 'K')} at its face in start {hot.start} of "
        f"{found.planned}; warmed through to {both(hot.through, 'K')}."
    )
    for peak in found.peaks:
        if peak.brief_at is not None:
            says.append(
                f"The face of the {peak.name} passes the {both(peak.brief, 'K')} its facing stands for "
                f"moments after {clock(peak.brief_at)}."
            )
        if peak.sustained_at is not None:
            says.append(
                f"The {peak.name} passes the {both(peak.sustained, 'K')} its facing stands for long after "
                f"{clock(peak.sustained_at)}."
            )
    if found.rest is None:
        says.append("No rest makes room for one more start of the last kind.")
    elif found.rest > 0:
        says.append(f"Before one more start of the last kind it wants a rest of {clock(found.rest)}.")
    else:
        says.append("One more start of the last kind stays within both limits.")
    return tuple(says)


def stint_working(found: Stint) -> tuple[str, ...]:
    """How the temperatures of a schedule came about, a sentence each."""
    net = found.network
    masses = "; ".join(f"{name} {both(float(c), 'J/K')}" for name, c in zip(net.names, net.stores, strict=True))
    rub = [(name, float(a)) for name, a in zip(net.names, net.shares, strict=True) if a]
    shares = ", ".join(f"{name} {figure(100 * a, 3)} %" for name, a in rub)
    heats = f"{both(min(found.energies), 'J')} to {both(max(found.energies), 'J')}"
    return (
        f"Each mass warms by C · dT/dt = heat of the faces + heat from its neighbours; C = m · c: {masses}.",
        f"A start is integrated with the hottest of them as it then stands; {len(found.energies)} of them made "
        f"{heats}, shared as the faces rub: {shares}.",
        "A face is at its mass's temperature and the larger of flash and bulk rise of that start; the solids begin at "
        "the temperature before the first start, the air or oil at the housing's.",
    )
