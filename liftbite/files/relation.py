"""How a job of a file stands to the same job as a shop has it.

- `Relation`, `relation`   the same, ahead of it, behind it, or apart from it

A job is only ever added to. So where all one of them holds is in the other as well, the other is further on, and
nothing is lost by taking it; where each has what the other lacks, somebody has to say what counts.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import Literal, TypeVar

from liftbite.core.job.ledger import Revision
from liftbite.core.job.record import Line, RawLine
from liftbite.files.fields import moment_of
from liftbite.files.job import FiledJob
from liftbite.files.measured import FiledReading, FiledSeries

Relation = Literal["same", "ahead", "behind", "apart"]
T = TypeVar("T")


def relation(file: FiledJob, here: FiledJob) -> Relation:
    """How the job of a file stands to the one that is here.

    Parameters
    ----------
    file, here : the same job, of a file and of a shop
    """
    ahead, behind = _holds(file, here), _holds(here, file)
    sums = sorted(map(repr, file.bench.renewals)) == sorted(map(repr, here.bench.renewals))
    if ahead and behind:
        return "same" if sums else "apart"
    return "ahead" if ahead else "behind" if behind else "apart"


def _holds(one: FiledJob, other: FiledJob) -> bool:
    """Whether all that stands in another is in one as well."""
    return (
        _begins_with([_revision(r) for r in one.revisions], [_revision(r) for r in other.revisions])
        and _begins_with([_line(x) for x in one.bench.record], [_line(x) for x in other.bench.record])
        and _begins_with([_line(x) for x in one.bench.unread], [_line(x) for x in other.bench.unread])
        and len(one.bench.series) >= len(other.bench.series)
        and all(_goes_on(a, b) for a, b in zip(one.bench.series, other.bench.series, strict=False))
    )


def _begins_with(one: Sequence[T], other: Sequence[T]) -> bool:
    return len(one) >= len(other) and all(a == b for a, b in zip(one, other, strict=False))


def _line(line: Line | RawLine) -> tuple[object, ...]:
    """What a line says, with its moment as one, however it is written."""
    return line.kind, line.key, dict(line.words), line.who, moment_of(line.at)


def _revision(revision: Revision) -> tuple[object, ...]:
    """What a revision says; the points of a curve by their number and ends, which its file's text says in full."""
    entries = tuple(
        (
            e.build,
            e.quantity,
            e.typed,
            e.si,
            e.mark,
            None if e.curve is None else tuple(e.curve.speed.tolist()),
            None if e.curve is None else tuple(e.curve.torque.tolist()),
        )
        for e in revision.entries
    )
    return revision.number, revision.kind, revision.of, revision.who, entries


def _goes_on(one: FiledSeries, other: FiledSeries) -> bool:
    """Whether readings of one go on where those of the other end; how they were read may have been said anew."""
    return (
        (one.check, one.begun_at, one.build) == (other.check, other.begun_at, other.build)
        and _begins_with([_taken(r) for r in one.readings], [_taken(r) for r in other.readings])
        and all(a.withdrawn or not b.withdrawn for a, b in zip(one.readings, other.readings, strict=False))
    )


def _taken(reading: FiledReading) -> FiledReading:
    """A reading as it was taken, whatever became of it."""
    return replace(reading, withdrawn=False, back=False)
