"""What the addresses of every station name.

- `JobPath`   the number of a job
"""

from __future__ import annotations

from pydantic import BaseModel, Field


class JobPath(BaseModel):
    """Number of a job."""

    job_id: int = Field(ge=1, le=2**53)
