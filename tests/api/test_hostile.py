"""Texts and files that mean harm, or were written by nobody: each answered with a sentence, nothing of it kept."""

from __future__ import annotations

import base64
import json
import re
from typing import Any

import pytest
from flask.testing import FlaskClient

from liftbite.files.fields import moment_of
from tests.api.jobs.test_views import begin
from tests.api.measure.test_views import BIKE, post, take
from tests.jobs import MOTORCYCLE

DEEP = b"[" * 100_000 + b"]" * 100_000
ADDRESSES = [
    "/api/jobs",
    "/api/jobs/1/entries",
    "/api/jobs/1/readings",
    "/api/jobs/1/series",
    "/api/shelf",
    "/api/shelf/csv",
    "/api/curves/propose",
    "/api/curves/read",
    "/api/jobs/1/finds",
    "/api/jobs/1/working",
    "/api/jobs/1/ask",
    "/api/jobs/1/launch",
    "/api/jobs/1/compare",
    "/api/jobs/1/readings/csv",
    "/api/jobs/file",
]


@pytest.mark.parametrize("address", ADDRESSES)
@pytest.mark.parametrize(
    "body",
    [DEEP, b'{"a":' * 100_000, b'{"event":' + b"9" * 5000 + b"}", b'{"a": NaN}', b"\xff\xfe{", b'{"name": "\\ud800"}'],
    ids=["brackets", "objects", "digits", "not a number", "not text", "half a pair"],
)
def test_a_body_that_means_harm_is_a_problem(client: FlaskClient, address: str, body: bytes) -> None:
    begin(client)
    found = client.post(address, data=body, content_type="application/json", headers={"If-Match": '"1"'})
    assert 400 <= found.status_code < 500
    assert found.content_type == "application/problem+json"


def filed(client: FlaskClient) -> dict[str, Any]:
    """A job file with a bench, as it went out."""
    job = begin(client, BIKE)
    take(client, job, "plate_thickness", {"Plate 1, place 1": "2.9"})
    found: dict[str, Any] = client.get(f"/api/jobs/{job['id']}/file").get_json()
    return found


MOMENTS = [
    "0001-01-01T00:00:00+14:00",
    "9999-12-31T23:59:59-14:00",
    "2026-02-30T00:00:00Z",
    "2026-13-01T00:00:00Z",
    "2026-01-01T25:00:00Z",
    "2026-01-01T00:00:00+99:99",
    "yesterday",
]


@pytest.mark.parametrize("moment", MOMENTS)
def test_a_moment_nobody_lived_is_refused_by_its_place(client: FlaskClient, moment: str) -> None:
    with pytest.raises(ValueError, match="is no moment"):
        moment_of(moment)
    for change in (
        lambda f: f["revisions"][0].update(at=moment),
        lambda f: f["bench"]["series"][0].update(at=moment),
        lambda f: f["bench"]["series"][0]["readings"][0].update(at=moment),
    ):
        file = filed(client)
        change(file)
        before = len(client.get("/api/jobs").get_json()["jobs"])
        refused = client.post("/api/jobs/file", data=json.dumps(file))
        assert refused.status_code == 422
        assert re.search("at|moment", refused.get_json()["detail"])
        assert len(client.get("/api/jobs").get_json()["jobs"]) == before, "nothing of it is kept"


@pytest.mark.parametrize("number", [2**63, 2**70, 10**300, -1, 0, "1", 1.5, None, True])
def test_a_number_no_revision_has_is_refused(client: FlaskClient, number: Any) -> None:
    for key in ("number", "of"):
        file = filed(client)
        file["revisions"][0].update({key: number, "kind": "undo" if key == "of" else "start"})
        assert client.post("/api/jobs/file", data=json.dumps(file)).status_code == 422, key


@pytest.mark.parametrize("number", [2**63, 2**70, 10**30, -1, 0])
def test_a_number_no_part_has_is_refused(client: FlaskClient, number: int) -> None:
    job = begin(client, BIKE)
    compared = client.post(f"/api/jobs/{job['id']}/compare", json={"candidates": [{"parts": [number]}, {}]})
    assert compared.status_code == 422


TABLES = [
    'a,b\n"open',
    "check,place,reading\nplate_thickness",
    "check,place,reading\n" + "x" * 140_000 + ",1,2",
    "sep=a\ncheck,place,reading\nplate_thickness,a,2.9 mm",
    "\r",
    "\x00,b\n1,2",
    'slot,name\n"cover',
    "slot,name\ncover",
    "slot,name,price\ncover,x,1e400\ncover,y,nan\ncover,z,-5",
    'check,place,reading,distance_km\nplate_thickness,"Plate 1, place 1",2.9 mm,1e400',
    'check,place,reading,uncertainty_mm\nplate_thickness,"Plate 1, place 1",2.9 mm,nan',
    *(f'check,place,reading,at\nplate_thickness,"Plate 1, place 1",2.9 mm,{moment}' for moment in MOMENTS),
]


@pytest.mark.parametrize("text", TABLES)
def test_a_table_that_is_none_is_said(client: FlaskClient, text: str) -> None:
    job = begin(client, BIKE)
    dropped = base64.b64encode(text.encode()).decode()
    answers = [
        post(client, job, "readings/csv", text=text),
        client.post("/api/shelf/csv", json={"name": "", "text": text}),
        client.post("/api/shelf/csv/preview", json={"name": "", "text": text}),
        client.post("/api/curves/propose", json={"name": "run.csv", "data": dropped}),
    ]
    assert all(a.status_code < 500 for a in answers)
    for answer in answers:
        said = answer.get_json()
        assert answer.status_code >= 400 or said.get("faults") or said.get("lines") is not None or said.get("questions")


def test_a_file_that_did_not_arrive_whole_is_said(client: FlaskClient) -> None:
    for data in ("é" * 10, "abc", "=", "\u2028"):
        refused = client.post("/api/curves/propose", json={"name": "run.csv", "data": data})
        assert refused.status_code == 422
        assert "did not arrive whole" in refused.get_json()["detail"] or "empty" in refused.get_json()["detail"]


@pytest.mark.parametrize(
    "path", ["/" + "x/" * 3000, "/%00", f"/api/jobs/{2**70}", "/api/jobs/1/effects?without=%ud800"]
)
def test_an_address_nobody_wrote_is_a_problem(client: FlaskClient, path: str) -> None:
    assert client.get(path).status_code in {400, 404, 422}


def test_what_can_be_entered_can_be_taken_out_and_brought_in(client: FlaskClient) -> None:
    """The longest of everything a request takes goes into the file, and the file is taken."""
    job = begin(client, MOTORCYCLE | {"vehicle": "Ostrel " + "9" * 60})
    long = "x" * 80
    number = job["id"]
    client.post(
        f"/api/jobs/{number}/entries",
        json={"entries": [{"quantity": "notes", "typed": "n" * 4000}]},
        headers={"If-Match": f'"{job["revision"]}"'},
    )
    post(client, job, "readings", check="basket", place="Once", skipped="s" * 200)
    said = {"check": "plate_thickness", "label": long, "distance": "24000 km"}
    assert post(client, job, "series", **said).status_code == 200
    post(client, job, "readings", check="plate_thickness", place="Plate 1, place 1", typed="2.9 mm")
    limit = {"typed": "2.5 mm", "source": "p" * 200}
    first = client.put(f"/api/jobs/{number}/limits/plate_thickness/least", json=limit, headers={"If-Match": '"0"'})
    assert first.status_code == 200, first.text
    out = client.get(f"/api/jobs/{number}/file")
    assert out.status_code == 200
    back = client.post("/api/jobs/file?again=true", data=out.data)
    assert back.status_code == 201, back.text
    copy = client.get(f"/api/jobs/{back.get_json()['id']}/file")
    assert copy.get_json() | {"job": ""} == out.get_json() | {"job": ""}
