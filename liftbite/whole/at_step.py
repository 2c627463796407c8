"""What is read at a step of the plan: its figure is a reading of the bench, entered in either.

- `StepReading`, `step_reading`, `asks_figures`   readings somebody types at a step that asks for them
- `series_for`    the series readings go to
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime

from sqlalchemy.orm import Session

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.ledger import PLAN
from liftbite.core.measure.check import Check
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.judgement import uncertainty_of
from liftbite.core.measure.keyed import read_keyed
from liftbite.core.measure.reading import Reading
from liftbite.store import measurements as store
from liftbite.whole.account import account_of
from liftbite.whole.bench import Bench


@dataclass(frozen=True, slots=True)
class StepReading:
    """What was read at a step: the bench of what goes in, the check, and its readings."""

    bench: Bench
    check: Check
    readings: tuple[Reading, ...]


def step_reading(bench: Bench, step: str, said: Mapping[str, str]) -> StepReading | None:
    """What is said of a step, where that is a reading of the bench; None where it is anything else.

    Several readings are divided by semicolons; they go to the places that are not read, in order.

    Parameters
    ----------
    step : key of the step
    said : its words, as they would tick it

    Raises
    ------
    UnreadableEntry : it is no figure, an unusual one, or there are more than there are places
    """
    standing = next((s for s in account_of(bench).standing.standings if s.planned.key == step), None)
    text = said.get("text", "").strip()
    if standing is None or said.get("answer") != "done" or not (text and standing.asked) or standing.state == "shut":
        return None
    fact, planned = standing.planned.step.fact, bench.seen_as(PLAN)
    check = planned.check(fact.removeprefix("measure:"))
    if check is None or not asks_figures(fact):
        return None
    return StepReading(planned, check, _readings(planned, check, text))


def asks_figures(fact: str) -> bool:
    """True where the fact of a step is figures of a check, which may be typed at the step as well.

    >>> asks_figures("measure:slave_travel"), asks_figures("measure:all"), asks_figures("prove:bleed")
    (True, False, False)
    """
    station, _, name = fact.partition(":")
    check = CHECKS.get(name)
    return station == "measure" and check is not None and check.kind in ("reading", "figure")


def _readings(bench: Bench, check: Check, text: str) -> tuple[Reading, ...]:
    typed = [part.strip() for part in text.split(";") if part.strip()]
    series = bench.latest(check.name)
    read = {r.place for r in series.readings} if series else set()
    places = [place.key for place in bench.places(check) if place.key not in read]
    if len(typed) > len(places):
        left = f"{len(places)} {'place is' if len(places) == 1 else 'places are'} to be read: {', '.join(places)}"
        raise UnreadableEntry(f"{check.title}: {len(typed)} readings; {left}. Read more of it on the bench.")
    kind = check.suited[0] if check.suited else ""
    doubt = uncertainty_of(kind, check.unit) if kind else 0.0
    return tuple(_reading(check, place, one, kind, doubt) for place, one in zip(places, typed, strict=False))


def _reading(check: Check, place: str, typed: str, kind: str, doubt: float) -> Reading:
    keyed = read_keyed(check, typed, "")
    if keyed.question:
        raise UnreadableEntry(f"{keyed.question} Where it is right, read it on the bench.")
    return Reading(place, keyed.si, keyed.typed, kind, doubt)


def series_for(session: Session, bench: Bench, check: Check, at: datetime, named: int | None = None) -> int:
    """The series a reading goes to: the one it names, else the one in force, else a first one.

    Parameters
    ----------
    bench : of the build whose part is read
    at : now, for a series that is begun
    named : number of a series of the same check
    """
    if named is not None and any(s.id == named and s.check == check.name for s in bench.series):
        return named
    series = bench.latest(check.name)
    return (
        series.id
        if series
        else store.begin(session, bench.job_id, check.name, bench.vehicle, at, build=bench.whose(check.name))
    )
