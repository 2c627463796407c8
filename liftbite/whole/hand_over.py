"""What a hand-over stands on.

- `unexplained`        what was left over and nobody has explained
- `edition_signed`     the revision that was signed last
"""

from __future__ import annotations

from liftbite.core.fit.statements import LeftOver
from liftbite.core.job.record import lines_of
from liftbite.core.prove.statements import HandOver
from liftbite.whole.bench import Bench


def unexplained(bench: Bench) -> list[str]:
    """What was left over and nobody has explained: the job is not handed over with it."""
    return [key for key, line in bench.said_of(LeftOver).items() if line.answer == "unexplained"]


def edition_signed(bench: Bench) -> str:
    """The revision that was signed last; empty where none was."""
    signed = [line for line in lines_of(bench.record, HandOver) if line.answer == "signed"]
    return signed[-1].key if signed else ""
