"""Lines of a record and what they are read to, from plain words, for tests."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from liftbite.core.fit.bolt_map import Hole, HoleMapped, read_hole
from liftbite.core.fit.pattern import Pattern, PatternMeasured, read_pattern
from liftbite.core.fit.tightening import JointInstruction, read_way
from liftbite.core.fit.way import Way
from liftbite.core.job.record import Line, Statement, fields_of, needed_of
from liftbite.core.prove.fluids import Filled, FluidFilled, read_filled
from liftbite.core.statements import KINDS


def made(kind: type[Statement], words: Mapping[str, str]) -> Any:
    """A statement of a kind as the words say, unchecked; what has to be answered and is not has the first answer."""
    first = {name: (fields_of(kind)[name] or ("",))[0] for name in needed_of(kind)}
    of: Any = kind
    return of(**{name + "_" * (name == "class"): text for name, text in (first | dict(words)).items()})


def line(kind: str, key: str, words: Mapping[str, str], who: str = "", at: str = "") -> Line[Any]:
    """A line of the record, unchecked."""
    return Line(key, made(KINDS[kind], words), who, at)


def way_of(key: str, words: Mapping[str, str]) -> Way:
    """An instruction of a joint."""
    return read_way(key, made(JointInstruction, words))


def hole_of(key: str, words: Mapping[str, str]) -> Hole:
    """A hole of the bolt map."""
    return read_hole(key, made(HoleMapped, words))


def pattern_of(joint: str, words: Mapping[str, str]) -> Pattern:
    """What was measured of the holes of a joint."""
    return read_pattern(joint, made(PatternMeasured, words))


def filled_of(key: str, words: Mapping[str, str]) -> Filled:
    """A filling of a fluid."""
    return read_filled(key, made(FluidFilled, words))
