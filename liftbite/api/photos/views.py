"""Views of photos: a job's photos, one to look at, one brought from a camera."""

from __future__ import annotations

from flask import Response, request
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, ConfigDict, Field

from liftbite.api.common import now, reply, session_of, sessions_of, writing
from liftbite.api.paths import JobPath
from liftbite.api.photos.models import PhotosOut
from liftbite.api.photos.present import photos_by_digest, photos_of
from liftbite.api.problems import problem_responses
from liftbite.api.waiting import wait_for
from liftbite.core.job.photos import Photo as PhotoSaid
from liftbite.core.job.record import lines_of
from liftbite.core.statements import read_statement
from liftbite.files.photo import MOST_IN, covered, read_photo
from liftbite.store import jobs as jobs_store
from liftbite.store import record as record_store
from liftbite.store.database import settle
from liftbite.store.photos import NoSuchPhoto, keep_photo, photo_bytes, photo_lines, replace_photo

api = APIBlueprint("photos", __name__, url_prefix="/api/jobs", abp_tags=[Tag(name="photos")])
_PROBLEMS = problem_responses(404, 422)


class PhotoPath(JobPath):
    """A photo of a job."""

    digest: str = Field(pattern="^[0-9a-f]{64}$")


class PhotoQuery(BaseModel):
    """How large it is wanted."""

    small: bool = Field(default=False, description="At most 480 dots a side.")


class BringQuery(BaseModel):
    """What a photo is of."""

    of: str = Field(max_length=120, description="`job`, or `check:`, `step:`, `bag:` and its name.")
    words: str = Field(default="", max_length=400)
    who: str = Field(default="", max_length=60)
    request: str = Field(default="", max_length=64, description="What its sender calls it, so that it counts once.")


class PhotoSaidIn(BaseModel):
    """What a photo is of, or that it is taken off the job."""

    of: str = Field(default="job", max_length=120)
    words: str = Field(default="", max_length=400)
    off: bool = False
    who: str = Field(default="", max_length=60)
    request: str = Field(default="", max_length=64)


class BoxIn(BaseModel):
    """A box of a photo, as shares of its width and height."""

    left: float = Field(ge=0, le=1)
    top: float = Field(ge=0, le=1)
    right: float = Field(ge=0, le=1)
    bottom: float = Field(ge=0, le=1)


class EraseIn(BaseModel):
    """What is erased of a photo, by whom and why."""

    model_config = ConfigDict(extra="forbid")
    boxes: list[BoxIn] = Field(default_factory=list, max_length=50, description="Covered; empty to erase all of it.")
    reason: str = Field(min_length=1, max_length=400)
    who: str = Field(default="", max_length=60, description="Who erases it; the name of who sends it where left out.")
    request: str = Field(default="", max_length=58)


def _photos(job_id: int, status: int = 200) -> Response:
    with session_of() as session:
        jobs_store.change_of(session, job_id)
        return reply(PhotosOut(photos=photos_of(session, record_store.record_of(session, job_id))), status)


@api.get("/<int:job_id>/photos", responses={"200": PhotosOut, **_PROBLEMS})
def get_photos(path: JobPath) -> Response:
    """A job's photos, oldest first."""
    return _photos(path.job_id)


@api.post("/<int:job_id>/photos", responses={"201": PhotosOut, **problem_responses(404, 413, 422, 503)})
def bring_photo(path: JobPath, query: BringQuery) -> Response:
    """A photo, sent as it is: turned upright, encoded anew without what the camera wrote, at most 1 MB.

    The photo and what it is of are kept in one transaction; the same one of the same job counts once.
    """
    request.max_content_length = MOST_IN
    photo = wait_for(read_photo, request.get_data())
    line = read_statement("photo", photo.digest, {"answer": "kept", "of": query.of, "words": query.words}, query.who)
    with writing() as session:
        keep_photo(session, photo, now())
        there = photos_by_digest(record_store.record_of(session, path.job_id)).get(photo.digest)
        if there is None or there.statement != line.statement:
            record_store.say(session, path.job_id, line, now(), query.request)
    return _photos(path.job_id, 201)


@api.put("/<int:job_id>/photos/<string:digest>", responses={"200": PhotosOut, **_PROBLEMS})
def say_of_photo(path: PhotoPath, body: PhotoSaidIn) -> Response:
    """Says what a photo is of, or takes it off the job; what was said before stays in the record."""
    answer = {"answer": "open"} if body.off else {"answer": "kept", "of": body.of, "words": body.words}
    line = read_statement("photo", path.digest, answer, body.who)
    with writing() as session:
        if path.digest not in photos_by_digest(record_store.record_of(session, path.job_id)):
            raise NoSuchPhoto
        record_store.say(session, path.job_id, line, now(), body.request)
    return _photos(path.job_id)


@api.post("/<int:job_id>/photos/<string:digest>/erased", responses={"200": PhotosOut, **_PROBLEMS})
def erase_photo(path: PhotoPath, body: EraseIn) -> Response:
    """Erases a photo, or boxes of it such as a plate or a face: its bytes leave the file, and copies to come.

    What is left of it is a photo of its own. Who erased it and why stands in the record of every job that had it, and
    what it showed is taken out there. Copies taken before still hold it.
    """
    with session_of() as session:
        if path.digest not in photos_by_digest(record_store.record_of(session, path.job_id)):
            raise NoSuchPhoto
        jpeg = photo_bytes(session, path.digest)
    if jpeg is None:
        raise NoSuchPhoto
    boxes = [(box.left, box.top, box.right, box.bottom) for box in body.boxes]
    left = wait_for(covered, jpeg, boxes) if boxes else None
    with writing() as session:
        name = body.who or jobs_store.who_of(session)
        gone = read_statement("photo", path.digest, {"answer": "erased", "reason": body.reason}, name)
        for job_id, line in photo_lines(session, path.digest).items():
            record_store.say(session, job_id, gone, now(), body.request)
            if left is not None and line.words.get("answer") == "kept":
                kept = read_statement("photo", left.digest, {"answer": "kept", "of": line.words["of"]}, name)
                record_store.say(session, job_id, kept, now(), f"{body.request} left" if body.request else "")
        replace_photo(session, path.digest, left, now())
    settle(sessions_of())
    return _photos(path.job_id)


@api.get("/<int:job_id>/photos/<string:digest>.jpg", responses={"200": {"content": {"image/jpeg": {}}}, **_PROBLEMS})
def get_photo(path: PhotoPath, query: PhotoQuery) -> Response:
    """One photo; what it shows never changes under its name, but it may be erased."""
    with session_of() as session:
        said = any(
            line.key == path.digest for line in lines_of(record_store.record_of(session, path.job_id), PhotoSaid)
        )
        found = photo_bytes(session, path.digest, small=query.small) if said else None
    if found is None:
        raise NoSuchPhoto
    answer = Response(found, 200, content_type="image/jpeg")
    answer.headers["Cache-Control"] = "private, no-cache"
    answer.set_etag(f"{path.digest}{'-small' if query.small else ''}")
    answer.make_conditional(request)
    return answer
