"""What every group of views needs: the store, the time, and ways to answer.

- `session_of`, `now`   a session of the shop's store; the moment, UTC
- `reply`, `download`   a model as JSON; a text as a file to keep
"""

from __future__ import annotations

from datetime import UTC, datetime

from flask import Response, current_app
from pydantic import BaseModel
from sqlalchemy.orm import Session


def session_of() -> Session:
    """A session of the shop's store, for one request."""
    found: Session = current_app.extensions["liftbite.sessions"]()
    return found


def now() -> datetime:
    """The moment, UTC."""
    return datetime.now(UTC)


def reply(model: BaseModel, status: int = 200) -> Response:
    """A model as JSON."""
    return Response(model.model_dump_json(), status, content_type="application/json")


def download(text: str, content_type: str, name: str) -> Response:
    """A text as a file to keep."""
    response = Response(text, 200, content_type=content_type)
    response.headers["Content-Disposition"] = f'attachment; filename="{name}"'
    return response
