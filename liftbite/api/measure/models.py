"""What the bench takes and sends."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel, Field

from liftbite.api.account.models import FiguresOut
from liftbite.api.jobs.models import EntryIn, FigureOut, NameOut, VerdictOut
from liftbite.api.measure.models_calculations import CalculationOut, StandsAtOut
from liftbite.api.statements import SaidOut
from liftbite.core.account.parts import PartState
from liftbite.core.job.parts import Work
from liftbite.core.measure.check import Kind, Picture, Verdict
from liftbite.core.measure.instruments import Zone
from liftbite.core.measure.limit import LimitName
from liftbite.gauges.gauge import EventKind


class KeyedOut(BaseModel):
    """What was keyed, as it would be taken."""

    value: FigureOut | None
    typeset: str
    question: str
    instead: list[str]
    problem: str


class GradeOut(BaseModel):
    """A condition to pick."""

    value: str
    word: str
    says: str
    verdict: Verdict
    level: int


class TakenOut(BaseModel):
    """A reading in force."""

    id: int
    place: str
    typed: str = Field(description="As typed, with fractions set properly; a grade's word.")
    value: FigureOut | None
    instrument: str
    uncertainty: FigureOut | None
    skipped: str
    at: str
    source: str
    who: str


class PlaceOut(BaseModel):
    """Where on a part."""

    key: str
    item: str
    spot: str


class CheckLimitOut(BaseModel):
    """A limit in force, whose it is, and how readings stand against it."""

    name: LimitName
    version: int
    value: FigureOut | None
    mark: str
    why: str
    zone: Zone | None
    sentence: str


class PartLifeOut(BaseModel):
    """Share of the life used, 0 to 1, with its band, and the distance left where the readings are dated."""

    low: float
    best: float
    high: float
    distance: FigureOut | None = None
    distance_low: FigureOut | None = None
    distance_high: FigureOut | None = None


class BetweenOut(BaseModel):
    """From one figure to another."""

    low: FigureOut
    high: FigureOut


class PolarOut(BaseModel):
    """Points round a circle: angles [°] and radii, 1 = the true circle."""

    angles: list[float]
    radii: list[float]


class RulerOut(BaseModel):
    """Readings on a ruler with their limits: positions from 0 to 1."""

    readings: list[float]
    limits: list[StandsAtOut]
    close: list[StandsAtOut] = Field(description="Stretches that are too close to call.")
    low: FigureOut
    high: FigureOut


class DowelOut(BaseModel):
    """A pair of offset dowels; offset 0 leaves the plain ones in."""

    offset: FigureOut
    clock: float = Field(description="High side, clockwise seen from the gearbox side [°].")
    clock_words: str
    residual: FigureOut
    slack: float = Field(description="How far it may be clocked off [°].")
    meets: bool


class SweepOut(BaseModel):
    """A fitted sweep, with what its clock picture is drawn from; angles as seen from the gearbox side."""

    tir: FigureOut
    tir_fit: FigureOut
    eccentricity: FigureOut
    doubt: FigureOut
    direction: float
    direction_words: str
    face: bool = Field(description="True for a face: the fit is its lean, highest towards the direction.")
    oval: FigureOut | None
    scatter: FigureOut | None
    closes: FigureOut | None
    stands: bool
    passes_tir: bool
    passes_centre: bool
    dowels: list[DowelOut]
    unreachable: list[BetweenOut]
    radius: FigureOut = Field(description="Deviation that the radius of the picture's circle stands for.")
    points: PolarOut
    curve: PolarOut
    right: float = Field(description="Centre of the fitted circle, to the right.")
    up: float = Field(description="Centre of the fitted circle, upwards.")
    limit: float | None = Field(description="Radius of half the limit, as the picture draws it.")


class FindingOut(BaseModel):
    """What the readings of a check amount to."""

    verdict: Verdict
    sentence: str
    place: str
    better: str
    taken: int
    wanted: int
    worst: FigureOut | None
    mean: FigureOut | None
    spread: FigureOut | None
    life: PartLifeOut | None


class CheckOut(BaseModel):
    """A check of the job's layout with its readings and its verdict."""

    name: str
    of: Literal["both", "found", "planned"] = Field(description="Whose part: where it stays, both builds' one.")
    own: bool = Field(description="Added by this job.")
    in_scope: bool = Field(description="Asked for on this job, by its scope and by what was said of the check.")
    closed: SaidOut | None = Field(description="“That will do”, or “not on this job”.")
    overruled: SaidOut | None = Field(description="A verdict somebody put in the place of the readings'.")
    by_readings: Verdict = Field(description="The readings' own verdict.")
    part: str = Field(description="Key of the part or assembly; of one of the shop's own its name.")
    part_label: str = Field(description="What the part is called.")
    label: str
    title: str
    how: str
    kind: Kind
    units: list[str]
    instruments: list[str]
    places: list[PlaceOut]
    grows: bool
    grades: list[GradeOut]
    picture: Picture
    limits: list[CheckLimitOut]
    series: int | None
    version: int = Field(description="Of what is said of the series, for If-Match; 0 where there is none.")
    begun_at: str | None
    distance: FigureOut | None
    settings: dict[str, str]
    asked: dict[str, str] = Field(description="What was said where a calculation asks of these readings.")
    readings: list[TakenOut]
    can_undo: bool
    can_redo: bool
    finding: FindingOut
    working: list[str] = Field(description="How the verdict was worked out, line by line.")
    ruler: RulerOut | None
    sweep: SweepOut | None
    before: SweepOut | None = Field(description="The sweep taken before this one.")


class InstrumentOut(BaseModel):
    """An instrument: a kind by its name, or one of the shop's own by its number."""

    key: str
    kind: str
    label: str
    resolution: FigureOut
    uncertainty: FigureOut
    why: str
    calibrated_on: str
    warns: str
    port: str
    bands: str = Field(description="Of a torque wrench of the shop's own, how far a pull may be off; empty of others.")
    own: bool


class PracticeOut(BaseModel):
    """Where builders differ, and what the shop does."""

    name: str
    about: str
    option: str = Field(description="What the shop does.")
    here: str = Field(description="What is done on this job instead; nothing where it is as the shop does.")
    options: list[NameOut]
    version: int


class OrderOut(BaseModel):
    """Where a part comes from, and how far it is."""

    number: str
    source: str
    price: str
    currency: str
    state: str


class ComplaintOut(BaseModel):
    """What a customer complains of, and what became of it."""

    name: str
    label: str = Field(description="What it is called; of one told in words nothing is known by those.")
    state: Literal["closed", "explained", "open"] = Field(description="What became of it.")
    explained_by: list[NameOut]
    closed: SaidOut | None = Field(description="Who says that it is answered, and by what.")


class NeedOut(BaseModel):
    """A part to get or work to have done, with its reasons."""

    part: str = Field(description="Key of the part; of one of the shop's own its name.", examples=["rear_seal"])
    label: str = Field(description="What the part is called.")
    own: bool = Field(description="The shop's own part: it is in no register.")
    work: Work = Field(description="What is to be done.")
    work_label: str = Field(description="That in words.")
    reasons: list[str]
    plan: EntryIn | None = Field(description="What would plan it; nothing where it is planned, or has no fate.")
    key: str = Field(description="What it goes by in the record.")
    said: SaidOut | None = Field(description="Accepted, or struck with a reason.")
    added: str = Field(description="Name it was put on the list by, by hand; empty where it was not.")
    state: PartState = Field(description="How far it is, by the account.")
    wanted: bool = Field(description="Somebody's word plans it, or it is in: it is no mere suggestion.")
    on_the_way: bool = Field(description="It is ordered, and not here.")
    words: str = Field(description="That in words.")
    rests_on: str = Field(description="What that rests on: who planned, ordered or fitted it, and when.")
    left: list[NameOut] = Field(description="Steps that put it in and are not done.")
    order: OrderOut | None = Field(description="Where it comes from and how far it is; nothing where nobody said.")


class RenewalOut(BaseModel):
    """Renew now, or take the chance."""

    part: str = Field(description="Key of the part; of one of the shop's own its name.")
    label: str = Field(description="What the part is called.")
    version: int
    price: float
    chance: float
    hours: float
    rate: float
    extra_hours: float
    now: float
    later: float
    pays: bool
    even: float


class MeasureOut(BaseModel):
    """The bench of a job."""

    job: int
    change: int = Field(description="Counts every write to anything of the job.")
    vehicle: str
    checks: list[CheckOut]
    worst: Verdict
    done: int
    wanted: int
    next_check: str
    instruments: list[InstrumentOut]
    practices: list[PracticeOut]
    parts: list[NameOut] = Field(description="The parts this arrangement has, by key.")
    needs: list[NeedOut]
    figures: list[FiguresOut] = Field(description="Figures nobody has said the part of, old or new.")
    renewals: list[RenewalOut]
    calculations: list[CalculationOut]
    build: Literal["found", "planned"] = Field(description="Whose parts are looked at.")
    apart: list[str] = Field(description="Parts that are found and planned as two, by what they are called.")
    scope: str = Field(description="How far the job goes.")
    scopes: list[NameOut]
    order_states: list[NameOut] = Field(description="How far an order can be.")
    overrulings: list[Verdict] = Field(description="Verdicts that may be put in the place of one.")
    complaints: list[ComplaintOut]
    people: list[str] = Field(description="Names of the shop, those used last first.")
    left_out: list[str] = Field(description="What of the record cannot be read, a sentence each.")


class MeasuredEffectOut(BaseModel):
    """A quantity that readings change; `typed` is what would be entered."""

    check: str
    quantity: str
    label: str
    before: str
    after: str
    typed: str
    why: str


class MeasuredEffectsOut(BaseModel):
    """What measured values do to the four questions."""

    effects: list[MeasuredEffectOut]
    before: list[VerdictOut]
    after: list[VerdictOut]


class PointOut(BaseModel):
    """A point of a chart, 0 to 1."""

    x: float
    y: float


class TrendPointOut(BaseModel):
    """One series: its moment, odometer, worst reading and their places on the chart, 0 to 1."""

    at: str
    job: int
    distance: FigureOut | None
    worst: FigureOut
    readings: int
    x: float
    y: float
    y_low: float
    y_high: float


class TrendOut(BaseModel):
    """A check's series over a vehicle's life."""

    check: str
    title: str
    points: list[TrendPointOut]
    rate: str
    limit: FigureOut | None
    low: FigureOut
    high: FigureOut
    line: list[PointOut]
    limit_at: float | None


class BenchLineOut(BaseModel):
    """A reading of the record, withdrawn ones among them."""

    at: str
    job: int
    vehicle: str
    check: str
    label: str
    place: str
    typed: str
    value: FigureOut | None
    instrument: str
    source: str
    skipped: str
    withdrawn: bool
    who: str


class BenchHistoryOut(BaseModel):
    """Readings over a part's life, newest first, and their trends."""

    trends: list[TrendOut]
    readings: list[BenchLineOut]
    total: int


class ImportedOut(BaseModel):
    """What a file of readings brought: how many, how many were there already, the series they are in, and faults."""

    taken: int
    already: int
    series: list[int]
    faults: list[str]


class EventOut(BaseModel):
    """Something a gauge sent or that happened to it."""

    number: int
    kind: EventKind
    text: str


class GaugeOut(BaseModel):
    """A data port."""

    connected: bool
    newest: int
    events: list[EventOut]
