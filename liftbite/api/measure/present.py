"""The bench as it goes over the wire.

- `measure_out`         checks, verdicts, needs, calculations
- `effects_out`         the four questions before and after
"""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import asdict
from datetime import date
from math import degrees
from typing import Any, Literal

from liftbite.api.account.present import figures_out
from liftbite.api.jobs import models as m
from liftbite.api.jobs.present import figure_out, fine_out, verdict_out
from liftbite.api.measure import models as mm
from liftbite.api.measure.calculations import calculations_out
from liftbite.api.measure.scales import ruler_out, sweep_out
from liftbite.api.statements import said_out
from liftbite.core.account.claims import Claim
from liftbite.core.account.parts import ON_THE_WAY, PLANNED, PartLine
from liftbite.core.account.words import part_words
from liftbite.core.job.build import Build, label_of
from liftbite.core.job.builds import entries_of, with_entries
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.job.parts import PARTS, called
from liftbite.core.measure.check import Check
from liftbite.core.measure.explained import finding_explained, sweep_explained
from liftbite.core.measure.instruments import INSTRUMENT_KINDS, Instrument, calibration_warns
from liftbite.core.measure.judgement import VERDICTS, Finding
from liftbite.core.measure.keyed import units_of
from liftbite.core.measure.left import left_of
from liftbite.core.measure.limit import Limit, value_of
from liftbite.core.measure.parts_list import WORKS, Need, Renewal, worst, worth_it
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.scope import SCOPES
from liftbite.core.measure.setup import asked_of_check
from liftbite.core.measure.statements import ORDERS, OVERRULED, CheckClosed, ListLine, Order, Overruling, OwnPart
from liftbite.core.measure.sweep import Sweep, sweep_of
from liftbite.core.measure.whose import part_read
from liftbite.core.measure.words import finding_sentence, held_sentence
from liftbite.core.prove.causes import CAUSES
from liftbite.core.units.read import from_si
from liftbite.core.units.sentence import both
from liftbite.core.units.show import figure, typeset
from liftbite.core.verdicts.answers import answer
from liftbite.store.jobs import utc_text
from liftbite.store.measurements import Series
from liftbite.whole.account import account_of
from liftbite.whole.bench import (
    Bench,
    effects_of,
    finding_of,
    measured_entries,
    read_of,
    settings_of,
)


def _held_by(bench: Bench, reading: Reading) -> str:
    """What a reading was taken with: one of the shop's own by its name, else its kind."""
    own = bench.held.get(reading.held)
    kind = INSTRUMENT_KINDS.get(reading.instrument)
    return own.name if own is not None else kind.label if kind is not None else ""


def taken_out(bench: Bench, check: Check, series: Series) -> list[mm.TakenOut]:
    """The readings of a series that are in force, one by one."""
    words = {g.value: g.word for g in check.grades}
    return [
        mm.TakenOut(
            id=t.id,
            place=t.reading.place,
            typed=words.get(t.reading.typed, typeset(t.reading.typed)),
            value=None if t.reading.si is None else fine_out(t.reading.si, check.unit),
            instrument=_held_by(bench, t.reading),
            uncertainty=fine_out(t.reading.uncertainty, check.unit) if t.reading.uncertainty else None,
            skipped=t.reading.skipped,
            at=utc_text(t.at),
            source=t.source,
            who=t.who,
        )
        for t in series.taken
        if not t.withdrawn
    ]


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
    return found.model_copy(
        update={
            "distance": _driven(left.distance),
            "distance_low": _driven(near),
            "distance_high": _driven(far),
        }
    )


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
    swept = {"swept": str(kept.get("swept_typed", ""))} if check.meant_at[0] else {}
    return {
        "seen_from": read.seen_from,
        "presses_plus": "yes" if read.presses_plus else "no",
        "sag": str(kept.get("sag_typed", "")),
    } | swept


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
        own=check.own,
        in_scope=bench.wants(check),
        closed=said_out(bench.said_of(CheckClosed).get(check.name)),
        overruled=said_out(bench.said_of(Overruling).get(check.name)) if finding.taken else None,
        by_readings=read_of(bench, check)[0].verdict,
        name=check.name,
        of=_whose(bench, check),
        part=check.part,
        part_label=check.part_label,
        label=check.label,
        title=check.title,
        how=check.how,
        kind=check.kind,
        units=list(units_of(check)),
        instruments=[*own, *check.suited],
        places=[mm.PlaceOut(key=p.key, item=p.item, spot=p.spot) for p in bench.places(check)],
        grows=check.grows,
        picture=check.picture,
        grades=[mm.GradeOut(**{f: getattr(g, f) for f in mm.GradeOut.model_fields}) for g in check.grades],
        limits=[
            mm.CheckLimitOut(
                name=f.name,
                version=bench.versions.get(f"{check.name}.{f.name}", 0),
                value=shown(f.value),
                mark=f.mark,
                why=f.why,
                zone=held[f.name].zone if f.name in held else None,
                sentence=held_sentence(held[f.name]) if f.name in held else "",
            )
            for f in limits
        ],
        series=series.id if series else None,
        version=series.version if series else 0,
        begun_at=utc_text(series.begun_at) if series else None,
        distance=figure_out(series.distance, "m driven") if series and series.distance is not None else None,
        settings=_settings_out(check, series),
        asked=_asked_out(check, series),
        readings=taken_out(bench, check, series) if series else [],
        can_undo=bool(readings),
        can_redo=bool(series and any(t.back for t in series.taken)),
        finding=mm.FindingOut(
            verdict=finding.verdict,
            sentence=finding_sentence(finding),
            place=finding.place,
            better=finding.better,
            taken=finding.taken,
            wanted=finding.wanted,
            worst=shown(finding.worst),
            mean=shown(finding.mean),
            spread=shown(finding.spread),
            life=_life(bench, check, finding, limits),
        ),
        working=[
            *(sweep_explained(check, sweep) if sweep else ()),
            *finding_explained(check, finding, limits, bench.practices["guard"]),
        ],
        ruler=ruler_out(check, readings, limits, bench.practices["guard"]),
        sweep=sweep_out(check, sweep, most) if sweep else None,
        before=sweep_out(check, before, most) if before else None,
    )


def _days_since(day: str, today: date) -> int | None:
    return (today - date.fromisoformat(day)).days if day else None


def _bands(i: Instrument) -> str:
    return f"a pull may be off by {100 * i.torque_band:.3g} % and {degrees(i.angle_band):.3g}°"


def instruments_out(bench: Bench) -> list[mm.InstrumentOut]:
    """The shop's instruments, then one of every kind."""
    own = [
        mm.InstrumentOut(
            key=str(n),
            kind=i.kind,
            label=i.name,
            own=True,
            calibrated_on=i.calibrated_on,
            port=i.port,
            warns=calibration_warns(_days_since(i.calibrated_on, bench.today)),
            resolution=fine_out(i.resolution, INSTRUMENT_KINDS[i.kind].unit),
            uncertainty=fine_out(i.uncertainty, INSTRUMENT_KINDS[i.kind].unit),
            why="the shop's own",
            bands=_bands(i) if i.kind == "torque_wrench" else "",
        )
        for n, i in bench.instruments
    ]
    kinds = [
        mm.InstrumentOut(
            key=k.name,
            kind=k.name,
            label=k.label,
            own=False,
            calibrated_on="",
            port="",
            warns="",
            resolution=fine_out(k.resolution, k.unit),
            uncertainty=fine_out(k.uncertainty, k.unit),
            why=f"[{k.mark}] {k.why}",
            bands="",
        )
        for k in INSTRUMENT_KINDS.values()
    ]
    return [*own, *kinds]


def _plan_of(need: Need, build: Build) -> m.EntryIn | None:
    planned = need.plans(build)
    return None if planned is None else m.EntryIn(quantity=planned[0], typed=planned[1])


def _need_out(bench: Bench, need: Need, planned: Build, line: PartLine) -> mm.NeedOut:
    titles = {s.planned.key: s.planned.step.title for s in account_of(bench).standing.standings}
    order = bench.said_of(Order).get(need.key)
    return mm.NeedOut(
        part=need.part,
        label=need.label,
        work=need.work,
        work_label=WORKS[need.work],
        own=need.part not in PARTS,
        reasons=list(need.reasons),
        plan=_plan_of(need, planned),
        key=need.key,
        said=said_out(bench.said_of(ListLine).get(need.key)),
        added=need.part if need.work == "get" and need.part in bench.said_of(OwnPart) else "",
        state=line.state,
        wanted=line.state in PLANNED,
        on_the_way=line.state in ON_THE_WAY,
        words=part_words(line),
        rests_on="; ".join(dict.fromkeys(_rests_on(claim) for claim in line.rests_on if claim.who or claim.at)),
        left=[m.NameOut(name=key, label=titles[key]) for key in line.left if key in titles],
        order=mm.OrderOut(**asdict(order.statement)) if order else None,
    )


def _rests_on(claim: Claim) -> str:
    return ", ".join(filter(None, (claim.who, claim.at[:10])))


def complaints_out(bench: Bench) -> list[mm.ComplaintOut]:
    """What the customer complains of, each with the findings that explain it."""
    return [
        mm.ComplaintOut(
            name=each.name,
            label=each.label,
            state=each.state,
            explained_by=[
                *(m.NameOut(name=c, label=bench.known[c].title) for c in each.checks),
                *(m.NameOut(name=c, label=CAUSES[c].words) for c in each.causes),
            ],
            closed=said_out(each.closed),
        )
        for each in account_of(bench).complaints
    ]


def _renewal_out(found: Renewal, version: int) -> mm.RenewalOut:
    offer = worth_it(found.part, found.price, found.chance, found.hours, found.rate, found.extra_hours)
    return mm.RenewalOut(
        part=found.part,
        label=called(found.part),
        version=version,
        price=found.price,
        chance=found.chance,
        hours=found.hours,
        rate=found.rate,
        extra_hours=found.extra_hours,
        now=offer.now,
        later=offer.later,
        pays=offer.pays,
        even=offer.even,
    )


def measure_out(bench: Bench) -> mm.MeasureOut:
    """The bench of a job."""
    checks, goes_in, account = bench.checks, bench.seen_as(PLAN), account_of(bench)
    lines = {line.key: line for line in account.parts}
    found = [(check, *finding_of(bench, check)) for check in checks]
    findings = [finding for _, finding, _ in found]
    asked = [f for f in findings if f.taken or bench.wants(bench.known[f.check])]
    following = next(
        (
            f.check
            for f in findings
            if f.taken < f.wanted and bench.known[f.check].kind != "figure" and bench.wants(bench.known[f.check])
        ),
        "",
    )
    return mm.MeasureOut(
        job=bench.job_id,
        change=bench.change,
        vehicle=bench.vehicle,
        checks=[_check_out(bench, check, finding, sweep) for check, finding, sweep in found],
        worst=worst(findings),
        done=sum(f.taken >= f.wanted for f in asked),
        wanted=len(asked),
        next_check=following,
        instruments=instruments_out(bench),
        left_out=list(bench.unread),
        practices=[
            mm.PracticeOut(
                name=name,
                about=about,
                option=bench.shop[name],
                here=bench.here.get(name, ""),
                version=bench.versions.get(name, 0),
                options=[m.NameOut(name=o, label=says) for o, says in options.items()],
            )
            for name, (about, options) in PRACTICES.items()
        ],
        parts=[m.NameOut(name=p.key, label=p.label) for p in PARTS.values() if goes_in.build.chosen.has_part(p.key)],
        needs=[_need_out(bench, need, goes_in.build, lines[need.key]) for need in account.needs],
        figures=figures_out(account),
        scope=bench.scope,
        scopes=[m.NameOut(name=name, label=label) for name, label in SCOPES.items()],
        order_states=[m.NameOut(name=name, label=label) for name, label in ORDERS.items()],
        overrulings=[v for v in VERDICTS if v in OVERRULED],
        complaints=complaints_out(bench),
        people=list(bench.people),
        renewals=[_renewal_out(s, version) for s, version in bench.renewals],
        calculations=calculations_out(goes_in, {c.name for c in checks}),
        build="found" if bench.which == FOUND else "planned",
        apart=[called(part) for part in bench.apart if bench.build.chosen.has_part(part)],
    )


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


def effects_out(bench: Bench, without: Collection[str] = ()) -> mm.MeasuredEffectsOut:
    """What measured values would do to the four questions, those `without` left out of what comes after."""
    found = effects_of(bench)
    before = answer(bench.entries)
    taken = [e for name, entries in measured_entries(bench).items() if name not in without for e in entries]
    after = answer(entries_of(with_entries(bench.layers, taken), bench.which)) if taken else before
    return mm.MeasuredEffectsOut(
        effects=[
            mm.MeasuredEffectOut(
                check=e.check,
                quantity=e.quantity,
                label=label_of(e.quantity),
                why=e.why,
                before=_said(
                    e.quantity, bench.entries[e.quantity].typed if e.quantity in bench.entries else None, bench.build
                ),
                after=_said(e.quantity, e.typed, bench.build),
                typed=e.typed,
            )
            for e in found
        ],
        before=[verdict_out(v) for v in (before.verdict, *before.others)],
        after=[verdict_out(v) for v in (after.verdict, *after.others)],
    )
