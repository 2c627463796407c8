"""Views of dynamometer files: propose a mapping, read a file as mapped. Nothing is kept here."""

from __future__ import annotations

import base64
import binascii
from typing import Any

from flask_openapi3 import APIBlueprint, Tag

from liftbite.api.brief.present import proposal_out, read_out
from liftbite.api.jobs import models as m
from liftbite.api.jobs.entries import curve_of
from liftbite.api.problems import problem_responses
from liftbite.core.errors import UnreadableFile
from liftbite.core.job.dyno_table import decode

api = APIBlueprint("curves", __name__, url_prefix="/api/curves", abp_tags=[Tag(name="curves")])


@api.post("/propose", responses={"200": m.ProposalOut, **problem_responses(400, 413, 422)})
def propose_mapping(body: m.FileIn) -> tuple[dict[str, Any], int]:
    """What a dropped file seems to hold, to be confirmed."""
    try:
        data = base64.b64decode(body.data, validate=True)
    except (binascii.Error, ValueError):
        raise UnreadableFile("the file did not arrive whole; drop it in again") from None
    return proposal_out(body.name, decode(data)).model_dump(), 200


@api.post("/read", responses={"200": m.CurveReadOut, **problem_responses(400, 413, 422)})
def read_file(body: m.CurveFileIn) -> tuple[dict[str, Any], int]:
    """A file read as mapped: its curve, its peaks, and what was done to get there."""
    return read_out(curve_of(body)).model_dump(), 200
