"""The plan of a job, and where the job stands in it.

- `case_of_job`, `plan_of_job`   what a plan is made from, and the plan
- `own_lines`     steps of the shop's and of the job's own
- `orders_of`     how far the orders of its parts are
- `progress_of`   where the job stands
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.fit.case import Case, case_of
from liftbite.core.fit.plan import Plan, plan_of
from liftbite.core.fit.progress import Progress, own_steps, progress
from liftbite.core.fit.statements import OwnStep, PlanAnswer
from liftbite.core.job.ledger import PLAN
from liftbite.core.job.record import Line, lines_of
from liftbite.core.measure.statements import ON_ITS_WAY, ListLine, Order
from liftbite.core.statements import read_statement
from liftbite.whole.bench import Bench, needs_of


def answers_of(bench: Bench) -> dict[str, str]:
    """Question a plan depends on -> what was answered."""
    return {name: line.answer for name, line in bench.said_of(PlanAnswer).items()}


def case_of_job(bench: Bench) -> Case:
    """What the plan of a job is made from."""
    return case_of(bench.seen_as(PLAN).build, answers_of(bench), bench.scope, bench.practices)


def plan_of_job(bench: Bench) -> Plan:
    """The plan of a job, with the steps it adds."""
    return plan_of(case_of_job(bench), own_steps(own_lines(bench)))


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
    """Where a job stands in a plan, by how far its orders are."""
    return progress(plan, bench.record, [part for part, state in orders.items() if state in ON_ITS_WAY])
