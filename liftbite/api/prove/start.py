"""Bleeding, fluids, the cards of the first start and the road, and what lies ahead, as they are shown.

- `bleeding_out`   ways to bleed, the times it was, and what the travel says
- `cards_out`, `noises_out`   what is tried and listened for
- `fluids_out`     what was filled
- `ahead_out`      what comes next in the clutch's life
"""

from __future__ import annotations

from collections.abc import Collection, Sequence
from datetime import date

from liftbite.api.jobs.present import figure_out
from liftbite.api.prove import models as mp
from liftbite.api.statements import said_out
from liftbite.core.fit.case import Case
from liftbite.core.fit.progress import Progress
from liftbite.core.job.build import Build
from liftbite.core.job.ledger import PLAN
from liftbite.core.job.record import Line
from liftbite.core.measure.setup import outcome_of
from liftbite.core.prove.ahead import ahead, driven_rate, glove_box
from liftbite.core.prove.ahead import says as ahead_says
from liftbite.core.prove.bleeding import ALWAYS, METHODS, Method, a_stroke, next_bleed, strokes_for, used_of
from liftbite.core.prove.cards import NOISES, cards_of
from liftbite.core.prove.fluids import Fluid, FluidFilled, due_in, fluids_of, in_months, read_filled
from liftbite.core.prove.hand_over import FLUID
from liftbite.core.prove.running_in import LoggedDrive
from liftbite.core.prove.statements import Bled, BleedStepDone, Heard, Tried
from liftbite.whole.account import account_of
from liftbite.whole.bench import Bench

#: Fluid that strokes are counted for [m³].
_BOTTLE = 100e-6


def _bled_out(key: str, line: Line[Bled], build: Build) -> mp.BledOut:
    bottles, left = line.statement.bottles, line.statement.left
    used = used_of(bottles, left)
    return mp.BledOut(
        key=key,
        label=METHODS[line.answer].label,
        fluid=line.statement.fluid,
        note=line.statement.note,
        used=None if used is None else figure_out(used, "m³ of fluid"),
        working=" − ".join(filter(None, (bottles, left))),
        strokes=None if not used else strokes_for(build, used),
        who=line.who,
        at=line.at,
    )


def bleeding_out(bench: Bench) -> mp.BleedingOut:
    """Ways to bleed, the times it was, and what the slave's travel says now."""
    plan, bled, ticked = bench.seen_as(PLAN), bench.said_of(Bled), bench.said_of(BleedStepDone).keys()
    hands = int(account_of(bench).case.answers.get("helpers", "0")) + 1
    told = {c.name: t for c, t in outcome_of(plan.build, plan.readings, plan.series_answers, plan.manual)}.get("travel")
    frees = told.verdict if told else ""
    return mp.BleedingOut(
        fluid="line_pressure" in plan.build.graph.functions,
        always=list(ALWAYS),
        methods=[_method(m, len(bled) + 1, ticked, hands) for m in METHODS.values()],
        strokes=strokes_for(plan.build, _BOTTLE),
        stroke=(a_stroke(plan.build) or (0.0, ""))[1],
        bled=[_bled_out(key, line, plan.build) for key, line in bled.items()],
        says=told.sentence if told else "",
        frees=frees,
        next=next_bleed(frees, [line.answer for line in bled.values()], hands),
    )


def _method(method: Method, turn: int, ticked: Collection[str], hands: int) -> mp.BleedMethodOut:
    keys = [f"{method.name} {turn}:{n}" for n in range(1, len(method.steps) + 1)]
    return mp.BleedMethodOut(
        name=method.name,
        label=method.label,
        hands=method.hands,
        minutes=method.minutes,
        takes=list(method.takes),
        steps=[
            mp.BleedStepOut(key=key, you=s.you, helper=s.helper, seconds=s.seconds, done=key in ticked)
            for key, s in zip(keys, method.steps, strict=True)
        ],
        suits=method.suits,
        short=method.hands > hands,
    )


# --- the first start, fluids, what lies ahead


def cards_out(bench: Bench, case: Case, found: Progress) -> list[mp.CardOut]:
    """The first start, the first metres, the road and the look again."""
    said = bench.said_of(Tried)
    return [
        mp.CardOut(
            name=each.card.name,
            title=each.card.title,
            caution=each.caution,
            first=list(each.first),
            items=[
                mp.CardItemOut(
                    key=key, do=item.do, listen=item.listen, symptom=item.symptom, said=said_out(said.get(key))
                )
                for item in each.items
                for key in (f"{each.card.name}:{item.name}",)
            ],
        )
        for each in cards_of(case, found)
    ]


def noises_out(bench: Bench, case: Case) -> list[mp.NoiseOut]:
    """Noises that are not the clutch."""
    said = bench.said_of(Heard)
    return [
        mp.NoiseOut(name=n.name, heard=n.heard, what=n.what, said=said_out(said.get(n.name)))
        for n in NOISES
        if case.has(*n.where)
    ]


def fluids_out(bench: Bench, case: Case) -> list[mp.FluidOut]:
    """The fluids of a case, and what was filled."""
    said = bench.said_of(FluidFilled)
    return [_fluid_out(fluid, said.get(fluid.name), bench.today) for fluid in fluids_of(case)]


def _fluid_out(fluid: Fluid, line: Line[FluidFilled] | None, today: date) -> mp.FluidOut:
    filled = read_filled(line.key, line.statement) if line is not None else None
    age = (today - date.fromisoformat(line.at[:10])).days if line is not None and line.at else 0
    due = due_in(fluid, age) if filled else None
    return mp.FluidOut(
        name=fluid.name,
        label=fluid.label,
        classes=list(fluid.classes),
        note=fluid.note,
        filled=said_out(line),
        kind=filled.kind if filled else "",
        again=filled is not None and filled.again,
        used=None if filled is None or filled.used is None else figure_out(filled.used, "m³ of fluid"),
        wrong=filled.wrong if filled else "",
        due=due,
        renewed=f"in about {in_months(due)}" if due else "",
        said=dict(line.words) if line is not None else {},
    )


def ahead_out(bench: Bench, fluids: Sequence[mp.FluidOut]) -> mp.AheadOut:
    """What lies ahead of the planned clutch, by its use or as it was driven."""
    build = bench.seen_as(PLAN).build
    found = ahead(build, driven_rate(build, bench.said_of(LoggedDrive).values()))
    hydraulic = next((f for f in fluids if f.name == "clutch"), None)
    due = hydraulic.due if hydraulic is not None and hydraulic.due else FLUID if bench.said_of(Bled) else None
    glove = glove_box(found, due, looked=account_of(bench).looked_again)
    return mp.AheadOut(says=ahead_says(found) if found else [], glove=glove, working=found.working if found else "")
