"""Reading at its edges: how long, how many digits, which mark groups, tolerances, several figures in one field."""

from __future__ import annotations

import unicodedata

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.read import find_unit, other_readings, parse_number, read, read_many, spread_of


@pytest.mark.parametrize(
    ("typed", "value"),
    [
        ("1,85", 1.85),
        ("12,5000", 12.5),
        ("0,123", 0.123),
        ("1.234", 1.234),
        ("1234,567", 1234.567),
        ("1.234.567", 1234567.0),
        ("12.345,6", 12345.6),
        ("12,345.6", 12345.6),
        ("123456789012345", 123456789012345.0),
        ("0.000123456789012345", 0.000123456789012345),
        ("5.", 5.0),
        ("+3", 3.0),
        ("–3", -3.0),
        ("1 2/4", 1.5),
        ("2e-3", 0.002),
    ],
)
def test_figures_that_are_read(typed: str, value: float) -> None:
    assert parse_number(typed) == pytest.approx(value, rel=1e-15)


@pytest.mark.parametrize(
    ("typed", "says"),
    [
        ("1,234", "could be 1234 or 1.234"),
        ("123,456", "could be 123456 or 123.456"),
        ("1,23,456", "more than one “,”"),
        ("1.2.3", "more than one “.”"),
        ("1234.567.890", "more than one “.”"),
        ("1,234.5,6", "mixes commas and points"),
        ("12,34.5", "mixes commas and points"),
        ("1234567890123456", "more than 15 digits"),
        ("1/1234567890123456", "more than 15 digits"),
        ("1/0", "divides by zero"),
        ("1e400", "too large"),
        ("", "nothing was typed"),
        ("   ", "nothing was typed"),
        ("mm", "does not begin with a number"),
        (".", "does not begin with a number"),
        ("5 mm", "“mm” was not expected"),
        ("1" + " " * 0 + "x" * 80, "81 characters long"),
    ],
)
def test_figures_that_are_asked_about_or_refused(typed: str, says: str) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        parse_number(typed)


def test_eighty_characters_are_a_figure_and_its_unit() -> None:
    assert parse_number("0" * 79 + "1") == 1.0
    with pytest.raises(UnreadableEntry, match="81 characters"):
        read("0" * 80 + "1", "m", "mm")
    with pytest.raises(UnreadableEntry, match="81 characters"):
        spread_of("0" * 80 + "1", "m", "mm")
    with pytest.raises(UnreadableEntry, match="longer than any unit"):
        find_unit("m" * 81, KINDS["m"])
    with pytest.raises(UnreadableEntry, match="is not a unit this field knows"):
        find_unit("x" * 80, KINDS["m"])


@pytest.mark.parametrize(
    ("typed", "half"),
    [
        ("240 ± 0.2 mm", 0.2e-3),
        ("240 mm ± 0.2", 0.2e-3),
        ("9 1/2 +/- 1/16 in", 0.0254 / 16),
        ("240 +- 0,2 mm", 0.2e-3),
        ("240 ± -0.2 mm", 0.2e-3),
        ("240 mm", 0.0),
    ],
)
def test_half_the_width_of_a_tolerance(typed: str, half: float) -> None:
    assert spread_of(typed, "m", "mm") == pytest.approx(half)


def test_a_tolerance_of_a_temperature_is_a_difference() -> None:
    assert spread_of("100 ± 18 °F", "K", "°C") == pytest.approx(10.0)
    assert spread_of("100 ± 10 °C", "K", "°C") == pytest.approx(10.0)


def test_a_tolerance_that_is_none_is_refused() -> None:
    with pytest.raises(UnreadableEntry, match=r"does not begin with a number|nothing was typed"):
        read("240 ± mm", "m", "mm")


def test_what_a_bare_figure_could_be() -> None:
    for typed in ("0.5", "-0.5", "0.999"):
        with pytest.raises(UnreadableEntry, match="could be a share or a percentage"):
            read(typed, "share", "%")
    assert read("1", "share", "%").si == pytest.approx(0.01)
    assert read("0", "share", "%").si == 0.0
    assert read("0.5 %", "share", "%").si == pytest.approx(0.005)
    assert read("3.0", "count", "").si == 3.0
    with pytest.raises(UnreadableEntry, match="not a whole number"):
        read("3.5", "count", "")
    typed = read(" 12 ", "m", "mm")
    assert (typed.typed, typed.number, typed.unit, typed.bare) == ("12", 12.0, "mm", True)
    assert not read("12 mm", "m", "mm").bare


def test_units_by_the_words_of_the_trade() -> None:
    assert find_unit("ft-lbs", KINDS["N·m"]) == "lb-ft"
    with pytest.raises(UnreadableEntry, match="US or imperial: type “US pt” or “imp pt”"):
        find_unit("pt", KINDS["m³ of fluid"])
    with pytest.raises(UnreadableEntry, match="US or imperial: type “US gal”"):
        find_unit("gal", KINDS["m³ of fluid"])
    with pytest.raises(UnreadableEntry, match="“kg” is a unit of mass; type a length in"):
        find_unit("kg", KINDS["m"])
    with pytest.raises(UnreadableEntry, match=r"without a unit|plain number"):
        find_unit("furlong", KINDS["-"])


def test_several_figures_in_one_field() -> None:
    def si(typed: str, unit: str = "m", field: str = "mm") -> list[float]:
        return [round(each.si, 9) for each in read_many(typed, unit, field)]

    assert si("44.1; 44; 43.2 mm") == [0.0441, 0.044, 0.0432]
    assert si("1; 2 in") == [0.0254, 0.0508], "bare ones take the unit of the last"
    assert si("1 mm; 2 in") == [0.001, 0.0508]
    assert si("3.32, 1.95, 1.41", "-", "") == [3.32, 1.95, 1.41]
    assert si("3.32,1.95", "-", "") == [3.32, 1.95]
    assert si("3, 4", "-", "") == [3.0, 4.0]
    assert si("3,32; 1,95", "-", "") == [3.32, 1.95]
    assert si("3,5", "-", "") == [3.5]
    assert si("1;;2;", "-", "") == [1.0, 2.0]
    assert len(read_many(";".join("1" for _ in range(64)), "-", "")) == 64
    with pytest.raises(UnreadableEntry, match="65 figures are too many; 64 at most"):
        read_many(";".join("1" for _ in range(65)), "-", "")
    for nothing in ("", " ; ; "):
        with pytest.raises(UnreadableEntry, match="nothing was typed"):
            read_many(nothing, "-", "")


def test_the_units_a_figure_may_have_been_meant_in() -> None:
    assert other_readings(read("9.5", "m", "mm"), "m", 0.08, 0.5) == ["in", "cm"]
    assert other_readings(read("80", "m", "mm"), "m", 0.08, 0.5) == []
    assert other_readings(read("500", "m", "mm"), "m", 0.08, 0.5) == []
    assert "mm" not in other_readings(read("9.5", "m", "mm"), "m", 0.5, 0.08)


@pytest.mark.parametrize("sign", "½¼¾⅛⅜⅝⅞⅓⅔⅕⅙")
def test_a_fraction_of_one_sign_is_what_the_character_says(sign: str) -> None:
    """By the table of Unicode itself."""
    assert read(f"2{sign} in", "m", "mm").si == pytest.approx((2 + unicodedata.numeric(sign)) * 0.0254)
    assert read(f"{sign} in", "m", "mm").si == pytest.approx(unicodedata.numeric(sign) * 0.0254)


def test_what_could_have_been_typed_is_listed_as_one_says_it() -> None:
    with pytest.raises(UnreadableEntry, match="“kg” is a unit of mass; type an angle in ° or rad"):
        find_unit("kg", KINDS["rad"])
    *most, last = KINDS["m"].units
    with pytest.raises(UnreadableEntry, match=f"type a length in {', '.join(most)} or {last}$"):
        find_unit("kg", KINDS["m"])
    with pytest.raises(UnreadableEntry, match="type a plain number without a unit"):
        find_unit("kg", KINDS["-"])


def test_groups_by_commas_and_by_points_and_a_long_mantissa() -> None:
    assert read("1,234,567", "-", "").si == 1234567
    assert read("1.234.567", "-", "").si == 1234567
    with pytest.raises(UnreadableEntry, match="more than one “,”"):
        read("1,23,4", "-", "")
    with pytest.raises(UnreadableEntry, match=r"more than one “\."):
        read("1.23.4", "-", "")
    assert read("1.5e-3", "-", "").si == 1.5e-3
    with pytest.raises(UnreadableEntry, match="more than 15 digits"):
        read("1.234567890123456e-3", "-", "")


def test_both_ends_of_what_is_usual_are_usual() -> None:
    at = read("10", "m", "mm")
    assert other_readings(at, "m", at.si, 1.0) == []
    assert other_readings(at, "m", 1e-6, at.si) == []
    inch = read("10", "m", "in").si
    assert "in" in other_readings(at, "m", inch, 1.0)
    assert "in" in other_readings(at, "m", 0.05, inch)
