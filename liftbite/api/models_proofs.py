"""What the sums of a set-up send."""

from __future__ import annotations

from pydantic import BaseModel

from liftbite.api.models import FigureOut


class StandsAtOut(BaseModel):
    """Something on a ruler: its name and from where to where, 0 to 1; the same where it is a mark."""

    name: str
    start: float
    end: float


class StackOut(BaseModel):
    """A stack of spacers."""

    pieces: list[str]
    height: FigureOut
    cushion: FigureOut
    in_rule: bool
    off_nominal: FigureOut
    in_window: bool | None
    sure: bool


class BearingOut(BaseModel):
    """A concentric bearing's set-up; shares place the figures on a ruler from 0 to 1."""

    cushion: FigureOut
    doubt: FigureOut
    window_low: FigureOut | None
    window_high: FigureOut | None
    rule_low: FigureOut
    rule_high: FigureOut
    stacks: list[StackOut]
    sentence: str
    ruler: list[StandsAtOut]
    working: list[str]


class StandsOut(BaseModel):
    """Shims for the floater's stands, for one place the shim may sit at."""

    opens: bool
    pieces: list[list[str]]
    gaps: list[FigureOut]
    in_window: bool
    alike: bool


class FloaterOut(BaseModel):
    """The floater: shims, and the free travel of both discs as the inner one wears."""

    stands: list[StandsOut]
    wear: list[FigureOut]
    inner: list[FigureOut]
    outer: list[FigureOut]
    wants_shims_at: FigureOut | None


class ReachOut(BaseModel):
    """The input shaft in its pilot."""

    engagement: FigureOut
    clear: FigureOut
    full: bool
    touches: bool
    sentence: str


class ForkOut(BaseModel):
    """What the new bearing does to the fork."""

    height: FigureOut
    free_play: FigureOut
    tilt: FigureOut | None
    sentence: str


class AirOut(BaseModel):
    """Trapped air."""

    low: FigureOut
    volume: FigureOut
    high: FigureOut
    sentence: str


class ProofsOut(BaseModel):
    """The sums of the set-up."""

    bearing: BearingOut | None
    floater: FloaterOut | None
    reach: ReachOut | None
    fork: ForkOut | None
    air: AirOut | None
    end_float: str
    pack: list[str]
