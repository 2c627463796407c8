"""Views of dynamometer files: propose a mapping, read a file as mapped. Nothing is kept here."""

from __future__ import annotations

import base64
import binascii
from typing import Any

from flask_openapi3 import APIBlueprint, Tag

from liftbite.api.jobs import models as m
from liftbite.api.jobs.entries import mapping_of
from liftbite.api.jobs.present import curve_out, figure_out
from liftbite.api.problems import problem_responses
from liftbite.core.errors import UnreadableFile
from liftbite.core.job.dyno_file import read_curve
from liftbite.core.job.dyno_mapping import ROLES, propose
from liftbite.core.job.dyno_table import decode
from liftbite.core.units.kinds import KINDS

api = APIBlueprint("curves", __name__, url_prefix="/api/curves", abp_tags=[Tag(name="curves")])
UNITS = {role: list(KINDS[unit].units) for role, unit in ROLES.items()}


@api.post("/propose", responses={"200": m.ProposalOut, **problem_responses(400, 413, 422)})
def propose_mapping(body: m.FileIn) -> tuple[dict[str, Any], int]:
    """What a dropped file seems to hold, to be confirmed."""
    try:
        data = base64.b64decode(body.data, validate=True)
    except (binascii.Error, ValueError):
        raise UnreadableFile("the file did not arrive whole; drop it in again") from None
    text = decode(data)
    found = propose(text)
    proposal = m.ProposalOut(
        name=body.name,
        text=text,
        mapping=m.ColumnMappingIO(
            delimiter=found.mapping.delimiter,
            decimal=found.mapping.decimal,
            first_row=found.mapping.first_row,
            speed=found.mapping.speed,
            torque=found.mapping.torque,
            power=found.mapping.power,
            speed_unit=found.mapping.speed_unit,
            torque_unit=found.mapping.torque_unit,
            power_unit=found.mapping.power_unit,
        ),
        columns=[m.ColumnOut(index=c.index, heading=c.heading) for c in found.columns],
        preview=[list(row) for row in found.preview],
        reference=found.reference,
        questions=list(found.questions),
        units=UNITS,
    )
    return proposal.model_dump(), 200


@api.post("/read", responses={"200": m.CurveReadOut, **problem_responses(400, 413, 422)})
def read_file(body: m.CurveFileIn) -> tuple[dict[str, Any], int]:
    """A file read as mapped: its curve, its peaks, and what was done to get there."""
    read = read_curve(body.text, mapping_of(body.mapping))
    curve = read.curve
    found = m.CurveReadOut(
        curve=curve_out(curve),
        notes=list(read.notes),
        points=curve.speed.size,
        peak_torque=figure_out(curve.peak_torque, "N·m"),
        peak_torque_speed=figure_out(curve.peak_torque_speed, "rad/s"),
        peak_power=figure_out(curve.peak_power, "W"),
        peak_power_speed=figure_out(curve.peak_power_speed, "rad/s"),
    )
    return found.model_dump(), 200
