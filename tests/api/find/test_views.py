"""The finder over HTTP: what it finds, how it is stopped, what it refuses."""

from __future__ import annotations

import time
from typing import Any

import pytest
from flask.testing import FlaskClient

from tests.api.jobs.test_views import begin
from tests.api.shelf.test_views import FIGURED, put


def ended(client: FlaskClient, run: int) -> dict[str, Any]:
    until = time.monotonic() + 60
    while time.monotonic() < until:
        found = client.get(f"/api/finds/{run}").get_json()
        if found["state"] != "running":
            return found
        time.sleep(0.02)
    raise AssertionError("the search does not end")


def masters(client: FlaskClient) -> list[int]:
    return [p["id"] for p in client.get("/api/shelf").get_json()["parts"] if p["slot"] == "master"]


def test_what_the_finder_finds_is_good_in_all_four_answers_once_taken(client: FlaskClient) -> None:
    job = begin(client, FIGURED)
    covers = [put(client, name=f"{f} kN", values={"cover_clamp": f"{f} kN"})["id"] for f in (9, 11, 12, 14)]
    body = {
        "slots": {"cover": covers, "master": masters(client)},
        "free": [{"quantity": "pedal_ratio", "start": "4.6", "end": "5.8", "steps": 6}],
    }
    begun = client.post(f"/api/jobs/{job['id']}/finds", json=body).get_json()
    assert begun["total"] == 4 * 14 * 7
    found = ended(client, begun["run"])
    assert found["state"] == "finished"
    assert found["done"] == begun["total"]
    assert found["kept"] + sum(e["count"] for e in found["excluded"]) == found["done"]
    assert found["candidates"]
    for candidate in found["candidates"][:5]:
        picked = {
            "parts": list(candidate["parts"].values()),
            "entries": [{"quantity": q, "typed": t} for q, t in candidate["free"].items()],
        }
        told = client.post(f"/api/jobs/{job['id']}/compare", json={"candidates": [picked]}).get_json()
        now, pin = told["columns"]
        assert now["label"] == "As it is"
        assert [v["state"] for v in pin["verdicts"]] == ["holds", "frees", "stays", "runs true"]
        assert candidate["objectives"]["bite"] == pytest.approx(float(pin["figures"]["bite_margin"]), rel=0.01)
        assert candidate["objectives"]["lift"] == pytest.approx(float(pin["figures"]["lift_margin"]), rel=0.01)


LONG = {
    "free": [
        {"quantity": q, "start": a, "end": b, "steps": 120}
        for q, a, b in (
            ("pedal_ratio", "4.6", "5.8"),
            ("cover_clamp", "9 kN", "15 kN"),
            ("pedal_stroke", "130 mm", "160 mm"),
        )
    ]
}


def test_a_search_can_be_cancelled_and_keeps_what_it_found(client: FlaskClient) -> None:
    job = begin(client, FIGURED)
    begun = client.post(f"/api/jobs/{job['id']}/finds", json=LONG).get_json()
    assert begun["total"] == 121**3
    client.delete(f"/api/finds/{begun['run']}")
    found = ended(client, begun["run"])
    assert found["state"] == "cancelled"
    assert found["done"] < found["total"]


def test_a_new_search_ends_the_one_before_of_its_own_job_and_no_other(client: FlaskClient) -> None:
    job, other = begin(client, FIGURED), begin(client, FIGURED)
    first = client.post(f"/api/jobs/{job['id']}/finds", json=LONG).get_json()["run"]
    elsewhere = client.post(f"/api/jobs/{other['id']}/finds", json=LONG).get_json()["run"]
    again = client.post(f"/api/jobs/{job['id']}/finds", json=LONG).get_json()["run"]
    assert ended(client, first)["state"] == "cancelled"
    assert client.get(f"/api/finds/{elsewhere}").get_json()["state"] == "running"
    for run in (again, elsewhere):
        client.delete(f"/api/finds/{run}")
        assert ended(client, run)["state"] == "cancelled"


@pytest.mark.parametrize(
    ("body", "says"),
    [
        ({}, "at least one kind"),
        ({"slots": {"wing": [1]}}, "no kind of part"),
        ({"free": [{"quantity": "notes", "start": "1", "end": "2", "steps": 2}]}, "no figure"),
        ({"free": [{"quantity": "pedal_ratio", "start": "6", "end": "5", "steps": 2}]}, "go upwards"),
        ({"free": [{"quantity": "pedal_ratio", "start": "a", "end": "5", "steps": 2}]}, "Ratio of pedal"),
        (
            {
                "free": [
                    {"quantity": q, "start": "11 mm", "end": "29 mm", "steps": 1000}
                    for q in ("master_diameter", "slave_diameter", "shaft_diameter")
                ]
            },
            "too many",
        ),
    ],
)
def test_a_search_that_cannot_be_is_refused(client: FlaskClient, body: dict[str, Any], says: str) -> None:
    response = client.post(f"/api/jobs/{begin(client)['id']}/finds", json=body)
    assert response.status_code == 422
    assert says in response.get_json()["detail"]


def test_a_search_forgotten_says_so(client: FlaskClient) -> None:
    assert "start it again" in client.get("/api/finds/99").get_json()["detail"]
