"""The shelf: parts with what their maker's sheet says."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "part",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("slot", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("price", sa.Double(), nullable=False),
        sa.Column("values", sa.JSON(), nullable=False),
        sa.Column("source", sa.String(), nullable=False),
        sa.Column("notes", sa.String(), nullable=False),
        sa.Column("changed_at", sa.DateTime(), nullable=False),
        sa.Column("put_away_at", sa.DateTime(), nullable=True),
        sa.PrimaryKeyConstraint("id", name="pk_part"),
    )
    op.create_index("ix_part_slot", "part", ["slot"])


def downgrade() -> None:
    op.drop_table("part")
