"""The plan as it goes over the wire."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from liftbite.api.jobs.models import NameOut
from liftbite.api.statements import SaidOut, StatementWords, at_station, typed, words_said
from liftbite.core.fit.progress import State
from liftbite.core.fit.step import Evidence, ReasonKind, Stretch
from liftbite.files.fields import Words


class PlanQuestionOut(BaseModel):
    """Something the plan depends on."""

    name: str
    label: str
    answer: str
    said: bool = Field(description="False where nobody answered, and the first one is taken.")
    options: list[NameOut]


class TurnOut(BaseModel):
    """A bolt in a pass."""

    key: str = Field(description="Its name in the record, after the step's.")
    joint: str = Field(description="Key of its joint.")
    number: int = Field(description="Which pass, from 1.")
    bolt: int
    to: str = Field(description="What it is tightened to; empty where no figure is known.")
    state: Literal["open", "done", "look again"]
    says: str = Field(description="What a wrench read, and what is wrong with it.")


class WayOut(BaseModel):
    """An instruction for the bolts of a joint."""

    key: str
    joint: str = Field(description="What its joint is called.")
    owner: str
    chosen: bool
    words: str = Field(description="All of it in words.")
    said: Annotated[dict[str, str], words_said("tightening")]
    state: Literal["plausible", "low", "high", "refused", "by stretch", "open"]
    says: str = Field(description="Against thread and grade; empty where they are not known.")
    asks: str = Field(description="What is missing to hold it against proof; empty where nothing is.")
    working: str
    who: str


class WhyOut(BaseModel):
    """Why a step waits for another."""

    need: str = Field(description="Key of the step that comes first.")
    kind: ReasonKind
    says: str


class LookOut(BaseModel):
    """A line a hold point looks up."""

    key: str = Field(description="Its name in the record, after the step's.")
    label: str
    state: Literal["good", "bad", "open", "overridden"]
    says: str = Field(description="What it is known from, or what is missing.")
    where: str = Field(description="Station and key it is done at, as “measure:disc_wobble”; empty where none is.")
    overridden: SaidOut | None = Field(description="Who went past it, and why.")


class GoneOut(BaseModel):
    """A step that is not on this job."""

    key: str
    title: str
    said: SaidOut


class GroupOut(BaseModel):
    """Steps of one stretch that stand together in the plan."""

    label: str = Field(description="What the stretch is called.")
    stretch: Stretch
    steps: list[str] = Field(description="Keys of its steps, in order.")
    done: int
    in_one_go: list[str] = Field(description="Keys of the plain steps that one name can tick now, in order.")


class FitStepOut(BaseModel):
    """A step of the plan as it stands."""

    key: str
    title: str
    stretch: Stretch
    part: str = Field(description="What its stretch of the work is called.")
    state: State
    needs: list[str] = Field(description="Keys of the steps that come first.")
    first: list[str] = Field(description="Titles of those that are not done yet.")
    shut: str = Field(description="Why it is shut and what comes first, in a sentence; empty where it is not.")
    reason: ReasonKind | Literal[""] = Field(description="What kind of reason that is; empty where it is not shut.")
    reasons: list[WhyOut] = Field(description="Why it waits for each of its needs.")
    awaits: list[str] = Field(description="Parts on their way that it takes.")
    reached: str = Field(description="From where, in words; nothing where that does not matter.")
    hands: int
    short: bool = Field(description="It takes more hands than there are.")
    tools: list[str]
    note: str
    hazards: list[str]
    evidence: Evidence
    hold: bool
    guards: bool = Field(description="It carries or guards: that it is not on this job wants a reason.")
    signed: bool = Field(description="It wants a name.")
    on: str = Field(description="Key of the step that puts back what it takes off; empty where there is none.")
    off: str = Field(description="Key of the step that took off what it puts back; empty where there is none.")
    joint: str
    joints: list[NameOut] = Field(description="Every joint whose bolts it tightens.")
    parts: list[str] = Field(description="Keys of the parts it takes.")
    minutes: int
    learned: str = Field(description="Whose minutes these are, where they are the shop's own.")
    own: bool
    said: SaidOut | None
    text: str = Field(description="What was read or found.")
    settled: SaidOut | None = Field(description="That it was found done, or done elsewhere.")
    known: str = Field(description="From what else it is known to be done: its card, its reading; empty where not.")
    asked: str = Field(description="Where its fact is asked and not said yet, in words; empty where it is ticked here.")
    fact: str = Field(description="Station and key of that, as “measure:slave_travel”; empty where there is none.")
    read_here: bool = Field(description="That fact is figures of the bench that may be typed at the step as well.")
    again: str = Field(description="Title of the step that was opened again, so that this is to be proved anew.")
    lines: list[LookOut] = Field(description="What a hold point looks up, line by line.")
    bolted_to: bool = Field(description="Where it stays on, what it is bolted to that stays has to be said.")
    sequence: list[int] = Field(description="Its bolts in the order they are tightened; nothing where not known.")
    turns: list[TurnOut] = Field(description="The same pass after pass, with what each is tightened to.")
    passes: int
    ways: list[WayOut] = Field(description="Instructions for its bolts, side by side; one is chosen.")
    help: list[str] = Field(description="What it says by the job's own figures.")
    has: SaidOut | None = Field(description="Who is at it.")


class VanishedOut(BaseModel):
    """What was said of a step the plan no longer has."""

    key: str
    said: SaidOut
    text: str


class KeptOut(BaseModel):
    """A bag, a mark, or something left over."""

    kind: Literal["bag", "mark", "leftover", "noted"]
    key: str = Field(description="What it is of: an assembly, a pair of parts, a fastener.")
    label: str = Field(description="What that is called.")
    number: int = Field(description="Of bags, in the order they were filled; 0 for the rest.")
    words: str = Field(description="What is in it, how it is marked, or what it was and where it belongs.")
    count: str
    open: bool = Field(description="Left over and unexplained.")
    who: str
    at: str


class HoleOut(BaseModel):
    """A hole of the bolt map and its bolt."""

    key: str
    number: int
    words: str = Field(description="Thread, length, grip, washers, depth, as said.")
    said: Annotated[dict[str, str], words_said("hole")] = Field(description="What was said of it, but for its place.")
    state: Literal["good", "look again", "short", "bottoms", "shank in thread", "open"]
    wrong: bool = Field(description="True where it is not put in as it is.")
    says: str
    working: str = Field(description="How it comes about.")
    degrees: float | None = Field(description="Clockwise from the top; nothing where nobody said.")
    out: float = Field(description="How far from the middle of the drawing, whose circle has radius 1.")
    who: str
    at: str


class BoltMapOut(BaseModel):
    """The bolts of a joint: which goes where, and which must not be swapped."""

    joint: str
    holes: list[HoleOut]
    sizes: str = Field(description="How many bolts of which size.")
    swaps: list[str] = Field(description="Bolts that would harm in another's hole.")
    circle: str = Field(description="In how many ways round it goes on; empty where the angles are not said.")
    across: str = Field(description="Measured across its circle, as typed.")
    between: str = Field(description="Measured between two holes, as typed.")
    starts: Literal["part", "clock"] = Field(description="Where numbers begin.")
    photo: str = Field(description="The photo it is dragged over, by its digest.")
    card: str = Field(description="Why there is no card at 1:1 yet; empty where there is.")


class ShopStepOut(BaseModel):
    """A step the shop adds to every plan, or has let go."""

    title: str
    key: str = Field(description="Its key in a plan.")
    kept: bool
    version: int = Field(description="For If-Match.")


class ShopStepIn(BaseModel):
    """A step the shop adds to every plan from now on, or lets go."""

    model_config = ConfigDict(extra="forbid")

    title: Annotated[Words, Field(min_length=1, max_length=100)]
    after: Annotated[Words, Field(max_length=120)] = ""
    before: Annotated[Words, Field(max_length=120)] = ""
    note: Annotated[Words, Field(max_length=2000)] = ""
    back: Annotated[Words, Field(max_length=200)] = Field(default="", description="What putting it back is called.")
    parts: Annotated[Words, Field(max_length=400)] = ""
    joint: Annotated[Words, Field(max_length=60)] = ""
    tools: Annotated[Words, Field(max_length=400)] = ""
    hazards: Annotated[Words, Field(max_length=400)] = ""
    evidence: Literal["", "tick", "reading", "bolts", "sentence"] = ""
    reached: Literal["", "bench", "inside", "above", "below"] = ""
    hands: Annotated[Words, Field(max_length=2)] = ""
    minutes: Annotated[Words, Field(max_length=4)] = ""
    kept: bool = True


class PlanFileIn(BaseModel):
    """The text of a plan's file."""

    model_config = ConfigDict(extra="forbid")

    text: Annotated[Words, Field(min_length=2, max_length=1_000_000)]


class OfferedOut(BaseModel):
    """What a field of an instruction, or what is noted of a part, may be."""

    how: list[NameOut]
    passes: list[NameOut]
    bolts: list[NameOut]
    under: list[NameOut]
    noted: list[NameOut]


class PlanOut(BaseModel):
    """The plan of a job."""

    job: int
    change: int
    questions: list[PlanQuestionOut]
    steps: list[FitStepOut]
    groups: list[GroupOut] = Field(description="The steps by the stretches of the work they stand in.")
    wrenches: list[NameOut] = Field(description="Instruments of the shop with a data port, by their keys.")
    shop_steps: list[ShopStepOut] = Field(description="Steps the shop adds to every plan, and those it has let go.")
    next: str = Field(description="The step to do now; nothing where none is open.")
    done: int
    minutes: int = Field(description="About how long what is left takes.")
    vanished: list[VanishedOut]
    awaited: list[NameOut] = Field(description="Parts that are ordered and not here.")
    kept: list[KeptOut] = Field(description="Bags, marks and what was left over, in the order they were said.")
    bolt_maps: list[BoltMapOut]
    offered: OfferedOut
    materials: list[NameOut] = Field(description="What a thread may be in.")
    to_get: list[NameOut] = Field(description="Parts of the list of which nobody said that they are here.")
    gone: list[GoneOut] = Field(description="Steps that are not on this job: there is none, or it stays on.")
    opening: str = Field(description="How far the job opens.")
    opens_for: list[str] = Field(description="Why it opens as far as that.")
    left_out: list[str] = Field(description="What of the plan or the record has no place, a sentence each.")


class SayOfPlanIn(BaseModel):
    """Something said of the plan: an answer it depends on, a step done or overridden, a bolt ticked, a step of one's
    own, a bag, a mark, or something left over."""

    model_config = ConfigDict(extra="forbid", json_schema_extra=typed("plan"))

    kind: Annotated[str, at_station("plan")]
    key: Annotated[Words, Field(min_length=1, max_length=120)]
    said: StatementWords
    who: Annotated[Words, Field(max_length=60)] = ""
    request: Annotated[Words, Field(max_length=80)] = ""


class FromPaperIn(BaseModel):
    """A filled step list, typed back at once: all of it is kept, or none."""

    model_config = ConfigDict(extra="forbid")

    lines: Annotated[list[SayOfPlanIn], Field(min_length=1, max_length=400)]
    who: Annotated[Words, Field(max_length=60)] = ""


class WrenchIn(BaseModel):
    """Readings of a torque wrench, each for the next bolt of a step."""

    model_config = ConfigDict(extra="forbid")

    step: Annotated[Words, Field(min_length=1, max_length=80)]
    instrument: Annotated[Words, Field(min_length=1, max_length=20)]
    events: Annotated[list[int], Field(min_length=1, max_length=200)]
    turn: Annotated[Words, Field(max_length=8)] = Field(
        default="", description="The turn picked; the next one where none."
    )
    who: Annotated[Words, Field(max_length=60)] = ""
