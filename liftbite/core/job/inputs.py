"""What a builder enters: every input with its unit, its range and the figures that are usual.

- `Assumed`   a value taken where nobody entered one, with its source mark
- `Input`     one input
- `INPUTS`    all of them, in the order of work
- `STATES`    inputs that are not entered but looked at: the place in the friction band, the stage
- `ALWAYS_ASSUMED`   assumptions that hold whatever is chosen

Hard ranges are what can exist. Usual ranges only raise a question, for the classic mistake is a figure in the wrong
unit.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from math import inf

from liftbite.core.parts.slots import FIT_FIELDS, SLOTS
from liftbite.core.units.constants import RPM


@dataclass(frozen=True, slots=True)
class Assumed:
    """A value taken where nobody entered one.

    Attributes
    ----------
    value : the value [SI]
    mark : "standard", "handbook", "memory" or "practice"
    why : where it comes from, in words
    """

    value: float
    mark: str
    why: str


@dataclass(frozen=True, slots=True)
class Input:
    """One input of a job.

    Attributes
    ----------
    name : name in the graph
    label : what the screen calls it
    unit : SI unit, a key of `units.KINDS`; "text" and "curve" for what is no figure
    field_unit : unit a bare number is read in, by layout where the trade differs
    least, most : hard range [SI]
    usual : range outside which the figure is questioned [SI]
    meaning : one sentence for the builder
    above : True where `least` itself is not allowed
    many : True where several figures are entered, separated by semicolons
    """

    name: str
    label: str
    unit: str
    field_unit: str = ""
    least: float = -inf
    most: float = inf
    usual: tuple[float, float] = (-inf, inf)
    meaning: str = ""
    above: bool = False
    many: bool = False


MPA = 1e6

_ALL = (
    Input("job_name", "Job", "text", meaning="What the shop calls this job."),
    Input("vehicle", "Vehicle", "text", meaning="Vehicle, year, owner: whatever tells it from the others."),
    Input("notes", "Notes", "text", meaning="Complaints, wishes, what was found."),
    # engine
    Input("measured_curve", "Torque curve", "curve", meaning="Torque over engine speed as the engine is."),
    Input("replacement_curve", "Planned torque curve", "curve", meaning="Torque over engine speed after the work."),
    Input("peak_torque", "Peak torque", "N·m", "N·m", 0, 20_000, (5, 3_000),
          "Largest torque the engine is quoted at.", above=True),
    Input("peak_torque_speed", "Speed at peak torque", "rad/s", "rpm", 0, 30_000 * RPM, (500 * RPM, 16_000 * RPM),
          "Engine speed at peak torque.", above=True),
    Input("peak_power", "Peak power", "W", "kW", 0, 10e6, (2e3, 2e6),
          "Largest power the engine is quoted at.", above=True),
    Input("peak_power_speed", "Speed at peak power", "rad/s", "rpm", 0, 30_000 * RPM, (800 * RPM, 20_000 * RPM),
          "Engine speed at peak power.", above=True),
    Input("driveline_loss", "Driveline loss", "share", "%", 0, 0.6, (0.03, 0.35),
          "Share of the crank's torque that does not reach the wheel."),
    Input("stage_gain", "Planned gain", "share", "%", -0.9, 5, (-0.3, 1.5),
          "Gain of the planned stage over the present curve; negative for a detuned engine."),
    Input("dry_pressure", "Dry air, densest day", "Pa", "kPa", 50_000, 120_000, (85_000, 106_000),
          "Pressure of the dry air on the densest day expected."),
    Input("intake_temperature", "Air temperature, densest day", "K", "°C", 200, 350, (240, 310),
          "Temperature of the air on that day."),
    Input("restrictor_time", "Restrictor holds back", "s", "s", 0, 10, (0, 2),
          "Least time a restrictor in the line lets the pedal come up in."),
    Input("use_factor", "Use factor", "-", "", 1.1, 4, (1.1, 2),
          "How many times the engine's torque the clutch should hold."),
    # primary drive
    Input("primary_ratio", "Primary ratio", "-", "", 0.3, 6, (1.2, 3.2),
          "Crank turns per clutch turn."),
    Input("basket_gear_teeth", "Teeth on the basket", "count", "", 5, 300, (30, 130),
          "Teeth of the primary gear on the clutch basket."),
    Input("crank_gear_teeth", "Teeth on the crank", "count", "", 5, 300, (15, 90),
          "Teeth of the primary gear on the crankshaft."),
    Input("primary_efficiency", "Primary efficiency", "share", "%", 0.5, 1, (0.9, 1),
          "Share of the engine's torque the primary drive passes on."),
    # stack
    Input("disc_count", "Discs", "count", "", 1, 3, (1, 3), "Clutch discs between flywheel and pressure plate."),
    Input("friction_plate_count", "Friction plates", "count", "", 1, 30, (3, 12),
          "Plates with facings, driven by the basket."),
    Input("outer_diameter", "Outer diameter", "m", "mm", 0, 1, (0.075, 0.46),
          "Outer diameter of the facing.", above=True),
    Input("inner_diameter", "Inner diameter", "m", "mm", 0, 1, (0.045, 0.32),
          "Inner diameter of the facing.", above=True),
    Input("coverage", "Coverage", "share", "%", 0, 1, (0.25, 1),
          "Share of the ring that really touches; less for buttons and grooves.", above=True),
    Input("interface_efficiency", "Clamp passed on per face", "share", "%", 0.8, 1, (0.95, 1),
          "Share of the clamp each face passes to the next; plate teeth that rub in the basket lose some."),
    # material
    Input("friction_low", "Friction, low", "-", "", 0, 1.5, (0.04, 0.8),
          "Low end of the friction band.", above=True),
    Input("friction_nominal", "Friction, nominal", "-", "", 0, 1.5, (0.04, 0.8), "Nominal friction.", above=True),
    Input("friction_high", "Friction, high", "-", "", 0, 1.5, (0.04, 0.8),
          "High end of the friction band.", above=True),
    Input("friction_coefficient", "Friction", "-", "", 0, 1.5, (0.04, 0.8), "Coefficient of friction.", above=True),
    Input("pressure_limit", "Face pressure limit", "Pa", "MPa", 0, 20 * MPA, (0.1 * MPA, 6 * MPA),
          "Mean pressure the facing carries.", above=True),
    # clamp
    Input("cover_clamp", "Clamp load", "N", "N", 0, 200_000, (400, 40_000),
          "Clamp load the cover is rated at, or measured in a press.", above=True),
    Input("clamp_load", "Clamp load at the facings", "N", "N", 0, 200_000, (400, 40_000),
          "Force that presses the stack together.", above=True),
    Input("spring_count", "Springs", "count", "", 1, 30, (3, 12), "Coil springs that press the stack."),
    Input("spring_rate", "Rate of one spring", "N/m", "N/mm", 0, 2e6, (2e3, 300e3),
          "Force per length of one spring.", above=True),
    Input("spring_free_length", "Free length", "m", "mm", 0, 0.5, (0.015, 0.12),
          "Length of a spring on the bench.", above=True),
    Input("spring_installed_length", "Installed length", "m", "mm", 0, 0.5, (0.01, 0.1),
          "Length between the spring's seats with the pack clamped.", above=True),
    Input("wire_diameter", "Wire", "m", "mm", 0, 0.03, (0.001, 0.009), "Diameter of the spring wire.", above=True),
    Input("coil_mean_diameter", "Coil, mean diameter", "m", "mm", 0, 0.2, (0.007, 0.06),
          "Outside diameter of the coil less one wire.", above=True),
    Input("active_coils", "Working coils", "-", "", 0, 40, (2, 16), "All coils less the closed ends.", above=True),
    Input("shear_modulus", "Shear modulus", "Pa", "GPa", 0, 200e9, (70e9, 85e9),
          "Stiffness of the spring steel in shear.", above=True),
    Input("spring_free_lengths", "Free lengths", "m", "mm", 0, 0.5, (0.015, 0.12),
          "Length of each spring on the bench, in order round the plate.", above=True, many=True),
    Input("spring_circle_diameter", "Spring circle", "m", "mm", 0, 0.6, (0.03, 0.3),
          "Diameter of the circle the springs stand on.", above=True),
    Input("diaphragm_outer_diameter", "Diaphragm, outside", "m", "mm", 0, 0.6, (0.12, 0.35),
          "Outer diameter of the diaphragm's ring.", above=True),
    Input("diaphragm_inner_diameter", "Diaphragm, slot roots", "m", "mm", 0, 0.6, (0.08, 0.3),
          "Diameter at the roots of the slots.", above=True),
    Input("diaphragm_thickness", "Diaphragm, thickness", "m", "mm", 0, 0.02, (0.0015, 0.005),
          "Thickness of the diaphragm.", above=True),
    Input("diaphragm_cone_height", "Diaphragm, cone height", "m", "mm", 0, 0.05, (0.001, 0.012),
          "Free height of the ring's cone, without fingers.", above=True),
    Input("diaphragm_set", "Pressed flat by", "m", "mm", 0, 0.05, (0.001, 0.015),
          "How far the ring is pressed flat with a new disc.", above=True),
    Input("plate_seat_diameter", "Plate seat", "m", "mm", 0, 0.6, (0.1, 0.35),
          "Diameter on which the diaphragm presses the plate.", above=True),
    Input("fulcrum_diameter", "Fulcrum ring", "m", "mm", 0, 0.6, (0.1, 0.35),
          "Diameter on which the diaphragm rests in the cover.", above=True),
    Input("finger_tip_diameter", "Finger tips", "m", "mm", 0, 0.3, (0.025, 0.12),
          "Diameter on which the bearing touches the fingers.", above=True),
    Input("finger_mass", "Finger mass", "kg", "kg", 0, 5, (0.05, 1), "Mass of all fingers.", above=True),
    Input("finger_centroid_radius", "Finger centroid", "m", "mm", 0, 0.3, (0.02, 0.15),
          "Radius of the fingers' centroid.", above=True),
    Input("finger_offset", "Finger offset", "m", "mm", -0.03, 0.03, (-0.01, 0.01),
          "Their centroid off the plane of the pivots; plus where speed presses the plate."),
    Input("adjuster_range", "Adjuster range", "m", "mm", 0, 0.02, (0.0005, 0.006),
          "Wear a self-adjusting cover takes up."),
    Input("strap_force", "Strap force", "N", "N", -5_000, 5_000, (-600, 600),
          "Force of the straps on the plate towards the flywheel."),
    Input("bearing_preload", "Bearing preload", "N", "N", 0, 2_000, (20, 300),
          "Force of a riding bearing on the fingers at rest."),
    Input("ramp_radius", "Ramp radius", "m", "mm", 0, 0.3, (0.02, 0.1), "Radius of the hub's ramps.", above=True),
    Input("ramp_angle", "Ramp angle", "rad", "°", 0, 1.57, (0.5, 1.5),
          "Angle of the ramps to the plane of rotation.", above=True),
    Input("pressure_slope", "Pressure slope", "-", "", -1, 1, (-0.6, 0.6),
          "Pressure at the outer edge over the mean, less one."),
    Input("sustained_temperature", "Facing, sustained", "K", "°C", 300, 1500, (380, 1100),
          "Temperature the facing stands for long."),
    Input("brief_temperature", "Facing, brief", "K", "°C", 300, 1800, (450, 1300),
          "Temperature the facing stands for moments."),
    Input("fade_share", "Friction left when hot", "share", "%", 0, 1, (0.3, 1),
          "Share of the friction left at the brief limit."),
    # wear
    Input("wear", "Wear found", "m", "mm", 0, 0.03, (0, 0.006),
          "Thickness all discs or plates together have lost, as measured; the parts were new without it."),
    Input("facing_depth", "Facing to wear", "m", "mm", 0, 0.01, (0.0002, 0.004),
          "Facing above rivet or carrier that may be worn, per face.", above=True),
    Input("plate_wear_allowed", "Plate wear allowed", "m", "mm", 0, 0.005, (0.0001, 0.0015),
          "Thickness a friction plate may lose.", above=True),
    Input("bearing_reserve", "Bearing reserve", "m", "mm", 0, 0.05, (0.001, 0.02),
          "How far the bearing can be pushed back before it bottoms; X less Y of a concentric slave."),
    # sizes of the drawing
    Input("disc_thickness", "Disc, clamped thickness", "m", "mm", 0, 0.05, (0.005, 0.012),
          "Thickness of a new disc under clamp.", above=True),
    Input("floater_thickness", "Floater thickness", "m", "mm", 0, 0.05, (0.004, 0.016),
          "Thickness of the plate between two discs.", above=True),
    Input("friction_plate_thickness", "Friction plate thickness", "m", "mm", 0, 0.02, (0.0018, 0.005),
          "Thickness of a new friction plate.", above=True),
    Input("plain_plate_thickness", "Plain plate thickness", "m", "mm", 0, 0.02, (0.001, 0.003),
          "Thickness of a plain plate.", above=True),
    Input("pressure_plate_thickness", "Pressure plate thickness", "m", "mm", 0, 0.08, (0.004, 0.03),
          "Thickness of the pressure plate under the facing.", above=True),
    Input("flywheel_thickness", "Flywheel thickness", "m", "mm", 0, 0.15, (0.008, 0.06),
          "Thickness of the flywheel behind the facing.", above=True),
    # release
    Input("running_gap", "Running gap per face", "m", "mm", 0, 0.003, (0.00005, 0.0008),
          "Comfortable gap per face.", above=True),
    Input("gap_single", "Gap per face, one disc", "m", "mm", 0, 0.003, (0.0001, 0.0008),
          "Comfortable gap per face of a single disc.", above=True),
    Input("gap_several", "Gap per face, several discs", "m", "mm", 0, 0.003, (0.0001, 0.0008),
          "Comfortable gap per face of two or three discs.", above=True),
    Input("least_gap", "Least gap per face", "m", "mm", 0, 0.003, (0.00005, 0.0005),
          "Gap per face that is just enough.", above=True),
    Input("cushion_travel", "Cushion", "m", "mm", 0, 0.003, (0, 0.0015),
          "How far one disc's cushion springs back."),
    Input("disc_wobble", "Disc wobble", "m", "mm", 0, 0.005, (0, 0.0012),
          "Runout of a disc at its mean radius, full reading."),
    Input("hot_coning", "Coning of a hot plate", "m", "mm", 0, 0.002, (0, 0.0004),
          "Coning and tilt of a hot plate."),
    Input("lever_ratio", "Lever ratio of the cover", "-", "", 0, 12, (2, 7),
          "Bearing travel per plate travel.", above=True),
    Input("finger_flex", "Travel passed on by fingers", "share", "%", 0, 1, (0.8, 1),
          "Share of the travel that fingers which bend pass on.", above=True),
    Input("plate_lift_limit", "Largest lift of the cover", "m", "mm", 0, 0.02, (0.001, 0.005),
          "Lift beyond which fingers bend and straps stretch.", above=True),
    Input("pedal_stroke", "Stroke of pedal or lever", "m", "mm", 0, 0.4, (0.04, 0.2),
          "Full travel at the pad.", above=True),
    Input("pedal_ratio", "Ratio of pedal or lever", "-", "", 0, 20, (2.5, 9),
          "Pad travel per push-rod or cable travel.", above=True),
    Input("pedal_free_play", "Free play at the pad", "m", "mm", 0, 0.1, (0, 0.04), "Free play at the pad."),
    Input("pedal_efficiency", "Pedal efficiency", "share", "%", 0, 1, (0.6, 1),
          "Share of the work that friction leaves.", above=True),
    Input("pedal_return_force", "Return spring at the pad", "N", "N", 0, 200, (0, 60), "Return spring at the pad."),
    Input("effort_limit", "Effort allowed", "N", "N", 0, 1_000, (40, 260),
          "Force at the pad the driver can live with.", above=True),
    Input("master_diameter", "Master bore", "m", "mm", 0, 0.08, (0.009, 0.032), "Bore of the master cylinder.", above=True),
    Input("slave_diameter", "Slave bore", "m", "mm", 0, 0.1, (0.014, 0.045), "Bore of the slave cylinder.", above=True),
    Input("slave_outer_diameter", "Concentric slave, outside", "m", "mm", 0, 0.15, (0.035, 0.085),
          "Outer diameter of the ring-shaped piston.", above=True),
    Input("slave_inner_diameter", "Concentric slave, inside", "m", "mm", 0, 0.15, (0.02, 0.06),
          "Inner diameter of the ring-shaped piston.", above=True),
    Input("master_stroke", "Master stroke", "m", "mm", 0, 0.1, (0.012, 0.045), "Stroke of the master cylinder.", above=True),
    Input("slave_stroke", "Slave stroke", "m", "mm", 0, 0.1, (0.008, 0.045), "Stroke of the slave cylinder.", above=True),
    Input("port_travel", "Travel to close the port", "m", "mm", 0, 0.02, (0, 0.003),
          "Master travel before its compensation port is closed."),
    Input("fork_ratio", "Ratio of fork or arm", "-", "", 0, 20, (1, 8),
          "Slave or cable travel per bearing travel.", above=True),
    Input("bearing_clearance", "Bearing clearance", "m", "mm", 0, 0.03, (0, 0.008),
          "Gap the bearing crosses on every stroke; none where it rides."),
    Input("slave_spring_force", "Slave spring", "N", "N", -500, 500, (-120, 120),
          "Pushes the slave back; minus where it pushes out."),
    Input("hose_swell", "Hose swell", "m³/Pa", "mm³/MPa", 0, 1e-12, (0, 2e-13), "Swelling of the hoses per pressure."),
    Input("trapped_air", "Trapped air", "m³", "mL", 0, 1e-4, (0, 5e-6), "Air in the system at rest."),
    Input("pressure_rating", "Pressure rating", "Pa", "MPa", 0, 50 * MPA, (3 * MPA, 15 * MPA),
          "Pressure the cylinders stand.", above=True),
    Input("cable_stiffness", "Cable stiffness", "N/m", "N/mm", 0, 1e8, (3e4, 1e6),
          "Force per stretch of the cable with its outer.", above=True),
    Input("arm_efficiency", "Efficiency of fork or arm", "share", "%", 0, 1, (0.5, 1),
          "Share of the work the fork or arm passes on.", above=True),
    Input("floater_clearance", "Floater clearance", "m", "mm", 0, 0.01, (0.0002, 0.0012),
          "Gap between floater and its stop, clamped, discs new."),
    Input("inner_wear", "Wear of the inner disc", "m", "mm", 0, 0.01, (0, 0.002), "Thickness the inner disc has lost."),
    # flywheel
    Input("redline", "Redline", "rad/s", "rpm", 0, 30_000 * RPM, (3_000 * RPM, 16_000 * RPM),
          "Highest engine speed.", above=True),
    Input("idle_speed", "Idle", "rad/s", "rpm", 0, 5_000 * RPM, (500 * RPM, 2_000 * RPM), "Idle speed.", above=True),
    Input("flywheel_diameter", "Flywheel, outside", "m", "mm", 0, 1, (0.12, 0.42), "Outer diameter.", above=True),
    Input("flywheel_bore", "Flywheel, bore", "m", "mm", 0, 0.5, (0.015, 0.15), "Bore of the flywheel.", above=True),
    Input("flywheel_mass", "Flywheel mass", "kg", "kg", 0, 100, (1.5, 25), "Mass of the flywheel.", above=True),
    Input("flywheel_inertia", "Flywheel inertia", "kg·m²", "kg·m²", 0, 10, (0.005, 0.6), "Inertia.", above=True),
    Input("gyration_share", "Radius of gyration", "share", "%", 0, 1, (0.55, 0.85),
          "Radius of gyration over the outer radius.", above=True),
    Input("wire_radius", "Wires hang at", "m", "mm", 0, 1, (0.03, 0.3), "Radius of the three wires.", above=True),
    Input("wire_length", "Wire length", "m", "mm", 0, 10, (0.3, 4), "Length of the three wires.", above=True),
    Input("swing_period", "Period of a swing", "s", "s", 0, 30, (0.3, 6), "One small twist, there and back.", above=True),
    Input("ring_outer_diameters", "Rings, outside", "m", "mm", 0, 1, (0.02, 0.45), "Outer diameter of each ring.",
          above=True, many=True),
    Input("ring_inner_diameters", "Rings, inside", "m", "mm", 0, 1, (0, 0.4), "Inner diameter of each ring.", many=True),
    Input("ring_thicknesses", "Rings, thickness", "m", "mm", 0, 0.3, (0.001, 0.06), "Thickness of each ring.",
          above=True, many=True),
    Input("ring_densities", "Rings, density", "kg/m³", "kg/m³", 500, 23_000, (2_000, 9_000), "Density of each ring.",
          many=True),
    Input("density", "Density of the flywheel", "kg/m³", "kg/m³", 500, 23_000, (2_000, 9_000), "Density."),
    Input("poisson_ratio", "Poisson's ratio", "-", "", 0, 0.5, (0.2, 0.4), "Ratio of Poisson."),
    Input("flywheel_strength", "Strength of the flywheel", "Pa", "MPa", 0, 3e9, (100 * MPA, 1200 * MPA),
          "Yield strength, or for grey iron tensile strength.", above=True),
    Input("strength_factor", "Strength factor", "-", "", 1, 20, (2, 8), "Factor asked for on that strength."),
    Input("stress_concentration", "Stress rise at holes", "-", "", 1, 6, (1, 3), "Local rise at holes near the bore."),
    Input("disc_burst_speed", "Disc proved to", "rad/s", "rpm", 0, 60_000 * RPM, (6_000 * RPM, 30_000 * RPM),
          "Speed the disc is proved to.", above=True),
    Input("old_flywheel_inertia", "Old flywheel, inertia", "kg·m²", "kg·m²", 0, 10, (0.005, 0.6),
          "The flywheel that comes out, to compare with.", above=True),
    Input("gear_ratios", "Gears", "-", "", 0, 20, (0.5, 5), "Ratio of every gear, first to last.", above=True, many=True),
    Input("gear_ratio_from", "Gear left", "-", "", 0, 20, (0.6, 4), "Gear left at the redline.", above=True),
    Input("gear_ratio_into", "Gear caught", "-", "", 0, 20, (1, 5), "Lowest gear that can be caught.", above=True),
    Input("balance_grade", "Balance grade", "m/s", "m/s", 0, 0.1, (0.0005, 0.02),
          "Quality grade as a speed: G 6.3 is 0.0063 m/s.", above=True),
    Input("rotating_mass", "Mass balanced together", "kg", "kg", 0, 200, (1, 40), "Flywheel with cover.", above=True),
    Input("residual_unbalance", "Residual unbalance", "kg·m", "g·mm", 0, 1, (0, 0.002), "What the balancer reads."),
    Input("unbalance_amounts", "Contributions", "kg·m", "g·mm", 0, 1, (0, 0.002),
          "Each part's unbalance: wheel, cover, bolts of unequal mass.", many=True),
    Input("unbalance_angles", "Their angles", "rad", "°", -7, 7, (0, 6.3),
          "Clockwise seen from the gearbox side.", many=True),
    Input("housing_bore_runout", "Housing bore, runout", "m", "mm", 0, 0.01, (0, 0.001),
          "Total indicator reading of the bell housing's bore, swept from the crank."),
    Input("housing_bore_limit", "Housing bore, allowed", "m", "mm", 0, 0.01, (2e-5, 0.0005),
          "Runout allowed, total indicator reading.", above=True),
    Input("housing_face_runout", "Gearbox face, runout", "m", "mm", 0, 0.01, (0, 0.001),
          "Total indicator reading of the housing's gearbox face, swept from the crank."),
    Input("housing_face_limit", "Gearbox face, allowed", "m", "mm", 0, 0.01, (2e-5, 0.0005),
          "Runout allowed across the bore circle.", above=True),
    Input("flywheel_face_runout", "Flywheel face, runout", "m", "mm", 0, 0.01, (0, 0.001),
          "Total indicator reading at the rim of the flywheel's face."),
    Input("flywheel_face_limit", "Flywheel face, allowed", "m", "mm", 0, 0.01, (2e-5, 0.0005),
          "Runout allowed at the rim.", above=True),
    Input("drill_radius", "Drilled at radius", "m", "mm", 0, 0.5, (0.05, 0.25), "Where the hole begins.", above=True),
    Input("drill_diameter", "Drill", "m", "mm", 0, 0.05, (0.004, 0.016), "Diameter of the drill.", above=True),
    Input("register_offset", "Off its register", "m", "mm", 0, 0.005, (0, 0.0002), "How far the assembly sits off."),
    Input("crank_inertia", "Crank inertia", "kg·m²", "kg·m²", 0, 10, (0.002, 0.5), "Crankshaft with its damper.", above=True),
    Input("cover_inertia", "Cover inertia", "kg·m²", "kg·m²", 0, 10, (0.005, 0.3), "Cover and pressure plate.", above=True),
    Input("basket_inertia", "Basket inertia", "kg·m²", "kg·m²", 0, 1, (0.001, 0.05), "Basket and friction plates.", above=True),
    Input("disc_inertia", "Disc inertia", "kg·m²", "kg·m²", 0, 1, (0.0005, 0.03), "Disc and input shaft.", above=True),
    Input("shift_speed_step", "Step at a shift", "rad/s", "rpm", 0, 20_000 * RPM, (200 * RPM, 6_000 * RPM),
          "Step of the input shaft's speed.", above=True),
    Input("free_rev_torque", "Torque to rev", "N·m", "N·m", 0, 5_000, (5, 600),
          "Torque left to rev the engine with the clutch open.", above=True),
    # vehicle and start
    Input("vehicle_mass", "Vehicle mass", "kg", "kg", 0, 60_000, (120, 3_500), "Vehicle with load.", above=True),
    Input("trailer_mass", "Trailer mass", "kg", "kg", 0, 60_000, (0, 3_500), "Trailer."),
    Input("tyre_radius", "Tyre radius", "m", "mm", 0, 2, (0.22, 0.42), "Rolling radius.", above=True),
    Input("gear_ratio", "Gear of the start", "-", "", 0, 30, (1, 5), "Ratio of the gear the start is made in.", above=True),
    Input("final_ratio", "Final drive", "-", "", 0, 30, (1.5, 6), "Ratio of the final drive.", above=True),
    Input("grade", "Slope", "share", "%", -0.5, 0.6, (-0.2, 0.3), "Slope of the road."),
    Input("rolling_resistance", "Rolling resistance", "-", "", 0, 0.3, (0.005, 0.05), "Over weight."),
    Input("tyre_grip", "Tyre grip", "-", "", 0, 3, (0.3, 1.6), "Friction of the driven tyres on the road.", above=True),
    Input("driven_load_share", "Weight on driven wheels", "share", "%", 0, 1, (0.4, 1), "At the start.", above=True),
    Input("start_engine_speed", "Engine speed of a start", "rad/s", "rpm", 0, 20_000 * RPM, (700 * RPM, 12_000 * RPM),
          "Engine speed when the clutch begins to bite.", above=True),
    Input("start_clutch_share", "Clutch torque of a start", "-", "", 0, 5, (0.05, 3),
          "Over the engine's peak torque; limited by the clutch's capacity.", above=True),
    Input("start_engine_share", "Engine torque of a start", "-", "", 0, 1.2, (0, 1), "Over the engine's peak torque."),
    Input("release_time", "Pedal let up in", "s", "s", 0, 20, (0.02, 4), "Time from biting to fully let up.", above=True),
    Input("stall_speed", "Engine stalls below", "rad/s", "rpm", 0, 3_000 * RPM, (300 * RPM, 1_500 * RPM), "Stall.", above=True),
    Input("starts_in_row", "Starts in a row", "count", "", 1, 1_000, (1, 20), "Of this kind."),
    Input("start_interval", "Time between starts", "s", "s", 0, 36_000, (5, 1_200), "From one to the next.", above=True),
    Input("ambient_temperature", "Housing temperature", "K", "°C", 230, 500, (253, 400), "Around the clutch."),
    Input("cooling", "Cooling", "W/K", "W/K", 0, 1_000, (1, 60), "Heat the plate gives off per degree."),
    Input("heat_share", "Share of the heat", "share", "%", 0, 1, (0.05, 0.7), "Taken by the hottest plate.", above=True),
    Input("heat_mass", "Mass of the hottest plate", "kg", "kg", 0, 60, (0.1, 15), "Usually the pressure plate.", above=True),
    Input("specific_heat", "Specific heat", "J/(kg·K)", "J/(kg·K)", 100, 5_000, (400, 1_000), "Of that plate."),
    Input("conductivity", "Conductivity", "W/(m·K)", "W/(m·K)", 0, 500, (15, 250), "Of that plate.", above=True),
    Input("plate_density", "Density of the plate", "kg/m³", "kg/m³", 500, 23_000, (2_000, 9_000), "Of that plate."),
    Input("specific_energy_limit", "Heat per area allowed", "J/m²", "J/mm²", 0, 1e8, (0.1e6, 5e6),
          "Per hard start, as the facing stands it.", above=True),
    Input("wear_rate", "Wear rate", "m³/J", "mm³/J", 0, 1e-10, (1e-15, 3e-13), "Facing volume worn per heat.", above=True),
    Input("starts_per_distance", "Starts per distance", "1/m", "1/km", 0, 1, (1e-5, 0.01), "Of this kind.", above=True),
    # torque chain
    Input("shaft_diameter", "Input shaft, spline root", "m", "mm", 0, 0.2, (0.012, 0.05), "Minor diameter.", above=True),
    Input("shaft_yield", "Shaft, yield strength", "Pa", "MPa", 0, 3e9, (300 * MPA, 1600 * MPA), "Yield strength.", above=True),
    Input("shock_factor", "Shock factor", "-", "", 1, 5, (1, 3), "Rise of the torque when the clutch grabs."),
    Input("spline_pitch_diameter", "Splines, pitch diameter", "m", "mm", 0, 0.2, (0.012, 0.06), "Pitch diameter.", above=True),
    Input("spline_count", "Splines", "count", "", 2, 100, (6, 40), "Splines of the input shaft."),
    Input("spline_height", "Splines, working height", "m", "mm", 0, 0.02, (0.0005, 0.005), "Flank in contact.", above=True),
    Input("spline_engagement", "Splines, length engaged", "m", "mm", 0, 0.2, (0.008, 0.06), "With the hub.", above=True),
    Input("spline_pressure_limit", "Splines, pressure allowed", "Pa", "MPa", 0, 2e9, (20 * MPA, 300 * MPA), "On the flanks.",
          above=True),
    Input("spline_sharing", "Splines, uneven sharing", "-", "", 1, 5, (1.2, 2.5), "Over even sharing."),
    Input("damper_stop_torque", "Damper stop torque", "N·m", "N·m", 0, 20_000, (50, 2_500), "At its stops.", above=True),
    Input("bolt_count", "Flywheel bolts", "count", "", 1, 30, (4, 12), "Bolts that hold the flywheel."),
    Input("bolt_diameter", "Flywheel bolts, diameter", "m", "mm", 0, 0.05, (0.006, 0.016), "Nominal.", above=True),
    Input("bolt_pitch", "Flywheel bolts, pitch", "m", "mm", 0, 0.01, (0.0005, 0.003), "Of the thread.", above=True),
    Input("bolt_torque", "Flywheel bolts, torque", "N·m", "N·m", 0, 1_000, (15, 200), "Tightening torque.", above=True),
    Input("torque_factor", "Torque factor", "-", "", 0, 1, (0.1, 0.35), "Of the bolts' finish.", above=True),
    Input("bolt_proof_strength", "Bolt proof strength", "Pa", "MPa", 0, 3e9, (300 * MPA, 1300 * MPA), "Of its class.", above=True),
    Input("preload_scatter", "Preload scatter", "share", "%", 0, 0.9, (0.05, 0.4), "Of a torque wrench."),
    Input("joint_friction", "Joint friction", "-", "", 0, 1, (0.08, 0.5), "Flywheel on crank.", above=True),
    Input("bolt_circle_diameter", "Bolt circle", "m", "mm", 0, 0.5, (0.03, 0.15), "Of the flywheel bolts.", above=True),
    Input("dowel_torque", "Dowel torque", "N·m", "N·m", 0, 20_000, (0, 3_000), "Torque the dowels carry."),
    *(Input(*fields) for fields in FIT_FIELDS),
    *(Input(f"{slot}_part", label, "text", meaning="Taken from the shelf.") for slot, label in SLOTS.items()),
)  # fmt: skip

#: What the inertia of a flywheel is worked out from; the one that comes out has its own of each.
OF_FLYWHEEL = ("flywheel_mass", "flywheel_diameter", "gyration_share", "wire_radius", "wire_length", "swing_period",
            "ring_outer_diameters", "ring_inner_diameters", "ring_thicknesses", "ring_densities")  # fmt: skip

INPUTS: Mapping[str, Input] = {
    i.name: i
    for i in (
        *_ALL,
        *(replace(i, name=f"old_{i.name}", label=f"Old: {i.label}") for i in _ALL if i.name in OF_FLYWHEEL),
    )
}

#: State -> its value where nothing else is asked: nominal friction, engine as it is.
STATES: Mapping[str, float] = {
    "friction_state": 0.0,
    "stage": 0.0,
    "wear": 0.0,
    "plate_lift": 0.0,
    "facing_temperature": 293.15,
    "clutch_speed": 0.0,
}

ALWAYS_ASSUMED: Mapping[str, Assumed] = {
    "primary_efficiency": Assumed(1.0, "practice", "no loss taken off, so that the demand errs on the safe side"),
    "interface_efficiency": Assumed(1.0, "practice", "0.97 to 1.0; new plates in a smooth basket lose next to nothing"),
    "strap_force": Assumed(0.0, "practice", "straps taken as slack when clamped"),
    "finger_flex": Assumed(0.95, "memory", "0.85 to 1.0 for fingers that bend"),
    "fade_share": Assumed(0.6, "memory", "0.6 of nominal at the brief limit"),
    "pedal_free_play": Assumed(0.006, "practice", "a few millimetres at the pad"),
    "pedal_return_force": Assumed(10.0, "practice", "a light return spring"),
    "port_travel": Assumed(0.001, "memory", "0.5 to 1.5 mm of master travel"),
    "bearing_clearance": Assumed(0.0, "practice", "the bearing rides on the fingers"),
    "slave_spring_force": Assumed(0.0, "practice", "no spring worth counting"),
    "hose_swell": Assumed(40e-9 / MPA, "memory", "rubber, 5 to 15 mm³/MPa per 100 mm, 0.4 m of it"),
    "trapped_air": Assumed(0.0, "practice", "bled"),
    "pressure_rating": Assumed(7 * MPA, "memory", "about 7 MPa"),
    "cable_stiffness": Assumed(1.5e5, "practice", "a cable of usual length with its outer"),
    "arm_efficiency": Assumed(0.9, "practice", "a greased pivot"),
    "wear": Assumed(0.0, "practice", "discs or plates new"),
    "inner_wear": Assumed(0.0, "practice", "discs new"),
    "gyration_share": Assumed(0.7, "memory", "0.65 to 0.72 of the outer radius for one-piece plates"),
    "old_gyration_share": Assumed(0.7, "memory", "0.65 to 0.72 of the outer radius for one-piece plates"),
    "stress_concentration": Assumed(2.0, "memory", "2 to 3 at holes near the bore"),
    "trailer_mass": Assumed(0.0, "practice", "no trailer"),
    "grade": Assumed(0.0, "practice", "level road"),
    "rolling_resistance": Assumed(0.015, "memory", "tyres on asphalt"),
    "tyre_grip": Assumed(1.0, "practice", "road tyres on dry asphalt"),
    "driven_load_share": Assumed(0.6, "practice", "two driven wheels with the weight shifted"),
    "starts_in_row": Assumed(10.0, "practice", "ten in a row"),
    "start_interval": Assumed(60.0, "practice", "one a minute"),
    "ambient_temperature": Assumed(353.15, "practice", "a warm housing, 80 °C"),
    "heat_share": Assumed(0.5, "definition", "the discs insulate, so each plate takes what its face gets"),
    "shock_factor": Assumed(1.5, "practice", "a clutch that grabs"),
    "spline_pressure_limit": Assumed(100 * MPA, "memory", "hardened splines, sliding under load"),
    "spline_sharing": Assumed(1.75, "memory", "1.5 to 2"),
    "torque_factor": Assumed(0.20, "handbook", "Shigley, zinc plated or as received, from memory"),
    "preload_scatter": Assumed(0.3, "practice", "25 to 30 % by torque wrench"),
    "joint_friction": Assumed(0.12, "memory", "0.12 to 0.15 steel on steel, dry; the low end"),
    "dowel_torque": Assumed(0.0, "practice", "no dowels counted"),
    "housing_bore_limit": Assumed(0.127e-3, "practice", "0.005 in, read as total indicator reading"),
    "housing_face_limit": Assumed(0.127e-3, "practice", "0.005 in across the bore circle"),
    "flywheel_face_limit": Assumed(0.127e-3, "practice", "0.005 in at the rim"),
    "stall_speed": Assumed(600 * RPM, "practice", "where most engines give up"),
    "shear_modulus": Assumed(78.5e9, "standard", "DIN EN 13906-1: 78.5 to 81.5 GPa for spring steel; the low end"),
}
