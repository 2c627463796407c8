"""The instruments of a shop, each with an identity that readings taken with it name.

- `NoSuchInstrument`   none has this number
- `instruments`, `instruments_ever`, `numbered`, `instrument_of`   on the bench; ever; ever with numbers; one of them
- `add_instrument`, `archive_instrument`
"""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from liftbite.core.measure.instruments import Instrument
from liftbite.store.models import InstrumentRow, new_identity


class NoSuchInstrument(Exception):
    """No instrument has this number."""


def _instrument(r: InstrumentRow) -> Instrument:
    return Instrument(
        r.kind, r.name, r.resolution, r.uncertainty, r.calibrated_on, r.port, r.uid, r.torque_band, r.angle_band
    )


def instruments(session: Session) -> list[tuple[int, Instrument]]:
    """The shop's instruments with their numbers."""
    query = select(InstrumentRow).where(InstrumentRow.archived_at.is_(None)).order_by(InstrumentRow.id)
    return [(r.id, _instrument(r)) for r in session.scalars(query)]


def numbered(session: Session) -> list[tuple[int, Instrument, datetime | None]]:
    """Every instrument the shop has or had with its number, and when it was put away; None for one on the bench."""
    query = select(InstrumentRow).order_by(InstrumentRow.id)
    return [(r.id, _instrument(r), r.archived_at) for r in session.scalars(query)]


def instruments_ever(session: Session) -> list[tuple[Instrument, datetime | None]]:
    """Every instrument the shop has or had, and when it was put away; None for one on the bench."""
    return [(held, away) for _, held, away in numbered(session)]


def instrument_of(session: Session, number: int) -> Instrument:
    """An instrument on the bench.

    Raises
    ------
    NoSuchInstrument : none there has this number
    """
    row = session.get(InstrumentRow, number)
    if row is None or row.archived_at is not None:
        raise NoSuchInstrument(number)
    return _instrument(row)


def add_instrument(session: Session, found: Instrument, archived_at: datetime | None = None) -> int:
    """A new instrument; its number. One of another shop keeps its identity."""
    row = InstrumentRow(
        kind=found.kind,
        name=found.name,
        resolution=found.resolution,
        uncertainty=found.uncertainty,
        calibrated_on=found.calibrated_on,
        port=found.port,
        uid=found.uid or new_identity(),
        archived_at=archived_at,
        torque_band=found.torque_band,
        angle_band=found.angle_band,
    )
    session.add(row)
    session.flush()
    return row.id


def archive_instrument(session: Session, number: int, at: datetime | None) -> None:
    """Takes an instrument off the bench, or with `at` None puts it back; done twice it is done once.

    Raises
    ------
    NoSuchInstrument : no instrument has this number
    """
    row = session.get(InstrumentRow, number)
    if row is None:
        raise NoSuchInstrument(number)
    row.archived_at = at if at is None or row.archived_at is None else row.archived_at
