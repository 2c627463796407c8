"""A torque wrench says how far its pulls may be off: a share of the torque, and an angle."""

from __future__ import annotations

from math import radians

import sqlalchemy as sa
from alembic import op

revision = "0014"
down_revision = "0013"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for name, usual in (("torque_band", 0.05), ("angle_band", radians(5))):
        op.add_column("instrument", sa.Column(name, sa.Double(), nullable=False, server_default=str(usual)))


def downgrade() -> None:
    with op.batch_alter_table("instrument") as table:
        table.drop_column("torque_band")
        table.drop_column("angle_band")
