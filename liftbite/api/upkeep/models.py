"""What is said of the shop's file."""

from __future__ import annotations

from pydantic import BaseModel, Field


class BackupOut(BaseModel):
    """A copy of the shop's file."""

    name: str
    path: str = Field(description="Where it lies.")
    at: str
    size: int = Field(description="Bytes.")
    why: str = Field(description="Why it was taken.")
    ahead: bool = Field(description="Dated in the future, by a clock that ran ahead.")


class UpkeepOut(BaseModel):
    """The shop's file and its copies, newest first."""

    file: str
    size: int
    backups: list[BackupOut]
    room: int = Field(description="Bytes that the copies of the hour may take together.")
    short: str = Field(description="What the disk is too small for; empty where it is not.")
    trouble: str = Field(description="Why the last copy could not be made; empty where it could.")
    open: bool = Field(description="True where other machines of the network are let in.")
