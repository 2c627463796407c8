"""The list of a job: parts to get and work to have done, with their reasons, and what they do to its plan.

- `needs_of`    the lines of the list
- `wanted_of`   parts that will be renewed though nobody planned it, which widen what is opened
- `said_of_parts`   orders, lines, parts put on it, and who planned what
"""

from __future__ import annotations

from collections.abc import Mapping
from typing import cast

from liftbite.core.account.claims import Claim
from liftbite.core.account.parts import FATES_OF_WORK, PartsSaid
from liftbite.core.job.builds import fate_in
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.job.parts import PARTS, Work
from liftbite.core.job.record import Line, lines_of
from liftbite.core.measure.parts_list import WORKS, Need, needs, slips_worn
from liftbite.core.measure.setup import outcome_of
from liftbite.core.measure.statements import HERE, ON_ITS_WAY, ORDERS, ListLine, Order, OwnPart
from liftbite.core.measure.whose import part_read
from liftbite.whole.bench import Bench, effects_in, findings_of


def needs_of(bench: Bench, scope: str = "", *, worn_together: bool = True) -> list[Need]:
    """The parts to get and the work to have done: by what was found, and by what was read of the parts that go in.

    Parameters
    ----------
    scope : how far the job goes: no practice of the shop brings a part it does not reach; empty where nobody said
    worn_together : False to leave out what the four answers say of plates that each pass and slip together, which takes
        the working out of a whole job
    """
    found, plan = bench.seen_as(FOUND), bench.seen_as(PLAN)
    new = [f for f in findings_of(plan) if part_read(f.check) in bench.apart]
    checks = {c.name for c in plan.checks}
    setups = [
        (c, told)
        for c, told in outcome_of(plan.build, plan.readings, plan.series_answers, plan.manual)
        if told is not None and checks & set(c.checks)
    ]
    slips = slips_worn(found.entries, effects_in(found)) if worn_together else ""
    added = {part: _added(line) for part, line in bench.said_of(OwnPart).items()}
    return needs(
        plan.build,
        findings_of(found),
        bench.practices,
        new,
        setups,
        slips,
        bench.known,
        added,
        _going(bench),
        scope,
    )


def _going(bench: Bench) -> dict[tuple[str, Work], str]:
    """Lines of the list that are ordered or accepted, which stay whatever was read since, with why."""
    going: dict[tuple[str, Work], str] = {}
    for key, line in bench.said_of(ListLine).items():
        part, _, work = key.rpartition(":")
        if line.answer == "accepted" and work in ("get", "dress"):
            going[part, cast(Work, work)] = f"accepted{f' by {line.who}' if line.who else ''}"
    for key, order in bench.said_of(Order).items():
        part, _, work = key.rpartition(":")
        if order.statement.state and work in WORKS:
            going.setdefault((part, cast(Work, work)), ORDERS[order.statement.state])
    return going


def _added(line: Line[OwnPart]) -> str:
    by = f", says {line.who}" if line.who else ""
    return f"put on the list: {line.statement.reason}{by}"


def wanted_of(bench: Bench) -> dict[str, str]:
    """Part -> why it will be renewed though nobody planned it: what was read of it, the list, its order.

    It widens how far the job opens, and brings its steps.
    """
    wanted: dict[str, str] = {}
    found = bench.seen_as(FOUND)
    for finding in findings_of(found):
        if finding.verdict not in ("renew", "renew as set"):
            continue
        check = found.known[finding.check]
        for part in check.gets or (check.part,):
            if part in PARTS:
                wanted.setdefault(PARTS[part].renewed_as, f"{finding.verdict}: {check.label.lower()}")
    for part, listed in bench.said_of(OwnPart).items():
        if part in PARTS:
            wanted.setdefault(
                PARTS[part].renewed_as, f"on the list: {listed.reason}" if listed.reason else "on the list"
            )
    for key, order in bench.said_of(Order).items():
        part, _, work = key.partition(":")
        if part in PARTS and work == "get" and order.statement.state in (*ON_ITS_WAY, *HERE):
            wanted.setdefault(PARTS[part].renewed_as, ORDERS[order.statement.state])
    for key, line in bench.said_of(ListLine).items():
        part, _, work = key.partition(":")
        if part in PARTS and work == "get" and line.answer == "accepted":
            wanted.setdefault(PARTS[part].renewed_as, "accepted on the list")
        elif work == "get" and line.answer == "struck":
            wanted.pop(part, None)
    return wanted


def said_of_parts(bench: Bench) -> PartsSaid:
    """What was said of the parts of a job."""
    fates = {part: Claim("list", part, "", who, at) for part, (who, at) in bench.planned_by.items()}
    return PartsSaid(
        bench.said_of(Order), bench.said_of(ListLine), bench.said_of(OwnPart), fates, _planned_since(bench, fates)
    )


def _planned_since(bench: Bench, fates: Mapping[str, Claim]) -> dict[str, str]:
    """Line of the list -> when somebody planned it first: by its fate, an order, a line accepted, a part put on it."""
    said = [
        *((line.key, line.at) for line in lines_of(bench.record, Order) if line.statement.state),
        *((line.key, line.at) for line in lines_of(bench.record, ListLine) if line.answer == "accepted"),
        *((f"{line.key}:get", line.at) for line in lines_of(bench.record, OwnPart) if not line.is_taken_back),
        *(
            (f"{part}:{work}", claim.at)
            for part, claim in fates.items()
            for work, planning in FATES_OF_WORK.items()
            if fate_in(bench.layers[PLAN], part) in planning
        ),
    ]
    since: dict[str, str] = {}
    for key, at in said:
        if at:
            since[key] = min(at, since.get(key, at))
    return since
