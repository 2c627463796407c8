"""The plan of a job as it goes over the wire.

- `plan_out`      from a job's bench
- `kept_out`      bags, marks and what was left over
- `plan_text`      the plan as a file
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from itertools import groupby
from math import degrees
from typing import Literal

from liftbite.api.fit import models as mf
from liftbite.api.jobs.models import NameOut
from liftbite.api.statements import said_out
from liftbite.core.account.parts import ON_THE_WAY
from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolt_load import Plausible, head_pressure, plausible, strips
from liftbite.core.fit.bolt_map import MATERIALS, Hole, HoleMapped, Swap, judge, read_hole, sizes_of, swaps
from liftbite.core.fit.bolts import sequence_faults
from liftbite.core.fit.case import OPENED, QUESTIONS
from liftbite.core.fit.helps import help_of
from liftbite.core.fit.holds import Stands
from liftbite.core.fit.joints import label_of_joint
from liftbite.core.fit.library import title_of
from liftbite.core.fit.own_steps import OWN, own_key
from liftbite.core.fit.pattern import PatternMeasured, drawn_at, places_of, read_pattern, ways_round
from liftbite.core.fit.plan import Plan
from liftbite.core.fit.progress import PASSED, Standing, groups_of, pulled, shut_words, turns_of_step
from liftbite.core.fit.statements import BOLTED_TO, AtStep, Bag, BoltTick, LeftOver, Mark, OwnStep, PartNote
from liftbite.core.fit.step import REACHED, STRETCHES, Step
from liftbite.core.fit.tightening import JointInstruction, Turn, chosen_of, holes_of_joint, read_way
from liftbite.core.fit.way import Way
from liftbite.core.job.ledger import PLAN
from liftbite.core.job.parts import called
from liftbite.core.job.record import Line, Statement, fields_of, in_force, option_words
from liftbite.files.plan import write_plan
from liftbite.whole.account import account_of
from liftbite.whole.at_step import asks_figures
from liftbite.whole.bench import Bench
from liftbite.whole.joints import instructions_of
from liftbite.whole.plan import answers_of, own_lines


def plan_text(bench: Bench) -> str:
    """The file of a job's plan."""
    own = in_force(own_lines(bench), OwnStep).values()
    account = account_of(bench)
    return write_plan(account.case, account.plan, own, bench.said_of(JointInstruction))


def plan_out(bench: Bench) -> mf.PlanOut:
    """The plan of a job."""
    account, said = account_of(bench), answers_of(bench)
    case, plan, found = account.case, account.plan, account.standing
    to_get = [line for line in account.planned_parts if line.work == "get"]
    known = bench.seen_as(PLAN).build.known
    hands = int(case.answers.get("helpers", "0")) + 1
    return mf.PlanOut(
        job=bench.job_id,
        change=bench.change,
        questions=[
            mf.PlanQuestionOut(
                name=name,
                label=QUESTIONS[name].label,
                answer=answer,
                said=said.get(name) == answer,
                options=[NameOut(name=o, label=label) for o, label in QUESTIONS[name].options.items()],
            )
            for name, answer in case.answers.items()
        ],
        steps=[_step_out(s, plan, hands, known, bench) for s in found.standings],
        groups=[
            mf.GroupOut(
                label=STRETCHES[group.stretch],
                stretch=group.stretch,
                steps=[s.planned.key for s in group.standings],
                done=group.done,
                in_one_go=list(group.in_one_go),
            )
            for group in groups_of(found)
        ],
        wrenches=[
            NameOut(name=str(number), label=held.name)
            for number, held in bench.instruments
            if held.port and held.kind == "torque_wrench"
        ],
        shop_steps=[
            mf.ShopStepOut(title=title, key=own_key(title), kept=bool(said), version=version)
            for title, (said, version) in bench.shop_steps.items()
        ],
        next=found.next.planned.key if found.next else "",
        done=found.done,
        minutes=sum(_minutes(bench, s.planned.step) for s in found.standings if s.state not in PASSED),
        vanished=[
            mf.VanishedOut(key=line.key, said=said_out(line), text=line.statement.text) for line in found.vanished
        ],
        kept=kept_out(bench),
        bolt_maps=bolt_maps_out(bench),
        offered=mf.OfferedOut(
            **{name: _options(fields_of(JointInstruction)[name]) for name in ("how", "passes", "bolts", "under")},
            noted=_options(so for so in fields_of(PartNote)["answer"] if so != "open"),
        ),
        materials=[NameOut(name=name, label=label) for name, (label, _, _) in MATERIALS.items()],
        awaited=[_part(line.part) for line in to_get if line.state in ON_THE_WAY],
        to_get=[_part(line.part) for line in to_get if line.state == "planned"],
        gone=[mf.GoneOut(key=line.key, title=title_of(line.key), said=said_out(line)) for line in found.gone],
        opening=OPENED[case.opening],
        opens_for=[why for level, why in case.openings() if level == case.opening],
        left_out=[*bench.unread, *plan.left_out],
    )


def bolt_maps_out(bench: Bench) -> list[mf.BoltMapOut]:
    """The bolts of each joint that were said: hole by hole, in order."""
    lines = bench.said_of(HoleMapped)
    holes = sorted(
        ((read_hole(key, line.statement), line) for key, line in lines.items()),
        key=lambda each: (each[0].joint, each[0].number),
    )
    patterns = bench.said_of(PatternMeasured)
    return [
        _bolt_map(joint, list(of_joint), patterns.get(joint))
        for joint, of_joint in groupby(holes, key=lambda each: each[0].joint)
    ]


def _bolt_map(
    joint: str, said: Sequence[tuple[Hole, Line[HoleMapped]]], measured: Line[PatternMeasured] | None
) -> mf.BoltMapOut:
    holes = [hole for hole, _ in said]
    drawn = [place for hole in holes if (place := drawn_at(hole)) is not None]
    circle = ""
    if len(drawn) == len(holes) > 2:
        ways = ways_round(drawn)
        circle = "goes on one way only" if ways == 1 else f"goes on {ways} ways round: mark how it stood"
    pattern = read_pattern(joint, measured.statement if measured else None)
    try:
        places_of(holes, pattern)
        lacks = ""
    except UnreadableEntry as error:
        lacks = str(error)
    return mf.BoltMapOut(
        joint=joint,
        holes=[_hole_out(hole, line) for hole, line in said],
        circle=circle,
        sizes=sizes_of(holes),
        swaps=_swaps_said(swaps(holes)),
        across=measured.statement.across if measured else "",
        between=measured.statement.between if measured else "",
        starts=pattern.starts,
        photo=pattern.photo,
        card=lacks,
    )


def _swaps_said(found: Iterable[Swap]) -> list[str]:
    """Bolts that are alike, and holes they harm alike, in one sentence."""
    alike: dict[tuple[float, float, float, str], tuple[set[int], set[int]]] = {}
    for swap in found:
        bolt = swap.bolt_of
        bolts, into = alike.setdefault((bolt.length, bolt.shank, bolt.washer, swap.says), (set(), set()))
        bolts.add(bolt.number)
        into.add(swap.into.number)
    return [
        f"The {'bolt' if len(bolts) == 1 else 'bolts'} of {_numbers(bolts)} in {_numbers(into)}: {says}."
        for (_, _, _, says), (bolts, into) in alike.items()
    ]


def _numbers(numbers: Iterable[int]) -> str:
    return ", ".join(map(str, sorted(numbers)))


def _hole_out(hole: Hole, line: Line[HoleMapped]) -> mf.HoleOut:
    found, said = judge(hole), line.words
    words = [
        hole.typed,
        f"{said['length']} long",
        f"grip {said['grip']}",
        *(f"{name} {said[name]}" for name in ("washer", "shank", "depth", "head") if said.get(name)),
    ]
    kept = {name: text for name, text in said.items() if name not in ("answer", "angle", "out")}
    turned = None if hole.angle is None else round(degrees(hole.angle), 1)
    return mf.HoleOut(
        key=line.key,
        number=hole.number,
        words=", ".join(words),
        said=kept,
        state=found.state,
        wrong=found.state not in ("good", "open"),
        says=found.says,
        working=found.working,
        degrees=turned,
        out=hole.out,
        who=line.who,
        at=line.at,
    )


def kept_out(bench: Bench) -> list[mf.KeptOut]:
    """Bags by number, marks, and what was left over."""
    bags = list(bench.said_of(Bag))
    return [
        mf.KeptOut(
            kind=kind,
            key=key,
            label=called(key) if kind == "noted" else key,
            number=bags.index(key) + 1 if kind == "bag" else 0,
            words=_kept_words(line),
            count=line.words.get("count", ""),
            open=line.answer == "unexplained",
            who=line.who,
            at=line.at,
        )
        for kind, of in _KEPT.items()
        for key, line in bench.said_of(of).items()
    ]


def _kept_words(line: Line) -> str:
    bag, note = line.of(Bag), line.of(PartNote)
    if note:
        return ": ".join(filter(None, (option_words(note.answer), note.statement.note)))
    return (bag.statement.holds if bag else "") or line.reason


_KEPT: Mapping[Literal["bag", "mark", "leftover", "noted"], type[Statement]] = {
    "bag": Bag,
    "mark": Mark,
    "leftover": LeftOver,
    "noted": PartNote,
}


def _part(part: str) -> NameOut:
    return NameOut(name=part, label=called(part))


def _options(options: Iterable[str]) -> list[NameOut]:
    return [NameOut(name=option, label=option_words(option)) for option in options if option]


def _step_out(standing: Standing, plan: Plan, hands: int, known: Mapping[str, object], bench: Bench) -> mf.FitStepOut:
    step, record = standing.planned.step, bench.record
    learned = bench.minutes.get(step.key)
    said = instructions_of(bench)
    turns, way = turns_of_step(step, known, said), chosen_of(said, step.joint)
    has = in_force(record, AtStep).get(step.key)
    return mf.FitStepOut(
        key=step.key,
        title=step.title,
        stretch=step.stretch,
        part=STRETCHES[step.stretch],
        state=standing.state,
        needs=list(standing.planned.needs),
        first=[plan.by_key[n].step.title for n in standing.missing],
        shut=shut_words(standing, plan),
        reason=standing.reason.kind if standing.reason else "",
        reasons=[mf.WhyOut(need=n, kind=r.kind, says=r.says) for n, r in standing.planned.why.items()],
        awaits=[called(part) for part in standing.awaits],
        reached=REACHED[step.reached],
        hands=step.hands,
        short=step.hands > hands,
        tools=list(step.tools),
        note=step.note,
        hazards=list(step.hazards),
        evidence=step.evidence,
        hold=step.hold,
        guards=step.guards,
        signed=step.signed,
        on=step.on if step.on in plan.by_key else "",
        off=step.off if step.off in plan.by_key else "",
        joint=step.joint,
        joints=[NameOut(name=joint, label=label_of_joint(joint)) for joint in step.joints],
        parts=list(step.parts),
        minutes=_minutes(bench, step),
        learned="" if learned is None else f"as {learned.jobs} of your jobs took",
        own=OWN in step.key,
        said=said_out(standing.said) if standing.said else None,
        text=standing.said.statement.text if standing.said else "",
        settled=said_out(standing.settled) if standing.settled else None,
        known=standing.known,
        asked=standing.asked,
        fact=step.fact if standing.asked or standing.known else "",
        read_here=bool(standing.asked) and asks_figures(step.fact),
        again=plan.by_key[standing.again].step.title if standing.again else "",
        lines=[_line_out(each) for each in standing.lines],
        bolted_to=step.key in BOLTED_TO,
        sequence=list(dict.fromkeys(turn.bolt for turn in turns)),
        turns=_turns_out(turns, pulled(record, step.key, standing.since)),
        passes=max((turn.number for turn in turns), default=0),
        ways=[each for joint in step.joints for each in _ways_out(joint, said, known)],
        help=help_of(step.key, known, way),
        has=said_out(has) if has and standing.state not in PASSED else None,
    )


def _line_out(each: Stands) -> mf.LookOut:
    look = each.look
    return mf.LookOut(
        key=look.key,
        label=look.label,
        state="overridden" if each.overridden else look.state,
        says=look.says,
        where=look.where,
        overridden=said_out(each.overridden),
    )


def _minutes(bench: Bench, step: Step) -> int:
    """About how long a step takes: as the shop's own jobs took, else as the library has it [min]."""
    learned = bench.minutes.get(step.key)
    return step.minutes if learned is None else max(round(learned.middle), 1)


def _turns_out(turns: Sequence[Turn], said: Mapping[str, Line[BoltTick]]) -> list[mf.TurnOut]:
    return [_turn_out(turn, said.get(turn.key)) for turn in turns]


def _turn_out(turn: Turn, line: Line[BoltTick] | None) -> mf.TurnOut:
    read = [line.statement.torque, line.statement.angle, line.statement.flag] if line else []
    state: Literal["open", "done", "look again"] = (
        "open" if line is None else "done" if line.answer == "done" else "look again"
    )
    return mf.TurnOut(
        key=turn.key,
        joint=turn.joint,
        number=turn.number,
        bolt=turn.bolt,
        to=turn.to,
        state=state,
        says=", ".join(filter(None, read)),
    )


def _ways_out(joint: str, said: Sequence[Line], known: Mapping[str, object]) -> list[mf.WayOut]:
    chosen = chosen_of(said, joint)
    holes = holes_of_joint(said, joint)
    return [
        _way_out(line, read_way(key, line.statement), chosen, known, holes)
        for key, line in in_force(said, JointInstruction).items()
        if key.partition(":")[0].strip() == joint
    ]


def _against_proof(found: Plausible | None) -> str:
    return "; ".join(filter(None, (found.says, found.taken))) if found is not None else ""


def _way_out(
    line: Line[JointInstruction], way: Way, chosen: Way | None, known: Mapping[str, object], holes: Sequence[Hole]
) -> mf.WayOut:
    found, pressed, said = plausible(way, known), head_pressure(way), line.statement
    engaged = [(judge(hole).engaged, hole.material) for hole in holes]
    least = min(engaged, default=None)
    stripped = strips(way, *least) if least else None
    count = way.count or len(holes)
    wrong = sequence_faults(way.sequence, count) if way.sequence and count else []
    words = [
        said.figure or option_words(said.how),
        option_words(said.passes),
        said.steps,
        f"washers {said.washers}" if said.washers else "",
        f"bolts {option_words(said.bolts)}" if said.bolts else "",
        said.thread,
        said.grade,
    ]
    says = [_against_proof(found), *(each.says for each in (pressed, stripped) if each)]
    says += [f"sequence: {each}" for each in wrong]
    return mf.WayOut(
        key=line.key,
        joint=label_of_joint(way.joint),
        owner=way.owner,
        chosen=way == chosen,
        words=", ".join(filter(None, words)),
        said={name: text for name, text in line.words.items() if name != "answer"},
        state=found.state if found else "open",
        says="; ".join(filter(None, says)),
        asks="type thread and class to hold it against proof" if found is None and way.given is not None else "",
        working=" ".join(each.working for each in (found, pressed, stripped) if each),
        who=line.who,
    )
