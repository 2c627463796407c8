"""The commands of Prove: a drive simulated, read back, a fault ranked, a hand-over written."""

from __future__ import annotations

import json
from pathlib import Path

from pypdf import PdfReader

from tests.cli.test_main import run, write
from tests.core.prove.vehicles import GEARED
from tests.jobs import CAR


def driven(tmp_path: Path, fault: str, job: str) -> Path:
    told = run("drive", job, "--fault", fault, "--minutes", "5", "--seed", "3")
    assert told.exit_code == 0, told.stderr
    log = tmp_path / f"{fault}.csv"
    log.write_text(told.output, encoding="utf-8")
    return log


def test_a_drive_that_slips_is_read_back_and_ends_with_1(tmp_path: Path) -> None:
    job = write(tmp_path / "car.liftbite.json", GEARED)
    told = run("log", job, str(driven(tmp_path, "slip", job)), "--json")
    assert told.exit_code == 1
    found = json.loads(told.output)
    assert found["slips"] > 2
    assert found["holds"]["low"]["si"] < 0.86 * 400 < found["holds"]["high"]["si"]
    assert {"friction_low", "friction_nominal", "friction_high"} == set(found["puts"])
    words = run("log", job, str(tmp_path / "slip.csv")).output
    assert "Slipped" in words
    assert "gear" in words


def test_a_healthy_drive_ends_with_0(tmp_path: Path) -> None:
    job = write(tmp_path / "car.liftbite.json", GEARED)
    told = run("log", job, str(driven(tmp_path, "none", job)))
    assert (told.exit_code, "No slip" in told.output) == (0, True)


def test_what_cannot_be_driven_or_read_is_a_sentence(tmp_path: Path) -> None:
    job = write(tmp_path / "car.liftbite.json", GEARED)
    bare = write(tmp_path / "bare.liftbite.json", {k: CAR[k] for k in ("layout", "job_name")})
    wrong = tmp_path / "wrong.csv"
    wrong.write_text("a,b\n1,2\n")
    for command, words in (
        (("drive", bare), "lacks"),
        (("drive", job, "--fault", "gremlins"), "no fault of it"),
        (("drive", job, "--minutes", "0"), "0.2 to 1200"),
        (("log", job, str(wrong)), "three figures"),
        (("log", job, str(tmp_path / "nowhere.csv")), "No such file"),
        (("fault", job), "say what it does"),
        (("fault", job, "--complaint", "sulks"), "no complaint"),
        (("fault", job, "--complaint", "slips", "--test", "pump"), "--test pump=better"),
        (("fault", job, "--complaint", "slips", "--test", "pump=maybe"), "no answer"),
    ):
        result = run(*command)
        assert result.exit_code == 2, command
        assert words in result.stderr, command


def test_causes_are_ranked_with_the_next_test(tmp_path: Path) -> None:
    job = write(tmp_path / "car.liftbite.json", CAR | {"complaint": "drags"})
    told = run("fault", job, "--test", "pump=better", "--test", "since=after work", "--json")
    assert told.exit_code == 0, told.stderr
    found = json.loads(told.output)
    assert found["causes"][0]["name"] == "air"
    assert found["next"]["ask"]
    assert [t["name"] for t in found["asked"]] == ["pump", "since"]
    assert "Next, about" in run("fault", job).output


def test_a_hand_over_is_written_whole_and_for_the_owner(tmp_path: Path) -> None:
    job = write(tmp_path / "car.liftbite.json", GEARED)
    whole, owner = tmp_path / "hand-over.pdf", tmp_path / "owner.pdf"
    assert run("handover", job, "--pdf", str(whole)).exit_code == 0
    assert run("handover", job, "--owner", "--pdf", str(owner)).exit_code == 0
    assert "To the owner" in "".join(page.extract_text() for page in PdfReader(whole).pages)
    assert len(PdfReader(owner).pages) == 1
