"""What is said of a plan: its answers, steps done, bolts ticked off, bags, marks, what is left over.

- `PlanAnswer`   what a plan depends on
- `StepTick`, `AtStep`, `OwnStep`   a step done or overridden, somebody at it, one a job adds
- `BoltTick`     a bolt of a step, ticked off or to be looked at again
- `Bag`, `Mark`, `LeftOver`, `PartNote`   what keeps parts together, and what was seen of them

Instructions, holes and their pattern are said in `fit.tightening`, `fit.bolt_map` and `fit.pattern`.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import ClassVar, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.case import QUESTIONS
from liftbite.core.fit.library import LIBRARY
from liftbite.core.job.parts import called, part_named
from liftbite.core.job.record import Kind, Names, Statement


def _part_of_step(key: str) -> str:
    return LIBRARY[key].part if key in LIBRARY else ""


@dataclass(frozen=True, slots=True, kw_only=True)
class PlanAnswer(Statement):
    """An answer a plan depends on."""

    about: ClassVar = Kind("plan", "Plan", "plan", takes_back=("", ""))

    answer: str

    def subject(self, key: str, names: Names) -> str:
        """The question."""
        return QUESTIONS[key].label if key in QUESTIONS else key


@dataclass(frozen=True, slots=True, kw_only=True)
class StepTick(Statement):
    """A step that is done, with what was read or found; or a hold point that is overridden."""

    about: ClassVar = Kind(
        "step",
        "Step",
        "plan",
        of_named=True,
        answers={"overridden": "hold point overridden", "taken_back": "open again"},
    )

    answer: Literal["done", "overridden", "open"]
    text: str = ""
    reason: str = ""

    def hold(self, key: str, who: str) -> None:
        """Who overrides a hold point, and why."""
        if self.answer == "overridden" and not (who and self.reason):
            raise UnreadableEntry("Step: say who overrides the hold point, and why")

    def subject(self, key: str, names: Names) -> str:
        """The step."""
        return names.step(key)

    def of_part(self, key: str, names: Names) -> str:
        """Its part."""
        return _part_of_step(key)


@dataclass(frozen=True, slots=True, kw_only=True)
class BoltTick(Statement):
    """A bolt of a step, with what a wrench sent of it [N·m], [°], as typed or sent."""

    about: ClassVar = Kind("bolt", "Bolt", "plan", answers={"done": "tight"})

    answer: Literal["done", "look_again", "open"]
    torque: str = ""
    angle: str = ""
    flag: str = ""

    def renamed(self, key: str, names: Mapping[str, str]) -> tuple[str, Statement]:
        """The bolt of the step by its name of now."""
        step, colon, turn = key.rpartition(":")
        return names.get(step, step) + colon + turn, self

    def subject(self, key: str, names: Names) -> str:
        """The bolt of a step."""
        step, _, turn = key.rpartition(":")
        return f"{names.step(step)}: bolt {turn}"

    def of_part(self, key: str, names: Names) -> str:
        """The part of the step."""
        return _part_of_step(key.rpartition(":")[0])


@dataclass(frozen=True, slots=True, kw_only=True)
class AtStep(Statement):
    """Somebody is at a step."""

    about: ClassVar = Kind(
        "at_step",
        "At a step",
        "plan",
        named=True,
        of_named=True,
        answers={"here": "somebody is at it", "taken_back": "nobody is at it"},
    )

    answer: Literal["here", "open"]

    def subject(self, key: str, names: Names) -> str:
        """The step."""
        return names.step(key)

    def of_part(self, key: str, names: Names) -> str:
        """Its part."""
        return _part_of_step(key)


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnStep(Statement):
    """A step a job adds, by its title: after which step it comes, and a note."""

    about: ClassVar = Kind("own_step", "Step of this job", "plan", by_name=True, answers={"asked": "added"})

    answer: Literal["asked", "open"]
    after: str = ""
    note: str = ""

    def renamed(self, key: str, names: Mapping[str, str]) -> tuple[str, Statement]:
        """The step it comes after by its name of now."""
        return key, replace(self, after=names.get(self.after, self.after))

    def subject(self, key: str, names: Names) -> str:
        """Its title."""
        return f"Step “{key}”" if key else "Step"


@dataclass(frozen=True, slots=True, kw_only=True)
class Bag(Statement):
    """A bag of what came off, by its name."""

    about: ClassVar = Kind("bag", "Bag", "plan", by_name=True)

    answer: Literal["filled", "open"]
    holds: str = ""
    note: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Mark(Statement):
    """A mark that was made, by what it is on."""

    about: ClassVar = Kind("mark", "Mark", "plan", by_name=True)

    answer: Literal["made", "open"]
    note: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class LeftOver(Statement):
    """What is left over at the end, and what it was."""

    about: ClassVar = Kind("leftover", "Left over", "plan", by_name=True)

    answer: Literal["unexplained", "explained", "open"]
    count: str = ""
    reason: str = ""

    def hold(self, key: str, who: str) -> None:
        """What an explained one was."""
        if self.answer == "explained" and not self.reason:
            raise UnreadableEntry("Left over: say what it was and where it belongs")


@dataclass(frozen=True, slots=True, kw_only=True)
class PartNote(Statement):
    """What was seen of a part as it came off or went on."""

    about: ClassVar = Kind("noted", "Noted of a part", "plan", named=True, by_name=True, key_now=part_named)

    answer: Literal["missing", "broken", "loose", "wrong_part", "substituted", "left_out", "open"]
    note: str = ""

    def subject(self, key: str, names: Names) -> str:
        """The part."""
        return f"Noted of {called(key)}"

    def of_part(self, key: str, names: Names) -> str:
        """The same by its key."""
        return key
