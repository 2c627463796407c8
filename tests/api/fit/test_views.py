"""The plan over HTTP: said by name, never stale, kept with the job's file; cards measured."""

from __future__ import annotations

import io
import json
import re
from typing import Any

import pytest
from flask.testing import FlaskClient
from pypdf import PdfReader

from tests.api.fit.working import plan_of, say, work_on
from tests.api.jobs.test_views import begin
from tests.jobs import FULL, MOTORCYCLE


@pytest.fixture
def job(client: FlaskClient) -> int:
    return int(begin(client, FULL)["id"])


def test_a_job_is_worked_through_to_full_load_and_its_file_carries_all_of_it(client: FlaskClient, job: int) -> None:
    plan = work_on(client, job, "")
    assert (plan["done"], plan["minutes"], plan["next"]) == (len(plan["steps"]), 0, "")
    file = client.get(f"/api/jobs/{job}/file").data
    copy = client.post("/api/jobs/file?again=true", data=file).get_json()["id"]
    again = plan_of(client, copy)
    assert [s["state"] for s in again["steps"]] == [s["state"] for s in plan["steps"]]
    assert again["steps"][0]["said"]["who"] == "Ines"


def test_a_hold_point_is_overridden_by_name_and_printed(client: FlaskClient, job: int) -> None:
    work_on(client, job, "prove_cover")
    assert say(client, job, "step", "prove_cover", answer="overridden").status_code == 422
    assert say(client, job, "step", "cover_on", answer="done").status_code == 422
    lost = {"answer": "overridden", "reason": "tool lost, centred by eye"}
    refused = say(client, job, "step", "prove_cover", **lost)
    assert refused.status_code == 422
    assert "wobble of the disc: nobody has read it" in refused.get_json()["detail"]
    assert say(client, job, "hold_line", "prove_cover:wobble", answer="overridden", reason="no dial").status_code == 200
    plan = say(client, job, "step", "prove_cover", **lost).get_json()
    assert plan["next"] == "cover_on"
    sheet = client.get(f"/api/jobs/{job}/sheet.html").get_data(as_text=True)
    assert "tool lost, centred by eye" in sheet
    assert "Overridden" in sheet


def test_a_tick_sent_twice_counts_once_and_two_people_do_not_collide(client: FlaskClient, job: int) -> None:
    for who in ("Ines", "Odo"):
        assert say(client, job, "step", "cautions", who=who, request="tick-1", answer="done").status_code == 200
    lines = json.loads(client.get(f"/api/jobs/{job}/file").data)["bench"]["record"]
    assert [(x["key"], x["who"]) for x in lines] == [("cautions", "Ines")]


def test_answers_make_the_plan_anew_and_what_was_done_is_listed(client: FlaskClient, job: int) -> None:
    work_on(client, job, "prop_shaft")
    plan = say(client, job, "plan", "shaft", answer="flanged").get_json()
    assert {v["key"] for v in plan["vanished"]} == {"fill_plug", "drain"}
    assert next(q for q in plan["questions"] if q["name"] == "shaft")["said"]
    refused = say(client, job, "plan", "shaft", answer="bent")
    assert (refused.status_code, "no answer" in refused.get_json()["detail"]) == (422, True)


def test_an_ordered_part_that_is_not_here_makes_its_step_wait(client: FlaskClient, job: int) -> None:
    revision = client.get(f"/api/jobs/{job}").get_json()["revision"]
    fates = ("rear_seal_fate", "input_seal_fate")
    entries = {"entries": [{"quantity": fate, "typed": "renewed"} for fate in fates]}
    client.post(f"/api/jobs/{job}/entries", json=entries, headers={"If-Match": f'"{revision}"'})
    body = {"kind": "order", "key": "Rear main seal", "said": {"state": "ordered"}, "request": ""}
    listed = client.get(f"/api/jobs/{job}/measure").get_json()["needs"]
    key = next(n["key"] for n in listed if n["part"] == "rear_seal")
    client.post(f"/api/jobs/{job}/record", json=body | {"key": key})
    plan = work_on(client, job, "retainer_on")
    waits = next(s for s in plan["steps"] if s["key"] == "rear_seal_in")
    assert (waits["state"], waits["awaits"]) == ("waits", ["Rear main seal"])
    client.post(f"/api/jobs/{job}/record", json=body | {"key": key, "said": {"state": "arrived"}})
    assert next(s for s in plan_of(client, job)["steps"] if s["key"] == "rear_seal_in")["state"] == "open"


def test_a_step_of_ones_own_holds_up_the_last_look(client: FlaskClient, job: int) -> None:
    plan = say(client, job, "own_step", "Paint every bolt", answer="asked", after="cover_on").get_json()
    own = next(s for s in plan["steps"] if s["own"])
    assert own["needs"] == ["cover_on"]
    assert own["key"] in next(s for s in plan["steps"] if s["key"] == "housing_trial")["needs"]
    assert say(client, job, "own_step", "Another", answer="asked", after="nowhere").status_code == 422


def test_what_is_said_of_a_plan_is_not_said_past_it(client: FlaskClient, job: int) -> None:
    body = {"kind": "step", "key": "drive", "said": {"answer": "done"}, "request": ""}
    assert client.post(f"/api/jobs/{job}/record", json=body).status_code == 422


def test_a_motorcycle_has_its_own_plan(client: FlaskClient) -> None:
    number = begin(client, MOTORCYCLE)["id"]
    plan = plan_of(client, number)
    assert [q["name"] for q in plan["questions"]] == ["begun", "runs", "arm", "helpers"]
    assert "pack_in" in {s["key"] for s in plan["steps"]}


def test_a_card_is_drawn_at_its_size(client: FlaskClient, job: int) -> None:
    svg = client.get(f"/api/jobs/{job}/card.svg").get_data(as_text=True)
    width = float(re.search(r'viewBox="0 0 ([\d.]+) [\d.]+" width="([\d.]+)mm"', svg)[1])  # type: ignore[index]
    assert f'width="{width:.3f}mm"' in svg  # a unit is a millimetre
    assert re.search(r'data-bar="100" d="M[\d.]+ [\d.]+h100.000"', svg)
    holes = re.findall(r'data-hole="(\d+)" data-x="([\d.]+)" data-y="([\d.]+)"', svg)
    circle = float(re.search(r'<circle cx="[\d.]+" cy="[\d.]+" r="([\d.]+)"', svg)[1])  # type: ignore[index]
    for _, x, y in holes:
        assert ((float(x) - width / 2) ** 2 + (float(y) - width / 2) ** 2) ** 0.5 == pytest.approx(circle, abs=1e-3)
    assert [int(n) for n, _, _ in holes] == list(range(1, len(holes) + 1))
    right = [float(x) > width / 2 for _, x, _ in holes]
    assert right[1]  # numbered clockwise from the top, as the screen does
    step = next(s for s in plan_of(client, job)["steps"] if s["key"] == "flywheel_on")
    assert f"in the order {', '.join(map(str, step['sequence']))}" in svg


def test_a_bar_of_100_mm_is_100_mm_on_paper(client: FlaskClient, job: int) -> None:
    page = PdfReader(io.BytesIO(client.get(f"/api/jobs/{job}/card.pdf").data)).pages[0]
    operators = page.get_contents().get_data().decode("latin-1")  # type: ignore[union-attr]
    scales = [float(m[1]) for m in re.finditer(r"([\d.]+) 0 0 -?[\d.]+ [\d.]+ [\d.]+ cm", operators)]
    bars = [(float(m[3]) - float(m[1])) for m in re.finditer(r"([\d.]+) ([\d.]+) m\s+([\d.]+) \2 l", operators)]
    lengths = [bar * scale for bar in bars for scale in (1.0, 0.75, *scales, *(s * 0.75 for s in scales))]
    assert any(length == pytest.approx(100 / 25.4 * 72, rel=1e-3) for length in lengths), (bars[:5], scales[:5])


def test_a_circle_larger_than_a_sheet_comes_on_several(client: FlaskClient) -> None:
    number = begin(client, {**FULL, "flywheel_cover_bolt_circle": "262 mm"})["id"]
    refused = client.get(f"/api/jobs/{number}/card.pdf?joint=cover")
    assert (refused.status_code, "say how many" in refused.get_json()["detail"]) == (422, True)
    pages = PdfReader(io.BytesIO(client.get(f"/api/jobs/{number}/card.pdf?joint=cover&count=6").data)).pages
    assert len(pages) == 4
    assert "sheet 1 of 4: top left" in pages[0].extract_text()


def test_a_card_wants_what_was_measured(client: FlaskClient) -> None:
    number = begin(client)["id"]
    refused = client.get(f"/api/jobs/{number}/card.svg")
    assert (refused.status_code, "enter bolt circle" in refused.get_json()["detail"]) == (422, True)


def test_the_steps_print_with_boxes(client: FlaskClient, job: int) -> None:
    text = " ".join(p.extract_text() for p in PdfReader(io.BytesIO(client.get(f"/api/jobs/{job}/plan.pdf").data)).pages)
    assert "HOLD: Prove before the cover goes on" in text
    assert "The starter cable is live" in text


def ticked_in(plan: dict[str, Any], step: str = "flywheel_on") -> set[int]:
    turns = next(s for s in plan["steps"] if s["key"] == step)["turns"]
    return {turn["bolt"] for turn in turns if turn["state"] == "done"}


def test_bolts_are_ticked_off_one_by_one_and_none_is_left(client: FlaskClient, job: int) -> None:
    work_on(client, job, "flywheel_on")
    early = say(client, job, "step", "flywheel_on", answer="done")
    assert (early.status_code, "not ticked off yet: bolt 1" in early.get_json()["detail"]) == (422, True)
    step = next(s for s in plan_of(client, job)["steps"] if s["key"] == "flywheel_on")
    assert sorted(step["sequence"]) == list(range(1, len(step["sequence"]) + 1))
    for bolt in step["sequence"]:
        said = say(client, job, "bolt", f"flywheel_on:{bolt}", answer="done", request=f"tick {bolt}")
        assert said.status_code == 200
    assert ticked_in(said.get_json()) == set(step["sequence"])
    back = say(client, job, "bolt", "flywheel_on:3", answer="open").get_json()
    assert ticked_in(back) == set(step["sequence"]) - {3}
    for wrong in ("flywheel_on:99", "cover_on:1", "nowhere:1", "flywheel_on:x"):
        assert say(client, job, "bolt", wrong, answer="done").status_code == 422


def test_bags_marks_and_leftovers_and_a_hand_over_that_waits_for_them(client: FlaskClient) -> None:
    job = begin(client, FULL)
    for key, holds in (("Bell housing", "9 x M10, two long at the bottom"), ("Starter", "3 x M12")):
        say(client, job["id"], "bag", key, answer="filled", holds=holds)
    say(client, job["id"], "mark", "Propeller shaft flanges", answer="made", note="one line, green")
    plan = say(client, job["id"], "leftover", "M6 x 20", answer="unexplained", count="1").get_json()
    kept = {(k["kind"], k["key"]): k for k in plan["kept"]}
    assert [k["number"] for k in plan["kept"] if k["kind"] == "bag"] == [1, 2]
    assert kept["leftover", "M6 x 20"]["open"]
    labels = client.get(f"/api/jobs/{job['id']}/bags.pdf")
    words = PdfReader(io.BytesIO(labels.data)).pages[0].extract_text()
    assert "two long at the bottom" in words
    body = {"kind": "hand_over", "key": str(job["revision"]), "said": {"answer": "signed"}, "who": "Nell"}
    refused = client.post(f"/api/jobs/{job['id']}/prove", json=body)
    assert refused.status_code == 422
    assert "M6 x 20" in refused.get_json()["detail"]
    no_reason = say(client, job["id"], "leftover", "M6 x 20", answer="explained")
    assert "where it belongs" in no_reason.get_json()["detail"]
    say(client, job["id"], "leftover", "M6 x 20", answer="explained", reason="heat shield")
    assert client.post(f"/api/jobs/{job['id']}/prove", json=body).status_code == 200


def test_the_bolt_map_says_what_harms_and_goes_on_the_paper(client: FlaskClient) -> None:
    job = begin(client)

    def keep(number: int, **said: str) -> Any:
        body = {
            "kind": "hole",
            "key": f"Bell housing:{number}",
            "said": {"answer": "kept", "thread": "M10", "material": "aluminium", **said},
        }
        return client.post(f"/api/jobs/{job['id']}/plan", json=body)

    assert keep(1, length="55 mm").status_code == 422
    keep(1, length="55 mm", grip="30 mm", depth="30 mm", angle="0°")
    keep(2, length="85 mm", grip="60 mm", depth="30 mm", angle="115°")
    plan = keep(3, length="85 mm", grip="60 mm", depth="30 mm", angle="240°").get_json()
    (found,) = plan["bolt_maps"]
    assert [(h["number"], h["state"], h["degrees"]) for h in found["holes"]] == [
        (1, "good", 0.0),
        (2, "good", 115.0),
        (3, "good", 240.0),
    ]
    assert [s.split(":")[0] for s in found["swaps"]] == ["The bolt of 1 in 2, 3", "The bolts of 2, 3 in 1"]
    assert found["circle"] == "goes on one way only"
    paper = client.get(f"/api/jobs/{job['id']}/plan.pdf").data
    assert "which bolt goes where" in "".join(p.extract_text() for p in PdfReader(io.BytesIO(paper)).pages)
