"""What lies ahead, fluids, cards, bleeding, and what a shop learns: against sums done here."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.analysis.life import Life, life
from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.case import Case
from liftbite.core.fit.plan import plan_of
from liftbite.core.fit.progress import progress
from liftbite.core.measure.scope import SCOPES
from liftbite.core.prove.ahead import ahead, driven_rate, glove_box, says
from liftbite.core.prove.bleeding import LOOPS, METHODS, next_bleed, step_named
from liftbite.core.prove.cards import CARDS, ITEMS, cards_of
from liftbite.core.prove.causes import CAUSES, COMPLAINTS
from liftbite.core.prove.fluids import FLUIDS, due_in, fluids_of
from liftbite.core.prove.learned import LEAST, learned_from, left_and_back, rates_of, step_minutes
from liftbite.core.prove.running_in import asked_for, running_in
from tests.core.lines import filled_of, line
from tests.jobs import FULL, built

WORN = FULL | {"starts_per_distance": "0.6 1/km"}


def test_what_is_left_over_the_rate_is_how_far_it_goes() -> None:
    build = built(WORN)
    found = ahead(build)
    assert found is not None
    v = build.evaluate(("wear_per_start", "starts_per_distance"), stage=build.stage)
    rate = float(v["wear_per_start"]) * float(v["starts_per_distance"])
    assert found.rate == pytest.approx(rate)
    curve = life(build, stage=build.stage, friction=0.0)
    assert isinstance(curve, Life)
    assert found.left == pytest.approx((curve.ends[0][1] - float(build.known["wear"])) / rate)
    assert found.measure <= found.left / 2 + 1
    assert found.whose == "by its use"


def test_as_it_is_driven_outranks_how_it_is_used() -> None:
    """Ten starts in 20 km, each with twice the heat the job works out: twice the wear a start, half a start a km."""
    build = built(WORN)
    v = build.evaluate(("wear_per_start", "slip_energy"), stage=build.stage)
    said = {"distance": "20 km", "starts": "10", "heat": f"{2 * float(v['slip_energy']):.6f} J"}
    rate = driven_rate(build, [line("drive", "a.csv", said)])
    assert rate == pytest.approx(2 * float(v["wear_per_start"]) * 10 / 20e3, rel=1e-6)
    assert driven_rate(build, [line("drive", "a.csv", said | {"starts": "2"})]) is None, "two starts say nothing"
    found = ahead(build, rate)
    assert found is not None
    assert (found.rate, found.whose) == (rate, "as it was driven")
    assert "measure at" in glove_box(found, 300)
    assert "10 months" in glove_box(found, 300)
    assert says(found)[0].startswith("Measured again in about")


def test_a_twin_has_a_re_shim_clock_and_it_is_before_its_life() -> None:
    twin = built(WORN | {"disc_count": "2", "floater_clearance": "0.6 mm", "disc_wobble": "0.2 mm"})
    found = ahead(twin)
    if found is not None and found.shims is not None:
        assert 0 <= found.shims < found.left


def test_no_rate_nothing_said() -> None:
    assert ahead(built({"layout": "dry_car"})) is None


# --- a drive counts

METALLIC = asked_for(["cermet"])


def test_logged_starts_count_for_bedding_in_and_a_drive_that_slipped_is_a_breach() -> None:
    lines = [
        line("drive", "a.csv", {"answer": "kept", "distance": "12 km", "starts": "30", "how": "gentle"}),
        line("drive", "b.csv", {"answer": "kept", "distance": "3 km", "starts": "4", "how": "hard"}),
        line("drive", "c.csv", {"answer": "kept", "says": "of before, which counted nothing"}),
        line("trip", "1", {"distance": "5 km", "starts": "6"}),
    ]
    found = running_in(lines, METALLIC, ("disc",))
    assert (found.starts, found.distance, len(found.breaches)) == (36, 20e3, 1)
    back = [*lines, line("drive", "a.csv", {"answer": "open"})]
    assert running_in(back, METALLIC, ("disc",)).starts == 6
    put_back = running_in(lines, METALLIC, ())
    assert (put_back.done, put_back.breaches) == (True, ()), "an old disc put back is not bedded in"


# --- fluids


def test_a_wrong_class_is_said_and_no_class_refused() -> None:
    assert "slip" in filled_of("engine", {"class": "friction-modified, energy-saving"}).wrong
    assert "synchronisers" in filled_of("gearbox", {"class": "for hypoid axles"}).wrong
    for key, said in (("engine", {}), ("engine", {"class": "olive"}), ("wine", {"class": "red"})):
        with pytest.raises(UnreadableEntry):
            filled_of(key, said)
    with pytest.raises(UnreadableEntry, match="US or imperial"):
        filled_of("gearbox", {"class": "as the manual names", "bottles": "3 pt"})


def test_fluids_are_those_of_the_case_and_are_due() -> None:
    bike = Case({"helpers": "0"}, False, False, False, False, 1, "everything", {}, {})
    assert [f.name for f in fluids_of(bike)] == ["engine"]
    assert due_in(FLUIDS["clutch"], 1000) == 1, "what is overdue is due now"


# --- cards and bleeding


@pytest.mark.parametrize("car", [True, False])
def test_every_card_has_items_and_names_what_of_the_plan_comes_first(car: bool) -> None:
    case = Case(
        {"helpers": "0", "kind": "in_line"} if car else {"helpers": "0"},
        car,
        False,
        car,
        False,
        1,
        "everything",
        {},
        {},
    )
    plan = plan_of(case)
    found = cards_of(case, progress(plan, []))
    assert [c.card.name for c in found] == [c.name for c in CARDS]
    assert all(c.items and c.first for c in found)
    done = [line("step", key, {"answer": "done"}) for key in plan.by_key]
    assert all(not c.first for c in cards_of(case, progress(plan, done)))
    assert {key for card in CARDS for key in card.first} <= {p.key for c in (case,) for p in plan_of(c).steps}


def test_what_is_odd_is_a_complaint_the_fault_finder_knows() -> None:
    assert {item.symptom for item in ITEMS.values() if item.symptom} <= COMPLAINTS.keys()


def test_bleeding_goes_round_until_it_frees_or_it_is_no_air() -> None:
    assert next_bleed("reuse", ["open"], 1) == "It frees as it is: go on."
    assert "pump, hold" not in next_bleed("stop", ["open", "pressure"], 1), "nobody there to pump"
    assert "pump, hold" in next_bleed("stop", ["open", "pressure"], 2)
    assert "no air" in next_bleed("put right", ["open"] * LOOPS, 2)
    assert "Read the slave's travel" in next_bleed("", ["open"], 1)
    for method in METHODS.values():
        assert (method.hands == 2) == any(step.helper for step in method.steps)
    for wrong in ("open", "open 1:9", "open 0:x", "magic 1:1"):
        with pytest.raises(UnreadableEntry):
            step_named(wrong)


def test_every_cause_closes_into_parts_and_a_scope_there_are() -> None:
    assert {c.scope for c in CAUSES.values() if c.scope} <= SCOPES.keys()


# --- what a shop learns


def test_nothing_from_fewer_than_five_and_quartiles_from_more() -> None:
    assert learned_from([1.0] * (LEAST - 1)) is None
    figures = [float(n) for n in range(1, 10)]
    found = learned_from(figures)
    assert found is not None
    assert (found.low, found.middle, found.high) == tuple(np.quantile(figures, (0.25, 0.5, 0.75)))


def test_a_night_between_two_ticks_is_no_work_and_a_paper_typed_back_no_time() -> None:
    assert step_minutes([(0, "a"), (12, "b"), (900, "c"), (900.1, "d"), (930.1, "e")]) == {"b": 12, "e": 30}


def test_a_part_that_was_left_and_came_back() -> None:
    jobs = [(f"car {n}", {"pilot": "stays", "cover": "renewed"}) for n in range(6)]
    jobs += [("car 2", {"pilot": "renewed"}), ("car 9", {"pilot": "renewed"})]
    found = left_and_back(jobs)
    assert (found["pilot"].jobs, found["pilot"].back) == (6, 1)
    assert "cover" not in found


def test_wear_between_two_readings_of_one_vehicle() -> None:
    series = [
        ("a rivet", "road", 10e6, 2e-3),
        ("b rivet", "race", 5e6, 3e-3),
        ("a rivet", "road", 60e6, 1e-3),
        ("b rivet", "race", 4e6, 1e-3),
        ("a rivet", "road", 70e6, 2.2e-3),
    ]
    assert rates_of(series) == [("road", pytest.approx(1e-3 / 50e6))], "a renewed disc and a turned-back clock are none"
