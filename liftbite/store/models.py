"""Typed tables. A job is a row with revisions; a revision has entries; neither is ever changed or deleted."""

from __future__ import annotations

import uuid
from datetime import UTC, datetime
from typing import Any

from sqlalchemy import JSON, DateTime, ForeignKey, Index, MetaData, String, UniqueConstraint, text
from sqlalchemy.engine import Dialect
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship
from sqlalchemy.types import TypeDecorator

from liftbite.core.job.ledger import Mark, RevisionKind
from liftbite.core.measure.instruments import ANGLE_BAND, TORQUE_BAND
from liftbite.core.measure.limit import LimitName

NAMING = {
    "ix": "ix_%(column_0_label)s",
    "uq": "uq_%(table_name)s_%(column_0_name)s",
    "ck": "ck_%(table_name)s_%(constraint_name)s",
    "fk": "fk_%(table_name)s_%(column_0_name)s_%(referred_table_name)s",
    "pk": "pk_%(table_name)s",
}


class UtcDateTime(TypeDecorator[datetime]):
    """A moment in UTC; SQLite keeps no zone, so it is taken off going in and put back coming out."""

    impl = DateTime
    cache_ok = True

    def process_bind_param(self, value: datetime | None, dialect: Dialect) -> datetime | None:
        """To UTC without zone."""
        return None if value is None else value.astimezone(UTC).replace(tzinfo=None)

    def process_result_value(self, value: datetime | None, dialect: Dialect) -> datetime | None:
        """Back to UTC with zone."""
        return None if value is None else value.replace(tzinfo=UTC)


class Base(DeclarativeBase):
    """Base of the tables, with names for every constraint so that SQLite can be migrated."""

    metadata = MetaData(naming_convention=NAMING)


def _named(table: str) -> Index:
    """The index by which names are found in a table, from one to the next."""
    return Index(f"ix_{table}_who", "who", "at", sqlite_where=text("who > ''"))


def new_identity() -> str:
    """An identity nothing else has, wherever it was made."""
    return uuid.uuid4().hex


class ShopRow(Base):
    """What this file is: of which shop, and in which of its states.

    `state` is another one after every copy that is brought back, so that what was asked of the state before is told
    apart; `last_job` is the highest number a job ever had, so that none is given twice; `in_use` says since when, and
    by which process, the shop is served.
    """

    __tablename__ = "shop"

    id: Mapped[int] = mapped_column(primary_key=True)
    shop: Mapped[str]
    state: Mapped[str]
    last_job: Mapped[int] = mapped_column(default=0, server_default="0")
    in_use: Mapped[str] = mapped_column(default="", server_default="")


class JobRow(Base):
    """A job of the shop; `uid` is its identity in any shop, `change` counts every write to anything of it."""

    __tablename__ = "job"
    __table_args__ = (Index("ix_job_uid", "uid", unique=True),)

    id: Mapped[int] = mapped_column(primary_key=True)
    uid: Mapped[str] = mapped_column(default=new_identity, server_default="")
    created_at: Mapped[datetime] = mapped_column(UtcDateTime)
    archived_at: Mapped[datetime | None] = mapped_column(UtcDateTime, default=None)
    change: Mapped[int] = mapped_column(default=0, server_default="0")
    revisions: Mapped[list[RevisionRow]] = relationship(order_by="RevisionRow.number", back_populates="job")


class RevisionRow(Base):
    """Entries made at one moment."""

    __tablename__ = "revision"
    __table_args__ = (UniqueConstraint("job_id", "number"), _named("revision"))

    id: Mapped[int] = mapped_column(primary_key=True)
    job_id: Mapped[int] = mapped_column(ForeignKey("job.id"))
    number: Mapped[int]
    kind: Mapped[RevisionKind] = mapped_column(String)
    at: Mapped[datetime] = mapped_column(UtcDateTime)
    of: Mapped[int | None] = mapped_column(default=None)
    who: Mapped[str] = mapped_column(default="", server_default="")
    job: Mapped[JobRow] = relationship(back_populates="revisions")
    entries: Mapped[list[EntryRow]] = relationship(order_by="EntryRow.id", back_populates="revision")


class EntryRow(Base):
    """One quantity of a build as entered; `typed` None withdraws it. A curve has its points and how it was read."""

    __tablename__ = "entry"
    __table_args__ = (Index("ix_entry_revision_id", "revision_id"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    revision_id: Mapped[int] = mapped_column(ForeignKey("revision.id"))
    quantity: Mapped[str]
    typed: Mapped[str | None]
    si: Mapped[float | None]
    mark: Mapped[Mark] = mapped_column(String)
    curve: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    file: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    build: Mapped[str] = mapped_column(default="", server_default="")
    revision: Mapped[RevisionRow] = relationship(back_populates="entries")


class RecordRow(Base):
    """Something said of a job, by whom and when; appended, never changed. `request` counts a repeat once."""

    __tablename__ = "record"
    __table_args__ = (
        Index("ix_record_job_id", "job_id"),
        Index("ix_record_request", "request"),
        _named("record"),
        Index("ix_record_photo", "key", sqlite_where=text("kind = 'photo'")),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    job_id: Mapped[int] = mapped_column(ForeignKey("job.id"))
    kind: Mapped[str]
    key: Mapped[str]
    said: Mapped[dict[str, str]] = mapped_column(JSON)
    who: Mapped[str] = mapped_column(default="", server_default="")
    at: Mapped[datetime] = mapped_column(UtcDateTime)
    request: Mapped[str | None] = mapped_column(default=None)


class PhotoRow(Base):
    """A photo as it is kept, once in a shop; the records of jobs say what it is of."""

    __tablename__ = "photo"

    digest: Mapped[str] = mapped_column(primary_key=True)
    jpeg: Mapped[bytes]
    small: Mapped[bytes]
    width: Mapped[int]
    height: Mapped[int]
    at: Mapped[datetime] = mapped_column(UtcDateTime)


class PartRow(Base):
    """A part on the shelf; it can be archived, and nothing of a job refers to it."""

    __tablename__ = "part"
    __table_args__ = (Index("ix_part_slot", "slot", "name"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    slot: Mapped[str]
    name: Mapped[str]
    price: Mapped[float]
    values: Mapped[dict[str, str]] = mapped_column(JSON)
    source: Mapped[str]
    notes: Mapped[str]
    changed_at: Mapped[datetime] = mapped_column(UtcDateTime)
    version: Mapped[int] = mapped_column(default=1, server_default="1")
    archived_at: Mapped[datetime | None] = mapped_column(UtcDateTime, default=None)


class SeriesRow(Base):
    """Readings of one check that belong together: of which build's part, at what distance, how a sweep was read."""

    __tablename__ = "series"
    __table_args__ = (Index("ix_series_job_id", "job_id", "check"), Index("ix_series_vehicle", "vehicle", "check"))

    id: Mapped[int] = mapped_column(primary_key=True)
    job_id: Mapped[int] = mapped_column(ForeignKey("job.id"))
    check: Mapped[str]
    vehicle: Mapped[str]
    begun_at: Mapped[datetime] = mapped_column(UtcDateTime)
    distance: Mapped[float | None] = mapped_column(default=None)
    settings: Mapped[dict[str, Any]] = mapped_column(JSON)
    build: Mapped[str] = mapped_column(default="found", server_default="found")
    request: Mapped[str | None] = mapped_column(default=None)
    version: Mapped[int] = mapped_column(default=1, server_default="1")
    readings: Mapped[list[ReadingRow]] = relationship(order_by="ReadingRow.id", back_populates="series")


class ReadingRow(Base):
    """One reading; withdrawn ones stay, and repeats are never averaged away.

    `withdrawn_seen` is the newest reading of the series when this one was withdrawn: once another is read, what was
    withdrawn before is not brought back any more. `request` is what its sender called it, so that it counts once.
    `held` is the identity of the shop's own instrument it was taken with, empty for one of a kind.
    """

    __tablename__ = "reading"
    __table_args__ = (
        Index("ix_reading_series_id", "series_id"),
        Index("ix_reading_request", "request"),
        _named("reading"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    series_id: Mapped[int] = mapped_column(ForeignKey("series.id"))
    place: Mapped[str]
    si: Mapped[float | None]
    typed: Mapped[str]
    instrument: Mapped[str]
    uncertainty: Mapped[float]
    skipped: Mapped[str]
    source: Mapped[str]
    at: Mapped[datetime] = mapped_column(UtcDateTime)
    withdrawn_at: Mapped[datetime | None] = mapped_column(UtcDateTime, default=None)
    withdrawn_seen: Mapped[int | None] = mapped_column(default=None)
    request: Mapped[str | None] = mapped_column(default=None)
    who: Mapped[str] = mapped_column(default="", server_default="")
    held: Mapped[str] = mapped_column(default="", server_default="")
    series: Mapped[SeriesRow] = relationship(back_populates="readings")


class VehicleRow(Base):
    """A vehicle something is kept of, by its name; `folded` is the name without case, accents and spaces."""

    __tablename__ = "vehicle"
    __table_args__ = (Index("ix_vehicle_name", "name", unique=True), Index("ix_vehicle_folded", "folded"))

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    folded: Mapped[str]


class PersonRow(Base):
    """Somebody something stands under, by name; `folded` is the name without case, accents and spaces."""

    __tablename__ = "person"
    __table_args__ = (Index("ix_person_name", "name", unique=True), Index("ix_person_folded", "folded"))

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    folded: Mapped[str]


class VehicleLimitRow(Base):
    """A limit as typed for a vehicle, and in which job; the latest of a name is in force, `typed` None withdraws it."""

    __tablename__ = "vehicle_limit"
    __table_args__ = (Index("ix_vehicle_limit_vehicle", "vehicle"), Index("ix_vehicle_limit_job_id", "job_id"))

    id: Mapped[int] = mapped_column(primary_key=True)
    job_id: Mapped[int] = mapped_column(ForeignKey("job.id"))
    vehicle: Mapped[str]
    check: Mapped[str]
    name: Mapped[LimitName] = mapped_column(String)
    typed: Mapped[str | None]
    si: Mapped[float | None]
    source: Mapped[str]
    at: Mapped[datetime] = mapped_column(UtcDateTime)


class PracticeRow(Base):
    """What the shop picked where builders differ."""

    __tablename__ = "shop_practice"

    name: Mapped[str] = mapped_column(primary_key=True)
    option: Mapped[str]
    at: Mapped[datetime] = mapped_column(UtcDateTime)
    version: Mapped[int] = mapped_column(default=1, server_default="1")


class InstrumentRow(Base):
    """An instrument of the shop; `uid` is its identity, `port` is where its data port is read, or empty."""

    __tablename__ = "instrument"
    __table_args__ = (Index("ix_instrument_uid", "uid", unique=True),)

    id: Mapped[int] = mapped_column(primary_key=True)
    uid: Mapped[str] = mapped_column(default=new_identity, server_default="")
    kind: Mapped[str]
    name: Mapped[str]
    resolution: Mapped[float]
    uncertainty: Mapped[float]
    calibrated_on: Mapped[str]
    port: Mapped[str]
    version: Mapped[int] = mapped_column(default=1, server_default="1")
    archived_at: Mapped[datetime | None] = mapped_column(UtcDateTime, default=None)
    torque_band: Mapped[float] = mapped_column(default=TORQUE_BAND, server_default=str(TORQUE_BAND))
    angle_band: Mapped[float] = mapped_column(default=ANGLE_BAND, server_default=str(ANGLE_BAND))


class RenewalRow(Base):
    """The shop's own figures for renewing a part while it is open."""

    __tablename__ = "renewal"
    __table_args__ = (UniqueConstraint("job_id", "part"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    job_id: Mapped[int] = mapped_column(ForeignKey("job.id"))
    part: Mapped[str]
    price: Mapped[float]
    chance: Mapped[float]
    hours: Mapped[float]
    rate: Mapped[float]
    extra_hours: Mapped[float]
    version: Mapped[int] = mapped_column(default=1, server_default="1")


class KeptRow(Base):
    """What the job list is searched and sorted by, as it was worked out for a revision by a version of the rules.

    The line itself, far longer, stands in a table of its own, so that a search does not wade through it.
    """

    __tablename__ = "kept"
    __table_args__ = (Index("ix_kept_rules", "rules"),)

    job_id: Mapped[int] = mapped_column(ForeignKey("job.id"), primary_key=True)
    revision: Mapped[int]
    rules: Mapped[str]
    words: Mapped[str]
    state: Mapped[str]
    changed_at: Mapped[str]


class KeptLineRow(Base):
    """The line of a job in the list."""

    __tablename__ = "kept_line"

    job_id: Mapped[int] = mapped_column(ForeignKey("kept.job_id"), primary_key=True)
    line: Mapped[dict[str, Any]] = mapped_column(JSON)


class BroughtRow(Base):
    """A file that was taken in, known by its content: the same one is not taken in twice."""

    __tablename__ = "brought"
    __table_args__ = (UniqueConstraint("digest", "job_id"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    digest: Mapped[str]
    job_id: Mapped[int] = mapped_column(ForeignKey("job.id"))
    at: Mapped[datetime] = mapped_column(UtcDateTime)
    says: Mapped[dict[str, Any]] = mapped_column(JSON)
