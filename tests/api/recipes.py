"""What `test_recipes` adds by the recipes of CONTRIBUTING, and the look at a shop that runs with it.

Run as a script in a copy of the package to which `ADDED` was written, it prints what the rooms show of it as JSON.
"""

from __future__ import annotations

import json
import sys
from pathlib import Path
from typing import Any

#: File of the package, the line after which something is added, what is added. "" for a file of its own.
ADDED: tuple[tuple[str, str, str], ...] = (
    (
        "core/job/rows/clutch.toml",
        "#:schema ./input.schema.json\n",
        """\
[dust_mass]
label = "Dust let through"
unit = "kg"
field_unit = "g"
range = [0, 1000]
usual = [0, 100]
meaning = "Dust of the facing in an hour."
above = true
searched = true
group = "wear"
""",
    ),
    (
        "core/quantities/disc.py",
        "from liftbite.core.graph.guards import positive\n",
        '''

def dust_margin(dust_mass: Values) -> Values:
    """What a housing lets out over what the facing makes.

    m_dust = 0.05/d

    Parameters
    ----------
    dust_mass : d, dust of the facing in an hour [kg]

    Returns
    -------
    m_dust, dust margin [-]

    Range: d above 0.
    Source: [practice: made up for a test].

    >>> round(dust_margin(0.025), 6)
    2.0
    """
    return 0.05 / dust_mass * positive("dust_mass", dust_mass)

''',
    ),
    (
        "core/verdicts/criteria.py",
        "_ROWS: tuple[Criterion, ...] = (\n",
        """\
    Criterion("dust", "true", "dust_margin", "dust_margin", 1.0, friction=HIGH, excludes="true"),
""",
    ),
    (
        "core/verdicts/words.py",
        "WORDS: Mapping[str, Words] = {\n",
        """\
    "dust": Words("dust in the housing", _times("{} times what the facing makes finds its way out", "dust_margin")),
""",
    ),
    (
        "core/job/parts.py",
        "_ALL = (\n",
        """\
    Part("dust_boot", "Dust boot", "bearing", "dry_car"),
""",
    ),
    (
        "core/measure/checks/flywheel.py",
        "CHECKS = (\n",
        """\
    Check("dust_boot", "dust_boot", "Lip", "Feeler all round.", "reading", "m", suited=("feeler",), wanted=is_car,
          limits=(practice("most", 0.001),), causes=("dust_in",)),
""",
    ),
    (
        "core/measure/setup/dust.py",
        "",
        '''\
"""Does the boot close?"""

from liftbite.core.job.build import Build
from liftbite.core.measure.reading import Readings, values_of
from liftbite.core.measure.setup.calculation import Calculation, Outcome, right, span


def work_out(build: Build, readings: Readings, said_of: object) -> float | None:
    """The largest gap."""
    return max(values_of(readings, "dust_boot"), default=None)


def tell(found: float) -> Outcome:
    """It in words."""
    return Outcome(f"The boot stands open by {span(found)}.", right(found <= 1e-3))


CALCULATION = Calculation("dust", "Boot on its seat", "dust_boot", ("dust_boot",), "the boot", work_out, tell)
''',
    ),
    (
        "core/prove/causes.toml",
        "which parts it closes into and how far the job goes then.\n",
        """\
[cause.dust_in]
words = "dust in the housing"
shows = {judders = 0.7}
often = 0.4
mends = "dust boot"
closes = ["dust_boot"]
scope = "bearing"
source = "common practice, no source"
""",
    ),
    (
        "core/fit/library/clutch_out.toml",
        "# Source: common practice, no source\n",
        """\

[boot_on]
title = "Press the dust boot home"
stretch = "clean"
parts = ["dust_boot"]
part = "dust_boot"
because = "reach: the boot is behind the arm"
""",
    ),
    (
        "core/fit/order/clutch.order",
        "{rear_seal_in} < flywheel_off faces_clean\n",
        """\
boot_on < measured; prove_gearbox
""",
    ),
    (
        "core/fit/statements.py",
        "from liftbite.core.job.record import Kind, Names, Statement\n",
        '''

@dataclass(frozen=True, slots=True, kw_only=True)
class Swept(Statement):
    """Dust that was swept out of a housing."""

    about: ClassVar = Kind("dust_swept", "Dust swept out", "plan", named=True)

    answer: Literal["clean", "oily", "open"]
    note: str = ""

    def hold(self, key: str, who: str) -> None:
        """What was oily."""
        if self.answer == "oily" and not self.note:
            raise UnreadableEntry("Dust: say where it was oily")
''',
    ),
    (
        "core/statements.py",
        "    PartNote,\n    PlanAnswer,\n",
        "    Swept,\n",
    ),
    ("core/statements.py", "        PlanAnswer,\n", "        Swept,\n"),
)


def add(package: Path) -> None:
    """Writes `ADDED` into a copy of the package."""
    for name, after, text in ADDED:
        file = package / name
        if not after:
            file.write_text(text, "utf-8")
            continue
        before = file.read_text("utf-8")
        assert before.count(after) == 1, (name, after)
        file.write_text(before.replace(after, after + text), "utf-8")


def look(shop: Path) -> dict[str, Any]:
    """What bench, list, answers, plan, sheet, fault finder and parts finder show of what was added."""
    from liftbite.api.app import create_app
    from liftbite.core.find.finder import search
    from tests.api.jobs.test_views import begin, enter
    from tests.core.find.test_finder import CAR as WHOLE
    from tests.core.find.test_finder import as_parts
    from tests.jobs import entries

    client = create_app(shop, testing=True).test_client()
    job = enter(
        client, begin(client, WHOLE | {"job_name": "Dusty", "complaint": "judders"}), dust_mass="80 g"
    ).get_json()
    at = f"/api/jobs/{job['id']}"
    client.post(
        f"{at}/readings",
        json={"check": "dust_boot", "place": "Once", "typed": "2 mm", "instrument": "feeler", "request": "one"},
    )
    client.post(f"{at}/prove", json={"kind": "complaint", "key": "", "said": {"answer": "judders"}})
    bench, fault = client.get(f"{at}/measure").get_json(), client.get(f"{at}/prove").get_json()["fault"]
    swept = {"kind": "dust_swept", "key": "housing", "who": "Ines"}
    client.post(f"{at}/plan", json=swept | {"said": {"answer": "clean"}})
    refused = client.post(f"{at}/plan", json=swept | {"said": {"answer": "oily"}}).get_json()
    carried = client.get(f"{at}/file").get_json()["bench"]["record"]
    links = [link for verdict in job["verdicts"] for link in verdict["links"]]
    shelf = as_parts({"flywheel": {m: {"dust_mass": m} for m in ("30 g", "80 g")}})
    return {
        "field": next(f["typed"] for f in job["fields"] if f["name"] == "dust_mass"),
        "link": next({k: link[k] for k in ("label", "grade", "sentence")} for link in links if link["key"] == "dust"),
        "check": next(c["finding"]["verdict"] for c in bench["checks"] if c["name"] == "dust_boot"),
        "calculation": next(c["sentence"] for c in bench["calculations"] if c["name"] == "dust"),
        "needs": {n["key"]: n["reasons"] for n in bench["needs"] if n["part"] == "dust_boot"},
        "cause": next(c["closes"]["parts"] for c in fault["causes"] if c["name"] == "dust_in"),
        "steps": [s["key"] for s in client.get(f"{at}/plan").get_json()["steps"] if s["key"] == "boot_on"],
        "sheet": [words in client.get(f"{at}/sheet.html").text for words in ("Dust boot", "The boot stands open")],
        "statement": [
            e["what"][0] for e in client.get(f"{at}/events").get_json()["events"] if e["kind"] == "dust_swept"
        ],
        "refused": refused["detail"],
        "carried": [line["said"] for line in carried if line["kind"] == "dust_swept"],
        "shape": [
            each["properties"]["said"]["required"]
            for each in client.get("/api/openapi.json").get_json()["components"]["schemas"]["SayOfPlanIn"]["oneOf"]
            if each["title"] == "dust_swept"
        ],
        "excluded": search(entries(WHOLE), shelf, stage=0.0, all_four=True).excluded,
    }


if __name__ == "__main__":
    print(json.dumps(look(Path(sys.argv[1]))))
