"""The bench as it goes over the wire.

- `Bench`       everything a job's bench stands on, read once
- `measure_out`         checks, verdicts, needs, calculations
- `effects_out`         the four questions before and after
"""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import date
from functools import cached_property
from math import log10
from typing import Any, Literal

import numpy as np
import numpy.typing as npt

from liftbite.api.jobs import models as m
from liftbite.api.jobs.present import figure_out, fine_out, verdict_out
from liftbite.api.measure import models as mm
from liftbite.api.measure.calculations import calculations_out
from liftbite.api.measure.models_calculations import StandsAtOut
from liftbite.core.job.build import Build, both, build_of, label_of
from liftbite.core.job.builds import apart, entering, entries_of, with_entries
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.fates import FATED
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import FOUND, PLAN, Entry, Layers
from liftbite.core.job.record import KINDS, Line, in_force
from liftbite.core.measure.checks import CHECKS, Check, Limit, LimitName, Place, checks_for
from liftbite.core.measure.effect import Effect
from liftbite.core.measure.effects import effects
from liftbite.core.measure.explained import finding_explained, sweep_explained
from liftbite.core.measure.instruments import INSTRUMENT_KINDS, calibration_warns, guard_band
from liftbite.core.measure.judgement import VERDICTS, Finding, Reading, assess, left_of, limits_of, value_of
from liftbite.core.measure.keyed import units_of
from liftbite.core.measure.parts_list import PRACTICES, Need, Renewal, needs, worst, worth_it
from liftbite.core.measure.runout import FACES, SweepSettings, pointing, unreachable
from liftbite.core.measure.scope import SCOPES, asked_in, explained_by, symptoms_in
from liftbite.core.measure.setup import CALCULATIONS, asked_of_check, told_of
from liftbite.core.measure.sweep import LIMIT_AT, Sweep, judge_sweep, places_taken, scale_of, sweep_of, tir_alone
from liftbite.core.measure.whose import of_build, part_read
from liftbite.core.units.read import from_si
from liftbite.core.units.show import figure, typeset
from liftbite.core.verdicts.answers import answer
from liftbite.store.jobs import utc_text
from liftbite.store.measurements import Instrument, Series


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
        return self if which == self.which else replace(self, which=which)

    def said_of(self, kind: str) -> Mapping[str, Line]:
        """Of what -> what was said last, of one kind."""
        return self._said[kind]

    @cached_property
    def _said(self) -> Mapping[str, Mapping[str, Line]]:
        return {kind: in_force(self.record, kind) for kind in KINDS}

    @cached_property
    def here(self) -> Mapping[str, str]:
        """Practices in which this job departs from the shop's."""
        said = {name: line.answer for name, line in self.said_of("practice").items()}
        return {name: option for name, option in said.items() if name in PRACTICES and option in PRACTICES[name][1]}

    @property
    def practices(self) -> Mapping[str, str]:
        """How it is done on this job."""
        return {**self.shop, **self.here}

    @property
    def scope(self) -> str:
        """How far the job goes."""
        line = self.said_of("scope").get("")
        return line.answer if line else "everything"

    def wants(self, check: Check) -> bool:
        """True where a check is asked for on this job."""
        closed = self.said_of("check").get(check.name)
        return asked_in(self.scope, check) and not (closed and closed.answer == "not on this job")

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
        places = places_taken(check, check.places(self.build), series.readings if series else ())
        closed = self.said_of("check").get(check.name)
        if closed is None or closed.answer != "that will do" or series is None:
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
        found: list[Series] = []
        for series in (t for t in self.life or self.series if t.check == check):
            if series.job_id == self.job_id and not self.counts(series):
                continue
            went_in = (self.renewed_in if series.job_id != self.job_id else {}).get(series.job_id, ())
            if part_read(check) in went_in:
                if series.build != PLAN:
                    found = []
                    continue
                if found and found[-1].job_id != series.job_id:
                    found = []
            found.append(series)
        if self.which != FOUND and part_read(check) in self.apart:
            return [t for t in found if t.job_id == self.job_id]
        return found

    @property
    def readings(self) -> dict[str, tuple[Reading, ...]]:
        """Check -> readings in force."""
        return {t.check: t.readings for t in self.series if self.counts(t)}

    @property
    def said(self) -> dict[str, str]:
        """What was said where a calculation of the set-up asks: name -> option."""
        found = {}
        for calculation in CALCULATIONS.values():
            asked = calculation.asks
            series = self.latest(asked.check) if asked else None
            if asked and series:
                found[asked.name] = str(series.settings.get(asked.name, ""))
        return found


def findings_of(bench: Bench) -> list[Finding]:
    """What the readings of a build's parts came to, those begun."""
    return [f for check in checks_for(bench.build) if (f := found_of(bench, check)[0]).taken]


def needs_of(bench: Bench) -> list[Need]:
    """The parts to get and the work to have done: by what was found, and by what was read of the parts that go in."""
    found, plan = bench.seen_as(FOUND), bench.seen_as(PLAN)
    new = [f for f in findings_of(plan) if part_read(f.check) in bench.apart]
    checks = {c.name for c in checks_for(plan.build)}
    setups = {c.label: told for c, told in told_of(plan.build, plan.readings, plan.said)
              if told is not None and checks & set(c.checks)}  # fmt: skip
    return needs(plan.build, findings_of(found), bench.practices, new, setups, _slips_worn(found))


def _slips_worn(found: Bench) -> str:
    """What Bite says of what was found with the wear that was read, where the clutch slips by it; else nothing."""
    wear = [e for e in _effects_in(found) if e.quantity in ("wear", "inner_wear")]
    if not wear:
        return ""
    read = [Entry(e.quantity, e.typed, e.si, "measured") for e in wear]
    before, after = answer(found.entries), answer({**found.entries, **{e.quantity: e for e in read}})
    return after.verdict.sentence if after.verdict.state == "slips" and before.verdict.state != "slips" else ""


def settings_of(series: Series | None) -> SweepSettings:
    """How a series's sweep was read."""
    kept = series.settings if series else {}
    return SweepSettings(bool(kept.get("presses_plus", True)), str(kept.get("seen_from", "gearbox")),
                         float(kept.get("sag", 0.0)), float(kept.get("swept", 0.0)))  # fmt: skip


def found_of(bench: Bench, check: Check) -> tuple[Finding, Sweep | None]:
    """The finding of a check that stands, and for a sweep its fit: a verdict that was overruled gives way."""
    finding, sweep = read_of(bench, check)
    line = bench.said_of("verdict").get(check.name)
    if line is None or not finding.taken:
        return finding, sweep
    said = f"{line.who} says so: {line.said['reason']}. By the readings: {finding.verdict}. {finding.sentence}"
    verdict = next(v for v in VERDICTS if v == line.answer)
    return replace(finding, verdict=verdict, sentence=said), sweep


def read_of(bench: Bench, check: Check) -> tuple[Finding, Sweep | None]:
    """What the readings of a check say by themselves, and for a sweep its fit."""
    series, limits = bench.latest(check.name), bench.limits(check)
    readings = series.readings if series else ()
    finding = assess(
        check, bench.places(check), readings, () if check.kind == "sweep" else limits, bench.practices["guard"]
    )
    if check.kind != "sweep" or not any(r.si is not None for r in readings):
        return finding, None
    how = settings_of(series)
    scale = scale_of(check.name, how.swept, bench.build)
    sweep = sweep_of(check, readings, how, value_of(limits, "most"), scale)
    doubt = max((r.uncertainty for r in readings), default=0.0)
    guard, alone = bench.practices["guard"], tir_alone(readings)
    return judge_sweep(check, sweep, limits, finding, doubt, guard, alone, scale), sweep


def span_of(values: Sequence[float]) -> tuple[float, float]:
    """From where to where a ruler runs that shows these values."""
    low, high = min(values), max(values)
    room = (high - low) * 0.12 or abs(high) * 0.05 or 1e-4
    return low - room, high + room


def _stands(name: str, start: float, end: float) -> StandsAtOut:
    return StandsAtOut(name=name, start=start, end=end)


def _ruler(check: Check, readings: Sequence[Reading], limits: Sequence[Limit], rule: str) -> mm.RulerOut | None:
    values = [r.si for r in readings if r.si is not None]
    shown = [f for f in limits if f.value is not None and f.name != "spread"]
    if not values or check.kind != "reading":
        return None
    guard = guard_band(max((r.uncertainty for r in readings), default=0.0), rule)
    edges = [f.value + side for f in shown if f.value is not None for side in (-guard, guard)]
    low, high = span_of([*values, *edges])

    def at(value: float) -> float:
        return round((value - low) / (high - low), 5)

    close = [
        _stands(f.name, at(f.value - guard), at(f.value + guard))
        for f in shown
        if f.value is not None and f.name != "new"
    ]
    return mm.RulerOut(
        readings=[at(v) for v in values], close=close,
        limits=[_stands(f.name, at(f.value), at(f.value)) for f in shown if f.value is not None],
        low=fine_out(low, check.unit), high=fine_out(high, check.unit),
    )  # fmt: skip


def nice_radius(deviation: float) -> float:
    """The deviation a picture's radius stands for, rounded up to 1, 2 or 5 so that the largest takes a third of it.

    >>> nice_radius(1e-4), nice_radius(0.0)
    (0.0005, 1e-05)
    """
    wanted = max(deviation / 0.34, 1e-5)
    power = 10.0 ** np.floor(log10(wanted) + 1e-9)
    return float(f"{next(step for step in (1, 2, 5, 10) if step * power >= wanted * (1 - 1e-9)) * power:.6g}")


def _polar(angles: npt.NDArray[np.float64], deviations: npt.NDArray[np.float64]) -> mm.PolarOut:
    return mm.PolarOut(angles=np.degrees(angles).round(3).tolist(), radii=(1 + deviations).round(5).tolist())


def sweep_out(check: Check, sweep: Sweep, limit: float | None) -> mm.SweepOut:
    """A sweep with what its picture is drawn from."""
    fit, unit = sweep.fit, check.unit
    mean = fit.distances - fit.residuals
    offset = float(np.mean(mean - fit.at(fit.angles)))
    deviations = fit.distances - offset
    theta = np.radians(np.arange(0, 361, 5))
    curve = fit.at(theta)
    largest = float(np.max(np.abs([*deviations, *curve])))
    radius = nice_radius(max(largest, (limit or 0.0) / 2))
    e, phi = float(fit.eccentricity), float(fit.direction)

    def maybe(value: Any) -> Any:
        return fine_out(float(value), unit) if np.isfinite(value) else None

    return mm.SweepOut(
        tir=fine_out(float(fit.tir), unit), tir_fit=fine_out(float(fit.tir_fit), unit),
        eccentricity=fine_out(e, unit), doubt=fine_out(sweep.doubt, unit),
        direction=round(float(np.degrees(phi)), 2), direction_words=pointing(phi), face=check.name in FACES,
        oval=maybe(fit.oval), scatter=maybe(fit.scatter),
        closes=None if sweep.closes is None else fine_out(sweep.closes, unit), stands=sweep.stands,
        passes_tir=sweep.passes[0], passes_centre=sweep.passes[1],
        dowels=[
            mm.DowelOut(offset=fine_out(d.offset, unit), clock=round(float(np.degrees(d.clock)), 1),
                        clock_words=pointing(d.clock), residual=fine_out(d.residual, unit),
                        slack=round(float(np.degrees(d.slack)), 1), meets=d.meets)
            for d in sweep.dowels
        ],
        unreachable=[
            mm.BetweenOut(low=fine_out(a, unit), high=fine_out(b, unit))
            for a, b in (unreachable(limit=limit) if sweep.dowels and limit else [])
        ],
        radius=fine_out(radius, unit),
        points=_polar(fit.angles, deviations / radius), curve=_polar(theta, curve / radius),
        right=round(e * float(np.sin(phi)) / radius, 5), up=round(e * float(np.cos(phi)) / radius, 5),
        limit=None if limit is None else round(limit / 2 / radius, 5),
    )  # fmt: skip


def _taken(check: Check, series: Series) -> list[mm.TakenOut]:
    words = {g.value: g.word for g in check.grades}
    return [
        mm.TakenOut(
            id=t.id, place=t.reading.place, typed=words.get(t.reading.typed, typeset(t.reading.typed)),
            value=None if t.reading.si is None else fine_out(t.reading.si, check.unit),
            instrument=INSTRUMENT_KINDS[t.reading.instrument].label if t.reading.instrument in INSTRUMENT_KINDS else "",
            uncertainty=fine_out(t.reading.uncertainty, check.unit) if t.reading.uncertainty else None,
            skipped=t.reading.skipped, at=utc_text(t.at), source=t.source, who=t.who,
        )
        for t in series.taken if not t.withdrawn
    ]  # fmt: skip


def _driven(distance: float) -> m.FigureOut:
    """A distance extrapolated, to two digits in either system: its doubt allows no more."""
    km, mi = (m.ShownOut(figure=figure(from_si(distance, unit), 2), unit=unit) for unit in ("km", "mi"))
    return m.FigureOut(si=distance, metric=km, inch=mi)


def _life(bench: Bench, check: Check, finding: Finding, limits: Sequence[Limit]) -> mm.PartLifeOut | None:
    if finding.used is None:
        return None
    low, best, high = finding.used
    found = mm.PartLifeOut(low=low, best=best, high=high)
    taken = ((t.distance, t.readings) for t in bench.lived(check.name))
    left = left_of(check, taken, limits)
    if left is None:
        return found
    near, far = max(left.distance - left.doubt, 0.0), left.distance + left.doubt
    return found.model_copy(update={
        "distance": _driven(left.distance), "distance_low": _driven(near), "distance_high": _driven(far),
    })  # fmt: skip


def _whose(bench: Bench, check: Check) -> Literal["both", "found", "planned"]:
    if part_read(check.name) not in bench.apart:
        return "both"
    return "found" if bench.which == FOUND else "planned"


def _asked_out(check: Check, series: Series | None) -> dict[str, str]:
    """What was said where a calculation asks of a check's readings."""
    asked, kept = asked_of_check(check.name), series.settings if series else {}
    return {asked.name: str(kept.get(asked.name, ""))} if asked else {}


def _settings_out(check: Check, series: Series | None) -> dict[str, str]:
    """How the dial of a sweep was read."""
    kept, read = series.settings if series else {}, settings_of(series)
    if check.kind != "sweep":
        return {}
    swept = {"swept": str(kept.get("swept_typed", ""))} if check.name in LIMIT_AT else {}
    return {"seen_from": read.seen_from, "presses_plus": "yes" if read.presses_plus else "no",
            "sag": str(kept.get("sag_typed", ""))} | swept  # fmt: skip


def _check_out(bench: Bench, check: Check, finding: Finding, sweep: Sweep | None) -> mm.CheckOut:
    series, limits = bench.latest(check.name), bench.limits(check)
    readings = series.readings if series else ()
    held = {h.limit.name: h for h in finding.held}
    own = [str(n) for n, i in bench.instruments if i.kind in check.suited]
    earlier = [t for t in bench.series if t.check == check.name][:-1]
    most = value_of(limits, "most")
    before = sweep_of(check, earlier[-1].readings, settings_of(earlier[-1]), most) if earlier else None

    def shown(value: float | None) -> Any:
        return None if value is None else fine_out(value, check.unit)

    return mm.CheckOut(
        in_scope=bench.wants(check), closed=_said_out(bench.said_of("check").get(check.name)),
        overruled=_said_out(bench.said_of("verdict").get(check.name)) if finding.taken else None,
        by_readings=read_of(bench, check)[0].verdict, name=check.name, of=_whose(bench, check), part=check.part,
        label=check.label, title=check.title, how=check.how, kind=check.kind,
        units=list(units_of(check)), instruments=[*own, *check.suited],
        places=[mm.PlaceOut(key=p.key, item=p.item, spot=p.spot) for p in bench.places(check)],
        grows=check.grows, picture=check.picture,
        grades=[mm.GradeOut(**{f: getattr(g, f) for f in mm.GradeOut.model_fields})
                                   for g in check.grades],
        limits=[
            mm.CheckLimitOut(name=f.name, version=bench.versions.get(f"{check.name}.{f.name}", 0),
                        value=shown(f.value), mark=f.mark, why=f.why,
                        zone=held[f.name].zone if f.name in held else None,
                        sentence=held[f.name].sentence if f.name in held else "")
            for f in limits
        ],
        series=series.id if series else None, version=series.version if series else 0,
        begun_at=utc_text(series.begun_at) if series else None,
        distance=figure_out(series.distance, "m driven") if series and series.distance is not None else None,
        settings=_settings_out(check, series), asked=_asked_out(check, series),
        readings=_taken(check, series) if series else [], can_undo=bool(readings),
        can_redo=bool(series and any(t.back for t in series.taken)),
        finding=mm.FindingOut(
            verdict=finding.verdict, sentence=finding.sentence, place=finding.place,
            better=finding.better, taken=finding.taken, wanted=finding.wanted, worst=shown(finding.worst),
            mean=shown(finding.mean), spread=shown(finding.spread), life=_life(bench, check, finding, limits),
        ),
        working=[*(sweep_explained(check, sweep) if sweep else ()),
                 *finding_explained(check, finding, limits, bench.practices["guard"])],
        ruler=_ruler(check, readings, limits, bench.practices["guard"]),
        sweep=sweep_out(check, sweep, most) if sweep else None,
        before=sweep_out(check, before, most) if before else None,
    )  # fmt: skip


def _days_since(day: str, today: date) -> int | None:
    return (today - date.fromisoformat(day)).days if day else None


def instruments_out(bench: Bench) -> list[mm.InstrumentOut]:
    """The shop's instruments, then one of every kind."""
    own = [
        mm.InstrumentOut(key=str(n), kind=i.kind, label=i.name, own=True, calibrated_on=i.calibrated_on, port=i.port,
                         warns=calibration_warns(_days_since(i.calibrated_on, bench.today)),
                         resolution=fine_out(i.resolution, INSTRUMENT_KINDS[i.kind].unit),
                         uncertainty=fine_out(i.uncertainty, INSTRUMENT_KINDS[i.kind].unit), why="the shop's own")
        for n, i in bench.instruments
    ]  # fmt: skip
    kinds = [
        mm.InstrumentOut(key=k.name, kind=k.name, label=k.label, own=False, calibrated_on="", port="", warns="",
                         resolution=fine_out(k.resolution, k.unit),
                         uncertainty=fine_out(k.uncertainty, k.unit), why=f"[{k.mark}] {k.why}")
        for k in INSTRUMENT_KINDS.values()
    ]  # fmt: skip
    return [*own, *kinds]


def _plan_of(need: Need, build: Build) -> m.EntryIn | None:
    planned = need.plans(build)
    return None if planned is None else m.EntryIn(quantity=planned[0], typed=planned[1])


def _said_out(line: Line | None) -> mm.SaidOut | None:
    if line is None:
        return None
    return mm.SaidOut(answer=line.answer, reason=line.said.get("reason", ""), who=line.who, at=line.at)


def _need_out(bench: Bench, need: Need, planned: Build) -> mm.NeedOut:
    order = bench.said_of("order").get(need.key)
    return mm.NeedOut(
        part=need.part, work=need.work, reasons=list(need.reasons), plan=_plan_of(need, planned), key=need.key,
        said=_said_out(bench.said_of("line").get(need.key)),
        order=mm.OrderOut(**{name: order.said.get(name, "") for name in mm.OrderOut.model_fields}) if order else None,
    )  # fmt: skip


def complaints_of(bench: Bench) -> list[mm.ComplaintOut]:
    """What the customer complains of, each with the findings that explain it."""
    entry = bench.layers[PLAN].get("complaint")
    symptoms = symptoms_in((entry.typed if entry else "") or "")
    explained = explained_by(symptoms, findings_of(bench.seen_as(FOUND)))
    return [
        mm.ComplaintOut(name=name, explained_by=[m.NameOut(name=c, label=CHECKS[c].title) for c in checks])
        for name, checks in explained.items()
    ]


def _renewal_out(found: Renewal, version: int) -> mm.RenewalOut:
    offer = worth_it(found.part, found.price, found.chance, found.hours, found.rate, found.extra_hours)
    return mm.RenewalOut(part=found.part, version=version, price=found.price, chance=found.chance,
                     hours=found.hours, rate=found.rate, extra_hours=found.extra_hours,
                     now=offer.now, later=offer.later, pays=offer.pays, even=offer.even)  # fmt: skip


def measure_out(bench: Bench) -> mm.MeasureOut:
    """The bench of a job."""
    checks, goes_in = checks_for(bench.build), bench.seen_as(PLAN)
    found = [(check, *found_of(bench, check)) for check in checks]
    findings = [finding for _, finding, _ in found]
    asked = [f for f in findings if f.taken or bench.wants(CHECKS[f.check])]
    following = next((f.check for f in findings if f.taken < f.wanted and CHECKS[f.check].kind != "figure"
                      and bench.wants(CHECKS[f.check])), "")  # fmt: skip
    return mm.MeasureOut(
        job=bench.job_id, change=bench.change, vehicle=bench.vehicle,
        checks=[_check_out(bench, check, finding, sweep) for check, finding, sweep in found],
        worst=worst(findings), done=sum(f.taken >= f.wanted for f in asked), wanted=len(asked),
        next_check=following, instruments=instruments_out(bench),
        practices=[
            mm.PracticeOut(name=name, about=about, option=bench.shop[name], here=bench.here.get(name, ""),
                         version=bench.versions.get(name, 0),
                         options=[m.NameOut(name=o, label=says) for o, says in options.items()])
            for name, (about, options) in PRACTICES.items()
        ],
        needs=[_need_out(bench, n, goes_in.build) for n in needs_of(bench)],
        scope=bench.scope, scopes=[m.NameOut(name=name, label=label) for name, (label, _) in SCOPES.items()],
        complaints=complaints_of(bench), people=list(bench.people),
        renewals=[_renewal_out(s, version) for s, version in bench.renewals],
        calculations=calculations_out(goes_in.build, goes_in.readings, goes_in.said, {c.name for c in checks}),
        build="found" if bench.which == FOUND else "planned", apart=[FATED[part].label for part in bench.apart],
    )  # fmt: skip


# --- effects


def _said(quantity: str, typed: str | None, build: Build) -> str:
    if typed is None:
        assumed = build.chosen.assumed.get(quantity)
        option = build.chosen.options.get(quantity)
        if quantity in CHOICES and option:
            found = CHOICES[quantity].option(option)
            return found.label if found else option
        if assumed is None:
            return "not entered"
        return f"{both(assumed.value, INPUTS[quantity].unit)} assumed"
    found = CHOICES[quantity].option(typed) if quantity in CHOICES else None
    return found.label if found else typeset(typed)


def _effects_of(bench: Bench) -> list[Effect]:
    """What the readings of the build looked at enter; what a set-up calculation enters is of what goes in."""
    own = [e for e in _effects_in(bench) if part_read(e.check)]
    return [*own, *(e for e in _effects_in(bench.seen_as(PLAN)) if not part_read(e.check))]


def _effects_in(bench: Bench) -> list[Effect]:
    swept = {c.name: found_of(bench, c)[1] for c in checks_for(bench.build) if c.kind == "sweep"}
    scales = {name: scale_of(name, settings_of(bench.latest(name)).swept, bench.build) for name in LIMIT_AT}
    return effects(bench.build, bench.readings, bench.manual, build_of(entries_of(bench.entered, bench.which)),
                   {name: sweep for name, sweep in swept.items() if sweep is not None}, scales, bench.said)  # fmt: skip


def measured_entries(bench: Bench) -> dict[str, list[Entry]]:
    """Quantity -> the entries its readings make, marked measured, in the builds they belong to."""
    return {e.quantity: _entered_by(bench, e) for e in _effects_of(bench)}


def _entered_by(bench: Bench, e: Effect) -> list[Entry]:
    entry = Entry(e.quantity, e.typed, e.si, "entered" if e.quantity in CHOICES else "measured")
    return entering(bench.layers, bench.which if part_read(e.check) else PLAN, [entry])


def effects_out(bench: Bench, without: Collection[str] = ()) -> mm.MeasuredEffectsOut:
    """What measured values would do to the four questions, those `without` left out of what comes after."""
    found = _effects_of(bench)
    before = answer(bench.entries)
    taken = [e for name, entries in measured_entries(bench).items() if name not in without for e in entries]
    after = answer(entries_of(with_entries(bench.layers, taken), bench.which)) if taken else before
    return mm.MeasuredEffectsOut(
        effects=[
            mm.MeasuredEffectOut(
                check=e.check, quantity=e.quantity, label=label_of(e.quantity), why=e.why,
                before=_said(e.quantity, bench.entries[e.quantity].typed if e.quantity in bench.entries else None,
                             bench.build),
                after=_said(e.quantity, e.typed, bench.build), typed=e.typed,
            )
            for e in found
        ],
        before=[verdict_out(v) for v in (before.verdict, *before.others)],
        after=[verdict_out(v) for v in (after.verdict, *after.others)],
    )  # fmt: skip
