"""The workbench over HTTP: the drawing, starts, wheels, what moves a result."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest

from liftbite.core.analysis.goal_seek import seek
from liftbite.core.analysis.stroke import Stroke, stroke
from liftbite.core.drawing.motion import motion
from liftbite.core.job.build import build_of
from tests.api.jobs.test_views import begin
from tests.jobs import CAR, FULL, MOTORCYCLE, built, entries


@pytest.fixture
def car(client: Any) -> int:
    return begin(client, FULL)["id"]


def ask(client: Any, job: int, view: str, **tried: str) -> Any:
    body = {"entries": [{"quantity": q, "typed": t} for q, t in tried.items()]}
    response = client.post(f"/api/jobs/{job}/{view}", json=body)
    assert response.status_code == 200, response.text
    return response.json


def enter(client: Any, job: int, build: str = "", **typed: str) -> Any:
    """Enters figures in a build of a job."""
    revision = client.get(f"/api/jobs/{job}").get_json()["revision"]
    body = {"build": build, "entries": [{"quantity": q, "typed": t} for q, t in typed.items()]}
    response = client.post(f"/api/jobs/{job}/entries", json=body, headers={"If-Match": f'"{revision}"'})
    assert response.status_code == 200, response.text
    return response.json


def test_the_drawing_carries_the_cores_numbers_in_millimetres(client: Any, car: int) -> None:
    drawn, worked = ask(client, car, "section"), motion(built(FULL))
    assert len(drawn["gaps"]) == 2
    np.testing.assert_allclose(drawn["gaps"][0], worked.gaps[0] * 1e3, atol=1e-4)
    np.testing.assert_allclose(drawn["effort"], worked.effort, atol=1e-3)
    assert drawn["pedal"][-1] == pytest.approx(150)
    assert drawn["face_parts"] == ["flywheel", "disc", "pressure plate"]
    assert {p["name"] for p in drawn["parts"]} >= {"flywheel", "disc", "plate", "spring", "cover", "release"}
    for outline in (*drawn["clutch"], *drawn["chain"]):
        assert all(-1 <= follows < len(drawn["motions"]) for *_, follows in outline["points"])
    at = drawn["bite_point"][0]
    stroked = stroke(built(FULL))
    assert isinstance(stroked, Stroke)
    assert at == pytest.approx((stroked.bite_point or 0) * 1e3, abs=0.1)


def test_what_is_tried_is_drawn_and_not_kept(client: Any, car: int) -> None:
    before = ask(client, car, "section")
    aired = ask(client, car, "section", trapped_air="3 mL")
    assert aired["lift"][0][-1] < before["lift"][0][-1] * 0.8
    assert ask(client, car, "section") == before


def test_a_drawing_that_cannot_be_says_why(client: Any, car: int) -> None:
    drawn = ask(client, car, "section", inner_diameter="250 mm")
    assert drawn["clutch"] == []
    assert "has to be below the outer diameter" in drawn["trouble"]


def test_without_a_release_the_drawing_waits_and_says_for_what(client: Any) -> None:
    drawn = ask(client, begin(client, MOTORCYCLE)["id"], "section")
    assert drawn["effort"] is None
    assert "pedal_stroke" in [n["name"] for n in drawn["needs"]]
    assert len(drawn["gaps"]) == 14


def test_a_life_short_from_new_says_so(client: Any) -> None:
    job = begin(client, {**CAR, "cover_clamp": "4 kN"})["id"]
    assert ask(client, job, "section")["life"]["ends"][0]["sentence"].startswith("Short from new")


def test_a_start_is_shown_over_time_with_its_kind_and_its_row(client: Any, car: int) -> None:
    found = ask(client, car, "launch")
    trace = found["trace"]
    assert trace["engine"][-1] == pytest.approx(trace["vehicle"][-1], rel=0.02)
    assert np.all(np.diff(trace["time"]) >= 0)
    assert trace["heat"][-1] == pytest.approx(found["start"]["energy"]["si"] / 1e3, rel=0.02)
    by_power = np.trapezoid(trace["power"], trace["time"])
    assert by_power == pytest.approx(trace["heat"][-1], rel=0.02), "heat is the integral of slip power"
    assert [k["name"] for k in found["kinds"]] == ["creep", "pull_away", "hill", "standing", "dropped"]
    assert len(found["repeated"]["begins"]) == 10


def test_a_start_without_a_vehicle_says_what_it_needs(client: Any) -> None:
    found = ask(client, begin(client, CAR)["id"], "launch")
    assert found["trace"] is None
    assert "vehicle_mass" in [n["name"] for n in found["needs"]]


def test_the_old_wheel_stands_beside_the_new_one_whatever_it_is_worked_out_from(client: Any, car: int) -> None:
    gears = "3.4; 2; 1.4; 1"
    enter(client, car, flywheel_fate="renewed")
    enter(client, car, "found", inertia_source="figure", flywheel_inertia="0.15 kg·m²")
    found = ask(client, car, "flywheel", gear_ratios=gears)
    figures = {f["name"]: (f["old"]["si"], f["new"]["si"]) for f in found["figures"]}
    assert figures["flywheel_inertia"][0] == 0.15
    assert figures["bite_margin"][0] == figures["bite_margin"][1], "a wheel does not change what the clutch holds"
    assert figures["free_rev_time"][0] > figures["free_rev_time"][1]
    masses = [g["new"]["si"] for g in found["gears"]]
    assert masses[0] / masses[-1] == pytest.approx(3.4**2)
    enter(client, car, "found", inertia_source="weight", flywheel_mass="12 kg", flywheel_diameter="300 mm")
    by_weight = ask(client, car, "flywheel")
    assert by_weight["figures"][0]["old"]["si"] == pytest.approx(12 * (0.7 * 0.15) ** 2)
    enter(client, car, flywheel_fate="stays")
    none = ask(client, car, "flywheel")
    assert not none["has_old"]


def test_contributions_to_the_unbalance_add_as_vectors(client: Any, car: int) -> None:
    tried = {"unbalance_source": "vectors", "unbalance_amounts": "30; 40 g·mm", "unbalance_angles": "0; 90 °"}
    job = client.post(
        f"/api/jobs/{car}/preview", json={"entries": [{"quantity": q, "typed": t} for q, t in tried.items()]}
    ).json
    found = next(r for r in job["results"] if r["name"] == "residual_unbalance")
    assert found["planned"]["nominal"]["si"] == pytest.approx(50e-6)
    uneven = client.post(
        f"/api/jobs/{car}/preview",
        json={"entries": [{"quantity": q, "typed": t} for q, t in (tried | {"unbalance_angles": "0 °"}).items()]},
    ).json
    assert "1 figures, but 2 of contributions" in uneven["verdicts"][3]["sentence"]


def moves(client: Any, job: int, result: str, **tried: str) -> Any:
    body = {"result": result, "entries": [{"quantity": q, "typed": t} for q, t in tried.items()]}
    return client.post(f"/api/jobs/{job}/moves", json=body)


def test_what_moves_a_margin_is_ranked_by_how_much_it_does(client: Any, car: int) -> None:
    found = moves(client, car, "lift_margin").json
    strengths = [abs(e["elasticity"]) for e in found["influences"]]
    assert strengths == sorted(strengths, reverse=True)
    master = next(e for e in found["influences"] if e["name"] == "master_diameter")
    build = built(FULL)
    high = build.evaluate(("lift_margin",), master_diameter=build.known["master_diameter"] * 1.05)["lift_margin"]
    assert master["high"]["si"] == pytest.approx(high)


def test_the_chance_of_falling_short_follows_the_tolerance(client: Any, car: int) -> None:
    on_edge = seek(built(FULL), "lift_margin", 1.1, "pedal_stroke", stage=0, friction=0)
    assert on_edge is not None
    edge = on_edge.crossings[0] * 1e3
    even = moves(client, car, "lift_margin", pedal_stroke=f"{edge:.3f} ± 2 mm").json["spread"]
    assert even["short"] == pytest.approx(0.5, abs=0.02), "half of the draws lie below a target met exactly"
    safe = moves(client, car, "lift_margin", pedal_stroke=f"{edge + 3:.3f} ± 2 mm").json["spread"]
    assert safe["short"] == 0
    assert sum(safe["counts"]) == safe["samples"]


def test_a_result_that_is_none_is_refused_and_one_without_a_value_names_its_needs(client: Any, car: int) -> None:
    assert moves(client, car, "wing_span").status_code == 422
    bare = begin(client, CAR)["id"]
    assert "pedal_stroke" in [n["name"] for n in moves(client, bare, "lift_margin").json["needs"]]


def test_any_margin_can_be_asked_backwards(client: Any, car: int) -> None:
    asked = client.post(f"/api/jobs/{car}/ask", json={"result": "lift_margin"}).json
    assert asked["target"]["si"] == 1.1
    pedal = next(s for s in asked["sought"] if s["name"] == "pedal_stroke")
    assert pedal["can_enter"]
    typed = {**FULL, "pedal_stroke": pedal["typed"][0]}
    assert build_of(entries(typed)).evaluate(("lift_margin",))["lift_margin"] >= 1.1


def test_a_schedule_is_shown_mass_by_mass_with_what_a_builder_says(client: Any, car: int) -> None:
    tried = [{"quantity": "start_schedule", "typed": "4 x standing every 60 s; rest 5 min; 2 x drop every 30 s"}]
    shown = client.post(f"/api/jobs/{car}/launch", json={"entries": tried}).get_json()["stint"]
    assert [mass["name"] for mass in shown["masses"]][-2:] == ["cover", "air"]
    assert len(shown["begins"]) == len(shown["surfaces"]) == 6
    assert all(len(mass["temperature"]) == len(shown["time"]) for mass in shown["masses"])
    assert "Hot first" in shown["sentences"][0]
    assert client.post(f"/api/jobs/{car}/launch", json={"entries": []}).get_json()["stint"] is None


def test_alternatives_stand_side_by_side_and_can_be_put_in(client: Any, car: int) -> None:
    found = client.post(f"/api/jobs/{car}/beside/cylinders", json={"entries": []}).get_json()
    assert found["columns"][:2] == ["Master", "Slave"]
    assert sum(row["present"] for row in found["rows"]) <= 1
    assert {put["quantity"] for put in found["rows"][0]["puts"]} >= {"master_diameter"}
    bolts = client.post(f"/api/jobs/{car}/beside/instructions", json={"entries": []}).get_json()
    assert (bolts["rows"], bolts["needs"], bolts["trouble"]) == ([], [], None)
    tried = [{"quantity": "bolt_instructions", "typed": "kit: 44 lb-ft + 90°, oiled; 53 lb-ft"}]
    bolts = client.post(f"/api/jobs/{car}/beside/instructions", json={"entries": tried}).get_json()
    assert len(bolts["rows"]) == 2 or bolts["needs"]
    assert client.post(f"/api/jobs/{car}/beside/wheels", json={"entries": []}).status_code == 422


def test_a_renewed_disc_is_shown_against_the_one_that_was_found(client: Any, car: int) -> None:
    tried = {"wear": "0.9 mm", "disc_fate": "renewed"}
    told = ask(client, car, "against", **tried)
    assert [b["name"] for b in told["builds"]] == ["found", "planned"]
    assert told["builds"][1]["parts"] == [{"name": "Disc", "label": "Renewed"}]
    by_name = {c["name"]: c for c in told["changes"]}
    assert by_name["wear"]["values"]["found"]["metric"]["figure"] == "0.9"
    assert not by_name["wear"]["same"]
    assert {a["question"] for a in told["answers"]} == {"bite", "lift", "heat", "true"}
    body = {"entries": [{"quantity": q, "typed": t} for q, t in tried.items()]}
    shown = client.post(f"/api/jobs/{car}/preview", json=body).get_json()
    wear = next(f for f in shown["fields"] if f["name"] == "wear")
    assert wear["mark"] == "assumed"
    found = client.post(f"/api/jobs/{car}/preview", json=body).get_json()
    assert found["apart"] == ["disc"]


def test_the_plan_of_another_job_stands_beside_this_ones(client: Any, car: int) -> None:
    other = client.post("/api/jobs", json={"name": "Twin", "layout": "dry_car"}).get_json()["id"]
    enter(client, other, **{q: t for q, t in CAR.items() if q not in ("layout", "job_name")} | {"disc_count": "2"})
    found = client.post(f"/api/jobs/{car}/against", json={"entries": [], "others": [other, other]}).get_json()
    name = f"Twin (job {other})"
    assert [b["name"] for b in found["builds"]] == ["found", "planned", name]
    assert [b["other"] for b in found["builds"]] == [False, False, True]
    torque = next(c["values"] for c in found["changes"] if c["name"] == "holdable_engine_torque")
    assert torque[name]["si"] > torque["planned"]["si"]
    assert client.post(f"/api/jobs/{car}/against", json={"entries": [], "others": [9999]}).status_code == 404
