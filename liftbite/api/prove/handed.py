"""What is handed over: one document, a page for the owner, and the dates to come.

- `HandOver`, `hand_over_of`   everything it says, gathered from sheet, Fit and Prove
- `hand_over_html`, `owner_html`   as documents
- `documents_of`   all of a job as files of an archive
- `calendar_of`   re-check, fluid and the end of bedding-in as iCalendar
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta

from icalendar import Calendar, Event, Todo
from sqlalchemy.orm import Session

from liftbite.api.fit import models as mf
from liftbite.api.fit.present import plan_text
from liftbite.api.paper.document import page
from liftbite.api.prove import models as mp
from liftbite.api.prove.present import prove_out
from liftbite.api.sheet.gathered import Sheet, helpers, sheet_of
from liftbite.core.job.ledger import FOUND
from liftbite.core.job.photos import Photo
from liftbite.core.job.record import lines_of
from liftbite.core.prove.hand_over import FLUID, briefing, dues
from liftbite.files.archive import DOCUMENTS
from liftbite.store.carry import file_of
from liftbite.store.jobs import uid_of
from liftbite.store.photos import photo_bytes
from liftbite.whole.bench import bench_of
from liftbite.whole.readings import readings_of


@dataclass(frozen=True)
class HandOver:
    """What a hand-over says: the sheet, Prove, bags and leftovers, and how to treat what was built."""

    sheet: Sheet
    prove: mp.ProveOut
    bags: tuple[mf.KeptOut, ...]
    leftovers: tuple[mf.KeptOut, ...]
    briefing: tuple[str, ...]


def hand_over_of(session: Session, job_id: int, today: date) -> HandOver:
    """What is handed over of a job as it stands.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    sheet, bench = sheet_of(session, job_id, today, appendix=True), bench_of(session, job_id, FOUND)
    prove = prove_out(bench, sheet.job.revision)
    kept = {kind: tuple(k for k in sheet.plan.kept if k.kind == kind) for kind in ("bag", "leftover")}
    bedding = "" if prove.running_in.done else prove.running_in.says
    told = briefing(((v.question, v.state, v.sentence) for v in sheet.job.verdicts), bedding)
    return HandOver(sheet, prove, kept["bag"], kept["leftover"], tuple(told))


def hand_over_html(found: HandOver) -> str:
    """The hand-over as one HTML document that needs nothing else."""
    running = (found.sheet.job.name, found.sheet.about[-1])
    return page("handover", sheet=found.sheet, hand=found, appendix=True, running=running, **helpers())


def owner_html(found: HandOver) -> str:
    """One page for the owner."""
    running = (found.sheet.job.name, found.sheet.about[-1])
    return page("owner", sheet=found.sheet, hand=found, running=running)


def documents_of(session: Session, job_id: int, now: datetime) -> list[tuple[str, str | bytes]]:
    """All of a job as files of an archive: the job's file, readings, plan, documents, dates, photos.

    What is no job file and no photo was made from it, and is passed over when the archive comes back in.
    """
    name, text = file_of(session, job_id)
    found, bench = hand_over_of(session, job_id, now.date()), bench_of(session, job_id, FOUND)
    files: list[tuple[str, str | bytes]] = [
        (f"jobs/{job_id:05}-{name}", text),
        (f"{DOCUMENTS}readings.csv", readings_of(bench)),
        (f"{DOCUMENTS}plan.json", plan_text(bench)),
        (f"{DOCUMENTS}hand-over.html", hand_over_html(found)),
        (f"{DOCUMENTS}owner.html", owner_html(found)),
        (f"{DOCUMENTS}dates.ics", calendar_of(bench.job_name, found.prove, now, uid_of(session, job_id))),
    ]
    digests = dict.fromkeys(line.key for line in lines_of(bench.record, Photo))
    photos = ((digest, photo_bytes(session, digest)) for digest in digests)
    return [*files, *((f"photos/{digest}.jpg", jpeg) for digest, jpeg in photos if jpeg)]


def calendar_of(name: str, prove: mp.ProveOut, now: datetime, uid: str) -> bytes:
    """Dates to come, as iCalendar.

    Parameters
    ----------
    name : of the job
    prove : where it stands
    now : the moment, with its zone
    uid : the job's identity, by which a calendar knows its dates again, of whichever shop
    """
    today = now.date()
    calendar = Calendar()
    calendar.add("prodid", "-//Lift Bite//hand-over//EN")
    calendar.add("version", "2.0")
    running = prove.running_in
    fluids = {f.name: (f.label, f.due) for f in prove.fluids if f.due}
    if prove.bleeding.fluid:
        fluids.setdefault("clutch", ("Clutch fluid", FLUID))
    for due in dues(share=running.share, looked=running.looked is not None, fluids=fluids):
        event = Event()
        event.add("uid", f"{due.name}-{uid}@liftbite")
        event.add("dtstamp", now.astimezone(UTC))
        event.add("dtstart", today + timedelta(days=due.days))
        event.add("dtend", today + timedelta(days=due.days + 1))
        event.add("summary", f"{name or 'Clutch'}: {due.words}")
        calendar.add_component(event)
    for number, words in enumerate(prove.ahead.says):  # due by distance, which no date says
        todo = Todo()
        todo.add("uid", f"ahead-{number}-{uid}@liftbite")
        todo.add("dtstamp", now.astimezone(UTC))
        todo.add("summary", f"{name or 'Clutch'}: {words}")
        calendar.add_component(todo)
    return bytes(calendar.to_ical())
