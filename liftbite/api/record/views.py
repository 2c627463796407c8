"""View of the record."""

from __future__ import annotations

from typing import Literal

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from liftbite.api.common import reply, session_of
from liftbite.api.paths import JobPath
from liftbite.api.problems import problem_responses
from liftbite.api.record.models import RecordOut
from liftbite.api.record.present import record_out
from liftbite.store import jobs as jobs_store
from liftbite.whole.bench import bench_of

api = APIBlueprint("record", __name__, url_prefix="/api/jobs", abp_tags=[Tag(name="record")])


class RecordQuery(BaseModel):
    """What the record is narrowed to, and which page of it."""

    station: Literal["", "choose", "measure", "fit", "prove", "photos"] = Field(
        default="", description="Of one station only."
    )
    part: str = Field(default="", max_length=120, description="Of one part only, by its key or a name of it.")
    first: int = Field(default=0, ge=0, le=10**7, description="Events to pass over.")


@api.get("/<int:job_id>/events", responses={"200": RecordOut, **problem_responses(404, 422)})
def get_record(path: JobPath, query: RecordQuery) -> Response:
    """Everything that was ever entered, read, ticked or said of a job, newest first."""
    with session_of() as session:
        revisions = jobs_store.revisions_of(session, path.job_id)
        bench = bench_of(session, path.job_id)
    return reply(record_out(bench, revisions, query.station, query.part, query.first))
