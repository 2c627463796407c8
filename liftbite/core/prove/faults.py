"""The causes of a complaint, ranked by what is known, and the test that separates most for its time.

- `Known`, `known_of`     what a build's own numbers say of a cause, in words
- `Ranked`, `Finder`      a cause with its odds and why; all of them with the next test
- `find`                  from complaints, answers and what is known

Each cause has odds: how often it makes the complaint, times how much oftener it gives each answer than a sound vehicle
does. Causes are judged apart from each other, so that two at once can both stand high. An answer that tells nothing
changes nothing, and no single answer rules a cause out.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from math import log2
from typing import Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.judgement import Finding
from liftbite.core.measure.setup.floater import FLOATER
from liftbite.core.measure.words import finding_sentence
from liftbite.core.prove.causes import CANNOT_TELL, CAUSES, TESTS, Cause, Test
from liftbite.core.units.sentence import both
from liftbite.core.units.show import figure

#: No answer is taken for more than this, nor for less than one over it [-].
_MOST = 20.0
#: Odds from which a cause is as good as found, and below which it is out of the question for now [-].
LIKELY, UNLIKELY = 3.0, 0.1
#: Opening it up costs this much more than the look itself [min].
_OPENING = 240.0
#: A bad verdict of the bench on the part, and a good one [-].
_BAD, _GOOD = 15.0, 0.15


@dataclass(frozen=True, slots=True)
class Known:
    """What is known of a cause: how much likelier it is for it [-], and why."""

    cause: str
    times: float
    why: str


@dataclass(frozen=True, slots=True)
class Ranked:
    """A cause with its odds against a vehicle without it [-], and what speaks for and against it."""

    cause: Cause
    odds: float
    why: tuple[str, ...]

    @property
    def word(self) -> Literal["likely", "possible", "unlikely"]:
        """How likely, in a word."""
        return "likely" if self.odds >= LIKELY else "possible" if self.odds >= UNLIKELY else "unlikely"


@dataclass(frozen=True, slots=True)
class Finder:
    """Causes, the likeliest first, and the tests that are left, the one that separates most for its time first."""

    ranked: tuple[Ranked, ...]
    tests: tuple[tuple[Test, float], ...]

    @property
    def settled(self) -> bool:
        """True where one cause stands out, or nothing that is left would separate any."""
        if not self.tests:
            return True
        odds = [r.odds for r in self.ranked]
        return odds[0] >= LIKELY and (len(odds) == 1 or odds[0] >= 6 * odds[1])


def known_of(build: Build, findings: Iterable[Finding] = (), friction: float | None = None) -> list[Known]:
    """What a build's numbers, its bench and a drive say of causes.

    Parameters
    ----------
    build : as found, or as it stands
    findings : of the bench
    friction : measured on the road, over nominal [-]
    """
    return [*_by_numbers(build), *_by_bench(findings), *_by_drive(friction)]


def _value(build: Build, name: str, **states: float) -> float | None:
    found = build.evaluate((name,), **states)[name] if name in build.graph.functions else build.known.get(name)
    return None if found is None or isinstance(found, Needs | Refused) else float(found)


def _by_numbers(build: Build) -> Iterator[Known]:
    margin = _value(build, "bite_margin", stage=build.stage, friction=0.0)
    if margin is not None:
        times = 12.0 if margin < 1 else 2.0 if margin < 1.15 else 0.25
        yield Known("small_clamp", times, f"by the numbers it holds {figure(margin, 3)} times the engine's torque")
    least = _value(build, "least_lift_margin")
    if least is not None:
        times = 10.0 if least < 1 else 2.0 if least < 1.15 else 0.3
        yield Known("too_little_lift", times, f"it lifts {figure(least, 3)} times what just frees it")
    air = build.known.get("trapped_air")
    if "trapped_air" in build.entries and isinstance(air, int | float):
        yield Known("air", 8.0 if air > 0.3e-6 else 0.3, f"{both(float(air), 'm³', 2)} of air by the slave's travel")
    gap = build.known.get("floater_clearance")
    if "floater_clearance" in build.entries and isinstance(gap, int | float):
        yield Known("floater", 0.2 if FLOATER.holds(float(gap)) else 8.0, f"stands at {both(float(gap), 'm')}")
    wear, limit = _value(build, "wear"), _value(build, "wear_limit")
    if "wear" in build.entries and wear is not None and limit is not None:
        yield Known("worn_facing", 8.0 if wear > 0.9 * limit else 0.3, f"worn {both(wear, 'm')} of {both(limit, 'm')}")
    over = _value(build, "overtravel_margin")
    if over is not None and "plate_lift_limit" in build.entries:
        yield Known("overtravel", 8.0 if over < 1 else 0.3, f"lifts to {figure(1 / over, 3)} of what the cover allows")


def _by_bench(findings: Iterable[Finding]) -> Iterator[Known]:
    for finding in findings:
        bad = finding.verdict in ("stop", "renew", "renew as set", "dress or resurface", "put right")
        if not bad and finding.verdict != "reuse":
            continue
        for cause in finding.causes:
            yield Known(cause, _BAD if bad else _GOOD, f"the bench: {finding_sentence(finding)}")


def _by_drive(friction: float | None) -> Iterator[Known]:
    if friction is None:
        return
    says = f"on the road its friction was {figure(friction, 2)} times nominal"
    for name in ("oily_facing", "glazed", "wrong_oil"):
        yield Known(name, 4.0 if friction < 0.8 else 0.4, says)
    yield Known("small_clamp", 0.6 if friction < 0.8 else 3.0, says)


def find(
    layout: str, complaints: Sequence[str], answers: Mapping[str, str] | None = None, known: Sequence[Known] = ()
) -> Finder:
    """Causes ranked and the next test.

    Parameters
    ----------
    layout : "dry_car" or "wet_motorcycle"
    complaints : keys of `complaints.COMPLAINTS`, at least one
    answers : test -> answer given
    known : what is known besides

    Raises
    ------
    UnreadableEntry : a test or an answer there is none of, or no complaint

    >>> found = find("dry_car", ["drags"], {"pump": "better", "since": "after work"})
    >>> found.ranked[0].cause.name
    'air'
    """
    if not complaints:
        raise UnreadableEntry("say what it does: slips, drags, judders, noise, pedal, vibration, smell or no drive")
    given = dict(answers or {})
    for name, said in given.items():
        if name not in TESTS:
            raise UnreadableEntry(f"“{name}” is no test; they are {', '.join(TESTS)}")
        if said not in (*TESTS[name].answers, CANNOT_TELL):
            raise UnreadableEntry(f"{name}: “{said}” is no answer; it is one of {', '.join(TESTS[name].answers)}")
    causes = [c for c in CAUSES.values() if c.layout in ("", layout) and any(c.shows.get(x) for x in complaints)]
    ranked = sorted((_ranked(c, complaints, given, known) for c in causes), key=lambda r: -r.odds)
    left = [t for t in TESTS.values() if t.layout in ("", layout) and t.name not in given]
    opened = any(TESTS[name].opens for name, said in given.items() if said != CANNOT_TELL)
    return Finder(tuple(ranked), tuple(_worth(left, ranked, opened)))


def _ranked(cause: Cause, complaints: Sequence[str], given: Mapping[str, str], known: Sequence[Known]) -> Ranked:
    odds = 0.12 * cause.often
    for complaint in complaints:
        odds *= max(cause.shows.get(complaint, 0.0), 0.05)
    why = []
    for name, said in given.items():
        times = _times(cause, TESTS[name], said)
        odds *= times
        if times > 1.3 or times < 0.75:
            why.append(f"{'speaks for it' if times > 1 else 'speaks against it'}: {TESTS[name].ask} {said}")
    for fact in known:
        if fact.cause == cause.name:
            odds *= fact.times
            why.append(f"{'speaks for it' if fact.times > 1 else 'speaks against it'}: {fact.why}")
    return Ranked(cause, odds, tuple(why))


def _times(cause: Cause, test: Test, said: str) -> float:
    """How much oftener a fault gives an answer than a vehicle without it [-]."""
    if said == CANNOT_TELL or test.name not in cause.tells:
        return 1.0
    ratio = max(cause.tells[test.name].get(said, 0.0), 0.01) / test.answers[said]
    return min(max(ratio, 1 / _MOST), _MOST)


def _worth(left: Sequence[Test], ranked: Sequence[Ranked], opened: bool) -> list[tuple[Test, float]]:
    """The tests that are left by what they are expected to tell for their time [bit/min], the best first."""
    total = sum(r.odds for r in ranked) + 0.2
    shares = [(r.cause, r.odds / total) for r in ranked if r.odds / total > 0.002]
    found = []
    for test in left:
        bits = _information(test, shares)
        if bits > 0.004:
            found.append((test, bits / (test.minutes + (_OPENING if test.opens and not opened else 0.0))))
    return sorted(found, key=lambda pair: -pair[1])


def _information(test: Test, shares: Sequence[tuple[Cause, float]]) -> float:
    """What an answer is expected to tell about which cause it is [bit]: the mutual information of the two."""
    other = 1.0 - sum(share for _, share in shares)
    bits = 0.0
    for answer, base in test.answers.items():
        given = [(share, c.tells[test.name].get(answer, 0.0) if test.name in c.tells else base) for c, share in shares]
        whole = sum(share * p for share, p in given) + other * base
        bits += sum(share * p * log2(p / whole) for share, p in (*given, (other, base)) if p > 0 and share > 0)
    return bits
