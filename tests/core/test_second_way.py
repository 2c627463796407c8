"""The bench worked out a second way: plain loops and exact fractions beside the code that ships.

Nothing here calls what it checks to get its answer: zones by comparing fractions, the line of wear by the textbook's
sums, what is to be got by walking the rules one by one, a stack of spacers by trying every one.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from fractions import Fraction
from itertools import chain, combinations

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from liftbite.core.job.build import Build
from liftbite.core.measure.check import Check, Place
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.instruments import GUARD_RULES
from liftbite.core.measure.judgement import VERDICTS, Finding, assess
from liftbite.core.measure.left import distance_left, left_of
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.parts_list import needs
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.setup.bearing import NOMINAL, RULE, bearing_stacks
from liftbite.core.measure.setup.end_float import shims_for_float
from liftbite.core.units.constants import INCH
from tests.jobs import FULL, MOTORCYCLE, built

# --- verdicts of readings

MICRON = Fraction(1, 1_000_000)
READ = st.integers(1500, 4000)  # micrometres
DOUBT = st.sampled_from([4, 10, 30, 300])


def metres(microns: int) -> float:
    return float(microns * MICRON)


def zone_by_fractions(value: int, limit: int, doubt: int, share: Fraction, sense: str) -> str:
    """ISO 14253-1 in exact arithmetic, all in micrometres."""
    inside = Fraction(value - limit if sense == "least" else limit - value)
    guard = doubt * share
    return "pass" if inside > guard else "fail" if inside < -guard else "close"


def verdict_by_hand(read: Sequence[tuple[int, int]], places: int, least: int, new: int, rule: str) -> str:
    """A plate's verdict, rule by rule."""
    share = Fraction("1") if rule == "full" else Fraction("0.82")
    zones = [zone_by_fractions(value, least, doubt, share, "least") for value, doubt in read]
    if "fail" in zones:
        return "renew as set"
    if "close" in zones:
        return "too close to call"
    if len(read) < places:
        return "open"
    # the reading that came nearest to its limit, its doubt counted, says how much of the life is used
    worst = min(read, key=lambda r: r[0] - least - r[1] * share)
    return "reuse and watch" if Fraction(new - worst[0], new - least) > Fraction(3, 4) else "reuse"


@given(
    read=st.lists(st.tuples(READ, DOUBT), min_size=1, max_size=6),
    least=st.integers(1600, 2900),
    life=st.integers(50, 1500),
    left=st.integers(0, 2),
    rule=st.sampled_from(list(GUARD_RULES)),
)
def test_a_verdict_by_exact_fractions(read: list[tuple[int, int]], least: int, life: int, left: int, rule: str) -> None:
    check, new = CHECKS["plate_thickness"], least + life
    limits = (Limit("new", metres(new), "manual", ""), Limit("least", metres(least), "manual", ""))
    places = [Place(f"Plate {i}") for i in range(len(read) + left)]
    readings = [Reading(p.key, metres(v), uncertainty=metres(u)) for p, (v, u) in zip(places, read, strict=False)]
    share = Fraction("1") if rule == "full" else Fraction("0.82")
    assume(
        all(abs(abs(v - least) - u * share) > Fraction(1, 1000) for v, u in read)
    )  # on the very edge a float may fall
    keys = sorted(v - least - u * share for v, u in read)
    assume(len(keys) < 2 or keys[1] - keys[0] > Fraction(1, 1000))
    found = assess(check, places, readings, limits, rule)
    assert check.if_failed == "renew as set"
    assert found.verdict == verdict_by_hand(read, len(places), least, new, rule)
    assert (found.taken, found.wanted) == (len(read), len(places))


@given(read=st.lists(READ, min_size=2, max_size=8), most=st.integers(10, 1000), doubt=DOUBT)
def test_a_spread_by_exact_fractions(read: list[int], most: int, doubt: int) -> None:
    check = CHECKS["finger_height"]
    places = [Place(f"Finger {i}") for i in range(len(read))]
    readings = [Reading(p.key, metres(v), uncertainty=metres(doubt)) for p, v in zip(places, read, strict=True)]
    spread = max(read) - min(read)
    squared = Fraction(2 * doubt * doubt)  # the guard band of two readings, squared: no root is taken
    inside = Fraction(most - spread)
    assume(abs(inside * inside - squared) > 1)
    close = inside * inside < squared
    found = assess(check, places, readings, (Limit("spread", metres(most), "manual", ""),))
    assert found.verdict == ("too close to call" if close else check.if_failed if inside < 0 else "reuse")
    assert found.spread == pytest.approx(metres(spread), abs=1e-12)


@given(read=st.lists(st.tuples(READ, DOUBT), min_size=2, max_size=9), most=st.integers(10, 1500))
def test_a_spread_of_unequal_doubts_by_trying_every_pair(read: list[tuple[int, int]], most: int) -> None:
    zones = set()
    for (a, u), (b, v) in combinations(read, 2):
        inside, squared = most - abs(a - b), u * u + v * v
        assume(abs(inside * inside - squared) > 1)
        zones.add("close" if inside * inside < squared else "fail" if inside < 0 else "pass")
    readings = [Reading(f"Finger {i}", metres(a), uncertainty=metres(u)) for i, (a, u) in enumerate(read)]
    check = CHECKS["finger_height"]
    limits = (Limit("spread", metres(most), "manual", ""),)
    found = assess(check, [Place(r.place) for r in readings], readings, limits)
    worst = next(word for word in ("fail", "close", "pass") if word in zones)
    assert found.verdict == {"fail": check.if_failed, "close": "too close to call", "pass": "reuse"}[worst]


def test_a_sure_fail_decides_before_a_doubtful_reading() -> None:
    """A plate that is under by ten times its doubt fails, whatever was read beside it with a rule."""
    limits = (Limit("least", 2.8e-3, "practice", ""),)
    sure, doubtful = Reading("Plate 1", 2.7e-3, uncertainty=1e-5), Reading("Plate 2", 2.7e-3, uncertainty=3e-4)
    for readings in ([sure, doubtful], [doubtful, sure]):
        found = assess(CHECKS["plate_thickness"], [Place("Plate 1"), Place("Plate 2")], readings, limits)
        assert (found.verdict, found.place) == ("renew as set", "Plate 1")
    pairs = [
        Reading("Finger 1", 40.0e-3, uncertainty=3e-4),
        Reading("Finger 2", 40.1e-3, uncertainty=1e-5),
        Reading("Finger 3", 41.0e-3, uncertainty=1e-5),
    ]
    spread = assess(CHECKS["finger_height"], [Place(r.place) for r in pairs], pairs, CHECKS["finger_height"].limits)
    assert (spread.verdict, spread.place) == (CHECKS["finger_height"].if_failed, "Finger 2 to Finger 3")


# --- the line of wear


def line_by_the_textbook(x: Sequence[float], y: Sequence[float]) -> tuple[float, float]:
    """Slope and value at 0 by the normal equations."""
    n, sx, sy = len(x), sum(x), sum(y)
    sxx, sxy = sum(v * v for v in x), sum(a * b for a, b in zip(x, y, strict=True))
    slope = (n * sxy - sx * sy) / (n * sxx - sx * sx)
    return slope, (sy - slope * sx) / n


@given(
    st.lists(st.tuples(st.integers(0, 200), st.integers(0, 40)), min_size=2, max_size=8, unique_by=lambda p: p[0]),
    st.integers(1, 60),
    st.integers(100, 900),
)
def test_distance_left_by_the_textbooks_sums(points: list[tuple[int, int]], rate: int, limit: int) -> None:
    x = [float(k) for k, _ in points]  # thousands of km
    y = [3000.0 - rate * k + jitter for k, jitter in points]  # micrometres
    slope, at_nought = line_by_the_textbook(x, y)
    assume(slope < -0.5)
    meets = (limit - at_nought) / slope
    assume(meets > max(x) + 1)
    left = distance_left(np.array(x) * 1e6, np.array(y) * 1e-6, np.full(len(x), 3e-5), limit * 1e-6)
    assert left is not None
    assert left.distance / 1e6 == pytest.approx(meets - max(x), rel=1e-6, abs=1e-6)
    assert left.rate * 1e6 * 1e6 == pytest.approx(-slope, rel=1e-6)
    assert left.reading_at(left.distance, limit * 1e-6) == pytest.approx(limit * 1e-6)


@given(
    dated=st.lists(st.tuples(st.none() | st.integers(0, 100), st.lists(READ, min_size=0, max_size=4)), max_size=6),
    least=st.integers(500, 1400),
)
def test_only_dated_takings_make_the_line_and_each_gives_its_worst(
    dated: list[tuple[int | None, list[int]]], least: int
) -> None:
    check = CHECKS["plate_thickness"]
    series = [
        (
            None if at is None else at * 1e6,
            [Reading(f"Plate {i}", metres(v), uncertainty=3e-5) for i, v in enumerate(vs)],
        )
        for at, vs in dated
    ]
    limits = (Limit("least", metres(least), "manual", ""),)
    found = left_of(check, series, limits)
    points = [(at * 1e6, metres(min(vs))) for at, vs in dated if at is not None and vs]
    if len({at for at, _ in points}) < 2:
        assert found is None
        return
    alone = distance_left([a for a, _ in points], [v for _, v in points], [3e-5] * len(points), metres(least))
    assert found == alone
    assert left_of(check, series, ()) is None


# --- what it takes

GRADED = [c for c in CHECKS.values() if c.kind == "grade"]
SETUPS = {"car": built(FULL), "motorcycle": built(MOTORCYCLE)}


def findings_of(build: Build) -> st.SearchStrategy[list[Finding]]:
    names = sorted(c.name for c in CHECKS.values() if c.wanted(build) and c.kind != "figure")
    one = st.builds(Finding, st.sampled_from(names), st.sampled_from([*VERDICTS, "open"]))
    return st.lists(one, max_size=8, unique_by=lambda f: f.check)


OFFERED = st.fixed_dictionaries({name: st.sampled_from(list(options)) for name, (_, options) in PRACTICES.items()})


def wanted(build: Build, findings: Sequence[Finding], practices: Mapping[str, str]) -> dict[tuple[str, str], set[str]]:
    return {(n.part, n.work): set(n.reasons) for n in needs(build, findings, practices)}


@pytest.mark.parametrize("layout", SETUPS)
@given(data=st.data())
def test_what_it_takes_hangs_on_no_order_and_only_grows(layout: str, data: st.DataObject) -> None:
    build, practices = SETUPS[layout], data.draw(OFFERED)
    findings = data.draw(findings_of(build))
    whole = wanted(build, findings, practices)
    assert wanted(build, data.draw(st.permutations(findings)), practices) == whole
    gets = {part for part, work in whole if work == "get"}
    for i in range(len(findings)):
        fewer = wanted(build, [*findings[:i], *findings[i + 1 :]], practices)
        assert {part for part, work in fewer if work == "get"} <= gets, "one finding more never saves a part"
    assert all(reasons for reasons in whole.values())


@pytest.mark.parametrize("layout", SETUPS)
@given(data=st.data())
def test_what_is_good_or_open_takes_nothing_but_what_the_shop_always_does(layout: str, data: st.DataObject) -> None:
    build, practices = SETUPS[layout], data.draw(OFFERED)
    findings = [f for f in data.draw(findings_of(build)) if f.verdict in {"reuse", "reuse and watch", "open"}]
    seals = {"rear_seal", "input_seal"} if layout == "car" and findings and practices["seal"] == "always" else set()
    assert {part for part, _ in wanted(build, findings, practices)} == seals


# --- stacks by trying every one


@given(spacers=st.lists(st.integers(20, 300), max_size=6), cushion=st.integers(-100, 900))
def test_the_best_stack_by_trying_every_one(spacers: list[int], cushion: int) -> None:
    """All in thousandths of an inch; without a window of its own the rule and its nominal decide."""
    thou = INCH / 1000
    found = bearing_stacks(cushion * thou, 0.0, [s * thou for s in spacers])
    every = list(chain.from_iterable(combinations(range(len(spacers)), n) for n in range(len(spacers) + 1)))
    assert len(found) == len(every) == 2 ** len(spacers)
    left = {pieces: cushion - sum(spacers[i] for i in pieces) for pieces in every}
    low, high, nominal = (round(v / thou) for v in (RULE.low, RULE.high, NOMINAL))
    inside = [abs(v - nominal) for v in left.values() if low <= v <= high]
    best = round(found[0].reserve / thou)
    assert found[0].in_rule == bool(inside)
    nearest = min(inside) if inside else min(abs(v - nominal) for v in left.values())
    assert abs(best - nominal) <= nearest + 4  # stacks as near as a tenth of a millimetre: the fewer spacers win


@given(end=st.integers(0, 500), shims=st.lists(st.integers(10, 300), max_size=7))
def test_the_best_shims_by_trying_every_one(end: int, shims: list[int]) -> None:
    """All in micrometres: the least float left that is not below nothing."""
    pieces, left = shims_for_float(end * 1e-6, [s * 1e-6 for s in shims])
    every = chain.from_iterable(combinations(shims, n) for n in range(len(shims) + 1))
    least = min(end - sum(c) for c in every if sum(c) <= end) * 1e-6
    assert least - 1e-12 <= left <= least + 2e-6  # floats no micrometer tells apart: the fewer shims win
    assert left == pytest.approx((end - sum(shims[i] for i in pieces)) * 1e-6, abs=1e-12)


def test_every_graded_check_has_its_worst_grade_lead_somewhere() -> None:
    """The last picture of a family is never one to go on with."""

    def worst(check: Check) -> str:
        return min((g.verdict for g in check.grades), key=VERDICTS.index)

    assert {worst(c) for c in GRADED} <= {"stop", "renew as set", "renew"}
