"""The bolt map: which bolt goes where, whether it bottoms, is too short, and which two must not be swapped.

- `HoleMapped`          what is said of a hole
- `Hole`, `read_hole`   a hole and its bolt, as said of a job
- `Judged`, `judge`     what a bolt does in a hole
- `sizes_of`            how many of which size, as a builder says it
- `Swap`, `swaps`       two bolts that go into each other's holes, and harm there

[practice], lengths of engagement as the trade asks for them; the manual's own lengths outrank them.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import combinations
from math import pi
from typing import ClassVar, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.record import Kind, Statement
from liftbite.core.measure.setup.calculation import mm
from liftbite.core.units.fasteners import Thread, read_thread
from liftbite.core.units.read import read
from liftbite.core.units.sentence import both_fine

#: Material of the threads -> engagement that is enough, and the least that is looked at again [diameters] [practice].
MATERIALS: Mapping[str, tuple[str, float, float]] = {
    "steel": ("Steel", 1.0, 1.0),
    "iron": ("Cast iron", 1.5, 1.25),
    "aluminium": ("Aluminium", 2.0, 1.5),
}
State = Literal["good", "look again", "short", "bottoms", "shank in thread", "open"]
#: The gravest first.
STATES: tuple[State, ...] = ("bottoms", "shank in thread", "short", "look again", "open", "good")


@dataclass(frozen=True, slots=True)
class Hole:
    """A hole and the bolt that belongs to it.

    Attributes
    ----------
    joint, number : of which joint, and which one
    thread : as typed, and read
    length : of the bolt under its head [m]
    grip : what it holds together, without washers [m]
    washer : under the head, all together [m]
    depth : of the thread in the hole, from the face; None where it goes through, or nobody said [m]
    shank : without thread, under the head; 0 where all of it has thread [m]
    material : of the thread in the hole
    angle : clockwise from the top, None where nobody said [rad]
    out : how far from the middle of the drawing, whose circle has radius 1 [-]
    head : size of the head or the spanner, as typed
    """

    joint: str
    number: int
    typed: str
    thread: Thread
    length: float
    grip: float
    material: str
    washer: float = 0.0
    depth: float | None = None
    shank: float = 0.0
    angle: float | None = None
    out: float = 1.0
    head: str = ""

    @property
    def name(self) -> str:
        """What a builder calls it.

        >>> Hole("Bell housing", 3, "M10", Thread(0.01, 0.0015), 0.05, 0.03, "steel").name
        'Bell housing 3'
        """
        return f"{self.joint} {self.number}"


_FIGURES = {
    "length": "Length under the head",
    "grip": "Grip",
    "washer": "Washers",
    "depth": "Depth of thread",
    "shank": "Shank",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class HoleMapped(Statement):
    """A hole and its bolt, `joint:number`: lengths, thread, what it is in, and where it is on the drawing."""

    about: ClassVar = Kind("hole", "Hole of the bolt map", "plan")

    answer: Literal["kept", "open"]
    thread: str = ""
    length: str = ""
    grip: str = ""
    washer: str = ""
    depth: str = ""
    shank: str = ""
    material: Literal["", "steel", "iron", "aluminium"] = ""
    angle: str = ""
    out: str = ""
    head: str = ""

    def hold(self, key: str, who: str) -> None:
        """All of it."""
        read_hole(key, self)


def read_hole(key: str, said: HoleMapped) -> Hole:
    """A hole as it was said, `Bell housing:3`.

    Raises
    ------
    UnreadableEntry : no joint or number, no thread, or a figure that is none

    >>> said = HoleMapped(answer="kept", thread="M10", length="50 mm", grip="30", material="aluminium")
    >>> hole = read_hole("Bell housing:3", said)
    >>> hole.number, hole.thread.pitch, round(hole.length - hole.grip, 4)
    (3, 0.0015, 0.02)
    """
    joint, _, number = key.rpartition(":")
    if not joint.strip() or not number.strip().isdigit() or not 1 <= int(number) <= 99:
        raise UnreadableEntry("Bolt map: say the joint and the hole's number, as “Bell housing:3”")
    typed = said.thread
    thread = read_thread(typed)
    if not typed.strip():
        raise UnreadableEntry("Bolt map: say its thread, as M10 x 1.5 or 3/8-16")
    if thread is None:
        raise UnreadableEntry(f"Bolt map: “{typed}” is no thread; M10 x 1.5 or 3/8-16 is")
    material = said.material
    if material not in MATERIALS:
        raise UnreadableEntry(f"Bolt map: say what the thread is in: {', '.join(MATERIALS)}")
    lengths = {name: getattr(said, name) for name in _FIGURES}
    figures = {name: _length(words, _FIGURES[name]) for name, words in lengths.items() if words}
    for name in ("length", "grip"):
        if name not in figures:
            raise UnreadableEntry(f"Bolt map: {_FIGURES[name].lower()} is missing")
    hole = Hole(
        joint.strip(),
        int(number),
        typed.strip(),
        thread,
        figures["length"],
        figures["grip"],
        material,
        figures.get("washer", 0.0),
        figures.get("depth"),
        figures.get("shank", 0.0),
        _angle(said.angle) if said.angle else None,
        _out(said.out),
        " ".join(said.head.split()),
    )
    if hole.shank >= hole.length:
        raise UnreadableEntry("Bolt map: the shank is as long as the bolt; measure under the head")
    return hole


def _length(typed: str, label: str) -> float:
    found = read(typed, "m", "mm").si
    if not 0 <= found <= 0.5:
        raise UnreadableEntry(f"Bolt map, {label.lower()}: “{typed}” is no length of a bolt's")
    return float(found)


def _out(typed: str) -> float:
    if not typed:
        return 1.0
    try:
        out = float(typed.replace(",", "."))
    except ValueError:
        out = 0.0
    if not 0.02 <= out <= 2:
        raise UnreadableEntry(f"Bolt map: “{typed}” is no place on the drawing; 1 is on its circle")
    return out


def _angle(typed: str) -> float:
    return float(read(typed, "rad", "°").si) % (2 * pi)


@dataclass(frozen=True, slots=True)
class Judged:
    """What a bolt does in a hole.

    Attributes
    ----------
    state : the gravest of what is so
    says : in words
    engaged : thread in thread, less the point's chamfer [m]
    working : how that comes about
    """

    state: State
    says: str
    engaged: float
    working: str


def judge(hole: Hole) -> Judged:
    """Whether a hole's bolt has thread enough, does not bottom, and keeps its shank out of the thread.

    reach = length − grip − washers, engaged = min(reach, depth) − chamfer; the chamfer, a pitch, is length but no
    engagement. Bottoms where reach > depth − pitch. Every fault is said, the gravest first.

    Source: [practice]; the chamfer of a point as a pitch [memory].

    >>> said = HoleMapped(answer="kept", thread="M10", length="50", grip="30", depth="20", material="iron")
    >>> hole = read_hole("A:1", said)
    >>> judge(hole).state, judge(replace(hole, length=0.045)).state, judge(replace(hole, length=0.040)).state
    ('bottoms', 'look again', 'short')
    """
    diameter, pitch = hole.thread.diameter, hole.thread.pitch
    reach = hole.length - hole.grip - hole.washer
    engaged = min(reach, reach if hole.depth is None else hole.depth) - pitch
    label, enough, least = MATERIALS[hole.material]

    def judged(state: State, says: str) -> Judged:
        return Judged(state, says, engaged, _working(hole, reach, engaged, least, enough))

    has = (
        f"{both_fine(max(engaged, 0.0), 'm')} of thread in {label.lower()}, {engaged / diameter:.2g} times its diameter"
    )
    faults: list[tuple[State, str]] = []
    if hole.depth is not None and reach > hole.depth - pitch + 1e-9:
        over = both_fine(reach - (hole.depth - pitch), "m")
        faults.append(("bottoms", f"bottoms: {over} too long; it cracks the casting and holds nothing"))
    if hole.shank > hole.grip + hole.washer + 1e-9:
        into = both_fine(hole.shank - hole.grip - hole.washer, "m")
        faults.append(("shank in thread", f"its shank runs {into} into the thread"))
    if engaged < least * diameter - 1e-9:
        held = has if engaged > 0 else "it reaches no thread"
        faults.append(("short", f"too short, it strips: {held}"))
    if faults:
        return judged(faults[0][0], "; ".join(says for _, says in faults))
    if engaged < enough * diameter - 1e-9:
        return judged("look again", f"{has}; {enough:g} is better")
    if hole.depth is None:
        return judged("open", f"{has}; how deep the thread goes is not said")
    return judged("good", has)


def _working(hole: Hole, reach: float, engaged: float, least: float, enough: float) -> str:
    d, pitch = hole.thread.diameter, hole.thread.pitch
    free = "" if hole.depth is None else f" Depth {mm(hole.depth)} less a pitch: {mm(hole.depth - pitch)} mm are free."
    return (
        f"Length {mm(hole.length)} less grip {mm(hole.grip)} less washers {mm(hole.washer)}: {mm(reach)} mm reach in. "
        f"Less a point of one pitch, {mm(pitch)}: {mm(engaged)} mm engage. {MATERIALS[hole.material][0]} wants "
        f"{mm(least * d)} mm, better {mm(enough * d)} ({least:g} to {enough:g} diameters).{free} [practice]; the point "
        "[memory]."
    )


def sizes_of(holes: Sequence[Hole]) -> str:
    """How many bolts of which size, the larger first: by head or spanner where that is said, else by thread.

    >>> said = HoleMapped(answer="kept", thread="M8", length="50", grip="30", material="iron", head="13")
    >>> sizes_of([read_hole("A:1", said), read_hole("A:2", replace(said, thread="M10", head="17"))])
    '1 × 17, 1 × 13'
    """
    count = Counter((hole.thread.diameter, hole.head or hole.typed) for hole in holes)
    return ", ".join(f"{many} × {size}" for (_, size), many in sorted(count.items(), reverse=True))


@dataclass(frozen=True, slots=True)
class Swap:
    """A bolt that goes into another's hole and harms there."""

    bolt_of: Hole
    into: Hole
    says: str


_HARMS: tuple[State, ...] = ("bottoms", "short", "shank in thread")


def swaps(holes: Sequence[Hole]) -> Iterator[Swap]:
    """Pairs that the hand can swap and the casting cannot: the same thread, another bolt, and harm where it goes.

    A hole that is at fault with its own bolt is no excuse: a swap that harms is said all the same.
    """
    for one, other in combinations(holes, 2):
        alike = (one.length, one.shank, one.washer) == (other.length, other.shank, other.washer)
        if one.thread != other.thread or alike:
            continue
        for bolt, hole in ((one, other), (other, one)):
            put = judge(replace(hole, length=bolt.length, shank=bolt.shank, washer=bolt.washer))
            if put.state in _HARMS:
                yield Swap(bolt, hole, put.says)
