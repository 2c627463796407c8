"""Everything of a shop in one archive: out of one, into another, and nothing doubled."""

from __future__ import annotations

import io
import json
import zipfile
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient

from liftbite.api.app import create_app
from tests.api.jobs.test_views import begin
from tests.api.measure.test_views import bench, check, take
from tests.api.photos.test_views import picture
from tests.jobs import CAR, MOTORCYCLE


def sent(client: FlaskClient, data: bytes) -> dict[str, Any]:
    """What an archive brought, less what it did not."""
    answer = client.post("/api/archive", data=data, content_type="application/zip")
    assert answer.status_code == 200, answer.text
    return {name: value for name, value in answer.get_json().items() if value}


def packed(**files: bytes) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in files.items():
            archive.writestr(name, content)
    return out.getvalue()


def test_a_shop_goes_out_whole_and_comes_into_another(client: FlaskClient, tmp_path: Path) -> None:
    job = begin(client, CAR | {"vehicle": "Merrow van"})
    take(client, job, "rivet_depth", {"Disc 1, flywheel side, 1": "1.1 mm"})
    begin(client, MOTORCYCLE)
    client.post("/api/shelf", json={"slot": "disc", "name": "Tarlow 240", "values": {"outer_diameter": "240 mm"}})
    whole = client.get("/api/archive")
    assert whole.content_type == "application/zip"
    assert sent(client, whole.data) == {"already": 2}, "its own is not doubled"
    other = create_app(tmp_path / "other.sqlite", web=tmp_path / "web", testing=True)
    try:
        there = other.test_client()
        assert sent(there, whole.data) == {"jobs": 2, "parts": 1}
        assert sent(there, whole.data) == {"already": 2}
        names = {line["name"]: line["id"] for line in there.get("/api/jobs").get_json()["jobs"]}
        readings = check(bench(there, {"id": names["Test coupé"]}), "rivet_depth")["readings"]
        assert [r["typed"] for r in readings] == ["1.1 mm"]
    finally:
        other.extensions["liftbite.refresher"].stop()
        other.extensions["liftbite.sessions"].kw["bind"].dispose()


def test_a_job_goes_out_with_its_documents_and_comes_back_unchanged(client: FlaskClient, tmp_path: Path) -> None:
    job = begin(client, CAR | {"vehicle": "Merrow van"})
    take(client, job, "rivet_depth", {"Disc 1, flywheel side, 1": "1.1 mm"})
    shot = client.post(f"/api/jobs/{job['id']}/photos?of=job", data=picture(), content_type="application/octet-stream")
    assert shot.status_code == 201
    client.post(f"/api/jobs/{job['id']}/prove", json={"kind": "trip", "key": "1", "said": {"distance": "12 km"}})
    whole = client.get(f"/api/jobs/{job['id']}/archive.zip").data
    with zipfile.ZipFile(io.BytesIO(whole)) as archive:
        names = archive.namelist()
        assert b"Merrow van" in archive.read("documents/hand-over.html")
        assert b"1.1 mm" in archive.read("documents/readings.csv")
    assert {"documents/plan.json", "documents/owner.html", "documents/dates.ics"} <= set(names)
    other = create_app(tmp_path / "other.sqlite", web=tmp_path / "web", testing=True)
    try:
        there = other.test_client()
        assert sent(there, whole) == {"jobs": 1, "photos": 1}
        number = there.get("/api/jobs").get_json()["jobs"][0]["id"]
        assert there.get(f"/api/jobs/{number}/file").data == client.get(f"/api/jobs/{job['id']}/file").data
    finally:
        other.extensions["liftbite.refresher"].stop()
        other.extensions["liftbite.sessions"].kw["bind"].dispose()


def test_what_cannot_be_read_is_named_and_the_rest_comes_in(client: FlaskClient) -> None:
    begin(client)
    with zipfile.ZipFile(io.BytesIO(client.get("/api/archive").data)) as archive:
        good = json.loads(archive.read(archive.namelist()[0])) | {"job": "5a" * 16}
    broken = bytearray(
        packed(
            **{
                "a.liftbite.json": b"words " * 400,
                "jobs/b.liftbite.json": json.dumps(good).encode(),
                "c.exe": b"MZ",
                "d.liftbite.json": b"{",
                "e.liftbite.json": b" " * (33 * 2**20),
            }
        )
    )
    begins = broken.index(b"a.liftbite.json") + len("a.liftbite.json")
    broken[begins : begins + 6] = b"\xff\xff\xff\xff\xff\xff"
    told = sent(client, bytes(broken))
    assert told["jobs"] == 1, "one damaged file does not stop the rest"
    faults = " ".join(told["faults"])
    assert len(told["faults"]) == 4
    assert all(word in faults for word in ("damaged or locked", "no job file", "not JSON", "too large once unpacked"))


@pytest.mark.parametrize(("data", "words"), [
    (b"no archive at all", "no archive"), (packed(**{"../../etc/passwd": b"x"}), "leads out"),
])  # fmt: skip
def test_a_stranger_and_a_path_are_refused(client: FlaskClient, data: bytes, words: str) -> None:
    answer = client.post("/api/archive", data=data, content_type="application/zip")
    assert answer.status_code == 422
    assert words in answer.get_json()["detail"]
