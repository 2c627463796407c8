"""Which shop a file holds, and in which of its states.

- `Identity`, `identity_of`   both, read as one
- `AnotherState`, `expect_state`   a write that was made for another state of the shop
- `next_job`       the number of the next job; none is given twice
- `mark_in_use`, `mark_closed`, `in_use_since`   that a shop is served, so that a copy of its file alone can be told
"""

from __future__ import annotations

from dataclasses import dataclass

from sqlalchemy import func, select, update
from sqlalchemy.orm import Session

from liftbite.store.models import JobRow, ShopRow


class AnotherState(Exception):
    """A write that was made for another state of the shop than the one that stands."""


@dataclass(frozen=True, slots=True)
class Identity:
    """The shop, and the state its file is in; both are made once and never given again."""

    shop: str
    state: str


def identity_of(session: Session) -> Identity:
    """What the file of a session holds."""
    shop, state = session.execute(select(ShopRow.shop, ShopRow.state)).one()
    return Identity(shop, state)


def expect_state(session: Session, asked: str) -> None:
    """Lets a write pass that was made for the state that stands, or that names none.

    Raises
    ------
    AnotherState : it was made for another one
    """
    if asked and identity_of(session).state != asked:
        raise AnotherState(asked)


def next_job(session: Session) -> int:
    """The number of the next job: higher than any a job ever had in this file, whatever was brought back since."""
    highest = session.scalar(select(func.max(JobRow.id))) or 0
    known = session.scalar(select(ShopRow.last_job)) or 0
    number = max(highest, known) + 1
    session.execute(update(ShopRow).values(last_job=number))
    return number


def in_use_since(session: Session) -> str:
    """Since when the file has been served; empty where it was closed."""
    return session.scalar(select(ShopRow.in_use)) or ""


def mark_in_use(session: Session, since: str) -> None:
    """Notes that the file is served from now on."""
    session.execute(update(ShopRow).values(in_use=since))


def mark_closed(session: Session) -> None:
    """Notes that all that was written stands in the file itself."""
    session.execute(update(ShopRow).values(in_use=""))
