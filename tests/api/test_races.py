"""Two tabs, quick hands, twelve requests at once: nothing is overwritten unseen, nothing counts twice."""

from __future__ import annotations

from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from typing import Any

import pytest
from flask.testing import FlaskClient
from flask_openapi3 import OpenAPI

BIKE = {"layout": "wet_motorcycle", "name": "Race", "vehicle": "Ostrel 900 twin"}
READING = {"check": "plate_thickness", "typed": "2.9", "unit": "mm", "instrument": "caliper"}


@pytest.fixture
def job(client: FlaskClient) -> int:
    return int(client.post("/api/jobs", json=BIKE).get_json()["id"])


def at_once(app: OpenAPI, calls: int, call: Callable[[FlaskClient, int], Any]) -> list[Any]:
    """Answers of as many requests, each from a client and a thread of its own."""
    with ThreadPoolExecutor(calls) as pool:
        return list(pool.map(lambda i: call(app.test_client(), i), range(calls)))


def check(bench: dict[str, Any], name: str) -> dict[str, Any]:
    return next(c for c in bench["checks"] if c["name"] == name)


def test_a_dozen_first_readings_make_one_series(app: OpenAPI, client: FlaskClient, job: int) -> None:
    found = at_once(
        app,
        12,
        lambda c, i: c.post(
            f"/api/jobs/{job}/readings", json=READING | {"place": f"Plate {i // 3 + 1}, place {i % 3 + 1}"}
        ),
    )
    assert {r.status_code for r in found} == {200}
    bench = client.get(f"/api/jobs/{job}/measure").get_json()
    plates = check(bench, "plate_thickness")
    assert len(plates["readings"]) == 12
    assert client.get(f"/api/jobs/{job}/measure/history").get_json()["total"] == 12
    assert bench["change"] == 14, "each reading is counted, and the job and the series they begin"


def test_a_reading_sent_again_counts_once(app: OpenAPI, client: FlaskClient, job: int) -> None:
    named = READING | {"place": "Plate 1, place 1", "request": "a1b2"}
    found = at_once(app, 8, lambda c, _: c.post(f"/api/jobs/{job}/readings", json=named))
    assert {r.status_code for r in found} == {200}
    assert len(check(client.get(f"/api/jobs/{job}/measure").get_json(), "plate_thickness")["readings"]) == 1


def test_the_same_file_of_readings_by_six_at_once_is_stored_once(app: OpenAPI, client: FlaskClient, job: int) -> None:
    client.post(f"/api/jobs/{job}/readings", json=READING | {"place": "Plate 1, place 1"})
    text = client.get(f"/api/jobs/{job}/readings.csv").get_data(as_text=True)
    other = int(client.post("/api/jobs", json=BIKE | {"vehicle": "Its twin"}).get_json()["id"])
    found = at_once(app, 6, lambda c, _: c.post(f"/api/jobs/{other}/readings/csv", json={"text": text}))
    assert sorted(r.get_json()["taken"] for r in found) == [0, 0, 0, 0, 0, 1]
    assert len(check(client.get(f"/api/jobs/{other}/measure").get_json(), "plate_thickness")["readings"]) == 1


def test_the_same_sum_by_twelve_at_once_is_one_sum(app: OpenAPI, client: FlaskClient, job: int) -> None:
    figures = {"price": 25, "chance": 0.1, "hours": 8, "rate": 70}
    at, new = f"/api/jobs/{job}/renewals/Seal", {"If-Match": '"0"'}
    found = at_once(app, 12, lambda c, _: c.put(at, json=figures, headers=new))
    assert sorted(r.status_code for r in found) == [200, *[412] * 11]
    assert [r["part"] for r in client.get(f"/api/jobs/{job}/measure").get_json()["renewals"]] == ["Seal"]


def test_a_label_does_not_erase_the_odometer_of_another_tab(client: FlaskClient, job: int) -> None:
    client.post(f"/api/jobs/{job}/readings", json=READING | {"place": "Plate 1, place 1"})
    say = {"check": "plate_thickness"}
    first = client.put(f"/api/jobs/{job}/series", json=say | {"distance": "24000 km"}, headers={"If-Match": '"1"'})
    assert first.status_code == 200
    stale = client.put(f"/api/jobs/{job}/series", json=say | {"label": "winter"}, headers={"If-Match": '"1"'})
    assert stale.status_code == 412
    assert (stale.get_json()["seen"], stale.get_json()["newest"]) == (1, 2)
    assert stale.get_json()["stands"]["distance"] == 24e6
    assert check(client.get(f"/api/jobs/{job}/measure").get_json(), "plate_thickness")["distance"]["si"] == 24e6


@pytest.mark.parametrize(
    ("path", "body"),
    [
        ("series", {"check": "plate_thickness"}),
        ("limits/plate_thickness/least", {"typed": "2.6"}),
        ("practices/guard", {"option": "full"}),
        ("renewals/Seal", {"price": 1, "chance": 0.1, "hours": 1, "rate": 1}),
        ("archived", {"archived": True}),
    ],
)
def test_what_replaces_has_to_say_what(client: FlaskClient, job: int, path: str, body: dict[str, Any]) -> None:
    assert client.put(f"/api/jobs/{job}/{path}", json=body).status_code == 428


def test_an_import_that_fails_leaves_no_half_a_job(app: OpenAPI, monkeypatch: pytest.MonkeyPatch) -> None:
    client = app.test_client()
    job = client.post("/api/jobs", json=BIKE).get_json()["id"]
    client.post(f"/api/jobs/{job}/readings", json=READING | {"place": "Plate 1, place 1"})
    file = client.get(f"/api/jobs/{job}/file").data
    monkeypatch.setattr("liftbite.api.jobs.views.out.job_out", lambda *_, **__: 1 / 0)
    assert client.post("/api/jobs/file?again=true", data=file).status_code == 500
    monkeypatch.undo()
    assert [j["id"] for j in client.get("/api/jobs").get_json()["jobs"]] == [job]
    assert client.post("/api/jobs/file?again=true", data=file).status_code == 201
