"""Whatever the screens send and is taken in: every view, paper and export shows it, and it comes back from an archive.

Random statements, entries, readings and steps by the requests the screens send, with names in ten scripts, nothing,
and what nobody means. No request may answer 500; after each sequence everything there is to look at answers, and a
shop that was empty says the same of it.
"""

from __future__ import annotations

import random
import shutil
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any
from urllib.parse import quote

import pytest
from flask.testing import FlaskClient

from liftbite.api.app import create_app
from liftbite.core.job.classes import CLASSES
from liftbite.core.job.record import fields_of
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.prove.causes import CAUSES, TESTS
from liftbite.core.statements import KINDS
from tests.api.photos.test_views import picture
from tests.api.whole import alike, differing, looks_at_shop
from tests.jobs import CAR, FULL, MOTORCYCLE

#: The same words in ten scripts, and what is no word.
NAMES = (
    "Paint bolt #1",
    "Paint bolt 1",
    "1",
    "Болт 1",
    "Μπουλόνι 1",
    "ボルト 1",
    "螺栓 1",
    "볼트 1",
    "برغي 1",
    "בורג 1",
    "สลักเกลียว 1",
    "बोल्ट 1",
    "Ბოლტი 1",
    "é",
    "é",
    "  ",
    "",
    "=cmd()",
    "a;=b\n-c",
    "x" * 80,
    "<b>&amp;",
    "'quoted\"",
)
FIGURES = (
    "1.2 mm",
    "0,9",
    "3 7/32 in",
    "20; 35 ft-lb",
    "95 N·m",
    "40",
    "-5",
    "abc",
    "",
    "1e9 km",
    "42 km",
    "500 mL",
    "300 °C",
    "12 kN",
    "0.35",
    "M10 x 1.5",
    "10.9",
    "2 h",
    "1.5 L",
)


@contextmanager
def a_shop(new_shop: Path, file: Path) -> Iterator[FlaskClient]:
    shutil.copy(new_shop, file)
    app = create_app(file, web=file.parent / "web", testing=True)
    try:
        yield app.test_client()
    finally:
        app.extensions["liftbite.refresher"].stop()
        app.extensions["liftbite.sessions"].kw["bind"].dispose()
        file.unlink()


class Hand:
    """Somebody at the screens, who does whatever comes to mind."""

    def __init__(self, client: FlaskClient, seed: int) -> None:
        self.client, self.mind = client, random.Random(seed)
        self.done: list[str] = []
        self.job = self._job()

    def _job(self) -> int:
        typed = self.mind.choice([CAR, MOTORCYCLE, FULL])
        vehicle = f"Merrow {self.mind.randrange(10**9)}"
        body = {"layout": typed["layout"], "name": self.mind.choice(NAMES)[:80], "vehicle": vehicle}
        if self.mind.random() < 0.3:
            body = {"vehicle_class": self.mind.choice(list(CLASSES)), "name": "By class", "vehicle": vehicle}
        begun = self.send("POST", "/api/jobs", body)
        if begun.status_code != 201:
            begun = self.send("POST", "/api/jobs", body | {"name": "Plain"})
        number = begun.get_json()["id"]
        if "layout" in body:
            entries = [{"quantity": q, "typed": t} for q, t in typed.items() if q not in {"layout", "job_name"}]
            self.send("POST", f"/api/jobs/{number}/entries", {"entries": entries}, '"1"')
        return int(number)

    def send(self, method: str, path: str, body: object = None, tag: str = "", data: bytes | None = None) -> Any:
        headers = {"If-Match": tag} if tag else {}
        if self.mind.random() < 0.5:
            headers["Person"] = self.mind.choice(["Nell", "Bran%20Tilley", "%D0%98%D0%B2%D0%B0%D0%BD"])
        answer = self.client.open(path, method=method, json=body, data=data, headers=headers)
        self.done.append(f"{method} {path} {body if data is None else ''} {tag}: {answer.status_code}")
        assert answer.status_code != 500, "\n".join(self.done)
        return answer

    def words(self, name: str, fields: dict[str, tuple[str, ...]]) -> str:
        offered = fields.get(name, ())
        if offered and self.mind.random() < 0.95:
            return self.mind.choice(offered)
        return self.mind.choice(NAMES if self.mind.random() < 0.5 else FIGURES)

    def plan(self) -> dict[str, Any]:
        return dict(self.client.get(f"/api/jobs/{self.job}/plan").get_json())

    def key(self, kind: str) -> str:
        pick = self.mind.choice
        steps = [s["key"] for s in self.plan()["steps"]] if kind in {"step", "bolt", "at_step", "own_step"} else []
        known: dict[str, Callable[[], str]] = {
            "step": lambda: pick(steps),
            "at_step": lambda: pick(steps),
            "bolt": lambda: f"{pick(steps)}:1",
            "plan": lambda: pick(["kind", "housing", "lift", "helpers"]),
            "hole": lambda: f"{pick(['A', 'B'])}:{pick('1234')}",
            "tightening": lambda: pick(["flywheel:kit", "cover:", "cover:manual", "nothing:x"]),
            "pattern": lambda: pick("AB"),
            "fault": lambda: pick(list(CAUSES)),
            "fault_test": lambda: pick(list(TESTS)),
            "hand_over": lambda: str(self.revision()),
            "scope": lambda: "",
            "complaint": lambda: "",
            "practice": lambda: pick(list(PRACTICES)),
            "check": lambda: pick(["fork", "rivet_depth", "basket"]),
            "verdict": lambda: pick(["rivet_depth", "basket"]),
            "bleed_step": lambda: "helper:1",
        }
        return known[kind]() if kind in known and self.mind.random() < 0.9 else pick(NAMES)

    def revision(self) -> int:
        return int(self.client.get(f"/api/jobs/{self.job}").get_json()["revision"])

    def states(self) -> None:
        """One thing said, of any kind."""
        kind = self.mind.choice([k for k in KINDS if k != "photo"])
        fields = dict(fields_of(KINDS[kind]))
        said = {"answer": self.answer(kind, fields)} if "answer" in fields else {}
        for name in self.mind.sample(list(fields), self.mind.randrange(len(fields) + 1)):
            said.setdefault(name, self.words(name, fields))
        if kind == "own_step" and self.mind.random() < 0.9:
            said["after"] = self.mind.choice([s["key"] for s in self.plan()["steps"]])
        said = {name: text for name, text in said.items() if text or self.mind.random() < 0.2}
        path = {"plan": "plan", "proof": "prove"}.get(KINDS[kind].about.at, "record")
        body = {"kind": kind, "key": self.key(kind), "said": said, "who": self.mind.choice(["", "Nell", "Иван"])}
        self.send("POST", f"/api/jobs/{self.job}/{path}", body)

    def answer(self, kind: str, fields: dict[str, tuple[str, ...]]) -> str:
        if fields["answer"]:
            return self.words("answer", fields)
        if kind == "fault_test":
            return self.mind.choice(list(next(iter(TESTS.values())).answers))
        return self.mind.choice(["slips", "drags", "yes", *FIGURES])

    def enters(self) -> None:
        """A figure, a pick or words into the job."""
        quantity, typed = self.mind.choice(
            [
                ("outer_diameter", "228 mm"),
                ("peak_torque", "300 lb-ft"),
                ("notes", self.mind.choice(NAMES)),
                ("customer", self.mind.choice(NAMES)),
                ("disc_fate", "renewed"),
                ("flywheel_fate", "renewed"),
                ("cover_clamp", "12 kN"),
                ("complaint", "judders when warm"),
                ("mileage", "120000 km"),
                ("disc_count", "2"),
                ("facing_material", "sintered"),
                ("bolt_class", "10.9"),
                ("crank_bolt_count", "8"),
                ("notes", None),
                ("outer_diameter", "no figure"),
                ("job_name", self.mind.choice(NAMES)),
            ]
        )
        build = self.mind.choice(["", "", "found", "sintered twin"])
        body = {"entries": [{"quantity": quantity, "typed": typed}], "build": build}
        self.send("POST", f"/api/jobs/{self.job}/entries", body, f'"{self.revision()}"')

    def reads(self) -> None:
        """A reading, or what goes with one."""
        measured = self.client.get(f"/api/jobs/{self.job}/measure").get_json()
        check = self.mind.choice(measured["checks"])
        body: dict[str, Any] = {"check": check["name"], "sure": self.mind.random() < 0.8}
        places = [p["key"] for p in check["places"]] or ["Once"]
        body |= {"place": self.mind.choice([*places, *places, "Once", "90°", self.mind.choice(NAMES)])}
        if check["grades"] and self.mind.random() < 0.9:
            body |= {"grade": self.mind.choice(check["grades"])["value"]}
        elif self.mind.random() < 0.1:
            body |= {"skipped": self.mind.choice(NAMES)}
        else:
            body |= {"typed": self.mind.choice(["1.1 mm", "0,02 mm", "350 N", "2.9", "0.004 in", "35 N·m", "8 kg"])}
        if check["instruments"] and self.mind.random() < 0.5:
            body |= {"instrument": self.mind.choice(check["instruments"])}
        self.send("POST", f"/api/jobs/{self.job}/readings", body)
        if self.mind.random() < 0.3:
            self.send("POST", f"/api/jobs/{self.job}/readings/undo", {"check": check["name"]})
        if self.mind.random() < 0.3:
            asked = {"check": check["name"], "distance": self.mind.choice(FIGURES), "label": self.mind.choice(NAMES)}
            self.send("POST", f"/api/jobs/{self.job}/series", asked)

    def limits(self) -> None:
        """The manual's figure, a sum, a practice, an instrument, a step of the shop's."""
        pick, at = self.mind.choice, f"/api/jobs/{self.job}"
        plan = self.plan()
        steps, change = ["", *(s["key"] for s in plan["steps"])], plan["change"]
        method, path, body, tag = pick(
            [
                (
                    "PUT",
                    f"{at}/limits/rivet_depth/least",
                    {
                        "source": pick(NAMES),
                        "typed": pick(FIGURES),
                        "unit": "",
                    },
                    '"0"',
                ),
                (
                    "PUT",
                    f"{at}/renewals/{quote(pick(NAMES), safe='')}",
                    {
                        "price": pick([0, 25.5, 1e8]),
                        "rate": 70,
                        "chance": pick([0, 0.2, 1]),
                        "hours": pick([0, 8, 2e6]),
                    },
                    '"0"',
                ),
                ("PUT", f"{at}/practices/guard", {"option": pick(["full", "share95"])}, '"0"'),
                (
                    "POST",
                    f"{at}/instruments",
                    {
                        "kind": pick(["caliper", "force_gauge", "dial"]),
                        "name": pick(NAMES),
                        "calibrated_on": pick(["", "2026-01-15"]),
                        "uncertainty": "0.1",
                    },
                    "",
                ),
                (
                    "PUT",
                    f"{at}/plan/shop-step",
                    {
                        "title": pick(NAMES),
                        "kept": pick([True, True, False]),
                        "note": pick(NAMES),
                        "after": pick(steps),
                    },
                    '"0"',
                ),
                ("PUT", "/api/shop", {"units": pick(["both", "metric", "inch"])}, '"0"'),
                (
                    "POST",
                    "/api/shelf",
                    {
                        "slot": "disc",
                        "name": pick(NAMES),
                        "price": pick([0, 12.5, 1234567.89]),
                        "values": {"outer_diameter": pick(["240 mm", "9 7/16 in"])},
                    },
                    "",
                ),
                ("POST", f"{at}/fault/close", {"cause": pick(list(CAUSES))}, ""),
                ("PUT", f"{at}/archived", {"archived": pick([True, False])}, f'"{change}"'),
                ("photo", f"{at}/photos?of={pick(['job', 'step:fluid_in', 'bag:1'])}", {}, ""),
            ]
        )
        if method == "photo":
            self.send("POST", path, data=picture(size=(pick([40, 80]), 30)))
        else:
            self.send(method, path, body, tag)

    def turns(self) -> None:
        """Undo and redo."""
        self.send("POST", f"/api/jobs/{self.job}/{self.mind.choice(['undo', 'redo'])}", None, f'"{self.revision()}"')


def lived(client: FlaskClient, seed: int, moves: int) -> Hand:
    hand = Hand(client, seed)
    for _ in range(moves):
        hand.mind.choices([hand.states, hand.enters, hand.reads, hand.limits, hand.turns], [6, 2, 3, 3, 1])[0]()
    return hand


def whole(new_shop: Path, tmp_path: Path, seed: int) -> None:
    """One sequence, everything looked at, carried into an empty shop, and everything looked at there."""
    with a_shop(new_shop, tmp_path / f"{seed}-here.sqlite") as here:
        hand = lived(here, seed, 14)
        said = "\n".join(hand.done)
        try:
            looks = looks_at_shop(here)
        except AssertionError as error:
            raise AssertionError(f"seed {seed}: {error}\n{said}") from None
        left = here.get(f"/api/jobs/{hand.job}/plan").get_json()["left_out"]
        assert left == [], f"seed {seed}: taken in and left out: {left}\n{said}"
        packed = here.get("/api/archive").data
    with a_shop(new_shop, tmp_path / f"{seed}-there.sqlite") as there:
        told = there.post("/api/archive", data=packed).get_json()
        assert "faults" in told, f"seed {seed}: {told}\n{said}"
        assert (told["faults"], told["changed"], told["jobs"]) == ([], [], 1), f"seed {seed}: {told}\n{said}"
        there_looks = looks_at_shop(there)
    differ = list(differing(alike(looks), alike(there_looks)))
    assert not differ, f"seed {seed}:\n" + "\n".join(differ[:8]) + f"\n{said}"


@pytest.mark.parametrize("seed", range(12))
def test_whatever_is_taken_in_is_shown_carried_out_and_brought_back(new_shop: Path, tmp_path: Path, seed: int) -> None:
    whole(new_shop, tmp_path, seed)


@pytest.mark.trust
@pytest.mark.parametrize("chunk", range(40))
def test_a_thousand_sequences_are_shown_carried_out_and_brought_back(
    new_shop: Path, tmp_path: Path, chunk: int
) -> None:
    """40 times 25 sequences of 14 requests of the screens, each with its whole shop carried into an empty one."""
    for seed in range(1000 + 25 * chunk, 1025 + 25 * chunk):
        whole(new_shop, tmp_path, seed)
