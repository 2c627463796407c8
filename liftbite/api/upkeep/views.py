"""Views of the shop's file: its copies, and one more of them."""

from __future__ import annotations

from datetime import UTC, datetime
from pathlib import Path

from flask import Response, current_app
from flask_openapi3 import APIBlueprint, Tag

from liftbite.api.common import reply
from liftbite.api.problems import problem_responses
from liftbite.api.upkeep import models as mu
from liftbite.core.errors import UnreadableFile
from liftbite.store import backups, copies
from liftbite.store.jobs import utc_text

api = APIBlueprint("upkeep", __name__, url_prefix="/api/backups", abp_tags=[Tag(name="upkeep")])


def _keeper() -> backups.Keeper:
    found: backups.Keeper = current_app.extensions["liftbite.keeper"]
    return found


def _told(shop: Path) -> Response:
    kept = [
        mu.BackupOut(
            name=b.path.name,
            path=str(b.path),
            at=utc_text(b.at),
            size=b.size,
            why=copies.WHY[b.why],
            ahead=b.at > datetime.now(UTC),
        )
        for b in copies.backups_of(shop)
    ]
    written = [p.stat().st_size for p in (shop, shop.with_name(f"{shop.name}-wal")) if p.exists()]
    return reply(
        mu.UpkeepOut(
            file=str(shop),
            size=sum(written),
            backups=kept,
            room=backups.room_for(shop),
            trouble=_keeper().trouble,
            short=backups.room_sentence(shop),
            open=current_app.extensions["liftbite.open"],
        )
    )


@api.get("", responses={"200": mu.UpkeepOut})
def get_backups() -> Response:
    """The copies kept beside the shop's file, with their age and size."""
    return _told(_keeper().shop)


@api.post("", responses={"200": mu.UpkeepOut, **problem_responses(422)})
def take_backup() -> Response:
    """One more copy, now."""
    shop = _keeper().shop
    try:
        backups.back_up(shop, backups.new_name(shop, datetime.now(UTC), "hand"))
    except backups.NotBackedUp as error:
        raise UnreadableFile(str(error)) from None
    return _told(shop)
