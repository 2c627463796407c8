"""What a calculation of the set-up sends: words, and what is shown beside them."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from liftbite.api.jobs.models import FigureOut, NameOut


class StandsAtOut(BaseModel):
    """Something on a ruler: its name and from where to where, 0 to 1; the same where it is a mark."""

    name: str
    start: float
    end: float


class BandOnOut(BaseModel):
    """A stretch of a ruler where something should lie; start and end from 0 to 1."""

    label: str
    low: FigureOut
    high: FigureOut
    start: float
    end: float
    leading: bool


class MarkOnOut(BaseModel):
    """A length on a ruler; its place from 0 to 1."""

    label: str
    value: FigureOut
    at: float
    leading: bool


class MoveOut(BaseModel):
    """A length on a row of its own: as measured and as the pieces named bring it; places from 0 to 1."""

    label: str
    after: FigureOut
    before_at: float
    after_at: float


class LengthsOut(BaseModel):
    """Lengths on one ruler from nothing upwards."""

    kind: Literal["ruler"]
    about: str
    zero: str
    bands: list[BandOnOut]
    marks: list[MarkOnOut]
    moves: list[MoveOut]


class CellOut(BaseModel):
    """Words, or a length."""

    text: str
    value: FigureOut | None


class TableOut(BaseModel):
    """Rows of words and lengths, the proposed one first."""

    kind: Literal["table"]
    about: str
    heads: list[str]
    rows: list[list[CellOut]]


class CurveOnOut(BaseModel):
    """One line of a chart."""

    label: str
    y: list[float]
    leading: bool


class LinesOut(BaseModel):
    """Lengths along a length, in `unit`."""

    kind: Literal["lines"]
    about: str
    along: str
    unit: str
    x: list[float]
    curves: list[CurveOnOut]


class RemarkOut(BaseModel):
    """A sentence; with the verdict it stands for, or empty."""

    kind: Literal["remark"]
    text: str
    verdict: str


ShownOut = Annotated[LengthsOut | TableOut | LinesOut | RemarkOut, Field(discriminator="kind")]


class AskedOfSeriesOut(BaseModel):
    """Something about a series of readings that nobody may guess, with what was said."""

    check: str
    name: str
    label: str
    said: str
    options: list[NameOut]


class CalculationOut(BaseModel):
    """A calculation of the set-up: what it comes to and how, or what it waits for."""

    name: str
    label: str
    checks: list[str]
    waits_for: str
    sentence: str
    verdict: Literal["reuse", "put right", "stop", ""] = Field(description="Whether it goes in as it is.")
    working: list[str]
    shows: list[ShownOut]
    asks: AskedOfSeriesOut | None
