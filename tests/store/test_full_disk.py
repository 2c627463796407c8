"""A disk that fills up while a shop is in use: a sentence, nothing half written, and on it goes once there is room."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from flask.testing import FlaskClient
from flask_openapi3 import OpenAPI
from sqlalchemy import Engine, event

from liftbite.store.copies import faults_of
from tests.api.jobs.test_views import begin, enter
from tests.jobs import CAR


def fill(engine: Engine, pages: int | None) -> None:
    """Lets the file of every connection grow to so many pages only, as a full disk would; None lets it grow again."""
    engine.dispose()

    @event.listens_for(engine, "connect")
    def limited(connection: Any, _: Any) -> None:
        connection.execute(f"PRAGMA max_page_count = {pages or 2**30}")


def test_a_full_disk_is_a_sentence_and_loses_nothing(app: OpenAPI, client: FlaskClient, tmp_path: Path) -> None:
    job = begin(client, CAR)
    engine = app.extensions["liftbite.sessions"].kw["bind"]
    with engine.connect() as connection:
        pages = int(connection.exec_driver_sql("PRAGMA page_count").scalar() or 0)
    fill(engine, pages + 2)
    said, kept = None, 0
    for i in range(400):
        answer = enter(client, job, notes=f"{i} " + "long note " * 300)
        if answer.status_code != 200:
            said = answer
            break
        job, kept = answer.get_json(), i
    assert said is not None, "the disk never filled up"
    assert said.status_code == 507
    assert "no room left on the disk" in said.get_json()["detail"]
    assert client.get(f"/api/jobs/{job['id']}").get_json()["revision"] == job["revision"]
    fill(engine, None)
    assert enter(client, job, notes="room again").status_code == 200
    assert kept >= 0
    engine.dispose()
    assert faults_of(tmp_path / "shop.sqlite") == []
