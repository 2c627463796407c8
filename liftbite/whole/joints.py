"""The joints of a job: those it knows, and those of its bolt map.

- `map_of`        the holes of a joint of the bolt map
- `instructions_of`  what is said of joints: in Choose, and in the record after it
- `card_of_job`   the card a joint is worked from
"""

from __future__ import annotations

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolt_map import Hole, HoleMapped, read_hole
from liftbite.core.fit.joints import JOINTS, Card, card_of, card_of_map
from liftbite.core.fit.pattern import Pattern, PatternMeasured, read_pattern
from liftbite.core.job.ledger import PLAN
from liftbite.core.job.record import Line
from liftbite.core.job.tightening import read_instructions
from liftbite.core.statements import read_statement
from liftbite.whole.bench import Bench


def map_of(bench: Bench, joint: str) -> tuple[list[Hole], Pattern]:
    """The holes of a joint of the bolt map, and what was measured of them."""
    holes = [read_hole(key, line.statement) for key, line in bench.said_of(HoleMapped).items()]
    line = bench.said_of(PatternMeasured).get(joint)
    return [hole for hole in holes if hole.joint == joint], read_pattern(joint, line.statement if line else None)


def card_of_job(bench: Bench, joint: str, count: int | None = None) -> Card:
    """The card of a joint the job knows, or of one of the bolt map.

    Raises
    ------
    UnreadableEntry : there is no such joint, or nothing was measured of it
    """
    holes, pattern = map_of(bench, joint)
    if holes:
        return card_of_map(holes, pattern)
    if joint not in JOINTS:
        raise UnreadableEntry(f"“{joint}” is no joint of this job; {', '.join(JOINTS)} are, and those of its bolt map")
    return card_of(bench.seen_as(PLAN).build, joint, count)


def instructions_of(bench: Bench) -> list[Line]:
    """What is said of joints: the instructions of the flywheel's bolts as typed in Choose, and the record after them.

    One fact in one place: what is typed there is what is gone by here, until somebody says otherwise here.
    """
    build = bench.seen_as(PLAN).build
    said: list[Line] = []
    entry = build.entries.get("bolt_instructions")
    for one in read_instructions((entry.typed or "") if entry else ""):
        figure = ", ".join(filter(None, (one.typed, one.words)))
        said += _typed_in_choose(one.owner or "typed in Choose", figure, "beside" if said else "chosen")
    torque = build.entries.get("bolt_torque")
    if torque is not None and torque.typed and not said:
        angle = build.entries.get("bolt_angle")
        figure = torque.typed if angle is None or not angle.typed else f"{torque.typed} + {angle.typed}"
        said += _typed_in_choose("typed in Choose", figure, "chosen")
    return [*said, *bench.record]


def _typed_in_choose(owner: str, figure: str, answer: str) -> list[Line]:
    try:
        return [read_statement("tightening", f"flywheel:{owner}", {"answer": answer, "figure": figure})]
    except UnreadableEntry:
        return []  # it is refused where it was typed
