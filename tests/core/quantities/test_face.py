"""The two sides of a disc: the handbook's check, the case of equal sides, and energy shared."""

from __future__ import annotations

import pytest

from liftbite.core.arrangements.facing_pair import differ
from liftbite.core.job.build import Build, build_of
from liftbite.core.verdicts.heat import heat_verdict
from tests.jobs import FULL, entries

SAME = {
    "facing_pair": "differ",
    "other_material": FULL["facing_material"],
    "other_outer_diameter": FULL["outer_diameter"],
    "other_inner_diameter": FULL["inner_diameter"],
    **{f"other_{n}": FULL[n] for n in ("pressure_limit", "coverage", "friction_nominal") if n in FULL},
}
TWO = SAME | {"other_material": "cermet"}


def values(build: Build, *names: str) -> dict[str, float]:
    v = build.evaluate(names)
    return {n: float(v[n]) for n in names}


def test_two_kinds_of_faces_add_up() -> None:
    """8 kN, 0.25 at 100 mm and 0.30 at 105 mm: 452 N·m, common practice, no source."""
    assert differ.friction_torque(2.0, 0.25, 0.100, 0.30, 0.105, 8e3) == pytest.approx(8e3 * (0.025 + 0.0315))


def test_sides_that_differ_by_nothing_are_alike() -> None:
    names = (
        "torque_capacity",
        "slip_energy",
        "specific_energy",
        "surface_temperature",
        "heat_margin",
        "energy_margin",
        "wear_per_start",
        "wear_limit",
        "starts_to_limit",
        "facing_area_total",
        "base_temperature",
    )
    alike, differing = build_of(entries(FULL)), build_of(entries(FULL | SAME))
    assert values(differing, *names) == pytest.approx(values(alike, *names), rel=1e-9)


def test_each_side_takes_its_share_of_the_heat() -> None:
    """Heat per area times area, side by side, is all of the heat; so is worn volume."""
    build = build_of(entries(FULL | TWO))
    v = values(
        build,
        "slip_energy",
        "specific_energy",
        "other_specific_energy",
        "facing_area",
        "other_facing_area",
        "heat_split",
        "wear_rate",
        "other_wear_rate",
        "wear_per_start",
    )
    first, second = v["specific_energy"] * v["facing_area"], v["other_specific_energy"] * v["other_facing_area"]
    assert first + second == pytest.approx(v["slip_energy"])
    assert first / v["slip_energy"] == pytest.approx(v["heat_split"])
    worn = v["wear_rate"] * first / v["facing_area"] + v["other_wear_rate"] * second / v["other_facing_area"]
    assert worn == pytest.approx(v["wear_per_start"])


def test_the_side_that_wears_first_ends_the_life() -> None:
    build = build_of(entries(FULL | TWO))
    v = values(build, "wear_limit", "wear_evenness", "disc_count", "facing_depth")
    assert 0.5 < v["wear_evenness"] < 1
    assert v["wear_limit"] == pytest.approx(2 * v["disc_count"] * v["facing_depth"] * v["wear_evenness"])


def test_heat_is_judged_on_both_sides() -> None:
    keys = {link.key for link in heat_verdict(build_of(entries(FULL | TWO))).links}
    assert {"surface", "surface_plate_side"} <= keys
    assert "surface_plate_side" not in {link.key for link in heat_verdict(build_of(entries(FULL))).links}


def test_a_side_without_a_facing_is_asked_for() -> None:
    build = build_of(entries(FULL | {"facing_pair": "differ"}))
    assert "other_material" in build.chosen.to_ask(build.lacks(("torque_capacity",)))
