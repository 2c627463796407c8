"""What an older version let in: the job opens all the same, what is wrong is named and left out, and the rest goes on.

And what is written is read back before it counts.
"""

from __future__ import annotations

import json
from datetime import UTC, datetime
from typing import Any
from urllib.parse import quote

import pytest
from flask.testing import FlaskClient

from liftbite.core.errors import UnreadableEntry
from liftbite.core.prove.cards import ITEMS
from liftbite.files.measured import MOST_LINES
from liftbite.store.database import writing
from liftbite.store.measurements import Renewal, set_renewal
from liftbite.store.models import EntryRow, RecordRow, RenewalRow
from liftbite.store.record import say as append
from tests.api.jobs.test_views import begin
from tests.api.whole import looks_at_job
from tests.core.lines import line

AT = datetime(2026, 3, 1, 9, 30, tzinfo=UTC)


def bad_rows(client: FlaskClient, job: dict[str, Any], *rows: tuple[str, str, dict[str, Any]]) -> None:
    """Lines as an older version wrote them, behind the back of what looks at them now."""
    sessions = client.application.extensions["liftbite.sessions"]
    with sessions.kw["bind"].begin() as connection:
        for kind, key, said in rows:
            connection.execute(
                RecordRow.__table__.insert().values(job_id=job["id"], kind=kind, key=key, said=said, who="Nell", at=AT)
            )


def test_a_job_with_bad_lines_opens_names_them_and_goes_out_and_back_with_them(client: FlaskClient) -> None:
    job = begin(client)
    bad_rows(
        client,
        job,
        ("own_step", "Round", {"answer": "asked", "after": "own:round"}),
        ("own_step", "A", {"answer": "asked", "after": "own:b"}),
        ("own_step", "B", {"answer": "asked", "after": "own:a"}),
        ("own", "Gap", {"answer": "asked", "unit": "furlong"}),
        ("gremlin", "x", {"answer": "seen"}),
        ("bag", "", {"answer": "filled"}),
        ("trip", "1", {"distance": "42 km"}),
    )
    looks = looks_at_job(client, job["id"])
    told = " ".join(looks["/plan"]["left_out"])
    for words in (
        "“Round” comes after itself",
        "“A” comes after itself",
        "furlong",
        "gremlin",
        "say what it is called",
    ):
        assert words in told
    assert looks["/prove"]["running_in"]["trips"], "what can be read counts"
    more = {"kind": "own_step", "key": "One more", "said": {"answer": "asked", "after": ""}}
    assert client.post(f"/api/jobs/{job['id']}/plan", json=more).status_code == 200, "what is wrong stops nothing new"
    looks = looks_at_job(client, job["id"])
    lacks = " ".join(lack["words"] for lack in looks["/prove"]["lacks"])
    assert "furlong" in lacks
    out = looks["/file"]
    assert [line["kind"] for line in out["bench"]["unread"]] == ["own", "gremlin", "bag"]
    back = client.post("/api/jobs/file?again=true", data=json.dumps(out))
    assert back.status_code == 201, back.text
    again = looks_at_job(client, back.get_json()["id"])
    assert again["/plan"]["left_out"] == looks["/plan"]["left_out"]


def test_a_curve_of_before_that_says_nonsense_of_its_file_is_shown(client: FlaskClient) -> None:
    job = begin(client)
    sessions = client.application.extensions["liftbite.sessions"]
    with sessions.kw["bind"].begin() as connection:
        connection.execute(EntryRow.__table__.update().values(file={"notes": 5, "text": "rpm,Nm"}))
    looks_at_job(client, job["id"])


@pytest.mark.parametrize(
    "file", [{"notes": 5}, {"values": [1]}, {"price": "dear"}, {"mapping": {"speed": "x"}}, {"x": 1}]
)
def test_a_job_file_that_says_nonsense_of_a_figure_is_refused(client: FlaskClient, file: dict[str, Any]) -> None:
    out = client.get(f"/api/jobs/{begin(client)['id']}/file").get_json()
    out["revisions"][0]["entries"][0]["file"] = file
    refused = client.post("/api/jobs/file?again=true", data=json.dumps(out))
    assert refused.status_code == 422
    assert "file" in refused.get_json()["detail"]


def test_a_renewal_of_before_that_is_none_does_not_hold_the_file_up(client: FlaskClient) -> None:
    job = begin(client)
    sessions = client.application.extensions["liftbite.sessions"]
    with sessions.kw["bind"].begin() as connection:
        for part, hours in (("  ", 1.0), ("Disc", 2e6), ("Seal", 2.0)):
            row = {"job_id": job["id"], "part": part, "price": 1.0, "chance": 0.1, "hours": hours, "rate": 1.0}
            connection.execute(RenewalRow.__table__.insert().values(extra_hours=0.0, **row))
    assert [r["part"] for r in looks_at_job(client, job["id"])["/file"]["bench"]["renewals"]] == ["Seal"]


@pytest.mark.parametrize("body", [{"part": "  "}, {"hours": 2e6}, {"extra_hours": 2e6}])
def test_a_renewal_of_nothing_or_of_a_lifetime_is_refused(client: FlaskClient, body: dict[str, Any]) -> None:
    job = begin(client)
    figures = {"price": 1, "chance": 0.1, "hours": 1, "rate": 1, "extra_hours": 0} | body
    path = f"/api/jobs/{job['id']}/renewals/{quote(figures.pop('part', 'Seal'))}"
    assert client.put(path, json=figures, headers={"If-Match": '"0"'}).status_code == 422


def test_what_no_file_could_carry_is_not_written(client: FlaskClient) -> None:
    """By whichever way it comes: the store itself looks before the transaction ends."""
    job = begin(client)
    sessions = client.application.extensions["liftbite.sessions"]
    with pytest.raises(UnreadableEntry, match="hours"), writing(sessions) as session:
        set_renewal(session, job["id"], Renewal("Seal", 1, 0.1, 2e6, 1, 0), 0)
    with pytest.raises(UnreadableEntry, match="furlong"), writing(sessions) as session:
        append(session, job["id"], line("own", "Gap", {"answer": "asked", "unit": "furlong"}), AT)
    assert client.get(f"/api/jobs/{job['id']}").get_json()["change"] == job["change"]


def test_no_step_comes_after_itself_by_whichever_way(client: FlaskClient) -> None:
    job = begin(client)
    at = f"/api/jobs/{job['id']}/plan"

    def own(title: str, after: str) -> Any:
        body = {"kind": "own_step", "key": title, "said": {"answer": "asked", "after": after}}
        return client.post(at, json=body)

    assert own("A", "").status_code == 200
    assert own("B", "own:a").status_code == 200
    assert "comes after itself" in own("A", "own:b").get_json()["detail"]
    assert "comes after itself" in own("A", "own:a").get_json()["detail"]
    shop = {"title": "S", "after": "own:a", "note": "", "kept": True}
    refused = client.put(f"{at}/shop-step", json=shop, headers={"If-Match": '"0"'})
    assert "of this job alone" in refused.get_json()["detail"]
    ring = {"own": [{"title": "X", "after": "own:y"}, {"title": "Y", "after": "own:x"}]}
    assert "comes after itself" in client.post(f"{at}/file", json={"text": json.dumps(ring)}).get_json()["detail"]
    joined = {"own": [{"title": "A", "after": "own:b"}, {"title": "B", "after": ""}]}
    assert client.post(f"{at}/file", json={"text": json.dumps(joined)}).status_code == 200, "as the file has them"
    for step in client.get(at).get_json()["steps"][::7]:
        assert own(f"After {step['key']}", step["key"]).status_code == 200, step["key"]
    looks_at_job(client, job["id"])


def test_a_plan_takes_so_many_steps_of_ones_own_and_says_so(client: FlaskClient) -> None:
    job = begin(client)
    bad_rows(client, job, *(("own_step", f"Step {n}", {"answer": "asked"}) for n in range(1660)))
    plan = client.get(f"/api/jobs/{job['id']}/plan").get_json()
    assert sum(step["own"] for step in plan["steps"]) == 200
    assert "a plan takes 200" in " ".join(plan["left_out"])
    body = {"kind": "own_step", "key": "One more", "said": {"answer": "asked", "after": ""}}
    refused = client.post(f"/api/jobs/{job['id']}/plan", json=body)
    assert (refused.status_code, "200 steps" in refused.get_json()["detail"]) == (422, True)


def test_a_record_of_twenty_thousand_lines_comes_in_and_takes_no_more(client: FlaskClient) -> None:
    out = client.get(f"/api/jobs/{begin(client)['id']}/file").get_json()
    item = next(iter(ITEMS))
    line = {"kind": "card", "key": item, "said": {"answer": "good"}, "at": "2026-03-01T09:30:00Z"}
    out["bench"] = {"record": [line] * MOST_LINES}
    back = client.post("/api/jobs/file?again=true", data=json.dumps(out))
    assert back.status_code == 201
    body = {"kind": "card", "key": item, "said": {"answer": "odd"}}
    refused = client.post(f"/api/jobs/{back.get_json()['id']}/prove", json=body)
    assert (refused.status_code, "20000 lines" in refused.get_json()["detail"]) == (422, True)
    out["bench"]["record"].append(line)
    assert client.post("/api/jobs/file?again=true", data=json.dumps(out)).status_code == 422
