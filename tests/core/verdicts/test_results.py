"""What a job shows and asks for: every input has its field on screen, every result its question."""

from __future__ import annotations

import pytest

from liftbite.core.job.arrangement import QUANTITIES
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.groups import GROUPS, rows_of
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.parts import CAR as DRY
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.criteria import margins_of
from liftbite.core.verdicts.results import RESULTS_OF, asked_of, friction_of, results_in, target_of
from tests.jobs import CAR, FULL, MOTORCYCLE, built, entries

ON_SCREEN = {row for group in GROUPS for row in rows_of(group)}
BASES = {"dry_car": CAR, "wet_motorcycle": MOTORCYCLE}
PICKS = [
    (layout, choice.name, option.value)
    for choice in CHOICES.values()
    for option in choice.options
    for layout in option.layouts
    if choice.name != "layout"
]


def test_every_result_has_one_question_and_is_a_quantity() -> None:
    names = [name for names in RESULTS_OF.values() for name in names]
    assert len(set(names)) == len(names)
    assert set(names) <= {*QUANTITIES, *INPUTS}
    assert {n for question in RESULTS_OF for n in margins_of(question)} <= {*QUANTITIES, *INPUTS}


@pytest.mark.parametrize(("layout", "choice", "option"), PICKS)
def test_whatever_is_picked_every_figure_asked_for_has_a_field_on_screen(layout: str, choice: str, option: str) -> None:
    build = built(BASES[layout], **{choice: option})
    asked = set(asked_of(build))
    assert asked <= set(INPUTS)
    assert asked - ON_SCREEN == set()
    assert set(build.chosen.offered) - {"layout"} <= ON_SCREEN


@pytest.mark.parametrize("layout", BASES)
def test_what_the_four_answers_lack_can_be_entered(layout: str) -> None:
    """Nothing is asked for that has no field: a builder could never answer."""
    answers = answer(entries({"layout": layout}))
    for verdict in (answers.verdict, *answers.others):
        assert verdict.needs
        for name in verdict.needs:
            assert name in ON_SCREEN
            assert name in answers.asked or name in CHOICES or name.endswith("_curve")


def test_a_single_disc_is_not_asked_about_its_floater() -> None:
    assert "floater_clearance" not in asked_of(built(CAR))
    assert "floater_clearance" in asked_of(built(CAR, disc_count="2"))


def test_a_cable_is_not_asked_about_cylinders() -> None:
    asked = asked_of(built(CAR, release="cable_fork"))
    assert {"cable_stiffness", "arm_efficiency"} <= set(asked)
    assert not {"master_diameter", "slave_stroke", "trapped_air", "fluid_wet_boiling"} & set(asked)


@pytest.mark.parametrize(
    ("result", "friction", "target"),
    [
        ("bite_margin", 0.0, 1.3),
        ("pressure_margin", 0.0, 1.0),
        ("lift_margin", 0.0, 1.1),
        ("heat_margin", 0.0, 1.0),
        ("shaft_margin", 1.0, 1.0),
        ("burst_margin", 1.0, 2.0),
        ("slip_energy", 0.0, None),
    ],
)
def test_a_result_is_judged_where_its_answer_is(result: str, friction: float, target: float | None) -> None:
    assert friction_of(result) == friction
    assert target_of(built(FULL), result) == target


def test_a_margin_without_a_use_has_no_target_yet() -> None:
    assert target_of(built(FULL, use=None), "bite_margin") is None


def test_results_are_those_of_the_arrangement() -> None:
    car, pack = results_in(built(CAR).graph), results_in(built(MOTORCYCLE).graph)
    assert "inner_gap" in car
    assert "inner_gap" not in pack
    assert built(CAR).chosen.options["layout"] == DRY


def test_fluid_counts_where_its_boiling_point_is_known() -> None:
    lift = answer(entries(FULL, fluid_wet_boiling="140 °C", ambient_temperature="150 °C")).others[0]
    weakest = next(link for link in lift.links if link.name == "fluid_wet_boiling")
    assert weakest.reserve == pytest.approx(140 / 150)
    assert lift.state in {"thin", "look again"}
    assert all(link.name != "fluid_wet_boiling" for link in answer(entries(FULL)).others[0].links)
