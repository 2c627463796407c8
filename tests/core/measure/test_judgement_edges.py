"""Every decision of a verdict by itself: which reading decides, where its edges are, and what a finding counts."""

from __future__ import annotations

from itertools import combinations
from math import hypot

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.measure.check import Check, Grade, Place
from liftbite.core.measure.instruments import INSTRUMENT_KINDS
from liftbite.core.measure.judgement import Finding, Swept, assess, life_used, uncertainty_of
from liftbite.core.measure.limit import Limit, LimitName
from liftbite.core.measure.reading import Reading

GOOD = Grade("good", "Good", "", "reuse", 0)
WATCHED = Grade("worn", "Worn", "", "reuse and watch", 1, ("of a grade",))
BAD = Grade("cracked", "Cracked", "", "stop", 3)
FIGURE = Check(
    "thing", "disc", "Thing", "measure it", suited=("caliper", "micrometer"), if_failed="renew", causes=("of a check",)
)
LOOK = Check("look", "disc", "Look", "look at it", kind="grade", grades=(GOOD, WATCHED, BAD), causes=("of a check",))
CALIPER, MICROMETER = INSTRUMENT_KINDS["caliper"].uncertainty, INSTRUMENT_KINDS["micrometer"].uncertainty


def limit(name: LimitName, mm: float | None) -> Limit:
    return Limit(name, None if mm is None else mm / 1e3, "job", "so it is said")


def read(*mm: float | None, doubt: float = 0.0) -> list[Reading]:
    return [
        Reading(str(n), None if v is None else v / 1e3, uncertainty=doubt, skipped="no way in" if v is None else "")
        for n, v in enumerate(mm, 1)
    ]


def seen(*words: str) -> list[Reading]:
    return [Reading(str(n), None, word, skipped="" if word else "no way in") for n, word in enumerate(words, 1)]


def places(count: int) -> list[Place]:
    return [Place(str(n)) for n in range(1, count + 1)]


def judged(readings: list[Reading], *limits: Limit, of: int | None = None, check: Check = FIGURE) -> Finding:
    return assess(check, places(len(readings) if of is None else of), readings, limits)


# --- which reading decides


@given(st.lists(st.tuples(st.integers(-30, 30), st.integers(0, 9)), min_size=1, max_size=6), st.booleans())
def test_the_reading_that_is_furthest_out_with_its_doubt_decides(each: list[tuple[int, int]], least: bool) -> None:
    """By the zones one by one: out, then too close, then in; of one zone the one with least to spare."""
    name: LimitName = "least" if least else "most"
    readings = [Reading(str(n), (100 + v) / 1e3, uncertainty=u / 1e3) for n, (v, u) in enumerate(each, 1)]
    found = assess(FIGURE, places(len(each)), readings, [limit(name, 100)]).decides
    assert found is not None
    spare = [(v if least else -v, u) for v, u in each]
    zones = [0 if s < -u else 2 if s > u else 1 for s, u in spare]
    first = min(range(len(each)), key=lambda n: (zones[n], spare[n][0] - spare[n][1], n))
    assert found.zone == ("fail", "close", "pass")[zones[first]]
    assert found.value - 0.1 == pytest.approx(each[first][0] / 1e3, abs=1e-9)
    assert found.guard == pytest.approx(each[first][1] / 1e3)


@given(st.lists(st.tuples(st.integers(0, 60), st.integers(0, 9)), min_size=2, max_size=6))
def test_of_a_spread_the_worst_pair_decides(each: list[tuple[int, int]]) -> None:
    """Against every pair: the doubts of two readings add as squares."""
    readings = [Reading(str(n), v / 1e3, uncertainty=u / 1e3) for n, (v, u) in enumerate(each, 1)]
    found = assess(FIGURE, places(len(each)), readings, [limit("spread", 30)]).decides
    pairs = [(30 - abs(a - b), hypot(u, w)) for (a, u), (b, w) in combinations(each, 2)]
    zones = [0 if s < -u - 1e-9 else 2 if s > u + 1e-9 else 1 for s, u in pairs]
    first = min(range(len(pairs)), key=lambda n: (zones[n], pairs[n][0] - pairs[n][1]))
    assert found is not None
    assert found.zone == ("fail", "close", "pass")[zones[first]]
    assert 30 - found.value * 1e3 - found.guard * 1e3 == pytest.approx(pairs[first][0] - pairs[first][1], abs=1e-6)


def test_the_ends_of_a_spread_that_are_alike_are_the_first_lowest_and_the_last_highest() -> None:
    found = judged(read(5, 5, 7, 7), limit("spread", 1)).decides
    assert found is not None
    assert found.place == "1 to 4"
    assert judged(read(5), limit("spread", 1)).verdict == "noted"


def test_of_several_limits_the_one_that_fails_then_the_nearest_decides() -> None:
    def decides(mm: float, *limits: Limit, doubt: float = 0.0) -> str:
        found = judged(read(mm, doubt=doubt / 1e3), *limits).decides
        assert found is not None
        return found.limit.name

    least, most = limit("least", 2), limit("most", 5)
    assert decides(2.5, least, most) == "least"
    assert decides(4.4, least, most) == "most"
    assert decides(1.0, least, most) == "least"
    assert decides(6.0, least, most) == "most"
    assert decides(9.0, limit("least", 8.9), most) == "most", "what fails comes before what is near"
    assert decides(5.05, limit("least", 5.03), most, doubt=0.1) == "least", "both too close: the nearer"
    assert decides(5.25, limit("least", 5.2), most, doubt=0.1) == "most", "out comes before too close"
    assert decides(6.0, limit("least", 5.0), limit("most", 6.05), doubt=0.1) == "most", "too close comes before in"
    tight, wide = read(3, 9), [limit("least", 2.9), limit("spread", 7)]
    assert [h.limit.name for h in judged(tight, *wide).held] == ["least", "spread"]


def test_the_doubt_of_a_reading_counts_where_two_limits_are_as_near() -> None:
    readings = [Reading("1", 3e-3, uncertainty=0.1e-3), Reading("2", 4e-3, uncertainty=0.3e-3)]
    found = assess(FIGURE, places(2), readings, [limit("least", 2), limit("most", 5)])
    assert found.decides is not None
    assert found.decides.limit.name == "most"
    assert found.place == "2"


# --- what is counted, and what is noted


def test_what_is_read_beside_the_places_is_counted_with_them() -> None:
    found = assess(FIGURE, places(3), [Reading("1", 3e-3), Reading("4", 4e-3), Reading("5", 4e-3)], [limit("least", 2)])
    assert (found.taken, found.wanted, found.to_go) == (3, 5, 2)
    assert found.verdict == "open"
    assert (found.mean, found.spread, found.worst) == (pytest.approx(11e-3 / 3), pytest.approx(1e-3), 3e-3)
    nothing = judged([], of=2)
    assert (nothing.taken, nothing.wanted, nothing.code, nothing.verdict) == (0, 2, "nothing read", "open")
    assert (Finding("thing", "open").taken, Finding("thing", "open").wanted) == (0, 0)


def test_what_was_skipped_is_noted_once_nothing_is_left() -> None:
    all_skipped = [Reading("1", None, skipped="rusted"), Reading("2", None, skipped="no way in")]
    found = judged(all_skipped)
    assert (found.verdict, found.code, found.skipped) == ("noted", "skipped", "no way in")
    assert judged(all_skipped, of=3).verdict == "open"
    assert judged(read(3, None), limit("least", 2)).verdict == "reuse"
    assert judged([], of=0).code == "nothing read"
    assert judged([], of=0).verdict == "noted"


def test_without_a_figure_to_hold_it_against_it_is_noted() -> None:
    wanting = judged(read(3, 4), limit("least", None), limit("new", 5))
    assert (wanting.code, wanting.verdict, wanting.worst) == ("no limit", "noted", 4e-3)
    only_new = judged(read(3, 4), limit("new", None))
    assert (only_new.code, only_new.verdict) == ("for the sums", "noted")
    assert judged(read(3), limit("new", 5)).code == "for the sums"
    assert judged(read(3), limit("least", None), of=2).verdict == "open"


# --- looks


@pytest.mark.parametrize(
    ("words", "of", "verdict", "code"),
    [
        (("good",), 1, "reuse", "graded"),
        (("good",), 2, "open", "graded"),
        (("worn",), 2, "open", "graded"),
        (("cracked",), 2, "stop", "graded"),
        (("good", "worn"), 2, "reuse and watch", "graded"),
        (("", ""), 2, "noted", "skipped"),
        (("",), 2, "open", "skipped"),
        ((), 1, "open", "not looked at"),
    ],
)
def test_a_look_by_its_worst_condition(words: tuple[str, ...], of: int, verdict: str, code: str) -> None:
    found = judged(seen(*words), check=LOOK, of=of)
    assert (found.verdict, found.code) == (verdict, code)
    assert found.grade == (words[-1] if code == "graded" else "")
    assert found.skipped == ("no way in" if code == "skipped" else "")


def test_a_condition_speaks_for_its_own_causes_or_else_for_its_checks() -> None:
    assert judged(seen("worn"), check=LOOK).causes == ("of a grade",)
    assert judged(seen("cracked"), check=LOOK).causes == ("of a check",)
    assert judged(read(3), limit("least", 2)).causes == ("of a check",)
    again = [*seen("cracked"), Reading("1", None, "good")]
    assert judged(again, check=LOOK, of=1).verdict == "reuse", "a place graded again: the last counts"


# --- too close, and how far gone


@pytest.mark.parametrize(
    ("mm", "better"),
    [(2.0, ""), (2.0 + MICROMETER * 900, ""), (2.0 + MICROMETER * 1100, "Micrometer"), (1.99, "Micrometer")],
)
def test_what_would_settle_it_is_finer_than_its_distance(mm: float, better: str) -> None:
    found = judged(read(mm, doubt=CALIPER), limit("least", 2))
    assert (found.verdict, found.better) == ("too close to call", better)
    assert judged(read(mm, doubt=MICROMETER), limit("least", 2)).better == ""


def test_the_worst_doubt_of_several_readings_says_what_would_be_better() -> None:
    readings = [Reading("1", 2.02e-3, uncertainty=CALIPER), Reading("2", 2.001e-3, uncertainty=MICROMETER)]
    found = assess(FIGURE, places(2), readings, [limit("least", 2)])
    assert (found.place, found.verdict) == ("1", "too close to call")
    assert found.better == "Micrometer"
    exact = judged(read(2.0), limit("least", 2))
    assert (exact.verdict, exact.better) == ("too close to call", "")


def test_how_much_is_used_is_of_the_reading_that_is_least() -> None:
    new, least, most = limit("new", 3), limit("least", 2), limit("most", 5)
    readings = [Reading("1", 2.5e-3, uncertainty=0.1e-3), Reading("2", 2.8e-3, uncertainty=0.2e-3)]
    found = assess(FIGURE, places(2), readings, [new, least, most])
    assert found.used == (pytest.approx(0.4), pytest.approx(0.5), pytest.approx(0.6))
    over = judged(read(2.6, 6.0, doubt=0.05e-3), new, least, most)
    assert over.decides is not None
    assert over.decides.limit.name == "most"
    assert over.used is not None
    assert over.used[1] == pytest.approx(0.4), "of the thinnest, whatever decides"
    assert judged(read(2.5), least).used is None
    assert judged(read(2.5), limit("new", 2), least).used is None, "no life between them"
    assert judged(read(2.5), new, most).used is None
    twice = [Reading("1", 2.9e-3, uncertainty=0.3e-3), Reading("1", 2.5e-3, uncertainty=0.1e-3)]
    assert assess(FIGURE, places(1), twice, [new, least]).used == (
        pytest.approx(0.4),
        pytest.approx(0.5),
        pytest.approx(0.6),
    )
    same = [Reading("1", 2.5e-3, uncertainty=0.1e-3), Reading("2", 2.5e-3, uncertainty=0.2e-3)]
    other = assess(FIGURE, places(2), same, [new, least])
    assert other.place == "2", "as low, and less sure"
    assert other.used == (pytest.approx(0.3), pytest.approx(0.5), pytest.approx(0.7))


def test_life_without_a_doubt_is_one_figure() -> None:
    assert life_used(2.5, 3.0, 2.0) == (0.5, 0.5, 0.5)
    assert life_used(3.4, 3.0, 2.0, 0.2) == (0.0, 0.0, 0.0)
    assert life_used(3.1, 3.0, 2.0, 0.2) == (0.0, 0.0, pytest.approx(0.1))
    with pytest.raises(ValueError, match="the same figure"):
        life_used(1.0, 2.0, 2.0)


def test_where_three_quarters_are_gone_it_is_watched() -> None:
    new, least = limit("new", 3), limit("least", 2)
    assert judged(read(2.3), new, least).verdict == "reuse"
    assert judged(read(2.1), new, least).verdict == "reuse and watch"
    assert judged(read(2.1), new, least, of=2).verdict == "open"
    assert judged(read(1.9), new, least, of=2).verdict == "renew", "a fail anywhere decides at once"


def test_a_sweep_says_nothing_of_its_own_until_it_is_worked_out() -> None:
    swept = Swept(1e-4)
    assert (swept.off, swept.towards, swept.of_face, swept.bore) == (None, 0.0, False, False)
    assert uncertainty_of("caliper", "m") == CALIPER
    assert uncertainty_of("caliper", "N") == 0.0
    assert uncertainty_of("thumb", "m") == 0.0


def test_a_limit_of_nothing_is_a_limit() -> None:
    near = judged(read(0.1), limit("least", 0), limit("most", 0.3))
    assert near.decides is not None
    assert near.decides.limit.name == "least"
    at = judged(read(0.0, doubt=CALIPER), limit("most", 0))
    assert (at.verdict, at.better) == ("too close to call", "")
