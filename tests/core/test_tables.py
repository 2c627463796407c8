"""Tables of the trade: each holds to its schema, says where it is from, and a row that says too much is refused."""

from __future__ import annotations

import json
import re
import tomllib
from collections.abc import Iterator
from math import isclose
from pathlib import Path
from typing import Any

import jsonschema
import pint
import pytest

import liftbite.core
from liftbite.core.job.input import Input
from liftbite.core.job.inputs import INPUTS
from liftbite.core.tables import made
from liftbite.core.units.kinds import PINT
from liftbite.core.units.read import si
from liftbite.core.units.scales import SCALES

CORE = Path(liftbite.core.__file__).parent
TABLES = sorted(CORE.rglob("*.toml"))
MARKS = re.compile(r"(standard|handbook|memory): .{8,}|common practice, no source")


def sources(node: Any) -> Iterator[str]:
    if isinstance(node, dict):
        if isinstance(node.get("source"), str):
            yield node["source"]
        for inner in node.values():
            yield from sources(inner)


@pytest.mark.parametrize("table", TABLES, ids=lambda table: table.name)
def test_a_table_holds_to_the_schema_it_names(table: Path) -> None:
    first, text = table.read_text("utf-8").split("\n", 1)
    named = re.fullmatch(r"#:schema \./(\S+)", first)
    assert named is not None, "the first line names the schema, so that an editor checks it"
    schema = json.loads((table.parent / named[1]).read_text("utf-8"))
    jsonschema.Draft202012Validator.check_schema(schema)
    jsonschema.validate(tomllib.loads(text), schema)


@pytest.mark.parametrize("table", [t for t in TABLES if t.parent.name != "rows"], ids=lambda table: table.name)
def test_every_row_says_where_it_is_from_with_its_mark(table: Path) -> None:
    text = table.read_text("utf-8")
    found = [*sources(tomllib.loads(text)), *re.findall("^# Source: (.+)$", text, re.MULTILINE)]
    assert found, "each row its source, or a table of one source in its head: # Source: …"
    assert [each for each in found if not MARKS.fullmatch(each)] == []


def test_a_schema_that_no_table_names_is_left_over() -> None:
    named = {t.parent / t.read_text("utf-8").split("\n", 1)[0].removeprefix("#:schema ./") for t in TABLES}
    assert set(CORE.rglob("*.schema.json")) == named


@pytest.mark.parametrize("unit", SCALES)
def test_a_unit_of_the_tables_is_worth_what_pint_says(unit: str) -> None:
    """[standard: NIST SP 811:2008, appendix B, through Pint]."""
    registry = pint.UnitRegistry(autoconvert_offset_to_baseunit=True, cache_folder=None)
    scale, offset = SCALES[unit]
    for value in (0.0, 1.0, 37.5):
        if PINT[unit] in {"degC", "degF"}:
            asked = registry.Quantity(value, PINT[unit]).to("kelvin").magnitude
        else:
            asked = (
                (value * registry(PINT[unit])).to_base_units().magnitude if unit != "%" else value * float(PINT[unit])
            )
        assert isclose(value * scale + offset, asked, rel_tol=1e-12, abs_tol=1e-15)


@pytest.mark.parametrize(
    ("figure", "value"), [("0.35 MPa", 350e3), ("3e-05 mm³/J", 3e-14), ("20 °C", 293.15), ("85000 psi", 586.054e6)]
)
def test_a_figure_of_a_table_has_its_unit_beside_it(figure: str, value: float) -> None:
    assert si(figure) == pytest.approx(value, rel=1e-6)


def test_figures_of_an_input_stand_in_its_own_unit() -> None:
    redline, hub = INPUTS["redline"], INPUTS["fluid_dry_boiling"]
    assert redline.most == pytest.approx(30_000 * 2 * 3.141592653589793 / 60)
    assert hub.usual == pytest.approx((430.0, 620.0))


@pytest.mark.parametrize(
    ("said", "says"),
    [
        ({"lable": "Gap"}, "“lable” is no word of an input; they are name, label"),
        ({"label": "Gap"}, "Gap, new: say its unit, as every input does"),
    ],
)
def test_a_row_that_says_too_much_or_too_little_is_refused(said: dict[str, Any], says: str) -> None:
    with pytest.raises(ValueError, match=says):
        made(Input, "Gap, new", {"name": "gap", **said})
