"""One word for one thing: series, withdrawn, shop practice, renewal, archived, flywheel."""

from __future__ import annotations

import json
from collections.abc import Mapping

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None

_RENAMED = {"wheel_strength": "flywheel_strength", "old_wheel_source": "old_flywheel_source"}


def upgrade() -> None:
    for table in ("job", "part", "instrument"):
        op.execute(f"ALTER TABLE {table} RENAME COLUMN put_away_at TO archived_at")
    _series()
    _asked("shim", "shims")
    _practices()
    _renewals()
    _quantities(_RENAMED)


def _series() -> None:
    op.create_table(
        "series",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("job_id", sa.Integer(), nullable=False),
        sa.Column("check", sa.String(), nullable=False),
        sa.Column("vehicle", sa.String(), nullable=False),
        sa.Column("begun_at", sa.DateTime(), nullable=False),
        sa.Column("distance", sa.Double(), nullable=True),
        sa.Column("settings", sa.JSON(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_series_job_id_job"),
        sa.PrimaryKeyConstraint("id", name="pk_series"),
    )
    columns = 'id, job_id, "check", vehicle, begun_at, distance, settings'
    op.execute(f"INSERT INTO series ({columns}) SELECT {columns} FROM taking")
    op.drop_index("ix_reading_taking_id", "reading")
    op.rename_table("reading", "reading_of_before")
    op.create_table(
        "reading",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("series_id", sa.Integer(), nullable=False),
        sa.Column("place", sa.String(), nullable=False),
        sa.Column("si", sa.Double(), nullable=True),
        sa.Column("typed", sa.String(), nullable=False),
        sa.Column("instrument", sa.String(), nullable=False),
        sa.Column("uncertainty", sa.Double(), nullable=False),
        sa.Column("skipped", sa.String(), nullable=False),
        sa.Column("source", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("withdrawn_at", sa.DateTime(), nullable=True),
        sa.Column("withdrawn_seen", sa.Integer(), nullable=True),
        sa.ForeignKeyConstraint(["series_id"], ["series.id"], name="fk_reading_series_id_series"),
        sa.PrimaryKeyConstraint("id", name="pk_reading"),
    )
    kept = "id, {}, place, si, typed, instrument, uncertainty, skipped, source, at, {}, {}"
    now, before = ("series_id", "withdrawn_at", "withdrawn_seen"), ("taking_id", "struck_at", "struck_seen")
    op.execute(f"INSERT INTO reading ({kept.format(*now)}) SELECT {kept.format(*before)} FROM reading_of_before")
    op.drop_table("reading_of_before")
    op.drop_table("taking")
    op.create_index("ix_series_job_id", "series", ["job_id", "check"])
    op.create_index("ix_series_vehicle", "series", ["vehicle", "check"])
    op.create_index("ix_reading_series_id", "reading", ["series_id"])


def _asked(before: str, now: str) -> None:
    """What a floater's shims do is asked of its series under the name files have for it."""
    bind = op.get_bind()
    mention = f'%"{before}"%'
    for number, kept in bind.execute(
        sa.text("SELECT id, settings FROM series WHERE settings LIKE :m"), {"m": mention}
    ).all():
        settings = json.loads(kept)
        if before in settings:
            settings[now] = settings.pop(before)
        bind.execute(
            sa.text("UPDATE series SET settings = :kept WHERE id = :id"), {"kept": json.dumps(settings), "id": number}
        )


def _practices() -> None:
    op.create_table(
        "shop_practice",
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("option", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("name", name="pk_shop_practice"),
    )
    op.execute('INSERT INTO shop_practice (name, "option", at) SELECT name, "option", at FROM school')
    op.drop_table("school")


def _renewals() -> None:
    op.create_table(
        "renewal",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("job_id", sa.Integer(), nullable=False),
        sa.Column("part", sa.String(), nullable=False),
        sa.Column("price", sa.Double(), nullable=False),
        sa.Column("chance", sa.Double(), nullable=False),
        sa.Column("hours", sa.Double(), nullable=False),
        sa.Column("rate", sa.Double(), nullable=False),
        sa.Column("extra_hours", sa.Double(), nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["job.id"], name="fk_renewal_job_id_job"),
        sa.PrimaryKeyConstraint("id", name="pk_renewal"),
        sa.UniqueConstraint("job_id", "part", name="uq_renewal_job_id"),
    )
    columns = "id, job_id, part, price, chance, hours, rate, extra_hours"
    op.execute(f"INSERT INTO renewal ({columns}) SELECT {columns} FROM open_sum")
    op.drop_table("open_sum")


def _quantities(renamed: Mapping[str, str]) -> None:
    """Quantities in entries, and in what parts of the shelf bring and brought."""
    bind = op.get_bind()
    for before, now in renamed.items():
        bind.execute(
            sa.text("UPDATE entry SET quantity = :now WHERE quantity = :before"), {"now": now, "before": before}
        )
    for number, kept in bind.execute(sa.text('SELECT id, "values" FROM part')).all():
        values = json.loads(kept)
        if any(name in values for name in renamed):
            changed = json.dumps({renamed.get(name, name): typed for name, typed in values.items()})
            bind.execute(sa.text('UPDATE part SET "values" = :kept WHERE id = :id'), {"kept": changed, "id": number})
    mentions = " OR ".join(f"file LIKE '%{name}%'" for name in renamed)
    for number, kept in bind.execute(sa.text(f"SELECT id, file FROM entry WHERE {mentions}")).all():
        file = json.loads(kept)
        if isinstance(file.get("values"), dict):
            file["values"] = {renamed.get(name, name): typed for name, typed in file["values"].items()}
            bind.execute(
                sa.text("UPDATE entry SET file = :kept WHERE id = :id"), {"kept": json.dumps(file), "id": number}
            )


def downgrade() -> None:
    _quantities({now: before for before, now in _RENAMED.items()})
    _asked("shims", "shim")
    for index, table in (
        ("ix_reading_series_id", "reading"),
        ("ix_series_vehicle", "series"),
        ("ix_series_job_id", "series"),
    ):
        op.drop_index(index, table)
    for now, before in (("series", "taking"), ("shop_practice", "school"), ("renewal", "open_sum")):
        op.rename_table(now, before)
    for table, now, before in (
        ("reading", "series_id", "taking_id"),
        ("reading", "withdrawn_at", "struck_at"),
        ("reading", "withdrawn_seen", "struck_seen"),
        *((table, "archived_at", "put_away_at") for table in ("job", "part", "instrument")),
    ):
        op.execute(f"ALTER TABLE {table} RENAME COLUMN {now} TO {before}")
    op.create_index("ix_taking_job_id", "taking", ["job_id", "check"])
    op.create_index("ix_taking_vehicle", "taking", ["vehicle", "check"])
    op.create_index("ix_reading_taking_id", "reading", ["taking_id"])
