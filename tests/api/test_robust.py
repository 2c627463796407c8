"""Every view against what a client should not send: always a problem document, never a trace, nothing stored."""

from __future__ import annotations

import shutil
import string
from collections.abc import Iterator
from itertools import zip_longest
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import BaseModel

from liftbite.api.app import create_app
from liftbite.api.choose import models as models_work
from liftbite.api.jobs import models
from liftbite.api.measure import models as models_measure
from liftbite.api.measure import models_calculations as models_proofs
from liftbite.api.shelf import models as models_shelf
from liftbite.core.job.inputs import INPUTS
from tests.api.jobs.test_views import begin, enter, field

WRITES = [
    ("post", "/api/jobs"),
    ("post", "/api/jobs/1/entries"),
    ("post", "/api/jobs/1/preview"),
    ("post", "/api/jobs/1/ask"),
    ("post", "/api/jobs/1/working"),
    ("put", "/api/jobs/1/archived"),
    ("post", "/api/jobs/file"),
    ("post", "/api/jobs/1/section"),
    ("post", "/api/jobs/1/launch"),
    ("post", "/api/jobs/1/flywheel"),
    ("post", "/api/jobs/1/moves"),
    ("post", "/api/jobs/1/take"),
    ("post", "/api/jobs/1/finds"),
    ("post", "/api/jobs/1/compare"),
    ("post", "/api/shelf"),
    ("put", "/api/shelf/1"),
    ("put", "/api/shelf/1/archived"),
    ("post", "/api/shelf/csv/preview"),
    ("post", "/api/shelf/csv"),
    ("post", "/api/jobs/1/readings"),
    ("post", "/api/jobs/1/readings/preview"),
    ("post", "/api/jobs/1/readings/undo"),
    ("post", "/api/jobs/1/readings/csv"),
    ("post", "/api/jobs/1/readings/csv/undo"),
    ("post", "/api/jobs/1/series"),
    ("put", "/api/jobs/1/series"),
    ("put", "/api/jobs/1/limits/rivet_depth/least"),
    ("put", "/api/jobs/1/practices/guard"),
    ("post", "/api/jobs/1/instruments"),
    ("put", "/api/jobs/1/renewals/pilot"),
    ("delete", "/api/jobs/1/renewals/pilot"),
    ("post", "/api/jobs/1/effects"),
    ("put", "/api/instruments/1/archived"),
    ("post", "/api/curves/propose"),
    ("post", "/api/curves/read"),
]
BODIES: list[Any] = [
    b"",
    b"{",
    b"null",
    b"[]",
    b'"x"',
    b"17",
    b'{"entries": 5}',
    b'{"entries": [{}]}',
    b"\xff\xfe",
    b"NaN",
]


@pytest.fixture(scope="module")
def client(new_shop: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[FlaskClient]:
    """One shop for all of it, with a job in it: nothing that is sent here may change it."""
    folder = tmp_path_factory.mktemp("robust")
    shutil.copy(new_shop, folder / "shop.sqlite")
    app = create_app(folder / "shop.sqlite", web=folder / "web", testing=True)
    client = app.test_client()
    begin(client)
    yield client
    app.extensions["liftbite.sessions"].kw["bind"].dispose()


@pytest.mark.parametrize(("method", "path"), WRITES)
def test_a_bad_body_is_a_problem(client: FlaskClient, method: str, path: str) -> None:
    before = client.get("/api/jobs/1").get_json()
    for body in BODIES:
        response = client.open(
            path, method=method.upper(), data=body, content_type="application/json", headers={"If-Match": '"2"'}
        )
        assert 400 <= response.status_code < 500, (body, response.data)
        problem = response.get_json()
        assert problem["status"] == response.status_code
        assert problem["detail"]
        assert "Traceback" not in problem["detail"]
        assert client.get("/api/jobs/1").get_json() == before, body


@pytest.mark.parametrize(
    "path",
    [
        "/api/jobs/0",
        "/api/jobs/-1",
        "/api/jobs/x",
        "/api/jobs/99999999999999999999",
        "/api/jobs/1/curve.csv?stage=",
        "/api/jobs/1/shelf?slot=wing",
        "/api/jobs/99999/shelf?slot=cover",
        "/api/jobs/1/shelf",
        "/api/shelf?archived=maybe",
        "/api/finds/0",
        "/api/finds/x",
        "/api/finds/77777",
        "/api/jobs/99999/measure",
        "/api/jobs/99999/effects",
        "/api/jobs/99999/measure/history",
        "/api/jobs/99999/readings.csv",
        "/api/jobs/99999/parts.csv",
    ],
)
def test_a_bad_address_is_a_problem(client: FlaskClient, path: str) -> None:
    response = client.get(path)
    assert response.status_code in {404, 422}
    assert response.content_type == "application/problem+json"


#: Fields by the letter they begin with, so that a field that fails is found near its name.
LETTERS = sorted({n[0] for n, i in INPUTS.items() if i.unit not in {"text", "curve"}})


def fields(letter: str) -> list[str]:
    return [n for n, i in INPUTS.items() if n[0] == letter and i.unit not in {"text", "curve"}]


@pytest.mark.parametrize("letter", LETTERS)
def test_every_field_refuses_nonsense_by_its_name(client: FlaskClient, letter: str) -> None:
    job = client.post("/api/jobs", json={"name": "x", "layout": "dry_car"}).get_json()
    tries = ("nonsense", "1e400", "--5", "9 1/0", "9" * 40, "1,850,1", "5 parsnips")
    for typed in tries:
        response = enter(client, job, **dict.fromkeys(fields(letter), typed))
        assert response.status_code == 422, typed
        faults = {fault["field"]: fault["message"] for fault in response.get_json()["errors"]}
        assert set(faults) == set(fields(letter))
        for quantity, message in faults.items():
            assert message.startswith(f"{INPUTS[quantity].label}: "), (quantity, typed)
            assert message.endswith(".")


@pytest.mark.parametrize("letter", LETTERS)
def test_every_field_takes_a_usual_figure_in_its_own_units(client: FlaskClient, letter: str) -> None:
    from liftbite.core.units.kinds import KINDS
    from liftbite.core.units.read import from_si

    def usual(quantity: str) -> Iterator[str]:
        asked = INPUTS[quantity]
        low, high = asked.usual
        middle = high if asked.unit == "count" else (max(low, 0) + high) / 2
        return (f"{from_si(middle, unit):.12g} {unit}".strip() for unit in KINDS[asked.unit].units)

    job = client.post("/api/jobs", json={"name": "x", "layout": "dry_car"}).get_json()
    for in_one_unit in zip_longest(*(usual(quantity) for quantity in fields(letter))):
        typed = {q: figure for q, figure in zip(fields(letter), in_one_unit, strict=True) if figure is not None}
        response = enter(client, job, **typed)
        assert response.status_code == 200, (typed, response.data)
        job = response.get_json()
        shown = {f["name"]: f["typed"] for f in job["fields"]}
        assert {q: shown[q] for q in typed if q in shown} == {q: t for q, t in typed.items() if q in shown}


@settings(max_examples=120, deadline=None)
@given(
    st.sampled_from(sorted(INPUTS)),
    st.text(string.digits + " /.,-±½\"'°%·" + "mnkNgblft⁄" + "\u202f\u00a0", max_size=24),
)
def test_whatever_is_typed_gives_a_preview(client: FlaskClient, quantity: str, typed: str) -> None:
    body = {"entries": [{"quantity": quantity, "typed": typed}]}
    response = client.post("/api/jobs/1/preview", json=body)
    assert response.status_code == 200, response.data
    shown = response.get_json()
    if any(p["field"] == quantity for p in shown["problems"]) and any(f["name"] == quantity for f in shown["fields"]):
        assert field(shown, quantity)["typed"] == typed


def test_a_job_cannot_be_made_to_hold_what_it_has_no_place_for(client: FlaskClient) -> None:
    job = begin(client)
    for quantity in ("bite_margin", "__class__", "stage", "plate_lift", "torque_capacity", ""):
        response = (
            enter(client, job, **{quantity: "1"})
            if quantity
            else client.post(
                f"/api/jobs/{job['id']}/entries",
                json={"entries": [{"quantity": "", "typed": "1"}]},
                headers={"If-Match": f'"{job["revision"]}"'},
            )
        )
        assert response.status_code == 422, quantity


def test_many_entries_at_once_are_one_revision(client: FlaskClient) -> None:
    job = begin(client)
    after = enter(client, job, cover_clamp="8 kN", disc_count="2", use="track").get_json()
    assert after["revision"] == job["revision"] + 1
    too_many = {"entries": [{"quantity": "notes", "typed": str(i)} for i in range(201)]}
    response = client.post(f"/api/jobs/{job['id']}/entries", json=too_many, headers={"If-Match": '"3"'})
    assert response.status_code == 422


def test_no_two_models_share_a_name() -> None:
    """Their names are the names of the document's schemas: of two alike one would be lost without a word."""
    seen: dict[str, str] = {}
    for module in (models, models_measure, models_proofs, models_shelf, models_work):
        for name, model in vars(module).items():
            if isinstance(model, type) and issubclass(model, BaseModel) and model.__module__ == module.__name__:
                assert name not in seen, (name, seen[name], module.__name__)
                seen[name] = module.__name__
    assert len(seen) > 100
