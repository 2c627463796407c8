"""The alternatives a builder picks. A choice decides which modules are in the graph and what is assumed.

- `Option`, `Choice`, `CHOICES`   what can be picked
- `TRAITS`   what can be asked of the options in force
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cache
from importlib import import_module
from types import ModuleType

from liftbite.core.graph.derived import renamed
from liftbite.core.graph.graph import functions_of
from liftbite.core.job.assumptions import (
    CABLE,
    DENSE_AIR,
    FLYWHEELS,
    HYDRAULIC,
    LAYOUT_ASSUMES,
    STARTS,
    grade_assumes,
    loss_assumes,
    use_assumes,
)
from liftbite.core.job.classes import CLASSES
from liftbite.core.job.input import Assumed
from liftbite.core.job.inputs import OF_OTHER_SIDE
from liftbite.core.job.materials import MATERIALS
from liftbite.core.job.parts import CAR, FATES, MOTORCYCLE, fate_of, fated
from liftbite.core.quantities import face

_BOTH = (CAR, MOTORCYCLE)
#: What is told of one face, and the same of the other side of a disc.
OTHER_SIDE = {name: f"other_{name}" for name in (*OF_OTHER_SIDE, *(q.__name__ for q in functions_of(face)),
              "temperature_factor", "heated_area")}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Option:
    """One alternative.

    Attributes
    ----------
    value, label, meaning : name in files, name on screen, one sentence
    modules : what it brings into the graph: files of the choice's folder in `arrangements`; a name with a dot is a
        module elsewhere in the core
    assumes : inputs it stands in for until one is entered
    layouts : where it can be picked
    traits : what the rest of the core asks of it, "coil springs" or "fork"; nobody asks for an option by its name
    assumes_in : layout -> inputs it stands in for there
    picks : later choice -> the option it begins with, in the place of the layout's
    """

    value: str
    label: str
    meaning: str = ""
    modules: tuple[str, ...] = ()
    assumes: Mapping[str, Assumed] = field(default_factory=dict)
    layouts: tuple[str, ...] = _BOTH
    traits: frozenset[str] = frozenset()
    assumes_in: Mapping[str, Mapping[str, Assumed]] = field(default_factory=dict)
    picks: Mapping[str, str] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Choice:
    """Alternatives of which one is picked.

    Attributes
    ----------
    name, label : name in the ledger, name on screen
    options : the alternatives
    begins : option each layout begins with; a layout missing here has to choose
    supplies : quantity that is missing while nothing is chosen
    assumption : True where beginning with an option changes the answer, so that it is listed as an assumption
    asks : what is said to be needed while nothing is chosen; the label where empty
    under : choice above it and the option of that one it counts with
    traits : what the options in force have to have for it to be offered, one of them; nothing where empty
    first : True where it is asked before any figure
    renames : names its modules' quantities go by here
    always : modules it brings whatever is picked, named as an option's are
    group : the group it stands in on screen, from `groups.GROUPS`
    parts : kinds of parts that bring it, from `slots.SLOTS`
    small : True where few builders pick it, so that it begins folded
    """

    name: str
    label: str
    options: tuple[Option, ...]
    begins: Mapping[str, str] = field(default_factory=dict)
    supplies: str = ""
    assumption: bool = False
    asks: str = ""
    under: tuple[str, str] = ("", "")
    traits: frozenset[str] = frozenset()
    first: bool = False
    renames: Mapping[str, str] = field(default_factory=dict)
    always: tuple[str, ...] = ()
    group: str = ""
    parts: tuple[str, ...] = ()
    small: bool = False

    def counts(self, picked: Mapping[str, str]) -> bool:
        """True where the choice above it, if there is one, leads to it."""
        above, option = self.under
        return not above or picked.get(above) == option

    def modules_of(self, option: Option | None) -> tuple[ModuleType, ...]:
        """The modules an option, or the choice that was not made, brings into the graph."""
        names = (*self.always, *(option.modules if option else ()))
        return _modules(self.name, names, tuple(self.renames.items()))

    def option(self, value: str) -> Option | None:
        """The option of that name, or None."""
        return next((o for o in self.options if o.value == value), None)


@cache
def _modules(choice: str, names: tuple[str, ...], renames: tuple[tuple[str, str], ...]) -> tuple[ModuleType, ...]:
    found = (
        import_module(f"liftbite.core.{name}" if "." in name else f"liftbite.core.arrangements.{choice}.{name}")
        for name in names
    )
    return tuple(renamed(module, dict(renames)) if renames else module for module in found)


def _with(*traits: str) -> frozenset[str]:
    return frozenset(traits)


def _driven(share: float, low: float, high: float) -> dict[str, Assumed]:
    return {"driven_load_share": Assumed(share, "practice", "weight on the driven wheels in a start", low, high)}


CHOICES: Mapping[str, Choice] = {
    c.name: c
    for c in (
        Choice("layout", "Layout", (
            Option(CAR, "Car, dry clutch", "One to three discs between flywheel and pressure plate, at crank speed.",
                   ("dry_discs", "engine_on_clutch", "quantities.alignment", "quantities.disc", "quantities.floater",
                    "quantities.heat_nodes", "quantities.joint", "quantities.strength"), LAYOUT_ASSUMES[CAR],
                   traits=_with("car")),
            Option(MOTORCYCLE, "Motorcycle, wet pack", "Friction and plain plates in a basket, behind a primary drive.",
                   ("wet_pack", "pack_nodes", "engine_through_primary", "pack_trueness", "arrangements.fingers.left_aside"),
                   LAYOUT_ASSUMES[MOTORCYCLE],
                   traits=_with("motorcycle")),
        ), first=True),
        Choice("vehicle_class", "Class of vehicle", (
            Option("none", "Not said", "Nothing is assumed of the vehicle."),
            *(Option(c.name, c.label, c.meaning, (), c.assumes(), (c.layout,), picks=c.picks)
              for c in CLASSES.values()),
        ), begins={CAR: "none", MOTORCYCLE: "none"}, first=True, group="use"),
        Choice("curve_source", "Engine output from", (
            Option("file", "A dynamometer file", "Torque or power over engine speed, as CSV."),
            Option("peaks", "Two peaks", "Peak torque and peak power give an estimated curve.", ("peaks",)),
        ), begins={CAR: "file", MOTORCYCLE: "file"}, first=True, group="engine"),
        Choice("curve_reference", "Figures taken at", (
            Option("crank", "The crank", "An engine dynamometer, or a maker's figure.", ("crank",)),
            Option("chain", "The wheel, chain drive", "A chassis dynamometer; 8 to 12 % is lost on the way.",
                   ("wheel",), loss_assumes(0.10, "chain drive, 8 to 12 %", 0.08, 0.12), (MOTORCYCLE,)),
            Option("two_wheel", "The wheels, two driven", "A chassis dynamometer; 12 to 17 % is lost on the way.",
                   ("wheel",), loss_assumes(0.145, "two-wheel drive, 12 to 17 %", 0.12, 0.17), (CAR,)),
            Option("all_wheel", "The wheels, four driven", "A chassis dynamometer; 18 to 25 % is lost on the way.",
                   ("wheel",), loss_assumes(0.215, "all-wheel drive, 18 to 25 %", 0.18, 0.25), (CAR,)),
            Option("hub", "The hubs, torque there", "Torque of the hubs themselves: the gear that was driven divides it.",
                   ("hub",), loss_assumes(0.145, "two-wheel drive, 12 to 17 %", 0.12, 0.17), (CAR,)),
        ), supplies="crank_curve", asks="where the figures were taken", first=True, group="engine"),
        Choice("stage_plan", "Planned stage", (
            Option("none", "None", "The engine stays as it is.", ("none",)),
            Option("scaled", "A gain over the present curve", "Every torque changes by the same share.",
                   ("scaled",), traits=_with("plan")),
            Option("crank_file", "A curve of its own, at the crank", "A file of the planned engine.",
                   ("crank_file",), traits=_with("plan")),
            Option("wheel_file", "A curve of its own, at the wheel", "A file of the planned engine.",
                   ("wheel_file",), traits=_with("plan", "plan at the wheel")),
        ), begins={CAR: "none", MOTORCYCLE: "none"}, first=True, group="stage"),
        Choice("air", "Figures are", (
            Option("measured", "As measured", "The torque of the day.", ("measured",)),
            Option("corrected", "Corrected to standard air", "The clutch feels the actual torque of the densest day.",
                   ("corrected", "standard"), DENSE_AIR),
            Option("known_day", "As measured, the day's air known", "From that day to the densest one expected.",
                   ("known_day", "standard"), DENSE_AIR),
        ), begins={CAR: "measured", MOTORCYCLE: "measured"}, first=True, group="engine"),
        Choice("cover_action", "Cover works by", (
            Option("push", "Push", "The bearing pushes the fingers towards the flywheel.", ("push",)),
            Option("pull", "Pull", "The bearing pulls; the fingers move towards the engine with wear.", ("pull",),
                   traits=_with("pulled")),
        ), begins={CAR: "push"}, under=("layout", CAR), group="cover", parts=("cover",)),
        Choice("use", "Use", (
            Option("gentle", "Gentle road", "Daily driving, no tuning, no trailer.", (), use_assumes(1.2)),
            Option("tuned", "Road, tuned", "Road driving with a tuned engine.", (), use_assumes(1.3)),
            Option("track", "Track", "Standing starts now and then, hard shifts.", (), use_assumes(1.35)),
            Option("towing", "Towing, hill starts", "A trailer or a load, slopes, slow starts.", (), use_assumes(1.4)),
            Option("drag", "Drag", "The clutch slips under full load at every start.", (), use_assumes(1.5)),
        ), first=True, group="use"),
        Choice("primary_source", "Primary drive by", (
            Option("ratio", "Ratio", "Crank turns per clutch turn."),
            Option("teeth", "Teeth", "Teeth of the two primary gears.", ("teeth",)),
        ), begins={MOTORCYCLE: "ratio"}, first=True, under=("layout", MOTORCYCLE), group="primary"),
        Choice("facing_material", "Facing material", tuple(
            Option(m.name, m.label, m.character, (m.heated,),
                   m.assumes(), (CAR,) if m.runs == "dry" else (MOTORCYCLE,))
            for m in MATERIALS.values()
        ), supplies="temperature_factor", group="facing", parts=("disc", "plates", "material")),
        Choice("facing_pair", "Sides of a disc", (
            Option("alike", "Alike", "The same facing on both.", ("alike",)),
            Option("differ", "Two kinds", "Metallic on one side, organic on the other; or other radii.", ("differ",),
                   layouts=(CAR,), traits=_with("two kinds of facing")),
        ), begins={CAR: "alike", MOTORCYCLE: "alike"}, group="facing", parts=("disc",)),
        Choice("other_material", "Pressure plate's side, facing", tuple(
            Option(m.name, m.label, m.character, (f"arrangements.facing_material.{m.heated}",),
                   {OTHER_SIDE[n]: a for n, a in m.assumes().items() if n in OF_OTHER_SIDE}, (CAR,))
            for m in MATERIALS.values() if m.runs == "dry"
        ), supplies="other_temperature_factor", asks="what the pressure plate's side is faced with",
            under=("facing_pair", "differ"), renames=OTHER_SIDE, always=("quantities.face",), group="facing", parts=("disc",)),
        Choice("heat_before", "Before the first start", (
            Option("housing", "As warm as its housing", "It has stood, or run locked, for some minutes.", ("housing",)),
            Option("known", "A temperature", "Warm from what went before.", ()),
        ), begins={CAR: "housing", MOTORCYCLE: "housing"}, group="schedule"),
        Choice("clamp_source", "Clamp load from", (
            Option("figure", "A figure", "The cover maker's clamp load, or one measured in a press.", ("figure",)),
            Option("coils", "Coil springs", "Count, rate and lengths of the springs.", ("coils",),
                   traits=_with("coil springs")),
            Option("diaphragm", "A diaphragm spring", "Sizes of the ring, seat, fulcrum and fingers.", ("diaphragm",)),
        ), begins={CAR: "figure", MOTORCYCLE: "coils"}, group="clamp", parts=("cover", "springs")),
        Choice("spring_lengths", "Spring lengths", (
            Option("alike", "One length for all", "The springs are alike."),
            Option("each", "Each measured", "Every spring's own length, in order round the plate.",
                   ("each",)),
        ), begins={CAR: "alike", MOTORCYCLE: "alike"}, under=("clamp_source", "coils"), group="clamp"),
        Choice("adjuster", "Cover", (
            Option("plain", "Follows the wear", "The fingers come back as the disc wears.", ("plain",)),
            Option("self_adjusting", "Self-adjusting", "Fingers and clamp stay until the adjuster is spent.",
                   ("self_adjusting",), traits=_with("self-adjusting cover")),
        ), begins={CAR: "plain", MOTORCYCLE: "plain"}, group="cover", parts=("cover",)),
        Choice("fingers", "Fingers at speed", (
            Option("left_aside", "Left aside", "What speed does to the fingers does not count.", ("left_aside",)),
            Option("counted", "Counted", "Their mass off the pivots' plane adds or takes.", ("counted",)),
        ), begins={CAR: "left_aside"}, under=("layout", CAR), group="cover"),
        Choice("bearing", "Bearing at rest", (
            Option("free", "Free", "The bearing does not press at rest.", ("free",)),
            Option("rides", "Rides with preload", "It takes its preload times the lever ratio off the clamp.",
                   ("rides",)),
        ), begins={CAR: "free", MOTORCYCLE: "free"}, group="bearing", parts=("bearing",)),
        Choice("hub", "Hub", (
            Option("plain", "Plain", "No ramps.", ("plain",)),
            Option("ramps", "Assist and slipper ramps", "Press when driving, open on the overrun.", ("ramps",)),
        ), begins={CAR: "plain", MOTORCYCLE: "plain"}, group="cover"),
        Choice("spring_rate_source", "Spring rate from", (
            Option("figure", "A figure", "A data sheet, or force over travel in a press."),
            Option("wire", "The wire", "Wire, coil and number of working coils.", ("wire",)),
        ), begins={CAR: "figure", MOTORCYCLE: "figure"}, under=("clamp_source", "coils"), group="clamp", parts=("springs",)),
        Choice("capacity_model", "Capacity model", (
            Option("uniform_wear", "Uniform wear", "A bedded clutch; the cautious one.", ("uniform_wear",)),
            Option("uniform_pressure", "Uniform pressure", "New, rigid and flat.", ("uniform_pressure",)),
            Option("button_wear", "Uniform wear, buttons", "Parallel-sided buttons that have worn in.",
                   ("button_wear",)),
            Option("coned_plate", "Coned plate", "A plate coned by heat presses one edge harder.", ("coned_plate",)),
        ), begins={CAR: "uniform_wear", MOTORCYCLE: "uniform_wear"}, assumption=True, group="facing"),
        Choice("release", "Release by", (
            Option("hydraulic_fork", "Hydraulic slave and fork", "Master, line, slave, fork.",
                   ("hydraulics", "slave_on_fork", "cover_levers"), HYDRAULIC, (CAR,),
                   _with("fork", "slave on a lever")),
            Option("concentric", "Concentric slave", "A ring-shaped piston round the input shaft.",
                   ("hydraulics", "concentric_slave", "no_fork", "cover_levers"), HYDRAULIC, (CAR,),
                   _with("concentric slave")),
            Option("cable_fork", "Cable and fork", "Pedal, cable, fork.", ("cable", "cover_levers"), CABLE, (CAR,),
                   _with("fork", "cable")),
            Option("lever_cable", "Lever, cable and arm", "Hand lever, cable, arm with rack or cam.",
                   ("cable", "straight_lifter"), CABLE, (MOTORCYCLE,), _with("cable")),
            Option("lever_hydraulic", "Lever and hydraulic slave", "Hand lever, master, line, slave.",
                   ("hydraulics", "slave_on_fork", "no_fork", "straight_lifter"), HYDRAULIC, (MOTORCYCLE,),
                   _with("slave on a lever")),
        ), begins={CAR: "hydraulic_fork", MOTORCYCLE: "lever_cable"}, group="release", parts=("slave",)),
        Choice("floater_stop", "Floater of a twin stops", (
            Option("stands", "At stands", "Stands on the flywheel, set by shims.", ("stands",),
                   traits=_with("floater on stands")),
            Option("straps", "Half way, by straps", "Straps to either side keep it in the middle; nothing is set.",
                   ("straps",)),
        ), begins={CAR: "stands"}, under=("layout", CAR), group="stack"),
        Choice("pedal_spring", "Spring at the pedal", (
            Option("returns", "Returns it", "A return spring of one force, or none.", ("returns",)),
            Option("over_centre", "Over centre", "A spring between two pivots: it holds the pedal up, and beyond its "
                   "centre helps it down.", ("over_centre", "quantities.pedal_return"), layouts=(CAR,), traits=_with("assist spring")),
            Option("curve", "By its curve", "Force at the pad over travel, as measured; minus where it helps.",
                   ("curve", "quantities.pedal_return"), layouts=(CAR,), traits=_with("assist spring")),
        ), begins={CAR: "returns", MOTORCYCLE: "returns"}, group="losses"),
        *(
            Choice(fate_of(part.key), part.label, tuple(
                Option(fate, *FATES[fate], layouts=(part.layout,) if part.layout else _BOTH)
                for fate in part.fates
            ), begins=dict.fromkeys((part.layout,) if part.layout else _BOTH, "stays"),
                under=("layout", part.layout) if part.layout else ("", ""), traits=part.traits, group="fates",
                small=part.is_small)
            for part in fated()
        ),
        Choice("inertia_source", "Flywheel inertia from", (
            Option("figure", "A figure", "A data sheet."),
            Option("weight", "Its weight", "Weight and outer diameter.", ("weight",)),
            Option("swing", "A swing on three wires", "Weight, wires and the time of a swing.", ("swing",)),
            Option("rings", "Rings", "A sum of rings.", ("rings",)),
            Option("parts", "Parts weighed", "Each by its weight and radius of gyration.", ("parts",)),
        ), begins={CAR: "figure"}, under=("layout", CAR), group="flywheel", parts=("flywheel",)),
        Choice("flywheel_material", "Flywheel of", tuple(
            Option(name, label, says, (), assumes, traits=_with(f"{name} flywheel"))
            for name, (label, says, assumes) in FLYWHEELS.items()
        ), under=("layout", CAR), group="strength", parts=("flywheel",)),
        Choice("flywheel_build", "Flywheel is", (
            Option("single", "One piece", "Iron, steel or aluminium.", (), {}, (CAR,)),
            Option("dual_mass", "Dual-mass", "Two masses with springs between; its strength is its maker's business.",
                   (), {}, (CAR,), _with("dual-mass flywheel")),
        ), begins={CAR: "single"}, under=("layout", CAR), group="strength", parts=("flywheel",)),
        Choice("ring_gear", "Ring gear's pull", (
            Option("left_aside", "Left aside", "Cut into the flywheel, or its mass is not known.", ("left_aside",)),
            Option("counted", "Counted", "A ring gear that is shrunk on pulls at the rim.", ("counted",)),
        ), begins={CAR: "left_aside"}, under=("layout", CAR), group="strength"),
        Choice("flywheel_insert", "Friction face", (
            Option("own", "Its own metal", "Iron or steel takes the facing itself.", (), {}, (CAR,)),
            Option("steel", "A steel insert", "What an aluminium flywheel needs.", (), {}, (CAR,), _with("friction insert")),
            Option("none", "Bare aluminium", "The facing would tear it.", (), {}, (CAR,), _with("bare face")),
        ), under=("layout", CAR), group="fits", parts=("flywheel",)),
        Choice("balance", "Balance grade", (
            Option("g63", "G 6.3", "General.", (), grade_assumes(0.0063)),
            Option("g25", "G 2.5", "Performance rotating assemblies.", (), grade_assumes(0.0025)),
        ), begins={CAR: "g25", MOTORCYCLE: "g25"}, group="balance"),
        Choice("drilling", "Drilled", (
            Option("radial", "Into the rim", "Towards the crank.", ("radial",)),
            Option("axial", "Into the face", "In line with the crank.", ("axial",)),
        ), begins={CAR: "radial", MOTORCYCLE: "radial"}, group="balance"),
        Choice("unbalance_source", "Residual unbalance from", (
            Option("figure", "The balancer", "What the balancer reads."),
            Option("vectors", "What the parts bring", "The vector sum of each part's unbalance at its angle.",
                   ("vectors",)),
            Option("register", "Its register", "How far the assembly sits off its register.", ("register",)),
        ), begins={CAR: "figure", MOTORCYCLE: "figure"}, group="balance"),
        Choice("drive", "Driven wheels", (
            Option("rear", "Rear", "The weight goes to them in a start.", (), _driven(0.6, 0.5, 0.7), (CAR,)),
            Option("front", "Front", "The weight leaves them in a start.", (), _driven(0.5, 0.42, 0.6), (CAR,)),
            Option("all", "All", "Every wheel pulls.", (), _driven(1.0, 0.95, 1.0), (CAR,)),
        ), begins={CAR: "rear"}, under=("layout", CAR), group="vehicle"),
        Choice("start", "Kind of start", tuple(
            Option(name, start.label, start.says, (start.module,),
                   assumes_in={layout: start.assumes(layout) for layout in _BOTH})
            for name, start in STARTS.items()
        ), begins={CAR: "pull_away", MOTORCYCLE: "pull_away"}, assumption=True, group="start"),
        Choice("throttle", "Throttle", (
            Option("with_pedal", "Follows the clutch", "The driver gives what the clutch takes.", ("with_pedal",)),
            Option("held", "Held open", "Open from the start: the engine flares, and heats the clutch.", ("held",)),
        ), begins={CAR: "with_pedal", MOTORCYCLE: "with_pedal"}, group="start"),
    )
}  # fmt: skip

#: Every trait there is.
TRAITS = frozenset().union(*(o.traits for c in CHOICES.values() for o in c.options))
