"""The record of a job: an append-only ledger. History, undo and audit are the same thing.

- `Entry`      one quantity as entered, or withdrawn
- `Revision`   the entries made at one moment
- `PLAN`, `FOUND`, `read_build`   names of builds, and one as typed
- `Layers`, `layers_of`   the latest entry of each quantity, build by build
- `present`    the latest entry of each quantity of the plan
- `undoable`, `redoable`   which revision undo or redo would turn back or bring again
- `undo`, `redo`           the entries that do so, to be appended as a revision of their own
- `back_to`                the entries that bring a job back to an earlier revision
- `read_entry`             what was typed for an input or picked for a choice, checked, as an `Entry`
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.input import Input
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.schedule import read_schedule
from liftbite.core.job.tightening import read_instructions
from liftbite.core.quantities.torque_curve import TorqueCurve
from liftbite.core.units.fasteners import read_class, read_thread, read_tightening
from liftbite.core.units.read import other_readings, read, read_many, to_si
from liftbite.core.units.show import show

RevisionKind = Literal["start", "edit", "undo", "redo"]
Mark = Literal["entered", "measured"]
MAX_TEXT = 4_000
#: The builds every job has: as planned, and as found.
PLAN, FOUND = "", "found"
#: Longest name of an alternative.
MAX_BUILD = 40


@dataclass(frozen=True, slots=True)
class Entry:
    """One quantity as entered.

    Attributes
    ----------
    quantity : an input or a choice
    typed : the text as typed, the option picked or the file's name; None withdraws the quantity
    si : its value [SI], None for text, choices and curves
    mark : "entered" or "measured"
    curve : the points, for a curve
    file : how a curve's file was read, for the record
    build : the build it is of: the plan's, the found one's, or an alternative's name
    """

    quantity: str
    typed: str | None
    si: float | None = None
    mark: Mark = "entered"
    curve: TorqueCurve | None = None
    file: Mapping[str, Any] | None = None
    build: str = PLAN


#: Build -> quantity -> its entry in force.
Layers = Mapping[str, Mapping[str, Entry]]


@dataclass(frozen=True, slots=True)
class Revision:
    """Entries made at one moment.

    Attributes
    ----------
    number : 1, 2, 3 ... within the job
    kind : "start", "edit", "undo" or "redo"
    at : when, ISO 8601 in UTC
    entries : what was entered
    of : for undo and redo, the revision turned back or brought again
    who : whose it is; empty where nobody gave a name
    """

    number: int
    kind: RevisionKind
    at: str
    entries: tuple[Entry, ...]
    of: int | None = None
    who: str = ""


def read_build(name: str) -> str:
    """The name of a build, as typed: "planned" and nothing are the plan.

    Raises
    ------
    UnreadableEntry : it is too long

    >>> read_build(" planned "), read_build("Found"), read_build("sintered twin")
    ('', 'found', 'sintered twin')
    """
    said = " ".join(name.split())
    if len(said) > MAX_BUILD or not said.isprintable():
        raise UnreadableEntry(f"a build's name has {MAX_BUILD} characters at most")
    return {"planned": PLAN, "plan": PLAN, "found": FOUND}.get(said.lower(), said)


def layers_of(revisions: Iterable[Revision]) -> dict[str, dict[str, Entry]]:
    """The latest entry of each quantity of each build, withdrawn ones left out; the plan is always there."""
    latest: dict[str, dict[str, Entry]] = {PLAN: {}}
    for revision in revisions:
        for entry in revision.entries:
            latest.setdefault(entry.build, {})[entry.quantity] = entry
    return {
        build: {name: entry for name, entry in entries.items() if entry.typed is not None}
        for build, entries in latest.items()
    }


def present(revisions: Iterable[Revision]) -> dict[str, Entry]:
    """The latest entry of each quantity of the plan, withdrawn ones left out."""
    return layers_of(revisions)[PLAN]


def as_entered(revisions: Iterable[Revision]) -> dict[str, dict[str, Entry]]:
    """The same without what was measured: what stood there before readings were taken in."""
    return layers_of(replace(r, entries=tuple(e for e in r.entries if e.mark != "measured")) for r in revisions)


def _stacks(revisions: Sequence[Revision]) -> tuple[list[int], list[int]]:
    done: list[int] = []
    undone: list[int] = []
    for revision in revisions:
        if revision.kind == "edit":
            done.append(revision.number)
            undone.clear()
        elif revision.kind == "undo" and done:
            undone.append(done.pop())
        elif revision.kind == "redo" and undone:
            done.append(undone.pop())
    return done, undone


def undoable(revisions: Sequence[Revision]) -> int | None:
    """Number of the revision that undo would turn back, or None."""
    done, _ = _stacks(revisions)
    return done[-1] if done else None


def redoable(revisions: Sequence[Revision]) -> int | None:
    """Number of the revision that redo would bring again, or None."""
    _, undone = _stacks(revisions)
    return undone[-1] if undone else None


def _as_of(revisions: Sequence[Revision], number: int, entries: Iterable[Entry]) -> tuple[Entry, ...]:
    then = layers_of(r for r in revisions if r.number <= number)
    return tuple(then.get(e.build, {}).get(e.quantity, Entry(e.quantity, None, build=e.build)) for e in entries)


def back_to(revisions: Sequence[Revision], number: int) -> tuple[Entry, ...]:
    """The entries that bring a job back to how it stood at a revision; none where it stands so.

    Raises
    ------
    UnreadableEntry : there is no such revision

    >>> first, second = Entry("use", "tuned"), Entry("use", "race")
    >>> made = [Revision(1, "start", "", (first,)), Revision(2, "edit", "", (second,))]
    >>> back_to(made, 1)[0].typed, back_to(made, 2)
    ('tuned', ())
    """
    if not any(r.number == number for r in revisions):
        raise UnreadableEntry(f"there is no revision {number} to go back to")
    now = layers_of(revisions)
    touched = {(e.build, e.quantity): e for r in revisions if r.number > number for e in r.entries}
    then = _as_of(revisions, number, touched.values())
    return tuple(e for e in then if e != now.get(e.build, {}).get(e.quantity, Entry(e.quantity, None, build=e.build)))


def undo(revisions: Sequence[Revision]) -> tuple[int, tuple[Entry, ...]] | None:
    """The revision to turn back and the entries that restore what stood before it, or None."""
    number = undoable(revisions)
    if number is None:
        return None
    turned = next(r for r in revisions if r.number == number)
    return number, _as_of(revisions, number - 1, turned.entries)


def redo(revisions: Sequence[Revision]) -> tuple[int, tuple[Entry, ...]] | None:
    """The revision to bring again and its entries, or None."""
    number = redoable(revisions)
    if number is None:
        return None
    brought = next(r for r in revisions if r.number == number)
    return number, brought.entries


def _shop_talk(quantity: str, typed: str) -> float | None:
    """The value [SI] of what a workshop writes its own way: a thread, a class of bolts, a torque with an angle."""
    if quantity in {"bolt_diameter", "bolt_pitch"} and (thread := read_thread(typed)):
        return thread.diameter if quantity == "bolt_diameter" else thread.pitch
    if quantity == "bolt_proof_strength":
        return read_class(typed)
    if quantity in {"bolt_torque", "bolt_angle"} and (both := read_tightening(typed)):
        if quantity == "bolt_torque":
            return read(both.torque, "N·m", INPUTS[quantity].field_unit).si
        return read(both.angle, "rad", "°").si
    return None


#: Input -> the one it is said along with: a pitch with the thread, an angle with the torque before it.
SAID_WITH: Mapping[str, str] = {"bolt_pitch": "bolt_diameter", "bolt_angle": "bolt_torque"}


def noted_along(entries: Mapping[str, Entry]) -> dict[str, Entry]:
    """Entries that the text of another one says as well, where they were not entered themselves.

    >>> noted_along({"bolt_diameter": read_entry("bolt_diameter", "M10 x 1.25")})["bolt_pitch"].si
    0.00125
    """
    found = {}
    for quantity, first in SAID_WITH.items():
        entry = entries.get(first)
        if quantity in entries or entry is None or not entry.typed:
            continue
        value = _shop_talk(quantity, entry.typed)
        if value is not None:
            found[quantity] = Entry(quantity, entry.typed, value, entry.mark)
    return found


def read_entry(quantity: str, typed: str | None) -> Entry:
    """What was typed for an input, or picked for a choice, checked.

    Raises
    ------
    UnreadableEntry : a sentence that names the field, what was wrong and what would be right

    >>> read_entry("outer_diameter", "9 1/2 in").si
    0.2413
    >>> read_entry("disc_count", "0")
    Traceback (most recent call last):
    liftbite.core.errors.UnreadableEntry: Discs: “0” is too small; 1 or more.
    """
    if typed is None or not typed.strip():
        if quantity not in INPUTS and quantity not in CHOICES:
            raise UnreadableEntry(f"“{quantity}” is not a quantity a job has")
        return Entry(quantity, None)
    if "\x00" in typed:
        raise UnreadableEntry(f"{quantity}: the text holds a character that cannot be stored")
    if quantity in CHOICES:
        choice = CHOICES[quantity]
        if choice.option(typed) is None:
            options = ", ".join(o.value for o in choice.options)
            raise UnreadableEntry(f"{choice.label}: “{typed}” is not offered; pick one of {options}.")
        return Entry(quantity, typed)
    asked = INPUTS.get(quantity)
    if asked is None:
        raise UnreadableEntry(f"“{quantity}” is not a quantity a job has")
    if asked.unit == "text":
        if len(typed) > MAX_TEXT:
            raise UnreadableEntry(f"{asked.label}: {len(typed)} characters are too many; {MAX_TEXT} fit.")
        if quantity in _READ:
            _check_text(asked, typed)
        return Entry(quantity, typed.strip())
    if asked.unit == "curve":
        raise UnreadableEntry(f"{asked.label}: a curve comes from a file; drop a CSV in.")
    try:
        said = _shop_talk(quantity, typed)
        if said is not None:
            _check_range(asked, typed, said)
            return Entry(quantity, typed.strip(), said)
        if asked.many:
            for reading in read_many(typed, asked.unit, asked.field_unit):
                _check_range(asked, reading.typed, reading.si)
            return Entry(quantity, typed.strip())
        reading = read(typed, asked.unit, asked.field_unit)
    except UnreadableEntry as error:
        raise UnreadableEntry(f"{asked.label}: {error.reason}.") from None
    _check_range(asked, reading.typed, reading.si)
    return Entry(quantity, reading.typed, reading.si)


#: Texts that have to mean something -> what reads them.
_READ: Mapping[str, Callable[[str], object]] = {
    "start_schedule": read_schedule,
    "bolt_instructions": read_instructions,
}


def _check_text(asked: Input, typed: str) -> None:
    try:
        _READ[asked.name](typed)
    except UnreadableEntry as error:
        raise UnreadableEntry(f"{asked.label}: {error.reason}.") from None


def _check_range(asked: Input, typed: str, si: float) -> None:
    if si < asked.least or (asked.above and si <= asked.least):
        floor = show(asked.least, asked.unit, "metric")
        want = f"more than {floor}" if asked.above else f"{floor} or more"
        raise UnreadableEntry(f"{asked.label}: “{typed}” is too small; {want}.")
    if si > asked.most:
        ceiling = f"{show(asked.most, asked.unit, 'metric')}"
        other = show(asked.most, asked.unit, "inch")
        also = f" ({other})" if str(other) != ceiling else ""
        raise UnreadableEntry(f"{asked.label}: “{typed}” is too large; {ceiling}{also} at most.")


@dataclass(frozen=True, slots=True)
class Unusual:
    """A figure that can exist but is unusual: the sentence, and the readings that would be usual, as typed."""

    sentence: str
    instead: tuple[str, ...]


def unusual(entry: Entry) -> Unusual | None:
    """Asks when a figure is unusual for its input, naming the unit in which it would be usual.

    >>> unusual(Entry("outer_diameter", "9.5", 0.0095)).instead
    ('9.5 in', '9.5 cm')
    """
    asked = INPUTS.get(entry.quantity)
    if asked is None or entry.si is None or entry.typed is None:
        return None
    low, high = asked.usual
    if low <= entry.si <= high:
        return None
    reading = read(entry.typed, asked.unit, asked.field_unit)
    units = other_readings(reading, asked.unit, low, high)
    figure = entry.typed if reading.bare else entry.typed.removesuffix(reading.unit).strip()
    usual = f"{show(low, asked.unit, 'metric')} to {show(high, asked.unit, 'metric')}"
    sentence = f"{asked.label}: {reading.typed}{' ' + reading.unit if reading.bare and reading.unit else ''} is unusual"
    sentence += f"; most are {usual}."
    if units:
        shown = " or ".join(f"{figure} {u} = {show(to_si(reading.number, u), asked.unit, 'metric')}" for u in units[:2])
        sentence += f" Did you mean {shown}?"
    return Unusual(sentence, tuple(f"{reading.number:g} {u}" for u in units[:2]))


def curve_entry(quantity: str, name: str, curve: TorqueCurve, file: Mapping[str, Any] | None = None) -> Entry:
    """A curve as an entry; `name` is what it was called when it was dropped in.

    Raises
    ------
    UnreadableEntry : the quantity is not a curve
    """
    asked = INPUTS.get(quantity)
    if asked is None or asked.unit != "curve":
        raise UnreadableEntry(f"“{quantity}” is not a curve")
    return Entry(quantity, name[:200] or "curve", curve=curve, file=file)
