"""How a job begins: from a layout alone, or from what a person knows of the vehicle.

- `beginning`            the first entries of a job
- `copy_name`            what a copy of a job is called
- `CLUTCH_FIGURES`       what tells a clutch in three figures
- `read_engine_figure`   one figure of an engine, torque or power, as typed
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.classes import CLASSES
from liftbite.core.job.ledger import Entry, read_entry

#: What tells a clutch that is not the one of its class, in three figures.
CLUTCH_FIGURES = ("outer_diameter", "inner_diameter", "cover_clamp")
#: Figure -> the choice it makes where it is typed at the beginning.
_MAKES = {"cover_clamp": ("clamp_source", "figure")}
#: What units of power are spelled with.
_POWER = ("w", "hp", "ps", "cv", "ch")


def read_engine_figure(typed: str) -> Entry:
    """One figure of an engine, or a kit's rating: a torque or a power, by its unit.

    Raises
    ------
    UnreadableEntry : it names no unit, or is no figure

    >>> read_engine_figure("320 N·m").quantity, read_engine_figure("250 hp").quantity
    ('peak_torque', 'peak_power')
    """
    text = typed.strip()
    if text[-1:].isdigit():
        raise UnreadableEntry(f"“{text}” of what? Say N·m or lb-ft for torque, kW, hp or PS for power")
    try:
        return read_entry("peak_torque", text)
    except UnreadableEntry:
        if not any(unit in text.lower() for unit in _POWER):
            raise
    return read_entry("peak_power", text)


def copy_name(name: str) -> str:
    """What a copy of a job is called.

    >>> copy_name("Two-litre"), copy_name("Two-litre, copy"), copy_name("Two-litre, copy 2")
    ('Two-litre, copy', 'Two-litre, copy 2', 'Two-litre, copy 3')
    """
    stem, cut, number = name.rpartition(", copy")
    if not cut or (number and not number.strip().isdecimal()):
        return f"{name}, copy"
    return f"{stem}, copy {int(number or 1) + 1}"


def beginning(typed: Mapping[str, str]) -> tuple[list[Entry], dict[str, tuple[str, str]]]:
    """The first entries of a job, and what cannot be taken: field -> what was typed and why.

    Parameters
    ----------
    typed : quantity or choice -> as typed; "engine" for one figure of the engine. What is empty is left out; the
        layout follows from the class of vehicle where that is named.

    >>> [e.quantity for e in beginning({"vehicle_class": "boosted_coupe", "engine": "250 hp"})[0]]
    ['layout', 'vehicle_class', 'peak_power']
    """
    said = {name: text.strip() for name, text in typed.items() if text.strip()}
    known = CLASSES.get(said.get("vehicle_class", ""))
    layout = said.pop("layout", "")
    faults = {}
    if known and layout and layout != known.layout:
        faults["vehicle_class"] = (known.name, f"a {known.label.lower()} has another layout than the one picked")
    if not known and not layout:
        faults["layout"] = ("", "say which layout it has, or name a class of vehicle")
    said |= {choice: option for figure, (choice, option) in _MAKES.items() if figure in said}
    said = ({"layout": known.layout if known else layout} if known or layout else {}) | said
    taken = []
    for name, text in said.items():
        try:
            taken.append(read_engine_figure(text) if name == "engine" else read_entry(name, text))
        except UnreadableEntry as error:
            faults[name] = (text, error.reason)
    return taken, faults
