"""Names in ten scripts, everywhere one is typed: each is its own, and none takes what was said of another."""

from __future__ import annotations

from typing import Any

from flask.testing import FlaskClient

from liftbite.core.fit.own_steps import own_key
from liftbite.core.measure.own import own_name
from liftbite.store.database import writing
from liftbite.store.models import RecordRow
from tests.api.jobs.test_views import begin

#: “Bolt 1” in ten scripts, and two that differ in a sign alone.
TEN = ("Bolt 1", "Болт 1", "Μπουλόνι 1", "ボルト 1", "螺栓 1", "볼트 1", "برغي 1", "בורג 1", "สลักเกลียว 1", "बोल्ट 1")
NAMES = (*TEN, "Bolt #1", "bolt 1", "Bölt 1", "1")


def say(client: FlaskClient, job: dict[str, Any], path: str, kind: str, key: str, **said: str) -> Any:
    answer = client.post(f"/api/jobs/{job['id']}/{path}", json={"kind": kind, "key": key, "said": said, "who": "Nell"})
    assert answer.status_code == 200, answer.text
    return answer.get_json()


def test_every_name_has_a_key_of_its_own() -> None:
    assert len({own_key(name) for name in NAMES}) == len(NAMES)
    assert len({own_name(name) for name in NAMES}) == len(NAMES)
    assert own_key("Bo\u0308lt 1") == own_key("Bölt 1"), "composed or not, it is one name"


def test_a_step_of_ones_own_inherits_nothing_from_another(client: FlaskClient) -> None:
    """Steps in other alphabets were one step, and what was done of one was done of all."""
    job = begin(client)
    for name in NAMES:
        say(client, job, "plan", "own_step", name, answer="asked", after="")
    for count, name in enumerate(NAMES, 1):
        plan = say(client, job, "plan", "step", own_key(name), answer="done")
        done = {step["title"] for step in plan["steps"] if step["own"] and step["state"] == "done"}
        assert done == set(NAMES[:count])


def test_checks_bags_marks_parts_and_what_was_left_over_keep_their_names(client: FlaskClient) -> None:
    job = begin(client)
    for name in NAMES:
        say(client, job, "record", "own", name, answer="asked", unit="mm", least="1 mm")
        for kind, answer in (("bag", "filled"), ("mark", "made"), ("leftover", "unexplained"), ("noted", "loose")):
            say(client, job, "plan", kind, name, answer=answer, **({"holds": name} if kind == "bag" else {}))
        say(client, job, "record", "own_part", name, answer="to_get", reason="worn")
        read = {"check": own_name(name), "place": "Once", "typed": f"{NAMES.index(name) + 1} mm", "sure": True}
        assert client.post(f"/api/jobs/{job['id']}/readings", json=read).status_code == 200
        shop = {"title": f"{name} again", "after": "", "note": name, "kept": True}
        path = f"/api/jobs/{job['id']}/plan/shop-step"
        assert client.put(path, json=shop, headers={"If-Match": '"0"'}).status_code == 200
    measured = client.get(f"/api/jobs/{job['id']}/measure").get_json()
    read_of = {c["label"]: [r["typed"] for r in c["readings"]] for c in measured["checks"] if c["own"]}
    assert read_of == {name: [f"{n} mm"] for n, name in enumerate(NAMES, 1)}
    assert set(NAMES) <= {need["part"] for need in measured["needs"]}
    plan = client.get(f"/api/jobs/{job['id']}/plan").get_json()
    for kind in ("bag", "mark", "leftover", "noted"):
        assert [each["key"] for each in plan["kept"] if each["kind"] == kind] == list(NAMES)
    assert {step["title"] for step in plan["shop_steps"]} == {f"{name} again" for name in NAMES}
    paper = client.get(f"/api/jobs/{job['id']}/handover.html").text
    assert all(name in paper for name in NAMES)


def test_what_was_done_under_a_shared_key_of_before_is_nobodys(client: FlaskClient) -> None:
    """A record of before: two titles went by one key, and one tick was both's. What one alone can mean still counts."""
    job = begin(client)
    say(client, job, "plan", "own_step", "Болт", answer="asked", after="")
    say(client, job, "plan", "own_step", "ボルト", answer="asked", after="")
    say(client, job, "plan", "own_step", "Paint bolt #1", answer="asked", after="")
    sessions = client.application.extensions["liftbite.sessions"]
    with writing(sessions) as session:
        at = session.get_one(RecordRow, 1).at
        for key in ("own:step", "own:paint_bolt_1"):
            session.add(RecordRow(job_id=job["id"], kind="step", key=key, said={"answer": "done"}, at=at))
    plan = client.get(f"/api/jobs/{job['id']}/plan").get_json()
    done = {step["title"] for step in plan["steps"] if step["own"] and step["state"] == "done"}
    assert done == {"Paint bolt #1"}
