"""From readings to verdicts: ISO 14253-1 zones, limits and whose they are, life left, the handbook's own cases."""

from __future__ import annotations

from math import sqrt

import numpy as np
import pint
import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.errors import UnreadableEntry
from liftbite.core.measure.check import Place
from liftbite.core.measure.checks import CHECKS, checks_for
from liftbite.core.measure.instruments import GUARD_RULES, INSTRUMENT_KINDS, guard_band, settles_it, zone
from liftbite.core.measure.judgement import VERDICTS, assess, life_used, uncertainty_of
from liftbite.core.measure.left import deciding, distance_left
from liftbite.core.measure.limits import limits_of
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.runout import SweepSettings
from liftbite.core.measure.sweep import decided
from liftbite.core.measure.words import finding_sentence
from tests.jobs import CAR, FULL, MOTORCYCLE, built

PLATES = CHECKS["plate_thickness"]
LENGTH = st.floats(1e-4, 0.1)

#: Making one takes a while, so it is made once.
UREG = pint.UnitRegistry(cache_folder=None)


def plates(*mm: float, with_: str = "caliper") -> list[Reading]:
    return [
        Reading(f"Plate {i + 1}", v / 1e3, f"{v} mm", with_, INSTRUMENT_KINDS[with_].uncertainty)
        for i, v in enumerate(mm)
    ]


def places(count: int, item: str = "Plate") -> list[Place]:
    return [Place(f"{item} {i + 1}") for i in range(count)]


# --- zones


@given(limit=LENGTH, guard=st.floats(0, 1e-3), inside=st.floats(-5e-3, 5e-3), sense=st.sampled_from(["least", "most"]))
def test_zones_are_those_of_the_standard(limit: float, guard: float, inside: float, sense: str) -> None:
    """[memory: ISO 14253-1:2017, rules for deciding]: pass inside by more than the guard band, fail outside by more."""
    value = limit + (inside if sense == "least" else -inside)
    word = str(zone(value, limit, guard, sense))
    if inside > guard + 1e-9:
        assert word == "pass"
    elif inside < -guard - 1e-9:
        assert word == "fail"
    elif abs(inside) < guard - 1e-9:
        assert word == "close"


@given(value=LENGTH, limit=LENGTH, guard=st.floats(1e-6, 1e-3))
def test_the_zones_of_least_and_most_mirror_each_other(value: float, limit: float, guard: float) -> None:
    other = {"pass": "fail", "fail": "pass", "close": "close"}
    assert str(zone(value, limit, guard, "most")) == other[str(zone(value, limit, guard, "least"))]


@given(value=LENGTH, limit=LENGTH)
def test_a_finer_instrument_never_makes_it_closer(value: float, limit: float) -> None:
    order = sorted(INSTRUMENT_KINDS.values(), key=lambda k: k.uncertainty)
    words = [str(zone(value, limit, k.uncertainty, "least")) for k in order if k.unit == "m"]
    seen = [w == "close" for w in words]
    assert seen == sorted(seen)


def test_zones_take_arrays_of_any_shape() -> None:
    values = np.linspace(2.7e-3, 2.9e-3, 12).reshape(3, 4)
    found = zone(values, 2.8e-3, 3e-5, "least")
    assert found.shape == (3, 4)
    assert found.ravel().tolist() == ["fail"] * 4 + ["close"] * 4 + ["pass"] * 4


def test_exactly_one_guard_band_away_is_too_close() -> None:
    assert str(zone(2.83e-3, 2.8e-3, 3e-5, "least")) == "close"


def test_no_other_sense() -> None:
    with pytest.raises(ValueError, match="least"):
        zone(1.0, 1.0, 0.0, "about")


@pytest.mark.parametrize(("rule", "share"), [("full", 1.0), ("share95", 0.82)])
def test_a_shop_chooses_its_guard_band(rule: str, share: float) -> None:
    assert guard_band(1e-5, rule) == pytest.approx(share * 1e-5)
    with pytest.raises(UnreadableEntry, match="Guard band"):
        guard_band(1e-5, "none")


@pytest.mark.parametrize(
    ("distance", "now", "says"),
    [
        (2e-5, 3e-5, "Dial indicator"),
        (5e-6, 3e-5, "Micrometer"),
        (2.7e-5, 3e-5, "Feeler set"),
        (3e-6, 3e-5, None),
        (1e-3, 4e-6, None),
    ],
)
def test_the_plainest_instrument_that_settles_it(distance: float, now: float, says: str | None) -> None:
    found = settles_it(distance, ["caliper", "feeler", "dial", "micrometer"], now)
    assert (found.label if found else None) == says


# --- the trade's own cases, common practice, no source


@pytest.mark.parametrize(
    ("mm", "verdict", "used"),
    [
        (3.0, "reuse", 0.0),
        (2.9, "reuse", 0.5),
        (2.84, "reuse and watch", 0.8),
        (2.81, "too close to call", 0.95),
        (2.79, "too close to call", 1.05),
        (2.75, "renew as set", 1.25),
    ],
)
def test_friction_plates_of_three_millimetres(mm: float, verdict: str, used: float) -> None:
    """[practice] new 3.0, renew under 2.8."""
    found = assess(PLATES, places(1), plates(mm), PLATES.limits)
    assert found.verdict == verdict
    assert found.used is not None
    assert found.used[1] == pytest.approx(used)


def test_a_manual_that_allows_more_is_followed() -> None:
    """[practice]: where a manual allows 2.0, a plate of 2.5 has used half."""
    limits = limits_of(PLATES, built(MOTORCYCLE), {"least": (2.0e-3, "workshop manual, p. 7-4")})
    found = assess(PLATES, places(1), plates(2.5), limits)
    assert found.verdict == "reuse"
    assert found.used is not None
    assert found.used[1] == pytest.approx(0.5)
    assert next(f for f in limits if f.name == "least").why == "workshop manual, p. 7-4"


@pytest.mark.parametrize(
    ("mm", "verdict"),
    [(35.0, "reuse"), (33.5, "reuse"), (33.3, "reuse and watch"), (33.02, "too close to call"), (32.8, "renew as set")],
)
def test_coil_springs_of_thirty_five(mm: float, verdict: str) -> None:
    """[practice] 35 new, 33 limit, always as a set."""
    check = CHECKS["spring_free_length"]
    reading = Reading("Spring 1", mm / 1e3, f"{mm} mm", "caliper", 3e-5)
    assert assess(check, places(1, "Spring"), [reading], check.limits).verdict == verdict


@pytest.mark.parametrize(
    ("mm", "verdict"), [(0.9, "reuse"), (0.34, "reuse and watch"), (0.31, "too close to call"), (0.25, "renew")]
)
def test_rivets_of_a_dry_disc(mm: float, verdict: str) -> None:
    """[practice] new over 1.0, renew under 0.3."""
    check = CHECKS["rivet_depth"]
    reading = Reading("Disc 1", mm / 1e3, f"{mm} mm", "depth_gauge", 3e-5)
    assert assess(check, places(1, "Disc"), [reading], check.limits).verdict == verdict


@pytest.mark.parametrize(
    ("thou", "verdict"), [(22.5, "reuse"), (20.5, "too close to call"), (18.0, "put right"), (27.0, "put right")]
)
def test_the_floaters_window(thou: float, verdict: str) -> None:
    """[practice] 0.020 to 0.025 in with a feeler: half a blade's step is doubt enough to matter."""
    check = CHECKS["floater_gap"]
    reading = Reading("Stand 1", thou * 2.54e-5, f"{thou} thou", "feeler", 2.5e-5)
    assert assess(check, places(1, "Stand"), [reading], check.limits).verdict == verdict


# --- the worst place decides


def test_the_worst_place_decides_and_repeats_all_count() -> None:
    taken = [*plates(2.95, 2.9, 2.93), Reading("Plate 2", 2.74e-3, "2.74 mm", "caliper", 3e-5)]
    found = assess(PLATES, places(3), taken, PLATES.limits)
    assert (found.verdict, found.place) == ("renew as set", "Plate 2")
    assert found.spread == pytest.approx(0.21e-3)
    assert found.mean == pytest.approx(np.mean([2.95, 2.9, 2.93, 2.74]) / 1e3)


def test_the_doubt_decides_which_place_is_worst() -> None:
    """2.86 by rule is nearer to failing than 2.84 by micrometer."""
    taken = [Reading("Plate 1", 2.84e-3, "", "micrometer", 4e-6), Reading("Plate 2", 2.86e-3, "", "rule", 3e-4)]
    found = assess(PLATES, places(2), taken, PLATES.limits)
    assert (found.verdict, found.place) == ("too close to call", "Plate 2")
    assert found.better == "Caliper"


def test_a_fail_anywhere_decides_before_every_place_is_read() -> None:
    found = assess(PLATES, places(7), plates(2.6), PLATES.limits)
    assert found.verdict == "renew as set"
    assert finding_sentence(found).endswith("6 places to go.")


def test_good_readings_wait_for_the_rest() -> None:
    found = assess(PLATES, places(7), plates(2.95, 2.96), PLATES.limits)
    assert (found.verdict, found.taken, found.wanted) == ("open", 2, 7)


def test_a_place_skipped_with_its_reason_is_done() -> None:
    taken = [*plates(2.95), Reading("Plate 2", skipped="lost")]
    found = assess(PLATES, places(2), taken, PLATES.limits)
    assert (found.verdict, found.taken) == ("reuse", 2)
    alone = assess(PLATES, places(1), [Reading("Plate 1", skipped="broken already")], PLATES.limits)
    assert (alone.verdict, finding_sentence(alone)) == ("noted", "Skipped: broken already.")


def test_a_spread_carries_the_doubt_of_two_readings() -> None:
    check = CHECKS["finger_height"]
    taken = [Reading(f"Finger {i + 1}", v, "", "depth_gauge", 3e-5) for i, v in enumerate([40e-3, 40.78e-3, 40.2e-3])]
    found = assess(check, places(3, "Finger"), taken, check.limits)
    (held,) = found.held
    assert held.guard == pytest.approx(sqrt(2) * 3e-5)
    assert found.verdict == "too close to call"
    assert held.place == "Finger 1 to Finger 2"
    assert assess(check, places(1, "Finger"), taken[:1], check.limits).verdict == "noted"


def test_without_a_limit_nothing_is_judged() -> None:
    check = CHECKS["flywheel_thickness"]
    reading = Reading("At 12", 24e-3, "24 mm", "caliper", 3e-5)
    found = assess(check, [Place("At 12")], [reading], check.limits)
    assert found.verdict == "noted"
    assert "type the manual's" in finding_sentence(found)


@pytest.mark.parametrize(
    ("grades", "verdict"),
    [(["greasy"], "reuse"), (["free"], "renew"), (["greasy", "rough"], "renew"), (["rough", "greasy"], "reuse")],
)
def test_a_grade_leads_to_its_verdict_and_the_last_one_counts(grades: list[str], verdict: str) -> None:
    check = CHECKS["release_bearing"]
    taken = [Reading("Once", typed=g) for g in grades]
    assert assess(check, [Place("Once")], taken, ()).verdict == verdict


def test_the_worst_grade_of_several_discs_decides() -> None:
    check = CHECKS["disc_condition"]
    taken = [Reading("Disc 1", typed="tight"), Reading("Disc 2", typed="oily")]
    found = assess(check, places(2, "Disc"), taken, ())
    assert (found.verdict, found.place) == ("renew", "Disc 2")
    assert finding_sentence(found).startswith("Disc 2: oily.")
    assert assess(check, places(2, "Disc"), taken[:1], ()).verdict == "open"


@given(st.lists(st.floats(2.5, 3.2), min_size=1, max_size=8), st.floats(0.001, 0.2))
def test_more_wear_never_betters_the_verdict(mm: list[float], worn: float) -> None:
    def rank(values: list[float]) -> int:
        return VERDICTS.index(assess(PLATES, places(len(values)), plates(*values), PLATES.limits).verdict)

    assert rank([v - worn for v in mm]) <= rank(mm)


# --- limits


def test_the_jobs_own_figure_for_a_new_part_comes_before_practice() -> None:
    springs = CHECKS["spring_free_length"]
    limits = {f.name: f for f in limits_of(springs, built(MOTORCYCLE), {})}
    assert limits["new"].value == pytest.approx(0.045)
    assert limits["least"].value == pytest.approx(0.045 * 33 / 35)
    assert "in proportion" in limits["least"].why
    plates_ = {f.name: f for f in limits_of(PLATES, built(MOTORCYCLE, friction_plate_thickness="3 mm"), {})}
    assert plates_["least"].value == pytest.approx(2.8e-3)
    allowed = limits_of(PLATES, built(MOTORCYCLE, friction_plate_thickness="3.5 mm", plate_wear_allowed="0.3 mm"), {})
    assert next(f for f in allowed if f.name == "least").value == pytest.approx(3.2e-3)


def test_every_default_limit_says_whose_it_is() -> None:
    for check in CHECKS.values():
        for limit in check.limits:
            assert limit.mark in {"practice", "memory", "manual"}, check.name
            assert limit.why
            assert (limit.value is None) == (limit.mark == "manual")
            if limit.mark == "practice":
                assert limit.why.startswith("common practice, no source")


def test_every_check_is_whole() -> None:
    for check in CHECKS.values():
        assert check.how.endswith((".", "?")), check.name
        assert set(check.suited) <= set(INSTRUMENT_KINDS), check.name
        assert bool(check.grades) == (check.kind == "grade"), check.name
        assert check.usual[0] < check.usual[1], check.name
        for grade in check.grades:
            assert grade.verdict in VERDICTS
            assert 0 <= grade.level <= 3
        if check.kind in {"reading", "sweep"}:
            assert check.if_failed in VERDICTS


@pytest.mark.parametrize(
    ("typed", "has", "not_"),
    [
        (
            FULL,
            {"rivet_depth", "depth_x", "bore_runout"},
            {"plate_thickness", "spring_free_length", "floater_gap", "fork"},
        ),
        (MOTORCYCLE, {"plate_thickness", "spring_free_length", "basket"}, {"rivet_depth", "bore_runout", "depth_x"}),
        (CAR | {"disc_count": "2"}, {"floater_gap", "floater_shims", "fork"}, {"depth_x"}),
    ],
)
def test_a_layout_calls_for_its_own_checks(typed: dict[str, str], has: set[str], not_: set[str]) -> None:
    names = {c.name for c in checks_for(built(typed))}
    assert has <= names
    assert not names & not_


def test_places_follow_the_job() -> None:
    seven = PLATES.places(built(MOTORCYCLE))
    assert len(seven) == 21
    assert (seven[0].key, seven[-1].key) == ("Plate 1, place 1", "Plate 7, place 3")
    assert len(CHECKS["plain_warp"].places(built(MOTORCYCLE))) == 6
    assert len(CHECKS["spring_free_length"].places(built(MOTORCYCLE))) == 6
    assert len(CHECKS["rivet_depth"].places(built(CAR | {"disc_count": "2"}))) == 12


# --- life


@pytest.mark.parametrize(("now", "new", "limit", "used"), [(2.9, 3.0, 2.8, 0.5), (2.5, 3.0, 2.0, 0.5)])
def test_life_used(now: float, new: float, limit: float, used: float) -> None:
    low, best, high = life_used(now, new, limit, 0.03)
    assert best == pytest.approx(used)
    assert high - low == pytest.approx(2 * 0.03 / (new - limit))


def test_a_part_thicker_than_a_new_one_has_used_none_of_its_life() -> None:
    low, best, high = life_used(3.02, 3.0, 2.8, 0.03)
    assert low == best == 0.0
    assert high == pytest.approx(0.05)


def test_no_life_between_equal_figures() -> None:
    with pytest.raises(ValueError, match="same figure"):
        life_used(1.0, 2.0, 2.0)


def test_the_band_of_a_distance_agrees_with_a_monte_carlo() -> None:
    """Straight-line extrapolation with its propagated doubt, against ten thousand lines through noisy readings."""
    x = np.array([0.0, 8e6, 20e6])
    y, u = np.array([1.00e-3, 0.90e-3, 0.76e-3]), np.full(3, 1e-5)
    left = distance_left(x, y, u, 0.3e-3)
    assert left is not None
    chance = np.random.default_rng(3)
    noisy = y + chance.normal(0, 1, (10_000, 3)) * u / 2
    slope, at_last = np.polyfit(x - 20e6, noisy.T, 1)
    drawn = (0.3e-3 - at_last) / slope
    assert left.distance == pytest.approx(float(np.mean(drawn)), rel=0.01)
    assert left.doubt == pytest.approx(2 * float(np.std(drawn)), rel=0.05)


def test_three_hundredths_on_two_readings_move_thirteen_thousand_by_three() -> None:
    """[practice]: ± 0.03 mm on two readings can move 13 000 km by 3 000."""
    left = distance_left([0.0, 15e6], [1.0e-3, 0.75e-3], [3e-5] * 2, 0.533e-3)
    assert left is not None
    assert left.distance == pytest.approx(13e6, rel=0.01)
    assert 2.5e6 < left.doubt < 4.5e6


@pytest.mark.parametrize(
    ("x", "y"),
    [([0.0], [1e-3]), ([5.0, 5.0], [1e-3, 0.9e-3]), ([0.0, 1e6], [0.8e-3, 0.9e-3]), ([0.0, 1e6], [0.9e-3, 0.9e-3])],
)
def test_no_wear_no_distance(x: list[float], y: list[float]) -> None:
    assert distance_left(x, y, [1e-5] * len(x), 0.3e-3) is None


def test_the_line_meets_the_limit_where_it_says() -> None:
    left = distance_left([0.0, 1e7], [1.0e-3, 0.8e-3], [3e-5] * 2, 0.3e-3)
    assert left is not None
    assert left.reading_at(left.distance, 0.3e-3) == pytest.approx(0.3e-3)
    assert left.reading_at(0.0, 0.3e-3) == pytest.approx(0.8e-3)


def test_what_decides_a_taking() -> None:
    assert deciding(PLATES, plates(2.9, 2.8), PLATES.limits) == (pytest.approx(2.8e-3), 3e-5)
    warp = CHECKS["plain_warp"]
    assert deciding(warp, [Reading("a", 1e-4), Reading("b", 2e-4)], warp.limits) == (2e-4, 0.0)
    fingers = CHECKS["finger_height"]
    heights = [Reading("Finger 1", 40e-3, uncertainty=3e-5), Reading("Finger 2", 40.4e-3, uncertainty=4e-5)]
    assert deciding(fingers, heights, fingers.limits) == (pytest.approx(4e-4), pytest.approx(5e-5))
    bore = CHECKS["bore_runout"]
    swept = [Reading(f"{a}°", r, uncertainty=1e-5) for a, r in ((0, 0.0), (90, -1e-4), (180, 2e-4), (270, 0.0))]
    assert deciding(bore, swept, bore.limits) is None
    assert decided(bore, swept, bore.limits, SweepSettings()) == (pytest.approx(3e-4), pytest.approx(2**0.5 * 1e-5))
    sagging = SweepSettings(sag=1e-4)
    assert decided(bore, swept, bore.limits, sagging) != decided(bore, swept, bore.limits, SweepSettings())
    assert decided(bore, swept[:2], bore.limits, sagging) is None
    assert decided(PLATES, plates(2.9, 2.8), PLATES.limits, sagging) == (pytest.approx(2.8e-3), 3e-5)
    assert deciding(PLATES, [Reading("Plate 1", skipped="lost")], PLATES.limits) is None


def test_an_instrument_of_another_kind_has_no_say() -> None:
    assert uncertainty_of("caliper", "m") == 3e-5
    assert uncertainty_of("scale", "m") == uncertainty_of("none", "m") == 0.0
    assert list(GUARD_RULES) == ["full", "share95"]


def test_a_covers_stand_off_follows_from_its_diaphragm_and_falls_one_for_one_with_wear() -> None:
    """[practice]: near a quarter inch new, near an eighth well worn, where the job does not say better."""
    standoff = CHECKS["cover_standoff"]

    def limits(typed: dict[str, str], **more: str) -> dict[str, tuple[float | None, str]]:
        return {f.name: (f.value, f.mark) for f in limits_of(standoff, built(typed, **more), {})}

    assert limits(CAR) == {"new": (0.00635, "practice"), "least": (0.003175, "practice")}
    build = built(FULL)
    wear = float(build.evaluate(("wear_limit",))["wear_limit"])
    (new, mark), (least, _) = limits(FULL)["new"], limits(FULL)["least"]
    assert new == pytest.approx(5.2e-3 * (221 - 191) / (225 - 178))
    assert mark == "job"
    assert least == pytest.approx(new - wear)
    assert limits(FULL, adjuster="self_adjusting")["new"][1] == "practice"


@pytest.mark.parametrize(
    ("typed", "check", "grade", "verdict"),
    [
        (MOTORCYCLE, "plain_face", "blue", "renew as set"),
        (MOTORCYCLE, "plain_face", "dark", "reuse and watch"),
        (MOTORCYCLE, "spring_square", "leaning", "renew as set"),
        (FULL, "flywheel_bolts", "once", "renew"),
        (FULL, "flywheel_bolts", "drawn", "stop"),
        (FULL, "flywheel_bolts", "clean", "reuse"),
    ],
)
def test_a_condition_leads_to_its_verdict(typed: dict[str, str], check: str, grade: str, verdict: str) -> None:
    build = built(typed)
    assert check in {c.name for c in checks_for(build)}
    found = assess(CHECKS[check], CHECKS[check].places(build), [Reading("Once", typed=grade)], ())
    assert found.verdict == verdict
