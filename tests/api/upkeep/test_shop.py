"""The shop's units, over HTTP."""

from __future__ import annotations

from flask.testing import FlaskClient

from tests.api.jobs.test_views import begin
from tests.jobs import CAR


def prefer(client: FlaskClient, units: str, seen: int) -> int:
    return client.put("/api/shop", json={"units": units}, headers={"If-Match": f'"{seen}"'}).status_code


def test_every_sentence_follows_the_shop(client: FlaskClient) -> None:
    job = begin(client, {**CAR, "peak_torque": "800 N·m", "peak_power": "480 kW"})
    assert "lb-ft)" in client.get(f"/api/jobs/{job['id']}").get_json()["verdicts"][0]["sentence"]
    assert client.get("/api/shop").get_json()["units"] == "both"
    assert prefer(client, "inch", 0) == 200
    said = client.get(f"/api/jobs/{job['id']}").get_json()["verdicts"][0]["sentence"]
    assert "lb-ft" in said
    assert "N·m" not in said
    assert "N·m" not in client.get("/api/jobs").get_json()["jobs"][0]["verdict"]["sentence"]
    sheet = client.get(f"/api/jobs/{job['id']}/sheet.html").get_data(as_text=True).split("</head>")[1]
    assert "lb-ft" in sheet
    assert "N·m" not in sheet


def test_two_people_do_not_overwrite_each_other(client: FlaskClient) -> None:
    assert prefer(client, "inch", 0) == 200
    assert prefer(client, "metric", 0) == 412
    assert client.get("/api/shop").get_json()["units"] == "inch"
    assert client.put("/api/shop", json={"units": "metric"}).status_code == 428
    assert prefer(client, "furlongs", 1) == 422
