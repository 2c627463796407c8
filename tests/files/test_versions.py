"""Job and shelf files of before open with the same figures, under the names of now."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest

from liftbite.core.job.build import build_of
from liftbite.core.job.builds import entries_of
from liftbite.core.job.ledger import FOUND, PLAN, layers_of
from liftbite.core.job.parts import part_named
from liftbite.files.job import dump, read_job_file, to_file
from liftbite.files.readings import read_readings
from liftbite.files.shelf import read_shelf_file
from liftbite.files.shelf_csv import read_shelf
from liftbite.files.versions import newest_job
from tests.store.test_jobs import NOW

FIXTURES = Path(__file__).parents[1] / "fixtures"


@pytest.mark.parametrize("name", ["motorcycle-version-1", "twin-disc-version-1"])
def test_a_job_file_of_before_comes_back_as_one_of_now(name: str) -> None:
    filed = read_job_file((FIXTURES / f"{name}.liftbite.json").read_bytes())
    now = json.loads(dump(to_file(filed.revisions, filed.bench)))
    assert now["version"] == 6
    again = read_job_file(json.dumps(now).encode())
    assert again.bench == filed.bench
    assert dump(to_file(again.revisions, again.bench)) == json.dumps(now, ensure_ascii=False, indent=1) + "\n"


def test_what_a_job_file_of_before_measured_is_all_there() -> None:
    raw = json.loads((FIXTURES / "twin-disc-version-1.liftbite.json").read_text())
    filed = read_job_file(json.dumps(raw).encode())
    before = [r for t in raw["bench"]["takings"] for r in t["readings"]]
    read = [r for s in filed.bench.series for r in s.readings]
    assert [r.reading.typed for r in read] == [r.get("typed", "") for r in before]
    assert [r.withdrawn for r in read] == [r.get("struck", False) for r in before]
    assert any(r.withdrawn for r in read)
    assert [r.part for r in filed.bench.renewals] == [part_named(s["part"]) for s in raw["bench"]["sums"]]


def test_renamed_quantities_of_before_still_count() -> None:
    """The file was written with the old names; its strength and its old flywheel's weight reach the results."""
    filed = read_job_file((FIXTURES / "twin-disc-version-1.liftbite.json").read_bytes())
    layers = layers_of(filed.revisions)
    assert build_of(layers[PLAN]).known["flywheel_strength"] == 550e6
    found = build_of(entries_of(layers, FOUND))
    assert found.chosen.options["inertia_source"] == "weight"
    assert found.known["flywheel_mass"] == 11.0
    assert "flywheel_strength" not in found.entries, "of the one that came out nothing else was said"


def test_a_flywheel_that_came_out_is_renewed_and_what_goes_in_has_the_same_figures() -> None:
    raw = json.loads((FIXTURES / "twin-disc-version-1.liftbite.json").read_text())
    told = {e["quantity"]: e.get("typed") for r in raw["revisions"] for e in r["entries"]}
    layers = layers_of(read_job_file(json.dumps(raw).encode()).revisions)
    assert layers[PLAN]["flywheel_fate"].typed == "renewed"
    same = {q: e.typed for q, e in layers[PLAN].items() if q in told}
    assert same == {q: told[q] for q in same}
    assert {q for q, t in told.items() if t and not q.startswith("old_")} - set(same) == {"wheel_strength"}
    for revision in raw["revisions"]:
        revision["entries"] = [e for e in revision["entries"] if not e["quantity"].startswith("old_")]
    assert "flywheel_fate" not in layers_of(read_job_file(json.dumps(raw).encode()).revisions)[PLAN]


def test_parts_and_readings_of_before_still_come_in() -> None:
    shelf = {
        "format": "liftbite-shelf",
        "version": 1,
        "slots": {"flywheel": [{"name": "light", "values": {"wheel_strength": "600 MPa"}}]},
    }
    assert read_shelf_file(json.dumps(shelf).encode())["flywheel"][0].values == {"flywheel_strength": 600e6}
    (line,) = read_shelf("slot,name,wheel_strength\nflywheel,light,600 MPa\n")
    assert line.part is not None
    assert line.part.values == {"flywheel_strength": "600 MPa"}
    (reading,) = read_readings('taking,check,place,reading\n7,plate_thickness,"Plate 1, place 1",2.9 mm\n', NOW)
    assert reading.row is not None
    assert reading.row.series == "7"


@pytest.mark.parametrize(
    ("name", "typed", "now"),
    [
        ("seals_fate", "renewed", {"rear_seal_fate": "renewed", "input_seal_fate": "renewed"}),
        ("seals_fate", None, {"rear_seal_fate": None, "input_seal_fate": None}),
        ("bolts_fate", "renewed", {"flywheel_bolts_fate": "renewed"}),
        ("fork_fate", "renewed", {"fork_fate": "renewed", "pivot_fate": "renewed"}),
        ("fork_fate", "added", {"fork_fate": "added"}),
        ("disc_fate", "renewed", {"disc_fate": "renewed"}),
    ],
)
def test_a_fate_of_version_4_is_told_of_the_parts_of_now(name: str, typed: str | None, now: dict[str, Any]) -> None:
    raw = {"version": 4, "revisions": [{"entries": [{"quantity": name, "typed": typed}]}]}
    (revision,) = newest_job(raw)["revisions"]
    assert {entry["quantity"]: entry["typed"] for entry in revision["entries"]} == now
