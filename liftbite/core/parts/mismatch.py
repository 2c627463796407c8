"""Parts that do not go together. Each mismatch is a stop, with a sentence and the way out.

- `Rule`, `RULES`   pairs of properties that have to agree
- `rule_of`         the rule of a key
- `Mismatch`, `mismatches`   the rules a set of parts breaks
- `bare_aluminium`, `BARE`     a facing on bare aluminium, which the options of a job say
- `misfit_sentence`  a broken rule in words

A part is a mapping of properties; a rule is looked at where both parts state theirs. Figures in SI.
Source: [practice: the trade's list of what has to fit before anything is ordered].
"""

from __future__ import annotations

from collections.abc import Collection, Mapping
from dataclasses import dataclass
from typing import Any

from liftbite.core.job.inputs import FITS, INPUTS
from liftbite.core.units.sentence import both


@dataclass(frozen=True, slots=True)
class Rule:
    """Two properties that have to agree.

    Attributes
    ----------
    first, second : slot and property of either side
    within : largest difference that still agrees [SI]
    says : what does not fit
    mend : the way out
    question : the answer it reaches: splines and disc size Bite, depths and the step Lift, the rest True
    """

    first: tuple[str, str]
    second: tuple[str, str]
    within: float
    says: str
    mend: str
    question: str = "true"

    @property
    def key(self) -> str:
        """Its name, such as "disc.spline_count:shaft"."""
        return f"{self.first[0]}.{self.first[1]}:{self.second[0]}"


@dataclass(frozen=True, slots=True)
class Mismatch:
    """A rule that is broken: the rule, and the figures of its two sides [SI]; NaN where it is none of figures."""

    rule: Rule
    figures: tuple[float, float] = (float("nan"), float("nan"))

    @property
    def slots(self) -> tuple[str, str]:
        """The slots of the two parts."""
        return self.rule.first[0], self.rule.second[0]


def _same(a: str, b: str, name: str, within: float, says: str, mend: str, question: str = "true") -> Rule:
    return Rule((a, name), (b, name), within, says, mend, question)


RULES: tuple[Rule, ...] = (
    _same(
        "disc",
        "shaft",
        "spline_count",
        0,
        "the hub's splines are not the input shaft's",
        "take a disc with the shaft's spline, or change the shaft",
        "bite",
    ),
    _same(
        "disc",
        "shaft",
        "spline_diameter",
        0.0002,
        "the hub's spline size is not the input shaft's",
        "take a disc with the shaft's spline, or change the shaft",
        "bite",
    ),
    _same(
        "flywheel",
        "crank",
        "crank_bolts",
        0,
        "the flywheel's bolt count is not the crank's",
        "take the flywheel drilled for this crank",
    ),
    _same(
        "flywheel",
        "crank",
        "crank_bolt_circle",
        0.0002,
        "the flywheel's bolt circle is not the crank's",
        "take the flywheel drilled for this crank",
    ),
    _same(
        "flywheel",
        "crank",
        "external_balance",
        1e-6,
        "the flywheel's external balance is not the engine's",
        "take the flywheel of the engine's balance class; it cannot be balanced away safely",
    ),
    _same(
        "flywheel",
        "starter",
        "ring_gear_teeth",
        0,
        "the ring gear's teeth are not those the starter asks for",
        "change ring gear or starter",
    ),
    _same(
        "flywheel",
        "starter",
        "flywheel_diameter",
        0.002,
        "the flywheel's diameter does not meet the starter",
        "change flywheel or starter",
    ),
    _same(
        "cover",
        "flywheel",
        "cover_bolt_circle",
        0.0003,
        "the cover's bolt circle is not the flywheel's",
        "take the cover drilled for this flywheel",
    ),
    _same("cover", "flywheel", "cover_dowels", 0, "the cover's dowels are not the flywheel's", "fit the right dowels"),
    _same(
        "cover",
        "flywheel",
        "step_height",
        0.0002,
        "the flywheel's step is not what the cover is made for",
        "cut both levels of the flywheel, or take the cover made for a flat one",
        "lift",
    ),
    _same(
        "housing",
        "shaft",
        "housing_depth",
        0.001,
        "the housing's depth is not what the input shaft reaches through",
        "take the shaft or housing that belongs together, or a pilot adapter",
        "lift",
    ),
    _same(
        "pilot",
        "crank",
        "pilot_bore",
        0.00005,
        "the pilot bearing does not fit the crank's bore",
        "take the bearing for this crank",
    ),
    _same(
        "pilot",
        "shaft",
        "pilot_diameter",
        0.00005,
        "the pilot bearing does not fit the shaft's nose",
        "take the bearing for this shaft",
    ),
    _same(
        "disc",
        "cover",
        "disc_size",
        0.006,
        "the disc is not of the size the cover is made for",
        "take disc and cover of one size",
        "bite",
    ),
)


_INSERT = ("flywheel", "friction_insert")
#: A facing on bare aluminium: a rule between a part and itself, which the options of a job break.
BARE = Rule(
    _INSERT,
    _INSERT,
    0,
    "aluminium without a steel friction insert; the facing would tear it",
    "take one with an insert",
)
_OF_KEY: Mapping[str, Rule] = {rule.key: rule for rule in (*RULES, BARE)}


def rule_of(key: str) -> Rule:
    """The rule of a key.

    Raises
    ------
    KeyError : there is none

    >>> rule_of("flywheel.crank_bolts:crank").question
    'true'
    """
    return _OF_KEY[key]


def bare_aluminium(traits: Collection[str]) -> bool:
    """True for a flywheel of aluminium that is said to have no friction insert."""
    return "aluminium flywheel" in traits and "bare face" in traits


def mismatches(parts: Mapping[str, Mapping[str, Any]]) -> list[Mismatch]:
    """The rules broken by parts, given as slot -> properties.

    >>> [m.rule.key for m in mismatches({"flywheel": {"crank_bolts": 6}, "crank": {"crank_bolts": 8}})]
    ['flywheel.crank_bolts:crank']
    """
    found = []
    for rule in RULES:
        (slot_a, name_a), (slot_b, name_b) = rule.first, rule.second
        a, b = parts.get(slot_a, {}).get(name_a), parts.get(slot_b, {}).get(name_b)
        if a is not None and b is not None and abs(a - b) > rule.within:
            found.append(Mismatch(rule, (float(a), float(b))))
    return found


def misfit_sentence(found: Mismatch) -> str:
    """A broken rule in words, both figures in the units of a bench.

    >>> misfit_sentence(Mismatch(RULES[2], (6.0, 8.0)))[:37]
    'Flywheel bolts 6; crank, flywheel bol'
    """
    rule = found.rule
    if rule is BARE:
        return f"Flywheel: {rule.says}. Way out: {rule.mend}."
    sides = []
    for side, value in zip((rule.first, rule.second), found.figures, strict=True):
        asked = INPUTS[FITS[side]]
        sides.append(f"{asked.label.lower()} {both(value, asked.unit)}")
    sentence = f"{sides[0]}; {sides[1]}: {rule.says}. Way out: {rule.mend}."
    return sentence[0].upper() + sentence[1:]
