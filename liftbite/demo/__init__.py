"""The demo shop: invented jobs in an invented world, loaded into an empty file by `liftbite demo`.

- `shop`   the jobs, typed as a builder would type them
- `parts`  what is on the shelf
- `readings`   what was read on its bench
- `load`   puts them into a store that has no job yet
"""

from __future__ import annotations

from datetime import timedelta
from itertools import takewhile
from pathlib import Path

from sqlalchemy.orm import Session

from liftbite.core.fit.case import case_of
from liftbite.core.fit.plan import plan_of
from liftbite.core.fit.progress import turns_in
from liftbite.core.fit.statements import BoltTick, StepTick
from liftbite.core.fit.step import ALL_READ
from liftbite.core.job.build import build_of
from liftbite.core.job.builds import entering
from liftbite.core.job.dyno_file import read_curve
from liftbite.core.job.dyno_mapping import propose
from liftbite.core.job.dyno_table import decode
from liftbite.core.job.ledger import PLAN, Entry, Revision, curve_entry, layers_of, present, read_entry
from liftbite.core.job.record import Line
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.judgement import uncertainty_of
from liftbite.core.measure.keyed import read_distance, read_keyed
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.statements import CheckClosed
from liftbite.demo.parts import PARTS
from liftbite.demo.readings import SERIES, DemoSeries
from liftbite.demo.shop import ALSO_DONE, CLOSED, FITTED, FITTER, JOBS, OPENED, SAID_OF, DemoJob, InBuild
from liftbite.store import jobs as store
from liftbite.store import measurements as bench
from liftbite.store.parts import add_parts
from liftbite.store.record import say

HERE = Path(__file__).parent


def _curve(quantity: str, name: str) -> Entry:
    text = decode((HERE / name).read_bytes())
    mapping = propose(text).mapping
    read = read_curve(text, mapping)
    kept = {"notes": list(read.notes), "mapping": {f: getattr(mapping, f) for f in mapping.__slots__}, "text": text}
    return curve_entry(quantity, name, read.curve, kept)


def ledger_of(job: DemoJob) -> list[Revision]:
    """The ledger a demo job would have, one revision a step."""
    at = OPENED + timedelta(days=job.day)
    revisions: list[Revision] = []
    for number, step in enumerate(job.steps, start=1):
        build, said = (step.build, step.typed) if isinstance(step, InBuild) else (PLAN, step)
        read = [
            _curve(quantity, typed) if quantity.endswith("_curve") else read_entry(quantity, typed)
            for quantity, typed in said.items()
        ]
        entries = entering(layers_of(revisions), build, read)
        moment = store.utc_text(at + timedelta(minutes=7 * number))
        revisions.append(Revision(number, "start" if number == 1 else "edit", moment, tuple(entries)))
    return revisions


def _read(session: Session, series: DemoSeries) -> None:
    """Readings of a demo job, half a minute apart."""
    check, at = CHECKS[series.check], OPENED + timedelta(days=JOBS[series.job - 1].day + series.day, hours=2)
    vehicle = JOBS[series.job - 1].vehicle
    number = bench.begin(session, series.job, series.check, vehicle, at, distance=read_distance(series.distance))
    for i, (place, typed) in enumerate(series.readings.items()):
        keyed = None if check.kind == "grade" else read_keyed(check, typed)
        reading = Reading(
            place,
            keyed.si if keyed else None,
            keyed.typed if keyed else typed,
            series.instrument,
            uncertainty_of(series.instrument, check.unit),
        )
        bench.add_readings(session, series.job, number, [reading], at + timedelta(seconds=30 * i))


def _fit(session: Session, job: int, until: str, bolts: int) -> None:
    """A demo job fitted up to a step, some bolts of that one ticked off."""
    at = OPENED + timedelta(days=JOBS[job - 1].day + 4, hours=1)
    build = build_of(present(ledger_of(JOBS[job - 1])))
    plan = plan_of(case_of(build, {}, "", {}))
    said: list[Line] = [
        Line(p.key, StepTick(answer="done", text=SAID_OF.get(p.key, "")), FITTER)
        for p in takewhile(lambda p: p.key != until, plan.steps)
        if p.step.fact != ALL_READ
    ]
    said = [Line(c, CheckClosed(answer="not_on_job", reason=why), FITTER) for c, why in CLOSED.items()] + said
    said += [Line(key, StepTick(answer="done"), FITTER) for key in ALSO_DONE]
    turns = turns_in(plan, until, build.known, ())
    said += [Line(f"{until}:{turn.key}", BoltTick(answer="done"), FITTER) for turn in turns[:bolts]]
    for n, line in enumerate(said):
        say(session, job, line, at + timedelta(minutes=11 * n))


def load(session: Session) -> int:
    """Puts the demo jobs into a store without jobs; the number of jobs put in."""
    if store.list_jobs(session) or store.list_jobs(session, archived=True):
        return 0
    for job in JOBS:
        store.create(session, ledger_of(job), OPENED + timedelta(days=job.day))
    add_parts(session, PARTS, OPENED)
    for one in SERIES:
        _read(session, one)
    for one_job, until, bolts in FITTED:
        _fit(session, one_job, until, bolts)
    return len(JOBS)
