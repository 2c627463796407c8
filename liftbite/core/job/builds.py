"""The two builds of a job: as found, and as planned.

- `planned_of`   entries as planned: what was read of a part that comes out does not go into the one that goes in
- `found_of`     entries as found, with the flywheel that comes out
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.job.choices import CHOICES
from liftbite.core.job.fates import FATED, Fated, fate_of
from liftbite.core.job.inputs import INPUTS, OF_FLYWHEEL
from liftbite.core.job.ledger import Entry

_OLD = ("flywheel_inertia", *OF_FLYWHEEL)
#: What was entered of the flywheel that goes in, none of which is the old one's.
_OF_NEW_FLYWHEEL = {
    *_OLD,
    *(i.name for i in INPUTS.values() if "flywheel" in i.parts),
    *(c.name for c in CHOICES.values() if "flywheel" in c.parts),
}


def _renewed(entries: Mapping[str, Entry]) -> list[Fated]:
    layout = entries["layout"].typed if "layout" in entries else None
    return [
        part for name, part in FATED.items()
        if (e := entries.get(fate_of(name))) is not None and e.typed == "renewed" and part.layout in ("", layout)
    ]  # fmt: skip


def planned_of(entries: Mapping[str, Entry]) -> Mapping[str, Entry]:
    """The entries as planned: a part that is renewed brings neither the old one's use nor what was read off it.

    >>> before = {"disc_fate": Entry("disc_fate", "renewed"), "layout": Entry("layout", "dry_car"),
    ...           "wear": Entry("wear", "0.6 mm", 6e-4, "measured")}
    >>> sorted(planned_of(before))
    ['disc_fate', 'layout']
    """
    gone = {q for part in _renewed(entries) for q in part.used}
    read = {q for part in _renewed(entries) for q in part.read}
    if "spring_lengths" in read:
        lengths = entries.get("spring_free_lengths")
        gone |= {"spring_free_lengths", "spring_lengths"} if lengths and lengths.mark == "measured" else set()
        read -= {"spring_lengths"}
    gone |= {q for q in read if (e := entries.get(q)) is not None and e.mark == "measured"}
    return {q: e for q, e in entries.items() if q not in gone} if gone else entries


def found_of(entries: Mapping[str, Entry]) -> Mapping[str, Entry]:
    """The entries as found: every part as it was read, and the flywheel that comes out where it was entered.

    >>> typed = {"flywheel_inertia": Entry("flywheel_inertia", "0.08", 0.08),
    ...          "old_flywheel_inertia": Entry("old_flywheel_inertia", "0.13", 0.13)}
    >>> found_of(typed)["flywheel_inertia"].si
    0.13
    """
    fates = {fate_of(part) for part in FATED}
    found = {q: e for q, e in entries.items() if q not in fates}
    old = {q: entries[f"old_{q}"] for q in _OLD if f"old_{q}" in entries}
    if not old:
        return found
    found = {q: e for q, e in found.items() if q not in _OF_NEW_FLYWHEEL}
    found |= {q: Entry(q, e.typed, e.si, e.mark) for q, e in old.items()}
    source = entries.get("old_flywheel_source")
    return found | {"inertia_source": Entry("inertia_source", source.typed if source else "figure")}
