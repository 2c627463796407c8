"""What a torque wrench with a data port sends of a bolt, held against its turn.

- `Pull`, `read_pull`   torque and angle of one pull
- `judged`              what is wrong with it
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from math import degrees

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.tightening import Turn
from liftbite.core.measure.instruments import ANGLE_BAND, TORQUE_BAND
from liftbite.core.units.read import read
from liftbite.core.units.show import figure

#: A bolt that turns less than this at its torque was tight before [°] [practice].
STILL = 3.0


@dataclass(frozen=True, slots=True)
class Pull:
    """What a wrench sends of one pull: torque [N·m], and how far the bolt turned [rad] where it measures that."""

    torque: float
    angle: float | None


_PULL = re.compile(r"([\d.,]{1,12}) ?(N·m|lb-ft|lb-in)(?: +([\d.,]{1,8}) ?°)?")


def read_pull(text: str) -> Pull | None:
    """A wrench's reading; None for what is none, such as a length.

    >>> read_pull("95.2 N·m"), read_pull("12.3 mm")
    (Pull(torque=95.2, angle=None), None)
    """
    found = _PULL.fullmatch(text)
    if found is None:
        return None
    try:
        torque = float(read(f"{found[1]} {found[2]}", "N·m", "N·m").si)
        angle = float(read(f"{found[3]} °", "rad", "°").si) if found[3] else None
    except UnreadableEntry:
        return None
    return Pull(torque, angle)


def judged(pull: Pull, turn: Turn, torque_band: float = TORQUE_BAND, angle_band: float = ANGLE_BAND) -> str:
    """What is wrong with a pull for its turn; empty where nothing is.

    A bolt that does not turn at its torque was tight before: the same bolt twice, and another one missed.

    Parameters
    ----------
    torque_band, angle_band : how far it may be off, as its wrench has it: share [-], angle [rad]; a range outranks them

    >>> turn = Turn("1", 1, 1, "30 N·m", 30.0)
    >>> judged(Pull(30.4, 0.8), turn), judged(Pull(34.0, 0.8), turn), judged(Pull(30.0, 0.01), turn)
    ('', 'out of band: 34 N·m of 30 N·m', 'turned 1° only: it was tight before; the same bolt twice?')
    """
    if pull.angle is not None and not turn.again and degrees(pull.angle) < STILL:
        return f"turned {degrees(pull.angle):.0f}° only: it was tight before; the same bolt twice?"
    if turn.angle is not None:
        if pull.angle is None:
            return "the wrench sent no angle; turn it by its scale, and tick it"
        off = degrees(pull.angle - turn.angle)
        return (
            f"out of band: {degrees(pull.angle):.0f}° of {degrees(turn.angle):.0f}°"
            if abs(off) > degrees(angle_band) + 1e-9
            else ""
        )
    if turn.low is not None and turn.high is not None:
        if not turn.low - 1e-9 <= pull.torque <= turn.high + 1e-9:
            word = "low" if pull.torque < turn.low else "high"
            return f"{word}: {figure(pull.torque, 3)} N·m of {figure(turn.low, 3)} to {figure(turn.high, 3)} N·m"
        return ""
    if turn.torque is not None and abs(pull.torque / turn.torque - 1) > torque_band + 1e-9:
        return f"out of band: {figure(pull.torque, 3)} N·m of {figure(turn.torque, 3)} N·m"
    return ""
