"""Readings as CSV: one a row, as typed with its unit, in UTC.

- `CsvReading`, `write_readings`   readings to CSV
- `ReadingLine`, `read_readings`   CSV to readings, every fault with its line

Columns: `check`, `place`, `reading` (as typed, with its unit, or the grade's name), and where known `instrument`,
`uncertainty_mm`, `skipped`, `at`, `distance_km`, `series`. Rows with the same `series` belong together. A sweep says
how it was read: `seen_from` (gearbox, engine), `pressed_in_reads` (plus, minus), `sag`, and the radius a face was
`swept` at. What a calculation of the set-up asks has a column too: what a floater's `shims` do (raises,
lowers, with `in` once they are in), and which are `behind` a retainer.
`shown` says the reading once more in the units the shop prefers; coming back in, it is not read.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import UTC, datetime
from typing import Any

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.measure.check import Check
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.keyed import HOW_COLUMNS, how_typed, read_distance, read_filed, read_how
from liftbite.core.measure.reading import Reading
from liftbite.core.units.preference import wanted
from liftbite.core.units.show import bare, show_fine
from liftbite.files.fields import moment_of
from liftbite.files.table import read_table, write_table

COLUMNS = (
    "series",
    "check",
    "place",
    "reading",
    "instrument",
    "uncertainty_mm",
    "skipped",
    "at",
    "distance_km",
    *HOW_COLUMNS,
    "shown",
)
#: Columns as files of before have them.
_BEFORE = {"taking": "series"}
MOST_ROWS = 50_000


@dataclass(frozen=True, slots=True)
class CsvReading:
    """A reading with what it was taken with: its series' name, check, moment (UTC), odometer [m], how it was taken."""

    series: str
    check: str
    reading: Reading
    at: datetime
    distance: float | None = None
    settings: Mapping[str, Any] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class ReadingLine:
    """A row of the file: its line, the reading, or what is wrong with it."""

    number: int
    row: CsvReading | None
    fault: str = ""


def write_readings(rows: Iterable[CsvReading], checks: Mapping[str, Check] = CHECKS) -> str:
    """Readings as CSV.

    >>> at = datetime(2026, 3, 1, 9, 30, tzinfo=UTC)
    >>> reading = Reading("Plate 1, place 1", 2.9e-3, "2.90 mm", "caliper", 3e-5)
    >>> write_readings([CsvReading("1", "plate_thickness", reading, at, 24e6)]).splitlines()[1]
    '1,plate_thickness,"Plate 1, place 1",2.90 mm,caliper,0.03,,2026-03-01T09:30:00Z,24000,,,,,,,,2.9 mm / 0.1142 in'
    """
    table: list[Sequence[str]] = [COLUMNS]
    for row in rows:
        r = row.reading
        moment = row.at.astimezone(UTC).isoformat(timespec="seconds").replace("+00:00", "Z")
        length = checks[row.check].unit == "m" and r.uncertainty
        how = how_typed(checks[row.check], row.settings)
        table.append(
            [
                row.series,
                row.check,
                r.place,
                r.typed,
                r.instrument,
                bare(r.uncertainty, "mm") if length else "",
                r.skipped,
                moment,
                "" if row.distance is None else bare(row.distance, "km"),
                *(how.get(name, "") for name in HOW_COLUMNS),
                _shown(r, checks[row.check]),
            ]
        )
    return write_table(table)


def _shown(reading: Reading, check: Check) -> str:
    if reading.si is None or check.kind != "reading" or reading.skipped:
        return ""
    return " / ".join(str(show_fine(reading.si, check.unit, system)) for system in wanted())


def read_readings(text: str, now: datetime, checks: Mapping[str, Check] = CHECKS) -> list[ReadingLine]:
    """The rows of a file of readings; a row without a moment is taken as read `now`.

    Raises
    ------
    UnreadableFile : it has no header this knows, or is no table
    """
    rows = read_table(text, MOST_ROWS)
    heads = [_BEFORE.get(cell.strip().lower(), cell.strip().lower()) for cell in rows[0]]
    unknown = next((cell for cell in heads if cell and cell not in COLUMNS), None)
    if unknown is not None:
        raise UnreadableFile(f"“{unknown}” is no column of readings; they are {', '.join(COLUMNS)}", 1)
    for needed in ("check", "place", "reading"):
        if needed not in heads:
            raise UnreadableFile(f"the first row names no column “{needed}”", 1)
    found = []
    for number, row in enumerate(rows[1:], start=2):
        cells = {head: cell.strip() for head, cell in zip(heads, row + [""] * len(heads), strict=False)}
        if any(cells.values()):
            found.append(_line(number, cells, now, checks))
    return found


def _line(number: int, cells: dict[str, str], now: datetime, checks: Mapping[str, Check]) -> ReadingLine:
    try:
        return ReadingLine(number, _row(cells, now, checks))
    except UnreadableEntry as error:
        return ReadingLine(number, None, error.reason)


def _row(cells: dict[str, str], now: datetime, checks: Mapping[str, Check]) -> CsvReading:
    check = checks.get(cells["check"])
    if check is None:
        raise UnreadableEntry(f"“{cells['check']}” is no check")
    at = _moment(cells.get("at", ""), now)
    distance = read_distance(cells.get("distance_km", ""))
    doubt = cells.get("uncertainty_mm", "")
    try:
        uncertainty = float(doubt.replace(",", ".")) / 1e3 if doubt else None
    except ValueError:
        raise UnreadableEntry(f"“{doubt}” is no uncertainty in mm") from None
    reading = read_filed(
        check, cells["place"], cells["reading"], cells.get("instrument", ""), uncertainty, cells.get("skipped", "")
    )
    return CsvReading(cells.get("series", "")[:40], check.name, reading, at, distance, read_how(check, cells))


def _moment(text: str, now: datetime) -> datetime:
    if not text:
        return now
    try:
        return moment_of(text)
    except ValueError as error:
        raise UnreadableEntry(str(error)) from None
