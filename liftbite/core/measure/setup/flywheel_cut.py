"""A flywheel that was cut: what it does to fingers, clamp and hub.

- `flywheel_cut`, `Cut`   what cutting face and seat does
- `FlywheelCut`, `work_out`, `tell`   the calculation

Lengths in metres.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.check import Limit
from liftbite.core.measure.effect import Effect, EffectOf, of_length
from liftbite.core.measure.judgement import Readings, values_of
from liftbite.core.measure.setup.calculation import MAKE_UP, Calculation, Told, mm, right, said
from liftbite.core.units.show import figure


@dataclass(frozen=True, slots=True)
class Cut:
    """What cutting a flywheel does.

    Attributes
    ----------
    fingers : movement of the finger tips, plus towards the gearbox [m]; reserve or free play changes by its opposite
    acts_as_wear : wear the cover acts as if the disc had [m]; below 0 where the seat was cut more
    hub_nearer : how much nearer the disc's hub comes to the flywheel bolts [m]
    """

    fingers: float
    acts_as_wear: float
    hub_nearer: float


def flywheel_cut(face_cut: float, seat_cut: float, lever_ratio: float, *, way: float = 1.0) -> Cut:
    """What cutting the friction face and the cover's seat does: cut alike the clutch moves, cut apart it ages.

    Both by x: the whole clutch goes x towards the engine, fingers too. The face alone by x: like x of wear, the
    fingers of a push-type cover come back x·R_d, the opposite sign; those of a pull-type cover go on to the engine:
    `way` is the quantity `finger_way`.

    >>> both, face = flywheel_cut(0.0005, 0.0005, 4.0), flywheel_cut(0.0005, 0.0, 4.0)
    >>> both.fingers, both.acts_as_wear, face.fingers, face.acts_as_wear
    (-0.0005, 0.0, 0.002, 0.0005)
    """
    apart = face_cut - seat_cut
    return Cut(fingers=way * apart * lever_ratio - seat_cut, acts_as_wear=apart, hub_nearer=face_cut)


@dataclass(frozen=True, slots=True)
class FlywheelCut:
    """A flywheel that was cut.

    Attributes
    ----------
    face, seat : what came off [m]
    ratio : lever ratio of the cover [-], or None
    cut : what it does
    way : of the finger tips with wear, plus to the gearbox [-]
    in_line : True where no fork stands between slave and bearing
    """

    face: float
    seat: float
    ratio: float | None
    cut: Cut
    way: float
    in_line: bool


def work_out(build: Build, readings: Readings, _: Mapping[str, str]) -> FlywheelCut | None:
    """What the cuts of a job do; None until one was measured."""
    face, seat = values_of(readings, "face_cut")[-1:], values_of(readings, "seat_cut")[-1:]
    if not face and not seat:
        return None
    off_face, off_seat = sum(face), sum(seat)
    ratio, way = _levers(build)
    cut = flywheel_cut(off_face, off_seat, ratio or 0.0, way=way)
    return FlywheelCut(off_face, off_seat, ratio, cut, way, "fork_ratio" in build.graph.functions)


def _levers(build: Build) -> tuple[float | None, float]:
    """Lever ratio of the cover, None where it is not known, and which way its fingers go with wear."""
    v = build.evaluate(("release_lever_ratio", "finger_way"))
    ratio, way = v["release_lever_ratio"], v["finger_way"]
    return None if isinstance(ratio, Needs | Refused) else float(ratio), float(way)


def tell(found: FlywheelCut) -> Told:
    """A flywheel that was cut: fingers, clamp, and how near the hub comes to the bolts."""
    cut, known = found.cut, found.ratio is not None or found.face == found.seat
    words = []
    if known and abs(cut.fingers) > 1e-6:
        way, play = ("to the gearbox", "shrinks") if cut.fingers > 0 else ("to the engine", "grows")
        room = f": {'reserve or free play' if found.way > 0 else 'X less Y'} {play} by that"
        words.append(f"The finger tips come {said(abs(cut.fingers))} nearer {way}{room}.")
    elif not known:
        words.append("How far the finger tips move waits for the cover's lever ratio.")
    if abs(cut.acts_as_wear) > 1e-6:
        acts = "has worn" if cut.acts_as_wear > 0 else "were thicker by"
        words.append(f"The cover acts as if the disc {acts} {said(abs(cut.acts_as_wear))}.")
    else:
        words.append("Cut alike, the clamp stays.")
    if found.face:
        words.append(f"The disc's hub comes {said(cut.hub_nearer)} nearer the flywheel bolts: check the gap.")
    if known and abs(cut.fingers) > MAKE_UP:
        words.append(f"Past 0.5 mm: make it up with {_mend(found)}, and measure again.")
    ratio = "R_d" if found.ratio is None else figure(found.ratio)
    fingers = f" = {mm(cut.fingers)} mm, plus towards the gearbox" if known else ""
    rule = "(face − seat) · R_d − seat"
    terms = f"({mm(found.face)} − {mm(found.seat)}) · {ratio} − {mm(found.seat)}"
    if found.way < 0:
        rule, terms = f"−{rule}", f"−{terms}"
    return Told(" ".join(words), right(not (known and abs(cut.fingers) > MAKE_UP)) if known else "", (
        f"Fingers = {rule} = {terms}{fingers}. Both cut alike move the whole clutch towards the engine; the face alone "
        "acts as wear does, which takes the tips of a pull-type cover the other way [geometry; practice].",
        "A flywheel is cut no thinner than its maker's least thickness.",
    ))  # fmt: skip


def _mend(found: FlywheelCut) -> str:
    """What brings the fingers' movement back: where they came nearer a bearing in line, spacers go, not come."""
    if not found.in_line:
        return "a pivot or slave shim"
    return "thinner spacers under the bearing" if found.cut.fingers > 0 else "a spacer under the bearing"


def _effects(build: Build, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    face, seat = values_of(readings, "face_cut")[-1:], values_of(readings, "seat_cut")[-1:]
    if not face and not seat:
        return []
    ratio, way = _levers(build)
    cut = flywheel_cut(sum(face), sum(seat), 1.0 if ratio is None else ratio, way=way)
    found = []
    pressed, thick, reserve = (build.known.get(n) for n in ("diaphragm_set", "flywheel_thickness", "bearing_reserve"))
    if cut.acts_as_wear and pressed is not None and "diaphragm_set" in build.graph.inputs(("clamp_load",)):
        levered = build.evaluate(("ring_leverage",))["ring_leverage"]
        if not isinstance(levered, Needs | Refused):
            left = pressed - cut.acts_as_wear * float(levered)
            why = "face and seat cut apart act on the cover as wear does, levered to the ring"
            found.append(of_length("face_cut", "diaphragm_set", left, why))
    if thick is not None:
        found.append(of_length("face_cut", "flywheel_thickness", thick - sum(face), "what the face lost"))
    if reserve is not None and ratio is not None and cut.fingers and not values_of(readings, "depth_x"):
        found.append(of_length("face_cut", "bearing_reserve", reserve - cut.fingers, "the fingers move with the cut"))
    return found


CALCULATION = Calculation(
    "cut", "Cut of the flywheel", ("face_cut", "seat_cut"), "what came off the face or the seat", work_out, tell,
    effects={"face_cut": EffectOf(_effects, once=True)},
)  # fmt: skip
