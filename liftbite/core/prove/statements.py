"""What is said when a job is proved: bled, tried, heard, looked into, handed over.

- `Bled`, `BleedStepDone`   a bleeding, and a step of one
- `Tried`, `Heard`          an item of a card, a noise that is not the clutch
- `BeddingIn`, `SecondLook`, `FullLoad`   how bedding in is counted, that it was looked at again, full load before
- `Complaints`, `ComplaintClosed`   what is complained of; that a complaint needs no more
- `FaultTestAnswer`, `ProvedFault`   an answer of a test, the cause that was it
- `HandOver`                a revision that was signed

Fluids, trips and drives are said in `prove.fluids` and `prove.running_in`.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.record import Kind, Names, Statement
from liftbite.core.measure.keyed import read_distance
from liftbite.core.prove.bleeding import METHODS, step_named, used_of
from liftbite.core.prove.cards import ITEMS, NOISE
from liftbite.core.prove.causes import AS_TOLD, CANNOT_TELL, CAUSES, COMPLAINTS, TESTS


@dataclass(frozen=True, slots=True, kw_only=True)
class Bled(Statement):
    """A bleeding: the way, the fluid, what bottles held and what is left of it."""

    about: ClassVar = Kind(
        "bled",
        "Bled",
        "proof",
        takes_back=("answer", "taken_back"),
        answers={name: method.label for name, method in METHODS.items()},
    )

    answer: Literal["open", "helper", "pressure", "vacuum", "gravity", "taken_back"]
    fluid: str = ""
    note: str = ""
    bottles: str = ""
    left: str = ""

    def hold(self, key: str, who: str) -> None:
        """What was used."""
        used_of(self.bottles, self.left)

    def subject(self, key: str, names: Names) -> str:
        """Bled."""
        return "Bled"


@dataclass(frozen=True, slots=True, kw_only=True)
class BleedStepDone(Statement):
    """A step of a bleeding, as `helper 2:3`."""

    about: ClassVar = Kind("bleed_step", "Step of bleeding", "proof")

    answer: Literal["done", "open"]

    def hold(self, key: str, who: str) -> None:
        """That there is one."""
        step_named(key)


@dataclass(frozen=True, slots=True, kw_only=True)
class Tried(Statement):
    """An item of a card that was tried."""

    about: ClassVar = Kind("card", "Tried", "proof")

    answer: Literal["good", "odd", "not_tried", "open"]
    note: str = ""

    def hold(self, key: str, who: str) -> None:
        """That it is on a card."""
        if key not in ITEMS:
            raise UnreadableEntry(f"“{key}” is on no card")

    def subject(self, key: str, names: Names) -> str:
        """What is done."""
        return ITEMS[key].do if key in ITEMS else key


@dataclass(frozen=True, slots=True, kw_only=True)
class Heard(Statement):
    """A noise that is not the clutch, and was heard."""

    about: ClassVar = Kind("heard", "Noise that is not the clutch", "proof")

    answer: Literal["heard", "open"]
    note: str = ""

    def hold(self, key: str, who: str) -> None:
        """That it is on the list."""
        if key not in NOISE:
            raise UnreadableEntry(f"“{key}” is no noise of the list; {', '.join(NOISE)} are")


@dataclass(frozen=True, slots=True, kw_only=True)
class BeddingIn(Statement):
    """By what bedding in is counted, and the kit maker's own figure, which outranks the trade's."""

    about: ClassVar = Kind("bedding_in", "Bedding in", "proof", takes_back=("", ""))

    answer: Literal["distance", "starts"]
    figure: str = ""

    def hold(self, key: str, who: str) -> None:
        """Its figure."""
        read_bedding(self.answer, self.figure)

    def subject(self, key: str, names: Names) -> str:
        """That it is counted."""
        return "Bedding in is counted by"


def read_bedding(counted: str, typed: str) -> float | None:
    """A maker's figure for bedding in: metres, or gentle starts; None where none was typed.

    Parameters
    ----------
    counted : "distance" or "starts"
    typed : a distance, bare in km; or a count

    Raises
    ------
    UnreadableEntry : it is no distance, or no count

    >>> read_bedding("distance", "500 mi"), read_bedding("starts", "300"), read_bedding("starts", "")
    (804672.0, 300.0, None)
    """
    if not typed.strip():
        return None
    if counted == "distance":
        metres = read_distance(typed)
        if not metres or metres > 20_000e3:
            raise UnreadableEntry(f"Bedding in: “{typed}” can't be. Type a distance such as 500 km, up to 20,000 km.")
        return metres
    count = typed.strip().split()[0].replace(",", "")
    if not (count.isascii() and count.isdigit() and 0 < int(count) <= 100_000):
        raise UnreadableEntry(f"Bedding in: “{typed}” can't be. Type how many gentle starts, such as 300.")
    return float(count)


@dataclass(frozen=True, slots=True, kw_only=True)
class SecondLook(Statement):
    """That it was looked at again after the first of the road."""

    about: ClassVar = Kind("second_look", "Look again", "proof")

    answer: Literal["done", "open"]
    text: str = ""

    def subject(self, key: str, names: Names) -> str:
        """That it was."""
        return "Looked at again"


@dataclass(frozen=True, slots=True, kw_only=True)
class FullLoad(Statement):
    """Full load before it is bedded in."""

    about: ClassVar = Kind("full_load", "Full load before it is bedded in", "proof", signed=True)

    answer: Literal["allowed", "open"]
    reason: str = ""

    def subject(self, key: str, names: Names) -> str:
        """That it is."""
        return self.about.label


@dataclass(frozen=True, slots=True, kw_only=True)
class Complaints(Statement):
    """What is complained of, by keys of complaints; empty for as the brief tells it."""

    about: ClassVar = Kind("complaint", "Complaint looked into", "proof", takes_back=("answer", ""))

    answer: str = ""

    def hold(self, key: str, who: str) -> None:
        """That there are such complaints."""
        unknown = [name for name in self.answer.split(", ") if name and name not in COMPLAINTS]
        if unknown:
            raise UnreadableEntry(f"“{unknown[0]}” is no complaint; {', '.join(COMPLAINTS)} are")

    def subject(self, key: str, names: Names) -> str:
        """That it is looked into."""
        return self.about.label


@dataclass(frozen=True, slots=True, kw_only=True)
class ComplaintClosed(Statement):
    """That a complaint is answered: by what, and who says so."""

    about: ClassVar = Kind(
        "complaint_closed", "Complaint closed", "proof", signed=True, answers={"taken_back": "open again"}
    )

    answer: Literal["closed", "open"]
    reason: str = ""

    def hold(self, key: str, who: str) -> None:
        """That there is such a complaint."""
        if key not in (*COMPLAINTS, AS_TOLD):
            raise UnreadableEntry(f"“{key}” is no complaint; {', '.join(COMPLAINTS)} are")

    def subject(self, key: str, names: Names) -> str:
        """The complaint."""
        return "Complaint, as it was told" if key == AS_TOLD else f"Complaint “{key}”"


@dataclass(frozen=True, slots=True, kw_only=True)
class FaultTestAnswer(Statement):
    """The answer of a test that tells causes apart."""

    about: ClassVar = Kind("fault_test", "Test of a fault", "proof")

    answer: str
    note: str = ""

    def hold(self, key: str, who: str) -> None:
        """That the test has such an answer."""
        test = TESTS.get(key)
        if test is None or self.answer not in (*test.answers, CANNOT_TELL):
            raise UnreadableEntry(f"“{self.answer}” is no answer to “{key}”")

    def subject(self, key: str, names: Names) -> str:
        """What is tried."""
        return TESTS[key].ask if key in TESTS else key


@dataclass(frozen=True, slots=True, kw_only=True)
class ProvedFault(Statement):
    """The cause that was the fault."""

    about: ClassVar = Kind("fault", "Fault", "proof", answers={"found": "found to be the fault"})

    answer: Literal["found", "open"]
    note: str = ""

    def hold(self, key: str, who: str) -> None:
        """That there is such a cause."""
        if key not in CAUSES:
            raise UnreadableEntry(f"“{key}” is no cause")

    def subject(self, key: str, names: Names) -> str:
        """The cause."""
        return CAUSES[key].words.capitalize() if key in CAUSES else key


@dataclass(frozen=True, slots=True, kw_only=True)
class HandOver(Statement):
    """A revision of the job that was signed, by its number."""

    about: ClassVar = Kind("hand_over", "Hand-over", "proof", named=True)

    answer: Literal["signed", "open"]
    note: str = ""

    def subject(self, key: str, names: Names) -> str:
        """The hand-over."""
        return "Hand-over"
