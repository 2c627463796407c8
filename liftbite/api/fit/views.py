"""Views of the plan: what is open, what is said of a step, the bolt card, the step list on paper."""

from __future__ import annotations

from typing import Literal

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from liftbite.api.common import now, reply, session_of, writing
from liftbite.api.fit import models as mf
from liftbite.api.fit.card import card_html, card_svg
from liftbite.api.fit.present import kept_out, plan_of_job, plan_out, progress_of
from liftbite.api.jobs.files import file_name
from liftbite.api.jobs.views import JobPath
from liftbite.api.measure.views import bench_of
from liftbite.api.paper.document import answered, page
from liftbite.api.problems import problem_responses
from liftbite.core.fit.bolts import MOST
from liftbite.core.fit.joints import card_of
from liftbite.core.fit.progress import hold_against
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.said import read_said
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
        line = read_said(body.kind, body.key, body.said, body.who or jobs_store.who_of(session))
        bench = bench_of(session, path.job_id, FOUND)
        hold_against(line, plan_of_job(bench), progress_of(bench), bench.record, bench.seen_as(PLAN).build.known)
        record_store.say(session, path.job_id, line, now(), body.request)
        return reply(plan_out(bench_of(session, path.job_id, FOUND)))


class CardQuery(BaseModel):
    """Which joint."""

    joint: Literal["flywheel", "cover", "spring_bolts"] = "flywheel"
    count: int | None = Field(default=None, ge=3, le=MOST, description="How many bolts, where the job does not say.")


def _card(job_id: int, query: CardQuery) -> tuple[str, str, str]:
    with session_of() as session:
        bench = bench_of(session, job_id, PLAN)
    card = card_of(bench.build, query.joint, query.count)
    return card_svg(card), card_html(card, bench.job_name), file_name(f"{bench.job_name} {query.joint} card", "")


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
    "/<int:job_id>/bags.pdf", responses={"200": {"content": {"application/pdf": {}}}, **problem_responses(404, 501)}
)
def bags_pdf(path: JobPath) -> Response:
    """A label for every bag, to cut out."""
    with session_of() as session:
        bench = bench_of(session, path.job_id, FOUND)
    name, day = bench.job_name or "Job", bench.today.isoformat()
    bags = [each for each in kept_out(bench) if each.kind == "bag"]
    html = page("bags", bags=bags, name=name, day=day, running=(name, day))
    return answered(html, file_name(f"{name} labels", ""), "pdf")


@api.get(
    "/<int:job_id>/plan.pdf", responses={"200": {"content": {"application/pdf": {}}}, **problem_responses(404, 501)}
)
def plan_pdf(path: JobPath) -> Response:
    """The steps with boxes to tick on paper."""
    with session_of() as session:
        bench = bench_of(session, path.job_id, FOUND)
    name, day = bench.job_name or "Job", bench.today.isoformat()
    html = page("plan", plan=plan_out(bench), name=name, day=day, running=(name, day))
    return answered(html, file_name(f"{name} steps", ""), "pdf")
