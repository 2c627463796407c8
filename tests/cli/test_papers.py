"""The commands that write documents."""

from __future__ import annotations

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
