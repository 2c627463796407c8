"""A plan as a file: JSON, version 1: answers, steps of one's own, instructions, and every step for others to read.

- `PlanFile`      the form of it
- `write_plan`, `read_plan`   to text and back

What a shop has worked out for one job is taken into the next: its answers, its own steps with what they come after, and
by whose instruction each joint is tightened. What was done is the job's, and in the job's file.
"""

from __future__ import annotations

import json
from collections.abc import Iterable, Mapping
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.fit.case import QUESTIONS, Case
from liftbite.core.fit.library import LIBRARY
from liftbite.core.fit.own_steps import fits, own_key, own_keys_of_before
from liftbite.core.fit.plan import ON, Plan
from liftbite.core.fit.statements import OwnStep
from liftbite.core.fit.step import Evidence, Stretch
from liftbite.core.fit.step_names import STEPS_OF_BEFORE
from liftbite.core.job.record import Line
from liftbite.core.statements import read_statement, under_names_of_now
from liftbite.files.fields import Words
from liftbite.files.json_text import read_json

_Said = dict[Annotated[str, Field(max_length=40)], Annotated[Words, Field(max_length=2000)]]
_MOST = 400


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class FileStep(_Strict):
    """A step as the plan has it, for others to read; it is made anew from answers and fates when the plan is read."""

    key: Words = Field(max_length=120)
    title: Words = Field(max_length=200)
    stretch: Stretch
    needs: list[Words] = Field(max_length=_MOST, description="Keys of the steps that come first.")
    hold: bool = False
    evidence: Evidence = "tick"


class FileOwnStep(_Strict):
    """A step of one's own."""

    title: Words = Field(min_length=1, max_length=100)
    after: Words = Field(default="", max_length=120, description="Key of the step it comes after; first where empty.")
    before: Words = Field(default="", max_length=120, description="Key of the step it comes before.")
    note: Words = Field(default="", max_length=2000)
    back: Words = Field(default="", max_length=200, description="What putting it back is called.")
    parts: Words = Field(default="", max_length=400)
    joint: Words = Field(default="", max_length=60)
    tools: Words = Field(default="", max_length=400)
    hazards: Words = Field(default="", max_length=400)
    evidence: Literal["", "tick", "reading", "bolts", "sentence"] = ""
    reached: Literal["", "bench", "inside", "above", "below"] = ""
    hands: Words = Field(default="", max_length=2)
    minutes: Words = Field(default="", max_length=4)


class FileWay(_Strict):
    """An instruction for the bolts of a joint."""

    key: Words = Field(min_length=2, max_length=120, description="Joint and owner, as “cover:kit”.")
    said: _Said


class PlanFile(_Strict):
    """A plan of Lift Bite's."""

    format: Literal["liftbite-plan"] = "liftbite-plan"
    version: Literal[1] = 1
    answers: dict[Annotated[str, Field(max_length=40)], Annotated[str, Field(max_length=40)]] = Field(
        default_factory=dict, description="What the plan depends on, and what was answered."
    )
    own: list[FileOwnStep] = Field(default_factory=list, max_length=_MOST)
    tightening: list[FileWay] = Field(default_factory=list, max_length=_MOST)
    steps: list[FileStep] = Field(default_factory=list, max_length=2 * _MOST)


def write_plan(case: Case, plan: Plan, own: Iterable[Line[OwnStep]], ways: Mapping[str, Line]) -> str:
    """The file of a plan."""
    filed = PlanFile(
        answers=dict(case.answers),
        own=[_filed(o) for o in own],
        tightening=[FileWay(key=key, said=dict(line.words)) for key, line in ways.items()],
        steps=[
            FileStep(
                key=p.key,
                title=p.step.title,
                stretch=p.step.stretch,
                needs=list(p.needs),
                hold=p.step.hold,
                evidence=p.step.evidence,
            )
            for p in plan.steps
        ],
    )
    return json.dumps(filed.model_dump(), ensure_ascii=False, indent=1) + "\n"


def _filed(own: Line[OwnStep]) -> FileOwnStep:
    words = {name: text for name, text in own.words.items() if name != "answer"}
    return FileOwnStep.model_validate({"title": own.key, **words})


def read_plan(text: str) -> list[Line]:
    """What a plan's file says of a job, as lines of its record.

    Raises
    ------
    UnreadableFile : it is no plan, or says what no job can; which of it

    >>> [line.key for line in read_plan('{"own": [{"title": "Paint the trace"}], "answers": {"lift": "floor"}}')]
    ['lift', 'Paint the trace']
    """
    try:
        filed = PlanFile.model_validate(read_json(text))
    except ValidationError as error:
        first = error.errors()[0]
        where = ".".join(map(str, first["loc"]))
        raise UnreadableFile(f"this is no plan: {where}: {first['msg'].lower()}") from None
    titles = [own_key(o.title) for o in filed.own]
    known = {*LIBRARY, *titles, *(ON + key for key in titles)}
    before = {**STEPS_OF_BEFORE, **own_keys_of_before(o.title for o in filed.own)}
    for key in (*(step.key for step in filed.steps), *(o.after or o.before for o in filed.own if o.after or o.before)):
        if before.get(key, key) not in known:
            raise UnreadableFile(f"“{key}” is no step of any plan")
    try:
        own = [read_statement("own_step", o.title, _own(o)) for o in filed.own]
        now = under_names_of_now(own, before)
        fits(now, now)
        return [*_answers(filed), *own, *(read_statement("tightening", way.key, way.said) for way in filed.tightening)]
    except UnreadableEntry as error:
        raise UnreadableFile(str(error)) from None


def _answers(filed: PlanFile) -> Iterable[Line]:
    for name, answer in filed.answers.items():
        if name not in QUESTIONS or answer not in QUESTIONS[name].options:
            raise UnreadableFile(f"“{answer}” is no answer to “{name}”")
        yield read_statement("plan", name, {"answer": answer})


def _own(step: FileOwnStep) -> dict[str, str]:
    words = step.model_dump(exclude={"title"})
    return {"answer": "asked", **{name: text for name, text in words.items() if text}}
