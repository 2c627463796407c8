"""The register of parts: keys, labels, names somebody types, what goes with what."""

from __future__ import annotations

import itertools
import random

import pytest

from liftbite.core.job.build import build_of
from liftbite.core.job.builds import apart, owned_by, with_what_is_on
from liftbite.core.job.choices import CHOICES, TRAITS
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import Entry
from liftbite.core.job.parts import (
    ASSEMBLIES,
    FATES,
    OPENINGS,
    PARTS,
    called,
    fate_of,
    fated,
    part_named,
    parts_of,
    reached,
)
from liftbite.core.job.slots import SLOTS
from liftbite.core.measure.practices import PRACTICES
from tests.jobs import CAR, MOTORCYCLE, PULLED, entries

BUILDS = {"car": CAR, "pulled": CAR | PULLED, "concentric": CAR | {"release": "concentric"}, "motorcycle": MOTORCYCLE}


@pytest.mark.parametrize("key", PARTS)
def test_a_part_says_only_what_there_is(key: str) -> None:
    part = PARTS[key]
    assert part.opening in OPENINGS
    assert part.traits <= TRAITS
    assert part.layout in ("", "dry_car", "wet_motorcycle")
    assert {part.renewed_as, part.on or key} <= PARTS.keys()
    assert PARTS[part.renewed_as].fates, "what is got can be renewed"
    assert set(part.slots) <= SLOTS.keys()
    assert {*part.figures, *part.used, *part.read} <= INPUTS.keys() | CHOICES.keys() | {"spring_lengths"}
    assert set(part.fates) <= FATES.keys()
    for along in part.along:
        assert along.part in PARTS
        practice, option = along.practice
        assert not practice or option in PRACTICES[practice][1]


def test_no_two_parts_are_called_alike() -> None:
    labels = [part.label for part in PARTS.values()]
    assert len(set(labels)) == len(labels)
    named = [name.casefold() for part in PARTS.values() for name in (part.label, *part.names)]
    assert len(set(named)) == len(named)


@pytest.mark.parametrize("key", PARTS)
def test_a_part_is_found_by_any_name_whatever_its_case_and_spaces(key: str) -> None:
    part = PARTS[key]
    for name in (key, part.label, *part.names):
        for typed in (name, name.upper(), f"  {name.replace(' ', '   ')} "):
            assert part_named(typed) == key or typed.strip() != name.strip()
    assert part_named(part.label.upper()) == key
    assert called(key) == part.label


def test_hub_rubbers_and_cush_rubbers_are_one() -> None:
    assert {part_named(name) for name in ("Cush rubbers", "hub rubbers", "CUSH  RUBBERS")} == {"cush_rubbers"}


def test_a_name_nobody_knows_is_the_shops_own_part() -> None:
    assert part_named("  Water pump  shaft ") == "Water pump shaft"
    assert called("Water pump shaft") == "Water pump shaft"


def test_an_assembly_is_a_set_of_parts() -> None:
    for assembly in ASSEMBLIES.values():
        assert set(assembly.parts) <= PARTS.keys()
        assert parts_of(assembly.key) == assembly.parts
        assert assembly.key not in PARTS


@pytest.mark.parametrize(("narrow", "wide"), list(itertools.pairwise(OPENINGS)))
def test_a_wider_opening_reaches_all_a_narrower_one_does(narrow: str, wide: str) -> None:
    assert {key for key in PARTS if reached(key, narrow)} < {key for key in PARTS if reached(key, wide)}


def test_what_is_fixed_to_a_part_goes_with_it() -> None:
    assert set(with_what_is_on(["basket"])) == {"basket", "primary_gear", "cush_rubbers", "basket_bearing"}
    renewed = {"layout": Entry("layout", "dry_car"), "flywheel_fate": Entry("flywheel_fate", "renewed")}
    assert {"flywheel", "ring_gear", "insert"} <= set(apart(renewed))


@pytest.mark.parametrize("name", BUILDS)
def test_only_parts_the_arrangement_has_are_offered_a_fate(name: str) -> None:
    build = build_of(entries(BUILDS[name]))
    offered = {choice for choice in build.chosen.offered if choice.endswith("_fate")}
    assert offered == {fate_of(p.key) for p in fated(build.chosen.layout) if build.chosen.has_part(p.key)}
    assert ("lock_washer_fate" in offered) == (name == "motorcycle")
    assert ("bearing_line_seals_fate" in offered) == (name == "concentric")


def test_a_fate_moves_no_quantity_of_another_part() -> None:
    for layout in ("dry_car", "wet_motorcycle"):
        owned = list(owned_by(layout).values())
        for one, other in itertools.combinations(owned, 2):
            assert not one & other


def test_fates_do_not_change_the_wiring() -> None:
    """What becomes of a part is no alternative of how it works: one graph serves every combination of fates."""
    plain = build_of(entries(CAR)).graph
    rng = random.Random(7)
    for _ in range(20):
        fates = {fate_of(p.key): rng.choice(p.fates) for p in fated("dry_car")}
        assert build_of(entries(CAR | fates)).graph is plain
