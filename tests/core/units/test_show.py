"""Figures as they are written: digits, grouping, the unit a size is shown in, and what a length is known to."""

from __future__ import annotations

import math

import pytest

from liftbite.core.units.show import bare, figure, show, show_fine, show_together, typeset

THIN = "\u202f"


@pytest.mark.parametrize(
    ("value", "digits", "text"),
    [
        (0.0, 4, "0"),
        (0.9e-14, 4, "0"),
        (-0.9e-14, 4, "0"),
        (1.0e-14, 4, "1 · 10⁻¹⁴"),
        (1.1e-14, 2, "1.1 · 10⁻¹⁴"),
        (-2.34e-10, 2, "−2.3 · 10⁻¹⁰"),
        (0.99e-9, 4, "9.9 · 10⁻¹⁰"),
        (1e-9, 4, "0.000000001"),
        (1.0, 4, "1"),
        (1.0004, 4, "1"),
        (1.0006, 4, "1.001"),
        (-1.0006, 4, "−1.001"),
        (9.9996, 4, "10"),
        (99.996, 4, "100"),
        (0.012345, 3, "0.0123"),
        (123.456, 4, "123.5"),
        (123.456, 2, "120"),
        (1234.5, 4, "1234"),
        (9999.4, 4, "9999"),
        (12345.0, 4, f"12{THIN}340"),
        (1234567.0, 7, f"1{THIN}234{THIN}567"),
        (12345.678, 8, f"12{THIN}345.678"),
        (100.0, 4, "100"),
        (0.1, 1, "0.1"),
        (math.inf, 4, "∞"),
        (-math.inf, 4, "−∞"),
        (math.nan, 4, "—"),
    ],
)
def test_a_figure_to_its_digits(value: float, digits: int, text: str) -> None:
    assert figure(value, digits) == text


def test_four_digits_where_nothing_is_said() -> None:
    assert figure(123.456) == "123.5"


@pytest.mark.parametrize(
    ("si", "unit", "metric", "inch"),
    [
        (0.0254, "m", "25.4 mm", "1 in"),
        (0.4e-3, "m", "0.4 mm", "0.0157 in"),
        (0.41e-3, "m", "0.41 mm", "0.0161 in"),
        (0.4123e-3, "m", "0.4123 mm", "0.01623 in"),
        (1e-3, "m", "1 mm", "0.0394 in"),
        (0.99e-7, "m", "0 mm", "0 in"),
        (-0.99e-7, "m", "0 mm", "0 in"),
        (1.0e-7, "m", "0.0001 mm", "0.00000394 in"),
        (9_999.0, "N", "9999 N", "2248 lbf"),
        (10_000.0, "N", "10 kN", "2250 lbf"),
        (-12_000.0, "N", "−12 kN", "−2700 lbf"),
        (1.9e-4, "m³ of fluid", "190 mL", "6.42 US fl oz"),
        (2.0e-4, "m³ of fluid", "0.2 L", "0.211 US qt"),
    ],
)
def test_a_value_in_both_systems(si: float, unit: str, metric: str, inch: str) -> None:
    assert (str(show(si, unit, "metric")), str(show(si, unit, "inch"))) == (metric, inch)


def test_fewer_digits_where_they_are_said() -> None:
    assert str(show(0.24137, "m", "metric", 2)) == "240 mm"
    assert str(show(0.24137, "m", "inch", 3)) == "9.5 in"


@pytest.mark.parametrize(
    ("si", "unit", "metric", "inch"),
    [
        (0.00016942, "m", "0.169 mm", "0.0067 in"),
        (0.0121234, "m", "12.123 mm", "0.4773 in"),
        (25.4e-6, "m", "0.025 mm", "0.001 in"),
        (151.43, "N", "151.4 N", "34.04 lbf"),
    ],
)
def test_what_was_measured_is_written_as_finely_as_a_bench_reads(si: float, unit: str, metric: str, inch: str) -> None:
    """A micrometre, and a tenth of a thou."""
    assert (str(show_fine(si, unit, "metric")), str(show_fine(si, unit, "inch"))) == (metric, inch)


def test_values_side_by_side_have_the_same_unit_and_decimals() -> None:
    def texts(*values: float, unit: str = "-", system: str = "metric") -> list[str]:
        return [str(s) for s in show_together(values, unit, system)]  # type: ignore[arg-type]

    assert texts(0.989, 1.19, 1.5) == ["0.989", "1.190", "1.500"]
    assert texts(1.0, 2.0) == ["1", "2"]
    assert texts(1.0, 2.5) == ["1.0", "2.5"]
    assert texts(0.012, 0.0125, unit="m") == ["12.0 mm", "12.5 mm"]
    assert texts(9_000.0, 12_000.0, unit="N") == ["9000 N", f"12{THIN}000 N"], "one unit for both"
    assert texts(11_000.0, 12_500.0, unit="N") == ["11.0 kN", "12.5 kN"]
    assert texts(0.0254, 0.0381, unit="m", system="inch") == ["1.0 in", "1.5 in"]


def test_a_figure_as_a_file_has_it() -> None:
    assert (bare(0.0123, "mm"), bare(0.0123, "mm", 0), bare(0.0123, "mm", 3)) == ("12.3", "12", "12.300")
    assert bare(1.0, "mm") == "1000"
    assert bare(12_345_678.0, "mm") == "1.2345678e+10"
    assert bare(1 / 3, "m") == "0.3333333333"


@pytest.mark.parametrize(
    ("typed", "set_"),
    [
        ("3-7/32 in", f"3{THIN}⁷⁄₃₂ in"),
        ("3 7/32 in", f"3{THIN}⁷⁄₃₂ in"),
        ("1/4", "¹⁄₄"),
        ("-5 N", "−5 N"),
        (" 12 mm ", "12 mm"),
        ("1/2; 1/4 in", "¹⁄₂; 1/4 in"),
        ("5-6", "5-6"),
    ],
)
def test_what_was_typed_as_print_sets_it(typed: str, set_: str) -> None:
    assert typeset(typed) == set_


@pytest.mark.parametrize(
    ("si", "unit", "metric", "inch"),
    [
        (30.0, "N·m", "30 N·m", "22.1 lb-ft"),
        (22 * 1.3558179483, "N·m", "29.8 N·m", "22 lb-ft"),
        (437.3, "N·m", "437.3 N·m", "322.5 lb-ft"),
        (573.15, "K", "300 °C", "572 °F"),
        (30.5, "N·m", "30.5 N·m", "22.5 lb-ft"),
        (0.2413, "m", "241.3 mm", "9.5 in"),
    ],
)
def test_what_was_entered_in_one_system_has_one_digit_more_in_the_other(
    si: float, unit: str, metric: str, inch: str
) -> None:
    """Three at least; a length stays as it is in millimetres, as catalogues have it."""
    assert (str(show(si, unit, "metric")), str(show(si, unit, "inch"))) == (metric, inch)


def test_a_small_negative_figure_keeps_its_sign() -> None:
    assert [figure(v) for v in (-0.5, -1.0, -0.04)] == ["−0.5", "−1", "−0.04"]
