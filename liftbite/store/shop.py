"""What a shop says of itself, over all its jobs.

- `units`, `set_units`   the units it prefers
"""

from __future__ import annotations

from datetime import datetime

from sqlalchemy.orm import Session

from liftbite.core.units.preference import PREFERENCES, Preference
from liftbite.store.jobs import expect
from liftbite.store.models import PracticeRow

_UNITS = "units"


def units(session: Session) -> tuple[Preference, int]:
    """The units preferred, and their version; both systems, of version 0, where nobody said."""
    row = session.get(PracticeRow, _UNITS)
    found = next((p for p in PREFERENCES if row is not None and p == row.option), None)
    return ("both", 0) if row is None or found is None else (found, row.version)


def set_units(session: Session, preference: Preference, at: datetime, seen: int) -> None:
    """What is preferred from now on, in the place of the version seen.

    Raises
    ------
    Stale : somebody else has said it since
    """
    there, version = units(session)
    expect(seen, version, "preference", {"units": there})
    session.merge(PracticeRow(name=_UNITS, option=preference, at=at, version=version + 1))
    session.flush()
