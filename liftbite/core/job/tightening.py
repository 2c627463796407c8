"""Instructions for bolts, as a workshop writes them: whose, torque and angle, and what goes with it.

- `FINISHES`   what goes with an instruction -> torque factor
- `Instruction`, `read_instruction`   one of them
- `of_spoken`   the same of a figure as it was spoken
- `read_instructions`   `kit: 44 lb-ft + 90°, oiled; maker: 53 lb-ft, blue locker`
"""

from __future__ import annotations

import re
from dataclasses import dataclass

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.spoken import OfSize, Spoken, read_spoken

#: Finish, lubricant or locker -> torque factor [handbook: Shigley, torque factors, from memory].
FINISHES = {
    "wet locker": 0.15,
    "blue locker": 0.15,
    "red locker": 0.15,
    "locker": 0.15,
    "oiled": 0.15,
    "oil": 0.15,
    "lubricated": 0.18,
    "zinc": 0.20,
    "as received": 0.20,
    "dry": 0.20,
    "black": 0.30,
}
#: Instructions that are worked out.
MOST = 8
_EXAMPLE = "write them as “kit: 44 lb-ft + 90°, oiled; maker: 53 lb-ft, blue locker”"


@dataclass(frozen=True, slots=True)
class Instruction:
    """One instruction.

    Attributes
    ----------
    owner : whose it is, empty where not said
    typed : torque, and angle where there is one, as typed
    torque, angle : [N·m], [rad]
    words : finish, locker, washers: what goes with it
    factor : torque factor that goes with the words [-], None where they name none
    low, high : ends of a range that are allowed; the torque itself where it is one figure [N·m]
    stages : torques on the way, the last the figure [N·m]; nothing where nobody said
    sizes : where bolts of one joint differ, the largest figure first
    """

    owner: str
    typed: str
    torque: float
    angle: float
    words: str
    factor: float | None
    low: float = 0.0
    high: float = 0.0
    stages: tuple[float, ...] = ()
    sizes: tuple[OfSize, ...] = ()


def read_instructions(typed: str) -> tuple[Instruction, ...]:
    """The instructions of a text, told apart by semicolons or lines.

    Raises
    ------
    UnreadableEntry : which of them, and what would be right

    >>> found = read_instructions("kit: 44 lb-ft + 90°, oiled; 53 lb-ft")
    >>> [(i.owner, i.typed, i.factor) for i in found]
    [('kit', '44 lb-ft + 90°', 0.15), ('', '53 lb-ft', None)]
    """
    parts = [part.strip() for part in re.split(r"[;\n]", typed) if part.strip()]
    if len(parts) > MOST:
        raise UnreadableEntry(f"{len(parts)} instructions are too many to stand side by side; {MOST} at most")
    owned = ((part, *part.rpartition(":")[::2]) for part in parts)
    return tuple(_instruction(owner, rest, part) for part, owner, rest in owned)


def read_instruction(owner: str, typed: str) -> Instruction:
    """One instruction of one owner, `44 lb-ft + 90°, oiled`.

    Raises
    ------
    UnreadableEntry : what would be right

    >>> read_instruction("kit", "44 lb-ft + 90°, oiled").factor
    0.15
    """
    return _instruction(owner, typed, typed)


def of_spoken(owner: str, said: Spoken) -> Instruction:
    """What was meant as an instruction of somebody's."""
    words = said.words.lower()
    factor = next((k for name, k in FINISHES.items() if name in words), None)
    return Instruction(
        owner.strip(),
        said.typed,
        said.torque,
        said.angle,
        said.words,
        factor,
        said.low,
        said.high,
        said.stages,
        said.sizes,
    )


def _instruction(owner: str, rest: str, part: str) -> Instruction:
    try:
        said = read_spoken(rest)
    except UnreadableEntry as error:
        raise UnreadableEntry(f"{error.reason}; {_EXAMPLE}") from None
    if said.how != "figure":
        raise UnreadableEntry(f"“{part[:60]}” names no figure; {_EXAMPLE}")
    return of_spoken(owner, said)
