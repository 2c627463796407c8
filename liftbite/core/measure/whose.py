"""Whose part a check reads: of a part that is found and planned as two, each has readings of its own.

- `part_read`   the part a check reads
- `life_of`     the readings over the life of a part: a renewal ends one and begins another
- `of_build`    whether a series of readings counts in a build

What a set-up calculation asks for is read of what goes in, whatever comes out, and is one series for both builds.
"""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from typing import Protocol, TypeVar

from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.measure.checks import CHECKS


def part_read(check: str) -> str:
    """The key of the part a check reads; empty where it is one and the same in every build.

    >>> part_read("rivet_depth"), part_read("face_cut")
    ('disc', '')
    """
    return CHECKS[check].reads if check in CHECKS else ""


def of_build(check: str, series: str, build: str, apart: Collection[str]) -> bool:
    """True where readings of a check taken of one build's part count in another build.

    Parameters
    ----------
    series : the build whose part they were taken of
    build : the build looked at
    apart : parts that are found and planned as two

    >>> of_build("rivet_depth", "found", "", ["disc"]), of_build("rivet_depth", "found", "", [])
    (False, True)
    """
    looked = FOUND if build == FOUND else PLAN
    return part_read(check) not in apart or series == looked


class OfBuild(Protocol):
    """Readings taken together: in which job, and of which build's part."""

    @property
    def job_id(self) -> int:
        """The job they were taken in."""

    @property
    def build(self) -> str:
        """The build whose part they were taken of."""


T = TypeVar("T", bound=OfBuild)


def life_of(
    part: str, taken: Sequence[T], job: int, build: str | None, came_out: Mapping[int, Collection[str]]
) -> list[T]:
    """The readings over the life of a part, oldest first.

    What went into an earlier job is what this one found; what came out of it, and all before, was another part.

    Parameters
    ----------
    part : the part the readings are of
    taken : readings of one check over a vehicle's jobs, oldest first
    job : the job that is looked at
    build : whose part of it where it is found and planned as two; None where it is one
    came_out : earlier job -> parts that came out in it
    """
    if build is not None and build != FOUND:
        return [t for t in taken if t.job_id == job and t.build == PLAN]
    found: list[T] = []
    for one in taken:
        if one.job_id == job:
            found += [one] if build is None or one.build == FOUND else []
        elif part not in came_out.get(one.job_id, ()):
            found.append(one)
        elif one.build != PLAN:
            found = []  # the part that was read went out with this job
        else:
            found = [t for t in found if t.job_id == one.job_id] + [one]
    return found
