"""What is said of a plan: its answers, steps done, bolts ticked off, bags, marks, what is left over.

- `PlanAnswer`   what a plan depends on
- `StepTick`, `AtStep`, `OwnStep`   a step done or overridden, somebody at it, one a job adds
- `NotHere`      a step that is not on this job, and why
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
from liftbite.core.fit.library import LIBRARY, part_of_step
from liftbite.core.fit.step import ALL_READ
from liftbite.core.fit.step_names import step_now, turn_now
from liftbite.core.job.parts import called, part_named
from liftbite.core.job.record import Kind, Names, Statement


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
        key_now=step_now,
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
        return part_of_step(key)


@dataclass(frozen=True, slots=True, kw_only=True)
class BoltTick(Statement):
    """A bolt of a step, with what a wrench sent of it [N·m], [°], as typed or sent."""

    about: ClassVar = Kind("bolt", "Bolt", "plan", answers={"done": "tight"}, key_now=turn_now)

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
        return part_of_step(key.rpartition(":")[0])


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
        key_now=step_now,
    )

    answer: Literal["here", "open"]

    def subject(self, key: str, names: Names) -> str:
        """The step."""
        return names.step(key)

    def of_part(self, key: str, names: Names) -> str:
        """Its part."""
        return part_of_step(key)


@dataclass(frozen=True, slots=True, kw_only=True)
class NotHere(Statement):
    """A step that is not on this job: there is none, it stays on, it was found done, or it was done elsewhere.

    What carries or guards wants a reason. What stays on and others are bolted to has to say what it is bolted to.
    """

    about: ClassVar = Kind(
        "not_here",
        "Step not on this job",
        "plan",
        named=True,
        of_named=True,
        answers={
            "none": "there is none",
            "stays_on": "stays on",
            "found_done": "found done",
            "elsewhere": "done elsewhere",
            "taken_back": "on this job after all",
        },
        key_now=step_now,
    )

    answer: Literal["none", "stays_on", "found_done", "elsewhere", "open"]
    reason: str = ""
    bolted_to: str = ""

    def hold(self, key: str, who: str) -> None:
        """Why, of what carries or guards; and to what it is bolted, of what stays on; no hold point."""
        step = LIBRARY.get(key)
        if step is None or self.answer == "open":
            return
        if step.hold:
            raise UnreadableEntry(f"{step.title}: a hold point is overridden, with a name and a reason")
        if step.fact == ALL_READ:
            raise UnreadableEntry(f"{step.title}: each check is read on the bench, or closed there with a reason")
        if step.guards and not self.reason:
            raise UnreadableEntry(f"{step.title}: this step carries or guards; say why it is not on this job")
        if self.answer == "stays_on" and key in BOLTED_TO and not self.bolted_to:
            raise UnreadableEntry(f"{step.title}: say what it is bolted to that stays: bolted_to")

    def subject(self, key: str, names: Names) -> str:
        """The step."""
        return names.step(key)

    def of_part(self, key: str, names: Names) -> str:
        """Its part."""
        return part_of_step(key)


#: Steps of what may stay on only where it is bolted to something that stays.
BOLTED_TO = frozenset({"starter", "drive_shafts", "prop_shaft", "front_prop_shaft", "mounts", "engine_mounts"})


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnStep(Statement):
    """A step a job adds, by its title: where it stands, what it takes, what proves it, and what puts it back."""

    about: ClassVar = Kind("own_step", "Step of this job", "plan", by_name=True, answers={"asked": "added"})

    answer: Literal["asked", "open"]
    after: str = ""
    before: str = ""
    note: str = ""
    back: str = ""
    parts: str = ""
    joint: str = ""
    tools: str = ""
    hazards: str = ""
    evidence: Literal["", "tick", "reading", "bolts", "sentence"] = ""
    reached: Literal["", "bench", "inside", "above", "below"] = ""
    hands: str = ""
    minutes: str = ""

    def hold(self, key: str, who: str) -> None:
        """A joint, where its bolts prove it; hands and minutes that are numbers."""
        if self.answer == "open":
            return
        if self.evidence == "bolts" and not self.joint:
            raise UnreadableEntry(f"{key}: bolts that prove it name their joint: joint")
        for name, most in (("hands", 9), ("minutes", 9_999)):
            text = getattr(self, name)
            if text and not (text.isascii() and text.isdigit() and 0 < int(text) <= most):
                raise UnreadableEntry(f"{key}: “{text}” is no number of {name}; 1 to {most}")

    def renamed(self, key: str, names: Mapping[str, str]) -> tuple[str, Statement]:
        """The steps it stands between by their names of now."""
        return key, replace(self, after=names.get(self.after, self.after), before=names.get(self.before, self.before))

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

    answer: Literal["noted", "missing", "broken", "loose", "wrong_part", "substituted", "left_out", "open"]
    note: str = ""

    def hold(self, key: str, who: str) -> None:
        """What is noted, of a note that is neither bad nor good."""
        if self.answer == "noted" and not self.note:
            raise UnreadableEntry(f"{called(key)}: say what is noted of it")

    def subject(self, key: str, names: Names) -> str:
        """The part."""
        return f"Noted of {called(key)}"

    def of_part(self, key: str, names: Names) -> str:
        """The same by its key."""
        return key
