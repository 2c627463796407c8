"""What every group of views needs: the store, the time, and ways to answer.

- `session_of`, `writing`   a session of the shop's store to read, or to write in one transaction
- `now`   the moment, UTC
- `seen_version`, `tagged`   the version a write replaces, and the one an answer is of
- `reply`, `download`   a model as JSON; a text as a file to keep
"""

from __future__ import annotations

import re
from contextlib import AbstractContextManager
from datetime import UTC, datetime
from urllib.parse import unquote

from flask import Response, current_app, request
from pydantic import BaseModel
from sqlalchemy.orm import Session, sessionmaker

from liftbite.core.errors import LiftBiteError
from liftbite.core.job.record import read_name
from liftbite.store import database
from liftbite.store.database import check_identity


class NeedsPrecondition(LiftBiteError):
    """A write that replaces something without saying in If-Match which version of it."""


def _sessions() -> sessionmaker[Session]:
    found: sessionmaker[Session] = current_app.extensions["liftbite.sessions"]
    return found


def session_of() -> Session:
    """A session of the shop's store, for one request that only reads."""
    check_identity(_sessions())
    return _sessions()()


def writing() -> AbstractContextManager[Session]:
    """A session whose block is one transaction: all of it is kept, or nothing; under the name of who sent it."""
    return database.writing(_sessions(), who())


def who() -> str:
    """Who writes, as the sender says: a name in the header `Person`, percent-encoded; empty where there is none.

    Raises
    ------
    UnreadableEntry : a name that cannot be one
    """
    return read_name(unquote(request.headers.get("Person", "")[:400]))


def seen_version() -> int:
    """The version named in If-Match.

    Raises
    ------
    NeedsPrecondition : none is
    """
    match = re.fullmatch(r'(?:W/)?"(\d{1,12})"', request.headers.get("If-Match", "").strip())
    if match is None:
        raise NeedsPrecondition
    return int(match[1])


def tagged(response: Response, version: int) -> Response:
    """The answer with its version as ETag."""
    response.headers["ETag"] = f'"{version}"'
    return response


def now() -> datetime:
    """The moment, UTC."""
    return datetime.now(UTC)


def reply(model: BaseModel, status: int = 200) -> Response:
    """A model as JSON."""
    return Response(model.model_dump_json(), status, content_type="application/json")


def download(content: str | bytes, content_type: str, name: str) -> Response:
    """A text, or bytes, as a file to keep."""
    response = Response(content, 200, content_type=content_type)
    response.headers["Content-Disposition"] = f'attachment; filename="{name}"'
    return response
