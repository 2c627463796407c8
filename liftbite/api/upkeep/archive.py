"""Views of everything in one archive: out, and back in."""

from __future__ import annotations

import tempfile
from collections.abc import Iterator
from pathlib import Path
from typing import IO, Literal

from flask import Response, current_app, request, send_file
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, ConfigDict, Field

from liftbite.api.common import asked_states, current_state, now, reply, session_of, sessions_of, who
from liftbite.api.problems import problem_responses
from liftbite.api.serving import MOST_LARGE
from liftbite.api.upkeep.shop import preferred
from liftbite.api.upkeep.transfers import Transfer, Transfers, read_job_apart, read_photo_apart
from liftbite.files.archive import Archive, write_archive
from liftbite.files.fields import Words
from liftbite.store.carry import Brought, Decision, bring_shop, files_of_shop
from liftbite.store.state import AnotherState

api = APIBlueprint("archive", __name__, url_prefix="/api/archive", abp_tags=[Tag(name="upkeep")])


class ChangedOut(BaseModel):
    """Something that stands otherwise here than in an archive, and was left as it is here."""

    key: str = Field(description="What it goes by where it is decided.")
    what: str
    says: str
    offered: list[Decision]
    job: int | None = Field(description="Its number here, of a job.")


class BroughtOut(BaseModel):
    """What an archive brought."""

    jobs: int = Field(description="Jobs that are new here.")
    already: int = Field(description="Jobs that were here as they are.")
    updated: int = Field(description="Jobs that were here and go on with what the archive has.")
    parts: int = Field(description="Parts of the shelf that are new here.")
    photos: int = Field(description="Photos that are new here.")
    instruments: int = Field(description="Instruments that are new here.")
    said: int = Field(description="Practices, units and steps that the shop has from now on.")
    changed: list[ChangedOut] = Field(description="What stands otherwise here: it is asked what is to be done.")
    faults: list[str] = Field(description="Files that could not be read, each with why.")


class TransferOut(BaseModel):
    """An archive on its way."""

    name: str
    way: Literal["out", "in"]
    state: Literal["receiving", "working", "done", "failed"]
    trouble: str = Field(description="Why it failed.")
    done: int = Field(description="Files that are through.")
    total: int = Field(description="Files there are, about.")
    size: int = Field(description="Bytes of its file so far.")
    brought: BroughtOut | None = Field(description="What it brought so far, of one that comes in.")


class TransferPath(BaseModel):
    """An archive on its way, by its name."""

    name: str = Field(pattern="^[0-9a-f]{24}$")


class PieceQuery(BaseModel):
    """Where a piece goes."""

    at: int = Field(ge=0, le=2**50, description="How much of the archive came before it [bytes].")


class DecidedIn(BaseModel):
    """What is to be done with what stands otherwise here."""

    model_config = ConfigDict(extra="forbid")
    decided: dict[Words, Decision] = Field(default_factory=dict, max_length=100_000)


def _transfers() -> Transfers:
    found: Transfers = current_app.extensions["liftbite.transfers"]
    return found


def _brought_out(told: Brought) -> BroughtOut:
    return BroughtOut(
        jobs=told.jobs,
        already=told.already,
        updated=told.updated,
        parts=told.parts,
        photos=told.photos,
        instruments=told.instruments,
        said=told.said,
        faults=list(told.faults),
        changed=[
            ChangedOut(key=c.key, what=c.what, says=c.says, offered=list(c.offered), job=c.job)
            for c in list(told.changed)
        ],
    )


def _transfer_out(found: Transfer, status: int = 200) -> Response:
    size = found.path.stat().st_size if found.path.exists() else 0
    return reply(
        TransferOut(
            name=found.name,
            way=found.way,
            state=found.state,
            trouble=found.trouble,
            done=found.done,
            total=found.total,
            size=size,
            brought=_brought_out(found.brought) if found.brought else None,
        ),
        status,
    )


def _name() -> str:
    return f"lift-bite-{now().date().isoformat()}.zip"


@api.get("", responses={"200": None})
def get_archive() -> Response:
    """All a shop holds in one archive: job files, shelf, instruments, practices, steps, units, photos."""
    packed = tempfile.SpooledTemporaryFile(MOST_LARGE)  # noqa: SIM115  (closed once it is sent)
    with session_of() as session:
        write_archive(((name, content) for name, content, _ in files_of_shop(session)), packed)
    length = packed.tell()
    packed.seek(0)
    answer = Response(_pieces(packed), 200, content_type="application/zip")
    answer.content_length = length
    answer.headers["Content-Disposition"] = f'attachment; filename="{_name()}"'
    return answer


def _pieces(file: IO[bytes]) -> Iterator[bytes]:
    with file:
        while piece := file.read(2**16):
            yield piece


@api.post("", responses={"200": BroughtOut, **problem_responses(400, 412, 413, 422, 503)})
def bring_archive() -> Response:
    """Takes in an archive, sent as it is: what can be read comes in, the rest is named; what is here is not doubled.

    One that is larger than a request may be comes in pieces (`/api/archive/in`).
    """
    request.max_content_length = MOST_LARGE
    data = request.get_data()
    _for_this_state()
    with Archive(data) as archive:
        told = bring_shop(sessions_of(), archive, now(), read_photo_apart, who=who(), read_job=read_job_apart)
    return reply(_brought_out(told))


def _for_this_state() -> None:
    for state in asked_states():
        if state != current_state():
            raise AnotherState(state)


@api.post("/out", responses={"201": TransferOut, **problem_responses(422)})
def begin_out() -> Response:
    """Begins to write all of the shop into an archive; ask how far it is, then fetch it."""
    found = _transfers().begin("out")
    _transfers().write(found)
    return _transfer_out(found, 201)


@api.post("/in", responses={"201": TransferOut, **problem_responses(422)})
def begin_in() -> Response:
    """Begins to take in an archive that is sent piece by piece."""
    _for_this_state()
    return _transfer_out(_transfers().begin("in"), 201)


@api.put("/in/<string:name>", responses={"200": TransferOut, **problem_responses(404, 413, 422)})
def add_piece(path: TransferPath, query: PieceQuery) -> Response:
    """The next piece of an archive, sent as it is. A piece that was sent already is told by where the next begins."""
    found = _transfers().of(path.name, "in")
    _transfers().add(found, query.at, request.get_data())
    return _transfer_out(found)


@api.post("/in/<string:name>/read", responses={"200": TransferOut, **problem_responses(404, 422)})
def read_in(path: TransferPath, body: DecidedIn) -> Response:
    """Begins to read an archive that came in, or reads it again with what was decided of what stands otherwise here."""
    _for_this_state()
    found = _transfers().of(path.name, "in")
    _transfers().read(found, body.decided, who(), preferred())
    return _transfer_out(found)


@api.get("/transfers/<string:name>", responses={"200": TransferOut, **problem_responses(404)})
def get_transfer(path: TransferPath) -> Response:
    """How far an archive is on its way."""
    return _transfer_out(_transfers().of(path.name))


@api.get("/out/<string:name>.zip", responses={"200": None, **problem_responses(404, 422)})
def fetch(path: TransferPath) -> Response:
    """An archive that was written."""
    found = _transfers().of(path.name, "out")
    if found.state != "done":
        return _transfer_out(found, 409)
    return send_file(Path(found.path).absolute(), "application/zip", as_attachment=True, download_name=_name())


@api.delete("/transfers/<string:name>", responses={"200": TransferOut, **problem_responses(404)})
def let_go(path: TransferPath) -> Response:
    """Lets an archive go, whether it is through or not; what was brought stays."""
    found = _transfers().of(path.name)
    answer = _transfer_out(found)
    _transfers().drop(found)
    return answer
