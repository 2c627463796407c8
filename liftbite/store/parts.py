"""The parts of the shelf, read and written.

- `list_parts`, `part_of`, `parts_of`   reading
- `add_part`, `change_part`, `archive_part`   writing
- `stock`   puts parts on a shelf that has none yet
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from datetime import datetime

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from liftbite.core.parts.shelf import ShelfPart
from liftbite.store.models import PartRow


class NoSuchPart(Exception):
    """No part has this number."""


def _part(row: PartRow) -> ShelfPart:
    return ShelfPart(row.slot, row.name, dict(row.values), row.price, row.source, row.notes)


def list_parts(session: Session, *, slot: str = "", archived: bool = False) -> list[tuple[int, ShelfPart]]:
    """Parts with their numbers, by slot and name; those archived, or those at hand."""
    query = select(PartRow).order_by(PartRow.slot, PartRow.name, PartRow.id)
    query = query.where(PartRow.archived_at.is_not(None) if archived else PartRow.archived_at.is_(None))
    if slot:
        query = query.where(PartRow.slot == slot)
    return [(row.id, _part(row)) for row in session.scalars(query)]


def _row(session: Session, part_id: int) -> PartRow:
    row = session.get(PartRow, part_id)
    if row is None:
        raise NoSuchPart(part_id)
    return row


def part_of(session: Session, part_id: int) -> ShelfPart:
    """A part by its number.

    Raises
    ------
    NoSuchPart : no part has this number
    """
    return _part(_row(session, part_id))


def parts_of(session: Session, part_ids: Sequence[int]) -> list[ShelfPart]:
    """Parts by their numbers, in that order."""
    return [part_of(session, part_id) for part_id in part_ids]


def add_parts(session: Session, parts: Iterable[ShelfPart], at: datetime) -> list[int]:
    """New parts; their numbers."""
    rows = [
        PartRow(slot=p.slot, name=p.name, price=p.price, values=dict(p.values), source=p.source, notes=p.notes,
                changed_at=at)
        for p in parts
    ]  # fmt: skip
    session.add_all(rows)
    session.commit()
    return [row.id for row in rows]


def change_part(session: Session, part_id: int, part: ShelfPart, at: datetime) -> None:
    """What a part says from now on. Jobs that took it keep what they took."""
    row = _row(session, part_id)
    row.slot, row.name, row.price, row.values = part.slot, part.name, part.price, dict(part.values)
    row.source, row.notes, row.changed_at = part.source, part.notes, at
    session.commit()


def archive_part(session: Session, part_id: int, at: datetime | None) -> None:
    """Takes a part off the shelf, or with `at` None puts it back; nothing is deleted."""
    _row(session, part_id).archived_at = at
    session.commit()


def stock(session: Session, parts: Iterable[ShelfPart], at: datetime) -> int:
    """Puts parts on a shelf that never had one; how many."""
    if session.scalar(select(func.count()).select_from(PartRow)):
        return 0
    return len(add_parts(session, parts, at))
