"""What tightening does to bolts: preload over proof, where an angle ends, pressure under the head, the thread.

- `of_proof`             what a preload over proof is called
- `plausible`            an instruction held against thread and grade
- `End`, `end_of`        where a torque and an angle end, by the stiffness of bolt and joint
- `head_pressure`        what a head does to what it bears on
- `strips`               what a bolt does to the thread it is in

[practice]: 50, 90 and 110 % of proof; preload and proof as in `quantities.joint`.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from math import degrees, inf, pi
from typing import Literal

from liftbite.core.fit.way import Way
from liftbite.core.job.tightening import Instruction
from liftbite.core.quantities.joint import STEEL, bolt_preload, bolt_proof_load, bolt_stress_area, bolt_yield_load
from liftbite.core.units.fasteners import Thread
from liftbite.core.units.sentence import both
from liftbite.core.units.show import bare, figure
from liftbite.core.verdicts.criteria import PROOF_BAD, PROOF_GOOD

#: Preload over proof below which a bolt is looked at again [practice].
LOW = 0.5
#: A bolt's hole over the bolt, and what stands under a head [-], [Pa].
HOLE, STANDS = 1.1, {"aluminium": 200e6, "steel": 500e6}
#: Torque factor where nobody says what is on the thread: zinc plated, or as received [memory: Shigley].
AS_RECEIVED = 0.20
#: Shear strength of a thread's material [Pa] [memory].
SHEAR = {"aluminium": 180e6, "iron": 200e6, "steel": 350e6}


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

    >>> from liftbite.core.fit.tightening import JointInstruction, read_way
    >>> said = JointInstruction(answer="chosen", figure="35 lb-ft", thread="M8", grade="8.8")
    >>> plausible(read_way("cover:kit", said)).says
    'refused: 140 % of proof'
    """
    given, thread, proof = way.given, way.thread, way.proof
    if given is None:
        return None
    if given.angle > 0:
        return _by_stretch(way, given)
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


def _by_stretch(way: Way, given: Instruction) -> Plausible:
    """A torque and an angle, by where the bolt ends: at yield on purpose, or below it where it is long."""
    once = "; used once: renew them" if way.renewed is not True else "; renewed, as bolts used once are"
    end = end_of(way)
    if end is None:
        return Plausible("by stretch", f"by stretch, to yield on purpose{once}", _STRETCH)
    if end.yields:
        return Plausible("by stretch", f"by stretch, ends at yield: {both(end.preload, 'N')}{once}", end.working)
    share = f"{figure(100 * end.preload / end.proof, 3)} % of proof"
    return Plausible("by stretch", f"by stretch, ends elastic: {both(end.preload, 'N')}, {share}", end.working)


@dataclass(frozen=True, slots=True)
class End:
    """Where tightening ends: preload, proof load [N], torque it takes then [N·m], whether it is at yield, in words."""

    preload: float
    proof: float
    torque: float
    yields: bool
    working: str


def end_of(way: Way) -> End | None:
    """Where a torque and an angle end; None where thread, class or the length that is clamped is not known.

    F = T/(K·d) + α/2π·p/(1/k_b + 1/k_j), k_b = E·A_s/L, k_j = s·k_b, capped by yield

    Source: [memory: Shigley's Mechanical Engineering Design, 10th edition, sections 8-5 and 8-8].

    >>> from liftbite.core.fit.tightening import JointInstruction, read_way
    >>> said = JointInstruction(answer="chosen", figure="40 N·m + 45°", thread="M12 x 1.75", grade="10.9", grip="70 mm")
    >>> end = end_of(read_way("flywheel:maker", said))
    >>> round(end.preload / 1e3), end.yields
    (60, False)
    """
    given, thread, proof = way.given, way.thread, way.proof
    if given is None or thread is None or proof is None or way.grip is None:
        return None
    area = bolt_stress_area(thread.diameter, thread.pitch)
    load = float(bolt_proof_load(area, proof))
    most = float(bolt_yield_load(load))
    bolt = STEEL * float(area) / way.grip
    snug = _preload(given, thread)
    turned = given.angle / (2 * pi) * thread.pitch * bolt / (1 + 1 / way.stiffness)
    preload = min(snug + turned, most)
    factor = given.factor or AS_RECEIVED
    working = (
        f"{both(given.torque, 'N·m')} at K {factor:.2f}: {both(snug, 'N')}; {degrees(given.angle):g}° stretches "
        f"{bare(way.grip, 'mm')} mm and a joint {way.stiffness:g} times as stiff by {both(turned, 'N')}; "
        f"yield at {both(most, 'N')}."
    )
    return End(preload, load, preload * factor * thread.diameter, snug + turned >= most, working)


def _preload(given: Instruction, thread: Thread) -> float:
    """Preload of a torque alone [N]; no stretch, so neither grip nor yield enters."""
    area = bolt_stress_area(thread.diameter, thread.pitch)
    return float(
        bolt_preload(given.torque, given.factor or AS_RECEIVED, thread.diameter, 0.0, thread.pitch, area, 1.0, inf)
    )


def preload_of(way: Way) -> float | None:
    """Preload where tightening ends [N]; of a torque and an angle only where its end is known."""
    if way.given is None or way.thread is None:
        return None
    if way.given.angle > 0:
        end = end_of(way)
        return end.preload if end else None
    return _preload(way.given, way.thread)


@dataclass(frozen=True, slots=True)
class Pressed:
    """Pressure under a head or washer, what the material under it stands [Pa], in words, and how it comes about."""

    pressure: float
    stands: float
    says: str
    working: str


def head_pressure(way: Way) -> Pressed | None:
    """What a head or washer does to what it bears on; None where something is not said.

    p = F/(π/4·(d_w² − d_h²)), d_h = 1.1·d where no hole is typed

    Source: [memory: about 200 MPa for cast aluminium, 500 for steel, as VDI 2230 lists; ISO 273 medium, holes].

    >>> from liftbite.core.fit.tightening import JointInstruction, read_way
    >>> said = JointInstruction(answer="chosen", figure="30 N·m", thread="M8", head="13 mm", under="aluminium")
    >>> found = head_pressure(read_way("cover:kit", said))
    >>> round(found.pressure / 1e6), round(found.stands / 1e6)
    (261, 200)
    """
    preload = preload_of(way)
    if preload is None or way.thread is None or way.head is None or not way.under:
        return None
    hole = way.hole or HOLE * way.thread.diameter
    pressure, stands = preload / (pi / 4 * (way.head**2 - hole**2)), STANDS[way.under]
    words = "it sinks in: a washer" if pressure > stands else "stands it"
    return Pressed(
        pressure,
        stands,
        f"under the head {both(pressure, 'Pa', 2)} of {both(stands, 'Pa', 2)}, {way.under} {words}",
        f"Under the head: {both(preload, 'N')} on {both(way.head, 'm')} less a hole of {both(hole, 'm')}.",
    )


def strips(way: Way, engaged: float, material: str) -> Pressed | None:
    """What the end of tightening does to the thread it is in, with a tenth more for the torsion of tightening.

    τ = 1.1·F/(0.6·π·d·L_e)

    Parameters
    ----------
    way : the instruction
    engaged : thread in thread, L_e [m]
    material : of the thread: steel, iron or aluminium

    Source: [memory: shear area of an internal thread about 0.6·π·d·L_e; shear strength about 0.6 of tensile].

    >>> from liftbite.core.fit.tightening import JointInstruction, read_way
    >>> said = JointInstruction(answer="chosen", figure="40 N·m + 90°", thread="M10", grade="10.9", grip="30 mm")
    >>> strips(read_way("flywheel:maker", said), 0.010, "aluminium").pressure // 1e6
    317.0
    """
    preload = preload_of(way)
    if preload is None or way.thread is None or engaged <= 0:
        return None
    stress, stands = 1.1 * preload / (0.6 * pi * way.thread.diameter * engaged), SHEAR[material]
    word = "it strips" if stress > stands else "stands it"
    says = f"thread: {both(stress, 'Pa', 2)} of {both(stands, 'Pa', 2)}, {material}: {word}"
    return Pressed(stress, stands, says, f"1.1 times {both(preload, 'N')} on {bare(engaged, 'mm')} mm of thread.")
