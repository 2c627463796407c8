"""A statement about a job, held against the job as it stands before it counts.

- `plan_statement`    what is said of the plan: a step that is open, a bolt there is
- `bench_statement`   what is said at the bench: no line is struck that is planned
- `line_as_it_stands`   a line of a hold point, which an override covers as it is
- `fault_closed`    a cause that was found, with what follows from it
- `proof_statement`   what is said in Prove: a hand-over is of the job as it stands, with nothing left over

What a line's own words have to be, `core.statements` knows; what the rest of the job has to be, this does.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from liftbite.core.account.parts import FATES_OF_WORK
from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.holds import OverriddenLine
from liftbite.core.fit.progress import Progress, hold_against
from liftbite.core.job.ledger import PLAN
from liftbite.core.job.record import Line
from liftbite.core.measure.own import OwnCheck
from liftbite.core.measure.statements import ListLine
from liftbite.core.prove.causes import CAUSES
from liftbite.core.prove.statements import HandOver
from liftbite.core.statements import read_statement
from liftbite.whole.account import account_of
from liftbite.whole.bench import Bench, fits_bench
from liftbite.whole.hand_over import unexplained
from liftbite.whole.joints import instructions_of
from liftbite.whole.plan import own_lines


def plan_statement(bench: Bench, kind: str, key: str, said: Mapping[str, str], who: str) -> Line:
    """What is said of the plan.

    Raises
    ------
    UnreadableEntry : its words, or it is of nothing the plan has open
    """
    line, account = read_statement(kind, key, said, who), account_of(bench)
    if overridden := line.of(OverriddenLine):
        line = replace(line, statement=replace(overridden.statement, stood=line_as_it_stands(account.standing, key)))
    hold_against(
        line,
        account.plan,
        account.standing,
        bench.record,
        bench.seen_as(PLAN).build.known,
        own_lines(bench),
        instructions_of(bench),
    )
    return line


def bench_statement(bench: Bench, kind: str, key: str, said: Mapping[str, str], who: str) -> Line:
    """What is said at the bench.

    Raises
    ------
    UnreadableEntry : its words; it is said elsewhere; a line is struck that is planned, or fitted
    """
    line = read_statement(kind, key, said, who)
    about = line.statement.about
    if about.at != "bench":
        raise UnreadableEntry(f"{about.label}: this is said where it is held against what stands there")
    if own := line.of(OwnCheck):
        fits_bench(own, bench)
    if line.of(ListLine) and line.answer == "struck":
        _can_be_struck(bench, line.key)
    return line


def _can_be_struck(bench: Bench, key: str) -> None:
    """A line no fate plans and that is not fitted: the plan would outrank its being struck."""
    here = next((line for line in account_of(bench).parts if line.key == key), None)
    if here is None:
        return
    if here.state == "fitted":
        raise UnreadableEntry(f"{here.label}: it is fitted; its step in Fit is taken back first")
    if here.fate in FATES_OF_WORK.get(here.work, ()):
        raise UnreadableEntry(f"{here.label}: it is planned as {here.fate}; say first that it stays, then strike it")


def line_as_it_stands(found: Progress, key: str) -> str:
    """What a line of a hold point says now: an override covers it as it stands; empty where there is none."""
    step, _, line = key.partition(":")
    stands = (each for s in found.standings if s.planned.key == step for each in s.lines)
    return next((each.look.says for each in stands if each.look.key == line), "")


def fault_closed(cause: str, who: str) -> list[Line]:
    """A cause that was found: itself, its parts onto the list, and how far the job goes from now on.

    Raises
    ------
    UnreadableEntry : there is no such cause
    """
    found = read_statement("fault", cause, {"answer": "found"}, who)
    closed = CAUSES[found.key]
    parts = [
        read_statement("own_part", part, {"answer": "to_get", "reason": closed.words}, who) for part in closed.closes
    ]
    scope = [read_statement("scope", "", {"answer": closed.scope}, who)] if closed.scope else []
    return [found, *parts, *scope]


def proof_statement(bench: Bench, revision: int, kind: str, key: str, said: Mapping[str, str], who: str) -> Line:
    """What is said in Prove.

    Parameters
    ----------
    revision : the newest of the job

    Raises
    ------
    UnreadableEntry : its words; a hand-over of another revision, or with something left over and unexplained
    """
    line = read_statement(kind, key, said, who)
    if line.of(HandOver) and line.answer == "signed":
        if line.key != str(revision):
            raise UnreadableEntry(f"the job stands at revision {revision} now; look at it and sign that one")
        loose = unexplained(bench)
        if loose:
            raise UnreadableEntry(f"it cannot be handed over with {', '.join(loose)} left over and unexplained")
    return line
