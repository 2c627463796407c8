"""Views of jobs: list, open, change, undo, ask backwards, working, history, files in and out."""

from __future__ import annotations

import hashlib
from typing import Any

from flask import Response, request
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from liftbite.api.common import download, now, reply, seen_version, session_of, tagged, writing
from liftbite.api.jobs import models as m
from liftbite.api.jobs import models_working as mw
from liftbite.api.jobs import present as out
from liftbite.api.jobs.answers import answer_with_job, asked_of, build_with
from liftbite.api.jobs.entries import changes, read_entries
from liftbite.api.jobs.lines import list_out
from liftbite.api.jobs.workings import sought_out, working_out
from liftbite.api.paths import JobPath
from liftbite.api.problems import ChangedJob, Faults, problem_responses
from liftbite.api.waiting import by_size
from liftbite.core.analysis.goal_seek import seek_all
from liftbite.core.analysis.working import working
from liftbite.core.errors import UnreadableEntry
from liftbite.core.job import ledger
from liftbite.core.job.begin import beginning, copy_name
from liftbite.core.job.build import NOW, PLANNED, label_of, unit_of
from liftbite.core.job.builds import dropping, entering, known_build, taking, with_entries
from liftbite.core.job.dyno_file import write_csv
from liftbite.core.job.ledger import Revision
from liftbite.core.units.read import read
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.results import friction_of, target_of
from liftbite.files.job import read_job_file
from liftbite.store import jobs as store
from liftbite.store.carry import bring_job, bring_up_to_date, file_name, file_of, raw_text, stands_to
from liftbite.store.job_lines import Sort

api = APIBlueprint("jobs", __name__, url_prefix="/api/jobs", abp_tags=[Tag(name="jobs")])


class BuildQuery(BaseModel):
    """Which build of the job."""

    build: m.BuildName = ""


class ListQuery(BaseModel):
    """Which jobs, and which page of them."""

    archived: bool = False
    find: str = Field(default="", max_length=200, description="Words in name, vehicle or layout.")
    question: str = Field(default="", pattern="^(bite|lift|heat|true)?$", description="Whose state it is; any.")
    state: str = Field(default="", max_length=20, description="What an answer says: slips, drags.")
    sort: Sort = "newest"
    first: int = Field(default=0, ge=0, le=10**7)
    most: int = Field(default=50, ge=1, le=200)


class CurveQuery(BaseModel):
    """Which curve, and at the crank or as measured."""

    stage: str = Field(default="now", pattern="^(now|planned)$")


@api.get("", responses={"200": m.JobListOut, **problem_responses(422)})
def list_jobs(query: ListQuery) -> Response:
    """A page of the jobs of the shop, searched, narrowed and sorted."""
    with session_of() as session:
        return reply(list_out(session, **query.model_dump()))


@api.post("", responses={"201": m.JobOut, **problem_responses(400, 422)})
def create_job(body: m.NewJobIn) -> Response:
    """A new job: of a layout, or of a class of vehicle with one figure of its engine."""
    taken, faults = beginning(
        {
            "layout": body.layout,
            "job_name": body.name,
            "vehicle": body.vehicle,
            "vehicle_class": body.vehicle_class,
            "engine": body.engine,
            "curve_reference": body.taken_at,
            **body.figures,
        }
    )
    if faults:
        raise Faults({field: why for field, (_, why) in faults.items()})
    at = now()
    first = Revision(1, "start", store.utc_text(at), tuple(taken))
    with writing() as session:
        job_id = store.create(session, [first], at)
        return answer_with_job(session, job_id, [first], 201)


@api.get("/<int:job_id>", responses={"200": m.JobOut, **problem_responses(404, 422)})
def get_job(path: JobPath, query: BuildQuery) -> Response:
    """A job with everything it says now, in one of its builds; the ETag is its revision."""
    with session_of() as session:
        revisions = store.revisions_of(session, path.job_id)
        return answer_with_job(session, path.job_id, revisions, build=query.build)


@api.post("/<int:job_id>/entries", responses={"200": m.JobOut, **problem_responses(400, 404, 412, 422, 428)})
def enter(path: JobPath, body: m.EntriesIn) -> Response:
    """Appends what was entered; all of it or, where something cannot be taken, nothing."""
    seen = seen_version()
    taken, faults = read_entries(body.entries)
    if faults:
        raise Faults({field: why for field, (_, why) in faults.items()})
    with writing() as session:
        revisions = store.revisions_of(session, path.job_id)
        if revisions[-1].number != seen:
            raise store.Stale(revisions[-1].number, seen)
        layers = ledger.layers_of(revisions)
        new = changes(entering(layers, body.build, taken), layers)
        if new:
            revisions.append(store.append(session, path.job_id, seen, new, now()))
        return answer_with_job(session, path.job_id, revisions, build=body.build)


@api.post("/<int:job_id>/builds", responses={"200": m.JobOut, **problem_responses(400, 404, 412, 422, 428)})
def settle_build(path: JobPath, body: m.BuildIn) -> Response:
    """Makes an alternative the plan, or takes it away; the ledger keeps it either way."""
    seen = seen_version()
    with writing() as session:
        revisions = store.revisions_of(session, path.job_id)
        if revisions[-1].number != seen:
            raise store.Stale(revisions[-1].number, seen)
        layers = ledger.layers_of(revisions)
        name = known_build(layers, body.build)
        if name in (ledger.PLAN, ledger.FOUND):
            raise UnreadableEntry(
                "what is planned and what was found stay; only an alternative can be taken or dropped"
            )
        new = taking(layers, name) if body.becomes == "plan" else dropping(layers, name)
        revisions.append(store.append(session, path.job_id, seen, changes(new, layers), now()))
        return answer_with_job(session, path.job_id, revisions)


@api.post("/<int:job_id>/preview", responses={"200": m.JobOut, **problem_responses(400, 404, 422)})
def preview(path: JobPath, body: m.EntriesIn) -> Response:
    """What the job would say with these entries; nothing is kept."""
    taken, faults = read_entries(body.entries)
    with session_of() as session:
        revisions = store.revisions_of(session, path.job_id)
        away, change = store.is_archived(session, path.job_id), store.change_of(session, path.job_id)
        layers, build = ledger.layers_of(revisions), ledger.read_build(body.build)
        layers = with_entries(layers, entering(layers, build, taken))
        asked = asked_of(session, layers[ledger.PLAN])
    job = out.job_out(
        path.job_id, revisions, archived=away, change=change, layers=layers, problems=faults, build=build, asked=asked
    )
    return Response(job.model_dump_json(), 200, content_type="application/json")


def _turn(job_id: int, kind: ledger.RevisionKind) -> Response:
    seen = seen_version()
    with writing() as session:
        revisions = store.revisions_of(session, job_id)
        if revisions[-1].number != seen:
            raise store.Stale(revisions[-1].number, seen)
        turned = ledger.undo(revisions) if kind == "undo" else ledger.redo(revisions)
        if turned is not None:
            of, entries = turned
            revisions.append(store.append(session, job_id, seen, entries, now(), kind=kind, of=of))
        return answer_with_job(session, job_id, revisions)


@api.post("/<int:job_id>/undo", responses={"200": m.JobOut, **problem_responses(404, 412, 428)})
def undo(path: JobPath) -> Response:
    """Turns the last change back; the ledger keeps both."""
    return _turn(path.job_id, "undo")


@api.post("/<int:job_id>/redo", responses={"200": m.JobOut, **problem_responses(404, 412, 428)})
def redo(path: JobPath) -> Response:
    """Brings the last change turned back again."""
    return _turn(path.job_id, "redo")


@api.post("/<int:job_id>/back", responses={"200": m.JobOut, **problem_responses(400, 404, 412, 422, 428)})
def go_back(path: JobPath, body: m.BackIn) -> Response:
    """Brings a job back to an earlier revision, as one more change that can be undone; the ledger keeps all."""
    seen = seen_version()
    with writing() as session:
        revisions = store.revisions_of(session, path.job_id)
        entries = ledger.back_to(revisions, body.revision)
        if entries:
            revisions.append(store.append(session, path.job_id, seen, entries, now()))
        return answer_with_job(session, path.job_id, revisions)


@api.post("/<int:job_id>/copy", responses={"201": m.JobOut, **problem_responses(404, 422)})
def copy_job(path: JobPath) -> Response:
    """A new job with all that is entered in this one, every build of it; readings and what was said stay here."""
    at = now()
    with writing() as session:
        layers = ledger.layers_of(store.revisions_of(session, path.job_id))
        entries = [entry for of_build in layers.values() for entry in of_build.values() if entry.quantity != "job_name"]
        named = layers[ledger.PLAN].get("job_name")
        entries.append(ledger.Entry("job_name", copy_name((named.typed if named else "") or "")))
        first = Revision(1, "start", store.utc_text(at), tuple(entries))
        return answer_with_job(session, store.create(session, [first], at), [first], 201)


@api.put("/<int:job_id>/archived", responses={"200": m.ArchivedOut, **problem_responses(400, 404, 412, 422, 428)})
def archive(path: JobPath, body: m.ArchiveIn) -> Response:
    """Puts a job out of sight, or back; nothing is deleted. If-Match names its change, so no new work goes along."""
    seen = seen_version()
    with writing() as session:
        change = store.archive(session, path.job_id, now() if body.archived else None, seen)
    return tagged(reply(m.ArchivedOut(id=path.job_id, archived=body.archived, change=change)), change)


@api.get("/<int:job_id>/history", responses={"200": m.HistoryOut, **problem_responses(404)})
def history(path: JobPath) -> tuple[dict[str, Any], int]:
    """The ledger in words, newest first."""
    with session_of() as session:
        return out.history_out(store.revisions_of(session, path.job_id)).model_dump(), 200


def _at(planned: bool, friction: float) -> str:
    place = "low" if friction <= -1 else "high" if friction >= 1 else "nominal" if friction == 0 else f"{friction:g}"
    return f"{'planned stage' if planned else 'engine as it is'}, {place} friction"


@api.post("/<int:job_id>/working", responses={"200": mw.WorkingOut, **problem_responses(400, 404, 422)})
def show_working(path: JobPath, body: mw.WorkingIn) -> tuple[dict[str, Any], int]:
    """How a result came about, down to the inputs, with entries that are tried."""
    build = build_with(path.job_id, body)
    if body.quantity not in build.graph.functions:
        raise UnreadableEntry(f"{label_of(body.quantity)} is not worked out in this arrangement, so it has no working.")
    planned = body.planned and build.has_plan
    steps = working(build, body.quantity, stage=PLANNED if planned else NOW, friction=body.friction)
    return working_out(steps, _at(planned, body.friction)).model_dump(), 200


@api.post("/<int:job_id>/ask", responses={"200": mw.AskedOut, **problem_responses(400, 404, 422)})
def ask(path: JobPath, body: mw.AskIn) -> tuple[dict[str, Any], int]:
    """Asks a result backwards, with entries that are tried: what each quantity would have to be to reach a target."""
    build = build_with(path.job_id, body)
    if body.result not in build.graph.functions:
        raise UnreadableEntry(f"“{body.result}” is not a result of this arrangement")
    unit = unit_of(body.result, build.graph)
    if body.target and body.target.strip():
        target = _target(body.target, unit, body.result)
    else:
        wanted = target_of(build, body.result)
        if wanted is None:
            raise UnreadableEntry("Target: say what the result should be; choose a use to have one proposed.")
        target = wanted
    planned = build.has_plan
    friction = friction_of(body.result)
    sought = seek_all(build, body.result, target, stage=PLANNED if planned else NOW, friction=friction)
    asked = mw.AskedOut(
        target=out.figure_out(target, unit),
        at=_at(planned, friction),
        sought=[sought_out(s, build, body.result) for s in sought],
    )
    return asked.model_dump(), 200


def _target(typed: str, unit: str, result: str) -> float:
    from liftbite.core.units.kinds import KINDS

    try:
        target = read(typed, unit, KINDS[unit].metric).si
    except UnreadableEntry as error:
        raise UnreadableEntry(f"Target for {label_of(result).lower()}: {error.reason}.") from None
    if not 0 < target < 1e12:
        raise UnreadableEntry(f"Target for {label_of(result).lower()}: “{typed}” has to be more than 0.")
    return target


@api.get("/<int:job_id>/file", responses={"200": None, **problem_responses(404)})
def export_job(path: JobPath) -> Response:
    """The job as `*.liftbite.json`."""
    with session_of() as session:
        name, text = file_of(session, path.job_id)
    return download(text, "application/json", name)


@api.get("/<int:job_id>/raw", responses={"200": None, **problem_responses(404)})
def export_raw(path: JobPath) -> Response:
    """The rows of a job as they stand in the tables: what there is to save of one that cannot be read."""
    with session_of() as session:
        return download(raw_text(session, path.job_id), "application/json", f"job-{path.job_id}.rows.json")


class ImportQuery(BaseModel):
    """What becomes of a file whose job is here already."""

    again: bool = Field(default=False, description="It becomes a second job.")
    update: bool = Field(
        default=False, description="Where it goes on where the job here ends, the job goes on with it."
    )


@api.post("/file", responses={"200": m.JobOut, "201": m.JobOut, **problem_responses(400, 409, 413, 422, 503)})
def import_job(query: ImportQuery) -> Response:
    """A job file, sent as it is, becomes a job with its whole ledger and all that was measured; all of it or nothing.

    A job is the same job by its identity. One that is here as it is answers 200 and that job; one that was changed
    since answers 409 and says how, until somebody says what is to be done.
    """
    data = request.get_data()
    filed, digest, at = by_size(len(data), read_job_file, data), hashlib.sha256(data).hexdigest(), now()
    with writing() as session:
        if not query.again:
            known = store.brought(session, digest)
            there = (known.job_id, "same") if known is not None else stands_to(session, filed)
            if there is not None:
                number, how = there
                if how == "ahead" and query.update:
                    bring_up_to_date(session, number, filed, at)
                elif how in {"ahead", "apart"}:
                    raise ChangedJob(number, how)
                return answer_with_job(session, number, store.revisions_of(session, number), 200)
        uid = "" if query.again else filed.uid
        job_id = bring_job(session, filed, at, uid=uid)
        store.note_brought(session, digest, job_id, at, {})
        return answer_with_job(session, job_id, filed.revisions, 201)


@api.get("/<int:job_id>/curve.csv", responses={"200": None, **problem_responses(404, 422)})
def export_curve(path: JobPath, query: CurveQuery) -> Response:
    """The torque curve at the crank as CSV."""
    with session_of() as session:
        entries = ledger.present(store.revisions_of(session, path.job_id))
    chart = answer(entries).chart
    curve = None if chart is None else chart.planned if query.stage == "planned" else chart.now
    if curve is None:
        raise UnreadableEntry("There is no torque curve to write yet.")
    name = entries["job_name"].typed if "job_name" in entries else "job"
    return download(write_csv(curve), "text/csv; charset=utf-8", file_name(f"{name} {query.stage}", ".csv"))
