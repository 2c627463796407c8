"""The list's lines in the background: many at once in another process, whatever is wrong with one of them."""

from __future__ import annotations

from flask.testing import FlaskClient
from flask_openapi3 import OpenAPI
from sqlalchemy import text

from liftbite.api.jobs.lines import _AT_ONCE, Refresher
from liftbite.store.database import writing
from tests.api.jobs.test_views import begin


def test_many_jobs_are_worked_out_in_another_process_and_one_that_cannot_be_read_is_among_them(
    client: FlaskClient, app: OpenAPI
) -> None:
    numbers = [begin(client)["id"] for _ in range(_AT_ONCE + 3)]
    refresher: Refresher = app.extensions["liftbite.refresher"]
    with writing(app.extensions["liftbite.sessions"]) as session:
        session.execute(text("DELETE FROM kept_line"))
        session.execute(text("DELETE FROM kept"))
        session.execute(
            text(
                "UPDATE entry SET typed = 'no such layout' WHERE quantity = 'layout' AND revision_id = "
                f"(SELECT min(id) FROM revision WHERE job_id = {numbers[1]})"
            )
        )
    assert refresher._batch()
    assert not refresher._batch()
    lines = {line["id"]: line for line in client.get("/api/jobs").get_json()["jobs"]}
    assert set(lines) == set(numbers)
    assert not any(line["waits"] for line in lines.values())
    own = client.get(f"/api/jobs/{numbers[0]}").get_json()
    assert lines[numbers[0]]["verdict"]["state"] == own["verdicts"][0]["state"]


def test_a_refresher_that_is_stopped_ends_its_process_and_keeps_nothing_half(app: OpenAPI, client: FlaskClient) -> None:
    for _ in range(_AT_ONCE + 1):
        begin(client)
    with writing(app.extensions["liftbite.sessions"]) as session:
        session.execute(text("DELETE FROM kept_line"))
        session.execute(text("DELETE FROM kept"))
    refresher: Refresher = app.extensions["liftbite.refresher"]
    refresher.wake()
    refresher.stop()
    with app.extensions["liftbite.sessions"]() as session:
        assert session.scalar(text("SELECT count(*) FROM kept")) in {0, _AT_ONCE + 1}
