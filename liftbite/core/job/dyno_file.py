"""From a dynamometer file, read as its mapping says, to a torque curve; and a curve to a file.

- `CurveFile`, `read_curve`   text and confirmed mapping to a `TorqueCurve`, with notes on what was done
- `write_csv`  a curve as CSV, which reads back to the same curve

Torque gives power and power gives torque. What cannot be read is refused with the number of its line.
"""

from __future__ import annotations

import csv
import io
from collections import Counter
from dataclasses import dataclass, field
from functools import cache

import numpy as np

from liftbite.core.errors import UnreadableFile
from liftbite.core.job.dyno_mapping import ROLES, ColumnMapping
from liftbite.core.job.dyno_table import Lines, Rows, cells_of, figure_of, lines_of
from liftbite.core.quantities.torque_curve import Array, TorqueCurve
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.read import from_si, to_si


@dataclass(frozen=True, slots=True)
class CurveFile:
    """A curve read from a file, with sentences on what was done to get there."""

    curve: TorqueCurve
    notes: tuple[str, ...] = field(default_factory=tuple)


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
    lines = [line for line in lines_of(text) if line[0] >= mapping.first_row]
    plain = _plain_columns(lines, mapping.delimiter, used) if mapping.decimal == "." else None
    raw, empty = plain or _columns_of_cells(cells_of(lines, mapping.delimiter), used, mapping.decimal)
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
            found[role] = figure_of(cell, decimal)
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
