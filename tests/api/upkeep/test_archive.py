"""Everything of a shop in one archive: out of one, into another, and nothing doubled."""

from __future__ import annotations

import io
import json
import sqlite3
import time
import zipfile
from collections.abc import Iterator
from contextlib import closing, contextmanager
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient

from liftbite.api.app import create_app
from tests.api.jobs.test_views import begin, enter
from tests.api.measure.test_views import bench, check, take
from tests.api.photos.test_views import picture
from tests.api.whole import alike, differing, looks_at_shop
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


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"no archive at all", "no archive"),
        (packed(**{"../../etc/passwd": b"x"}), "leads out"),
    ],
)
def test_a_stranger_and_a_path_are_refused(client: FlaskClient, data: bytes, words: str) -> None:
    answer = client.post("/api/archive", data=data, content_type="application/zip")
    assert answer.status_code == 422
    assert words in answer.get_json()["detail"]


# --- what a shop holds besides its jobs; what stands otherwise; large ones


@contextmanager
def another(tmp_path: Path, name: str) -> Iterator[FlaskClient]:
    app = create_app(tmp_path / f"{name}.sqlite", web=tmp_path / "web", testing=True)
    try:
        yield app.test_client()
    finally:
        app.extensions["liftbite.transfers"].stop()
        app.extensions["liftbite.refresher"].stop()
        app.extensions["liftbite.sessions"].kw["bind"].dispose()


def furnished(client: FlaskClient) -> dict[str, Any]:
    """A shop with something of everything; a job of it."""
    job = begin(client, CAR | {"vehicle": "Merrow van"})
    at = f"/api/jobs/{job['id']}"
    gauge = {
        "kind": "force_gauge",
        "name": "Nell's spring balance",
        "calibrated_on": "2026-02-03",
        "uncertainty": "3 N",
    }
    measured = client.post(f"{at}/instruments", json=gauge).get_json()
    own = next(i["key"] for i in measured["instruments"] if i["label"].startswith("Nell"))
    pedal = {"check": "pedal_force", "place": "Once", "instrument": own, "sure": True}
    assert client.post(f"{at}/readings", json=pedal | {"typed": "150 N"}).status_code == 200
    assert client.post(f"{at}/readings", json=pedal | {"typed": "155 N"}).status_code == 200
    client.post(f"{at}/readings/undo", json={"check": "pedal_force"})
    client.put(f"{at}/practices/guard", json={"option": "share95"}, headers={"If-Match": '"0"'})
    client.put(
        f"{at}/plan/shop-step",
        json={"title": "Болт 1", "after": "", "note": "краска", "kept": True},
        headers={"If-Match": '"0"'},
    )
    client.put("/api/shop", json={"units": "inch"}, headers={"If-Match": '"0"'})
    client.put(
        f"{at}/limits/rivet_depth/least",
        json={"typed": "0.5 mm", "source": "p. 7"},
        headers={"If-Match": '"0"'},
    )
    client.post(
        "/api/shelf",
        json={"slot": "disc", "name": "Tarlow 240", "price": 1234567.89, "values": {"outer_diameter": "240 mm"}},
    )
    old = client.post("/api/shelf", json={"slot": "disc", "name": "Off the shelf", "values": {}}).get_json()
    client.put(f"/api/shelf/{old['id']}/archived", json={"archived": True}, headers={"If-Match": '"1"'})
    gone = begin(client, MOTORCYCLE)
    seen = client.get(f"/api/jobs/{gone['id']}").get_json()["change"]
    client.put(f"/api/jobs/{gone['id']}/archived", json={"archived": True}, headers={"If-Match": f'"{seen}"'})
    return job


def test_a_shop_with_something_of_everything_says_the_same_in_every_view(client: FlaskClient, tmp_path: Path) -> None:
    job = furnished(client)
    here = looks_at_shop(client)
    with another(tmp_path, "there") as there:
        told = sent(there, client.get("/api/archive").data)
        assert (told["jobs"], told["instruments"], "changed" in told) == (2, 1, False)
        assert list(differing(alike(here), alike(looks_at_shop(there)))) == []
        number = next(line["id"] for line in there.get("/api/jobs").get_json()["jobs"])
        force = check(bench(there, {"id": number}), "pedal_force")
        assert [r["instrument"] for r in force["readings"]] == ["Nell's spring balance"], "which one, not only its kind"
        redone = there.post(f"/api/jobs/{number}/readings/redo", json={"check": "pedal_force"}).get_json()
        readings = next(c for c in redone["checks"] if c["name"] == "pedal_force")["readings"]
        assert [r["typed"] for r in readings] == ["150 N", "155 N"], "an undone reading can be brought back there"
    file = client.get(f"/api/jobs/{job['id']}/file").data
    with another(tmp_path, "alone") as there:
        assert there.post("/api/jobs/file", data=file).status_code == 201, "a reading of a pedal's force comes back"


def test_what_stands_otherwise_is_asked_and_done_as_decided(client: FlaskClient, tmp_path: Path) -> None:
    """Its own older archive doubled every job that was changed since."""
    job = furnished(client)
    older = client.get("/api/archive").data
    enter(client, client.get(f"/api/jobs/{job['id']}").get_json(), notes="since then")
    told = sent(client, older)
    (asked,) = told["changed"]
    assert (asked["job"], told["already"], asked["offered"]) == (job["id"], 1, ["copy"])
    assert "goes on where the archive" in asked["says"]
    newer = client.get("/api/archive").data
    with another(tmp_path, "there") as there:
        sent(there, older)
        (asked,) = sent(there, newer)["changed"]
        assert asked["offered"] == ["update", "copy"]
        part = there.get("/api/shelf?find=Tarlow").get_json()["parts"][0]
        changed = {name: part[name] for name in ("slot", "name", "source", "notes")} | {"price": 5, "values": {}}
        there.put(f"/api/shelf/{part['id']}", json=changed, headers={"If-Match": f'"{part["version"]}"'})
        begun = through(there, newer)
        keys = {each["key"]: each["what"] for each in begun["brought"]["changed"]}
        assert set(keys) == {asked["key"], "part disc Tarlow 240"}
        decided = {asked["key"]: "update", "part disc Tarlow 240": "update"}
        done = read_in(there, begun["name"], decided)["brought"]
        assert (done["updated"], done["parts"], done["changed"]) == (1, 1, [])
        assert list(differing(alike(looks_at_shop(client)), alike(looks_at_shop(there)))) == []


def through(client: FlaskClient, data: bytes, piece: int = 20_000) -> dict[str, Any]:
    """Sends an archive piece by piece, one of them twice, and has it read."""
    name = client.post("/api/archive/in").get_json()["name"]
    for at in range(0, len(data), piece):
        path = f"/api/archive/in/{name}?at={at}"
        assert client.put(path, data=data[at : at + piece]).status_code == 200
        again = client.put(path, data=data[at : at + piece])
        assert again.status_code == 422
        assert "the next piece begins at" in again.get_json()["detail"]
    return read_in(client, name, {})


def read_in(client: FlaskClient, name: str, decided: dict[str, str]) -> dict[str, Any]:
    begun = client.post(f"/api/archive/in/{name}/read", json={"decided": decided})
    assert begun.status_code == 200, begun.text
    return ended(client, name)


def ended(client: FlaskClient, name: str) -> dict[str, Any]:
    until = time.monotonic() + 120
    while time.monotonic() < until:
        found: dict[str, Any] = client.get(f"/api/archive/transfers/{name}").get_json()
        if found["state"] in {"done", "failed"}:
            return found
        time.sleep(0.02)
    raise AssertionError("it takes for ever")


def test_a_shop_is_written_beside_the_requests_fetched_and_let_go(client: FlaskClient, tmp_path: Path) -> None:
    furnished(client)
    begun = client.post("/api/archive/out").get_json()
    done = ended(client, begun["name"])
    assert (done["state"], done["done"], done["trouble"]) == ("done", done["total"], "")
    with client.get(f"/api/archive/out/{begun['name']}.zip") as fetched:
        packed = fetched.data
    assert len(packed) == done["size"]
    assert client.delete(f"/api/archive/transfers/{begun['name']}").status_code == 200
    assert client.get(f"/api/archive/out/{begun['name']}.zip").status_code == 404
    with another(tmp_path, "there") as there:
        found = through(there, packed)
        assert (found["state"], found["brought"]["jobs"], found["brought"]["faults"]) == ("done", 2, [])
    broken = through(client, b"no archive")
    assert (broken["state"], "no archive" in broken["trouble"]) == ("failed", True)


def test_who_sends_no_more_loses_his_place_and_no_more_than_a_few_are_under_way(
    client: FlaskClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    begun = [client.post("/api/archive/in") for _ in range(11)]
    assert [each.status_code for each in begun] == [201] * 10 + [422]
    assert "on their way" in begun[-1].get_json()["detail"]
    monkeypatch.setattr("liftbite.api.upkeep.transfers.QUIET", -1.0)
    assert client.post("/api/archive/in").status_code == 201
    gone = begun[0].get_json()["name"]
    assert client.put(f"/api/archive/in/{gone}?at=0", data=b"x").status_code == 404


def test_more_faults_than_a_page_holds_are_all_named(client: FlaskClient) -> None:
    told = sent(client, packed(**{f"{n:03}.liftbite.json": b"{" for n in range(260)}))
    assert len(told["faults"]) == 260


def test_every_job_of_the_demo_is_here_as_it_is(demo_shop: Path, tmp_path: Path) -> None:
    """With plans half done, drives, readings: what was just written is what is here."""
    (tmp_path / "demo.sqlite").write_bytes(demo_shop.read_bytes())
    with another(tmp_path, "demo") as client:
        assert sent(client, client.get("/api/archive").data) == {"already": 7}


def test_a_job_here_that_cannot_be_read_stops_no_other(demo_shop: Path, tmp_path: Path) -> None:
    (tmp_path / "demo.sqlite").write_bytes(demo_shop.read_bytes())
    with another(tmp_path, "demo") as client:
        whole = client.get("/api/archive").data
    with closing(sqlite3.connect(tmp_path / "demo.sqlite")) as connection, connection:
        connection.execute("""UPDATE entry SET curve = '{"speed": [1]}' WHERE quantity = 'measured_curve'
                              AND revision_id IN (SELECT id FROM revision WHERE job_id = 2)""")
        connection.execute("DELETE FROM kept_line")
        connection.execute("DELETE FROM kept")
    with another(tmp_path, "demo") as client:
        told = sent(client, whole)
        assert told["already"] == 6
        assert "job 2 is here and cannot be read" in told["faults"][0]


def test_an_archive_of_before_doubles_nothing(client: FlaskClient) -> None:
    """Job files of before have no identity: they are known by what they began as."""
    begin(client)
    with zipfile.ZipFile(io.BytesIO(client.get("/api/archive").data)) as archive:
        file = json.loads(archive.read(archive.namelist()[0]))
    del file["job"]
    told = sent(client, packed(**{"jobs/00001.liftbite.json": json.dumps(file | {"version": 3}).encode()}))
    assert told == {"already": 1}
