"""Workshop notation in; `liftbite.core.units.show` shows it again.

In the order in which it is used:

- `parse_number`    `9 1/2`, `3-7/32`, `7,24`, `15 842` to a float
- `read`            number and unit as typed, to SI
- `spread_of`       the tolerance in `240 ± 0.2 mm`
- `read_many`       several figures in one field
- `other_readings`  the same bare number in the kind's other units: the 25.4 mistake

Conversion is Pint's [standard: NIST SP 811:2008, appendix B, for the factors]. Pint alone misreads the bench
(`3 7/32 in` becomes a product, `200 PS` petasiemens), so the small grammar here takes number and unit apart first.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from fractions import Fraction
from functools import cache, lru_cache
from typing import Any

from liftbite.core.errors import UnreadableEntry
from liftbite.core.units.kinds import ASK_WHICH, KINDS, PINT, SPELLINGS, Kind
from liftbite.core.units.scales import SCALES


@cache
def _registry() -> Any:
    import pint

    return pint.UnitRegistry(autoconvert_offset_to_baseunit=True, cache_folder=None)


@cache
def _to_si(unit: str) -> tuple[float, float]:
    """Scale and offset that take a figure in `unit` to SI, of Pint where the tables are not written in it."""
    if unit in SCALES:
        return SCALES[unit]
    expression = PINT[unit]
    ureg = _registry()
    if expression in {"degC", "degF"}:
        zero = float(ureg.Quantity(0.0, expression).to("kelvin").magnitude)
        one = float(ureg.Quantity(1.0, expression).to("kelvin").magnitude)
        return one - zero, zero
    return float(ureg.Quantity(1.0, "dimensionless").m * ureg(expression).to_base_units().m), 0.0


def to_si(value: float, unit: str) -> float:
    """`value` in `unit` (as in `Kind.units`), in SI.

    >>> to_si(1.0, "in")
    0.0254
    """
    scale, offset = _to_si(unit)
    return value * scale + offset


def si(figure: str) -> float:
    """A figure of a table with its unit, in SI; one without a unit is SI.

    >>> si("0.35 MPa"), si("0.92")
    (350000.0, 0.92)
    """
    value, _, unit = figure.partition(" ")
    return to_si(float(value), unit) if unit else float(value)


def from_si(value: float, unit: str) -> float:
    """An SI `value` in `unit`.

    >>> round(from_si(745.69987158227, "hp"), 9)
    1.0
    """
    scale, offset = _to_si(unit)
    return (value - offset) / scale


_VULGAR = {
    c: f" {a}/{b}"
    for c, (a, b) in {
        "½": (1, 2),
        "¼": (1, 4),
        "¾": (3, 4),
        "⅛": (1, 8),
        "⅜": (3, 8),
        "⅝": (5, 8),
        "⅞": (7, 8),
        "⅓": (1, 3),
        "⅔": (2, 3),
        "⅕": (1, 5),
        "⅙": (1, 6),
    }.items()
}

_SPLIT = re.compile(
    r"""^\s*(?P<sign>[+\-−–]?)\s*
    (?:(?P<whole>\d+)\s*[ \-‑–]\s*(?P<a>\d+)\s*/\s*(?P<b>\d+)   # 3 7/32, 3-7/32
      |(?P<num>\d+)\s*/\s*(?P<den>\d+)                            # 1/4
      |(?P<decimal>(?:\d{1,3}(?:[ \u00a0\u202f]\d{3})+|\d*)(?:[.,]\d+)*[.,]?(?:[eE][+\-]?\d+)?)
    )\s*+(?P<unit>.*)$""",
    re.VERBOSE,
)
_MAX_TYPED = 80
_MAX_DIGITS = 15


def _decimal(text: str) -> float:
    """A decimal figure with `.` or `,`; grouping by spaces, or by the mark the decimals do not use."""
    text = re.sub(r"[ \u00a0\u202f]", "", text)
    commas, dots = text.count(","), text.count(".")
    if commas and dots:
        mark = max(",", ".", key=text.rfind)
        group = "." if mark == "," else ","
        if text.count(mark) > 1 or not re.fullmatch(rf"\d{{1,3}}(?:\{group}\d{{3}})+\{mark}\d*", text):
            raise UnreadableEntry(f"“{text}” mixes commas and points in a way that cannot be read; type it as 1850.5")
        text = text.replace(group, "").replace(mark, ".")
    elif commas == 1 and re.fullmatch(r"[1-9]\d{0,2},\d{3}", text):
        plain, point = text.replace(",", ""), text.replace(",", ".")
        raise UnreadableEntry(f"“{text}” could be {plain} or {point}; type one of the two")
    elif commas > 1 or dots > 1:
        mark = "," if commas > 1 else "."
        if not re.fullmatch(rf"\d{{1,3}}(?:\{mark}\d{{3}})+", text):
            raise UnreadableEntry(f"“{text}” has more than one “{mark}”; type it as 1850.5")
        text = text.replace(mark, "")
    else:
        text = text.replace(",", ".")
    mantissa = re.split("[eE]", text)[0]
    if len(mantissa.replace(".", "").lstrip("0")) > _MAX_DIGITS:
        raise UnreadableEntry(f"that figure has more than {_MAX_DIGITS} digits; no instrument reads that finely")
    return float(text)


def _split(typed: str) -> tuple[float, str]:
    _not_too_long(typed)
    text = typed.strip()
    if not text:
        raise UnreadableEntry("nothing was typed")
    for vulgar, plain in _VULGAR.items():
        text = text.replace(vulgar, plain)
    text = text.replace("⁄", "/")
    match = _SPLIT.match(text)
    if match is None or not (match["whole"] or match["num"] or re.search(r"\d", match["decimal"] or "")):
        raise UnreadableEntry(f"“{typed.strip()}” does not begin with a number; type a figure such as 9.5 or 9 1/2")
    sign = -1.0 if match["sign"] in {"-", "−", "–"} else 1.0
    if match["whole"] or match["num"]:
        top, bottom = match["a"] or match["num"], match["b"] or match["den"]
        digits = len((match["whole"] or "") + top + bottom)
        if digits > _MAX_DIGITS:
            raise UnreadableEntry(f"that figure has more than {_MAX_DIGITS} digits; no instrument reads that finely")
        if int(bottom) == 0:
            raise UnreadableEntry(f"“{top}/{bottom}” divides by zero; a fraction looks like 1/2 or 7/32")
        number = float(int(match["whole"] or 0) + Fraction(int(top), int(bottom)))
    else:
        number = _decimal(match["decimal"])
    if not math.isfinite(number):
        raise UnreadableEntry(f"“{typed.strip()}” is too large to be a figure")
    return sign * number, match["unit"].strip()


def parse_number(typed: str) -> float:
    """A figure without a unit, in workshop notation.

    Raises
    ------
    UnreadableEntry : what was typed is not one figure, or has a unit

    >>> parse_number("3 7/32"), parse_number("7,24"), parse_number("15 842"), parse_number("3-7/32")
    (3.21875, 7.24, 15842.0, 3.21875)
    """
    number, unit = _split(typed)
    if unit:
        raise UnreadableEntry(f"“{unit}” was not expected after the figure; type the figure alone")
    return number


def _squeeze(text: str) -> str:
    return re.sub(r"(?<!\d)[\s.·⋅*×_\-]+|[\s·⋅*×_\-]+", "", text).lower()


@cache
def _by_spelling() -> dict[str, str]:
    return {_squeeze(unit): unit for unit in PINT} | SPELLINGS


def find_unit(text: str, kind: Kind) -> str:
    """The unit of `kind` that `text` names, in the spelling of `Kind.units`.

    Raises
    ------
    UnreadableEntry : no such unit, or a unit of another kind

    >>> find_unit("ft-lbs", KINDS["N·m"])
    'lb-ft'
    """
    if text in kind.units:
        return text
    if len(text) > _MAX_TYPED:
        raise UnreadableEntry(f"“{text[:_MAX_TYPED]} …” is longer than any unit")
    squeezed = _squeeze(text)
    for name, stands_for in kind.loose:
        if squeezed in {name, f"{name}s"}:
            return stands_for
    if squeezed in ASK_WHICH:
        stem = {"p": "pt", "g": "gal", "f": "fl oz"}[squeezed[0]]
        raise UnreadableEntry(f"“{text}” is US or imperial: type “US {stem}” or “imp {stem}”")
    unit = _by_spelling().get(squeezed)
    allowed = _listed([u for u in kind.units if u])
    one = f"{'an' if kind.name[0] in 'aeiou' else 'a'} {kind.name}"
    want = f"{one} in {allowed}" if allowed else f"{one} without a unit"
    if unit is None:
        raise UnreadableEntry(f"“{text}” is not a unit this field knows; type {want}")
    if unit not in kind.units:
        other = next((k.name for k in KINDS.values() if unit in k.units and k.name != "plain number"), "something else")
        raise UnreadableEntry(f"“{text}” is a unit of {other}; type {want}")
    return unit


def _listed(words: list[str]) -> str:
    return words[0] if len(words) == 1 else ", ".join(words[:-1]) + " or " + words[-1] if words else ""


@dataclass(frozen=True, slots=True)
class Typed:
    """A figure as typed and what it means.

    Attributes
    ----------
    typed : the text, stripped
    si : value [SI]
    number : the figure as typed, without its unit
    unit : the unit it was read in
    bare : True when no unit was typed, so that the field's unit was taken
    """

    typed: str
    si: float
    number: float
    unit: str
    bare: bool


_TOLERANCE = re.compile(r"(?<!\s)\s*+(?:±|\+/-|\+-)\s*(?P<half>[^a-zA-Z°%\"′″µ]*)(?P<unit>.*)$")


def _without_tolerance(typed: str) -> str:
    """`240 ± 0.2 mm` as `240 mm`."""
    match = _TOLERANCE.search(typed)
    return f"{typed[: match.start()]} {match['unit']}" if match else typed


def _not_too_long(typed: str) -> None:
    """Looked at before any pattern is.

    Raises
    ------
    UnreadableEntry : it is longer than a figure and its unit
    """
    if len(typed.strip()) > _MAX_TYPED:
        length = len(typed.strip())
        raise UnreadableEntry(f"that is {length} characters long; a figure and its unit fit in {_MAX_TYPED}")


def spread_of(typed: str, si: str, field_unit: str) -> float:
    """Half the width of a tolerance typed with ±, in SI; 0 where none was typed.

    >>> spread_of("240 ± 0.2 mm", "m", "mm"), spread_of("240 mm", "m", "mm")
    (0.0002, 0.0)
    """
    _not_too_long(typed)
    match = _TOLERANCE.search(typed)
    if match is None:
        return 0.0
    reading = read(_without_tolerance(typed), si, field_unit)
    half = abs(parse_number(match["half"].strip()))
    return half * abs(to_si(1.0, reading.unit) - to_si(0.0, reading.unit))


@lru_cache(maxsize=4096)
def read(typed: str, si: str, field_unit: str) -> Typed:
    """What was typed for a quantity whose SI unit is `si`; a bare number takes `field_unit`.

    Raises
    ------
    UnreadableEntry : the text is no figure, or its unit is unknown or of another kind

    >>> read("9 1/2 in", "m", "mm").si
    0.2413
    >>> read("44", "N·m", "lb-ft").bare
    True
    """
    _not_too_long(typed)
    kind = KINDS[si]
    tolerance = _TOLERANCE.search(typed)
    if tolerance:
        parse_number(tolerance["half"].strip())
    number, unit_text = _split(_without_tolerance(typed))
    unit = find_unit(unit_text, kind) if unit_text else field_unit
    if si == "share" and not unit_text and 0 < abs(number) < 1:
        raise UnreadableEntry(f"“{typed.strip()}” could be a share or a percentage; type {number * 100:g} %")
    if si == "count" and number != int(number):
        raise UnreadableEntry(f"“{typed.strip()}” is not a whole number; type 1, 2, 3 ...")
    return Typed(typed.strip(), to_si(number, unit), number, unit, bare=not unit_text)


def read_many(typed: str, si: str, field_unit: str) -> tuple[Typed, ...]:
    """Several figures separated by semicolons, or by commas where those cannot be decimal ones; bare ones take the unit
    the last one is typed in.

    Raises
    ------
    UnreadableEntry : one of them cannot be read, or there are too many

    >>> [round(r.si, 6) for r in read_many("44.1; 44; 43.2 mm", "m", "mm")]
    [0.0441, 0.044, 0.0432]
    >>> [r.si for r in read_many("3.32, 1.95, 1.41", "-", "")], [r.si for r in read_many("3,32; 1,95", "-", "")]
    ([3.32, 1.95, 1.41], [3.32, 1.95])
    """
    commas = ";" not in typed and (", " in typed or ("." in typed and "," in typed))
    parts = [part for part in typed.split("," if commas else ";") if part.strip()]
    if not parts:
        raise UnreadableEntry("nothing was typed")
    if len(parts) > 64:
        raise UnreadableEntry(f"{len(parts)} figures are too many; 64 at most")
    last = read(parts[-1], si, field_unit)
    return (*(read(part, si, last.unit) for part in parts[:-1]), last)


def other_readings(typed: Typed, si: str, low: float, high: float) -> list[str]:
    """Units in which the same figure would fall between `low` and `high` [SI], if the one taken does not.

    This catches the classic mistake, a number wrong by exactly 25.4, 1.356 or 4.448.

    >>> other_readings(read("9.5", "m", "mm"), "m", 0.08, 0.5)
    ['in', 'cm']
    """
    if low <= typed.si <= high:
        return []
    return [u for u in KINDS[si].units if u != typed.unit and low <= to_si(typed.number, u) <= high]
