"""The shop's file as a whole, by the command line: copies, a look at it, all of it in open formats."""

from __future__ import annotations

import json
import os
import shutil
import signal
import sqlite3
import subprocess
import sys
import zipfile
from collections.abc import Callable
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

import pytest
from click.testing import CliRunner, Result

from liftbite.cli.main import main
from liftbite.core.job.ledger import Entry
from liftbite.files.job import read_job_file
from liftbite.store import jobs
from liftbite.store.copies import backups_of
from liftbite.store.database import close, open_database, writing

NOW = datetime(2026, 11, 28, 12, 30, tzinfo=UTC)
FIXTURES = Path(__file__).parents[1] / "fixtures"


def run(shop: Path, *words: object) -> Result:
    return CliRunner().invoke(main, [*map(str, words), "--data", str(shop)])


@pytest.fixture
def shop(tmp_path: Path, demo_shop: Path) -> Path:
    """A shop with the demo's jobs."""
    return Path(shutil.copy(demo_shop, tmp_path / "shop.sqlite"))


def old(path: Path) -> None:
    with sqlite3.connect(path) as connection:
        connection.executescript((FIXTURES / "shop-schema-3.sql").read_text())
    connection.close()


def newer(path: Path) -> None:
    close(open_database(path))
    with sqlite3.connect(path) as connection:
        connection.execute("UPDATE alembic_version SET version_num = '9999'")
    connection.close()


def foreign(path: Path) -> None:
    with sqlite3.connect(path) as connection:
        connection.execute("CREATE TABLE birds (name)")
    connection.close()


def cut(path: Path) -> None:
    close(open_database(path))
    whole = path.read_bytes()
    path.write_bytes(whole[: len(whole) // 2])


def scratched(path: Path) -> None:
    """Pages in the middle overwritten, as a failing disk does."""
    close(open_database(path))
    whole = bytearray(path.read_bytes())
    whole[8192:20480] = b"\x5a" * 12288
    path.write_bytes(whole)


def without_a_table(path: Path) -> None:
    close(open_database(path))
    with sqlite3.connect(path) as connection:
        connection.execute("DROP TABLE renewal")
    connection.close()


BAD: list[tuple[Callable[[Path], Any], int, str]] = [
    (lambda path: path.write_bytes(b""), 2, "empty"),
    (lambda path: path.write_text("rpm,Nm\n1000,200\n" * 99), 2, "not a shop's file"),
    (foreign, 2, "not a shop's file"),
    (newer, 2, "newer Lift Bite"),
    (cut, 1, "damaged"),
    (scratched, 1, "damaged"),
    (lambda path: None, 2, "no such file"),
]
NAMES = ["empty", "text", "foreign", "newer", "cut", "scratched", "missing"]


def test_a_shop_is_copied_looked_at_and_brought_back(shop: Path, tmp_path: Path) -> None:
    copy = tmp_path / "elsewhere" / "copy.sqlite"
    made = run(shop, "backup", copy)
    assert (made.exit_code, copy.stat().st_mode & 0o777) == (0, 0o600)
    assert "it is whole" in made.output
    with sqlite3.connect(shop) as connection:
        connection.execute("UPDATE job SET archived_at = '2026-01-01'")
    connection.close()
    back = run(shop, "restore", copy)
    assert back.exit_code == 0
    (kept,) = backups_of(shop)
    assert str(kept.path) in back.output, "what stood there is kept"
    with sqlite3.connect(shop) as connection:
        assert connection.execute("SELECT count(archived_at) FROM job").fetchone() == (0,)
    connection.close()
    looked = run(shop, "check")
    assert (looked.exit_code, "7 jobs, 0 that cannot be read" in looked.output) == (0, True)


def test_a_shop_of_before_is_whole_and_can_be_brought_back(tmp_path: Path) -> None:
    old(tmp_path / "old.sqlite")
    looked = run(tmp_path / "old.sqlite", "check")
    assert (looked.exit_code, "earlier Lift Bite" in looked.output) == (0, True)
    assert run(tmp_path / "shop.sqlite", "restore", tmp_path / "old.sqlite").exit_code == 0
    assert "is whole: 1 jobs" in run(tmp_path / "shop.sqlite", "check").output


@pytest.mark.parametrize(("spoil", "code", "says"), BAD, ids=NAMES)
def test_a_file_that_cannot_be_used_is_said_with_the_way_out(
    tmp_path: Path, spoil: Callable[[Path], Any], code: int, says: str
) -> None:
    path = tmp_path / "shop.sqlite"
    spoil(path)
    looked = run(path, "check")
    assert looked.exit_code == code
    assert says in looked.output
    assert "Traceback" not in looked.output
    assert "liftbite restore" in looked.output
    before = path.read_bytes() if path.exists() else None
    for words in (("backup", tmp_path / "copy.sqlite"), ("export", "--all", tmp_path / "out")):
        assert run(path, *words).exit_code == 2
    assert not (tmp_path / "copy.sqlite").exists()
    refused = run(tmp_path / "another.sqlite", "restore", path)
    assert refused.exit_code == 2
    assert "cannot be brought back" in refused.output
    assert (path.read_bytes() if path.exists() else None) == before, "nothing of it was touched"


@pytest.mark.parametrize(
    ("spoil", "says"),
    [(spoil, says) for spoil, _, says in BAD[:-1]] + [(without_a_table, "has no table “renewal”")],
    ids=[*NAMES[:-1], "without a table"],
)
def test_a_shop_that_cannot_be_used_is_not_served_as_an_empty_one(
    tmp_path: Path, spoil: Callable[[Path], Any], says: str
) -> None:
    path = tmp_path / "shop.sqlite"
    spoil(path)
    served = CliRunner().invoke(main, ["serve", "--port", "0"], env={"LIFTBITE_DATA": str(path)})
    assert served.exit_code == 1
    assert says in served.output.replace("another program", "not a shop's file")
    assert "Traceback" not in served.output


def test_a_damaged_shop_names_its_last_good_backup(shop: Path) -> None:
    assert run(shop, "backup").exit_code == 0
    (kept,) = backups_of(shop)
    whole = shop.read_bytes()
    shop.write_bytes(whole[: len(whole) // 2])
    looked = run(shop, "check")
    assert f"liftbite restore {kept.path}" in looked.output
    assert run(shop, "restore", kept.path).exit_code == 0
    assert run(shop, "check").exit_code == 0
    assert any("damaged" in p.name for p in shop.parent.iterdir()), "what was damaged is kept beside it"


@pytest.mark.parametrize("name", ["out", "out.zip"])
def test_everything_goes_out_in_open_formats_and_comes_back(shop: Path, tmp_path: Path, name: str) -> None:
    assert run(shop, "export", "--all", tmp_path / name).exit_code == 0
    if name.endswith(".zip"):
        zipfile.ZipFile(tmp_path / name).extractall(tmp_path / "out")
    files = sorted((tmp_path / "out" / "jobs").iterdir())
    assert len(files) == 7
    assert all(read_job_file(file.read_bytes()).revisions for file in files)
    assert (tmp_path / "out" / "shelf.csv").read_text().startswith("slot,name,price")
    again = run(shop, "export", "--all", tmp_path / name)
    assert (again.exit_code, "there already" in again.output) == (2, True)


def test_a_job_that_cannot_be_read_goes_out_as_its_rows(shop: Path, tmp_path: Path) -> None:
    with sqlite3.connect(shop) as connection:
        connection.execute("""UPDATE entry SET curve = '{"speed": [1]}' WHERE quantity = 'measured_curve'
                              AND revision_id IN (SELECT id FROM revision WHERE job_id = 2)""")
    connection.close()
    assert run(shop, "check").exit_code == 1
    assert "Job 2 cannot be read: the points of “measured_curve” are damaged" in run(shop, "check").output
    assert run(shop, "export", "--all", tmp_path / "out").exit_code == 1
    rows = json.loads((tmp_path / "out" / "jobs" / "00002.rows.json").read_text())
    assert {r["quantity"] for r in rows["tables"]["entry"]} >= {"layout", "measured_curve"}
    assert len(list((tmp_path / "out" / "jobs").iterdir())) == 7


def test_a_wider_address_is_refused_in_words() -> None:
    served = CliRunner().invoke(main, ["serve", "--host", "0.0.0.0", "--port", "0"])
    assert served.exit_code == 1
    assert "--open" in served.output


def test_a_server_that_is_told_to_end_closes_the_file(shop: Path) -> None:
    """On SIGTERM what stands in the log goes into the file, and the log goes."""
    command = [sys.executable, "-m", "liftbite.cli.main", "serve", "--port", "0"]
    server = subprocess.Popen(command, env={"LIFTBITE_DATA": str(shop)}, stdout=subprocess.PIPE, text=True)
    assert server.stdout is not None
    for line in server.stdout:
        if "Stop it" in line:
            break
    assert shop.with_name("shop.sqlite-wal").exists()
    server.send_signal(signal.SIGTERM)
    assert server.wait(60) == 0
    server.stdout.close()
    assert not shop.with_name("shop.sqlite-wal").exists()
    assert backups_of(shop), "the copy of the hour was taken"


def test_a_folder_and_an_archive_come_back_and_what_is_otherwise_is_asked(shop: Path, tmp_path: Path) -> None:
    """All a shop holds, out by one command and in by another; a changed job is left until somebody says what to do."""
    for name in ("whole.zip", "whole"):
        assert run(shop, "export", "--all", tmp_path / name).exit_code == 0
    for source in ("whole.zip", "whole"):
        other = tmp_path / f"{source}.sqlite"
        close(open_database(other))
        told = run(other, "import", tmp_path / source)
        assert told.exit_code == 0, told.output
        assert "7 new jobs" in told.output
        again = run(other, "import", tmp_path / source)
        assert (again.exit_code, "7 jobs that were here as they are" in again.output) == (0, True)
    sessions = open_database(other)
    with writing(sessions) as session:
        jobs.append(session, 1, jobs.newest_revision(session, 1), [Entry("notes", "since then")], NOW)
    close(sessions)
    asked = run(other, "import", tmp_path / "whole.zip")
    assert asked.exit_code == 1
    assert "--changed copy takes it" in asked.output
    copied = run(other, "import", tmp_path / "whole.zip", "--changed", "copy")
    assert (copied.exit_code, "1 new job" in copied.output) == (0, True)
    job = next(p for p in (tmp_path / "whole" / "jobs").iterdir() if p.name.startswith("00002"))
    assert "1 job that was here as it is" in run(other, "import", job).output
    assert run(other, "import", tmp_path / "nothing").exit_code == 2
    (tmp_path / "whole" / "jobs" / "x.liftbite.json").write_text("{")
    named = run(other, "import", tmp_path / "whole")
    assert (named.exit_code, "x.liftbite.json" in named.output) == (1, True)


def test_a_copy_of_the_file_alone_is_told_by_check_and_not_served_as_empty(shop: Path, tmp_path: Path) -> None:
    """The file of a shop that is served, copied without its log."""
    command = [Path(sys.executable).with_name("liftbite"), "serve", "--port", "0"]
    environment = os.environ | {"LIFTBITE_DATA": str(shop)}
    server = subprocess.Popen(command, env=environment, stdout=subprocess.PIPE, text=True)
    try:
        assert server.stdout is not None
        while "Stop it" not in server.stdout.readline():
            pass
        alone = Path(shutil.copy(shop, tmp_path / "alone.sqlite"))
    finally:
        server.send_signal(signal.SIGTERM)
        server.communicate(timeout=60)
    looked = CliRunner().invoke(main, ["check", str(alone)])
    assert looked.exit_code in {1, 2}
    assert "alone.sqlite-wal, which is not beside it" in looked.output
    environment = os.environ | {"LIFTBITE_DATA": str(alone)}
    served = subprocess.run(command, env=environment, capture_output=True, text=True, timeout=120, check=False)
    assert served.returncode != 0
    assert "--as-it-stands" in served.stderr
    went_on = CliRunner().invoke(main, ["check", "--as-it-stands", str(alone)])
    assert (went_on.exit_code, "is whole" in went_on.output) == (0, True)
    assert CliRunner().invoke(main, ["check", str(shop)]).exit_code == 0
