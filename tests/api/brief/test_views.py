"""Dynamometer files over HTTP, as the web sends them."""

from __future__ import annotations

import base64

import pytest
from flask.testing import FlaskClient

from tests.api.jobs.test_views import begin, field

RUN = b"rpm;Nm\n2000;200,5\n3000;220,0\n4000;230,0\n"


def propose(client: FlaskClient, data: bytes) -> dict:  # type: ignore[type-arg]
    body = {"name": "run.csv", "data": base64.b64encode(data).decode()}
    return client.post("/api/curves/propose", json=body).get_json()


def test_a_file_is_proposed_read_and_entered(client: FlaskClient) -> None:
    proposal = propose(client, RUN)
    assert proposal["mapping"]["delimiter"] == ";"
    assert proposal["mapping"]["decimal"] == ","
    assert proposal["preview"][0] == ["2000", "200,5"]
    assert "lb-ft" in proposal["units"]["torque"]
    file = {"name": "run.csv", "text": proposal["text"], "mapping": proposal["mapping"]}
    read = client.post("/api/curves/read", json=file).get_json()
    assert (read["points"], read["peak_torque"]["metric"]["figure"]) == (3, "230")
    job = begin(client)
    entries = [
        {"quantity": "measured_curve", "typed": "run.csv", "file": file},
        {"quantity": "curve_source", "typed": "file"},
    ]
    response = client.post(
        f"/api/jobs/{job['id']}/entries", json={"entries": entries}, headers={"If-Match": f'"{job["revision"]}"'}
    )
    kept = field(response.get_json(), "measured_curve")
    assert (kept["typed"], kept["points"]) == ("run.csv", 3)
    assert kept["curve"]["rpm"] == [2000, 3000, 4000]
    assert response.get_json()["chart"]["now"]["torque"] == [200.5, 220, 230]


def test_the_file_itself_is_kept_in_the_job_file(client: FlaskClient) -> None:
    job = begin(client)
    proposal = propose(client, RUN)
    file = {"name": "run.csv", "text": proposal["text"], "mapping": proposal["mapping"]}
    entries = [{"quantity": "measured_curve", "typed": "run.csv", "file": file}]
    client.post(
        f"/api/jobs/{job['id']}/entries", json={"entries": entries}, headers={"If-Match": f'"{job["revision"]}"'}
    )
    assert "2000;200,5" in client.get(f"/api/jobs/{job['id']}/file").get_data(as_text=True)


def test_a_bad_cell_names_its_line(client: FlaskClient) -> None:
    proposal = propose(client, RUN + b"5000;2x\n")
    response = client.post(
        "/api/curves/read", json={"name": "x", "text": proposal["text"], "mapping": proposal["mapping"]}
    )
    assert response.status_code == 422
    assert response.get_json()["detail"].startswith("Line 5: “2x” in the torque column is not a figure")


@pytest.mark.parametrize(("data", "says"), [(b"", "empty"), (b"\x00\x00", "not a text file"), (b"hello", "no line")])
def test_what_is_no_run(client: FlaskClient, data: bytes, says: str) -> None:
    assert says in propose(client, data)["detail"]


def test_a_file_that_did_not_arrive_whole(client: FlaskClient) -> None:
    response = client.post("/api/curves/propose", json={"name": "x", "data": "@@@"})
    assert response.status_code == 422
    assert "drop it in again" in response.get_json()["detail"]


def test_an_upload_has_a_limit(client: FlaskClient) -> None:
    response = client.post("/api/jobs/file", data=b" " * (7 * 1024 * 1024), content_type="application/json")
    assert response.status_code == 413
    assert "larger than" in response.get_json()["detail"]
