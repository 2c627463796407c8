"""The bench against anything: odd typing never breaks it, and any order of reading, series back, bringing back,
skipping and beginning anew leaves what a plain list would."""

from __future__ import annotations

import string
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, invariant, precondition, rule, run_state_machine_as_test

from liftbite.api.app import create_app
from liftbite.core.measure.checks import CHECKS
from tests.api.jobs.test_views import begin
from tests.jobs import FULL, MOTORCYCLE

NOTATION = st.text(string.digits + "./-+ ,;inmtho\"'°%±eE∞⁄½", max_size=14)
ANYTHING = st.text(max_size=30)


@pytest.fixture(scope="module")
def shop(tmp_path_factory: pytest.TempPathFactory) -> Iterator[tuple[FlaskClient, dict[str, int]]]:
    app = create_app(tmp_path_factory.mktemp("any") / "shop.sqlite", testing=True)
    client = app.test_client()
    jobs = {name: begin(client, typed)["id"] for name, typed in {"car": FULL, "bike": MOTORCYCLE}.items()}
    yield client, jobs
    app.extensions["liftbite.sessions"].kw["bind"].dispose()


@settings(max_examples=150, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(typed=NOTATION | ANYTHING, unit=st.sampled_from(["", "mm", "in", "thou", "kg", "furlong"]))
def test_anything_typed_is_read_or_refused_with_a_sentence(shop: Any, typed: str, unit: str) -> None:
    client, jobs = shop
    body = {"check": "plate_thickness", "place": "Plate 1, place 1", "typed": typed, "unit": unit}
    told = client.post(f"/api/jobs/{jobs['bike']}/readings/preview", json=body)
    taken = client.post(f"/api/jobs/{jobs['bike']}/readings", json=body | {"sure": True})
    assert told.status_code in {200, 422}
    assert taken.status_code in {200, 422}
    if told.status_code == 200 and taken.status_code == 422:
        assert told.get_json()["problem"]
        assert told.get_json()["value"] is None
    if taken.status_code == 422:
        assert taken.get_json()["detail"]


@settings(max_examples=80, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(place=ANYTHING, check=st.sampled_from(sorted(CHECKS)) | ANYTHING, grade=ANYTHING, skipped=ANYTHING)
def test_any_place_and_check_is_taken_or_refused(shop: Any, place: str, check: str, grade: str, skipped: str) -> None:
    client, jobs = shop
    for job in jobs.values():
        body = {"check": check, "place": place, "typed": "1", "grade": grade, "skipped": skipped, "sure": True}
        assert client.post(f"/api/jobs/{job}/readings", json=body).status_code in {200, 422}


@settings(max_examples=60, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(
    text=ANYTHING
    | NOTATION
    | st.just("check,place,reading\n").flatmap(lambda head: ANYTHING.map(lambda rest: head + rest))
)
def test_any_file_of_readings_is_taken_or_refused(shop: Any, text: str) -> None:
    client, jobs = shop
    response = client.post(f"/api/jobs/{jobs['bike']}/readings/csv", json={"text": text})
    assert response.status_code in {200, 422}


class TheBench(RuleBasedStateMachine):
    """Readings in force as a plain list keeps them, beside the bench that keeps everything."""

    client: FlaskClient
    number = 0

    def __init__(self) -> None:
        super().__init__()
        type(self).number += 1
        self.job = begin(self.client, MOTORCYCLE | {"job_name": f"Any {self.number}"})["id"]
        self.inforce: list[tuple[str, str]] = []
        self.withdrawn: list[tuple[str, str]] = []
        self.series = 0

    def _post(self, path: str, **body: Any) -> None:
        response = self.client.post(f"/api/jobs/{self.job}/{path}", json={"check": "spring_free_length", **body})
        assert response.status_code == 200, response.text

    @rule(spring=st.integers(1, 6), tenths=st.integers(400, 460))
    def read(self, spring: int, tenths: int) -> None:
        typed = f"{tenths / 10:.1f}"
        self._post("readings", place=f"Spring {spring}", typed=typed)
        self.inforce.append((f"Spring {spring}", f"{typed} mm"))
        self.withdrawn.clear()
        self.series = max(self.series, 1)

    @rule(spring=st.integers(1, 6))
    def skip(self, spring: int) -> None:
        self._post("readings", place=f"Spring {spring}", skipped="lost")
        self.inforce.append((f"Spring {spring}", ""))
        self.withdrawn.clear()
        self.series = max(self.series, 1)

    @rule()
    def take_back(self) -> None:
        self._post("readings/undo")
        if self.inforce:
            self.withdrawn.append(self.inforce.pop())

    @rule()
    def bring_back(self) -> None:
        self._post("readings/redo")
        if self.withdrawn:
            self.inforce.append(self.withdrawn.pop())

    @precondition(lambda self: self.series < 3)
    @rule()
    def begin_anew(self) -> None:
        self._post("series")
        self.inforce.clear()
        self.withdrawn.clear()
        self.series += 1

    @invariant()
    def the_bench_says_what_the_list_says(self) -> None:
        measured = self.client.get(f"/api/jobs/{self.job}/measure").get_json()
        springs = next(c for c in measured["checks"] if c["name"] == "spring_free_length")
        assert [(r["place"], r["typed"]) for r in springs["readings"]] == self.inforce
        assert springs["can_undo"] == bool(self.inforce)
        assert springs["can_redo"] == bool(self.withdrawn)
        assert springs["finding"]["taken"] == len({place for place, _ in self.inforce})


@pytest.mark.parametrize("examples", [8, pytest.param(100, marks=pytest.mark.trust)])
def test_any_order_of_doing_leaves_what_a_plain_list_would(tmp_path: Path, examples: int) -> None:
    app = create_app(tmp_path / "shop.sqlite", testing=True)
    TheBench.client = app.test_client()
    run_state_machine_as_test(
        TheBench,
        settings=settings(
            max_examples=examples,
            stateful_step_count=20,
            deadline=None,
            derandomize=True,
            suppress_health_check=list(HealthCheck),
        ),
    )  # type: ignore[no-untyped-call]
    app.extensions["liftbite.sessions"].kw["bind"].dispose()
