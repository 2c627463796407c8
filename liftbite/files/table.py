"""Tables as text: comma, semicolon or tab in, comma out; a cell that a spreadsheet would take for a formula is defused.

- `read_table`    the rows of a text
- `write_table`   rows to a text
- `defused`, `as_meant`   a cell as it is written, and back
"""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Iterable, Sequence
from itertools import islice

from liftbite.core.errors import UnreadableFile

#: What a spreadsheet takes for a formula, or for one of ours that was defused before.
_FORMULA = re.compile(r"'*+[=+\-@\t\r]")
#: A figure with its unit, which begins like one and is none.
_FIGURE = re.compile(r"[+\-−]?\d[\d.,/ ]*+[^\d=+@|!()]{0,12}")


def _like_a_formula(cell: str) -> bool:
    return _FORMULA.match(cell) is not None and _FIGURE.fullmatch(cell[:60]) is None


def defused(cell: str) -> str:
    """A cell as it is written: one that begins a formula is led by an apostrophe, as a spreadsheet marks text.

    >>> defused("=1+1"), defused("-0.02 mm"), defused("Cover, 240 mm")
    ("'=1+1", '-0.02 mm', 'Cover, 240 mm')
    """
    return f"'{cell}" if _like_a_formula(cell) else cell


def as_meant(cell: str) -> str:
    """A cell as it was before it was defused.

    >>> as_meant("'=1+1"), as_meant("'tis so"), as_meant(defused("'=1"))
    ('=1+1', "'tis so", "'=1")
    """
    return cell[1:] if cell.startswith("'") and _like_a_formula(cell[1:]) else cell


def write_table(rows: Iterable[Sequence[object]]) -> str:
    """Rows as CSV.

    >>> write_table([["part", "notes"], ["Cover", "=cmd()"]])
    "part,notes\\nCover,'=cmd()\\n"
    """
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerows([defused(str(cell)) for cell in row] for row in rows)
    return out.getvalue()


def read_table(text: str, most_rows: int) -> list[list[str]]:
    """The rows of a CSV text, the first one the header.

    Raises
    ------
    UnreadableFile : it is empty, or longer than `most_rows`

    >>> read_table("a;b\\n1,5;2\\n", 10)
    [['a', 'b'], ['1,5', '2']]
    """
    text = text.lstrip("\ufeff")
    first = text.split("\n", 1)[0]
    delimiter = max(",;\t", key=first.count)
    try:
        rows = list(islice(csv.reader(io.StringIO(text), delimiter=delimiter), most_rows + 1))
    except csv.Error as error:
        raise UnreadableFile(f"it is no table ({error})") from None
    if not rows or not any(cell.strip() for cell in rows[0]):
        raise UnreadableFile("the file is empty")
    if len(rows) > most_rows:
        raise UnreadableFile(f"more than {most_rows} rows are too many")
    return [[as_meant(cell) for cell in row] for row in rows]
