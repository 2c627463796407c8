"""A job worked over HTTP: what is said of its plan, and everything before a step done."""

from __future__ import annotations

from typing import Any
from urllib.parse import quote

from flask.testing import FlaskClient

#: Checks that are read as parts go in.
LATER = ("disc_wobble", "flywheel_runout", "cover_standoff", "floater_gap", "bore_runout", "end_float")


def say(
    client: FlaskClient, job: int, kind: str, key: str, *, who: str = "Ines", request: str = "", **said: str
) -> Any:
    body = {"kind": kind, "key": key, "said": said, "request": request}
    return client.post(f"/api/jobs/{job}/plan", json=body, headers={"Person": quote(who)} if who else {})


def plan_of(client: FlaskClient, job: int) -> dict[str, Any]:
    found: dict[str, Any] = client.get(f"/api/jobs/{job}/plan").get_json()
    return found


def step_of(plan: dict[str, Any], key: str) -> dict[str, Any]:
    found: dict[str, Any] = next(s for s in plan["steps"] if s["key"] == key)
    return found


def work_on(client: FlaskClient, job: int, goal: str) -> dict[str, Any]:
    """Does what comes next until a step is the next one: a named person goes past what nobody looked up."""
    plan = plan_of(client, job)
    for _ in plan["steps"]:
        if plan["next"] in ("", goal):
            break
        plan = do(client, job, step_of(plan, plan["next"]))
    return plan


def do(client: FlaskClient, job: int, step: dict[str, Any]) -> dict[str, Any]:
    """Does a step: its fact elsewhere, its lines gone past, its bolts ticked off."""
    if step["fact"] == "measure:all":
        return close_checks(client, job)
    if step["asked"]:
        return right(say(client, job, "not_here", step["key"], answer="elsewhere", reason="at the other shop"))
    for line in step["lines"]:
        if line["state"] in ("bad", "open"):
            past = {"answer": "overridden", "reason": "as on the last one"}
            right(say(client, job, "hold_line", f"{step['key']}:{line['key']}", **past))
    for bolt in step["sequence"]:
        right(say(client, job, "bolt", f"{step['key']}:{bolt}", answer="done"))
    return right(say(client, job, "step", step["key"], answer="done", text="as it should be"))


def close_checks(client: FlaskClient, job: int) -> dict[str, Any]:
    """Closes every check that waits before anything goes in, each with a name and a reason."""
    bench = client.get(f"/api/jobs/{job}/measure").get_json()
    open_ = [c for c in bench["checks"] if c["in_scope"] and c["finding"]["taken"] < c["finding"]["wanted"]]
    left = [c["name"] for c in open_ if c["kind"] != "figure" and c["name"] not in LATER]
    said = {"answer": "not_on_job", "reason": "as on the last one"}
    lines = [{"kind": "check", "key": name, "said": said} for name in left]
    right(client.post(f"/api/jobs/{job}/record/lines", json={"lines": lines, "who": "Ines"}))
    return plan_of(client, job)


def right(response: Any) -> dict[str, Any]:
    assert response.status_code == 200, response.text
    found: dict[str, Any] = response.get_json()
    return found
