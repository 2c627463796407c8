"""Views of the account."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from liftbite.api.account.models import AccountOut, UndoesOut
from liftbite.api.account.present import account_out, undoes_out
from liftbite.api.common import reply, session_of
from liftbite.api.paths import JobPath
from liftbite.api.problems import problem_responses
from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.ledger import FOUND, read_entry
from liftbite.core.job.parts import PARTS, fate_of
from liftbite.whole.account import account_of, undoes
from liftbite.whole.bench import bench_of


class PlannedQuery(BaseModel):
    """Parts that would be planned."""

    parts: str = Field(max_length=2000, description="Their fates, as “disc:renewed,cover:renewed”.")


api = APIBlueprint("account", __name__, url_prefix="/api/jobs", abp_tags=[Tag(name="account")])


@api.get("/<int:job_id>/account", responses={"200": AccountOut, **problem_responses(404)})
def get_account(path: JobPath) -> Response:
    """The account of a job: the state of every part, what was read, what was proved, and what is not done."""
    with session_of() as session:
        return reply(account_out(account_of(bench_of(session, path.job_id, FOUND))))


@api.get("/<int:job_id>/account/undoes", responses={"200": UndoesOut, **problem_responses(404, 422)})
def get_undoes(path: JobPath, query: PlannedQuery) -> Response:
    """What it would undo to plan parts now: steps that come to the plan, and those that are to be done again."""
    said = [one.strip().partition(":") for one in query.parts.split(",") if one.strip()]
    unknown = [part for part, _, _ in said if part not in PARTS]
    if unknown:
        raise UnreadableEntry(f"“{unknown[0]}” is no part that is planned; {', '.join(PARTS)} are")
    entries = [read_entry(fate_of(part), fate or "renewed") for part, _, fate in said]
    with session_of() as session:
        return reply(undoes_out(undoes(bench_of(session, path.job_id, FOUND), entries)))
