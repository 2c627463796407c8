"""The plan of a job, and where the job stands in it; `whole.account` puts them together.

- `answers_of`    what was answered that a plan depends on
- `case_of_job`, `plan_of_job`   what a plan is made from, and the plan
- `own_lines`     steps of the shop's and of the job's own
- `progress_with` where the job stands in a plan
"""

from __future__ import annotations

from collections.abc import Collection, Iterable
from dataclasses import replace

from liftbite.core.fit.case import Case, case_of
from liftbite.core.fit.own_steps import own_steps
from liftbite.core.fit.part_steps import steps_of_parts
from liftbite.core.fit.plan import Plan, plan_of
from liftbite.core.fit.progress import Evidence, Progress, gone_of, order_of_ticks, progress
from liftbite.core.fit.statements import OwnStep, PlanAnswer
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.job.record import Line, lines_of
from liftbite.core.statements import read_statement
from liftbite.whole.bench import Bench
from liftbite.whole.looks import asked_of, looks_of, proved_of
from liftbite.whole.parts_list import wanted_of


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


def plan_of_job(bench: Bench, case: Case, parts: Iterable[str] = ()) -> Plan:
    """The plan of a job, with the steps it adds and without those it has not, back in reverse of how it came off.

    Parameters
    ----------
    parts : parts that are planned, each of which some step puts in
    """
    own, gone, ticks = own_steps(own_lines(bench)), gone_of(bench.record), order_of_ticks(bench.record)
    plan = plan_of(case, own, gone, ticks)
    more = steps_of_parts(case, plan, parts)
    return plan_of(case, [*own, *more], gone, ticks) if more else plan


def own_lines(bench: Bench) -> list[Line]:
    """The steps the shop adds to every plan, and what the job says of its own; the job's word stands."""
    shop = [read_statement("own_step", title, said) for title, (said, _) in bench.shop_steps.items() if said]
    return [*shop, *lines_of(bench.record, OwnStep)]


def progress_with(bench: Bench, case: Case, plan: Plan, awaited: Collection[str], faces: tuple[str, ...]) -> Progress:
    """Where a job stands in a plan, by what was said of it elsewhere.

    Steps come first, by themselves; then what hold points look up, which looks at steps.

    Parameters
    ----------
    awaited : parts that are on their way
    faces : parts whose friction face is new or cut
    """
    known = Evidence(
        awaited=awaited,
        proved=proved_of(bench, case, plan),
        asked=asked_of(bench, case, plan),
        elsewhere=answers_of(bench).get("begun") == "taken_down_elsewhere",
    )
    by_steps = progress(plan, bench.record, known)
    return progress(plan, bench.record, replace(known, looks=looks_of(bench, case, plan, by_steps, faces)))
