"""Views of the plan: what is open, what is said of a step, the bolt card, the step list on paper."""

from __future__ import annotations

from typing import Literal

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from liftbite.api.common import now, reply, session_of, writing
from liftbite.api.fit import models as mf
from liftbite.api.fit.card import card_html, card_of, card_svg
from liftbite.api.fit.present import plan_of_job, plan_out, progress_of, sequence_in
from liftbite.api.jobs.files import file_name
from liftbite.api.jobs.views import JobPath
from liftbite.api.measure.views import bench_of
from liftbite.api.paper.document import answered, page
from liftbite.api.problems import problem_responses
from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.case import QUESTIONS
from liftbite.core.fit.progress import read_evidence, read_tick, ticked
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.job.record import Line, read_line
from liftbite.store import jobs as jobs_store
from liftbite.store import record as record_store

api = APIBlueprint("fit", __name__, url_prefix="/api/jobs", abp_tags=[Tag(name="fit")])
_PROBLEMS = problem_responses(400, 404, 422)


@api.get("/<int:job_id>/plan", responses={"200": mf.PlanOut, **problem_responses(404)})
def get_plan(path: JobPath) -> Response:
    """The plan of a job with everything that is done and open in it."""
    with session_of() as session:
        return reply(plan_out(bench_of(session, path.job_id, FOUND)))


@api.post("/<int:job_id>/plan", responses={"200": mf.PlanOut, **_PROBLEMS})
def say_of_plan(path: JobPath, body: mf.SayOfPlanIn) -> Response:
    """Appends what is said of the plan: never stale, and sent twice it counts once."""
    with writing() as session:
        line = read_line(body.kind, body.key, body.said, body.who or jobs_store.who_of(session))
        _check(session, path.job_id, line)
        record_store.say(session, path.job_id, line, now(), body.request)
        return reply(plan_out(bench_of(session, path.job_id, FOUND)))


def _check(session: Session, job_id: int, line: Line) -> None:
    """Raises UnreadableEntry where it can not be said of this job's plan."""
    bench = bench_of(session, job_id, FOUND)
    if line.kind == "plan":
        question = QUESTIONS.get(line.key)
        if question is None or line.answer not in question.options:
            raise UnreadableEntry(f"“{line.answer}” is no answer to “{line.key}”")
    elif line.kind == "step":
        standing, plan = {s.planned.key: s for s in progress_of(bench).standings}, plan_of_job(bench)
        done = ticked(bench.record, line.key)
        read_evidence(plan, line, standing, [n for n in sequence_in(bench, plan, line.key) if n not in done])
    elif line.kind == "bolt":
        standing = {s.planned.key: s for s in progress_of(bench).standings}
        read_tick(line, standing, sequence_in(bench, plan_of_job(bench), line.key.rpartition(":")[0]))
    elif line.said.get("after") and line.said["after"] not in plan_of_job(bench).by_key:
        raise UnreadableEntry(f"“{line.said['after']}” is no step of this plan")


class CardQuery(BaseModel):
    """Which joint."""

    joint: Literal["flywheel", "cover"] = "flywheel"
    count: int | None = Field(default=None, ge=3, le=36, description="How many bolts, where the job does not say.")


def _card(job_id: int, query: CardQuery) -> tuple[str, str, str]:
    with session_of() as session:
        bench = bench_of(session, job_id, PLAN)
    card = card_of(bench.build, query.joint, query.count)
    text = bench.entries["job_name"].typed if "job_name" in bench.entries else ""
    return card_svg(card), card_html(card, text or ""), file_name(f"{text} {query.joint} card", "")


@api.get("/<int:job_id>/card.svg", responses={"200": {"content": {"image/svg+xml": {}}}, **problem_responses(404, 422)})
def card(path: JobPath, query: CardQuery) -> Response:
    """The bolt card of a joint at 1:1."""
    return Response(_card(path.job_id, query)[0], 200, content_type="image/svg+xml")


@api.get("/<int:job_id>/card.pdf", responses={"200": {"content": {"application/pdf": {}}},
                                              **problem_responses(404, 422, 501)})  # fmt: skip
def card_pdf(path: JobPath, query: CardQuery) -> Response:
    """The bolt card of a joint at 1:1, as PDF."""
    _, html, name = _card(path.job_id, query)
    return answered(html, name, "pdf")


@api.get(
    "/<int:job_id>/plan.pdf", responses={"200": {"content": {"application/pdf": {}}}, **problem_responses(404, 501)}
)
def plan_pdf(path: JobPath) -> Response:
    """The steps with boxes to tick on paper."""
    with session_of() as session:
        bench = bench_of(session, path.job_id, FOUND)
    text = bench.entries["job_name"].typed if "job_name" in bench.entries else ""
    html = page("plan", plan=plan_out(bench), name=text or "Job", day=bench.today.isoformat(),
                running=(text or "Job", bench.today.isoformat()))  # fmt: skip
    return answered(html, file_name(f"{text} steps", ""), "pdf")
