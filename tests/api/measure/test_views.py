"""The bench over HTTP: readings, undo, limits of a vehicle, practices, gauges, effects, files, two tabs."""

from __future__ import annotations

from typing import Any
from urllib.parse import quote

import numpy as np
import pytest
from flask.testing import FlaskClient

from liftbite.core.measure.practices import PRACTICES
from liftbite.gauges.simulate import dial_sweep
from tests.api.jobs.test_views import begin, enter
from tests.jobs import CAR, FULL, MOTORCYCLE

BIKE = MOTORCYCLE | {"vehicle": "Ternwick 750", "spring_free_length": "35 mm", "spring_installed_length": "24 mm"}
CONCENTRIC = FULL | {"vehicle": "Alder GT"}
PACK = {f"Plate {i}, place {j}": "2.95" for i in range(1, 8) for j in (1, 2, 3)}


def bench(client: FlaskClient, job: dict[str, Any]) -> dict[str, Any]:
    response = client.get(f"/api/jobs/{job['id']}/measure")
    assert response.status_code == 200, response.text
    return response.get_json()


def calculation(measured: dict[str, Any], name: str) -> dict[str, Any]:
    return next(c for c in measured["calculations"] if c["name"] == name)


def check(measured: dict[str, Any], name: str) -> dict[str, Any]:
    found: dict[str, Any] = next(c for c in measured["checks"] if c["name"] == name)
    return found


def post(client: FlaskClient, job: dict[str, Any], path: str, **body: Any) -> Any:
    return client.post(f"/api/jobs/{job['id']}/{path}", json=body)


def put(client: FlaskClient, job: dict[str, Any], path: str, **body: Any) -> Any:
    """Replaces something of the bench, in the place of what stands there."""
    at, said = resource(path, body)
    return client.put(f"/api/jobs/{job['id']}/{at}", json=said, headers=replaces(client, job, path, body))


def resource(path: str, body: dict[str, Any]) -> tuple[str, dict[str, Any]]:
    """Where something of the bench stands by its name, and what is said of it there."""
    named = {"limits": ("check", "name"), "practices": ("name",), "renewals": ("part",)}.get(path, ())
    at = "/".join([path, *(quote(str(body[name]), safe="") for name in named)])
    return at, {name: value for name, value in body.items() if name not in named}


def replaces(client: FlaskClient, job: dict[str, Any], path: str, body: dict[str, Any]) -> dict[str, str]:
    """What names the version of what stands there."""
    stands = bench(client, job)
    checked = next((c for c in stands["checks"] if c["name"] == body.get("check")), None)
    versions = {
        "series": lambda: checked["version"],
        "limits": lambda: next((f["version"] for f in checked["limits"] if f["name"] == body["name"]), 0),
        "practices": lambda: next((p["version"] for p in stands["practices"] if p["name"] == body["name"]), 0),
        "renewals": lambda: next((r["version"] for r in stands["renewals"] if r["part"] == body["part"]), 0),
    }
    return {"If-Match": f'"{versions[path]()}"' if checked or path in {"practices", "renewals"} else '"0"'}


def take(client: FlaskClient, job: dict[str, Any], name: str, readings: dict[str, str], **more: Any) -> dict[str, Any]:
    for place, typed in readings.items():
        response = post(client, job, "readings", check=name, place=place, typed=typed, **more)
        assert response.status_code == 200, response.text
    return response.get_json()


def test_a_new_bench_asks_for_what_the_layout_has(client: FlaskClient) -> None:
    measured = bench(client, begin(client, BIKE))
    assert measured["worst"] == "open"
    assert measured["next_check"] == "plate_thickness"
    assert measured["done"] == 0
    names = [c["name"] for c in measured["checks"]]
    assert "plate_thickness" in names
    assert "bore_runout" not in names
    plates = check(measured, "plate_thickness")
    assert len(plates["places"]) == 21
    assert plates["units"] == ["mm", "in", "thou"]
    assert [f["name"] for f in plates["limits"]] == ["new", "least"]
    assert {i["key"] for i in measured["instruments"]} >= {"caliper", "micrometer", "feeler"}


def test_one_reading_at_a_time_to_a_verdict(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    measured = take(client, job, "plate_thickness", {"Plate 1, place 1": "2.95"})
    plates = check(measured, "plate_thickness")
    assert plates["finding"]["verdict"] == "open"
    (reading,) = plates["readings"]
    assert reading["typed"] == "2.95 mm"
    assert reading["instrument"] == "Caliper"
    assert reading["uncertainty"]["metric"] == {"figure": "0.03", "unit": "mm"}
    assert reading["at"].endswith("Z")
    plates = check(take(client, job, "plate_thickness", PACK), "plate_thickness")
    assert plates["finding"]["verdict"] == "reuse"
    assert plates["finding"]["life"]["best"] == pytest.approx(0.25)
    assert len(plates["readings"]) == 22
    assert plates["ruler"]["readings"]


def test_undo_strikes_and_redo_brings_back(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    take(client, job, "plate_thickness", {"Plate 1, place 1": "2.95", "Plate 1, place 2": "2.6"})
    measured = post(client, job, "readings/undo", check="plate_thickness").get_json()
    plates = check(measured, "plate_thickness")
    assert [r["place"] for r in plates["readings"]] == ["Plate 1, place 1"]
    assert plates["can_redo"]
    plates = check(post(client, job, "readings/redo", check="plate_thickness").get_json(), "plate_thickness")
    assert len(plates["readings"]) == 2
    for _ in range(3):
        measured = post(client, job, "readings/undo", check="plate_thickness").get_json()
    assert not check(measured, "plate_thickness")["can_undo"]
    take(client, job, "plate_thickness", {"Plate 1, place 1": "2.9"})
    plates = check(post(client, job, "readings/redo", check="plate_thickness").get_json(), "plate_thickness")
    assert [r["typed"] for r in plates["readings"]] == ["2.9 mm"]
    lines = client.get(f"/api/jobs/{job['id']}/measure/history").get_json()["readings"]
    assert [line["withdrawn"] for line in lines] == [False, True, True]


def test_a_figure_in_the_wrong_unit_is_asked_about_first(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    told = post(
        client, job, "readings/preview", check="plate_thickness", place="Plate 1, place 1", typed="2.8", unit="in"
    ).get_json()
    assert told["instead"] == ["2.8 mm"]
    assert told["value"]["metric"]["figure"] == "71.12"
    refused = post(client, job, "readings", check="plate_thickness", place="Plate 1, place 1", typed="2.8", unit="in")
    assert refused.status_code == 422
    assert "Did you mean" in refused.get_json()["detail"]
    kept = post(
        client, job, "readings", check="plate_thickness", place="Plate 1, place 1", typed="2.8", unit="in", sure=True
    )
    assert check(kept.get_json(), "plate_thickness")["readings"][0]["typed"] == "2.8 in"
    told = post(client, job, "readings/preview", check="plate_thickness", place="", typed="3 7/").get_json()
    assert told["value"] is None
    assert told["problem"]


@pytest.mark.parametrize(
    ("body", "match"),
    [
        ({"check": "bore_runout", "place": "0°", "typed": "1"}, "no check of this job"),
        ({"check": "plate_thickness", "place": "Plate 9, place 1", "typed": "2.9"}, "no place"),
        (
            {"check": "plate_thickness", "place": "Plate 1, place 1", "typed": "2.9", "instrument": "laser"},
            "no instrument",
        ),
        ({"check": "plate_thickness", "place": "Plate 1, place 1", "typed": "thin"}, "Thickness"),
        ({"check": "basket", "place": "Once", "grade": "so-so"}, "no grade"),
    ],
)
def test_what_is_no_reading_is_refused_with_a_sentence(client: FlaskClient, body: dict[str, str], match: str) -> None:
    job = begin(client, BIKE)
    response = post(client, job, "readings", **body)
    assert response.status_code == 422
    assert match in response.get_json()["detail"]
    assert not any(c["readings"] for c in bench(client, job)["checks"])


def test_skips_and_grades_are_readings_too(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    post(client, job, "readings", check="basket", place="Once", grade="light")
    measured = post(client, job, "readings", check="hub", place="Once", skipped="cover still on").get_json()
    assert check(measured, "basket")["finding"]["verdict"] == "dress or resurface"
    assert check(measured, "basket")["readings"][0]["typed"] == "Light notches"
    assert check(measured, "hub")["finding"]["sentence"] == "Skipped: cover still on."


def test_a_manuals_limit_is_remembered_for_its_vehicle(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    put(client, job, "limits", check="plate_thickness", name="least", typed="2.6", source="manual 7-4")
    other = begin(client, BIKE | {"job_name": "Next year"})
    (least,) = [f for f in check(bench(client, other), "plate_thickness")["limits"] if f["name"] == "least"]
    assert (least["value"]["metric"]["figure"], least["mark"], least["why"]) == ("2.6", "manual", "manual 7-4")
    stranger = begin(client, BIKE | {"vehicle": "Another"})
    (least,) = [f for f in check(bench(client, stranger), "plate_thickness")["limits"] if f["name"] == "least"]
    assert least["value"]["metric"]["figure"] == "2.8"
    put(client, job, "limits", check="plate_thickness", name="least", typed="")
    (least,) = [f for f in check(bench(client, other), "plate_thickness")["limits"] if f["name"] == "least"]
    assert least["mark"] == "practice"


def test_a_job_without_a_vehicle_keeps_its_limits_to_itself(client: FlaskClient) -> None:
    nameless = {q: t for q, t in BIKE.items() if q != "vehicle"}
    first, second = begin(client, nameless), begin(client, nameless | {"job_name": "Other"})
    put(client, first, "limits", check="push_rod", name="most", typed="0.1")

    def limit(job: dict[str, Any]) -> Any:
        return check(bench(client, job), "push_rod")["limits"][0]["value"]

    assert limit(first)["metric"]["figure"] == "0.1"
    assert limit(second) is None
    response = put(client, first, "limits", check="basket", name="least", typed="1")
    assert response.status_code == 422


def test_the_shop_chooses_its_schools(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    take(client, job, "plate_thickness", dict.fromkeys(PACK, "2.826"))
    assert check(bench(client, job), "plate_thickness")["finding"]["verdict"] == "too close to call"
    measured = put(client, job, "practices", name="guard", option="share95").get_json()
    assert check(measured, "plate_thickness")["finding"]["verdict"] == "reuse and watch"
    assert next(s for s in measured["practices"] if s["name"] == "guard")["option"] == "share95"
    assert {s["name"] for s in measured["practices"]} == set(PRACTICES)
    assert put(client, job, "practices", name="guard", option="none").status_code == 422


def test_an_instrument_of_the_shop_has_its_own_doubt(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    measured = post(
        client,
        job,
        "instruments",
        kind="micrometer",
        name="Old screw",
        uncertainty="0.008 mm",
        calibrated_on="2026-01-15",
    ).get_json()
    own = measured["instruments"][0]
    assert (own["label"], own["own"], own["uncertainty"]["metric"]["figure"]) == ("Old screw", True, "0.008")
    assert own["key"] in check(measured, "plate_thickness")["instruments"]
    measured = take(client, job, "plate_thickness", dict.fromkeys(PACK, "2.81"), instrument=own["key"])
    assert check(measured, "plate_thickness")["finding"]["verdict"] == "reuse and watch"
    client.put(f"/api/instruments/{own['key']}/archived", json={"archived": True})
    assert not bench(client, job)["instruments"][0]["own"]
    assert check(bench(client, job), "plate_thickness")["readings"][0]["uncertainty"]["metric"]["figure"] == "0.008"
    assert client.put("/api/instruments/99/archived", json={"archived": True}).status_code == 404
    assert post(client, job, "instruments", kind="laser", name="x").status_code == 422
    assert post(client, job, "instruments", kind="dial", name="x", uncertainty="2 m").status_code == 422
    assert post(client, job, "instruments", kind="dial", name="x", resolution="0").status_code == 422
    for day in ("soon", "2026-02-30", "2026-13-01"):
        assert post(client, job, "instruments", kind="dial", name="x", calibrated_on=day).status_code == 422
    old = post(
        client, job, "instruments", kind="caliper", name="Vernier", resolution="0.1 mm", calibrated_on="2019-05-01"
    ).get_json()["instruments"][0]
    assert (old["resolution"]["si"], old["uncertainty"]["si"]) == (1e-4, 5e-5)
    assert "check it against a gauge block" in old["warns"]


def test_a_second_taking_dates_the_first_and_gives_kilometres(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    put(client, job, "series", check="plate_thickness", distance="10 000")
    take(client, job, "plate_thickness", PACK)
    post(client, job, "series", check="plate_thickness", distance="22 000 km")
    assert check(bench(client, job), "plate_thickness")["readings"] == []
    measured = take(client, job, "plate_thickness", dict.fromkeys(PACK, "2.89"))
    life = check(measured, "plate_thickness")["finding"]["life"]
    assert life["distance"]["si"] == pytest.approx(18e6, rel=1e-3)
    assert life["distance_low"]["si"] < 18e6 < life["distance_high"]["si"]
    (trend,) = client.get(f"/api/jobs/{job['id']}/measure/history").get_json()["trends"]
    assert len(trend["points"]) == 2
    assert trend["rate"] == "0.005 mm per 1000 km (0.00032 in per 1000 mi)"
    assert trend["line"][1]["y"] == pytest.approx(trend["limit_at"], abs=1e-3)


def test_a_vehicles_life_goes_on_in_its_next_job(client: FlaskClient) -> None:
    first = begin(client, BIKE)
    put(client, first, "series", check="plate_thickness", distance="10000")
    take(client, first, "plate_thickness", PACK)
    second = begin(client, BIKE | {"job_name": "Two years on"})
    put(client, second, "series", check="plate_thickness", distance="30000")
    measured = take(client, second, "plate_thickness", dict.fromkeys(PACK, "2.85"))
    assert check(measured, "plate_thickness")["finding"]["life"]["distance"]["si"] == pytest.approx(10e6, rel=1e-3)
    (trend,) = client.get(f"/api/jobs/{second['id']}/measure/history").get_json()["trends"]
    assert [p["job"] for p in trend["points"]] == [first["id"], second["id"]]


def test_the_whole_shops_readings_newest_first(client: FlaskClient) -> None:
    first, second = begin(client, BIKE), begin(client, CAR | {"vehicle": "Alder GT"})
    take(client, first, "plate_thickness", {"Plate 1, place 1": "2.9"})
    post(client, second, "readings", check="ring_gear", place="Once", grade="whole")
    told = client.get("/api/measure/history").get_json()
    assert [(line["vehicle"], line["job"]) for line in told["readings"]] == [
        ("Alder GT", second["id"]),
        ("Ternwick 750", first["id"]),
    ]
    assert told["total"] == 2
    (plates,) = told["trends"]  # a grade has no figure to draw
    assert (plates["check"], len(plates["points"]), plates["line"]) == ("plate_thickness", 1, [])


def test_the_shops_series_of_a_check_stand_over_time_without_a_line(client: FlaskClient) -> None:
    for name, figure in (("One", "2.95"), ("Two", "2.85"), ("Three", "2.9")):
        take(client, begin(client, BIKE | {"vehicle": name}), "plate_thickness", {"Plate 1, place 1": figure})
    (plates,) = client.get("/api/measure/history").get_json()["trends"]
    assert [p["worst"]["metric"]["figure"] for p in plates["points"]] == ["2.95", "2.85", "2.9"]
    assert [p["x"] for p in plates["points"]] == sorted(p["x"] for p in plates["points"])
    assert (plates["line"], plates["rate"], plates["limit"]) == ([], "", None)
    assert all(p["distance"] is None for p in plates["points"])


def test_a_verdict_carries_its_working(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    plates = check(take(client, job, "plate_thickness", PACK), "plate_thickness")
    assert plates["working"][0].startswith("Inside the limit by 2.95 mm")
    assert check(bench(client, job), "basket")["working"] == []


# --- sweeps


def sweep(off: float, towards: float, count: int = 8) -> dict[str, str]:
    lines = [line.decode().strip() for line in dial_sweep(off, towards, count)]
    places = [f"{i * 360 / count:g}°" for i in range(count)] + ["0° again"]
    return dict(zip(places, lines, strict=True))


def test_a_bore_that_needs_a_dowel(client: FlaskClient) -> None:
    job = begin(client, CAR)
    measured = take(client, job, "bore_runout", sweep(0.18, 60))
    bore = check(measured, "bore_runout")
    assert bore["finding"]["verdict"] == "put right"
    found = bore["sweep"]
    assert found["direction"] == pytest.approx(60, abs=0.5)
    assert found["dowels"][0]["offset"]["inch"]["figure"] == "0.007"
    assert found["dowels"][0]["clock_words"] == "8 o'clock"
    off = 0.18e-3 / found["radius"]["si"]
    assert [found["right"], found["up"]] == [
        pytest.approx(np.sin(np.pi / 3) * off, abs=2e-3),
        pytest.approx(off / 2, abs=2e-3),
    ]
    assert len(found["points"]["angles"]) == 8
    assert [b["low"]["inch"]["figure"] for b in found["unreachable"]] == ["0.005", "0.019", "0.033"]


def test_before_and_after_are_kept_side_by_side(client: FlaskClient) -> None:
    job = begin(client, CAR)
    take(client, job, "bore_runout", sweep(0.18, 60))
    post(client, job, "series", check="bore_runout")
    bore = check(take(client, job, "bore_runout", sweep(0.01, 100)), "bore_runout")
    assert bore["finding"]["verdict"] == "reuse"
    assert bore["before"]["tir"]["si"] == pytest.approx(0.36e-3, rel=0.05)
    assert bore["sweep"]["tir"]["si"] == pytest.approx(0.02e-3, rel=0.2)


def test_angles_of_ones_own_and_the_side_they_are_counted_from(client: FlaskClient) -> None:
    job = begin(client, CAR)
    readings = {"0": "0 mm", "100": "-0.1 mm", "200": "0.05 mm", "300": "0.12 mm", "0 again": "0 mm"}
    bore = check(take(client, job, "bore_runout", readings), "bore_runout")
    assert [p["key"] for p in bore["places"]] == ["0°", "100°", "200°", "300°", "0° again"]
    seen = bore["sweep"]["direction"]
    measured = put(client, job, "series", check="bore_runout", seen_from="engine").get_json()
    assert check(measured, "bore_runout")["sweep"]["direction"] == pytest.approx(360 - seen, abs=0.05)
    measured = put(client, job, "series", check="bore_runout", presses_plus=False, sag="0.02 mm").get_json()
    assert check(measured, "bore_runout")["settings"] == {
        "seen_from": "gearbox",
        "presses_plus": "no",
        "sag": "0.02 mm",
    }
    assert post(client, job, "readings", check="bore_runout", place="400", typed="0 mm").status_code == 422


# --- set-up


def test_a_concentric_bearing_that_needs_two_spacers(client: FlaskClient) -> None:
    """X 3 7/32 in less Y 2.5 in is 0.719: too big; two spacers measured 0.509 together leave 0.210. Common practice."""
    job = begin(client, {q: t for q, t in CONCENTRIC.items() if q != "slave_stroke"})
    take(client, job, "depth_x", {"At 12": "3 7/32 in"})
    take(client, job, "depth_y", {"At 12": "2.5 in"})
    take(client, job, "spacers", {"Spacer 1": "0.254 in", "Spacer 2": "0.255 in"})
    bearing = calculation(bench(client, job), "bearing")
    left, ruler, table, _ = bearing["shows"]
    assert "0.7188 in" in left["text"]
    assert [m["value"]["inch"]["figure"] for m in ruler["marks"] if m["label"] == "no spacer"] == ["0.7188"]
    best = table["rows"][0]
    assert table["heads"][:3] == ["Spacers", "Stack", "Reserve"]
    assert best[0]["text"] == "Spacer 1, Spacer 2"
    assert best[2]["value"]["si"] == pytest.approx(0.2098 * 0.0254, abs=1e-5)
    assert best[table["heads"].index("1/8 to 3/8")]["text"] == "inside"
    assert "rule of 1/8 to 3/8 in" in bearing["sentence"]
    job = enter(client, job, slave_stroke="32 mm").get_json()
    with_stroke = calculation(bench(client, job), "bearing")["shows"][1]
    (window,) = [b for b in with_stroke["bands"] if b["label"] == "window of this clutch"]
    assert window["leading"]
    assert window["low"]["si"] < window["high"]["si"]


def test_floater_stands_and_their_shims(client: FlaskClient) -> None:
    job = begin(client, FULL | {"disc_count": "2", "floater_clearance": "0.56 mm"})
    take(client, job, "floater_gap", {"Stand 1": "0.015", "Stand 2": "0.022", "Stand 3": "0.0165"})
    take(client, job, "floater_shims", {"Shim 1": "0.007 in", "Shim 2": "0.006 in"})
    floater = calculation(bench(client, job), "floater")
    rulers = [s for s in floater["shows"] if s["kind"] == "ruler"]
    assert [m["label"] for m in rulers[0]["moves"]] == ["Stand 1: Shim 1", "Stand 2: no shim", "Stand 3: Shim 2"]
    verdicts = [s["verdict"] for s in floater["shows"] if s["kind"] == "remark" and s["verdict"]]
    assert verdicts == ["reuse", "put right"]
    (window,) = rulers[0]["bands"]
    assert all(window["start"] <= move["after_at"] <= window["end"] for move in rulers[0]["moves"])
    (lines,) = [s for s in floater["shows"] if s["kind"] == "lines"]
    outer = next(c for c in lines["curves"] if c["leading"])
    assert (len(lines["x"]), outer["label"]) == (5, "outer disc")
    assert outer["y"][-1] < outer["y"][0]
    assert [o["name"] for o in floater["asks"]["options"]] == ["", "raises", "lowers", "raises in", "lowers in"]
    said = {"check": "floater_gap", "asked": {"shims": "lowers"}}
    only = put(client, job, "series", **said).get_json()
    assert len([s for s in calculation(only, "floater")["shows"] if s["kind"] == "ruler"]) == 1
    assert check(only, "floater_gap")["asked"] == {"shims": "lowers"}
    for wrong in ({"shims": "x"}, {"seats": "lowers"}):
        assert put(client, job, "series", **(said | {"asked": wrong})).status_code == 422


def test_shaft_reach_end_float_and_air(client: FlaskClient) -> None:
    job = begin(client, CAR | {"release": "hydraulic_fork"})
    depths_ = {
        "Shaft beyond the gearbox face": "190",
        "Housing depth": "165",
        "Block plate and gaskets": "3",
        "Pilot below the crank flange": "4",
        "Flange beyond the block face": "0",
        "Pilot bearing length": "16",
        "Bottom of the bore below the pilot": "10",
    }
    take(client, job, "shaft_reach", depths_)
    take(client, job, "end_float", {"Once": "0.3"})
    take(client, job, "retainer_shims", {"Shim 1": "0.1", "Shim 2": "0.25"})
    found = bench(client, job)
    assert "stays 8 mm" in calculation(found, "shaft")["sentence"]
    assert len(calculation(found, "shaft")["working"]) == 2
    assert calculation(found, "end_float")["sentence"].startswith("Shim 2 takes")
    assert calculation(found, "air")["waits_for"] == "the hydraulics of this job and the travel"


def test_a_vehicle_is_found_whatever_its_case_accents_and_spaces_after_asking(client: FlaskClient) -> None:
    """A limit typed for one spelling serves another once somebody says it is the same vehicle."""
    first = begin(client, CAR | {"vehicle": "Halden 220 coupe"})
    put(client, first, "limits", check="rivet_depth", name="least", typed="0.5 mm", source="p. 12")
    second = begin(client, CAR | {"vehicle": "halden  220 Coup\u0065\u0301"})
    field = next(f for f in client.get(f"/api/jobs/{second['id']}").get_json()["fields"] if f["name"] == "vehicle")
    assert field["question"]["instead"] == ["Halden 220 coupe"]
    assert "The shop knows “Halden 220 coupe”" in field["question"]["sentence"]

    def least() -> str:
        limits = check(bench(client, second), "rivet_depth")["limits"]
        found: str = next(f for f in limits if f["name"] == "least")["value"]["metric"]["figure"]
        return found

    assert least() == "0.3", "not without asking"
    same = enter(client, second, vehicle="Halden 220 coupe").get_json()
    assert next(f for f in same["fields"] if f["name"] == "vehicle")["question"] is None
    assert least() == "0.5"


def test_another_vehicle_of_almost_the_same_name_is_not_asked_about_again(client: FlaskClient) -> None:
    first = begin(client, CAR | {"vehicle": "Merrow VAN"})
    take(client, first, "rivet_depth", {"Disc 1, flywheel side, 1": "1.1 mm"})
    second = begin(client, CAR | {"vehicle": "Merrow van"})
    take(client, second, "rivet_depth", {"Disc 1, flywheel side, 1": "0.9 mm"})
    field = next(f for f in client.get(f"/api/jobs/{second['id']}").get_json()["fields"] if f["name"] == "vehicle")
    assert field["question"] is None
