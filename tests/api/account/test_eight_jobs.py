"""Eight jobs worked whole, from the brief to the owner's page: states and codes of their accounts, and their papers.

What a part is in the end was written down before the jobs were run: the words of papers may change, these may not.
"""

from __future__ import annotations

import re
from dataclasses import dataclass, field
from typing import Any

import pytest
from flask.testing import FlaskClient

from tests.api.fit.working import right, work_on
from tests.api.jobs.test_views import begin
from tests.api.sheet.test_views import words_of
from tests.jobs import CAR, FULL, MOTORCYCLE

Account = dict[str, Any]


@dataclass(frozen=True)
class Job:
    """A job as it is worked: what is typed, what is said at the bench before anything goes in, and what it comes to.

    `states` are those of the parts in the end, by "part:work"; `open` and `shut` the codes of points that are there,
    and that are not; `reads` what is read before the work, check and figure or grade; `faces` what is bedded in.
    """

    typed: dict[str, str]
    said: tuple[tuple[str, str, dict[str, str]], ...] = ()
    reads: tuple[tuple[str, str], ...] = ()
    states: dict[str, str] = field(default_factory=dict)
    open: frozenset[str] = frozenset()
    shut: frozenset[str] = frozenset()
    faces: tuple[str, ...] = ()


def scope(answer: str) -> tuple[str, str, dict[str, str]]:
    return "scope", "", {"answer": answer}


def order(part: str, state: str = "arrived") -> tuple[str, str, dict[str, str]]:
    return "order", f"{part}:get", {"state": state, "number": "HP-104", "source": "Halven"}


JOBS = {
    "boosted coupe, rated kit, new slave": Job(
        typed={
            **CAR,
            "vehicle": "Tarlow 2.4 turbo",
            "complaint": "slips in fourth on boost",
            "disc_fate": "renewed",
            "cover_fate": "renewed",
            "bearing_fate": "renewed",
            "slave_fate": "renewed",
        },
        said=(scope("clutch_flywheel"), order("disc"), order("cover"), order("slave")),
        reads=(("rivet_depth", "0.1 mm"),),
        states={"disc:get": "fitted", "cover:get": "fitted", "bearing:get": "fitted", "slave:get": "fitted"},
        open=frozenset({"bedding", "not answered", "look again"}),
        shut=frozenset({"awaited", "to fit", "hold points"}),
        faces=("disc", "cover"),
    ),
    "twin into a V8, another gearbox": Job(
        typed={
            **FULL,
            "disc_fate": "renewed",
            "cover_fate": "renewed",
            "gearbox_fate": "renewed",
            "flywheel_fate": "renewed",
        },
        said=(scope("everything"), order("gearbox"), order("flywheel")),
        states={
            "disc:get": "fitted",
            "cover:get": "fitted",
            "gearbox:get": "fitted",
            "input_shaft:get": "fitted",
            "flywheel:get": "fitted",
        },
        faces=("disc", "cover", "flywheel"),
    ),
    "hydraulics only, unsolved complaint": Job(
        typed={**CAR, "complaint": "pedal soft, judders when cold", "slave_fate": "renewed"},
        said=(scope("hydraulics"), order("slave")),
        states={"slave:get": "fitted"},
        open=frozenset({"complaints"}),
        shut=frozenset({"bedding"}),
    ),
    "rear seal found leaking once open": Job(
        typed={**CAR, "disc_fate": "renewed"},
        said=(scope("clutch_flywheel"), order("disc")),
        reads=(("rear_seal", "wet"),),
        states={"disc:get": "fitted", "rear_seal:get": "fitted"},
        faces=("disc",),
    ),
    "wet pack checked and put back": Job(
        typed=MOTORCYCLE,
        said=(scope("clutch"),),
        states={"plates:put_back": "put_back"},
        shut=frozenset({"bedding"}),
    ),
    "flywheel sent out and measured again": Job(
        typed={**CAR, "disc_fate": "renewed", "flywheel_fate": "dressed"},
        said=(scope("clutch_flywheel"), order("disc")),
        states={"flywheel:dress": "fitted", "disc:get": "fitted"},
        faces=("disc", "flywheel"),
    ),
    "concentric conversion": Job(
        typed={
            **CAR,
            "fork_fate": "left_out",
            "slave_fate": "renewed",
            "bearing_fate": "renewed",
            "release": "concentric",
        },
        said=(scope("clutch"), order("slave"), order("bearing")),
        states={"slave:get": "fitted", "bearing:get": "fitted"},
        shut=frozenset({"bedding"}),
    ),
    "light flywheel, cover kept": Job(
        typed={**CAR, "flywheel_fate": "renewed", "disc_fate": "renewed"},
        said=(scope("clutch_flywheel"), order("flywheel"), order("disc")),
        states={"flywheel:get": "fitted", "disc:get": "fitted", "cover:put_back": "put_back"},
        faces=("disc", "flywheel"),
    ),
}


def bench(client: FlaskClient, job: int, kind: str, key: str, **said: str) -> None:
    body = {"kind": kind, "key": key, "said": said}
    right(client.post(f"/api/jobs/{job}/record", json=body, headers={"Person": "Ines"}))


def read(client: FlaskClient, job: int, check: str, value: str) -> None:
    """A figure at every place of a check, or a grade."""
    found = client.get(f"/api/jobs/{job}/measure").get_json()
    at = next(c for c in found["checks"] if c["name"] == check)
    how = "grade" if at["kind"] == "grade" else "typed"
    for place in at["places"]:
        body = {"check": check, "place": place["key"], how: value, "sure": True}
        right(client.post(f"/api/jobs/{job}/readings", json=body, headers={"Person": "Ines"}))


def worked(client: FlaskClient, job: Job) -> tuple[int, Account]:
    """A job worked to its road test, as its plan has it."""
    number: int = begin(client, job.typed)["id"]
    for kind, key, said in job.said:
        bench(client, number, kind, key, **said)
    for check, value in job.reads:
        read(client, number, check, value)
    work_on(client, number, "recheck")
    return number, client.get(f"/api/jobs/{number}/account").get_json()


@pytest.mark.parametrize("name", JOBS)
def test_a_job_comes_to_what_was_done(client: FlaskClient, name: str) -> None:
    job = JOBS[name]
    _, account = worked(client, job)
    states = {line["key"]: line["state"] for line in account["parts"]}
    codes = {point["code"] for point in account["points"]}
    assert {key: states.get(key) for key in job.states} == job.states
    assert (codes & job.open, codes & job.shut) == (job.open, frozenset())
    assert tuple(face["name"] for face in account["bedding"]["faces"]) == job.faces


@pytest.mark.parametrize("name", JOBS)
def test_no_paper_says_more_than_the_account(client: FlaskClient, name: str) -> None:
    """Whatever the owner reads as new was fitted; what was fitted, complained of or is open stands on the hand-over."""
    number, account = worked(client, JOBS[name])
    page = client.get(f"/api/jobs/{number}/handover.html?owner=true").get_data(as_text=True)
    new = re.search(r"<h2>New</h2>(.*?)</section>", page, re.S)
    named = re.findall(r"<li>(.*?)</li>", new[1]) if new else []
    fitted = [p["label"] for p in account["parts"] if p["work"] == "get" and p["state"] == "fitted"]
    assert named == fitted
    whole = words_of(client, f"/api/jobs/{number}/handover.html")
    for line in account["parts"]:
        assert f"{line['label']} {line['words']}" in whole
    for point in account["points"]:
        assert point["words"][1:] in whole
    for complaint in account["complaints"]:
        assert complaint["label"] in whole
    assert account["status_words"] in whole
    assert account["status_words"] in words_of(client, f"/api/jobs/{number}/handover.html?owner=true")
