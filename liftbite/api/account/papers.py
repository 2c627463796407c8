"""What the papers of a job say, gathered from its account.

- `Papers`      status, answers, parts, what was read, what was done, what is not, drawings, inputs and workings
- `papers_of`   of a job
- `ReadingsOf`  the readings of a check, one by one
"""

from __future__ import annotations

from base64 import b64encode
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from sqlalchemy.orm import Session

from liftbite.api.account.models import AccountOut
from liftbite.api.account.present import account_out
from liftbite.api.choose import models as w
from liftbite.api.choose.drawing import section_out
from liftbite.api.choose.present import against_out
from liftbite.api.fit import models as mf
from liftbite.api.fit.present import plan_out
from liftbite.api.jobs import models as m
from liftbite.api.jobs import models_working as mw
from liftbite.api.jobs.present import entry_text, job_out
from liftbite.api.jobs.workings import working_out
from liftbite.api.measure.calculations import calculations_out
from liftbite.api.measure.models import TakenOut
from liftbite.api.measure.models_calculations import CalculationOut
from liftbite.api.measure.present import taken_out
from liftbite.api.photos.models import PhotoOut
from liftbite.api.photos.present import photos_of
from liftbite.api.prove import models as mp
from liftbite.api.prove.present import prove_out
from liftbite.core.account.owner import owner_answer, owner_lines
from liftbite.core.analysis.working import working
from liftbite.core.job.build import Build, label_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.groups import GROUPS, rows_of
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.measure.scope import SCOPES
from liftbite.core.prove.hand_over import briefing
from liftbite.store import jobs as store
from liftbite.store.photos import photo_bytes
from liftbite.whole.account import Account, account_of
from liftbite.whole.bench import Bench, bench_of

_TEXTS = ("registration", "mileage", "customer", "complaint", "notes")


@dataclass(frozen=True)
class ReadingsOf:
    """The readings of a check, one by one: what is measured, of which part, how it was taken."""

    title: str
    of_words: str
    readings: tuple[TakenOut, ...]


@dataclass(frozen=True)
class Papers:
    """What the papers of a job say.

    Attributes
    ----------
    account : the state of everything
    job : the plan, worked out
    about : vehicle, registration, odometer, customer, how far the job goes, revision and day
    complaint, notes : as entered
    setups : set-up calculations that came to something
    readings : what was read, one by one
    changes : builds that differ from what was found
    section : the drawing
    entered : what was entered and picked, in words
    results : question -> its results
    workings : label of what decides -> the steps to it
    plan, prove : steps, bolts, bags; bleeding, fluids, cards, drives
    owner, owner_answers : what the owner's page says of the work, heading by heading, and of the four answers
    briefing : how to treat what was built
    photos : those that are here, each with a small picture as base64
    """

    account: AccountOut
    job: m.JobOut
    about: tuple[str, ...]
    complaint: str
    notes: str
    setups: tuple[CalculationOut, ...]
    readings: tuple[ReadingsOf, ...]
    changes: tuple[w.AgainstBuildOut, ...]
    section: w.SectionOut
    entered: tuple[tuple[str, str], ...]
    results: tuple[tuple[str, tuple[m.ResultOut, ...]], ...]
    workings: tuple[tuple[str, tuple[mw.WorkingStepOut, ...]], ...]
    plan: mf.PlanOut
    prove: mp.ProveOut
    owner: tuple[tuple[str, tuple[str, ...]], ...]
    owner_answers: tuple[str, ...]
    briefing: tuple[str, ...]
    photos: tuple[tuple[PhotoOut, str], ...] = ()

    def kept(self, kind: str) -> tuple[mf.KeptOut, ...]:
        """Bags, marks, what was left over or noted."""
        return tuple(each for each in self.plan.kept if each.kind == kind)


def papers_of(session: Session, job_id: int, today: date, *, appendix: bool = False) -> Papers:
    """What the papers of a job say; workings only where an appendix is asked for.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    revisions = store.revisions_of(session, job_id)
    account = account_of(bench_of(session, job_id, FOUND))
    bench, plan = account.bench, account.bench.seen_as(PLAN)
    job = job_out(job_id, revisions, layers=bench.layers)
    text = {name: (plan.entries[name].typed or "") if name in plan.entries else "" for name in _TEXTS}
    scope = SCOPES[bench.scope] if bench.scope in SCOPES and bench.scope != "everything" else ""
    about = (
        job.vehicle,
        text["registration"],
        text["mileage"],
        text["customer"],
        scope,
        f"revision {job.revision}",
        today.isoformat(),
    )
    shown = account_out(account)
    return Papers(
        shown,
        job,
        tuple(filter(None, about)),
        text["complaint"],
        text["notes"],
        tuple(c for c in calculations_out(plan, {c.name for c in plan.checks}) if c.sentence),
        tuple(_readings(account, shown)),
        tuple(b for b in against_out(bench.layers).builds[1:] if b.says or b.parts),
        section_out(plan.build),
        _entered(plan),
        _results(job),
        _workings(job, plan.build) if appendix else (),
        plan_out(bench),
        prove_out(bench, job.revision),
        owner_lines(account.parts, account.complaints, account.points),
        tuple(owner_answer(a.question, a.state, [n.label for n in a.assumed]) for a in shown.answers),
        tuple(briefing(account.bedding, account.look_at, looked=account.looked_again)),
        _pictures(session, photos_of(session, bench.record)),
    )


def _readings(account: Account, shown: AccountOut) -> Iterable[ReadingsOf]:
    for each, out in zip(account.read, shown.read, strict=True):
        bench = account.bench.seen_as(each.build)
        series = bench.latest(each.check.name)
        if series is not None:
            yield ReadingsOf(out.title, out.of_words, tuple(taken_out(bench, each.check, series)))


def _pictures(session: Session, photos: Iterable[PhotoOut]) -> tuple[tuple[PhotoOut, str], ...]:
    small = ((photo, photo_bytes(session, photo.digest, small=True)) for photo in photos)
    return tuple((photo, b64encode(jpeg).decode()) for photo, jpeg in small if jpeg)


def _entered(bench: Bench) -> tuple[tuple[str, str], ...]:
    """Parts, choices and figures as they were entered, in the order of the form, less what has its own place."""
    rows = [row for group in GROUPS for row in rows_of(group)]
    order = {name: place for place, name in enumerate(rows)}
    elsewhere = {*_TEXTS, "job_name", "vehicle"}
    names = sorted((n for n in bench.entries if n not in elsewhere), key=lambda n: order.get(n, len(order)))
    told = (
        (label_of(name), entry_text(name, bench.entries[name])) for name in names if name in INPUTS or name in CHOICES
    )
    return tuple((label, words) for label, words in told if words)


def _results(job: m.JobOut) -> tuple[tuple[str, tuple[m.ResultOut, ...]], ...]:
    questions = dict.fromkeys(r.question for r in job.results)
    told = ((q, tuple(r for r in job.results if r.question == q and r.planned)) for q in questions)
    return tuple((q, results) for q, results in told if results)


def _workings(job: m.JobOut, build: Build) -> tuple[tuple[str, tuple[mw.WorkingStepOut, ...]], ...]:
    found = []
    for link in (v.deciding for v in job.verdicts if v.deciding and v.deciding.working in build.graph.functions):
        steps = working_out(working(build, link.working, stage=build.stage, friction=link.friction), "").steps
        found.append((label_of(link.working), tuple(steps)))
    return tuple(found)
