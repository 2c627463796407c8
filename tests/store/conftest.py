"""A shop's file of its own, empty, as a session."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest
from sqlalchemy.orm import Session

from liftbite.store.database import open_database


@pytest.fixture
def session(tmp_path: Path) -> Iterator[Session]:
    made = open_database(tmp_path / "shop.sqlite")
    with made() as found:
        yield found
    made.kw["bind"].dispose()
