"""The text of a dynamometer file taken apart: lines, cells, figures.

In the order in which it is used:

- `decode`       bytes to text: byte order mark, UTF-8, UTF-16, Windows-1252
- `lines_of`     lines that are neither blank nor a comment, none longer than a run's
- `delimiter_of`, `decimal_of`   what separates cells, and decimals
- `cells_of`     lines to cells
- `figures_in`, `figure_of`      whether cells hold figures, and which
"""

from __future__ import annotations

import csv
import re
from collections import Counter
from typing import Literal, get_args

from liftbite.core.errors import UnreadableFile

MAX_ROWS = 100_000
#: Longest line, most columns and longest heading that a run has.
MAX_LINE, MAX_COLUMNS, MAX_HEADING = 4_000, 200, 120
#: Lines that delimiter, decimal mark and columns are judged by; the rest only has to be read.
LOOKED_AT = 500
COMMENT = re.compile(r"^\s*(#|//|%|\*|!|'|--|rem\b)", re.IGNORECASE)
_CELL = re.compile(r"[+\-−]?[\d\u00a0\u202f ]*+[\d.,]*+(?:e[+\-]?\d++)?", re.IGNORECASE)
_LONGEST_FIGURE = 40
_GAP = re.compile(r"\s{2,}+")
_DIGIT = re.compile(r"\d")
#: Lines above the figures: headings, the shop, the car.
MAX_HEADS = 200
_PLAIN = re.compile(r"-?\d++(?:\.\d*+)?")
#: What a comment, or a line that names the delimiter, begins with.
_BEGINS = frozenset("#/%*!'-rRsS")
Delimiter = Literal[";", "\t", ",", "|", " "]
DecimalMark = Literal[".", ","]
_DELIMITERS: tuple[Delimiter, ...] = get_args(Delimiter)


def decode(data: bytes) -> str:
    """The text of a file: by byte order mark, else UTF-8, else Windows-1252.

    Raises
    ------
    UnreadableFile : the file is empty or not text

    >>> decode("Leistung;Wert °".encode("cp1252"))
    'Leistung;Wert °'
    """
    for mark, encoding in ((b"\xef\xbb\xbf", "utf-8-sig"), (b"\xff\xfe", "utf-16"), (b"\xfe\xff", "utf-16")):
        if data.startswith(mark):
            text = data.decode(encoding, errors="replace")
            break
    else:
        try:
            text = data.decode("utf-8")
        except UnicodeDecodeError:
            text = data.decode("cp1252", errors="replace")
    if "\x00" in text:
        raise UnreadableFile("this is not a text file; export the run as CSV and drop that in")
    if not text.strip():
        raise UnreadableFile("the file is empty")
    return text


Lines = list[tuple[int, str]]
Rows = list[tuple[int, list[str]]]


def lines_of(text: str) -> Lines:
    """Every line that is neither blank nor a comment, with its number.

    Raises
    ------
    UnreadableFile : one is longer than a line of a run, or there are too many
    """
    lines = []
    for number, line in enumerate(text.splitlines(), start=1):
        if len(line) > MAX_LINE:
            raise UnreadableFile(f"{len(line)} characters are more than a line of a run has ({MAX_LINE})", number)
        bare = line.strip()
        if not bare or (bare[0] in _BEGINS and (COMMENT.match(bare) or (len(bare) == 5 and bare.startswith("sep=")))):
            continue
        lines.append((number, line))
    if len(lines) > MAX_ROWS + MAX_HEADS:
        raise UnreadableFile(f"more than {MAX_ROWS} rows; a run has a few thousand", lines[MAX_ROWS][0])
    return lines


def cells_of(lines: Lines, delimiter: str, most: int | None = MAX_COLUMNS) -> Rows:
    """Line number and cells of every line.

    Raises
    ------
    UnreadableFile : one has more cells than a run has columns
    """
    rows = []
    for number, line in lines:
        cells = _split(line, delimiter)
        if most is not None and len(cells) > most:
            raise UnreadableFile(f"{len(cells)} columns are more than a run has ({most})", number)
        rows.append((number, [cell.strip() for cell in cells]))
    return rows


def _split(line: str, delimiter: str) -> list[str]:
    """The cells of a line. Columns that are only set apart by spaces: by any where it holds figures, else by two."""
    if delimiter == " ":
        cells = line.split()
        return cells if figures_in(cells) == len(cells) else _GAP.split(line.strip())
    return next(csv.reader([line], delimiter=delimiter), []) if '"' in line else line.split(delimiter)


def figures_in(cells: list[str]) -> int:
    """How many of the cells hold a figure."""
    return sum(1 for c in cells if len(c) <= _LONGEST_FIGURE and _DIGIT.search(c) and _CELL.fullmatch(c))


def delimiter_of(text: str, lines: Lines) -> Delimiter:
    """The delimiter that splits most lines into the same number of figures; a decimal comma does not count as one."""
    declared = re.match(r"\s*+sep=(.)", text[:MAX_LINE])
    for delimiter in _DELIMITERS:
        if declared and declared[1] == delimiter:
            return delimiter
    best: Delimiter = ","
    best_score = 0.0
    for delimiter in _DELIMITERS:
        counts = Counter(figures_in(cells) for _, cells in cells_of(lines, delimiter, most=None))
        counts.pop(0, None)
        counts.pop(1, None)
        if counts:
            columns, alike = counts.most_common(1)[0]
            # a comma that is a decimal mark splits as well, but then a stricter delimiter splits all lines alike
            score = alike + (0.5 if delimiter != "," else 0) + 0.01 * columns
            if score > best_score:
                best, best_score = delimiter, score
    return best


def decimal_of(rows: Rows, delimiter: str) -> DecimalMark:
    """The decimal mark of most figures."""
    if delimiter == ",":
        return "."
    cells = [cell for _, row in rows for cell in row if figures_in([cell])]
    commas = sum("," in c and "." not in c for c in cells)
    points = sum("." in c and "," not in c for c in cells)
    return "," if commas > points else "."


def figure_of(cell: str, decimal: str) -> float:
    """The figure of a cell, groups of three taken together.

    Raises
    ------
    ValueError : it holds none
    """
    if len(cell) > _LONGEST_FIGURE:
        raise ValueError(cell)
    if decimal == "." and _PLAIN.fullmatch(cell):
        return float(cell)
    plain = re.sub(r"[\s\u00a0\u202f]", "", cell).replace("−", "-")
    group = "," if decimal == "." else "."
    if group in plain and not re.fullmatch(rf"[+-]?\d{{1,3}}(\{group}\d{{3}})+(\{decimal}\d*)?", plain):
        raise ValueError(cell)
    return float(plain.replace(group, "").replace(decimal, "."))
