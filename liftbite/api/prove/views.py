"""Views of Prove: a drive read, causes ranked, trips and signatures said, the hand-over as a document."""

from __future__ import annotations

from typing import Annotated, Literal

from flask import Response, request
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from liftbite.api.account.papers import papers_of
from liftbite.api.common import download, now, reply, session_of, writing
from liftbite.api.paper.document import answered
from liftbite.api.paths import JobPath
from liftbite.api.problems import problem_responses
from liftbite.api.prove import models as mp
from liftbite.api.prove.archive import documents_of
from liftbite.api.prove.calendar import calendar_of
from liftbite.api.prove.present import drive_out, prove_out, top_of
from liftbite.api.serving import MOST_LARGE
from liftbite.api.sheet.documents import hand_over_html, owner_html
from liftbite.api.turns import in_turn
from liftbite.api.waiting import by_size
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.prove.logger import simulated, vehicle_of, written
from liftbite.files.archive import write_archive
from liftbite.files.fields import Words
from liftbite.store import jobs as jobs_store
from liftbite.store import record as record_store
from liftbite.store.carry import file_name
from liftbite.whole.bench import Bench, bench_of
from liftbite.whole.road import road_of
from liftbite.whole.statements import fault_closed, proof_statement

api = APIBlueprint("prove", __name__, url_prefix="/api/jobs", abp_tags=[Tag(name="prove")])
_PROBLEMS = problem_responses(400, 404, 422)


#: Of a log that is enough to see its columns [bytes].
_TOP = 65_536


def _prove(bench: Bench, revision: int) -> Response:
    return reply(prove_out(bench, revision))


@api.get("/<int:job_id>/prove", responses={"200": mp.ProveOut, **problem_responses(404)})
def get_prove(path: JobPath) -> Response:
    """Where a job stands in Prove: the complaint, drives, bedding-in, and what stands before its hand-over."""
    with session_of() as session:
        return _prove(bench_of(session, path.job_id, FOUND), jobs_store.newest_revision(session, path.job_id))


@api.post("/<int:job_id>/prove", responses={"200": mp.ProveOut, **_PROBLEMS})
def say_of_proof(path: JobPath, body: mp.SayOfProofIn) -> Response:
    """Appends what is said in Prove: never stale, and sent twice it counts once."""
    with writing() as session:
        who, revision = body.who or jobs_store.who_of(session), jobs_store.newest_revision(session, path.job_id)
        bench = bench_of(session, path.job_id, FOUND)
        line = proof_statement(bench, revision, body.kind, body.key, body.said, who)
        record_store.say(session, path.job_id, line, now(), body.request)
        return _prove(bench_of(session, path.job_id, FOUND), revision)


class ColumnsQuery(BaseModel):
    """Which column is what."""

    columns: Annotated[Words, Field(max_length=600)] = Field(
        default="",
        description="role:unit for every column in order, parted by commas; empty to go by the headings.",
    )


@api.post("/<int:job_id>/log/columns", responses={"200": mp.LogTopOut, **problem_responses(400, 404, 413, 422)})
def log_columns(path: JobPath) -> Response:
    """The columns of a logger's CSV, sent as it is or its first lines, and what each is taken for."""
    request.max_content_length = MOST_LARGE
    with session_of() as session:
        jobs_store.newest_revision(session, path.job_id)
    return reply(top_of(request.get_data()[:_TOP]))


@api.post("/<int:job_id>/fault/close", responses={"200": mp.ProveOut, **_PROBLEMS})
def close_fault(path: JobPath, body: mp.CloseIn) -> Response:
    """A cause that was found: into the record, its parts onto the list, and how far the job goes from now on."""
    with writing() as session:
        who = body.who or jobs_store.who_of(session)
        for line in fault_closed(body.cause, who):
            record_store.say(session, path.job_id, line, now(), "")
        revision = jobs_store.newest_revision(session, path.job_id)
        return _prove(bench_of(session, path.job_id, FOUND), revision)


@api.post("/<int:job_id>/log", responses={"200": mp.DriveOut, **problem_responses(400, 404, 413, 422)})
def read_drive(path: JobPath, query: ColumnsQuery) -> Response:
    """A logger's CSV, sent as it is, against the job: gears, starts, shifts, slip, heat, margin. Nothing is kept."""
    columns = query.columns.split(",") if query.columns else []
    request.max_content_length = MOST_LARGE
    with session_of() as session:
        entries = dict(bench_of(session, path.job_id, PLAN).entries)
    data = request.get_data()
    return reply(drive_out(by_size(len(data), road_of, entries, data, columns)))


class LoggerQuery(BaseModel):
    """What is driven, and how long."""

    fault: Literal["none", "slip", "slip_hot", "drag", "judder", "tyre"] = "none"
    minutes: float = Field(default=3.0, ge=0.2, le=20)
    rate: float = Field(default=50.0, ge=5, le=100)
    seed: int = Field(default=1, ge=0, le=2**31)


@api.get("/<int:job_id>/simulated.csv", responses={"200": None, **_PROBLEMS})
def simulated_log(path: JobPath, query: LoggerQuery) -> Response:
    """A simulated logger's drive of this job's own vehicle, healthy or with a fault, as such loggers write it."""
    with session_of() as session:
        build = bench_of(session, path.job_id, PLAN).build
    vehicle = vehicle_of(build)
    log, _ = simulated(vehicle, query.fault, minutes=query.minutes, rate=query.rate, seed=query.seed)
    return download(written(log, vehicle.guessed), "text/csv; charset=utf-8", f"simulated-{query.fault}.csv")


class HandQuery(BaseModel):
    """For whom."""

    owner: bool = Field(default=False, description="One page for the owner instead of the whole.")


def _handed(job_id: int, query: HandQuery) -> tuple[str, str]:
    with session_of() as session:
        found = papers_of(session, job_id, now().date(), appendix=not query.owner)
    what = "owner" if query.owner else "hand-over"
    return (owner_html if query.owner else hand_over_html)(found), file_name(f"{found.job.name} {what}", "")


@api.get("/<int:job_id>/handover.html", responses={"200": {"content": {"text/html": {}}}, **_PROBLEMS})
def handover(path: JobPath, query: HandQuery) -> Response:
    """What is handed over, as one HTML that needs nothing else."""
    return answered(*_handed(path.job_id, query), "html")


@api.get(
    "/<int:job_id>/handover.pdf",
    responses={"200": {"content": {"application/pdf": {}}}, **problem_responses(404, 422, 501)},
)
@in_turn
def handover_pdf(path: JobPath, query: HandQuery) -> Response:
    """The same as PDF."""
    return answered(*_handed(path.job_id, query), "pdf")


@api.get("/<int:job_id>/archive.zip", responses={"200": None, **problem_responses(404)})
def job_archive(path: JobPath) -> Response:
    """All of a job in one archive: its file, readings, plan, documents, dates, photos; it comes back in unchanged."""
    with session_of() as session:
        packed = write_archive(documents_of(session, path.job_id, now()))
        name = bench_of(session, path.job_id, FOUND).job_name
    return download(packed, "application/zip", file_name(name, ".zip"))


@api.get("/<int:job_id>/calendar.ics", responses={"200": None, **problem_responses(404)})
def calendar(path: JobPath) -> Response:
    """Dates to come as iCalendar: the look again, the end of bedding-in, the fluid."""
    with session_of() as session:
        bench = bench_of(session, path.job_id, FOUND)
        prove = prove_out(bench, jobs_store.newest_revision(session, path.job_id))
        uid = jobs_store.uid_of(session, path.job_id)
    text = calendar_of(bench.job_name, prove, now(), uid).decode()
    return download(text, "text/calendar; charset=utf-8", file_name(f"{bench.job_name} dates", ".ics"))
