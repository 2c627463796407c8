"""Jobs and their ledger."""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "job",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.Column("put_away_at", sa.DateTime(), nullable=True),
        sa.PrimaryKeyConstraint("id", name="pk_job"),
    )
    op.create_table(
        "revision",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("job_id", sa.Integer(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("of", sa.Integer(), nullable=True),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_revision_job_id_job"),
        sa.PrimaryKeyConstraint("id", name="pk_revision"),
        sa.UniqueConstraint("job_id", "number", name="uq_revision_job_id"),
    )
    op.create_table(
        "entry",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("revision_id", sa.Integer(), nullable=False),
        sa.Column("quantity", sa.String(), nullable=False),
        sa.Column("typed", sa.String(), nullable=True),
        sa.Column("si", sa.Double(), nullable=True),
        sa.Column("mark", sa.String(), nullable=False),
        sa.Column("curve", sa.JSON(), nullable=True),
        sa.Column("file", sa.JSON(), nullable=True),
        sa.ForeignKeyConstraint(["revision_id"], ["revision.id"], name="fk_entry_revision_id_revision"),
        sa.PrimaryKeyConstraint("id", name="pk_entry"),
    )
    op.create_index("ix_entry_revision_id", "entry", ["revision_id"])


def downgrade() -> None:
    op.drop_table("entry")
    op.drop_table("revision")
    op.drop_table("job")
