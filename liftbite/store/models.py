"""Typed tables. A job is a row with revisions; a revision has entries; neither is ever changed or deleted."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Any

from sqlalchemy import JSON, DateTime, ForeignKey, Index, MetaData, UniqueConstraint
from sqlalchemy.engine import Dialect
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship
from sqlalchemy.types import TypeDecorator

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


class JobRow(Base):
    """A job of the shop."""

    __tablename__ = "job"

    id: Mapped[int] = mapped_column(primary_key=True)
    created_at: Mapped[datetime] = mapped_column(UtcDateTime)
    put_away_at: Mapped[datetime | None] = mapped_column(UtcDateTime, default=None)
    revisions: Mapped[list[RevisionRow]] = relationship(order_by="RevisionRow.number", back_populates="job")


class RevisionRow(Base):
    """Entries made at one moment."""

    __tablename__ = "revision"
    __table_args__ = (UniqueConstraint("job_id", "number"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    job_id: Mapped[int] = mapped_column(ForeignKey("job.id"))
    number: Mapped[int]
    kind: Mapped[str]
    at: Mapped[datetime] = mapped_column(UtcDateTime)
    of: Mapped[int | None] = mapped_column(default=None)
    job: Mapped[JobRow] = relationship(back_populates="revisions")
    entries: Mapped[list[EntryRow]] = relationship(order_by="EntryRow.id", back_populates="revision")


class EntryRow(Base):
    """One quantity as entered; `typed` None withdraws it. A curve's points and file stand in `curve` and `file`."""

    __tablename__ = "entry"
    __table_args__ = (Index("ix_entry_revision_id", "revision_id"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    revision_id: Mapped[int] = mapped_column(ForeignKey("revision.id"))
    quantity: Mapped[str]
    typed: Mapped[str | None]
    si: Mapped[float | None]
    mark: Mapped[str]
    curve: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    file: Mapped[dict[str, Any] | None] = mapped_column(JSON(none_as_null=True))
    revision: Mapped[RevisionRow] = relationship(back_populates="entries")
