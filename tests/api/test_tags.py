"""ETags: what is known already is not sent again, and what changed is."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from flask.testing import FlaskClient

from liftbite.api.app import create_app
from tests.api.jobs.test_views import begin, enter
from tests.jobs import CAR


@pytest.mark.parametrize("path", ["", "/measure", "/plan", "/prove", "/sheet.html", "/file", "/events"])
def test_a_document_that_is_known_is_not_sent_again(client: FlaskClient, path: str) -> None:
    job = begin(client, CAR)
    address = f"/api/jobs/{job['id']}{path}"
    first = client.get(address)
    known = {"If-None-Match": first.headers["ETag"]}
    again = client.get(address, headers=known)
    assert (again.status_code, again.data) == (304, b"")
    assert again.headers["ETag"] == first.headers["ETag"]
    client.post(f"/api/jobs/{job['id']}/prove", json={"kind": "complaint", "key": "", "said": {"answer": "judders"}})
    enter(client, job, outer_diameter="250 mm")
    assert client.get(address, headers=known).status_code == 200


def test_a_jobs_tag_names_its_revision_and_what_it_says(client: FlaskClient) -> None:
    job = begin(client, CAR)
    address = f"/api/jobs/{job['id']}"
    tag = client.get(address).headers["ETag"]
    assert re.fullmatch(r'"[0-9a-f]{12}\.\d+-[0-9a-f]{16}"', tag)
    client.post(f"{address}/prove", json={"kind": "complaint", "key": "", "said": {"answer": "judders"}})
    grown = client.get(address, headers={"If-None-Match": tag})
    assert grown.status_code == 200, "its record grew; its figures did not"
    entries = {"entries": [{"quantity": "outer_diameter", "typed": "250 mm"}]}
    taken = client.post(f"{address}/entries", json=entries, headers={"If-Match": tag})
    assert taken.status_code == 200, "the revision it names is still the newest"
    assert client.post(f"{address}/entries", json=entries, headers={"If-Match": tag}).status_code == 412


def test_files_of_the_web_are_served_as_they_are(tmp_path: Path) -> None:
    web = tmp_path / "web"
    (web / "assets").mkdir(parents=True)
    (web / "index.html").write_text("<!doctype html><title>Lift Bite</title>", "utf-8")
    (web / "assets" / "a-1.js").write_text("export {}", "utf-8")
    client = create_app(tmp_path / "shop.sqlite", web=web, testing=True).test_client()
    for path in ("/", "/jobs/1/brief", "/assets/a-1.js"):
        with client.get(path) as found:
            assert found.status_code == 200
        with client.get(path, headers={"If-None-Match": found.headers["ETag"]}) as again:
            assert again.status_code == 304
