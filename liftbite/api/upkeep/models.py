"""What is said of the shop's file."""

from __future__ import annotations

from pydantic import BaseModel, Field


class BackupOut(BaseModel):
    """A copy of the shop's file."""

    name: str
    path: str
    at: str
    size: int = Field(description="Bytes.")


class UpkeepOut(BaseModel):
    """The shop's file and its copies, newest first."""

    file: str
    size: int
    backups: list[BackupOut]
    room: int = Field(description="Bytes that all copies together may take.")
    trouble: str = Field(description="Why the last copy could not be made; empty where it could.")
    open: bool = Field(description="True where other machines of the network are let in.")
