"""Views of the plan: what is open, what is said of a step, the bolt card, the step list on paper."""

from __future__ import annotations

from dataclasses import replace
from math import degrees
from typing import Annotated

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from liftbite.api.common import now, reply, seen_version, session_of, writing
from liftbite.api.fit import models as mf
from liftbite.api.fit.card import card_html, card_svg
from liftbite.api.fit.present import kept_out, plan_out, plan_text
from liftbite.api.gauging import gauge_of
from liftbite.api.paper.document import answered, page
from liftbite.api.paths import JobPath
from liftbite.api.problems import problem_responses
from liftbite.api.turns import in_turn
from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolts import MOST
from liftbite.core.fit.library import LIBRARY
from liftbite.core.fit.own_steps import OWN, fits, own_key
from liftbite.core.fit.progress import hold_against, ticked, turns_in
from liftbite.core.fit.pulls import judged, read_pull
from liftbite.core.fit.statements import OwnStep, StepTick
from liftbite.core.fit.tightening import left_of
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.job.record import Line, RawLine, checked, lines_of
from liftbite.core.statements import read_statement
from liftbite.files.fields import Words
from liftbite.files.plan import read_plan
from liftbite.store import instruments, measurements, shop
from liftbite.store import jobs as jobs_store
from liftbite.store import record as record_store
from liftbite.store.carry import file_name
from liftbite.whole.account import account_of
from liftbite.whole.at_step import series_for, step_reading
from liftbite.whole.bench import Bench, bench_of
from liftbite.whole.joints import card_of_job, instructions_of
from liftbite.whole.plan import own_lines
from liftbite.whole.statements import plan_statement

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
        _say(session, path.job_id, body, body.who or jobs_store.who_of(session))
        return reply(plan_out(bench_of(session, path.job_id, FOUND)))


def _say(session: Session, job_id: int, said: mf.SayOfPlanIn, who: str) -> None:
    """Appends one thing said of a plan, held against the plan as it stands; a reading of a step goes to the bench."""
    bench = bench_of(session, job_id, FOUND)
    read = step_reading(bench, said.key, said.said) if said.kind == StepTick.about.name else None
    if read is not None:
        number = series_for(session, read.bench, read.check, now())
        measurements.add_readings(session, job_id, number, read.readings, now(), "typed", said.request)
        return
    line = plan_statement(bench, said.kind, said.key, said.said, who)
    record_store.say(session, job_id, line, now(), said.request)


@api.post("/<int:job_id>/plan/paper", responses={"200": mf.PlanOut, **_PROBLEMS})
def from_paper(path: JobPath, body: mf.FromPaperIn) -> Response:
    """Takes a filled step list, line by line in its order; where one is refused, none is kept."""
    with writing() as session:
        who = body.who or jobs_store.who_of(session)
        for one in body.lines:
            _say(session, path.job_id, one, one.who or who)
        return reply(plan_out(bench_of(session, path.job_id, FOUND)))


@api.put("/<int:job_id>/plan/shop-step", responses={"200": mf.PlanOut, **problem_responses(400, 404, 412, 422, 428)})
def keep_step(path: JobPath, body: mf.ShopStepIn) -> Response:
    """A step for every plan of the shop from now on, or no more, in the place of the version seen."""
    seen = seen_version()
    words = body.model_dump(exclude={"title", "kept"})
    said = {"answer": "asked", **{name: text for name, text in words.items() if text}}
    with writing() as session:
        line = checked(OwnStep, RawLine(OwnStep.about.name, body.title, said))
        bench = bench_of(session, path.job_id, FOUND)
        _has_a_place(line, bench)
        shop.set_step(session, line.key, line.words if body.kept else {}, now(), seen)
        return reply(plan_out(bench_of(session, path.job_id, FOUND)))


def _has_a_place(line: Line[OwnStep], bench: Bench) -> None:
    """A step of the shop's comes after a step every job can have, and not after itself, in this job or any other.

    Raises
    ------
    UnreadableEntry : it does not
    """
    shops = {own_key(title) for title, (said, _) in bench.shop_steps.items() if said}
    for near in filter(None, (line.statement.after, line.statement.before)):
        if near.startswith(OWN) and near not in shops:
            raise UnreadableEntry(
                f"“{near}” is a step of this job alone; a step for every job stands by one that all have"
            )
        if near not in shops and near not in LIBRARY:
            raise UnreadableEntry(f"“{near}” is no step of any plan")
    if line.answer == "asked":
        fits([*own_lines(bench), line], [line])


@api.get("/<int:job_id>/plan/file", responses={"200": {"content": {"application/json": {}}}, **problem_responses(404)})
def plan_file(path: JobPath) -> Response:
    """The plan as a file: answers, own steps, instructions, and every step to read."""
    with session_of() as session:
        bench = bench_of(session, path.job_id, FOUND)
    found = Response(plan_text(bench), 200, content_type="application/json")
    found.headers["Content-Disposition"] = f'attachment; filename="{file_name(f"{bench.job_name} plan", ".json")}"'
    return found


@api.post("/<int:job_id>/plan/file", responses={"200": mf.PlanOut, **_PROBLEMS})
def read_plan_file(path: JobPath, body: mf.PlanFileIn) -> Response:
    """Takes the answers, the own steps and the instructions of a plan's file into a job."""
    lines = read_plan(body.text)
    with writing() as session:
        who, bench = jobs_store.who_of(session), bench_of(session, path.job_id, FOUND)
        own = lines_of(lines, OwnStep)
        fits([*own_lines(bench), *own], own)
        for line in lines:
            record_store.say(session, path.job_id, replace(line, who=line.who or who), now(), "")
        return reply(plan_out(bench_of(session, path.job_id, FOUND)))


@api.post("/<int:job_id>/plan/wrench", responses={"200": mf.PlanOut, **_PROBLEMS})
def from_wrench(path: JobPath, body: mf.WrenchIn) -> Response:
    """Takes readings of a torque wrench, each once and in order, for the bolts of a step.

    A good one ticks its bolt off; one out of its band, or of a bolt that was tight before, is kept and the bolt stays.
    """
    gauge = gauge_of(body.instrument)
    with gauge.turn, writing() as session:
        for number in body.events:
            event = gauge.value(number)
            pull = read_pull(event.text) if event else None
            if event is None or pull is None:
                continue  # another tab has taken it, or it is no wrench's
            bench = bench_of(session, path.job_id, FOUND)
            wrench = instruments.instrument_of(session, int(body.instrument))
            known = bench.seen_as(PLAN).build.known
            plan, found = account_of(bench).plan, account_of(bench).standing
            said_of_joints = instructions_of(bench)
            turns = turns_in(plan, body.step, known, said_of_joints)
            since = next((s.since for s in found.standings if s.planned.key == body.step), 0)
            left = left_of(turns, ticked(bench.record, body.step, since))
            turn = next((each for each in left if each.key == body.turn), left[0] if left else None)
            if turn is None:
                raise UnreadableEntry("Every bolt of this step is ticked off; nothing is left for the wrench.")
            wrong = judged(pull, turn, wrench.torque_band, wrench.angle_band)
            angle = "" if pull.angle is None else f"{degrees(pull.angle):.0f}°"
            said = {
                "answer": "look_again" if wrong else "done",
                "torque": f"{pull.torque:.1f} N·m",
                "angle": angle,
                "flag": wrong,
            }
            line = read_statement("bolt", f"{body.step}:{turn.key}", said, body.who or jobs_store.who_of(session))
            hold_against(line, plan, found, bench.record, known, instructions=said_of_joints)
            gauge.claim(number)
            record_store.say(session, path.job_id, line, now(), f"wrench {body.instrument} {number}")
        return reply(plan_out(bench_of(session, path.job_id, FOUND)))


class CardQuery(BaseModel):
    """Which joint."""

    joint: Annotated[Words, Field(max_length=60)] = Field(
        default="flywheel",
        description="flywheel, cover or spring_bolts, or a joint of the bolt map.",
    )
    count: int | None = Field(default=None, ge=3, le=MOST, description="How many bolts, where the job does not say.")


def _card(job_id: int, query: CardQuery) -> tuple[str, str, str]:
    with session_of() as session:
        bench = bench_of(session, job_id, PLAN)
        drawn = card_of_job(bench, query.joint, query.count)
    return card_svg(drawn), card_html(drawn, bench.job_name), file_name(f"{bench.job_name} {query.joint} card", "")


@api.get("/<int:job_id>/card.svg", responses={"200": {"content": {"image/svg+xml": {}}}, **problem_responses(404, 422)})
def card(path: JobPath, query: CardQuery) -> Response:
    """The bolt card of a joint at 1:1."""
    return Response(_card(path.job_id, query)[0], 200, content_type="image/svg+xml")


@api.get(
    "/<int:job_id>/card.pdf",
    responses={"200": {"content": {"application/pdf": {}}}, **problem_responses(404, 422, 501)},
)
@in_turn
def card_pdf(path: JobPath, query: CardQuery) -> Response:
    """The bolt card of a joint at 1:1, as PDF."""
    _, html, name = _card(path.job_id, query)
    return answered(html, name, "pdf")


@api.get(
    "/<int:job_id>/bags.pdf", responses={"200": {"content": {"application/pdf": {}}}, **problem_responses(404, 501)}
)
@in_turn
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
@in_turn
def plan_pdf(path: JobPath) -> Response:
    """The steps with boxes to tick on paper."""
    with session_of() as session:
        bench = bench_of(session, path.job_id, FOUND)
    name, day = bench.job_name or "Job", bench.today.isoformat()
    html = page("plan", plan=plan_out(bench), name=name, day=day, running=(name, day))
    return answered(html, file_name(f"{name} steps", ""), "pdf")
