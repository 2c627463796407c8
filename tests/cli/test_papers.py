"""The commands that write documents."""

from __future__ import annotations

import json
from pathlib import Path

from pypdf import PdfReader

from tests.cli.test_main import run, write
from tests.jobs import FULL


def test_a_sheet_is_written_of_a_file(tmp_path: Path) -> None:
    job = write(tmp_path / "full.liftbite.json", FULL)
    out = tmp_path / "sheet.pdf"
    assert run("sheet", job, "--pdf", str(out), "--html", str(tmp_path / "sheet.html")).exit_code == 0
    assert "Bite: thin" in PdfReader(out).pages[0].extract_text()
    assert (tmp_path / "sheet.html").read_text("utf-8").startswith("<!doctype html>")


def test_a_sheet_that_cannot_be_written_is_a_sentence(tmp_path: Path) -> None:
    job = write(tmp_path / "full.liftbite.json", FULL)
    result = run("sheet", job, "--html", str(tmp_path / "nowhere" / "sheet.html"))
    assert (result.exit_code, "No such file" in result.stderr) == (2, True)


def test_a_plan_is_laid_out_in_words_and_as_json(tmp_path: Path) -> None:
    job = write(tmp_path / "full.liftbite.json", FULL)
    text = run("plan", job)
    assert text.exit_code == 0
    assert "[>] HOLD Read the cautions" in text.output
    told = json.loads(run("plan", job, "--json").output)
    assert told["next"] == "cautions"
    keys = [step["key"] for step in told["steps"]]
    assert all(set(step["needs"]) <= set(keys[: keys.index(step["key"])]) for step in told["steps"])


def test_a_plan_is_laid_out_for_what_it_is_answered_and_says_why_a_step_is_shut(tmp_path: Path) -> None:
    job = write(tmp_path / "full.liftbite.json", FULL)
    found = run("plan", job, "--answer", "kind=torque_tube")
    assert "Kind of vehicle: Torque tube, rear transaxle\n" in found.output
    assert "Push the tube forward" in found.output
    assert "shut: the cautions are read and signed before anything is touched; first:" in found.output
    refused = run("plan", job, "--answer", "kind=boat")
    assert (refused.exit_code, "no answer" in refused.stderr) == (2, True)


def test_a_plans_file_goes_into_another_job(tmp_path: Path) -> None:
    job, out = write(tmp_path / "full.liftbite.json", FULL), tmp_path / "plan.json"
    assert run("plan", job, "--file", str(out)).exit_code == 0
    plan = json.loads(out.read_text())
    plan["own"] = [{"title": "Torch put away", "after": "cautions", "note": ""}]
    plan["answers"]["lift"] = "floor"
    out.write_text(json.dumps(plan))
    told = run("plan", job, "--with", str(out))
    assert "Torch put away" in told.output
    assert "Works on: The floor, on stands" in told.output
    out.write_text("{}x")
    refused = run("plan", job, "--with", str(out))
    assert (refused.exit_code, "not JSON" in refused.stderr) == (2, True)


def test_a_card_goes_to_a_file_or_down_a_pipe(tmp_path: Path) -> None:
    job = write(tmp_path / "full.liftbite.json", FULL)
    assert run("card", job, "--svg").output.startswith("<svg ")
    out = tmp_path / "card.pdf"
    assert run("card", job, "--pdf", str(out)).exit_code == 0
    assert len(PdfReader(out).pages) == 1
    assert run("card", job, "--pdf").stdout_bytes.startswith(b"%PDF")
    assert run("card", job, "--joint", "cover").exit_code == 2
