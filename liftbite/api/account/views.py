"""Views of the account."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from liftbite.api.account.models import AccountOut
from liftbite.api.account.present import account_out
from liftbite.api.common import reply, session_of
from liftbite.api.paths import JobPath
from liftbite.api.problems import problem_responses
from liftbite.core.job.ledger import FOUND
from liftbite.whole.account import account_of
from liftbite.whole.bench import bench_of

api = APIBlueprint("account", __name__, url_prefix="/api/jobs", abp_tags=[Tag(name="account")])


@api.get("/<int:job_id>/account", responses={"200": AccountOut, **problem_responses(404)})
def get_account(path: JobPath) -> Response:
    """The account of a job: the state of every part, what was read, what was proved, and what is not done."""
    with session_of() as session:
        return reply(account_out(account_of(bench_of(session, path.job_id, FOUND))))
