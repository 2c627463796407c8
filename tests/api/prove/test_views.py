"""Prove over HTTP: a drive read, a fault found, bedding-in, and a hand-over that is signed."""

from __future__ import annotations

import io
from typing import Any
from urllib.parse import quote

import pytest
from flask.testing import FlaskClient
from icalendar import Calendar
from pypdf import PdfReader

from liftbite.core.prove.cards import ITEMS
from tests.api.jobs.test_views import begin, enter
from tests.api.measure.test_views import take
from tests.api.sheet.test_views import words_of
from tests.core.prove.vehicles import GEARED
from tests.jobs import CAR


def say(client: FlaskClient, job: dict[str, Any], kind: str, key: str = "", who: str = "", **said: str) -> Any:
    head = {"Person": quote(who)} if who else {}
    return client.post(f"/api/jobs/{job['id']}/prove", json={"kind": kind, "key": key, "said": said}, headers=head)


def prove(client: FlaskClient, job: dict[str, Any]) -> dict[str, Any]:
    return client.get(f"/api/jobs/{job['id']}/prove").get_json()


def log_of(client: FlaskClient, job: dict[str, Any], fault: str) -> bytes:
    answer = client.get(f"/api/jobs/{job['id']}/simulated.csv?fault={fault}&minutes=6&seed=3")
    assert answer.status_code == 200
    return answer.data


def driven(client: FlaskClient, job: dict[str, Any], data: bytes) -> Any:
    return client.post(f"/api/jobs/{job['id']}/log", data=data, content_type="text/csv")


def test_a_car_that_slips_from_its_log_to_bite(client: FlaskClient) -> None:
    job = begin(client, GEARED)
    drive = driven(client, job, log_of(client, job, "slip")).get_json()
    assert drive["slips"] > 3
    assert drive["says"][0].startswith("Slipped")
    assert [g["name"] for g in drive["gears"]] == [f"gear {n}" for n in range(1, 6)]
    held = drive["holds"]["middle"]["si"]
    assert held == pytest.approx(0.86 * 400, rel=0.03)
    assert drive["holds"]["low"]["si"] < held < drive["holds"]["high"]["si"]
    after = enter(client, job, **drive["puts"]).get_json()
    holds = next(r["planned"] for r in after["results"] if r["name"] == "holdable_engine_torque")
    assert holds["nominal"]["si"] == pytest.approx(held, rel=0.01)
    kept = say(client, job, "drive", "tuesday.csv", "Nell", answer="kept", says=drive["says"][0], friction="0.239")
    assert kept.get_json()["drives"][0]["who"] == "Nell"


def test_a_healthy_drive_slips_nowhere_and_a_strangers_file_is_refused_in_words(client: FlaskClient) -> None:
    job = begin(client, GEARED)
    drive = driven(client, job, log_of(client, job, "none")).get_json()
    assert (drive["slips"], drive["holds"], drive["puts"]) == (0, None, {})
    assert len(drive["trace"]["time"]) == len(drive["trace"]["engine"]) == len(drive["trace"]["wheels"]) <= 2_400
    for data in (b"", b"\x00\x01", b"a,b\n1,2\n", b"time,rpm,km/h\n" + b"1,2,3\n" * 50):
        refused = driven(client, job, data)
        assert refused.status_code == 422, data
        assert refused.get_json()["detail"]
    bare = begin(client, {k: CAR[k] for k in ("layout", "job_name", "use")})
    lacks = client.get(f"/api/jobs/{bare['id']}/simulated.csv")
    assert lacks.status_code == 422
    assert "lacks" in lacks.get_json()["detail"]


def test_a_complaint_is_looked_into_test_by_test(client: FlaskClient) -> None:
    job = begin(client, CAR | {"complaint": "drags, pedal goes soft"})
    fault = prove(client, job)["fault"]
    assert fault["complaints"] == ["drags", "pedal"]
    assert fault["next"] is not None
    for test, answer in (("pump", "better"), ("since", "after work"), ("slave_travel", "short")):
        fault = say(client, job, "fault_test", test, answer=answer).get_json()["fault"]
    assert fault["causes"][0]["name"] == "air"
    assert fault["causes"][0]["word"] == "likely"
    assert [t["name"] for t in fault["asked"]] == ["pump", "since", "slave_travel"]
    back = say(client, job, "fault_test", "pump", answer="open").get_json()["fault"]
    assert "pump" not in [t["name"] for t in back["asked"]]
    closed = say(client, job, "fault", "air", "Nell", answer="found").get_json()["fault"]
    assert next(c for c in closed["causes"] if c["name"] == "air")["found"]["who"] == "Nell"


def test_the_benchs_verdict_moves_a_cause(client: FlaskClient) -> None:
    job = begin(client, CAR)
    say(client, job, "complaint", answer="slips")
    places = {f"Disc 1, {side} side, {i}": "0.1 mm" for side in ("flywheel", "plate") for i in (1, 2, 3)}
    take(client, job, "rivet_depth", places)
    fault = prove(client, job)["fault"]
    assert fault["causes"][0]["name"] == "worn_facing"
    assert any("the bench" in line for line in fault["causes"][0]["why"])


@pytest.mark.parametrize(
    ("kind", "key", "said", "words"),
    [
        ("complaint", "", {"answer": "sulks"}, "no complaint"),
        ("fault_test", "pump", {"answer": "perhaps"}, "no answer"),
        ("fault", "ghosts", {"answer": "found"}, "no cause"),
        ("trip", "1", {"how": "gentle"}, "say how far"),
        ("trip", "1", {"distance": "long"}, "long"),
        ("full_load", "", {"answer": "allowed"}, "say who"),
        ("hand_over", "1", {"answer": "signed"}, "say who signs"),
    ],
)
def test_what_cannot_be_is_refused(client: FlaskClient, kind: str, key: str, said: dict[str, str], words: str) -> None:
    job = begin(client)
    refused = say(client, job, kind, key, **said)
    assert refused.status_code == 422
    assert words in refused.get_json()["detail"]


def test_bedding_in_by_trips_with_a_breach_and_a_look_again(client: FlaskClient) -> None:
    job = begin(client, CAR | {"disc_fate": "renewed"})
    for n, (distance, how) in enumerate((("60 km", "gentle"), ("100 mi", "mixed"), ("90 km", "hard"))):
        told = say(client, job, "trip", f"trip {n}", distance=distance, starts="40", how=how).get_json()
    running = told["running_in"]
    assert running["share"] == pytest.approx((60 + 160.934 + 90) / 800, rel=1e-3)
    assert (running["driven_hard"], running["look_again"], running["done"]) == (
        "Driven hard once before it was bedded in.",
        True,
        False,
    )
    running = say(client, job, "bedding_in", answer="starts").get_json()["running_in"]
    assert running["share"] == pytest.approx(80 / 1200), "hard starts do not count"
    running = say(client, job, "second_look", who="Nell", answer="done").get_json()["running_in"]
    assert (running["look_again"], running["looked"]["who"]) == (False, "Nell")
    running = say(client, job, "trip", "trip 2", answer="open").get_json()["running_in"]
    assert (len(running["trips"]), running["driven_hard"]) == (2, "")


def test_a_hand_over_is_signed_and_a_later_change_makes_a_new_edition(client: FlaskClient) -> None:
    job = begin(client, {**GEARED, "disc_fate": "renewed"})
    say(client, job, "drive", "tuesday.csv", answer="kept", says="No slip in 8 min in gear.")
    say(client, job, "trip", "1", distance="120 km", starts="30", how="gentle")
    wrong = say(client, job, "hand_over", "999", "Nell Orrin", answer="signed")
    assert wrong.status_code == 422
    signed = say(client, job, "hand_over", str(job["revision"]), "Nell Orrin", answer="signed").get_json()
    assert (signed["editions"][0]["who"], signed["changed_since"]) == ("Nell Orrin", False)
    words = words_of(client, f"/api/jobs/{job['id']}/handover.html")
    for text in (
        "Nell Orrin",
        "No slip in 8 min in gear.",
        "Do not load it fully yet",
        "hold points are not proved",
        "Handed over, by name",
        "Stop and call",
    ):
        assert text in words, text
    for verdict in job["verdicts"]:
        assert " ".join(verdict["sentence"].split()) in words
    enter(client, job, notes="tightened again")
    assert prove(client, job)["changed_since"]
    assert "this is a new edition" in words_of(client, f"/api/jobs/{job['id']}/handover.html")


def test_documents_and_dates(client: FlaskClient) -> None:
    job = begin(client, {**GEARED, "disc_fate": "renewed"})
    say(client, job, "bled", "one", "Nell", answer="helper")
    assert "To the owner" in client.get(f"/api/jobs/{job['id']}/handover.html").get_data(as_text=True)
    owner = PdfReader(io.BytesIO(client.get(f"/api/jobs/{job['id']}/handover.pdf?owner=true").data))
    assert len(owner.pages) == 1
    assert "glove box" in owner.pages[0].extract_text()
    calendar = Calendar.from_ical(client.get(f"/api/jobs/{job['id']}/calendar.ics").data)
    events = {str(e["summary"]): e for e in calendar.walk("VEVENT")}
    assert len(events) == 3
    assert all(e["dtend"].dt > e["dtstart"].dt for e in events.values())
    assert any("look again" in name for name in events)


def test_what_is_said_in_prove_goes_along_in_the_job_file(client: FlaskClient) -> None:
    job = begin(client)
    say(client, job, "trip", "1", distance="60 km")
    say(client, job, "complaint", answer="drags")
    file = client.get(f"/api/jobs/{job['id']}/file").data.replace(b"Test coup", b"Best coup")
    back = client.post("/api/jobs/file?again=true", data=file).get_json()
    assert prove(client, back)["fault"]["complaints"] == ["drags"]
    assert len(prove(client, back)["running_in"]["trips"]) == 1


def test_bleeding_until_it_frees(client: FlaskClient) -> None:
    job = begin(client, GEARED)
    bleeding = prove(client, job)["bleeding"]
    assert (bleeding["fluid"], bleeding["says"], len(bleeding["methods"])) == (True, "", 5)
    assert bleeding["strokes"] == 15
    say(client, job, "bled", "first", "Nell", answer="helper", fluid="0.3 L")
    take(client, job, "slave_travel", {"Once": "3 mm"})
    bleeding = prove(client, job)["bleeding"]
    assert (bleeding["frees"], bleeding["bled"][0]["who"]) == ("put right", "Nell")
    assert "does not free" in bleeding["says"]
    words = words_of(client, f"/api/jobs/{job['id']}/handover.html")
    assert "Pump, hold, open, close, 0.3 L" in words
    assert say(client, job, "bled", "x", answer="shaken").status_code == 422
    assert say(client, job, "bled", "first", answer="taken_back").get_json()["bleeding"]["bled"] == []


def test_a_drive_that_slipped_speaks_against_the_clamp_also_once_its_friction_is_in_the_job(
    client: FlaskClient,
) -> None:
    job = begin(client, GEARED | {"complaint": "slips"})
    drive = driven(client, job, log_of(client, job, "slip")).get_json()
    assert any("nobody logged" in line for line in drive["working"])
    say(client, job, "drive", "a.csv", answer="kept", says=drive["says"][0], share=str(drive["share"]))
    enter(client, job, **drive["puts"])
    causes = {c["name"]: c for c in prove(client, job)["fault"]["causes"]}
    assert any("on the road its friction was 0.8" in line for line in causes["oily_facing"]["why"])
    assert say(client, job, "drive", "b.csv", answer="kept", says="x", share="much").status_code == 422


@pytest.mark.parametrize(
    ("kind", "key", "said"),
    [
        ("hand_over", "1", {"answer": "signed"}),
        ("full_load", "", {"answer": "allowed", "reason": "a hurry"}),
        ("hole", "A:1", {"answer": "kept", "thread": "x", "material": "steel"}),
        ("bled", "1", {"answer": "open", "bottles": "lots"}),
        ("leftover", "a bolt", {"answer": "explained", "reason": "spare"}),
    ],
)
def test_the_bench_takes_nothing_that_is_said_in_fit_or_prove(
    client: FlaskClient, kind: str, key: str, said: dict[str, str]
) -> None:
    job = begin(client)
    body = {"kind": kind, "key": key, "said": said, "who": "Bran Tilley"}
    assert client.post(f"/api/jobs/{job['id']}/record", json=body).status_code == 422
    assert all(client.get(f"/api/jobs/{job['id']}/{page}").status_code == 200 for page in ("plan", "prove"))


def test_a_job_file_whose_record_says_what_cannot_be_is_refused_by_its_line(client: FlaskClient) -> None:
    job = begin(client)
    say(client, job, "bled", "1", answer="open", bottles="500 mL", left="320 mL")
    file = client.get(f"/api/jobs/{job['id']}/file").data
    assert client.post("/api/jobs/file?again=true", data=file).status_code == 201
    refused = client.post("/api/jobs/file", data=file.replace(b"500 mL", b"plenty"))
    assert refused.status_code == 422
    assert "line 1 of the record" in refused.get_json()["detail"]


def test_nothing_is_handed_over_under_its_key(client: FlaskClient) -> None:
    """Options of the record are keys; documents, plan and record say them in words."""
    job = begin(client, CAR | {"complaint": "judders when cold"})
    item = next(iter(ITEMS))
    at = f"/api/jobs/{job['id']}"
    for station, kind, key, said in (
        ("record", "check", "pilot_bearing", {"answer": "not_on_job", "reason": "stays in"}),
        ("record", "order", "disc:get", {"state": "in_stock"}),
        ("plan", "noted", "Mounts", {"answer": "left_out", "note": "agreed"}),
        (
            "plan",
            "tightening",
            "flywheel:kit",
            {"answer": "chosen", "figure": "95 N·m", "passes": "half_then_fifths", "bolts": "used_again", "count": "8"},
        ),
        ("prove", "card", item, {"answer": "not_tried", "note": "no time"}),
        ("prove", "hand_over", str(job["revision"]), {"answer": "signed"}),
    ):
        body = {"kind": kind, "key": key, "said": said, "who": "Nell"}
        assert client.post(f"{at}/{station}", json=body).status_code == 200, (kind, said)
    papers = "".join(client.get(f"{at}/{name}").text for name in ("sheet.html", "handover.html", "steps.html"))
    told = papers + str([event["what"] for event in client.get(f"{at}/events").get_json()["events"]])
    keys = {"not_on_job", "in_stock", "left_out", "half_then_fifths", "used_again", "not_tried"}
    assert {key for key in keys if key in told} == set()
    for words in ("not on this job", "left out: agreed", "not tried", "edition 1, revision"):
        assert words in papers
    assert "in stock" in told
