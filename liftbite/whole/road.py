"""A job on the road: a logger's file against its build, and how far it is bedded in.

- `LoggedRoad`, `road_of`   a log read against the entries of a build
- `bedding_of`   how far a job is bedded in, by the way it counts
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from liftbite.core.job.build import build_of
from liftbite.core.job.ledger import PLAN, Entry
from liftbite.core.prove.driven import Driven, driven
from liftbite.core.prove.road_log import LogMapping, RoadLog, propose_log, read_log
from liftbite.core.prove.running_in import RunningIn, asked_for, running_in
from liftbite.core.prove.statements import BeddingIn
from liftbite.whole.bench import Bench

#: Choices that say what faces a disc or a plate, on either side.
FACINGS = ("facing_material", "other_material")


@dataclass(frozen=True, slots=True)
class LoggedRoad:
    """A log, its columns, what was driven, and the nominal friction known before [-]."""

    log: RoadLog
    mapping: LogMapping
    driven: Driven
    nominal: float | None


def road_of(entries: Mapping[str, Entry], data: bytes, columns: Sequence[str] = ()) -> LoggedRoad:
    """A logger's file against a build's entries.

    Raises
    ------
    UnreadableFile : it is no log; the sentence says where and what would be right
    """
    mapping = propose_log(data, columns)
    log, build = read_log(data, mapping), build_of(entries)
    nominal = build.known.get("friction_nominal")
    return LoggedRoad(log, mapping, driven(build, log), float(nominal) if isinstance(nominal, int | float) else None)


def bedding_of(bench: Bench, faces: tuple[str, ...]) -> RunningIn:
    """How far a job is bedded in: counted as somebody picked, else as its facings ask.

    Parameters
    ----------
    faces : parts whose friction face is new or cut
    """
    chosen = bench.seen_as(PLAN).build.chosen
    facings = [option for name in FACINGS if (option := chosen.options.get(name))]
    asked = asked_for(facings, bench.said_of(BeddingIn).get(""), wet=not chosen.has("car"))
    return running_in(bench.record, asked, faces)
