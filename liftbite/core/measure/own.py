"""Checks a job adds of its own: a sensor gap, hub to bolts, the roughness of a face.

- `own_name`, `own_names_of_before`   what one goes by in the record of readings, and went by before
- `read_own`     what was said of one, checked, as a check
- `own_checks`   those of a record
- `known_checks` these and the ones every job has

One is a line of the job's record, so it goes with the job's file, and is read, judged, printed and kept as any other.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.record import Line, in_force, keys_of_before, name_key
from liftbite.core.measure.check import Check, Limit, LimitName, Place
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.instruments import INSTRUMENT_KINDS
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.read import read

#: Most places one may have.
MOST_PLACES = 24
_AHEAD = "own_"


def own_name(label: str) -> str:
    """A name of letters, figures and underscores, of every label one.

    >>> own_name("Sensor gap"), own_name("Sensor gap, 2 o'clock")
    ('own_sensor_gap', 'own_sensor_gap_2_o_clock_4d7b56944524')
    """
    return _AHEAD + name_key(label, "check", 40)


def own_names_of_before(record: Iterable[Line]) -> dict[str, str]:
    """Name of before -> name, of the checks a record adds or added."""
    found = keys_of_before(dict.fromkeys(line.key for line in record if line.kind == "own"), "check", 40)
    return {_AHEAD + old: _AHEAD + key for old, key in found.items()}


def read_own(line: Line) -> Check:
    """The check that a line of the record says.

    Raises
    ------
    UnreadableEntry : a unit there is none of, a limit that is no figure of it, or more places than a part has

    >>> read_own(Line("own", "Sensor gap", {"unit": "mm", "least": "0.6", "most": "1 mm"})).limits[1].value
    0.001
    """
    said = line.said
    unit = said.get("unit", "mm")
    si = next((si for si, kind in KINDS.items() if unit in kind.units), None)
    if si is None:
        raise UnreadableEntry(f"{line.key}: “{unit}” is no unit; mm, in, °, N, bar and the like are")
    limits = tuple(_limit(line, name, si, unit) for name in ("least", "most") if said.get(name))
    least, most = (next((x.value for x in limits if x.name == n), None) for n in ("least", "most"))
    if least is not None and most is not None and least > most:
        raise UnreadableEntry(f"{line.key}: at least {said['least']} and at most {said['most']} leaves nothing")
    suited = tuple(sorted((name for name, kind in INSTRUMENT_KINDS.items() if kind.unit == si), key=_usual_first))
    places = tuple(Place(p) for p in _places(line))
    part, anything = said.get("part") or "Of this job", (-float("inf"), float("inf"))
    return Check(own_name(line.key), part, line.key, said.get("how", ""), "reading", si, unit, suited,
                 places=lambda _: places, limits=limits, if_failed="put right", usual=anything, own=True)  # fmt: skip


def _usual_first(kind: str) -> tuple[bool, float]:
    """A caliper, as for any other check; then the finer ones first."""
    return kind != "caliper", INSTRUMENT_KINDS[kind].uncertainty


def _limit(line: Line, name: LimitName, si: str, unit: str) -> Limit:
    try:
        value = read(line.said[name], si, unit).si
    except UnreadableEntry as error:
        raise UnreadableEntry(f"{line.key}, at {name}: {error.reason}") from None
    return Limit(name, value, "job", f"said of this job{f' by {line.who}' if line.who else ''}")


def _places(line: Line) -> list[str]:
    """The places as they are listed, or so many numbered ones; once where nothing was said."""
    text = line.said.get("places", "").strip()
    if not text.isdigit():
        names = list(dict.fromkeys(p.strip() for p in re.split(r"[,;\n]", text) if p.strip()))
    elif int(text) > MOST_PLACES:
        names = [""] * int(text)
    else:
        names = [f"Place {n}" for n in range(1, int(text) + 1)]
    if len(names) > MOST_PLACES:
        raise UnreadableEntry(f"{line.key}: {len(names)} places are too many; {MOST_PLACES} fit")
    return names if len(names) > 1 or (names and not text.isdigit()) else ["Once"]


def own_checks(record: Iterable[Line], *, ever: bool = False) -> dict[str, Check]:
    """Name -> check, of those that stand; with `ever` of those that were taken back as well, whose readings remain."""
    lines = list(record)
    said = {line.key: line for line in lines if line.kind == "own" and line.answer != "open"} if ever else {}
    found = [read_own(line) for line in (said | in_force(lines, "own")).values()]
    return {check.name: check for check in found}


def known_checks(record: Iterable[Line]) -> Mapping[str, Check]:
    """Every check readings of a job may be of."""
    return {**CHECKS, **own_checks(record, ever=True)}
