"""The account of a job: what came out, what went in, what was proved; screens, papers and gates read it.

- `Account`       everything that is true of a job now, each part of it worked out once
- `account_of`    of a job's bench
- `Undoes`, `undoes`   what planning a part now would undo
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property

from liftbite.core.account.answers import AnswerNow, answers_now, layers_that_stand, points_of_answers
from liftbite.core.account.complaints import Complaint, complaints_account
from liftbite.core.account.parts import ON_THE_WAY, PLANNED, PartLine, new_faces, part_lines
from liftbite.core.account.points import Point, Status, status_of
from liftbite.core.account.read import ReadPart
from liftbite.core.fit.case import Case
from liftbite.core.fit.plan import Plan
from liftbite.core.fit.progress import PASSED, Progress, Standing, undone_in
from liftbite.core.job.builds import entering, entries_of, with_entries
from liftbite.core.job.ledger import FOUND, PLAN, Entry
from liftbite.core.job.parts import PARTS, fate_of
from liftbite.core.measure.judgement import Finding
from liftbite.core.measure.parts_list import Need
from liftbite.core.prove.cards import card_named, items_of
from liftbite.core.prove.hand_over import look_at
from liftbite.core.prove.running_in import RunningIn
from liftbite.core.prove.statements import ComplaintClosed, ProvedFault
from liftbite.core.verdicts.answers import Answers, answer
from liftbite.whole.bench import Bench, finding_of, findings_of
from liftbite.whole.fault import complaints_of, told_only
from liftbite.whole.parts_list import needs_of, said_of_parts
from liftbite.whole.plan import case_of_job, plan_of_job, progress_with
from liftbite.whole.points import points_of
from liftbite.whole.read_parts import read_parts
from liftbite.whole.road import bedding_of

#: After every moment a record can have.
_LATEST = "9999"
#: Opening -> the scope that reaches as far.
_SCOPES = ("hydraulics", "bearing", "clutch", "everything")


@dataclass(frozen=True)
class Account:
    """Everything that is true of a job now, each part of it worked out once.

    Attributes
    ----------
    bench : what it is derived from
    """

    bench: Bench

    # --- parts, plan, work

    @cached_property
    def case(self) -> Case:
        """What the plan is made from."""
        return case_of_job(self.bench)

    @cached_property
    def reach(self) -> str:
        """How far the job goes, as it was said and as its parts want: a scope; empty where nobody said."""
        return _SCOPES[self.case.opening] if self.bench.scope_said else ""

    @cached_property
    def _planned_needs(self) -> list[Need]:
        """The list without what the four answers say of it, which plan and gates do without."""
        return needs_of(self.bench, self.reach, worn_together=False)

    @cached_property
    def _wanted(self) -> tuple[PartLine, ...]:
        """What somebody's word plans, and how far its orders are, before anything was ticked."""
        lines = part_lines(self._planned_needs, said_of_parts(self.bench), self.case, Progress((), None, ()))
        return tuple(line for line in lines if line.state in PLANNED)

    @cached_property
    def faces(self) -> tuple[str, ...]:
        """Parts whose friction face is new or cut."""
        return new_faces(self._wanted, self.case)

    @cached_property
    def plan(self) -> Plan:
        """The steps, with one for every part that is planned."""
        return plan_of_job(self.bench, self.case, [line.part for line in self._wanted if line.work == "get"])

    @cached_property
    def standing(self) -> Progress:
        """Where the job stands in its plan."""
        awaited = [line.part for line in self._wanted if line.state in ON_THE_WAY]
        return progress_with(self.bench, self.case, self.plan, awaited, self.faces)

    @cached_property
    def planned_parts(self) -> tuple[PartLine, ...]:
        """The parts somebody's word plans, with their states."""
        lines = part_lines(self._planned_needs, said_of_parts(self.bench), self.case, self.standing)
        return tuple(line for line in lines if line.state in PLANNED)

    @cached_property
    def needs(self) -> list[Need]:
        """The list, with its reasons."""
        return needs_of(self.bench, self.reach)

    @cached_property
    def parts(self) -> tuple[PartLine, ...]:
        """Every part the job touches, with its state and what that rests on."""
        return part_lines(self.needs, said_of_parts(self.bench), self.case, self.standing)

    @cached_property
    def looked_again(self) -> bool:
        """True once it was looked at again after its first kilometres."""
        return any(s.planned.key == "recheck" and s.state in PASSED for s in self.standing.standings)

    @cached_property
    def look_at(self) -> str:
        """What is looked at again then, as an owner calls it."""
        card = card_named("recheck")
        return look_at(items_of(card, self.case) if card else ())

    # --- what was read

    @cached_property
    def read(self) -> tuple[ReadPart, ...]:
        """What was read, or closed unread: of whose part, what it came to, and what was done about it."""
        return read_parts(self.bench, self.parts)

    @cached_property
    def unread(self) -> tuple[str, ...]:
        """Checks the job asks for and nobody read to the end, of the old part or of the new one, by their titles.

        Nothing of figures the sums can do without.
        """
        found, plan = self.bench.seen_as(FOUND), self.bench.seen_as(PLAN)
        looked = plan if self.started else found
        asked = (check for check in looked.checks if check.kind != "figure" and looked.wants(check))
        return tuple(check.title for check in asked if all(_is_unread(finding_of(b, check)[0]) for b in (found, plan)))

    @cached_property
    def complaints(self) -> tuple[Complaint, ...]:
        """What was complained of, and what became of it."""
        proved = [key for key, line in self.bench.said_of(ProvedFault).items() if line.answer == "found"]
        findings = findings_of(self.bench.seen_as(FOUND))
        closed = self.bench.said_of(ComplaintClosed)
        return complaints_account(complaints_of(self.bench), findings, proved, closed, told_only(self.bench))

    # --- the four answers

    @cached_property
    def started(self) -> bool:
        """True once the engine was started: from then on there is only what stands."""
        return any(s.planned.key == "start" and s.state in PASSED for s in self.standing.standings)

    @cached_property
    def planned(self) -> Answers:
        """The answers of the clutch as it is planned."""
        return answer(entries_of(self.bench.layers))

    @cached_property
    def stands(self) -> Answers:
        """The answers of the clutch as it stands."""
        done = [line.part for line in self.parts if line.state == "left_out" or _is_new(line)]
        layers = layers_that_stand(self.bench.layers, self.case.fates, done)
        return self.planned if layers is self.bench.layers else answer(entries_of(layers))

    @cached_property
    def answers(self) -> tuple[AnswerNow, ...]:
        """The four answers that lead: of the plan, and once the engine was started of what stands."""
        return answers_now(self.stands, "stands") if self.started else answers_now(self.planned, "planned")

    @cached_property
    def answers_beside(self) -> tuple[AnswerNow, ...]:
        """The four answers of the clutch as it stands; empty where that leads, or is as planned."""
        return () if self.started or self.stands is self.planned else answers_now(self.stands, "stands")

    # --- the road, and what is not done

    @cached_property
    def bedding(self) -> RunningIn:
        """How far it is bedded in."""
        return bedding_of(self.bench, self.faces)

    @cached_property
    def points(self) -> tuple[Point, ...]:
        """What is not done, and known."""
        of_job = points_of(
            self.bench, self.case, self.standing, self.parts, self.read, self.unread, self.complaints, self.bedding
        )
        return (*points_of_answers(self.answers), *of_job)

    @cached_property
    def status(self) -> Status:
        """Whether the work was begun, is in work, or finished."""
        passed = [s.planned.key for s in self.standing.standings if s.state in PASSED and (s.said or s.settled)]
        return status_of(self.points, passed)


def _is_unread(finding: Finding) -> bool:
    return not finding.taken or finding.to_go > 0


def _is_new(line: PartLine) -> bool:
    return line.work == "get" and line.state == "fitted"


@dataclass(frozen=True, slots=True)
class Undoes:
    """What a change of the plan does to work that was done.

    Attributes
    ----------
    more : steps it adds
    again : steps that were done and are to be done again
    """

    more: tuple[Standing, ...]
    again: tuple[Standing, ...]


def undoes(bench: Bench, entries: Sequence[Entry]) -> Undoes:
    """What it would undo to plan parts now.

    Parameters
    ----------
    entries : the fates that would be entered

    Raises
    ------
    UnreadableEntry : one of them cannot be entered
    """
    now = account_of(bench)
    layers = with_entries(bench.layers, entering(bench.layers, PLAN, entries))
    planned = {part: ("", _LATEST) for part in PARTS if any(e.quantity == fate_of(part) for e in entries)}
    then = Account(replace(bench, layers=layers, planned_by={**bench.planned_by, **planned}))
    more = tuple(s for s in then.standing.standings if s.planned.key not in now.plan.by_key)
    already = {s.planned.key for s in undone_in(now.standing, _taking(now))}
    again = undone_in(
        then.standing, _taking(then) | {s.planned.key for s in more if s.planned.step.stretch != "before"}
    )
    return Undoes(more, tuple(s for s in again if s.planned.key not in already))


def _taking(account: Account) -> set[str]:
    return {key for line in account.planned_parts for key in line.left}


def account_of(bench: Bench) -> Account:
    """The account of a job, made once for a bench."""
    if "account" not in bench.memo:
        bench.memo["account"] = Account(bench)
    found: Account = bench.memo["account"]
    return found
