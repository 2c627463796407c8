"""The events of a job, newest first: what was entered, read, ticked, ordered, driven, signed and photographed."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from liftbite.api.jobs.models import NameOut
from liftbite.api.jobs.present import history_out
from liftbite.api.record.models import RecordEventOut, RecordOut
from liftbite.core.fit.own_steps import own_key
from liftbite.core.fit.statements import OwnStep
from liftbite.core.job.builds import part_of
from liftbite.core.job.ledger import Revision
from liftbite.core.job.parts import PARTS, called, fate_of, part_named
from liftbite.core.job.record import lines_of
from liftbite.core.measure.instruments import INSTRUMENT_KINDS
from liftbite.core.record_words import STATIONS, JobNames, recorded_line
from liftbite.core.units.show import typeset
from liftbite.store.jobs import utc_text
from liftbite.store.measurements import Series, StoredReading
from liftbite.whole.bench import Bench

#: Events a page holds.
PAGE = 200
_FATES = {fate_of(key): key for key in PARTS}


def record_out(bench: Bench, revisions: Sequence[Revision], station: str, part: str, first: int) -> RecordOut:
    """The record of a job as narrowed.

    Parameters
    ----------
    bench : everything that was read and said of the job
    revisions : of its ledger
    station, part : what it is narrowed to; empty for all
    first : events to pass over
    """
    events = sorted([*_entered(bench, revisions), *_read(bench), *_said(bench)], key=lambda e: e.at, reverse=True)
    stations = {event.station for event in events}
    parts = {key for event in events for key in event.parts}
    shown = [e for e in events if station in ("", e.station) and (not part or part_named(part) in e.parts)]
    return RecordOut(
        change=bench.change,
        total=len(shown),
        events=shown[first : first + PAGE],
        stations=[NameOut(name=name, label=label) for name, label in STATIONS.items() if name in stations],
        parts=sorted((NameOut(name=key, label=called(key)) for key in parts), key=lambda each: each.label),
    )


def _entered(bench: Bench, revisions: Sequence[Revision]) -> Iterator[RecordEventOut]:
    layout = bench.build.chosen.layout
    for revision in history_out(revisions).revisions:
        changed = [(_FATES.get(c.name) or part_of(c.name, layout), c) for c in revision.changes]
        yield RecordEventOut(
            at=revision.at,
            who=revision.who,
            station="choose",
            kind=revision.kind,
            of=revision.of,
            revision=revision.number,
            parts=list(dict.fromkeys(part for part, _ in changed if part)),
            what=[f"{c.label}: {_before(c.before)}{'withdrawn' if c.after is None else c.after}" for _, c in changed],
        )


def _before(text: str | None) -> str:
    return "" if text is None else f"{text} → "


def _read(bench: Bench) -> Iterator[RecordEventOut]:
    for series in bench.series:
        for taken in series.taken:
            yield _reading(bench, series, taken)


def _reading(bench: Bench, series: Series, taken: StoredReading) -> RecordEventOut:
    check, reading = bench.known[series.check], taken.reading
    words = {grade.value: grade.word for grade in check.grades}
    own, kind = bench.held.get(reading.held), INSTRUMENT_KINDS.get(reading.instrument)
    by = own.name if own is not None else kind.label.lower() if kind is not None else ""
    at = "" if reading.place == "Once" else f", {reading.place}"
    value = f"skipped, {reading.skipped}" if reading.skipped else words.get(reading.typed, typeset(reading.typed))
    back = "; taken back" if taken.withdrawn else ""
    said = f"{check.title}{at}: {value}{f', by {by}' if by else ''}{back}"
    return RecordEventOut(
        at=utc_text(taken.at),
        who=taken.who,
        station="measure",
        kind="reading",
        of=None,
        revision=None,
        parts=[check.part],
        what=[said],
    )


def _said(bench: Bench) -> Iterator[RecordEventOut]:
    steps = {own_key(line.key): line.key for line in lines_of(bench.record, OwnStep)}
    names = JobNames(bench.known, steps | {own_key(title): title for title in bench.shop_steps})
    for line in bench.record:
        told = recorded_line(line, names)
        yield RecordEventOut(
            at=line.at,
            who=line.who,
            station=told.station,
            kind=line.kind,
            of=None,
            revision=None,
            parts=[told.part] if told.part else [],
            what=[told.sentence],
        )
