"""Where a job stands in its plan.

- `State`, `Standing`, `progress`   every step with its state, why it is shut, and what comes next
- `Evidence`     what is known of a job beside the ticks: parts on their way, lines looked up, steps done on a card
- `Known`        that a step is done, from elsewhere, and when
- `Group`, `groups_of`   its steps by stretch, with those that one name can tick in one go
- `undone_in`   steps done that are to be done again for a part planned after them
- `gone_of`, `order_of_ticks`   steps that are not on this job; those done, in order
- `hold_against`                    what is said of a plan, where it can be
- `read_evidence`                   what is said of a step, checked against what proves it
- `turns_in`, `turns_of_step`       the bolts of a step, turn by turn
- `pulled`, `ticked`, `read_tick`   those of which something was said, and those that are ticked off
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from itertools import groupby
from typing import Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.case import QUESTIONS
from liftbite.core.fit.holds import Look, OverriddenLine, Stands, overridden_in, refuse_shut, standing_of
from liftbite.core.fit.joints import JOINTS
from liftbite.core.fit.library import LIBRARY
from liftbite.core.fit.own_steps import fits
from liftbite.core.fit.plan import Plan, Planned
from liftbite.core.fit.statements import AtStep, BoltTick, NotHere, OwnStep, PlanAnswer, StepTick
from liftbite.core.fit.step import ALL_READ, Reason, Step, Stretch
from liftbite.core.fit.tightening import JointInstruction, Turn, chosen_of, left_of, turns_at
from liftbite.core.job.record import Line, Statement, in_force, lines_of

State = Literal["done", "overridden", "open", "waits", "shut"]
#: States with which what comes after may begin.
PASSED = ("done", "overridden")
#: What is said of a step that is found done, or done elsewhere.
DONE_BEFORE = ("found_done", "elsewhere")


@dataclass(frozen=True, slots=True)
class Known:
    """That a step is done by what was said elsewhere: what, and when [ISO 8601, UTC]."""

    says: str
    at: str = ""


@dataclass(frozen=True, slots=True)
class Evidence:
    """What is known of a job beside the ticks.

    Attributes
    ----------
    awaited : keys of the parts that are ordered and not here
    looks : hold point -> the lines it looks up
    proved : step -> from what it is known to be done: its card, its reading, its bleeding
    asked : step -> where its fact is asked, in words, where this job can say it there: no hand ticks it here
    elsewhere : True where the job was taken down elsewhere: what takes off is found done
    """

    awaited: Collection[str] = ()
    looks: Mapping[str, Sequence[Look]] = field(default_factory=dict)
    proved: Mapping[str, Known] = field(default_factory=dict)
    asked: Mapping[str, str] = field(default_factory=dict)
    elsewhere: bool = False


@dataclass(frozen=True, slots=True)
class Standing:
    """A step and how it stands.

    Attributes
    ----------
    planned, state : the step and its state
    said : what was said of it last; None where nothing was
    missing : steps that are to come first and are not done
    awaits : parts it takes that are on their way
    settled : that it was found done, or done elsewhere; None where not said
    known : from what else it is known to be done; empty where it is not
    asked : where its fact is asked and not said yet; empty where it is ticked here
    again : the step that was opened again, on which its proof rested; empty where none was
    lines : what a hold point looks up
    since : place in the record before which nothing said of it counts
    """

    planned: Planned
    state: State
    said: Line[StepTick] | None
    missing: tuple[str, ...] = ()
    awaits: tuple[str, ...] = ()
    settled: Line[NotHere] | None = None
    known: str = ""
    asked: str = ""
    again: str = ""
    lines: tuple[Stands, ...] = ()
    since: int = 0

    @property
    def reason(self) -> Reason | None:
        """Why it is shut: what it waits for first, and why; None where it is not."""
        return self.planned.why.get(self.missing[0]) if self.state == "shut" and self.missing else None


@dataclass(frozen=True, slots=True)
class Progress:
    """A job in its plan.

    Attributes
    ----------
    standings : every step in order
    next : the step to do now: the first that is open; None where none is
    vanished : what was said of steps the plan no longer has
    left_out : what has no place in the plan, in a sentence each
    gone : steps that are not on this job: there is none, or it stays on
    """

    standings: tuple[Standing, ...]
    next: Standing | None
    vanished: tuple[Line[StepTick], ...]
    left_out: tuple[str, ...] = ()
    gone: tuple[Line[NotHere], ...] = ()

    @property
    def done(self) -> int:
        """How many are passed."""
        return sum(s.state in PASSED for s in self.standings)


def undone_in(found: Progress, roots: Collection[str]) -> tuple[Standing, ...]:
    """Steps that were done and are to be done again, because what comes before them was planned after it.

    Parameters
    ----------
    found : where a job stands
    roots : steps that put in what was planned and is not in, also those that were done before it was planned

    >>> undone_in(Progress((), None, ()), ["rear_seal_in"])
    ()
    """
    behind, again = set(roots), []
    for s in found.standings:
        if s.planned.key in behind or behind.intersection(s.planned.needs):
            behind.add(s.planned.key)
            if s.state in PASSED and s.planned.step.stretch not in ("before", "down"):
                again.append(s)
    return tuple(again)


def gone_of(record: Iterable[Line]) -> dict[str, Line[NotHere]]:
    """Steps that are not on this job: there is none, or it stays on."""
    return {key: line for key, line in in_force(record, NotHere).items() if line.answer not in DONE_BEFORE}


def order_of_ticks(record: Iterable[Line]) -> list[str]:
    """Steps that are done, in the order this job did them."""
    order: dict[str, None] = {}
    for line in lines_of(record, StepTick):
        order.pop(line.key, None)
        if not line.is_taken_back:
            order[line.key] = None
    return list(order)


def progress(plan: Plan, record: Iterable[Line], known: Evidence | None = None) -> Progress:
    """Where a job stands.

    Parameters
    ----------
    plan : its plan
    record : what was said of the job, in order
    known : what is known of it beside
    """
    known, record = known or Evidence(), list(record)
    said, settled = in_force(record, StepTick), in_force(record, NotHere)
    overridden, opened = overridden_in(record), _opened_again(record)
    at, settled_at = _places(record, StepTick), _places(record, NotHere)
    state: dict[str, State] = {}
    standings = []
    for planned in plan.steps:
        key = planned.key
        line = said.get(key)
        since, again = _since(plan, key, opened)
        if line is not None and planned.step.proves and at[key] < since:
            line = None
        else:
            again = again if line is None else ""
        if planned.step.fact == ALL_READ and known.asked.get(key):
            line = None  # what was said of before does not stand for checks that nobody read
        lines = tuple(standing_of(key, known.looks.get(key, ()), overridden))
        missing = tuple(n for n in planned.needs if state[n] not in PASSED)
        awaits = tuple(part for part in planned.step.parts if part in known.awaited)
        done = settled.get(key)
        if done is not None and planned.step.proves and settled_at[key] < since:
            done = None
        by = "" if missing else _known(known.proved.get(key), record, since)
        by = by or _taken_down(planned.step, known)
        passed = line if not any(each.shuts for each in lines) else None
        state[key] = _state(passed, missing, awaits, done is not None or bool(by))
        by = by if line is None else ""
        asked = "" if state[key] in PASSED else known.asked.get(key, "")
        again = again if state[key] not in PASSED else ""
        standings.append(Standing(planned, state[key], passed, missing, awaits, done, by, asked, again, lines, since))
    following = next((s for s in standings if s.state == "open"), None)
    gone = gone_of(record)
    vanished = tuple(line for key, line in said.items() if key not in plan.by_key)
    return Progress(tuple(standings), following, vanished, plan.left_out, tuple(gone.values()))


def _known(found: Known | None, record: Sequence[Line], since: int) -> str:
    """From what a step is known to be done; empty where that was said before what it rests on was opened again."""
    if found is None or (since and found.at and found.at < record[since].at):
        return ""
    return found.says


def _taken_down(step: Step, known: Evidence) -> str:
    """That a step was done before the job came here; empty where it was not, or has to be done here as well."""
    if not known.elsewhere or step.stretch != "down" or step.guards:
        return ""
    return "taken down elsewhere: no marks"


def _places(record: Sequence[Line], kind: type[Statement]) -> dict[str, int]:
    """Step -> where in the record something of a kind was said of it last."""
    return {line.key: n for n, line in enumerate(record) if line.of(kind)}


def _opened_again(record: Sequence[Line]) -> dict[str, int]:
    """Step -> where in the record it was opened again last."""
    return {line.key: n for n, line in enumerate(record) if line.of(StepTick) and line.is_taken_back}


def _since(plan: Plan, key: str, opened: Mapping[str, int]) -> tuple[int, str]:
    """From where in the record something said of a step counts, and the step that was opened there.

    What takes off is not what a proof rests on: opened again, it says only that it was not done.
    """
    found, again = 0, ""
    for other, place in opened.items():
        ours = other in plan.by_key and plan.by_key[other].step.stretch not in ("before", "down")
        if place > found and ours and (other == key or other in plan.rests_on[key]):
            found, again = place, other
    return found, again


def _state(line: Line[StepTick] | None, missing: Collection[str], awaits: Collection[str], done: bool = False) -> State:
    if line is not None:
        return "overridden" if line.answer == "overridden" else "done"
    if done:
        return "done"
    return "shut" if missing else "waits" if awaits else "open"


@dataclass(frozen=True, slots=True)
class Group:
    """Steps of one stretch that stand together in the plan.

    Attributes
    ----------
    stretch : the stretch
    standings : its steps, in order
    in_one_go : keys of those that one name can tick now, in order: plain ones, each with all before it done by then
    """

    stretch: Stretch
    standings: tuple[Standing, ...]
    in_one_go: tuple[str, ...]

    @property
    def done(self) -> int:
        """How many are passed."""
        return sum(s.state in PASSED for s in self.standings)


def groups_of(found: Progress) -> list[Group]:
    """The steps of a plan by the stretches they stand in."""
    passed = {s.planned.key for s in found.standings if s.state in PASSED}
    groups = []
    for stretch, standings in groupby(found.standings, key=lambda s: s.planned.step.stretch):
        members, then = tuple(standings), set(passed)
        ready = []
        for s in members:
            step = s.planned.step
            plain = step.evidence == "tick" and not (step.hold or step.signed or s.awaits or s.again or s.asked)
            plain = plain and not any(each.shuts for each in s.lines)
            if s.planned.key not in passed and plain and then.issuperset(s.planned.needs):
                ready.append(s.planned.key)
                then.add(s.planned.key)
        groups.append(Group(stretch, members, tuple(ready)))
    return groups


def shut_words(here: Standing, plan: Plan) -> str:
    """Why a step is shut, and what comes first: empty where it is not.

    >>> from liftbite.core.fit.plan import Plan
    >>> shut_words(Standing(Planned(LIBRARY["bled"], (), {}), "open", None), Plan(()))
    ''
    """
    if here.state != "shut":
        return ""
    first = plan.by_key[here.missing[0]].step.title
    reason = here.reason
    says = f"{reason.says}; " if reason else ""
    return f"{says}first: {first[0].lower()}{first[1:]}"


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
        raise UnreadableEntry(f"{planned.step.title}: shut: {shut_words(here, plan)}")
    if line.answer == "overridden" and (not planned.step.hold or planned.step.signed):
        raise UnreadableEntry(f"{planned.step.title}: only a hold point is overridden, and never the cautions")
    refuse_shut(line.key, here.lines)
    if line.answer == "done" and here.asked:
        raise UnreadableEntry(f"{planned.step.title}: said {here.asked}; it is ticked from there")
    if left and line.answer == "done":
        bolts = ", ".join(dict.fromkeys(str(turn.bolt) for turn in left))
        raise UnreadableEntry(f"{planned.step.title}: not ticked off yet: bolt {bolts}")
    if planned.step.signed and not line.who:
        raise UnreadableEntry(f"{planned.step.title}: say who says so")
    if line.answer == "done" and planned.step.evidence in {"reading", "sentence"} and not _is_said(line.statement.text):
        wanted = "what was read" if planned.step.evidence == "reading" else "what was seen, in a few words"
        raise UnreadableEntry(f"{planned.step.title}: say {wanted}")


def _is_said(text: str) -> bool:
    """True of what says something: a figure, or a word of two letters; “x” says nothing.

    >>> _is_said("x"), _is_said("0.4 mm"), _is_said("ok"), _is_said("4")
    (False, True, True, True)
    """
    return any(c.isdigit() for c in text) or sum(c.isalpha() for c in text) > 1


def pulled(record: Iterable[Line], step: str, since: int = 0) -> dict[str, Line[BoltTick]]:
    """Turn of a step -> what was said of it last, ticked off or to be looked at again, in the order they were.

    Parameters
    ----------
    record : what was said of the job
    step : key of the step
    since : place in the record before which nothing counts: the step was opened again there

    >>> list(pulled([Line("flywheel_on:4", BoltTick(answer="done"))], "flywheel_on"))
    ['4']
    """
    ahead = f"{step}:"
    found = in_force(list(record)[since:], BoltTick)
    return {key.removeprefix(ahead): line for key, line in found.items() if key.startswith(ahead)}


def ticked(record: Iterable[Line], step: str, since: int = 0) -> tuple[str, ...]:
    """The turns of a step's bolts that are ticked off, in the order they were."""
    return tuple(key for key, line in pulled(record, step, since).items() if line.answer == "done")


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
    instructions: Iterable[Line] | None = None,
) -> None:
    """What is said of a plan, where it can be: an answer it depends on, a step, a bolt, a step of one's own.

    Parameters
    ----------
    line : what is said
    plan, found : the plan, and where the job stands in it
    record : what was said before
    known : figures of the planned build [SI]
    shop : the steps the shop adds to every plan, as lines
    instructions : what is said of joints, in Choose as well; the record where nothing else is given

    Raises
    ------
    UnreadableEntry : it is no answer, no step and no bolt of this plan, or its turn has not come
    """
    standing, record = {s.planned.key: s for s in found.standings}, list(record)
    said = record if instructions is None else list(instructions)
    if line.of(PlanAnswer):
        question = QUESTIONS.get(line.key)
        if question is None or line.answer not in question.options:
            raise UnreadableEntry(f"“{line.answer}” is no answer to “{line.key}”")
    if step := line.of(StepTick):
        since = standing[line.key].since if line.key in standing else 0
        turns = turns_in(plan, line.key, known, said)
        read_evidence(plan, step, standing, left_of(turns, ticked(record, line.key, since)))
    if bolt := line.of(BoltTick):
        read_tick(bolt, standing, turns_in(plan, line.key.rpartition(":")[0], known, said))
    if line.of(JointInstruction):
        joint = line.key.partition(":")[0].strip()
        if joint not in JOINTS and joint not in {each for p in plan.steps for each in p.step.joints}:
            raise UnreadableEntry(
                f"“{joint}” is no joint of this plan; {', '.join(JOINTS)} are, and those of own steps"
            )
    if line.of(AtStep) and line.key not in plan.by_key:
        raise UnreadableEntry(f"“{line.key}” is no step of this plan")
    if line.of(NotHere):
        _can_be_settled(line, plan, found)
    if look := line.of(OverriddenLine):
        _can_be_overridden(look, standing)
    own = line.of(OwnStep)
    if own and own.answer == "asked":
        for near in (own.statement.after, own.statement.before):
            if near and near not in plan.by_key:
                raise UnreadableEntry(f"“{near}” is no step of this plan")
        if own.statement.before and own.statement.before in {own.statement.after} | plan.before.get(
            own.statement.after, frozenset()
        ):
            raise UnreadableEntry(f"“{line.key}” comes after itself: what it comes before is done before that")
        fits([*shop, *record, line], [line])


def _can_be_settled(line: Line, plan: Plan, found: Progress) -> None:
    """A step of this plan, or one that was said not to be on the job and is again."""
    gone = {each.key for each in found.gone}
    if line.key not in plan.by_key and line.key not in gone:
        raise UnreadableEntry(f"“{line.key}” is no step of this plan")
    step = plan.by_key[line.key].step if line.key in plan.by_key else LIBRARY[line.key]
    if step.hold and line.answer != "open":
        raise UnreadableEntry(f"{step.title}: a hold point is overridden, with a name and a reason")


def _can_be_overridden(line: Line[OverriddenLine], standing: Mapping[str, Standing]) -> None:
    """A line a hold point has, and as it stands."""
    step, _, key = line.key.partition(":")
    lines = {each.look.key: each.look for each in standing[step].lines} if step in standing else {}
    if key not in lines:
        raise UnreadableEntry(f"“{line.key}” is no line of a hold point of this plan")
    if line.answer == "overridden" and lines[key].state == "good":
        raise UnreadableEntry(f"{lines[key].label}: {lines[key].says}; there is nothing to override")


def turns_in(plan: Plan, key: str, known: Mapping[str, object], record: Iterable[Line]) -> tuple[Turn, ...]:
    """The turns of a step's bolts; nothing where it has none, or nobody said how many."""
    planned = plan.by_key.get(key)
    return turns_of_step(planned.step, known, record) if planned else ()


def turns_of_step(step: Step, known: Mapping[str, object], record: Iterable[Line]) -> tuple[Turn, ...]:
    """The turns of a step, joint by joint; of a second joint each with the joint before its key.

    A step that bolts do not prove has turns only where somebody typed its instruction: then they are ticked as well.
    """
    record = list(record)
    found: list[Turn] = []
    for number, joint in enumerate(step.joints):
        if step.evidence != "bolts" and chosen_of(record, joint) is None:
            continue
        turns = turns_at(joint, known, record)
        found += (replace(t, joint=joint, key=f"{joint}/{t.key}" if number else t.key) for t in turns)
    return tuple(found)
