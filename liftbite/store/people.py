"""People of the shop, by the names that stand under readings, entries and the record.

- `note_person`   a person something stands under
- `known_as`      the name a shop knows someone by, however it was typed
- `people`        all of them, those used last first
"""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ScalarSelect, Select, func, literal_column, select
from sqlalchemy.orm import Session

from liftbite.core.words import folded
from liftbite.store.models import PersonRow, ReadingRow, RecordRow, RevisionRow

#: Names a shop is offered; those used last.
_MOST_PEOPLE = 50


def note_person(session: Session, name: str) -> None:
    """Notes a person something stands under, once, by this very name; one without a name is none."""
    if name and session.scalar(select(PersonRow.id).where(PersonRow.name == name)) is None:
        session.add(PersonRow(name=name, folded=folded(name)))
        session.flush()


def known_as(session: Session, typed: str) -> str:
    """The name a shop knows someone by: the very one, else the first that differs by case, accents or spaces alone.

    Somebody new is noted under the name typed, without the spaces around it.
    """
    name = " ".join(typed.split())
    if not name:
        return ""
    rows = select(PersonRow.name).where(PersonRow.folded == folded(name)).order_by(PersonRow.id)
    names = session.scalars(rows).all()
    if not names:
        note_person(session, name)
        return name
    return name if name in names else names[0]


def people(session: Session) -> list[str]:
    """Names of the shop, those used last first."""
    found = {name: max(filter(None, used), default=None) for name, *used in session.execute(_last_used())}
    used_last = sorted(((at, name) for name, at in found.items() if at is not None), reverse=True)
    return [name for _, name in used_last][:_MOST_PEOPLE]


def _last_used() -> Select[str, datetime, datetime, datetime]:
    """Every name and when it stood last under something of each table, by the index, however many rows."""
    return select(PersonRow.name, _last_in(RecordRow), _last_in(RevisionRow), _last_in(ReadingRow))


def _last_in(table: type[RecordRow | RevisionRow | ReadingRow]) -> ScalarSelect[datetime]:
    named = table.who > literal_column("''")  # as the index says it; last, for SQLite searches by what comes first
    return select(func.max(table.at)).where(table.who == PersonRow.name, named).scalar_subquery()
