"""What stands where on screen: every row once, a choice ahead of what depends on it, every group beside a view."""

from __future__ import annotations

import pytest

from liftbite.core.job.choices import CHOICES
from liftbite.core.job.groups import DRAWN, GROUPS, VIEWS, rows_of
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.slots import SLOTS
from liftbite.core.parts.shelf import OF_SLOT
from liftbite.core.verdicts.results import RESULTS_OF

ROWS = [row for group in GROUPS for row in rows_of(group)]


def test_every_row_stands_once_in_a_group_there_is() -> None:
    assert len(set(ROWS)) == len(ROWS)
    named = {row.group for row in (*INPUTS.values(), *CHOICES.values()) if row.group}
    assert named == set(GROUPS)
    for group in GROUPS.values():
        assert set(group.order) <= set(rows_of(group.name))
        assert set(group.slots) <= set(SLOTS)


@pytest.mark.parametrize(
    ("first", "then"),
    [
        ("curve_source", "peak_torque"),
        ("clamp_source", "cover_clamp"),
        ("facing_material", "friction_low"),
        ("spring_rate_source", "wire_diameter"),
        ("hub", "ramp_angle"),
    ],
)
def test_a_choice_stands_ahead_of_what_depends_on_it(first: str, then: str) -> None:
    assert ROWS.index(first) < ROWS.index(then)


def test_every_group_stands_beside_a_view_and_every_part_of_the_drawing_leads_to_some() -> None:
    assert {g for groups in VIEWS.values() for g in groups} == set(GROUPS)
    results = {r for names in RESULTS_OF.values() for r in names}
    for groups, comes in DRAWN.values():
        assert set(groups) <= set(GROUPS)
        assert set(comes) <= results


def test_a_part_states_what_names_it() -> None:
    for row in (*INPUTS.values(), *CHOICES.values()):
        assert set(row.parts) <= set(SLOTS)
        assert {slot for slot, rows in OF_SLOT.items() if row.name in rows} == set(row.parts)


#: What is assumed and leaves nothing to doubt: rules of judging, and states that are told, such as new discs.
SETTLED = {
    "balance_grade",
    "bearing_clearance",
    "bolt_angle",
    "cushion_travel",
    "dowel_torque",
    "grade",
    "housing_bore_limit",
    "housing_face_limit",
    "inner_wear",
    "restrictor_time",
    "strength_factor",
    "trailer_mass",
    "use_factor",
    "wear",
}


def test_what_is_assumed_lies_between_its_ends() -> None:
    assumed = [(name, row.assumed) for name, row in INPUTS.items() if row.assumed is not None]
    for choice in CHOICES.values():
        for option in choice.options:
            for found in (option.assumes, *option.assumes_in.values()):
                assumed += found.items()
    for name, taken in assumed:
        assert taken.low <= taken.value <= taken.high, name
        assert INPUTS[name].least <= taken.low, name
        assert taken.high <= INPUTS[name].most, name
        assert taken.low < taken.high or name in SETTLED or INPUTS[name].unit == "count", name
        assert taken.why, name
