"""The pages for newcomers name what exists: files, folders and names of the recipes, and every file of the core."""

from __future__ import annotations

import re
from pathlib import Path
from typing import Any

import pytest

ROOT = Path(__file__).parents[1]
CORE = ROOT / "liftbite" / "core"
PACKAGES = sorted(
    p.parent for p in CORE.rglob("__init__.py") if p.parent != CORE and p.parent.parent != CORE / "arrangements"
)
PATH = re.compile(r"^(?:liftbite|tests|web/src|docs|benchmarks)(?:/[\w.<>-]+)*$")
NAME = re.compile(r"^[A-Za-z_][\w.]*$")
SOURCES = "\n".join(
    p.read_text()
    for root in ("liftbite", "tests", "web/src")
    for p in sorted((ROOT / root).rglob("*"))
    if p.suffix in {".py", ".ts", ".tsx"} and p != Path(__file__)
)


def quoted(page: str) -> list[str]:
    return re.findall(r"`([^`\n]+)`", (ROOT / page).read_text())


def test_a_recipe_names_what_exists() -> None:
    words = quoted("CONTRIBUTING.md")
    paths = [word for word in words if PATH.match(word)]
    names = [word for word in words if NAME.match(word) and not PATH.match(word) and "/" not in word]
    assert len(paths) > 20
    assert [path for path in paths if not (ROOT / path).exists()] == []
    files = {p.name for p in ROOT.glob("liftbite/**/*.py")}
    known = [n for n in names if n in files or re.search(rf"\b{re.escape(n.split('.')[-1])}\b", SOURCES)]
    assert known == names
    targets = re.findall(r"^([a-z]+):", (ROOT / "Makefile").read_text(), re.MULTILINE)
    assert {word.removeprefix("make ") for word in words if word.startswith("make ")} <= set(targets)


def test_the_plan_of_the_house_names_what_exists() -> None:
    words = [w for w in quoted("ARCHITECTURE.md") if re.match(r"^[\w/.-]+/[\w.-]+(?:\.py|\.tsx?|\.css|\.json)$", w)]
    roots = (ROOT, CORE, ROOT / "liftbite")
    assert len(words) > 20
    assert [w for w in words if not any((root / w).exists() for root in roots)] == []


def test_the_readme_names_files_that_exist_and_its_example_runs() -> None:
    words = [w for w in quoted("README.md") if re.match(r"^(?:analysis|find|parts|measure)/\w+(?:\.py)?$", w)]
    assert len(words) >= 8
    assert [w for w in words if not (CORE / w).exists()] == []
    (example,) = re.findall(r"```python\n(.+?)```", (ROOT / "README.md").read_text(), re.DOTALL)
    known: dict[str, Any] = {}
    exec(example, known)
    assert known["answers"].results["torque_capacity"].low == pytest.approx(408.2, abs=0.1)


@pytest.mark.parametrize("package", PACKAGES, ids=lambda p: str(p.relative_to(CORE)))
def test_every_file_of_the_core_is_in_its_folders_list(package: Path) -> None:
    lines = re.findall(r"^- (`.+?`)  ", (package / "__init__.py").read_text(), re.MULTILINE)
    listed = {name for line in lines for name in re.findall(r"`(\w+)`", line)}
    there = {p.stem for p in package.glob("*.py") if p.stem != "__init__"}
    there |= {p.name for p in package.iterdir() if (p / "__init__.py").exists()}
    assert there <= listed


def test_every_room_of_the_core_is_in_its_list() -> None:
    listed = set(re.findall(r"^- `(\w+)`", (CORE / "__init__.py").read_text(), re.MULTILINE))
    assert listed == {p.stem for p in CORE.iterdir() if p.stem not in {"__init__", "__pycache__"}}
