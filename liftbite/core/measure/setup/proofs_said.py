"""What the sums of the set-up come to, in a sentence, and how, line by line.

- `Said`   the sentence and its working
- `say`    every sum of a job in words
- `bearing_said`, `floater_said`, `shaft_said`, `fork_said`, `cut_said`, `end_float_said`, `air_said`, `pack_said`
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, fields
from typing import Any

from liftbite.core.job.build import both, both_fine
from liftbite.core.measure.setup.fitting import SPARE
from liftbite.core.measure.setup.proofs import (
    AirFound,
    Bearing,
    EndFloat,
    Floater,
    FlywheelCut,
    Fork,
    Pack,
    Pieces,
    Proofs,
    Shaft,
)
from liftbite.core.measure.setup.proving import (
    ALIKE,
    ATMOSPHERE,
    FLOATER,
    MOST_PIECES,
    NOMINAL,
    PORT_DOUBT,
    RULE,
    FloaterShims,
)
from liftbite.core.units.read import from_si
from liftbite.core.units.show import figure

#: Fingers that moved by more than this are made up for [m] [practice].
MAKE_UP = 0.5e-3


@dataclass(frozen=True, slots=True)
class Said:
    """A sum in words.

    Attributes
    ----------
    sentence : what it comes to
    working : how, line by line, with its figures and whose rule it is
    """

    sentence: str
    working: tuple[str, ...]


def _m(value: float) -> str:
    return both_fine(value, "m")


def _mm(value: float) -> str:
    """A term of a sum: in millimetres alone, so that the sum can be read."""
    return f"{figure(round(from_si(value, 'mm'), 3), 12)}"


def _ml(value: float) -> str:
    return figure(from_si(value, "mL"), 3)


def _tried(pieces: Pieces) -> list[str]:
    if not pieces.untried:
        return []
    return [f"{len(pieces.names) + pieces.untried} pieces were measured; the first {MOST_PIECES} are tried."]


def _and(names: Sequence[str]) -> str:
    return " and ".join(names)


def bearing_said(found: Bearing) -> Said:
    """A concentric bearing: what the best stack leaves, inside what."""
    working = [
        f"Cushion = X − Y − spacers, from the means of the depths: X − Y = {_m(found.cushion)}; its doubt is "
        f"√(U_X² + U_Y²) and half of both spreads, {_m(found.doubt)}.",
        f"Rule of the trade: {_m(RULE.low)} to {_m(RULE.high)}, or a nominal {_m(NOMINAL)} [practice].",
    ]
    if found.window is not None:
        working.append(f"Window of this clutch: at least wear to come · lever ratio + {_m(SPARE)} = "
                       f"{_m(found.window.low)}, so that the fingers can come back; at most bearing stroke − release "
                       f"stroke = {_m(found.window.high)}. It outranks the rule.")  # fmt: skip
    best = found.stacks[0].cushion
    if found.crossing is not None and best > 0:
        working.append(f"A bearing that rides on the fingers only keeps this in reserve. One that springs fully back "
                       f"crosses it on every stroke: {_mm(best)} mm · A_s/A_m = {_mm(found.crossing)} mm of the "
                       "master's travel; then enter it as the bearing's clearance.")  # fmt: skip
    working.append("Push-type covers only: on a pull-type cover the fingers go the other way and X − Y does not apply.")
    return Said(_bearing_sentence(found), (*working, *_tried(found.pieces)))


def _bearing_sentence(found: Bearing) -> str:
    if found.cushion <= 0:
        return "The bearing already meets the fingers: no stack can help. A shorter bearing or another seat is needed."
    best, window = found.stacks[0], found.usable
    with_what = _and([found.pieces.names[i] for i in best.pieces]) or "no spacer"
    left = f"With {with_what} the cushion is {_m(best.cushion)}"
    nearest = f"Nearest: {left[0].lower()}{left[1:]}."
    doubt = "" if best.sure else " It stands on the doubt of the readings: measure again."
    if found.window is not None and window is None:
        return (f"No cushion serves: the fingers ask for {_m(found.window.low)} and the stroke leaves "
                f"{_m(found.window.high)}. A bearing of more stroke is needed. {left}.")  # fmt: skip
    if window is None:
        if not best.in_rule:
            return f"No stack at hand falls in 1/8 to 3/8 in. {nearest}"
        own = "wear limit and bearing stroke would give a window of its own"
        return f"{left}, in the rule of 1/8 to 3/8 in; {own}.{doubt}"
    inside = f"between {_m(window.low)} for the wear to come and {_m(window.high)} for the stroke"
    if not best.in_window:
        return f"No stack at hand falls {inside}. {nearest}"
    rule = "" if best.in_rule else " It lies outside the rule of 1/8 to 3/8 in, which counts less."
    return f"{left}, {inside}.{rule}{doubt}"


#: What a shim does, by where it sits.
SEATS = {"raises": "under the stand, where it raises the stop", "lowers": "under the plate, where it closes the gap"}


def _way_said(way: str, shims: FloaterShims) -> str:
    right = "all three come right" if shims.in_window and shims.alike else "not all three come right"
    return f"With shims {SEATS[way]}, {right}."


def floater_said(found: Floater) -> Said:
    """A twin's floater: whether the shims at hand bring its stands right, and when they want new ones."""
    ask = "" if len(found.ways) == 1 else " Say where a shim sits on this clutch, and one answer is left."
    sentence = " ".join(_way_said(way, shims) for way, shims in found.ways) + ask
    working = [f"Each stand: {_m(FLOATER.low)} to {_m(FLOATER.high)}, and all within {_m(ALIKE)} of each other "
               "[practice]."]  # fmt: skip
    for way, shims in found.ways:
        sign = "+" if way == "raises" else "−"
        sums = []
        for before, stack, after in zip(found.gaps, shims.pieces, shims.gaps, strict=True):
            terms = "".join(f" {sign} {_mm(found.pieces.heights[i])}" for i in stack)
            sums.append(f"{_mm(before)}{terms} = {_mm(after)}" if stack else f"{_mm(before)} as it is")
        working.append(f"{SEATS[way][0].upper()}{SEATS[way][1:]}: {'; '.join(sums)} mm.")
    if found.wear:
        working.append(f"New, the inner disc is left {_m(found.inner[0])} and the outer one {_m(found.outer[0])}: "
                       "f − cushion, and lift − f − cushion. The stops are fixed to the flywheel, so f grows one for "
                       "one as the inner disc wears and the outer gap shrinks by as much.")  # fmt: skip
        if not found.ways[0][1].in_window:
            working.append("As no shims at hand bring the stands right, f is taken at the middle of its window here.")
    return Said(sentence, (*working, *_tried(found.pieces)))


def shaft_said(found: Shaft) -> Said:
    """The input shaft in its pilot, both ends."""
    reach, d = found.reach, {name: _mm(depth) for name, depth in found.depths}
    if reach.engagement <= 0:
        sentence = f"The shaft does not reach its pilot: {_m(-reach.engagement)} short."
    elif reach.touches:
        sentence = "The shaft meets the bottom of the bore: shorten it or sink the pilot before anything is bolted up."
    elif not reach.full:
        sentence = f"The shaft enters the pilot by {_m(reach.engagement)}, not its whole length."
    else:
        sentence = f"The shaft passes the whole pilot and stays {_m(reach.clear)} clear of the bottom."
    out, housing, block, recess, stand, length, below = d.values()
    return Said(sentence, (
        "Enters by shaft beyond the gearbox face − housing depth − block plate and gaskets − pilot below the crank "
        f"flange + flange beyond the block face = {out} − {housing} − {block} − {recess} + {stand} = "
        f"{_mm(reach.engagement)} mm.",
        f"Clear of the bottom by pilot length + bore below it − that = {length} + {below} − {_mm(reach.engagement)} = "
        f"{_mm(reach.clear)} mm. Both ends are checked [practice].",
    ))  # fmt: skip


def fork_said(found: Fork) -> Said:
    """A bearing of another height: free play left, how the fork turns, whether the slave still has its stroke."""
    f = found.change
    new = f"The new bearing is {_m(abs(f.height))} {'taller' if f.height >= 0 else 'shorter'}"
    sentence = f"{new}; {_m(f.free_play)} of free play is left."
    if f.free_play < 0:
        sentence = f"{new} and always loaded, {_m(-f.free_play)} past its free play: shim the pivot or the slave."
    rise = _mm(f.height) if f.height >= 0 else f"({_mm(f.height)})"
    if found.assumed:
        sentence += " Free play with the old one is taken as none: nobody entered the bearing's clearance."
    where = "assumed, nobody entered the bearing's clearance" if found.assumed else "the bearing's clearance · R_f"
    working = [
        f"Rise = new − old = {_mm(found.new)} − {_mm(found.old)} = {_mm(f.height)} mm.",
        f"Free play left = free play − rise · R_f = {_mm(found.play)} − {rise} · {figure(found.ratio)} = "
        f"{_mm(f.free_play)} mm; free play {_mm(found.play)} mm is {where}.",
    ]
    if f.tilt is not None and found.arm is not None:
        sentence += f" The fork turns by {both(abs(f.tilt), 'rad')}."
        working.append(f"Turn = arcsin(rise · R_f/arm), arm {_mm(found.arm)} mm [geometry].")
    if found.stroke is not None and found.needed is not None:
        enough = found.needed <= found.stroke
        sentence += (f" The slave still has its stroke: {_m(found.needed)} of {_m(found.stroke)}." if enough else
                     f" The slave runs out: full pedal asks for {_m(found.needed)}, {_m(found.stroke)} is left."
                     )  # fmt: skip
        working.append(f"Slave at full pedal = (bearing travel + clearance) · R_f = {_mm(found.needed)} mm; a shorter "
                       f"bearing lets the piston stand further out by its difference · R_f, which leaves "
                       f"{_mm(found.stroke)} mm.")  # fmt: skip
    if abs(f.height) > MAKE_UP:
        working.append("Past 0.5 mm it is made up for with a pivot or slave shim [practice].")
    return Said(sentence, tuple(working))


def cut_said(found: FlywheelCut) -> Said:
    """A flywheel that was cut: fingers, clamp, and how near the hub comes to the bolts."""
    cut, known = found.cut, found.ratio is not None or found.face == found.seat
    said = []
    if known and abs(cut.fingers) > 1e-6:
        way, play = ("to the gearbox", "shrinks") if cut.fingers > 0 else ("to the engine", "grows")
        room = f": cushion or free play {play} by that" if found.pushed else ""
        said.append(f"The finger tips come {_m(abs(cut.fingers))} nearer {way}{room}.")
    elif not known:
        said.append("How far the finger tips move waits for the cover's lever ratio.")
    if abs(cut.acts_as_wear) > 1e-6:
        acts = "has worn" if cut.acts_as_wear > 0 else "were thicker by"
        said.append(f"The cover acts as if the disc {acts} {_m(abs(cut.acts_as_wear))}.")
    else:
        said.append("Cut alike, the clamp stays.")
    if found.face:
        said.append(f"The disc's hub comes {_m(cut.hub_nearer)} nearer the flywheel bolts: check the gap.")
    if known and abs(cut.fingers) > MAKE_UP:
        mend = "a spacer under the bearing" if found.concentric else "a pivot or slave shim"
        said.append(f"Past 0.5 mm: make it up with {mend}, and measure again.")
    ratio = "R_d" if found.ratio is None else figure(found.ratio)
    fingers = f" = {_mm(cut.fingers)} mm, plus towards the gearbox" if known else ""
    rule = "(face − seat) · R_d − seat"
    terms = f"({_mm(found.face)} − {_mm(found.seat)}) · {ratio} − {_mm(found.seat)}"
    if not found.pushed:
        rule, terms = f"−{rule}", f"−{terms}"
    return Said(" ".join(said), (
        f"Fingers = {rule} = {terms}{fingers}. Both cut alike move the whole clutch towards the engine; the face alone "
        "acts as wear does, which takes the tips of a pull-type cover the other way [geometry; practice].",
        "A flywheel is cut no thinner than its maker's least thickness.",
    ))  # fmt: skip


def end_float_said(found: EndFloat) -> Said:
    """An input shaft's end float and the shims that take it up."""
    names = found.pieces.names
    if not names:
        sentence = f"End float {_m(found.measured)}: nil but free turning is wanted. Measure the shims at hand."
    elif not found.taken:
        sentence = f"End float {_m(found.measured)}: no shim at hand is thin enough."
    else:
        with_what = _and([names[i] for i in found.taken])
        verb = "takes" if len(found.taken) == 1 else "take"
        sentence = f"{with_what} {verb} the end float to {_m(found.left)}; thickest at the race."
    terms = "".join(f" − {_mm(found.pieces.heights[i])}" for i in found.taken)
    return Said(sentence, (
        f"Left = end float − shims = {_mm(found.measured)}{terms} = {_mm(found.left)} mm: the least that is not below "
        "nothing, with the fewest shims. Nil but free turning [practice]; the manual's figure comes first.",
        *_tried(found.pieces),
    ))  # fmt: skip


def air_said(found: AirFound) -> Said:
    """Trapped air, to no more digits than its band allows."""
    air = found.air
    low, high = both(air.low, "m³", 2), both(air.high, "m³", 2)
    sentence = "The slave travels as far as it should: no air worth counting."
    if air.high > 0 and air.volume > 0:
        least = f"Up to {high}" if air.low == 0 else f"{low} to {high}"
        sentence = f"{least} of air is still in there, or something flexes."
    pushed, came = found.master_area * found.master_travel, found.slave_area * found.slave_travel
    swell = found.hose_swell * found.pressure
    grows = (ATMOSPHERE + found.pressure) / found.pressure
    return Said(sentence, (
        f"Master pushes A_m · x_m = {both(found.master_area, 'm²')} · {_mm(found.master_travel)} mm = {_ml(pushed)} mL "
        "after its port has closed.",
        f"Slave took A_s · x_s = {both(found.slave_area, 'm²')} · {_mm(found.slave_travel)} mm = {_ml(came)} mL; "
        f"swelling hoses took {_ml(swell)} mL at {both(found.pressure, 'Pa')}.",
        f"What is missing is air pressed together: ({_ml(pushed)} − {_ml(came)} − {_ml(swell)}) mL · (p₀ + p)/p = "
        f"{_ml(pushed - came - swell)} mL · {figure(grows, 3)}, at rest {both(max(air.volume, 0.0), 'm³', 2)} "
        "[definition: Boyle's law].",
        f"Its band is {_mm(PORT_DOUBT)} mm of doubt where the port closes and the reading's own: {low} to {high}. A "
        "fork or bulkhead that flexes looks the same [practice].",
    ))  # fmt: skip


def pack_said(found: Pack) -> Said:
    """What counts and thicknesses say of the order of a wet pack."""
    said = []
    if found.friction is not None and found.asked is not None and found.friction != found.asked:
        said.append(f"{found.friction} friction plates are there, but the job says {found.asked}.")
    if found.friction is not None and found.plain is not None:
        usual = "one more friction plate, as usual" if found.friction == found.plain + 1 else (
            "one more friction plate is usual, look again")  # fmt: skip
        said.append(f"{found.friction} friction and {found.plain} plain plates: {usual}.")
    if found.common is not None:
        thick = dict(found.thick)
        said += [f"{name} is {_m(thick[name])} among {_m(found.common)}: it has a place of its own in the pack, often "
                 "at the far end; put it back there." for name in found.odd]  # fmt: skip
        if not found.odd:
            said.append(f"Every plain plate read is of one thickness, {_m(found.common)}.")
    return Said(" ".join(said), ())


_SAYS: Mapping[str, Callable[[Any], Said]] = {
    "bearing": bearing_said, "floater": floater_said, "shaft": shaft_said, "fork": fork_said, "cut": cut_said,
    "end_float": end_float_said, "air": air_said, "pack": pack_said,
}  # fmt: skip


def say(found: Proofs) -> dict[str, Said]:
    """Name of a sum, as `Proofs` has it, to its words; only those whose readings are there."""
    there = {f.name: getattr(found, f.name) for f in fields(found)}
    return {name: _SAYS[name](proof) for name, proof in there.items() if proof is not None}
