"""What was keyed in, or came from a gauge, as a value of a check.

- `units_of`     the units a check's keypad offers
- `Keyed`, `read_keyed`   the value, what is kept as typed, and a question where it is unusual
- `read_limit`   a limit as typed
- `read_distance`   an odometer as typed
"""

from __future__ import annotations

from dataclasses import dataclass

from liftbite.core.checks import Check
from liftbite.core.errors import UnreadableEntry
from liftbite.core.figures import show
from liftbite.core.units import KINDS, other_readings, read, to_si

#: Furthest a bench reaches [SI]: no part of a clutch is longer than this.
_MOST = 2.0


@dataclass(frozen=True, slots=True)
class Keyed:
    """A value as keyed.

    Attributes
    ----------
    si : the value [SI]
    typed : as typed, with the unit that was taken
    question : a sentence where it is unusual, else empty
    instead : readings of the same figure that would be usual, as typed
    """

    si: float
    typed: str
    question: str = ""
    instead: tuple[str, ...] = ()


def units_of(check: Check) -> tuple[str, ...]:
    """The units a check's keypad offers, the field's own first.

    >>> from liftbite.core.checks import CHECKS
    >>> units_of(CHECKS["plate_thickness"]), units_of(CHECKS["plate_count"])
    (('mm', 'in', 'thou'), ('',))
    """
    if check.unit == "m":
        return (check.field_unit, *(u for u in ("mm", "in", "thou") if u != check.field_unit))
    return KINDS[check.unit].units[:3]


def read_keyed(check: Check, typed: str, unit: str = "") -> Keyed:
    """A value as keyed for a check; a bare number takes `unit`, or the check's own.

    Raises
    ------
    UnreadableEntry : no figure, a unit of another kind, or more than a bench can hold

    >>> from liftbite.core.checks import CHECKS
    >>> read_keyed(CHECKS["depth_x"], "3 7/32", "in")
    Keyed(si=0.08175625, typed='3 7/32 in', question='', instead=())
    >>> read_keyed(CHECKS["plate_thickness"], "2.8", "in").instead
    ('2.8 mm',)
    """
    field_unit = unit or check.field_unit
    if field_unit and field_unit not in KINDS[check.unit].units:
        raise UnreadableEntry(
            f"{check.label}: “{field_unit}” is not offered here; pick one of {', '.join(units_of(check))}."
        )
    if "\x00" in typed or len(typed) > 60:
        raise UnreadableEntry(f"{check.label}: type one figure, such as 7.24 or 3 7/32.")
    try:
        reading = read(typed, check.unit, field_unit)
    except UnreadableEntry as error:
        raise UnreadableEntry(f"{check.label}: {error.reason}.") from None
    low, high = check.usual
    if check.unit == "count" and reading.si < 0:
        raise UnreadableEntry(f"{check.label}: “{reading.typed}” is below nothing; type 0 or more.")
    if abs(reading.si) > _MOST and check.unit == "m":
        raise UnreadableEntry(f"{check.label}: “{reading.typed}” is longer than any part here; 2 m at most.")
    kept = f"{reading.typed} {reading.unit}".strip() if reading.bare else reading.typed
    if low <= reading.si <= high:
        return Keyed(reading.si, kept)
    figure = reading.typed if reading.bare else reading.typed.removesuffix(reading.unit).strip()
    units = [u for u in other_readings(reading, check.unit, low, high) if u in units_of(check)]
    usual = f"{show(low, check.unit, 'metric')} to {show(high, check.unit, 'metric')}"
    sentence = f"{kept} is unusual for {check.label.lower()}; most are {usual}."
    if units:
        meant = " or ".join(f"{figure} {u} ({show(to_si(reading.number, u), check.unit, 'metric')})" for u in units)
        sentence += f" Did you mean {meant}?"
    return Keyed(reading.si, kept, sentence, tuple(f"{figure} {u}" for u in units))


def read_limit(check: Check, name: str, typed: str, unit: str = "") -> Keyed:
    """A manual's limit as typed.

    Raises
    ------
    UnreadableEntry : the check has no such limit, or no figure was typed
    """
    if name not in {"new", "least", "most", "spread"} or check.kind == "grade":
        raise UnreadableEntry(f"{check.label}: “{name}” is no limit of it.")
    keyed = read_keyed(check, typed, unit)
    if name == "spread" and keyed.si < 0:
        raise UnreadableEntry(f"{check.label}: a spread is 0 or more.")
    return keyed


def read_distance(typed: str) -> float | None:
    """An odometer as typed, bare in km; None where nothing was typed [m].

    Raises
    ------
    UnreadableEntry : no distance

    >>> read_distance("24000"), read_distance("15 000 mi"), read_distance(" ")
    (24000000.0, 24140160.0, None)
    """
    if not typed.strip():
        return None
    try:
        found = read(typed, "m driven", "km").si
    except UnreadableEntry as error:
        raise UnreadableEntry(f"Distance: {error.reason}.") from None
    if not 0 <= found <= 1e10:
        raise UnreadableEntry(f"Distance: “{typed}” is not a distance an odometer shows.")
    return found
