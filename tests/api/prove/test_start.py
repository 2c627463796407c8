"""First start, fluids, a log whose columns are picked, a fault that closes, what a shop learns: over HTTP."""

from __future__ import annotations

import io
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from flask.testing import FlaskClient
from icalendar import Calendar
from pypdf import PdfReader

from liftbite.core.statements import read_statement
from liftbite.store import record
from liftbite.store.database import writing
from tests.api.jobs.test_views import begin, enter
from tests.api.prove.test_views import driven, log_of, prove, say
from tests.core.prove.vehicles import GEARED
from tests.jobs import FULL, MOTORCYCLE


def item(found: dict[str, Any], key: str) -> dict[str, Any]:
    return next(i for card in found["cards"] for i in card["items"] if i["key"] == key)


def test_what_is_odd_at_the_first_start_leads_to_what_it_may_be(client: FlaskClient) -> None:
    job = begin(client, FULL)
    found = prove(client, job)
    assert [card["name"] for card in found["cards"]] == ["start", "metres", "road", "recheck"]
    assert "Prove before the start" in found["cards"][0]["first"]
    say(client, job, "card", "start:neutral", answer="good")
    odd = say(client, job, "card", "start:into_first", answer="odd", note="grinds").get_json()
    assert (item(odd, "start:into_first")["said"]["reason"], item(odd, "start:into_first")["symptom"]) == (
        "grinds",
        "drags",
    )
    assert say(client, job, "card", "start:nothing", answer="odd").status_code == 422
    assert say(client, job, "heard", "chain", answer="heard").status_code == 200
    assert say(client, job, "heard", "thunder", answer="heard").status_code == 422
    text = client.get(f"/api/jobs/{job['id']}/handover.html").text
    assert "Still down: into first" in text
    assert "grinds" in text


def test_fluids_their_class_their_level_and_their_day(client: FlaskClient) -> None:
    bike = begin(client, MOTORCYCLE)
    assert [f["name"] for f in prove(client, bike)["fluids"]] == ["engine"]
    said = {"class": "not said on the can", "bottles": "4 L", "left": "1 US qt"}
    engine = say(client, bike, "fluid", "engine", answer="filled", **said).get_json()["fluids"][0]
    assert engine["used"]["si"] == pytest.approx(3.0536e-3, rel=1e-3)
    assert "slip" in engine["wrong"]
    assert (engine["due"], engine["again"]) == (365, False)
    again = say(client, bike, "fluid", "engine", answer="filled", again="right", **said | {"class": "for wet clutches"})
    assert (again.get_json()["fluids"][0]["again"], again.get_json()["fluids"][0]["wrong"]) == (True, "")
    assert (
        say(
            client, bike, "fluid", "engine", answer="filled", **{"class": "for wet clutches", "bottles": "2 pt"}
        ).status_code
        == 422
    )
    kept = again.get_json()["fluids"][0]
    assert kept["used"]["si"] == pytest.approx(3.0536e-3, rel=1e-3), "looked at again, it is as much as was filled"
    assert kept["said"] == {"answer": "filled", "again": "right", **said, "class": "for wet clutches"}
    assert kept["renewed"] == "in about 12 months"
    calendar = Calendar.from_ical(client.get(f"/api/jobs/{bike['id']}/calendar.ics").data)
    assert "engine oil" in " ".join(str(e["summary"]) for e in calendar.walk("VEVENT"))


def test_bleeding_step_by_step_begins_anew_with_every_round(client: FlaskClient) -> None:
    job = begin(client, FULL)
    helper = next(m for m in prove(client, job)["bleeding"]["methods"] if m["name"] == "helper")
    assert helper["short"], "nobody said there is a helper"
    key = helper["steps"][0]["key"]
    told = say(client, job, "bleed_step", key, answer="done").get_json()["bleeding"]
    assert [s["done"] for m in told["methods"] if m["name"] == "helper" for s in m["steps"]][:2] == [True, False]
    told = say(client, job, "bled", "one", answer="helper").get_json()["bleeding"]
    assert not any(s["done"] for m in told["methods"] for s in m["steps"])
    assert told["next"] == "Read the slave's travel now: foot feel is no measure."


def test_a_log_in_another_tongue_is_read_once_its_columns_are_picked(client: FlaskClient) -> None:
    job = begin(client, GEARED)
    lines = log_of(client, job, "slip").decode().splitlines()
    foreign = "\n".join(
        [
            ";".join(f"kanal {n}" for n, _ in enumerate(lines[0].split(","))),
            *(line.replace(",", ";") for line in lines[1:]),
        ]
    ).encode()
    refused = driven(client, job, foreign)
    assert (refused.status_code, "name no" in refused.get_json()["detail"]) == (422, True)
    at = f"/api/jobs/{job['id']}/log"
    top = client.post(f"{at}/columns", data=foreign[:4096], content_type="text/csv").get_json()
    assert [h["taken"] for h in top["headings"]] == [""] * len(top["headings"])
    plain = client.post(f"{at}/columns", data="\n".join(lines[:40]).encode(), content_type="text/csv").get_json()
    picked = ",".join(h["taken"] for h in plain["headings"])
    drive = client.post(f"{at}?columns={picked}", data=foreign, content_type="text/csv").get_json()
    assert drive["slips"] > 3
    assert (drive["how"], drive["starts"] > 5, drive["distance"].endswith(" km")) == ("hard", True, True)
    for wrong in ("time:s,time:s", "time:fortnight", "colour:red", "time:s,,,,,,,,,,,,,,,,road:mph"):
        assert client.post(f"{at}?columns={wrong}", data=foreign, content_type="text/csv").status_code == 422


def test_a_logged_drive_counts_its_starts_and_says_how_it_wears(client: FlaskClient) -> None:
    job = begin(client, {**GEARED, "disc_fate": "renewed"})
    enter(client, job, starts_per_distance="0.5 1/km")
    said = {"answer": "kept", "distance": "24 km", "starts": "40", "how": "gentle", "heat": "9 kJ"}
    found = say(client, job, "drive", "monday.csv", **said).get_json()
    assert "40 gentle starts" in found["running_in"]["says"]
    assert found["ahead"]["glove"].startswith("Clutch: look again at 50 to 100 km")
    for wrong in ({"starts": "many"}, {"distance": "far"}, {"heat": "9 km"}):
        assert say(client, job, "drive", "x.csv", **said | wrong).status_code == 422


def test_a_fault_closes_into_the_list_and_the_plan(client: FlaskClient) -> None:
    job = begin(client, FULL)
    say(client, job, "complaint", answer="drags")
    closed = client.post(
        f"/api/jobs/{job['id']}/fault/close", json={"cause": "master_bypass", "who": "Nell"}
    ).get_json()
    cause = next(c for c in closed["fault"]["causes"] if c["name"] == "master_bypass")
    assert (cause["found"]["who"], cause["closes"]["parts"]) == (
        "Nell",
        [
            {"name": "master", "label": "Master cylinder"},
            {"name": "fluid", "label": "Fluid"},
        ],
    )
    measured = client.get(f"/api/jobs/{job['id']}/measure").get_json()
    assert {"master", "fluid"} <= {need["part"] for need in measured["needs"]}
    assert measured["scope"] == "hydraulics"
    keys = {s["key"] for s in client.get(f"/api/jobs/{job['id']}/plan").get_json()["steps"]}
    assert {"master_out", "master_in", "rod_play", "bled"} <= keys
    assert "gearbox_in" not in keys
    assert client.post(f"/api/jobs/{job['id']}/fault/close", json={"cause": "gremlins"}).status_code == 422


def test_the_owners_page_carries_the_line_for_the_glove_box(client: FlaskClient) -> None:
    job = begin(client, FULL)
    data = client.get(f"/api/jobs/{job['id']}/handover.pdf?owner=true").data
    text = " ".join("".join(page.extract_text() for page in PdfReader(io.BytesIO(data)).pages).split())
    assert "Clutch: look again at 50 to 100 km" in text


def test_a_shop_learns_from_five_jobs_and_not_from_four(client: FlaskClient) -> None:
    at = datetime(2026, 5, 4, 9, tzinfo=UTC)
    for n in range(5):
        assert client.get("/api/shop/learned").get_json()["steps"] == []
        job = begin(client, FULL | {"job_name": f"Job {n}", "vehicle": f"Vehicle {n}"})
        enter(client, job, pilot_fate="stays")
        with writing(client.application.extensions["liftbite.sessions"]) as session:
            for minutes, key in ((0, "cautions"), (20 + 2 * n, "parts_gate")):
                line = read_statement("step", key, {"answer": "done"})
                record.say(session, job["id"], line, at + timedelta(minutes=minutes))
    told = client.get("/api/shop/learned").get_json()
    assert [(s["key"], s["minutes"], s["jobs"]) for s in told["steps"]] == [("parts_gate", 24.0, 5)]
    assert [(p["part"], p["jobs"], p["back"]) for p in told["parts"]] == [("pilot", 5, 0)]
    again = begin(client, FULL | {"vehicle": "Vehicle 2"})
    enter(client, again, pilot_fate="renewed")
    assert client.get("/api/shop/learned").get_json()["parts"][0]["back"] == 1
