"""What was keyed: figures in any unit of the trade, what is asked about, what is refused."""

from __future__ import annotations

import pint
import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.keyed import read_distance, read_keyed, read_limit, units_of

PLATES = CHECKS["plate_thickness"]
#: Making one takes a while, so it is made once.
UREG = pint.UnitRegistry(cache_folder=None)


@pytest.mark.parametrize(
    ("check", "typed", "unit", "si", "kept"),
    [
        ("plate_thickness", "2.83", "", 2.83e-3, "2.83 mm"),
        ("plate_thickness", "2,83", "mm", 2.83e-3, "2,83 mm"),
        ("plate_thickness", "112 thou", "", 112 * 2.54e-5, "112 thou"),
        ("depth_x", "3 7/32", "in", 3.21875 * 0.0254, "3 7/32 in"),
        ("depth_x", '3-7/32"', "mm", 3.21875 * 0.0254, '3-7/32"'),
        ("floater_gap", "0.022", "", 0.022 * 0.0254, "0.022 in"),
        ("bore_runout", "-4", "thou", -4 * 2.54e-5, "-4 thou"),
        ("plate_count", "7", "", 7.0, "7"),
    ],
)
def test_keyed_figures(check: str, typed: str, unit: str, si: float, kept: str) -> None:
    """Fractions and units as Pint converts them, [standard: NIST SP 811]: 1 in = 25.4 mm exactly."""
    keyed = read_keyed(CHECKS[check], typed, unit)
    assert keyed.si == pytest.approx(si, rel=1e-12)
    assert keyed.typed == kept
    assert not keyed.question


@pytest.mark.parametrize(
    ("typed", "number", "pint_unit"),
    [
        ("3 7/32 in", 3.21875, "inch"),
        ('3-7/32"', 3.21875, "inch"),
        ("1/4 in", 0.25, "inch"),
        ("5 thou", 5, "thou"),
        ("7,24 mm", 7.24, "millimeter"),
        ("2 cm", 2, "centimeter"),
    ],
)
def test_the_keypads_units_are_those_of_pint(typed: str, number: float, pint_unit: str) -> None:
    """[standard: NIST SP 811] through Pint, asked directly: our grammar only takes number and unit apart."""
    expected = UREG.Quantity(number, pint_unit).to("meter").magnitude
    assert read_keyed(CHECKS["depth_x"], typed).si == pytest.approx(expected, rel=1e-12)


@pytest.mark.parametrize(
    ("check", "typed", "unit", "instead"),
    [
        ("plate_thickness", "2.8", "in", ("2.8 mm",)),
        ("plate_thickness", "0.11", "mm", ("0.11 in",)),
        ("spring_free_length", "1.38", "mm", ("1.38 in",)),
        ("plate_thickness", "900", "mm", ()),
    ],
)
def test_a_figure_in_the_wrong_unit_is_asked_about(check: str, typed: str, unit: str, instead: tuple[str, ...]) -> None:
    keyed = read_keyed(CHECKS[check], typed, unit)
    assert keyed.question
    assert keyed.instead == instead


@pytest.mark.parametrize(
    ("check", "typed", "unit", "match"),
    [
        ("plate_thickness", "thick", "", "Thickness"),
        ("plate_thickness", "2.8 N", "", "force"),
        ("plate_thickness", "2.8", "kg", "not offered"),
        ("depth_x", "9 m", "", "2 m at most"),
        ("plate_count", "-1", "", "below nothing"),
        ("plate_count", "6.5", "", "whole number"),
        ("plate_thickness", "1" * 70, "", "one figure"),
        ("plate_thickness", "2\x00", "", "one figure"),
    ],
)
def test_what_cannot_be_keyed(check: str, typed: str, unit: str, match: str) -> None:
    with pytest.raises(UnreadableEntry, match=match):
        read_keyed(CHECKS[check], typed, unit)


def test_units_of_the_keypad() -> None:
    assert units_of(CHECKS["floater_gap"]) == ("in", "mm", "thou")
    assert read_limit(PLATES, "least", "2.8").si == pytest.approx(2.8e-3)
    with pytest.raises(UnreadableEntry, match="no limit"):
        read_limit(CHECKS["basket"], "least", "1")
    with pytest.raises(UnreadableEntry, match="spread"):
        read_limit(CHECKS["finger_height"], "spread", "-1 mm")


@pytest.mark.parametrize(("typed", "si"), [("", None), ("0", 0.0), ("24 000", 24e6), ("100 mi", 160_934.4)])
def test_an_odometer(typed: str, si: float | None) -> None:
    assert read_distance(typed) == (None if si is None else pytest.approx(si))


@pytest.mark.parametrize("typed", ["-5", "far", "5 kg", "99999999999"])
def test_what_is_no_odometer(typed: str) -> None:
    with pytest.raises(UnreadableEntry, match="Distance"):
        read_distance(typed)
