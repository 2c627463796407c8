"""A flywheel that was cut, or is another height than the one that comes out: fingers, clamp and hub.

- `flywheel_cut`, `Cut`   what cutting face and seat does
- `FlywheelCut`, `work_out`, `tell`   the calculation

Lengths in metres.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.effect import Effect, EffectOf, of_length
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.reading import Readings, values_of
from liftbite.core.measure.setup.calculation import MAKE_UP, Calculation, Outcome, mm, right, span
from liftbite.core.units.show import figure

#: What is read of both wheels, from the crank's flange.
HEIGHTS = ("Face, comes out", "Face, goes in", "Seat, comes out", "Seat, goes in")


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
    compared : True where both wheels' heights say it, False where cuts do
    seat_read : False where the seat is taken to be as much lower as the face
    """

    face: float
    seat: float
    ratio: float | None
    cut: Cut
    way: float
    in_line: bool
    compared: bool = False
    seat_read: bool = True


def lower_by(readings: Readings) -> tuple[float, float] | None:
    """How much lower face and seat of the wheel that goes in are [m]: heights where both were read, else cuts.

    Where the seat's heights were not read, it stands as much lower as the face.
    """
    read = {place: values_of(readings, "flywheel_heights", place)[-1:] for place in HEIGHTS}
    face, seat = (
        [out - in_ for out, in_ in zip(read[f"{level}, comes out"], read[f"{level}, goes in"], strict=False)]
        for level in ("Face", "Seat")
    )
    if face:
        return face[0], (seat or face)[0]
    cuts = [values_of(readings, name)[-1:] for name in ("face_cut", "seat_cut")]
    return (sum(cuts[0]), sum(cuts[1])) if any(cuts) else None


def work_out(build: Build, readings: Readings, _: Mapping[str, str]) -> FlywheelCut | None:
    """What the cuts of a job do, or how much lower the wheel is that goes in; None until one was measured."""
    off = lower_by(readings)
    if off is None:
        return None
    off_face, off_seat = off
    ratio, way = _levers(build)
    cut = flywheel_cut(off_face, off_seat, ratio or 0.0, way=way)
    in_line, compared = "fork_ratio" in build.graph.functions, bool(values_of(readings, "flywheel_heights"))
    seat_read = all(values_of(readings, "flywheel_heights", p) for p in HEIGHTS if p.startswith("Seat"))
    return FlywheelCut(off_face, off_seat, ratio, cut, way, in_line, compared, seat_read)


def _levers(build: Build) -> tuple[float | None, float]:
    """Lever ratio of the cover, None where it is not known, and which way its fingers go with wear."""
    v = build.evaluate(("release_lever_ratio", "finger_way"))
    ratio, way = v["release_lever_ratio"], v["finger_way"]
    return None if isinstance(ratio, Needs | Refused) else float(ratio), float(way)


def tell(found: FlywheelCut) -> Outcome:
    """A flywheel that was cut: fingers, clamp, and how near the hub comes to the bolts."""
    cut, known = found.cut, found.ratio is not None or found.face == found.seat
    words = []
    if known and abs(cut.fingers) > 1e-6:
        way, play = ("to the gearbox", "shrinks") if cut.fingers > 0 else ("to the engine", "grows")
        room = f": {'reserve or free play' if found.way > 0 else 'X less Y'} {play} by that"
        words.append(f"The finger tips come {span(abs(cut.fingers))} nearer {way}{room}.")
    elif not known:
        words.append("How far the finger tips move waits for the cover's lever ratio.")
    if abs(cut.acts_as_wear) > 1e-6:
        acts = "has worn" if cut.acts_as_wear > 0 else "were thicker by"
        words.append(f"The cover acts as if the disc {acts} {span(abs(cut.acts_as_wear))}.")
    else:
        words.append(f"{'Both' if found.compared else 'Cut'} alike, the clamp stays.")
    if found.face > 0:
        words.append(f"The disc's hub comes {span(cut.hub_nearer)} nearer the flywheel bolts: check the gap.")
    if found.compared:
        seat = (
            f" and {_lower(found.seat)} at the seat."
            if found.seat_read
            else ("; the seat was not read, and is taken to be so by as much. On a stepped wheel, read it.")
        )
        words.insert(0, f"The wheel that goes in is {_lower(found.face)} at the face{seat}")
    if known and abs(cut.fingers) > MAKE_UP:
        words.append(f"Past 0.5 mm: make it up with {_mend(found)}, and measure again.")
    ratio = "R_d" if found.ratio is None else figure(found.ratio)
    fingers = f" = {mm(cut.fingers)} mm, plus towards the gearbox" if known else ""
    rule = "(face − seat) · R_d − seat"
    terms = f"({mm(found.face)} − {mm(found.seat)}) · {ratio} − {mm(found.seat)}"
    if found.way < 0:
        rule, terms = f"−{rule}", f"−{terms}"
    return Outcome(
        " ".join(words),
        right(not (known and abs(cut.fingers) > MAKE_UP)) if known else "",
        (
            f"Fingers = {rule} = {terms}{fingers}. Both cut alike move the whole clutch towards the engine; the face "
            "alone acts as wear does, which takes the tips of a pull-type cover the other way [geometry; practice].",
            "A flywheel is cut no thinner than its maker's least thickness.",
        ),
    )


def _lower(off: float) -> str:
    return "as high" if abs(off) < 1e-6 else f"{span(abs(off))} {'lower' if off > 0 else 'higher'}"


def _mend(found: FlywheelCut) -> str:
    """What brings the fingers' movement back: where they came nearer a bearing in line, spacers go, not come."""
    if not found.in_line:
        return "a pivot or slave shim"
    return "thinner spacers under the bearing" if found.cut.fingers > 0 else "a spacer under the bearing"


def _effects(build: Build, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    off = lower_by(readings)
    if off is None:
        return []
    face, seat = off
    ratio, way = _levers(build)
    cut = flywheel_cut(face, seat, 1.0 if ratio is None else ratio, way=way)
    found = []
    pressed, thick, reserve = (build.known.get(n) for n in ("diaphragm_set", "flywheel_thickness", "bearing_reserve"))
    if cut.acts_as_wear and pressed is not None and "diaphragm_set" in build.graph.inputs(("clamp_load",)):
        levered = build.evaluate(("ring_leverage",))["ring_leverage"]
        if not isinstance(levered, Needs | Refused):
            left = pressed - cut.acts_as_wear * float(levered)
            why = "face and seat cut apart act on the cover as wear does, levered to the ring"
            found.append(of_length("face_cut", "diaphragm_set", left, why))
    if thick is not None:
        found.append(of_length("face_cut", "flywheel_thickness", thick - face, "what the face lost"))
    if reserve is not None and ratio is not None and cut.fingers and not values_of(readings, "depth_x"):
        found.append(of_length("face_cut", "bearing_reserve", reserve - cut.fingers, "the fingers move with the cut"))
    return found


def _cut_effects(build: Build, readings: Readings, limits: Sequence[Limit]) -> list[Effect]:
    """What the cuts change, where no heights were read: those win."""
    return [] if values_of(readings, "flywheel_heights") else _effects(build, readings, limits)


def _heights_effects(build: Build, readings: Readings, limits: Sequence[Limit]) -> list[Effect]:
    """The same, under the name of the heights where those were read; the thickness is a wheel's own."""
    if not values_of(readings, "flywheel_heights"):
        return []
    return [
        replace(e, check="flywheel_heights")
        for e in _effects(build, readings, limits)
        if e.quantity != "flywheel_thickness"
    ]


CALCULATION = Calculation(
    "cut",
    "Height of the flywheel",
    "flywheel",
    ("face_cut", "seat_cut", "flywheel_heights"),
    "what came off the face or the seat, or the heights of both wheels",
    work_out,
    tell,
    effects={"face_cut": EffectOf(_cut_effects, once=True), "flywheel_heights": EffectOf(_heights_effects, once=True)},
)
