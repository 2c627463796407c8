"""A tightening as it is spoken: one figure, a range, stages, one a size, torque and angle, two units, by feel.

- `Spoken`, `OfSize`   what was meant
- `read_spoken`        from a text, or a refusal that says what would be right

"14 to 19 ft-lb" is a range: its middle is aimed at, both ends are allowed. "15, 20, 25 lb-ft" are stages: the last is
the figure, and its unit holds for all. "28 and 53" are two sizes. "72 N·m or 53 ft-lb" is one figure in two units.
Source: common practice, no source.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from fractions import Fraction
from itertools import pairwise
from math import radians
from typing import Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.units.read import read

How = Literal["figure", "by_feel", "none_known"]
#: Two figures of one torque may lie this far apart [-]; most of a torque [N·m], of an angle [rad].
APART, MOST, TURN = 0.02, 1_000.0, radians(720)
_LONGEST = 200
_N = r"\d+(?:[.,]\d+)?(?: \d+/\d+)?|\d+/\d+"
_FEEL = re.compile(r"\b(by feel|snug|hand[ -]tight|finger[ -]tight|no room for (?:a|the) wrench|nipped up)\b")
_NONE = re.compile(r"^(no figure(?: known)?|none(?: known)?|not known|unknown|i? ?don'?t know|nobody knows)\.?$")
_DEGREES = re.compile(rf"(?:\+|,|\bplus\b|\bthen\b|\band\b)? ?\+? ?({_N}) ?(?:°|º|deg\b\.?|degrees?\b)(?: further)?$")
_BARE_ANGLE = re.compile(rf"\+ ?({_N})$")
_SHARES = {
    "quarter": 1 / 4,
    "half": 1 / 2,
    "third": 1 / 3,
    "sixth": 1 / 6,
    "eighth": 1 / 8,
    "twelfth": 1 / 12,
    "full": 1.0,
}
_TURN = re.compile(
    r"(?:\+|,|\bplus\b|\bthen\b|\band\b)? ?\+? ?"
    r"(?:(a|an|one|two|three|1|2|3)[ -])?(?:(\d+/\d+)|(quarter|half|third|sixth|eighth|twelfth|full)s?)?"
    r"(?: of)?(?: an?)?[ -]turns?$"
)
_COUNTS = {"a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "": 1}
_STAGES = re.compile(r",? ?\bin (two|three|four|2|3|4|halves|thirds|quarters) ?(?:stages?|steps?|passes)?$")
_COUNT_OF = {"two": 2, "2": 2, "halves": 2, "three": 3, "3": 3, "thirds": 3, "four": 4, "4": 4, "quarters": 4}
_RANGE = re.compile(rf"(?:between |from )?({_N}) ?([^\d(]*?) ?(?:to|-|–|—|\.\.\.?|…) ?({_N})(?!/) ?(.*)$")
_BETWEEN = re.compile(rf"between ({_N}) ?([^\d]*?) ?and ({_N}) ?(.*)$")
_BOTH = re.compile(rf"({_N}) ?([^\d(=/]+?) ?(?:\bor\b|=|/|\(|,) ?({_N}) ?([^\d)]+?)\)?$")
_FIGURE = re.compile(rf"({_N}) ?([^\d]*)$")
_EXAMPLE = "write it as “53 lb-ft”, “14 to 19 lb-ft”, “15, 20, 25 lb-ft”, “53 large, 28 small”, or “44 lb-ft + 90°”"
#: Units as they are said -> as they are written.
_UNITS = (
    (re.compile(r"\bnewton[ -]?met(?:er|re)s?\b|\bnewtons? met(?:er|re)s?\b"), "N·m"),
    (
        re.compile(r"\b(?:inch|in)[ .·-]?(?:pounds?|lbf?s?)\b\.?|\b(?:lbf?s?|pounds?)[ .·-]?(?:inch(?:es)?|in)\b"),
        "lb-in",
    ),
    (
        re.compile(r"\b(?:foot|feet|ft)[ .·-]*(?:pounds?|lbf?s?)\b\.?|\b(?:lbf?s?|pounds?)[ .·-]*(?:foot|feet|ft)\b"),
        "lb-ft",
    ),
    (re.compile(r"\b(?:kgf?|kilos?)[ .·-]?m(?:et(?:er|re)s?)?\b|\bmkgf?\b|\bm[ .·-]kgf?\b"), "kgf·m"),
    (re.compile(r"\bn[ .·*-]?m\b", re.IGNORECASE), "N·m"),
)
_UNIT = re.compile(r"(?:N·m|lb-in|lb-ft|kgf·m)")


@dataclass(frozen=True, slots=True)
class OfSize:
    """What the bolts of one size are tightened to: what they are called, torque aimed at and allowed [N·m]."""

    size: str
    torque: float
    low: float
    high: float


@dataclass(frozen=True, slots=True)
class Spoken:
    """What was meant.

    Attributes
    ----------
    typed : as typed, without what goes with it
    how : a figure, by feel, or that none is known
    torque, low, high : aimed at, and the ends that are allowed [N·m]; 0 where there is no figure
    angle : after it [rad]
    stages : torques on the way, the last the figure [N·m]; nothing where nobody said
    sizes : where bolts of one joint differ, the largest figure first
    words : what goes with it: locker, oil, washers
    """

    typed: str
    how: How
    torque: float = 0.0
    low: float = 0.0
    high: float = 0.0
    angle: float = 0.0
    stages: tuple[float, ...] = ()
    sizes: tuple[OfSize, ...] = ()
    words: str = ""


def read_spoken(typed: str, field_unit: str = "N·m") -> Spoken:
    """What was meant by a tightening as it is spoken.

    Parameters
    ----------
    typed : as typed or heard
    field_unit : unit of a figure that names none

    Raises
    ------
    UnreadableEntry : what is not understood, or what has to be said more closely

    >>> said = read_spoken("14 to 19 ft-lb")
    >>> round(said.torque / 1.3558, 2), round(said.low / 1.3558), round(said.high / 1.3558)
    (16.5, 14, 19)
    >>> [round(t / 1.3558) for t in read_spoken("15, 20, 25 lb-ft").stages]
    [15, 20, 25]
    >>> [(s.size, round(s.torque / 1.3558)) for s in read_spoken("28 and 53 lb-ft").sizes]
    [('large', 53), ('small', 28)]
    """
    if len(typed) > _LONGEST:
        raise UnreadableEntry(f"a figure of {len(typed)} characters is too long; {_EXAMPLE}")
    said, words = _without_words(" ".join(typed.replace("−", "-").split()))
    text, count = _without_stages(said.lower())
    text = _with_units(text)
    if _NONE.match(text):
        return Spoken(said, "none_known", words=words)
    text, angle = _without_angle(text)
    if _FEEL.search(text) and not any(c.isdigit() for c in text):
        return Spoken(said, "by_feel", angle=angle, words=words)
    if angle and not text:
        raise UnreadableEntry(f"“{typed}”: say the torque before the angle, or “snug + 90°”")
    found = _torques(text, typed, field_unit)
    if count:
        stages = tuple(found.torque * n / count for n in range(1, count + 1))
        found = Spoken(said, "figure", found.torque, found.low, found.high, angle, stages, found.sizes, words)
    highest = max((found.torque, *found.stages, *(size.torque for size in found.sizes)))
    if not 0 < highest <= MOST or not 0 <= angle <= TURN:
        raise UnreadableEntry(f"“{typed}”: a torque lies between 0 and {MOST:g} N·m, an angle within two turns")
    return Spoken(said, "figure", found.torque, found.low, found.high, angle, found.stages, found.sizes, words)


def _without_words(text: str) -> tuple[str, str]:
    """The figure, and what goes with it after a comma or “with”: words without a figure and without a size."""
    words: list[str] = []
    while True:
        head, sep, tail = text.rpartition(",")
        if not sep:
            head, sep, tail = text.rpartition(" with ")
        unit = sep == "," and _UNIT.fullmatch(_with_units(tail.lower()))
        sized = unit or re.match(r" ?(?:in|then|plus|a|an|one|half|quarter|third)\b", tail.lower())
        if not sep or any(c.isdigit() for c in tail) or sized or not any(c.isdigit() for c in head):
            return text.strip(), ", ".join(words)
        words.insert(0, tail.strip())
        text = head


def _with_units(text: str) -> str:
    text = re.sub(r"(\d)([a-z])", r"\1 \2", text)
    for pattern, unit in _UNITS:
        text = pattern.sub(unit, text)
    return re.sub(rf", ?({_UNIT.pattern})$", r" \1", text.strip(" ."))


def _without_angle(text: str) -> tuple[str, float]:
    """The torque, and the angle after it [rad]; 0 where none is said."""
    if found := _DEGREES.search(text):
        return text[: found.start()].strip(" ,+"), radians(_number(found[1]))
    if found := _BARE_ANGLE.search(text):
        return text[: found.start()].strip(" ,+"), radians(_number(found[1]))
    found = _TURN.search(text)
    if found and (found[2] or found[3] or found[1]):
        share = (
            float(Fraction(found[2])) if found[2] and not found[2].endswith("/0") else _SHARES.get(found[3] or "", 1.0)
        )
        count = _COUNTS.get(found[1] or "", 0) or int(found[1] or 1)
        return text[: found.start()].strip(" ,+"), radians(360 * share * count)
    return text, 0.0


def _without_stages(text: str) -> tuple[str, int]:
    found = _STAGES.search(text)
    return (text[: found.start()].strip(" ,"), _COUNT_OF[found[1]]) if found else (text, 0)


def _number(text: str) -> float:
    return float(read(text, "-", "").si)


def _torque(number: str, unit: str, typed: str, field_unit: str) -> float:
    """A torque [N·m] of a figure and its unit."""
    unit = unit.strip(" .")
    if unit and not _UNIT.fullmatch(unit):
        hint = "; is it lb-ft or lb-in?" if unit in ("lb", "lbs", "pound", "pounds", "#") else f"; {_EXAMPLE}"
        raise UnreadableEntry(f"“{typed}”: “{unit}” is no unit of torque{hint}")
    return float(read(f"{number} {unit}".strip(), "N·m", field_unit).si)


def _torques(text: str, typed: str, field_unit: str) -> Spoken:
    """One figure, two of one, a range, stages, or one a size."""

    def torque(number: str, unit: str) -> float:
        return _torque(number, unit, typed, field_unit)

    if (found := _BOTH.fullmatch(text)) and _UNIT.fullmatch(found[2].strip()) and _UNIT.fullmatch(found[4].strip()):
        one, other = torque(found[1], found[2]), torque(found[3], found[4])
        if found[2].strip() != found[4].strip():
            if abs(other / one - 1) > APART:
                off = abs(other / one - 1) * 100
                raise UnreadableEntry(f"“{typed}”: the two figures differ by {off:.0f} %; which one is it?")
            return Spoken(text, "figure", one, one, one)
    if found := _BETWEEN.fullmatch(text) or _RANGE.fullmatch(text):
        unit = found[4].strip()
        low, high = torque(found[1], found[2] or unit), torque(found[3], unit)
        if not low < high:
            raise UnreadableEntry(f"“{typed}”: a range goes from the smaller to the larger figure")
        return Spoken(text, "figure", (low + high) / 2, low, high)
    if sizes := _sizes(text, typed, field_unit):
        most = sizes[0]
        return Spoken(text, "figure", most.torque, most.low, most.high, sizes=sizes)
    parts = _split(text)
    if len(parts) > 1:
        return _in_stages(parts, typed, field_unit)
    one_only = _FIGURE.fullmatch(text)
    if one_only is None:
        raise UnreadableEntry(f"“{typed}” is not understood; {_EXAMPLE}")
    only = torque(one_only[1], one_only[2])
    return Spoken(text, "figure", only, only, only)


def _split(text: str) -> list[str]:
    """Stages: told apart by semicolons, “then”, arrows, slashes, or by commas that are no decimal ones."""
    apart = [p.strip() for p in re.split(r";|\bthen\b|->|→|➔|(?<!\d)/|/(?=\s)|,(?=\s)", text) if p.strip()]
    if len(apart) == 1 and (text.count(",") > 1 or re.fullmatch(rf"\d+(?:/\d+){{2,}} ?{_UNIT.pattern}?", text)):
        apart = [p.strip() for p in re.split(r"[,/]", text) if p.strip()]
    if len(apart) == 1 and (found := re.fullmatch(rf"(\d{{2,3}})/(\d{{2,3}}) ?({_UNIT.pattern})?", text)):
        apart = [found[1], f"{found[2]} {found[3] or ''}".strip()]
    return apart


def _in_stages(parts: list[str], typed: str, field_unit: str) -> Spoken:
    """Stages: the last is the figure, and its unit holds for those without one."""
    figures = [_FIGURE.fullmatch(part) for part in parts]
    if any(found is None for found in figures):
        raise UnreadableEntry(f"“{typed}” is not understood; {_EXAMPLE}")
    said = [(found[1], found[2].strip()) for found in figures if found is not None]
    unit = said[-1][1]
    stages = tuple(_torque(number, own or unit, typed, field_unit) for number, own in said)
    if not all(a < b for a, b in pairwise(stages)):
        raise UnreadableEntry(
            f"“{typed}”: stages go further each time; for bolts of two sizes say “53 large, 28 small”"
        )
    return Spoken(typed, "figure", stages[-1], stages[-1], stages[-1], stages=stages)


_SIZE = r"(?:m ?\d{1,2}(?: ?x ?\d(?:[.,]\d+)?)?|\d/\d{1,2}(?: ?in)?|[a-z][a-z -]{1,24}?)"
_SIZED_AFTER = re.compile(
    rf"({_N}) ?({_UNIT.pattern})? (?:for |on )?(?:the )?({_SIZE})(?: ones?| bolts?)?(?:,? ({_UNIT.pattern}))?$"
)
_SIZED_BEFORE = re.compile(rf"(?:the )?({_SIZE})(?: ones?| bolts?)?[: ] ?(?:at |to )?({_N}) ?({_UNIT.pattern})?$")
_TWO = re.compile(rf"({_N}) ?({_UNIT.pattern})? and ({_N}) ?({_UNIT.pattern})?$")
_LARGE, _SMALL = "large", "small"
_SAME = {"big": _LARGE, "bigger": _LARGE, "larger": _LARGE, "large": _LARGE, "smaller": _SMALL, "small": _SMALL}


def _sizes(text: str, typed: str, field_unit: str) -> tuple[OfSize, ...]:
    """One figure a size; nothing where the text has none. The last unit holds for those without one."""
    if two := _TWO.fullmatch(text):
        found = [(two[1], two[2]), (two[3], two[4])]
        unit = two[4] or two[2] or ""
        torques = sorted(_torque(number, own or unit, typed, field_unit) for number, own in found)
        if torques[0] == torques[1]:
            raise UnreadableEntry(f"“{typed}”: twice the same figure; say it once")
        return tuple(OfSize(size, t, t, t) for size, t in zip((_SMALL, _LARGE), torques, strict=True))[::-1]
    named: list[tuple[str, str, str]] = []
    for part in re.split(r",|;|\band\b", text):
        if after := _SIZED_AFTER.fullmatch(part.strip()):
            named.append((after[3].strip(), after[1], after[2] or after[4] or ""))
        elif before := _SIZED_BEFORE.fullmatch(part.strip()):
            named.append((before[1].strip(), before[2], before[3] or ""))
        else:
            return ()
    if len(named) < 2:
        return ()
    unit = next((own for _, _, own in reversed(named) if own), "")
    sizes = []
    for name, number, own in named:
        t = _torque(number, own or unit, typed, field_unit)
        sizes.append(
            OfSize(_SAME.get(name, name.upper() if name.startswith("m") and name[-1].isdigit() else name), t, t, t)
        )
    if len({size.size for size in sizes}) < len(sizes):
        raise UnreadableEntry(f"“{typed}”: one size has two figures")
    return tuple(sorted(sizes, key=lambda size: -size.torque))
