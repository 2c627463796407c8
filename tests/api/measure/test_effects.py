"""From the bench into the job and out of the house: effects, what it takes, the record as files."""

from __future__ import annotations

import csv
import io
import json

import pytest
from flask.testing import FlaskClient

from tests.api.jobs.test_views import begin, enter, field, turn
from tests.api.measure.test_views import BIKE, PACK, bench, check, post, put, take
from tests.jobs import CAR, FULL

# --- consequences and decisions


def test_measured_values_go_into_the_job_and_out_again(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    take(client, job, "spring_free_length", {f"Spring {i}": "34.1" for i in range(1, 7)})
    take(client, job, "plate_thickness", PACK)
    told = client.get(f"/api/jobs/{job['id']}/effects").get_json()
    assert {e["quantity"] for e in told["effects"]} == {"spring_lengths", "spring_free_lengths", "wear"}
    low = [told[when][0]["margin"]["low"]["si"] for when in ("before", "after")]
    assert low[1] < low[0]
    without = "wear,spring_lengths, spring_free_lengths"
    none = client.get(f"/api/jobs/{job['id']}/effects", query_string={"without": without}).get_json()
    assert (none["effects"], none["after"]) == (told["effects"], told["before"])
    taken = client.post(
        f"/api/jobs/{job['id']}/effects",
        headers={"If-Match": f'"{job["revision"]}"'},
        json={"quantities": [e["quantity"] for e in told["effects"]]},
    ).get_json()
    assert taken["verdicts"][0]["margin"]["low"]["si"] == pytest.approx(low[1])
    assert field(taken, "wear")["mark"] == "measured"
    assert client.get(f"/api/jobs/{job['id']}/effects").get_json()["effects"] == []
    back = turn(client, taken, "undo").get_json()
    assert back["verdicts"][0]["margin"]["low"]["si"] == pytest.approx(low[0])


def test_a_vehicle_renamed_keeps_its_readings_and_its_manuals_limits(client: FlaskClient) -> None:
    job = enter(client, begin(client, BIKE), vehicle="Merix 600").get_json()
    take(client, job, "plate_thickness", PACK)
    put(client, job, "limits", check="plate_thickness", name="least", typed="2.5", unit="mm", source="p. 7")
    job = enter(client, job, vehicle="Merrix 600").get_json()
    plates = check(bench(client, job), "plate_thickness")
    least = next(limit for limit in plates["limits"] if limit["name"] == "least")
    assert (least["value"]["metric"]["figure"], least["mark"]) == ("2.5", "manual")
    assert least["why"] == "p. 7, typed for “Merix 600”"
    history = client.get(f"/api/jobs/{job['id']}/measure/history").get_json()
    assert history["total"] == len(PACK)


def test_a_sweep_taken_in_elsewhere_points_the_same_way(client: FlaskClient) -> None:
    """Side, sign and sag go along in the file; without them the bore would lie on the other side."""
    job, other = begin(client, CAR), begin(client, CAR)
    readings = {"0": "0 mm", "100": "-0.1 mm", "200": "0.05 mm", "300": "0.12 mm", "0 again": "0 mm"}
    take(client, job, "bore_runout", readings)
    put(client, job, "series", check="bore_runout", seen_from="engine", presses_plus=False, sag="0.02 mm")
    was = check(bench(client, job), "bore_runout")
    text = client.get(f"/api/jobs/{job['id']}/readings.csv").text
    assert post(client, other, "readings/csv", text=text).get_json()["taken"] == 5
    now = check(bench(client, other), "bore_runout")
    assert now["settings"] == was["settings"]
    assert now["sweep"]["direction"] == was["sweep"]["direction"]
    assert now["finding"]["sentence"] == was["finding"]["sentence"]


def test_a_cut_is_taken_from_what_stood_there_once(client: FlaskClient) -> None:
    """Taken in, the cover is pressed less by the cut times its leverage; the same reading counts once."""
    job = begin(client, FULL)
    take(client, job, "face_cut", {"Once": "0.3"})
    for cut, press in (("0.3", "4.73 mm"), ("0.4", "4.573 mm")):
        if cut != "0.3":
            take(client, job, "face_cut", {"Once": cut})
        told = client.get(f"/api/jobs/{job['id']}/effects").get_json()
        assert next(e["after"] for e in told["effects"] if e["quantity"] == "diaphragm_set") == press
        job = client.post(
            f"/api/jobs/{job['id']}/effects",
            headers={"If-Match": f'"{job["revision"]}"'},
            json={"quantities": [e["quantity"] for e in told["effects"]]},
        ).get_json()
        assert client.get(f"/api/jobs/{job['id']}/effects").get_json()["effects"] == []


def test_effects_name_the_revision_they_were_seen_on(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    take(client, job, "plate_thickness", PACK)
    enter(client, job, notes="meanwhile")
    body = {"quantities": ["wear"]}
    stale = client.post(f"/api/jobs/{job['id']}/effects", json=body, headers={"If-Match": f'"{job["revision"]}"'})
    assert stale.status_code == 412
    assert client.post(f"/api/jobs/{job['id']}/effects", json=body).status_code == 428
    unknown = client.post(
        f"/api/jobs/{job['id']}/effects",
        json={"quantities": ["cover_clamp"]},
        headers={"If-Match": f'"{job["revision"] + 1}"'},
    )
    assert unknown.status_code == 422


def test_the_list_of_parts_with_reasons_as_csv(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    take(client, job, "plate_thickness", {"Plate 3, place 1": "2.7"})
    rows = list(csv.DictReader(io.StringIO(client.get(f"/api/jobs/{job['id']}/parts.csv").get_data(as_text=True))))
    assert [r["part"] for r in rows] == [
        "Plate set",
        "Spring set",
        "Spring bolts",
        "Lock washer of the clutch nut",
        "Cable pins and bushes",
    ]
    assert "Plate 3, place 1: 2.7 mm" in rows[0]["reasons"]
    assert [n["label"] for n in bench(client, job)["needs"]] == [r["part"] for r in rows]


def test_the_sum_of_a_part_while_it_is_open(client: FlaskClient) -> None:
    job = begin(client, CAR)
    figures = {"price": 25, "chance": 0.1, "hours": 8, "rate": 70}
    measured = put(client, job, "renewals", part="pilot", **figures).get_json()
    (found,) = measured["renewals"]
    assert (found["pays"], found["later"]) == (True, pytest.approx(58.5))
    measured = put(client, job, "renewals", part="pilot", **(figures | {"chance": 0.01})).get_json()
    assert [s["pays"] for s in measured["renewals"]] == [False]
    assert put(client, job, "renewals", part="pilot", **(figures | {"chance": 2})).status_code == 422
    at = f"/api/jobs/{job['id']}/renewals/pilot"
    stale = client.delete(at, headers={"If-Match": '"1"'})
    assert stale.status_code == 412
    assert (stale.get_json()["seen"], stale.get_json()["newest"]) == (1, 2)
    assert stale.get_json()["stands"]["chance"] == 0.01
    assert client.delete(at, headers={"If-Match": '"2"'}).get_json()["renewals"] == []


# --- files


def test_readings_go_out_and_in_again(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    put(client, job, "series", check="plate_thickness", distance="24000")
    take(client, job, "plate_thickness", PACK)
    post(client, job, "readings", check="basket", place="Once", grade="smooth")
    post(client, job, "readings", check="hub", place="Once", skipped="cover still on")
    text = client.get(f"/api/jobs/{job['id']}/readings.csv").get_data(as_text=True)
    assert text.count("\n") == 24
    other = begin(client, BIKE | {"vehicle": "Its twin"})
    told = post(client, other, "readings/csv", text=text).get_json()
    assert (told["taken"], told["already"], told["faults"]) == (23, 0, [])
    again = client.get(f"/api/jobs/{other['id']}/readings.csv").get_data(as_text=True)
    assert [line.split(",", 1)[1] for line in again.splitlines()] == [
        line.split(",", 1)[1] for line in text.splitlines()
    ]
    was, now = bench(client, job), bench(client, other)
    for name in ("plate_thickness", "basket", "hub"):
        for part in ("verdict", "sentence", "place", "taken"):
            assert check(now, name)["finding"][part] == check(was, name)["finding"][part]
        assert check(now, name)["distance"] == check(was, name)["distance"]


def test_a_file_brought_twice_counts_once_and_goes_back_as_one(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    take(client, job, "plate_thickness", PACK)
    post(client, job, "readings", check="hub", place="Once", skipped="cover still on")
    text = client.get(f"/api/jobs/{job['id']}/readings.csv").get_data(as_text=True)
    told = post(client, job, "readings/csv", text=text).get_json()
    assert (told["taken"], told["already"], told["series"]) == (0, len(PACK) + 1, [])

    other = begin(client, BIKE | {"vehicle": "Its twin"})
    first = post(client, other, "readings/csv", text=text).get_json()
    assert (first["taken"], len(first["series"])) == (len(PACK) + 1, 2)
    cleared = post(client, other, "readings/csv/undo", series=first["series"]).get_json()
    assert check(cleared, "plate_thickness")["finding"]["taken"] == 0
    assert (
        client.get(f"/api/jobs/{other['id']}/measure/history").get_json()["total"] == len(PACK) + 1
    )  # withdrawn, kept
    again = post(client, other, "readings/csv", text=text).get_json()
    assert (again["taken"], again["already"]) == (len(PACK) + 1, 0)

    def life() -> int:
        told = client.get(f"/api/jobs/{job['id']}/measure/history").get_json()
        return sum(not line["withdrawn"] for line in told["readings"])

    here = begin(client, BIKE)  # the vehicle's next job wants them on its own bench; its life has them once
    third = post(client, here, "readings/csv", text=text).get_json()
    assert (third["taken"], third["already"]) == (len(PACK) + 1, 0)
    assert check(bench(client, here), "plate_thickness")["finding"]["taken"] == len(PACK)
    assert life() == len(PACK) + 1
    post(client, here, "readings/csv/undo", series=third["series"])
    assert life() == len(PACK) + 1  # those of the first job stand
    assert post(client, job, "readings/csv/undo", series=again["series"]).status_code == 404  # another job's


def test_a_job_file_carries_all_that_was_measured(client: FlaskClient) -> None:
    """Another shop sees the same verdicts, by the same limits, with the same doubts."""
    job = begin(client, BIKE)
    put(client, job, "series", check="plate_thickness", distance="24000", label="before winter")
    take(client, job, "plate_thickness", PACK)
    post(client, job, "readings", check="plate_thickness", place="Plate 2, place 1", typed="9", sure=True)
    post(client, job, "readings/undo", check="plate_thickness")
    post(client, job, "readings", check="basket", place="Once", grade="smooth")
    put(client, job, "limits", check="plate_thickness", name="least", typed="2.5", unit="mm", source="p. 7")
    put(client, job, "renewals", part="springs", price=25, chance=0.1, hours=8, rate=70)
    text = client.get(f"/api/jobs/{job['id']}/file").get_data()
    came = client.post("/api/jobs/file?again=true", data=text)
    assert came.status_code == 201
    other = came.get_json()
    was, now = bench(client, job), bench(client, other)
    assert now["checks"] == [
        c | {"readings": n["readings"], "series": n["series"], "can_redo": n["can_redo"]}
        for c, n in zip(was["checks"], now["checks"], strict=True)
    ]
    reads = [
        [{k: v for k, v in r.items() if k != "id"} for r in check(b, "plate_thickness")["readings"]] for b in (was, now)
    ]
    assert reads[0] == reads[1]
    assert (now["renewals"], now["needs"]) == (was["renewals"], was["needs"])
    assert client.get(f"/api/jobs/{other['id']}/file").get_json() | {"job": ""} == json.loads(text) | {"job": ""}
    lives = [client.get(f"/api/jobs/{j['id']}/measure/history").get_json()["total"] for j in (job, other)]
    assert lives == [len(PACK) + 2] * 2  # the same vehicle's life has each reading once


def test_a_file_with_faults_is_taken_as_far_as_it_can_be_read(client: FlaskClient) -> None:
    job = begin(client, BIKE)
    text = (
        "check;place;reading;instrument;at;distance_km\n"
        "plate_thickness;Plate 1, place 1;2,91 mm;micrometer;2026-03-01T09:30:00+02:00;24000\n"
        "plate_thickness;Plate 1, place 2;thin;;;\n"
        "bore_runout;0°;0 mm;;;\n"
        "nothing;x;1;;;\n"
        "basket;Once;smooth;;;\n"
        "plate_thickness;;2.9;;;\n"
        "plate_thickness;Plate 2, place 1;2.9;laser;;\n"
        "plate_thickness;Plate 2, place 1;2.9;;yesterday;\n"
    )
    told = post(client, job, "readings/csv", text=text).get_json()
    assert told["taken"] == 2
    assert [f.split(":")[0] for f in told["faults"]] == ["Line 3", "Line 5", "Line 7", "Line 8", "Line 9", "Line 4"]
    (reading,) = check(bench(client, job), "plate_thickness")["readings"]
    assert reading["at"] == "2026-03-01T07:30:00.000000Z"
    assert reading["source"] == "file"


@pytest.mark.parametrize("text", ["", "a,b\n1,2\n", "check,place\nx,y\n", "place,reading\nx,1\n"])
def test_what_is_no_file_of_readings(client: FlaskClient, text: str) -> None:
    assert post(client, begin(client, BIKE), "readings/csv", text=text).status_code == 422


def test_what_is_to_be_got_can_be_planned_and_its_readings_stay_with_the_old_part(client: FlaskClient) -> None:
    """A pack worn out on the bench: planned as renewed, Bite stands where it stood before it was read."""
    job = begin(client, BIKE)
    fresh = client.get(f"/api/jobs/{job['id']}").get_json()["verdicts"][0]["margin"]
    take(client, job, "plate_thickness", PACK | {"Plate 1, place 1": "2.5"})
    job = client.get(f"/api/jobs/{job['id']}").get_json()
    told = client.get(f"/api/jobs/{job['id']}/effects").get_json()
    taken = client.post(
        f"/api/jobs/{job['id']}/effects",
        json={"quantities": [e["quantity"] for e in told["effects"]]},
        headers={"If-Match": f'"{job["revision"]}"'},
    )
    assert taken.status_code == 200, taken.text
    job = taken.get_json()
    assert job["verdicts"][0]["margin"] != fresh
    plans = {n["part"]: n["plan"] for n in bench(client, job)["needs"] if n["plan"]}
    assert (plans["plates"]["quantity"], plans["plates"]["typed"]) == ("plates_fate", "renewed")
    planned = enter(client, job, plates_fate="renewed", springs_fate="renewed").get_json()
    assert planned["verdicts"][0]["margin"] == fresh
    assert not any(n["plan"] for n in bench(client, planned)["needs"] if n["part"] in {"plates", "springs"})


def test_a_part_is_put_on_the_list_by_hand_planned_and_taken_off_again(client: FlaskClient) -> None:
    job = begin(client, BIKE)

    def said(key: str, **words: str) -> int:
        body = {"kind": "own_part", "key": key, "said": words}
        return client.post(f"/api/jobs/{job['id']}/record", json=body, headers={"Person": "Iolo"}).status_code

    assert said("Water pump shaft", answer="to_get") == 422
    assert said("Water pump shaft", answer="to_get", reason="known to wear its seal") == 200
    (need,) = bench(client, job)["needs"]
    assert (need["part"], need["added"], need["plan"]) == ("Water pump shaft", "Water pump shaft", None)
    assert need["reasons"] == ["put on the list: known to wear its seal, says Iolo"]
    assert said("basket", answer="to_get", reason="twelve years old") == 200
    assert {n["part"]: n["plan"] for n in bench(client, job)["needs"]}["basket"]["typed"] == "renewed"
    assert said("Water pump shaft", answer="open") == 200
    assert [n["added"] for n in bench(client, job)["needs"]] == ["basket"]
