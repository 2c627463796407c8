"""Conversion and formatting in one place: nothing outside `units` multiplies its way into another unit."""

from __future__ import annotations

import ast
from collections.abc import Iterator
from pathlib import Path

import pytest

import liftbite

PACKAGE = Path(liftbite.__file__).parent
#: What may know a factor of a unit: the units themselves, history, which stays as it was, and a simulated gauge, which
#: shares no code with what reads it.
_KNOW = {"units", "versions", "simulate.py"}
FILES = [path for path in sorted(PACKAGE.rglob("*.py")) if not _KNOW & set(path.relative_to(PACKAGE).parts)]
#: Factors people know by heart, in SI and in the other direction.
FACTORS = {25.4, 0.0254, 4.448, 4.4482, 1.3558, 1.35582, 6894.757, 1609.344, 0.45359237, 0.4536, 9.5493, 745.7, 735.5}
_THOUSANDS = {10.0**power for power in range(-12, 13) if abs(power) >= 3}


def _wrong(tree: ast.AST) -> Iterator[str]:
    for node in ast.walk(tree):
        if isinstance(node, ast.Constant) and isinstance(node.value, float) and node.value in FACTORS:
            yield f"line {node.lineno}: {node.value} is a factor of a unit"
        if isinstance(node, ast.FormattedValue):
            for part in ast.walk(node.value):
                if isinstance(part, ast.BinOp) and isinstance(part.op, ast.Mult | ast.Div):
                    ends = [end.value for end in (part.left, part.right) if isinstance(end, ast.Constant)]
                    if any(isinstance(end, int | float) and float(end) in _THOUSANDS for end in ends):
                        yield f"line {part.lineno}: “{ast.unparse(part)}” is converted where it is written"


@pytest.mark.parametrize("path", FILES, ids=lambda path: str(path.relative_to(PACKAGE)))
def test_no_figure_is_converted_outside_of_units(path: Path) -> None:
    assert list(_wrong(ast.parse(path.read_text()))) == []


def test_the_look_finds_what_it_looks_for() -> None:
    source = 'f"{travel * 1e3:.1f} mm"\nx = y / 25.4\n'
    assert len(list(_wrong(ast.parse(source)))) == 2
