"""What a question's answer is made of.

- `Question`, `Answer`   the four questions; the words each may be answered with
- `Band`      a result at the low, the nominal and the high end of the friction band
- `Link`      one thing that can give way
- `Verdict`   the answer: a state, a margin, the links, the reason in words
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Question = Literal["bite", "lift", "heat", "true"]
#: What a question may be answered with.
Answer = Literal[
    "holds", "slips", "frees", "drags", "stays", "warm", "cooks", "runs true", "look again", "thin", "open", "stop",
    "cannot be",
]  # fmt: skip

#: States in which nothing falls short.
GOOD_STATES = frozenset({"holds", "frees", "stays", "runs true"})


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
class Link:
    """One thing that can give way.

    Attributes
    ----------
    name : the quantity behind it
    label : what a builder calls it
    reserve : value over what is required; below 1 falls short [-]
    sentence : the comparison in words
    """

    name: str
    label: str
    reserve: float
    sentence: str


@dataclass(frozen=True, slots=True)
class Verdict:
    """The answer to one of the four questions.

    Attributes
    ----------
    question : "bite", "lift", "heat" or "true"
    state : a word of the question, such as "holds", "thin", "slips"; "open" while inputs are missing,
        "cannot be" for an impossible build
    sentence : the reason in words
    margin : over the friction band, for the planned stage
    margin_now : the same for the engine as it is; equals `margin` where nothing is planned
    target : margin asked for [-]
    links : what can give way, weakest first
    needs : inputs still missing
    """

    question: Question
    state: Answer
    sentence: str
    margin: Band | None = None
    margin_now: Band | None = None
    target: float | None = None
    links: tuple[Link, ...] = ()
    needs: tuple[str, ...] = ()

    @property
    def elsewhere(self) -> Link | None:
        """What falls short while the margin reaches what is asked for: the number to show then; None otherwise.

        >>> drags = Link("floater_margin", "floater", 0.2, "leaves the outer disc 0.02 mm")
        >>> Verdict("lift", "drags", "", Band(1.7, 1.7, 1.7), target=1.1, links=(drags,)).elsewhere.label
        'floater'
        >>> Verdict("lift", "drags", "", Band(0.7, 0.7, 0.7), target=1.1, links=(drags,)).elsewhere
        """
        if self.margin is None or self.target is None or not self.links or self.margin.low < self.target:
            return None
        return self.links[0] if self.links[0].reserve < 1 else None
