"""People are rows, found whatever the case, accents and spaces of their names."""

from __future__ import annotations

import unicodedata

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"
branch_labels = None
depends_on = None


def _folded(name: str) -> str:
    plain = unicodedata.normalize("NFKD", name.casefold())
    return " ".join("".join(c for c in plain if not unicodedata.combining(c)).split())


def upgrade() -> None:
    op.create_table(
        "person",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("folded", sa.String(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_person"),
    )
    op.create_index("ix_person_name", "person", ["name"], unique=True)
    op.create_index("ix_person_folded", "person", ["folded"])
    connection = op.get_bind()
    # the name used first comes first: it is the one somebody is known by
    names = (
        "SELECT who FROM (SELECT who, at FROM record UNION ALL SELECT who, at FROM revision"
        " UNION ALL SELECT who, at FROM reading) WHERE who > '' GROUP BY who ORDER BY min(at), who"
    )
    insert = sa.text("INSERT INTO person (name, folded) VALUES (:name, :folded)")
    for name in connection.execute(sa.text(names)).scalars().all():
        connection.execute(insert, {"name": name, "folded": _folded(name)})


def downgrade() -> None:
    op.drop_table("person")
