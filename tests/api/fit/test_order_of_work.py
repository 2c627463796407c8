"""The order of work over HTTP: layouts, what is not on the job, own steps, figures as spoken, a job half way."""

from __future__ import annotations

import io
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from tests.api.fit.working import plan_of, say, work_on
from tests.api.jobs.test_views import begin, enter
from tests.jobs import FULL


@pytest.fixture
def job(client: FlaskClient) -> int:
    return int(begin(client, FULL)["id"])


def step_of(plan: dict[str, Any], key: str) -> dict[str, Any]:
    return next(s for s in plan["steps"] if s["key"] == key)


def keys_of(plan: dict[str, Any]) -> list[str]:
    return [s["key"] for s in plan["steps"]]


def test_each_kind_of_vehicle_is_one_answer_away(client: FlaskClient, job: int) -> None:
    for kind, has in (("torque_tube", "on:tube"), ("engine_out", "hoist"), ("transverse", "mounts")):
        plan = say(client, job, "plan", "kind", answer=kind).get_json()
        assert has in keys_of(plan), kind
    names = {q["name"] for q in plan["questions"]}
    assert "subframe" in names
    assert "tail" not in names, "a transaxle has no crossmember to ask for"


def test_a_shut_step_says_why_and_a_tick_is_refused_with_the_same_words(client: FlaskClient, job: int) -> None:
    plan = plan_of(client, job)
    shut = step_of(plan, "slave_read")
    assert shut["reason"] in ("harm", "proof", "fluid")
    refused = say(client, job, "step", "slave_read", answer="done", text="12 mm")
    assert refused.status_code == 422
    assert shut["shut"] in refused.get_json()["detail"]
    assert {r["need"] for r in shut["reasons"]} == set(shut["needs"])


def test_what_is_not_on_the_job_leaves_the_plan_under_a_name_and_comes_back(client: FlaskClient, job: int) -> None:
    assert say(client, job, "not_here", "undertray", who="", answer="none").status_code == 422
    assert say(client, job, "not_here", "battery", answer="none").status_code == 422
    plan = say(client, job, "not_here", "undertray", answer="none").get_json()
    assert not {"undertray", "on:undertray"} & set(keys_of(plan))
    assert [(g["key"], g["said"]["who"]) for g in plan["gone"]] == [("undertray", "Ines")]
    assert "undertray" in keys_of(say(client, job, "not_here", "undertray", answer="open").get_json())


def test_a_job_taken_down_elsewhere_goes_on_from_there(client: FlaskClient, job: int) -> None:
    plan = say(client, job, "plan", "begun", answer="taken_down_elsewhere").get_json()
    assert step_of(plan, "gearbox_out")["state"] == "done"
    assert step_of(plan, "gearbox_out")["known"] == "taken down elsewhere: no marks"
    assert step_of(plan, "disc_on")["state"] == "shut"


def test_an_own_step_is_a_step_whole(client: FlaskClient, job: int) -> None:
    note = "Both ends, " * 60 + "and the clip last."
    said = {"after": "exhaust", "back": "Horn bracket on", "note": note, "joint": "Horn bracket", "evidence": "bolts"}
    plan = say(client, job, "own_step", "Horn bracket", answer="asked", **said).get_json()
    own = next(s for s in plan["steps"] if s["own"] and s["off"] == "")
    assert (own["note"], own["on"], own["evidence"]) == (note, f"on:{own['key']}", "bolts")
    assert step_of(plan, "on:exhaust")["state"] == "shut"
    figure = {"answer": "chosen", "figure": "8 to 10 N·m", "count": "2"}
    plan = say(client, job, "tightening", "Horn bracket:maker", **figure).get_json()
    turns = step_of(plan, own["key"])["turns"]
    assert [t["to"][:6] for t in turns] == ["9 N·m ", "9 N·m "]
    pages = PdfReader(io.BytesIO(client.get(f"/api/jobs/{job}/plan.pdf").data)).pages
    paper = " ".join(page.extract_text() for page in pages)
    assert "and the clip last." in " ".join(paper.split()), "its text stands whole on paper"


def test_the_paper_names_the_parts_that_are_not_in_yet(client: FlaskClient, job: int) -> None:
    enter(client, client.get(f"/api/jobs/{job}").get_json(), rear_seal_fate="renewed")
    body = {"kind": "own_part", "key": "Rear main seal", "said": {"answer": "to_get", "reason": "weeps"}, "request": ""}
    client.post(f"/api/jobs/{job}/record", json=body)
    first = PdfReader(io.BytesIO(client.get(f"/api/jobs/{job}/plan.pdf").data)).pages[0].extract_text()
    line = " ".join(first.split()).partition("Not in yet: ")[2][:200]
    assert "Rear main seal" in line
    assert "name=" not in line


@pytest.mark.parametrize(
    ("figure", "to"),
    [
        ("14 to 19 ft-lb", "22.4 N·m (16.5 lb-ft), 19 N·m (14 lb-ft) to 25.8 N·m (19 lb-ft)"),
        ("15, 20, 25 lb-ft", "20.3 N·m (15 lb-ft)"),
        ("72 N·m or 53 ft-lb", "72 N·m (53.1 lb-ft)"),
        ("snug", "by feel"),
    ],
)
def test_a_figure_is_taken_as_it_is_spoken(client: FlaskClient, job: int, figure: str, to: str) -> None:
    plan = say(client, job, "tightening", "cover:kit", answer="chosen", figure=figure, count="6").get_json()
    assert step_of(plan, "cover_on")["turns"][0]["to"] == to


def test_every_joint_takes_its_figure_the_night_before(client: FlaskClient, job: int) -> None:
    """Also of a step that its bolts do not prove, and before its turn has come."""
    plan = say(client, job, "tightening", "prop_shaft:maker", answer="chosen", figure="65 lb-ft", count="4").get_json()
    step = step_of(plan, "on:prop_shaft")
    assert [w["owner"] for w in step["ways"]] == ["maker"]
    assert len(step["turns"]) == 4
    assert say(client, job, "tightening", "moon:maker", answer="chosen", figure="65 lb-ft").status_code == 422


def test_what_is_typed_in_choose_is_gone_by_in_fit(client: FlaskClient, job: int) -> None:
    enter(client, client.get(f"/api/jobs/{job}").get_json(), bolt_instructions="kit: 44 lb-ft + 90°; maker: 53 lb-ft")
    ways = step_of(plan_of(client, job), "flywheel_on")["ways"]
    assert [(w["owner"], w["chosen"]) for w in ways] == [("kit", True), ("maker", False)]


def test_opening_a_step_again_opens_the_proofs_that_rest_on_it(client: FlaskClient, job: int) -> None:
    work_on(client, job, "prove_start")
    plan = say(client, job, "step", "on:line", answer="open").get_json()
    assert step_of(plan, "slave_read")["state"] == "shut"
    assert step_of(plan, "slave_read")["again"].startswith("Connect the line")
    assert step_of(plan, "cover_on")["state"] == "done"


def test_a_stretch_is_ticked_in_one_go_by_one_name(client: FlaskClient, job: int) -> None:
    plan = work_on(client, job, "raise")
    group = next(g for g in plan["groups"] if g["stretch"] == "down")
    lines = [{"kind": "step", "key": key, "said": {"answer": "done"}} for key in group["in_one_go"]]
    answer = client.post(f"/api/jobs/{job}/plan/paper", json={"lines": lines, "who": "Odo"})
    assert answer.status_code == 200
    done = {s["key"]: s["said"]["who"] for s in answer.get_json()["steps"] if s["said"]}
    assert {done[key] for key in group["in_one_go"]} == {"Odo"}


def test_a_finding_widens_how_far_the_job_opens_with_its_reason(client: FlaskClient, job: int) -> None:
    revised = client.get(f"/api/jobs/{job}").get_json()
    enter(client, revised, bearing_fate="renewed")
    plan = plan_of(client, job)
    assert "cover_off" not in keys_of(plan)
    body = {"kind": "own_part", "key": "Rear main seal", "said": {"answer": "to_get", "reason": "weeps"}, "request": ""}
    client.post(f"/api/jobs/{job}/record", json=body)
    plan = plan_of(client, job)
    assert {"flywheel_off", "rear_seal_in", "cover_on"} <= set(keys_of(plan))
    assert plan["opens_for"] == ["rear main seal: on the list: weeps"]
