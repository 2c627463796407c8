"""Where the holes of a joint stand: on a circle, by angles, or dragged over a photo; at true size from one length.

- `PatternMeasured`   what is said of it
- `Pattern`, `read_pattern`   what was measured of it, and where its numbers begin
- `places_of`   its holes at true size
- `ways_round`    in how many ways round it goes on

A drawing or a photo gives proportions; only a length that was measured and typed makes a card of them that is laid on
the part.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass
from math import cos, dist, pi, sin
from typing import ClassVar, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolt_map import Hole
from liftbite.core.job.photos import DIGEST
from liftbite.core.job.record import Kind, Statement
from liftbite.core.units.read import read

Place = tuple[float, float]
#: Holes nearer to each other than this share of the pattern's radius are at the same place; half a degree on a circle.
_SAME = 0.5 * pi / 180


@dataclass(frozen=True, slots=True)
class Pattern:
    """What was measured of the holes of a joint.

    Attributes
    ----------
    joint : which one
    across : diameter of its circle [m]; None where it has none, or nobody measured
    between : two holes and the length from middle to middle [m]; None where nobody measured
    photo : the photo it was dragged over, by its digest; empty where it was none
    starts : whether 1 is at the part's own mark, or at the top as seen
    """

    joint: str
    across: float | None = None
    between: tuple[int, int, float] | None = None
    photo: str = ""
    starts: Literal["part", "clock"] = "part"


_BETWEEN = re.compile(r"(\d{1,2}) ?[-–] ?(\d{1,2}) ?: ?(.{1,40})")


@dataclass(frozen=True, slots=True, kw_only=True)
class PatternMeasured(Statement):
    """What was measured of the holes of a joint: across its circle, or between two of them."""

    about: ClassVar = Kind("pattern", "Pattern of holes", "plan")

    answer: Literal["kept", "open"]
    across: str = ""
    between: str = ""
    photo: str = ""
    starts: Literal["", "part", "clock"] = ""

    def hold(self, key: str, who: str) -> None:
        """All of it."""
        read_pattern(key, self)


def read_pattern(key: str, said: PatternMeasured | None) -> Pattern:
    """What was said of a joint's holes; None where nothing was.

    Raises
    ------
    UnreadableEntry : what is no length, or no photo

    >>> read_pattern("Flywheel", PatternMeasured(answer="kept", across="78 mm")).across
    0.078
    """
    if not key.strip():
        raise UnreadableEntry("Pattern: say of which joint")
    if said is None:
        return Pattern(key.strip())
    if said.photo and not DIGEST.fullmatch(said.photo):
        raise UnreadableEntry("Pattern: a photo goes by the SHA-256 of its JPEG")
    across = _length(said.across, "across") if said.across else None
    between = _between(said.between) if said.between else None
    return Pattern(key.strip(), across, between, said.photo, "clock" if said.starts == "clock" else "part")


def _between(typed: str) -> tuple[int, int, float]:
    found = _BETWEEN.fullmatch(typed.strip())
    if found is None or found[1] == found[2]:
        raise UnreadableEntry(
            f"Pattern: “{typed}” is not understood; write two holes and the length, as “1-4: 143.5 mm”"
        )
    return int(found[1]), int(found[2]), _length(found[3], "between")


def _length(typed: str, what: str) -> float:
    found = float(read(typed, "m", "mm").si)
    if not 0.005 <= found <= 1.5:
        raise UnreadableEntry(f"Pattern, {what}: “{typed}” is no length between bolts")
    return found


def drawn_at(hole: Hole) -> Place | None:
    """Where a hole is on the drawing, whose circle has radius 1: x to the right, y up; None where nobody said."""
    return None if hole.angle is None else (hole.out * sin(hole.angle), hole.out * cos(hole.angle))


def places_of(holes: Sequence[Hole], pattern: Pattern) -> dict[int, Place]:
    """The holes of a joint at true size from the drawing's middle, x to the right and y up [m], by their number.

    Raises
    ------
    UnreadableEntry : a hole nobody placed, or no length that was measured
    """
    drawn = {hole.number: place for hole in holes if (place := drawn_at(hole)) is not None}
    loose = sorted(hole.number for hole in holes if hole.number not in drawn)
    if loose or len(drawn) < 3:
        first = f"place hole {', '.join(map(str, loose))}" if loose else "place three holes at least"
        raise UnreadableEntry(f"{pattern.joint}: {first} before a card is drawn")
    if pattern.between is not None:
        one, other, length = pattern.between
        if one not in drawn or other not in drawn:
            raise UnreadableEntry(f"{pattern.joint}: there is no hole {one if one not in drawn else other}")
        apart = dist(drawn[one], drawn[other])
        if apart < 0.02:
            raise UnreadableEntry(
                f"{pattern.joint}: {one} and {other} lie on each other; measure between two that do not"
            )
        scale = length / apart
    elif pattern.across is not None and all(abs(hole.out - 1) < 1e-9 for hole in holes):
        scale = pattern.across / 2
    else:
        raise UnreadableEntry(
            f"{pattern.joint}: a card at 1:1 wants a length that was measured: across its circle, or between two holes"
        )
    return {number: (x * scale, y * scale) for number, (x, y) in drawn.items()}


def ways_round(places: Sequence[Place]) -> int:
    """In how many ways round holes at these places go on; 1 for a pattern that is indexed.

    A turn that brings every hole onto a hole leaves their common middle where it is, so it is turned about that.

    >>> six = [(sin(n * pi / 3), cos(n * pi / 3)) for n in range(6)]
    >>> ways_round(six), ways_round([(0, 1), *six[1:5], (-0.7, 0.71)])
    (6, 1)
    """
    x, y = (sum(axis) / len(places) for axis in zip(*places, strict=True))
    holes = [complex(a - x, b - y) for a, b in places]
    reach = max(abs(hole) for hole in holes)
    near = _SAME * reach
    outer = next(hole for hole in holes if abs(hole) == reach)
    turns = [other / outer / abs(other / outer) for other in holes if abs(abs(other) - reach) < near]
    return sum(all(any(abs(hole * turn - other) < near for other in holes) for hole in holes) for turn in turns)
