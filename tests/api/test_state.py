"""Tabs of another state of the shop, writers that come at once, work that waits its turn."""

from __future__ import annotations

import threading
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from flask_openapi3 import OpenAPI

from liftbite.api.serving import serving
from liftbite.api.turns import KEPT, Gate, NoTurn
from liftbite.store.backups import back_up, restore
from tests.api.jobs.test_views import begin, enter
from tests.api.test_crowd import ask
from tests.jobs import CAR, MOTORCYCLE


@pytest.fixture
def address(app: OpenAPI) -> Iterator[str]:
    with serving(app) as found:
        yield found


def shop_of(client: FlaskClient) -> Path:
    path: Path = client.application.extensions["liftbite.sessions"].kw["info"]["opened"][0]
    return path


def test_what_a_tab_of_before_sends_is_written_into_no_other_job(client: FlaskClient, tmp_path: Path) -> None:
    """One customer's vehicle landed in another's job; a revision 2 was written on a different revision 2."""
    copy = back_up(shop_of(client), tmp_path / "copy.sqlite").path
    job = begin(client, CAR | {"vehicle": "Merrow van"})
    opened = client.get(f"/api/jobs/{job['id']}")
    tag, state = opened.headers["ETag"], opened.headers["Shop-State"]
    assert state in tag
    restore(shop_of(client), copy)
    other = begin(client, MOTORCYCLE | {"vehicle": "Ostrel 650"})
    assert other["id"] != job["id"], "a number is not given twice"
    number = other["id"]
    assert client.get(f"/api/jobs/{number}").headers["Shop-State"] != state
    said: list[tuple[str, str, dict[str, Any], dict[str, str]]] = [
        (
            "POST",
            f"/api/jobs/{number}/entries",
            {"entries": [{"quantity": "vehicle", "typed": "Merrow van"}]},
            {"If-Match": tag},
        ),
        (
            "POST",
            f"/api/jobs/{number}/plan",
            {"kind": "bag", "key": "1", "said": {"answer": "filled"}},
            {"Shop-State": state},
        ),
        (
            "POST",
            f"/api/jobs/{number}/readings",
            {"check": "basket", "place": "Once", "grade": "deep"},
            {"Shop-State": state},
        ),
        ("PUT", f"/api/jobs/{number}/archived", {"archived": True}, {"If-Match": f'"{state}.1"'}),
        ("POST", "/api/jobs", {"layout": "dry_car", "name": "x"}, {"Shop-State": state}),
    ]
    before = client.get(f"/api/jobs/{number}/file").data
    for method, path, body, headers in said:
        refused = client.open(path, method=method, json=body, headers=headers)
        assert refused.status_code == 412, path
        assert refused.get_json()["type"] == "urn:liftbite:another-state"
    assert client.post("/api/archive", data=b"x", headers={"Shop-State": state}).status_code == 412
    assert client.get(f"/api/jobs/{number}/file").data == before
    assert [j["id"] for j in client.get("/api/jobs").get_json()["jobs"]] == [number]


def test_twenty_writers_at_once_are_all_kept(address: str, client: FlaskClient) -> None:
    job = begin(client)
    told: list[int] = []

    def write(number: int) -> None:
        body = {"kind": "bag", "key": f"bag {number}", "said": {"answer": "filled"}}
        told.append(ask(address, f"/api/jobs/{job['id']}/plan", body, "POST"))

    writers = [threading.Thread(target=write, args=(n,)) for n in range(20)]
    for writer in writers:
        writer.start()
    for writer in writers:
        writer.join()
    assert told == [200] * 20
    kept = client.get(f"/api/jobs/{job['id']}/plan").get_json()["kept"]
    assert {each["key"] for each in kept} == {f"bag {n}" for n in range(20)}


def test_eighteen_documents_at_once_keep_nobody_waiting(address: str, client: FlaskClient) -> None:
    """They held every thread of the server, and the next request waited 25 s."""
    job = begin(client)
    told: list[int] = []

    def fetch() -> None:
        try:
            with urllib.request.urlopen(f"{address}/api/jobs/{job['id']}/sheet.pdf", timeout=300) as answer:
                told.append(answer.status)
        except urllib.error.HTTPError as error:
            told.append(error.code if error.headers["Retry-After"] else 500)

    papers = [threading.Thread(target=fetch) for _ in range(18)]
    for paper in papers:
        paper.start()
    while len(told) < 10:  # what has no turn is told so at once
        time.sleep(0.01)
    assert ask(address, "/healthz") == 200
    for paper in papers:
        paper.join()
    assert set(told) <= {200, 503}
    assert 1 <= told.count(200) <= 6
    fetch()
    assert told[-1] == 200


def test_what_waits_keeps_its_place_and_no_more_than_a_few_do() -> None:
    now = 0.0
    gate = Gate(1, 2, lambda: now)
    gate.enter("first")
    for name, before in (("second", 1), ("third", 2)):
        with pytest.raises(NoTurn, match="under way") as told:
            gate.enter(name)
        assert (told.value.before, told.value.refused) == (before, False)
    with pytest.raises(NoTurn, match="no more is taken on") as told:
        gate.enter("fourth")
    assert told.value.refused
    gate.leave()
    with pytest.raises(NoTurn, match="under way"):
        gate.enter("third")  # not before the second
    with pytest.raises(NoTurn):
        gate.enter()  # nor somebody without a place
    gate.enter("second")
    gate.leave()
    gate.enter("third")
    gate.leave()
    gate.enter("a")
    with pytest.raises(NoTurn, match="under way"):
        gate.enter("gone")
    gate.leave()
    now = KEPT + 1
    gate.enter("b")  # whoever does not come again loses his place


def test_a_tag_of_another_state_is_told_from_one_of_this(client: FlaskClient) -> None:
    job = begin(client)
    state = client.get("/api/jobs").headers["Shop-State"]
    body = {"entries": [{"quantity": "notes", "typed": "mine"}]}
    path = f"/api/jobs/{job['id']}/entries"
    tag = f'"{state}.{job["revision"]}"'
    entered = client.post(path, json=body, headers={"If-Match": tag})
    assert entered.status_code == 200
    assert client.post(path, json=body, headers={"If-Match": f'"{"0" * 12}.2"'}).status_code == 412
    assert client.post(path, json=body, headers={"If-Match": '"fourteen"'}).status_code == 428
    assert enter(client, entered.get_json(), notes="again").status_code == 200, "a bare number is of this state"
