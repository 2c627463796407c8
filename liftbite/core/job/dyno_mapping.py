"""Which column of a dynamometer file is what: guessed, to be confirmed.

- `Column`, `ColumnMapping`, `Proposal`   a column, how a file is to be read, and what was made of it
- `spoken_of`    what a file says of its figures, as choices of the job
- `propose`      guesses delimiter, decimal mark, header, columns and units; the builder confirms or changes them
- `factor_of`    SI per unit of a column

Columns come in any order and under any name.
"""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.dyno_table import (
    COMMENT,
    LOOKED_AT,
    MAX_HEADING,
    MAX_HEADS,
    MAX_LINE,
    DecimalMark,
    Delimiter,
    Rows,
    cells_of,
    decimal_of,
    delimiter_of,
    figure_of,
    figures_in,
    lines_of,
)
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.read import find_unit, to_si

Reference = Literal["wheel", "crank", ""]
ROLES: Mapping[str, str] = {"speed": "rad/s", "torque": "N·m", "power": "W", "force": "N", "road": "m/s"}
#: Units only files of a dynamometer have: role -> unit -> how much of an ordinary one.
OWN_UNITS: Mapping[str, Mapping[str, tuple[float, str]]] = {"speed": {"rpm × 1000": (1000.0, "rpm")}}
#: Corrections of a dynamometer to standard air, as files name them.
_CORRECTED = re.compile(r"\b(SAE|DIN|ECE|EEC|STD|JIS|ISO ?1585|corr(?:ected|\.)?)\b", re.IGNORECASE)
#: What a row begins with that sums the run up.
_SUMMARY = re.compile(
    r"^\W{0,3}(max|min|peak|avg|average|mean|total|summary|result|spitze|mittel|maximum|minimum)", re.IGNORECASE
)
_THOUSANDS = re.compile(
    r"(rpm|1/min|u/min|tr/min)\W{0,3}[x×*]?\W{0,3}1[ .,]?000|1[ .,]?000\W{0,3}(rpm|1/min)|\bkrpm", re.IGNORECASE
)
_WORDS: tuple[tuple[str, str], ...] = (
    (
        "speed",
        r"rpm|drehzahl|r[ée]gime|1/min|min-1|u/min|tr/min|^n(?![·.]?m)\b|engine[ _]?speed|revs?\b|revolutions|giri",
    ),
    ("torque", r"torque|tq\b|drehmoment|\bmoment|couple|coppia|\bnm\b|n·m|n\.m|lb.?ft|ft.?lb|kgf?.?m\b|\bm\.?kg"),
    ("force", r"tractive|force|zugkraft|effort"),
    ("road", r"km/h|\bkph\b|mph|road ?speed|vehicle ?speed|fahrgeschw"),
    ("power", r"power|puissance|leistung|potenza|\bk?w\b|\bkw|\b[wb]?hp\b|rwhp|\bps\b|\bcv\b|horse"),
)
_WHEEL = re.compile(r"wheel|\brw|whp|wtq|hub\b|roller|rad\b|roue", re.IGNORECASE)
_CRANK = re.compile(
    r"crank|engine (torque|power)|flywheel|\bbhp|kurbel|motor(moment|leistung)|vilebrequin", re.IGNORECASE
)


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
    force, road, force_unit, road_unit : tractive force and road speed, their columns and units
    gearing : road speed per 1000 rpm in the gear that was driven, as typed; for a file without engine speed
    run : which run of those that stand one below the other, from 1; None for all that is there
    sweep : "up" for nothing after the highest speed
    leave_out, last_row : lines that are no part of the run, and the last that is
    trust : what counts where torque and power disagree
    sure : True once what is asked about the curve was answered
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
    force: int | None = None
    road: int | None = None
    force_unit: str = ""
    road_unit: str = ""
    gearing: str = ""
    run: int | None = None
    sweep: Literal["all", "up"] = "all"
    leave_out: tuple[int, ...] = ()
    last_row: int | None = None
    trust: Literal["", "torque", "power"] = ""
    sure: bool = False

    def column(self, role: str) -> int | None:
        """The column of a role."""
        found: int | None = getattr(self, role)
        return found

    def unit(self, role: str) -> str:
        """The unit of a role's column."""
        found: str = getattr(self, f"{role}_unit")
        return found


@dataclass(frozen=True, slots=True)
class Run:
    """One run of a file that holds several: what it is called, how it is read, its peak [N·m, rad/s]."""

    label: str
    mapping: ColumnMapping
    peak: float
    peak_speed: float


def spoken_of(reference: Reference, corrected: str) -> Mapping[str, tuple[str, ...]]:
    """Choice of the job that a file speaks of -> its options that agree with it; all where it says nothing.

    >>> spoken_of("crank", "SAE")["curve_reference"], spoken_of("", "SAE")["air"]
    (('crank',), ('corrected',))
    """
    taken, air = ([o.value for o in CHOICES[name].options] for name in ("curve_reference", "air"))
    at_crank = [value for value in taken if (value == "crank") == (reference == "crank")]
    return {
        "curve_reference": tuple(at_crank if reference else taken),
        "air": ("corrected",) if corrected else tuple(air),
    }


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
    corrected : the correction to standard air it names, or empty
    runs : the runs it holds, where it holds several; the mapping is of the first
    """

    mapping: ColumnMapping
    columns: tuple[Column, ...]
    preview: tuple[tuple[str, ...], ...]
    reference: Reference
    questions: tuple[str, ...]
    corrected: str = ""
    runs: tuple[Run, ...] = ()


def units_of(role: str) -> tuple[str, ...]:
    """The units a column of a role may be in."""
    return (*KINDS[ROLES[role]].units, *OWN_UNITS.get(role, {}))


def _unit_in(heading: str, role: str) -> str:
    kind = KINDS[ROLES[role]]
    if role == "speed" and _THOUSANDS.search(heading):
        return "rpm × 1000"
    for word in [*re.findall(r"[\[(]([^\[\]()]*+)[\])]", heading), *re.split(r"[\s,_/\[\]()]+", heading), heading]:
        try:
            if word:
                return find_unit(re.sub(r"^(rw|w|b)(?=hp|tq)", "", word.strip().lower()) or word, kind)
        except UnreadableEntry:
            continue
    for spelled, unit in (
        ("ftlb", "lb-ft"),
        ("lbft", "lb-ft"),
        ("nm", "N·m"),
        ("rpm", "rpm"),
        ("hp", "hp"),
        ("kmh", "km/h"),
        ("mph", "mph"),
    ):
        if unit in kind.units and spelled in re.sub(r"[^a-z]", "", heading.lower()):
            return unit
    return "rpm" if role == "speed" else ""


def named_as(columns: Sequence[Column], role: str) -> list[Column]:
    """The columns whose heading names a role, each with its unit."""
    words = dict(_WORDS)[role]
    rivals = {"torque": r"power|hp\b|\bkw", "power": r"torque|\bnm\b", "speed": r"km/h|mph|road|vehicle"}[role]
    found = [c for c in columns if re.search(words, c.heading.lower()) and not re.search(rivals, c.heading.lower())]
    return [Column(c.index, c.heading, role, _unit_in(c.heading, role)) for c in found]


def _columns(headings: list[str], width: int) -> list[Column]:
    """Each role goes to the first column whose heading names it, the clearest words first."""
    columns = [Column(i, headings[i] if i < len(headings) else "") for i in range(width)]
    taken: dict[str, int] = {}
    for role, words in _WORDS:
        for column in columns:
            text = column.heading.lower()
            rival = role == "torque" and re.search(r"power|hp\b|\bkw", text)
            rival = rival or (role == "speed" and re.search(r"km/h|mph|road|vehicle", text))
            if role not in taken and column.index not in taken.values() and re.search(words, text) and not rival:
                taken[role] = column.index
    by_index = {index: role for role, index in taken.items()}
    return [
        Column(c.index, c.heading, by_index.get(c.index, ""), _unit_in(c.heading, by_index[c.index]))
        if c.index in by_index
        else c
        for c in columns
    ]


def propose(text: str) -> Proposal:
    """A mapping for the file, to be confirmed.

    Raises
    ------
    UnreadableFile : no line has two figures

    >>> propose("rpm;Nm\\n1000;200,5\\n2000;210,0\\n").mapping.decimal
    ','
    """
    lines = lines_of(text)[: MAX_HEADS + LOOKED_AT]
    delimiter = delimiter_of(text, lines)
    rows = cells_of(lines, delimiter)
    summary = tuple(
        number
        for number, cells in rows
        if any(_SUMMARY.match(cell[:20]) for cell in cells[:2] if cell) and figures_in(cells) >= 1
    )
    data = [(number, cells) for number, cells in rows if figures_in(cells) >= 2 and number not in summary]
    if not data:
        raise UnreadableFile("no line holds two figures; a curve wants rpm and torque or power in columns", None)
    first_row = data[0][0]
    width = max(len(cells) for _, cells in data)
    heads = [cells for number, cells in rows if number < first_row and len(cells) > 1]
    headings = [
        " ".join(filter(None, (h[i] if i < len(h) else "" for h in heads[-2:])))[:MAX_HEADING] for i in range(width)
    ]
    columns = _columns(headings, width)
    decimal = decimal_of(data, delimiter)
    at = {c.role: c for c in columns if c.role}
    questions = []
    if "speed" not in at:
        taken = {c.index for c in at.values()}
        guess = _looks_like_speed(data, decimal, [i for i in range(width) if i not in taken])
        if guess is not None:
            columns[guess] = at["speed"] = Column(guess, headings[guess], "speed", "rpm")
            questions.append(f"No heading names the engine speed; column {guess + 1} looks like rpm. Is it?")
        else:
            questions.append("Which column is the engine speed?")
    if "torque" not in at and "power" not in at and not {"force", "road"} <= at.keys():
        questions.append("Which column is torque, and which is power?")
    questions += _settle_unit(columns, at, data, decimal)
    questions += [
        f"In which unit is the {role}? The heading “{at[role].heading}” does not say."
        for role in ("torque", "power", "force", "road")
        if role in at and not at[role].unit
    ]
    if "speed" not in at and {"force", "road"} <= at.keys():
        questions = [q for q in questions if "engine speed" not in q]
        questions.append("How fast does it go per 1000 rpm in the gear that was driven?")
    above = text[: 20 * MAX_LINE].splitlines()[:20]
    everything = " ".join(headings) + " " + " ".join(line for line in above if COMMENT.match(line))
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
        force=index.get("force"),
        road=index.get("road"),
        force_unit=unit.get("force", ""),
        road_unit=unit.get("road", ""),
        leave_out=tuple(n for n in summary if n >= first_row),
    )
    preview = tuple(tuple(cells + [""] * (width - len(cells))) for _, cells in data[:6])
    head = " ".join(line for number, line in enumerate(above, start=1) if number < first_row)
    corrected = _CORRECTED.search(f"{everything} {head}")
    return Proposal(
        mapping,
        tuple(columns),
        preview,
        reference,
        tuple(questions),
        (corrected[1].upper() if corrected[1].isupper() else "corrected") if corrected else "",
    )


def factor_of(role: str, unit: str) -> float:
    """SI per unit of a column.

    >>> round(factor_of("speed", "rpm × 1000"), 3)
    104.72
    """
    own = OWN_UNITS.get(role, {}).get(unit)
    return own[0] * to_si(1, own[1]) if own else to_si(1, unit)


def _settle_unit(columns: list[Column], at: dict[str, Column], data: Rows, decimal: str) -> list[str]:
    """Where torque and power both stand in the file and one says no unit, P = T·ω tells it."""
    unknown = [role for role in ("torque", "power") if role in at and not at[role].unit]
    if len(unknown) != 1 or not {"speed", "torque", "power"} <= at.keys():
        return []
    role, other = unknown[0], "power" if unknown[0] == "torque" else "torque"
    try:
        rows = [[figure_of(cells[at[r].index], decimal) for r in ("speed", role, other)] for _, cells in data[:200]]
    except (ValueError, IndexError):
        return []
    speed, figures, known = np.asarray(rows).T
    omega = factor_of("speed", at["speed"].unit) * speed
    with np.errstate(divide="ignore", invalid="ignore"):
        says = factor_of(other, at[other].unit) * known * (1 / omega if role == "torque" else omega) / figures
    for unit in KINDS[ROLES[role]].units:
        if abs(float(np.nanmedian(says)) / factor_of(role, unit) - 1) < 0.03:
            column = Column(at[role].index, at[role].heading, role, unit)
            at[role] = columns[column.index] = column
            return [f"The heading “{column.heading}” names no unit; by the {other} column it is {unit}. Is it?"]
    return []


def _looks_like_speed(data: Rows, decimal: str, free: Sequence[int]) -> int | None:
    for index in free:
        try:
            values = [figure_of(cells[index], decimal) for _, cells in data if index < len(cells) and cells[index]]
        except ValueError:
            continue
        if values and 500 <= float(np.median(values)) <= 20_000 and max(values) - min(values) >= 500:
            return index
    return None
