"""Eight jobs from brief to sheet: nothing measured or decided is missing there, nothing old stands in the new."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any
from urllib.parse import quote

import pytest
from flask.testing import FlaskClient

from tests.api.sheet.test_views import words_of

WHO = "Nell Orrin"


@dataclass(frozen=True)
class Whole:
    """A job as it is worked: what is entered, read, asked and said, and what has to stand on its sheet."""

    begins: Mapping[str, Any]
    entered: Mapping[str, str] = field(default_factory=dict)
    found: Mapping[str, Mapping[str, str]] = field(default_factory=dict)
    goes_in: Mapping[str, Mapping[str, str]] = field(default_factory=dict)
    asked: Mapping[str, tuple[str, str]] = field(default_factory=dict)
    said: tuple[tuple[str, str, Mapping[str, str]], ...] = ()
    taken: tuple[str, ...] = ()
    stands: tuple[str, ...] = ()
    not_there: tuple[str, ...] = ()
    states: Mapping[str, str] = field(default_factory=dict)


FORK = {
    "release": "hydraulic_fork",
    "master_diameter": "19.05 mm",
    "slave_diameter": "22 mm",
    "fork_ratio": "1.6",
    "pedal_stroke": "150 mm",
    "pedal_ratio": "5.6",
    "master_stroke": "34 mm",
    "slave_stroke": "30 mm",
}
CONCENTRIC = {
    "release": "concentric",
    "master_diameter": "3/4 in",
    "slave_outer_diameter": "52 mm",
    "bearing": "rides",
    "slave_inner_diameter": "38 mm",
    "pedal_stroke": "150 mm",
    "pedal_ratio": "5.6",
    "master_stroke": "34 mm",
    "slave_stroke": "25 mm",
    "lever_ratio": "3.6",
}


def each(check: str, places: tuple[str, ...], typed: str) -> dict[str, dict[str, str]]:
    return {check: dict.fromkeys(places, typed)}


RIVETS = tuple(f"Disc 1, {side} side, {i}" for side in ("flywheel", "plate") for i in (1, 2, 3))
WHOLE = {
    "boosted coupe from one kit rating": Whole(
        {"vehicle_class": "boosted_coupe", "engine": "520 N·m", "taken_at": "crank"},
        entered={"complaint": "slips in fourth"},
        states={"bite": "slips"},
        stands=("520", "slips in fourth", "Boosted coupe"),
    ),
    "wet pack with one tired spring": Whole(
        {"vehicle_class": "sport_four", "engine": "66 N·m"},
        entered={
            "spring_count": "5",
            "spring_free_length": "45 mm",
            "spring_installed_length": "33 mm",
            "spring_rate": "20 N/mm",
        },
        found={
            "spring_free_length": {
                "Spring 1": "44.9",
                "Spring 2": "44.8",
                "Spring 3": "42.1",
                "Spring 4": "44.9",
                "Spring 5": "44.8",
            }
        },
        stands=("42.1 mm", "Spring set", WHO),
    ),
    "twin whose stands are too high and no shim at hand": Whole(
        {"vehicle_class": "v8_coupe", "engine": "640 N·m"},
        entered={"disc_count": "2"},
        found={"floater_gap": {"Stand 1": "0.40 mm", "Stand 2": "0.41 mm", "Stand 3": "0.40 mm"}},
        asked={"floater_gap": ("shims", "raises")},
        taken=("floater_clearance",),
        stands=("not all three come right", "Get for stand 1", "0.41 mm"),
    ),
    "hydraulics only, with air": Whole(
        {"vehicle_class": "saloon", "engine": "200 N·m"},
        entered=FORK | {"complaint": "pedal spongy, drags"},
        found={"slave_travel": {"Once": "11 mm"}, "slave_travel_half": {"Once": "3.5 mm"}},
        said=(("scope", "", {"answer": "hydraulics"}),),
        taken=("trapped_air",),
        stands=("of air is still in there", "Travel against the stroke", "Hydraulics only", "11 mm"),
    ),
    "worn disc out, uprated kit in": Whole(
        {"vehicle_class": "boosted_coupe", "engine": "420 N·m"},
        entered={"disc_fate": "renewed", "cover_fate": "renewed", "cover_clamp": "14 kN", "clamp_source": "figure"},
        found=each("rivet_depth", RIVETS, "0.2 mm"),
        goes_in=each("rivet_depth", RIVETS, "1.6 mm"),
        stands=("0.2 mm", "1.6 mm", "Release bearing", "renewed"),
        states={"bite": "holds"},
    ),
    "rear-engined pull type with cable and assist spring": Whole(
        {"vehicle_class": "light_roadster", "engine": "180 N·m"},
        entered={"cover_action": "pull", "release": "cable_fork", "pedal_spring": "over_centre"},
        found={"pedal_force": {"Once": "95 N"}, "bite_point": {"Once": "60 mm"}},
        stands=("95 N", "60 mm"),
    ),
    "concentric bearing with two spacers of which one is fitted": Whole(
        {"vehicle_class": "v8_coupe", "engine": "560 N·m"},
        entered=CONCENTRIC,
        goes_in={
            "depth_x": {f"At {hour}": "3.750 in" for hour in (12, 4, 8)},
            "depth_y": {f"At {hour}": "3.000 in" for hour in (12, 4, 8)},
            "spacers": {"Spacer 1": "0.250 in", "Spacer 2": "0.259 in"},
        },
        asked={"depth_x": ("fitted", "1")},
        taken=("bearing_reserve",),
        stands=("Fitted with Spacer 1", "12.7 mm"),
        not_there=("Fitted with no spacer",),
    ),
    "light flywheel and a disc that stays": Whole(
        {"vehicle_class": "light_roadster", "engine": "190 N·m"},
        entered={
            "flywheel_fate": "renewed",
            "flywheel_material": "steel",
            "flywheel_mass": "4.2 kg",
            "inertia_source": "weight",
        },
        found=each("rivet_depth", RIVETS, "0.9 mm"),
        goes_in={"flywheel_heights": {"Face, comes out": "28.0 mm", "Face, goes in": "27.2 mm"}},
        taken=("wear",),
        stands=("0.8 mm", "lower at the face", "0.9 mm", "Flywheel"),
    ),
}


def worked(client: FlaskClient, name: str, whole: Whole) -> dict[str, Any]:
    """A job begun, entered, measured and said, over HTTP; as it stands at last."""
    head = {"Person": quote(WHO)}
    answer = client.post("/api/jobs", json={"name": name[:60], **whole.begins})
    assert answer.status_code == 201, answer.text
    job = answer.get_json()
    address = f"/api/jobs/{job['id']}"

    def sent(path: str, body: Any, **headers: str) -> Any:
        found = client.post(f"{address}/{path}", json=body, headers={**head, **headers})
        assert found.status_code == 200, (path, body, found.text)
        return found.get_json()

    entries = [{"quantity": q, "typed": t} for q, t in whole.entered.items()]
    if entries:
        job = sent("entries", {"entries": entries}, **{"If-Match": f'"{job["revision"]}"'})
    for kind, key, said in whole.said:
        sent("record", {"kind": kind, "key": key, "said": said})
    for build, checks in (("found", whole.found), ("planned", whole.goes_in)):
        for check, places in checks.items():
            if check in whole.asked:
                setting, option = whole.asked[check]
                sent(f"series?build={build}", {"check": check, "asked": {setting: option}})
            for place, typed in places.items():
                sent(f"readings?build={build}", {"check": check, "place": place, "typed": typed, "sure": True})
    if whole.taken:
        version = {"If-Match": f'"{client.get(address).get_json()["revision"]}"'}
        sent("effects", {"quantities": list(whole.taken)}, **version)
    return client.get(address).get_json()


@pytest.mark.parametrize("name", WHOLE)
def test_a_job_from_brief_to_sheet(client: FlaskClient, name: str) -> None:
    whole = WHOLE[name]
    job = worked(client, name, whole)
    address = f"/api/jobs/{job['id']}"
    words = words_of(client, f"{address}/sheet.html?appendix=true")
    for text in whole.stands:
        assert text in words, text
    for text in whole.not_there:
        assert text not in words, text
    states = {v["question"]: v["state"] for v in job["verdicts"]}
    assert states | whole.states == states
    for verdict in job["verdicts"]:
        assert " ".join(verdict["sentence"].split()) in words
    for build in ("found", "planned"):
        bench = client.get(f"{address}/measure?build={build}").get_json()
        for check in bench["checks"]:
            for reading in check["readings"]:
                assert reading["typed"] in words, (check["name"], reading["typed"])
                assert reading["who"] == WHO
            if check["readings"] and check["finding"] and check["finding"]["verdict"] != "open":
                assert check["finding"]["sentence"] in words
        for calculation in bench["calculations"]:
            if build == "planned":
                assert " ".join(calculation["sentence"].split()) in words, calculation["name"]
        for need in bench["needs"]:
            assert need["label"] in words


def test_the_old_discs_wear_is_not_in_the_new_clutch(client: FlaskClient) -> None:
    job = worked(client, "uprated", WHOLE["worn disc out, uprated kit in"])
    fields = {f["name"]: f for f in job["fields"]}
    assert fields["wear"]["mark"] != "measured"
    found = client.get(f"/api/jobs/{job['id']}/measure?build=found").get_json()
    rivets = next(c for c in found["checks"] if c["name"] == "rivet_depth")
    assert {r["typed"] for r in rivets["readings"]} == {"0.2 mm"}
