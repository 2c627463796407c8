"""As found against as planned: every answer, and what a driver feels, side by side and in words.

- `Against`, `Change`   both builds' answers, figures, and what is said of them
- `against`             from a job's entries
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from liftbite.core.analysis.stroke import Stroke, stroke
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build, build_of, label_of, unit_of
from liftbite.core.job.builds import found_of
from liftbite.core.job.fates import FATED, FATES, fate_of
from liftbite.core.job.ledger import Entry
from liftbite.core.units.read import from_si
from liftbite.core.units.show import figure

#: What is put side by side, in the order of the questions; the stroke's own come between.
_FIGURES = (
    "holdable_engine_torque", "bite_margin", "clamp_load", "wear", "plate_lift_available", "lift_margin",
    "peak_pedal_effort", "engine_inertia", "effective_mass", "slip_energy", "surface_temperature", "starts_to_limit",
    "distance_to_limit", "burst_margin", "joint_margin",
)  # fmt: skip
_OLD_WHEEL = (
    "The flywheel entered as the one that comes out is the found one; of its strength and fit nothing is known, "
    "so True as found is looked at without them."
)
#: Figures that differ by less are the same to a driver [-].
SAME = 0.005


@dataclass(frozen=True, slots=True)
class Change:
    """One figure of both builds [SI]; None where a build does not come to one."""

    name: str
    label: str
    unit: str
    found: float | None
    planned: float | None

    @property
    def ratio(self) -> float | None:
        """Planned over found; None where that says nothing."""
        if self.found is None or self.planned is None or self.found <= 0 or not np.isfinite(self.found):
            return None
        return self.planned / self.found

    @property
    def same(self) -> bool:
        """True where nobody could tell them apart."""
        if self.found is None or self.planned is None:
            return self.found == self.planned
        return abs(self.planned - self.found) <= SAME * max(abs(self.found), abs(self.planned))


@dataclass(frozen=True, slots=True)
class Against:
    """Both builds of a job.

    Attributes
    ----------
    renewed, dressed : parts, as a builder calls them
    changes : figures side by side
    notes : what the found build stands on that no fate says
    says : the differences in words, those that are felt first; empty where nothing differs
    """

    renewed: tuple[str, ...]
    dressed: tuple[str, ...]
    notes: tuple[str, ...]
    changes: tuple[Change, ...]
    says: tuple[str, ...]


def builds_of(entries: Mapping[str, Entry]) -> tuple[Build, Build]:
    """A job as found and as planned."""
    return build_of(found_of(entries)), build_of(entries)


def against(entries: Mapping[str, Entry]) -> Against:
    """A job as found against the same as planned, for the stage each is judged at."""
    found, planned = builds_of(entries)
    changes = [_figure(name, found, planned) for name in _FIGURES if name in planned.graph.functions or name == "wear"]
    bites = tuple(_bite_point(build) for build in (found, planned))
    at = next((i for i, c in enumerate(changes) if c.name == "peak_pedal_effort"), len(changes) - 1) + 1
    changes.insert(at, Change("bite_point", "Bites below rest", "m", *bites))
    told = [c for c in changes if c.found is not None or c.planned is not None]
    fates = {name: entries[fate_of(name)].typed for name in FATED if fate_of(name) in entries}
    named = {fate: tuple(FATED[name].label for name, told_of in fates.items() if told_of == fate) for fate in FATES}
    notes = (_OLD_WHEEL,) if any(q.startswith("old_") for q in entries) else ()
    return Against(named["renewed"], named["dressed"], notes, tuple(told), _says({c.name: c for c in told}))


def _figure(name: str, found: Build, planned: Build) -> Change:
    values = []
    for build in (found, planned):
        value = build.known.get(name) if name == "wear" else build.evaluate((name,), stage=build.stage)[name]
        usable = isinstance(value, float | int) and np.isfinite(value)
        values.append(float(value) if usable and not isinstance(value, Needs | Refused) else None)  # type: ignore[arg-type]
    return Change(name, label_of(name), unit_of(name, planned.graph), *values)


def _bite_point(build: Build) -> float | None:
    """Pedal travel at which it bites on the way back, from rest [m]."""
    if "pedal_travel" not in build.graph.functions:
        return None
    found = stroke(build)
    return found.bite_point if isinstance(found, Stroke) else None


def _says(changes: Mapping[str, Change]) -> tuple[str, ...]:
    """The differences a driver or a builder would name."""
    says = []
    if (c := changes.get("holdable_engine_torque")) and c.ratio and not c.same:
        says.append(f"holds {figure(c.ratio, 2)} times as much")
    if (c := changes.get("peak_pedal_effort")) and c.ratio and not c.same:
        says.append(f"pedal {_percent(c.ratio)} {'heavier' if c.ratio > 1 else 'lighter'}")
    if (c := changes.get("bite_point")) and c.found is not None and c.planned is not None:
        way = from_si(c.planned - c.found, "mm")
        if abs(way) >= 0.5:
            says.append(f"bites {abs(way):.0f} mm {'lower' if way > 0 else 'higher'}")
    if (c := changes.get("lift_margin")) and c.ratio and not c.same:
        says.append(f"lifts {_percent(c.ratio)} {'more' if c.ratio > 1 else 'less'} than is needed")
    if (c := changes.get("engine_inertia")) and c.ratio and not c.same:
        says.append(f"{_percent(c.ratio)} {'more' if c.ratio > 1 else 'less'} turns with the engine")
    if (c := changes.get("slip_energy")) and c.ratio and not c.same:
        says.append(f"the same start heats it {_percent(c.ratio)} {'more' if c.ratio > 1 else 'less'}")
    if (c := changes.get("starts_to_limit")) and c.ratio and not c.same:
        says.append(f"lasts {figure(c.ratio, 2)} times as many starts")
    return tuple(says)


def _percent(ratio: float) -> str:
    return f"{figure(100 * abs(ratio - 1), 2)} %"
