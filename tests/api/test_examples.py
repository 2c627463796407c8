"""Every field of the interface's document has an example, and it is one."""

from __future__ import annotations

import pytest
from flask_openapi3 import OpenAPI
from jsonschema import Draft202012Validator

from liftbite.api.app import create_app
from liftbite.api.document import EXAMPLES, document, plain_fields


@pytest.fixture(scope="module")
def schemas(tmp_path_factory: pytest.TempPathFactory) -> dict[str, object]:
    app = create_app(tmp_path_factory.mktemp("document") / "shop.sqlite")
    assert isinstance(app, OpenAPI)
    return document(app)["components"]["schemas"]  # type: ignore[no-any-return]


def test_every_field_has_an_example_that_it_would_take(schemas: dict[str, object]) -> None:
    known = {"components": {"schemas": schemas}}
    lacking, wrong = [], []
    for model, path, field in plain_fields(schemas):
        if "examples" not in field:
            lacking.append(f"{model}.{path}")
        elif not Draft202012Validator({**known, **field}).is_valid(field["examples"][0]):
            wrong.append((model, path, field["examples"]))
    assert wrong == []
    assert lacking == [], "add one to liftbite/api/examples.json"


def test_no_example_is_of_a_field_that_is_gone(schemas: dict[str, object]) -> None:
    there = {(model, path) for model, path, _ in plain_fields(schemas)}
    assert {(model, path) for model, found in EXAMPLES.items() for path in found} - there == set()
