"""Problem documents: a stable type for each, as the OpenAPI document says."""

from __future__ import annotations

import pytest
from flask.testing import FlaskClient

from liftbite.api.document import FIELDS
from liftbite.api.problems import MEDIA_TYPE, TYPES
from tests.api.jobs.test_views import begin
from tests.jobs import CAR


@pytest.mark.parametrize(
    ("method", "address", "body", "status", "code"),
    [
        ("GET", "/api/jobs/99", None, 404, "no-such-job"),
        ("GET", "/api/shelf/99999", None, 404, "no-such-part"),
        ("GET", "/api/finds/99", None, 404, "no-such-find"),
        ("DELETE", "/api/finds/99", None, 404, "no-such-find"),
        ("GET", "/api/nothing", None, 404, "not-found"),
        ("GET", "/api/archive/transfers/000000000000000000000000", None, 404, "no-such-archive"),
        ("GET", "/api/jobs/abc", None, 404, "not-found"),
        ("POST", "/api/jobs", {"layout": 3}, 422, "unreadable-request"),
        (
            "POST",
            "/api/jobs/1/entries",
            {"entries": [{"quantity": "outer_diameter", "typed": "tall"}]},
            428,
            "version-not-named",
        ),
        ("POST", "/api/jobs/1/record", {"kind": "gossip", "key": "", "said": {}}, 422, "cannot-be-taken"),
        ("POST", "/api/jobs/file", {"format": "other"}, 422, "unreadable-file"),
        ("PUT", "/api/jobs", {}, 405, "refused"),
    ],
)
def test_a_problem_has_a_type_for_good(
    client: FlaskClient, method: str, address: str, body: object, status: int, code: str
) -> None:
    begin(client, CAR)
    answer = client.open(address, method=method, json=body)
    assert (answer.status_code, answer.content_type) == (status, MEDIA_TYPE), answer.text
    assert answer.get_json()["type"] == f"urn:liftbite:{code}"


def test_what_was_changed_elsewhere_says_so(client: FlaskClient) -> None:
    job = begin(client, CAR)
    entries = {"entries": [{"quantity": "outer_diameter", "typed": "231 mm"}]}
    address = f"/api/jobs/{job['id']}/entries"
    stale = client.post(address, json=entries, headers={"If-Match": '"1"'})
    assert (stale.status_code, stale.get_json()["type"]) == (412, "urn:liftbite:changed-elsewhere")


def test_the_document_says_what_problems_look_like_and_are_of(client: FlaskClient) -> None:
    document = client.get("/api/openapi.json").get_json()
    problem = document["components"]["schemas"]["Problem"]
    assert problem["properties"]["type"]["enum"] == [f"urn:liftbite:{code}" for code in TYPES]
    names = []
    for methods in document["paths"].values():
        for operation in methods.values():
            names.append(operation["operationId"])
            for status, response in operation["responses"].items():
                if int(status) >= 400:
                    assert response["content"] == {MEDIA_TYPE: {"schema": {"$ref": "#/components/schemas/Problem"}}}
    assert len(set(names)) == len(names)
    assert all(name.isidentifier() and len(name) < 40 for name in names), max(names, key=len)
    assert document["info"]["version"]


def test_every_property_of_the_document_is_described(client: FlaskClient) -> None:
    schemas = client.get("/api/openapi.json").get_json()["components"]["schemas"]
    named = {name for schema in schemas.values() for name in schema.get("properties", {})}
    for model, schema in schemas.items():
        for name, described in schema.get("properties", {}).items():
            assert described["description"].strip(), f"{model}.{name}"
    assert FIELDS.keys() <= named, "nothing is described that is nowhere"
