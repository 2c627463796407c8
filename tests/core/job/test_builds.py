"""Whose a quantity is, and what names a build can have."""

from __future__ import annotations

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.builds import dropping, entering, known_build, owned_by, part_of, taking, with_entries
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import FOUND, PLAN, Entry, Revision, layers_of, read_build, redo, undo
from liftbite.core.job.parts import PARTS
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.whose import part_read

#: What no part brings: the engine, the vehicle, how it is driven and judged, what is never taken out.
_OF_THE_VEHICLE = {
    "",
    "engine",
    "stage",
    "use",
    "start",
    "vehicle",
    "primary",
    "release",
    "losses",
    "room",
    "turning",
    "balance",
    "runs",
    "shaft",
    "joint",
    "schedule",
    "heat",
    "fates",
    "wear",
    "strength",
    "fits",
    "cover",
    "stack",
}


@pytest.mark.parametrize("layout", ["dry_car", "wet_motorcycle"])
def test_every_quantity_has_one_owner_or_is_the_vehicles(layout: str) -> None:
    owned = [q for quantities in owned_by(layout).values() for q in quantities]
    assert len(owned) == len(set(owned))
    rows = {i.name: i.group for i in INPUTS.values()} | {c.name: c.group for c in CHOICES.values()}
    left = {name: group for name, group in rows.items() if name not in owned}
    elsewhere = {q for other in ("dry_car", "wet_motorcycle") for qs in owned_by(other).values() for q in qs}
    assert {name for name, group in left.items() if group not in _OF_THE_VEHICLE} - elsewhere == set()


def test_a_part_without_a_figure_is_one_that_is_only_got() -> None:
    """A part without a figure of its own is on the list of parts all the same: seals, spacers, bolts."""
    owned = owned_by("dry_car") | owned_by("wet_motorcycle")
    assert {
        "disc",
        "cover",
        "flywheel",
        "flywheel_bolts",
        "pilot",
        "bearing",
        "fork",
        "master",
        "slave",
        "line",
        "fluid",
        "plates",
        "springs",
        "basket",
        "push_rod",
        "floater",
        "restrictor",
        "input_shaft",
    } <= {part for part, quantities in owned.items() if quantities}
    assert not {"rear_seal", "input_seal", "spacers", "cover_bolts", "lock_washer"} & {
        part for part, quantities in owned.items() if quantities
    }


def test_every_check_of_a_part_is_of_one_whose_fate_is_told() -> None:
    assert {part_read(check) for check in CHECKS} - {""} <= set(PARTS)
    assert part_of("wear", "dry_car") == part_read("rivet_depth") == "disc"
    assert part_of("flywheel_face_runout", "dry_car") == part_read("flywheel_runout") == "flywheel"


@pytest.mark.parametrize("typed", ["x" * 41, "two\u202elines", "a\x00b"])
def test_a_build_has_a_name_that_can_be_read(typed: str) -> None:
    with pytest.raises(UnreadableEntry, match="name"):
        read_build(typed)


def test_a_build_nobody_began_is_named_with_those_there_are() -> None:
    with pytest.raises(UnreadableEntry, match="it has planned, found, twin"):
        known_build({PLAN: {}, "twin": {"use": Entry("use", "track", build="twin")}}, "triple")


def test_the_fate_of_a_part_is_said_of_the_plan() -> None:
    with pytest.raises(UnreadableEntry, match="plan"):
        entering({PLAN: {}}, FOUND, [Entry("disc_fate", "renewed")])


def test_an_alternative_taken_is_the_plan_and_one_dropped_is_gone() -> None:
    layers = {PLAN: {"use": Entry("use", "tuned")}, "twin": {"use": Entry("use", "track", build="twin")}}
    taken = with_entries(layers, taking(layers, "twin"))
    assert taken[PLAN]["use"].typed == "track"
    assert not taken["twin"]
    assert with_entries(layers, dropping(layers, "twin"))[PLAN] == layers[PLAN]


def test_one_undo_turns_a_fate_back_with_all_that_moved() -> None:
    wear = Entry("wear", "0.6 mm", 6e-4, "measured")
    ledger = [Revision(1, "start", "", (Entry("layout", "dry_car"),)), Revision(2, "edit", "", (wear,))]
    before = layers_of(ledger)
    ledger.append(Revision(3, "edit", "", tuple(entering(before, PLAN, [Entry("disc_fate", "renewed")]))))
    assert "wear" not in layers_of(ledger)[PLAN]
    turned = undo(ledger)
    assert turned is not None
    ledger.append(Revision(4, "undo", "", turned[1], turned[0]))
    assert {b: e for b, e in layers_of(ledger).items() if e} == before
    again = redo(ledger)
    assert again is not None
    ledger.append(Revision(5, "redo", "", again[1], again[0]))
    assert layers_of(ledger)[FOUND] == {"wear": Entry("wear", "0.6 mm", 6e-4, "measured", build=FOUND)}
