"""Instructions for bolts, as a workshop writes them: whose, torque and angle, and what goes with it.

- `FINISHES`   what goes with an instruction -> torque factor
- `Instruction`, `read_instruction`   one of them
- `read_instructions`   `kit: 44 lb-ft + 90°, oiled; maker: 53 lb-ft, blue locker`
"""

from __future__ import annotations

import re
from dataclasses import dataclass

from liftbite.core.errors import UnreadableEntry
from liftbite.core.units.fasteners import read_tightening
from liftbite.core.units.read import read

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
    """

    owner: str
    typed: str
    torque: float
    angle: float
    words: str
    factor: float | None


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


def _instruction(owner: str, rest: str, part: str) -> Instruction:
    first, _, words = rest.partition(",")
    first, words = first.strip(), words.strip()
    both = read_tightening(first)
    try:
        torque = read(both.torque if both else first, "N·m", "N·m").si
        angle = read(both.angle, "rad", "°").si if both else 0.0
    except UnreadableEntry:
        raise UnreadableEntry(f"“{part[:60]}” is not understood; {_EXAMPLE}") from None
    if not 0 < torque <= 1_000 or not 0 <= angle <= 6.3:
        raise UnreadableEntry(f"“{part[:60]}”: up to 1000 N·m and a turn")
    said = words.lower()
    factor = next((k for name, k in FINISHES.items() if name in said), None)
    return Instruction(owner.strip(), first, torque, angle, words, factor)
