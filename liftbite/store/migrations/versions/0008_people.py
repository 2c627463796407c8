"""Names are looked up by index."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None

TABLES = ("record", "revision", "reading")


def upgrade() -> None:
    for table in TABLES:
        op.create_index(f"ix_{table}_who", table, ["who", "at"], sqlite_where=sa.text("who > ''"))


def downgrade() -> None:
    for table in TABLES:
        op.drop_index(f"ix_{table}_who", table)
