"""The odds of a cause and the worth of a test, worked out a second way; what a build's numbers say at their edges."""

from __future__ import annotations

import math
import random
from collections.abc import Mapping, Sequence
from types import SimpleNamespace
from typing import Any, cast

import pytest

from liftbite.core.graph.graph import Needs
from liftbite.core.job.build import Build
from liftbite.core.measure.judgement import VERDICTS, Finding
from liftbite.core.prove.causes import CANNOT_TELL, CAUSES, COMPLAINTS, TESTS, Cause
from liftbite.core.prove.faults import Finder, Known, Ranked, find, known_of

LAYOUTS = ("dry_car", "wet_motorcycle")
ONE = next(iter(CAUSES.values()))
TEST = next(iter(TESTS.values()))


def build(**values: float) -> Build:
    """A build that knows these figures and nothing else; what a graph works out is asked for at nominal friction."""

    def evaluate(names: Sequence[str], **states: float) -> dict[str, Any]:
        if names[0] == "bite_margin":
            assert states == {"stage": 0.25, "friction": 0.0}
        return {name: values.get(name, Needs((name,))) for name in names}

    worked_out = {"bite_margin", "least_lift_margin", "overtravel_margin", "wear_limit"}
    return cast(
        "Build",
        SimpleNamespace(
            evaluate=evaluate,
            graph=SimpleNamespace(functions=worked_out),
            known={name: value for name, value in values.items() if name not in worked_out},
            entries=values,
            stage=0.25,
        ),
    )


@pytest.mark.parametrize(
    ("values", "cause", "times", "why"),
    [  # common practice, no source
        ({"bite_margin": 0.999}, "small_clamp", 12.0, "by the numbers it holds 0.999 times the engine's torque"),
        ({"bite_margin": 1.0}, "small_clamp", 2.0, "by the numbers it holds 1 times the engine's torque"),
        ({"bite_margin": 1.149}, "small_clamp", 2.0, "by the numbers it holds 1.15 times the engine's torque"),
        ({"bite_margin": 1.15}, "small_clamp", 0.25, "by the numbers it holds 1.15 times the engine's torque"),
        ({"least_lift_margin": 0.999}, "too_little_lift", 10.0, "it lifts 0.999 times what just frees it"),
        ({"least_lift_margin": 1.0}, "too_little_lift", 2.0, "it lifts 1 times what just frees it"),
        ({"least_lift_margin": 1.1234}, "too_little_lift", 2.0, "it lifts 1.12 times what just frees it"),
        ({"least_lift_margin": 1.15}, "too_little_lift", 0.3, "it lifts 1.15 times what just frees it"),
        ({"trapped_air": 0.3e-6}, "air", 0.3, "0.3 mL (0.018 in³) of air by the slave's travel"),
        ({"trapped_air": 0.312e-6}, "air", 8.0, "0.31 mL (0.019 in³) of air by the slave's travel"),
        ({"floater_clearance": 0.58e-3}, "floater", 0.2, "stands at 0.58 mm (0.0228 in)"),
        ({"floater_clearance": 1.0e-3}, "floater", 8.0, "stands at 1 mm (0.0394 in)"),
        ({"wear": 0.9e-3, "wear_limit": 1e-3}, "worn_facing", 0.3, "worn 0.9 mm (0.0354 in) of 1 mm (0.0394 in)"),
        ({"wear": 1.801e-3, "wear_limit": 2e-3}, "worn_facing", 8.0, "worn 1.801 mm (0.07091 in) of 2 mm (0.0787 in)"),
        (
            {"overtravel_margin": 0.999, "plate_lift_limit": 1e-3},
            "overtravel",
            8.0,
            "lifts to 1 of what the cover allows",
        ),
        (
            {"overtravel_margin": 1.0, "plate_lift_limit": 1e-3},
            "overtravel",
            0.3,
            "lifts to 1 of what the cover allows",
        ),
        (
            {"overtravel_margin": 1.6, "plate_lift_limit": 1e-3},
            "overtravel",
            0.3,
            "lifts to 0.625 of what the cover allows",
        ),
        (
            {"overtravel_margin": 1.5432, "plate_lift_limit": 1e-3},
            "overtravel",
            0.3,
            "lifts to 0.648 of what the cover allows",
        ),
    ],
)
def test_what_a_builds_numbers_say_of_a_cause(values: dict[str, float], cause: str, times: float, why: str) -> None:
    assert known_of(build(**values)) == [Known(cause, times, why)]


def test_what_is_assumed_is_no_finding() -> None:
    """Air and a floater's clearance speak only where somebody entered them."""
    assumed = build(trapped_air=0.0, floater_clearance=0.58e-3)
    cast("Any", assumed).entries = {}
    assert known_of(assumed) == []


@pytest.mark.parametrize("values", [{}, {"wear": 1e-3}, {"wear_limit": 1e-3}, {"overtravel_margin": 0.5}])
def test_what_is_not_entered_says_nothing(values: dict[str, float]) -> None:
    assert known_of(build(**values)) == []


@pytest.mark.parametrize(
    ("friction", "oily", "clamp", "words"),
    [(0.799, 4.0, 0.6, "0.8"), (0.8, 0.4, 3.0, "0.8"), (0.567, 4.0, 0.6, "0.57")],
)
def test_what_a_drive_says_of_a_cause(friction: float, oily: float, clamp: float, words: str) -> None:
    says = f"on the road its friction was {words} times nominal"
    assert known_of(build(), friction=friction) == [
        *(Known(name, oily, says) for name in ("oily_facing", "glazed", "wrong_oil")),
        Known("small_clamp", clamp, says),
    ]


def test_what_the_bench_says_of_a_cause() -> None:
    """Bad on the part speaks for it, good against, and what is neither says nothing [common practice, no source]."""
    times = {
        v: tuple(k.times for k in known_of(build(), [Finding("fork", v, causes=("fork_worn",))])) for v in VERDICTS
    }
    assert times == {
        **dict.fromkeys(("stop", "renew as set", "renew", "dress or resurface", "put right"), (15.0,)),
        "too close to call": (),
        "reuse and watch": (),
        "reuse": (0.15,),
    }
    both = [Finding("fork", "open", causes=("heavy",)), Finding("fork", "renew", causes=("fork_worn", "heavy"))]
    assert [k.cause for k in known_of(build(), both)] == ["fork_worn", "heavy"]


# --- a second way


def odds_of(cause: Cause, complaints: Sequence[str], given: Mapping[str, str], known: Sequence[Known]) -> float:
    """Odds by logarithms, from the tables."""
    logs = [math.log(0.12), math.log(cause.often)]
    logs += [math.log(max(cause.shows.get(c, 0.0), 0.05)) for c in complaints]
    for test, said in given.items():
        if said != CANNOT_TELL and test in cause.tells:
            of_cause, of_sound = max(cause.tells[test].get(said, 0.0), 0.01), TESTS[test].answers[said]
            logs.append(min(max(math.log(of_cause / of_sound), -math.log(20)), math.log(20)))
    return math.exp(sum(logs) + sum(math.log(k.times) for k in known if k.cause == cause.name))


def bits_of(test_name: str, shares: Mapping[str, float]) -> float:
    """Mutual information of cause and answer [bit]: entropy of the answer less what is left of it by the cause."""
    sound = TESTS[test_name].answers
    tables = {c: CAUSES[c].tells.get(test_name, sound) for c in shares}

    def entropy(chances: Sequence[float]) -> float:
        return -sum(p * math.log2(p) for p in chances if p > 0)

    rest = 1 - sum(shares.values())
    answers = [rest * sound[a] + sum(s * tables[c].get(a, 0.0) for c, s in shares.items()) for a in sound]
    left = rest * entropy(list(sound.values())) + sum(
        s * entropy([tables[c].get(a, 0.0) for a in sound]) for c, s in shares.items()
    )
    return entropy(answers) - left


def cases() -> list[tuple[str, list[str], dict[str, str], list[Known]]]:
    picked = random.Random(7)
    found: list[tuple[str, list[str], dict[str, str], list[Known]]] = []
    for layout in LAYOUTS:
        tests = [t for t in TESTS.values() if t.layout in ("", layout)]
        for complaint in COMPLAINTS:
            found.append((layout, [complaint], {}, []))
            for _ in range(6):
                some = picked.sample(tests, 3)
                given = {t.name: picked.choice([*t.answers, CANNOT_TELL]) for t in some}
                more = picked.sample(list(COMPLAINTS), picked.choice((1, 2)))
                known = [Known(picked.choice(list(CAUSES)), picked.choice((0.2, 1.5, 8.0)), "said") for _ in range(2)]
                found.append((layout, [*dict.fromkeys([complaint, *more])], given, known))
    return found


@pytest.mark.parametrize(("layout", "complaints", "given", "known"), cases())
def test_odds_and_worth_agree_with_a_second_way(
    layout: str, complaints: list[str], given: dict[str, str], known: list[Known]
) -> None:
    finder = find(layout, complaints, given, known)
    mine = {
        c.name: odds_of(c, complaints, given, known)
        for c in CAUSES.values()
        if c.layout in ("", layout) and any(c.shows.get(x, 0) > 0 for x in complaints)
    }
    assert {r.cause.name: r.odds for r in finder.ranked} == pytest.approx(mine, rel=1e-9)
    assert [r.odds for r in finder.ranked] == sorted((r.odds for r in finder.ranked), reverse=True)
    total = sum(mine.values()) + 0.2
    shares = {c: odds / total for c, odds in mine.items() if odds / total > 0.002}
    opened = any(TESTS[t].opens and said != CANNOT_TELL for t, said in given.items())
    worth = {}
    for test in TESTS.values():
        bits = bits_of(test.name, shares) if test.layout in ("", layout) and test.name not in given else 0.0
        if bits > 0.004:
            worth[test.name] = bits / (test.minutes + (0.0 if opened or not test.opens else 240.0))
    assert {t.name: w for t, w in finder.tests} == pytest.approx(worth, rel=1e-9)
    assert [w for _, w in finder.tests] == sorted((w for _, w in finder.tests), reverse=True)
    for ranked in finder.ranked:
        for name, said in given.items():
            times = odds_of(ranked.cause, [], {name: said}, []) / odds_of(ranked.cause, [], {}, [])
            words = f"{TESTS[name].ask} {said}"
            assert (f"speaks for it: {words}" in ranked.why) == (times > 1.3)
            assert (f"speaks against it: {words}" in ranked.why) == (times < 0.75)
        for fact in known:
            says = f"speaks {'for' if fact.times > 1 else 'against'} it: {fact.why}"
            assert says in ranked.why or fact.cause != ranked.cause.name


def test_no_answer_counts_for_more_than_twentyfold_either_way() -> None:
    """Every cause under every answer of every test: as often as the tables say, within a twentieth and twenty."""
    lowest, highest = 1.0, 1.0
    for cause in CAUSES.values():
        layout, shown = cause.layout or "dry_car", next(iter(cause.shows))
        for test in (t for t in TESTS.values() if t.layout in ("", layout)):
            for said in test.answers:
                ranked = {r.cause.name: r.odds for r in find(layout, [shown], {test.name: said}).ranked}
                assert ranked[cause.name] == pytest.approx(odds_of(cause, [shown], {test.name: said}, []), rel=1e-9)
                times = ranked[cause.name] / odds_of(cause, [shown], {}, [])
                lowest, highest = min(lowest, times), max(highest, times)
    assert highest == pytest.approx(20)
    assert lowest > 1 / 20, "no answer of the table speaks that much against a cause"


def test_what_neither_is_nor_is_made_is_no_word_of_a_table() -> None:
    """A cause that tells of a test says how often it gives each of its answers."""
    for cause in CAUSES.values():
        for test, answers in cause.tells.items():
            assert answers.keys() == TESTS[test].answers.keys(), (cause.name, test)
            assert sum(answers.values()) == pytest.approx(1), (cause.name, test)


@pytest.mark.parametrize(
    ("odds", "word"), [(3.0, "likely"), (2.999, "possible"), (0.1, "possible"), (0.0999, "unlikely"), (9.0, "likely")]
)
def test_how_likely_a_cause_is_called(odds: float, word: str) -> None:
    assert Ranked(ONE, odds, ()).word == word


@pytest.mark.parametrize(
    ("odds", "settled"),
    [
        ((3.0,), True),
        ((2.999,), False),
        ((30.0, 5.0), True),
        ((29.9, 5.0), False),
        ((36.0, 6.0, 7.0), True),
        ((2.9, 0.1), False),
        ((3.1, 3.0), False),
        ((3.0, 0.5, 0.4), True),
    ],
)
def test_when_a_cause_stands_out(odds: tuple[float, ...], settled: bool) -> None:
    ranked = tuple(Ranked(ONE, o, ()) for o in odds)
    assert Finder(ranked, ((TEST, 0.1),)).settled is settled
    assert Finder(ranked, ()).settled, "nothing is left that would separate any"
