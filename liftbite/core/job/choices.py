"""The alternatives a builder picks. A choice decides which modules are in the graph and what is assumed.

- `Option`, `Choice`, `CHOICES`   what can be picked
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import ModuleType

from liftbite.core.arrangements.adjuster import plain as plain_cover
from liftbite.core.arrangements.adjuster import self_adjusting as adjusting_cover
from liftbite.core.arrangements.air import corrected as air_corrected
from liftbite.core.arrangements.air import measured as air_as_measured
from liftbite.core.arrangements.bearing import free as bearing_free
from liftbite.core.arrangements.bearing import rides as bearing_rides
from liftbite.core.arrangements.capacity_model import button_wear, coned_plate, uniform_pressure, uniform_wear
from liftbite.core.arrangements.clamp_source import coils as coil_springs
from liftbite.core.arrangements.clamp_source import diaphragm
from liftbite.core.arrangements.clamp_source import figure as cover_figure
from liftbite.core.arrangements.curve_reference import crank as curve_at_crank
from liftbite.core.arrangements.curve_reference import wheel as curve_at_wheel
from liftbite.core.arrangements.curve_source import peaks as curve_from_peaks
from liftbite.core.arrangements.facing_material import carbon as carbon_friction
from liftbite.core.arrangements.facing_material import fading as fading_friction
from liftbite.core.arrangements.fingers import counted as fingers_thrown
from liftbite.core.arrangements.fingers import left_aside as no_fingers_thrown
from liftbite.core.arrangements.hub import plain as plain_hub
from liftbite.core.arrangements.hub import ramps as ramp_hub
from liftbite.core.arrangements.inertia_source import rings as inertia_by_rings
from liftbite.core.arrangements.inertia_source import swing as inertia_by_swing
from liftbite.core.arrangements.inertia_source import weight as inertia_by_weight
from liftbite.core.arrangements.layout import dry_discs, engine_on_clutch, engine_through_primary, wet_pack
from liftbite.core.arrangements.primary_source import teeth as primary_gears
from liftbite.core.arrangements.release import (
    cable,
    concentric_slave,
    cover_levers,
    hydraulics,
    no_fork,
    slave_on_fork,
    straight_lifter,
)
from liftbite.core.arrangements.spring_lengths import each as springs_measured
from liftbite.core.arrangements.spring_rate_source import wire as spring_wire
from liftbite.core.arrangements.stage_plan import crank_file as stage_at_crank
from liftbite.core.arrangements.stage_plan import none as stage_none
from liftbite.core.arrangements.stage_plan import scaled as stage_scaled
from liftbite.core.arrangements.stage_plan import wheel_file as stage_at_wheel
from liftbite.core.arrangements.unbalance_source import register as unbalance_by_register
from liftbite.core.arrangements.unbalance_source import vectors as unbalance_by_vectors
from liftbite.core.graph.graph import renamed
from liftbite.core.job.assumptions import (
    CABLE,
    DENSE_AIR,
    FLYWHEELS,
    HYDRAULIC,
    LAYOUT_ASSUMES,
    STARTS,
    grade_assumes,
    loss_assumes,
    start_assumes,
    use_assumes,
)
from liftbite.core.job.inputs import OF_FLYWHEEL, Assumed
from liftbite.core.job.materials import MATERIALS
from liftbite.core.quantities import alignment

CAR, MOTORCYCLE = "dry_car", "wet_motorcycle"
_BOTH = (CAR, MOTORCYCLE)
#: The flywheel that comes out has a name of its own for everything its inertia is worked out from.
_OLD = {name: f"old_{name}" for name in ("flywheel_inertia", *OF_FLYWHEEL)}


@dataclass(frozen=True, slots=True)
class Option:
    """One alternative.

    Attributes
    ----------
    value, label, meaning : name in files, name on screen, one sentence
    modules : what it brings into the graph
    assumes : inputs it stands in for until one is entered
    layouts : where it can be picked
    """

    value: str
    label: str
    meaning: str = ""
    modules: tuple[ModuleType, ...] = ()
    assumes: Mapping[str, Assumed] = field(default_factory=dict)
    layouts: tuple[str, ...] = _BOTH


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
    """

    name: str
    label: str
    options: tuple[Option, ...]
    begins: Mapping[str, str] = field(default_factory=dict)
    supplies: str = ""
    assumption: bool = False
    asks: str = ""

    def option(self, value: str) -> Option | None:
        """The option of that name, or None."""
        return next((o for o in self.options if o.value == value), None)


CHOICES: Mapping[str, Choice] = {
    c.name: c
    for c in (
        Choice("layout", "Layout", (
            Option(CAR, "Car, dry clutch", "One to three discs between flywheel and pressure plate, at crank speed.",
                   (dry_discs, engine_on_clutch, alignment), LAYOUT_ASSUMES[CAR]),
            Option(MOTORCYCLE, "Motorcycle, wet pack", "Friction and plain plates in a basket, behind a primary drive.",
                   (wet_pack, engine_through_primary), LAYOUT_ASSUMES[MOTORCYCLE]),
        )),
        Choice("curve_source", "Engine output from", (
            Option("file", "A dynamometer file", "Torque or power over engine speed, as CSV."),
            Option("peaks", "Two peaks", "Peak torque and peak power give an estimated curve.", (curve_from_peaks,)),
        ), begins={CAR: "file", MOTORCYCLE: "file"}),
        Choice("curve_reference", "Figures taken at", (
            Option("crank", "The crank", "An engine dynamometer, or a maker's figure.", (curve_at_crank,)),
            Option("chain", "The wheel, chain drive", "A chassis dynamometer; 8 to 12 % is lost on the way.",
                   (curve_at_wheel,), loss_assumes(0.10, "chain drive, 8 to 12 %"), (MOTORCYCLE,)),
            Option("two_wheel", "The wheels, two driven", "A chassis dynamometer; 12 to 17 % is lost on the way.",
                   (curve_at_wheel,), loss_assumes(0.145, "two-wheel drive, 12 to 17 %"), (CAR,)),
            Option("all_wheel", "The wheels, four driven", "A chassis dynamometer; 18 to 25 % is lost on the way.",
                   (curve_at_wheel,), loss_assumes(0.215, "all-wheel drive, 18 to 25 %"), (CAR,)),
        ), supplies="crank_curve", asks="where the figures were taken"),
        Choice("stage_plan", "Planned stage", (
            Option("none", "None", "The engine stays as it is.", (stage_none,)),
            Option("scaled", "A gain over the present curve", "Every torque changes by the same share.",
                   (stage_scaled,)),
            Option("crank_file", "A curve of its own, at the crank", "A file of the planned engine.",
                   (stage_at_crank,)),
            Option("wheel_file", "A curve of its own, at the wheel", "A file of the planned engine.",
                   (stage_at_wheel,)),
        ), begins={CAR: "none", MOTORCYCLE: "none"}),
        Choice("air", "Figures are", (
            Option("measured", "As measured", "The torque of the day.", (air_as_measured,)),
            Option("corrected", "Corrected to standard air", "The clutch feels the actual torque of the densest day.",
                   (air_corrected,), DENSE_AIR),
        ), begins={CAR: "measured", MOTORCYCLE: "measured"}),
        Choice("cover_action", "Cover works by", (
            Option("push", "Push", "The bearing pushes the fingers towards the flywheel."),
            Option("pull", "Pull", "The bearing pulls; the fingers move towards the engine with wear."),
        ), begins={CAR: "push"}),
        Choice("use", "Use", (
            Option("gentle", "Gentle road", "Daily driving, no tuning, no trailer.", (), use_assumes(1.2)),
            Option("tuned", "Road, tuned", "Road driving with a tuned engine.", (), use_assumes(1.3)),
            Option("track", "Track", "Standing starts now and then, hard shifts.", (), use_assumes(1.35)),
            Option("drag", "Drag, hill starts, towing", "The clutch slips under full load at every start.", (),
                   use_assumes(1.5)),
        )),
        Choice("primary_source", "Primary drive by", (
            Option("ratio", "Ratio", "Crank turns per clutch turn."),
            Option("teeth", "Teeth", "Teeth of the two primary gears.", (primary_gears,)),
        ), begins={MOTORCYCLE: "ratio"}),
        Choice("facing_material", "Facing material", tuple(
            Option(m.name, m.label, m.character, (carbon_friction if m.name == "carbon" else fading_friction,),
                   m.assumes(), (CAR,) if m.runs == "dry" else (MOTORCYCLE,))
            for m in MATERIALS.values()
        ), supplies="temperature_factor"),
        Choice("clamp_source", "Clamp load from", (
            Option("figure", "A figure", "The cover maker's clamp load, or one measured in a press.", (cover_figure,)),
            Option("coils", "Coil springs", "Count, rate and lengths of the springs.", (coil_springs,)),
            Option("diaphragm", "A diaphragm spring", "Sizes of the ring, seat, fulcrum and fingers.", (diaphragm,)),
        ), begins={CAR: "figure", MOTORCYCLE: "coils"}),
        Choice("spring_lengths", "Spring lengths", (
            Option("alike", "One length for all", "The springs are alike."),
            Option("each", "Each measured", "Every spring's own length, in order round the plate.",
                   (springs_measured,)),
        ), begins={CAR: "alike", MOTORCYCLE: "alike"}),
        Choice("adjuster", "Cover", (
            Option("plain", "Follows the wear", "The fingers come back as the disc wears.", (plain_cover,)),
            Option("self_adjusting", "Self-adjusting", "Fingers and clamp stay until the adjuster is spent.",
                   (adjusting_cover,)),
        ), begins={CAR: "plain", MOTORCYCLE: "plain"}),
        Choice("fingers", "Fingers at speed", (
            Option("left_aside", "Left aside", "What speed does to the fingers does not count.", (no_fingers_thrown,)),
            Option("counted", "Counted", "Their mass off the pivots' plane adds or takes.", (fingers_thrown,)),
        ), begins={CAR: "left_aside", MOTORCYCLE: "left_aside"}),
        Choice("bearing", "Bearing at rest", (
            Option("free", "Free", "The bearing does not press at rest.", (bearing_free,)),
            Option("rides", "Rides with preload", "It takes its preload times the lever ratio off the clamp.",
                   (bearing_rides,)),
        ), begins={CAR: "free", MOTORCYCLE: "free"}),
        Choice("hub", "Hub", (
            Option("plain", "Plain", "No ramps.", (plain_hub,)),
            Option("ramps", "Assist and slipper ramps", "Press when driving, open on the overrun.", (ramp_hub,)),
        ), begins={CAR: "plain", MOTORCYCLE: "plain"}),
        Choice("spring_rate_source", "Spring rate from", (
            Option("figure", "A figure", "A data sheet, or force over travel in a press."),
            Option("wire", "The wire", "Wire, coil and number of working coils.", (spring_wire,)),
        ), begins={CAR: "figure", MOTORCYCLE: "figure"}),
        Choice("capacity_model", "Capacity model", (
            Option("uniform_wear", "Uniform wear", "A bedded clutch; the cautious one.", (uniform_wear,)),
            Option("uniform_pressure", "Uniform pressure", "New, rigid and flat.", (uniform_pressure,)),
            Option("button_wear", "Uniform wear, buttons", "Parallel-sided buttons that have worn in.", (button_wear,)),
            Option("coned_plate", "Coned plate", "A plate coned by heat presses one edge harder.", (coned_plate,)),
        ), begins={CAR: "uniform_wear", MOTORCYCLE: "uniform_wear"}, assumption=True),
        Choice("release", "Release by", (
            Option("hydraulic_fork", "Hydraulic slave and fork", "Master, line, slave, fork.",
                   (hydraulics, slave_on_fork, cover_levers), HYDRAULIC, (CAR,)),
            Option("concentric", "Concentric slave", "A ring-shaped piston round the input shaft.",
                   (hydraulics, concentric_slave, no_fork, cover_levers), HYDRAULIC, (CAR,)),
            Option("cable_fork", "Cable and fork", "Pedal, cable, fork.", (cable, cover_levers), CABLE, (CAR,)),
            Option("lever_cable", "Lever, cable and arm", "Hand lever, cable, arm with rack or cam.",
                   (cable, straight_lifter), CABLE, (MOTORCYCLE,)),
            Option("lever_hydraulic", "Lever and hydraulic slave", "Hand lever, master, line, slave.",
                   (hydraulics, slave_on_fork, no_fork, straight_lifter), HYDRAULIC, (MOTORCYCLE,)),
        ), begins={CAR: "hydraulic_fork", MOTORCYCLE: "lever_cable"}),
        Choice("inertia_source", "Flywheel inertia from", (
            Option("figure", "A figure", "A data sheet."),
            Option("weight", "Its weight", "Weight and outer diameter.", (inertia_by_weight,)),
            Option("swing", "A swing on three wires", "Weight, wires and the time of a swing.", (inertia_by_swing,)),
            Option("rings", "Rings", "A sum of rings.", (inertia_by_rings,)),
        ), begins={CAR: "figure"}),
        Choice("old_flywheel_source", "Old flywheel's inertia from", (
            Option("figure", "A figure", "A data sheet, or worked out before."),
            Option("weight", "Its weight", "Weight and outer diameter.", (renamed(inertia_by_weight, _OLD),)),
            Option("swing", "A swing on three wires", "Weight, wires and the time of a swing.",
                   (renamed(inertia_by_swing, _OLD),)),
            Option("rings", "Rings", "A sum of rings.", (renamed(inertia_by_rings, _OLD),)),
        ), begins={CAR: "figure"}),
        Choice("flywheel_material", "Flywheel of", tuple(
            Option(name, label, says, (), assumes) for name, (label, says, assumes) in FLYWHEELS.items()
        )),
        Choice("flywheel_insert", "Friction face", (
            Option("own", "Its own metal", "Iron or steel takes the facing itself.", (), {}, (CAR,)),
            Option("steel", "A steel insert", "What an aluminium flywheel needs.", (), {}, (CAR,)),
            Option("none", "Bare aluminium", "The facing would tear it.", (), {}, (CAR,)),
        )),
        Choice("balance", "Balance grade", (
            Option("g63", "G 6.3", "General.", (), grade_assumes(0.0063)),
            Option("g25", "G 2.5", "Performance rotating assemblies.", (), grade_assumes(0.0025)),
        ), begins={CAR: "g25", MOTORCYCLE: "g25"}),
        Choice("unbalance_source", "Residual unbalance from", (
            Option("figure", "The balancer", "What the balancer reads."),
            Option("vectors", "What the parts bring", "The vector sum of each part's unbalance at its angle.",
                   (unbalance_by_vectors,)),
            Option("register", "Its register", "How far the assembly sits off its register.", (unbalance_by_register,)),
        ), begins={CAR: "figure", MOTORCYCLE: "figure"}),
        Choice("start", "Kind of start", tuple(
            Option(name, label, says, (), start_assumes(*figures)) for name, (label, says, figures) in STARTS.items()
        )),
    )
}  # fmt: skip
