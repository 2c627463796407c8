"""What is measured on the bench: every check with its places, its limits and whose they are.

- `Limit`     a figure a reading is held against
- `Grade`     a condition in a word, where there is nothing to measure
- `Place`     where on a part
- `Check`     one thing to measure or look at
- `CHECKS`    all of them, in the order of work
- `checks_for`   those a job's arrangement calls for

A manual's figure, once typed, stands over every default here.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from typing import Any, Literal

from liftbite.core.job.build import Build
from liftbite.core.job.choices import TRAITS
from liftbite.core.units.constants import INCH, THOU

PRACTICE = "common practice, no source"
Kind = Literal["reading", "grade", "sweep", "figure"]
LimitName = Literal["new", "least", "most", "spread"]
Picture = Literal["surface", "bearing", "seal", "facing", "fastener", "spots", "spring"]
Verdict = Literal[
    "stop", "renew as set", "renew", "dress or resurface", "put right", "too close to call", "reuse and watch",
    "reuse", "open", "noted",
]  # fmt: skip


@dataclass(frozen=True, slots=True)
class Limit:
    """A figure a reading is held against.

    Attributes
    ----------
    name : "new", "least", "most" or "spread"; "new" is what an unworn part reads and limits nothing
    value : the figure [SI]; None until the manual's is typed
    mark : "standard", "handbook", "memory", "practice", "job" or "manual"
    why : whose it is, in words
    """

    name: LimitName
    value: float | None
    mark: str
    why: str


@dataclass(frozen=True, slots=True)
class Grade:
    """A condition in a word, with the verdict it leads to; `level` 0 as new to 3 scrap draws its picture."""

    value: str
    word: str
    says: str
    verdict: Verdict
    level: int


@dataclass(frozen=True, slots=True)
class Place:
    """Where on a part: the item, such as a plate of a pack, and the spot on it."""

    item: str
    spot: str = ""

    @property
    def key(self) -> str:
        """Its name in the record: `Plate 3, place 1`."""
        return f"{self.item}, {self.spot}" if self.spot else self.item


@dataclass(frozen=True, slots=True)
class Check:
    """One thing to measure or look at.

    Attributes
    ----------
    name : name in the record
    part, label : the part and what is measured on it
    how : how it is taken, one or two sentences
    kind : "reading" against limits, "grade", "sweep" round a circle, or "figure" that a sum needs
    unit, field_unit : SI unit and the unit a bare number is read in
    suited : instruments that can take it, the usual one first
    places : where on the part, for a job
    limits : what it is held against
    grades : conditions to pick from
    picture : what their pictures show: "surface", "bearing", "seal", "facing" or "fastener"
    if_failed : verdict where it fails
    whole : the set it is renewed with, or empty
    wanted : arrangement that calls for it
    usual : range outside which a reading is questioned [SI]
    grows : True where more places may be added, such as spacers at hand
    """

    name: str
    part: str
    label: str
    how: str
    kind: Kind = "reading"
    unit: str = "m"
    field_unit: str = "mm"
    suited: tuple[str, ...] = ("caliper", "micrometer")
    places: Callable[[Build], tuple[Place, ...]] = lambda _: (Place("Once"),)
    limits: tuple[Limit, ...] = ()
    grades: tuple[Grade, ...] = ()
    picture: Picture = "surface"
    if_failed: Verdict = "renew"
    whole: str = ""
    wanted: Callable[[Build], bool] = lambda _: True
    usual: tuple[float, float] = (0.0, 1.0)
    grows: bool = False

    @property
    def title(self) -> str:
        """Part and what is measured on it: `Disc: wobble at the rim`."""
        keep = self.label[1:2].isupper() or not self.label[1:2].isalpha()
        return f"{self.part}: {self.label if keep else self.label[0].lower() + self.label[1:]}"

    def limit(self, name: str) -> Limit | None:
        """The limit of that name, or None."""
        return next((found for found in self.limits if found.name == name), None)


# --- arrangements and places


def _has(trait: str) -> Callable[[Build], bool]:
    assert trait in TRAITS, trait
    return lambda build: build.chosen.has(trait)


_car, _bike, _coils, _fork = _has("car"), _has("motorcycle"), _has("coil springs"), _has("fork")


def _count(build: Build, name: str, otherwise: int) -> int:
    return max(1, int(build.known.get(name, otherwise)))


def _spots(item: str, how_many: Callable[[Build], int], *spots: str) -> Callable[[Build], tuple[Place, ...]]:
    def found(build: Build) -> tuple[Place, ...]:
        return tuple(Place(f"{item} {i + 1}", s) for i in range(how_many(build)) for s in spots or ("",))

    return found


def _fixed(*items: str) -> Callable[[Build], tuple[Place, ...]]:
    return lambda _: tuple(Place(item) for item in items)


def _discs(build: Build) -> int:
    return _count(build, "disc_count", 1)


def _hydraulic(build: Build) -> bool:
    return "line_pressure" in build.graph.functions


def _several(build: Build) -> bool:
    return _car(build) and _discs(build) > 1


def _plates(build: Build) -> int:
    return _count(build, "friction_plate_count", 7)


def _plain(build: Build) -> int:
    return max(1, _plates(build) - 1)


def _springs(build: Build) -> int:
    lengths = build.known.get("spring_free_lengths")
    return _count(build, "spring_count", 5 if lengths is None else len(lengths))


#: The angles of a sweep before the builder picks others: eight, and the first again to close it.
SWEEP_ANGLES = (*(f"{a}°" for a in range(0, 360, 45)), "0° again")
_SWEEP = _fixed(*SWEEP_ANGLES)


def _practice(name: LimitName, value: float | None, words: str = "") -> Limit:
    return Limit(name, value, "practice", f"{PRACTICE}{': ' + words if words else ''}")


_MANUAL = "no figure without the manual's"


def _given(of: str) -> tuple[Limit, Limit]:
    """Room for a kit maker's window of what a sum comes to."""
    why = f"{of}, where the kit maker or the manual gives a window"
    return Limit("least", None, "manual", why), Limit("most", None, "manual", why)


def _manual(name: LimitName) -> Limit:
    return Limit(name, None, "manual", _MANUAL)


# --- grades

_BEARING = (
    Grade("greasy", "Greasy and slow", "Turns with a drag, no noise: as new.", "reuse", 0),
    Grade("free", "Spins freely", "The grease has gone.", "renew", 2),
    Grade("stiff", "Silent but stiff", "Turns hard, or in steps.", "renew", 2),
    Grade("rough", "Rough or noisy", "Grinds, rattles or howls.", "renew", 3),
)
_NOTCHES = (
    Grade("smooth", "Smooth to a fingertip", "No edge to be felt.", "reuse", 0),
    Grade("light", "Light notches", "A nail catches; a file would take them out.", "dress or resurface", 1),
    Grade("deep", "Deep notches", "Plates hang in them.", "renew", 2),
    Grade("cracked", "Cracked or loose", "A crack, a loose rivet, a broken tab.", "stop", 3),
)
_SEAL = (
    Grade("dry", "Dry", "Clean above and below.", "reuse", 0),
    Grade("damp", "Damp", "A film, no run.", "reuse and watch", 1),
    Grade("wet", "Clean above, wet below", "It leaks.", "renew", 2),
)
_FACE = (
    Grade("polished", "Smooth and flat", "Polished, no groove, no blue spot.", "reuse", 0),
    Grade("scored", "Scored or chattered", "Grooves or chatter marks a nail catches.", "dress or resurface", 1),
    Grade("checked", "Heat checks, blue spots", "Hard spots come through again after a cut.", "dress or resurface", 2),
    Grade("cracked", "Cracked", "A crack that dye shows, or drilled and welded.", "stop", 3),
)
_SPRUNG = (
    Grade("tight", "Tight", "Nothing rattles, splines smooth, facings dry.", "reuse", 0),
    Grade("loose", "Rattles", "Damper springs loose in their windows.", "renew", 2),
    Grade("oily", "Oily", "Oil on a facing does not come out again.", "renew", 2),
    Grade("broken", "Missing or cracked", "A spring gone, a crack, torn splines.", "renew", 3),
)
_PIVOT = (
    Grade("sound", "Sound", "Coating whole, no wear flat.", "reuse", 0),
    Grade("flat", "A wear flat", "Shiny and flat, coating whole.", "reuse and watch", 1),
    Grade("bare", "Bare metal", "Worn through its coating.", "renew", 2),
    Grade("cracked", "Cracked", "A crack in arm, ball or sleeve.", "stop", 3),
)
_TIPS = (
    Grade("even", "Evenly polished", "A narrow bright line.", "reuse", 0),
    Grade("grooved", "A groove", "A nail catches in it.", "reuse and watch", 1),
    Grade("thin", "Worn thin or uneven", "A step, or one finger higher than the rest.", "renew", 2),
    Grade("bent", "Bent or broken", "A finger or a strap bent, cracked or gone.", "renew", 3),
)
_BURNT = (
    Grade("clean", "Clean, tabs whole", "Brown, no smell, square tabs.", "reuse", 0),
    Grade("glazed", "Glazed", "Shiny, hard.", "renew as set", 2),
    Grade("burnt", "Burnt", "Black, and it smells.", "renew as set", 3),
    Grade("cracked", "Tabs cracked", "A crack at a tab, or a torn facing.", "renew as set", 3),
)
_TEETH = (
    Grade("whole", "Whole", "Every tooth, no burr.", "reuse", 0),
    Grade("burred", "Burred", "Ends turned over; they can be dressed.", "dress or resurface", 1),
    Grade("broken", "Worn or broken", "Teeth short or gone.", "renew", 3),
)
_SPLINE = (
    Grade("clean", "Clean", "Disc slides by its weight.", "reuse", 0),
    Grade("stepped", "A step", "A nail catches where the hub sat.", "reuse and watch", 1),
    Grade("twisted", "Twisted or blue", "Splines out of line, or heat colours.", "renew", 3),
)
_FIRM = (
    Grade("tight", "Tight", "Every fastener tight, the insert does not move.", "reuse", 0),
    Grade("loose", "Loose", "A fastener turns, or the insert rings dull.", "stop", 3),
)

_SPOTS = (
    Grade("even", "Evenly grey", "No spot, no groove a nail catches.", "reuse", 0),
    Grade("dark", "Dark in places", "Darker bands, no blue.", "reuse and watch", 1),
    Grade("blue", "Blue spots", "It slipped hot there: hard, and dished.", "renew as set", 2),
    Grade("scored", "Scored", "Grooves a nail catches.", "renew as set", 3),
)
_SQUARE = (
    Grade("square", "Square", "Stands upright against the square, ends flat.", "reuse", 0),
    Grade("rubbed", "Rubbed", "Bright where it touched its pocket.", "reuse and watch", 1),
    Grade("leaning", "Leaning", "A gap at the square's blade, or bowed.", "renew as set", 2),
    Grade("broken", "Cracked or rusted", "A pit or a crack; it breaks from there.", "renew as set", 3),
)
_BOLTED = (
    Grade("clean", "Clean", "Threads and shanks whole, holes round, not one-time bolts.", "reuse", 0),
    Grade("once", "One-time bolts", "Stretched, marked one-time, or nobody knows.", "renew", 2),
    Grade("drawn", "Holes drawn or fretted", "Oval, rust-red, or a dowel loose.", "stop", 3),
)

_FLUID = (
    Grade("clear", "Clear", "Straw to amber, up to the mark.", "reuse", 0),
    Grade("dark", "Dark or low", "Brown, or below the mark: old, or it goes somewhere.", "put right", 1),
    Grade("gritty", "Black or gritty", "Rubber in it: a seal is going; fluid and seals are renewed.", "renew", 2),
)
_RUBBER = (
    Grade("firm", "Firm", "No play to and fro by hand.", "reuse", 0),
    Grade("slack", "Slack", "Play by hand, rubber or springs settled.", "reuse and watch", 1),
    Grade("gone", "Cracked or gone", "Pieces missing, metal meets metal.", "renew", 3),
)
_SLEEVE = (
    Grade("free", "Slides freely", "Bore and groove smooth, the fork's groove even.", "reuse", 0),
    Grade("worn", "Scored or stepped", "A nail catches in the bore or in the fork's groove.", "renew", 2),
)

_PICTURES: tuple[tuple[tuple[Grade, ...], Picture], ...] = (
    (_SPOTS, "spots"),
    (_SQUARE, "spring"),
    (_BOLTED, "fastener"),
    (_BEARING, "bearing"),
    (_SEAL, "seal"),
    (_BURNT, "facing"),
    (_SPRUNG, "facing"),
    (_FIRM, "fastener"),
)  # fmt: skip


def _graded(name: str, part: str, label: str, how: str, grades: tuple[Grade, ...], wanted: Callable[[Build], bool],
            **more: Any) -> Check:  # fmt: skip
    picture: Picture = next((picture for of, picture in _PICTURES if of is grades), "surface")
    asked = Check(name, part, label, how, "grade", suited=(), grades=grades, picture=picture, wanted=wanted)
    return replace(asked, **more)


_SAG = "Keep the crank pushed one way against its end float. Go round by hand, no fuel, no spark."

_ALL = (
    # dry disc
    Check("rivet_depth", "Disc", "Facing down to the rivet",
          "From the facing's surface down to the nearest rivet head. The lowest place decides. Disc 1 runs at the "
          "flywheel. Old dust may hold asbestos: wipe it wet, never an air line.",
          suited=("depth_gauge", "caliper"), wanted=_car,
          places=_spots("Disc", _discs, "flywheel side, 1", "flywheel side, 2", "flywheel side, 3",
                        "plate side, 1", "plate side, 2", "plate side, 3"),
          limits=(_practice("new", 1.0e-3, "new over 1.0 mm"), _practice("least", 0.3e-3)), usual=(0, 4e-3),
          whole="discs"),
    Check("disc_wobble", "Disc", "Wobble at the rim", "Disc on its own shaft or a mandrel, dial at the rim, one turn.",
          "sweep", suited=("dial",), places=_SWEEP, wanted=_car, usual=(-5e-3, 5e-3),
          limits=(Limit("most", 0.8e-3, "memory", "0.5 to 0.8 mm at the rim; the larger"),)),
    _graded("disc_condition", "Disc", "Damper, splines, oil",
            "Shake it by your ear; slide it on the shaft; look for oil.", _SPRUNG, _car,
            places=_spots("Disc", _discs)),
    Check("puck_thickness", "Disc", "Thickness of the pucks", "Across each puck and its carrier, never at an edge.",
          suited=("micrometer", "caliper"), usual=(2e-3, 20e-3),
          places=_spots("Disc", _discs, "puck 1", "puck 2", "puck 3"),
          wanted=lambda s: _car(s) and float(s.known.get("coverage", 1.0)) < 1, whole="discs",
          limits=(_manual("new"), _manual("least"))),
    # wet pack
    Check("plate_thickness", "Friction plates", "Thickness",
          "At the facing, never across a groove; three places round each plate, plates kept in order.",
          suited=("caliper", "micrometer"), wanted=_bike, usual=(1e-3, 6e-3),
          places=_spots("Plate", _plates, "place 1", "place 2", "place 3"),
          limits=(_practice("new", 3.0e-3, "3.0 mm, 2.9 to 3.1 is fine"), _practice("least", 2.8e-3)),
          if_failed="renew as set", whole="plate set"),
    _graded("plate_condition", "Friction plates", "Tabs and smell", "Look at the tabs, smell the pack.", _BURNT, _bike,
            whole="plate set"),
    Check("friction_warp", "Friction plates", "Warp", "Flat on a surface plate; the thickest blade that goes under.",
          suited=("feeler",), wanted=_bike, usual=(0, 1e-3), places=_spots("Plate", _plates),
          limits=(_manual("most"),), if_failed="renew as set", whole="plate set"),
    Check("plain_warp", "Plain plates", "Warp", "Flat on a surface plate; the thickest blade that goes under.",
          suited=("feeler",), wanted=_bike, usual=(0, 1e-3), places=_spots("Plain plate", _plain),
          limits=(_practice("most", 0.2e-3, "0.1 to 0.3 mm by manual"),), if_failed="renew as set", whole="plate set"),
    Check("plain_thickness", "Plain plates", "Thickness",
          "One place each; a plate of another thickness has a place of its own in the pack.",
          wanted=_bike, usual=(0.8e-3, 4e-3), places=_spots("Plain plate", _plain)),
    _graded("plain_face", "Plain plates", "Spots and colour", "Both faces, in good light; wiped, not polished.", _SPOTS,
            _bike),
    Check("plate_count", "Friction plates", "Count", "Friction plates, then plain ones; one more friction is usual.",
          "figure", unit="count", field_unit="", suited=(), wanted=_bike, places=_fixed("Friction", "Plain"),
          usual=(1, 30)),
    # springs
    Check("spring_free_length", "Coil springs", "Free length",
          "Each spring standing on end, in order round the plate. Springs are renewed as a set.",
          wanted=_coils, places=_spots("Spring", _springs), usual=(15e-3, 120e-3),
          limits=(_practice("new", 35e-3, "35 mm new"), _practice("least", 33e-3, "33 mm where new is 35"),
                  _manual("spread")),
          if_failed="renew as set", whole="springs"),
    _graded("spring_square", "Coil springs", "Squareness", "Each on a flat plate against a square.", _SQUARE, _coils),
    # cover
    Check("finger_height", "Cover", "Finger height", "From one plane to each finger tip, evenly round.",
          suited=("depth_gauge", "caliper"), places=_spots("Finger", lambda _: 6), usual=(0, 0.1),
          wanted=lambda s: _car(s) and not _coils(s),
          limits=(Limit("spread", 0.8e-3, "memory", "0.5 to 0.8 mm between fingers; the larger"),)),
    _graded("finger_tips", "Cover", "Finger tips and straps", "Where the bearing runs; every strap.", _TIPS, _car),
    _graded("plate_face", "Cover", "Pressure plate's face", "Spots, cracks, grooves.", _FACE, _car),
    Check("plate_flatness", "Cover", "Pressure plate, out of flat", "Straight edge across the face, blade under it.",
          suited=("feeler",), wanted=_car, usual=(0, 1e-3), limits=(_manual("most"),),
          places=_fixed("Across", "Square to it"), if_failed="dress or resurface"),
    Check("cover_standoff", "Cover", "Stand-off before tightening",
          "Disc in place, cover set down by hand: gap between cover and flywheel. None left is no clamp at all. Its "
          "bolts come on and off evenly, a turn at a time: it is a loaded spring.",
          suited=("feeler", "caliper", "rule"), wanted=_car, places=_fixed("At 12", "At 4", "At 8"), usual=(0, 15e-3),
          limits=(_practice("new", INCH / 4, "near a quarter inch with a new disc"),
                  _practice("least", INCH / 8, "near an eighth well worn"))),
    # flywheel
    Check("flywheel_thickness", "Flywheel", "Thickness at the face", "Face to crank flange, at the face.",
          wanted=_car, places=_fixed("At 12", "At 4", "At 8"), limits=(_manual("new"), _manual("least")),
          usual=(5e-3, 0.12)),
    Check("flywheel_step", "Flywheel", "Step, seat to face",
          "From the cover's seat down to the friction face; up is minus. Both levels are cut alike.",
          suited=("depth_gauge", "caliper"), wanted=_car, places=_fixed("At 12", "At 4", "At 8"), usual=(-0.06, 0.06),
          limits=(_manual("least"), _manual("most")), if_failed="dress or resurface"),
    _graded("flywheel_face", "Flywheel", "Face", "Spots, checks, grooves; dye where a crack is feared.", _FACE, _car),
    _graded("flywheel_bolts", "Flywheel", "Bolts and their holes",
            "Each bolt by thread and shank, each hole and dowel; the manual says which are used once.", _BOLTED, _car),
    _graded("flywheel_insert", "Flywheel", "Insert's fasteners", "Each one, with the wrench.", _FIRM,
            _has("friction insert")),
    _graded("ring_gear", "Flywheel", "Ring gear", "All round, both ends of the teeth.", _TEETH, _car),
    Check("flywheel_runout", "Flywheel", "Face runout", f"Dial at the rim of the face. {_SAG}", "sweep",
          suited=("dial",), places=_SWEEP, wanted=_car, usual=(-3e-3, 3e-3), if_failed="dress or resurface",
          limits=(_practice("most", 5 * THOU, "0.005 in at the rim"),)),
    Check("face_cut", "Flywheel", "Cut from the friction face", "What the machinist took off the face.", "figure",
          wanted=_car, usual=(0, 3e-3)),
    Check("seat_cut", "Flywheel", "Cut from the cover's seat", "What the machinist took off the seat.", "figure",
          wanted=_car, usual=(0, 3e-3)),
    Check("flywheel_weight", "Flywheel", "Weight", "On the bench scale, bolts and dowels out.", "figure", unit="kg",
          field_unit="kg", suited=("scale",), wanted=_car, usual=(1.5, 25)),
    Check("flywheel_swing", "Flywheel", "Twenty swings on three wires",
          "Level on three equal wires, small twists, there and back twenty times.", "figure", unit="s", field_unit="s",
          suited=("stopwatch",), wanted=_car, usual=(6, 120), places=_fixed("First time", "Second time", "Third time")),
    # basket and lifter
    _graded("basket", "Basket", "Slots", "Run a fingertip down every slot.", _NOTCHES, _bike),
    _graded("hub", "Clutch centre", "Slots", "Run a fingertip down every slot.", _NOTCHES, _bike),
    _graded("primary_gear", "Basket", "Primary gear's teeth", "All round, both flanks; backlash against the crank's.",
            _TEETH, _bike),
    _graded("hub_rubber", "Basket", "Cush rubbers or springs", "Turn the gear against the basket by hand.", _RUBBER,
            _bike),
    _graded("basket_bearing", "Basket", "Its bearing", "Turn it, rock it, listen.", _BEARING, _bike),
    _graded("lifter", "Lifter", "Its bearing", "Turn it under a light load.", _BEARING, _bike),
    Check("push_rod", "Lifter", "Push rod, bow", "Roll it on glass; the blade that goes under.", suited=("feeler",),
          wanted=_bike, usual=(0, 2e-3), limits=(_manual("most"),)),
    # bearings, seals, fork, shaft
    _graded("release_bearing", "Release bearing", "Turn and listen", "Spin it by hand. Never wash it.", _BEARING, _car),
    _graded("bearing_bore", "Release bearing", "Its bore and groove",
            "Slide it on its sleeve; look where the fork runs.", _SLEEVE, _fork),
    _graded("pilot_bearing", "Pilot bearing", "Play and roughness", "With a finger, in the crank.", _BEARING, _car),
    _graded("rear_seal", "Rear main seal", "Oil trace", "Look above and below the crank.", _SEAL, _car),
    _graded("shaft_seal", "Input shaft seal", "Oil trace", "Look round the shaft and down the housing.", _SEAL, _car),
    _graded("fork", "Fork and pivot", "Wear", "Ball, pockets, guide sleeve.", _PIVOT, _fork),
    _graded("input_shaft", "Input shaft", "Splines", "Slide the disc along; look for twist and colour.", _SPLINE, _car),
    # runout
    Check("bore_runout", "Bell housing", "Bore", f"Dial on the crank, plunger on the bore's wall. {_SAG}", "sweep",
          suited=("dial",), places=_SWEEP, wanted=_car, usual=(-3e-3, 3e-3), if_failed="put right",
          limits=(_practice("most", 5 * THOU, "0.005 in, read as total indicator reading"),)),
    Check("housing_face", "Bell housing", "Gearbox face", f"Dial on the crank, plunger on the face. {_SAG}", "sweep",
          suited=("dial",), places=_SWEEP, wanted=_car, usual=(-3e-3, 3e-3), if_failed="put right",
          limits=(_practice("most", 5 * THOU, "0.005 in across the bore circle"),)),
    Check("disc_centring", "Disc", "Centring without a tool",
          "Depth from the cover's edge to the hub, round the cover; shift the disc till it is even.", "sweep",
          suited=("depth_gauge",), places=_SWEEP, wanted=_car, usual=(0, 0.3),
          if_failed="put right",
          limits=(_manual("most"),)),
    # set-up
    Check("floater_gap", "Floater plate", "Clearance at the stands", "Ring torqued down, blade between stop and plate.",
          suited=("feeler",), wanted=_several, places=_fixed("Stand 1", "Stand 2", "Stand 3"), usual=(0, 3e-3),
          field_unit="in", limits=(_practice("least", 20 * THOU), _practice("most", 25 * THOU)),
          if_failed="put right"),
    Check("floater_shims", "Floater plate", "Shims at hand", "Each measured, not read off the bag.", "figure",
          suited=("micrometer", "caliper"), wanted=_several, places=_fixed("Shim 1", "Shim 2", "Shim 3"), grows=True,
          usual=(0, 3e-3)),
    Check("depth_x", "Release bearing", "X, housing face to finger tips",
          "Straight edge across the housing's face, down to the tips; clutch torqued, block plate and gaskets in.",
          "figure", suited=("depth_gauge", "caliper", "rule"), wanted=_has("concentric slave"), usual=(0.02, 0.25),
          places=_fixed("At 12", "At 4", "At 8"), limits=_given("the reserve, X less Y and the spacers")),
    Check("depth_y", "Release bearing", "Y, gearbox face to bearing",
          "Straight edge across the gearbox's face, to the bearing pushed fully home.",
          "figure", suited=("depth_gauge", "caliper", "rule"), wanted=_has("concentric slave"), usual=(0.02, 0.25),
          places=_fixed("At 12", "At 4", "At 8")),
    Check("spacers", "Release bearing", "Spacers at hand", "Each measured, not read off the bag.", "figure",
          suited=("micrometer", "caliper"), wanted=_has("concentric slave"), grows=True, usual=(2e-4, 0.03),
          places=_fixed("Spacer 1", "Spacer 2", "Spacer 3")),
    Check("bearing_height", "Release bearing", "Height, old and new", "Seat to the face that meets the fingers.",
          "figure", wanted=_fork, places=_fixed("Old", "New", "Fork, pivot to slave"), usual=(5e-3, 0.25),
          limits=_given("free play at the slave")),
    Check("shaft_reach", "Input shaft", "Reach into the pilot",
          "Block plate and gaskets count, 0.010 in too. Depths plus inwards.", "figure",
          suited=("depth_gauge", "caliper", "rule"), wanted=_car, usual=(-0.05, 0.5),
          places=_fixed("Shaft beyond the gearbox face", "Housing depth", "Block plate and gaskets",
                        "Pilot below the crank flange", "Flange beyond the block face", "Pilot bearing length",
                        "Bottom of the bore below the pilot"),
          limits=_given("how far the shaft enters the pilot")),
    Check("end_float", "Input shaft", "End float", "Dial on the shaft's end, push and pull. Nil but free turning.",
          suited=("dial",), wanted=_car, usual=(0, 2e-3), limits=(_manual("most"),)),
    Check("retainer_shims", "Input shaft", "Shims behind the retainer", "Keep them in order, thickest at the race.",
          "figure", suited=("micrometer", "caliper"), wanted=_car, grows=True, usual=(0, 3e-3),
          places=_fixed("Shim 1", "Shim 2")),
    Check("pedal_force", "Pedal or lever", "Force to hold it down",
          "Gauge square on the pad or the lever's end, pressed slowly to the stop; the highest figure counts.",
          unit="N", field_unit="N", suited=("force_gauge",), limits=(_manual("most"),),
          if_failed="put right", usual=(5.0, 600.0)),
    _graded("hydraulics_leak", "Hydraulics", "Cylinders and boots", "Lift every boot: dry, damp or wet.", _SEAL,
            _hydraulic),
    _graded("hydraulics_fluid", "Hydraulics", "Fluid", "In the reservoir, by its colour and to its mark.", _FLUID,
            _hydraulic),
    Check("slave_travel", "Hydraulics", "Slave travel at full pedal",
          "Bled, a helper holds the pedal down; fingers clear of the fork. Brake fluid hurts skin, eyes and paint.",
          "figure", suited=("caliper", "rule"), wanted=_has("slave on a lever"),
          usual=(2e-3, 0.05)),
)  # fmt: skip

CHECKS: Mapping[str, Check] = {c.name: c for c in _ALL}


def checks_for(build: Build) -> tuple[Check, ...]:
    """The checks a job's arrangement calls for, in the order of work.

    >>> from liftbite.core.job.ledger import Entry
    >>> from liftbite.core.job.build import build_of
    >>> [c.name for c in checks_for(build_of({"layout": Entry("layout", "wet_motorcycle")}))][:3]
    ['plate_thickness', 'plate_condition', 'friction_warp']
    """
    return tuple(c for c in CHECKS.values() if c.wanted(build))
