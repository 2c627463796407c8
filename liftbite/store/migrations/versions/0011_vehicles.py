"""Vehicles are rows, found whatever the case, accents and spaces of their names."""

from __future__ import annotations

import unicodedata

import sqlalchemy as sa
from alembic import op

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None


def _folded(name: str) -> str:
    plain = unicodedata.normalize("NFKD", name.casefold())
    return " ".join("".join(c for c in plain if not unicodedata.combining(c)).split())


def upgrade() -> None:
    op.create_table(
        "vehicle",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("folded", sa.String(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_vehicle"),
    )
    op.create_index("ix_vehicle_name", "vehicle", ["name"], unique=True)
    op.create_index("ix_vehicle_folded", "vehicle", ["folded"])
    connection = op.get_bind()
    names = "SELECT vehicle FROM series UNION SELECT vehicle FROM vehicle_limit"
    insert = sa.text("INSERT INTO vehicle (name, folded) VALUES (:name, :folded)")
    for name in connection.execute(sa.text(names)).scalars().all():
        if name:
            connection.execute(insert, {"name": name, "folded": _folded(name)})


def downgrade() -> None:
    op.drop_table("vehicle")
