"""Parts by their keys: fates of seals, bolts and pivot apart, lines of the list, orders and renewals by key.

The names of before stand here as they were, so that this stays true whatever the register becomes.
"""

from __future__ import annotations

from typing import Any

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None
_PARTS = {
    "Disc": "disc",
    "Plate set": "plates",
    "Spring set": "springs",
    "Cover": "cover",
    "Cover bolts": "cover_bolts",
    "Spring bolts": "spring_bolts",
    "Flywheel": "flywheel",
    "Flywheel bolts": "flywheel_bolts",
    "Flywheel insert": "insert",
    "Ring gear": "ring_gear",
    "Floater plate": "floater",
    "Release bearing": "bearing",
    "Pilot bearing": "pilot",
    "Rear main seal": "rear_seal",
    "Input shaft seal": "input_seal",
    "Fork and pivot": "fork",
    "Fork pivot and clip": "pivot",
    "Seals of the bearing's line": "bearing_line_seals",
    "Retaining ring of the release bearing": "bearing_ring",
    "Cable pins and bushes": "cable_ends",
    "Lock washer of the clutch nut": "lock_washer",
    "Push rod": "push_rod",
    "Lifter bearing": "lifter",
    "Basket": "basket",
    "Basket bearing": "basket_bearing",
    "Clutch centre": "hub",
    "Cush rubbers": "cush_rubbers",
    "Hub rubbers": "cush_rubbers",
    "Master cylinder": "master",
    "Slave cylinder": "slave",
    "Hose or cable": "line",
    "Restrictor": "restrictor",
    "Fluid": "fluid",
    "Engine oil": "engine_oil",
    "Input shaft": "input_shaft",
    "Retainer shims": "retainer_shims",
    "Gearbox input bearing": "input_bearing",
    "Mounts": "mounts",
    "Bell housing": "bell_housing",
    "Friction plates": "plates",
    "Plain plates": "plates",
    "Coil springs": "springs",
    "Lifter": "lifter",
    "Pedal or lever": "pedal",
    "Hydraulics": "cylinders",
    "Cylinder or its seals": "slave",
}
#: Calculation of the set-up, as the list called it -> the part it was put right at.
_SET_UPS = {
    "Trapped air": "fluid",
    "Reserve of a concentric bearing": "bearing",
    "End float of the input shaft": "retainer_shims",
    "Stands of the floater": "floater",
    "Height of the flywheel": "flywheel",
    "Fork with the new bearing": "fork",
    "Gap of the gearbox": "gearbox",
    "Order of the pack": "plates",
    "Reach of the input shaft": "input_shaft",
    "Travel against the stroke": "slave",
}
_WORKS = {"get": "get", "dress or machine": "dress", "put right": "put_right", "measure better": "measure"}


def _part(name: str) -> str:
    folded = {known.casefold(): key for known, key in _PARTS.items()}
    return folded.get(" ".join(name.split()).casefold(), name)


def _line(key: str) -> str:
    name, _, words = key.rpartition(", ")
    return f"{_SET_UPS.get(name) or _part(name)}:{_WORKS[words]}" if words in _WORKS else f"{_part(key)}:get"


def _each(connection: sa.Connection, query: str, update: str, change: Any) -> None:
    for number, name in connection.execute(sa.text(query)).all():
        if change(name) != name:
            connection.execute(sa.text(update), {"now": change(name), "id": number})


def upgrade() -> None:
    connection = op.get_bind()
    copy = """INSERT INTO entry (revision_id, quantity, typed, si, mark, build)
              SELECT revision_id, :now, typed, si, mark, build FROM entry
              WHERE quantity = :name AND (typed IS NULL OR typed IN ('stays', 'renewed'))"""
    for name, now in (("seals_fate", "input_seal_fate"), ("fork_fate", "pivot_fate")):
        connection.execute(sa.text(copy), {"name": name, "now": now})
    for name, now in (("seals_fate", "rear_seal_fate"), ("bolts_fate", "flywheel_bolts_fate")):
        connection.execute(
            sa.text("UPDATE entry SET quantity = :now WHERE quantity = :name"), {"name": name, "now": now}
        )
    record = "UPDATE record SET key = :now WHERE id = :id"
    _each(connection, "SELECT id, key FROM record WHERE kind IN ('order', 'line')", record, _line)
    _each(connection, "SELECT id, key FROM record WHERE kind IN ('own part', 'noted')", record, _part)
    taken: set[tuple[int, str]] = set()
    for number, job, name in connection.execute(sa.text("SELECT id, job_id, part FROM renewal ORDER BY id DESC")).all():
        if (job, _part(name)) in taken:  # one part by two names: the figures said last stand
            connection.execute(sa.text("DELETE FROM renewal WHERE id = :id"), {"id": number})
        elif _part(name) != name:
            connection.execute(
                sa.text("UPDATE renewal SET part = :now WHERE id = :id"), {"now": _part(name), "id": number}
            )
        taken.add((job, _part(name)))


def downgrade() -> None:
    connection = op.get_bind()
    for now, name in (("rear_seal_fate", "seals_fate"), ("flywheel_bolts_fate", "bolts_fate")):
        connection.execute(
            sa.text("UPDATE entry SET quantity = :name WHERE quantity = :now"), {"name": name, "now": now}
        )
    named = {key: name for name, key in reversed(_PARTS.items())}
    works = {key: words for words, key in _WORKS.items()}

    def line(key: str) -> str:
        part, _, work = key.rpartition(":")
        return f"{named.get(part, part)}, {works[work]}" if work in works else key

    record = "UPDATE record SET key = :now WHERE id = :id"
    _each(connection, "SELECT id, key FROM record WHERE kind IN ('order', 'line')", record, line)
    parts = "SELECT id, key FROM record WHERE kind IN ('own part', 'noted')"
    _each(connection, parts, record, lambda key: named.get(key, key))
    renewal = "UPDATE renewal SET part = :now WHERE id = :id"
    _each(connection, "SELECT id, part FROM renewal", renewal, lambda key: named.get(key, key))
    fates = ", ".join(f"'{fate}'" for fate in _FATES)
    connection.execute(
        sa.text(rf"DELETE FROM entry WHERE quantity LIKE '%\_fate' ESCAPE '\' AND quantity NOT IN ({fates})")
    )


_FATES = tuple(
    f"{part}_fate"
    for part in (
        "floater",
        "disc",
        "plates",
        "cover",
        "springs",
        "flywheel",
        "bolts",
        "pilot",
        "seals",
        "bearing",
        "spacers",
        "fork",
        "push_rod",
        "basket",
        "master",
        "slave",
        "line",
        "restrictor",
        "fluid",
    )
)
