"""Forty files as dynamometers and their owners write them: what each must come to, or how it is refused."""

from __future__ import annotations

import json
from dataclasses import replace
from pathlib import Path
from typing import Any

import pytest

from liftbite.core.errors import UnreadableFile
from liftbite.core.job.classes import CLASSES
from liftbite.core.job.dyno_file import CurveFile, read_curve
from liftbite.core.job.dyno_mapping import ColumnMapping, Proposal
from liftbite.core.job.dyno_runs import propose_file
from liftbite.core.job.dyno_table import decode
from liftbite.core.units.read import from_si

FILES = Path(__file__).parents[2] / "data" / "dyno"
EXPECTED: dict[str, dict[str, Any]] = json.loads((FILES / "expected.json").read_text())
GOOD = [name for name, e in EXPECTED.items() if "peak" in e and "refusal" not in e]
REFUSED = [name for name, e in EXPECTED.items() if "refusal" in e]


def proposed(name: str) -> tuple[str, Proposal]:
    text = decode((FILES / name).read_bytes())
    return text, propose_file(text)


def mapped(name: str) -> tuple[str, ColumnMapping]:
    text, found = proposed(name)
    return text, found.mapping


def peaks(file: CurveFile) -> tuple[float, float]:
    return file.curve.peak_torque, from_si(file.curve.peak_torque_speed, "rpm")


def test_there_are_forty_files_or_more_and_each_says_what_it_must_come_to() -> None:
    assert {p.name for p in FILES.iterdir()} - {"expected.json"} == set(EXPECTED)
    assert len(EXPECTED) >= 40


@pytest.mark.parametrize("name", GOOD)
def test_a_file_comes_to_its_curve(name: str) -> None:
    (text, found), expected = proposed(name), EXPECTED[name]
    read = read_curve(text, found.mapping)
    assert peaks(read) == pytest.approx((expected["peak"], expected["rpm"]), rel=2e-3)
    assert read.asks == ()
    assert found.reference == expected.get("reference", "")
    assert found.corrected == expected.get("corrected", "")
    assert len(found.runs) == expected.get("runs", 0)
    assert expected.get("note", "") in " ".join(read.notes)
    if "last" in expected:  # what bounces off a limiter is part of the run
        assert from_si(float(read.curve.speed[-1]), "rpm") == pytest.approx(expected["last"])
    if "run2" in expected:
        second = read_curve(text, found.runs[1].mapping).curve
        assert second.peak_torque == pytest.approx(expected["run2"], rel=2e-3) == found.runs[1].peak


@pytest.mark.parametrize("name", REFUSED)
def test_a_file_is_refused_in_words_and_mended_in_its_mapping(name: str) -> None:
    expected = EXPECTED[name]
    with pytest.raises(UnreadableFile) as refused:
        read_curve(*mapped(name))
    assert expected["refusal"] in str(refused.value)
    assert expected.get("line") in (None, refused.value.line)
    if len(expected) == 1:
        return
    text, found = proposed(name)
    if "line" in expected:
        assert peaks(read_curve(text, replace(found.mapping, leave_out=(expected["line"],))))[0] == pytest.approx(300)
    if "trust" in expected:
        assert peaks(read_curve(text, replace(found.mapping, trust="torque")))[0] == pytest.approx(expected["trust"])
    if "gearing" in expected:
        mended = read_curve(text, replace(found.mapping, gearing=expected["gearing"]))
        assert peaks(mended) == pytest.approx((expected["peak"], expected["rpm"]), rel=2e-3)


@pytest.mark.parametrize("name", [name for name, e in EXPECTED.items() if "asks" in e])
def test_what_no_engine_does_is_asked_about(name: str) -> None:
    text, found = proposed(name)
    assert EXPECTED[name]["asks"] in " ".join(read_curve(text, found.mapping).asks)


def test_rows_beyond_the_last_are_no_part_of_the_run() -> None:
    text, found = proposed("plain.csv")
    short = read_curve(text, replace(found.mapping, last_row=10)).curve
    assert (short.speed.size, from_si(float(short.speed[-1]), "rpm")) == (9, pytest.approx(3500))


@pytest.mark.parametrize(("times", "asked"), [(0.3, True), (0.6, False), (1.0, False), (2.0, False), (3.0, True)])
def test_a_peak_far_from_its_class_is_asked_about(times: float, asked: bool) -> None:
    known = CLASSES["light_roadster"]
    rows = "".join(
        f"{rpm},{times * known.torque * (1 - ((rpm - 4500) / 9000) ** 2):.1f}\n" for rpm in range(1500, 7001, 250)
    )
    text = "rpm,Nm\n" + rows
    mapping = propose_file(text).mapping
    asks = read_curve(text, mapping, "light_roadster").asks
    assert bool(asks) is asked
    assert all("light roadster has as it left the factory" in ask for ask in asks)
    assert read_curve(text, mapping).asks == ()
