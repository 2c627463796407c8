"""Photos as they go over the wire."""

from __future__ import annotations

from pydantic import BaseModel, Field


class PhotoOut(BaseModel):
    """A photo of a job: of what, by whom, and where to fetch it."""

    digest: str = Field(description="SHA-256 of its JPEG, by which it is known.")
    of: str = Field(description="`job`, or `check:`, `step:`, `bag:` and its name.")
    label: str = Field(description="What it is of, in words.")
    words: str
    who: str
    at: str
    width: int
    height: int
    here: bool = Field(description="False where a job file named it and its shop's archive has not been brought.")


class PhotosOut(BaseModel):
    """Photos of a job, oldest first."""

    photos: list[PhotoOut]
