"""The parts of the shelf, read and written.

- `Shelved`, `list_parts`, `part_of`, `parts_of`   reading
- `add_part`, `change_part`, `archive_part`   writing
- `stock`   puts parts on a shelf that has none yet
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import asdict, dataclass
from datetime import datetime

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from liftbite.core.parts.shelf import ShelfPart
from liftbite.store.jobs import expect
from liftbite.store.models import PartRow


class NoSuchPart(Exception):
    """No part has this number."""


def _part(row: PartRow) -> ShelfPart:
    return ShelfPart(row.slot, row.name, dict(row.values), row.price, row.source, row.notes)


@dataclass(frozen=True, slots=True)
class Shelved:
    """A part as it stands on the shelf: its number, its version, and what it says."""

    id: int
    version: int
    part: ShelfPart


def list_parts(session: Session, *, slot: str = "", archived: bool = False) -> list[Shelved]:
    """Parts with their numbers, by slot and name; those archived, or those at hand."""
    query = select(PartRow).order_by(PartRow.slot, PartRow.name, PartRow.id)
    query = query.where(PartRow.archived_at.is_not(None) if archived else PartRow.archived_at.is_(None))
    if slot:
        query = query.where(PartRow.slot == slot)
    return [Shelved(row.id, row.version, _part(row)) for row in session.scalars(query)]


def _row(session: Session, part_id: int) -> PartRow:
    row = session.get(PartRow, part_id)
    if row is None:
        raise NoSuchPart(part_id)
    return row


def part_of(session: Session, part_id: int) -> Shelved:
    """A part by its number.

    Raises
    ------
    NoSuchPart : no part has this number
    """
    row = _row(session, part_id)
    return Shelved(row.id, row.version, _part(row))


def parts_of(session: Session, part_ids: Sequence[int]) -> list[ShelfPart]:
    """Parts by their numbers, in that order."""
    return [part_of(session, part_id).part for part_id in part_ids]


def add_parts(session: Session, parts: Iterable[ShelfPart], at: datetime) -> list[int]:
    """New parts; their numbers."""
    rows = [
        PartRow(slot=p.slot, name=p.name, price=p.price, values=dict(p.values), source=p.source, notes=p.notes,
                changed_at=at)
        for p in parts
    ]  # fmt: skip
    session.add_all(rows)
    session.flush()
    return [row.id for row in rows]


def change_part(session: Session, part_id: int, part: ShelfPart, at: datetime, seen: int) -> Shelved:
    """What a part says from now on, in the place of the version seen. Jobs that took it keep what they took.

    Raises
    ------
    NoSuchPart : no part has this number
    Stale : somebody else has changed it since
    """
    row = _row(session, part_id)
    expect(seen, row.version, "part", asdict(_part(row)))
    row.slot, row.name, row.price, row.values = part.slot, part.name, part.price, dict(part.values)
    row.source, row.notes, row.changed_at, row.version = part.source, part.notes, at, row.version + 1
    return Shelved(row.id, row.version, part)


def archive_part(session: Session, part_id: int, at: datetime | None, seen: int) -> Shelved:
    """Takes a part off the shelf, or with `at` None puts it back; nothing is deleted.

    Raises
    ------
    NoSuchPart : no part has this number
    Stale : somebody else has changed it since
    """
    row = _row(session, part_id)
    expect(seen, row.version, "part", asdict(_part(row)))
    row.archived_at, row.version = at, row.version + 1
    return Shelved(row.id, row.version, _part(row))


def stock(session: Session, parts: Iterable[ShelfPart], at: datetime) -> int:
    """Puts parts on a shelf that never had one; how many."""
    if session.scalar(select(func.count()).select_from(PartRow)):
        return 0
    return len(add_parts(session, parts, at))
