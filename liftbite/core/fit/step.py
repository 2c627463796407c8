"""What a step of the work is.

- `Step`      one thing to do, with what proves it, what puts it back, and why others wait for it
- `Reason`    why a step waits for another
- `Evidence`, `ALL_READ`  how a step is proved; the fact of one that is proved by every check of the scope
- `STRETCHES`, `REACHED`, `REASONS`   stretches of the work, where it is reached from, kinds of reasons, in words
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Literal, cast

Evidence = Literal["tick", "reading", "bolts", "sentence"]
Reached = Literal["bench", "inside", "above", "below", ""]
Stretch = Literal["before", "down", "clean", "fit", "in", "back", "fill", "prove"]
ReasonKind = Literal["reach", "load", "fluid", "harm", "proof"]


#: Stretch -> what it is called.
STRETCHES: Mapping[Stretch, str] = {
    "before": "Before anything",
    "down": "Take down",
    "clean": "Clean and measure",
    "fit": "Fit",
    "in": "Gearbox in",
    "back": "Back on",
    "fill": "Fill and bleed",
    "prove": "Prove",
}
#: The fact of a step that is done once every check of the scope is read, or closed.
ALL_READ = "measure:all"
#: From where a step is reached, in words.
REACHED: Mapping[Reached, str] = {
    "bench": "at the bench",
    "inside": "from inside",
    "above": "from above",
    "below": "from below",
    "": "",
}
#: Kind of a reason -> what it means.
REASONS: Mapping[ReasonKind, str] = {
    "reach": "out of reach until then, or afterwards",
    "load": "what comes loose has to be carried",
    "fluid": "a fluid runs out, or cannot go in",
    "harm": "somebody or something is hurt",
    "proof": "it cannot be proved later",
}


@dataclass(frozen=True, slots=True)
class Reason:
    """Why a step waits for another: a kind, and a sentence."""

    kind: ReasonKind
    says: str


def read_reason(text: str) -> Reason:
    """A reason as the tables have it: `load: nothing carries the gearbox`.

    Raises
    ------
    ValueError : it names no kind, or says nothing

    >>> read_reason("load: nothing carries the gearbox")
    Reason(kind='load', says='nothing carries the gearbox')
    """
    kind, _, says = text.partition(": ")
    if kind not in REASONS or not says:
        raise ValueError(f"“{text}” is no reason; write it as “load: nothing carries the gearbox”")
    return Reason(cast(ReasonKind, kind), says)


@dataclass(frozen=True, slots=True)
class Step:
    """One thing to do.

    Attributes
    ----------
    key : its name for good; evidence belongs to it whatever else changes
    title : what to do, as one would say it
    stretch : the part of the work it belongs to
    reached : from where: inside, above or below the car, at the bench
    hands : people it takes
    tools : what to have at hand
    note : what to know, access included
    hazards : what can hurt
    evidence : what proves it
    fact : station and key its fact is asked at, as "measure:slave_travel", or `ALL_READ`; it is ticked from there,
        never twice
    hold : True for a hold point: what comes after stays shut until it is proved, or a named person overrides it
    guards : True where it carries something or guards somebody: that it is not needed wants a reason
    parts : keys of the parts it takes; while one is awaited it waits
    part : key of the part it puts in
    joints : the joints whose bolts it tightens
    proof : True where it is a proof by being done: filled, bled, tried
    signed : True where a name has to stand under it
    minutes : about how long it takes
    on : key of the step that puts back what it takes off, or takes a carrier away; empty where there is none
    off : the other way round, of the step that puts back
    because : why others wait for it; None where nothing ever does
    why : need -> why this one waits for it, where that says more; "*" for every need
    """

    key: str
    title: str
    stretch: Stretch
    reached: Reached = ""
    hands: int = 1
    tools: tuple[str, ...] = ()
    note: str = ""
    hazards: tuple[str, ...] = ()
    evidence: Evidence = "tick"
    fact: str = ""
    hold: bool = False
    guards: bool = False
    parts: tuple[str, ...] = ()
    part: str = ""
    joints: tuple[str, ...] = ()
    proof: bool = False
    signed: bool = False
    minutes: int = 10
    on: str = ""
    off: str = ""
    because: Reason | None = None
    why: Mapping[str, Reason] = field(default_factory=dict)

    @property
    def joint(self) -> str:
        """The joint its bolts are counted by; empty where it has none."""
        return self.joints[0] if self.joints else ""

    @property
    def proves(self) -> bool:
        """True where it is a proof: a hold point, a reading, bolts, what somebody saw, or a trial."""
        return self.hold or self.proof or self.evidence != "tick"
