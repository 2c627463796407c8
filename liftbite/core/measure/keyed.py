"""What was keyed in, or came from a gauge, as a value of a check.

- `units_of`     the units a check's keypad offers
- `Keyed`, `read_keyed`   the value, what is kept as typed, and a question where it is unusual
- `read_limit`   a limit as typed
- `read_distance`   an odometer as typed
- `read_filed`   a reading as a file has it
- `how_typed`, `read_how`   how a series was read, in the words of files
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from liftbite.core.errors import UnreadableEntry
from liftbite.core.measure.check import Check
from liftbite.core.measure.instruments import INSTRUMENT_KINDS, worst_trust
from liftbite.core.measure.judgement import uncertainty_of
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.setup import CALCULATIONS, asked_of_check
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.preference import wanted
from liftbite.core.units.read import other_readings, read, to_si
from liftbite.core.units.show import show

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
    """The units a check's keypad offers: the field's own first, or where one system is preferred alone, its own.

    >>> from liftbite.core.measure.checks import CHECKS
    >>> units_of(CHECKS["plate_thickness"]), units_of(CHECKS["plate_count"])
    (('mm', 'in', 'thou'), ('',))
    """
    if check.unit == "m":
        offered = (check.field_unit, *(u for u in ("mm", "in", "thou") if u != check.field_unit))
    else:
        offered = KINDS[check.unit].units[:3]
    systems, kind = wanted(), KINDS[check.unit]
    own = kind.metric if systems == ("metric",) else kind.inch if systems == ("inch",) else ""
    return (own, *(u for u in offered if u != own)) if own in offered else offered


def read_keyed(check: Check, typed: str, unit: str = "") -> Keyed:
    """A value as keyed for a check; a bare number takes `unit`, or the check's own.

    Raises
    ------
    UnreadableEntry : no figure, a unit of another kind, or more than a bench can hold

    >>> from liftbite.core.measure.checks import CHECKS
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


def read_filed(
    check: Check,
    place: str,
    typed: str,
    instrument: str = "",
    uncertainty: float | None = None,
    skipped: str = "",
    held: str = "",
) -> Reading:
    """A reading as a file has it: `typed` with its unit or a grade's name, `uncertainty` in SI or the instrument's own.

    `held` is the identity of the shop's own instrument, where it was taken with one.

    Raises
    ------
    UnreadableEntry : no place, no such instrument or grade, no figure, or no uncertainty

    >>> from liftbite.core.measure.checks import CHECKS
    >>> read_filed(CHECKS["plate_thickness"], "Plate 1, place 1", "2.9 mm", "caliper", 3e-5).si
    0.0029
    >>> read_filed(CHECKS["basket"], "Once", "deep").typed
    'deep'
    """
    if not place or len(place) > 80:
        raise UnreadableEntry("a place is missing, or longer than 80 characters")
    if instrument and instrument not in INSTRUMENT_KINDS:
        raise UnreadableEntry(f"“{instrument}” is no instrument; they are {', '.join(INSTRUMENT_KINDS)}")
    if skipped and not typed:
        return Reading(place, skipped=skipped[:200])
    if check.kind == "grade":
        if typed not in {g.value for g in check.grades}:
            raise UnreadableEntry(f"“{typed}” is no grade of {check.label.lower()}")
        return Reading(place, None, typed)
    keyed = read_keyed(check, typed)
    trusted = uncertainty_of(instrument, check.unit) if uncertainty is None else uncertainty
    if not 0 <= trusted <= worst_trust(instrument, check.unit):
        raise UnreadableEntry(f"“{trusted:g}” is no uncertainty of {check.label.lower()} [{check.unit}]")
    return Reading(place, keyed.si, keyed.typed, instrument, trusted, held=held)


#: What calculations of the set-up ask of a series: name -> what may be said; "" where nothing was.
ASKS: Mapping[str, tuple[str, ...]] = {
    c.asks.name: tuple(c.asks.options) for c in CALCULATIONS.values() if c.asks is not None
}
#: How a series was read, in the words of files: column -> what may stand in it; the first is what an empty one means.
HOW_WORDS: Mapping[str, tuple[str, ...]] = {
    "seen_from": ("gearbox", "engine"),
    "pressed_in_reads": ("plus", "minus"),
    **ASKS,
}
#: Every column that says how a series was read.
HOW_COLUMNS = ("seen_from", "pressed_in_reads", "sag", "swept", *ASKS)


def how_typed(check: Check, settings: Mapping[str, Any]) -> dict[str, str]:
    """How a sweep was read, and what a calculation asks, in the words of files; only what says something.

    >>> from liftbite.core.measure.checks import CHECKS
    >>> how_typed(CHECKS["bore_runout"], {"seen_from": "engine", "presses_plus": False})
    {'seen_from': 'engine', 'pressed_in_reads': 'minus'}
    """
    asked = asked_of_check(check.name)
    if asked is not None:
        said = {asked.name: str(settings.get(asked.name, ""))}
    elif check.kind == "sweep" and not settings.keys().isdisjoint(
        {"seen_from", "presses_plus", "sag_typed", "swept_typed"}
    ):
        said = {
            "seen_from": str(settings.get("seen_from", "gearbox")),
            "pressed_in_reads": "plus" if settings.get("presses_plus", True) else "minus",
            "sag": str(settings.get("sag_typed", "")),
            "swept": str(settings.get("swept_typed", "")),
        }
    else:
        return {}
    return {name: word for name, word in said.items() if word}


def read_how(check: Check, said: Mapping[str, str]) -> dict[str, Any]:
    """How a series was read, from the words of a file; empty where there is nothing to say.

    Raises
    ------
    UnreadableEntry : a word that is not offered, or a sag that is no length

    >>> from liftbite.core.measure.checks import CHECKS
    >>> read_how(CHECKS["floater_gap"], {"shims": "raises"})
    {'shims': 'raises'}
    """
    words = {name: said.get(name, "") or offered[0] for name, offered in HOW_WORDS.items()}
    for name, word in words.items():
        if word not in HOW_WORDS[name]:
            offered = " or ".join(filter(None, HOW_WORDS[name]))
            raise UnreadableEntry(f"“{word}” is not offered for {name}; {offered}")
    asked = asked_of_check(check.name)
    if asked is not None:
        return {asked.name: words[asked.name]} if words[asked.name] else {}
    if check.kind != "sweep" or not any(said.get(n) for n in ("seen_from", "pressed_in_reads", "sag", "swept")):
        return {}
    sag, swept = said.get("sag", ""), said.get("swept", "")
    return {
        "seen_from": words["seen_from"],
        "presses_plus": words["pressed_in_reads"] == "plus",
        "sag_typed": sag,
        "sag": read_keyed(check, sag).si if sag else 0.0,
        **({"swept_typed": swept, "swept": read_radius(swept)} if swept else {}),
    }


def read_radius(typed: str) -> float:
    """The radius a face was swept at, as typed [m].

    Raises
    ------
    UnreadableEntry : no length, or none a face is swept at

    >>> round(read_radius("6 in"), 4)
    0.1524
    """
    try:
        found = read(typed, "m", "mm").si
    except UnreadableEntry as error:
        raise UnreadableEntry(f"Radius swept: {error.reason}.") from None
    if not 0.02 <= found <= 0.5:
        raise UnreadableEntry(f"Radius swept: “{typed}” is no radius of a face; 20 to 500 mm.")
    return found
