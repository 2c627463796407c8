"""What stands between a job and its hand-over.

- `Lack`, `lacks_of`   one thing that is missing: what it is, how many or which, where it is mended
- `unexplained`        what was left over and nobody has explained
- `edition_signed`     the revision that was signed last
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from liftbite.core.fit.progress import Progress
from liftbite.core.fit.statements import LeftOver
from liftbite.core.job.ledger import PLAN
from liftbite.core.job.record import lines_of
from liftbite.core.prove.running_in import LoggedDrive
from liftbite.core.prove.statements import HandOver
from liftbite.whole.bench import Bench, findings_of


@dataclass(frozen=True, slots=True)
class Lack:
    """One thing that stands between a job and its hand-over.

    Attributes
    ----------
    code : what it is
    station : where it is mended
    count : how many
    named : which, by what they are called; of "unread" the sentence
    """

    code: Literal["hold points", "left over", "stops", "no drive", "unread"]
    station: Literal["fit", "measure", "prove"]
    count: int = 1
    named: tuple[str, ...] = ()

    @property
    def words(self) -> str:
        """It in words."""
        match self.code:
            case "hold points":
                return f"{self.count} hold points are not proved" if self.count > 1 else "a hold point is not proved"
            case "left over":
                return f"left over and unexplained: {', '.join(self.named)}"
            case "stops":
                return (
                    f"{self.count} readings of what goes in say stop, or settle nothing"
                    if self.count > 1
                    else "a reading of what goes in says stop, or settles nothing"
                )
            case "no drive":
                return "no drive was kept"
            case "unread":
                return self.named[0]


def unexplained(bench: Bench) -> list[str]:
    """What was left over and nobody has explained: the job is not handed over with it."""
    return [key for key, line in bench.said_of(LeftOver).items() if line.answer == "unexplained"]


def edition_signed(bench: Bench) -> str:
    """The revision that was signed last; empty where none was."""
    signed = [line for line in lines_of(bench.record, HandOver) if line.answer == "signed"]
    return signed[-1].key if signed else ""


def lacks_of(bench: Bench, standing: Progress) -> list[Lack]:
    """What stands between a job and its hand-over.

    Parameters
    ----------
    standing : where it stands in its plan
    """
    found: list[Lack] = []
    shut = [s for s in standing.standings if s.planned.step.hold and s.state not in ("done", "overridden")]
    if shut:
        found.append(Lack("hold points", "fit", len(shut)))
    loose = unexplained(bench)
    if loose:
        found.append(Lack("left over", "fit", len(loose), tuple(loose)))
    stops = [f for f in findings_of(bench.seen_as(PLAN)) if f.verdict in ("stop", "too close to call")]
    if stops:
        found.append(Lack("stops", "measure", len(stops)))
    if not bench.said_of(LoggedDrive):
        found.append(Lack("no drive", "prove"))
    return found + [Lack("unread", "fit", named=(sentence,)) for sentence in (*bench.unread, *standing.left_out)]
