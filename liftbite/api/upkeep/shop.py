"""What a shop says of itself: the units it prefers, in force for every request.

- `heed_units`   sets the units sentences are written in, request by request
"""

from __future__ import annotations

from typing import Literal

from flask import Flask, Response, request
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, ConfigDict, Field
from sqlalchemy.exc import SQLAlchemyError

from liftbite.api.common import note_state, now, reply, seen_version, session_of, tagged, writing
from liftbite.api.jobs.models import NameOut
from liftbite.api.problems import problem_responses
from liftbite.core.errors import LiftBiteError
from liftbite.core.units.preference import PREFERENCES, Preference, prefer
from liftbite.store import shop

api = APIBlueprint("shop", __name__, url_prefix="/api/shop", abp_tags=[Tag(name="upkeep")])


class ShopIn(BaseModel):
    """What the shop prefers from now on."""

    model_config = ConfigDict(extra="forbid")

    units: Literal["both", "metric", "inch"]


class ShopOut(BaseModel):
    """What the shop prefers."""

    units: Preference = Field(description="In which units sentences, sheets and screens are written.")
    version: int = Field(description="For If-Match; 0 where nobody said.")
    offered: list[NameOut]


def _told(units: Preference, version: int) -> Response:
    offered = [NameOut(name=name, label=label) for name, label in PREFERENCES.items()]
    return tagged(reply(ShopOut(units=units, version=version, offered=offered)), version)


@api.get("", responses={"200": ShopOut})
def get_shop() -> Response:
    """What the shop prefers; the ETag is the version."""
    with session_of() as session:
        return _told(*shop.units(session))


@api.put("", responses={"200": ShopOut, **problem_responses(400, 412, 422, 428)})
def set_shop(body: ShopIn) -> Response:
    """The shop prefers something else, in the place of the version seen."""
    seen = seen_version()
    with writing() as session:
        shop.set_units(session, body.units, now(), seen)
        return _told(*shop.units(session))


def preferred() -> Preference:
    """The units the shop prefers; both where its file cannot be read, which what is asked for will say itself."""
    try:
        with session_of() as session:
            note_state(session)
            return shop.units(session)[0]
    except (SQLAlchemyError, LiftBiteError):
        return "both"


def heed_units(app: Flask) -> None:
    """Sentences of every answer are written in the shop's units."""

    @app.before_request
    def heed() -> None:
        prefer(preferred() if request.path.startswith("/api/") else "both")

    @app.teardown_request
    def forget(_: BaseException | None) -> None:
        prefer("both")
