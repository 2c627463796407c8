"""Every limit of the trade at both of its edges, by figures written down here a second time.

The figures stand here as the handbook of the trade has them [practice where nothing else is said], so that a digit that
slips in a table does not slip through: a copy of the table would prove nothing.
"""

from __future__ import annotations

from math import radians, sqrt

import pytest

from liftbite.core.fit.pulls import Pull, judged
from liftbite.core.fit.tightening import turns_of
from liftbite.core.measure.check import Check
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.judgement import Finding, assess
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.sweep import ALONE, judge_sweep
from liftbite.core.parts.mismatch import RULES, mismatches
from liftbite.core.prove.causes import CAUSES
from liftbite.core.prove.faults import find, known_of
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.criteria import CRITERIA
from tests.core.lines import way_of
from tests.jobs import FULL, entries

#: Pair of slots and property -> the largest difference that still fits [m] or [-].
FITS = {
    ("disc", "shaft", "spline_count"): 0,
    ("disc", "shaft", "spline_diameter"): 0.2e-3,
    ("flywheel", "crank", "crank_bolts"): 0,
    ("flywheel", "crank", "crank_bolt_circle"): 0.2e-3,
    ("flywheel", "crank", "external_balance"): 1e-6,
    ("flywheel", "starter", "ring_gear_teeth"): 0,
    ("flywheel", "starter", "flywheel_diameter"): 2e-3,
    ("cover", "flywheel", "cover_bolt_circle"): 0.3e-3,
    ("cover", "flywheel", "cover_dowels"): 0,
    ("cover", "flywheel", "step_height"): 0.2e-3,
    ("housing", "shaft", "housing_depth"): 1e-3,
    ("pilot", "crank", "pilot_bore"): 0.05e-3,
    ("pilot", "shaft", "pilot_diameter"): 0.05e-3,
    ("disc", "cover", "disc_size"): 6e-3,
}


def test_every_fit_has_its_edges_here() -> None:
    assert {(r.first[0], r.second[0], r.first[1]) for r in RULES} == FITS.keys()


@pytest.mark.parametrize(("first", "second", "name"), FITS)
def test_what_fits_and_what_does_not(first: str, second: str, name: str) -> None:
    within = FITS[first, second, name]
    inside, outside = within * 0.999, within * 1.001 + (1 if within == 0 else 0)
    for way in (1, -1):
        assert mismatches({first: {name: 10.0}, second: {name: 10.0 + way * inside}}) == []
        assert len(mismatches({first: {name: 10.0}, second: {name: 10.0 + way * outside}})) == 1


#: Check and limit -> the figure [m]: where the manual gives none.
LIMITS = {
    ("rivet_depth", "new"): 1.0e-3,
    ("rivet_depth", "least"): 0.3e-3,
    ("disc_wobble", "most"): 0.8e-3,
    ("plate_thickness", "new"): 3.0e-3,
    ("plate_thickness", "least"): 2.8e-3,
    ("plain_warp", "most"): 0.2e-3,
    ("spring_free_length", "new"): 35e-3,
    ("spring_free_length", "least"): 33e-3,
    ("finger_height", "spread"): 0.8e-3,
    ("cover_standoff", "new"): 6.35e-3,
    ("cover_standoff", "least"): 3.175e-3,
    ("flywheel_runout", "most"): 0.127e-3,
    ("bore_runout", "most"): 0.127e-3,
    ("housing_face", "most"): 0.127e-3,
    ("floater_gap", "least"): 0.508e-3,
    ("floater_gap", "most"): 0.635e-3,
}


def test_every_limit_of_the_bench_is_here() -> None:
    found = {(c.name, f.name): f.value for c in CHECKS.values() for f in c.limits if f.value is not None}
    assert found.keys() == LIMITS.keys()
    for key, value in found.items():
        assert value == pytest.approx(LIMITS[key], rel=1e-9), key


@pytest.mark.parametrize(("check", "name"), [key for key in LIMITS if key[1] in ("least", "most")])
def test_a_reading_at_the_edge_of_its_limit(check: str, name: str) -> None:
    one, limit = CHECKS[check], LIMITS[check, name]
    if one.kind == "sweep":
        return  # its fit is judged, not a reading of it: below
    wrong = -1 if name == "least" else 1
    places = one.places(BUILD)[:1]
    alone = tuple(found for found in one.limits if found.name in ("new", name))

    def verdict(value: float, doubt: float = 0.0) -> str:
        return assess(one, places, [Reading(places[0].key, value, uncertainty=doubt)], alone).verdict

    assert verdict(limit - wrong * 1e-7) in {"reuse", "reuse and watch"}
    assert verdict(limit + wrong * 1e-7) == one.if_failed
    doubt = 0.02e-3  # all of the doubt is the guard band
    assert verdict(limit - wrong * (doubt + 1e-7), doubt) in {"reuse", "reuse and watch"}
    assert verdict(limit - wrong * (doubt - 1e-7), doubt) == "too close to call"
    assert verdict(limit + wrong * (doubt - 1e-7), doubt) == "too close to call"
    assert verdict(limit + wrong * (doubt + 1e-7), doubt) == one.if_failed


@pytest.mark.parametrize(
    "check", [c for c in CHECKS.values() if c.kind == "sweep" and c.limit("most").value], ids=lambda c: c.name
)
def test_a_runout_read_without_angles_carries_the_doubt_of_two_readings(check: Check) -> None:
    """A total indicator reading is a difference of two: its doubt is √2 times that of one."""
    most, doubt = LIMITS[check.name, "most"], 0.01e-3

    def verdict(tir: float) -> str:
        reading = Reading(ALONE, tir, uncertainty=doubt)
        base = Finding(check.name, "open", taken=1, wanted=1)
        limits = (Limit("most", most, "practice", ""),)
        return judge_sweep(check, None, limits, base, doubt, "full", reading, 1.0).verdict

    band = sqrt(2) * doubt
    assert verdict(most - band - 1e-8) == "reuse"
    assert verdict(most - band + 1e-8) == "too close to call"
    assert verdict(most + band - 1e-8) == "too close to call"
    assert verdict(most + band + 1e-8) == check.if_failed


@pytest.mark.parametrize(("off", "right"), [(0.0499, True), (0.0501, False), (-0.0499, True), (-0.0501, False)])
def test_a_pull_is_right_within_five_in_a_hundred(off: float, right: bool) -> None:
    turn = turns_of(3, way_of("cover:kit", {"figure": "30 N·m"}))[0]
    assert (judged(Pull(30.0 * (1 + off), 0.8), turn) == "") is right


@pytest.mark.parametrize(("off", "right"), [(4.99, True), (5.01, False), (-4.99, True), (-5.01, False)])
def test_an_angle_is_right_within_five_degrees(off: float, right: bool) -> None:
    turns = turns_of(3, way_of("flywheel:kit", {"figure": "30 N·m + 90°", "passes": "at_once"}))
    turn = next(each for each in turns if each.angle is not None)
    assert (judged(Pull(30.0, radians(90 + off)), turn) == "") is right


@pytest.mark.parametrize(("degrees", "turned"), [(3.01, True), (2.99, False)])
def test_a_bolt_that_turned_less_than_three_degrees_was_tight_before(degrees: float, turned: bool) -> None:
    turn = turns_of(3, way_of("cover:kit", {"figure": "30 N·m"}))[0]
    assert (judged(Pull(30.0, radians(degrees)), turn) == "") is turned


#: Quantity that is judged -> what is needed, and below what the answer is bad; None where it only falls short.
NEEDS = {
    "lift_margin": (1.1, None),
    "floater_margin": (1.0, 1.0),
    "return_margin": (1.0, None),
    "fluid_margin": (1.0, None),
    "start_settles": (1.0, 1.0),
    "heat_margin": (1.0, 1.0),
    "sustained_margin": (1.0, 1.0),
    "energy_margin": (1.0, None),
    "pressure_margin": (1.0, None),
    "certified_margin": (1.15, 1.0),
    "burst_margin": (2.0, 1.5),
    "elastic_margin": (1.0, None),
    "yield_margin": (1.0, 1.0),
    "disc_speed_margin": (1.0, None),
    "balance_margin": (1.0, None),
    "gross_balance_margin": (1.0, 1.0),
    "joint_margin": (1.0, 1 / 1.5),
    "proof_margin": (1 / 0.9, 1 / 1.1),
    "housing_bore_margin": (1.0, None),
    "housing_face_margin": (1.0, None),
    "flywheel_face_margin": (1.0, None),
    "pilot_room_margin": (1.0, 1.0),
    "plain_warp_margin": (1.0, None),
    "push_rod_margin": (1.0, None),
    "shaft_margin": (1.0, None),
    "spline_margin": (1.0, None),
    "damper_margin": (1.0, None),
}


@pytest.mark.parametrize("quantity", NEEDS)
def test_what_is_needed_and_where_it_is_bad(quantity: str) -> None:
    rows = [c for c in CRITERIA.values() if c.value == quantity and not isinstance(c.need, str)]
    assert rows, quantity
    need, bad = NEEDS[quantity]
    for row in rows:
        assert row.need == pytest.approx(need, rel=1e-12)
        assert row.bad_below == (None if bad is None else pytest.approx(bad, rel=1e-12))


@pytest.mark.parametrize(("margin", "grade"), [(2.002, "good"), (1.998, "short"), (1.502, "short"), (1.498, "bad")])
def test_a_flywheel_that_bursts_below_one_and_a_half_times_the_redline_is_not_run(margin: float, grade: str) -> None:
    """Burst speed hangs on no redline, so the margin is set by the redline alone."""
    whole = FULL | {"flywheel_material": "steel", "flywheel_strength": "350 MPa", "flywheel_tensile": "550 MPa"}
    at = answer(entries(whole))
    now = float(at.build.evaluate(("burst_margin",))["burst_margin"])
    redline = float(at.build.known["redline"]) * now / margin
    moved = answer(entries(whole | {"redline": f"{redline:.9g} rad/s"}))
    true = next(v for v in moved.others if v.question == "true")
    link = next(each for each in true.links if each.name == "burst_margin")
    assert link.grade == grade


@pytest.mark.parametrize(
    ("verdict", "times"),
    [
        ("stop", 15.0),
        ("renew", 15.0),
        ("renew as set", 15.0),
        ("dress or resurface", 15.0),
        ("put right", 15.0),
        ("reuse", 0.15),
        ("reuse and watch", None),
        ("too close to call", None),
        ("open", None),
        ("noted", None),
    ],
)
def test_what_the_bench_says_counts_for_a_cause(verdict: str, times: float | None) -> None:
    check = CHECKS["pilot_bearing"]
    known = known_of(BUILD, [Finding("pilot_bearing", verdict, causes=check.causes)])  # type: ignore[arg-type]
    said = {fact.cause: fact.times for fact in known if "the bench" in fact.why}
    assert said == ({} if times is None else {"pilot_seized": times})


def test_a_cause_begins_at_its_share_of_an_eighth() -> None:
    """Of vehicles with a complaint about one in eight has a given common fault: 0.12 times how often it is the one."""
    for complaint in ("slips", "drags", "noise"):
        for ranked in find("dry_car", [complaint]).ranked:
            cause = CAUSES[ranked.cause.name]
            assert ranked.odds == pytest.approx(0.12 * cause.often * max(cause.shows[complaint], 0.05), rel=1e-12)


BUILD = answer(entries(FULL)).build
