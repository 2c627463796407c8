"""The plan of a job as it goes over the wire.

- `plan_out`      from a job's bench
- `kept_out`      bags, marks and what was left over
- `plan_of_job`, `progress_of`   the plan and where the job stands in it
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from itertools import groupby
from math import degrees
from typing import Literal

from liftbite.api.fit import models as mf
from liftbite.api.jobs.models import NameOut
from liftbite.api.measure.bench import Bench, needs_of
from liftbite.api.measure.models import SaidOut
from liftbite.core.fit.bolt_map import MATERIALS, Hole, Swap, fits_ways, judge, read_hole, swaps
from liftbite.core.fit.case import QUESTIONS, Case, case_of
from liftbite.core.fit.joints import sequence_of
from liftbite.core.fit.plan import Plan, plan_of
from liftbite.core.fit.progress import PASSED, Progress, Standing, own_steps, progress, ticked
from liftbite.core.fit.step import REACHED, STRETCHES
from liftbite.core.job.ledger import PLAN
from liftbite.core.job.record import HERE, ON_ITS_WAY, Line


def _answers(bench: Bench) -> dict[str, str]:
    return {name: line.answer for name, line in bench.said_of("plan").items()}


def case_of_job(bench: Bench) -> Case:
    """What the plan of a job is made from."""
    return case_of(bench.seen_as(PLAN).build, _answers(bench), bench.scope, bench.practices)


def plan_of_job(bench: Bench) -> Plan:
    """The plan of a job, with the steps it adds."""
    return plan_of(case_of_job(bench), own_steps(bench.record))


def _orders(bench: Bench) -> dict[str, str]:
    """Part of the list -> how far its order is; a line that was struck is none."""
    struck = {key for key, line in bench.said_of("line").items() if line.answer == "struck"}
    orders = bench.said_of("order")
    found = {}
    for need in needs_of(bench, worn_together=False):
        if need.work == "get" and need.key not in struck:
            line = orders.get(need.key)
            found[need.part] = line.said.get("state", "") if line else ""
    return found


def progress_of(bench: Bench) -> Progress:
    """Where a job stands in its plan."""
    return _progress(bench, plan_of_job(bench), _orders(bench))


def _progress(bench: Bench, plan: Plan, orders: Mapping[str, str]) -> Progress:
    return progress(plan, bench.record, [part for part, state in orders.items() if state in ON_ITS_WAY])


def plan_out(bench: Bench) -> mf.PlanOut:
    """The plan of a job."""
    case, plan, orders, said = case_of_job(bench), plan_of_job(bench), _orders(bench), _answers(bench)
    found = _progress(bench, plan, orders)
    known = bench.seen_as(PLAN).build.known
    hands = int(case.answers.get("helpers", "0")) + 1
    return mf.PlanOut(
        job=bench.job_id, change=bench.change,
        questions=[
            mf.PlanQuestionOut(
                name=name, label=QUESTIONS[name].label, answer=answer, said=said.get(name) == answer,
                options=[NameOut(name=o, label=label) for o, label in QUESTIONS[name].options.items()],
            )
            for name, answer in case.answers.items()
        ],
        steps=[_step_out(s, plan, hands, known, bench.record) for s in found.standings],
        next=found.next.planned.key if found.next else "", done=found.done,
        minutes=sum(s.planned.step.minutes for s in found.standings if s.state not in PASSED),
        vanished=[mf.VanishedOut(key=line.key, said=_said_out(line), text=line.said.get("text", ""))
                  for line in found.vanished],
        kept=kept_out(bench), bolt_maps=bolt_maps_out(bench),
        materials=[NameOut(name=name, label=label) for name, (label, _, _) in MATERIALS.items()],
        awaited=[part for part, state in orders.items() if state in ON_ITS_WAY],
        to_get=[part for part, state in orders.items() if state not in (*ON_ITS_WAY, *HERE)],
    )  # fmt: skip


def bolt_maps_out(bench: Bench) -> list[mf.BoltMapOut]:
    """The bolts of each joint that were said: hole by hole, in order."""
    lines = bench.said_of("hole")
    holes = sorted(((read_hole(key, line.said), line) for key, line in lines.items()),
                   key=lambda each: (each[0].joint, each[0].number))  # fmt: skip
    return [_bolt_map(joint, list(of_joint)) for joint, of_joint in groupby(holes, key=lambda each: each[0].joint)]


def _bolt_map(joint: str, said: Sequence[tuple[Hole, Line]]) -> mf.BoltMapOut:
    holes = [hole for hole, _ in said]
    angles = [hole.angle for hole in holes if hole.angle is not None]
    circle = ""
    if len(angles) == len(holes) > 2:
        ways = fits_ways(angles)
        circle = "goes on one way only" if ways == 1 else f"goes on {ways} ways round: mark how it stood"
    return mf.BoltMapOut(
        joint=joint, holes=[_hole_out(hole, line) for hole, line in said], circle=circle,
        swaps=_swaps_said(swaps(holes)),
    )  # fmt: skip


def _swaps_said(found: Iterable[Swap]) -> list[str]:
    """Bolts that are alike, and holes they harm alike, in one sentence."""
    alike: dict[tuple[float, float, float, str], tuple[set[int], set[int]]] = {}
    for swap in found:
        bolt = swap.bolt_of
        bolts, into = alike.setdefault((bolt.length, bolt.shank, bolt.washer, swap.says), (set(), set()))
        bolts.add(bolt.number)
        into.add(swap.into.number)
    return [f"The {'bolt' if len(bolts) == 1 else 'bolts'} of {_numbers(bolts)} in {_numbers(into)}: {says}."
            for (_, _, _, says), (bolts, into) in alike.items()]  # fmt: skip


def _numbers(numbers: Iterable[int]) -> str:
    return ", ".join(map(str, sorted(numbers)))


def _hole_out(hole: Hole, line: Line) -> mf.HoleOut:
    found, said = judge(hole), line.said
    words = [hole.typed, f"{said['length']} long", f"grip {said['grip']}",
             *(f"{name} {said[name]}" for name in ("washer", "shank", "depth") if said.get(name))]  # fmt: skip
    kept = {name: text for name, text in said.items() if name not in ("answer", "angle")}
    turned = None if hole.angle is None else round(degrees(hole.angle), 1)
    return mf.HoleOut(key=line.key, number=hole.number, words=", ".join(words), said=kept, state=found.state,
                      wrong=found.state not in ("good", "open"), says=found.says, working=found.working,
                      degrees=turned, who=line.who, at=line.at)  # fmt: skip


def kept_out(bench: Bench) -> list[mf.KeptOut]:
    """Bags by number, marks, and what was left over."""
    bags = list(bench.said_of("bag"))
    return [
        mf.KeptOut(
            kind=kind, key=key, number=bags.index(key) + 1 if kind == "bag" else 0,
            words=line.said.get("holds") or line.said.get("reason") or line.said.get("note", ""),
            count=line.said.get("count", ""), open=line.answer == "unexplained", who=line.who, at=line.at,
        )
        for kind in _KEPT for key, line in bench.said_of(kind).items()
    ]  # fmt: skip


_KEPT: tuple[Literal["bag", "mark", "leftover"], ...] = ("bag", "mark", "leftover")


def _said_out(line: Line) -> SaidOut:
    return SaidOut(answer=line.answer, reason=line.said.get("reason", ""), who=line.who, at=line.at)


def _step_out(
    standing: Standing, plan: Plan, hands: int, known: Mapping[str, object], record: Sequence[Line]
) -> mf.FitStepOut:
    step = standing.planned.step
    sequence = sequence_of(step.joint, known)
    return mf.FitStepOut(
        key=step.key, title=step.title, stretch=step.stretch, part=STRETCHES[step.stretch], state=standing.state,
        needs=list(standing.planned.needs), first=[plan.by_key[n].step.title for n in standing.missing],
        awaits=list(standing.awaits), reached=REACHED[step.reached],
        hands=step.hands, short=step.hands > hands, tools=list(step.tools), note=step.note, hazards=list(step.hazards),
        evidence=step.evidence, hold=step.hold, signed=step.signed, joint=step.joint, minutes=step.minutes,
        own=step.key.startswith("own:"), said=_said_out(standing.said) if standing.said else None,
        text=standing.said.said.get("text", "") if standing.said else "",
        sequence=list(sequence), ticked=[n for n in ticked(record, step.key) if n in sequence],
    )  # fmt: skip
