"""Checks a job adds of its own: a sensor gap, hub to bolts, the roughness of a face.

- `OwnCheck`     what is said of one
- `own_name`, `own_names_of_before`   what one goes by in the record of readings, and went by before
- `read_own`     what was said of one, checked, as a check
- `fits_readings`   whether it may be said anew once it was read
- `own_checks`   those of a record
- `known_checks` these and the ones every job has

One is a line of the job's record, so it goes with the job's file, and is read, judged, printed and kept as any other.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from typing import ClassVar, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.parts import part_named
from liftbite.core.job.record import (
    MAX_NAME,
    Kind,
    Line,
    Names,
    Statement,
    in_force,
    keys_of_before,
    lines_of,
    name_key,
)
from liftbite.core.measure.check import Check, Grade, Place, Verdict
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.instruments import INSTRUMENT_KINDS
from liftbite.core.measure.limit import Limit, LimitName
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.read import read
from liftbite.core.words import folded

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
    found = keys_of_before(dict.fromkeys(line.key for line in lines_of(record, OwnCheck)), "check", 40)
    return {_AHEAD + old: _AHEAD + key for old, key in found.items()}


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnCheck(Statement):
    """A check a job adds, by its name: a figure, a look or go/no-go, with its limits, conditions and places."""

    about: ClassVar = Kind("own", "Check of this job", "bench", by_name=True, answers={"asked": "added"})

    answer: Literal["", "asked", "open"] = ""
    kind: Literal["", "figure", "look", "go_no_go"] = ""
    part: str = ""
    unit: str = ""
    least: str = ""
    most: str = ""
    grades: str = ""
    places: str = ""
    how: str = ""

    def hold(self, key: str, who: str) -> None:
        """All of it."""
        read_own(Line(key, self, who))

    def subject(self, key: str, names: Names) -> str:
        """Its name."""
        return f"Check “{key}”" if key else "Check"


def read_own(line: Line[OwnCheck]) -> Check:
    """The check that a line of the record says: a figure with its limits, a look with its conditions, or go or no go.

    Raises
    ------
    UnreadableEntry : a unit there is none of, a limit that is no figure of it, a condition without a verdict, or more
        places than a part has

    >>> read_own(Line("Sensor gap", OwnCheck(unit="mm", least="0.6", most="1 mm"))).limits[1].value
    0.001
    >>> blue = Line("Bluing", OwnCheck(kind="look", grades="none = reuse; a ring = watch; all over = renew"))
    >>> [(grade.word, grade.verdict) for grade in read_own(blue).grades][1]
    ('a ring', 'reuse and watch')
    """
    said = line.statement
    part = part_named(said.part or "Of this job")
    places = tuple(Place(p) for p in _places(line))
    looked = Check(own_name(line.key), part, line.key, said.how, places=lambda _: places, own=True)
    kind = said.kind or "figure"
    if kind != "figure":
        grades = _GO if kind == "go_no_go" else _grades(line)
        return replace(looked, kind="grade", grades=grades, suited=())
    unit = said.unit or "mm"
    si = next((si for si, kind in KINDS.items() if unit in kind.units), None)
    if si is None:
        raise UnreadableEntry(f"{line.key}: “{unit}” is no unit; mm, in, °, N, bar and the like are")
    asked: Mapping[LimitName, str] = {"least": said.least, "most": said.most}
    limits = tuple(_limit(line, name, typed, si, unit) for name, typed in asked.items() if typed)
    least, most = (next((x.value for x in limits if x.name == n), None) for n in ("least", "most"))
    if least is not None and most is not None and least > most:
        raise UnreadableEntry(f"{line.key}: at least {said.least} and at most {said.most} leaves nothing")
    suited = tuple(sorted((name for name, kind in INSTRUMENT_KINDS.items() if kind.unit == si), key=_usual_first))
    return replace(
        looked,
        unit=si,
        field_unit=unit,
        suited=suited,
        limits=limits,
        if_failed="put right",
        usual=(-float("inf"), float("inf")),
    )


#: What a condition comes to, as somebody types it -> the verdict, and how far gone it is.
_COMES_TO: Mapping[str, tuple[Verdict, int]] = {
    "reuse": ("reuse", 0),
    "good": ("reuse", 0),
    "watch": ("reuse and watch", 1),
    "dress": ("dress or resurface", 1),
    "put right": ("put right", 2),
    "renew": ("renew", 2),
    "stop": ("stop", 3),
}
_GO = (
    Grade("go", "Goes", "", "reuse", 0),
    Grade("no_go", "Does not go", "", "put right", 2),
)
#: Most conditions a look may have.
MOST_GRADES = 8


def _grades(line: Line[OwnCheck]) -> tuple[Grade, ...]:
    """The conditions of a look, each with what it comes to: `none = reuse; blue = renew`."""
    found: dict[str, Grade] = {}
    for text in filter(None, (each.strip() for each in re.split(r"[;\n]", line.statement.grades))):
        word, _, says = (each.strip() for each in text.rpartition("="))
        if not word or says.lower() not in _COMES_TO:
            raise UnreadableEntry(
                f"{line.key}: say what “{word or text}” comes to, such as “{word or text} = renew”; "
                f"{', '.join(_COMES_TO)} are known"
            )
        verdict, level = _COMES_TO[says.lower()]
        found[folded(word)] = Grade(word[:MAX_NAME], word[:MAX_NAME], "", verdict, level)
    if not 2 <= len(found) <= MOST_GRADES:
        raise UnreadableEntry(
            f"{line.key}: a look has 2 to {MOST_GRADES} conditions, such as “none = reuse; blue = renew”"
        )
    return tuple(found.values())


def fits_readings(line: Line[OwnCheck], record: Iterable[Line], read: Iterable[str]) -> None:
    """Whether what is said of a check of this job leaves its readings readable.

    Parameters
    ----------
    line : what is said now
    record : what was said before
    read : conditions and figures that were read under it, as typed; nothing where none was

    Raises
    ------
    UnreadableEntry : it was read already, as something else
    """
    typed = list(read)
    before = own_checks(record, ever=True).get(own_name(line.key))
    if line.answer == "open" or before is None or not typed:
        return
    now = read_own(line)
    known = {grade.value for grade in now.grades}
    if (now.kind, now.unit) != (before.kind, before.unit) or (known and not known.issuperset(typed)):
        raise UnreadableEntry(
            f"{line.key} has been read already, as it was; add what is to be read now by another name"
        )


def _usual_first(kind: str) -> tuple[bool, float]:
    """A caliper, as for any other check; then the finer ones first."""
    return kind != "caliper", INSTRUMENT_KINDS[kind].uncertainty


def _limit(line: Line[OwnCheck], name: LimitName, typed: str, si: str, unit: str) -> Limit:
    try:
        value = read(typed, si, unit).si
    except UnreadableEntry as error:
        raise UnreadableEntry(f"{line.key}, at {name}: {error.reason}") from None
    return Limit(name, value, "job", f"said of this job{f' by {line.who}' if line.who else ''}")


def _places(line: Line[OwnCheck]) -> list[str]:
    """The places as they are listed, or so many numbered ones; once where nothing was said."""
    text = line.statement.places.strip()
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
    said = {line.key: line for line in lines_of(lines, OwnCheck) if line.answer != "open"} if ever else {}
    found = [read_own(line) for line in (said | in_force(lines, OwnCheck)).values()]
    return {check.name: check for check in found}


def known_checks(record: Iterable[Line]) -> Mapping[str, Check]:
    """Every check readings of a job may be of."""
    return {**CHECKS, **own_checks(record, ever=True)}
