"""The shelf over HTTP."""

from __future__ import annotations

from typing import Any

import pytest
from flask.testing import FlaskClient

from liftbite.core.job.slots import SLOTS
from tests.api.jobs.test_views import begin, enter, turn
from tests.jobs import CAR, FULL

COVER = {"slot": "cover", "name": "Firm", "values": {"cover_clamp": "10 kN", "lever_ratio": "4.2"}, "price": 310.0}
FIGURED = {
    **{
        q: t
        for q, t in FULL.items()
        if "diaphragm" not in q
        and q not in {"clamp_source", "plate_seat_diameter", "fulcrum_diameter", "finger_tip_diameter"}
    },
    "cover_clamp": "10 kN",
    "lever_ratio": "4.0",
    "master_diameter": "7/8 in",
    "flywheel_strength": "950 MPa",
    "pressure_limit": "0.7 MPa",
    "damper_stop_torque": "900 N·m",
    "shaft_diameter": "29 mm",
    "spline_engagement": "45 mm",
    "spline_pressure_limit": "160 MPa",
    "cushion_travel": "0.4 mm",
    "pedal_stroke": "160 mm",
}


def seen(version: int) -> dict[str, str]:
    return {"If-Match": f'"{version}"'}


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
    at = f"/api/shelf/{part['id']}"
    changed = client.put(at, json=COVER | {"name": "Firmer"}, headers=seen(1)).get_json()
    assert (changed["name"], changed["version"]) == ("Firmer", 2)
    client.put(f"{at}/archived", json={"archived": True}, headers=seen(2))
    names = [p["name"] for p in client.get("/api/shelf").get_json()["parts"]]
    assert "Firmer" not in names
    away = client.get("/api/shelf?archived=true").get_json()
    assert [p["name"] for p in away["parts"]] == ["Firmer"]
    client.put(f"{at}/archived", json={"archived": False}, headers=seen(3))
    assert client.get("/api/shelf").get_json()["archived"] == 0


def test_a_price_from_another_tab_leaves_the_note_alone(client: FlaskClient) -> None:
    part = put(client)
    at = f"/api/shelf/{part['id']}"
    assert client.put(at, json=COVER | {"notes": "for the estate"}, headers=seen(1)).status_code == 200
    stale = client.put(at, json=COVER | {"price": 99}, headers=seen(1))
    assert stale.status_code == 412
    problem = stale.get_json()
    assert (problem["seen"], problem["newest"], problem["stands"]["notes"]) == (1, 2, "for the estate")
    assert client.put(at, json=COVER).status_code == 428


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
    assert client.put("/api/shelf/9999", json=COVER, headers=seen(1)).status_code == 404
    away = client.put("/api/shelf/9999/archived", json={"archived": True}, headers=seen(1))
    assert away.status_code == 404


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
    client.put(f"/api/shelf/{part['id']}", json=COVER | {"values": {"cover_clamp": "4 kN"}}, headers=seen(1))
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
        if row.startswith(("cover,Odd", "cover,Fresh"))
        else row
        for row in edited.splitlines()
    )
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
