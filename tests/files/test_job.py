"""The job file: round trip, schema, and every way it can be wrong."""

from __future__ import annotations

import json
from typing import Any

import jsonschema
import pytest

from liftbite.core.errors import UnreadableFile
from liftbite.demo import JOBS, ledger_of
from liftbite.files.job import JobFile, dump, from_file, read_job_file, to_file
from tests.jobs import CAR
from tests.jobs import ledger_of as plain_ledger


@pytest.mark.parametrize("job", JOBS, ids=lambda job: job.steps[0]["job_name"])
def test_a_job_comes_back_unchanged(job) -> None:  # type: ignore[no-untyped-def]
    text = dump(to_file(ledger_of(job)))
    jsonschema.validate(json.loads(text), JobFile.model_json_schema())
    assert dump(to_file(read_job_file(text.encode()).revisions)) == text


def written_by_hand(**change: Any) -> dict[str, Any]:
    entries = [{"quantity": q, "typed": t} for q, t in CAR.items()]
    return {
        "format": "liftbite-job",
        "version": 1,
        "revisions": [{"number": 1, "kind": "start", "entries": entries}],
    } | change


def test_a_file_written_by_hand_needs_no_si_values() -> None:
    ledger = read_job_file(json.dumps(written_by_hand()).encode()).revisions
    outer = next(e for e in ledger[0].entries if e.quantity == "outer_diameter")
    assert outer.si == 0.24


def one_entry(**entry: Any) -> dict[str, Any]:
    layout = {"quantity": "layout", "typed": "dry_car"}
    return written_by_hand(revisions=[{"number": 1, "entries": [layout, entry]}])


def curve(*speed: float) -> dict[str, list[float]]:
    return {"speed_rad_per_s": list(speed), "torque_n_m": [1.0, 2.0]}


@pytest.mark.parametrize(
    ("content", "says"),
    [
        (b"\xff\xfe\x00", "not even text"),
        (b"{", "Line 1: this is not JSON"),
        (b"[]", "not a Lift Bite job"),
        (b'{"format": "other"}', "not a Lift Bite job"),
        (b'{"format": "liftbite-job", "version": 1, "revisions": [NaN]}', "NaN is not a figure"),
        (written_by_hand(version=7), "version 7; this program reads versions 1 to 6"),
        (written_by_hand(colour="red"), "colour: Extra inputs"),
        (written_by_hand(revisions=[]), "revisions: List should have at least 1 item"),
        (written_by_hand(revisions=[{"number": 2, "entries": []}]), "revision 2 stands where revision 1 belongs"),
        (written_by_hand(revisions=[{"number": 1, "kind": "undo", "entries": []}]), "does not say of which earlier"),
        (written_by_hand(revisions=[{"number": 1, "entries": []}]), "no entry says the “layout”"),
        (written_by_hand(revisions=[{"number": 1, "at": "yesterday", "entries": []}]), "revisions.0.at"),
        (one_entry(quantity="outer_diameter", typed="9 1/0 in"), "revision 1, outer_diameter: .*divides by zero"),
        (one_entry(quantity="outer_diameter", typed="240 mm", si=0.3), "is 0.24 in SI, but the file says 0.3"),
        (one_entry(quantity="outer_diameter", typed="240 mm", si="x"), "si: Input should be a valid number"),
        (one_entry(quantity="colour", typed="red"), "not a quantity a job has"),
        (one_entry(quantity="cover_clamp", curve=curve(1.0, 2.0)), "not a curve"),
        (one_entry(quantity="measured_curve", curve=curve(2.0, 1.0)), "ascend"),
    ],
)
def test_what_is_wrong_is_said(content: bytes | dict[str, Any], says: str) -> None:
    data = content if isinstance(content, bytes) else json.dumps(content).encode()
    with pytest.raises(UnreadableFile, match=says):
        read_job_file(data)


def test_the_model_and_the_ledger_are_inverse() -> None:
    ledger = plain_ledger(CAR)
    assert from_file(to_file(ledger)) == ledger
