"""The versions of a shop's tables.

- `MIGRATIONS`   the folder of the steps from one version to the next
- `versions`, `newest_migration`   those this program can read, and the one it writes
- `migrate`      brings a file up to date
"""

from __future__ import annotations

from pathlib import Path

from alembic import command
from alembic.config import Config
from alembic.script import ScriptDirectory
from sqlalchemy import Engine

MIGRATIONS = Path(__file__).parent / "migrations"


def _config() -> Config:
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    return config


def versions() -> set[str]:
    """Every version of the tables this program can read."""
    return {script.revision for script in ScriptDirectory.from_config(_config()).walk_revisions()}


def newest_migration() -> str:
    """The version of the tables this program writes."""
    return str(ScriptDirectory.from_config(_config()).get_current_head())


def migrate(engine: Engine) -> None:
    """Brings the tables up to date, all of it or nothing."""
    config = _config()
    with engine.connect().execution_options(writes=True) as connection, connection.begin():
        config.attributes["connection"] = connection
        command.upgrade(config, "head")
