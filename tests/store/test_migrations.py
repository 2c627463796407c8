"""Shops of before: a file of the earlier tables opens with all it held, under the names of now."""

from __future__ import annotations

import json
import sqlite3
from pathlib import Path
from typing import Any

import pytest
import sqlalchemy as sa
from alembic import command
from alembic.config import Config

from liftbite.core.job.builds import entries_of
from liftbite.core.job.ledger import FOUND, PLAN, layers_of, present
from liftbite.store import jobs, measurements
from liftbite.store.copies import faults_of
from liftbite.store.database import open_database
from liftbite.store.parts import list_parts
from liftbite.store.tables import MIGRATIONS

FIXTURES = Path(__file__).parents[1] / "fixtures"


@pytest.fixture
def of_before(tmp_path: Path) -> Path:
    """A shop as the third version of its tables kept it: a job with readings, one withdrawn, a renewal, a part."""
    path = tmp_path / "shop.sqlite"
    with sqlite3.connect(path) as connection:
        connection.executescript((FIXTURES / "shop-schema-3.sql").read_text())
    connection.close()
    return path


def test_a_shop_of_the_third_tables_opens_with_all_it_held(of_before: Path) -> None:
    sessions = open_database(of_before)
    with sessions() as session:
        layers = layers_of(jobs.revisions_of(session, 1))
        assert layers[PLAN]["flywheel_strength"].typed == "550 MPa"
        assert layers[PLAN]["flywheel_fate"].typed == "renewed"
        found = entries_of(layers, FOUND)
        assert (found["inertia_source"].typed, found["flywheel_mass"].typed) == ("weight", "11 kg")
        of_job, _ = measurements.series_of(session, 1)
        thick = next(s for s in of_job if s.check == "flywheel_thickness")
        assert [(t.reading.typed, t.withdrawn) for t in thick.taken] == [("24.5 mm", True), ("24.6 mm", False)]
        assert [r.part for r, _ in measurements.renewals_of(session, 1)] == ["pilot"]
        assert measurements.practices(session)["guard"] == ("share95", 1)
        (wheel,) = [p.part for p in list_parts(session) if p.part.name == "Old words wheel"]
        assert wheel.values == {"flywheel_strength": "600 MPa", "flywheel_mass": "9 kg"}
    sessions.kw["bind"].dispose()


def test_what_was_withdrawn_before_can_still_be_told_from_what_was_not(of_before: Path) -> None:
    with sqlite3.connect(of_before) as connection:
        before = connection.execute("SELECT count(*), count(struck_at) FROM reading").fetchone()
    connection.close()
    open_database(of_before).kw["bind"].dispose()
    with sqlite3.connect(of_before) as connection:
        assert connection.execute("SELECT count(*), count(withdrawn_at) FROM reading").fetchone() == before
        assert connection.execute("PRAGMA foreign_key_check").fetchall() == []
    connection.close()


def test_a_shop_goes_back_to_the_tables_of_before_and_forth_again(of_before: Path) -> None:
    told = (
        "SELECT id, typed, struck_at FROM reading",
        'SELECT id, "check", settings FROM taking',
        "SELECT id, quantity, typed, file FROM entry",
        'SELECT id, "values", put_away_at FROM part',
        "SELECT part, price FROM open_sum",
        'SELECT name, "option" FROM school',
    )

    def kept() -> list[list[tuple[object, ...]]]:
        with sqlite3.connect(of_before) as connection:
            found = [connection.execute(f"{query} ORDER BY 1").fetchall() for query in told]
        connection.close()
        return found

    before = kept()
    engine = open_database(of_before).kw["bind"]
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        command.downgrade(config, "0003")
    engine.dispose()
    assert kept() == before
    again = open_database(of_before)
    with again() as session:
        assert session.scalar(sa.text("SELECT count(*) FROM series")) == len(before[1])
    again.kw["bind"].dispose()


def _of(path: Path, revision: str, *, down: bool = False) -> sa.Engine:
    """A file with the tables of a revision, an empty one or one that goes back to them."""
    engine = sa.create_engine(f"sqlite:///{path}")
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    with engine.begin() as connection:
        config.attributes["connection"] = connection
        (command.downgrade if down else command.upgrade)(config, revision)
    return engine


@pytest.mark.parametrize("revision", ["0001", "0002", "0003", "0004", "0005", "0006"])
def test_a_file_of_every_earlier_tables_opens_with_all_it_held(tmp_path: Path, revision: str) -> None:
    path = tmp_path / "shop.sqlite"
    engine = _of(path, revision)
    early, word = revision < "0004", "wheel_strength" if revision < "0004" else "flywheel_strength"
    gone = "put_away_at" if early else "archived_at"
    with engine.begin() as connection:
        connection.execute(sa.text(f"INSERT INTO job (id, created_at, {gone}) VALUES (1, '2026-01-01', NULL)"))
        connection.execute(
            sa.text(
                "INSERT INTO revision (id, job_id, number, kind, at) VALUES (1, 1, 1, 'edit', '2026-01-01 10:00:00')"
            )
        )
        for quantity, typed, si in (
            ("layout", "dry_car", None),
            ("job_name", "Before", None),
            (word, "550 MPa", 5.5e8),
        ):
            connection.execute(
                sa.text("INSERT INTO entry (revision_id, quantity, typed, si, mark) VALUES (1, :q, :t, :s, 'entered')"),
                {"q": quantity, "t": typed, "s": si},
            )
        if revision >= "0002":
            connection.execute(
                sa.text(
                    'INSERT INTO part (id, slot, name, price, "values", source, notes, changed_at'
                    + (", version" if revision >= "0005" else "")
                    + ") VALUES (1, 'flywheel', 'Old wheel', 210, :v, '', '', "
                    "'2026-01-01'" + (", 1" if revision >= "0005" else "") + ")"
                ),
                {"v": f'{{"{word}": "600 MPa"}}'},
            )
    engine.dispose()
    sessions = open_database(path)
    with sessions() as session:
        entries = present(jobs.revisions_of(session, 1))
        assert {q: e.typed for q, e in entries.items()} == {
            "layout": "dry_car",
            "job_name": "Before",
            "flywheel_strength": "550 MPa",
        }
        parts = [p.part for p in list_parts(session) if p.part.name == "Old wheel"]
        assert [p.values for p in parts] == ([{"flywheel_strength": "600 MPa"}] if revision >= "0002" else [])
    sessions.kw["bind"].dispose()
    assert faults_of(path) == []


def test_parts_of_before_go_by_their_keys(tmp_path: Path) -> None:
    """Tables of 0009: parts by English names, seals as one, two names for one part in two renewals."""
    path = tmp_path / "shop.sqlite"
    engine = _of(path, "0009")
    with engine.begin() as connection:
        rows = [
            "INSERT INTO job (id, created_at, uid) VALUES (1, '2026-01-01', 'a')",
            "INSERT INTO revision (id, job_id, number, kind, at) VALUES (1, 1, 1, 'edit', '2026-01-01 10:00:00')",
            *(
                f"INSERT INTO entry (revision_id, quantity, typed, mark) VALUES (1, '{q}', '{t}', 'entered')"
                for q, t in (
                    ("layout", "dry_car"),
                    ("seals_fate", "renewed"),
                    ("bolts_fate", "renewed"),
                    ("fork_fate", "left_out"),
                )
            ),
            *(
                f"""INSERT INTO record (job_id, kind, "key", said, at) VALUES (1, '{kind}', '{key}', '{said}',
                  '2026-01-01 10:00:00')"""
                for kind, key, said in (
                    ("order", "Rear main seal, get", '{"state": "ordered"}'),
                    ("line", "Stands of the floater, put right", '{"answer": "accepted"}'),
                    ("own part", "hub rubbers", '{"answer": "to get", "reason": "old"}'),
                    ("own part", "Water pump", '{"answer": "to get", "reason": "old"}'),
                )
            ),
            *(
                f"""INSERT INTO renewal (job_id, part, price, chance, hours, rate, extra_hours)
                  VALUES (1, '{part}', {price}, 0.1, 8, 70, 0)"""
                for part, price in (
                    ("Pilot bearing", 20),
                    ("pilot bearing", 25),
                    ("Water pump", 9),
                )
            ),
        ]
        for row in rows:
            connection.execute(sa.text(row))
    engine.dispose()
    sessions = open_database(path)
    with sessions() as session:
        entries = present(jobs.revisions_of(session, 1))
        assert {q: e.typed for q, e in entries.items() if q != "layout"} == {
            "rear_seal_fate": "renewed",
            "input_seal_fate": "renewed",
            "flywheel_bolts_fate": "renewed",
            "fork_fate": "left_out",
        }
        keys = session.scalars(sa.text('SELECT "key" FROM record ORDER BY id')).all()
        assert keys == ["rear_seal:get", "floater:put_right", "cush_rubbers", "Water pump"]
        renewals = {r.part: r.price for r, _ in measurements.renewals_of(session, 1)}
        assert renewals == {"pilot": 25, "Water pump": 9}
    sessions.kw["bind"].dispose()
    assert faults_of(path) == []


def test_the_record_of_before_goes_by_keys(tmp_path: Path) -> None:
    """Tables of 0011: kinds and options of the record in words, one line that nobody can read."""
    path = tmp_path / "shop.sqlite"
    engine = _of(path, "0011")
    lines = (
        ("own part", "Water pump", '{"answer": "to get", "reason": "to get"}'),
        ("tightening", "cover:kit", '{"answer": "chosen", "figure": "20 N·m", "passes": "half, then by fifths"}'),
        ("look again", "", '{"answer": "done"}'),
        ("check", "fork", '"torn"'),
        ("order", "disc:get", '{"state": "in stock"}'),
    )
    with engine.begin() as connection:
        for row in (
            "INSERT INTO job (id, created_at, uid) VALUES (1, '2026-01-01', 'a')",
            "INSERT INTO revision (id, job_id, number, kind, at) VALUES (1, 1, 1, 'edit', '2026-01-01 10:00')",
        ):
            connection.execute(sa.text(row))
        for kind, key, said in lines:
            connection.execute(
                sa.text("""INSERT INTO record (job_id, kind, "key", said, at)
                           VALUES (1, :kind, :key, :said, '2026-01-01 10:00:00')"""),
                {"kind": kind, "key": key, "said": said},
            )
    engine.dispose()

    def record() -> list[tuple[str, Any]]:
        found = sa.create_engine(f"sqlite:///{path}")
        with found.connect() as connection:
            rows = connection.execute(sa.text("SELECT kind, said FROM record ORDER BY id")).all()
        found.dispose()
        return [(kind, json.loads(said)) for kind, said in rows]

    sessions = open_database(path)
    sessions.kw["bind"].dispose()
    assert record() == [
        ("own_part", {"answer": "to_get", "reason": "to get"}),
        ("tightening", {"answer": "chosen", "figure": "20 N·m", "passes": "half_then_fifths"}),
        ("second_look", {"answer": "done"}),
        ("check", "torn"),
        ("order", {"state": "in_stock"}),
    ]
    _of(path, "0011", down=True).dispose()
    assert record() == [(kind, json.loads(said)) for kind, _, said in lines]
