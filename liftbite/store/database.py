"""Opens the shop's SQLite file: write-ahead log, foreign keys on, migrated to the newest tables."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, create_engine, event
from sqlalchemy.orm import Session, sessionmaker

from liftbite.store.jobs import LedgerCache

MIGRATIONS = Path(__file__).parent / "migrations"


def _on_connect(connection: Any, _record: Any) -> None:
    cursor = connection.cursor()
    cursor.execute("PRAGMA journal_mode=WAL")
    cursor.execute("PRAGMA foreign_keys=ON")
    cursor.execute("PRAGMA busy_timeout=5000")
    cursor.execute("PRAGMA synchronous=NORMAL")
    cursor.close()


def open_database(path: Path) -> sessionmaker[Session]:
    """Sessions on the file at `path`, which is made with its folder if it is not there, and migrated."""
    path.parent.mkdir(parents=True, exist_ok=True)
    engine = create_engine(f"sqlite:///{path}")
    event.listen(engine, "connect", _on_connect)
    migrate(engine)
    return sessionmaker(engine, expire_on_commit=False, info={"ledgers": LedgerCache()})


def migrate(engine: Engine) -> None:
    """Brings the tables up to date."""
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "head")
