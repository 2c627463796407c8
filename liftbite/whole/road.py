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
from liftbite.core.prove.running_in import RunningIn, running_in, school_of
from liftbite.core.prove.statements import BeddingIn
from liftbite.whole.bench import Bench


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


def bedding_of(bench: Bench) -> RunningIn:
    """How far a job is bedded in: counted as somebody picked, else as its facing asks."""
    picked = bench.said_of(BeddingIn).get("")
    options = bench.seen_as(PLAN).build.chosen.options
    return running_in(bench.record, school_of(options.get("facing_material", ""), picked.answer if picked else ""))
