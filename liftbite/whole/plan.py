"""The plan of a job, and where the job stands in it.

- `case_of_job`, `plan_of_job`   what a plan is made from, and the plan
- `own_lines`     steps of the shop's and of the job's own
- `orders_of`     how far the orders of its parts are
- `wanted_of`     parts that will be renewed though nobody planned it, which widen what is opened
- `progress_of`   where the job stands
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from liftbite.core.fit.case import Case, case_of
from liftbite.core.fit.own_steps import own_steps
from liftbite.core.fit.plan import Plan, plan_of
from liftbite.core.fit.progress import Evidence, Progress, gone_of, order_of_ticks, progress
from liftbite.core.fit.statements import OwnStep, PlanAnswer
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.job.parts import PARTS
from liftbite.core.job.record import Line, lines_of
from liftbite.core.measure.statements import HERE, ON_ITS_WAY, ORDERS, ListLine, Order, OwnPart
from liftbite.core.statements import read_statement
from liftbite.whole.bench import Bench, findings_of, needs_of
from liftbite.whole.looks import asked_of, looks_of, proved_of


def answers_of(bench: Bench) -> dict[str, str]:
    """Question a plan depends on -> what was answered."""
    return {name: line.answer for name, line in bench.said_of(PlanAnswer).items()}


def case_of_job(bench: Bench) -> Case:
    """What the plan of a job is made from."""
    return case_of(
        bench.seen_as(PLAN).build,
        answers_of(bench),
        bench.scope_said,
        bench.practices,
        wanted_of(bench),
        bench.seen_as(FOUND).build,
    )


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
    struck = {key.partition(":")[0] for key, line in bench.said_of(ListLine).items() if line.answer == "struck"}
    return {part: why for part, why in wanted.items() if part not in struck}


def plan_of_job(bench: Bench) -> Plan:
    """The plan of a job, with the steps it adds and without those it has not, back in reverse of how it came off."""
    return plan_of(case_of_job(bench), own_steps(own_lines(bench)), gone_of(bench.record), order_of_ticks(bench.record))


def own_lines(bench: Bench) -> list[Line]:
    """The steps the shop adds to every plan, and what the job says of its own; the job's word stands."""
    shop = [read_statement("own_step", title, said) for title, (said, _) in bench.shop_steps.items() if said]
    return [*shop, *lines_of(bench.record, OwnStep)]


def orders_of(bench: Bench) -> dict[str, str]:
    """Part of the list -> how far its order is; a line that was struck is none."""
    struck = {key for key, line in bench.said_of(ListLine).items() if line.answer == "struck"}
    orders = bench.said_of(Order)
    found: dict[str, str] = {}
    for need in needs_of(bench, worn_together=False):
        if need.work == "get" and need.key not in struck:
            line = orders.get(need.key)
            found[need.part] = line.statement.state if line else ""
    return found


def progress_of(bench: Bench) -> Progress:
    """Where a job stands in its plan."""
    return progress_with(bench, plan_of_job(bench), orders_of(bench))


def progress_with(bench: Bench, plan: Plan, orders: Mapping[str, str]) -> Progress:
    """Where a job stands in a plan, by how far its orders are and by what was said of it elsewhere.

    Steps come first, by themselves; then what hold points look up, which looks at steps.
    """
    case = case_of_job(bench)
    known = Evidence(
        awaited=[part for part, state in orders.items() if state in ON_ITS_WAY],
        proved=proved_of(bench, case, plan),
        asked=asked_of(bench, plan),
        elsewhere=answers_of(bench).get("begun") == "taken_down_elsewhere",
    )
    by_steps = progress(plan, bench.record, known)
    return progress(plan, bench.record, replace(known, looks=looks_of(bench, case, plan, by_steps)))
