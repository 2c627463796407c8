"""The bench: takings and their readings, limits of vehicles, the shop's schools and instruments."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "taking",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("job_id", sa.Integer(), nullable=False),
        sa.Column("check", sa.String(), nullable=False),
        sa.Column("vehicle", sa.String(), nullable=False),
        sa.Column("begun_at", sa.DateTime(), nullable=False),
        sa.Column("distance", sa.Double(), nullable=True),
        sa.Column("settings", sa.JSON(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_taking_job_id_job"),
        sa.PrimaryKeyConstraint("id", name="pk_taking"),
    )
    op.create_index("ix_taking_job_id", "taking", ["job_id", "check"])
    op.create_index("ix_taking_vehicle", "taking", ["vehicle", "check"])
    op.create_table(
        "reading",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("taking_id", sa.Integer(), nullable=False),
        sa.Column("place", sa.String(), nullable=False),
        sa.Column("si", sa.Double(), nullable=True),
        sa.Column("typed", sa.String(), nullable=False),
        sa.Column("instrument", sa.String(), nullable=False),
        sa.Column("uncertainty", sa.Double(), nullable=False),
        sa.Column("skipped", sa.String(), nullable=False),
        sa.Column("source", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("struck_at", sa.DateTime(), nullable=True),
        sa.Column("struck_seen", sa.Integer(), nullable=True),
        sa.ForeignKeyConstraint(["taking_id"], ["taking.id"], name="fk_reading_taking_id_taking"),
        sa.PrimaryKeyConstraint("id", name="pk_reading"),
    )
    op.create_index("ix_reading_taking_id", "reading", ["taking_id"])
    op.create_table(
        "vehicle_limit",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("job_id", sa.Integer(), nullable=False),
        sa.Column("vehicle", sa.String(), nullable=False),
        sa.Column("check", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("typed", sa.String(), nullable=True),
        sa.Column("si", sa.Double(), nullable=True),
        sa.Column("source", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_vehicle_limit_job_id_job"),
        sa.PrimaryKeyConstraint("id", name="pk_vehicle_limit"),
    )
    op.create_index("ix_vehicle_limit_vehicle", "vehicle_limit", ["vehicle"])
    op.create_index("ix_vehicle_limit_job_id", "vehicle_limit", ["job_id"])
    op.create_table(
        "school",
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("option", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("name", name="pk_school"),
    )
    op.create_table(
        "instrument",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("resolution", sa.Double(), nullable=False),
        sa.Column("uncertainty", sa.Double(), nullable=False),
        sa.Column("calibrated_on", sa.String(), nullable=False),
        sa.Column("port", sa.String(), nullable=False),
        sa.Column("put_away_at", sa.DateTime(), nullable=True),
        sa.PrimaryKeyConstraint("id", name="pk_instrument"),
    )
    op.create_table(
        "open_sum",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("job_id", sa.Integer(), nullable=False),
        sa.Column("part", sa.String(), nullable=False),
        sa.Column("price", sa.Double(), nullable=False),
        sa.Column("chance", sa.Double(), nullable=False),
        sa.Column("hours", sa.Double(), nullable=False),
        sa.Column("rate", sa.Double(), nullable=False),
        sa.Column("extra_hours", sa.Double(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_open_sum_job_id_job"),
        sa.PrimaryKeyConstraint("id", name="pk_open_sum"),
        sa.UniqueConstraint("job_id", "part", name="uq_open_sum_job_id"),
    )


def downgrade() -> None:
    for table in ("open_sum", "instrument", "school", "vehicle_limit", "reading", "taking"):
        op.drop_table(table)
