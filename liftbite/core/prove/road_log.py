"""A logger's file: time, engine speed, road or shaft speed, and throttle where there is one.

- `RoadLog`        what was logged [SI]
- `headings_of`, `propose_log`   which column is what, in which unit, as the headings say
- `read_log`       a file read, every doubt about it said

Rows are read by NumPy at once where every cell is a figure, so that an hour at 100 Hz takes a second; a file with gaps
in its rows is read row by row. Nothing is guessed: figures no unit makes sense of are said, a clock that jumps ends a
stretch, a second rate is said.
"""

from __future__ import annotations

import csv
import io
import itertools
import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from math import tau

import numpy as np

from liftbite.core.errors import UnreadableFile
from liftbite.core.job.dyno_table import decode
from liftbite.core.quantities.torque_curve import Array
from liftbite.core.units.constants import RPM
from liftbite.core.units.read import to_si

#: What a column may be -> the units it may have, each as a factor to SI; the first where the heading names none.
ROLES: Mapping[str, Mapping[str, float]] = {
    "time": {"s": 1.0, "ms": 1e-3, "min": 60.0, "h:m:s": 1.0},
    "engine": {"rpm": RPM, "rad/s": 1.0, "1/s": tau},
    "road": {"km/h": to_si(1.0, "km/h"), "mph": to_si(1.0, "mph"), "m/s": 1.0},
    "shaft": {"rpm": RPM, "rad/s": 1.0, "1/s": tau},
    "throttle": {"%": 0.01, "-": 1.0},
}
_HEADS: Sequence[tuple[str, str]] = (
    ("throttle", r"throttle|pedal pos|tps\b|accel\w* pedal|gas\b|drosselklappe|fahrpedal|papillon"),
    ("shaft", r"shaft|wheel ?(speed)?.*(rpm|rad|1/min)|output.*(rpm|speed)|propshaft|raddrehzahl|abtrieb"),
    (
        "road",
        r"road|vehicle|gps.*speed|\bspeed.*(km|mph|m/s)|km/h|kmh|mph|velocity|geschwindigkeit|vitesse|wheel|^speed$",
    ),
    ("engine", r"engine|rpm|revs?\b|drehzahl|r[ée]gime|1/min|crank|motor|^n\b"),
    ("time", r"^t\b|time|zeit|temps|seconds?|timestamp|\bms\b"),
)
#: Largest file and most rows [bytes], [-].
MOST_BYTES, MOST_ROWS = 48 * 2**20, 4_000_000
#: A step of time so many times the usual one is a gap; below so many hertz slip is seen late [-], [Hz].
GAP, SLOW = 5.0, 20.0


@dataclass(frozen=True, slots=True)
class Column:
    """A column of a log: its place, heading, what it is, and its unit."""

    index: int
    heading: str
    role: str
    unit: str


@dataclass(frozen=True, slots=True)
class LogMapping:
    """Which column is what, what parts them, the decimal mark, and the line the figures begin at."""

    columns: tuple[Column, ...]
    delimiter: str
    decimal: str
    first_line: int


@dataclass(frozen=True, eq=False)
class RoadLog:
    """What was logged [SI]; one entry a row.

    Attributes
    ----------
    time : [s], rising within a stretch
    engine : speed of the engine [rad/s]
    output : speed of what the wheels turn: of the road [m/s], or of a shaft [rad/s]
    throttle : 0 shut to 1 open [-]; None where it was not logged
    of_road : True where `output` is the road's
    breaks : first rows of stretches after a gap or a jump of the clock
    rate : rows a second, the usual [Hz]
    notes : what was found odd about the file, a sentence each
    """

    time: Array
    engine: Array
    output: Array
    throttle: Array | None
    of_road: bool
    breaks: tuple[int, ...]
    rate: float
    notes: tuple[str, ...] = ()

    @property
    def stretches(self) -> list[slice]:
        """The log in pieces with no gap in them."""
        ends = (0, *self.breaks, self.time.size)
        return [slice(a, b) for a, b in itertools.pairwise(ends) if b - a > 2]


@dataclass(frozen=True, slots=True)
class _Top:
    """The top of a log: headings with the units under them, the first row of figures, and what parts them."""

    heads: list[str]
    units: list[str]
    first: list[str]
    begin: int
    delimiter: str
    decimal: str


def headings_of(data: bytes) -> tuple[tuple[str, str], ...]:
    """The headings of a log, each with what it is taken for, `engine:rpm`, or nothing.

    Raises
    ------
    UnreadableFile : it is no table

    >>> headings_of(b"Time (s),RPM,Oil" + b"\\n0.0,900,80" * 3)
    (('Time (s)', 'time:s'), ('RPM', 'engine:rpm'), ('Oil', ''))
    """
    top = _top(data)
    found = {c.index: f"{c.role}:{c.unit}" for c in _by_heads(top).values()}
    return tuple((heading.strip()[:80], found.get(i, "")) for i, heading in enumerate(top.heads))


def _as_said(top: _Top, said: Sequence[str]) -> dict[str, Column]:
    columns: dict[str, Column] = {}
    for index, each in enumerate(said):
        role, _, unit = each.partition(":")
        if not role:
            continue
        if role not in ROLES or unit not in ROLES[role] or role in columns or index >= len(top.heads):
            raise UnreadableFile(
                f"“{each}” is no column of a drive, or stands twice; time:s, engine:rpm, road:km/h are"
            )
        columns[role] = Column(index, top.heads[index].strip()[:80], role, unit)
    return columns


def propose_log(data: bytes, said: Sequence[str] = ()) -> LogMapping:
    """Which column of a file is what, by its headings, or as somebody said.

    Parameters
    ----------
    data : the file
    said : `role:unit` for every column in order, empty for one that is left out; nothing to go by the headings

    Raises
    ------
    UnreadableFile : it is no table, or names no time, no engine speed or no speed of the road or a shaft

    >>> found = propose_log(b"Time (s),RPM,Speed [km/h],TPS %" + b"\\n0.0,900,0,0" * 3)
    >>> [(c.role, c.unit) for c in found.columns]
    [('time', 's'), ('engine', 'rpm'), ('road', 'km/h'), ('throttle', '%')]
    """
    top = _top(data)
    columns = _as_said(top, said) if said else _by_heads(top)
    missing = [words for role, words in _WANTED.items() if not any(r in columns for r in role.split("/"))]
    if missing:
        raise UnreadableFile(
            f"the headings name no {' and no '.join(missing)}; they are {', '.join(top.heads)[:300]}", top.begin
        )
    if "road" in columns and "shaft" in columns:
        del columns["shaft"]
    return LogMapping(tuple(columns.values()), top.delimiter, top.decimal, top.begin + 1)


def _top(data: bytes) -> _Top:
    lines = decode(data[:65_536]).splitlines()[:200]
    delimiter = _delimiter(lines)
    decimal = "," if delimiter != "," and any(re.search(r"\d,\d", line) for line in lines[1:50]) else "."
    rows = [next(csv.reader([line], delimiter=delimiter), []) if delimiter != " " else line.split() for line in lines]
    begin = next((i for i, row in enumerate(rows) if i and _figures(row, decimal) >= 3), None)
    if begin is None:
        raise UnreadableFile("no row of at least three figures: time, engine speed and the speed of road or shaft", 1)
    heads, units = rows[begin - 1], [""] * len(rows[begin])
    if begin > 1 and all(not cell.strip() or cell.strip().strip("[]()") in _ALL_UNITS for cell in heads):
        heads, units = rows[begin - 2], [cell.strip().strip("[]()") for cell in heads]
    return _Top(heads, units, rows[begin], begin, delimiter, decimal)


def _by_heads(top: _Top) -> dict[str, Column]:
    heads, units = top.heads, top.units
    columns: dict[str, Column] = {}
    for index, heading in enumerate(heads):
        role = next((name for name, words in _HEADS if re.search(words, heading.strip()[:80], re.IGNORECASE)), None)
        if role is not None and role not in columns:
            unit = units[index] if index < len(units) and units[index] in ROLES[role] else _unit_of(heading, role)
            columns[role] = Column(index, heading.strip()[:80], role, unit)
    if "time" in columns and ":" in top.first[columns["time"].index]:
        columns["time"] = replace(columns["time"], unit="h:m:s")
    return columns


_WANTED = {"time": "time", "engine": "engine speed", "road/shaft": "speed of the road or of a shaft"}
_ALL_UNITS = {unit for units in ROLES.values() for unit in units} | {"sec", "1/min", "kph"}


def _delimiter(lines: Sequence[str]) -> str:
    def score(delimiter: str) -> float:
        counts = [line.count(delimiter) for line in lines[1:60] if line.strip()]
        return min(counts, default=0) + (0.5 if delimiter != "," else 0.0)

    return max((";", "\t", ",", " "), key=score)


def _figures(row: Sequence[str], decimal: str) -> int:
    return sum(
        1 for cell in row if re.fullmatch(r"[-+]?[\d.:]{1,24}(e[-+]?\d{1,3})?", cell.strip().replace(decimal, "."))
    )


def _unit_of(heading: str, role: str) -> str:
    said = heading.lower()
    for unit in ROLES[role]:
        if re.search(rf"(?<![a-z]){re.escape(unit.lower())}(?![a-z])", said):
            return unit
    spelled = {"kph": "km/h", "kmh": "km/h", "1/min": "rpm", "u/min": "rpm", "sec": "s"}
    return next(
        (unit for word, unit in spelled.items() if word in said and unit in ROLES[role]), next(iter(ROLES[role]))
    )


def read_log(data: bytes, mapping: LogMapping | None = None) -> RoadLog:
    """A log read, by a mapping or by what the headings say.

    Raises
    ------
    UnreadableFile : too large, too short, or a column that is no figures
    """
    if len(data) > MOST_BYTES:
        raise UnreadableFile(f"the log has {len(data) / 2**20:.0f} MB; {MOST_BYTES // 2**20} MB are the most")
    found = mapping or propose_log(data)
    values = _table(data, found)
    notes: list[str] = []
    kept = np.all(np.isfinite(values[:, :3]), axis=1)
    if not kept.all():
        notes.append(f"{np.count_nonzero(~kept)} rows without a time or a speed are left out.")
        values = values[kept]
    if values.shape[0] < 20:
        raise UnreadableFile(f"only {values.shape[0]} rows can be read; a drive has some thousand")
    time, breaks, rate = _clock(values[:, 0], notes)
    engine, output = values[:, 1], values[:, 2]
    of_road = any(c.role == "road" for c in found.columns)
    if float(np.percentile(engine, 90)) > 2_500.0:
        notes.append("The engine speed would be above 24,000 rpm: is it in another unit?")
    if of_road and float(output.max()) > 120.0:
        notes.append("The road speed passes 430 km/h: is it in another unit?")
    throttle = values[:, 3] if values.shape[1] > 3 else None
    if throttle is not None and float(np.nanmax(throttle)) > 1.5:
        throttle = throttle / float(np.nanmax(throttle))
        notes.append("The throttle passes 150 %: it is taken as a share of its highest.")
    if rate < SLOW:
        notes.append(f"{rate:.0f} rows a second: slip of less than {max(0.2, 3 / rate):.1f} s cannot be seen.")
    return RoadLog(time, engine, output, throttle, of_road, breaks, rate, tuple(notes))


def _clock(time: Array, notes: list[str]) -> tuple[Array, tuple[int, ...], float]:
    """Time from 0, where stretches begin after a gap or a jump, and the usual rate."""
    steps = np.diff(time)
    usual = float(np.median(steps[steps > 0])) if np.any(steps > 0) else 0.0
    if usual <= 0:
        raise UnreadableFile("the time does not rise: is that column the time?")
    backwards, gaps = steps <= 0, steps > GAP * usual
    if np.count_nonzero(backwards & (steps == 0)) > 0.2 * steps.size:
        raise UnreadableFile("many rows have the time of the row before: its resolution is too coarse for its rate")
    if backwards.any():
        notes.append(f"The clock stands or goes back {np.count_nonzero(backwards)} times; a stretch ends there.")
    if gaps.any():
        notes.append(
            f"{np.count_nonzero(gaps)} gaps in the time, {float(steps[gaps].sum()):.1f} s in all, are left out."
        )
    other = steps[(steps > 0) & ~gaps]
    if float(np.percentile(other, 95)) > 1.8 * float(np.percentile(other, 5)):
        notes.append("The log was written at more than one rate; each row counts for the time to the next.")
    breaks = np.flatnonzero(backwards | gaps) + 1
    shifted = time - np.concatenate([[0.0], np.cumsum(np.where(backwards, steps, 0.0))])
    return shifted - shifted[0], tuple(int(b) for b in breaks), 1.0 / usual


def _table(data: bytes, mapping: LogMapping) -> Array:
    """The columns wanted in the order time, engine, output, throttle [SI]; cells that are no figures are not finite."""
    text = decode(data)
    if text.count("\n") > MOST_ROWS:
        raise UnreadableFile(f"more than {MOST_ROWS} rows")
    by_role = {c.role: c for c in mapping.columns}
    wanted = [by_role["time"], by_role["engine"], by_role.get("road") or by_role["shaft"]]
    wanted += [by_role["throttle"]] if "throttle" in by_role else []
    body = io.StringIO(text)
    for _ in range(mapping.first_line - 1):
        body.readline()
    rest = body.read()
    plain = rest.replace(",", ".") if mapping.decimal == "," else rest
    try:
        if wanted[0].unit == "h:m:s":
            raise ValueError
        found = np.loadtxt(
            io.StringIO(plain),
            delimiter=None if mapping.delimiter == " " else mapping.delimiter,
            usecols=[c.index for c in wanted],
            ndmin=2,
            comments=None,
        )
    except (ValueError, IndexError):
        found = _row_by_row(rest, wanted, mapping)
    return np.column_stack([found[:, i] * ROLES[c.role][c.unit] for i, c in enumerate(wanted)])


def _row_by_row(text: str, wanted: Sequence[Column], mapping: LogMapping) -> Array:
    rows = (
        csv.reader(io.StringIO(text), delimiter=mapping.delimiter)
        if mapping.delimiter != " "
        else (line.split() for line in text.splitlines())
    )
    places = [c.index for c in wanted]
    clocked = wanted[0].unit == "h:m:s"
    try:
        found = [_cells(row, places, mapping.decimal, clocked) for row in rows if row]
    except csv.Error as error:
        raise UnreadableFile(f"a quote is opened and never closed, or a cell is too long ({error})") from error
    return np.array(found, dtype=np.float64).reshape(-1, len(wanted))


def _cells(row: Sequence[str], places: Sequence[int], decimal: str, clocked: bool) -> list[float]:
    return [_cell(row[i] if i < len(row) else "", decimal, clocked and n == 0) for n, i in enumerate(places)]


def _cell(text: str, decimal: str, clocked: bool) -> float:
    try:
        if clocked:
            parts = [float(part.replace(decimal, ".")) for part in text.split(":")]
            return float(sum(part * 60.0**n for n, part in enumerate(reversed(parts))))
        return float(text.replace(decimal, "."))
    except ValueError:
        return float("nan")
