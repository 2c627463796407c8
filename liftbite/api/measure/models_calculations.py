"""What the sums of a set-up send."""

from __future__ import annotations

from pydantic import BaseModel

from liftbite.api.jobs.models import FigureOut


class StandsAtOut(BaseModel):
    """Something on a ruler: its name and from where to where, 0 to 1; the same where it is a mark."""

    name: str
    start: float
    end: float


class SaidOut(BaseModel):
    """A sum in words: what it comes to, and how, line by line."""

    sentence: str
    working: list[str]


class StackOut(BaseModel):
    """A stack of spacers."""

    pieces: list[str]
    height: FigureOut
    cushion: FigureOut
    in_rule: bool
    off_nominal: FigureOut
    in_window: bool | None
    sure: bool


class BearingOut(SaidOut):
    """A concentric bearing's set-up; shares place the figures on a ruler from 0 to 1."""

    cushion: FigureOut
    doubt: FigureOut
    window_low: FigureOut | None
    window_high: FigureOut | None
    rule_low: FigureOut
    rule_high: FigureOut
    stacks: list[StackOut]
    ruler: list[StandsAtOut]


class StandOut(BaseModel):
    """One stand of the floater: the shims under it, its gap without and with them, and both on the ruler."""

    pieces: list[str]
    before: FigureOut
    after: FigureOut
    before_at: float
    after_at: float


class ShimWayOut(BaseModel):
    """Shims for the floater's stands, for one place a shim may sit at."""

    way: str
    about: str
    stands: list[StandOut]
    comes_right: bool


class FloaterOut(SaidOut):
    """The floater: shims, and the free travel of both discs as the inner one wears."""

    ways: list[ShimWayOut]
    window: StandsAtOut
    window_low: FigureOut
    window_high: FigureOut
    wear: list[FigureOut]
    inner: list[FigureOut]
    outer: list[FigureOut]
    wants_shims_at: FigureOut | None


class ProofsOut(BaseModel):
    """The sums of the set-up."""

    bearing: BearingOut | None
    floater: FloaterOut | None
    shaft: SaidOut | None
    fork: SaidOut | None
    cut: SaidOut | None
    air: SaidOut | None
    end_float: SaidOut | None
    pack: SaidOut | None
