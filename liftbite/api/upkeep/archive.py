"""Views of everything in one archive: out, and back in."""

from __future__ import annotations

import hashlib
from collections.abc import Set
from datetime import datetime

from flask import Response, request
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from liftbite.api.common import now, reply, session_of, writing
from liftbite.api.jobs.files import bring_in, files_of_shop, photos_of_shop
from liftbite.api.own_process import wait_for
from liftbite.api.problems import problem_responses
from liftbite.api.serving import MOST_LARGE
from liftbite.core.errors import LiftBiteError
from liftbite.core.job.dyno_table import decode
from liftbite.files.archive import DOCUMENTS, read_archive, write_archive
from liftbite.files.job import read_job_file
from liftbite.files.photo import read_photo
from liftbite.files.shelf_csv import read_shelf
from liftbite.store import jobs as store
from liftbite.store import parts as shelf
from liftbite.store.photos import keep_photo

api = APIBlueprint("archive", __name__, url_prefix="/api/archive", abp_tags=[Tag(name="upkeep")])


class BroughtOut(BaseModel):
    """What an archive brought."""

    jobs: int = Field(description="Jobs that are new here.")
    already: int = Field(description="Jobs whose very file was here already.")
    parts: int = Field(description="Parts of the shelf that are new here.")
    photos: int = Field(description="Photos that are new here.")
    faults: list[str] = Field(description="Files that could not be read, each with why.")


@api.get("", responses={"200": None})
def get_archive() -> Response:
    """Every job as a job file, the shelf as CSV and all photos, in one archive."""
    with session_of() as session:
        files = ((name, text) for name, text, _ in files_of_shop(session))
        packed = write_archive((*files, *photos_of_shop(session)))
    answer = Response(packed, 200, content_type="application/zip")
    answer.headers["Content-Disposition"] = f'attachment; filename="lift-bite-{now().date().isoformat()}.zip"'
    return answer


@api.post("", responses={"200": BroughtOut, **problem_responses(400, 413, 422)})
def bring_archive() -> Response:
    """Takes in an archive, sent as it is: what can be read comes in, the rest is named; what is here is not doubled.

    One job a transaction, so that a large archive never keeps others waiting; sent again it goes on where it stopped.
    """
    request.max_content_length = MOST_LARGE
    told, at = BroughtOut(jobs=0, already=0, parts=0, photos=0, faults=[]), now()
    with session_of() as session:
        here = {_digest(text.encode()) for _, text, _ in files_of_shop(session)}
    for name, content in read_archive(request.get_data()):
        try:
            if name.endswith(".liftbite.json"):
                new = _bring_job(content, here, at)
                told.jobs += new
                told.already += not new
            elif name.endswith(".jpg"):
                told.photos += _bring_photo(content, at)
            elif name.endswith("shelf.csv"):
                told.parts += _bring_shelf(content, at)
            elif not name.startswith(DOCUMENTS):
                told.faults.append(f"{name[:80]}: no job file, no shelf and no photo.")
        except LiftBiteError as error:
            told.faults.append(f"{name[:80]}: {error}")
    del told.faults[200:]
    return reply(told)


def _digest(content: bytes) -> str:
    return hashlib.sha256(content).hexdigest()


def _bring_job(content: bytes, here: Set[str], at: datetime) -> bool:
    """True where it was new: neither brought before, nor as a job of this shop would be written now."""
    filed, digest = read_job_file(content), _digest(content)
    with writing() as session:
        if digest in here or store.brought(session, digest) is not None:
            return False
        store.note_brought(session, digest, bring_in(session, filed, at), at, {})
    return True


def _bring_photo(content: bytes, at: datetime) -> bool:
    photo = wait_for(read_photo, content)
    with writing() as session:
        return keep_photo(session, photo, at)


def _bring_shelf(content: bytes, at: datetime) -> int:
    parts = [line.part for line in read_shelf(decode(content)) if line.part is not None]
    with writing() as session:
        new = [part for part in parts if not _there(session, part.slot, part.name)]
        return len(shelf.add_parts(session, new, at))


def _there(session: Session, slot: str, name: str) -> bool:
    return any(each.part.slot == slot for each in shelf.parts_named(session, [name]))
