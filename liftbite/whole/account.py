"""The account of a job: what came out, what went in, what was proved; screens, papers and gates read it.

- `Account`       everything that is true of a job now, each part of it worked out once
- `AnswerNow`     one of the four answers, with what it speaks of and what it stands on
- `account_of`    of a job's bench
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property
from typing import Literal

from liftbite.core.account.complaints import Complaint, complaints_account
from liftbite.core.account.parts import ON_THE_WAY, PLANNED, PartLine, new_faces, part_lines
from liftbite.core.account.points import Point, Status, status_of
from liftbite.core.account.read import ReadPart
from liftbite.core.fit.case import Case
from liftbite.core.fit.plan import Plan
from liftbite.core.fit.progress import PASSED, Progress
from liftbite.core.job.builds import entering, entries_of, with_entries
from liftbite.core.job.ledger import FOUND, PLAN, Entry
from liftbite.core.job.parts import APART, fate_of
from liftbite.core.measure.parts_list import Need
from liftbite.core.prove.running_in import RunningIn
from liftbite.core.prove.statements import ComplaintClosed, ProvedFault
from liftbite.core.verdicts.answers import Answers, answer
from liftbite.core.verdicts.verdict import GOOD_STATES, OPEN_STATES, Verdict
from liftbite.core.verdicts.words import verdict_sentence
from liftbite.whole.bench import Bench, findings_of
from liftbite.whole.fault import complaints_of
from liftbite.whole.parts_list import needs_of, said_of_parts
from liftbite.whole.plan import case_of_job, plan_of_job, progress_with
from liftbite.whole.points import points_of
from liftbite.whole.read_parts import read_parts
from liftbite.whole.road import bedding_of

#: Opening -> the scope that reaches as far.
_SCOPES = ("hydraulics", "bearing", "clutch", "everything")
#: What says how strong the engine is, each enough by itself.
_ENGINE = ("peak_torque", "peak_power", "measured_curve")


@dataclass(frozen=True, slots=True)
class AnswerNow:
    """One of the four answers.

    Attributes
    ----------
    verdict : the answer
    speaks_of : the clutch as it stands, or as it is planned
    asked : False of Bite where nobody said how strong the engine is: a class stands in for it
    assumed : inputs what decides it stands on that nobody entered
    """

    verdict: Verdict
    speaks_of: Literal["stands", "planned"]
    asked: bool
    assumed: tuple[str, ...]


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
    def _wanted(self) -> tuple[PartLine, ...]:
        """The list before anything was ticked: what somebody's word plans, and how far its orders are."""
        needs = needs_of(self.bench, self.reach, worn_together=False)
        return part_lines(needs, said_of_parts(self.bench), self.case, Progress((), None, ()))

    @cached_property
    def faces(self) -> tuple[str, ...]:
        """Parts whose friction face is new or cut."""
        return new_faces(self._wanted, self.case)

    @cached_property
    def plan(self) -> Plan:
        """The steps, with one for every part that is planned."""
        got = [line.part for line in self._wanted if line.work == "get" and line.state in PLANNED]
        return plan_of_job(self.bench, self.case, got)

    @cached_property
    def standing(self) -> Progress:
        """Where the job stands in its plan."""
        awaited = [line.part for line in self._wanted if line.state in ON_THE_WAY]
        return progress_with(self.bench, self.case, self.plan, awaited, self.faces)

    @cached_property
    def needs(self) -> list[Need]:
        """The list, with its reasons."""
        return needs_of(self.bench, self.reach)

    @cached_property
    def parts(self) -> tuple[PartLine, ...]:
        """Every part the job touches, with its state and what that rests on."""
        return part_lines(self.needs, said_of_parts(self.bench), self.case, self.standing)

    @cached_property
    def fitted(self) -> frozenset[str]:
        """Parts of which a new one is fitted."""
        return frozenset(line.part for line in self.parts if line.work == "get" and line.state == "fitted")

    # --- what was read

    @cached_property
    def read(self) -> tuple[ReadPart, ...]:
        """What was read, or closed unread: of whose part, what it came to, and what was done about it."""
        return read_parts(self.bench, self.parts)

    @cached_property
    def unread(self) -> tuple[str, ...]:
        """Checks the job asks for and nobody read to the end, by their titles; nothing of figures the sums can do
        without."""
        bench = self.bench.seen_as(PLAN if self.started else FOUND)
        done = {each.check.name for each in self.read if each.finding.taken and not each.finding.to_go}
        return tuple(
            check.title
            for check in bench.checks
            if check.kind != "figure" and bench.wants(check) and check.name not in done
        )

    @cached_property
    def complaints(self) -> tuple[Complaint, ...]:
        """What was complained of, and what became of it."""
        proved = [key for key, line in self.bench.said_of(ProvedFault).items() if line.answer == "found"]
        findings = findings_of(self.bench.seen_as(FOUND))
        return complaints_account(complaints_of(self.bench), findings, proved, self.bench.said_of(ComplaintClosed))

    # --- the four answers

    @cached_property
    def started(self) -> bool:
        """True once the engine was started: from then on there is only what stands."""
        return any(s.planned.key == "start" and s.state in PASSED for s in self.standing.standings)

    @cached_property
    def stands(self) -> Answers:
        """The answers of the clutch as it stands: of each planned part that is not fitted, the one that was found."""
        plan = self.bench.layers[PLAN]
        fates = {part: self.case.fates[part] for part in self.case.fates if self.case.fates[part] in APART}
        waiting = [part for part, fate in fates.items() if fate != "left_out" and part not in self.fitted]
        if not waiting:
            return self.planned
        layers = self.bench.layers
        for part in fates if not self.fitted else waiting:
            back = entering(layers, PLAN, [Entry(fate_of(part), "stays")])
            layers = with_entries(layers, back)
        return answer(entries_of(layers)) if layers[PLAN] != plan else self.planned

    @cached_property
    def planned(self) -> Answers:
        """The answers of the clutch as it is planned."""
        return answer(entries_of(self.bench.layers))

    @cached_property
    def answers(self) -> tuple[AnswerNow, ...]:
        """The four answers that lead: of the plan, and once the engine was started of what stands."""
        return self._answers("stands" if self.started else "planned")

    @cached_property
    def answers_beside(self) -> tuple[AnswerNow, ...]:
        """The four answers of the clutch as it stands; empty where that leads, or is as planned."""
        return () if self.started or self.stands is self.planned else self._answers("stands")

    def _answers(self, speaks_of: Literal["stands", "planned"]) -> tuple[AnswerNow, ...]:
        answers = self.stands if speaks_of == "stands" else self.planned
        entered = any(name in answers.build.entries for name in _ENGINE)
        return tuple(
            AnswerNow(
                verdict,
                speaks_of,
                entered or verdict.question != "bite" or verdict.state in ("open", "cannot be", "does not fit"),
                verdict.deciding.basis.assumed if verdict.deciding else (),
            )
            for verdict in (answers.verdict, *answers.others)
        )

    # --- the road, and what is not done

    @cached_property
    def bedding(self) -> RunningIn:
        """How far it is bedded in."""
        return bedding_of(self.bench, self.faces)

    @cached_property
    def points(self) -> tuple[Point, ...]:
        """What is not done, and known."""
        of_job = points_of(self.bench, self.case, self.standing, self.parts, self.unread, self.complaints, self.bedding)
        return (*self._points_of_answers(), *of_job)

    def _points_of_answers(self) -> Iterator[Point]:
        """Answers that fall short, and those nobody can give."""
        for each in self.answers:
            if each.asked and each.verdict.state not in GOOD_STATES | OPEN_STATES:
                says = f"{each.verdict.question.capitalize()}: {verdict_sentence(each.verdict).rstrip('.')}"
                yield Point("answers", "choose", (says,), each.verdict.question)
        missing = [a.verdict.question.capitalize() for a in self.answers if not a.asked or a.verdict.state == "open"]
        if missing:
            yield Point("not answered", "choose", tuple(missing))

    @cached_property
    def status(self) -> Status:
        """Whether the work was begun, is in work, or finished."""
        passed = [s.planned.key for s in self.standing.standings if s.state in PASSED and (s.said or s.settled)]
        return status_of(self.points, passed)


def account_of(bench: Bench) -> Account:
    """The account of a job, made once for a bench."""
    if "account" not in bench.memo:
        bench.memo["account"] = Account(bench)
    found: Account = bench.memo["account"]
    return found
