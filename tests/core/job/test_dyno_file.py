"""Dynamometer files as they come: any order, any naming, any separator, and bad ones with their line."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.errors import UnreadableFile
from liftbite.core.job.dyno_file import read_curve, write_csv
from liftbite.core.job.dyno_mapping import ColumnMapping, propose
from liftbite.core.job.dyno_table import decode
from liftbite.core.quantities.torque_curve import TorqueCurve
from liftbite.core.units.preference import PREFERENCES, Preference, preferring
from liftbite.core.units.read import from_si, to_si

RPM = [2000, 3000, 4000]
NM = [200.0, 220.0, 230.0]
KW = [200 * 2000 * np.pi / 30e3, 220 * 3000 * np.pi / 30e3, 230 * 4000 * np.pi / 30e3]


def lines(*rows: str) -> str:
    return "\n".join(rows) + "\n"


FILES = {
    "comma": lines("rpm,torque [Nm]", "2000,200", "3000,220", "4000,230"),
    "semicolon, decimal comma": lines("Drehzahl;Drehmoment (Nm)", "2000;200,0", "3000;220,0", "4000;230,0"),
    "tab, other order": lines("Torque N·m\tEngine speed 1/min", "200\t2000", "220\t3000", "230\t4000"),
    "unsorted": lines("rpm;Nm", "4000;230", "2000;200", "3000;220"),
    "repeated": lines("rpm;Nm", "2000;199", "2000;201", "3000;220", "4000;230"),
    "comments": lines(
        "# run 3",
        "; not a comment but no figures",
        "// wind 0",
        "rpm,Nm",
        "2000,200",
        "3000,220",
        "",
        "# half time",
        "4000,230",
    ),
    "units row": lines("n,M,P", "1/min,Nm,kW", *(f"{r},{t},{p:.3f}" for r, t, p in zip(RPM, NM, KW, strict=True))),
    "power only, kW": lines("RPM,Power kW", *(f"{r},{p:.4f}" for r, p in zip(RPM, KW, strict=True))),
    "power only, PS": lines(
        "rpm;Leistung [PS]", *(f"{r};{p / 0.73549875:.4f}".replace(".", ",") for r, p in zip(RPM, KW, strict=True))
    ),
    "power only, hp": lines("rpm,bhp", *(f"{r},{p / 0.74569987158:.4f}" for r, p in zip(RPM, KW, strict=True))),
    "lb-ft": lines("rpm,lb-ft", *(f"{r},{t / 1.3558179483:.5f}" for r, t in zip(RPM, NM, strict=True))),
    "ft-lbs": lines(
        "Engine RPM|Torque (ft-lbs)|Lambda", *(f"{r}|{t / 1.3558179483:.5f}|0.88" for r, t in zip(RPM, NM, strict=True))
    ),
    "grouped": lines('rpm,"torque, Nm"', '"2,000",200', '"3,000",220', '"4,000",230'),
    "time series": lines("time;rpm;Nm", "0,0;2000;200,0", "0,5;3000;220,0", "1,0;4000;230,0"),
    "a separator nobody writes": lines("sep=:", "rpm;Nm", "2000;200", "3000;220", "4000;230"),
    "declared separator": lines("sep=;", "rpm;Nm", "2000;200", "3000;220", "4000;230"),
    "over-run rows": lines("rpm,Nm", "1000,-5", "2000,200", "3000,220", "4000,230"),
    "gaps": lines("rpm,Nm", "2000,200", "2500,", "3000,220", "4000,230"),
}


@pytest.mark.parametrize("name", FILES)
def test_every_shape_gives_the_same_curve(name: str) -> None:
    text = FILES[name]
    proposal = propose(text)
    assert proposal.questions == (), proposal.questions
    curve = read_curve(text, proposal.mapping).curve
    np.testing.assert_allclose(from_si(1, "rpm") * curve.speed, RPM, rtol=1e-9)
    np.testing.assert_allclose(curve.torque, NM, rtol=1e-4)


@pytest.mark.parametrize(
    "encoded",
    [
        "rpm;Nm °\n2000;200\n3000;220\n".encode("utf-8-sig"),
        "rpm;Nm °\n2000;200\n3000;220\n".encode("cp1252"),
        "rpm;Nm °\n2000;200\n3000;220\n".encode("utf-16"),
        "rpm;Nm °\r\n2000;200\r\n3000;220\r\n".encode(),
    ],
    ids=["BOM", "Windows-1252", "UTF-16", "CRLF"],
)
def test_encodings(encoded: bytes) -> None:
    text = decode(encoded)
    assert text.startswith("rpm;Nm °")
    assert read_curve(text, propose(text).mapping).curve.peak_torque == 220.0


@pytest.mark.parametrize(("data", "says"), [(b"", "empty"), (b" \n", "empty"), (b"\x00\x01\x02PNG", "not a text file")])
def test_what_is_no_text_is_refused(data: bytes, says: str) -> None:
    with pytest.raises(UnreadableFile, match=says):
        decode(data)


@pytest.mark.parametrize(
    ("text", "says"),
    [
        (lines("rpm,Nm", "2000,200", "3000,abc", "4000,210"), r"Line 3: “abc” in the torque column"),
        (lines("# a", "rpm;Nm", "2000;200,5", "3000;2x"), r"Line 4: “2x” in the torque column .* 312,5"),
        (lines("rpm,Nm", "2000,200", "2000,210"), "fewer than two different engine speeds"),
        (lines("rpm,Nm", "1e400,200", "2000,210"), r"Line 2: .* not a finite figure"),
        (lines("hello", "world"), "no line holds two figures"),
    ],
)
def test_a_bad_file_says_where(text: str, says: str) -> None:
    with pytest.raises(UnreadableFile, match=says):
        read_curve(text, propose(text).mapping)


def test_notes_say_what_was_done() -> None:
    def notes(name: str) -> str:
        return " ".join(read_curve(FILES[name], propose(FILES[name]).mapping).notes)

    assert "sorted" in notes("unsorted")
    assert "1 engine speeds stood more than once" in notes("repeated")
    assert "worked out from power" in notes("power only, kW")
    assert "1 row without forward torque" in notes("over-run rows")
    assert "1 row with an empty cell" in notes("gaps")
    assert notes("comma") == ""


def test_a_file_without_headings_asks() -> None:
    proposal = propose("2000,200\n3000,220\n4000,230\n")
    assert proposal.mapping.speed == 0
    assert proposal.mapping.torque is None
    assert any("looks like rpm" in q for q in proposal.questions)
    assert any("Which column is torque" in q for q in proposal.questions)
    told = replace(proposal.mapping, torque=1, torque_unit="N·m")
    assert read_curve("2000,200\n3000,220\n4000,230\n", told).curve.peak_torque == 230.0


def test_a_unit_the_heading_does_not_name_is_told_by_the_other_column() -> None:
    rows = [f"{r},{p / 0.74569987158:.3f},{t / 1.3558179483:.3f}" for r, p, t in zip(RPM, KW, NM, strict=True)]
    proposal = propose(lines("RPM,RWHP,RWTQ", *rows))
    assert proposal.mapping.torque_unit == "lb-ft"
    assert proposal.reference == "wheel"
    assert any("by the power column it is lb-ft" in q for q in proposal.questions)


def test_where_the_figures_were_taken_is_seen_but_not_decided() -> None:
    assert propose(lines("rpm,wheel torque Nm", "2000,200", "3000,220")).reference == "wheel"
    assert propose(lines("rpm,crank torque Nm", "2000,200", "3000,220")).reference == "crank"
    assert propose(lines("rpm,torque Nm", "2000,200", "3000,220")).reference == ""


@pytest.mark.parametrize(
    ("torque_unit", "power_unit", "says"),
    [("N·m", "hp", "lb-ft taken for N·m"), ("lb-ft", "kW", "N·m taken for lb-ft"), ("N·m", "PS", "power reads like")],
)
def test_torque_and_power_that_disagree_are_questioned(torque_unit: str, power_unit: str, says: str) -> None:
    """A figure wrong by exactly 1.356 is the classic mistake; P = T·ω finds it."""
    true_torque = {"N·m": "lb-ft", "lb-ft": "N·m"}[torque_unit] if power_unit != "PS" else "N·m"
    true_power = power_unit if power_unit != "PS" else "kW"
    rows = [
        f"{r},{from_si(t, true_torque):.4f},{from_si(p * 1e3, true_power):.4f}"
        for r, t, p in zip(RPM, NM, KW, strict=True)
    ]
    text = lines(f"rpm,torque [{torque_unit}],power [{power_unit}]", *rows)
    with pytest.raises(UnreadableFile, match="disagree") as refused:
        read_curve(text, propose(text).mapping)
    note = str(refused.value)
    taken = read_curve(text, replace(propose(text).mapping, trust="power"))
    assert "The power was taken, as said." in taken.notes[0]
    assert says in note or power_unit == "PS"


@pytest.mark.parametrize(
    ("change", "says"),
    [
        ({"speed": None}, "which column is the engine speed"),
        ({"torque": None}, "which column is torque or power"),
        ({"torque": 0}, "one column cannot be two things"),
        ({"torque_unit": ""}, "say the unit of the torque"),
        ({"torque_unit": "kg"}, "say the unit of the torque"),
    ],
)
def test_an_incomplete_mapping_is_refused(change: dict[str, object], says: str) -> None:
    mapping = ColumnMapping(",", ".", 2, 0, 1, None, "rpm", "N·m", "")
    with pytest.raises(UnreadableFile, match=says):
        read_curve(FILES["comma"], replace(mapping, **change))


@given(
    st.lists(st.floats(500, 15_000), min_size=2, max_size=40, unique_by=round),
    st.floats(5, 900),
    st.sampled_from(sorted(PREFERENCES)),
)
def test_a_curve_written_reads_back(rpm: list[float], torque: float, units: Preference) -> None:
    speed = np.sort(np.round(rpm)) * to_si(1, "rpm")
    curve = TorqueCurve.of(speed, np.linspace(torque, torque * 1.3, speed.size))
    with preferring(units):
        text = write_csv(curve)
    assert ("lb-ft" in text) == (units == "inch")
    back = read_curve(text, propose(text).mapping).curve
    np.testing.assert_allclose(back.speed, curve.speed, rtol=1e-10)
    np.testing.assert_allclose(back.torque, curve.torque, rtol=1e-10)
