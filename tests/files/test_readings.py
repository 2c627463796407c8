"""Readings as CSV: out and in again unchanged, whatever separator; every fault with its line."""

from __future__ import annotations

from datetime import UTC, datetime

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.errors import UnreadableFile
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.judgement import uncertainty_of
from liftbite.core.measure.reading import Reading
from liftbite.files.readings import COLUMNS, CsvReading, read_readings, write_readings
from liftbite.files.table import read_table

NOW = datetime(2026, 3, 1, 9, 30, tzinfo=UTC)
WORDS = st.text(st.characters(blacklist_categories=["C"], blacklist_characters="\n\r"), min_size=1, max_size=30).filter(
    lambda text: text.strip() == text
)


@st.composite
def rows(draw: st.DrawFn) -> CsvReading:
    check = draw(st.sampled_from([c for c in CHECKS.values() if c.unit == "m" and c.kind != "grade"]))
    instrument = draw(st.sampled_from([k for k in check.suited if uncertainty_of(k, "m")]))
    mm = draw(st.integers(-200_000, 200_000)) / 1000
    place = draw(WORDS)
    distance = draw(st.none() | st.integers(0, 10**6).map(lambda km: km * 1e3))
    reading = Reading(place, mm / 1e3, f"{mm:.3f} mm", instrument, uncertainty_of(instrument, "m"))
    return CsvReading(draw(st.sampled_from(["", "1", "27"])), check.name, reading, NOW, distance)


@given(st.lists(rows(), min_size=1, max_size=6))
def test_out_and_in_again(written: list[CsvReading]) -> None:
    back = [line.row for line in read_readings(write_readings(written), NOW)]
    for was, now in zip(written, back, strict=True):
        assert now is not None
        assert (now.series, now.check, now.at) == (was.series, was.check, was.at)
        assert (now.reading.place, now.reading.typed) == (was.reading.place, was.reading.typed)
        assert now.reading.si == pytest.approx(was.reading.si, rel=1e-12)
        assert now.reading.uncertainty == pytest.approx(was.reading.uncertainty)
        assert now.distance == (None if was.distance is None else pytest.approx(was.distance))


def test_grades_and_skips_too() -> None:
    written = [
        CsvReading("1", "basket", Reading("Once", None, "deep"), NOW),
        CsvReading("1", "hub", Reading("Once", skipped="cover still on"), NOW),
    ]
    text = write_readings(written)
    assert [line.row for line in read_readings(text, NOW)] == written
    assert text.splitlines()[0] == ",".join(COLUMNS)


@given(seen=st.sampled_from(["gearbox", "engine"]), plus=st.booleans(), sag=st.none() | st.integers(1, 90))
def test_how_a_sweep_was_read_goes_with_it(seen: str, plus: bool, sag: int | None) -> None:
    """Without it a sweep taken in elsewhere would turn round: side and sign say where a bore lies."""
    how = {
        "seen_from": seen,
        "presses_plus": plus,
        "sag_typed": f"0.{sag:03d} mm" if sag else "",
        "sag": sag * 1e-6 if sag else 0.0,
    }
    readings = [Reading(f"{a}°", a * 1e-6, f"{a / 1000:g} mm", "dial", 1e-5) for a in (0, 90, 180, 270)]
    back = read_readings(write_readings([CsvReading("1", "bore_runout", r, NOW, None, how) for r in readings]), NOW)
    for line in back:
        assert line.row is not None
        assert line.row.settings | {"sag": 0} == how | {"sag": 0}
        assert line.row.settings["sag"] == pytest.approx(how["sag"])


def test_where_a_floaters_shims_sit_goes_with_it_and_nothing_is_made_up() -> None:
    reading = Reading("Stand 1", 5e-4, "0.5 mm", "feeler", 2.5e-5)
    for how in ({"shims": "lowers"}, {}):
        (line,) = read_readings(write_readings([CsvReading("1", "floater_gap", reading, NOW, None, how)]), NOW)
        assert line.row is not None
        assert line.row.settings == how
    (plain,) = read_readings("check,place,reading,seen_from\nplate_thickness,Plate 1,2.9 mm,engine\n", NOW)
    assert plain.row is not None
    assert plain.row.settings == {}


@pytest.mark.parametrize(
    ("cells", "says"),
    [
        ("bore_runout,0°,0 mm,left,,,", "“left” is not offered for seen_from; gearbox or engine"),
        ("bore_runout,0°,0 mm,,up,,", "pressed_in_reads"),
        ("bore_runout,0°,0 mm,,,much,", "much"),
        ("floater_gap,Stand 1,0.5 mm,,,,sideways", "“sideways” is not offered for shims; raises or lowers"),
    ],
)
def test_how_it_was_taken_is_read_like_the_rest(cells: str, says: str) -> None:
    head = "check,place,reading,seen_from,pressed_in_reads,sag,shims\n"
    (line,) = read_readings(head + cells + "\n", NOW)
    assert line.row is None
    assert says in line.fault


@pytest.mark.parametrize("separator", [",", ";", "\t"])
def test_any_separator_and_order_of_columns(separator: str) -> None:
    text = (
        separator.join(["reading", "Place", "CHECK"]) + "\n" + separator.join(["2.91 mm", "Plate 1", "plate_thickness"])
    )
    (line,) = read_readings("\ufeff" + text + "\n\n", NOW)
    assert line.row is not None
    assert (line.row.reading.si, line.row.at) == (pytest.approx(2.91e-3), NOW)


@pytest.mark.parametrize(
    ("row", "says"),
    [
        ("bogus,Plate 1,2.9,,,,,,", "no check"),
        ("plate_thickness,,2.9,,,,,,", "a place is missing"),
        (f"plate_thickness,{'x' * 81},2.9,,,,,,", "longer than 80"),
        ("plate_thickness,Plate 1,thick,,,,,,", "Thickness"),
        ("plate_thickness,Plate 1,2.9 N,,,,,,", "force"),
        ("plate_thickness,Plate 1,2.9,laser,,,,,", "no instrument"),
        ("plate_thickness,Plate 1,2.9,,much,,,,", "no uncertainty"),
        ("plate_thickness,Plate 1,2.9,,-1,,,,", "no uncertainty"),
        ("plate_thickness,Plate 1,2.9,,,,yesterday,,", "no moment"),
        ("plate_thickness,Plate 1,2.9,,,,,far,", "Distance"),
        ("basket,Once,so-so,,,,,,", "no grade"),
        ("basket,Once,,,,,,,", "no grade"),
    ],
)
def test_a_fault_names_its_line(row: str, says: str) -> None:
    head = "check,place,reading,instrument,uncertainty_mm,skipped,at,distance_km,series"
    good = "plate_thickness,Plate 2,2.9,,,,,,"
    lines = read_readings(f"{head}\n{row}\n{good}\n", NOW)
    assert lines[0].row is None
    assert says in lines[0].fault
    assert lines[0].number == 2
    assert lines[1].row is not None


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("", "empty"),
        ("\n\n", "empty"),
        ("check,place\n", "names no column “reading”"),
        ("check,place,reading,colour\n", "“colour” is no column"),
        ("check,reading\n", "“place”"),
    ],
)
def test_what_is_no_table_of_readings(text: str, says: str) -> None:
    with pytest.raises(UnreadableFile, match=says):
        read_readings(text, NOW)


def test_a_table_has_its_limits() -> None:
    with pytest.raises(UnreadableFile, match="more than 2 rows are too many"):
        read_table("a\n1\n2\n", 2)
    with pytest.raises(UnreadableFile, match="no table"):
        read_table("a,b\n" + "x" * 200_000 + ",1\n", 10)
    assert read_table("a,b\n1;2,3\n", 10) == [["a", "b"], ["1;2", "3"]]


def test_an_uncertainty_of_ones_own_is_kept() -> None:
    (line,) = read_readings(
        'check,place,reading,instrument,uncertainty_mm\nplate_thickness,Plate 1,2.9,micrometer,"0.012"\n', NOW
    )
    assert line.row is not None
    assert line.row.reading.uncertainty == pytest.approx(1.2e-5)
