"""Jobs over HTTP: begin, enter, preview, undo, conflicts, working, asking, files."""

from __future__ import annotations

import json
import re
from typing import Any

import jsonschema
import numpy as np
import pytest
from flask.testing import FlaskClient
from werkzeug.test import TestResponse

from liftbite.api.jobs.present import curve_out
from liftbite.core.quantities.torque_curve import TorqueCurve
from tests.jobs import CAR, FULL, MOTORCYCLE


def begin(client: FlaskClient, typed: dict[str, str] | None = None) -> dict[str, Any]:
    """A job begun over HTTP, with what was typed entered in one go."""
    typed = typed or CAR
    body = {"name": typed["job_name"], "layout": typed["layout"]}
    job = client.post("/api/jobs", json=body).get_json()
    rest = {q: t for q, t in typed.items() if q not in {"layout", "job_name"}}
    return enter(client, job, **rest).get_json()


def enter(client: FlaskClient, job: dict[str, Any], *, seen: int | None = None, **typed: str | None) -> TestResponse:
    entries = [{"quantity": q, "typed": t} for q, t in typed.items()]
    tag = f'"{job["revision"] if seen is None else seen}"'
    return client.post(f"/api/jobs/{job['id']}/entries", json={"entries": entries}, headers={"If-Match": tag})


def turn(client: FlaskClient, job: dict[str, Any], way: str) -> TestResponse:
    return client.post(f"/api/jobs/{job['id']}/{way}", headers={"If-Match": f'"{job["revision"]}"'})


def field(job: dict[str, Any], name: str) -> dict[str, Any]:
    found: dict[str, Any] = next(f for f in job["fields"] if f["name"] == name)
    return found


def test_a_job_is_begun_with_a_layout(client: FlaskClient) -> None:
    response = client.post("/api/jobs", json={"name": "First", "layout": "dry_car", "vehicle": "Old one"})
    assert response.status_code == 201
    assert re.fullmatch(r'"[0-9a-f]{12}\.1"', response.headers["ETag"])
    job = response.get_json()
    assert (job["name"], job["vehicle"], job["verdicts"][0]["state"]) == ("First", "Old one", "open")
    (line,) = client.get("/api/jobs").get_json()["jobs"]
    assert (line["name"], line["layout_label"]) == ("First", "Car, dry clutch")


def test_entries_give_the_numbers_of_the_core(client: FlaskClient) -> None:
    job = begin(client)
    results = {r["name"]: r["planned"] for r in job["results"]}
    assert results["torque_capacity"]["low"]["si"] == pytest.approx(450.0)
    assert results["bite_margin"]["nominal"]["metric"]["figure"] == "1.35"
    assert field(job, "outer_diameter")["value"]["inch"] == {"figure": "9.449", "unit": "in"}
    assert job["verdicts"][0]["state"] == "holds"
    decides = job["verdicts"][0]["deciding"]
    assert (decides["figure"]["metric"]["figure"], decides["limit"]["metric"]["figure"]) == ("1.35", "1.3")
    assert decides["whose"] == "use factors of the trade, never below 1.1"
    assert {n["name"] for n in decides["stands_on"]["entered"]} >= {"cover_clamp", "peak_torque", "outer_diameter"}
    assert {n["name"] for n in decides["stands_on"]["assumed"]} >= {"friction_nominal", "use_factor"}
    assert [v["state"] for v in job["verdicts"][1:]] == ["open"] * 3


def test_what_was_typed_stays_as_typed(client: FlaskClient) -> None:
    job = enter(client, begin(client), outer_diameter="9 1/2 in").get_json()
    found = field(job, "outer_diameter")
    assert (found["typed"], found["typeset"], found["value"]["si"]) == ("9 1/2 in", "9\u202f¹⁄₂ in", 0.2413)


def test_several_figures_in_one_field(client: FlaskClient) -> None:
    job = begin(client, {**MOTORCYCLE, "spring_lengths": "each"})
    after = enter(client, job, spring_free_lengths="45; 44,8; 44.9 mm").get_json()
    found = field(after, "spring_free_lengths")
    assert (found["typed"], found["value"], found["problem"]) == ("45; 44,8; 44.9 mm", None, None)
    assert next(r for r in after["results"] if r["name"] == "clamp_load")["planned"]["low"]["si"] == pytest.approx(
        25e3 * (0.045 + 0.0448 + 0.0449 - 3 * 0.030)
    )
    refused = enter(client, after, spring_free_lengths="45; 44,8; x mm")
    assert refused.status_code == 422
    assert "Free lengths: “x mm” does not begin with a number" in refused.get_json()["detail"]


def test_a_bad_entry_is_refused_whole_and_names_its_field(client: FlaskClient) -> None:
    job = begin(client)
    response = enter(client, job, cover_clamp="10 kN", outer_diameter="9 1/0 in")
    assert response.status_code == 422
    assert response.content_type == "application/problem+json"
    (fault,) = response.get_json()["errors"]
    assert fault["field"] == "outer_diameter"
    assert "divides by zero" in fault["message"]
    assert client.get(f"/api/jobs/{job['id']}").get_json()["revision"] == job["revision"]


def test_typing_the_same_again_is_no_revision(client: FlaskClient) -> None:
    job = begin(client)
    assert enter(client, job, cover_clamp="9 kN").get_json()["revision"] == job["revision"]


def test_a_preview_keeps_nothing(client: FlaskClient) -> None:
    job = begin(client)
    body = {"entries": [{"quantity": "cover_clamp", "typed": "6 kN"}, {"quantity": "outer_diameter", "typed": "9 1/"}]}
    shown = client.post(f"/api/jobs/{job['id']}/preview", json=body).get_json()
    assert shown["verdicts"][0]["state"] == "slips"
    assert field(shown, "outer_diameter")["typed"] == "9 1/"
    assert "Outer diameter" in field(shown, "outer_diameter")["problem"]
    assert client.get(f"/api/jobs/{job['id']}").get_json() == job


def test_a_preview_of_an_emptied_field_shows_it_missing(client: FlaskClient) -> None:
    job = begin(client)
    body = {"entries": [{"quantity": "cover_clamp", "typed": None}]}
    shown = client.post(f"/api/jobs/{job['id']}/preview", json=body).get_json()
    assert shown["verdicts"][0]["needs"] == [{"name": "cover_clamp", "label": "Clamp load"}]


def test_an_unusual_figure_is_taken_but_questioned(client: FlaskClient) -> None:
    job = enter(client, begin(client), outer_diameter="9.5 mm", inner_diameter="6 mm").get_json()
    asked = field(job, "outer_diameter")["question"]
    assert "9.5 in = 241.3 mm" in asked["sentence"]
    assert asked["instead"][0] == "9.5 in"


def test_a_stale_write_is_refused_and_nothing_overwritten(client: FlaskClient) -> None:
    job = begin(client)
    first = enter(client, job, cover_clamp="10 kN")
    second = enter(client, job, cover_clamp="8 kN")
    assert (first.status_code, second.status_code) == (200, 412)
    assert second.get_json()["newest"] == first.get_json()["revision"]
    now = client.get(f"/api/jobs/{job['id']}").get_json()
    assert field(now, "cover_clamp")["typed"] == "10 kN"
    assert turn(client, job, "undo").status_code == 412


@pytest.mark.parametrize("tag", [None, "", "17", '"x"', "*"])
def test_a_write_has_to_say_what_it_was_made_on(client: FlaskClient, tag: str | None) -> None:
    job = begin(client)
    headers = {} if tag is None else {"If-Match": tag}
    body = {"entries": [{"quantity": "cover_clamp", "typed": "8 kN"}]}
    assert client.post(f"/api/jobs/{job['id']}/entries", json=body, headers=headers).status_code == 428


def test_undo_and_redo_survive_a_new_reading_of_the_job(client: FlaskClient) -> None:
    job = enter(client, begin(client), cover_clamp="10 kN").get_json()
    assert job["undo"]["words"] == "Clamp load"
    back = turn(client, client.get(f"/api/jobs/{job['id']}").get_json(), "undo").get_json()
    assert field(back, "cover_clamp")["typed"] == "9 kN"
    again = turn(client, client.get(f"/api/jobs/{job['id']}").get_json(), "redo").get_json()
    assert field(again, "cover_clamp")["typed"] == "10 kN"
    assert again["redo"] is None
    assert turn(client, again, "redo").get_json()["revision"] == again["revision"]


def test_the_history_tells_before_and_after(client: FlaskClient) -> None:
    job = enter(client, begin(client), cover_clamp="10 kN", use="track").get_json()
    turn(client, job, "undo")
    undone, edited, *_, started = client.get(f"/api/jobs/{job['id']}/history").get_json()["revisions"]
    assert (undone["kind"], undone["of"], started["kind"]) == ("undo", edited["number"], "start")
    said = {c["label"]: (c["before"], c["after"]) for c in edited["changes"]}
    assert said == {"Clamp load": ("9 kN", "10 kN"), "Use": ("Road, tuned", "Track")}
    assert edited["at"].endswith("Z")


def test_a_job_is_archived_and_brought_back(client: FlaskClient) -> None:
    job = begin(client)
    seen = {"If-Match": f'"{job["change"]}"'}
    away = client.put(f"/api/jobs/{job['id']}/archived", json={"archived": True}, headers=seen).get_json()
    assert away["archived"]
    assert client.put(f"/api/jobs/{job['id']}/archived", json={"archived": False}, headers=seen).status_code == 412
    listed = client.get("/api/jobs").get_json()
    assert (listed["jobs"], listed["archived"], listed["count"]) == ([], 1, 0)
    assert len(client.get("/api/jobs?archived=true").get_json()["jobs"]) == 1
    seen = {"If-Match": f'"{away["change"]}"'}
    client.put(f"/api/jobs/{job['id']}/archived", json={"archived": False}, headers=seen)
    assert len(client.get("/api/jobs").get_json()["jobs"]) == 1


def test_the_working_over_http(client: FlaskClient) -> None:
    job = begin(client)
    at = f"/api/jobs/{job['id']}/working"
    found = client.post(at, json={"quantity": "bite_margin", "friction": -1}).get_json()
    assert found["at"] == "engine as it is, low friction"
    step = next(s for s in found["steps"] if s["name"] == "effective_radius")
    assert step["formula"] == "r_e = (D_o + D_i) / 4"
    term = step["terms"][0]
    assert (term["typeset"], term["si"], term["mark"]) == ("240 mm", "0.24 m", "entered")
    for wrong in ({"quantity": "colour"}, {"quantity": "bite_margin", "friction": 7}, {"friction": 0}):
        assert client.post(at, json=wrong).status_code in {400, 422}


def test_working_and_asking_follow_what_is_tried(client: FlaskClient) -> None:
    """A number on screen opens its own working, also while something is tried that is not entered."""
    job = begin(client)
    tried = [{"quantity": "cover_clamp", "typed": "16 kN"}]
    shown = client.post(f"/api/jobs/{job['id']}/preview", json={"entries": tried}).get_json()
    margin = next(r for r in shown["results"] if r["name"] == "bite_margin")["now"]["low"]["si"]
    body = {"quantity": "bite_margin", "friction": -1, "entries": tried}
    steps = client.post(f"/api/jobs/{job['id']}/working", json=body).get_json()["steps"]
    assert steps[0]["value"]["si"] == margin
    clamp = next(t for s in steps for t in s["terms"] if t["name"] == "cover_clamp")
    assert clamp["typeset"] == "16 kN"
    asked = [client.post(f"/api/jobs/{job['id']}/ask", json={"entries": e}).get_json() for e in ([], tried)]
    friction = [next(s for s in a["sought"] if s["name"] == "friction_coefficient")["values"] for a in asked]
    assert friction[1][0]["si"] == pytest.approx(friction[0][0]["si"] * 9 / 16)
    assert client.get(f"/api/jobs/{job['id']}").get_json()["revision"] == job["revision"]


def test_asking_backwards_over_http(client: FlaskClient) -> None:
    job = begin(client)
    asked = client.post(f"/api/jobs/{job['id']}/ask", json={}).get_json()
    assert asked["target"]["metric"]["figure"] == "1.3"
    by_name = {s["name"]: s for s in asked["sought"]}
    assert by_name["cover_clamp"]["values"][0]["si"] == pytest.approx(26_000 / 3)
    typed = by_name["cover_clamp"]["typed"][0]
    held = enter(client, job, cover_clamp=typed, pressure_limit="1 MPa").get_json()
    assert held["verdicts"][0]["state"] == "holds", "the answer as typed meets the target"
    assert not by_name["friction_coefficient"]["can_enter"]


@pytest.mark.parametrize(
    ("body", "says"),
    [
        ({"target": "abc"}, "Target for bite margin: “abc” does not begin with a number"),
        ({"target": "-1"}, "has to be more than 0"),
        ({"target": "1.3 mm"}, "Target for bite margin"),
        ({"result": "colour"}, "is not a result"),
        ({"result": "torque_capacity"}, "say what the result should be"),
    ],
)
def test_a_bad_question_is_a_sentence(client: FlaskClient, body: dict[str, str], says: str) -> None:
    response = client.post(f"/api/jobs/{begin(client)['id']}/ask", json=body)
    assert response.status_code == 422
    assert says in response.get_json()["detail"]


def test_another_result_can_be_asked(client: FlaskClient) -> None:
    job = begin(client)
    body = {"result": "torque_capacity", "target": "400 lb-ft"}
    asked = client.post(f"/api/jobs/{job['id']}/ask", json=body).get_json()
    clamp = next(s for s in asked["sought"] if s["name"] == "cover_clamp")
    assert clamp["values"][0]["si"] == pytest.approx(400 * 1.3558179483314 / (2 * 0.30 * 0.1))


def test_a_job_leaves_as_a_file_and_comes_back_unchanged(client: FlaskClient) -> None:
    job = enter(client, begin(client, MOTORCYCLE), cover_clamp=None, spring_count="5").get_json()
    turn(client, job, "undo")
    out = client.get(f"/api/jobs/{job['id']}/file")
    assert 'filename="test-twin.liftbite.json"' in out.headers["Content-Disposition"]
    schema = client.get("/api/job-file.schema.json").get_json()
    jsonschema.validate(json.loads(out.data), schema)
    here = client.post("/api/jobs/file", data=out.data, content_type="application/json")
    assert (here.status_code, here.get_json()["id"]) == (200, job["id"]), "it is here as it is"
    back = client.post("/api/jobs/file?again=true", data=out.data, content_type="application/json")
    assert back.status_code == 201
    again = client.get(f"/api/jobs/{back.get_json()['id']}/file")
    assert again.get_json() | {"job": ""} == out.get_json() | {"job": ""}
    assert again.get_json()["job"] != out.get_json()["job"], "a second job has an identity of its own"
    first, second = client.get(f"/api/jobs/{job['id']}").get_json(), back.get_json()
    own = {"id", "change"}
    assert {k: v for k, v in first.items() if k not in own} == {k: v for k, v in second.items() if k not in own}


def test_a_job_file_is_the_same_job_however_often_it_is_brought(client: FlaskClient) -> None:
    job = begin(client, MOTORCYCLE)
    out = client.get(f"/api/jobs/{job['id']}/file").data
    for _ in range(2):
        here = client.post("/api/jobs/file", data=out)
        assert (here.status_code, here.get_json()["id"]) == (200, job["id"])
    second = client.post("/api/jobs/file?again=true", data=out)
    assert second.status_code == 201
    assert len(client.get("/api/jobs").get_json()["jobs"]) == 2


def test_a_job_that_was_changed_since_is_asked_about(client: FlaskClient) -> None:
    """An older file brings nothing new; one that goes on where the job ends, or went elsewhere, is asked about."""
    job = begin(client, MOTORCYCLE)
    path = f"/api/jobs/{job['id']}/file"
    before = client.get(path).data
    after = enter(client, job, spring_count="5").get_json()
    older = client.post("/api/jobs/file", data=before)
    assert (older.status_code, older.get_json()["revision"]) == (200, after["revision"]), (
        "the job here goes on where the file ends"
    )
    goes_on = json.loads(client.get(path).data)
    goes_on["revisions"].append(
        {
            "number": after["revision"] + 1,
            "at": "2026-11-01T10:00:00Z",
            "entries": [{"quantity": "notes", "typed": "from the other bench"}],
        }
    )
    asked = client.post("/api/jobs/file", data=json.dumps(goes_on))
    assert asked.status_code == 409
    assert asked.get_json()["stands"] == {"job": job["id"], "how": "ahead"}
    taken = client.post("/api/jobs/file?update=true", data=json.dumps(goes_on))
    assert (taken.status_code, taken.get_json()["id"], taken.get_json()["revision"]) == (
        200,
        job["id"],
        after["revision"] + 1,
    )
    mine = enter(client, taken.get_json(), spring_count="6").get_json()
    goes_on["revisions"].append(
        {
            "number": mine["revision"],
            "at": "2026-11-02T10:00:00Z",
            "entries": [{"quantity": "notes", "typed": "gone elsewhere"}],
        }
    )
    apart = client.post("/api/jobs/file?update=true", data=json.dumps(goes_on))
    assert (apart.status_code, apart.get_json()["stands"]["how"]) == (409, "apart")
    assert client.get(f"/api/jobs/{job['id']}").get_json()["revision"] == mine["revision"], "nothing was overwritten"


@pytest.mark.parametrize(
    ("path", "method", "body"),
    [
        ("/api/jobs/99", "GET", None),
        ("/api/jobs/99/history", "GET", None),
        ("/api/jobs/99/file", "GET", None),
        ("/api/jobs/99/archived", "PUT", {"archived": True}),
        ("/api/jobs/99/entries", "POST", {"entries": [{"quantity": "notes", "typed": "x"}]}),
        ("/api/jobs/99/undo", "POST", None),
        ("/api/nothing", "GET", None),
    ],
)
def test_what_is_not_there(client: FlaskClient, path: str, method: str, body: Any) -> None:
    response = client.open(path, method=method, json=body, headers={"If-Match": '"1"'})
    assert response.status_code == 404
    assert response.content_type == "application/problem+json"
    assert response.get_json()["status"] == 404


@pytest.mark.parametrize(
    ("body", "status"),
    [
        (b"{bad", 400),
        (b"[]", 400),
        (b"{}", 422),
        (b'{"name": "x", "layout": "tractor"}', 422),
        (b'{"name": "x", "layout": "dry_car", "colour": "red"}', 422),
        (b'{"name": "", "layout": "dry_car"}', 422),
        (b'{"name": "a\\u0000b", "layout": "dry_car"}', 422),
    ],
)
def test_a_body_that_cannot_be_taken(client: FlaskClient, body: bytes, status: int) -> None:
    response = client.post("/api/jobs", data=body, content_type="application/json")
    assert response.status_code == status
    assert response.content_type == "application/problem+json"
    assert client.get("/api/jobs").get_json()["jobs"] == []


def test_the_curve_as_csv(client: FlaskClient) -> None:
    job = begin(client)
    response = client.get(f"/api/jobs/{job['id']}/curve.csv")
    assert response.data.startswith(b"engine speed [rpm],torque [N\xc2\xb7m],power [kW]\n")
    assert client.get(f"/api/jobs/{job['id']}/curve.csv?stage=planned").status_code == 422
    assert client.get(f"/api/jobs/{job['id']}/curve.csv?stage=later").status_code == 422


def test_a_line_of_the_list_has_all_four_answers(client: FlaskClient) -> None:
    job = begin(client)
    (line,) = client.get("/api/jobs").get_json()["jobs"]
    told = {v["question"]: v["state"] for v in job["verdicts"]}
    assert {line["verdict"]["question"]: line["verdict"]["state"]} | {
        v["question"]: v["state"] for v in line["others"]
    } == told
    assert len(told) == 4


def test_a_job_goes_back_to_a_revision_as_one_change_that_can_be_undone(client: FlaskClient) -> None:
    job = begin(client)
    first = job["revision"]
    for diameter in ("230 mm", "225 mm"):
        job = enter(client, job, outer_diameter=diameter, use="track").get_json()
    back = client.post(
        f"/api/jobs/{job['id']}/back", json={"revision": first}, headers={"If-Match": f'"{job["revision"]}"'}
    ).get_json()
    assert field(back, "outer_diameter")["typed"] == CAR["outer_diameter"]
    assert back["revision"] == job["revision"] + 1
    assert field(turn(client, back, "undo").get_json(), "outer_diameter")["typed"] == "225 mm"
    stale = client.post(f"/api/jobs/{job['id']}/back", json={"revision": first}, headers={"If-Match": '"1"'})
    assert stale.status_code == 412
    none = client.post(f"/api/jobs/{job['id']}/back", json={"revision": 999}, headers={"If-Match": '"99"'})
    assert none.status_code == 422
    assert "no revision 999" in none.get_json()["detail"]


def test_a_copy_has_what_was_entered_in_every_build(client: FlaskClient) -> None:
    job = begin(client, CAR | {"disc_fate": "renewed"})
    body = {"entries": [{"quantity": "outer_diameter", "typed": "228 mm"}], "build": "found"}
    job = client.post(
        f"/api/jobs/{job['id']}/entries", json=body, headers={"If-Match": f'"{job["revision"]}"'}
    ).get_json()
    made = client.post(f"/api/jobs/{job['id']}/copy")
    assert made.status_code == 201
    copy = made.get_json()
    assert copy["name"] == "Test coupé, copy"
    assert copy["id"] != job["id"]
    for build, typed in (("", "240 mm"), ("found", "228 mm")):
        seen = client.get(f"/api/jobs/{copy['id']}?build={build}").get_json()
        assert field(seen, "outer_diameter")["typed"] == typed
    enter(client, copy, outer_diameter="200 mm")
    assert field(client.get(f"/api/jobs/{job['id']}").get_json(), "outer_diameter")["typed"] == "240 mm"


def test_the_list_is_narrowed_by_any_answer_and_sorted_by_the_gravest(client: FlaskClient) -> None:
    begin(client, FULL | {"job_name": "short"})
    begin(client, CAR | {"job_name": "half known"})
    begin(client, FULL | {"job_name": "slips", "peak_torque": "900 N·m", "peak_power": "500 kW"})

    def names(**query: str) -> list[str]:
        return [line["name"] for line in client.get("/api/jobs", query_string=query).get_json()["jobs"]]

    assert names(question="bite", state="slips") == ["slips"]
    assert names(question="lift", state="open") == ["half known"]
    assert names(state="slips") == ["slips"]
    assert names(sort="gravest") == ["slips", "short", "half known"]
    assert client.get("/api/jobs?question=size&state=slips").status_code == 422


def test_a_curve_of_more_points_than_a_screen_has_is_thinned_and_keeps_its_peak_and_ends() -> None:
    speed = np.linspace(100.0, 700.0, 50_001)
    torque = 200.0 + np.exp(-(((speed - 412.345) / 0.01) ** 2)) * 90.0 + speed * 0.001
    sent = curve_out(TorqueCurve(speed, torque))
    assert len(sent.rpm) <= 2_001
    assert max(sent.torque) == pytest.approx(torque.max(), abs=1e-3)
    assert (sent.rpm[0], sent.rpm[-1]) == pytest.approx((100 * 30 / np.pi, 700 * 30 / np.pi), abs=0.01)
    few = curve_out(TorqueCurve(speed[:50], torque[:50]))
    assert len(few.rpm) == 50
