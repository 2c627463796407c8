"""What every group of views needs: the store, the time, and ways to answer.

- `sessions_of`, `session_of`, `writing`   the shop's store, a session of it to read, or to write in one transaction
- `now`   the moment, UTC
- `seen_version`, `tagged`   the version a write replaces, and the one an answer is of
- `heed_tags`   every document read has an ETag of what it says; one that is known is not sent again
- `current_state`, `heed_state`   the state of the shop an answer is of; it stands on every answer and in every tag
- `reply`, `download`   a model as JSON; a text as a file to keep
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from contextlib import AbstractContextManager, contextmanager
from datetime import UTC, datetime
from hashlib import sha256
from urllib.parse import unquote

from flask import Flask, Response, current_app, g, request
from pydantic import BaseModel
from sqlalchemy.exc import SQLAlchemyError
from sqlalchemy.orm import Session, sessionmaker

from liftbite.core.errors import LiftBiteError
from liftbite.core.job.record import read_name
from liftbite.store import database
from liftbite.store.database import check_identity
from liftbite.store.state import expect_state, identity_of

#: The header by which answers say of which state of the shop they are, and requests for which one they are made.
STATE = "Shop-State"
_TAG = re.compile(r'(?:W/)?"(?:([0-9a-f]{12})\.)?(\d{1,12})(?:-[0-9a-f]{16})?"')


class NeedsPrecondition(LiftBiteError):
    """A write that replaces something without saying in If-Match which version of it."""


def sessions_of() -> sessionmaker[Session]:
    """The shop's store."""
    found: sessionmaker[Session] = current_app.extensions["liftbite.sessions"]
    return found


def session_of() -> Session:
    """A session of the shop's store, for one request that only reads."""
    check_identity(sessions_of())
    return sessions_of()()


def writing() -> AbstractContextManager[Session]:
    """A session whose block is one transaction: all of it is kept, or nothing; under the name of who sent it.

    A request made for another state of the shop than stands is refused before it writes: its numbers are another's.
    """
    return _writing(who(), asked_states())


@contextmanager
def _writing(name: str, states: frozenset[str]) -> Iterator[Session]:
    with database.writing(sessions_of(), name) as session:
        for state in states:
            expect_state(session, state)
        yield session


def asked_states() -> frozenset[str]:
    """The states a request says it is made for, in its own header and in the version it replaces."""
    tag = _TAG.fullmatch(request.headers.get("If-Match", "").strip())
    return frozenset(filter(None, (request.headers.get(STATE, "").strip()[:40], tag[1] if tag else "")))


def current_state() -> str:
    """The state of the shop as the request began; empty where its file cannot be read."""
    if "state" not in g:
        try:
            with session_of() as session:
                note_state(session)
        except (SQLAlchemyError, database.Replaced):
            g.state = ""
    state: str = g.state
    return state


def note_state(session: Session) -> None:
    """Keeps the state of the shop for the rest of a request, read by a session that is open anyway."""
    if "state" not in g:
        g.state = identity_of(session).state


def heed_state(app: Flask) -> None:
    """Every answer of the interface says of which state of the shop it is."""

    @app.after_request
    def say(response: Response) -> Response:
        if "state" in g and g.state:
            response.headers[STATE] = g.state
        return response


def heed_tags(app: Flask) -> None:
    """Every document read has an ETag of what it says, and one that is known already is not sent again.

    The ETag of what is changed under If-Match begins with its version: a record that grew makes another document of a
    job whose figures nobody changed, and both are told apart.
    """

    @app.after_request
    def tag(response: Response) -> Response:
        whole = not response.is_streamed and not response.direct_passthrough  # a file of the web has a tag of its own
        if request.method not in {"GET", "HEAD"} or response.status_code != 200 or not whole:
            return response
        known, _ = response.get_etag()
        says = sha256(response.get_data()).hexdigest()[:16]
        if known is None:
            response.set_etag(says)
        elif _TAG.fullmatch(f'"{known}"'):
            response.set_etag(f"{known}-{says}")
        if "If-None-Match" in request.headers:
            response.make_conditional(request)
        return response


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
    match = _TAG.fullmatch(request.headers.get("If-Match", "").strip())
    if match is None:
        raise NeedsPrecondition
    return int(match[2])


def tagged(response: Response, version: int) -> Response:
    """The answer with its version, of the state of the shop it is of, as ETag."""
    response.headers["ETag"] = f'"{current_state()}.{version}"'
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
