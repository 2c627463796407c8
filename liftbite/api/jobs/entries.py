"""From what came over the wire to entries of the core."""

from __future__ import annotations

from collections.abc import Iterable

from liftbite.api.jobs.models import ColumnMappingIO, CurveFileIn, EntryIn
from liftbite.api.waiting import by_size
from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.job.dyno_file import CurveFile, read_curve
from liftbite.core.job.dyno_mapping import ColumnMapping
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import Entry, Layers, curve_entry, read_entry


def mapping_of(mapping: ColumnMappingIO) -> ColumnMapping:
    """The mapping of a file, as the core takes it."""
    return ColumnMapping(**{**mapping.model_dump(), "leave_out": tuple(mapping.leave_out)})


def curve_of(file: CurveFileIn) -> CurveFile:
    """A dynamometer file read as mapped; a long one in a process of its own.

    Raises
    ------
    UnreadableFile : of `read_curve`
    TooLong, Broken : of `waiting.by_size`
    """
    return by_size(len(file.text), read_curve, file.text, mapping_of(file.mapping), file.vehicle_class)


def read_entries(asked: Iterable[EntryIn]) -> tuple[list[Entry], dict[str, tuple[str | None, str]]]:
    """What can be taken, and for the rest what was typed and why it cannot."""
    taken: list[Entry] = []
    faults: dict[str, tuple[str | None, str]] = {}
    for entry in asked:
        try:
            if entry.file is not None:
                taken.append(_from_file(entry))
            elif entry.typed is None and entry.quantity in INPUTS:
                taken.append(Entry(entry.quantity, None))
            else:
                taken.append(read_entry(entry.quantity, entry.typed))
        except (UnreadableEntry, UnreadableFile) as error:
            faults[entry.quantity] = (entry.typed, str(error))
    return taken, faults


def _from_file(entry: EntryIn) -> Entry:
    assert entry.file is not None
    read = curve_of(entry.file)
    if read.asks and not entry.file.mapping.sure:
        raise UnreadableFile(f"{read.asks[0]} Say that it is so, or mend what is wrong")
    kept = {"notes": list(read.notes), "mapping": entry.file.mapping.model_dump(), "text": entry.file.text}
    return curve_entry(entry.quantity, entry.file.name, read.curve, kept)


def changes(entries: Iterable[Entry], layers: Layers) -> list[Entry]:
    """Entries that differ from what is in force in their build; typing the same again is no change."""

    def stands(entry: Entry) -> str | None:
        there = layers.get(entry.build, {}).get(entry.quantity)
        return there.typed if there is not None else None

    return [e for e in entries if e.curve is not None or e.typed != stands(e)]
