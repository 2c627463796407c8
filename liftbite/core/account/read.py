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
from liftbite.core.job.record import Line
from liftbite.core.measure.check import Check
from liftbite.core.measure.judgement import Finding
from liftbite.core.measure.statements import CheckClosed

#: Of the part that stays, of one that comes out or came out, of one that goes in or went in; of how parts stand.
Whose = Literal["stays", "comes_out", "came_out", "goes_in", "went_in", "set_up"]
#: What was done about a finding: nothing was called for; it is an order, or done; somebody said no; nobody said.
Done = Literal[
    "nothing", "to_renew", "renewed", "to_dress", "dressed", "to_put_right", "put_right", "to_measure", "struck", "open"
]
_RENEWS = ("stop", "renew as set", "renew")
_GOOD = ("reuse", "reuse and watch", "noted")


@dataclass(frozen=True, slots=True)
class ReadPart:
    """A check with its finding.

    Attributes
    ----------
    check, of : what was read, of whose part
    finding, done : what it came to, and what was done about it
    before : what it came to before it was put right; None where it never was otherwise
    claim : who read it, when, with what
    closed : who said that it is not asked, or enough; None where nobody did
    """

    check: Check
    of: Whose
    finding: Finding
    done: Done
    before: Finding | None = None
    claim: Claim | None = None
    closed: Line[CheckClosed] | None = None


def done_about(check: Check, finding: Finding, lines: Mapping[str, PartLine], *, before: bool = False) -> Done:
    """What was done about a finding.

    Parameters
    ----------
    check, finding : what was read, and what it came to
    lines : the parts of the account, by the key of their line
    before : True where it was bad before it was read again

    >>> from liftbite.core.measure.checks import CHECKS
    >>> disc = {"disc:get": PartLine("disc", "get", "fitted")}
    >>> worn = Finding("rivet_depth", "renew", taken=1, wanted=1)
    >>> done_about(CHECKS["rivet_depth"], worn, disc), done_about(CHECKS["rivet_depth"], worn, {})
    ('renewed', 'open')
    """
    if finding.verdict in _GOOD:
        return "put_right" if before else "nothing"
    if not finding.taken or finding.verdict == "open":
        return "nothing"
    got = [lines[key] for part in (*check.got, check.worked_on) if (key := f"{part}:get") in lines]
    if any(line.state == "fitted" for line in got):
        return "renewed"
    if any(line.state in PLANNED for line in got):
        return "to_renew"
    if finding.verdict in _RENEWS:
        return "struck" if any(line.state == "struck" for line in got) else "open"
    if finding.verdict == "dress or resurface":
        return _dressed(lines.get(f"{check.worked_on}:dress"))
    work: Literal["to_put_right", "to_measure"] = "to_put_right" if finding.verdict == "put right" else "to_measure"
    line = lines.get(f"{check.worked_on}:{'put_right' if work == 'to_put_right' else 'measure'}")
    return "struck" if line is not None and line.state == "struck" else work


def _dressed(line: PartLine | None) -> Done:
    if line is None:
        return "open"
    if line.state == "struck":
        return "struck"
    return "dressed" if line.state == "fitted" else "to_dress" if line.state in PLANNED else "open"
