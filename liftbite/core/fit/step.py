"""What a step of the work is.

- `Step`      one thing to do, with what it needs before it and what proves it
- `Evidence`  how a step is proved
- `STRETCHES`, `REACHED`   stretches of the work and where it is reached from, in words
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Literal

from liftbite.core.fit.case import Case

Evidence = Literal["tick", "reading", "bolts", "sentence"]
Reached = Literal["bench", "inside", "above", "below", ""]
Stretch = Literal["before", "down", "clean", "fit", "in", "back", "fill", "prove"]


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
#: From where a step is reached, in words.
REACHED: Mapping[Reached, str] = {
    "bench": "at the bench",
    "inside": "from inside",
    "above": "from above",
    "below": "from below",
    "": "",
}


def always(_: Case) -> bool:
    """Whatever the case."""
    return True


@dataclass(frozen=True, slots=True)
class Step:
    """One thing to do.

    Attributes
    ----------
    key : its name for good; evidence belongs to it whatever else changes
    title : what to do, as one would say it
    stretch : the part of the work it belongs to
    needs : keys of steps that come first
    when : the cases it is part of
    reached : from where: inside, above or below the car, at the bench
    hands : people it takes
    tools : what to have at hand
    note : what to know, access included
    hazards : what can hurt
    hazards_of : what can hurt in a case, where cases differ
    evidence : what proves it
    hold : True for a hold point: what comes after stays shut until it is proved, or a named person overrides it
    parts : keys of the parts it takes; while one is awaited it waits
    part : key of the part it puts in
    back : what putting it back is called; empty where nothing came off
    joint : the joint whose bolts it tightens
    signed : True where a name has to stand under it
    minutes : about how long it takes
    """

    key: str
    title: str
    stretch: Stretch
    needs: tuple[str, ...] = ()
    when: Callable[[Case], bool] = always
    reached: Reached = ""
    hands: int = 1
    tools: tuple[str, ...] = ()
    note: str = ""
    hazards: tuple[str, ...] = ()
    hazards_of: Callable[[Case], tuple[str, ...]] | None = None
    evidence: Evidence = "tick"
    hold: bool = False
    parts: tuple[str, ...] = ()
    part: str = ""
    back: str = ""
    joint: str = ""
    signed: bool = False
    minutes: int = 10
