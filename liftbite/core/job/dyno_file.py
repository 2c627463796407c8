"""From a dynamometer file, read as its mapping says, to a torque curve; and a curve to a file.

- `CurveFile`, `read_curve`   text and confirmed mapping to a `TorqueCurve`, with notes on what was done
- `write_csv`  a curve as CSV, which reads back to the same curve

Torque gives power and power gives torque. What cannot be read is refused with the number of its line.
"""

from __future__ import annotations

import csv
import io
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache
from itertools import pairwise

import numpy as np

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.job.classes import CLASSES, VehicleClass
from liftbite.core.job.dyno_mapping import ROLES, ColumnMapping, factor_of, units_of
from liftbite.core.job.dyno_table import Lines, Rows, cells_of, figure_of, figures_in, lines_of
from liftbite.core.job.inputs import INPUTS
from liftbite.core.quantities.torque_curve import Array, TorqueCurve
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.preference import wanted
from liftbite.core.units.read import from_si, read, to_si
from liftbite.core.units.show import show


@dataclass(frozen=True, slots=True)
class CurveFile:
    """A curve read from a file, what was done to get there, and what is asked before it is taken, in sentences."""

    curve: TorqueCurve
    notes: tuple[str, ...] = ()
    asks: tuple[str, ...] = ()


def read_curve(text: str, mapping: ColumnMapping, vehicle_class: str = "") -> CurveFile:
    """The curve of a file, read as `mapping` says.

    Repeated speeds are averaged, unsorted ones sorted, rows with an empty cell or without forward torque left out;
    each of these is said in a note. Where the file has torque and power, each is used to check the other, P = T·ω, and
    where they contradict each other neither is taken until somebody says which counts.

    Parameters
    ----------
    text : of the file
    mapping : how it is read
    vehicle_class : of `classes.CLASSES`, whose engine the peak is held against; empty where none was said

    Raises
    ------
    UnreadableFile : the mapping is incomplete, a cell is no figure, with its line, or torque and power disagree

    >>> mapping = ColumnMapping(",", ".", 2, 0, None, 1, "rpm", "", "hp")
    >>> file = read_curve("rpm,hp\\n5252.113,100\\n6000,110\\n", mapping)
    >>> round(from_si(file.curve.torque_at(550.0), "lb-ft"), 1)
    100.0
    """
    raw, left = _raw(text, mapping)
    out = mapping.leave_out
    skipped = +left
    skipped.update({"outside the run": len(out)} if out else {})
    raw, beyond = _swept(_of_run(raw, mapping), mapping)
    skipped.update({"after the highest speed": beyond} if beyond else {})
    turns = np.all([values > 0 for role, values in raw.items() if not (role == "power" and "torque" in raw)], axis=0)
    if not turns.all():
        skipped["without forward torque or speed"] = int((~turns).sum())
        raw = {role: values[turns] for role, values in raw.items()}
    si = {role: factor_of(role, mapping.unit(role)) * values for role, values in raw.items()}
    speed = si["speed"] if "speed" in si else si["road"] / _per_turn(mapping.gearing)
    if np.unique(speed).size < 2:
        raise UnreadableFile("fewer than two different engine speeds; a curve wants at least two")
    notes = [f"{count} row{'s' * (count > 1)} {why} left out." for why, count in skipped.items()]
    torque, says = _torque(speed, si, mapping.trust)
    notes += says
    order = np.argsort(speed, kind="stable")
    if np.any(np.diff(speed) < 0):
        notes.append("Rows were sorted by engine speed.")
    unique, start, count = np.unique(speed[order], return_index=True, return_counts=True)
    if count.max() > 1:
        notes.append(f"{int((count > 1).sum())} engine speeds stood more than once; their torque was averaged.")
    curve = TorqueCurve(unique, np.add.reduceat(torque[order], start) / count)
    return CurveFile(curve, tuple(notes), tuple(_asks(curve, CLASSES.get(vehicle_class))))


def raw_columns(text: str, mapping: ColumnMapping) -> dict[str, Array]:
    """The figures of every column in use as they stand in the file, all runs of it.

    Raises
    ------
    UnreadableFile : as `read_curve`
    """
    return _raw(text, mapping)[0]


def _raw(text: str, mapping: ColumnMapping) -> tuple[dict[str, Array], Counter[str]]:
    """The figures of every column in use, and why how many rows give none."""
    used, out = _used_columns(mapping), frozenset(mapping.leave_out)
    lines = [
        line
        for line in lines_of(text)
        if line[0] >= mapping.first_row
        and line[0] not in out
        and (mapping.last_row is None or line[0] <= mapping.last_row)
    ]
    plain = _plain_columns(lines, mapping.delimiter, used) if mapping.decimal == "." else None
    return plain or _columns_of_cells(cells_of(lines, mapping.delimiter), used, mapping.decimal)


def _of_run(raw: dict[str, Array], mapping: ColumnMapping) -> dict[str, Array]:
    """The rows of the run that was picked."""
    if mapping.run is None:
        return raw
    found = runs_in(raw.get("speed", raw.get("road", np.zeros(0))))
    if not 1 <= mapping.run <= len(found):
        raise UnreadableFile(f"run {mapping.run} is not there; the file holds {len(found)}")
    return {role: values[found[mapping.run - 1]] for role, values in raw.items()}


def runs_in(speed: Array) -> list[slice]:
    """Runs that stand one below the other: each begins where the speed falls at once by more than half its range.

    Where what lies between is no sweep, over most of the range and mostly upwards, the rows are only unsorted.

    >>> runs_in(np.array([2000.0, 4000, 6000, 2000, 4000, 6000]))
    [slice(0, 3, None), slice(3, 6, None)]
    """
    if speed.size < 4:
        return [slice(0, speed.size)]
    falls = np.flatnonzero(np.diff(speed) < -0.5 * np.ptp(speed)) + 1
    ends = [0, *(int(i) for i in falls), speed.size]
    found = [slice(a, b) for a, b in pairwise(ends) if b - a > 1]
    sweeps = [np.ptp(speed[s]) >= 0.6 * np.ptp(speed) and np.mean(np.diff(speed[s]) > 0) >= 0.5 for s in found]
    return found if all(sweeps) else [slice(0, speed.size)]


def runs_down(speed: Array, made: Array) -> int:
    """Rows after the highest speed in which the engine only coasts down.

    None where it bounces off a limiter, or where it makes there what it made on the way up: a sweep back, or rows that
    are not sorted.

    Parameters
    ----------
    speed : row by row
    made : torque or power of each row

    >>> speed = np.array([2000.0, 4000, 6000, 5000, 4000, 3000])
    >>> coasts, pulls = np.array([200.0, 220, 210, 20, 20, 20]), np.array([200.0, 220, 210, 212, 220, 210])
    >>> runs_down(speed, coasts), runs_down(speed, pulls)
    (3, 0)
    """
    top = int(np.argmax(speed))
    after = speed[top + 1 :]
    if after.size < 3 or after.min() > speed.max() - 0.2 * np.ptp(speed):
        return 0
    order = np.argsort(speed[: top + 1])
    on_the_way_up = np.interp(after, speed[: top + 1][order], made[: top + 1][order])
    return after.size if np.median(made[top + 1 :]) < 0.5 * np.median(on_the_way_up) else 0


def _swept(raw: dict[str, Array], mapping: ColumnMapping) -> tuple[dict[str, Array], int]:
    """What the sweep that was picked keeps, and how many rows it leaves."""
    speed = raw.get("speed", raw.get("road", np.zeros(0)))
    if mapping.sweep == "all" or speed.size == 0:
        return raw, 0
    end = int(np.argmax(speed)) + 1
    return {role: values[:end] for role, values in raw.items()}, speed.size - end


def _per_turn(gearing: str) -> float:
    """Road speed per engine speed [m/rad] from what is typed per 1000 rpm, bare in km/h."""
    if not gearing.strip():
        raise UnreadableFile("say how fast it goes per 1000 rpm in the gear that was driven, such as 32 km/h")
    try:
        found = read(gearing, "m/s", "km/h").si
    except UnreadableEntry as error:
        raise UnreadableFile(f"speed per 1000 rpm: {error.reason}") from None
    if found <= 0:
        raise UnreadableFile("the speed per 1000 rpm has to be above 0")
    return found / to_si(1000, "rpm")


def _torque(speed: Array, si: dict[str, Array], trust: str) -> tuple[Array, list[str]]:
    """The torque of every row, and how it came about.

    Raises
    ------
    UnreadableFile : torque and power stand in the file, disagree, and nobody said which counts
    """
    if "torque" not in si and "power" not in si:
        return si["force"] * si["road"] / speed, ["Torque was worked out from tractive force: T = F·v/ω."]
    if "torque" not in si:
        return si["power"] / speed, ["Torque was worked out from power: T = P/ω."]
    torque, power = si["torque"], si.get("power")
    told = _disagreement(speed, torque, power)
    if power is None or not told:
        return torque, []
    if not trust:
        raise UnreadableFile(f"{told}; mend the unit, or say which of the two counts")
    taken = torque if trust == "torque" else power / speed
    return taken, [f"{told}. The {trust} was taken, as said."]


#: Torque from row to row that jumps by more is no run [share]; our own choice.
_JUMP = 0.15
#: Peak torque over that of its class as it left the factory, or the other way round, past which it is asked; our own.
_OFF_CLASS = 2.6


def _asks(curve: TorqueCurve, known: VehicleClass | None) -> Iterator[str]:
    """What is so unusual about a curve that it is asked before it is taken."""
    least, most = INPUTS["peak_torque"].usual
    if curve.peak_torque > most or curve.peak_power > INPUTS["peak_power"].usual[1]:
        yield (
            f"A peak of {show(curve.peak_torque, 'N·m', 'metric')} and {show(curve.peak_power, 'W', 'metric')} is "
            "beyond any engine a clutch is built for. Are the columns and their units right?"
        )
    elif curve.peak_torque < least:
        yield f"A peak of {show(curve.peak_torque, 'N·m', 'metric')} moves no vehicle. Are the units right?"
    elif known is not None and not known.torque / _OFF_CLASS <= curve.peak_torque <= known.torque * _OFF_CLASS:
        yield (
            f"A peak of {show(curve.peak_torque, 'N·m', 'metric')} is {curve.peak_torque / known.torque:.2g} times "
            f"what a {known.label[0].lower()}{known.label[1:]} has as it left the factory. Are file and units "
            "right?"
        )
    if from_si(float(curve.speed[-1]), "rpm") > 25_000 or from_si(float(curve.speed[-1]), "rpm") < 900:
        yield f"The run ends at {show(float(curve.speed[-1]), 'rad/s', 'metric')}. Is that the engine's speed?"
    steps = np.diff(curve.torque)
    turns = np.mean(np.sign(steps[1:]) != np.sign(steps[:-1])) if steps.size > 4 else 0.0
    if turns > 0.5 and np.median(np.abs(steps)) > _JUMP * float(np.median(curve.torque)):
        yield "The torque jumps up and down from row to row. Are several runs mixed, or is it another column?"


def _plain_columns(lines: Lines, delimiter: str, used: dict[str, int]) -> tuple[dict[str, Array], Counter[str]] | None:
    """The figures of each column where all are plain ones, read at one go; None where one is not."""
    last = max(used.values())
    cells = [line.split(delimiter, last + 1) for _, line in lines]
    if not cells or min(map(len, cells)) <= last or any('"' in line or "_" in line for _, line in lines):
        return None
    try:
        found = {role: np.array([row[index] for row in cells], dtype=np.float64) for role, index in used.items()}
    except ValueError:
        return None
    return (found, Counter()) if all(np.isfinite(values).all() for values in found.values()) else None


def _columns_of_cells(rows: Rows, used: dict[str, int], decimal: str) -> tuple[dict[str, Array], Counter[str]]:
    """The figures of each column, cell by cell, and why how many rows give none.

    Raises
    ------
    UnreadableFile : a cell is no figure, with its line
    """
    found: dict[str, list[float]] = {role: [] for role in used}
    left: Counter[str] = Counter()
    for number, cells in rows:
        if figures_in(cells) == 0 and any(cells):
            left["of headings"] += 1
            continue
        figures = _cells(number, cells, used, decimal)
        if figures is None:
            left["with an empty cell"] += 1
            continue
        for role, value in figures.items():
            found[role].append(value)
    return {role: np.asarray(values, dtype=np.float64) for role, values in found.items()}, left


def _used_columns(mapping: ColumnMapping) -> dict[str, int]:
    used = {role: index for role, index in ((role, mapping.column(role)) for role in ROLES) if index is not None}
    pulls = {"force", "road"} <= used.keys()
    if "torque" in used or "power" in used:
        used = {role: index for role, index in used.items() if role not in {"force", "road"}}
        pulls = False
    if "speed" not in used and not pulls:
        raise UnreadableFile("say which column is the engine speed")
    if not pulls and len(used) < 2:
        raise UnreadableFile("say which column is torque or power")
    if len(set(used.values())) < len(used):
        raise UnreadableFile("one column cannot be two things")
    for role in used:
        if mapping.unit(role) not in units_of(role):
            raise UnreadableFile(f"say the unit of the {role}: {', '.join(units_of(role))}")
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


def _disagreement(speed: Array, torque: Array, power: Array | None) -> str:
    """How torque, power and speed contradict each other; empty where they do not."""
    if power is None:
        return ""
    ratio = float(np.median(power / (torque * speed)))
    if abs(ratio - 1) < 0.03:
        return ""
    told = next((text for factor, text in _mistakes() if abs(ratio / factor - 1) < 0.02), "check both units")
    return f"Power and torque disagree: P is {ratio:.3g} times T·ω; {told}"


def write_csv(curve: TorqueCurve) -> str:
    """A curve as CSV, in inch units where those alone are preferred; reads back through `propose` and `read_curve`."""
    torque_in, power_in = KINDS["N·m"], KINDS["W"]
    system = wanted()[0]
    units = [torque_in.metric, power_in.metric] if system == "metric" else [torque_in.inch, power_in.inch]
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(["engine speed [rpm]", f"torque [{units[0]}]", f"power [{units[1]}]"])
    for speed, torque, power in zip(curve.speed, curve.torque, curve.power, strict=True):
        writer.writerow(
            f"{from_si(value, unit):.12g}" for value, unit in zip((speed, torque, power), ("rpm", *units), strict=True)
        )
    return out.getvalue()
