"""Views of the bench: readings in, verdicts out, limits, practices, instruments, effects, history."""

from __future__ import annotations

from collections.abc import Mapping
from contextlib import nullcontext
from threading import BoundedSemaphore
from typing import Any

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from liftbite.api.common import now, reply, seen_version, session_of, writing
from liftbite.api.gauging import gauge_of, gauges
from liftbite.api.jobs import models as m
from liftbite.api.jobs.answers import answer_with_job
from liftbite.api.jobs.present import fine_out
from liftbite.api.measure import models as mm
from liftbite.api.measure import models_in as mi
from liftbite.api.measure.history import history_out, shop_history_out
from liftbite.api.measure.present import effects_out, measure_out
from liftbite.api.paths import JobPath
from liftbite.api.problems import problem_responses
from liftbite.api.serving import THREADS
from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.parts import part_named
from liftbite.core.measure.check import Check
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.instruments import INSTRUMENT_KINDS, Instrument, read_bands, read_trust
from liftbite.core.measure.judgement import uncertainty_of
from liftbite.core.measure.keyed import Keyed, read_distance, read_keyed, read_limit, read_radius
from liftbite.core.measure.parts_list import Renewal
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.setup import asked_of_check
from liftbite.core.measure.sweep import read_angle
from liftbite.core.units.show import typeset
from liftbite.gauges.protocol import check_port
from liftbite.store import instruments
from liftbite.store import jobs as jobs_store
from liftbite.store import measurements as store
from liftbite.store import record as record_store
from liftbite.store.jobs import expect
from liftbite.whole.at_step import series_for
from liftbite.whole.bench import Bench, bench_of, measured_entries
from liftbite.whole.statements import bench_statement

api = APIBlueprint("measure", __name__, abp_tags=[Tag(name="measure")])
_PROBLEMS = problem_responses(400, 404, 422)
_REPLACES = problem_responses(400, 404, 412, 422, 428)


class InstrumentPath(BaseModel):
    """Number of an instrument."""

    instrument_id: int = Field(ge=1, le=2**53)


class EffectsQuery(mi.BenchQuery):
    """Which measured values to leave out of what comes after."""

    without: str = Field(default="", max_length=2000, description="Quantities, separated by commas.")


def _measure(session: Session, job_id: int, build: str) -> Response:
    return reply(measure_out(bench_of(session, job_id, build)))


def _check(bench: Bench, name: str) -> Check:
    check = bench.check(name)
    if check is None:
        raise UnreadableEntry(f"“{name}” is no check of this job's layout")
    return check


@api.get("/api/jobs/<int:job_id>/measure", responses={"200": mm.MeasureOut, **problem_responses(404)})
def get_measure(path: JobPath, query: mi.BenchQuery) -> Response:
    """The bench of a job: every check of its layout with readings, verdict, limit and what is left."""
    with session_of() as session:
        return _measure(session, path.job_id, query.build)


def _keyed_out(keyed: Keyed, unit: str) -> mm.KeyedOut:
    return mm.KeyedOut(
        value=fine_out(keyed.si, unit),
        typeset=typeset(keyed.typed),
        question=keyed.question,
        instead=list(keyed.instead),
        problem="",
    )


@api.post("/api/jobs/<int:job_id>/readings/preview", responses={"200": mm.KeyedOut, **_PROBLEMS})
def preview_reading(path: JobPath, query: mi.BenchQuery, body: mi.ReadingIn) -> Response:
    """What is in the keypad, as it would be taken; nothing is kept."""
    with session_of() as session:
        check = _check(bench_of(session, path.job_id, query.build), body.check)
    try:
        return reply(_keyed_out(read_keyed(check, body.typed, body.unit), check.unit))
    except UnreadableEntry as error:
        return reply(mm.KeyedOut(value=None, typeset=body.typed, question="", instead=[], problem=error.reason))


def _instrument(bench: Bench, check: Check, key: str) -> tuple[str, float, str]:
    """Kind and uncertainty of what a reading is taken with, and its identity where it is one of the shop's own."""
    if not check.suited:
        return "", 0.0, ""
    own = next((i for n, i in bench.instruments if str(n) == key), None)
    if own is not None:
        return own.kind, own.uncertainty, own.uid
    kind = key or check.suited[0]
    if kind not in INSTRUMENT_KINDS:
        raise UnreadableEntry(f"“{key}” is no instrument on the bench; pick one of {', '.join(check.suited)}.")
    return kind, uncertainty_of(kind, check.unit), ""


def _next_place(bench: Bench, check: Check, came: str) -> str:
    """Where a gauge's reading goes that no place was picked for."""
    series = bench.latest(check.name)
    read = {r.place for r in series.readings} if series else set()
    place = next((p.key for p in bench.places(check) if p.key not in read), None)
    if place is None:
        raise UnreadableEntry(f"{came} came in, but every place is read. Pick a place to read it again.")
    return place


def _place(bench: Bench, check: Check, key: str) -> str:
    key = key.strip()
    known = {p.key for p in bench.places(check)}
    if key in known:
        return key
    if check.kind == "sweep":
        return read_angle(key)
    if check.grows and key:
        return key
    raise UnreadableEntry(f"{check.label}: “{key}” is no place of it; pick one of {', '.join(sorted(known))}.")


def _reading(bench: Bench, check: Check, body: mi.ReadingIn) -> Reading:
    place = _place(bench, check, body.place)
    if body.skipped.strip():
        return Reading(place, skipped=body.skipped.strip())
    if check.kind == "grade":
        if body.grade not in {g.value for g in check.grades}:
            offered = ", ".join(g.value for g in check.grades)
            raise UnreadableEntry(f"{check.label}: “{body.grade}” is no grade of it; pick one of {offered}.")
        return Reading(place, None, body.grade)
    kind, uncertainty, held = _instrument(bench, check, body.instrument)
    keyed = read_keyed(check, body.typed, body.unit)
    if keyed.question and not body.sure:
        raise UnreadableEntry(keyed.question)
    return Reading(place, keyed.si, keyed.typed, kind, uncertainty, held=held)


@api.post("/api/jobs/<int:job_id>/readings", responses={"200": mm.MeasureOut, **_PROBLEMS})
def add_reading(path: JobPath, query: mi.BenchQuery, body: mi.ReadingIn) -> Response:
    """One reading into the series in force, or into a first one.

    A gauge's reading is taken once, by one tab; where no place is named it goes to the first that is not read.
    """
    gauge = gauge_of(body.instrument) if body.event else None
    with gauge.turn if gauge else nullcontext(), writing() as session:
        bench = bench_of(session, path.job_id, query.build)
        check = _check(bench, body.check)
        if gauge is not None:
            event = gauge.value(body.event)
            if event is None:
                return reply(measure_out(bench))  # another tab has taken it
            place = body.place.strip() or _next_place(bench, check, event.text)
            body = body.model_copy(update={"typed": event.text, "unit": "", "place": place})
        reading = _reading(bench, check, body)
        if gauge is not None:
            gauge.claim(body.event)
        number = series_for(session, bench, check, now(), body.series)
        source = "gauge" if gauge else "typed"
        store.add_readings(session, path.job_id, number, [reading], now(), source, body.request)
        return _measure(session, path.job_id, query.build)


@api.post("/api/jobs/<int:job_id>/readings/undo", responses={"200": mm.MeasureOut, **_PROBLEMS})
def undo_reading(path: JobPath, query: mi.BenchQuery, body: mi.UndoIn) -> Response:
    """Withdraws the last reading of a check; it stays in the record, withdrawn."""
    return _turn(path.job_id, query.build, body.check, back=False)


@api.post("/api/jobs/<int:job_id>/readings/redo", responses={"200": mm.MeasureOut, **_PROBLEMS})
def redo_reading(path: JobPath, query: mi.BenchQuery, body: mi.UndoIn) -> Response:
    """Brings the reading withdrawn last back, as long as nothing was read since."""
    return _turn(path.job_id, query.build, body.check, back=True)


def _turn(job_id: int, build: str, name: str, *, back: bool) -> Response:
    with writing() as session:
        bench = bench_of(session, job_id, build)
        series = bench.latest(_check(bench, name).name)
        if series is not None and back:
            store.bring_back(session, job_id, series.id)
        elif series is not None:
            store.withdraw_last(session, job_id, series.id, now())
        return _measure(session, job_id, build)


def _settings(check: Check, body: mi.SeriesIn) -> dict[str, Any]:
    sag = read_keyed(CHECKS["bore_runout"], body.sag, "mm").si if body.sag.strip() else 0.0
    swept = body.swept.strip()
    return {
        "seen_from": body.seen_from,
        "presses_plus": body.presses_plus,
        "sag": sag,
        "sag_typed": body.sag.strip(),
        "swept": read_radius(swept) if swept else 0.0,
        "swept_typed": swept,
        "label": body.label,
        **_asked(check, body.asked),
    }


def _asked(check: Check, said: Mapping[str, str]) -> dict[str, str]:
    """What was said where a calculation asks of these readings."""
    asked = asked_of_check(check.name)
    for name, option in said.items():
        if asked is None or name != asked.name or option not in asked.options:
            raise UnreadableEntry(f"{check.label}: “{option}” is no answer to “{name}”")
    return dict(said)


@api.post("/api/jobs/<int:job_id>/series", responses={"200": mm.MeasureOut, **_PROBLEMS})
def begin_series(path: JobPath, query: mi.BenchQuery, body: mi.SeriesIn) -> Response:
    """A new series of a check, at another mileage or after a change; the earlier ones stay."""
    with writing() as session:
        bench = bench_of(session, path.job_id, query.build)
        check = _check(bench, body.check)
        store.begin(
            session,
            path.job_id,
            check.name,
            bench.vehicle,
            now(),
            distance=read_distance(body.distance),
            settings=_settings(check, body),
            request=body.request,
            build=bench.whose(check.name),
        )
        return _measure(session, path.job_id, query.build)


@api.put("/api/jobs/<int:job_id>/series", responses={"200": mm.MeasureOut, **_REPLACES})
def change_series(path: JobPath, query: mi.BenchQuery, body: mi.SeriesIn) -> Response:
    """Says more of the series in force: odometer, how a sweep is read. If-Match names its version, 0 for none."""
    seen = seen_version()
    with writing() as session:
        bench = bench_of(session, path.job_id, query.build)
        check = _check(bench, body.check)
        series = bench.latest(check.name)
        distance, settings = read_distance(body.distance), _settings(check, body)
        if series is None:
            expect(seen, 0, "series", {})
            store.begin(
                session,
                path.job_id,
                check.name,
                bench.vehicle,
                now(),
                distance=distance,
                settings=settings,
                build=bench.whose(check.name),
            )
        else:
            store.change_series(session, path.job_id, series.id, seen, distance=distance, settings=settings)
        return _measure(session, path.job_id, query.build)


@api.put("/api/jobs/<int:job_id>/limits/<string:check>/<string:name>", responses={"200": mm.MeasureOut, **_REPLACES})
def set_limit(path: mi.LimitPath, query: mi.BenchQuery, body: mi.LimitIn) -> Response:
    """The manual's limit, remembered for this vehicle; nothing typed goes back to the default.

    If-Match names the version of the limit it replaces, 0 where none was typed.
    """
    seen = seen_version()
    with writing() as session:
        bench = bench_of(session, path.job_id, query.build)
        check = _check(bench, path.check)
        typed = (body.typed or "").strip()
        keyed = read_limit(check, path.name, typed, body.unit) if typed else None
        kept, si = (keyed.typed, keyed.si) if keyed else (None, None)
        store.set_limit(
            session, path.job_id, bench.vehicle, check.name, path.name, kept, si, body.source.strip(), now(), seen
        )
        return _measure(session, path.job_id, query.build)


@api.put("/api/jobs/<int:job_id>/practices/<string:name>", responses={"200": mm.MeasureOut, **_REPLACES})
def set_practice(path: mi.PracticePath, query: mi.BenchQuery, body: mi.PracticeIn) -> Response:
    """What the shop does from now on, in every job."""
    if path.name not in PRACTICES or body.option not in PRACTICES[path.name][1]:
        raise UnreadableEntry(f"“{body.option}” is no option of “{path.name}”")
    seen = seen_version()
    with writing() as session:
        store.set_practice(session, path.name, body.option, now(), seen)
        return _measure(session, path.job_id, query.build)


@api.post("/api/jobs/<int:job_id>/instruments", responses={"200": mm.MeasureOut, **_PROBLEMS})
def add_instrument(path: JobPath, query: mi.BenchQuery, body: mi.InstrumentIn) -> Response:
    """An instrument of the shop, with its own uncertainty and data port."""
    kind = INSTRUMENT_KINDS.get(body.kind)
    if kind is None:
        raise UnreadableEntry(f"“{body.kind}” is no kind of instrument; pick one of {', '.join(INSTRUMENT_KINDS)}.")
    resolution, uncertainty = read_trust(kind, body.resolution, body.uncertainty)
    port = check_port(body.port) if body.port.strip() else ""
    with writing() as session:
        name, (torque, angle) = body.name.strip(), read_bands(body.torque_band, body.angle_band)
        found = Instrument(
            kind.name, name, resolution, uncertainty, body.calibrated_on, port, torque_band=torque, angle_band=angle
        )
        instruments.add_instrument(session, found)
        return _measure(session, path.job_id, query.build)


@api.put("/api/instruments/<int:instrument_id>/archived", responses={"200": m.ArchiveIn, **_PROBLEMS})
def archive_instrument(path: InstrumentPath, body: m.ArchiveIn) -> Response:
    """Takes an instrument off the bench, or puts it back; its readings keep their uncertainty."""
    with writing() as session:
        instruments.archive_instrument(session, path.instrument_id, now() if body.archived else None)
    return reply(body)


@api.put("/api/jobs/<int:job_id>/renewals/<path:part>", responses={"200": mm.MeasureOut, **_REPLACES})
def set_renewal(path: mi.RenewalPath, query: mi.BenchQuery, body: mi.RenewalIn) -> Response:
    """The shop's own figures for renewing a part while it is open. If-Match names their version, 0 for none yet."""
    seen = seen_version()
    with writing() as session:
        renewal = Renewal(part_named(path.part), body.price, body.chance, body.hours, body.rate, body.extra_hours)
        store.set_renewal(session, path.job_id, renewal, seen)
        return _measure(session, path.job_id, query.build)


@api.delete("/api/jobs/<int:job_id>/renewals/<path:part>", responses={"200": mm.MeasureOut, **_REPLACES})
def drop_renewal(path: mi.RenewalPath, query: mi.BenchQuery) -> Response:
    """Takes a sum off the list, of the version in If-Match."""
    seen = seen_version()
    with writing() as session:
        store.drop_renewal(session, path.job_id, part_named(path.part), seen)
        return _measure(session, path.job_id, query.build)


# --- what is said


@api.post("/api/jobs/<int:job_id>/record", responses={"200": mm.MeasureOut, **_PROBLEMS})
def say(path: JobPath, query: mi.BenchQuery, body: mi.SayIn) -> Response:
    """Appends to the record what somebody says: an order, a line struck, a check closed, a verdict overruled.

    Nothing said before is changed; what is said last of the same thing stands.
    """
    with writing() as session:
        _say(session, path.job_id, body, body.who or jobs_store.who_of(session))
        return _measure(session, path.job_id, query.build)


@api.post("/api/jobs/<int:job_id>/record/lines", responses={"200": mm.MeasureOut, **_PROBLEMS})
def say_many(path: JobPath, query: mi.BenchQuery, body: mi.SayManyIn) -> Response:
    """Appends what is said of many things in one go: orders that are all here, checks that are closed together.

    They are taken in their order; where one is refused, none is.
    """
    with writing() as session:
        who = body.who or jobs_store.who_of(session)
        for one in body.lines:
            _say(session, path.job_id, one, one.who or who)
        return _measure(session, path.job_id, query.build)


def _say(session: Session, job_id: int, said: mi.SayIn, who: str) -> None:
    """Appends one thing that is said at the bench."""
    line = bench_statement(bench_of(session, job_id), said.kind, said.key, said.said, who)
    record_store.say(session, job_id, line, now(), said.request)


# --- effects


@api.get("/api/jobs/<int:job_id>/effects", responses={"200": mm.MeasuredEffectsOut, **problem_responses(404)})
def get_effects(path: JobPath, query: EffectsQuery) -> Response:
    """What measured values would do to the four questions, before and after; some may be left out."""
    without = {name.strip() for name in query.without.split(",")}
    with session_of() as session:
        return reply(effects_out(bench_of(session, path.job_id, query.build), without))


@api.post("/api/jobs/<int:job_id>/effects", responses={"200": m.JobOut, **problem_responses(400, 404, 412, 422, 428)})
def take_effects(path: JobPath, query: mi.BenchQuery, body: mi.EffectsIn) -> Response:
    """Takes measured values into the job as one change, each marked measured; undo turns it back."""
    seen = seen_version()
    with writing() as session:
        bench = bench_of(session, path.job_id, query.build)
        measured = measured_entries(bench)
        unknown = [q for q in body.quantities if q not in measured]
        if unknown:
            raise UnreadableEntry(f"“{unknown[0]}” does not follow from the readings; look at the list again.")
        revisions = jobs_store.revisions_of(session, path.job_id)
        new = [entry for q in dict.fromkeys(body.quantities) for entry in measured[q]]
        if new:
            revisions.append(jobs_store.append(session, path.job_id, seen, new, now()))
        return answer_with_job(session, path.job_id, revisions)


# --- history


@api.get("/api/jobs/<int:job_id>/measure/history", responses={"200": mm.BenchHistoryOut, **problem_responses(404)})
def get_history(path: JobPath, query: mi.BenchQuery) -> Response:
    """Readings over the vehicle's life, with their trends."""
    with session_of() as session:
        return reply(history_out(bench_of(session, path.job_id, query.build)))


#: Series of the whole shop a page looks through.
_SHOP_SERIES = 200


@api.get("/api/measure/history", responses={"200": mm.BenchHistoryOut})
def get_shop_history() -> Response:
    """The latest readings of the whole shop."""
    with session_of() as session:
        return reply(shop_history_out(store.latest_series(session, _SHOP_SERIES)))


# --- gauges


#: Tabs that may wait for a gauge at once, each on a thread of the server; the others are answered straight away.
_WAITING = BoundedSemaphore(THREADS // 2)


@api.post("/api/instruments/<int:instrument_id>/gauge", responses={"200": mm.GaugeOut, **_PROBLEMS})
def read_gauge(path: InstrumentPath, body: mi.GaugeIn) -> Response:
    """What an instrument's data port has sent since; opens it where it is not open yet, and waits for more if asked to.

    `after` beyond any number asks from now on; whoever opens the port hears all it sends. Of what is no reading only
    that it came is told: what some other device says there is nobody's business.
    """
    gauge = gauge_of(str(path.instrument_id))
    after = body.after if body.after <= gauge.newest else gauge.join()
    turn = body.wait > 0 and _WAITING.acquire(blocking=False)
    try:
        events = gauge.after(after, body.wait if turn else 0.0)
    finally:
        if turn:
            _WAITING.release()
    quiet = {"said", "odd"}
    return reply(
        mm.GaugeOut(
            connected=gauge.connected,
            newest=events[-1].number if events else after,
            events=[mm.EventOut(number=e.number, kind=e.kind, text="" if e.kind in quiet else e.text) for e in events],
        )
    )


@api.delete("/api/instruments/<int:instrument_id>/gauge", responses={"200": mm.GaugeOut, **_PROBLEMS})
def close_gauge(path: InstrumentPath) -> Response:
    """Lets an instrument's data port go."""
    with session_of() as session:
        held = instruments.instrument_of(session, path.instrument_id)
    gauges().close(held.port)
    return reply(mm.GaugeOut(connected=False, newest=0, events=[]))
