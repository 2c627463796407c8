"""Workshop notation in; `liftbite.core.units.show` shows it again.

In the order in which it is used:

- `Kind`, `KINDS`   what can be typed: a kind of quantity, the units it is typed and shown in
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

#: Unit as shown -> Pint expression. One spelling per unit; `_SPELLINGS` maps the others onto it.
_PINT: dict[str, str] = {
    "mm": "millimeter",
    "cm": "centimeter",
    "m": "meter",
    "in": "inch",
    "thou": "thou",
    "µm": "micrometer",
    "ft": "foot",
    "N": "newton",
    "kN": "kilonewton",
    "lbf": "pound_force",
    "kgf": "kilogram_force",
    "N·m": "newton * meter",
    "lb-ft": "pound_force * foot",
    "lb-in": "pound_force * inch",
    "kgf·m": "kilogram_force * meter",
    "kW": "kilowatt",
    "W": "watt",
    "hp": "foot * pound_force / second * 550",
    "PS": "kilogram_force * meter / second * 75",
    "rpm": "revolution / minute",
    "rad/s": "radian / second",
    "Pa": "pascal",
    "hPa": "hectopascal",
    "kPa": "kilopascal",
    "MPa": "megapascal",
    "GPa": "gigapascal",
    "bar": "bar",
    "psi": "pound_force / inch ** 2",
    "N/mm": "newton / millimeter",
    "N/m": "newton / meter",
    "lbf/in": "pound_force / inch",
    "mm²": "millimeter ** 2",
    "cm²": "centimeter ** 2",
    "m²": "meter ** 2",
    "in²": "inch ** 2",
    "kg": "kilogram",
    "g": "gram",
    "lb": "pound",
    "°C": "degC",
    "°F": "degF",
    "K": "kelvin",
    "mL": "milliliter",
    "L": "liter",
    "m³": "meter ** 3",
    "in³": "inch ** 3",
    "US pt": "US_pint",
    "imp pt": "imperial_pint",
    "US gal": "US_liquid_gallon",
    "imp gal": "imperial_gallon",
    "J": "joule",
    "kJ": "kilojoule",
    "kg·m²": "kilogram * meter ** 2",
    "lb·ft²": "pound * foot ** 2",
    "s": "second",
    "°": "degree",
    "rad": "radian",
    "m/s": "meter / second",
    "mm/s": "millimeter / second",
    "km/h": "kilometer / hour",
    "m/s²": "meter / second ** 2",
    "ft/s²": "foot / second ** 2",
    "mph": "mile / hour",
    "km": "kilometer",
    "mi": "mile",
    "mm³/MPa": "millimeter ** 3 / megapascal",
    "m³/Pa": "meter ** 3 / pascal",
    "mm³/J": "millimeter ** 3 / joule",
    "m³/J": "meter ** 3 / joule",
    "kg/m³": "kilogram / meter ** 3",
    "lb/in³": "pound / inch ** 3",
    "J/mm²": "joule / millimeter ** 2",
    "J/m²": "joule / meter ** 2",
    "J/(kg·K)": "joule / kilogram / kelvin",
    "W/(m·K)": "watt / meter / kelvin",
    "W/K": "watt / kelvin",
    "J/K": "joule / kelvin",
    "1/K": "1 / kelvin",
    "1/m": "1 / meter",
    "1/km": "1 / kilometer",
    "1/mi": "1 / mile",
    "g·mm": "gram * millimeter",
    "kg·m": "kilogram * meter",
    "oz·in": "ounce * inch",
    "%": "0.01",
    "": "1",
}

#: Other spellings, after `_squeeze` (lower case but for PS and GPa/MPa, no spaces, dots and dashes).
_SPELLINGS: dict[str, str] = {
    '"': "in", "″": "in", "inch": "in", "inches": "in", "''": "in",
    "'": "ft", "′": "ft", "feet": "ft", "foot": "ft",
    "mil": "thou", "thous": "thou", "thousandths": "thou",
    "μm": "µm", "um": "µm", "micron": "µm", "microns": "µm", "micrometre": "µm", "micrometer": "µm",
    "millimetre": "mm", "millimeter": "mm", "millimetres": "mm", "millimeters": "mm",
    "metre": "m", "meter": "m",
    "lb": "lb", "lbs": "lb", "pound": "lb", "pounds": "lb", "poundforce": "lbf", "lbsf": "lbf",
    "newton": "N", "newtons": "N", "kgf": "kgf", "kp": "kgf",
    "nm": "N·m", "newtonmetre": "N·m", "newtonmeter": "N·m",
    "lbft": "lb-ft", "ftlb": "lb-ft", "lbsft": "lb-ft", "ftlbs": "lb-ft", "lbfft": "lb-ft", "ftlbf": "lb-ft",
    "footpound": "lb-ft", "footpounds": "lb-ft", "poundfeet": "lb-ft",
    "lbin": "lb-in", "inlb": "lb-in", "inlbs": "lb-in", "lbsin": "lb-in", "lbfin": "lb-in", "inlbf": "lb-in",
    "kgfm": "kgf·m", "kgm": "kgf·m", "kpm": "kgf·m", "mkg": "kgf·m",
    "bhp": "hp", "whp": "hp", "horsepower": "hp", "cv": "PS", "ps": "PS", "kilowatt": "kW", "kw": "kW", "w": "W",
    "1/min": "rpm", "min1": "rpm", "min^1": "rpm", "u/min": "rpm", "r/min": "rpm", "rev/min": "rpm", "tr/min": "rpm",
    "percent": "%",
    "n/mm": "N/mm", "n/m": "N/m", "lb/in": "lbf/in", "lbs/in": "lbf/in", "lbf/inch": "lbf/in",
    "n/mm2": "MPa", "n/mm²": "MPa", "mpa": "MPa", "gpa": "GPa", "kpa": "kPa", "hpa": "hPa", "mbar": "hPa", "pa": "Pa",
    "mm2": "mm²", "cm2": "cm²", "m2": "m²", "in2": "in²", "sqin": "in²",
    "c": "°C", "degc": "°C", "f": "°F", "degf": "°F", "k": "K",
    "ml": "mL", "cc": "mL", "cm3": "mL", "cm³": "mL", "l": "L", "litre": "L", "liter": "L",
    "uspt": "US pt", "usgal": "US gal", "imppt": "imp pt", "impgal": "imp gal",
    "gmm": "g·mm", "ozin": "oz·in",
    "j": "J", "kj": "kJ", "kgm2": "kg·m²", "kgm²": "kg·m²", "lbft2": "lb·ft²", "lbft²": "lb·ft²",
    "sec": "s", "seconds": "s", "deg": "°", "degree": "°", "degrees": "°", "kph": "km/h", "kmh": "km/h",
    "miles": "mi", "mm3/mpa": "mm³/MPa", "mm3/j": "mm³/J", "j/mm2": "J/mm²", "kg/m3": "kg/m³", "lb/in3": "lb/in³",
    "in3": "in³", "cuin": "in³",
    "n": "N", "kn": "kN",
}  # fmt: skip

_ASK_WHICH = {"pt", "pint", "pints", "gal", "gallon", "gallons"}


@dataclass(frozen=True, slots=True)
class Kind:
    """A kind of quantity: what it is called and the units it is typed and shown in.

    Attributes
    ----------
    name : "length", "force" ...
    si : SI unit, as it stands in docstrings
    metric, inch : units of the two systems, as shown
    units : units that may be typed; the metric and the inch unit come first
    loose : for shop talk where one unit name stands for another (`lb` typed for a force)
    digits : significant digits shown
    """

    name: str
    si: str
    metric: str
    inch: str
    units: tuple[str, ...]
    loose: tuple[tuple[str, str], ...] = ()
    digits: int = 4


#: SI unit as written in docstrings -> kind.
KINDS: dict[str, Kind] = {
    kind.si: kind
    for kind in (
        Kind("length", "m", "mm", "in", ("mm", "in", "thou", "cm", "m", "ft", "µm")),
        Kind("force", "N", "N", "lbf", ("N", "lbf", "kN", "kgf"), loose=(("lb", "lbf"), ("kg", "kgf"))),
        Kind("torque", "N·m", "N·m", "lb-ft", ("N·m", "lb-ft", "lb-in", "kgf·m")),
        Kind("power", "W", "kW", "hp", ("kW", "hp", "PS", "W")),
        Kind("engine speed", "rad/s", "rpm", "rpm", ("rpm", "rad/s")),
        Kind("pressure", "Pa", "MPa", "psi", ("MPa", "psi", "bar", "kPa", "hPa", "GPa", "Pa"), digits=3),
        Kind("spring rate", "N/m", "N/mm", "lbf/in", ("N/mm", "lbf/in", "N/m")),
        Kind("area", "m²", "cm²", "in²", ("cm²", "in²", "mm²", "m²")),
        Kind("mass", "kg", "kg", "lb", ("kg", "lb", "g")),
        Kind("temperature", "K", "°C", "°F", ("°C", "°F", "K")),
        Kind("temperature rise", "K diff", "K", "K", ("K",)),
        Kind("volume", "m³", "mL", "in³", ("mL", "L", "in³", "US pt", "imp pt", "US gal", "imp gal")),
        Kind("unbalance", "kg·m", "g·mm", "oz·in", ("g·mm", "oz·in")),
        Kind("energy", "J", "kJ", "kJ", ("kJ", "J")),
        Kind("inertia", "kg·m²", "kg·m²", "lb·ft²", ("kg·m²", "lb·ft²")),
        Kind("time", "s", "s", "s", ("s",)),
        Kind("angle", "rad", "°", "°", ("°", "rad")),
        Kind("speed", "m/s", "m/s", "mph", ("m/s", "mph", "km/h", "mm/s")),
        Kind("acceleration", "m/s²", "m/s²", "m/s²", ("m/s²", "ft/s²")),
        Kind("hose swell", "m³/Pa", "mm³/MPa", "mm³/MPa", ("mm³/MPa", "m³/Pa")),
        Kind("wear rate", "m³/J", "mm³/J", "mm³/J", ("mm³/J", "m³/J"), digits=3),
        Kind("density", "kg/m³", "kg/m³", "lb/in³", ("kg/m³", "lb/in³")),
        Kind("energy per area", "J/m²", "J/mm²", "J/mm²", ("J/mm²", "J/m²"), digits=3),
        Kind("heat capacity", "J/(kg·K)", "J/(kg·K)", "J/(kg·K)", ("J/(kg·K)",)),
        Kind("conductivity", "W/(m·K)", "W/(m·K)", "W/(m·K)", ("W/(m·K)",)),
        Kind("cooling", "W/K", "W/K", "W/K", ("W/K",)),
        Kind("heat capacity", "J/K", "J/K", "J/K", ("J/K",)),
        Kind("expansion", "1/K", "1/K", "1/K", ("1/K",)),
        Kind("starts per distance", "1/m", "1/km", "1/mi", ("1/km", "1/mi", "1/m")),
        Kind("distance driven", "m driven", "km", "mi", ("km", "mi")),
        Kind("plain number", "-", "", "", ("",), digits=3),
        Kind("whole number", "count", "", "", ("",)),
        Kind("share", "share", "%", "%", ("%",), digits=3),
    )
}


@cache
def _registry() -> Any:
    import pint

    return pint.UnitRegistry(autoconvert_offset_to_baseunit=True, cache_folder=None)


@cache
def _to_si(unit: str) -> tuple[float, float]:
    """Scale and offset that take a figure in `unit` to SI, asked of Pint once per unit."""
    expression = _PINT[unit]
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


def from_si(value: float, unit: str) -> float:
    """An SI `value` in `unit`.

    >>> round(from_si(745.69987158227, "hp"), 9)
    1.0
    """
    scale, offset = _to_si(unit)
    return (value - offset) / scale


_VULGAR = {c: f" {a}/{b}" for c, (a, b) in {
    "½": (1, 2), "¼": (1, 4), "¾": (3, 4), "⅛": (1, 8), "⅜": (3, 8), "⅝": (5, 8), "⅞": (7, 8),
    "⅓": (1, 3), "⅔": (2, 3), "⅕": (1, 5), "⅙": (1, 6),
}.items()}  # fmt: skip

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
    return {_squeeze(unit): unit for unit in _PINT} | _SPELLINGS


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
    if squeezed in _ASK_WHICH:
        stem = "pt" if squeezed[0] == "p" else "gal"
        raise UnreadableEntry(f"“{text}” is US or imperial: type “US {stem}” or “imp {stem}”")
    unit = _by_spelling().get(squeezed)
    allowed = _listed([u for u in kind.units if u])
    want = f"a {kind.name} in {allowed}" if allowed else f"a {kind.name} without a unit"
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
