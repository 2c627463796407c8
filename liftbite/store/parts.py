"""The parts of the shelf, read and written.

- `Shelved`, `list_parts`, `count_parts`, `counts_of_slots`, `parts_named`, `part_of`, `parts_of`   reading
- `add_part`, `change_part`, `archive_part`   writing
- `stock`   puts parts on a shelf that has none yet
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Sequence
from dataclasses import asdict, dataclass
from datetime import datetime
from typing import Any, TypeVar

from sqlalchemy import Select, String, cast, func, select
from sqlalchemy.orm import Session

from liftbite.core.parts.shelf import ShelfPart
from liftbite.store.jobs import expect
from liftbite.store.models import PartRow

_Query = TypeVar("_Query", bound=Select[*tuple[Any, ...]])


class NoSuchPart(Exception):
    """No part has this number."""


def part_in(row: PartRow) -> ShelfPart:
    """What a row says of its part."""
    return ShelfPart(row.slot, row.name, dict(row.values), row.price, row.source, row.notes)


@dataclass(frozen=True, slots=True)
class Shelved:
    """A part as it stands on the shelf: its number, its version, and what it says."""

    id: int
    version: int
    part: ShelfPart


def _narrowed(query: _Query, slot: str, archived: bool, find: str) -> _Query:
    query = query.where(PartRow.archived_at.is_not(None) if archived else PartRow.archived_at.is_(None))
    if slot:
        query = query.where(PartRow.slot == slot)
    said = PartRow.name + " " + PartRow.notes + " " + PartRow.source + " " + cast(PartRow.values, String)
    for word in find.split()[:10]:
        query = query.where(said.icontains(word, autoescape=True))
    return query


def list_parts(
    session: Session, *, slot: str = "", archived: bool = False, find: str = "", first: int = 0, most: int | None = None
) -> list[Shelved]:
    """Parts by slot and name: those archived, or those at hand.

    Parameters
    ----------
    slot : kind of part, empty for all
    find : words that have to stand in name, notes, source or figures
    first, most : where the page begins and how long it is, all of them where `most` is left out
    """
    query = _narrowed(select(PartRow), slot, archived, find).order_by(PartRow.slot, PartRow.name, PartRow.id)
    query = query.offset(first).limit(most) if most is not None else query
    return [Shelved(row.id, row.version, part_in(row)) for row in session.scalars(query)]


def count_parts(session: Session, *, slot: str = "", archived: bool = False, find: str = "") -> int:
    """How many parts match."""
    return session.scalar(_narrowed(select(func.count()).select_from(PartRow), slot, archived, find)) or 0


def counts_of_slots(session: Session, *, archived: bool = False) -> dict[str, int]:
    """Slot -> how many parts."""
    query = _narrowed(select(PartRow.slot, func.count().label("number")), "", archived, "").group_by(PartRow.slot)
    return {row.slot: row.number for row in session.execute(query)}


def parts_named(session: Session, names: Collection[str]) -> list[Shelved]:
    """The parts at hand of these names."""
    found: list[Shelved] = []
    wanted = sorted(set(names))
    for begin in range(0, len(wanted), 500):
        query = _narrowed(select(PartRow), "", False, "").where(PartRow.name.in_(wanted[begin : begin + 500]))
        found += [Shelved(row.id, row.version, part_in(row)) for row in session.scalars(query)]
    return found


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
    return Shelved(row.id, row.version, part_in(row))


def parts_of(session: Session, part_ids: Sequence[int]) -> list[ShelfPart]:
    """Parts by their numbers, in that order."""
    return [part_of(session, part_id).part for part_id in part_ids]


def add_parts(
    session: Session, parts: Iterable[ShelfPart], at: datetime, archived_at: datetime | None = None
) -> list[int]:
    """New parts, or such as were taken off the shelf before; their numbers."""
    rows = [
        PartRow(
            slot=p.slot,
            name=p.name,
            price=p.price,
            values=dict(p.values),
            source=p.source,
            notes=p.notes,
            changed_at=at,
            archived_at=archived_at,
        )
        for p in parts
    ]
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
    expect(seen, row.version, "part", asdict(part_in(row)))
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
    expect(seen, row.version, "part", asdict(part_in(row)))
    row.archived_at, row.version = at, row.version + 1
    return Shelved(row.id, row.version, part_in(row))


def stock(session: Session, parts: Iterable[ShelfPart], at: datetime) -> int:
    """Puts parts on a shelf that never had one; how many."""
    if session.scalar(select(func.count()).select_from(PartRow)):
        return 0
    return len(add_parts(session, parts, at))
