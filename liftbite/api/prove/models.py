"""What Prove sends and takes."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from liftbite.api.account.models import ComplaintNowOut
from liftbite.api.jobs.models import FigureOut, NameOut
from liftbite.api.statements import SaidOut, StatementWords, at_station, typed, words_said
from liftbite.core.prove.drive import Kind
from liftbite.files.fields import Words


class ThreeOut(BaseModel):
    """A figure with its band."""

    low: FigureOut
    middle: FigureOut
    high: FigureOut


class DrivenGearOut(BaseModel):
    """A gear that was driven: engine over output."""

    name: str
    ratio: float


class DrivenEventOut(BaseModel):
    """Engine and wheels apart."""

    kind: Kind
    gear: str
    time: float = Field(description="When it begins [s].")
    duration: float = Field(description="How long it lasts [s].")
    speed: FigureOut = Field(description="Engine, mean.")
    slip: float = Field(description="Highest share of slip.")
    torque: ThreeOut | None
    from_engine: FigureOut | None
    from_vehicle: FigureOut | None
    heat: ThreeOut | None
    hottest: FigureOut | None


class DrivenTraceOut(BaseModel):
    """The drive, thinned for drawing: engine, and what the wheels say in the gear they are in; null where in none."""

    time: list[float]
    engine: list[float] = Field(description="[rpm]")
    wheels: list[float | None] = Field(description="Road or shaft times the gear's ratio [rpm].")


class LogColumnOut(BaseModel):
    """What a column of the file was taken for."""

    heading: str
    role: str
    unit: str


class LogHeadingOut(BaseModel):
    """A column of a log: its heading, and what it is taken for."""

    heading: str
    taken: str = Field(description="As role:unit; empty where it is left out.")


class LogTopOut(BaseModel):
    """The columns of a log, and what each may be."""

    headings: list[LogHeadingOut]
    offered: list[NameOut] = Field(description="What a column may be, as role:unit.")


class DriveOut(BaseModel):
    """A logger's drive against a job."""

    columns: list[LogColumnOut]
    distance: str = Field(description="How far it was, to be typed; empty where no speed of the road was logged.")
    starts: int
    start_heat: str = Field(description="Mean heat of its starts, to be typed; empty where it is not known.")
    how: Literal["gentle", "hard"] = Field(description="Hard where it slipped.")
    rate: float = Field(description="Rows a second.")
    minutes: float
    notes: list[str] = Field(description="What is odd about the file.")
    gears: list[DrivenGearOut]
    scale: float | None = Field(description="Wheels as logged over the job's tyre and ratios.")
    least_slip: float
    least_time: float
    says: list[str]
    events: list[DrivenEventOut]
    slips: int
    holds: ThreeOut | None
    expected: ThreeOut | None
    friction: float | None = Field(description="Nominal friction that slip measured.")
    share: float | None = Field(description="What it held over what the job says, for the record of the drive.")
    working: list[str] = Field(description="How the figures came about, and what was taken for what nobody logged.")
    puts: dict[str, str] = Field(description="Entries that take that friction into the job.")
    hottest: FigureOut | None
    trace: DrivenTraceOut


class ClosesOut(BaseModel):
    """What a cause closes into."""

    parts: list[NameOut]
    scope: str
    scope_label: str


class CauseOut(BaseModel):
    """A cause with how likely it is."""

    name: str
    words: str
    word: Literal["likely", "possible", "unlikely"]
    odds: float
    why: list[str]
    mends: str
    found: SaidOut | None
    closes: ClosesOut


class FaultTestOut(BaseModel):
    """A test, with what it may say."""

    name: str
    ask: str
    minutes: float
    opens: bool
    answers: list[str]
    said: SaidOut | None


class LookedIntoOut(BaseModel):
    """The complaint looked into: causes ranked, the test that separates most for its time, what was asked."""

    complaints: list[str]
    offered: list[NameOut]
    causes: list[CauseOut]
    next: FaultTestOut | None
    then: list[FaultTestOut]
    asked: list[FaultTestOut]
    settled: bool


class TripOut(BaseModel):
    """A trip of the bedding-in."""

    key: str
    distance: FigureOut
    starts: int
    how: str
    how_words: str = Field(description="How it was driven, in words.")
    felt: str = Field(description="What was felt and heard; empty where nothing was said.")
    who: str
    at: str


class RunningInOut(BaseModel):
    """How far the clutch is bedded in."""

    school: str
    schools: list[NameOut]
    share: float
    done: bool
    says: str
    figure: str = Field(description="The maker's own figure, as typed; empty where the trade's counts.")
    faces: list[NameOut] = Field(description="Parts whose friction face is new or cut; nothing is bedded in without.")
    trips: list[TripOut]
    hows: list[NameOut] = Field(description="How a trip may have been driven.")
    look_at: str = Field(description="What is looked at again.")
    driven_hard: str
    allowed: SaidOut | None = Field(description="Who allowed full load before, and why.")
    look_again: bool
    looked: SaidOut | None


class KeptDriveOut(BaseModel):
    """A drive that was kept."""

    name: str
    says: str
    friction: str
    who: str
    at: str


class LacksOut(BaseModel):
    """What is not done, and known."""

    code: str = Field(description="What it is.")
    words: str
    leads: str = Field(description="The view of the job that mends it.")
    named: list[str] = Field(description="Which, by what they are called.")
    at: str = Field(description="Key of what is mended there; empty where that is all of it.")


class BleedStepOut(BaseModel):
    """A step of bleeding."""

    key: str
    you: str
    helper: str
    seconds: int
    done: bool


class BleedMethodOut(BaseModel):
    """A way to bleed the hydraulics."""

    name: str
    label: str
    hands: int
    minutes: int
    takes: list[str]
    steps: list[BleedStepOut] = Field(description="Of the round that is under way.")
    suits: str
    short: bool = Field(description="It takes more people than there are.")


class BledOut(BaseModel):
    """A time it was bled."""

    key: str
    label: str
    fluid: str
    note: str
    used: FigureOut | None = Field(description="Bottles opened less what is left; nothing where nobody said.")
    working: str = Field(description="How it comes about, as said.")
    strokes: int | None = Field(description="Full strokes that move as much.")
    who: str
    at: str


class BleedingOut(BaseModel):
    """Bleeding, where there is fluid, and what the slave's travel says of it."""

    fluid: bool
    always: list[str]
    methods: list[BleedMethodOut]
    strokes: int | None = Field(description="Strokes that move 100 mL.")
    stroke: str = Field(description="What a full stroke moves, with its working; nothing where it cannot be said.")
    bled: list[BledOut]
    says: str = Field(description="What travel and bite point came to; nothing until they were read.")
    frees: Literal["reuse", "put right", "stop", ""] = Field(description="Whether it frees as it is.")
    next: str = Field(description="What to do next.")


class CardItemOut(BaseModel):
    """Something that is tried."""

    key: str
    do: str
    listen: str
    symptom: str = Field(description="The complaint it becomes where it is odd; empty where it is none.")
    said: SaidOut | None


class CardOut(BaseModel):
    """What is tried in one go."""

    name: str
    title: str
    caution: str
    first: list[str] = Field(description="Steps of the plan that come before it and are not done.")
    items: list[CardItemOut]


class NoiseOut(BaseModel):
    """A noise that is not the clutch."""

    name: str
    heard: str
    what: str
    said: SaidOut | None


class FluidOut(BaseModel):
    """A fluid of the vehicle."""

    name: str
    label: str
    classes: list[str]
    note: str
    filled: SaidOut | None
    kind: str = Field(description="The class that was filled.")
    used: FigureOut | None
    again: bool = Field(description="Its level was looked at again.")
    wrong: str = Field(description="What is wrong with its class.")
    due: int | None = Field(description="Days until it is renewed.")
    renewed: str = Field(description="The same in words; empty where no round figure is used.")
    said: Annotated[dict[str, str], words_said("fluid")] = Field(
        description="What was said of it, to be said again with a word more."
    )


class AheadOut(BaseModel):
    """What lies ahead of the clutch."""

    says: list[str]
    glove: str = Field(description="A line to leave in the vehicle.")
    working: str


class ProveOut(BaseModel):
    """Where a job stands in Prove."""

    job: int
    change: int
    fault: LookedIntoOut
    bleeding: BleedingOut
    drives: list[KeptDriveOut]
    running_in: RunningInOut
    complaints: list[ComplaintNowOut] = Field(description="What was complained of, and what became of it.")
    cards: list[CardOut]
    noises: list[NoiseOut]
    fluids: list[FluidOut]
    ahead: AheadOut
    lacks: list[LacksOut]
    editions: list[SaidOut]
    changed_since: bool = Field(description="The job is another than the edition last signed.")
    left_out: list[str] = Field(description="What of the record cannot be read, a sentence each.")


class SayOfProofIn(BaseModel):
    """Something said in Prove: appended, never changed."""

    model_config = ConfigDict(extra="forbid", json_schema_extra=typed("proof"))

    kind: Annotated[str, at_station("proof")]
    key: Annotated[Words, Field(max_length=120)] = ""
    said: StatementWords
    who: Annotated[Words, Field(max_length=60)] = ""
    request: Annotated[Words, Field(max_length=80)] = ""


class CloseIn(BaseModel):
    """A cause that was found."""

    model_config = ConfigDict(extra="forbid")

    cause: Annotated[Words, Field(min_length=1, max_length=60)]
    who: Annotated[Words, Field(max_length=60)] = ""
