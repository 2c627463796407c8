"""The commands that look into a job file."""

from __future__ import annotations

import csv
import io
import json
from pathlib import Path

import pytest

from liftbite.core.job.builds import part_of
from tests.cli.test_main import run, write
from tests.jobs import CAR, FULL

RUNS = Path(__file__).parents[1] / "data" / "dyno"
SHELF = {
    "format": "liftbite-shelf",
    "version": 1,
    "slots": {
        "cover": [
            {"name": "soft", "price": 200, "values": {"diaphragm_thickness": "2.8 mm"}},
            {"name": "hard", "price": 260, "values": {"diaphragm_thickness": "3.2 mm"}},
        ],
        "master": [{"name": "7/8", "values": {"master_diameter": "7/8 in"}}],
    },
}


@pytest.fixture
def job(tmp_path: Path) -> str:
    return write(tmp_path / "full.liftbite.json", {**FULL, "pressure_limit": "1 MPa"})


def test_compute_says_all_four_and_what_mends_them(job: str) -> None:
    result = run("compute", job)
    assert result.exit_code == 1
    told = ("Bite: THIN, torque reserve 1.07 of 1.3", "Lift: THIN", "Heat: STAYS", "True: RUNS TRUE")
    for line in (*told, "Lift is mended by"):
        assert line in result.output


def test_explain_goes_down_to_what_was_typed(job: str) -> None:
    result = run("explain", "lever_ratio", job)
    assert result.exit_code == 0
    assert "Lever ratio of the cover: 4.5" in result.output
    assert "D_t = 56 mm (2.2 in)  Finger tips as typed 56 mm" in result.output
    unknown = run("explain", "colour", job)
    assert (unknown.exit_code, "“colour” is not worked out" in unknown.stderr) == (2, True)


def test_compute_and_explain_as_csv(job: str) -> None:
    rows = {r["quantity"]: r for r in csv.DictReader(io.StringIO(run("compute", job, "--csv").output))}
    assert float(rows["bite_margin"]["low"]) < float(rows["bite_margin"]["high"])
    steps = list(csv.DictReader(io.StringIO(run("explain", "lever_ratio", job, "--csv").output)))
    assert steps[0] == {
        "of": "",
        "quantity": "lever_ratio",
        "symbol": "R_d",
        "value": "4.5",
        "mark": "geometry",
        "typed": "",
    }
    assert {s["typed"] for s in steps if s["of"] == "lever_ratio"} == {"191 mm", "56 mm", ""}


def test_the_bands_of_lift_and_heat_are_ordered() -> None:
    from liftbite.core.verdicts.answers import answer
    from tests.jobs import entries

    for verdict in answer(entries(FULL)).others[:2]:
        assert verdict.margin is not None
        assert verdict.margin.low <= verdict.margin.nominal <= verdict.margin.high


def test_stroke_as_table_csv_and_json(job: str) -> None:
    assert "Full pedal lifts 1.486 mm" in run("stroke", job).output
    rows = list(csv.DictReader(io.StringIO(run("stroke", job, "--csv").output)))
    assert float(rows[-1]["pedal_m"]) == pytest.approx(0.15)
    assert json.loads(run("stroke", job, "--json").output)["lift_m"][-1] == pytest.approx(float(rows[-1]["lift_m"]))


def test_life_and_launch(job: str) -> None:
    life = run("life", job)
    assert life.exit_code == 1
    assert "Ends with the clamp at 0 mm" in life.output
    start = run("launch", job)
    assert start.exit_code == 0
    assert "The clutch locks." in start.output
    assert "With the engine's speed held and tyres that grip: 2.751 s" in start.output
    assert set(json.loads(run("launch", job, "--json").output)) >= {"time", "heat", "torque"}


def test_find(job: str, tmp_path: Path) -> None:
    shelf = tmp_path / "parts.liftbite-shelf.json"
    shelf.write_text(json.dumps(SHELF))
    result = run("find", job, str(shelf))
    assert "2 combinations" in result.output
    told = json.loads(run("find", job, str(shelf), "--json").stdout)
    assert told["total"] == 2
    assert told["kept"] + sum(told["excluded"].values()) == 2


@pytest.mark.parametrize(
    ("change", "says"),
    [
        (lambda s: s["slots"]["cover"][0]["values"].update(diaphragm_thickness="2.8 kg"), "soft: .*unit of mass"),
        (lambda s: s["slots"]["cover"][0]["values"].update(colour="red"), "cover, soft: .*not a quantity"),
        (
            lambda s: (
                s["slots"]["cover"][0]["options"].update(use="sailing")
                if "options" in s["slots"]["cover"][0]
                else s["slots"]["cover"][0].update(options={"use": "sailing"})
            ),
            "cover, soft: Use: .*not offered",
        ),
        (lambda s: s.update(version=3), "version"),
        (lambda s: s["slots"].update(cover=[]), "slots.cover"),
    ],
)
def test_a_bad_shelf_names_part_and_field(job: str, tmp_path: Path, change, says: str) -> None:  # type: ignore[no-untyped-def]
    import re

    shelf = json.loads(json.dumps(SHELF))
    change(shelf)
    path = tmp_path / "bad.json"
    path.write_text(json.dumps(shelf))
    result = run("find", job, str(path))
    assert result.exit_code == 2
    assert re.search(says, result.stderr)


@pytest.mark.parametrize("command", ["stroke", "launch"])
def test_missing_inputs_are_named_and_exit_2(command: str, tmp_path: Path) -> None:
    result = run(command, write(tmp_path / "car.liftbite.json", CAR))
    assert result.exit_code == 2
    assert "Needs" in result.stderr
    assert "(" in result.stderr, "the field's name stands beside its label"


def test_an_impossible_figure_exits_1(tmp_path: Path) -> None:
    path = write(tmp_path / "odd.liftbite.json", {**FULL, "slave_inner_diameter": "60 mm"})
    result = run("stroke", path)
    assert result.exit_code == 1
    assert "Concentric slave, inside “60 mm” has to be below" in result.stderr


def test_a_schedule_on_the_command_line(tmp_path: Path, job: str) -> None:
    file = write(tmp_path / "race.liftbite.json", {**FULL, "start_schedule": "5 x standing every 60 s"})
    told = run("stint", file)
    assert told.exit_code == 0
    assert "Hot first" in told.output
    columns = json.loads(run("stint", file, "--json").output)
    assert len(columns["time"]) == len(columns["pressure plate"])
    hot = write(tmp_path / "hot.liftbite.json", {**FULL, "start_schedule": "150 x standing every 15 s"})
    assert run("stint", hot).exit_code == 1
    assert run("stint", job).exit_code == 2


def test_alternatives_on_the_command_line(tmp_path: Path, job: str) -> None:
    assert "Stocked" not in run("beside", "cylinders", job).output
    assert "Backwards" in run("beside", "cylinders", job).output
    assert json.loads(run("beside", "cylinders", job, "--json").output)["columns"][0] == "Master"
    assert run("beside", "instructions", job).exit_code == 2
    typed = {**FULL, "bolt_instructions": "kit: 44 lb-ft + 90°, oiled; 53 lb-ft"}
    assert "kit" in run("beside", "instructions", write(tmp_path / "b.liftbite.json", typed)).output


def test_found_against_planned_on_the_command_line(tmp_path: Path, job: str) -> None:
    assert "Nothing a driver would feel differs" in run("compare", job).output
    file = write(tmp_path / "r.liftbite.json", {**FULL, "disc_fate": "renewed"})
    raw = json.loads(Path(file).read_text())
    worn = [{"quantity": q, "typed": FULL[q], "build": "found"} for q in FULL if part_of(q, "dry_car") == "disc"]
    raw["revisions"][-1]["entries"] += [
        *worn,
        {"quantity": "wear", "typed": "0.9 mm", "build": "found"},
        {"quantity": "use", "typed": "drag", "build": "for the strip"},
    ]
    Path(file).write_text(json.dumps(raw))
    told = json.loads(run("compare", file, "--json").output)
    assert [b["name"] for b in told["builds"]] == ["found", "planned", "for the strip"]
    assert told["builds"][1]["says"]
    assert "for the strip" in run("compare", file).output
    assert json.loads(run("compute", file, "--json", "--build", "for the strip").output)["build"] == "for the strip"
    wrong = run("compute", file, "--build", "nobody's")
    assert wrong.exit_code == 2
    assert "it has planned, found, for the strip" in wrong.output
    planned, found = (
        json.loads(run("compute", file, "--json", "--build", which).output) for which in ("planned", "found")
    )
    clamp = [
        next(r for r in j["results"] if r["name"] == "clamp_load")["planned"]["nominal"]["si"] for j in (planned, found)
    ]
    assert clamp[0] != clamp[1]
    assert run("compute", file, "--build", "found").exit_code in {0, 1}


def test_the_next_question_on_the_command_line(job: str) -> None:
    told = json.loads(run("next", job, "--json").output)["ranking"]
    assert told[0]["settles"]
    assert run("next", job).output.startswith(f"Next: {told[0]['label']}")


@pytest.mark.parametrize(
    ("name", "code", "says"),
    [
        ("plain.csv", 0, "300 N·m"),
        ("stacked.csv", 0, "270 N·m"),
        ("contradiction.csv", 2, "disagree"),
        ("sawtooth.csv", 2, "jumps up and down"),
        ("empty.csv", 2, "the file is empty"),
        ("expected.json", 2, "no line holds two figures"),
    ],
)
def test_a_dynamometer_file_is_read_asked_about_or_refused(name: str, code: int, says: str) -> None:
    result = run("curve", str(RUNS / name))
    assert (result.exit_code, says in result.output + result.stderr) == (code, True)


def test_a_curve_as_json_has_its_mapping_its_questions_and_its_refusal() -> None:
    told = json.loads(run("curve", str(RUNS / "side-by-side.csv"), "--json", "--run", "2").output)
    assert told["peak_torque"]["si"] == pytest.approx(360)
    assert [r["label"] for r in told["runs"]] == ["Torque base Nm", "Torque tuned Nm"]
    assert told["mapping"]["torque"] == 2
    refused = json.loads(run("curve", str(RUNS / "contradiction.csv"), "--json").stdout)
    assert "disagree" in refused["refusal"]
    assert refused["curve"] is None
    taken = run("curve", str(RUNS / "contradiction.csv"), "--csv", "--trust", "torque").output
    assert taken.startswith("engine speed [rpm],torque [N·m]")
    assert run("curve", str(RUNS / "plain.csv"), "--run", "3").exit_code == 2
