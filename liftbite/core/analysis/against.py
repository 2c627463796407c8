"""The builds of a job against what was found: every answer, and what a driver feels, side by side and in words.

- `Column`, `Change`, `Against`   a build, a figure in each of them, and all of it
- `against`             from a job's layers
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from types import MappingProxyType
from typing import Any

import numpy as np

from liftbite.core.analysis.stroke import Stroke, stroke
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build, build_of, label_of, unit_of
from liftbite.core.job.builds import entries_of, fate_in, names_of
from liftbite.core.job.ledger import FOUND, PLAN, Entry, Layers
from liftbite.core.job.parts import fated
from liftbite.core.job.slots import SLOTS
from liftbite.core.parts.shelf import part_name
from liftbite.core.units.read import from_si
from liftbite.core.units.show import figure

#: What is put side by side, in the order of the questions; the stroke's own come between.
_FIGURES = (
    "holdable_engine_torque",
    "bite_margin",
    "clamp_load",
    "wear",
    "plate_lift_available",
    "lift_margin",
    "peak_pedal_effort",
    "engine_inertia",
    "slip_energy",
    "surface_temperature",
    "starts_to_limit",
    "distance_to_limit",
    "burst_margin",
    "joint_margin",
)
#: Figures that differ by less are the same to a driver [-].
SAME = 0.005


@dataclass(frozen=True, slots=True)
class Column:
    """One build.

    Attributes
    ----------
    name : of the build, as `ledger.read_build` has it
    build : the build itself
    parts : part -> what becomes of it, where it does not stay
    says : how it differs from what was found, what is felt first; empty where nothing does
    """

    name: str
    build: Build
    parts: Mapping[str, str]
    says: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Change:
    """One figure in every build [SI], the found one first; None where a build does not come to one."""

    name: str
    label: str
    unit: str
    values: tuple[float | None, ...]

    @property
    def same(self) -> bool:
        """True where nobody could tell them apart."""
        return all(_alike(self.values[0], value) for value in self.values)


@dataclass(frozen=True, slots=True)
class _Pair:
    """A figure as found and in another build."""

    found: float | None
    after: float | None

    @property
    def ratio(self) -> float | None:
        """After over found; None where that says nothing, or nobody could tell them apart."""
        if self.found is None or self.after is None or self.found <= 0 or _alike(self.found, self.after):
            return None
        return self.after / self.found


def _alike(one: float | None, other: float | None) -> bool:
    if one is None or other is None:
        return one is other
    return abs(other - one) <= SAME * max(abs(one), abs(other))


@dataclass(frozen=True, slots=True)
class Against:
    """The builds of a job: as found, as planned, and the alternatives in the order they were begun."""

    columns: tuple[Column, ...]
    changes: tuple[Change, ...]


def against(layers: Layers, others: Mapping[str, Mapping[str, Entry]] = MappingProxyType({})) -> Against:
    """Every build of a job, each for the stage it is judged at, against what was found.

    Parameters
    ----------
    layers : of the job
    others : the plans of other jobs, by what they are called, to stand beside
    """
    own = (FOUND, PLAN, *names_of(layers))
    names = (*own, *others)
    entries = [*(entries_of(layers, name) for name in own), *others.values()]
    builds = [build_of(of_build) for of_build in entries]
    graph = builds[1].graph
    rows = [_figure(name, builds) for name in _FIGURES if name in graph.functions or name == "wear"]
    bites = Change("bite_point", "Bites below rest", "m", tuple(_bite_point(build) for build in builds))
    at = next((i for i, c in enumerate(rows) if c.name == "peak_pedal_effort"), len(rows) - 1) + 1
    rows.insert(at, bites)
    at = next((i for i, c in enumerate(rows) if c.name == "engine_inertia"), len(rows) - 1) + 1
    rows[at:at] = _felt_masses(builds)
    rows.append(Change("price", "Its new parts cost", "", tuple(_price(e, entries[0]) for e in entries)))
    told = [c for c in rows if any(value is not None for value in c.values)]
    columns = tuple(
        Column(name, build, _fates(of_build), _says({c.name: _Pair(c.values[0], c.values[i]) for c in told}))
        for i, (name, build, of_build) in enumerate(zip(names, builds, entries, strict=True))
    )
    return Against(columns, tuple(told))


def _fates(entries: Mapping[str, Entry]) -> dict[str, str]:
    return {part.key: fate for part in fated() if (fate := fate_in(entries, part.key)) != "stays"}


def _figure(name: str, builds: Sequence[Build]) -> Change:
    return Change(name, label_of(name), unit_of(name, builds[1].graph), tuple(_value(name, b) for b in builds))


def _value(name: str, build: Build) -> float | None:
    if name == "wear":
        value = build.known.get(name)
    else:
        value = build.evaluate((name,), stage=build.stage)[name] if name in build.graph.functions else None
    if isinstance(value, Needs | Refused) or not isinstance(value, float | int) or not np.isfinite(value):
        return None
    return float(value)


def _felt_masses(builds: Sequence[Build]) -> list[Change]:
    """What has to be driven feels like in every gear that any of the builds has [kg]."""
    if "effective_mass" not in builds[1].graph.functions:
        return []
    gears = [np.atleast_1d(build.known.get("gear_ratios", [])) for build in builds]

    def felt(build: Build, ratios: np.ndarray[Any, Any], gear: int) -> float | None:
        if gear >= len(ratios):
            return None
        found = build.evaluate(("effective_mass",), stage=build.stage, gear_ratio=float(ratios[gear]))["effective_mass"]
        return None if isinstance(found, Needs | Refused) or not np.isfinite(found) else float(found)

    return [
        Change(
            f"effective_mass_{gear + 1}",
            f"Felt mass, gear {gear + 1}",
            "kg",
            tuple(felt(b, r, gear) for b, r in zip(builds, gears, strict=True)),
        )
        for gear in range(max(map(len, gears)))
    ]


def _price(entries: Mapping[str, Entry], found: Mapping[str, Entry]) -> float | None:
    """What the shelf asked for the parts a build has and the found one has not; None where it asked for none."""
    prices = [
        float(entry.file["price"])
        for slot in SLOTS
        if (entry := entries.get(part_name(slot))) is not None
        and entry != found.get(part_name(slot))
        and entry.file
        and entry.file.get("price")
    ]
    return sum(prices) if prices else None


def _bite_point(build: Build) -> float | None:
    """Pedal travel at which it bites on the way back, from rest [m]."""
    if "pedal_travel" not in build.graph.functions:
        return None
    found = stroke(build)
    return found.bite_point if isinstance(found, Stroke) else None


def _says(changes: Mapping[str, _Pair]) -> tuple[str, ...]:
    """The differences a driver or a builder would name."""
    says = []

    def ratio(name: str) -> float | None:
        pair = changes.get(name)
        return pair.ratio if pair else None

    if (r := ratio("holdable_engine_torque")) is not None:
        says.append(f"holds {_times(r, 'as much')}")
    if (r := ratio("peak_pedal_effort")) is not None:
        says.append(f"pedal {_percent(r)} {'heavier' if r > 1 else 'lighter'}")
    if (c := changes.get("bite_point")) and c.found is not None and c.after is not None:
        way = from_si(c.after - c.found, "mm")
        if abs(way) >= 0.5:
            says.append(f"bites {abs(way):.0f} mm {'lower' if way > 0 else 'higher'}")
    for name, more, less in _MORE_OR_LESS:
        if (r := ratio(name)) is not None:
            says.append((more if r > 1 else less).format(_percent(r)))
    if (r := ratio("starts_to_limit")) is not None:
        says.append(f"lasts {_times(r, 'as many starts')}")
    return tuple(says)


_MORE_OR_LESS = (
    ("lift_margin", "its lift has {} more in hand", "its lift has {} less in hand"),
    ("engine_inertia", "{} more turns with the engine", "{} less turns with the engine"),
    ("slip_energy", "the same start heats it {} more", "the same start heats it {} less"),
)


def _times(ratio: float, as_much: str) -> str:
    """A ratio in words; one near 1 as what is more or less.

    >>> _times(1.42, "as much"), _times(1.02, "as much"), _times(0.95, "as many starts")
    ('1.4 times as much', '2 % more', '5 % fewer starts')
    """
    if not 0.9 < ratio < 1.1:
        return f"{figure(ratio, 2)} times {as_much}"
    less = as_much.replace("as many", "fewer") if "many" in as_much else "less"
    more = as_much.replace("as many", "more") if "many" in as_much else "more"
    return f"{_percent(ratio)} {more if ratio > 1 else less}"


def _percent(ratio: float) -> str:
    return f"{figure(100 * abs(ratio - 1), 2)} %"
