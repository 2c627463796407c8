"""A table out of a text file: comma, semicolon or tab, whichever the first row has most of."""

from __future__ import annotations

import csv
import io
from itertools import islice

from liftbite.core.errors import UnreadableFile

MOST_CELL = 4_000


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
    return rows
