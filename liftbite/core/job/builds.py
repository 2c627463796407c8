"""The builds of a job: as found, as planned, and alternatives to the plan.

Entries are keyed by build and quantity. The plan's stand in the first layer, "". Another build's layer holds the
entries that differ: what was found of parts that are found and planned as two, or what an alternative has otherwise.

- `PLAN`, `FOUND`   names of the two builds every job has; an alternative goes by a name of its own
- `with_what_is_on`   parts, and what is fixed to them
- `owned_by`        part -> the quantities that belong to it
- `entries_of`      a build's entries, all of them
- `entering`        what is to be entered in a build, as entries of the layers; a change of fate moves what belongs to
                    the part
- `shared_figures`  what was typed of a part before it was said to be renewed, and nobody has said of which one
- `known_build`     a build by its name
- `with_entries`    layers with other entries in force
- `called`          what a build is called
- `taking`, `dropping`   an alternative made the plan; one taken away
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import replace
from functools import cache

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.figures_of import figures_of, with_figures
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import FOUND, PLAN, Entry, Layers, read_build
from liftbite.core.job.parts import APART, CAR, PARTS, Part, fate_of, fated

_FATE_CHOICES = {fate_of(part.key): part.key for part in fated()}
_FIGURES = {figures_of(part.key): part.key for part in with_figures()}


@cache
def owned_by(layout: str) -> Mapping[str, frozenset[str]]:
    """Part -> the quantities that belong to it, in a layout. No quantity belongs to two.

    >>> "wear" in owned_by("dry_car")["disc"], "wear" in owned_by("wet_motorcycle")["plates"]
    (True, True)
    """
    parts = {part.key: part for part in fated(layout)}
    owner = {q: name for name, part in parts.items() for q in (*part.figures, *part.used, *part.read)}
    for name, part in parts.items():
        rows = [(i.name, i.parts) for i in INPUTS.values()] + [(c.name, c.parts) for c in CHOICES.values()]
        for quantity, slots in rows:
            if set(slots) & set(part.slots):
                owner.setdefault(quantity, name)
        for slot in part.slots:
            owner.setdefault(f"{slot}_part", name)
    return {name: frozenset(q for q, by in owner.items() if by == name) for name in parts}


def part_of(quantity: str, layout: str) -> str:
    """The part a quantity belongs to; empty for what belongs to none, such as the engine's.

    >>> part_of("flywheel_bore", "dry_car"), part_of("peak_torque", "dry_car")
    ('flywheel', '')
    """
    return next((name for name, owned in owned_by(layout).items() if quantity in owned), "")


def fate_in(entries: Mapping[str, Entry], part: str) -> str:
    """What becomes of a part: it stays where nothing else was said."""
    entry = entries.get(fate_of(part))
    return entry.typed if entry is not None and entry.typed else "stays"


def apart(entries: Mapping[str, Entry]) -> tuple[str, ...]:
    """The parts that are found and planned as two, or only found, or only planned; what is fixed to one goes along."""
    return with_what_is_on(_moved_parts(entries))


def with_what_is_on(parts: Iterable[str]) -> tuple[str, ...]:
    """Parts, and after them what is fixed to them and goes with them.

    >>> with_what_is_on(["flywheel"])
    ('flywheel', 'insert', 'ring_gear')
    """
    found = tuple(parts)
    return (*found, *(part.key for part in PARTS.values() if part.on in found and part.key not in found))


def _moved_parts(entries: Mapping[str, Entry]) -> tuple[str, ...]:
    """The parts whose own fate parts them."""
    return tuple(part for part in owned_by(_layout(entries)) if fate_in(entries, part) in APART)


def _layout(entries: Mapping[str, Entry]) -> str:
    return (entries["layout"].typed or CAR) if "layout" in entries else CAR


def names_of(layers: Layers) -> tuple[str, ...]:
    """The alternatives of a job, in the order they were begun."""
    return tuple(name for name, entries in layers.items() if name not in (PLAN, FOUND) and entries)


def entries_of(layers: Layers, build: str = PLAN) -> dict[str, Entry]:
    """The entries of a build, those it shares with the plan among them.

    An alternative in which nothing is entered yet is the plan.

    >>> plan = {"disc_fate": Entry("disc_fate", "renewed"), "outer_diameter": Entry("outer_diameter", "0.24 m", 0.24)}
    >>> found = {"outer_diameter": Entry("outer_diameter", "0.228 m", 0.228, build="found")}
    >>> entries_of({"": plan, "found": found}, "found")["outer_diameter"].si
    0.228
    """
    plan = layers.get(PLAN, {})
    if build == PLAN:
        return dict(plan)
    if build == FOUND:
        gone = {q for part in _moved_parts(plan) for q in owned_by(_layout(plan))[part]}
        kept = {q: e for q, e in plan.items() if q not in gone and q not in _FATE_CHOICES}
        return kept | {q: e for q, e in layers.get(FOUND, {}).items() if q in gone}
    return _alternative(layers, build)


def _alternative(layers: Layers, build: str) -> dict[str, Entry]:
    """The plan with an alternative's entries, and with the parts as it has them."""
    plan, own = layers.get(PLAN, {}), layers.get(build, {})
    entries, layout = dict(plan), _layout(plan)
    for part, owned in owned_by(layout).items():
        fate = own.get(fate_of(part))
        if fate is None:
            continue
        before = {q: e for q, e in entries.items() if q in owned}
        found = {q: e for q, e in layers.get(FOUND, {}).items() if q in owned}
        after, _ = _moved(PARTS[part], before, found, fate_in(plan, part), fate.typed or "stays")
        entries = {q: e for q, e in entries.items() if q not in owned} | after
    return entries | dict(own)


def _moved(
    part: Part, plan: Mapping[str, Entry], found: Mapping[str, Entry], before: str, after: str
) -> tuple[dict[str, Entry], dict[str, Entry]]:
    """What belongs to a part, as planned and as found, once its fate is another one."""
    goes_in, comes_out = dict(plan), dict(found)
    if after not in APART:
        return (goes_in if before not in APART or before == "added" else comes_out), {}
    if before not in APART:
        comes_out = dict(goes_in)
    elif before == "left_out":
        goes_in = dict(comes_out)
    if after == "left_out":
        return {}, comes_out
    if before != "renewed" and after == "renewed":
        goes_in = {q: e for q, e in goes_in.items() if q not in _worn(part, goes_in)}
    return goes_in, ({} if after == "added" else comes_out)


def _worn(part: Part, entries: Mapping[str, Entry]) -> set[str]:
    """What a new part does not have of the old one's: the marks of its use, and what was read off it."""
    worn = set(part.used) | {q for q in part.read if q in entries and entries[q].mark == "measured"}
    if "spring_free_lengths" in worn:
        worn.add("spring_lengths")
    return worn


def entering(layers: Layers, build: str, entries: Sequence[Entry]) -> list[Entry]:
    """What is entered in a build, as the entries of the layers that it comes to.

    What is entered as found of a part that stays is entered in the plan too, for it is one part. Where the fate of a
    part changes, what belongs to it moves: a part that is renewed leaves its wear and what was read of it behind.

    Raises
    ------
    UnreadableEntry : a build by a name it cannot have, or a fate told of what was found

    >>> worn = {"": {"wear": Entry("wear", "0.6 mm", 6e-4, "measured")}}
    >>> [(e.quantity, e.build, e.typed) for e in entering(worn, "", [Entry("disc_fate", "renewed")])]
    [('disc_fate', '', 'renewed'), ('wear', '', None), ('wear', 'found', '0.6 mm')]
    """
    build = read_build(build)
    plan = layers.get(PLAN, {})
    if build == FOUND:
        if any(e.quantity in _FATE_CHOICES for e in entries):
            raise UnreadableEntry("what becomes of a part is said of the plan, not of what was found")
        of_found = {q for part in _moved_parts(plan) for q in owned_by(_layout(plan))[part]}
        return [replace(e, build=FOUND if e.quantity in of_found else PLAN) for e in entries]
    if build != PLAN:
        return [replace(e, build=build) for e in entries]
    told = [replace(e, build=PLAN) for e in entries]
    after = dict(plan) | {e.quantity: e for e in told if e.quantity not in _FATE_CHOICES}
    after = {q: e for q, e in after.items() if e.typed is not None}
    found = layers.get(FOUND, {})
    told = [*told, *_carried_along(plan, told)]
    moved = [*_fates_changed(plan, after, found, told)]
    sorted_ = with_entries({PLAN: after, FOUND: dict(found)}, moved)
    return [*told, *moved, *_figures_sorted(sorted_, told)]


def _carried_along(plan: Mapping[str, Entry], told: Sequence[Entry]) -> Iterator[Entry]:
    """The fates of what is fixed to a part whose fate changes, where it has figures of its own: they go together."""
    said = {e.quantity for e in told}
    for entry in told:
        carrier = _FATE_CHOICES.get(entry.quantity, "")
        if not carrier or fate_in(plan, carrier) == (entry.typed or "stays"):
            continue
        for part in PARTS.values():
            along = fate_of(part.key)
            if part.on == carrier and part.slots and along not in said:
                fate = entry.typed if entry.typed in part.fates else "stays"
                if fate_in(plan, part.key) != fate:
                    yield replace(entry, quantity=along, typed=fate)


def shared_figures(layers: Layers) -> dict[str, tuple[str, ...]]:
    """Part -> what was typed of it before it was said to be renewed, where nobody has said whose figures those are.

    Nothing of a part of which anything was typed since, for then old and new are told apart.

    >>> typed = {"": {"outer_diameter": Entry("outer_diameter", "0.228 m", 0.228)}}
    >>> shared_figures(with_entries(typed, entering(typed, "", [Entry("disc_fate", "renewed")])))
    {'disc': ('outer_diameter',)}
    """
    plan, found = layers.get(PLAN, {}), layers.get(FOUND, {})
    shared = {}
    for part, owned in owned_by(_layout(plan)).items():
        if fate_in(plan, part) != "renewed" or figures_of(part) in plan:
            continue
        both = {q: (plan[q].typed, found[q].typed) for q in owned if q in plan and q in found}
        worn = {*PARTS[part].used, *PARTS[part].read}
        newer = {q for q in owned if q in plan and q not in found} - worn
        if both and not newer and all(new == old for new, old in both.values()):
            shared[part] = tuple(q for q in _in_order(owned) if q in both)
    return shared


def _in_order(owned: Iterable[str]) -> list[str]:
    order = [*INPUTS, *CHOICES]
    return sorted(owned, key=lambda q: order.index(q) if q in order else len(order))


def _figures_sorted(layers: Layers, told: Iterable[Entry]) -> Iterator[Entry]:
    """What moves once somebody says whose figures those of a part are; what one has of its own stays with it."""
    plan, found = layers.get(PLAN, {}), layers.get(FOUND, {})
    for entry in told:
        part = _FIGURES.get(entry.quantity)
        if part is None or fate_in(plan, part) != "renewed" or entry.typed in (None, "both"):
            continue
        owned = owned_by(_layout(plan))[part]
        alike = [q for q in sorted(owned) if q in plan and q in found and plan[q].typed == found[q].typed]
        build = FOUND if entry.typed == "goes_in" else PLAN
        yield from (Entry(q, None, build=build) for q in alike)


def _fates_changed(
    plan: Mapping[str, Entry], after: Mapping[str, Entry], found: Mapping[str, Entry], told: Iterable[Entry]
) -> Iterator[Entry]:
    for entry in told:
        name = _FATE_CHOICES.get(entry.quantity)
        owned = owned_by(_layout(after)).get(name or "")
        if name is None or owned is None:
            continue
        goes_in = {q: e for q, e in after.items() if q in owned}
        comes_out = {q: e for q, e in found.items() if q in owned}
        planned, left = _moved(PARTS[name], goes_in, comes_out, fate_in(plan, name), entry.typed or "stays")
        if figures_of(name) in after and all(e.quantity != figures_of(name) for e in told):
            yield Entry(figures_of(name), None)
        yield from _difference(goes_in, planned, PLAN)
        yield from _difference(comes_out, left, FOUND)


def _difference(before: Mapping[str, Entry], after: Mapping[str, Entry], build: str) -> Iterator[Entry]:
    for quantity in sorted(before.keys() | after.keys()):
        entry = after.get(quantity)
        if entry is None:
            yield Entry(quantity, None, build=build)
        elif quantity not in before or replace(entry, build=build) != before[quantity]:
            yield replace(entry, build=build)


def with_entries(layers: Layers, entries: Iterable[Entry]) -> dict[str, dict[str, Entry]]:
    """The layers with other entries in force; one that withdraws takes its quantity out."""
    found = {build: dict(of_build) for build, of_build in layers.items()}
    for entry in entries:
        of_build = found.setdefault(entry.build, {})
        if entry.typed is None:
            of_build.pop(entry.quantity, None)
        else:
            of_build[entry.quantity] = entry
    return found


def called(build: str) -> str:
    """What a build is called on screen.

    >>> called("found"), called(""), called("sintered twin")
    ('As found', 'Planned', 'sintered twin')
    """
    return {FOUND: "As found", PLAN: "Planned"}.get(build, build)


def known_build(layers: Layers, name: str) -> str:
    """The build of a job that is called so.

    Raises
    ------
    UnreadableEntry : it has none; the sentence names those it has
    """
    build = read_build(name)
    if build not in (PLAN, FOUND, *names_of(layers)):
        there = ", ".join(["planned", "found", *names_of(layers)])
        raise UnreadableEntry(f"this job has no build called “{build}”; it has {there}")
    return build


def taking(layers: Layers, build: str) -> list[Entry]:
    """An alternative made the plan: its entries are entered there, and it is no longer an alternative."""
    return [*entering(layers, PLAN, list(layers[build].values())), *dropping(layers, build)]


def dropping(layers: Layers, build: str) -> list[Entry]:
    """An alternative taken away: every entry of its own withdrawn."""
    return [Entry(quantity, None, build=build) for quantity in layers.get(build, {})]
