"""Entries and series are of a build, with the flywheel that came out as found; who says what; the record of a job."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None

_OLD = (
    "flywheel_inertia",
    "flywheel_mass",
    "flywheel_diameter",
    "gyration_share",
    "wire_radius",
    "wire_length",
    "swing_period",
    "ring_outer_diameters",
    "ring_inner_diameters",
    "ring_thicknesses",
    "ring_densities",
    "ring_masses",
    "ring_gyrations",
)
_NAMES = {f"old_{name}": name for name in _OLD} | {"old_flywheel_source": "inertia_source"}


def upgrade() -> None:
    op.execute("ALTER TABLE entry ADD COLUMN build VARCHAR DEFAULT '' NOT NULL")
    op.execute("ALTER TABLE series ADD COLUMN build VARCHAR DEFAULT 'found' NOT NULL")
    for table in ("revision", "reading"):
        op.execute(f"ALTER TABLE {table} ADD COLUMN who VARCHAR DEFAULT '' NOT NULL")
    op.create_table(
        "record",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("job_id", sa.Integer(), nullable=False),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("key", sa.String(), nullable=False),
        sa.Column("said", sa.JSON(), nullable=False),
        sa.Column("who", sa.String(), server_default="", nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("request", sa.String(), nullable=True),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_record_job_id_job"),
        sa.PrimaryKeyConstraint("id", name="pk_record"),
    )
    op.create_index("ix_record_job_id", "record", ["job_id"])
    op.create_index("ix_record_request", "record", ["request"])
    connection = op.get_bind()
    for before, now in _NAMES.items():
        connection.execute(
            sa.text("UPDATE entry SET build = 'found', quantity = :now WHERE quantity = :before"),
            {"now": now, "before": before},
        )
    # where one came out, another goes in: said in the job's first revision, which no undo turns back
    connection.execute(
        sa.text(
            "INSERT INTO entry (revision_id, quantity, typed, mark) "
            "SELECT r.id, 'flywheel_fate', 'renewed', 'entered' FROM revision r WHERE r.number = 1 AND r.job_id IN ("
            " SELECT o.job_id FROM entry e JOIN revision o ON o.id = e.revision_id"
            " WHERE e.build = 'found' AND e.typed IS NOT NULL AND NOT EXISTS ("
            "  SELECT 1 FROM entry f JOIN revision p ON p.id = f.revision_id WHERE p.job_id = o.job_id"
            "  AND f.build = 'found' AND f.quantity = e.quantity AND p.number > o.number))"
        )
    )


def downgrade() -> None:
    connection = op.get_bind()
    for before, now in _NAMES.items():
        connection.execute(
            sa.text("UPDATE entry SET build = '', quantity = :before WHERE quantity = :now AND build = 'found'"),
            {"now": now, "before": before},
        )
    connection.execute(sa.text(r"DELETE FROM entry WHERE build != '' OR quantity LIKE '%\_fate' ESCAPE '\'"))
    op.drop_table("record")
    for table in ("revision", "reading"):
        op.execute(f"ALTER TABLE {table} DROP COLUMN who")
    op.execute("ALTER TABLE entry DROP COLUMN build")
    op.execute("ALTER TABLE series DROP COLUMN build")
