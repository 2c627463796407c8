"""How a number came about, what is tried, and a result asked backwards."""

from __future__ import annotations

from pydantic import BaseModel, Field

from liftbite.api.jobs.models import BuildName, EntryIn, FigureOut, Name, Text, _In


class TermOut(BaseModel):
    """One quantity that enters a step."""

    name: str
    label: str
    symbol: str
    text: str
    value: FigureOut | None
    si: str
    typeset: str | None
    mark: str
    why: str
    words: str | None


class WorkingStepOut(BaseModel):
    """One formula with its figures."""

    name: str
    label: str
    meaning: str
    formula: str
    symbol: str
    value: FigureOut | None
    si: str
    words: str | None
    terms: list[TermOut]
    mark: str
    source: str
    holds: str


class WorkingOut(BaseModel):
    """The steps behind a result, the result first."""

    steps: list[WorkingStepOut]
    at: str = Field(description="Stage and place in the friction band, in words.")


class TryIn(_In):
    """Entries to look at without keeping them."""

    entries: list[EntryIn] = Field(default_factory=list, max_length=200)
    build: BuildName = ""


class WorkingIn(TryIn):
    """A result, and the state its working is shown at."""

    quantity: Name
    planned: bool = True
    friction: float = Field(default=-1.0, ge=-1, le=1, allow_inf_nan=False, description="-1 low, 0 nominal, 1 high")


class AskIn(TryIn):
    """A target for a result; without one, the target the use asks for."""

    result: Name = "bite_margin"
    target: Text | None = None


class SoughtOut(BaseModel):
    """What one quantity would have to be."""

    name: str
    label: str
    can_enter: bool = Field(description="True where it is a field of this arrangement that can take the answer.")
    present: FigureOut | None
    values: list[FigureOut]
    typed: list[str] = Field(description="The same as they would be typed, rounded to the safe side.")
    at_least: bool
    best: FigureOut
    best_at: FigureOut


class AskedOut(BaseModel):
    """Answers to a result asked backwards."""

    target: FigureOut
    at: str
    sought: list[SoughtOut]
