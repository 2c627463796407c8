"""From a dynamometer file to a torque curve.

In the order in which it is used:

- `decode`     bytes to text: byte order mark, UTF-8, UTF-16, Windows-1252
- `propose`    guesses delimiter, decimal mark, header and columns; the builder confirms or changes the mapping
- `read_curve` text and confirmed mapping to a `TorqueCurve`, with notes on what was done
- `write_csv`  a curve as CSV, which reads back to the same curve

Columns come in any order and under any name; torque gives power and power gives torque. What cannot be read is
refused with the number of its line.
"""

from __future__ import annotations

import csv
import io
import re
from collections import Counter
from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cache
from typing import Literal, get_args

import numpy as np

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.quantities.torque_curve import Array, TorqueCurve
from liftbite.core.units.read import KINDS, find_unit, from_si, to_si

MAX_ROWS = 100_000
#: Longest line, most columns and longest heading that a run has.
MAX_LINE, MAX_COLUMNS, MAX_HEADING = 4_000, 200, 120
#: Lines that delimiter, decimal mark and columns are judged by; the rest only has to be read.
_LOOKED_AT = 500
_COMMENT = re.compile(r"^\s*(#|//|%|\*|!|'|--|rem\b)", re.IGNORECASE)
_CELL = re.compile(r"[+\-−]?[\d\u00a0\u202f ]*+[\d.,]*+(?:e[+\-]?\d++)?", re.IGNORECASE)
_LONGEST_FIGURE = 40
_DIGIT = re.compile(r"\d")
#: Lines above the figures: headings, the shop, the car.
MAX_HEADS = 200
_PLAIN = re.compile(r"-?\d++(?:\.\d*+)?")
#: What a comment, or a line that names the delimiter, begins with.
_BEGINS = frozenset("#/%*!'-rRsS")
Delimiter = Literal[";", "\t", ",", "|"]
DecimalMark = Literal[".", ","]
Reference = Literal["wheel", "crank", ""]
_DELIMITERS: tuple[Delimiter, ...] = get_args(Delimiter)

ROLES: Mapping[str, str] = {"speed": "rad/s", "torque": "N·m", "power": "W"}
_WORDS: tuple[tuple[str, str], ...] = (
    (
        "speed",
        r"rpm|drehzahl|r[ée]gime|1/min|min-1|u/min|tr/min|^n(?![·.]?m)\b|engine[ _]?speed|revs?\b|revolutions|giri",
    ),
    ("torque", r"torque|tq\b|drehmoment|\bmoment|couple|coppia|\bnm\b|n·m|n\.m|lb.?ft|ft.?lb|kgf?.?m\b"),
    ("power", r"power|puissance|leistung|potenza|\bk?w\b|\bkw|\b[wb]?hp\b|rwhp|\bps\b|\bcv\b|horse"),
)
_WHEEL = re.compile(r"wheel|\brw|whp|wtq|hub\b|roller|rad\b|roue", re.IGNORECASE)
_CRANK = re.compile(r"crank|engine|flywheel|\bbhp|kurbel|motor|vilebrequin", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class Column:
    """One column of a file as read: its place, its heading, what it seems to be.

    Attributes
    ----------
    index, heading : place from 0, text above it
    role : "speed", "torque", "power" or "" for what is left aside
    unit : unit of the figures, "" where the heading does not say
    """

    index: int
    heading: str
    role: str = ""
    unit: str = ""


@dataclass(frozen=True, slots=True)
class ColumnMapping:
    """How a file is to be read.

    Attributes
    ----------
    delimiter, decimal : `,` `;` tab or `|`; `.` or `,`
    first_row : 1-based line of the first figures
    speed, torque, power : column index, None where the file has none
    speed_unit, torque_unit, power_unit : units of those columns
    """

    delimiter: Delimiter
    decimal: DecimalMark
    first_row: int
    speed: int | None
    torque: int | None
    power: int | None
    speed_unit: str = "rpm"
    torque_unit: str = ""
    power_unit: str = ""


@dataclass(frozen=True, slots=True)
class Proposal:
    """What `propose` made of a file.

    Attributes
    ----------
    mapping : the guess
    columns : every column with its heading
    preview : the first rows of figures, as text
    reference : "wheel", "crank" or "" where the file does not say
    questions : sentences on what the file leaves open
    """

    mapping: ColumnMapping
    columns: tuple[Column, ...]
    preview: tuple[tuple[str, ...], ...]
    reference: Reference
    questions: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class CurveFile:
    """A curve read from a file, with sentences on what was done to get there."""

    curve: TorqueCurve
    notes: tuple[str, ...] = field(default_factory=tuple)


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


def _lines(text: str) -> Lines:
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
        if not bare or (bare[0] in _BEGINS and (_COMMENT.match(bare) or (len(bare) == 5 and bare.startswith("sep=")))):
            continue
        lines.append((number, line))
    if len(lines) > MAX_ROWS + MAX_HEADS:
        raise UnreadableFile(f"more than {MAX_ROWS} rows; a run has a few thousand", lines[MAX_ROWS][0])
    return lines


def _split(lines: Lines, delimiter: str, most: int | None = MAX_COLUMNS) -> Rows:
    """Line number and cells of every line.

    Raises
    ------
    UnreadableFile : one has more cells than a run has columns
    """
    rows = []
    for number, line in lines:
        cells = next(csv.reader([line], delimiter=delimiter), []) if '"' in line else line.split(delimiter)
        if most is not None and len(cells) > most:
            raise UnreadableFile(f"{len(cells)} columns are more than a run has ({most})", number)
        rows.append((number, [cell.strip() for cell in cells]))
    return rows


def _figures(cells: list[str]) -> int:
    return sum(1 for c in cells if len(c) <= _LONGEST_FIGURE and _DIGIT.search(c) and _CELL.fullmatch(c))


def _delimiter(text: str, lines: Lines) -> Delimiter:
    """The delimiter that splits most lines into the same number of figures; a decimal comma does not count as one."""
    declared = re.match(r"\s*+sep=(.)", text[:MAX_LINE])
    for delimiter in _DELIMITERS:
        if declared and declared[1] == delimiter:
            return delimiter
    best: Delimiter = ","
    best_score = 0.0
    for delimiter in _DELIMITERS:
        counts = Counter(_figures(cells) for _, cells in _split(lines, delimiter, most=None))
        counts.pop(0, None)
        counts.pop(1, None)
        if counts:
            columns, alike = counts.most_common(1)[0]
            # a comma that is a decimal mark splits as well, but then a stricter delimiter splits all lines alike
            score = alike + (0.5 if delimiter != "," else 0) + 0.01 * columns
            if score > best_score:
                best, best_score = delimiter, score
    return best


def _decimal(rows: Rows, delimiter: str) -> DecimalMark:
    if delimiter == ",":
        return "."
    cells = [cell for _, row in rows for cell in row if _figures([cell])]
    commas = sum("," in c and "." not in c for c in cells)
    points = sum("." in c and "," not in c for c in cells)
    return "," if commas > points else "."


def _figure(cell: str, decimal: str) -> float:
    if len(cell) > _LONGEST_FIGURE:
        raise ValueError(cell)
    if decimal == "." and _PLAIN.fullmatch(cell):
        return float(cell)
    plain = re.sub(r"[\s\u00a0\u202f]", "", cell).replace("−", "-")
    group = "," if decimal == "." else "."
    if group in plain and not re.fullmatch(rf"[+-]?\d{{1,3}}(\{group}\d{{3}})+(\{decimal}\d*)?", plain):
        raise ValueError(cell)
    return float(plain.replace(group, "").replace(decimal, "."))


def _unit_in(heading: str, role: str) -> str:
    kind = KINDS[ROLES[role]]
    for word in [*re.findall(r"[\[(]([^\[\]()]*+)[\])]", heading), *re.split(r"[\s,_/\[\]()]+", heading), heading]:
        try:
            if word:
                return find_unit(re.sub(r"^(rw|w|b)(?=hp|tq)", "", word.strip().lower()) or word, kind)
        except UnreadableEntry:
            continue
    for spelled, unit in (("ftlb", "lb-ft"), ("lbft", "lb-ft"), ("nm", "N·m"), ("rpm", "rpm"), ("hp", "hp")):
        if unit in kind.units and spelled in re.sub(r"[^a-z]", "", heading.lower()):
            return unit
    return "rpm" if role == "speed" else ""


def _columns(headings: list[str], width: int) -> list[Column]:
    """Each role goes to the first column whose heading names it, the clearest words first."""
    columns = [Column(i, headings[i] if i < len(headings) else "") for i in range(width)]
    taken: dict[str, int] = {}
    for role, words in _WORDS:
        for column in columns:
            text = column.heading.lower()
            rival = role == "torque" and re.search(r"power|hp\b|\bkw", text)
            if role not in taken and column.index not in taken.values() and re.search(words, text) and not rival:
                taken[role] = column.index
    by_index = {index: role for role, index in taken.items()}
    return [
        Column(c.index, c.heading, by_index.get(c.index, ""), _unit_in(c.heading, by_index[c.index]))
        if c.index in by_index else c
        for c in columns
    ]  # fmt: skip


def propose(text: str) -> Proposal:
    """A mapping for the file, to be confirmed.

    Raises
    ------
    UnreadableFile : no line has two figures

    >>> propose("rpm;Nm\\n1000;200,5\\n2000;210,0\\n").mapping.decimal
    ','
    """
    lines = _lines(text)[: MAX_HEADS + _LOOKED_AT]
    delimiter = _delimiter(text, lines)
    rows = _split(lines, delimiter)
    data = [(number, cells) for number, cells in rows if _figures(cells) >= 2]
    if not data:
        raise UnreadableFile("no line holds two figures; a curve wants rpm and torque or power in columns", None)
    first_row = data[0][0]
    width = max(len(cells) for _, cells in data)
    heads = [cells for number, cells in rows if number < first_row and len(cells) > 1]
    headings = [
        " ".join(filter(None, (h[i] if i < len(h) else "" for h in heads[-2:])))[:MAX_HEADING] for i in range(width)
    ]
    columns = _columns(headings, width)
    decimal = _decimal(data, delimiter)
    at = {c.role: c for c in columns if c.role}
    questions = []
    if "speed" not in at:
        guess = _looks_like_speed(data, decimal, width)
        if guess is not None:
            columns[guess] = at["speed"] = Column(guess, headings[guess], "speed", "rpm")
            questions.append(f"No heading names the engine speed; column {guess + 1} looks like rpm. Is it?")
        else:
            questions.append("Which column is the engine speed?")
    if "torque" not in at and "power" not in at:
        questions.append("Which column is torque, and which is power?")
    questions += _settle_unit(columns, at, data, decimal)
    questions += [
        f"In which unit is the {role}? The heading “{at[role].heading}” does not say."
        for role in ("torque", "power")
        if role in at and not at[role].unit
    ]
    above = text[: 20 * MAX_LINE].splitlines()[:20]
    everything = " ".join(headings) + " " + " ".join(line for line in above if _COMMENT.match(line))
    wheel, crank = _WHEEL.search(everything), _CRANK.search(everything)
    reference: Reference = "wheel" if wheel and not crank else "crank" if crank and not wheel else ""
    index = {role: column.index for role, column in at.items()}
    unit = {role: column.unit for role, column in at.items()}
    mapping = ColumnMapping(
        delimiter=delimiter,
        decimal=decimal,
        first_row=first_row,
        speed=index.get("speed"),
        torque=index.get("torque"),
        power=index.get("power"),
        speed_unit=unit.get("speed", "rpm"),
        torque_unit=unit.get("torque", ""),
        power_unit=unit.get("power", ""),
    )
    preview = tuple(tuple(cells + [""] * (width - len(cells))) for _, cells in data[:6])
    return Proposal(mapping, tuple(columns), preview, reference, tuple(questions))


def _settle_unit(columns: list[Column], at: dict[str, Column], data: Rows, decimal: str) -> list[str]:
    """Where torque and power both stand in the file and one says no unit, P = T·ω tells it."""
    unknown = [role for role in ("torque", "power") if role in at and not at[role].unit]
    if len(unknown) != 1 or not {"speed", "torque", "power"} <= at.keys():
        return []
    role, other = unknown[0], "power" if unknown[0] == "torque" else "torque"
    try:
        rows = [[_figure(cells[at[r].index], decimal) for r in ("speed", role, other)] for _, cells in data[:200]]
    except (ValueError, IndexError):
        return []
    speed, figures, known = np.asarray(rows).T
    omega = to_si(1, at["speed"].unit) * speed
    with np.errstate(divide="ignore", invalid="ignore"):
        says = to_si(1, at[other].unit) * known * (1 / omega if role == "torque" else omega) / figures
    for unit in KINDS[ROLES[role]].units:
        if abs(float(np.nanmedian(says)) / to_si(1, unit) - 1) < 0.03:
            column = Column(at[role].index, at[role].heading, role, unit)
            at[role] = columns[column.index] = column
            return [f"The heading “{column.heading}” names no unit; by the {other} column it is {unit}. Is it?"]
    return []


def _looks_like_speed(data: Rows, decimal: str, width: int) -> int | None:
    for index in range(width):
        try:
            values = [_figure(cells[index], decimal) for _, cells in data if index < len(cells) and cells[index]]
        except ValueError:
            continue
        if values and 500 <= float(np.median(values)) <= 20_000 and max(values) - min(values) >= 500:
            return index
    return None


def read_curve(text: str, mapping: ColumnMapping) -> CurveFile:
    """The curve of a file, read as `mapping` says.

    Repeated speeds are averaged, unsorted ones sorted, rows with an empty cell or without forward torque left out;
    each of these is said in a note. Where the file has torque and power, torque is taken and power is used to check
    the units: P = T·ω.

    Raises
    ------
    UnreadableFile : the mapping is incomplete, or a cell is no figure, with its line

    >>> mapping = ColumnMapping(",", ".", 2, 0, None, 1, "rpm", "", "hp")
    >>> file = read_curve("rpm,hp\\n5252.113,100\\n6000,110\\n", mapping)
    >>> round(from_si(file.curve.torque_at(550.0), "lb-ft"), 1)
    100.0
    """
    used = _used_columns(mapping)
    lines = [line for line in _lines(text) if line[0] >= mapping.first_row]
    plain = _plain_columns(lines, mapping.delimiter, used) if mapping.decimal == "." else None
    raw, empty = plain or _columns_of_cells(_split(lines, mapping.delimiter), used, mapping.decimal)
    skipped = Counter({"with an empty cell": empty} if empty else {})
    turns = (raw["speed"] > 0) & (raw["torque" if "torque" in used else "power"] > 0)
    if not turns.all():
        skipped["without forward torque or speed"] = int((~turns).sum())
        raw = {role: values[turns] for role, values in raw.items()}
    speed = to_si(1, mapping.speed_unit) * raw["speed"]
    if np.unique(speed).size < 2:
        raise UnreadableFile("fewer than two different engine speeds; a curve wants at least two")
    notes = [f"{count} row{'s' * (count > 1)} {why} left out." for why, count in skipped.items()]
    power = to_si(1, mapping.power_unit) * raw["power"] if "power" in used else None
    if "torque" in used:
        torque = to_si(1, mapping.torque_unit) * raw["torque"]
        notes += _disagreement(speed, torque, power)
    else:
        assert power is not None
        torque = power / speed
        notes.append("Torque was worked out from power: T = P/ω.")
    order = np.argsort(speed, kind="stable")
    if np.any(np.diff(speed) < 0):
        notes.append("Rows were sorted by engine speed.")
    unique, start, count = np.unique(speed[order], return_index=True, return_counts=True)
    if count.max() > 1:
        notes.append(f"{int((count > 1).sum())} engine speeds stood more than once; their torque was averaged.")
    return CurveFile(TorqueCurve(unique, np.add.reduceat(torque[order], start) / count), tuple(notes))


def _plain_columns(lines: Lines, delimiter: str, used: dict[str, int]) -> tuple[dict[str, Array], int] | None:
    """The figures of each column where all are plain ones, read at one go; None where one is not."""
    last = max(used.values())
    cells = [line.split(delimiter, last + 1) for _, line in lines]
    if not cells or min(map(len, cells)) <= last or any('"' in line or "_" in line for _, line in lines):
        return None
    try:
        found = {role: np.array([row[index] for row in cells], dtype=np.float64) for role, index in used.items()}
    except ValueError:
        return None
    return (found, 0) if all(np.isfinite(values).all() for values in found.values()) else None


def _columns_of_cells(rows: Rows, used: dict[str, int], decimal: str) -> tuple[dict[str, Array], int]:
    """The figures of each column, cell by cell, and how many rows have an empty one.

    Raises
    ------
    UnreadableFile : a cell is no figure, with its line
    """
    found: dict[str, list[float]] = {role: [] for role in used}
    empty = 0
    for number, cells in rows:
        figures = _cells(number, cells, used, decimal)
        if figures is None:
            empty += 1
            continue
        for role, value in figures.items():
            found[role].append(value)
    return {role: np.asarray(values, dtype=np.float64) for role, values in found.items()}, empty


def _used_columns(mapping: ColumnMapping) -> dict[str, int]:
    used = {
        role: index
        for role, index in (("speed", mapping.speed), ("torque", mapping.torque), ("power", mapping.power))
        if index is not None
    }
    if "speed" not in used:
        raise UnreadableFile("say which column is the engine speed")
    if len(used) < 2:
        raise UnreadableFile("say which column is torque or power")
    if len(set(used.values())) < len(used):
        raise UnreadableFile("one column cannot be two things")
    for role in used:
        unit = getattr(mapping, f"{role}_unit")
        if unit not in KINDS[ROLES[role]].units:
            raise UnreadableFile(f"say the unit of the {role}: {', '.join(KINDS[ROLES[role]].units)}")
    return used


def _cells(number: int, cells: list[str], used: dict[str, int], decimal: str) -> dict[str, float] | None:
    found: dict[str, float] = {}
    for role, index in used.items():
        cell = cells[index] if index < len(cells) else ""
        if not cell:
            return None
        try:
            found[role] = _figure(cell, decimal)
        except ValueError:
            raise UnreadableFile(
                f"“{cell}” in the {role} column is not a figure such as 312{decimal}5", number
            ) from None
        if not np.isfinite(found[role]):
            raise UnreadableFile(f"“{cell}” in the {role} column is not a finite figure", number)
    return found


@cache
def _mistakes() -> tuple[tuple[float, str], ...]:
    """Factors between units that are mistaken for each other, and the sentence that says so."""
    pound_foot, horsepower = to_si(1, "lb-ft"), to_si(1, "hp")
    return (
        (pound_foot, "torque reads like lb-ft taken for N·m, or power like kW taken for hp"),
        (1 / pound_foot, "torque reads like N·m taken for lb-ft"),
        (horsepower / 1e3, "power reads like kW taken for hp"),
        (1e3 / horsepower, "power reads like hp taken for kW"),
    )


def _disagreement(speed: Array, torque: Array, power: Array | None) -> list[str]:
    if power is None:
        return []
    ratio = float(np.median(power / (torque * speed)))
    if abs(ratio - 1) < 0.03:
        return []
    told = next((text for factor, text in _mistakes() if abs(ratio / factor - 1) < 0.02), "check both units")
    return [f"Power and torque disagree: P is {ratio:.3g} times T·ω; {told}."]


def write_csv(curve: TorqueCurve) -> str:
    """A curve as CSV: rpm, torque in N·m, power in kW. Reads back through `propose` and `read_curve`."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(["engine speed [rpm]", "torque [N·m]", "power [kW]"])
    for speed, torque, power in zip(curve.speed, curve.torque, curve.power, strict=True):
        writer.writerow([f"{from_si(speed, 'rpm'):.12g}", f"{torque:.12g}", f"{power / 1e3:.12g}"])
    return out.getvalue()
