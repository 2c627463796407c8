"""What goes with a renewed part, by what a shop does."""

from __future__ import annotations

import pytest

from liftbite.core.job.build import build_of
from liftbite.core.job.parts import PARTS
from liftbite.core.measure.judgement import Finding
from liftbite.core.measure.parts_list import needs
from liftbite.core.measure.practices import PRACTICES, brought
from tests.core.test_every_quantity import CABLE_CAR
from tests.jobs import CAR, MOTORCYCLE, PULLED, entries

BEGINS = {name: next(iter(options)) for name, (_, options) in PRACTICES.items()}
FORK = CAR | {"release": "hydraulic_fork"}


def along(typed: dict[str, str], *renewed: str, **does: str) -> set[str]:
    return {b.part for b in brought(build_of(entries(typed)), renewed, BEGINS | does, opened=False)}


@pytest.mark.parametrize(
    ("typed", "renewed", "part"),
    [
        (FORK, "disc", "pivot"),
        (CAR | {"release": "concentric"}, "cover", "bearing_line_seals"),
        (CABLE_CAR, "disc", "cable_ends"),
        (CAR | PULLED, "cover", "bearing_ring"),
        (MOTORCYCLE, "plates", "lock_washer"),
    ],
)
def test_small_parts_that_are_known_to_fail_go_with_the_clutch_they_belong_to(
    typed: dict[str, str], renewed: str, part: str
) -> None:
    assert part in along(dict(typed), renewed)
    assert part not in along(dict(typed), renewed, small="bad")
    assert part not in along(dict(typed), "flywheel", "basket")


def test_no_clutch_brings_a_small_part_of_another_kind() -> None:
    small = {part.key for part in PARTS.values() if part.fails}
    assert along(dict(MOTORCYCLE), "plates") & small <= {"lock_washer", "cable_ends"}


def test_cylinders_go_as_a_pair_where_one_goes_and_the_shop_does_so() -> None:
    assert along(FORK, "slave") == {"master"}
    assert along(FORK, "master") == {"slave"}
    assert along(FORK, "slave", cylinders="alone") == set()
    assert along(FORK, "disc") & {"master", "slave"} == set()


def test_a_concentric_slave_has_no_cylinder_to_pair() -> None:
    assert along(CAR | {"release": "concentric"}, "master") == set()


def test_a_part_put_on_the_list_by_hand_brings_its_own_along() -> None:
    build = build_of(entries(dict(FORK)))
    listed = {n.part: n for n in needs(build, [], BEGINS, added={"disc": "put on the list: twelve years old"})}
    assert listed["disc"].reasons == ("put on the list: twelve years old",)
    assert {"bearing", "pilot", "pivot", "pivot_clip"} <= set(listed)
    assert listed["disc"].plans(build) == ("disc_fate", "renewed")


def test_a_leaking_slave_takes_its_master_along() -> None:
    planned = build_of(entries(FORK | {"slave_fate": "renewed"}))
    listed = {n.part for n in needs(planned, [Finding("rear_seal", "reuse", taken=1, wanted=1)], BEGINS)}
    assert {"slave", "master"} <= listed
