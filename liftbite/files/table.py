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

#: Where a spreadsheet may begin a cell inside one of ours: it splits at its own separator, whatever the file's is.
_SPLITS = "\t\r\n,;|"
#: What it takes for a formula, full-width signs as well, behind quotes and blanks it does not mind.
_BEGINS = re.compile(r"['\"\s]*+[=+\-@＝＋－＠]")
#: A figure with its unit, which begins like a formula and is none.
_FIGURE = re.compile(r"[+\-−]?\d[\d./ ]*+(?:[^\W\d_]|[%°·²³ ]|(?<=lb|ft|oz)-(?=ft|lb|in)){0,12}")
_INDENTED = re.compile(r"'*+[\t\r]")
_PARTS = re.compile(f"([{re.escape(_SPLITS)}])")


def _like_a_formula(part: str) -> bool:
    return _BEGINS.match(part) is not None and _FIGURE.fullmatch(part) is None


def defused(cell: str) -> str:
    """A cell as it is written: whatever in it a spreadsheet would take for a formula is led by an apostrophe.

    Looked at is the whole of it, and what stands behind every separator some spreadsheet splits at.

    >>> defused("=1+1"), defused("-0.02 mm"), defused("Cover; =cmd()"), defused("Cover, 240 mm")
    ("'=1+1", '-0.02 mm', "Cover;' =cmd()", 'Cover, 240 mm')
    """
    parts = _PARTS.split(cell)
    found = "".join(f"'{part}" if n % 2 == 0 and _like_a_formula(part) else part for n, part in enumerate(parts))
    return f"'{found}" if _INDENTED.match(cell) else found


def as_meant(cell: str) -> str:
    """A cell as it was before it was defused.

    >>> as_meant("'=1+1"), as_meant("'tis so"), as_meant(defused("'=1")), as_meant("Cover;' =cmd()")
    ('=1+1', "'tis so", "'=1", 'Cover; =cmd()')
    """
    if cell.startswith("'") and _INDENTED.match(cell[1:]):
        cell = cell[1:]
    parts = _PARTS.split(cell)
    return "".join(
        part[1:] if n % 2 == 0 and part.startswith("'") and _like_a_formula(part[1:]) else part
        for n, part in enumerate(parts)
    )


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
