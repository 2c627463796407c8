"""Verdicts, goal seek, working, assumptions: what falls out of the graph."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from liftbite.core.analysis.goal_seek import Sought, seek, seek_all, seekable
from liftbite.core.analysis.working import working
from liftbite.core.graph.docstring import read_doc
from liftbite.core.graph.graph import Needs, Refused, functions_of
from liftbite.core.job.arrangement import QUANTITIES
from liftbite.core.job.build import build_of, label_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import Entry, read_entry
from liftbite.core.units.kinds import KINDS
from liftbite.core.verdicts.answers import LOW, NOW, RESULTS, Band, answer
from liftbite.core.verdicts.words import link_sentence, verdict_sentence
from tests.jobs import CAR, FULL, MOTORCYCLE, built, entries


def test_a_car_by_hand() -> None:
    """Two faces, μ 0.25/0.30/0.38, 9 kN, r_e 0.1 m: 450/540/684 N·m against 400 N·m and K 1.3."""
    answers = answer(entries(CAR))
    assert answers.results["torque_capacity"] == Band(*(pytest.approx(v) for v in (450.0, 540.0, 684.0)))
    assert answers.results["bite_margin"].low == pytest.approx(1.125)
    assert answers.verdict.state == "holds"
    decides = answers.verdict.deciding
    assert decides is not None
    assert (decides.key, decides.figure, decides.limit) == ("torque_reserve", pytest.approx(1.35), 1.3)
    assert "1.35 times the engine's torque; road, tuned asks for 1.3" in verdict_sentence(answers.verdict)
    assert answers.verdict.unseen == ("input_shaft", "splines", "damper")
    area = 0.92 * 3.141592653589793 / 4 * (0.24**2 - 0.16**2)
    assert answers.results["mean_pressure"].nominal == pytest.approx(9000 / area)


def test_a_motorcycle_by_hand() -> None:
    """14 faces, 6 springs of 25 N/mm pressed 15 mm: 2250 N; r_e 62.5 mm; demand 90 × 1.75."""
    answers = answer(entries(MOTORCYCLE))
    assert answers.results["clamp_load"].nominal == pytest.approx(2250.0)
    assert answers.results["torque_capacity"].low == pytest.approx(14 * 0.11 * 2250 * 0.0625)
    assert answers.results["torque_demand"].nominal == pytest.approx(90 * 1.75 * 1.35)
    assert answers.verdict.state == "holds"


@pytest.mark.parametrize(
    ("clamp", "state", "decides"),
    [
        ("6 kN", "slips", "torque_reserve"),
        ("6.6 kN", "slips", "torque_reserve"),
        ("7.9 kN", "thin", "torque_reserve"),
        ("8.5 kN", "thin", "torque_reserve"),
        ("8.7 kN", "holds", "torque_reserve"),
        ("9.5 kN", "holds", "torque_reserve"),
    ],
)
def test_nominal_against_the_use_and_low_friction_against_one(clamp: str, state: str, decides: str) -> None:
    """60 N·m a kilonewton nominal, 50 low: 1.3 wants 8.67 kN, low friction 8 kN, and below 6.67 kN it slips."""
    verdict = answer(entries(CAR, cover_clamp=clamp)).verdict
    assert verdict.deciding is not None
    assert (verdict.state, verdict.deciding.key) == (state, decides)
    assert (verdict.deciding.figure < verdict.deciding.limit) == (state != "holds")
    assert state != "slips" or "Slips at nominal friction" in verdict_sentence(verdict)


def test_more_bite_than_the_shaft_carries_is_looked_at_again() -> None:
    verdict = answer(entries(CAR, cover_clamp="12 kN", shaft_diameter="20 mm", shaft_yield="700 MPa")).verdict
    assert verdict.state == "look again"
    assert verdict_sentence(verdict).startswith("Look again on input shaft: carries 0.")


def test_face_pressure_is_told_and_no_failed_bite() -> None:
    found = answer(entries(FULL, cover_clamp="20 kN", clamp_source="figure", lever_ratio="4"))
    told = next(k for k in found.others[1].links if k.key == "face_pressure")
    assert told.grade == "note"
    assert told.figure > told.limit
    assert "wears a facing sooner" in link_sentence(told)
    assert found.others[1].state == "stays"
    hard = answer(
        entries(FULL, cover_clamp="20 kN", clamp_source="figure", lever_ratio="4", pressure_hard_limit="0.5 MPa")
    )
    assert hard.others[1].state == "cooks"
    assert "maker allows" in verdict_sentence(hard.others[1])


def test_an_impossible_set_up_is_a_sentence_not_an_exception() -> None:
    answers = answer(entries(CAR, inner_diameter="10 in"))
    assert answers.verdict.state == "cannot be"
    assert verdict_sentence(answers.verdict) == (
        "Inner diameter “10 in” has to be below the outer diameter, 240 mm (9.449 in)."
    )
    assert isinstance(answers.results["bite_margin"], Refused)
    assert isinstance(answers.results["peak_engine_torque"], Band)


@pytest.mark.parametrize(
    ("impossible", "stopped"),
    [
        ({"slave_outer_diameter": "35 mm"}, "lift"),
        ({"flywheel_bore": "500 mm"}, "true"),
        ({"drill_radius": "0.1 µm"}, ""),
    ],
)
def test_an_impossible_part_stops_what_rests_on_it_and_nothing_else(impossible: dict[str, str], stopped: str) -> None:
    before, after = answer(entries(FULL)), answer(entries(FULL, **impossible))
    for was, now in zip((before.verdict, *before.others), (after.verdict, *after.others), strict=True):
        assert now.state == ("cannot be" if now.question == stopped else was.state), verdict_sentence(now)


def test_options_nobody_picked_are_listed_in_the_order_of_work() -> None:
    """A set has no order: without one the list changed from run to run."""
    listed = [a.name for a in answer(entries({"layout": "dry_car", "vehicle_class": "saloon"})).assumptions if a.option]
    assert len(listed) > 2
    assert listed == sorted(listed, key=list(CHOICES).index)


def test_contradicting_peaks_are_a_sentence() -> None:
    sentence = verdict_sentence(answer(entries(CAR, peak_power="400 kW")).verdict)
    assert sentence.startswith("Peak power “400 kW” has to be at most 259.7 kW")
    assert sentence.endswith("which is what the peak torque allows.")


def test_needs_are_asked_for_in_the_order_of_work() -> None:
    verdict = answer(entries({"layout": "dry_car"})).verdict
    assert verdict.needs == (
        "curve_reference",
        "use",
        "measured_curve",
        "disc_count",
        "outer_diameter",
        "inner_diameter",
        "cover_clamp",
        "facing_material",
    )
    assert "Needs where the figures were taken, use, torque curve, discs" in verdict_sentence(verdict)


def test_nothing_entered_still_answers() -> None:
    assert answer({}).verdict.state == "open"


def test_every_assumption_is_listed_until_it_is_entered() -> None:
    names = {a.name for a in answer(entries(CAR)).assumptions}
    assert names == {
        "use_factor",
        "friction_low",
        "friction_nominal",
        "friction_high",
        "coverage",
        "capacity_model",
        "strap_force",
        "sustained_temperature",
        "brief_temperature",
        "fade_share",
    }
    fewer = answer(entries(CAR, use_factor="1.4", capacity_model="uniform_wear")).assumptions
    assert {a.name for a in fewer} == names - {"use_factor", "capacity_model"}
    assert all(a.mark in {"memory", "practice", "standard", "handbook", "definition"} and a.why for a in fewer)


def test_a_figure_of_another_arrangement_is_not_taken() -> None:
    """A clamp load typed before coil springs were chosen must not stand in for what the springs give."""
    answers = answer(entries(MOTORCYCLE, cover_clamp="9 kN"))
    assert answers.results["clamp_load"].nominal == pytest.approx(2250.0)
    assert "cover_clamp" not in answers.asked


def test_only_fields_of_the_arrangement_are_asked_for() -> None:
    assert "primary_ratio" not in answer(entries(CAR)).asked
    assert "spring_rate" in answer(entries(MOTORCYCLE)).asked
    wired = answer(entries(MOTORCYCLE, spring_rate_source="wire")).asked
    assert "spring_rate" not in wired
    assert {"wire_diameter", "coil_mean_diameter", "active_coils", "shear_modulus"} <= set(wired)


def test_an_entered_friction_replaces_the_materials() -> None:
    assert answer(entries(CAR, friction_low="0.28")).results["friction_coefficient"].low == 0.28


# --- asked backwards


def ask(quantity: str, target: float = 1.3, **changes: str | None) -> Sought:
    found = seek(built(CAR, **changes), "bite_margin", target, quantity, stage=NOW, friction=LOW)
    assert found is not None
    return found


@pytest.mark.parametrize("quantity", ["cover_clamp", "friction_coefficient", "outer_diameter", "peak_torque"])
@pytest.mark.parametrize("target", [0.95, 1.1, 1.3])
def test_goal_seek_inverts_the_computation(quantity: str, target: float) -> None:
    sought = ask(quantity, target)
    if not sought.reached:
        assert quantity == "peak_torque"
        return
    build = built(CAR)
    for value in sought.crossings:
        again = build.graph.evaluate(
            ["bite_margin"], {**build.known, "stage": NOW, "friction_state": LOW, quantity: value}
        )
        assert again["bite_margin"] == pytest.approx(target, rel=1e-9)


def test_the_clamp_a_margin_needs_by_hand() -> None:
    """1.3 × 400 / (2 × 0.25 × 0.1) = 10 400 N."""
    sought = ask("cover_clamp")
    assert sought.crossings == (pytest.approx(10_400.0),)
    assert sought.at_least
    assert sought.present == 9000.0


def test_a_number_of_discs_is_whole_and_meets_the_target() -> None:
    assert ask("disc_count").crossings == (2.0,)
    assert ask("disc_count", 0.5).crossings == (1.0,)


def test_a_target_out_of_reach_gives_the_attainable_limit_and_where_it_lies() -> None:
    sought = ask("inner_diameter", 3.0)
    assert not sought.reached
    assert sought.best < 3.0
    assert 0.23 < sought.best_at < 0.24


def test_what_falls_when_the_quantity_rises_is_at_most() -> None:
    sought = ask("driveline_loss", 0.9, curve_reference="two_wheel")
    assert not sought.at_least
    assert 0 < sought.crossings[0] < 0.35


def test_seekable_is_what_the_result_rests_on() -> None:
    names = seekable(built(CAR), "bite_margin")
    assert {"cover_clamp", "friction_coefficient", "outer_diameter", "disc_count"} <= set(names)
    assert "coverage" not in names, "coverage does not enter the capacity"
    assert "primary_ratio" not in names, "a car has none to change"
    assert "primary_ratio" in seekable(built(MOTORCYCLE, primary_source="ratio", primary_ratio="1.8"), "bite_margin")


def test_everything_at_once_puts_the_smallest_change_first() -> None:
    found = seek_all(built(CAR), "bite_margin", 1.3, stage=NOW, friction=LOW)
    reached = [s.reached for s in found]
    assert reached == sorted(reached, reverse=True)
    changes = [s.change for s in found if s.reached]
    assert changes == sorted(changes)


def test_without_a_value_nothing_can_be_sought() -> None:
    build = built(CAR, disc_count=None)
    assert seek(build, "bite_margin", 1.3, "cover_clamp", stage=NOW, friction=LOW) is None


@settings(max_examples=25)
@given(st.floats(5_000, 20_000), st.floats(0.7, 2.5))
def test_goal_seek_agrees_with_the_forward_computation_for_any_start(clamp: float, target: float) -> None:
    build = build_of(entries(CAR) | {"cover_clamp": Entry("cover_clamp", f"{clamp} N", clamp)})
    sought = seek(build, "bite_margin", target, "cover_clamp", stage=NOW, friction=LOW)
    assert sought is not None
    assert sought.crossings == (pytest.approx(target * 400 / (2 * 0.25 * 0.1), rel=1e-9),)


# --- working


def test_the_working_goes_down_to_the_inputs() -> None:
    steps = working(built(CAR, outer_diameter="9 1/2 in"), "bite_margin", stage=NOW, friction=LOW)
    assert steps[0].name == "bite_margin"
    by_name = {s.name: s for s in steps}
    assert by_name["friction_torque"].formula == "T_f = N_eff · μ · F · r_e"
    terms = {t.name: t for t in by_name["effective_radius"].terms}
    assert (terms["outer_diameter"].typed, terms["outer_diameter"].value) == ("9 1/2 in", 0.2413)
    assert (terms["outer_diameter"].mark, terms["outer_diameter"].unit) == ("entered", "m")
    friction = {t.name: t for t in by_name["friction_coefficient"].terms}
    assert friction["friction_low"].mark == "assumed"
    assert "handbook tables" in friction["friction_low"].why
    order = [s.name for s in steps]
    for step in steps:
        for term in step.terms:
            if term.name in order:
                assert order.index(term.name) > order.index(step.name), (step.name, term.name)


def test_each_step_of_the_working_is_its_own_function_of_its_terms() -> None:
    build = built(MOTORCYCLE)
    for step in working(build, "bite_margin", stage=NOW, friction=LOW):
        arguments = [t.whole if t.whole is not None else t.value for t in step.terms]
        again = build.graph.functions[step.name](*arguments)
        if step.whole is None:
            assert again == pytest.approx(step.value, rel=1e-12), step.name


def test_the_working_of_something_missing_says_what_is_missing() -> None:
    steps = working(build_of(entries({"layout": "dry_car"})), "bite_margin", stage=NOW, friction=LOW)
    assert steps[0].value is None
    marks = {t.name: t.mark for s in steps for t in s.terms}
    assert marks["cover_clamp"] == "missing"
    assert any(s.meaning == "Waits for a choice." for s in steps)
    with pytest.raises(KeyError, match="no_such_result"):
        working(build_of({}), "no_such_result", stage=NOW, friction=LOW)


# --- what every quantity says of itself


def every_function() -> list[object]:
    modules = [m for c in CHOICES.values() for o in c.options for m in c.modules_of(o)]
    return [*QUANTITIES.values(), *(f for m in modules for f in functions_of(m))]


@pytest.mark.parametrize("function", every_function(), ids=lambda f: f.__name__)
def test_every_quantity_is_documented(function) -> None:  # type: ignore[no-untyped-def]
    import inspect

    doc = read_doc(function)
    assert doc.meaning.endswith("."), doc.meaning
    assert tuple(doc.arguments) == tuple(inspect.signature(function).parameters)
    assert doc.formula
    assert doc.source
    for term in (*doc.arguments.values(), doc.result):
        assert term.unit in KINDS, term


def test_a_term_has_the_unit_its_quantity_has() -> None:
    for function in QUANTITIES.values():
        for term in read_doc(function).arguments.values():
            if term.name in QUANTITIES:
                assert read_doc(QUANTITIES[term.name]).result.unit == term.unit, (function.__name__, term.name)
            elif term.name in INPUTS and INPUTS[term.name].unit not in {"curve", "share"}:
                assert INPUTS[term.name].unit == term.unit, (function.__name__, term.name)


def test_every_result_has_a_label_of_its_own() -> None:
    labels = [label_of(name) for name in RESULTS]
    assert len(set(labels)) == len(labels)


def test_every_input_and_choice_reads_its_own_options() -> None:
    for choice in CHOICES.values():
        for option in choice.options:
            assert read_entry(choice.name, option.value).typed == option.value
            for name in option.assumes:
                assert INPUTS[name].usual[0] <= option.assumes[name].value <= INPUTS[name].usual[1], name


def test_needs_is_never_a_number() -> None:
    for name, value in answer(entries({"layout": "wet_motorcycle"})).results.items():
        assert isinstance(value, Needs | Band), name
