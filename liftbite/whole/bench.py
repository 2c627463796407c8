"""What a job's bench stands on, and what follows from it: findings, needs, entries.

- `Bench`       everything of a job's bench, read once, as one of its builds looks at it
- `bench_of`    a job's, read from the shop's file
- `finding_of`, `read_of`, `findings_of`   what readings came to: as it stands, and by themselves
- `effects_of`, `measured_entries`   what readings enter
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import UTC, date, datetime
from functools import cached_property
from typing import Any, TypeVar

from sqlalchemy.orm import Session

from liftbite.core.job import ledger
from liftbite.core.job.build import Build, build_of
from liftbite.core.job.builds import apart, entering, entries_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.ledger import FOUND, PLAN, Entry, Layers
from liftbite.core.job.record import Line, RawLine, Statement, in_force
from liftbite.core.measure.check import Check, Place
from liftbite.core.measure.checks import checks_for
from liftbite.core.measure.effect import Effect
from liftbite.core.measure.effects import effects
from liftbite.core.measure.instruments import Instrument
from liftbite.core.measure.judgement import VERDICTS, Finding, Overruled, assess
from liftbite.core.measure.limit import Limit, LimitName, value_of
from liftbite.core.measure.limits import limits_of
from liftbite.core.measure.own import OwnCheck, fits_readings, known_checks, own_checks, own_name
from liftbite.core.measure.parts_list import Renewal
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.runout import SweepSettings
from liftbite.core.measure.scope import asked_in
from liftbite.core.measure.setup import CALCULATIONS
from liftbite.core.measure.statements import CheckClosed, Overruling, PracticeHere, ScopeAnswer
from liftbite.core.measure.sweep import Sweep, judge_sweep, places_read, scale_of, sweep_of, tir_alone
from liftbite.core.measure.whose import life_of, of_build, part_read
from liftbite.core.prove.learned import Learned
from liftbite.core.statements import KINDS, names_of_now, readable, under_names_of_now
from liftbite.store import instruments, shop
from liftbite.store import jobs as jobs_store
from liftbite.store import measurements as store
from liftbite.store import record as record_store
from liftbite.store.measurements import Series
from liftbite.store.people import people
from liftbite.whole.learned import minutes_learned

Said = TypeVar("Said", bound=Statement)


@dataclass(frozen=True)
class Bench:
    """What a job's bench stands on.

    Attributes
    ----------
    job_id, vehicle : the job
    which : the build looked at: as found, or the plan's
    layers : the entries of all builds
    entered : the entries of all builds without what was measured
    series : of this job, oldest first
    life : of its vehicle over all jobs, oldest first
    manual : limits typed for the vehicle
    shop : practice -> what the shop does
    instruments, renewals : of the shop, renewals with their versions
    versions : of the practices and, as `check.limit`, of the limits typed
    change : how often anything of the job was written
    today : the day it is looked at
    renewed_in : other job of the vehicle -> parts that came out in it
    record : what was said of the job
    people : names of the shop
    shop_steps : title -> what was said of a step the shop adds to every plan, and its version
    minutes : step -> how long it takes in this shop
    unread : what of the record cannot be read, in a sentence each
    held : identity -> instrument the shop has or had
    planned_by : part -> who said last what becomes of it, and when
    """

    job_id: int
    vehicle: str
    which: str
    layers: Layers
    entered: Layers
    series: Sequence[Series]
    life: Sequence[Series]
    manual: Mapping[str, Mapping[LimitName, tuple[float, str]]]
    shop: Mapping[str, str]
    versions: Mapping[str, int]
    instruments: Sequence[tuple[int, Instrument]]
    renewals: Sequence[tuple[Renewal, int]]
    today: date
    change: int = 0
    renewed_in: Mapping[int, Collection[str]] = field(default_factory=dict)
    record: Sequence[Line] = ()
    people: Sequence[str] = ()
    shop_steps: Mapping[str, tuple[Mapping[str, str], int]] = field(default_factory=dict)
    minutes: Mapping[str, Learned] = field(default_factory=dict)
    unread: Sequence[str] = ()
    held: Mapping[str, Instrument] = field(default_factory=dict)
    planned_by: Mapping[str, tuple[str, str]] = field(default_factory=dict)

    @cached_property
    def entries(self) -> Mapping[str, Entry]:
        """The entries of the build looked at."""
        return entries_of(self.layers, self.which)

    @cached_property
    def build(self) -> Build:
        """The build looked at."""
        return build_of(self.entries)

    def seen_as(self, which: str) -> Bench:
        """The same bench, another build looked at."""
        if which == self.which:
            return self
        if which not in self._seen:
            self._seen[which] = replace(self, which=which)
        return self._seen[which]

    @cached_property
    def _seen(self) -> dict[str, Bench]:
        return {}

    @cached_property
    def memo(self) -> dict[str, Any]:
        """What was worked out of the whole of it, by name."""
        return {}

    @cached_property
    def read(self) -> dict[str, tuple[Finding, Sweep | None]]:
        """Check -> what its readings say by themselves, of those looked at so far."""
        return {}

    def said_of(self, kind: type[Said]) -> Mapping[str, Line[Said]]:
        """Of what -> what was said last, of one kind."""
        of_kind: Mapping[str, Any] = self._said.get(kind.about.name, {})
        return of_kind

    @cached_property
    def _said(self) -> Mapping[str, Mapping[str, Line]]:
        of_kind: dict[str, list[Line]] = {}
        for line in self.record:
            of_kind.setdefault(line.kind, []).append(line)
        return {name: in_force(lines, KINDS[name]) for name, lines in of_kind.items()}

    @property
    def job_name(self) -> str:
        """What the shop calls the job, or nothing."""
        entry = self.layers[PLAN].get("job_name")
        return (entry.typed or "") if entry else ""

    @cached_property
    def known(self) -> Mapping[str, Check]:
        """Every check readings of this job may be of."""
        return known_checks(self.record)

    @cached_property
    def checks(self) -> tuple[Check, ...]:
        """The checks this build calls for, and those the job added."""
        return (*checks_for(self.build), *own_checks(self.record).values())

    def check(self, name: str) -> Check | None:
        """A check this build calls for, by its name; None of another."""
        return next((check for check in self.checks if check.name == name), None)

    @cached_property
    def here(self) -> Mapping[str, str]:
        """Practices in which this job departs from the shop's."""
        said = {name: line.answer for name, line in self.said_of(PracticeHere).items()}
        return {name: option for name, option in said.items() if name in PRACTICES and option in PRACTICES[name][1]}

    @property
    def practices(self) -> Mapping[str, str]:
        """How it is done on this job."""
        return {**self.shop, **self.here}

    @property
    def scope(self) -> str:
        """How far the job goes; everything where nobody said."""
        return self.scope_said or "everything"

    @property
    def scope_said(self) -> str:
        """How far the job was said to go; empty where nobody said."""
        line = self.said_of(ScopeAnswer).get("")
        return line.answer if line else ""

    def wants(self, check: Check) -> bool:
        """True where a check is asked for on this job."""
        closed = self.said_of(CheckClosed).get(check.name)
        return asked_in(self.scope, check) and not (closed and closed.answer == "not_on_job")

    @cached_property
    def apart(self) -> tuple[str, ...]:
        """Parts that are found and planned as two."""
        return apart(self.layers[PLAN])

    def counts(self, series: Series) -> bool:
        """True where readings are of a part of the build looked at."""
        return of_build(series.check, series.build, self.which, self.apart)

    def latest(self, check: str) -> Series | None:
        """The series of a check that is in force: the last one taken of a part of the build looked at."""
        return next((t for t in reversed(self.series) if t.check == check and self.counts(t)), None)

    def limits(self, check: Check) -> tuple[Limit, ...]:
        """The limits of a check in force."""
        return limits_of(check, self.build, self.manual.get(check.name, {}))

    def places(self, check: Check) -> tuple[Place, ...]:
        """Where a check is taken, the places added among them."""
        series = self.latest(check.name)
        places = places_read(check, check.places(self.build), series.readings if series else ())
        closed = self.said_of(CheckClosed).get(check.name)
        if closed is None or closed.answer != "enough" or series is None:
            return places
        read = {r.place for r in series.readings}
        return tuple(p for p in places if p.key in read) or places

    def whose(self, check: str) -> str:
        """The build of whose part a series begun now is: the found one's where the part stays."""
        return self.which if part_read(check) in self.apart else FOUND

    def lived(self, check: str) -> list[Series]:
        """The readings over the life of the part looked at, oldest first: a renewal ends one and begins another.

        Readings of the part that went into an earlier job are of this one's; those of what came out of it are not.
        """
        series = [t for t in self.life or self.series if t.check == check]
        whose = self.which if part_read(check) in self.apart else None
        return life_of(part_read(check), series, self.job_id, whose, self.renewed_in)

    @property
    def readings(self) -> dict[str, tuple[Reading, ...]]:
        """Check -> readings in force."""
        return {t.check: t.readings for t in self.series if self.counts(t)}

    @property
    def series_answers(self) -> dict[str, str]:
        """What was said where a calculation of the set-up asks: name -> option."""
        found = {}
        for calculation in CALCULATIONS.values():
            asked = calculation.asks
            series = self.latest(asked.check) if asked else None
            if asked and series:
                found[asked.name] = str(series.settings.get(asked.name, ""))
        return found


def bench_of(session: Session, job_id: int, which: str = FOUND, today: date | None = None) -> Bench:
    """Everything a job's bench stands on, of the parts that were found or of those that go in.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    revisions = jobs_store.revisions_of(session, job_id)
    layers = ledger.layers_of(revisions)
    entries = layers[PLAN]
    named = entries.get("vehicle")
    vehicle = (named.typed if named else "") or ""
    record, bad = readable(record_store.all_lines(session, job_id))
    steps, known = shop.steps(session), instruments.numbered(session)
    on_bench = [(number, held) for number, held, away in known if away is None]
    names = names_of_now(record, steps)
    record = under_names_of_now(record, names)
    of_job, of_vehicle = ([_under(t, names) for t in found] for found in store.series_of(session, job_id, vehicle))
    limits, practices = store.limits_of(session, job_id, vehicle), store.practices(session)
    versions = {f"{check}.{name}": limit.version for check, named in limits.items() for name, limit in named.items()}
    return Bench(
        job_id,
        vehicle,
        which if which == FOUND else PLAN,
        layers,
        ledger.as_entered(revisions),
        of_job,
        of_vehicle,
        {check: {name: (f.value, f.source) for name, f in named.items()} for check, named in limits.items()},
        {name: option for name, (option, _) in practices.items()},
        versions | {name: version for name, (_, version) in practices.items()},
        on_bench,
        store.renewals_of(session, job_id),
        today or datetime.now(UTC).date(),
        jobs_store.change_of(session, job_id),
        _renewed_in(session, of_vehicle, job_id),
        record,
        people(session),
        steps,
        minutes_learned(session),
        [_unread(line, why) for line, why in bad],
        {held.uid: held for _, held, _ in known},
        _planned_by(revisions),
    )


def _planned_by(revisions: Iterable[ledger.Revision]) -> dict[str, tuple[str, str]]:
    """Part -> who said what becomes of it, as it stands, and when: said again the same, it stands since the first."""
    stands: dict[str, tuple[str | None, tuple[str, str]]] = {}
    for revision in revisions:
        for entry in revision.entries:
            part = entry.quantity.removesuffix("_fate")
            if part == entry.quantity or entry.build != PLAN:
                continue
            if part not in stands or stands[part][0] != entry.typed:
                stands[part] = entry.typed, (revision.who, revision.at)
    return {part: by for part, (_, by) in stands.items()}


def _under(series: store.Series, names: Mapping[str, str]) -> store.Series:
    """Readings under the name of now of the check they are of."""
    return replace(series, check=names[series.check]) if series.check in names else series


def _unread(line: RawLine, why: str) -> str:
    """What is said of a line that cannot be read."""
    kind = KINDS[line.kind].about.label if line.kind in KINDS else line.kind
    by = ", ".join(filter(None, (line.who, line.at[:10])))
    return f"{kind} “{line.key}” ({by}) cannot be read and is left out: {why}"


def _renewed_in(session: Session, life: Sequence[store.Series], job_id: int) -> dict[int, tuple[str, ...]]:
    """Other job of the vehicle's life -> parts that came out in it."""
    found = {}
    for other in {t.job_id for t in life} - {job_id}:
        try:
            found[other] = apart(ledger.present(jobs_store.revisions_of(session, other)))
        except jobs_store.UnreadableJob:
            found[other] = ()
    return found


def fits_bench(line: Line[OwnCheck], bench: Bench) -> None:
    """Whether what is said of a check of this job leaves what was read under it readable.

    Raises
    ------
    UnreadableEntry : it was read already, as something else
    """
    read = [t.reading.typed for series in bench.series if series.check == own_name(line.key) for t in series.taken]
    fits_readings(line, bench.record, filter(None, read))


def findings_of(bench: Bench) -> list[Finding]:
    """What the readings of a build's parts came to, those begun."""
    return [f for check in bench.checks if (f := finding_of(bench, check)[0]).taken]


def settings_of(series: Series | None) -> SweepSettings:
    """How a series's sweep was read."""
    kept = series.settings if series else {}
    return SweepSettings(
        bool(kept.get("presses_plus", True)),
        str(kept.get("seen_from", "gearbox")),
        float(kept.get("sag", 0.0)),
        float(kept.get("swept", 0.0)),
    )


def finding_of(bench: Bench, check: Check) -> tuple[Finding, Sweep | None]:
    """The finding of a check that stands, and for a sweep its fit: a verdict that was overruled gives way."""
    finding, sweep = read_of(bench, check)
    line = bench.said_of(Overruling).get(check.name)
    if line is None or not finding.taken:
        return finding, sweep
    verdict = next(v for v in VERDICTS if v == line.answer)
    return replace(
        finding, verdict=verdict, overruled=Overruled(line.who, line.statement.reason, finding.verdict)
    ), sweep


def read_of(bench: Bench, check: Check) -> tuple[Finding, Sweep | None]:
    """What the readings of a check say by themselves, and for a sweep its fit; worked out once."""
    if check.name not in bench.read:
        bench.read[check.name] = _read(bench, check)
    return bench.read[check.name]


def _read(bench: Bench, check: Check) -> tuple[Finding, Sweep | None]:
    return finding_of_series(bench, check, bench.latest(check.name))


def finding_of_series(bench: Bench, check: Check, series: Series | None) -> tuple[Finding, Sweep | None]:
    """What the readings of one series come to by themselves: the one in force, or one taken before."""
    limits = bench.limits(check)
    readings = series.readings if series else ()
    held = () if check.kind in {"sweep", "figure"} else limits
    finding = assess(check, bench.places(check), readings, held, bench.practices["guard"])
    if check.kind != "sweep" or not any(r.si is not None for r in readings):
        return finding, None
    how = settings_of(series)
    scale = scale_of(check, how.swept, bench.build)
    sweep = sweep_of(check, readings, how, value_of(limits, "most"), scale)
    doubt = max((r.uncertainty for r in readings), default=0.0)
    guard, alone = bench.practices["guard"], tir_alone(readings)
    return judge_sweep(check, sweep, limits, finding, doubt, guard, alone, scale), sweep


def effects_of(bench: Bench) -> list[Effect]:
    """What the readings of the build looked at enter; what a set-up calculation enters is of what goes in."""
    own = [e for e in effects_in(bench) if part_read(e.check)]
    return [*own, *(e for e in effects_in(bench.seen_as(PLAN)) if not part_read(e.check))]


def effects_in(bench: Bench) -> list[Effect]:
    """What the readings of the build looked at enter, those of what goes in among them."""
    swept = {c.name: finding_of(bench, c)[1] for c in bench.checks if c.kind == "sweep"}
    scales = {
        c.name: scale_of(c, settings_of(bench.latest(c.name)).swept, bench.build) for c in bench.checks if c.meant_at[0]
    }
    return effects(
        bench.build,
        bench.readings,
        bench.manual,
        build_of(entries_of(bench.entered, bench.which)),
        {name: sweep for name, sweep in swept.items() if sweep is not None},
        scales,
        bench.series_answers,
    )


def measured_entries(bench: Bench) -> dict[str, list[Entry]]:
    """Quantity -> the entries its readings make, marked measured, in the builds they belong to."""
    return {e.quantity: _entered_by(bench, e) for e in effects_of(bench)}


def _entered_by(bench: Bench, e: Effect) -> list[Entry]:
    entry = Entry(e.quantity, e.typed, e.si, "entered" if e.quantity in CHOICES else "measured")
    return entering(bench.layers, bench.which if part_read(e.check) else PLAN, [entry])
