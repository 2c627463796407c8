"""What is typical of a class of vehicle: production set-ups that are known to work, and what is done to them."""

from __future__ import annotations

import pytest

from liftbite.core.job.begin import beginning, read_engine_figure
from liftbite.core.job.build import build_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.classes import CLASSES, VehicleClass
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import Entry
from liftbite.core.verdicts.answers import Answers, answer
from liftbite.core.verdicts.verdict import GOOD_STATES
from liftbite.core.verdicts.words import verdict_sentence

EVERY = pytest.mark.parametrize("known", CLASSES.values(), ids=CLASSES)


def begun(known: VehicleClass, **typed: str) -> Answers:
    taken, faults = beginning({"vehicle_class": known.name, **typed})
    assert faults == {}
    return answer({e.quantity: e for e in taken})


@EVERY
def test_one_as_it_left_the_factory_is_good_in_all_four_answers(known: VehicleClass) -> None:
    told = begun(known)
    for verdict in (told.verdict, *told.others):
        assert verdict.state in GOOD_STATES, verdict_sentence(verdict)
        assert ", if it is typical of its class: " in verdict_sentence(verdict)


@EVERY
def test_twice_the_torque_slips_and_says_so_of_a_class(known: VehicleClass) -> None:
    told = begun(known, engine=f"{2 * known.torque:.0f} N·m")
    assert told.verdict.state == "slips"
    assert ", if it is typical of its class" in verdict_sentence(told.verdict)


@EVERY
def test_a_power_gives_the_torque_its_curve_has(known: VehicleClass) -> None:
    by_power = begun(known, engine=f"{known.power / 1e3:.6f} kW").results["peak_engine_torque"]
    by_torque = begun(known, engine=f"{known.torque} N·m").results["peak_engine_torque"]
    assert by_power.nominal == pytest.approx(by_torque.nominal, rel=1e-6)  # type: ignore[union-attr]


@EVERY
def test_every_figure_has_ends_about_it_and_lies_in_its_range(known: VehicleClass) -> None:
    for name, assumed in known.assumes().items():
        asked = INPUTS[name]
        assert assumed.low <= assumed.value <= assumed.high
        assert asked.usual[0] <= assumed.value <= asked.usual[1], name
        assert asked.unit == "count" or assumed.low < assumed.high, name
    for choice, option in known.picks.items():
        found = CHOICES[choice].option(option)
        assert found is not None
        assert known.layout in found.layouts


@EVERY
def test_no_answer_hides_what_it_assumes(known: VehicleClass) -> None:
    told = begun(known)
    listed = {a.name for a in told.assumptions}
    rests_on = {n for v in (told.verdict, *told.others) for link in v.links for n in link.basis.assumed}
    assert set(known.assumes()) & rests_on <= listed
    assert {"peak_torque", "outer_diameter", "vehicle_mass", "pedal_ratio"} <= rests_on
    assert set(known.picks) & set(told.build.chosen.offered) <= listed


def test_what_is_entered_stands_in_the_place_of_what_is_typical() -> None:
    told = begun(CLASSES["saloon"], outer_diameter="228 mm", inner_diameter="150 mm", cover_clamp="6500 N")
    assert told.build.known["cover_clamp"] == 6500
    assert told.verdict.margin is not None
    assert told.verdict.margin.nominal > 1.8


def test_a_wheel_figure_is_carried_back_to_the_crank() -> None:
    known = CLASSES["boosted_coupe"]
    at_crank, at_wheels = (
        begun(known, engine="300 N·m", curve_reference=at).results["peak_engine_torque"]
        for at in ("crank", "two_wheel")
    )
    assert at_wheels.nominal == pytest.approx(at_crank.nominal / (1 - 0.145), rel=1e-6)  # type: ignore[union-attr]


@pytest.mark.parametrize(
    ("typed", "quantity", "si"),
    [
        ("320 N·m", "peak_torque", 320.0),
        ("236 lb-ft", "peak_torque", 319.973),
        ("32.6 mkg", "peak_torque", 319.697),
        ("250 hp", "peak_power", 186_424.97),
        ("150 PS", "peak_power", 110_324.8),
        ("120 kw", "peak_power", 120_000.0),
    ],
)
def test_one_figure_is_told_by_its_unit(typed: str, quantity: str, si: float) -> None:
    found = read_engine_figure(typed)
    assert found.quantity == quantity
    assert found.si == pytest.approx(si, rel=1e-5)


@pytest.mark.parametrize(
    ("typed", "field"),
    [
        ({}, "layout"),
        ({"vehicle_class": "hovercraft", "layout": "dry_car"}, "vehicle_class"),
        ({"vehicle_class": "single", "layout": "dry_car"}, "vehicle_class"),
        ({"vehicle_class": "single", "engine": "40"}, "engine"),
        ({"vehicle_class": "single", "engine": "forty bananas"}, "engine"),
    ],
)
def test_what_cannot_begin_a_job_is_named(typed: dict[str, str], field: str) -> None:
    assert field in beginning(typed)[1]


def test_a_job_without_a_class_is_as_it_was() -> None:
    assert build_of({"layout": Entry("layout", "dry_car")}).chosen.options["vehicle_class"] == "none"
    assert answer({"layout": Entry("layout", "dry_car")}).verdict.state == "open"


@EVERY
def test_three_figures_of_a_clutch_count_in_every_class(known: VehicleClass) -> None:
    """A motorcycle's clamp comes from its springs until a clamp is named."""
    soft, hard = (begun(known, cover_clamp=f"{n} N").verdict.margin for n in (1000, 2000))
    assert soft is not None
    assert hard is not None
    assert hard.nominal == pytest.approx(2 * soft.nominal, rel=0.02)
