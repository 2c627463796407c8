"""Where a job stands in its plan.

- `State`, `Standing`, `progress`   every step with its state, and what comes next
- `own_steps`, `fits`               steps a record adds; whether they have a place
- `own_key`, `own_keys_of_before`   what such a step goes by, and went by before
- `hold_against`                    what is said of a plan, where it can be
- `read_evidence`                   what is said of a step, checked against what proves it
- `turns_in`, `turns_of_step`       the bolts of a step, turn by turn
- `pulled`, `ticked`, `read_tick`   those of which something was said, and those that are ticked off
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass
from typing import Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.case import QUESTIONS
from liftbite.core.fit.plan import MOST_OWN, OWN, Plan, Planned, without_circles
from liftbite.core.fit.statements import AtStep, BoltTick, OwnStep, PlanAnswer, StepTick
from liftbite.core.fit.step import Step
from liftbite.core.fit.tightening import JointInstruction, Turn, left_of, turns_at
from liftbite.core.job.record import Line, in_force, keys_of_before, name_key

State = Literal["done", "overridden", "open", "waits", "shut"]
#: States with which what comes after may begin.
PASSED = ("done", "overridden")


@dataclass(frozen=True, slots=True)
class Standing:
    """A step and how it stands.

    Attributes
    ----------
    planned, state : the step and its state
    said : what was said of it last; None where nothing was
    missing : steps that are to come first and are not done
    awaits : parts it takes that are on their way
    """

    planned: Planned
    state: State
    said: Line[StepTick] | None
    missing: tuple[str, ...] = ()
    awaits: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Progress:
    """A job in its plan.

    Attributes
    ----------
    standings : every step in order
    next : the step to do now: the first that is open; None where none is
    vanished : what was said of steps the plan no longer has
    left_out : what has no place in the plan, in a sentence each
    """

    standings: tuple[Standing, ...]
    next: Standing | None
    vanished: tuple[Line[StepTick], ...]
    left_out: tuple[str, ...] = ()

    @property
    def done(self) -> int:
        """How many are passed."""
        return sum(s.state in PASSED for s in self.standings)


def progress(plan: Plan, record: Iterable[Line], awaited: Collection[str] = ()) -> Progress:
    """Where a job stands.

    Parameters
    ----------
    plan : its plan
    record : what was said of the job
    awaited : keys of the parts that are ordered and not here
    """
    said = in_force(record, StepTick)
    state: dict[str, State] = {}
    standings = []
    for planned in plan.steps:
        line = said.get(planned.key)
        missing = tuple(n for n in planned.needs if state[n] not in PASSED)
        awaits = tuple(part for part in planned.step.parts if part in awaited)
        state[planned.key] = _state(line, missing, awaits)
        standings.append(Standing(planned, state[planned.key], line, missing, awaits))
    following = next((s for s in standings if s.state == "open"), None)
    gone = tuple(line for key, line in said.items() if key not in plan.by_key)
    return Progress(tuple(standings), following, gone, plan.left_out)


def _state(line: Line[StepTick] | None, missing: Collection[str], awaits: Collection[str]) -> State:
    if line is not None:
        return "overridden" if line.answer == "overridden" else "done"
    return "shut" if missing else "waits" if awaits else "open"


def read_evidence(
    plan: Plan, line: Line[StepTick], standing: Mapping[str, Standing], left: Collection[Turn] = ()
) -> None:
    """What is said of a step, where it proves it.

    Parameters
    ----------
    plan, standing : the plan, and where every step stands
    line : what is said
    left : turns of its bolts that are not ticked off

    Raises
    ------
    UnreadableEntry : no such step, one whose turn has not come, or nothing that proves it
    """
    planned = plan.by_key.get(line.key)
    if planned is None:
        raise UnreadableEntry(f"“{line.key}” is no step of this plan")
    if line.answer == "open":
        return
    here = standing[line.key]
    if here.state == "shut":
        first = plan.by_key[here.missing[0]].step.title
        raise UnreadableEntry(f"{planned.step.title}: its turn has not come; first: {first.lower()}")
    if line.answer == "overridden" and not planned.step.hold:
        raise UnreadableEntry(f"{planned.step.title}: only a hold point is overridden")
    if left and line.answer == "done":
        bolts = ", ".join(dict.fromkeys(str(turn.bolt) for turn in left))
        raise UnreadableEntry(f"{planned.step.title}: not ticked off yet: bolt {bolts}")
    if planned.step.signed and not line.who:
        raise UnreadableEntry(f"{planned.step.title}: say who says so")
    if line.answer == "done" and planned.step.evidence in {"reading", "sentence"} and not line.statement.text:
        wanted = "what was read" if planned.step.evidence == "reading" else "what was found, in a few words"
        raise UnreadableEntry(f"{planned.step.title}: say {wanted}")


def pulled(record: Iterable[Line], step: str) -> dict[str, Line[BoltTick]]:
    """Turn of a step -> what was said of it last, ticked off or to be looked at again, in the order they were.

    >>> list(pulled([Line("flywheel_on:4", BoltTick(answer="done"))], "flywheel_on"))
    ['4']
    """
    ahead = f"{step}:"
    found = in_force(record, BoltTick)
    return {key.removeprefix(ahead): line for key, line in found.items() if key.startswith(ahead)}


def ticked(record: Iterable[Line], step: str) -> tuple[str, ...]:
    """The turns of a step's bolts that are ticked off, in the order they were."""
    return tuple(key for key, line in pulled(record, step).items() if line.answer == "done")


def read_tick(line: Line[BoltTick], standing: Mapping[str, Standing], turns: Collection[Turn]) -> None:
    """A bolt that is ticked off, where its step has one and its turn has come.

    Raises
    ------
    UnreadableEntry : no such bolt, or a step whose turn has not come
    """
    step, _, turn = line.key.rpartition(":")
    here = standing.get(step)
    if here is None or turn not in {each.key for each in turns}:
        raise UnreadableEntry(f"“{line.key}” is no bolt of this plan")
    if here.state == "shut":
        raise UnreadableEntry(f"{here.planned.step.title}: its turn has not come")


def hold_against(
    line: Line,
    plan: Plan,
    found: Progress,
    record: Iterable[Line],
    known: Mapping[str, object],
    shop: Iterable[Line] = (),
) -> None:
    """What is said of a plan, where it can be: an answer it depends on, a step, a bolt, a step of one's own.

    Parameters
    ----------
    line : what is said
    plan, found : the plan, and where the job stands in it
    record : what was said before
    known : figures of the planned build [SI]
    shop : the steps the shop adds to every plan, as lines

    Raises
    ------
    UnreadableEntry : it is no answer, no step and no bolt of this plan, or its turn has not come
    """
    standing, record = {s.planned.key: s for s in found.standings}, list(record)
    if line.of(PlanAnswer):
        question = QUESTIONS.get(line.key)
        if question is None or line.answer not in question.options:
            raise UnreadableEntry(f"“{line.answer}” is no answer to “{line.key}”")
    if step := line.of(StepTick):
        read_evidence(plan, step, standing, left_of(turns_in(plan, line.key, known, record), ticked(record, line.key)))
    if bolt := line.of(BoltTick):
        read_tick(bolt, standing, turns_in(plan, line.key.rpartition(":")[0], known, record))
    if line.of(JointInstruction):
        joint = line.key.partition(":")[0].strip()
        if joint not in {p.step.joint for p in plan.steps if p.step.joint}:
            raise UnreadableEntry(f"“{joint}” is no joint of this plan")
    if line.of(AtStep) and line.key not in plan.by_key:
        raise UnreadableEntry(f"“{line.key}” is no step of this plan")
    own = line.of(OwnStep)
    if own and own.answer == "asked":
        after = own.statement.after
        if after and after not in plan.by_key:
            raise UnreadableEntry(f"“{after}” is no step of this plan")
        fits([*shop, *record, line], [line])


def fits(record: Iterable[Line], new: Iterable[Line]) -> None:
    """Whether new steps of one's own have a place in every plan.

    Parameters
    ----------
    record : the steps there are, of the shop and of the job, with the new ones
    new : those that are said now

    Raises
    ------
    UnreadableEntry : one comes after itself, or there are more than a plan takes
    """
    placed = {step.key for step in without_circles(own_steps(record))[0]}
    for line in new:
        if line.answer == "asked" and own_key(line.key) not in placed:
            raise UnreadableEntry(
                f"“{line.key}” comes after itself, or is one more than the {MOST_OWN} steps of one's own a plan takes"
            )


def turns_in(plan: Plan, key: str, known: Mapping[str, object], record: Iterable[Line]) -> tuple[Turn, ...]:
    """The turns of a step's bolts; nothing where it has none, or nobody said how many."""
    planned = plan.by_key.get(key)
    return turns_of_step(planned.step, known, record) if planned else ()


def turns_of_step(step: Step, known: Mapping[str, object], record: Iterable[Line]) -> tuple[Turn, ...]:
    """The turns of a step that is proved by its bolts; nothing of one that only names its joint."""
    return turns_at(step.joint, known, record) if step.evidence == "bolts" else ()


def own_steps(record: Iterable[Line]) -> list[Step]:
    """The steps a record adds: each after the step it names, before the last look."""
    return [
        Step(
            own_key(line.key),
            line.key,
            "fit",
            tuple(filter(None, (line.statement.after,))),
            note=line.statement.note,
        )
        for line in in_force(record, OwnStep).values()
    ]


def own_key(title: str) -> str:
    """The name of a step of one's own, for good.

    >>> own_key("Paint the trace on every bolt")
    'own:paint_the_trace_on_every_bolt'
    """
    return OWN + name_key(title, "step", 60)


def own_keys_of_before(titles: Iterable[str]) -> dict[str, str]:
    """Key of before -> key, of steps of one's own.

    >>> own_keys_of_before(["Paint bolt #1"])
    {'own:paint_bolt_1': 'own:paint_bolt_1_243fb335506c'}
    """
    return {OWN + old: OWN + key for old, key in keys_of_before(titles, "step", 60).items()}
