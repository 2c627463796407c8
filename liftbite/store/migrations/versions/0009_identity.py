"""Identities: of the shop and its state, of jobs and instruments; which instrument a reading was taken with.

A job of before gets its identity from what it began as, so that two copies of one shop, each brought up to date by
itself, agree on which job is which.
"""

from __future__ import annotations

import uuid

import sqlalchemy as sa
from alembic import op

from liftbite.files.photo import plain_jpeg

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None
_OF_BEFORE = uuid.UUID("6f1d5f0e-2f0b-4c58-9a3e-0b7c1e5d9a41")


def upgrade() -> None:
    op.create_table(
        "shop",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("shop", sa.String(), nullable=False),
        sa.Column("state", sa.String(), nullable=False),
        sa.Column("last_job", sa.Integer(), server_default="0", nullable=False),
        sa.Column("in_use", sa.String(), server_default="", nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_shop"),
    )
    connection = op.get_bind()
    last = connection.execute(sa.text("SELECT coalesce(max(id), 0) FROM job")).scalar_one()
    insert = "INSERT INTO shop (id, shop, state, last_job, in_use) VALUES (1, :shop, :state, :last, '')"
    connection.execute(sa.text(insert), {"shop": uuid.uuid4().hex, "state": uuid.uuid4().hex[:12], "last": last})
    for table, began in (("job", "created_at"), ("instrument", "kind || name")):
        op.add_column(table, sa.Column("uid", sa.String(), server_default="", nullable=False))
        for number, words in connection.execute(sa.text(f"SELECT id, {began} FROM {table}")).all():
            told = {"uid": uuid.uuid5(_OF_BEFORE, f"{table} {number} {words}").hex, "id": number}
            connection.execute(sa.text(f"UPDATE {table} SET uid = :uid WHERE id = :id"), told)
        op.create_index(f"ix_{table}_uid", table, ["uid"], unique=True)
    op.add_column("reading", sa.Column("held", sa.String(), server_default="", nullable=False))
    op.create_index("ix_record_photo", "record", ["key"], sqlite_where=sa.text("kind = 'photo'"))
    connection.execute(sa.text("DELETE FROM photo WHERE digest NOT IN (SELECT key FROM record WHERE kind = 'photo')"))
    for digest, jpeg in connection.execute(sa.text("SELECT digest, jpeg FROM photo")):
        plain = plain_jpeg(jpeg)
        if plain != jpeg:
            connection.execute(
                sa.text("UPDATE photo SET jpeg = :jpeg WHERE digest = :digest"), {"jpeg": plain, "digest": digest}
            )


def downgrade() -> None:
    op.drop_index("ix_record_photo", "record")
    op.drop_column("reading", "held")
    for table in ("instrument", "job"):
        op.drop_index(f"ix_{table}_uid", table)
        op.drop_column(table, "uid")
    op.drop_table("shop")
