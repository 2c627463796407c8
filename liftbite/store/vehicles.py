"""Vehicles of the shop, by the names their readings and limits are kept under.

- `note_vehicle`   a vehicle something is kept of
- `alike`          vehicles of almost the same name, where nothing is kept under the very name yet
"""

from __future__ import annotations

from sqlalchemy import select
from sqlalchemy.orm import Session

from liftbite.core.words import folded
from liftbite.store.models import VehicleRow


def note_vehicle(session: Session, name: str) -> None:
    """Notes a vehicle something is kept of, once; one without a name is none."""
    if name and session.scalar(select(VehicleRow.id).where(VehicleRow.name == name)) is None:
        session.add(VehicleRow(name=name, folded=folded(name)))
        session.flush()


def alike(session: Session, name: str) -> tuple[str, ...]:
    """Vehicles whose names differ by case, accents or spaces alone; none once something is kept under the very name."""
    if not name:
        return ()
    names = session.scalars(select(VehicleRow.name).where(VehicleRow.folded == folded(name)).order_by(VehicleRow.id))
    found = tuple(names)
    return () if name in found else found
