"""What was complained of, and what became of it: each stays open until it is explained, or closed by name.

- `Complaint`   one of them, with what explains it
- `complaints_account`   those of a job
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass
from typing import Literal

from liftbite.core.job.record import Line
from liftbite.core.measure.judgement import Finding
from liftbite.core.prove.causes import AS_TOLD, CAUSES
from liftbite.core.prove.complaints import explained_by, makes
from liftbite.core.prove.statements import ComplaintClosed


@dataclass(frozen=True, slots=True)
class Complaint:
    """A complaint of a job.

    Attributes
    ----------
    name : by its key in the table of complaints; `AS_TOLD` where its words say nothing that is known
    told : those words, empty of any other
    checks : checks whose findings explain it
    causes : causes that make it and were proved to be the fault
    closed : who says that it is answered, and by what; None where nobody does
    """

    name: str
    checks: tuple[str, ...] = ()
    causes: tuple[str, ...] = ()
    closed: Line[ComplaintClosed] | None = None
    told: str = ""

    @property
    def label(self) -> str:
        """What it is called: its name, or the words it was told in.

        >>> Complaint("slips").label, Complaint("told", told="it feels odd after rain").label
        ('Slips', '“it feels odd after rain”')
        """
        return f"“{self.told}”" if self.told else self.name[0].upper() + self.name[1:]

    @property
    def state(self) -> Literal["closed", "explained", "open"]:
        """What became of it.

        >>> Complaint("slips").state, Complaint("slips", ("facing",)).state
        ('open', 'explained')
        """
        return "closed" if self.closed else "explained" if self.checks or self.causes else "open"


def complaints_account(
    names: Iterable[str],
    findings: Iterable[Finding],
    proved: Collection[str],
    closed: Mapping[str, Line[ComplaintClosed]],
    told: str = "",
) -> tuple[Complaint, ...]:
    """The complaints of a job.

    Parameters
    ----------
    names : what was complained of
    findings : what the bench says of the parts that were found
    proved : causes that were proved to be the fault
    closed : complaint -> who closed it
    told : what the brief says, where nothing in it is known
    """
    if told:
        return (Complaint(AS_TOLD, closed=closed.get(AS_TOLD), told=told),)
    by_checks = explained_by(names, findings)
    return tuple(
        Complaint(
            name,
            checks,
            tuple(cause for cause in proved if cause in CAUSES and makes(cause, name)),
            closed.get(name),
        )
        for name, checks in by_checks.items()
    )
