"""The command line: the same results as the screen, with exit codes a script can use."""

from __future__ import annotations

import json
import os
import re
import shutil
import subprocess
import sys
import time
import urllib.request
from pathlib import Path

import pytest
from click.testing import CliRunner

from liftbite.cli.main import main
from liftbite.demo import JOBS, load
from liftbite.files.job import dump, to_file
from liftbite.store.database import open_database
from tests.jobs import CAR, MOTORCYCLE, ledger_of

ROOT = Path(__file__).parents[2]


def write(path: Path, typed: dict[str, str]) -> str:
    path.write_text(dump(to_file(ledger_of(typed))))
    return str(path)


def run(*arguments: str):  # type: ignore[no-untyped-def]
    return CliRunner().invoke(main, arguments)


def test_compute_prints_a_table(tmp_path: Path) -> None:
    result = run("compute", write(tmp_path / "car.liftbite.json", CAR))
    assert result.exit_code == 0
    assert "Bite: HOLDS, torque reserve 1.35 of 1.3" in result.output
    short = run("compute", write(tmp_path / "soft.liftbite.json", CAR | {"cover_clamp": "8.5 kN"}))
    assert short.exit_code == 1
    assert "Bite: THIN" in short.output
    wrong = CAR | {"disc_spline_count": "24", "spline_count": "10"}
    clash = run("compute", write(tmp_path / "clash.liftbite.json", wrong))
    assert clash.exit_code == 1
    assert "Bite: DOES NOT FIT" in clash.output
    assert re.search(r"Torque capacity +450 N·m", result.output)
    assert "Friction, low: 0.25 [memory]" in result.output


@pytest.mark.parametrize(
    ("change", "code"),
    [
        ({"cover_clamp": "10.5 kN", "pressure_limit": "1 MPa"}, 0),
        ({"cover_clamp": "6 kN"}, 1),
        ({"inner_diameter": "300 mm"}, 1),
        ({"disc_count": ""}, 2),
    ],
)
def test_exit_codes(tmp_path: Path, change: dict[str, str], code: int) -> None:
    typed = {q: t for q, t in {**CAR, **change}.items() if t}
    assert run("compute", write(tmp_path / "car.liftbite.json", typed)).exit_code == code


def test_compute_gives_what_the_screen_is_made_from(tmp_path: Path, client) -> None:  # type: ignore[no-untyped-def]
    path = write(tmp_path / "moto.liftbite.json", MOTORCYCLE)
    printed = json.loads(run("compute", path, "--json").output)
    served = client.post("/api/jobs/file", data=Path(path).read_bytes()).get_json()
    assert printed == {k: v for k, v in served.items() if k not in {"id", "archived", "change"}}


def test_bad_files_are_said_and_exit_2(tmp_path: Path) -> None:
    missing = run("compute", str(tmp_path / "none.json"))
    assert (missing.exit_code, "No such file" in missing.stderr) == (2, True)
    bad = tmp_path / "bad.json"
    bad.write_text("{")
    assert "not JSON" in run("compute", str(bad)).stderr


def test_schema_and_quantities_are_those_kept_in_docs() -> None:
    assert run("schema").output == (ROOT / "docs" / "job-file.schema.json").read_text()
    assert run("schema", "--plan").output == (ROOT / "docs" / "plan.schema.json").read_text()
    assert run("quantities", "--markdown").output == (ROOT / "docs" / "quantities.md").read_text()
    rows = json.loads(run("quantities", "--json").output)
    margin = next(row for row in rows if row["name"] == "bite_margin")
    assert margin["unit"] == "-"
    assert "bite_margin" in run("quantities").output


def test_every_command_in_the_readme_exists(tmp_path: Path, demo_shop: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """Each is run as it stands there, one after the other, beside a shop of the test's own."""
    monkeypatch.chdir(tmp_path)
    monkeypatch.setenv("LIFTBITE_DATA", str(shutil.copy(demo_shop, tmp_path / "shop.sqlite")))
    readme = (ROOT / "README.md").read_text()
    named = set(re.findall(r"liftbite ([a-z]+)", readme))
    assert named
    assert named <= set(main.commands)
    for line in re.findall(r"^ {4}liftbite ((?!serve|demo|gauge)[^#\n]+)", readme, re.MULTILINE):
        words = [str(ROOT / w) if w.startswith("docs/") else w for w in line.split()]
        result = run(*words)
        assert result.exit_code in {0, 1}, (line, result.output)
        assert result.output
    targets = set(re.findall(r"make ([a-z]+)", readme))
    makefile = (ROOT / "Makefile").read_text()
    assert targets <= set(re.findall(r"^([a-z]+):", makefile, re.MULTILINE))


def test_every_option_in_the_page_on_gauges_exists() -> None:
    page = (ROOT / "docs" / "gauge.md").read_text()
    options = {opt for param in main.commands["gauge"].params for opt in param.opts}
    assert set(re.findall(r"--[a-z-]+", page)) <= options
    kinds = next(p for p in main.commands["gauge"].params if p.name == "kind").type.choices  # type: ignore[attr-defined]
    assert set(re.findall(r"liftbite gauge ([a-z]+)", page)) == set(kinds)


def test_the_demo_loads_once(tmp_path: Path) -> None:
    sessions = open_database(tmp_path / "demo.sqlite")
    with sessions() as session:
        assert load(session) == len(JOBS)
        assert load(session) == 0
    sessions.kw["bind"].dispose()


def test_serve_answers_on_loopback_and_says_where_its_records_are(tmp_path: Path) -> None:
    data = tmp_path / "shop.sqlite"
    environment = {**os.environ, "LIFTBITE_DATA": str(data), "PORT": "0", "PYTHONUNBUFFERED": "1"}
    command = [sys.executable, "-m", "liftbite.cli.main", "demo"]
    with subprocess.Popen(command, env=environment, stdout=subprocess.PIPE, text=True) as process:
        assert process.stdout is not None
        try:
            address = re.search(r"http://127\.0\.0\.1:\d+", process.stdout.readline())
            assert address is not None
            assert str(data) in process.stdout.readline()
            for _ in range(600):
                try:
                    with urllib.request.urlopen(f"{address[0]}/api/jobs") as answer:
                        jobs = json.load(answer)["jobs"]
                    break
                except OSError:
                    time.sleep(0.1)
            assert len(jobs) == len(JOBS)
            assert {job["verdict"]["state"] for job in jobs} >= {"holds", "thin", "open"}
        finally:
            process.terminate()


def test_sentences_in_one_system_of_units(tmp_path: Path) -> None:
    job = write(tmp_path / "soft.liftbite.json", CAR | {"cover_clamp": "4.5 kN"})
    assert "N·m (" in run("compute", job).output
    inch = run("--units", "inch", "compute", job).output
    assert "lb-ft" in inch
    assert "N·m" not in inch
    assert "N·m (" in run("compute", job).output
