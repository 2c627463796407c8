"""What is measured on the bench: every check with its places, its limits and whose they are.

- `CHECKS`       all of them, in the order of work
- `checks_for`   those a job's arrangement calls for

A manual's figure, once typed, stands over every default here.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace
from typing import Any

from liftbite.core.job.build import Build
from liftbite.core.job.choices import TRAITS
from liftbite.core.measure.check import PRACTICE, Check, Grade, Limit, LimitName, Picture, Place
from liftbite.core.measure.grades import (
    BEARING,
    BOLTED,
    BURNT,
    FACE,
    FIRM,
    FLUID,
    NOTCHES,
    PICTURES,
    PIVOT,
    RUBBER,
    SEAL,
    SLEEVE,
    SPLINE,
    SPOTS,
    SPRUNG,
    SQUARE,
    TEETH,
    TIPS,
)
from liftbite.core.units.constants import INCH, THOU

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


def _pedal_stroke(build: Build) -> bool:
    return "pedal_travel" in build.graph.functions


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


def _graded(name: str, part: str, label: str, how: str, grades: tuple[Grade, ...], wanted: Callable[[Build], bool],
            **more: Any) -> Check:  # fmt: skip
    picture: Picture = next((picture for of, picture in PICTURES if of is grades), "surface")
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
            "Shake it by your ear; slide it on the shaft; look for oil.", SPRUNG, _car,
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
    _graded("plate_condition", "Friction plates", "Tabs and smell", "Plate by plate: look at the tabs, smell it.",
            BURNT, _bike, places=_spots("Plate", _plates), whole="plate set"),
    Check("friction_warp", "Friction plates", "Warp", "Flat on a surface plate; the thickest blade that goes under.",
          suited=("feeler",), wanted=_bike, usual=(0, 1e-3), places=_spots("Plate", _plates),
          limits=(_manual("most"),), if_failed="renew as set", whole="plate set"),
    Check("plain_warp", "Plain plates", "Warp", "Flat on a surface plate; the thickest blade that goes under.",
          suited=("feeler",), wanted=_bike, usual=(0, 1e-3), places=_spots("Plain plate", _plain),
          limits=(_practice("most", 0.2e-3, "0.1 to 0.3 mm by manual"),), if_failed="renew as set", whole="plate set"),
    Check("plain_thickness", "Plain plates", "Thickness",
          "One place each; a plate of another thickness has a place of its own in the pack.",
          wanted=_bike, usual=(0.8e-3, 4e-3), places=_spots("Plain plate", _plain)),
    _graded("plain_face", "Plain plates", "Spots and colour", "Both faces, in good light; wiped, not polished.", SPOTS,
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
    _graded("spring_square", "Coil springs", "Squareness", "Each on a flat plate against a square.", SQUARE, _coils),
    # cover
    Check("finger_height", "Cover", "Finger height", "From one plane to each finger tip, evenly round.",
          suited=("depth_gauge", "caliper"), places=_spots("Finger", lambda _: 6), usual=(0, 0.1),
          wanted=lambda s: _car(s) and not _coils(s),
          limits=(Limit("spread", 0.8e-3, "memory", "0.5 to 0.8 mm between fingers; the larger"),)),
    _graded("finger_tips", "Cover", "Finger tips and straps", "Where the bearing runs; every strap.", TIPS, _car),
    _graded("plate_face", "Cover", "Pressure plate's face", "Spots, cracks, grooves.", FACE, _car),
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
    _graded("flywheel_face", "Flywheel", "Face", "Spots, checks, grooves; dye where a crack is feared.", FACE, _car),
    _graded("flywheel_bolts", "Flywheel", "Bolts and their holes",
            "Each bolt by thread and shank, each hole and dowel; the manual says which are used once.", BOLTED, _car),
    _graded("flywheel_insert", "Flywheel", "Insert's fasteners", "Each one, with the wrench.", FIRM,
            _has("friction insert")),
    _graded("ring_gear", "Flywheel", "Ring gear", "All round, both ends of the teeth.", TEETH, _car),
    Check("flywheel_runout", "Flywheel", "Face runout", f"Dial at the rim of the face. {_SAG}", "sweep",
          suited=("dial",), places=_SWEEP, wanted=_car, usual=(-3e-3, 3e-3), if_failed="dress or resurface",
          limits=(_practice("most", 5 * THOU, "0.005 in at the rim"),)),
    Check("face_cut", "Flywheel", "Cut from the friction face", "What the machinist took off the face.", "figure",
          wanted=_car, usual=(0, 3e-3)),
    Check("seat_cut", "Flywheel", "Cut from the cover's seat", "What the machinist took off the seat.", "figure",
          wanted=_car, usual=(0, 3e-3)),
    Check("flywheel_heights", "Flywheel", "Height, the one out and the one in",
          "From the crank's flange to the face, and to the cover's seat, of both wheels.", "figure",
          suited=("depth_gauge", "caliper", "rule"), wanted=_car, usual=(5e-3, 0.12),
          places=_fixed("Face, comes out", "Face, goes in", "Seat, comes out", "Seat, goes in")),
    Check("flywheel_weight", "Flywheel", "Weight", "On the bench scale, bolts and dowels out.", "figure", unit="kg",
          field_unit="kg", suited=("scale",), wanted=_car, usual=(1.5, 25)),
    Check("flywheel_swing", "Flywheel", "Twenty swings on three wires",
          "Level on three equal wires, small twists, there and back twenty times.", "figure", unit="s", field_unit="s",
          suited=("stopwatch",), wanted=_car, usual=(6, 120), places=_fixed("First time", "Second time", "Third time")),
    # basket and lifter
    _graded("basket", "Basket", "Slots", "Run a fingertip down every slot.", NOTCHES, _bike),
    _graded("hub", "Clutch centre", "Slots", "Run a fingertip down every slot.", NOTCHES, _bike),
    _graded("primary_gear", "Basket", "Primary gear's teeth", "All round, both flanks; backlash against the crank's.",
            TEETH, _bike),
    _graded("hub_rubber", "Basket", "Cush rubbers or springs", "Turn the gear against the basket by hand.", RUBBER,
            _bike),
    _graded("basket_bearing", "Basket", "Its bearing", "Turn it, rock it, listen.", BEARING, _bike),
    _graded("lifter", "Lifter", "Its bearing", "Turn it under a light load.", BEARING, _bike),
    Check("push_rod", "Lifter", "Push rod, bow", "Roll it on glass; the blade that goes under.", suited=("feeler",),
          wanted=_bike, usual=(0, 2e-3), limits=(_manual("most"),)),
    # bearings, seals, fork, shaft
    _graded("release_bearing", "Release bearing", "Turn and listen", "Spin it by hand. Never wash it.", BEARING, _car),
    _graded("bearing_bore", "Release bearing", "Its bore and groove",
            "Slide it on its sleeve; look where the fork runs.", SLEEVE, _fork),
    _graded("pilot_bearing", "Pilot bearing", "Play and roughness", "With a finger, in the crank.", BEARING, _car),
    _graded("rear_seal", "Rear main seal", "Oil trace", "Look above and below the crank.", SEAL, _car),
    _graded("shaft_seal", "Input shaft seal", "Oil trace", "Look round the shaft and down the housing.", SEAL, _car),
    _graded("fork", "Fork and pivot", "Wear", "Ball, pockets, guide sleeve.", PIVOT, _fork),
    _graded("input_shaft", "Input shaft", "Splines", "Slide the disc along; look for twist and colour.", SPLINE, _car),
    # runout
    Check("bore_runout", "Bell housing", "Bore", f"Dial on the crank, plunger on the bore's wall. {_SAG}", "sweep",
          suited=("dial",), places=_SWEEP, wanted=_car, usual=(-3e-3, 3e-3), if_failed="put right",
          limits=(_practice("most", 5 * THOU, "0.005 in, read as total indicator reading"),)),
    Check("housing_face", "Bell housing", "Gearbox face", f"Dial on the crank, plunger on the face. {_SAG}", "sweep",
          suited=("dial",), places=_SWEEP, wanted=_car, usual=(-3e-3, 3e-3), if_failed="put right",
          limits=(_practice("most", 5 * THOU, "0.005 in across the bore circle"),)),
    Check("housing_gap", "Bell housing", "Gap while the gearbox goes in",
          "Gearbox on its jack, shaft in the splines, hands out: the gap by the clock, seen from behind.", "figure",
          suited=("feeler", "caliper", "rule"), wanted=_car, usual=(0, 2.0),
          places=_fixed("At 12", "At 3", "At 6", "At 9", "Face to tail", "Across the housing")),
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
    _graded("hydraulics_leak", "Hydraulics", "Cylinders and boots", "Lift every boot: dry, damp or wet.", SEAL,
            _hydraulic),
    _graded("hydraulics_fluid", "Hydraulics", "Fluid", "In the reservoir, by its colour and to its mark.", FLUID,
            _hydraulic),
    Check("slave_travel", "Hydraulics", "Slave travel at full pedal",
          "Bled, a helper holds the pedal down; fingers clear of the fork. Brake fluid hurts skin, eyes and paint.",
          "figure", suited=("caliper", "rule"), wanted=_hydraulic, usual=(2e-3, 0.05)),
    Check("slave_travel_half", "Hydraulics", "Slave travel at half pedal",
          "The same with the pedal held half way down, a block cut to half its stroke under it.",
          "figure", suited=("caliper", "rule"), wanted=_hydraulic, usual=(0.5e-3, 0.03)),
    Check("bite_point", "Pedal or lever", "Bite point below rest",
          "Idling, brake held, first gear: let pad or lever up until the speed first drops; how far below its rest.",
          "figure", suited=("rule",), wanted=_pedal_stroke, usual=(2e-3, 0.2)),
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
