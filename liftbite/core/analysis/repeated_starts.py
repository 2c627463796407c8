"""Starts side by side and one after the other, each integrated.

- `kind_of_start`, `start_kinds`   a build that starts in another way; every kind of start with it
- `RepeatedStarts`, `repeated_starts`   several starts in a row with cooling between them
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.assumptions import STARTS
from liftbite.core.job.build import Build, build_of
from liftbite.core.job.ledger import Entry
from liftbite.core.quantities.launch import launch
from liftbite.core.quantities.launch_case import Launch
from liftbite.core.quantities.torque_curve import Array

#: Figures that say what kind of start it is; those typed count for the kind that is picked.
_OF_KIND = ("start_engine_speed", "start_acceleration", "start_clutch_share", "start_engine_share", "release_time")


def kind_of_start(build: Build, kind: str) -> Build:
    """A build that starts in another way; what was typed of a start counts for the kind that is picked."""
    if kind == build.chosen.options.get("start"):
        return build
    kept = {q: e for q, e in build.entries.items() if q not in _OF_KIND}
    return build_of({**kept, "start": Entry("start", kind)})


def start_kinds(build: Build, *, stage: float) -> Mapping[str, Launch | Needs | Refused]:
    """Kind of start -> what comes of it with this build at nominal friction."""
    found: dict[str, Launch | Needs | Refused] = {}
    for name in STARTS:
        found[name] = kind_of_start(build, name).evaluate(("start_run",), stage=stage)["start_run"]
    return found


@dataclass(frozen=True, eq=False)
class RepeatedStarts:
    """Starts one after the other.

    Attributes
    ----------
    begins, ends : temperature of the hottest plate when each start begins and ends [K]
    energy : heat of each [J]
    outcome : how each ended; a start that does not lock ends the row
    """

    begins: Array
    ends: Array
    energy: Array
    outcome: tuple[str, ...]


def repeated_starts(build: Build, *, stage: float) -> RepeatedStarts | Needs | Refused:
    """The starts of a build in a row. Between two of them the plate cools towards its housing as
    exp(-t·h/(m·c)); heat that friction lost to fading makes the later ones longer.
    """
    case = build.evaluate(("start_case",), stage=stage)["start_case"]
    if isinstance(case, Needs | Refused):
        return case
    known = build.known
    wanted = ("starts_in_row", "start_interval", "cooling", "heat_mass", "specific_heat")
    if any(name not in known for name in wanted):
        return Needs(frozenset(name for name in wanted if name not in known))
    count, interval, cooling, mass, heat = (float(known[name]) for name in wanted)
    kept = np.exp(-interval * cooling / (mass * heat))
    at = ambient = float(case.start_temperature)
    begins, ends, energy, outcome = [], [], [], []
    for _ in range(min(int(count), 100)):
        found = launch(replace(case, start_temperature=at))
        begins.append(at)
        ends.append(float(found.bulk_temperature))
        energy.append(float(found.energy))
        outcome.append(str(found.outcome))
        if found.outcome not in {"locks", "spins"}:
            break
        at = ambient + (ends[-1] - ambient) * float(kept)
    return RepeatedStarts(np.array(begins), np.array(ends), np.array(energy), tuple(outcome))
