"""Workshop notation out: the one number formatter.

- `figure`        a number to its significant digits, grouped as print groups
- `show`, `show_fine`, `show_together`, `Shown`   values in the metric and in the inch system
- `bare`          a figure as a file or a column has it
- `typeset`       what was typed, with fractions and minus signs set properly
"""

from __future__ import annotations

import math
import re
from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from liftbite.core.units.kinds import KINDS
from liftbite.core.units.read import from_si

System = Literal["metric", "inch"]

_RAISED = str.maketrans("-0123456789", "⁻⁰¹²³⁴⁵⁶⁷⁸⁹")


@dataclass(frozen=True, slots=True)
class Shown:
    """A value ready for the eye: figure and unit apart, so that the unit can be set smaller."""

    figure: str
    unit: str

    def __str__(self) -> str:
        return f"{self.figure} {self.unit}".rstrip()


#: Below this a figure is what the last digit of a difference leaves, and no quantity in any unit shown.
_NOTHING = 1e-14


def figure(value: float, digits: int = 4) -> str:
    """`value` to `digits` significant digits, without exponent or idle zeros, grouped from 10 000 up.

    >>> figure(241.3), figure(0.0508), figure(-15842.3), figure(2.0), figure(9e-17)
    ('241.3', '0.0508', '−15\\u202f840', '2', '0')
    """
    if abs(value) < _NOTHING or not math.isfinite(value):
        return "0" if abs(value) < _NOTHING else ("−∞" if value < 0 else "∞") if math.isinf(value) else "—"
    if abs(value) < 1e-9:
        power = math.floor(math.log10(abs(value)))
        return f"{figure(value / 10.0**power, digits)} · 10{str(power).translate(_RAISED)}"
    places = max(digits - 1 - math.floor(math.log10(abs(value))), 0)
    rounded = round(value, digits - 1 - math.floor(math.log10(abs(value))))
    text = f"{abs(rounded):.{min(places, 12)}f}"
    if "." in text:
        text = text.rstrip("0").rstrip(".")
    whole, _, decimals = text.partition(".")
    if len(whole) > 4:
        whole = f"{int(whole):,}".replace(",", "\u202f")
    return ("−" if rounded < 0 else "") + whole + (f".{decimals}" if decimals else "")


@lru_cache(maxsize=16_384)
def show(value: float, si: str, system: System, digits: int = 0) -> Shown:
    """An SI `value` of the kind with SI unit `si`, in the metric or the inch system; digits as its kind has, or fewer.

    >>> str(show(0.2413, "m", "metric")), str(show(0.2413, "m", "inch"))
    ('241.3 mm', '9.5 in')
    """
    digits = digits or KINDS[si].digits
    value = 0.0 if si == "m" and abs(value) < _NO_LENGTH else value
    # a clutch of 9.5 in is one of 241.3 mm in any catalogue
    own, other = _unit(value, si, system), _unit(value, si, "inch" if system == "metric" else "metric")
    if own != other and not (si == "m" and system == "metric"):
        digits = min(digits, max(_significant(figure(from_si(value, other), digits)) + 1, _FEWEST))
    return Shown(figure(from_si(value, own), digits), own)


#: A figure that was entered, or is round, in the other system is shown to one digit more than it has there, and to so
#: many at least: 0.4 mm is known to a tenth and is 0.0157 in, not 0.01575; 30 N·m is 22.1 lb-ft, not 22.13.
_FEWEST = 3


#: A length below this is what the last digit of a difference leaves [m]: nothing here reads a tenth of a micrometre.
_NO_LENGTH = 1e-7
#: Kind -> from where on it is shown in a larger or a smaller unit: system -> value [SI], unit below it, unit above.
_SIZES: Mapping[str, Mapping[System, tuple[float, str, str]]] = {
    "N": {"metric": (1e4, "N", "kN")},
    "m³ of fluid": {"metric": (2e-4, "mL", "L"), "inch": (2e-4, "US fl oz", "US qt")},
}


def _unit(value: float, si: str, system: System) -> str:
    """The unit a value is shown in."""
    sizes = _SIZES.get(si, {}).get(system)
    if sizes is not None:
        return sizes[2] if abs(value) >= sizes[0] else sizes[1]
    return KINDS[si].metric if system == "metric" else KINDS[si].inch


def _significant(text: str) -> int:
    """How many digits of a figure say something."""
    return sum(c.isdigit() for c in text.lstrip("−0.").replace("\u202f", ""))


#: Decimals to which a bench reads: a micrometre, and a tenth of a thou.
_FINEST = {"mm": 3, "in": 4, "thou": 1}


@lru_cache(maxsize=16_384)
def show_fine(value: float, si: str, system: System) -> Shown:
    """A value that was measured, to no more decimals than a bench reads; what is no length as `show` has it.

    >>> str(show_fine(0.00016942, "m", "metric")), str(show_fine(0.00016942, "m", "inch"))
    ('0.169 mm', '0.0067 in')
    """
    shown = show(value, si, system)
    places = _FINEST.get(shown.unit)
    if si != "m" or places is None:
        return shown
    return Shown(figure(round(from_si(value, shown.unit), places), 12), shown.unit)


@lru_cache(maxsize=4_096)
def show_together(values: tuple[float, ...], si: str, system: System) -> tuple[Shown, ...]:
    """Several values of one kind in one unit and with the same decimals, so that they compare at a glance.

    >>> [s.figure for s in show_together((0.989, 1.19, 1.5), "-", "metric")]
    ['0.989', '1.190', '1.500']
    """
    units = {show(v, si, system).unit for v in values}
    unit = units.pop() if len(units) == 1 else (KINDS[si].metric if system == "metric" else KINDS[si].inch)
    texts = [figure(from_si(v, unit), KINDS[si].digits) for v in values]
    decimals = max(len(t.partition(".")[2]) for t in texts)
    if decimals:
        texts = [f"{t if '.' in t else t + '.'}".ljust(len(t.partition(".")[0]) + 1 + decimals, "0") for t in texts]
    return tuple(Shown(t, unit) for t in texts)


def bare(value: float, unit: str, decimals: int | None = None) -> str:
    """An SI value in `unit` as a file or a column has it: no unit, no grouping; to so many decimals, or as it is.

    >>> bare(0.0123, "mm"), bare(0.0123, "mm", 2), bare(24_000e3, "km")
    ('12.3', '12.30', '24000')
    """
    there = from_si(value, unit)
    return f"{there:.10g}" if decimals is None else f"{there:.{decimals}f}"


_SUPERSCRIPT = str.maketrans("0123456789", "⁰¹²³⁴⁵⁶⁷⁸⁹")
_SUBSCRIPT = str.maketrans("0123456789", "₀₁₂₃₄₅₆₇₈₉")
_FRACTION = re.compile(r"(?:(?<!\d)(\d++)[\s\-]++)?(?<!\d)(\d++)\s*+/\s*+(\d++)")


def typeset(typed: str) -> str:
    """What was typed, with fractions and the minus sign set as print sets them.

    >>> typeset("3-7/32 in")
    '3\\u202f⁷⁄₃₂ in'
    """

    def fraction(match: re.Match[str]) -> str:
        whole, top, bottom = match.groups()
        lead = f"{whole}\u202f" if whole else ""
        return f"{lead}{top.translate(_SUPERSCRIPT)}⁄{bottom.translate(_SUBSCRIPT)}"

    return re.sub(r"^-", "−", _FRACTION.sub(fraction, typed.strip(), count=1))
