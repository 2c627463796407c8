"""What a question's answer is made of.

- `Question`, `Answer`, `Grade`   the four questions; the words each may be answered with; how grave a link is
- `gravest`   how grave the worst of some answers is
- `Band`      a result at the low, the nominal and the high end of the friction band
- `Basis`     the inputs a figure stands on, by where their values come from
- `Link`      one thing that can give way
- `Verdict`   the answer: a state, what it was found by, the link that decides it, all links

Nothing here is in words: a link is what was found (its code, its figures and their limit, how grave it is), and
`verdicts.words` makes the sentence from it. So a rule is tested by codes and figures, and words can change without it.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from typing import Literal

from liftbite.core.job.refusal import Refusal

Question = Literal["bite", "lift", "heat", "true"]
#: What a question may be answered with.
Answer = Literal[
    "holds",
    "slips",
    "frees",
    "drags",
    "stays",
    "warm",
    "cooks",
    "runs true",
    "look again",
    "thin",
    "open",
    "stop",
    "does not fit",
    "cannot be",
]
#: Met; told but not judged; short of what is asked; bad.
Grade = Literal["good", "note", "short", "bad"]

#: States in which nothing falls short.
GOOD_STATES = frozenset({"holds", "frees", "stays", "runs true"})
#: States that say nothing for or against the job: figures are missing.
OPEN_STATES = frozenset({"open"})
#: States of what is short of what is asked, and may still work.
SHORT_STATES = frozenset({"thin", "warm", "look again"})
GRAVITY: dict[Grade, int] = {"bad": 3, "short": 2, "good": 1, "note": 0}


def gravest(states: Iterable[str]) -> int:
    """How grave the worst of some answers is: 3 bad, 2 short, 1 open, 0 good.

    >>> gravest(["holds", "thin", "open"]), gravest(["holds"]), gravest([])
    (2, 0, 1)
    """
    ranks = [0 if s in GOOD_STATES else 1 if s in OPEN_STATES else 2 if s in SHORT_STATES else 3 for s in states]
    return max(ranks, default=1)


@dataclass(frozen=True, slots=True)
class Band:
    """A result over the friction band [SI]; the three are equal where friction does not enter."""

    low: float
    nominal: float
    high: float

    @property
    def single(self) -> bool:
        """True where friction does not enter."""
        return self.low == self.nominal == self.high


@dataclass(frozen=True, slots=True)
class Basis:
    """The inputs a figure stands on, in the order of work, by where their values come from."""

    entered: tuple[str, ...] = ()
    measured: tuple[str, ...] = ()
    assumed: tuple[str, ...] = ()


#: Whose limit it is: the row's own, common practice, as typed, an assumption's, or what other figures make it.
Whose = Literal["own", "practice", "entered", "assumed", "worked out"]
#: What an answer was found by.
Reason = Literal[
    "judged",
    "needs",
    "refused",
    "misfit",
    "stalls",
    "never locks",
    "slips at full load",
    "unread",
    "awaited",
]


@dataclass(frozen=True, slots=True)
class Link:
    """One thing that can give way.

    Attributes
    ----------
    key : the criterion, or what else found it: "misfit", "schedule_surface", ...
    name : the quantity behind it, which a builder is led to
    reserve : value over what is required; below 1 falls short [-]
    grade : how grave it is
    figure, limit, unit : the figure that is compared and what it is compared with, and their SI unit
    most : True where the figure may be as large as the limit, not larger
    whose : whose limit it is
    figures : what its sentence is made of [SI]
    facts : the keys its sentence is made of: which engine, which use, what to type
    basis : what figure and limit stand on
    working : the quantity whose working says how it came about; empty where nothing is worked out
    friction : place in the friction band it was judged at
    short : the answer where it falls short; the question's middle word where None
    """

    key: str
    name: str
    reserve: float
    grade: Grade = "good"
    figure: float = float("nan")
    limit: float = float("nan")
    unit: str = "-"
    most: bool = False
    whose: Whose = "own"
    figures: Mapping[str, float] = field(default_factory=dict)
    facts: Mapping[str, str] = field(default_factory=dict)
    basis: Basis = Basis()
    working: str = ""
    friction: float = 0.0
    short: Answer | None = None


@dataclass(frozen=True, slots=True)
class Verdict:
    """The answer to one of the four questions.

    Attributes
    ----------
    question : "bite", "lift", "heat" or "true"
    state : a word of the question, such as "holds", "thin", "slips"; "open" while inputs are missing,
        "does not fit" where parts do not go together, "cannot be" for an impossible build
    reason : what it was found by
    margin : over the friction band, for the planned stage
    margin_now : the same for the engine as it is; equals `margin` where nothing is planned
    target : margin asked for [-]
    links : what can give way, weakest first
    needs : inputs still missing
    deciding : the link whose figure decides the state; None while nothing does
    unseen : keys of what could not be looked at
    figures, facts : what its sentence is made of besides [SI, keys]
    slips : stretches of engine speed in which it slips [rad/s]
    refused : the value that cannot be
    typical : True where what decides stands on figures of a class of vehicle
    """

    question: Question
    state: Answer
    reason: Reason = "judged"
    margin: Band | None = None
    margin_now: Band | None = None
    target: float | None = None
    links: tuple[Link, ...] = ()
    needs: tuple[str, ...] = ()
    deciding: Link | None = None
    unseen: tuple[str, ...] = ()
    figures: Mapping[str, float] = field(default_factory=dict)
    facts: Mapping[str, str] = field(default_factory=dict)
    slips: tuple[tuple[float, float], ...] = ()
    refused: Refusal | None = None
    typical: bool = False
