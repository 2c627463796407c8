"""The shelf and the finder over HTTP."""

from __future__ import annotations

import time
from typing import Any

import pytest
from flask.testing import FlaskClient

from liftbite.core.parts.slots import SLOTS
from tests.api.jobs.test_views import begin, enter, turn
from tests.jobs import CAR, FULL

COVER = {"slot": "cover", "name": "Firm", "values": {"cover_clamp": "10 kN", "lever_ratio": "4.2"}, "price": 310.0}
FIGURED = {**{q: t for q, t in FULL.items() if "diaphragm" not in q and q not in {
    "clamp_source", "plate_seat_diameter", "fulcrum_diameter", "finger_tip_diameter"}},
    "cover_clamp": "10 kN", "lever_ratio": "4.0", "master_diameter": "7/8 in", "flywheel_strength": "950 MPa",
    "pressure_limit": "0.7 MPa", "damper_stop_torque": "900 N·m", "shaft_diameter": "29 mm",
    "spline_engagement": "45 mm", "spline_pressure_limit": "160 MPa",
    "cushion_travel": "0.4 mm", "pedal_stroke": "160 mm"}  # fmt: skip


def put(client: FlaskClient, **changes: Any) -> dict[str, Any]:
    response = client.post("/api/shelf", json=COVER | changes)
    assert response.status_code == 201, response.text
    return response.get_json()


def take(client: FlaskClient, job: dict[str, Any], *parts: int, **typed: str) -> Any:
    body = {"parts": list(parts), "entries": [{"quantity": q, "typed": t} for q, t in typed.items()]}
    return client.post(f"/api/jobs/{job['id']}/take", json=body, headers={"If-Match": f'"{job["revision"]}"'})


def typed_in(job: dict[str, Any], name: str) -> str | None:
    return next((f["typed"] for f in job["fields"] if f["name"] == name), None)


def test_a_new_shop_has_generic_parts_and_every_kind(client: FlaskClient) -> None:
    shelf = client.get("/api/shelf").get_json()
    assert [s["slot"] for s in shelf["slots"]] == list(SLOTS)
    assert sum(p["slot"] == "master" for p in shelf["parts"]) == 14


def test_a_part_is_added_changed_put_away_and_put_back(client: FlaskClient) -> None:
    part = put(client)
    changed = client.put(f"/api/shelf/{part['id']}", json=COVER | {"name": "Firmer"}).get_json()
    assert changed["name"] == "Firmer"
    client.put(f"/api/shelf/{part['id']}/archived", json={"archived": True})
    names = [p["name"] for p in client.get("/api/shelf").get_json()["parts"]]
    assert "Firmer" not in names
    away = client.get("/api/shelf?archived=true").get_json()
    assert [p["name"] for p in away["parts"]] == ["Firmer"]
    client.put(f"/api/shelf/{part['id']}/archived", json={"archived": False})
    assert client.get("/api/shelf").get_json()["archived"] == 0


@pytest.mark.parametrize(
    ("change", "says"),
    [
        ({"values": {"cover_clamp": "ten"}}, "Clamp load"),
        ({"slot": "wing"}, "no kind of part"),
        ({"values": {"vehicle_mass": "1 kg"}}, "nothing a cover states"),
    ],
)
def test_a_part_that_cannot_be_is_refused(client: FlaskClient, change: dict[str, Any], says: str) -> None:
    response = client.post("/api/shelf", json=COVER | change)
    assert response.status_code == 422
    assert says in response.get_json()["detail"]


def test_a_part_that_is_not_there_is_said(client: FlaskClient) -> None:
    assert client.put("/api/shelf/9999", json=COVER).status_code == 404
    assert client.put("/api/shelf/9999/archived", json={"archived": True}).status_code == 404


def test_taking_a_part_is_one_change_that_can_be_undone(client: FlaskClient) -> None:
    job, part = begin(client), put(client)
    taken = take(client, job, part["id"]).get_json()
    assert taken["revision"] == job["revision"] + 1
    assert (typed_in(taken, "cover_clamp"), typed_in(taken, "cover_part")) == ("10 kN", "Firm")
    undone = turn(client, taken, "undo").get_json()
    assert (typed_in(undone, "cover_clamp"), typed_in(undone, "cover_part")) == ("9 kN", None)


def test_changing_the_shelf_changes_no_job(client: FlaskClient) -> None:
    job, part = begin(client), put(client)
    taken = take(client, job, part["id"]).get_json()
    client.put(f"/api/shelf/{part['id']}", json=COVER | {"values": {"cover_clamp": "4 kN"}})
    again = client.get(f"/api/jobs/{job['id']}").get_json()
    assert again["results"] == taken["results"]
    exported = client.get(f"/api/jobs/{job['id']}/file").get_data()
    copy = client.post("/api/jobs/file", data=exported).get_json()
    offers = client.get(f"/api/jobs/{copy['id']}/shelf?slot=cover").get_json()
    assert (offers["taken"], offers["changed"]) == ("Firm", [])


def test_what_was_typed_over_since_is_told(client: FlaskClient) -> None:
    job, part = begin(client), put(client)
    taken = take(client, job, part["id"]).get_json()
    enter(client, taken, cover_clamp="9.5 kN")
    offers = client.get(f"/api/jobs/{job['id']}/shelf?slot=cover").get_json()
    assert [c["name"] for c in offers["changed"]] == ["cover_clamp"]


def test_an_offer_says_what_it_would_make_of_the_job_or_why_it_does_not_go_in(client: FlaskClient) -> None:
    job = begin(client)
    fits, odd = (
        put(client),
        put(client, name="For a small disc", values={"cover_clamp": "9 kN", "cover_disc_size": "200 mm"}),
    )
    offers = client.get(f"/api/jobs/{job['id']}/shelf?slot=cover").get_json()["parts"]
    by_id = {o["part"]["id"]: o for o in offers}
    assert by_id[fits["id"]]["misfit"] is None
    taken = take(client, job, fits["id"]).get_json()
    bite = next(r for r in taken["results"] if r["name"] == "bite_margin")
    assert by_id[fits["id"]]["bite"] == pytest.approx(bite["planned"]["low"]["si"], abs=1e-3)
    assert "not of the size" in by_id[odd["id"]]["misfit"]
    refused = take(client, taken, odd["id"])
    assert refused.status_code == 422
    assert "Way out" in refused.get_json()["detail"]


def test_a_misfit_that_is_typed_is_told_with_its_fields(client: FlaskClient) -> None:
    job = begin(client, {**CAR, "bolt_count": "6", "crank_bolt_count": "8"})
    (misfit,) = job["misfits"]
    assert [f["name"] for f in misfit["fields"]] == ["bolt_count", "crank_bolt_count"]


def test_a_take_on_an_old_revision_is_refused(client: FlaskClient) -> None:
    job, part = begin(client), put(client)
    enter(client, job, cover_clamp="8 kN")
    assert take(client, job, part["id"]).status_code == 412


def test_csv_goes_out_and_comes_back_with_a_preview(client: FlaskClient) -> None:
    put(client)
    text = client.get("/api/shelf.csv").get_data(as_text=True)
    told = client.post("/api/shelf/csv/preview", json={"text": text}).get_json()
    assert (told["new"], told["changes"], told["bad"]) == (0, 0, 0)
    edited = text.replace("10 kN", "11 kN") + 'cover,Odd,1,,,"nine kN"\ncover,Fresh,2,,,8 kN\n'
    head = edited.splitlines()[0].split(",")
    edited = "\n".join(
        ",".join(row.split(",")[:5] + [""] * (head.index("cover_clamp") - 5) + [row.split(",")[5]])
        if row.startswith(("cover,Odd", "cover,Fresh")) else row
        for row in edited.splitlines()
    )  # fmt: skip
    told = client.post("/api/shelf/csv/preview", json={"text": edited}).get_json()
    assert (told["new"], told["changes"], told["bad"]) == (1, 1, 1)
    bad = next(line for line in told["lines"] if line["status"] == "bad")
    assert (bad["name"], bad["column"]) == ("Odd", "cover_clamp")
    names = {p["name"]: p for p in client.get("/api/shelf").get_json()["parts"]}
    assert "Fresh" not in names, "a preview keeps nothing"
    client.post("/api/shelf/csv", json={"text": edited})
    names = {p["name"]: p for p in client.get("/api/shelf").get_json()["parts"]}
    assert names["Firm"]["values"]["cover_clamp"] == "11 kN"
    assert "Fresh" in names
    assert "Odd" not in names


# --- the finder


def ended(client: FlaskClient, run: int) -> dict[str, Any]:
    for _ in range(400):
        found = client.get(f"/api/finds/{run}").get_json()
        if found["state"] != "running":
            return found
        time.sleep(0.02)
    raise AssertionError("the search does not end")


def masters(client: FlaskClient) -> list[int]:
    return [p["id"] for p in client.get("/api/shelf").get_json()["parts"] if p["slot"] == "master"]


def test_what_the_finder_finds_is_good_in_all_four_answers_once_taken(client: FlaskClient) -> None:
    job = begin(client, FIGURED)
    covers = [put(client, name=f"{f} kN", values={"cover_clamp": f"{f} kN"})["id"] for f in (9, 11, 12, 14)]
    body = {"slots": {"cover": covers, "master": masters(client)},
            "free": [{"quantity": "pedal_ratio", "start": "4.6", "end": "5.8", "steps": 6}]}  # fmt: skip
    begun = client.post(f"/api/jobs/{job['id']}/finds", json=body).get_json()
    assert begun["total"] == 4 * 14 * 7
    found = ended(client, begun["run"])
    assert found["state"] == "finished"
    assert found["done"] == begun["total"]
    assert found["kept"] + sum(e["count"] for e in found["excluded"]) == found["done"]
    assert found["candidates"]
    for candidate in found["candidates"][:5]:
        picked = {"parts": list(candidate["parts"].values()),
                  "entries": [{"quantity": q, "typed": t} for q, t in candidate["free"].items()]}  # fmt: skip
        told = client.post(f"/api/jobs/{job['id']}/compare", json={"candidates": [picked]}).get_json()
        now, pin = told["columns"]
        assert now["label"] == "As it is"
        assert [v["state"] for v in pin["verdicts"]] == ["holds", "frees", "stays", "runs true"]
        assert candidate["objectives"]["bite"] == pytest.approx(float(pin["figures"]["bite_margin"]), rel=0.01)
        assert candidate["objectives"]["lift"] == pytest.approx(float(pin["figures"]["lift_margin"]), rel=0.01)


def test_a_search_can_be_cancelled_and_keeps_what_it_found(client: FlaskClient) -> None:
    job = begin(client, FIGURED)
    free = [{"quantity": q, "start": a, "end": b, "steps": 120}
            for q, a, b in (("pedal_ratio", "4.6", "5.8"), ("cover_clamp", "9 kN", "15 kN"),
                            ("pedal_stroke", "130 mm", "160 mm"))]  # fmt: skip
    begun = client.post(f"/api/jobs/{job['id']}/finds", json={"free": free}).get_json()
    assert begun["total"] == 121**3
    client.delete(f"/api/finds/{begun['run']}")
    found = ended(client, begun["run"])
    assert found["state"] == "cancelled"
    assert found["done"] < found["total"]


@pytest.mark.parametrize(
    ("body", "says"),
    [
        ({}, "at least one kind"),
        ({"slots": {"wing": [1]}}, "no kind of part"),
        ({"free": [{"quantity": "notes", "start": "1", "end": "2", "steps": 2}]}, "no figure"),
        ({"free": [{"quantity": "pedal_ratio", "start": "6", "end": "5", "steps": 2}]}, "go upwards"),
        ({"free": [{"quantity": "pedal_ratio", "start": "a", "end": "5", "steps": 2}]}, "Ratio of pedal"),
        ({"free": [{"quantity": q, "start": "11 mm", "end": "29 mm", "steps": 1000}
                   for q in ("master_diameter", "slave_diameter", "shaft_diameter")]}, "too many"),
    ],
)  # fmt: skip
def test_a_search_that_cannot_be_is_refused(client: FlaskClient, body: dict[str, Any], says: str) -> None:
    response = client.post(f"/api/jobs/{begin(client)['id']}/finds", json=body)
    assert response.status_code == 422
    assert says in response.get_json()["detail"]


def test_a_search_forgotten_says_so(client: FlaskClient) -> None:
    assert "start it again" in client.get("/api/finds/99").get_json()["detail"]
