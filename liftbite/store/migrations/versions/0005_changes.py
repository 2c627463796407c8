"""Versions of what is replaced, a counter of changes for each job, and what was taken in from files."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None

_VERSIONED = ("part", "series", "shop_practice", "instrument", "renewal")


def upgrade() -> None:
    op.execute("ALTER TABLE job ADD COLUMN change INTEGER DEFAULT '0' NOT NULL")
    for table in _VERSIONED:
        op.execute(f"ALTER TABLE {table} ADD COLUMN version INTEGER DEFAULT '1' NOT NULL")
    for table in ("reading", "series"):
        op.execute(f"ALTER TABLE {table} ADD COLUMN request VARCHAR")
    op.create_index("ix_reading_request", "reading", ["request"])
    op.drop_index("ix_part_slot", "part")
    op.create_index("ix_part_slot", "part", ["slot", "name"])
    op.create_table(
        "kept",
        sa.Column("job_id", sa.Integer(), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("rules", sa.String(), nullable=False),
        sa.Column("words", sa.String(), nullable=False),
        sa.Column("state", sa.String(), nullable=False),
        sa.Column("changed_at", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_kept_job_id_job"),
        sa.PrimaryKeyConstraint("job_id", name="pk_kept"),
    )
    op.create_index("ix_kept_rules", "kept", ["rules"])
    op.create_table(
        "kept_line",
        sa.Column("job_id", sa.Integer(), nullable=False),
        sa.Column("line", sa.JSON(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["kept.job_id"], name="fk_kept_line_job_id_kept"),
        sa.PrimaryKeyConstraint("job_id", name="pk_kept_line"),
    )
    op.create_table(
        "brought",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("digest", sa.String(), nullable=False),
        sa.Column("job_id", sa.Integer(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("says", sa.JSON(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_brought_job_id_job"),
        sa.PrimaryKeyConstraint("id", name="pk_brought"),
        sa.UniqueConstraint("digest", "job_id", name="uq_brought_digest"),
    )


def downgrade() -> None:
    op.drop_table("brought")
    op.drop_table("kept_line")
    op.drop_table("kept")
    op.drop_index("ix_part_slot", "part")
    op.create_index("ix_part_slot", "part", ["slot"])
    op.drop_index("ix_reading_request", "reading")
    for table in ("series", "reading"):
        op.execute(f"ALTER TABLE {table} DROP COLUMN request")
    for table in reversed(_VERSIONED):
        op.execute(f"ALTER TABLE {table} DROP COLUMN version")
    op.execute("ALTER TABLE job DROP COLUMN change")
