"""The shelf as CSV: one part a row, one column for each figure, every figure as it was typed with its unit.

- `write_shelf`   parts to CSV
- `PartLine`, `read_shelf`   CSV to parts, every fault with its line and column

Columns are named as quantities are (`outer_diameter`) or as the screen calls them (`Outer diameter`). `slot` and `name`
are needed; `price`, `source` and `notes` may be there. Comma, semicolon or tab.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.slots import SLOTS
from liftbite.core.parts.shelf import OF_SLOT, ShelfPart, read_part
from liftbite.files.table import read_table, write_table
from liftbite.files.versions import name_now

_PLAIN = ("slot", "name", "price", "source", "notes")
MOST_ROWS = 5_000


@dataclass(frozen=True, slots=True)
class PartLine:
    """A row of the file: its line, the part, or what is wrong with it and in which column."""

    number: int
    part: ShelfPart | None
    name: str
    fault: str = ""
    column: str = ""


def _columns() -> tuple[str, ...]:
    """Every column a shelf may have, in the order of work."""
    used = {quantity for quantities in OF_SLOT.values() for quantity in quantities}
    return tuple(n for n in (*CHOICES, *INPUTS) if n in used)


def write_shelf(parts: Iterable[ShelfPart]) -> str:
    """Parts as CSV; columns nobody fills are left out.

    >>> write_shelf([ShelfPart("master", "Master 3/4 in", {"master_diameter": "3/4 in"})]).splitlines()[1]
    'master,Master 3/4 in,0,,,3/4 in'
    """
    parts = list(parts)
    columns = [c for c in _columns() if any(c in p.values for p in parts)]
    rows = [
        [p.slot, p.name, f"{p.price:.15g}", p.source, p.notes, *(p.values.get(c, "") for c in columns)] for p in parts
    ]
    return write_table([[*_PLAIN, *columns], *rows])


def _heads(row: list[str]) -> list[str]:
    labels = {INPUTS[n].label.lower() if n in INPUTS else CHOICES[n].label.lower(): n for n in _columns()}
    heads = []
    for cell in row:
        word = name_now(cell.strip().lower())
        name = word if word in {*_PLAIN, *_columns()} else labels.get(word, "")
        if not name and word:
            raise UnreadableFile(f"“{cell.strip()}” is no column of a shelf; export one to see what there is", 1)
        heads.append(name)
    for needed in ("slot", "name"):
        if needed not in heads:
            raise UnreadableFile(f"the first row names no column “{needed}”", 1)
    return heads


def read_shelf(text: str) -> list[PartLine]:
    """The rows of a shelf file.

    Raises
    ------
    UnreadableFile : it has no header, or is not a table
    """
    rows = read_table(text, MOST_ROWS)
    heads = _heads(rows[0])
    return [_line(n, row, heads) for n, row in enumerate(rows[1:], start=2) if any(c.strip() for c in row)]


def _line(number: int, row: list[str], heads: list[str]) -> PartLine:
    cells = {head: cell.strip() for head, cell in zip(heads, row, strict=False) if head}
    name = cells.get("name", "")
    if len(row) > len(heads) and any(c.strip() for c in row[len(heads) :]):
        return PartLine(number, None, name, "this row has more cells than the first one")
    slot = {s.label.lower(): s.name for s in SLOTS.values()}.get(cells.get("slot", "").lower(), cells.get("slot", ""))
    try:
        price = float((cells.get("price") or "0").replace(",", "."))
    except ValueError:
        return PartLine(number, None, name, f"“{cells['price']}” is no price", "price")
    values = {h: c for h, c in cells.items() if h not in _PLAIN and c}
    part = ShelfPart(slot, name, values, price, cells.get("source", ""), cells.get("notes", ""))
    try:
        read_part(ShelfPart(slot, name, {}, price))
    except UnreadableEntry as error:
        return PartLine(number, None, name, error.reason)
    for quantity, typed in values.items():
        try:
            read_part(ShelfPart(slot, name, {quantity: typed}, price))
        except UnreadableEntry as error:
            return PartLine(number, None, name, error.reason, quantity)
    return PartLine(number, part, name)
