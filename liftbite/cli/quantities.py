"""Every quantity with unit, meaning and source, from the docstrings: for the terminal and for the docs page.

- `quantity_rows`   name, unit, meaning, source of every quantity and input
- `markdown`        the docs page
"""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from liftbite.core.graph.docstring import Doc, read_doc
from liftbite.core.graph.graph import functions_of
from liftbite.core.job.arrangement import QUANTITIES
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import INPUTS
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.show import show


def quantity_rows() -> list[dict[str, str]]:
    """Every quantity and input: `kind` is "quantity" or "input"."""
    rows = []
    for name, function in sorted(QUANTITIES.items()):
        doc = read_doc(function)
        source = f"[{doc.mark}] {doc.source}".strip()
        rows.append(
            {"kind": "quantity", "name": name, "unit": doc.result.unit, "meaning": doc.meaning, "source": source}
        )
    for entry in INPUTS.values():
        rows.append(
            {"kind": "input", "name": entry.name, "unit": entry.unit, "meaning": entry.meaning, "source": "entered"}
        )
    return rows


def _arrangements() -> Iterator[tuple[str, Any]]:
    """Every function with the option that brings it in, "" for those every job shares."""
    shared = {f.__module__ for f in QUANTITIES.values()} - {
        module.__name__ for c in CHOICES.values() for o in c.options for module in c.modules_of(o)
    }
    yield from (("", f) for f in QUANTITIES.values() if f.__module__ in shared)
    seen: set[str] = set()
    for choice in CHOICES.values():
        for option in choice.options:
            for module in choice.modules_of(option):
                if module.__name__ not in seen:
                    seen.add(module.__name__)
                    yield from ((f"{choice.label}: {option.label}", f) for f in functions_of(module))


def _page(doc: Doc, name: str, where: str) -> list[str]:
    lines = [f"### {name}", "", doc.meaning, ""]
    if where:
        lines += [f"Only with *{where}*.", ""]
    if doc.formula:
        lines += [f"    {doc.formula}", ""]
    lines += [f"- **{doc.result.symbol}**: {doc.result.text} [{doc.result.unit}]"]
    lines += [f"- {t.symbol}: {t.text}, `{t.name}` [{t.unit}]" for t in doc.arguments.values()]
    if doc.holds:
        lines += ["", f"Holds for: {doc.holds}"]
    return [*lines, "", f"Source: [{doc.mark}] {doc.source}", ""]


def markdown() -> str:
    """The docs page of every quantity, choice and input."""
    lines = [
        "# Quantities",
        "",
        "Made from the docstrings by `make docs`; a test keeps it current. Marks: [standard] and [handbook] are "
        "published, [memory] is written down from memory of a published source, [practice] is common practice of the "
        "trade without a source, [definition] and [geometry] need none.",
        "",
        "## Worked out",
        "",
    ]
    for where, function in sorted(_arrangements(), key=lambda pair: (pair[1].__name__, pair[0])):
        lines += _page(read_doc(function), function.__name__, where)
    lines += ["## Entered", "", "| name | label | unit | usual | meaning |", "|---|---|---|---|---|"]
    for i in INPUTS.values():
        usual = (
            f"{show(i.usual[0], i.unit, 'metric')} to {show(i.usual[1], i.unit, 'metric')}" if i.unit in KINDS else ""
        )
        lines.append(f"| `{i.name}` | {i.label} | {i.unit} | {usual} | {i.meaning} |")
    lines += ["", "## Chosen", ""]
    for c in CHOICES.values():
        lines += [f"### {c.name}", "", f"{c.label}.", ""]
        lines += [f"- `{o.value}`: {o.label}. {o.meaning}".rstrip() for o in c.options]
        lines.append("")
    return "\n".join(lines).rstrip() + "\n"
