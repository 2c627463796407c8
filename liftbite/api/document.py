"""The OpenAPI document: what the framework gathers, made readable.

- `document`   of the application
- `FIELDS`     what fields mean, where their model does not say
- `EXAMPLES`   an example of every plain field, as the demo shop or a test had it
- `plain_fields`   the fields of the document that are no object of their own

Operations go by what they do, problems stand once, a body that cannot be read is a problem document as well.
"""

from __future__ import annotations

import copy
import json
import re
from collections.abc import Iterator, Mapping
from pathlib import Path
from typing import Any

from flask import Flask
from flask_openapi3 import OpenAPI

from liftbite.api.problems import MEDIA_TYPE, TYPES, FaultOut, Problem, urn

#: Field -> what it means where its model does not say: words that mean the same wherever they stand.
FIELDS: Mapping[str, str] = dict(
    line.split(": ", 1) for line in (Path(__file__).parent / "fields.txt").read_text("utf-8").splitlines()
)
#: Schema -> field -> an example; a field of an object within one goes by `field.field`, of a kind by `kind:field`.
EXAMPLES: Mapping[str, Mapping[str, Any]] = json.loads((Path(__file__).parent / "examples.json").read_text("utf-8"))
_PROBLEM = {"$ref": "#/components/schemas/Problem"}


def document(app: OpenAPI) -> dict[str, Any]:
    """The OpenAPI document."""
    found: dict[str, Any] = copy.deepcopy(app.api_doc)
    names = _operations(app)
    for path, methods in found["paths"].items():
        for method, operation in methods.items():
            operation["operationId"] = names[method.upper(), path]
            for status, response in operation["responses"].items():
                if int(status) >= 400:
                    response["content"] = {MEDIA_TYPE: {"schema": _PROBLEM}}
    schemas = found["components"]["schemas"]
    for model in (Problem, FaultOut):
        schema = model.model_json_schema(ref_template="#/components/schemas/{model}")
        schema.pop("$defs", None)
        schemas[model.__name__] = schema
    for schema in schemas.values():
        for name, described in schema.get("properties", {}).items():
            if "description" not in described:
                described["description"] = FIELDS[name]
    for model_name, path, field in plain_fields(schemas):
        if path in EXAMPLES.get(model_name, {}):
            field["examples"] = [EXAMPLES[model_name][path]]
    schemas["Problem"]["description"] += "\n\n" + "\n".join(
        f"- `{urn(code)}`: {means}" for code, means in TYPES.items()
    )
    return found


def plain_fields(schemas: Mapping[str, Any]) -> Iterator[tuple[str, str, dict[str, Any]]]:
    """Schema, path and description of every field that holds words, figures or a list of such, and says no constant."""
    for name, schema in schemas.items():
        yield from ((name, path, field) for path, field in _plain(schema, ""))


def _plain(schema: Mapping[str, Any], ahead: str) -> Iterator[tuple[str, dict[str, Any]]]:
    for kind in schema.get("oneOf", ()):
        if "properties" in kind:
            yield from _plain(kind, f"{ahead}{kind['title']}:")
    for name, field in schema.get("properties", {}).items():
        if "properties" in field:
            yield from _plain(field, f"{ahead}{name}.")
        elif "const" not in field and _holds_words(field):
            yield ahead + name, field


def _holds_words(field: Mapping[str, Any]) -> bool:
    """Whether a field, or each of its list, is no object: that has examples of its own."""
    options = [*field.get("anyOf", ()), *field.get("oneOf", ())]
    if options:
        return any(_holds_words(option) for option in options if option.get("type") != "null")
    if field.get("type") == "array":
        return _holds_words(field["items"]) if "items" in field else False
    return "$ref" not in field and field.get("type") != "object"


def _operations(app: Flask) -> dict[tuple[str, str], str]:
    """Method and path -> what the operation goes by: the view's name, with its station where two have one name."""
    rules = [(rule, re.sub(r"<(?:\w+:)?(\w+)>", r"{\1}", rule.rule)) for rule in app.url_map.iter_rules()]
    views = [(method, path, rule.endpoint) for rule, path in rules for method in rule.methods or ()]
    plain = {endpoint: endpoint.rpartition(".")[2] for _, _, endpoint in views}
    counted = list(plain.values())
    names = {e: n if counted.count(n) == 1 else e.replace(".", "_") for e, n in plain.items()}
    return {(method, path): names[endpoint] for method, path, endpoint in views}
