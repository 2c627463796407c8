"""Every error as a problem document (RFC 9457), mapped in one place."""

from __future__ import annotations

import logging
from collections.abc import Mapping
from functools import partial
from typing import Any

from flask import Flask, Response, request
from pydantic import BaseModel, Field, ValidationError
from sqlalchemy.exc import DBAPIError
from werkzeug.exceptions import HTTPException

from liftbite.api.common import NeedsPrecondition
from liftbite.api.paper.document import NoPdf
from liftbite.api.serving import MOST_BODY
from liftbite.api.turns import AGAIN, NoTurn
from liftbite.api.upkeep.transfers import NoSuchTransfer
from liftbite.core.errors import LiftBiteError, UnreadableEntry, UnreadableFile
from liftbite.files.json_text import read_json
from liftbite.store.database import Busy, Crowded, Full, Replaced, reason_of
from liftbite.store.instruments import NoSuchInstrument
from liftbite.store.jobs import NoSuchJob, Stale, UnreadableJob
from liftbite.store.measurements import NoSuchSeries
from liftbite.store.parts import NoSuchPart
from liftbite.store.photos import NoSuchPhoto
from liftbite.store.state import AnotherState
from liftbite.whole.own_process import Broken, TooLong
from liftbite.whole.runs import NoSuchFind

MEDIA_TYPE = "application/problem+json"
_AHEAD = "urn:liftbite:"
#: What a problem is of, for good -> what that means; programs go by it, people by title and detail.
TYPES: Mapping[str, str] = {
    "unreadable-request": "The request does not have the shape asked for; `errors` names the fields.",
    "cannot-be-taken": "What was sent cannot be taken; `errors` names the fields where there are several.",
    "unreadable-file": "A file that was sent cannot be read.",
    "unreadable-job": "The rows of a job cannot be read; nothing of it is lost.",
    "no-such-job": "There is no job of this number.",
    "no-such-part": "There is no part of the shelf of this number.",
    "no-such-series": "The job has no series of this number.",
    "no-such-photo": "The job has no such photo.",
    "no-such-archive": "No archive of this name is on its way.",
    "no-such-instrument": "No instrument has this number.",
    "no-such-find": "No search of this number is kept any more.",
    "not-found": "There is nothing at this address.",
    "too-large": "More was sent than is taken here.",
    "refused": "The request is refused for who sends it, from where, or how.",
    "version-not-named": "A change did not say in If-Match which version it was made on.",
    "changed-elsewhere": "Somebody else changed it since; `newest`, `seen` and `stands` say what stands.",
    "another-state": "A backup was brought back since: numbers may mean others now.",
    "changed-job": "A file is of a job that is here and says something else of it; `stands` names both.",
    "waits": "Its turn has not come; it goes away when it is asked again.",
    "busy": "The shop's file is held, or many write at once; try again in a moment.",
    "not-done": "It took too long, or its process ended; nothing was changed.",
    "no-room": "There is no room left on the disk; nothing was written.",
    "another-file": "The shop's file was replaced under the running server.",
    "file-damaged": "The shop's file cannot be read here.",
    "no-pdf": "This machine cannot set PDF.",
    "unexpected": "Something went wrong that is not the caller's doing; what was stored before is safe.",
}
#: HTTP status -> what a problem is of that nobody named.
_OF_STATUS = {404: "not-found", 413: "too-large", 500: "unexpected"}


def urn(code: str) -> str:
    """The type of a problem.

    >>> urn("waits")
    'urn:liftbite:waits'
    """
    assert code in TYPES, code
    return _AHEAD + code


log = logging.getLogger(__name__)


class FaultOut(BaseModel):
    """What was wrong with one field."""

    field: str = Field(description="The field.", examples=["clamp_load"])
    message: str = Field(description="What was wrong with it.", examples=["−5 N is too small; 0 N or more"])


class Problem(BaseModel):
    """What went wrong, in words a builder can act on (RFC 9457)."""

    type: str = Field(
        description="What it is of, for good.",
        json_schema_extra={"enum": [_AHEAD + c for c in TYPES]},
        examples=["urn:liftbite:cannot-be-taken"],
    )
    title: str = Field(description="That in a few words.", examples=["Cannot be taken"])
    status: int = Field(description="The HTTP status.", examples=[422])
    detail: str = Field(
        description="What was wrong and what would be right.", examples=["Clamp load: −5 N is too small; 0 N or more."]
    )
    errors: list[FaultOut] = Field(default=[], description="Each field at fault, where there are several.")
    newest: int | None = Field(default=None, description="The version that stands.")
    seen: int | None = Field(default=None, description="The version the change was made on.")
    stands: dict[str, Any] | None = Field(default=None, description="What stands there now, where that helps.")


class Faults(LiftBiteError):
    """Several fields at fault at once.

    Attributes
    ----------
    faults : field -> sentence
    """

    def __init__(self, faults: dict[str, str]) -> None:
        super().__init__(" ".join(faults.values()))
        self.faults = faults


class ChangedJob(LiftBiteError):
    """A file is of a job that is here, and says something else of it.

    Attributes
    ----------
    job : its number here
    how : "ahead" where the file goes on where the job here ends, "apart" where each has what the other lacks
    """

    def __init__(self, job: int, how: str) -> None:
        super().__init__(f"job {job} is here, and the file is {how}")
        self.job, self.how = job, how


#: What a file that says something else of a job says of it.
_CHANGED = {
    "ahead": "The file goes on where the job here ends: bring the job up to date with it, or bring it as a second job.",
    "apart": "Both were changed since, each otherwise: keep the job here, or bring the file as a second job.",
}


def respond(problem: Problem) -> Response:
    """A problem as a response."""
    return Response(problem.model_dump_json(exclude_none=True), problem.status, content_type=MEDIA_TYPE)


def invalid(error: ValidationError) -> Response:
    """A body, path or query that does not have the shape asked for."""
    faults = [FaultOut(field=".".join(map(str, e["loc"])) or "body", message=e["msg"]) for e in error.errors()]
    malformed = any(e["type"] == "json_invalid" for e in error.errors())
    status = 400 if malformed or not _is_json_object() else 422
    detail = "; ".join(f"{f.field}: {f.message}" for f in faults[:5])
    return respond(
        Problem(
            type=urn("unreadable-request"),
            title="The request cannot be read",
            status=status,
            detail=detail,
            errors=faults,
        )
    )


def _is_json_object() -> bool:
    if request.method in {"GET", "HEAD"}:
        return True
    try:
        return isinstance(read_json(request.get_data(cache=True) or b"null"), dict)
    except UnreadableFile:
        return False


_NOT_THERE: dict[type[Exception], tuple[str, str, str]] = {
    NoSuchJob: ("no-such-job", "No such job", "There is no job of this number."),
    NoSuchPart: ("no-such-part", "No such part", "There is no part of this number."),
    NoSuchSeries: ("no-such-series", "No such series", "This job has no series of this number."),
    NoSuchPhoto: (
        "no-such-photo",
        "No such photo",
        "This job has no such photo, or its shop's archive has not been brought in.",
    ),
    NoSuchTransfer: ("no-such-archive", "No such archive", "No archive of this name is on its way; begin again."),
    NoSuchInstrument: ("no-such-instrument", "No such instrument", "No instrument has this number."),
    NoSuchFind: ("no-such-find", "No such search", "This search is not kept any more; start it again."),
}


def _not_there(code: str, title: str, detail: str, _: Exception) -> Response:
    return respond(Problem(type=urn(code), title=title, status=404, detail=detail))


def register(app: Flask) -> None:
    """Maps errors to problems."""

    @app.errorhandler(Stale)
    def stale(error: Stale) -> Response:
        detail = f"This {error.what} was changed elsewhere in the meantime, so nothing was overwritten."
        return respond(
            Problem(
                type=urn("changed-elsewhere"),
                title="Changed elsewhere",
                status=412,
                detail=detail,
                newest=error.newest,
                seen=error.seen,
                stands=error.stands or None,
            )
        )

    @app.errorhandler(AnotherState)
    def another_state(_: AnotherState) -> Response:
        detail = (
            "A backup was brought back since this was opened: numbers of jobs and revisions may mean others now. "
            "Nothing was written. Open it again; what is typed can be kept as a new job."
        )
        return respond(Problem(type=urn("another-state"), title="Another state of the shop", status=412, detail=detail))

    @app.errorhandler(ChangedJob)
    def changed_job(error: ChangedJob) -> Response:
        return respond(
            Problem(
                type=urn("changed-job"),
                title="This job is here, changed",
                status=409,
                detail=_CHANGED[error.how],
                stands={"job": error.job, "how": error.how},
            )
        )

    def busy(detail: str) -> Response:
        response = respond(Problem(type=urn("busy"), title="Busy", status=503, detail=detail))
        response.headers["Retry-After"] = "1"
        return response

    @app.errorhandler(Busy)
    def held(_: Exception) -> Response:
        return busy("Another program holds the shop's file. Nothing was written; it is tried again in a moment.")

    @app.errorhandler(Crowded)
    def crowded(_: Exception) -> Response:
        return busy("Many writes came at once and this one's turn did not come. Nothing was written; try it again.")

    @app.errorhandler(NoTurn)
    def no_turn(error: NoTurn) -> Response:
        response = respond(
            Problem(type=urn("waits"), title="Not yet", status=503, detail=str(error), stands={"before": error.before})
        )
        response.headers["Retry-After"] = str(AGAIN * (5 if error.refused else 1))
        response.headers["Waits"] = str(error.before)
        return response

    @app.errorhandler(TooLong)
    @app.errorhandler(Broken)
    def not_done(error: Exception) -> Response:
        response = respond(Problem(type=urn("not-done"), title="Not done", status=503, detail=str(error)))
        response.headers["Retry-After"] = "5"
        return response

    @app.errorhandler(Full)
    def full(_: Full) -> Response:
        detail = "There is no room left on the disk. Nothing was written, nothing was lost; make some room and go on."
        return respond(Problem(type=urn("no-room"), title="No room left", status=507, detail=detail))

    @app.errorhandler(Replaced)
    def replaced(_: Replaced) -> Response:
        detail = (
            "The shop's file was replaced, or taken away, while Lift Bite had it open. Nothing is read or written "
            "until Lift Bite is started again; to bring a backup back under a running Lift Bite use “liftbite restore”."
        )
        return respond(Problem(type=urn("another-file"), title="Another file", status=503, detail=detail))

    @app.errorhandler(DBAPIError)
    def file_failed(error: DBAPIError) -> Response:
        reason = reason_of(error)
        if isinstance(reason, Busy):
            return held(reason)
        if isinstance(reason, Full):
            return full(reason)
        log.error("the shop's file failed: %s", error.orig)
        detail = "The shop's file cannot be read here. Look at it with “liftbite check”; a backup can be brought back."
        return respond(Problem(type=urn("file-damaged"), title="File damaged", status=500, detail=detail))

    @app.errorhandler(NeedsPrecondition)
    def precondition(_: NeedsPrecondition) -> Response:
        detail = "A change has to say in If-Match which version it was made on."
        return respond(Problem(type=urn("version-not-named"), title="Version not named", status=428, detail=detail))

    @app.errorhandler(NoPdf)
    def no_pdf(error: NoPdf) -> Response:
        return respond(Problem(type=urn("no-pdf"), title="No PDF here", status=501, detail=str(error)))

    for kind, (code, title, detail) in _NOT_THERE.items():
        app.register_error_handler(kind, partial(_not_there, code, title, detail))

    @app.errorhandler(UnreadableJob)
    def unreadable(error: UnreadableJob) -> Response:
        detail = (
            f"The rows of this job cannot be read ({error}). Nothing of it is lost: save them from the list of jobs, "
            "or bring a backup back."
        )
        return respond(Problem(type=urn("unreadable-job"), title="Job cannot be read", status=422, detail=detail))

    @app.errorhandler(Faults)
    def faults(error: Faults) -> Response:
        errors = [FaultOut(field=field, message=message) for field, message in error.faults.items()]
        return respond(
            Problem(type=urn("cannot-be-taken"), title="Cannot be taken", status=422, detail=str(error), errors=errors)
        )

    @app.errorhandler(UnreadableFile)
    def file(error: UnreadableFile) -> Response:
        return respond(Problem(type=urn("unreadable-file"), title="File cannot be read", status=422, detail=str(error)))

    @app.errorhandler(UnreadableEntry)
    def entry(error: UnreadableEntry) -> Response:
        return respond(Problem(type=urn("cannot-be-taken"), title="Cannot be taken", status=422, detail=error.reason))

    @app.errorhandler(HTTPException)
    def http(error: HTTPException) -> Response:
        detail = error.description or error.name
        if error.code == 413:
            most = (request.max_content_length or MOST_BODY) // 1024**2
            detail = f"The file is larger than {most} MB, the most that is taken here."
        code = _OF_STATUS.get(error.code or 500, "refused")
        return respond(Problem(type=urn(code), title=error.name, status=error.code or 500, detail=detail))

    @app.errorhandler(Exception)
    def unexpected(error: Exception) -> Response:
        log.exception("unexpected error", exc_info=error)
        detail = "Something went wrong that is not your doing. What was stored before is safe."
        return respond(Problem(type=urn("unexpected"), title="Unexpected error", status=500, detail=detail))


def problem_responses(*codes: int) -> dict[str | int, Any]:
    """The OpenAPI entries of the problems a view can answer with."""
    titles = {
        400: "Malformed",
        404: "No such job",
        409: "Here, changed",
        412: "Changed elsewhere",
        413: "Too large",
        501: "No PDF here",
        422: "Cannot be taken",
        428: "Version not named",
        503: "Busy, or not done in time",
    }
    schema = {"$ref": "#/components/schemas/Problem"}
    return {str(c): {"description": titles[c], "content": {MEDIA_TYPE: {"schema": schema}}} for c in codes}
