"""The demo shop's bench says what it was made to say."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient

from liftbite.api.app import create_app
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.keyed import read_distance, read_keyed
from liftbite.demo import JOBS
from liftbite.demo.readings import SERIES


@pytest.fixture(scope="module")
def demo(demo_shop: Path) -> Iterator[FlaskClient]:
    app = create_app(demo_shop, testing=True)
    yield app.test_client()
    app.extensions["liftbite.sessions"].kw["bind"].dispose()


def verdicts(demo: FlaskClient, job: int) -> dict[str, str]:
    bench = demo.get(f"/api/jobs/{job}/measure").get_json()
    return {c["name"]: c["finding"]["verdict"] for c in bench["checks"] if c["finding"]["taken"]}


@pytest.mark.parametrize("series", SERIES, ids=lambda t: f"{t.job} {t.check} {t.day}")
def test_demo_readings_are_such_as_a_builder_takes(series: Any) -> None:
    check = CHECKS[series.check]
    assert 1 <= series.job <= len(JOBS)
    read_distance(series.distance)
    for typed in series.readings.values():
        if check.kind == "grade":
            assert typed in {grade.value for grade in check.grades}
        else:
            assert read_keyed(check, typed).question == ""


def test_a_pack_with_a_tired_spring_and_a_plate_too_close_to_call(demo: FlaskClient) -> None:
    assert verdicts(demo, 5) == {
        "plate_thickness": "too close to call",
        "plain_warp": "reuse",
        "spring_free_length": "renew as set",
        "basket": "dress or resurface",
        "lifter": "reuse",
    }
    life = next(c for c in demo.get("/api/jobs/5/measure").get_json()["checks"] if c["name"] == "plate_thickness")
    assert life["finding"]["life"]["distance"]["metric"] == {"figure": "800", "unit": "km"}


def test_a_twin_with_a_bore_off_centre_and_a_stand_too_close(demo: FlaskClient) -> None:
    found = verdicts(demo, 3)
    assert found["bore_runout"] == found["floater_gap"] == "put right"
    assert found["release_bearing"] == "renew"
    assert found["rivet_depth"] == "reuse"
    parts = {need["part"] for need in demo.get("/api/jobs/3/measure").get_json()["needs"]}
    assert {"bearing", "bell_housing", "floater", "flywheel"} <= parts


def test_a_bearing_that_wants_a_spacer(demo: FlaskClient) -> None:
    found = demo.get("/api/jobs/7/measure").get_json()["calculations"]
    bearing = next(c for c in found if c["name"] == "bearing")
    assert "0.7189 in" in bearing["shows"][0]["text"]
    table = next(s for s in bearing["shows"] if s["kind"] == "table")
    best = dict(zip(table["heads"], (cell["text"] for cell in table["rows"][0]), strict=True))
    assert (best["Spacers"], best["Window"]) == ("Spacer 2", "inside")


@pytest.mark.parametrize("job", range(1, len(JOBS) + 1))
def test_every_demo_job_opens_everywhere(demo: FlaskClient, job: int) -> None:
    for view in ("", "/measure", "/effects", "/measure/history", "/readings.csv", "/parts.csv", "/file"):
        assert demo.get(f"/api/jobs/{job}{view}").status_code == 200, view
    for view in ("section", "launch", "flywheel"):
        assert demo.post(f"/api/jobs/{job}/{view}", json={"entries": []}).status_code == 200, view
