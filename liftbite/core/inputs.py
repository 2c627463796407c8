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
from dataclasses import dataclass
from math import inf, tau

RPM = tau / 60


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
    Input("clamp_load", "Clamp load", "N", "N", 0, 200_000, (400, 40_000),
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
)  # fmt: skip

INPUTS: Mapping[str, Input] = {i.name: i for i in _ALL}

#: State -> its value where nothing else is asked: nominal friction, engine as it is.
STATES: Mapping[str, float] = {"friction_state": 0.0, "stage": 0.0}

ALWAYS_ASSUMED: Mapping[str, Assumed] = {
    "primary_efficiency": Assumed(1.0, "practice", "no loss taken off, so that the demand errs on the safe side"),
    "interface_efficiency": Assumed(1.0, "practice", "0.97 to 1.0; new plates in a smooth basket lose next to nothing"),
    "shear_modulus": Assumed(78.5e9, "standard", "DIN EN 13906-1: 78.5 to 81.5 GPa for spring steel; the low end"),
}
