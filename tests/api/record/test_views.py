"""The record of a job: everything that was entered, read, ticked or said, by time, with who, narrowed."""

from __future__ import annotations

from typing import Any

from flask.testing import FlaskClient

from liftbite.api.record.present import PAGE
from tests.api.fit.working import say as say_of_plan
from tests.api.jobs.test_views import begin, enter
from tests.api.measure.test_views import take
from tests.api.photos.test_views import bring, picture
from tests.jobs import CAR


def record(client: FlaskClient, job: dict[str, Any], **narrowed: Any) -> dict[str, Any]:
    answer = client.get(f"/api/jobs/{job['id']}/events", query_string=narrowed)
    assert answer.status_code == 200, answer.text
    found: dict[str, Any] = answer.get_json()
    return found


def said(client: FlaskClient, job: dict[str, Any], where: str, kind: str, key: str, **words: str) -> None:
    body = {"kind": kind, "key": key, "said": words, "request": ""}
    answer = client.post(f"/api/jobs/{job['id']}/{where}", json=body, headers={"Person": "Ines"})
    assert answer.status_code == 200, answer.text


def test_every_kind_of_change_stands_in_the_record_with_who_and_of_what(client: FlaskClient) -> None:
    job = begin(client, CAR)
    job = enter(client, job, disc_fate="renewed", outer_diameter="250 mm").get_json()
    take(client, job, "rivet_depth", {"Disc 1, flywheel side, 1": "0.2 mm"})
    said(client, job, "record", "verdict", "rivet_depth", answer="reuse", reason="to the shop door only")
    said(client, job, "record", "check", "pilot_bearing", answer="not_on_job", reason="stays in")
    said(client, job, "record", "order", "disc:get", state="ordered", source="Halm & Daughters")
    say_of_plan(client, job["id"], "step", "cautions", answer="done")
    said(client, job, "prove", "trip", "1", distance="12 km")
    bring(client, job, picture(), "check:rivet_depth")
    found = record(client, job)
    what = {
        event["kind"]: (event["station"], event["who"], event["parts"], " ".join(event["what"]))
        for event in found["events"]
    }
    assert [event["at"] for event in found["events"]] == sorted((e["at"] for e in found["events"]), reverse=True)
    assert what["edit"][0] == "choose"
    newest = next(event for event in found["events"] if event["kind"] == "edit")
    assert {"Disc: Renewed", "Outer diameter: 240 mm → 250 mm"} <= set(newest["what"])
    assert newest["parts"] == ["disc"]
    assert what["reading"] == (
        "measure",
        "",
        ["disc"],
        "Disc: facing down to the rivet, Disc 1, flywheel side, 1: 0.2 mm, by depth gauge",
    )
    assert what["verdict"] == (
        "measure",
        "Ines",
        ["disc"],
        "Disc: facing down to the rivet, verdict: reuse. to the shop door only",
    )
    assert what["check"][3] == "Pilot bearing: play and roughness: not on this job. stays in"
    assert what["order"] == ("measure", "Ines", ["disc"], "Disc: ordered. Halm & Daughters")
    assert what["step"][:2] == ("fit", "Ines")
    assert what["trip"][0] == "prove"
    assert what["photo"][0] == "photos"
    assert "rivet" in what["photo"][3]


def test_the_record_is_narrowed_by_station_and_by_part(client: FlaskClient) -> None:
    job = begin(client, CAR)
    take(client, job, "rivet_depth", {"Disc 1, flywheel side, 1": "0.9 mm"})
    said(client, job, "record", "order", "pilot:get", state="ordered")
    assert {event["station"] for event in record(client, job, station="measure")["events"]} == {"measure"}
    for name in ("disc", "Disc"):
        assert {tuple(event["parts"]) for event in record(client, job, part=name)["events"]} >= {("disc",)}
    only = record(client, job, part="pilot")
    assert (only["total"], only["events"][0]["kind"]) == (1, "order")
    assert {"name": "pilot", "label": "Pilot bearing"} in only["parts"]
    assert client.get(f"/api/jobs/{job['id']}/events?station=attic").status_code == 422


def test_a_long_record_comes_in_pages(client: FlaskClient) -> None:
    job = begin(client, CAR)
    for number in range(PAGE + 3):
        said(client, job, "prove", "trip", f"{number}", distance="1 km")
    whole = record(client, job)
    rest = record(client, job, first=PAGE)
    assert (len(whole["events"]), whole["total"]) == (PAGE, PAGE + 3 + 2)
    assert len(rest["events"]) == 5
    assert rest["events"][-1]["kind"] == "start"


def test_what_was_taken_back_is_said_so(client: FlaskClient) -> None:
    job = begin(client, CAR)
    said(client, job, "record", "line", "pilot:get", answer="struck", reason="renewed in spring")
    said(client, job, "record", "line", "pilot:get", answer="open")
    newest, before = record(client, job, part="pilot")["events"]
    assert newest["what"] == ["Pilot bearing, get: on the list again"]
    assert before["what"] == ["Pilot bearing, get: struck. renewed in spring"]
