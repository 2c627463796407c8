"""What goes over the wire."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from liftbite.core.job.build import FieldMark
from liftbite.core.job.dyno_mapping import Reference
from liftbite.core.job.dyno_table import DecimalMark, Delimiter
from liftbite.core.job.ledger import RevisionKind
from liftbite.core.verdicts.verdict import Answer, Grade, Question
from liftbite.files.fields import Words

Text = Annotated[Words, Field(max_length=4000)]
Name = Annotated[Words, Field(min_length=1, max_length=100)]


class _In(BaseModel):
    model_config = ConfigDict(extra="forbid")


# --- figures


class ShownOut(BaseModel):
    """A figure and its unit, ready for the eye."""

    figure: str
    unit: str


class FigureOut(BaseModel):
    """A value in SI and as it is shown in both systems."""

    si: float | None
    metric: ShownOut
    inch: ShownOut


class BandOut(BaseModel):
    """A result over the friction band."""

    low: FigureOut
    nominal: FigureOut
    high: FigureOut
    single: bool = Field(description="True where friction does not enter and the three are equal.")


# --- a job


class QuestionOut(BaseModel):
    """Asks about a figure that is unusual, with readings that would not be."""

    sentence: str
    instead: list[str]


class CurveOut(BaseModel):
    """A torque curve in the units of the chart."""

    rpm: list[float]
    torque: list[float] = Field(description="[N·m]")


class FieldOut(BaseModel):
    """An input of this arrangement as it stands."""

    name: str
    typed: str | None = Field(description="As typed; null where nothing was entered.")
    typeset: str | None = Field(description="As typed, with fractions set properly.")
    value: FigureOut | None
    mark: FieldMark
    why: str | None = Field(description="For an assumed value: where it comes from.")
    source: str | None = Field(description="For an assumed value: its source mark.")
    question: QuestionOut | None
    problem: str | None = Field(description="Why what was typed cannot be taken.")
    curve: CurveOut | None
    points: int | None
    notes: list[str]


class PickedOut(BaseModel):
    """A choice of this arrangement as it stands."""

    name: str
    option: str | None
    begun: bool = Field(description="True where nobody chose and the layout's beginning option is in force.")


class ResultOut(BaseModel):
    """A result, for the planned stage and for the engine as it is."""

    name: str
    label: str
    question: Question
    planned: BandOut | None
    now: BandOut | None


class NameOut(BaseModel):
    """A quantity by name and label."""

    name: str
    label: str


class BasisOut(BaseModel):
    """The inputs a figure stands on, by where their values come from."""

    entered: list[NameOut]
    measured: list[NameOut]
    assumed: list[NameOut]


class LinkOut(BaseModel):
    """One thing that can give way: what is compared with what, whose limit that is, and what both stand on."""

    key: str
    name: str
    label: str
    grade: Grade
    reserve: FigureOut
    sentence: str
    figure: FigureOut | None = Field(description="The figure that is compared.")
    limit: FigureOut | None = Field(description="What it is compared with.")
    most: bool = Field(description="True where the figure may be as large as the limit, not larger.")
    whose: str = Field(description="Whose limit it is.")
    stands_on: BasisOut
    working: str = Field(description="The quantity whose working says how it came about; empty where there is none.")
    friction: float = Field(description="Place in the friction band it was judged at: -1 low, 0 nominal, 1 high.")


class StrokeOut(BaseModel):
    """One path of a glyph, in a box of 64 by 48."""

    path: str
    width: float = Field(description="Width of its line; 0 for none.")
    dashes: list[float]
    fill: str = Field(description="none, ink, hair (a light tint), or a colour.")


class VerdictOut(BaseModel):
    """The answer to one of the four questions."""

    question: Question
    state: Answer
    sentence: str
    margin: BandOut | None
    margin_now: BandOut | None
    target: FigureOut | None
    links: list[LinkOut]
    deciding: LinkOut | None = Field(description="What decides the state: its figure is the one to show.")
    unseen: list[str] = Field(description="What could not be looked at.")
    needs: list[NameOut]
    glyph: list[StrokeOut] = Field(default=[], description="The verdict drawn from its numbers.")


class StretchOut(BaseModel):
    """A stretch of engine speed [rpm]."""

    start: float
    end: float


class ChartOut(BaseModel):
    """Engine torque over speed at the crank, with what the clutch holds across it [rpm], [N·m]."""

    now: CurveOut
    planned: CurveOut | None
    holds_low: float | None
    holds_nominal: float | None
    holds_high: float | None
    keeps: float | None
    slips: list[StretchOut]
    inch_per_metric: float = Field(description="lb-ft per N·m, for the second ruler.")
    peak: FigureOut | None
    holds: FigureOut | None


class AssumptionOut(BaseModel):
    """Something the answer stands on that nobody entered."""

    name: str
    label: str
    value: FigureOut | None
    option: str | None
    mark: str
    why: str


class ProblemFieldOut(BaseModel):
    """A fault and the field it belongs to."""

    field: str
    message: str


class MisfitOut(BaseModel):
    """Parts that do not go together: a stop, with the way out."""

    fields: list[NameOut]
    sentence: str


class StepOut(BaseModel):
    """A revision that undo or redo would act on, in words."""

    number: int
    words: str


class BuildOut(BaseModel):
    """A build of a job."""

    name: str
    label: str


class JobOut(BaseModel):
    """A job with everything it says at one moment."""

    id: int
    revision: int
    change: int = Field(description="Counts every write to anything of the job.")
    name: str
    vehicle: str
    layout: str
    archived: bool
    has_plan: bool
    fields: list[FieldOut]
    choices: list[PickedOut]
    results: list[ResultOut]
    verdicts: list[VerdictOut]
    chart: ChartOut | None
    assumptions: list[AssumptionOut]
    problems: list[ProblemFieldOut]
    misfits: list[MisfitOut]
    undo: StepOut | None
    redo: StepOut | None
    build: str = Field(description="The build it is worked out for; nothing for the plan.")
    builds: list[BuildOut] = Field(description="Every build of the job, the plan first.")
    apart: list[str] = Field(description="Parts that are found and planned as two.")


class ShortAnswerOut(BaseModel):
    """An answer in a word."""

    question: Question
    state: Answer


class JobLineOut(BaseModel):
    """A job in the list."""

    id: int
    change: int
    name: str
    vehicle: str
    layout: str
    layout_label: str
    changed_at: str
    verdict: VerdictOut
    others: list[ShortAnswerOut] = Field(default=[], description="The answers to Lift, Heat and True.")
    unreadable: str = Field(default="", description="Why the job cannot be read; its rows can be saved.")
    waits: bool = Field(default=False, description="True where it is being worked out anew in the background.")


class ArchivedOut(BaseModel):
    """A job that was put out of sight, or back."""

    id: int
    archived: bool
    change: int


class JobListOut(BaseModel):
    """The jobs of the shop."""

    jobs: list[JobLineOut]
    archived: int = Field(description="How many are out of sight.")
    count: int = Field(description="How many match in all.")
    first: int = Field(description="Where this page begins.")
    waits: bool = Field(default=False, description="True while lines are worked out; a search may miss some.")


# --- writing


class ColumnMappingIO(_In):
    """How a dynamometer file is to be read."""

    delimiter: Delimiter
    decimal: DecimalMark
    first_row: Annotated[int, Field(strict=True, ge=1)]
    speed: Annotated[int, Field(strict=True, ge=0)] | None = None
    torque: Annotated[int, Field(strict=True, ge=0)] | None = None
    power: Annotated[int, Field(strict=True, ge=0)] | None = None
    speed_unit: str = "rpm"
    torque_unit: str = ""
    power_unit: str = ""
    force: Annotated[int, Field(strict=True, ge=0)] | None = None
    road: Annotated[int, Field(strict=True, ge=0)] | None = None
    force_unit: str = ""
    road_unit: str = ""
    gearing: Annotated[str, Field(max_length=60, description="Road speed per 1000 rpm, as typed, bare in km/h.")] = ""
    run: Annotated[int, Field(strict=True, ge=1)] | None = None
    sweep: Literal["all", "up"] = "all"
    leave_out: Annotated[list[int], Field(max_length=200, description="Lines that are no part of the run.")] = []
    last_row: Annotated[int, Field(strict=True, ge=1)] | None = None
    trust: Literal["", "torque", "power"] = ""
    sure: Annotated[bool, Field(strict=True, description="What is asked about the curve was answered.")] = False


class CurveFileIn(_In):
    """A dynamometer file and how to read it."""

    name: Annotated[Words, Field(max_length=200)]
    text: Annotated[Words, Field(max_length=3_000_000)]
    mapping: ColumnMappingIO
    vehicle_class: Words = Field(default="", max_length=40, description="Class whose engine the peak is held against.")


#: Which build: nothing for the plan, “found”, or an alternative's name.
BuildName = Annotated[
    Text, Field(max_length=60, description="Nothing for the plan, “found”, or an alternative's name.")
]


class EntryIn(_In):
    """One quantity as typed or picked; null or nothing withdraws it. A curve comes as a file."""

    quantity: Name
    typed: Text | None = None
    file: CurveFileIn | None = None


class EntriesIn(_In):
    """What was entered at one moment, and in which build."""

    entries: list[EntryIn] = Field(min_length=1, max_length=200)
    build: BuildName = ""


class BuildIn(_In):
    """What is to become of an alternative."""

    build: BuildName
    becomes: Literal["plan", "nothing"]


class NewJobIn(_In):
    """A new job: of a layout, or of a class of vehicle with what is known of it."""

    name: Name
    layout: Annotated[Words, Field(max_length=100, description="Follows from the class where one is named.")] = ""
    vehicle: Text = ""
    vehicle_class: Annotated[Words, Field(max_length=100)] = ""
    engine: Annotated[
        Words, Field(max_length=60, description="One figure of the engine, or a kit's rating: 320 N·m, 250 hp.")
    ] = ""
    taken_at: Annotated[Words, Field(max_length=100, description="Where that figure was taken: `curve_reference`.")] = (
        ""
    )
    figures: dict[Name, Annotated[Words, Field(max_length=60)]] = Field(
        default={}, max_length=20, description="More figures as typed, such as those of the clutch."
    )


class BackIn(_In):
    """The revision a job is brought back to."""

    revision: int = Field(ge=1, le=10**7)


class ArchiveIn(_In):
    """Whether a job is to be out of sight."""

    archived: Annotated[bool, Field(strict=True)]


# --- curves


class FileIn(_In):
    """A file as dropped: its name and its bytes in base64."""

    name: Annotated[Words, Field(max_length=200)]
    data: Annotated[str, Field(max_length=4_500_000)]


class ColumnOut(BaseModel):
    """One column of a file."""

    index: int
    heading: str


class RunOut(BaseModel):
    """One run of a file that holds several, with its peak; null where it cannot be read as it stands."""

    label: str
    mapping: ColumnMappingIO
    peak_torque: FigureOut | None
    peak_torque_speed: FigureOut | None


class ProposalOut(BaseModel):
    """How a file seems to be built, to be confirmed."""

    name: str
    text: str
    mapping: ColumnMappingIO
    columns: list[ColumnOut]
    preview: list[list[str]]
    reference: Reference
    questions: list[str]
    units: dict[str, list[str]]
    corrected: str = Field(description="The correction to standard air the file names, or nothing.")
    runs: list[RunOut]
    spoken: dict[str, list[str]] = Field(
        description="Choice of the job -> its options that agree with the file's words."
    )


class CurveReadOut(BaseModel):
    """A file read as mapped."""

    curve: CurveOut
    notes: list[str]
    asks: list[str] = Field(description="What is so unusual that it is asked before the curve is taken.")
    points: int
    peak_torque: FigureOut
    peak_torque_speed: FigureOut
    peak_power: FigureOut
    peak_power_speed: FigureOut


# --- history


class ChangeOut(BaseModel):
    """One quantity in a revision: before and after."""

    name: str
    label: str
    before: str | None
    after: str | None


class RevisionOut(BaseModel):
    """A revision of the ledger in words."""

    number: int
    kind: RevisionKind
    at: str
    of: int | None
    who: str
    changes: list[ChangeOut]


class HistoryOut(BaseModel):
    """The ledger of a job, newest first."""

    revisions: list[RevisionOut]


class HealthOut(BaseModel):
    """That the application answers and its file can be read."""

    status: Literal["ok"]
    version: str
