"""Killed at any instant of any write, nothing that was acknowledged is lost, and nothing half written is found."""

from __future__ import annotations

import random
import shutil
import signal
import sqlite3
import subprocess
import sys
import time
from pathlib import Path

import pytest

from liftbite.store.copies import faults_of
from liftbite.store.database import close, open_database
from tests.store import writer

QUERIES = {
    "job": """SELECT typed FROM entry JOIN revision ON revision.id = revision_id
              WHERE job_id = ? AND quantity = 'job_name'""",
    "entry": """SELECT typed FROM entry JOIN revision ON revision.id = revision_id
                WHERE job_id = ? AND quantity = 'notes'""",
    "reading": """SELECT reading.request FROM reading JOIN series ON series.id = series_id
                  WHERE job_id = ? AND reading.request = ?""",
    "import": "SELECT count(*) FROM reading JOIN series ON series.id = series_id WHERE job_id = ?",
    "archived": "SELECT count(archived_at) FROM job WHERE id = ?",
    "part": "SELECT name FROM part WHERE id = ?",
}


def killed(shop: Path, rng: random.Random, *, once_said: bool) -> list[list[str]]:
    """What a writer had acknowledged when it was killed; with `once_said` no sooner than its first acknowledgement."""
    command = [sys.executable, writer.__file__, str(shop)]
    with subprocess.Popen(
        command,
        stdout=subprocess.PIPE,
        text=True,
        cwd=Path(__file__).parents[2],
        env={"PYTHONPATH": str(Path(__file__).parents[2])},
    ) as child:
        assert child.stdout is not None
        assert child.stdout.readline().strip() == "ready"
        said = child.stdout.readline() if once_said else ""  # a slow machine has written nothing after a second
        time.sleep(rng.uniform(0.0, 1.0))
        child.send_signal(signal.SIGKILL)
        said += child.stdout.read()
    whole = said[: said.rfind("\n") + 1]  # a line that was cut off was acknowledged, but who knows what it says
    return [line.split(" ", 2) for line in whole.splitlines()]


def lost(shop: Path, acknowledged: list[list[str]]) -> list[str]:
    """What was acknowledged and is not there."""
    connection = sqlite3.connect(shop)
    gone = []
    for kind, number, what in acknowledged:
        values = (int(number), what) if kind == "reading" else (int(number),)
        found = connection.execute(QUERIES[kind], values).fetchall()
        if not any(str(row[0]) == what for row in found):
            gone.append(f"{kind} {number} {what}")
    # a job that came in with a file has its readings, or is not there at all
    halves = connection.execute("""
        SELECT job_id FROM brought WHERE job_id NOT IN
        (SELECT series.job_id FROM series JOIN reading ON series_id = series.id GROUP BY 1 HAVING count(*) = 3)
    """).fetchall()
    orphans = connection.execute("SELECT id FROM job WHERE id NOT IN (SELECT job_id FROM revision)").fetchall()
    connection.close()
    return [*gone, *(f"half of job {n}" for (n,) in halves), *(f"job {n} without a revision" for (n,) in orphans)]


@pytest.mark.parametrize("rounds", [4, pytest.param(200, marks=pytest.mark.trust)])
def test_a_kill_at_any_instant_loses_nothing(
    tmp_path: Path, new_shop: Path, rounds: int, record_property: pytest.RecordProperty
) -> None:
    shop = Path(shutil.copy(new_shop, tmp_path / "shop.sqlite"))
    rng = random.Random(20261128)
    tried, acknowledged = 0, []
    for turn in range(rounds):
        acknowledged += killed(shop, rng, once_said=turn % 2 == 1)
        tried += 1
        assert faults_of(shop) == []
        close(open_database(shop))
        assert lost(shop, acknowledged) == []
    print(f"\nkilled {tried} times, {len(acknowledged)} writes acknowledged, 0 lost")
    record_property("acknowledged", len(acknowledged))
    assert acknowledged, "a round that writes nothing proves nothing"
