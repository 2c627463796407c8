"""The parts of a clutch and what it works with: one register, to which everything else refers by key.

- `Part`, `PARTS`     a part, with all that is known of it as a part
- `Along`             what its renewal brings along
- `ASSEMBLIES`        sets of parts that are spoken of together, and what they are called
- `FATES`, `APART`    what may become of a part; with which fates what was found and what is planned are two
- `fate_of`, `fated`  the choice that says what becomes of a part; the parts that have one
- `OPENINGS`, `reached`   how far a job opens a clutch, from least to most; whether a part is reached by it
- `part_named`, `called`  a part by what somebody typed; what a part is called

A check, a cause, a step, a joint, an order, a renewal refer to a part by its key. What somebody names that is in no
register is the shop's own part: it goes by the name it was given.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from functools import cache
from typing import Literal

from liftbite.core.words import folded

CAR, MOTORCYCLE = "dry_car", "wet_motorcycle"
#: Work on a part: what a line of the list asks for.
Work = Literal["get", "dress", "put_right", "measure"]
#: How far a job opens the clutch, from least to most.
OPENINGS = ("hydraulics", "bearing", "clutch", "clutch_flywheel", "everything")


@dataclass(frozen=True, slots=True)
class Along:
    """What the renewal of a part brings along.

    Attributes
    ----------
    part, work : what is done to which part
    why : in words
    practice : practice and the option of it with which a shop does so; a shop always does where empty
    trait : what the arrangement has where it is so; any has it where empty
    """

    part: str
    why: str
    work: Work = "get"
    practice: tuple[str, str] = ("", "")
    trait: str = ""


@dataclass(frozen=True, slots=True)
class Part:
    """A part, with all that is known of it as a part.

    Attributes
    ----------
    key : its name for good
    label : what a builder calls it
    opening : the smallest opening that reaches it, one of `OPENINGS`
    layout : the layout that has it; empty for both
    traits : what the arrangement has where the part exists, one of them; any arrangement has it where empty
    got : the part that is got when it is worn out, where it is not got by itself: a plate comes as a set
    on : the part it is fixed to and goes with: a new flywheel has a ring gear of its own
    slots : kinds of parts of the shelf whose figures are its own
    figures : what else belongs to it
    used : what its use leaves on it, which a new one has not, however it was entered
    read : what may be read off it; a figure that was typed stays, for it is the new one's
    dressed : True where it may stay dressed
    optional : True where a clutch works without it, so that it may be added or left out
    along : what its renewal brings along
    fails : why it is renewed unread with every clutch, where it is known to fail; empty where it is not
    names : other names somebody may type
    """

    key: str
    label: str
    opening: str
    layout: str = ""
    traits: frozenset[str] = frozenset()
    got: str = ""
    on: str = ""
    slots: tuple[str, ...] = ()
    figures: tuple[str, ...] = ()
    used: tuple[str, ...] = ()
    read: tuple[str, ...] = ()
    dressed: bool = False
    optional: bool = False
    along: tuple[Along, ...] = ()
    fails: str = ""
    names: tuple[str, ...] = ()

    @property
    def fates(self) -> tuple[str, ...]:
        """What may become of it; nothing of one that is got as another.

        >>> PARTS["disc"].fates, PARTS["plain_plates"].fates
        (('stays', 'renewed'), ())
        """
        if self.got:
            return ()
        return tuple(f for f in FATES if (f != "dressed" or self.dressed) and (f not in _OPTIONAL or self.optional))

    @property
    def is_small(self) -> bool:
        """True of a part few builders decide about by itself: it has no figure, is always there and is no seal.

        >>> PARTS["pivot_clip"].is_small, PARTS["rear_seal"].is_small
        (True, False)
        """
        has = self.slots or self.figures or self.used or self.read or self.optional
        return not has and not any(self.key in assembly.parts for assembly in ASSEMBLIES.values())

    @property
    def renewed_as(self) -> str:
        """The key of what is got when it is worn out.

        >>> PARTS["plain_plates"].renewed_as, PARTS["disc"].renewed_as
        ('plates', 'disc')
        """
        return self.got or self.key


#: Fate -> what it is called and says.
FATES: Mapping[str, tuple[str, str]] = {
    "stays": ("Stays", "As it was found and read."),
    "dressed": ("Stays, dressed", "As it was read after dressing."),
    "renewed": ("Renewed", "A new one goes in; what was read of the old one stays with the old one."),
    "added": ("Added", "There was none before."),
    "left_out": ("Left out", "It comes out, and nothing goes in."),
}
_OPTIONAL = ("added", "left_out")
#: Fates with which what was found and what is planned are two parts, or a part and none.
APART = ("renewed", "added", "left_out")

_ONE_TIME = "bolts that stretch or are marked one-time are never used again"
_WITH_A_CLUTCH = (
    Along("bearing", "goes with every clutch"),
    Along("pilot", "the shop renews it with every clutch", practice=("pilot", "always")),
    Along(
        "flywheel",
        "the shop machines the face with a new disc; both levels by the same amount",
        "dress",
        ("face", "always"),
    ),
)
_PAIR = ("cylinders", "pair")
_RAN_AS_FAR = "as a pair with the {}: it has run as far"
_FORK, _CONCENTRIC = frozenset({"fork"}), frozenset({"concentric slave"})
_HYDRAULIC, _COILS = frozenset({"slave on a lever", "concentric slave"}), frozenset({"coil springs"})
_STANDS = frozenset({"floater on stands"})

_ALL = (
    # a car's clutch, in the order it is taken down; of two parts a figure could belong to, the first has it
    Part(
        "floater",
        "Floater plate",
        "clutch",
        CAR,
        figures=("floater_thickness", "floater_mass", "floater_stop"),
        read=("floater_clearance",),
        dressed=True,
        optional=True,
        names=("floater and its stands",),
    ),
    Part("floater_stands", "Floater stands", "clutch", CAR, _STANDS, names=("stands",)),
    Part("stand_shims", "Shims of the stands", "clutch", CAR, _STANDS),
    Part(
        "disc",
        "Disc",
        "clutch",
        CAR,
        slots=("disc", "material"),
        figures=("pressure_slope", "capacity_model", "hub"),
        used=("wear", "inner_wear"),
        read=("disc_wobble",),
        along=_WITH_A_CLUTCH,
        names=("disc or discs", "discs"),
    ),
    Part(
        "plates",
        "Plate set",
        "clutch",
        MOTORCYCLE,
        slots=("plates", "material"),
        figures=("plain_warp_limit",),
        used=("wear", "plain_warp"),
        along=(Along("springs", "springs go with a plate set"),),
        names=("plates",),
    ),
    Part("friction_plates", "Friction plates", "clutch", MOTORCYCLE, got="plates"),
    Part("plain_plates", "Plain plates", "clutch", MOTORCYCLE, got="plates"),
    Part(
        "cover",
        "Cover",
        "clutch",
        CAR,
        slots=("cover",),
        figures=(
            "finger_mass",
            "finger_centroid_radius",
            "finger_offset",
            "finger_flex",
            "fingers",
            "specific_heat",
            "conductivity",
            "plate_density",
        ),
        read=("diaphragm_set",),
        along=(*_WITH_A_CLUTCH, Along("cover_bolts", _ONE_TIME)),
        names=("pressure plate", "clutch cover"),
    ),
    Part("cover_bolts", "Cover bolts", "clutch", CAR),
    Part(
        "springs",
        "Spring set",
        "clutch",
        "",
        _COILS,
        slots=("springs",),
        figures=("shear_modulus",),
        read=("spring_free_lengths", "spring_lengths"),
        along=(Along("spring_bolts", _ONE_TIME),),
        names=("coil springs", "clutch springs", "springs"),
    ),
    Part("spring_bolts", "Spring bolts", "clutch", "", _COILS),
    Part(
        "flywheel",
        "Flywheel",
        "clutch_flywheel",
        CAR,
        slots=("flywheel",),
        figures=(
            "gyration_share",
            "wire_radius",
            "wire_length",
            "ring_masses",
            "ring_gyrations",
            "ring_outer_diameters",
            "ring_inner_diameters",
            "ring_thicknesses",
            "ring_densities",
            "density",
            "poisson_ratio",
            "burst_share",
            "strength_factor",
            "stress_concentration",
            "hole_width",
            "ring_gear",
            "flywheel_face_limit",
        ),
        used=("flywheel_face_runout",),
        read=("flywheel_mass", "swing_period", "flywheel_thickness"),
        dressed=True,
        along=(Along("flywheel_bolts", _ONE_TIME),),
    ),
    Part("insert", "Flywheel insert", "clutch_flywheel", CAR, frozenset({"friction insert"}), on="flywheel"),
    Part("ring_gear", "Ring gear", "clutch_flywheel", CAR, on="flywheel", dressed=True),
    Part(
        "flywheel_bolts",
        "Flywheel bolts",
        "clutch_flywheel",
        CAR,
        slots=("bolts",),
        figures=("bolt_instructions", "preload_scatter"),
    ),
    Part("pilot", "Pilot bearing", "clutch", CAR, slots=("pilot",), optional=True, names=("pilot", "spigot bearing")),
    Part("rear_seal", "Rear main seal", "clutch_flywheel", CAR, names=("engine's rear seal", "crank seal")),
    Part("input_seal", "Input shaft seal", "bearing", CAR, names=("gearbox's input seal", "shaft seal")),
    Part("retainer", "Input bearing retainer", "bearing", CAR, names=("retainer", "guide sleeve")),
    Part("retainer_race", "Race in the retainer", "bearing", CAR),
    Part("retainer_gasket", "Gasket of the retainer", "bearing", CAR),
    Part("retainer_shims", "Retainer shims", "bearing", CAR),
    Part("input_shaft", "Input shaft", "clutch_flywheel", CAR, on="gearbox", slots=("shaft",)),
    Part("input_bearing", "Gearbox input bearing", "everything", CAR, on="gearbox"),
    Part("gearbox", "Gearbox", "everything", CAR, figures=("gear_ratios", "gearbox_inertia")),
    Part(
        "bell_housing", "Bell housing", "everything", CAR, slots=("housing",), names=("bellhousing", "clutch housing")
    ),
    Part("housing_bolts", "Housing bolts", "bearing", CAR),
    Part("mounts", "Mounts", "bearing", CAR, names=("gearbox mounts",)),
    Part("exhaust_hardware", "Exhaust hardware", "bearing", CAR, names=("exhaust bolts", "exhaust gasket")),
    Part("shaft_clips", "Clips of the drive shafts", "bearing", CAR, names=("shaft clips",)),
    Part("hub_nuts", "Hub nuts", "bearing", CAR, names=("hub nut",)),
    Part("coolant", "Coolant", "bearing", CAR),
    # release
    Part("bearing", "Release bearing", "bearing", CAR, slots=("bearing",), read=("bearing_reserve",)),
    Part(
        "bearing_ring",
        "Retaining ring of the release bearing",
        "bearing",
        CAR,
        frozenset({"pulled"}),
        fails="spread when the bearing comes off, and lets go later",
    ),
    Part(
        "bearing_line_seals",
        "Seals of the bearing's line",
        "bearing",
        CAR,
        _CONCENTRIC,
        fails="opened with the bearing; a leak wants the gearbox out again",
    ),
    Part("spacers", "Spacers and shims", "bearing", CAR, optional=True),
    Part(
        "fork",
        "Fork",
        "bearing",
        CAR,
        figures=("fork_ratio", "arm_efficiency"),
        optional=True,
        names=("fork and pivot", "arm", "release arm", "release fork"),
    ),
    Part("fork_bush", "Bush of the fork", "bearing", CAR, _FORK, names=("arm bush",)),
    Part(
        "pivot",
        "Fork pivot",
        "bearing",
        CAR,
        _FORK,
        names=("fork pivot and clip", "pivot", "pivot ball"),
        fails="it wears through, and wants the gearbox out again",
    ),
    Part(
        "pivot_clip",
        "Clip of the pivot",
        "bearing",
        CAR,
        _FORK,
        names=("fork clip",),
        fails="it breaks, and wants the gearbox out again",
    ),
    # a motorcycle's
    Part("push_rod", "Push rod", "bearing", MOTORCYCLE, figures=("push_rod_limit",), used=("push_rod_bow",)),
    Part("lifter", "Lifter bearing", "bearing", MOTORCYCLE, names=("lifter",)),
    Part(
        "basket",
        "Basket",
        "clutch",
        MOTORCYCLE,
        figures=("basket_inertia", "basket_mass", "basket_gear_teeth"),
        dressed=True,
        names=("clutch basket",),
    ),
    Part("primary_gear", "Primary gear", "clutch", MOTORCYCLE, got="basket", on="basket"),
    Part(
        "cush_rubbers", "Cush rubbers", "clutch", MOTORCYCLE, on="basket", names=("hub rubbers", "cush drive rubbers")
    ),
    Part("basket_bearing", "Basket bearing", "clutch", MOTORCYCLE, on="basket"),
    Part("hub", "Clutch centre", "clutch", MOTORCYCLE, dressed=True, names=("inner hub", "clutch hub")),
    Part(
        "lock_washer",
        "Lock washer of the clutch nut",
        "clutch",
        MOTORCYCLE,
        names=("lock washer",),
        fails="bent up once; bent a second time it cracks",
    ),
    Part("cover_gasket", "Gasket of the clutch cover", "clutch", MOTORCYCLE, names=("cover gasket",)),
    Part("engine_oil", "Engine oil", "hydraulics", MOTORCYCLE),
    # pedal to slave
    Part("pedal", "Pedal or lever", "hydraulics", figures=("pedal_stroke", "pedal_ratio", "pedal_return_force")),
    Part(
        "master",
        "Master cylinder",
        "hydraulics",
        slots=("master",),
        optional=True,
        names=("master",),
        along=(Along("slave", _RAN_AS_FAR.format("master cylinder"), practice=_PAIR, trait="slave on a lever"),),
    ),
    Part(
        "slave",
        "Slave cylinder",
        "hydraulics",
        slots=("slave",),
        optional=True,
        names=("slave",),
        along=(Along("master", _RAN_AS_FAR.format("slave cylinder"), practice=_PAIR, trait="slave on a lever"),),
    ),
    Part(
        "line",
        "Hose or cable",
        "hydraulics",
        figures=("hose_swell", "cable_stiffness"),
        names=("line or cable", "hose", "line", "cable"),
    ),
    Part("reservoir", "Reservoir", "hydraulics", "", _HYDRAULIC),
    Part(
        "cable_ends",
        "Cable pins and bushes",
        "hydraulics",
        "",
        frozenset({"cable"}),
        fails="worn ones eat the travel that a new clutch needs",
    ),
    Part("restrictor", "Restrictor", "hydraulics", CAR, figures=("restrictor_time",), optional=True),
    Part(
        "fluid",
        "Fluid",
        "hydraulics",
        slots=("fluid",),
        used=("trapped_air",),
        names=("clutch fluid", "fluid, bled anew"),
    ),
    Part("gearbox_oil", "Gearbox oil", "bearing", CAR),
)

PARTS: Mapping[str, Part] = {part.key: part for part in _ALL}


@dataclass(frozen=True, slots=True)
class Assembly:
    """Parts that are spoken of together: its key, what it is called, the keys of its parts."""

    key: str
    label: str
    parts: tuple[str, ...]


ASSEMBLIES: Mapping[str, Assembly] = {
    a.key: a
    for a in (
        Assembly("seals", "Seals, engine and gearbox", ("rear_seal", "input_seal")),
        Assembly("cylinders", "Cylinders", ("master", "slave")),
        Assembly("pack", "Clutch pack", ("friction_plates", "plain_plates", "springs")),
        Assembly("fork_and_pivot", "Fork and pivot", ("fork", "pivot")),
    )
}


def parts_of(key: str) -> tuple[str, ...]:
    """The keys of the parts a key means: of an assembly each, of a part itself.

    >>> parts_of("seals"), parts_of("disc")
    (('rear_seal', 'input_seal'), ('disc',))
    """
    return ASSEMBLIES[key].parts if key in ASSEMBLIES else (key,)


def fate_of(part: str) -> str:
    """The name of the choice that says what becomes of a part.

    >>> fate_of("disc")
    'disc_fate'
    """
    return f"{part}_fate"


def fated(layout: str = "") -> Iterator[Part]:
    """The parts something may become of, in the order a clutch is taken down; of one layout, or of all."""
    return (part for part in PARTS.values() if part.fates and (not layout or part.layout in ("", layout)))


def reached(part: str, opening: str) -> bool:
    """True where an opening reaches a part; of a part of the shop's own nobody knows, so it is asked for.

    >>> reached("slave", "hydraulics"), reached("flywheel", "clutch"), reached("Sensor", "hydraulics")
    (True, False, True)
    """
    keys = [key for key in parts_of(part) if key in PARTS]
    return not keys or any(OPENINGS.index(PARTS[key].opening) <= OPENINGS.index(opening) for key in keys)


def called(part: str) -> str:
    """What a part or an assembly is called; a part of the shop's own goes by its name.

    >>> called("rear_seal"), called("cylinders"), called("Speed sensor")
    ('Rear main seal', 'Cylinders', 'Speed sensor')
    """
    if part in PARTS:
        return PARTS[part].label
    return ASSEMBLIES[part].label if part in ASSEMBLIES else part


def part_named(name: str) -> str:
    """The key of the part somebody means, whatever the case and the spaces; the name itself where nobody knows it.

    >>> part_named("hub  Rubbers"), part_named("cush_rubbers"), part_named("Speed sensor")
    ('cush_rubbers', 'cush_rubbers', 'Speed sensor')
    """
    said = " ".join(name.split())
    return said if said in PARTS else _by_name().get(folded(said), said)


@cache
def _by_name() -> Mapping[str, str]:
    """Label or other name, folded -> key."""
    named: Iterable[tuple[str, str]] = ((name, p.key) for p in _ALL for name in (p.label, *p.names))
    return {folded(name): key for name, key in named}
