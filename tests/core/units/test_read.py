"""Workshop notation in and out, against NIST SP 811 and against Pint."""

from __future__ import annotations

import math

import pint
import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.errors import UnreadableEntry
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.read import find_unit, from_si, other_readings, parse_number, read, to_si
from liftbite.core.units.show import figure, show, show_together, typeset
from tests.data import rows

#: Making one takes a while, so it is made once.
UREG = pint.UnitRegistry(cache_folder=None)


@pytest.mark.parametrize("row", rows("nist_sp_811_factors"), ids=lambda row: row["unit"])
def test_factors_are_those_of_nist_sp_811(row: dict[str, str]) -> None:
    """[standard: NIST SP 811:2008, appendix B.8]."""
    assert to_si(1.0, row["unit"]) == pytest.approx(float(row["factor"]), rel=1e-12)


@pytest.mark.parametrize(
    ("unit", "expression"),
    [("lb-in", "lbf*inch"), ("lbf/in", "lbf/inch"), ("oz·in", "ounce*inch"), ("US pt", "US_pint"), ("rpm", "rpm")],
)
def test_factors_agree_with_pint(unit: str, expression: str) -> None:
    assert to_si(1.0, unit) == pytest.approx(UREG(expression).to_base_units().m, rel=1e-12)


@pytest.mark.parametrize(
    ("typed", "value"),
    [
        ("3 7/32", 3.21875),
        ("3-7/32", 3.21875),
        ("9½", 9.5),
        ("½", 0.5),
        ("1/4", 0.25),
        ("7,24", 7.24),
        ("0,850", 0.85),
        ("1850.5", 1850.5),
        ("15 842", 15842.0),
        ("1,234.5", 1234.5),
        ("1.234,5", 1234.5),
        ("1,234,567", 1234567.0),
        ("-12", -12.0),
        ("−12", -12.0),
        ("1e3", 1000.0),
        (".5", 0.5),
    ],
)
def test_numbers_of_the_bench(typed: str, value: float) -> None:
    assert parse_number(typed) == value


@pytest.mark.parametrize(
    ("typed", "si", "field_unit", "value"),
    [
        ("7.24 mm", "m", "mm", 0.00724),
        ("0.005 in", "m", "mm", 0.000127),
        ("5 thou", "m", "mm", 0.000127),
        ("40 µm", "m", "mm", 4e-5),
        ("40 microns", "m", "in", 4e-5),
        ('3-7/32"', "m", "mm", 3.21875 * 0.0254),
        ('1/4"', "m", "mm", 0.00635),
        ("75 lb-ft", "N·m", "N·m", 101.68634612486),
        ("75 ft-lb", "N·m", "N·m", 101.68634612486),
        ("75 ft lbs", "N·m", "N·m", 101.68634612486),
        ("75 ft·lbf", "N·m", "N·m", 101.68634612486),
        ("70.8 in-lb", "N·m", "N·m", 70.8 * 0.1129848290276),
        ("102 N·m", "N·m", "lb-ft", 102.0),
        ("102Nm", "N·m", "lb-ft", 102.0),
        ("10.4 kgf·m", "N·m", "N·m", 101.98916),
        ("20 psi", "Pa", "MPa", 137895.14586336),
        ("1.4 bar", "Pa", "MPa", 140000.0),
        ("3.8 L", "m³", "mL", 0.0038),
        ("8 US pt", "m³", "mL", 0.003785411784),
        ("12.2 lb", "kg", "kg", 12.2 * 0.45359237),
        ("1850 lbf", "N", "N", 8229.2099882319),
        ("1850 lb", "N", "N", 8229.2099882319),
        ("8.2 kN", "N", "N", 8200.0),
        ("15 842 g·mm", "kg·m", "g·mm", 0.015842),
        ("28 oz·in", "kg·m", "g·mm", 28 * 0.028349523125 * 0.0254),
        ("200 PS", "W", "kW", 147099.75),
        ("80 °C", "K", "°C", 353.15),
        ("176 F", "K", "°C", 353.15),
        ("6000 1/min", "rad/s", "rpm", 200 * math.pi),
        ("12 %", "share", "%", 0.12),
        ("44", "N·m", "lb-ft", 44 * 1.3558179483314),
    ],
)
def test_what_the_bench_writes_is_read(typed: str, si: str, field_unit: str, value: float) -> None:
    assert read(typed, si, field_unit).si == pytest.approx(value, rel=1e-12)


@pytest.mark.parametrize(
    ("typed", "says"),
    [
        ("", "nothing was typed"),
        ("abc", "does not begin with a number"),
        ("nan", "does not begin with a number"),
        ("9 1/0 in", "divides by zero"),
        ("1,850", "could be 1850 or 1.850"),
        ("1.2.3", "more than one"),
        ("1,23.456,7", "mixes commas and points"),
        ("9" * 40, "more than 15 digits"),
        ("9" * 100, "characters long"),
        ("123456789 1234567/8", "more than 15 digits"),
        ("1e999", "too large"),
        ("5 kg", "is a unit of mass; type a length in mm"),
        ("5 parsnips", "is not a unit this field knows"),
    ],
)
def test_what_cannot_be_read_is_refused_in_words(typed: str, says: str) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        read(typed, "m", "mm")


def test_pints_and_gallons_are_asked_about() -> None:
    with pytest.raises(UnreadableEntry, match=r"US pt.* or .*imp pt"):
        read("8 pt", "m³", "mL")
    with pytest.raises(UnreadableEntry, match="US gal"):
        read("1 gal", "m³", "mL")


def test_a_share_typed_as_a_bare_fraction_is_asked_about() -> None:
    with pytest.raises(UnreadableEntry, match="type 12 %"):
        read("0.12", "share", "%")
    assert read("0.5 %", "share", "%").si == pytest.approx(0.005)


def test_counts_are_whole() -> None:
    assert read("7", "count", "").si == 7
    with pytest.raises(UnreadableEntry, match="whole number"):
        read("7.5", "count", "")


def test_a_bare_number_takes_the_unit_of_the_field_and_says_so() -> None:
    bare, full = read("44", "N·m", "lb-ft"), read("44 lb-ft", "N·m", "N·m")
    assert (bare.bare, bare.unit, full.bare) == (True, "lb-ft", False)
    assert bare.si == full.si


def test_the_mistake_of_25_4_is_seen() -> None:
    assert "in" in other_readings(read("9.5", "m", "mm"), "m", 0.08, 0.45)
    assert "mm" in other_readings(read("240 in", "m", "mm"), "m", 0.08, 0.45)
    assert other_readings(read("240", "m", "mm"), "m", 0.08, 0.45) == []


def test_units_are_found_however_they_are_spelled() -> None:
    for text in ("ft-lb", "lb-ft", "lbf·ft", "ft lbs", "lb.ft", "FT-LBS"):
        assert find_unit(text, KINDS["N·m"]) == "lb-ft", text


@pytest.mark.parametrize("kind", KINDS.values(), ids=lambda kind: kind.name)
def test_the_units_of_a_kind_are_of_one_dimension(kind) -> None:  # type: ignore[no-untyped-def]
    """Dimensional consistency, asked of Pint."""
    ureg = UREG
    if kind.si in {"-", "count", "share", "K", "K diff", "m driven"}:
        return
    si = ureg(kind.si.partition(" of ")[0].replace("·", "*").replace("²", "**2").replace("³", "**3"))
    for unit in kind.units:
        assert from_si(to_si(3.0, unit), unit) == pytest.approx(3.0)
        expression = unit.replace("·", "*").replace("-", "*").replace("²", "**2").replace("lb*", "lbf*")
        spelled = {
            "US fl oz": "US_fluid_ounce",
            "imp fl oz": "imperial_fluid_ounce",
            "US pt": "US_pint",
            "imp pt": "imperial_pint",
            "US qt": "US_liquid_quart",
            "imp qt": "imperial_quart",
            "US gal": "gallon",
            "imp gal": "imperial_gallon",
            "PS": "metric_horsepower",
            "lb·ft²": "lb*ft**2",
            "°": "degree",
            "thou": "thou",
            "rpm": "rpm",
        }.get(unit, expression)
        assert ureg(spelled).dimensionality == si.dimensionality, unit


@given(st.floats(min_value=1e-6, max_value=1e6), st.sampled_from([k for k in KINDS.values() if len(k.units) > 1]))
def test_the_result_does_not_depend_on_the_unit_typed(value: float, kind) -> None:  # type: ignore[no-untyped-def]
    for unit in kind.units:
        assert from_si(to_si(value, unit), unit) == pytest.approx(value, rel=1e-9, abs=1e-9)


@given(st.integers(0, 200), st.integers(0, 63), st.sampled_from([2, 4, 8, 16, 32, 64]))
def test_fractions_read_as_their_decimals(whole: int, top: int, bottom: int) -> None:
    value = whole + top / bottom
    assert parse_number(f"{whole} {top}/{bottom}") == value
    assert parse_number(f"{whole}-{top}/{bottom}") == value
    assert parse_number(f"{value:.10f}".replace(".", ",")) == pytest.approx(value)


@pytest.mark.parametrize(
    ("value", "digits", "text"),
    [
        (0.0, 4, "0"),
        (241.3, 4, "241.3"),
        (9.5, 4, "9.5"),
        (0.0508, 4, "0.0508"),
        (12345.678, 4, "12\u202f350"),
        (9999.96, 4, "10\u202f000"),
        (-1.25, 3, "−1.25"),
        (math.inf, 3, "∞"),
        (math.nan, 3, "—"),
        (1e-9, 4, "0.000000001"),
        (4e-14, 4, "4 · 10⁻¹⁴"),
    ],
)
def test_the_one_formatter(value: float, digits: int, text: str) -> None:
    assert figure(value, digits) == text


def test_both_systems_are_shown() -> None:
    assert str(show(0.2413, "m", "metric")) == "241.3 mm"
    assert str(show(0.2413, "m", "inch")) == "9.5 in"
    assert str(show(12_340, "N", "metric")) == "12.34 kN"
    assert str(show(353.15, "K", "inch")) == "176 °F"


def test_values_shown_together_share_unit_and_decimals() -> None:
    assert [s.figure for s in show_together((344.25, 413.1, 523.0), "N·m", "metric")] == ["344.2", "413.1", "523.0"]
    assert {s.unit for s in show_together((9_000.0, 12_000.0), "N", "metric")} == {"N"}


def test_fractions_are_set_as_print_sets_them() -> None:
    assert typeset("3 7/32 in") == "3\u202f⁷⁄₃₂ in"
    assert typeset("-1/4") == "−¹⁄₄"
    assert typeset("240 mm") == "240 mm"
