"""How a joint is tightened: by whose instruction, in which passes, each hole to its own figure.

- `JointInstruction`     what is said of a joint's tightening
- `read_way`             the same, read
- `chosen_of`            the one a joint goes by
- `Turn`, `turns_of`     the bolts in order, pass after pass, each with what it is tightened to
- `turns_at`             those of a joint as a job knows it
- `holes_of_joint`       its holes in the bolt map
- `left_of`              those that are not ticked off

[practice]: passes as the trade makes them, the manual's own outrank them; preload and proof as in `quantities.joint`.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from math import degrees
from typing import ClassVar, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolt_load import HOLE, plausible
from liftbite.core.fit.bolt_map import Hole, HoleMapped, read_hole
from liftbite.core.fit.bolts import MOST, read_sequence, sequence_faults, star
from liftbite.core.fit.joints import count_of, joint_named
from liftbite.core.fit.way import Way
from liftbite.core.job.record import Kind, Line, Names, Statement, in_force, lines_of, option_words
from liftbite.core.job.spoken import OfSize, read_spoken
from liftbite.core.job.tightening import Instruction, of_spoken
from liftbite.core.quantities.joint import JOINT
from liftbite.core.units.fasteners import Thread, read_class, read_thread
from liftbite.core.units.read import read
from liftbite.core.units.sentence import both
from liftbite.core.units.show import bare

#: In which passes -> shares of the torque.
PASSES: Mapping[str, tuple[float, ...]] = {
    "at_once": (1.0,),
    "thirds": (1 / 3, 2 / 3, 1.0),
    "half_then_fifths": (0.5, 0.7, 0.9, 1.0),
    "as_given": (),
}


@dataclass(frozen=True, slots=True, kw_only=True)
class JointInstruction(Statement):
    """An instruction for the bolts of `joint:owner`: gone by, or noted beside."""

    about: ClassVar = Kind("tightening", "Tightening", "plan")

    answer: Literal["chosen", "beside", "open"]
    how: Literal["", "figure", "none_known", "by_feel"] = ""
    figure: str = ""
    passes: Literal["", "at_once", "thirds", "half_then_fifths", "as_given"] = ""
    steps: str = ""
    washers: str = ""
    bolts: Literal["", "renewed", "used_again"] = ""
    count: str = ""
    thread: str = ""
    grade: str = ""
    head: str = ""
    under: Literal["", "aluminium", "steel"] = ""
    grip: str = ""
    hole: str = ""
    stiffness: str = ""
    sequence: str = ""
    sizes: str = ""

    def hold(self, key: str, who: str) -> None:
        """All of it."""
        read_way(key, self)

    def subject(self, key: str, names: Names) -> str:
        """Whose it is, and of which joint."""
        return f"Instruction for “{key}”"


def read_way(key: str, said: JointInstruction) -> Way:
    """An instruction as it was said of `joint:owner`.

    Raises
    ------
    UnreadableEntry : which of it, and what would be right; a torque nobody stands for that is over 110 % of proof

    >>> said = JointInstruction(answer="chosen", figure="19 lb-ft, blue locker", thread="M8", grade="8.8", count="6")
    >>> way = read_way("cover:kit", said)
    >>> way.given.factor, way.count, round(way.thread.pitch * 1e3, 2)
    (0.15, 6, 1.25)
    """
    joint, _, owner = key.partition(":")
    if not joint.strip():
        raise UnreadableEntry("Tightening: say the joint, as “cover:kit”")
    how: str = said.how or "figure"
    given = None
    if how == "figure":
        if not said.figure:
            raise UnreadableEntry("Tightening: type the figure, or say that none is known, or that it is by feel")
        spoken = read_spoken(said.figure)
        how = spoken.how
        given = of_spoken(owner, spoken) if how == "figure" else None
    thread, proof = _fastener(said)
    passes = said.passes or "at_once"
    steps = _steps(said.steps) if passes == "as_given" else given.stages if given else ()
    if given and steps and abs(steps[-1] / given.torque - 1) > 0.01:
        raise UnreadableEntry(f"Tightening: the last pass goes to {both(given.torque, 'N·m')}, as the figure says")
    renewed = {"renewed": True, "used_again": False}.get(said.bolts)
    count, of_hole = _count(said.count), _holes_of(said.sizes, given)
    way = Way(
        joint.strip(),
        owner.strip(),
        how,
        given,
        passes,
        steps,
        said.washers,
        renewed,
        count,
        thread,
        proof,
        _head(said.head, thread),
        said.under,
        _between("grip", said.grip, 1e-3, 0.3),
        _between("hole", said.hole, 0.003, 0.06),
        _stiffness(said.stiffness),
        read_sequence(said.sequence) if said.sequence else (),
        of_hole,
    )
    found = plausible(way)
    if found is not None and found.state == "refused" and not way.owner:
        raise UnreadableEntry(f"Tightening: {found.says}; say whose figure it is, if the manual's it stands")
    return way


def _between(name: str, typed: str, least: float, most: float) -> float | None:
    if not typed:
        return None
    found = float(read(typed, "m", "mm").si)
    if not least <= found <= most:
        raise UnreadableEntry(
            f"Tightening, {name}: “{typed}” lies outside {bare(least, 'mm')} to {bare(most, 'mm')} mm"
        )
    return found


def _stiffness(typed: str) -> float:
    if not typed:
        return JOINT
    found = float(read(typed, "-", "").si)
    if not 0.5 <= found <= 20:
        raise UnreadableEntry(
            f"Tightening: “{typed}”: the joint is 0.5 to 20 times as stiff as its bolt, in steel 3 to 5"
        )
    return found


def _holes_of(typed: str, given: Instruction | None) -> dict[int, str]:
    """Which holes take which size: `large: 1 4 7; small: 2 3 5 6`.

    Raises
    ------
    UnreadableEntry : a size the figure does not name, no hole, or one hole twice
    """
    found: dict[int, str] = {}
    known = {size.size.lower(): size.size for size in given.sizes} if given else {}
    for part in filter(None, map(str.strip, typed.split(";"))):
        name, _, numbers = part.partition(":")
        if name.strip().lower() not in known:
            offered = ", ".join(known.values()) or "none"
            raise UnreadableEntry(f"Tightening: “{name.strip()}” is no size of the figure; {offered}")
        for hole in read_sequence(numbers or "-"):
            if hole in found:
                raise UnreadableEntry(f"Tightening: hole {hole} has two sizes")
            found[hole] = known[name.strip().lower()]
    return found


def _count(typed: str) -> int:
    if not typed:
        return 0
    if not (typed.isascii() and typed.isdecimal()) or not 1 <= int(typed) <= MOST:
        raise UnreadableEntry(f"Tightening: “{typed}” is no number of bolts from 1 to {MOST}")
    return int(typed)


def _head(typed: str, thread: Thread | None) -> float | None:
    if not typed:
        return None
    found = float(read(typed, "m", "mm").si)
    if not 0.004 <= found <= 0.08 or (thread is not None and found <= HOLE * thread.diameter):
        raise UnreadableEntry(f"Tightening: “{typed}” is no head or washer that covers its hole")
    return found


def _fastener(said: JointInstruction) -> tuple[Thread | None, float | None]:
    thread = read_thread(said.thread) if said.thread else None
    if said.thread and thread is None:
        raise UnreadableEntry(f"Tightening: “{said.thread}” is no thread; M10 x 1.5 or 3/8-16 is")
    proof = read_class(said.grade, thread.diameter if thread else 0.0) if said.grade else None
    if said.grade and proof is None:
        raise UnreadableEntry(f"Tightening: “{said.grade}” is no class; 8.8, 10.9, 12.9, grade 5 or grade 8 is")
    return thread, proof


def _steps(typed: str) -> tuple[float, ...]:
    """Torques of passes, `35; 55; 75 lb-ft`: a bare one is in the unit of the last."""
    parts = [part.strip() for part in typed.split(";") if part.strip()]
    if not 2 <= len(parts) <= 6:
        raise UnreadableEntry("Tightening: give the passes as “35; 55; 75 lb-ft”, two to six")
    unit = re.sub(r"^[\d.,/\s-]+", "", parts[-1]) or "N·m"
    said = (part if re.search(r"[^\d.,/\s-]", part) else f"{part} {unit}" for part in parts)
    found = tuple(float(read(part, "N·m", "N·m").si) for part in said)
    if not all(0 < a < b for a, b in pairwise(found)):
        raise UnreadableEntry("Tightening: each pass goes further than the one before it")
    return found


def chosen_of(record: Iterable[Line], joint: str) -> Way | None:
    """The instruction a joint goes by: the one that was chosen last."""
    chosen: str | None = None
    said: dict[str, Line[JointInstruction]] = {}
    for line in lines_of(record, JointInstruction):
        if line.key.partition(":")[0].strip() == joint:
            said[line.key] = line
            if line.answer == "chosen":
                chosen = line.key
            elif line.key == chosen:
                chosen = None
    return read_way(chosen, said[chosen].statement) if chosen is not None else None


@dataclass(frozen=True, slots=True)
class Turn:
    """A bolt in a pass.

    Attributes
    ----------
    key : its name in the record: the bolt's number in the pass that makes it tight, `pass.bolt` in others; of a step's
        second joint with the joint before it, `plugs/1`
    number, bolt : which pass, from 1, and which bolt
    to : what it is tightened to, in words; empty where no figure is known
    torque, angle : the same [N·m], [rad]; None where it is not by that
    again : True where a tight bolt is only tried once more
    low, high : ends of a range that is allowed [N·m]; None where the wrench's own tolerance counts
    joint : of which joint
    """

    key: str
    number: int
    bolt: int
    to: str
    torque: float | None = None
    angle: float | None = None
    again: bool = False
    low: float | None = None
    high: float | None = None
    joint: str = ""


def turns_of(count: int, way: Way | None, of_hole: Mapping[int, str] | None = None) -> tuple[Turn, ...]:
    """The bolts of a joint in the order they are tightened, pass after pass.

    A torque with an angle is two passes. One in passes goes round once more at the last torque. Where bolts of one
    joint have two figures, all go round in one star, each by the same share of its own in every pass.

    Parameters
    ----------
    count : how many bolts
    way : the instruction they go by
    of_hole : hole -> size, as the bolt map has it; the instruction's own word comes first

    >>> way = read_way("cover:kit", JointInstruction(answer="chosen", figure="30 N·m + 90°"))
    >>> [(t.key, t.to) for t in turns_of(3, way)][2:4]
    [('1.3', '30 N·m (22.1 lb-ft)'), ('1', '90° further')]
    >>> said = JointInstruction(answer="chosen", figure="53 large, 28 small N·m", sizes="large: 1")
    >>> [t.to for t in turns_of(1, read_way("housing:maker", said))]
    ['53 N·m (39.1 lb-ft), large']
    """
    if count < 1:
        return ()
    given = way.given if way else None
    order = _order(count, way)
    if way is None or given is None:
        words = option_words(way.how) if way and way.how in ("by_feel", "none_known") else ""
        return tuple(Turn(str(bolt), 1, bolt, words) for bolt in order)
    sizes = {**(of_hole or {}), **way.of_hole}
    shares = _shares(way, given)
    turns = [
        _turn(number, bolt, share, number == len(shares), _figure_of(given, sizes.get(bolt, "")))
        for number, share in enumerate(shares, start=1)
        for bolt in order
    ]
    more = len(shares) + 1
    if given.angle > 0:
        turns = [replace(t, key=f"{t.number}.{t.bolt}") for t in turns]
        to = f"{degrees(given.angle):g}° further"
        turns += [Turn(str(bolt), more, bolt, to, given.torque, given.angle) for bolt in order]
    elif len(shares) > 1:
        for bolt in order:
            last = _turn(more, bolt, 1.0, True, _figure_of(given, sizes.get(bolt, "")))
            turns.append(replace(last, key=f"{more}.{bolt}", to=f"once more at {last.to}", again=True))
    return tuple(turns)


def _order(count: int, way: Way | None) -> tuple[int, ...]:
    """The instruction's own sequence where it is sound; else the star, and few bolts as they stand."""
    if way and way.sequence and not sequence_faults(way.sequence, count):
        return way.sequence
    return star(count) if count >= 3 else tuple(range(1, count + 1))


def _shares(way: Way, given: Instruction) -> tuple[float, ...]:
    if way.steps:
        return tuple(step / given.torque for step in way.steps)
    return PASSES.get(way.passes) or (1.0,)


def _figure_of(given: Instruction, size: str) -> OfSize | None:
    """What a bolt is tightened to; None where sizes differ and nobody said which it is of."""
    if not given.sizes:
        return OfSize("", given.torque, given.low or given.torque, given.high or given.torque)
    return next((each for each in given.sizes if each.size == size), None)


def _turn(number: int, bolt: int, share: float, last: bool, of: OfSize | None) -> Turn:
    key = str(bolt) if last else f"{number}.{bolt}"
    if of is None:
        return Turn(key, number, bolt, "say which size this hole takes")
    torque = share * of.torque
    ranged = last and of.low < of.high
    band = f", {both(of.low, 'N·m', 3)} to {both(of.high, 'N·m', 3)}" if ranged else ""
    size = f", {of.size}" if of.size else ""
    low, high = (of.low, of.high) if ranged else (None, None)
    return Turn(key, number, bolt, f"{both(torque, 'N·m', 3)}{band}{size}", torque, low=low, high=high)


def turns_at(joint: str, known: Mapping[str, object], record: Iterable[Line]) -> tuple[Turn, ...]:
    """The turns of a joint, by the instruction it goes by; the flywheel's by the job's own figure where none is chosen.

    >>> [t.bolt for t in turns_at("flywheel", {"bolt_count": 6.0}, [])]
    [1, 4, 2, 5, 3, 6]
    """
    record = list(record)
    way = chosen_of(record, joint)
    holes = holes_of_joint(record, joint)
    count = way.count if way and way.count else len(holes) or count_of(joint, known)
    return turns_of(count, way, _sizes_by_map(holes, way))


def holes_of_joint(record: Iterable[Line], joint: str) -> list[Hole]:
    """The holes of a joint in the bolt map, whatever of its names stands over them."""
    holes = (read_hole(key, line.statement) for key, line in in_force(record, HoleMapped).items())
    wanted = joint_named(joint)
    return [hole for hole in holes if joint_named(hole.joint) == wanted]


def _sizes_by_map(holes: Sequence[Hole], way: Way | None) -> dict[int, str]:
    """Hole -> size: by its thread or head where the figure names that; by the larger thread where it says large."""
    sizes = [size.size for size in way.given.sizes] if way and way.given else []
    if not sizes or not holes:
        return {}
    named = {
        hole.number: size
        for hole in holes
        for size in sizes
        if size.lower() in (hole.head.lower(), hole.typed.split("x")[0].strip().lower())
    }
    if named:
        return named
    across = sorted({hole.thread.diameter for hole in holes}, reverse=True)
    if len(across) != len(sizes):
        return {}
    return {hole.number: sizes[across.index(hole.thread.diameter)] for hole in holes}


def left_of(turns: Sequence[Turn], done: Iterable[str]) -> list[Turn]:
    """The turns that are not ticked off, in order."""
    ticked = set(done)
    return [turn for turn in turns if turn.key not in ticked]
