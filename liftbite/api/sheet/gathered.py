"""Everything a job's sheet says, gathered from what screen and command line show.

- `Sheet`      verdicts, what was measured and decided, set-up, list, drawings, inputs and workings
- `sheet_of`   of a job
- `sheet_html` as a document; `helpers` is what its template asks for besides
"""

from __future__ import annotations

from base64 import b64encode
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date
from typing import Any

from sqlalchemy.orm import Session

from liftbite.api.choose import models as w
from liftbite.api.choose.drawing import section_out
from liftbite.api.choose.present import against_out
from liftbite.api.fit import models as mf
from liftbite.api.fit.present import plan_out
from liftbite.api.jobs import models as m
from liftbite.api.jobs import models_working as mw
from liftbite.api.jobs.present import entry_text, job_out
from liftbite.api.jobs.workings import working_out
from liftbite.api.measure import models as mm
from liftbite.api.measure.models_calculations import CalculationOut
from liftbite.api.measure.present import measure_out
from liftbite.api.paper.document import page
from liftbite.api.photos.models import PhotoOut
from liftbite.api.photos.present import photos_of
from liftbite.core.analysis.working import working
from liftbite.core.job.build import Build, label_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.groups import GROUPS, rows_of
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.measure.scope import SCOPES
from liftbite.core.measure.setup import WORDS as SETUP_WORDS
from liftbite.core.measure.statements import ORDERS
from liftbite.core.measure.words import WORDS
from liftbite.store import jobs as store
from liftbite.store.photos import photo_bytes
from liftbite.whole.bench import Bench, bench_of


@dataclass(frozen=True)
class Sheet:
    """What a sheet says.

    Attributes
    ----------
    job : the plan, worked out
    about : vehicle, registration, odometer, customer, how far the job goes, revision and day
    complaint, notes : as entered
    found, goes_in : the bench as found and of what goes in
    measured, measured_new : checks begun or closed; those of parts that go in and are others than were found
    setups : set-up calculations that came to something
    changes : builds that differ from what was found
    section : the drawing
    entered : what was entered and picked, in words
    results : question -> its results
    workings : label of what decides -> the steps to it
    plan : how far the fitting is, with its hold points
    photos : those that are here, each with a small picture as base64
    """

    job: m.JobOut
    about: tuple[str, ...]
    complaint: str
    notes: str
    found: mm.MeasureOut
    goes_in: mm.MeasureOut
    measured: tuple[mm.CheckOut, ...]
    measured_new: tuple[mm.CheckOut, ...]
    setups: tuple[CalculationOut, ...]
    changes: tuple[w.AgainstBuildOut, ...]
    section: w.SectionOut
    entered: tuple[tuple[str, str], ...]
    results: tuple[tuple[str, tuple[m.ResultOut, ...]], ...]
    workings: tuple[tuple[str, tuple[mw.WorkingStepOut, ...]], ...]
    plan: mf.PlanOut
    photos: tuple[tuple[PhotoOut, str], ...] = ()


def sheet_of(session: Session, job_id: int, today: date, *, appendix: bool = False) -> Sheet:
    """The sheet of a job's plan; workings only where an appendix is asked for.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    revisions = store.revisions_of(session, job_id)
    bench = bench_of(session, job_id, FOUND)
    job, plan = job_out(job_id, revisions, layers=bench.layers), bench.seen_as(PLAN)
    found, goes_in = measure_out(bench), measure_out(plan)
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
    return Sheet(
        job,
        tuple(filter(None, about)),
        text["complaint"],
        text["notes"],
        found,
        goes_in,
        tuple(c for c in found.checks if c.finding.taken or c.closed),
        tuple(c for c in goes_in.checks if c.of == "planned" and c.finding.taken),
        tuple(c for c in goes_in.calculations if c.sentence),
        tuple(b for b in against_out(bench.layers).builds[1:] if b.says or b.parts),
        section_out(plan.build),
        _entered(plan),
        _results(job),
        _workings(job, plan.build) if appendix else (),
        plan_out(bench),
        _pictures(session, photos_of(session, bench.record)),
    )


def _pictures(session: Session, photos: Iterable[PhotoOut]) -> tuple[tuple[PhotoOut, str], ...]:
    small = ((photo, photo_bytes(session, photo.digest, small=True)) for photo in photos)
    return tuple((photo, b64encode(jpeg).decode()) for photo, jpeg in small if jpeg)


_TEXTS = ("registration", "mileage", "customer", "complaint", "notes")


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


def _read_by(check: mm.CheckOut) -> str:
    """How often a check was read, with what, and by whom."""
    instruments = dict.fromkeys(r.instrument for r in check.readings if r.instrument)
    people = dict.fromkeys(r.who for r in check.readings if r.who)
    count = f"{len(check.readings)} {'reading' if len(check.readings) == 1 else 'readings'}"
    return ", ".join(filter(None, (count, ", ".join(instruments), f"by {', '.join(people)}" if people else "")))


def _ordered(order: mm.OrderOut) -> str:
    price = f"{order.price} {order.currency}".strip()
    return ", ".join(filter(None, (order.number, order.source, price, ORDERS[order.state] if order.state else "")))


def helpers() -> Mapping[str, Any]:
    """What the templates of a sheet ask for besides."""
    return {"read_by": _read_by, "ordered": _ordered, "words": WORDS, "setup_words": SETUP_WORDS}


def sheet_html(sheet: Sheet, *, night: bool = False, appendix: bool = False) -> str:
    """A sheet as one HTML document, in the units preferred."""
    running = (sheet.job.name, sheet.about[-1])
    return page("sheet", night=night, sheet=sheet, appendix=appendix, running=running, **helpers())
