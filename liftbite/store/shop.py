"""What a shop says of itself, over all its jobs.

- `units`, `set_units`   the units it prefers
- `steps`, `set_step`     steps it adds to the plan of every job
- `SAID`, `label_of`, `step_name`   what else it can say, and what that goes by
"""

from __future__ import annotations

import json
from collections.abc import Mapping
from datetime import datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from liftbite.core.measure.practices import PRACTICES
from liftbite.core.units.preference import PREFERENCES, Preference
from liftbite.store.jobs import expect
from liftbite.store.models import PracticeRow

UNITS = "units"
_STEP = "step "
#: Practice -> its options in words.
SAID: Mapping[str, Mapping[str, str]] = {name: options for name, (_, options) in PRACTICES.items()}


def label_of(name: str) -> str:
    """What something the shop says is called."""
    return "units" if name == UNITS else PRACTICES[name][0]


def step_name(title: str) -> str:
    """Under which name the shop keeps a step it adds."""
    return _STEP + title


def units(session: Session) -> tuple[Preference, int]:
    """The units preferred, and their version; both systems, of version 0, where nobody said."""
    row = session.get(PracticeRow, UNITS)
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
    session.merge(PracticeRow(name=UNITS, option=preference, at=at, version=version + 1))
    session.flush()


def steps(session: Session) -> dict[str, tuple[Mapping[str, str], int]]:
    """Title -> what was said of a step the shop adds to every plan, and its version; nothing said of one let go."""
    rows = session.scalars(select(PracticeRow).where(PracticeRow.name.startswith(_STEP)).order_by(PracticeRow.at))
    return {row.name.removeprefix(_STEP): (json.loads(row.option), row.version) for row in rows}


def set_step(session: Session, title: str, said: Mapping[str, str], at: datetime, seen: int) -> None:
    """A step the shop adds from now on, or with nothing said lets go, in the place of the version seen.

    Raises
    ------
    Stale : somebody else has said it since
    """
    there, version = steps(session).get(title, ({}, 0))
    expect(seen, version, "step", {"said": dict(there)})
    session.merge(
        PracticeRow(
            name=step_name(title), option=json.dumps(dict(said), ensure_ascii=False), at=at, version=version + 1
        )
    )
    session.flush()
