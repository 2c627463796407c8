"""Tightening, wrenches, plans as files, paper typed back: over HTTP."""

from __future__ import annotations

import hashlib
import json
import re
import time
from collections.abc import Iterator
from typing import Any

import pytest
from flask.testing import FlaskClient

from liftbite.gauges.simulate import Simulator, wrench
from tests.api.fit.test_views import ticked_in
from tests.api.fit.working import plan_of, say, work_on
from tests.api.jobs.test_views import begin
from tests.api.measure.test_gauges import heard, own
from tests.jobs import FULL, MOTORCYCLE


@pytest.fixture
def job(client: FlaskClient) -> int:
    return int(begin(client, FULL)["id"])


def step_of(plan: dict[str, Any], key: str) -> dict[str, Any]:
    return next(s for s in plan["steps"] if s["key"] == key)


def test_a_joint_goes_by_the_instruction_that_is_chosen(client: FlaskClient, job: int) -> None:
    kit = {
        "answer": "chosen",
        "figure": "19 lb-ft, blue locker",
        "count": "6",
        "thread": "M8",
        "grade": "10.9",
        "passes": "thirds",
        "bolts": "renewed",
        "washers": "as the kit says",
    }
    cover = step_of(say(client, job, "tightening", "cover:kit", **kit).get_json(), "cover_on")
    assert (len(cover["turns"]), cover["passes"], cover["ways"][0]["state"]) == (24, 4, "plausible")
    assert cover["turns"][0]["to"] == "8.59 N·m (6.33 lb-ft)"
    two = step_of(
        say(client, job, "tightening", "cover:maker", answer="chosen", figure="25 N·m", count="6").get_json(),
        "cover_on",
    )
    assert [(w["owner"], w["chosen"]) for w in two["ways"]] == [("kit", False), ("maker", True)]
    assert (len(two["turns"]), two["ways"][1]["asks"]) == (6, "type thread and class to hold it against proof")
    nowhere = say(client, job, "tightening", "sump:kit", answer="chosen", figure="25 N·m")
    assert (nowhere.status_code, "no joint of this plan" in nowhere.get_json()["detail"]) == (422, True)
    bare = {"figure": "25 N·m", "thread": "M8", "grade": "10.9", "head": "13 mm", "under": "aluminium"}
    told = say(client, job, "tightening", "cover:shop", answer="beside", **bare).get_json()
    way = step_of(told, "cover_on")["ways"][-1]
    assert "nobody said what is on the thread: taken as received" in way["says"]
    assert "it sinks in: a washer" in way["says"]
    assert "Under the head:" in way["working"]
    assert [each["name"] for each in told["offered"]["passes"]] == ["at_once", "thirds", "half_then_fifths", "as_given"]
    assert told["offered"]["passes"][2]["label"] == "half, then by fifths"
    refused = say(client, job, "tightening", "cover:", answer="chosen", figure="35 lb-ft", thread="M8", grade="8.8")
    assert (refused.status_code, "say whose figure" in refused.get_json()["detail"]) == (422, True)


@pytest.fixture
def twice() -> Iterator[Simulator]:
    there = Simulator(wrench(85, 8, fault="double", noise=0.0), every=0.01).start()
    yield there
    there.stop()


def test_a_wrench_ticks_bolts_off_and_the_one_pulled_twice_is_seen(
    client: FlaskClient, job: int, twice: Simulator
) -> None:
    work_on(client, job, "flywheel_on")
    step = step_of(plan_of(client, job), "flywheel_on")
    torque = step["turns"][0]["to"]
    key, many = own(client, twice.url, "torque_wrench"), len(step["sequence"])
    events = [e["number"] for e in heard(client, key, 9)][: many + 1]
    say(client, job, "tightening", "flywheel:kit", answer="chosen", figure="85 N·m", count=str(many))
    body = {"step": "flywheel_on", "instrument": key, "events": events}
    for _ in range(2):  # the same events from two tabs
        told = client.post(f"/api/jobs/{job}/plan/wrench", json=body)
        assert told.status_code == 200, (told.text, torque)
    turns = step_of(told.get_json(), "flywheel_on")["turns"]
    assert [t["state"] for t in turns].count("done") == many
    assert turns[0]["says"] == "85.0 N·m, 35°"
    record = client.get(f"/api/jobs/{job}/file").get_json()["bench"]["record"]
    flags = [line["said"].get("flag", "") for line in record if line["kind"] == "bolt"]
    assert [bool(flag) for flag in flags].count(True) == 1, "the second pull on one bolt, kept with what was wrong"
    spare = {**body, "events": [10**15]}
    assert client.post(f"/api/jobs/{job}/plan/wrench", json=spare).status_code == 200, "no event, nothing kept"


def test_a_wrench_has_its_own_band_and_a_pull_outside_it_stays_open(client: FlaskClient, job: int) -> None:
    """85 of 82 N·m is 3.7 % off: good by the trade's 5 %, not by the 2 % of a shop's own wrench."""
    refused = client.post(
        f"/api/jobs/{job}/instruments", json={"kind": "torque_wrench", "name": "Long one", "torque_band": "30 %"}
    )
    assert (refused.status_code, "20 %" in refused.get_json()["detail"]) == (422, True)
    work_on(client, job, "flywheel_on")
    say(client, job, "tightening", "flywheel:kit", answer="chosen", figure="82 N·m", count="3")
    there = Simulator(wrench(85, 3, noise=0.0), every=0.01).start()
    try:
        own = {
            "kind": "torque_wrench",
            "name": "Short one",
            "port": there.url,
            "torque_band": "2 %",
            "angle_band": "3°",
        }
        added = client.post(f"/api/jobs/{job}/instruments", json=own).get_json()["instruments"]
        (mine,) = [i for i in added if i["own"]]
        assert mine["bands"] == "a pull may be off by 2 % and 3°"
        events = [e["number"] for e in heard(client, mine["key"], 3)][:3]
        body = {"step": "flywheel_on", "instrument": mine["key"], "events": events}
        told = client.post(f"/api/jobs/{job}/plan/wrench", json=body).get_json()
    finally:
        there.stop()
    turns = step_of(told, "flywheel_on")["turns"]
    assert {t["state"] for t in turns} == {"look again", "open"}
    assert "out of band: 85 N·m of 82 N·m" in turns[0]["says"]


def test_twenty_pulls_a_second_and_none_lost_or_doubled(client: FlaskClient, job: int) -> None:
    work_on(client, job, "flywheel_on")
    say(client, job, "tightening", "flywheel:kit", answer="chosen", figure="85 N·m", count="36")
    there = Simulator(wrench(85, 36, noise=0.0), every=0.05).start()
    try:
        key = own(client, there.url, "torque_wrench")
        after, seen = 2**52, 0
        end = time.monotonic() + 60
        while seen < 36 and time.monotonic() < end:
            told = client.post(f"/api/instruments/{key}/gauge", json={"after": after, "wait": 0.2}).get_json()
            after = told["newest"]
            events = [e["number"] for e in told["events"] if e["kind"] == "value"]
            if events:
                seen += len(events)
                body = {"step": "flywheel_on", "instrument": key, "events": events}
                assert client.post(f"/api/jobs/{job}/plan/wrench", json=body).status_code == 200
    finally:
        there.stop()
    assert ticked_in(plan_of(client, job)) == set(range(1, 37))


def test_a_plan_goes_out_as_a_file_and_into_another_job(client: FlaskClient, job: int) -> None:
    say(client, job, "plan", "lift", answer="floor")
    say(client, job, "own_step", "Paint the trace on every bolt", answer="asked", after="flywheel_on", note="white")
    say(client, job, "tightening", "cover:kit", answer="chosen", figure="20 N·m", count="6")
    text = client.get(f"/api/jobs/{job}/plan/file").text
    assert json.loads(text)["format"] == "liftbite-plan"
    other = int(begin(client, FULL)["id"])
    plan = client.post(f"/api/jobs/{other}/plan/file", json={"text": text}).get_json()
    assert next(q["answer"] for q in plan["questions"] if q["name"] == "lift") == "floor"
    assert step_of(plan, "own:paint_the_trace_on_every_bolt")["note"] == "white"
    assert step_of(plan, "cover_on")["turns"]
    again = json.loads(client.get(f"/api/jobs/{other}/plan/file").text)
    assert again == json.loads(text), "read and written it is the same"


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("{}x", "not JSON"),
        ('{"format": "other"}', "this is no plan"),
        ('{"answers": {"lift": "crane"}}', "no answer"),
        ('{"own": [{"title": "A", "after": "nowhere"}]}', "is no step of any plan"),
        ('{"tightening": [{"key": "cover:x", "said": {"answer": "chosen"}}]}', "type the figure"),
    ],
)
def test_what_is_no_plan_is_refused_and_nothing_of_it_kept(client: FlaskClient, job: int, text: str, says: str) -> None:
    refused = client.post(f"/api/jobs/{job}/plan/file", json={"text": text})
    assert (refused.status_code, says in refused.get_json()["detail"]) == (422, True), refused.text


def test_a_step_of_the_shop_is_in_every_plan_until_it_is_let_go(client: FlaskClient, job: int) -> None:
    at, body = f"/api/jobs/{job}/plan/shop-step", {"title": "Torch and gloves put away", "after": "flywheel_on"}
    assert client.put(at, json=body, headers={"If-Match": '"0"'}).status_code == 200
    other = int(begin(client, FULL)["id"])
    key = "own:torch_and_gloves_put_away"
    assert step_of(plan_of(client, other), key)["own"]
    assert client.put(at, json=body, headers={"If-Match": '"0"'}).status_code == 412
    say(client, other, "own_step", body["title"], answer="open")
    assert key not in {s["key"] for s in plan_of(client, other)["steps"]}, "this job leaves it out"
    assert step_of(plan_of(client, job), key)
    client.put(at, json=body | {"kept": False}, headers={"If-Match": '"1"'})
    assert key not in {s["key"] for s in plan_of(client, job)["steps"]}


def test_a_filled_paper_is_typed_back_at_once_or_not_at_all(client: FlaskClient, job: int) -> None:
    def line(key: str, **said: str) -> dict[str, Any]:
        return {"kind": "step", "key": key, "said": {"answer": "done", **said}}

    good = [line("cautions"), line("parts_gate"), line("free_height", text="640 mm")]
    at = f"/api/jobs/{job}/plan/paper"
    early = client.post(at, json={"lines": [*good, line("gearbox_in")], "who": "Rika"})
    assert (early.status_code, plan_of(client, job)["done"]) == (422, 0)
    done = client.post(at, json={"lines": good, "who": "Rika"}).get_json()
    assert (done["done"], step_of(done, "free_height")["said"]["who"]) == (3, "Rika")


def test_who_is_at_a_step_is_seen_by_the_other(client: FlaskClient, job: int) -> None:
    body = {"kind": "at_step", "key": "cautions", "said": {"answer": "here"}}
    nobody = client.post(f"/api/jobs/{job}/plan", json=body)
    assert (nobody.status_code, "say who" in nobody.get_json()["detail"]) == (422, True)
    assert client.post(f"/api/jobs/{job}/plan", json=body | {"key": "nowhere", "who": "Rika"}).status_code == 422
    plan = client.post(f"/api/jobs/{job}/plan", json=body | {"who": "Rika"}).get_json()
    assert step_of(plan, "cautions")["has"]["who"] == "Rika"


def test_a_card_of_holes_that_were_dragged_over_a_photo(client: FlaskClient, job: int) -> None:
    bolt = {"answer": "kept", "thread": "M10", "length": "50 mm", "grip": "30 mm", "material": "steel"}
    for number, angle, out in ((1, "0°", "0.9"), (2, "100°", "1.1"), (3, "200°", "0.8")):
        say(client, job, "hole", f"Bell housing:{number}", **bolt, angle=angle, out=out)
    assert "wants a length" in plan_of(client, job)["bolt_maps"][0]["card"]
    photo = hashlib.sha256(b"a photo").hexdigest()
    say(client, job, "pattern", "Bell housing", answer="kept", between="1-3: 300 mm", photo=photo, starts="clock")
    found = plan_of(client, job)["bolt_maps"][0]
    assert (found["card"], found["photo"], found["circle"]) == ("", photo, "goes on one way only")
    svg = client.get(f"/api/jobs/{job}/card.svg?joint=Bell%20housing").text
    places = {
        int(n): (float(x), float(y))
        for n, x, y in re.findall(r'data-hole="(\d+)" data-x="([\d.]+)" data-y="([\d.]+)"', svg)
    }
    (ax, ay), (bx, by) = places[1], places[3]
    assert ((ax - bx) ** 2 + (ay - by) ** 2) ** 0.5 == pytest.approx(300, abs=1e-2)
    assert "M10 x 50" in svg
    assert client.get(f"/api/jobs/{job}/card.svg?joint=Sump").status_code == 422


def test_cautions_are_those_of_the_case(client: FlaskClient, job: int) -> None:
    car = " ".join(step_of(plan_of(client, job), "cautions")["hazards"])
    assert "gearbox on a jack" in car
    bike = int(begin(client, MOTORCYCLE)["id"])
    words = " ".join(step_of(plan_of(client, bike), "cautions")["hazards"])
    assert "Used oil" in words
    assert "gearbox" not in words
