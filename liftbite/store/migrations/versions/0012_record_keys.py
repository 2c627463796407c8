"""Kinds and options of the record by keys.

The names of before stand here as they were, so that this stays true whatever the record becomes.
"""

from __future__ import annotations

import json
from collections.abc import Mapping

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"
branch_labels = None
depends_on = None
_KINDS = {
    "own part": "own_part",
    "own step": "own_step",
    "bleed step": "bleed_step",
    "fault test": "fault_test",
    "bedding in": "bedding_in",
    "look again": "second_look",
    "full load": "full_load",
    "at it": "at_step",
    "hand-over": "hand_over",
}
_OPTIONS = {
    ("check", "answer"): {"that will do": "enough", "not on this job": "not_on_job"},
    ("own_part", "answer"): {"to get": "to_get"},
    ("own", "kind"): {"go or no go": "go_no_go"},
    ("bolt", "answer"): {"look again": "look_again"},
    ("tightening", "how"): {"no figure known": "none_known", "by feel": "by_feel"},
    ("tightening", "passes"): {
        "at once": "at_once",
        "in thirds": "thirds",
        "half, then by fifths": "half_then_fifths",
        "as given": "as_given",
    },
    ("tightening", "bolts"): {"used again": "used_again"},
    ("at_step", "answer"): {"at it": "here"},
    ("bled", "answer"): {"taken back": "taken_back"},
    ("card", "answer"): {"not tried": "not_tried"},
    ("noted", "answer"): {"wrong part": "wrong_part", "left out": "left_out"},
    ("order", "state"): {"in stock": "in_stock"},
}


def upgrade() -> None:
    for name, key in _KINDS.items():
        _kind(name, key)
    for (kind, field), options in _OPTIONS.items():
        _option(kind, field, options)


def downgrade() -> None:
    for (kind, field), options in _OPTIONS.items():
        _option(kind, field, {key: words for words, key in options.items()})
    for name, key in _KINDS.items():
        _kind(key, name)


def _kind(before: str, now: str) -> None:
    op.get_bind().execute(sa.text("UPDATE record SET kind = :now WHERE kind = :before"), {"now": now, "before": before})


def _option(kind: str, field: str, options: Mapping[str, str]) -> None:
    connection = op.get_bind()
    lines = connection.execute(sa.text("SELECT id, said FROM record WHERE kind = :kind"), {"kind": kind}).all()
    for number, text in lines:
        try:
            said = json.loads(text)
        except (TypeError, ValueError):
            continue  # a line nobody can read stays as it is
        if not isinstance(said, dict) or said.get(field) not in options:
            continue
        said[field] = options[said[field]]
        now = {"said": json.dumps(said, ensure_ascii=False), "id": number}
        connection.execute(sa.text("UPDATE record SET said = :said WHERE id = :id"), now)
