"""Runout without angles, and a face's at the radius its limit is meant at; both go on to True and through files."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from flask.testing import FlaskClient

from tests.api.jobs.test_views import begin
from tests.api.measure.test_views import CONCENTRIC, bench, check, put, take

ANGLES = (*range(0, 360, 45),)


def leaning(amplitude: float) -> dict[str, str]:
    """A face that leans by `amplitude` [mm] to either side, the first angle read again."""
    readings = {f"{a}°": f"{amplitude * np.cos(np.radians(a)):.4f} mm" for a in ANGLES}
    return readings | {"0° again": readings["0°"]}


def effect(client: FlaskClient, job: dict[str, Any], quantity: str) -> dict[str, Any]:
    told = client.get(f"/api/jobs/{job['id']}/effects").get_json()["effects"]
    return next(e for e in told if e["quantity"] == quantity)


def test_one_reading_without_angles_is_judged(client: FlaskClient) -> None:
    job = begin(client, CONCENTRIC)
    take(client, job, "bore_runout", {"TIR": "0.2 mm"})
    found = check(bench(client, job), "bore_runout")["finding"]
    assert found["verdict"] == "put right"
    assert "A dowel needs the angles" in found["sentence"]
    assert "0.2 mm" in str(effect(client, job, "housing_bore_runout"))


def test_one_reading_well_inside_is_good(client: FlaskClient) -> None:
    job = begin(client, CONCENTRIC)
    take(client, job, "flywheel_runout", {"TIR": "0.02 mm"})
    found = check(bench(client, job), "flywheel_runout")["finding"]
    assert found["verdict"] == "reuse"
    assert "read without angles" in found["sentence"]


def test_angles_go_before_a_reading_without_them(client: FlaskClient) -> None:
    job = begin(client, CONCENTRIC)
    take(client, job, "bore_runout", {"TIR": "0.5 mm"} | leaning(0.02))
    found = check(bench(client, job), "bore_runout")
    assert found["sweep"]["stands"]
    assert "without angles" not in found["finding"]["sentence"]
    assert [place["key"] for place in found["places"]][-1] == "TIR"


def test_a_face_is_judged_at_the_bore_circle(client: FlaskClient) -> None:
    """0.10 mm at a radius of 50 mm is 0.16 mm across a bore of 160 mm: TIR goes with the radius."""
    job = begin(client, CONCENTRIC | {"housing_bore_diameter": "160 mm"})
    take(client, job, "housing_face", leaning(0.05))
    assert check(bench(client, job), "housing_face")["finding"]["verdict"] == "reuse"
    response = put(client, job, "series", check="housing_face", swept="50 mm")
    assert response.status_code == 200, response.text
    measured = bench(client, job)
    face = check(measured, "housing_face")
    assert face["settings"]["swept"] == "50 mm"
    assert face["finding"]["verdict"] == "put right"
    assert "0.16 mm" in face["finding"]["sentence"]
    assert "at the bore circle" in face["finding"]["sentence"]
    assert "0.16" in str(effect(client, job, "housing_face_runout"))
    assert "swept" not in check(measured, "bore_runout")["settings"]


@pytest.mark.parametrize("typed", ["six", "6 kg", "2 m"])
def test_a_radius_that_is_none_is_a_sentence(client: FlaskClient, typed: str) -> None:
    job = begin(client, CONCENTRIC)
    take(client, job, "housing_face", leaning(0.05))
    response = put(client, job, "series", check="housing_face", swept=typed)
    assert response.status_code == 422
    assert "Radius swept" in response.get_json()["detail"]


def test_the_radius_swept_comes_back_from_a_job_file(client: FlaskClient) -> None:
    job = begin(client, CONCENTRIC | {"housing_bore_diameter": "160 mm"})
    take(client, job, "housing_face", leaning(0.05))
    put(client, job, "series", check="housing_face", swept="2 in")
    filed = client.get(f"/api/jobs/{job['id']}/file")
    assert filed.status_code == 200
    other = client.post("/api/jobs/file?again=true", data=filed.text.replace("Alder GT", "Alder GT II"))
    assert other.status_code in {200, 201}, other.text
    face = check(bench(client, other.get_json()), "housing_face")
    assert face["settings"]["swept"] == "2 in"
