"""What the record is over the wire."""

from __future__ import annotations

from pydantic import BaseModel, Field

from liftbite.api.jobs.models import NameOut
from liftbite.core.record_words import Station


class RecordEventOut(BaseModel):
    """Something that was entered, read, ticked or said."""

    at: str = Field(description="When, ISO 8601 in UTC.", examples=["2026-11-30T09:12:00Z"])
    who: str = Field(description="By whom; empty where nobody gave a name.", examples=["Ines"])
    station: Station = Field(description="The station it belongs to.")
    parts: list[str] = Field(description="Keys of the parts it is of.", examples=[["disc"]])
    what: list[str] = Field(description="What was done, a sentence each.", examples=[["Disc: ordered"]])
    revision: int | None = Field(description="Revision of the ledger, of what was entered.", examples=[3])
    kind: str = Field(description="“start”, “edit”, “undo”, “redo”, “reading”, or the kind of what was said.")
    of: int | None = Field(description="The revision that was undone, redone or gone back to.")


class RecordOut(BaseModel):
    """The record of a job, newest first, a page of it."""

    change: int = Field(description="How often anything of the job was written.")
    total: int = Field(description="Events there are, as narrowed.")
    events: list[RecordEventOut] = Field(description="This page of them.")
    stations: list[NameOut] = Field(description="Stations anything was said of.")
    parts: list[NameOut] = Field(description="Parts anything was said of.")
