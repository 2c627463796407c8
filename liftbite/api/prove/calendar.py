"""The dates to come of a job as iCalendar.

- `calendar_of`   re-check, fluid and the end of bedding-in
"""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

from icalendar import Calendar, Event, Todo

from liftbite.api.prove import models as mp
from liftbite.core.prove.hand_over import FLUID, dues


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
    if prove.bleeding.bled:
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
