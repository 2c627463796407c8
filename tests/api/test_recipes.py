"""The recipes of CONTRIBUTING, walked: what is added in one place shows on bench, list, sheet and in the finder."""

from __future__ import annotations

import json
import os
import shutil
import subprocess
import sys
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient

import liftbite
from liftbite.core.job.parts import PARTS, Part
from liftbite.core.measure.check import Check, Grade, refuse_unfinished
from liftbite.core.measure.checks import CHECKS
from liftbite.core.prove import causes
from liftbite.core.prove.causes import CAUSES, Cause
from tests.api import recipes
from tests.api.jobs.test_views import begin, enter
from tests.api.measure.test_views import bench, check, post
from tests.jobs import CAR

GRADES = (Grade("whole", "Whole", "No crack.", "reuse", 0), Grade("torn", "Torn", "It lets dust in.", "renew", 2))


@pytest.fixture
def dust_boot(monkeypatch: pytest.MonkeyPatch) -> None:
    """A part, its check and a cause it speaks for, each added to its table and to nothing else."""
    monkeypatch.setitem(PARTS, "dust_boot", Part("dust_boot", "Dust boot", "bearing", "dry_car"))
    added = Check(
        "dust_boot", "dust_boot", "Tears", "Look all round.", "grade", suited=(), grades=GRADES, causes=("dust_in",)
    )
    refuse_unfinished(added)
    monkeypatch.setitem(CHECKS, "dust_boot", added)
    cause = Cause(
        "dust_in",
        "dust in the housing",
        {"judders": 0.7},
        0.4,
        {},
        "dust boot",
        "",
        closes=("dust_boot",),
        scope="bearing",
    )
    monkeypatch.setitem(CAUSES, "dust_in", cause)
    causes.refuse_unfinished()


@pytest.mark.usefixtures("dust_boot")
def test_a_check_with_its_part_and_its_cause_is_there_wherever_one_looks(client: FlaskClient) -> None:
    job = begin(client, CAR | {"complaint": "judders when cold"})
    shown = check(bench(client, job), "dust_boot")
    assert (shown["part"], shown["part_label"], shown["title"]) == ("dust_boot", "Dust boot", "Dust boot: tears")
    post(client, job, "readings", check="dust_boot", place="Once", grade="torn")
    found = bench(client, job)
    need = next(n for n in found["needs"] if n["part"] == "dust_boot")
    assert (need["label"], need["work"], need["own"]) == ("Dust boot", "get", False)
    assert "It lets dust in" in need["reasons"][0]
    explained = {c["name"]: [e["name"] for e in c["explained_by"]] for c in found["complaints"]}
    assert "dust_boot" in explained["judders"]
    assert "Dust boot" in client.get(f"/api/jobs/{job['id']}/sheet.html").text
    client.post(f"/api/jobs/{job['id']}/prove", json={"kind": "complaint", "key": "", "said": {"answer": "judders"}})
    fault = client.get(f"/api/jobs/{job['id']}/prove").get_json()["fault"]
    ranked = next(c for c in fault["causes"] if c["name"] == "dust_in")
    assert any("It lets dust in" in why for why in ranked["why"])
    assert ranked["closes"]["parts"] == [{"name": "dust_boot", "label": "Dust boot"}]


@pytest.mark.parametrize(
    ("wrong", "says"),
    [
        ({"part": "gizmo"}, "“gizmo” is no part"),
        ({"gets": ("gizmo",)}, "“gizmo” is no part"),
        ({"how": ""}, "say what is measured and how"),
        ({"grades": ()}, "needs grades"),
        ({"kind": "reading", "suited": ("caliper",)}, "grades belong to a look"),
        ({"kind": "sweep", "grades": ()}, "name the instruments"),
        ({"enters": ("gizmo",)}, "“gizmo” is no input"),
    ],
)
def test_a_check_that_says_too_little_is_refused(wrong: dict[str, Any], says: str) -> None:
    whole = {
        "name": "boot",
        "part": "fork",
        "label": "Tears",
        "how": "Look.",
        "kind": "grade",
        "suited": (),
        "grades": GRADES,
    }
    refuse_unfinished(Check(**whole))
    with pytest.raises(ValueError, match=says):
        refuse_unfinished(Check(**(whole | wrong)), ("wear",))


@pytest.mark.parametrize(
    ("wrong", "says"),
    [
        ({"shows": {}}, "say which complaints it makes"),
        ({"mends": ""}, "say what mends it"),
        ({"closes": ("gizmo",)}, "closes into “gizmo”"),
        ({"tells": {"gizmo": {"yes": 0.9}}}, "tells of “gizmo”, which is no test"),
        ({"tells": {"since": {"tomorrow": 0.9}}}, "tomorrow is no answer"),
        ({"tells": {"since": "tomorrow"}}, "tomorrow is no answer"),
        ({"seldom": 0.1}, "“seldom” is no word of a cause"),
    ],
)
def test_a_cause_that_says_too_little_is_refused(
    monkeypatch: pytest.MonkeyPatch, wrong: dict[str, Any], says: str
) -> None:
    whole = {"words": "dust", "shows": {"judders": 0.7}, "often": 0.4, "mends": "boot", "source": "memory: a test"}

    def load() -> None:
        monkeypatch.setitem(CAUSES, "dust_in", causes.read_cause("dust_in", whole | wrong))
        causes.refuse_unfinished()

    with pytest.raises(ValueError, match=says):
        load()


def test_a_check_that_speaks_for_no_cause_there_is_is_refused(monkeypatch: pytest.MonkeyPatch) -> None:
    lost = Check("boot", "fork", "Tears", "Look.", "grade", suited=(), grades=GRADES, causes=("gremlins",))
    monkeypatch.setitem(CHECKS, "boot", lost)
    with pytest.raises(ValueError, match="speaks for “gremlins”"):
        causes.refuse_unfinished()


def test_a_fate_of_a_part_is_offered_planned_and_listed(client: FlaskClient) -> None:
    job = begin(client, CAR)
    enter(client, job, ring_gear_fate="renewed")
    needs = {n["key"]: n for n in bench(client, job)["needs"]}
    assert needs["ring_gear:get"]["reasons"] == ["planned: renewed"]


def test_every_recipe_is_walked_as_it_is_written(tmp_path: Path) -> None:
    """Input, quantity, criterion, part, check, calculation, cause, step and statement, in a copy of the package."""
    copied = shutil.copytree(
        Path(liftbite.__file__).parent, tmp_path / "liftbite", ignore=shutil.ignore_patterns("__pycache__", "web")
    )
    recipes.add(copied)
    root = Path(recipes.__file__).parents[2]
    done = subprocess.run(
        [sys.executable, recipes.__file__, str(tmp_path / "shop.sqlite")],
        capture_output=True,
        text=True,
        check=False,
        env={**os.environ, "PYTHONPATH": os.pathsep.join((str(tmp_path), str(root)))},
    )
    assert done.returncode == 0, done.stderr[-2000:]
    seen = json.loads(done.stdout)
    assert seen["field"] == "80 g"
    assert seen["link"] == {
        "label": "dust in the housing",
        "grade": "short",
        "sentence": "0.625 times what the facing makes finds its way out",
    }
    assert seen["check"] == "renew"
    assert seen["calculation"].startswith("The boot stands open by 2 mm")
    assert set(seen["needs"]) == {"dust_boot:get", "dust_boot:put_right"}
    assert seen["cause"] == [{"name": "dust_boot", "label": "Dust boot"}]
    assert seen["steps"] == ["boot_on"]
    assert seen["sheet"] == [True, True]
    assert seen["statement"] == ["Dust swept out “housing”: clean"]
    assert seen["refused"] == "Dust: say where it was oily"
    assert seen["carried"] == [{"answer": "clean"}]
    assert seen["shape"] == [["answer"]]
    assert seen["excluded"]["true"] == 1, "the finder leaves out what the criterion calls short"
