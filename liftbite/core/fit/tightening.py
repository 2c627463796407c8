"""How a joint is tightened: by whose instruction, in which passes, and what a wrench says of each bolt.

- `JointInstruction`     what is said of a joint's tightening
- `Way`, `read_way`      the same, read
- `chosen_of`            the one a joint goes by
- `of_proof`             what a preload over proof is called
- `plausible`, `head_pressure`   an instruction held against thread and grade, and against what the head bears on
- `Turn`, `turns_of`     the bolts in order, pass after pass, each with what it is tightened to
- `turns_at`             those of a joint as a job knows it
- `Pull`, `read_pull`, `judged`   what a torque wrench with a data port sends of a bolt, held against its turn

[practice]: passes as the trade makes them, the manual's own outrank them; preload and proof as in `quantities.joint`.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise
from math import degrees, inf, pi
from typing import ClassVar, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolts import MOST, star
from liftbite.core.fit.joints import count_of
from liftbite.core.job.record import Kind, Line, Names, Statement, lines_of, option_words
from liftbite.core.job.tightening import Instruction, read_instruction
from liftbite.core.quantities.joint import bolt_preload, bolt_proof_load, bolt_stress_area
from liftbite.core.units.fasteners import Thread, read_class, read_thread
from liftbite.core.units.read import read
from liftbite.core.units.sentence import both
from liftbite.core.units.show import bare, figure
from liftbite.core.verdicts.criteria import PROOF_BAD, PROOF_GOOD

#: In which passes -> shares of the torque.
PASSES: Mapping[str, tuple[float, ...]] = {
    "at_once": (1.0,),
    "thirds": (1 / 3, 2 / 3, 1.0),
    "half_then_fifths": (0.5, 0.7, 0.9, 1.0),
    "as_given": (),
}
#: A figure is known, nobody knows one, or it is done by feel, and said so.
HOW = ("figure", "none_known", "by_feel")
#: A wrench's torque may be off by this share, its angle by this much, and a bolt that turns less was tight [-], [°].
TORQUE_BAND, ANGLE_BAND, STILL = 0.05, 5.0, 3.0
#: Preload over proof below which a bolt is looked at again [practice].
LOW = 0.5
#: A bolt's hole over the bolt, and what stands under a head [-], [Pa].
HOLE, STANDS = 1.1, {"aluminium": 200e6, "steel": 500e6}
#: Torque factor where nobody says what is on the thread: zinc plated, or as received [memory: Shigley].
AS_RECEIVED = 0.20


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
    how = said.how or "figure"
    given = None
    if how == "figure":
        if not said.figure:
            raise UnreadableEntry("Tightening: type the figure, or say that none is known, or that it is by feel")
        given = read_instruction(owner.strip(), said.figure)
    thread, proof = _fastener(said)
    passes = said.passes or "at_once"
    steps = _steps(said.steps) if passes == "as_given" else ()
    if given and steps and abs(steps[-1] / given.torque - 1) > 0.01:
        raise UnreadableEntry(f"Tightening: the last pass goes to {both(given.torque, 'N·m')}, as the figure says")
    renewed = {"renewed": True, "used_again": False}.get(said.bolts)
    way = Way(
        joint.strip(),
        owner.strip(),
        how,
        given,
        passes,
        steps,
        said.washers,
        renewed,
        _count(said.count),
        thread,
        proof,
        _head(said.head, thread),
        said.under,
    )
    found = plausible(way)
    if found is not None and found.state == "refused" and not way.owner:
        raise UnreadableEntry(f"Tightening: {found.says}; say whose figure it is, if the manual's it stands")
    return way


def _count(typed: str) -> int:
    if not typed:
        return 0
    if not typed.isdecimal() or not 3 <= int(typed) <= MOST:
        raise UnreadableEntry(f"Tightening: “{typed}” is no number of bolts from 3 to {MOST}")
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
    proof = read_class(said.grade) if said.grade else None
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


State = Literal["plausible", "low", "high", "refused", "by stretch"]
_STRETCH = "Past the snug torque the angle stretches bolt and joint; torque says nothing any more [practice]."


@dataclass(frozen=True, slots=True)
class Plausible:
    """An instruction against thread and grade: a state, in words, how it comes about, and what was taken for it."""

    state: State
    says: str
    working: str
    taken: str = ""


def plausible(way: Way, known: Mapping[str, object] | None = None) -> Plausible | None:
    """What an instruction makes of its bolts; None where figure, thread or grade is not known.

    F = T/(K·d), over F_proof = R_p·A_s. Up to 90 % of proof plausible, to 110 % looked at again, above it refused;
    below 50 % low. Bolts tightened by an angle end at yield on purpose, and are used once.

    Source: [practice: 50, 90 and 110 %]; [memory: Shigley, torque factors; ISO 898-1 and SAE J429, proof strengths].

    >>> said = JointInstruction(answer="chosen", figure="35 lb-ft", thread="M8", grade="8.8")
    >>> plausible(read_way("cover:kit", said)).says
    'refused: 140 % of proof'
    """
    given, thread, proof = way.given, way.thread, way.proof
    if given is None:
        return None
    if given.angle > 0:
        once = "; used once: renew them" if way.renewed is not True else "; renewed, as bolts used once are"
        return Plausible("by stretch", f"by stretch, to yield on purpose{once}", _STRETCH)
    if thread is None and known and way.joint == "flywheel":
        d, p = known.get("bolt_diameter"), known.get("bolt_pitch")
        thread = Thread(float(d), float(p)) if isinstance(d, float) and isinstance(p, float) else None
        strength = known.get("bolt_proof_strength")
        proof = proof if proof is not None else float(strength) if isinstance(strength, float) else None
    if thread is None or proof is None:
        return None
    preload = _preload(given, thread)
    load = float(bolt_proof_load(bolt_stress_area(thread.diameter, thread.pitch), proof))
    state = of_proof(preload / load)
    words = f"look again, {state}" if state in {"high", "low"} else state
    taken = "" if given.factor else "nobody said what is on the thread: taken as received"
    return Plausible(
        state,
        f"{words}: {figure(100 * preload / load, 3)} % of proof",
        f"{both(given.torque, 'N·m')} at K {given.factor or AS_RECEIVED:.2f} on "
        f"{bare(thread.diameter, 'mm')} mm: preload {both(preload, 'N')}; proof {both(load, 'N')}. "
        "Wrenches scatter 25 to 30 %.",
        taken,
    )


def of_proof(share: float) -> State:
    """What a preload over proof is called.

    >>> of_proof(0.75), of_proof(0.95)
    ('plausible', 'high')
    """
    margin = 1 / share if share > 0 else inf  # as the criterion has it, so that both turn at the same figure
    if margin < PROOF_BAD:
        return "refused"
    if margin < PROOF_GOOD:
        return "high"
    return "low" if share < LOW else "plausible"


def _preload(given: Instruction, thread: Thread) -> float:
    """Preload of a torque alone [N]; no stretch, so neither grip nor yield enters."""
    area = bolt_stress_area(thread.diameter, thread.pitch)
    return float(
        bolt_preload(given.torque, given.factor or AS_RECEIVED, thread.diameter, 0.0, thread.pitch, area, 1.0, inf)
    )


@dataclass(frozen=True, slots=True)
class Pressed:
    """Pressure under a head or washer, what the material under it stands [Pa], in words, and how it comes about."""

    pressure: float
    stands: float
    says: str
    working: str


def head_pressure(way: Way) -> Pressed | None:
    """What a head or washer does to what it bears on; None where something is not said.

    p = F/(π/4·(d_w² − d_h²)), d_h = 1.1·d

    Source: [memory: about 200 MPa for cast aluminium, 500 for steel, as VDI 2230 lists; ISO 273 medium, holes].

    >>> said = JointInstruction(answer="chosen", figure="30 N·m", thread="M8", head="13 mm", under="aluminium")
    >>> found = head_pressure(read_way("cover:kit", said))
    >>> round(found.pressure / 1e6), round(found.stands / 1e6)
    (261, 200)
    """
    if way.given is None or way.given.angle > 0 or way.thread is None or way.head is None or not way.under:
        return None
    hole, preload = HOLE * way.thread.diameter, _preload(way.given, way.thread)
    pressure, stands = preload / (pi / 4 * (way.head**2 - hole**2)), STANDS[way.under]
    words = "it sinks in: a washer" if pressure > stands else "stands it"
    return Pressed(
        pressure,
        stands,
        f"under the head {both(pressure, 'Pa', 2)} of {both(stands, 'Pa', 2)}, {way.under} {words}",
        f"Under the head: {both(preload, 'N')} on {both(way.head, 'm')} less a hole of {both(hole, 'm')}.",
    )


@dataclass(frozen=True, slots=True)
class Turn:
    """A bolt in a pass.

    Attributes
    ----------
    key : its name in the record: the bolt's number in the pass that makes it tight, `pass.bolt` in others
    number, bolt : which pass, from 1, and which bolt
    to : what it is tightened to, in words; empty where no figure is known
    torque, angle : the same [N·m], [rad]; None where it is not by that
    again : True where a tight bolt is only tried once more
    """

    key: str
    number: int
    bolt: int
    to: str
    torque: float | None = None
    angle: float | None = None
    again: bool = False


def turns_of(count: int, way: Way | None) -> tuple[Turn, ...]:
    """The bolts of a joint in the order they are tightened, pass after pass.

    A torque with an angle is two passes. One in passes goes round once more at the last torque.

    >>> way = read_way("cover:kit", JointInstruction(answer="chosen", figure="30 N·m + 90°"))
    >>> [(t.key, t.to) for t in turns_of(3, way)][2:4]
    [('1.3', '30 N·m (22.1 lb-ft)'), ('1', '90° further')]
    """
    if count < 3:
        return ()
    order = star(count)
    given = way.given if way else None
    if way is None or given is None:
        words = option_words(way.how) if way and way.how in ("by_feel", "none_known") else ""
        return tuple(Turn(str(bolt), 1, bolt, words) for bolt in order)
    torques = way.steps or tuple(share * given.torque for share in PASSES.get(way.passes) or (1.0,))
    rounds: list[tuple[str, float, float | None, bool]] = [(both(t, "N·m", 3), t, None, False) for t in torques]
    if given.angle > 0:
        rounds.append((f"{degrees(given.angle):g}° further", given.torque, given.angle, False))
    elif len(torques) > 1:
        rounds.append((f"once more at {both(given.torque, 'N·m', 3)}", given.torque, None, True))
    tight = len(rounds) - (1 if rounds[-1][3] else 0)
    return tuple(
        Turn(str(bolt) if number == tight else f"{number}.{bolt}", number, bolt, to, torque, angle, again)
        for number, (to, torque, angle, again) in enumerate(rounds, start=1)
        for bolt in order
    )


def turns_at(joint: str, known: Mapping[str, object], record: Iterable[Line]) -> tuple[Turn, ...]:
    """The turns of a joint, by the instruction it goes by; the flywheel's by the job's own figure where none is chosen.

    >>> [t.bolt for t in turns_at("flywheel", {"bolt_count": 6.0}, [])]
    [1, 4, 2, 5, 3, 6]
    """
    way = chosen_of(record, joint)
    return turns_of(way.count if way and way.count else count_of(joint, known), way)


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


def judged(pull: Pull, turn: Turn) -> str:
    """What is wrong with a pull for its turn; empty where nothing is.

    A bolt that does not turn at its torque was tight before: the same bolt twice, and another one missed.

    >>> turn = turns_of(3, read_way("cover:kit", JointInstruction(answer="chosen", figure="30 N·m")))[0]
    >>> judged(Pull(30.4, 0.8), turn), judged(Pull(34.0, 0.8), turn), judged(Pull(30.0, 0.01), turn)
    ('', 'out of band: 34 N·m of 30 N·m', 'turned 1° only: it was tight before; the same bolt twice?')
    """
    if pull.angle is not None and not turn.again and degrees(pull.angle) < STILL:
        return f"turned {degrees(pull.angle):.0f}° only: it was tight before; the same bolt twice?"
    if turn.angle is not None:
        if pull.angle is None:
            return "the wrench sent no angle; turn it by its scale, and tick it"
        off = degrees(pull.angle - turn.angle)
        return f"out of band: {degrees(pull.angle):.0f}° of {degrees(turn.angle):.0f}°" if abs(off) > ANGLE_BAND else ""
    if turn.torque is not None and abs(pull.torque / turn.torque - 1) > TORQUE_BAND:
        return f"out of band: {figure(pull.torque, 3)} N·m of {figure(turn.torque, 3)} N·m"
    return ""


def left_of(turns: Sequence[Turn], done: Iterable[str]) -> list[Turn]:
    """The turns that are not ticked off, in order."""
    ticked = set(done)
    return [turn for turn in turns if turn.key not in ticked]
