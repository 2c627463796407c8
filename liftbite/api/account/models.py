"""The account as it goes over the wire."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel, Field

from liftbite.api.jobs.models import NameOut, VerdictOut
from liftbite.api.statements import SaidOut
from liftbite.core.account.claims import Source
from liftbite.core.account.parts import PartState, PartWork
from liftbite.core.account.points import Code, Status
from liftbite.core.account.read import Done, Whose
from liftbite.core.measure.check import Verdict


class ClaimOut(BaseModel):
    """What something rests on."""

    source: Source = Field(description="From where it is known.")
    key: str = Field(description="Of what there: a step, a check, a line of the list.")
    says: str = Field(description="What was said or read; empty of a bare tick.")
    who: str
    at: str = Field(description="When, ISO 8601 in UTC; empty where that is not known.")


class AnswerNowOut(BaseModel):
    """One of the four answers, with what it speaks of and what it stands on."""

    question: str
    state: str = Field(description="The answer; of Bite “not asked” where nobody said how strong the engine is.")
    sentence: str
    speaks_of: Literal["stands", "planned"] = Field(description="The clutch as it stands, or as it is planned.")
    assumed: list[NameOut] = Field(description="Inputs what decides it stands on that nobody entered.")
    verdict: VerdictOut


class PartLineOut(BaseModel):
    """A part with its state, its reasons and what the state rests on."""

    part: str = Field(description="Key of the part; of one of the shop's own its name.")
    label: str = Field(description="What the part is called.")
    work: PartWork = Field(description="What is done with it.")
    state: PartState
    words: str = Field(description="Its state in words.")
    key: str = Field(description="What its line goes by in the record.")
    reasons: list[str]
    because: list[str] = Field(description="Why, as codes.")
    fate: str = Field(description="What becomes of it by the plan; empty where the plan does not say.")
    order: str = Field(description="Number, source, price and how far its order is; empty where nothing was said.")
    rests_on: list[ClaimOut] = Field(description="What its state rests on.")
    left: list[NameOut] = Field(description="Steps that take it and are not done.")


class ReadPartOut(BaseModel):
    """A check with its finding: of whose part, what it came to, what was done about it."""

    check: str
    title: str = Field(description="What is measured, on which part.")
    part: str = Field(description="Key of the part.")
    of: Whose = Field(description="Of which part it was read.")
    of_words: str = Field(description="That in words; empty of a part that stays.")
    verdict: Verdict
    verdict_words: str = Field(description="The verdict in words.")
    sentence: str = Field(description="What the readings came to.")
    done: Done
    done_words: str = Field(description="What was done about it, in words; an order is “to …”.")
    before: str = Field(description="What it was before it was put right; empty where it never was otherwise.")
    overruled: bool = Field(description="True where a verdict by name stands in the place of the readings'.")
    claim: ClaimOut | None = Field(description="Who read it, when, with what.")
    closed: SaidOut | None = Field(description="Who said that it is not asked, or enough.")


class ComplaintNowOut(BaseModel):
    """A complaint, and what became of it."""

    name: str
    label: str = Field(description="What it is called; of one told in words nothing is known by those.")
    state: Literal["closed", "explained", "open"]
    explained_by: list[str] = Field(description="What explains it, by what it is called.")
    closed: SaidOut | None = Field(description="Who says that it is answered, and by what.")


class OpenPointOut(BaseModel):
    """One thing that is not done, and known."""

    code: Code = Field(description="What it is.")
    station: str = Field(description="The view of the job that mends it.")
    at: str = Field(description="Key of what is mended there; empty where that is all of it.")
    count: int
    named: list[str] = Field(description="Which, by what they are called.")
    words: str


class PastOut(BaseModel):
    """A line of a hold point, a whole hold point or a verdict that a named person went past."""

    kind: Literal["line", "hold point", "verdict"]
    label: str
    stood: str = Field(description="What it said then.")
    reason: str
    who: str
    at: str


class BeddingOut(BaseModel):
    """Whether it is bedded in."""

    faces: list[NameOut] = Field(description="Parts whose friction face is new or cut; nothing is bedded in without.")
    asked: str = Field(description="What it takes.")
    share: float
    done: bool
    sentence: str


class FiguresOut(BaseModel):
    """Figures typed of a part before it was said to be renewed: of the old one or of the new one, nobody said."""

    part: str = Field(description="Key of the part.")
    label: str = Field(description="What the part is called.")
    choice: str = Field(description="The choice that says whose they are.")
    figures: list[str] = Field(description="What was typed, by what it is called, with the figure.")
    options: list[NameOut] = Field(description="Whose they may be.")


class UndoesOut(BaseModel):
    """What planning parts now would undo."""

    more: list[NameOut] = Field(description="Steps it adds.")
    again: list[NameOut] = Field(description="Steps that were done and are to be done again.")
    sentence: str = Field(description="That in a sentence; empty where nothing is undone.")


class AccountOut(BaseModel):
    """Everything that is true of a job now: what came out, what went in, what was proved, and what is not done."""

    job: int
    change: int
    status: Status
    status_words: str = Field(description="That in a sentence.")
    answers: list[AnswerNowOut] = Field(description="The four answers that lead.")
    beside: list[AnswerNowOut] = Field(description="The same of what stands, where the plan leads and they differ.")
    complaints: list[ComplaintNowOut]
    parts: list[PartLineOut]
    read: list[ReadPartOut] = Field(description="What was read, or closed unread.")
    unread: list[str] = Field(description="Checks the job asks for and nobody read to the end.")
    figures: list[FiguresOut] = Field(description="Figures nobody has said the part of, old or new.")
    past: list[PastOut] = Field(description="What somebody went past by name: lines, hold points, verdicts.")
    bedding: BeddingOut
    points: list[OpenPointOut] = Field(description="What is not done, and known.")
