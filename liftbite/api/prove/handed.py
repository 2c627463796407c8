"""What is handed over: one document, a page for the owner, and the dates to come.

- `HandOver`, `hand_over_of`   everything it says, gathered from sheet, Fit and Prove
- `hand_over_html`, `owner_html`   as documents
- `calendar_of`   re-check, fluid and the end of bedding-in as iCalendar
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from icalendar import Calendar, Event
from sqlalchemy.orm import Session

from liftbite.api.measure.views import bench_of
from liftbite.api.paper.document import page
from liftbite.api.prove import models as mp
from liftbite.api.prove.present import prove_out
from liftbite.api.sheet.gathered import Sheet, helpers, sheet_of
from liftbite.core.job.ledger import FOUND
from liftbite.core.job.record import Line, in_force

#: Brake fluid takes up water: renewed after so many days [memory: two years, as makers name it].
_FLUID = 730
#: When somebody who drives every day has done 50 to 100 km, and has bedded it in [days] [practice].
_LOOK_AGAIN, _BEDDED = 7, 42


@dataclass(frozen=True)
class HandOver:
    """What a hand-over says: the sheet, Prove, bags and leftovers, and how to treat what was built."""

    sheet: Sheet
    prove: mp.ProveOut
    bags: tuple[Line, ...]
    leftovers: tuple[Line, ...]
    briefing: tuple[str, ...]


def hand_over_of(session: Session, job_id: int, today: date) -> HandOver:
    """What is handed over of a job as it stands.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    sheet, bench = sheet_of(session, job_id, today, appendix=True), bench_of(session, job_id, FOUND)
    prove = prove_out(bench, sheet.job.revision)
    kept = {kind: tuple(in_force(bench.record, kind).values()) for kind in ("bag", "leftover")}
    return HandOver(sheet, prove, kept["bag"], kept["leftover"], tuple(_briefing(sheet, prove)))


def _briefing(sheet: Sheet, prove: mp.ProveOut) -> Iterator[str]:
    """What the owner has to know, in a few lines."""
    running = prove.running_in
    if not running.done:
        yield running.says
        yield "Until then: no hard starts, no full throttle in high gears, no trailer, no slipping it on hills."
    yield "Come back after 50 to 100 km: fluid, leaks, mounts, shaft bolts and the slave's travel are looked at again."
    for verdict in sheet.job.verdicts:
        if verdict.state not in ("holds", "frees", "stays", "runs true", "open"):
            yield f"{verdict.question.capitalize()}: {verdict.sentence}"
    yield "Stop and call if it slips, smells, grinds into gear, shakes, or the pedal goes soft or to the floor."


def hand_over_html(found: HandOver) -> str:
    """The hand-over as one HTML document that needs nothing else."""
    running = (found.sheet.job.name, found.sheet.about[-1])
    return page("handover", sheet=found.sheet, hand=found, appendix=True, running=running, **helpers())


def owner_html(found: HandOver) -> str:
    """One page for the owner."""
    running = (found.sheet.job.name, found.sheet.about[-1])
    return page("owner", sheet=found.sheet, hand=found, running=running)


def calendar_of(name: str, prove: mp.ProveOut, today: date, job_id: int) -> bytes:
    """Dates and distances to come, as iCalendar.

    >>> from icalendar import Calendar
    """
    calendar = Calendar()
    calendar.add("prodid", "-//Lift Bite//hand-over//EN")
    calendar.add("version", "2.0")
    for key, when, words in _dates(prove, today):
        event = Event()
        event.add("uid", f"{key}-{job_id}@liftbite")
        event.add("dtstamp", today)
        event.add("dtstart", when)
        event.add("dtend", when + timedelta(days=1))
        event.add("summary", f"{name or 'Clutch'}: {words}")
        calendar.add_component(event)
    return bytes(calendar.to_ical())


def _dates(prove: mp.ProveOut, today: date) -> Sequence[tuple[str, date, str]]:
    running = prove.running_in
    found = []
    if running.looked is None:
        found.append(("look-again", today + timedelta(days=_LOOK_AGAIN), "look again, after 50 to 100 km"))
    if not running.done:
        left = max(round((1 - running.share) * _BEDDED), 1)
        found.append(("bedded-in", today + timedelta(days=left), "bedded in, if driven every day"))
    return [*found, ("fluid", today + timedelta(days=_FLUID), "renew the hydraulic fluid")]
