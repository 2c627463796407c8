"""An instruction for the bolts of a joint, read: whose, which figure, in which passes, of which bolts.

- `Way`   the instruction
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from liftbite.core.job.tightening import Instruction
from liftbite.core.units.fasteners import Thread

#: A figure is known, nobody knows one, or it is done by feel, and said so.
HOW = ("figure", "none_known", "by_feel")


@dataclass(frozen=True, slots=True)
class Way:
    """An instruction for the bolts of a joint, with all that goes with it.

    Attributes
    ----------
    joint, owner : of which joint, and whose it is
    how : one of `HOW`
    given : torque, angle and what is on the thread; None where there is no figure
    passes, steps : one of `PASSES`, and the torques of "as_given" [N·m]
    washers : as said
    renewed : False where bolts are used again, None where nobody said
    count : how many bolts; 0 where nobody said
    thread, proof : of the bolts, proof strength [Pa]; None where nobody said
    head : diameter of the head or its washer, on what it bears [m]; None where nobody said
    under : what it bears on
    grip, hole : length that is clamped, and the hole the bolt goes through [m]; None where nobody said
    stiffness : of the joint over the bolt's [-]
    sequence : order of the bolts, where the instruction has its own
    of_hole : hole -> which of the sizes of the figure it takes
    """

    joint: str
    owner: str
    how: str
    given: Instruction | None
    passes: str
    steps: tuple[float, ...]
    washers: str
    renewed: bool | None
    count: int
    thread: Thread | None
    proof: float | None
    head: float | None = None
    under: str = ""
    grip: float | None = None
    hole: float | None = None
    stiffness: float = 4.0
    sequence: tuple[int, ...] = ()
    of_hole: Mapping[int, str] = field(default_factory=dict)
