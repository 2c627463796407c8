"""What the shelf and the finder take and send."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from liftbite.api.jobs.models import BuildName, EntryIn, NameOut, Text, VerdictOut, _In
from liftbite.files.fields import Count, Finite, Words
from liftbite.whole.runs import RunState

PartName = Annotated[Words, Field(min_length=1, max_length=200)]
Price = Annotated[float, Field(ge=0, lt=1e9, allow_inf_nan=False)]


LineStatus = Literal["new", "changes", "same", "bad"]


class PartIn(_In):
    """A part as its maker's sheet says it."""

    slot: Annotated[str, Field(min_length=1, max_length=40)]
    name: PartName
    values: dict[str, Text] = Field(default_factory=dict, description="Quantity or choice to value as typed.")
    price: Price = 0.0
    source: Text = ""
    notes: Text = ""


class PartOut(BaseModel):
    """A part on the shelf."""

    id: int
    version: int
    slot: str
    name: str
    values: dict[str, str]
    price: float
    source: str
    notes: str


class SlotOut(BaseModel):
    """A kind of part and what it may state."""

    slot: str
    label: str
    quantities: list[str]
    count: int = Field(description="How many of the kind there are.")


class ShelfOut(BaseModel):
    """The shelf."""

    slots: list[SlotOut]
    parts: list[PartOut]
    archived: int
    count: int = Field(description="How many match in all.")
    first: int = Field(description="Where this page begins.")


class CsvIn(_In):
    """A shelf file's text."""

    name: Annotated[str, Field(max_length=200)] = ""
    text: Annotated[Words, Field(max_length=3_000_000)]


class CsvLineOut(BaseModel):
    """A row of a shelf file and what would become of it."""

    line: int
    name: str
    slot: str
    status: LineStatus
    says: str
    column: str


class CsvOut(BaseModel):
    """A shelf file as it was read."""

    lines: list[CsvLineOut]
    new: int
    changes: int
    bad: int


class OfferOut(BaseModel):
    """A part offered to a job: what it would make of it, or why it does not go in."""

    part: PartOut
    states: list[NameOut] = Field(description="What it states, as label and typed.")
    taken: bool
    misfit: str | None
    bite: float | None
    lift: float | None


class OffersOut(BaseModel):
    """The parts of a slot offered to a job."""

    slot: str
    label: str
    taken: str | None
    changed: list[NameOut] = Field(description="What was typed over since the part was taken.")
    parts: list[OfferOut]
    count: int = Field(description="How many match in all.")
    first: int = Field(description="Where this page begins.")


class TakeIn(_In):
    """Parts to take into a job, with figures beside them."""

    parts: list[Count] = Field(default_factory=list, max_length=20)
    entries: list[EntryIn] = Field(default_factory=list, max_length=40)
    build: BuildName = ""


class FreeIn(_In):
    """A figure the finder may choose itself, in even steps."""

    quantity: Annotated[str, Field(min_length=1, max_length=100)]
    start: Text
    end: Text
    steps: Annotated[int, Field(strict=True, ge=1, le=1000)]


class FindIn(_In):
    """What to sweep: parts by slot, and figures left free."""

    slots: dict[str, list[Annotated[int, Field(ge=1)]]] = Field(default_factory=dict)
    free: list[FreeIn] = Field(default_factory=list, max_length=4)
    all_four: Annotated[bool, Field(strict=True)] = Field(
        default=True, description="Keep only what leaves all four answers good, not just what works."
    )


class CandidateOut(BaseModel):
    """A combination worth a look."""

    parts: dict[str, int] = Field(description="Slot to part.")
    free: dict[str, str] = Field(description="Quantity to figure as it would be typed.")
    names: dict[str, str]
    objectives: dict[str, Finite]


class ExcludedOut(BaseModel):
    """What ruled combinations out, and how many."""

    name: str
    says: str
    count: int


class ObjectiveOut(BaseModel):
    """What candidates are told apart by."""

    name: str
    label: str
    unit: str
    more: bool = Field(description="True where more is better.")


class FindOut(BaseModel):
    """A sweep, finished or on its way."""

    run: int
    total: int
    done: int
    kept: int
    state: RunState
    candidates: list[CandidateOut]
    more_candidates: int
    excluded: list[ExcludedOut]
    objectives: list[ObjectiveOut]
    unseen: list[str]
    trouble: str | None


class CompareIn(_In):
    """Candidates to put side by side with the job as it is."""

    candidates: list[TakeIn] = Field(max_length=4)


class ComparedOut(BaseModel):
    """One column of a comparison."""

    label: str
    verdicts: list[VerdictOut]
    figures: dict[str, str]
    misfit: str | None


class CompareOut(BaseModel):
    """Candidates side by side; the first column is the job as it is."""

    rows: list[NameOut]
    columns: list[ComparedOut]
