"""What is said at the bench: appended, by name, printed; and readings of what comes out and what goes in kept apart."""

from __future__ import annotations

import json
from typing import Any
from urllib.parse import quote

import pytest

from tests.api.choose.test_views import enter
from tests.jobs import CAR, MOTORCYCLE


@pytest.fixture
def job(client: Any) -> int:
    number = client.post("/api/jobs", json={"name": "Said", "layout": "dry_car", "vehicle": "Merrow van"}).get_json()[
        "id"
    ]
    enter(client, number, **{q: t for q, t in CAR.items() if q not in ("layout", "job_name", "vehicle")})
    return int(number)


def say(client: Any, job: int, kind: str, key: str = "", who: str = "", request: str = "", **said: str) -> Any:
    body = {"kind": kind, "key": key, "said": said, "request": request}
    return client.post(f"/api/jobs/{job}/record", json=body, headers={"Person": quote(who)} if who else {})


def read(client: Any, job: int, check: str, place: str, typed: str, build: str = "found", who: str = "") -> Any:
    body = {"check": check, "place": place, "typed": typed}
    answer = client.post(f"/api/jobs/{job}/readings?build={build}", json=body, headers={"Person": quote(who)})
    assert answer.status_code == 200, answer.text
    return next(c for c in answer.get_json()["checks"] if c["name"] == check)


def test_a_check_is_closed_with_a_name_and_a_reason_and_opened_again(client: Any, job: int) -> None:
    assert say(client, job, "check", "fork", answer="not_on_job", reason="gearbox stays in").status_code == 422
    bench = say(client, job, "check", "fork", "Inès Marrow", answer="not_on_job", reason="gearbox stays in").get_json()
    fork = next(c for c in bench["checks"] if c["name"] == "fork")
    assert (fork["in_scope"], fork["closed"]["who"]) == (False, "Inès Marrow")
    assert bench["people"] == ["Inès Marrow"]
    back = say(client, job, "check", "fork", answer="open").get_json()
    assert next(c for c in back["checks"] if c["name"] == "fork")["in_scope"]
    assert back["wanted"] == bench["wanted"] + 1


def test_that_will_do_lets_fewer_readings_decide(client: Any, job: int) -> None:
    one = read(client, job, "rivet_depth", "Disc 1, flywheel side, 1", "1.0 mm")
    assert one["finding"]["verdict"] == "open"
    bench = say(client, job, "check", "rivet_depth", "Ines", answer="enough", reason="all alike").get_json()
    closed = next(c for c in bench["checks"] if c["name"] == "rivet_depth")
    assert closed["finding"]["verdict"] == "reuse"
    assert closed["finding"]["wanted"] == 1


def test_an_overruled_verdict_counts_and_the_readings_own_is_kept(client: Any, job: int) -> None:
    read(client, job, "rivet_depth", "Disc 1, flywheel side, 1", "0.1 mm")
    bench = say(client, job, "verdict", "rivet_depth", "Ines", answer="reuse", reason="track day only").get_json()
    check = next(c for c in bench["checks"] if c["name"] == "rivet_depth")
    assert (check["finding"]["verdict"], check["by_readings"]) == ("reuse", "renew")
    assert "track day only" in check["finding"]["sentence"]
    assert "By the readings: renew" in check["finding"]["sentence"]
    assert "disc" not in {n["part"] for n in bench["needs"]}


def test_a_line_is_struck_an_order_kept_and_both_are_in_the_file(client: Any, job: int) -> None:
    read(client, job, "rivet_depth", "Disc 1, flywheel side, 1", "0.1 mm", who="Ines")
    say(client, job, "line", "pilot:get", answer="struck", reason="renewed in spring")
    said = {"number": "HD-240", "source": "Halm & Daughters", "price": "84.50", "currency": "EUR", "state": "ordered"}
    bench = say(client, job, "order", "disc:get", request="once", **said).get_json()
    again = say(client, job, "order", "disc:get", request="once", **(said | {"state": "arrived"})).get_json()
    assert again["change"] == bench["change"], "sent twice it counts once"
    needs = {n["key"]: n for n in bench["needs"]}
    assert needs["pilot:get"]["said"]["reason"] == "renewed in spring"
    assert needs["disc:get"]["order"]["state"] == "ordered"
    csv = client.get(f"/api/jobs/{job}/parts.csv").get_data(as_text=True)
    assert "HD-240,Halm & Daughters,84.50,EUR,ordered" in csv
    assert "renewed in spring" in csv
    file = client.get(f"/api/jobs/{job}/file").get_data()
    assert [line["kind"] for line in json.loads(file)["bench"]["record"]] == ["line", "order"]
    other = client.post("/api/jobs/file?again=true", data=file).get_json()["id"]
    brought = client.get(f"/api/jobs/{other}/measure").get_json()
    assert {n["key"]: n["order"] for n in brought["needs"]} == {n["key"]: n["order"] for n in bench["needs"]}
    rivets = next(c for c in brought["checks"] if c["name"] == "rivet_depth")
    assert rivets["readings"][0]["who"] == "Ines"


def test_the_scope_folds_what_it_does_not_ask_for(client: Any, job: int) -> None:
    bench = say(client, job, "scope", answer="hydraulics").get_json()
    assert {c["part"] for c in bench["checks"] if c["in_scope"]} <= {"cylinders", "fluid", "slave", "pedal"}
    assert bench["scope"] == "hydraulics"
    assert say(client, job, "scope", answer="the lot").status_code == 422


def test_a_job_may_depart_from_the_shops_practice(client: Any, job: int) -> None:
    read(client, job, "rivet_depth", "Disc 1, flywheel side, 1", "0.1 mm")
    parts = {n["part"] for n in client.get(f"/api/jobs/{job}/measure").get_json()["needs"]}
    assert "rear_seal" in parts
    bench = say(client, job, "practice", "seal", answer="bad").get_json()
    assert "rear_seal" not in {n["part"] for n in bench["needs"]}


def test_readings_of_what_goes_in_begin_anew_and_a_trend_ends_at_the_renewal(client: Any, job: int) -> None:
    enter(client, job, inertia_source="weight", crank_inertia="0.05 kg·m²")
    read(client, job, "flywheel_weight", "Once", "11.4 kg")
    enter(client, job, flywheel_fate="renewed")
    new = client.get(f"/api/jobs/{job}/measure?build=planned").get_json()
    weight = next(c for c in new["checks"] if c["name"] == "flywheel_weight")
    assert (weight["of"], weight["readings"]) == ("planned", [])
    read(client, job, "flywheel_weight", "Once", "6.3 kg", build="planned")
    for build, mass in (("found", "11.4"), ("planned", "6.3")):
        told = client.get(f"/api/jobs/{job}/effects?build={build}").get_json()["effects"]
        assert mass in next(e["typed"] for e in told if e["quantity"] == "flywheel_mass")
        trends = client.get(f"/api/jobs/{job}/measure/history?build={build}").get_json()["trends"]
        assert [len(t["points"]) for t in trends if t["check"] == "flywheel_weight"] == [1]
    revision = client.get(f"/api/jobs/{job}").get_json()["revision"]
    for build in ("found", "planned"):
        done = client.post(
            f"/api/jobs/{job}/effects?build={build}",
            json={"quantities": ["flywheel_mass"]},
            headers={"If-Match": f'"{revision}"'},
        )
        revision = done.get_json()["revision"]
    masses = {
        build: next(
            f["typed"]
            for f in client.get(f"/api/jobs/{job}?build={build}").get_json()["fields"]
            if f["name"] == "flywheel_mass"
        )
        for build in ("found", "planned")
    }
    assert masses == {"found": "11.4 kg", "planned": "6.3 kg"}


def test_a_complaint_is_explained_by_what_was_found(client: Any, job: int) -> None:
    enter(client, job, complaint="slips in fifth, and it howls")
    read(client, job, "rivet_depth", "Disc 1, flywheel side, 1", "0.1 mm")
    told = {c["name"]: c["explained_by"] for c in client.get(f"/api/jobs/{job}/measure").get_json()["complaints"]}
    assert [c["name"] for c in told["slips"]] == ["rivet_depth"]
    assert told["noise"] == []


def test_a_name_no_record_could_hold_is_refused(client: Any, job: int) -> None:
    assert say(client, job, "scope", who="x" * 70, answer="clutch").status_code == 422
    assert say(client, job, "scope", who="two\x00", answer="clutch").status_code == 422


def test_plates_that_each_pass_and_slip_together_are_on_the_list(client: Any) -> None:
    """Every plate is within its limit; with the wear of all seven the springs press too little."""
    number = client.post("/api/jobs", json={"name": "Pack", "layout": "wet_motorcycle"}).get_json()["id"]
    job = {q: t for q, t in MOTORCYCLE.items() if q not in ("layout", "job_name")}
    enter(client, number, **job, stage_plan="scaled", stage_gain="60 %")
    places = next(
        c for c in client.get(f"/api/jobs/{number}/measure").get_json()["checks"] if c["name"] == "plate_thickness"
    )["places"]
    for place in places:
        plate = read(client, number, "plate_thickness", place["key"], "2.86 mm")
    assert plate["finding"]["verdict"] in ("reuse", "reuse and watch")
    needs = {n["part"]: n for n in client.get(f"/api/jobs/{number}/measure").get_json()["needs"]}
    assert "with their wear together: Slips" in needs["plates"]["reasons"][0]
    enter(client, number, stage_gain="0 %")
    assert "plates" not in {n["part"] for n in client.get(f"/api/jobs/{number}/measure").get_json()["needs"]}


def test_four_lengths_put_in_ask_for_no_fifth_spring(client: Any) -> None:
    number = client.post("/api/jobs", json={"name": "Four", "layout": "wet_motorcycle"}).get_json()["id"]
    enter(client, number, spring_lengths="each", spring_free_lengths="35; 35; 34.8; 35 mm")
    springs = next(
        c for c in client.get(f"/api/jobs/{number}/measure").get_json()["checks"] if c["name"] == "spring_free_length"
    )
    assert [p["item"] for p in springs["places"]] == ["Spring 1", "Spring 2", "Spring 3", "Spring 4"]


def test_a_check_of_the_job_is_read_exported_and_brought_back(client: Any, job: int) -> None:
    refused = say(client, job, "own", "Sensor gap", answer="asked", unit="furlong")
    assert (refused.status_code, "furlong" in refused.get_json()["detail"]) == (422, True)
    bench = say(client, job, "own", "Sensor gap", "Ines", answer="asked", unit="mm", least="0.6", most="1.0").get_json()
    added = next(c for c in bench["checks"] if c["own"])
    assert (added["name"], added["in_scope"]) == ("own_sensor_gap", True)
    read(client, job, "own_sensor_gap", "Once", "1.4 mm")
    taken = client.get(f"/api/jobs/{job}/measure").get_json()
    gap = next(c for c in taken["checks"] if c["own"])
    assert gap["finding"]["verdict"] == "put right"
    assert any("Sensor gap" in reason for need in taken["needs"] for reason in need["reasons"])
    csv = client.get(f"/api/jobs/{job}/readings.csv").get_data(as_text=True)
    assert "own_sensor_gap,Once,1.4 mm" in csv
    again = client.post(f"/api/jobs/{job}/readings/csv", json={"text": csv}).get_json()
    assert (again["taken"], again["already"], again["faults"]) == (0, 1, [])
    file = client.get(f"/api/jobs/{job}/file").data
    copy = client.post("/api/jobs/file?again=true", data=file).get_json()["id"]
    brought = next(c for c in client.get(f"/api/jobs/{copy}/measure").get_json()["checks"] if c["own"])
    assert brought["finding"]["sentence"] == gap["finding"]["sentence"]
    assert "Sensor gap" in client.get(f"/api/jobs/{copy}/sheet.html").get_data(as_text=True)
    say(client, job, "own", "Sensor gap", answer="open")
    assert not any(c["own"] for c in client.get(f"/api/jobs/{job}/measure").get_json()["checks"])
    assert client.get(f"/api/jobs/{job}/file").status_code == 200


def test_pedal_force_is_held_against_what_the_job_allows(client: Any, job: int) -> None:
    enter(client, job, effort_limit="130 N")
    assert read(client, job, "pedal_force", "Once", "100 N")["finding"]["verdict"] == "reuse"
    heavy = read(client, job, "pedal_force", "Once", "180 N")
    assert (heavy["finding"]["verdict"], heavy["limits"][0]["mark"]) == ("put right", "job")
