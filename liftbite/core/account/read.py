"""What was read: of whose part, what it came to, and what was done about it.

- `Whose`, `Done`   of which part a reading is; what was done about what it found
- `ReadPart`        a check with its finding as the account has it
- `done_about`      what was done, by the state of its parts
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from liftbite.core.account.claims import Claim
from liftbite.core.account.parts import PLANNED, PartLine
from liftbite.core.job.parts import Work
from liftbite.core.job.record import Line
from liftbite.core.measure.check import Check
from liftbite.core.measure.judgement import RENEWS, USABLE, Finding
from liftbite.core.measure.statements import CheckClosed

#: Of the part that stays, of one that comes out or came out, of one that goes in or went in; of how parts stand.
Whose = Literal["stays", "comes_out", "came_out", "goes_in", "went_in", "set_up"]
#: What was done about a finding: nothing was called for; it is an order, or done; somebody said no; nobody said.
Done = Literal[
    "nothing", "to_renew", "renewed", "to_dress", "dressed", "to_put_right", "put_right", "to_measure", "struck", "open"
]
#: Readings of parts that a new one has already taken the place of, or is going to.
_OF_OLD: frozenset[Whose] = frozenset({"stays", "comes_out", "came_out"})


@dataclass(frozen=True, slots=True)
class ReadPart:
    """A check with its finding.

    Attributes
    ----------
    check, of, build : what was read, of whose part, and in which build it counts
    finding, done : what it came to, and what was done about it
    before : what it came to before it was put right; None where it never was otherwise
    claim : who read it, when, with what
    closed : who said that it is not asked, or enough; None where nobody did
    """

    check: Check
    of: Whose
    build: str
    finding: Finding
    done: Done
    before: Finding | None = None
    claim: Claim | None = None
    closed: Line[CheckClosed] | None = None


def done_about(
    check: Check, of: Whose, finding: Finding, lines: Mapping[str, PartLine], *, before: bool = False
) -> Done:
    """What was done about a finding; a new part mends what was read of the old one, never what was read of itself.

    Parameters
    ----------
    check, of, finding : what was read, of whose part, and what it came to
    lines : the parts of the account, by the key of their line
    before : True where it was bad before it was read again

    >>> from liftbite.core.measure.checks import CHECKS
    >>> disc, depth = {"disc:get": PartLine("disc", "get", "fitted")}, CHECKS["rivet_depth"]
    >>> worn = Finding("rivet_depth", "renew", taken=1, wanted=1)
    >>> done_about(depth, "came_out", worn, disc), done_about(depth, "went_in", worn, disc)
    ('renewed', 'open')
    """
    if finding.verdict in USABLE:
        return "put_right" if before else "nothing"
    if not finding.taken or finding.verdict == "open":
        return "nothing"
    got = [lines[key].state for part in (*check.got, check.worked_on) if (key := f"{part}:get") in lines]
    if of in _OF_OLD and "fitted" in got:
        return "renewed"
    if of in _OF_OLD and PLANNED.intersection(got):
        return "to_renew"
    if finding.verdict in RENEWS:
        return "struck" if of in _OF_OLD and "struck" in got else "open"
    work, done = _WORK_OF[finding.verdict]
    line = lines.get(f"{check.worked_on}:{work}")
    if line is not None and line.state == "struck":
        return "struck"
    if work != "dress":
        return done
    return "dressed" if line is not None and line.state == "fitted" else done if _is_planned(line) else "open"


_WORK_OF: Mapping[str, tuple[Work, Done]] = {
    "dress or resurface": ("dress", "to_dress"),
    "put right": ("put_right", "to_put_right"),
    "too close to call": ("measure", "to_measure"),
}


def _is_planned(line: PartLine | None) -> bool:
    return line is not None and line.state in PLANNED
