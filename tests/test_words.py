"""One word, one thing: the table of words in ARCHITECTURE, and names that would mean anything."""

from __future__ import annotations

import ast
import re
from collections import Counter
from collections.abc import Iterator
from pathlib import Path

ROOT = Path(__file__).parents[1]
#: Words that serve for everything and so name nothing.
EMPTY = {"found", "told", "kept", "looked", "taken", "asks"}


def table() -> list[tuple[list[str], str, list[str]]]:
    """Terms, what they are, and what they are not called."""
    text = (ROOT / "ARCHITECTURE.md").read_text("utf-8")
    lines = text[text.index("## Words") :].splitlines()
    rows = [[cell.strip() for cell in line.strip("|").split("|")] for line in lines if line.startswith("| ")]
    return [(_listed(terms), means, _listed(other)) for terms, means, other in rows[1:]]


def _listed(cell: str) -> list[str]:
    """Words of a cell; what follows a comma says which."""
    return [part.strip() for part in re.split(r",| which ", cell) if part.strip()][: 1 if " which " in cell else None]


def public_names(folder: str) -> Iterator[tuple[str, str]]:
    """File and name of every module, class and function at the top of one."""
    for file in (ROOT / "liftbite" / folder).rglob("*.py"):
        if file.stem != "__init__":
            yield str(file.relative_to(ROOT)), file.stem
        for node in ast.parse(file.read_text("utf-8")).body:
            if isinstance(node, ast.FunctionDef | ast.ClassDef) and not node.name.startswith("_"):
                yield str(file.relative_to(ROOT)), node.name


def words_of(name: str) -> set[str]:
    return set(re.sub(r"(?<!^)([A-Z])", r"_\1", name).lower().split("_"))


def test_a_word_stands_once_and_says_what_it_is() -> None:
    rows = table()
    assert len(rows) > 30
    counted = Counter(term for terms, _, _ in rows for term in terms)
    # the plan of a job's parts and of its work; a line of the record and one of a course: told apart by their rooms
    assert [term for term, count in counted.items() if count > 1] == ["plan", "line"]
    assert [terms for terms, means, _ in rows if not means] == []


def test_no_name_of_the_core_is_a_word_that_serves_for_everything() -> None:
    """`kept_engine_torque` is a quantity of files and interface, older than this rule."""
    names = {(file, name) for file, name in public_names("core") if words_of(name) & EMPTY}
    assert names == {("liftbite/core/quantities/capacity.py", "kept_engine_torque")}
