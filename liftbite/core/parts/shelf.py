"""Parts on the shelf: what each kind may bring, and what it does when it is taken into a job.

- `OF_SLOT`      slot -> the quantities and choices a part of it may state
- `ShelfPart`    a part: what its maker's sheet says, as typed
- `read_part`    the part checked and read
- `takes`        the entries that taking a part into a job amounts to
- `with_parts`   a job's entries with parts and figures taken in
- `misfits`      the rules that a build breaks

A part is copied into a job as entries, so that changing the shelf never changes a job.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from typing import Any

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.build import Build, build_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import FITS, INPUTS
from liftbite.core.job.ledger import Entry, read_entry
from liftbite.core.job.slots import SLOTS
from liftbite.core.parts.mismatch import BARE, Mismatch, bare_aluminium, mismatches

#: Slot -> the quantities and choices a part of it may state: what names it among its parts, choices first.
OF_SLOT: Mapping[str, tuple[str, ...]] = {
    slot: (
        *(c.name for c in CHOICES.values() if slot in c.parts),
        *(i.name for i in INPUTS.values() if slot in i.parts),
    )
    for slot in SLOTS
}


@dataclass(frozen=True, slots=True)
class ShelfPart:
    """A part on the shelf.

    Attributes
    ----------
    slot, name : kind of part and what it is called
    values : quantity or choice -> as typed
    price : what it costs, 0 where nobody said
    source : where its figures come from
    notes : anything else on the maker's sheet
    """

    slot: str
    name: str
    values: Mapping[str, str] = field(default_factory=dict)
    price: float = 0.0
    source: str = ""
    notes: str = ""


def read_part(part: ShelfPart) -> dict[str, Entry]:
    """The part's values as entries.

    Raises
    ------
    UnreadableEntry : the sentence names the field and what would be right
    """
    if part.slot not in SLOTS:
        raise UnreadableEntry(f"“{part.slot}” is no kind of part; it is one of {', '.join(SLOTS)}")
    if not part.name.strip():
        raise UnreadableEntry("Name: a part needs one")
    if not 0 <= part.price < 1e9:
        raise UnreadableEntry(f"Price: {part.price:g} cannot be")
    found = {}
    for quantity, typed in part.values.items():
        if quantity not in OF_SLOT[part.slot]:
            raise UnreadableEntry(f"“{quantity}” is nothing a {SLOTS[part.slot].label.lower()} states")
        if typed.strip():
            found[quantity] = read_entry(quantity, typed)
    return found


def part_name(slot: str) -> str:
    """The input that names the part a job took for a slot."""
    return f"{slot}_part"


def takes(present: Mapping[str, Entry], part: ShelfPart) -> list[Entry]:
    """What taking a part into a job enters: its values, its name, and away with what the part before it brought.

    What was typed over a figure of the part before it stays.
    """
    brought = read_part(part)
    label = part_name(part.slot)
    before = present.get(label)
    old: Mapping[str, str] = (before.file or {}).get("values", {}) if before else {}
    gone = [
        Entry(quantity, None)
        for quantity, typed in old.items()
        if quantity not in brought and quantity in present and present[quantity].typed == typed
    ]
    snapshot = {"values": {q: e.typed for q, e in brought.items()}, "source": part.source, "price": part.price}
    return [*gone, *brought.values(), Entry(label, part.name, file=snapshot)]


def changed_since(present: Mapping[str, Entry], slot: str) -> list[str]:
    """Quantities of the part taken for a slot that were typed over since."""
    entry = present.get(part_name(slot))
    old: Mapping[str, str] = (entry.file or {}).get("values", {}) if entry else {}
    return [q for q, typed in old.items() if q not in present or present[q].typed != typed]


def misfits(build: Build) -> list[Mismatch]:
    """The rules of `mismatch.RULES` that a build breaks.

    >>> job = {"layout": "dry_car", "bolt_count": "6", "crank_bolt_count": "8"}
    >>> [m.slots for m in misfits(build_of({q: read_entry(q, t) for q, t in job.items()}))]
    [('flywheel', 'crank')]
    """
    parts: dict[str, dict[str, Any]] = {}
    for (slot, name), quantity in FITS.items():
        if quantity in build.entries and (value := build.known.get(quantity)) is not None:
            parts.setdefault(slot, {})[name] = float(value)
    found = mismatches(parts)
    if bare_aluminium(build.chosen.traits):
        found.append(Mismatch(BARE))
    return found


def fields_of(found: Mismatch) -> tuple[str, ...]:
    """The fields a mismatch stands between."""
    if found.rule is BARE:
        return ("flywheel_insert",)
    return (FITS[found.rule.first], FITS[found.rule.second])


def would_misfit(present: Mapping[str, Entry], part: ShelfPart) -> list[Mismatch]:
    """The rules that a job would newly break with a part in it."""
    before = set(misfits(build_of(present)))
    after = {**present, **{e.quantity: e for e in takes(present, part) if e.typed is not None}}
    return [m for m in misfits(build_of(after)) if m not in before]


def with_parts(present: Mapping[str, Entry], parts: Iterable[ShelfPart], tried: Iterable[Entry]) -> dict[str, Entry]:
    """A job's entries with parts and figures taken in."""
    entries = dict(present)
    for part in parts:
        for entry in takes(entries, part):
            if entry.typed is None:
                entries.pop(entry.quantity, None)
            else:
                entries[entry.quantity] = entry
    return entries | {e.quantity: e for e in tried}
