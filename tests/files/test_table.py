"""Tables: what a spreadsheet would run is defused, and comes back as it was."""

from __future__ import annotations

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.files.table import as_meant, defused, read_table, write_table

CELLS = st.text(st.sampled_from("=+-@'\t1.5 m,;\"a|!()"), max_size=12)


@given(st.lists(st.lists(CELLS, min_size=2, max_size=2), max_size=5))
def test_whatever_stands_in_a_cell_comes_back(rows: list[list[str]]) -> None:
    table = [["first", "second"], *rows]
    assert [row for row in read_table(write_table(table), 100) if row] == [row for row in table if row]


@given(CELLS)
def test_defusing_is_undone(cell: str) -> None:
    assert as_meant(defused(cell)) == cell


# the cells OWASP's page on CSV injection warns of (from memory)
@pytest.mark.parametrize(
    "cell", ["=1+1", "+1+cmd|' /C calc'!A0", "-2+3+cmd|' /C calc'!A0", "@SUM(1)", "\t=1", "\r=1", "'=1"]
)
def test_no_cell_begins_a_formula(cell: str) -> None:
    assert write_table([["x"], [cell]]).splitlines()[1].lstrip('"').startswith("'")


@pytest.mark.parametrize("by", [",", ";", "\t", "|"])
@pytest.mark.parametrize(
    "cell",
    ["Disc;=cmd()", "a,+1+1", "x\n=y", "x\r@SUM(1)", "a|-2+3", 'note; "=1"', "－1+1", "\t=1"],
)
def test_whatever_a_spreadsheet_splits_at_no_cell_begins_a_formula(cell: str, by: str) -> None:
    """A spreadsheet of another country splits at its own separator, inside our cells and their quotes."""
    for line in write_table([["first", "second"], ["plain", cell]]).splitlines():
        for part in line.split(by):
            assert not re.match(r"""[\s"]*[=+@－]|[\s"]*-\D*\d\+""", part), line
    assert as_meant(defused(cell)) == cell


def test_a_formula_behind_the_sixtieth_character_is_seen() -> None:
    assert defused("-1" + " " * 60 + "+cmd|' /C calc'!A0").startswith("'-1")


@pytest.mark.parametrize("cell", ["-0.02 mm", "+0.5", "-1 1/2 in", "−3 °C", "smooth", "-12,5 N·m"])
def test_a_figure_is_left_as_it_is(cell: str) -> None:
    assert defused(cell) == cell
