"""What the workbench sends: the drawing that moves, starts, wheels, what moves a margin."""

from __future__ import annotations

from typing import Annotated

from pydantic import BaseModel, Field

from liftbite.api.jobs.models import EntryIn, FigureOut, NameOut
from liftbite.api.jobs.models_working import TryIn
from liftbite.core.verdicts.verdict import Answer, Question

JobNumber = Annotated[int, Field(ge=1, le=2**53)]

Grid = list[list[float]]


class OutlineOut(BaseModel):
    """A closed outline: corners as [along the shaft, radius, motion], in mm; motion is an index, -1 for none."""

    part: str
    material: str
    points: list[tuple[float, float, int]]


class DimensionOut(BaseModel):
    """A dimension between two corners."""

    name: str
    label: str
    value: FigureOut
    start: tuple[float, float, int]
    end: tuple[float, float, int]
    across: bool


class UsualOut(BaseModel):
    """A size that is drawn though nobody entered it."""

    name: str
    label: str
    value: FigureOut


class LimitOut(BaseModel):
    """Something the stroke or the life runs into: where [mm], and why in words."""

    name: str
    at: float
    sentence: str


class LifeOut(BaseModel):
    """Clamp and margin over wear."""

    wear: list[float] = Field(description="[mm]")
    clamp: list[float | None] = Field(description="[N]")
    margin: list[float | None]
    target: float
    ends: list[LimitOut]
    service: str = Field(description="What wants doing within the life, such as a floater's shims; else empty.")


class PerMetricOut(BaseModel):
    """Inch-system units per metric one, for second rulers."""

    length: float = Field(description="in per mm")
    force: float = Field(description="lbf per N")
    pressure: float = Field(description="psi per MPa")
    torque: float = Field(description="lb-ft per N·m")


class SectionOut(BaseModel):
    """The clutch as a drawing that moves. Grids are [wear][pedal]; lengths in mm, forces in N."""

    parts: list[NameOut]
    clutch: list[OutlineOut]
    chain: list[OutlineOut]
    dimensions: list[DimensionOut]
    motions: list[Grid] = Field(description="Displacement by motion index.")
    wear: list[float]
    found: float = Field(description="Wear found by measuring, or entered [mm].")
    pedal: list[float]
    gaps: list[Grid] = Field(description="Gap at each face, from the engine's side on.")
    face_parts: list[str] = Field(description="What lies between the gaps, one more than there are gaps.")
    lift: Grid
    effort: Grid | None
    pressure: Grid | None = Field(description="[MPa]")
    passes: Grid | None = Field(description="Engine torque still passed, nominal friction [N·m].")
    effort_limit: float | None
    first_movement: list[float | None]
    bite_point: list[float | None]
    stop: LimitOut | None
    warns: list[LimitOut]
    life: LifeOut | None
    usual: list[UsualOut]
    needs: list[NameOut]
    trouble: str | None = Field(description="Why nothing can be drawn.")
    inch: PerMetricOut


class TraceOut(BaseModel):
    """One start over time."""

    time: list[float] = Field(description="[s]")
    engine: list[float] = Field(description="[rpm], at the crank")
    gearbox: list[float] = Field(description="[rpm], the gearbox side as seen from the crank")
    vehicle: list[float] = Field(description="[rpm], the vehicle as seen from the crank; the wheels spin above it")
    torque: list[float] = Field(description="[N·m] at the clutch")
    power: list[float] = Field(description="[kW] of heat")
    heat: list[float] = Field(description="[kJ]")
    temperature: list[float] = Field(description="[°C] of the hottest plate")


class StartOut(BaseModel):
    """One kind of start, integrated."""

    name: str
    label: str
    outcome: str
    good: bool
    energy: FigureOut
    slip_time: FigureOut
    peak_power: FigureOut
    lowest_speed: FigureOut
    temperature: FigureOut
    tyre_energy: FigureOut


class RepeatedStartsOut(BaseModel):
    """Starts one after the other with cooling between them [°C], [kJ]."""

    begins: list[float]
    ends: list[float]
    heat: list[float]
    outcome: list[str]
    interval: FigureOut
    sustained: float
    brief: float


class BesideCellOut(BaseModel):
    """Words, or a figure."""

    words: str
    figure: FigureOut | None


class BesideRowOut(BaseModel):
    """One alternative."""

    cells: list[BesideCellOut]
    good: bool = Field(description="It meets what is asked.")
    present: bool = Field(description="It is what the job has now.")
    puts: list[EntryIn] = Field(description="What would be entered to have it.")


class BesideOut(BaseModel):
    """Alternatives for one part, side by side; nothing of it where the job has no such part."""

    title: str
    columns: list[str]
    rows: list[BesideRowOut]
    says: list[str]
    needs: list[NameOut]
    trouble: str | None


class AgainstIn(TryIn):
    """What is put side by side."""

    others: list[JobNumber] = Field(default_factory=list, max_length=3, description="Jobs whose plans stand beside.")


class AgainstChangeOut(BaseModel):
    """One figure in every build; null where a build does not come to one."""

    name: str
    label: str
    same: bool = Field(description="Nobody could tell them apart.")
    values: dict[str, FigureOut | None] = Field(description="Build -> its figure: found, planned, alternatives.")


class AgainstAnswerOut(BaseModel):
    """One answer in every build."""

    question: Question
    states: dict[str, Answer] = Field(description="Build -> its answer.")
    sentences: dict[str, str] = Field(description="Build -> the reason.")


class AgainstBuildOut(BaseModel):
    """A build that is put side by side with the others."""

    name: str = Field(description="found, planned, or an alternative's name.")
    label: str
    other: bool = Field(description="True for the plan of another job.")
    parts: list[NameOut] = Field(description="Parts that do not stay, each with what becomes of it.")
    says: list[str] = Field(description="How it differs from what was found, what is felt first.")


class AgainstOut(BaseModel):
    """The builds of a job against what was found."""

    builds: list[AgainstBuildOut]
    answers: list[AgainstAnswerOut]
    changes: list[AgainstChangeOut]


class AskedNextOut(BaseModel):
    """Something worth asking for next."""

    name: str
    label: str
    missing: bool = Field(description="It has no value at all, so that questions wait for it.")
    settles: list[Question] = Field(description="The questions it decides, or that wait for it.")
    moves: float = Field(description="What its ends leave of the weakest margin's band, over that margin.")
    why: str
    check: str = Field(description="The check of the bench that reads it; nothing where none does.")


class NextOut(BaseModel):
    """What would settle most of what a job leaves open, first."""

    ranking: list[AskedNextOut]


class MassOut(BaseModel):
    """One mass of the clutch over a schedule."""

    name: str
    rubbed: bool
    temperature: list[float] = Field(description="[°C]")


class StintOut(BaseModel):
    """A schedule of starts: the masses over time, and what a builder says of it."""

    time: list[float] = Field(description="[min]")
    masses: list[MassOut]
    begins: list[float] = Field(description="When each start begins [min].")
    surfaces: list[float] = Field(description="The hottest face in each start [°C].")
    sustained: float = Field(description="What the facing stands for long [°C].")
    brief: float = Field(description="What the facing stands for moments [°C].")
    sentences: list[str]
    working: list[str] = Field(description="How it came about.")


class LaunchOut(BaseModel):
    """Starts of a job."""

    trace: TraceOut | None
    start: StartOut | None
    closed_energy: FigureOut | None
    closed_time: FigureOut | None
    kinds: list[StartOut]
    repeated: RepeatedStartsOut | None
    stint: StintOut | None
    sentence: str
    needs: list[NameOut]
    trouble: str | None
    upshift: str = Field(description="What a fast upshift slips, with a restrictor in the line and without; or empty.")


class FlywheelChangeOut(BaseModel):
    """A figure with the old wheel and with the new one."""

    name: str
    label: str
    old: FigureOut | None
    new: FigureOut | None


class GearOut(BaseModel):
    """What the rotating parts feel like in a gear."""

    gear: int
    ratio: float
    old: FigureOut | None
    new: FigureOut | None
    of_vehicle: float | None = Field(description="New mass over the vehicle's.")


class FlywheelOut(BaseModel):
    """Flywheel: old against new."""

    figures: list[FlywheelChangeOut]
    gears: list[GearOut]
    needs: list[NameOut]
    has_old: bool


class InfluenceOut(BaseModel):
    """How an input moves a result."""

    name: str
    label: str
    elasticity: float = Field(description="Per cent of the result per per cent of the input.")
    swing: FigureOut | None = Field(description="Change of the result over the tolerance typed.")
    low: FigureOut | None
    high: FigureOut | None
    value: FigureOut | None
    can_enter: bool


class SpreadOut(BaseModel):
    """A result under the tolerances of its inputs."""

    nominal: FigureOut
    worst: FigureOut
    best: FigureOut
    low: FigureOut
    high: FigureOut
    short: float | None
    samples: int
    bins: list[float]
    counts: list[int]
    target: float | None


class MovesOut(BaseModel):
    """What moves a result most, and how sure it is."""

    result: NameOut
    results: list[NameOut]
    influences: list[InfluenceOut]
    spread: SpreadOut | None
    tolerances: int
    needs: list[NameOut]
    trouble: str | None
