"""No circles: not among modules, not among the rooms of the core, not among the files of the web."""

from __future__ import annotations

import ast
import re
import subprocess
import sys
from collections.abc import Iterable, Mapping
from graphlib import CycleError, TopologicalSorter
from pathlib import Path

ROOT = Path(__file__).parents[1]


def modules() -> dict[str, set[str]]:
    """Module -> the modules of the package it imports, wherever in it."""
    files = {
        ".".join(f.relative_to(ROOT).with_suffix("").parts).removesuffix(".__init__"): f
        for f in (ROOT / "liftbite").rglob("*.py")
    }
    found: dict[str, set[str]] = {}
    for module, file in files.items():
        names: set[str] = set()
        for node in ast.walk(ast.parse(file.read_text("utf-8"))):
            if isinstance(node, ast.Import):
                names |= {each.name for each in node.names}
            elif isinstance(node, ast.ImportFrom) and node.module:
                inner = {f"{node.module}.{each.name}" for each in node.names}
                names |= (inner & files.keys()) or {node.module}
        found[module] = (names & files.keys()) - {module}
    return found


def circle(graph: Mapping[str, Iterable[str]]) -> list[str]:
    """A circle of a graph; nothing where it has none."""
    try:
        TopologicalSorter(graph).prepare()
    except CycleError as error:
        return list(error.args[1])
    return []


def test_no_module_imports_its_way_back_to_itself() -> None:
    assert circle(modules()) == []


def test_the_rooms_of_the_core_stand_on_one_another_one_way() -> None:
    def room(module: str) -> str:
        return module.split(".")[2] if module.count(".") >= 2 else ""

    rooms: dict[str, set[str]] = {}
    for module, needs in modules().items():
        if module.startswith("liftbite.core.") and module.count(".") >= 2:
            wanted = {room(n) for n in needs if n.startswith("liftbite.core.") and n.count(".") >= 2}
            rooms.setdefault(room(module), set()).update(wanted - {room(module)})
    assert circle(rooms) == []


def test_no_file_of_the_web_imports_its_way_back_to_itself() -> None:
    source = ROOT / "web" / "src"
    files = {f for end in ("ts", "tsx") for f in source.rglob(f"*.{end}")}

    def at(file: Path, name: str) -> Path | None:
        base = (
            source / name[2:] if name.startswith("@/") else (file.parent / name).resolve() if name[0] == "." else None
        )
        ends = ("", ".ts", ".tsx")
        return next((f for end in ends if base and (f := base.with_name(base.name + end)) in files), None)

    found = {
        str(f.relative_to(source)): {
            str(to.relative_to(source))
            for name in re.findall(r"""from "([^"]+)";""", f.read_text("utf-8"))
            if (to := at(f, name)) is not None
        }
        for f in files
    }
    assert sum(map(len, found.values())) > 200, "the imports are read"
    assert circle(found) == []


def test_a_start_does_not_wait_for_what_only_some_questions_need() -> None:
    found = "import sys, liftbite.api.app; print(*sys.modules)"
    loaded = subprocess.run([sys.executable, "-c", found], capture_output=True, text=True, check=True, cwd=ROOT)
    slow = {
        "scipy.optimize",
        "scipy.signal",
        "scipy.ndimage",
        "scipy.stats",
        "scipy.integrate",
        "weasyprint",
        "matplotlib",
    }
    assert slow & set(loaded.stdout.split()) == set()
