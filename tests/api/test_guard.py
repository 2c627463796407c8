"""What every request passes and every response carries; the document; the pages."""

from __future__ import annotations

import json
import re
import socket
from pathlib import Path

import pytest
from flask.testing import FlaskClient

from liftbite.api.app import create_app


def test_healthz(client: FlaskClient) -> None:
    assert client.get("/healthz").get_json()["status"] == "ok"


@pytest.mark.parametrize("host", ["localhost", "127.0.0.1:8700", "[::1]:8700", "127.8.8.8"])
def test_this_machine_is_answered(client: FlaskClient, host: str) -> None:
    assert client.get("/healthz", headers={"Host": host}).status_code == 200


@pytest.mark.parametrize("host", ["shop.example", "127.0.0.1.example", "10.1.2.3", "[broken"])
def test_a_foreign_host_is_refused(client: FlaskClient, host: str) -> None:
    response = client.get("/healthz", headers={"Host": host})
    assert response.status_code == 400
    assert response.content_type == "application/problem+json"


def test_a_host_that_was_allowed_is_answered(tmp_path: Path) -> None:
    app = create_app(tmp_path / "a.sqlite", hosts=frozenset({"bench.local"}))
    assert app.test_client().get("/healthz", headers={"Host": "bench.local:8700"}).status_code == 200


def test_a_write_from_another_site_is_refused(client: FlaskClient) -> None:
    body = {"name": "x", "layout": "dry_car"}
    assert client.post("/api/jobs", json=body, headers={"Origin": "https://evil.example"}).status_code == 403
    assert client.post("/api/jobs", json=body, headers={"Origin": "http://localhost"}).status_code == 201


STRANGERS = [
    {"Origin": "https://evil.example"},
    {"Origin": "null"},
    {"Origin": "http://localhost:8701"},  # another program of this machine
    {"Origin": "https://localhost"},
    {"Sec-Fetch-Site": "cross-site"},
    {"Sec-Fetch-Site": "same-site", "Origin": "http://localhost:3000"},
    {"Sec-Fetch-Site": "cross-site", "Sec-Fetch-Mode": "no-cors"},
]


@pytest.mark.parametrize("headers", STRANGERS, ids=str)
def test_a_page_of_another_origin_gets_nothing_and_changes_nothing(
    client: FlaskClient, headers: dict[str, str]
) -> None:
    for call in (
        lambda: client.post("/api/jobs", json={"name": "x", "layout": "dry_car"}, headers=headers),
        lambda: client.get("/api/jobs", headers=headers),
        lambda: client.post("/api/instruments/1/gauge", json={}, headers=headers),
        lambda: client.post("/api/backups", headers=headers),
    ):
        assert call().status_code == 403
    assert client.get("/api/jobs").get_json()["jobs"] == []


@pytest.mark.parametrize(
    "headers",
    [
        {},
        {"Sec-Fetch-Site": "none"},
        {"Sec-Fetch-Site": "same-origin", "Origin": "http://localhost"},
        {"Sec-Fetch-Site": "cross-site", "Sec-Fetch-Mode": "navigate"},
    ],
    ids=str,
)
def test_ones_own_pages_programs_and_links_are_answered(client: FlaskClient, headers: dict[str, str]) -> None:
    assert client.get("/api/jobs", headers=headers).status_code == 200


def test_a_link_from_elsewhere_opens_a_page_and_changes_nothing(client: FlaskClient) -> None:
    headers = {"Sec-Fetch-Site": "cross-site", "Sec-Fetch-Mode": "navigate"}
    assert client.post("/api/jobs", json={"name": "x", "layout": "dry_car"}, headers=headers).status_code == 403


def test_no_get_changes_anything_or_opens_a_device(client: FlaskClient) -> None:
    """What GET answers is the same twice; a device is opened by POST only."""
    document = client.get("/api/openapi.json").get_json()
    gauges = [path for path in document["paths"] if "gauge" in path]
    assert gauges
    assert all("get" not in document["paths"][path] for path in gauges)
    change = client.post("/api/jobs", json={"name": "x", "layout": "dry_car"}).get_json()["change"]
    for path, item in document["paths"].items():
        if "get" in item:
            client.get(re.sub(r"\{\w+\}", "1", path))
    assert client.get("/api/jobs/1").get_json()["change"] == change


def test_an_open_shop_answers_under_addresses_but_not_under_any_name(tmp_path: Path) -> None:
    client = create_app(tmp_path / "a.sqlite", open_to_network=True).test_client()
    assert client.get("/healthz", headers={"Host": "192.168.7.20:8700"}).status_code == 200
    assert client.get("/healthz", headers={"Host": socket.gethostname()}).status_code == 200
    assert client.get("/healthz", headers={"Host": "evil.example"}).status_code == 400
    assert client.get("/api/backups").get_json()["open"]


def test_every_response_carries_the_policy(client: FlaskClient) -> None:
    for path in ("/healthz", "/api/jobs", "/api/nothing"):
        headers = client.get(path).headers
        policy = headers["Content-Security-Policy"]
        assert "script-src 'self'" in policy
        assert "unsafe" not in policy
        assert headers["X-Content-Type-Options"] == "nosniff"


def test_the_document_is_openapi_3_1_and_describes_every_view(client: FlaskClient) -> None:
    document = client.get("/api/openapi.json").get_json()
    assert document["openapi"].startswith("3.1")
    views = {(path, method) for path, item in document["paths"].items() for method in item}
    assert ("/api/jobs/{job_id}/entries", "post") in views
    responses = document["paths"]["/api/jobs/{job_id}/entries"]["post"]["responses"]
    assert {"200", "412", "422", "428"} <= set(responses)
    assert "application/problem+json" in responses["412"]["content"]


def test_the_kept_document_and_schema_are_current(client: FlaskClient) -> None:
    docs = Path(__file__).parents[2] / "docs"
    assert json.loads((docs / "openapi.json").read_text()) == client.get("/api/openapi.json").get_json()
    kept = json.loads((docs / "job-file.schema.json").read_text())
    assert kept.pop("$schema") == "https://json-schema.org/draft/2020-12/schema"
    assert kept == client.get("/api/job-file.schema.json").get_json()


def test_pages_and_files(tmp_path: Path) -> None:
    web = tmp_path / "dist"
    (web / "assets").mkdir(parents=True)
    (web / "index.html").write_text("<title>Lift Bite</title>")
    (web / "assets" / "app-1.js").write_text("long script")
    (web / "assets" / "app-1.js.gz").write_bytes(b"\x1f\x8b")
    client = create_app(tmp_path / "a.sqlite", web=web).test_client()
    for address in ("/", "/jobs/3/choose"):
        page = client.get(address, buffered=True)
        assert (page.status_code, page.headers["Cache-Control"]) == (200, "no-cache")
    plain = client.get("/assets/app-1.js", buffered=True)
    assert plain.data == b"long script"
    assert "immutable" in plain.headers["Cache-Control"]
    packed = client.get("/assets/app-1.js", headers={"Accept-Encoding": "gzip"}, buffered=True)
    assert packed.headers["Content-Encoding"] == "gzip"
    assert "javascript" in packed.headers["Content-Type"]
    for missing in ("/assets/app-2.js", "/favicon.ico", "/../pyproject.toml", "/api/x"):
        assert client.get(missing).status_code == 404, missing


def test_pages_that_are_not_built_say_so(client: FlaskClient) -> None:
    response = client.get("/jobs/1/brief")
    assert response.status_code == 404
    assert "make build" in response.get_json()["detail"]


def test_the_catalogue_names_units_and_options(client: FlaskClient) -> None:
    catalogue = client.get("/api/catalogue").get_json()
    outer = next(i for i in catalogue["inputs"] if i["name"] == "outer_diameter")
    assert outer["units"][:2] == ["mm", "in"]
    assert outer["usual"] == "75 mm to 460 mm"
    material = next(c for c in catalogue["choices"] if c["name"] == "facing_material")
    assert {o["value"] for o in material["options"] if o["layouts"] == ["wet_motorcycle"]} == {"paper", "sintered_wet"}


def test_an_unexpected_error_shows_nothing_of_the_inside(client: FlaskClient, monkeypatch: pytest.MonkeyPatch) -> None:
    def broken(*_: object, **__: object) -> None:
        raise RuntimeError("secret path")

    monkeypatch.setattr("liftbite.store.job_lines.page_of", broken)
    response = client.get("/api/jobs")
    assert response.status_code == 500
    assert b"secret" not in response.data
