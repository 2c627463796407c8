"""What a plan depends on: kind of vehicle, where the job begins, housing, shaft, line, scope, what comes out.

- `Question`, `QUESTIONS`   what is asked, with its answers; the first one is taken, and shown as assumed
- `asked_of`                the questions of a case
- `Case`, `case_of`         the answers of a job
- `Opening`, `OPENED`, `opening_of`, `opens_to`   how far a part wants a clutch opened; whether a job opens as far
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Any, Literal

from liftbite.core.job.build import Build
from liftbite.core.job.parts import PARTS, fate_of, fated, parts_of
from liftbite.core.tables import made, rows

#: How far a job opens: nothing off, the gearbox, the cover as well, the flywheel as well.
Opening = Literal[0, 1, 2, 3]
#: Opening -> what comes off, in words.
OPENED: Mapping[int, str] = {
    0: "nothing comes off",
    1: "the gearbox comes off, the cover stays bolted",
    2: "the cover comes off",
    3: "the flywheel comes off",
}
_OF_SCOPE: Mapping[str, Opening] = {
    "hydraulics": 0,
    "bearing": 1,
    "clutch": 2,
    "clutch_flywheel": 3,
    "everything": 3,
    "complaint": 2,
}
#: Part -> opening, where it is not as its scope has it: what is behind the disc is reached by less than everything.
_OF_PART: Mapping[str, Opening] = {
    "gearbox": 1,
    "bell_housing": 1,
    "input_bearing": 1,
    "input_shaft": 1,
    "gearbox_oil": 1,
}


@dataclass(frozen=True, slots=True)
class Question:
    """Something a plan depends on that the figures of a job do not say.

    Attributes
    ----------
    name, label : in the record, on screen
    options : answer -> what it is called; the first is taken where nobody gave one
    kinds : kinds of vehicle it is asked of; every kind where empty
    motorcycle : "" of cars, "also" of motorcycles too, "only" of them
    has : what the clutch has where it is asked, by the words of `Case.has`
    """

    name: str
    label: str
    options: Mapping[str, str]
    kinds: tuple[str, ...] = ()
    motorcycle: Literal["", "also", "only"] = ""
    has: str = ""


def _question(name: str, said: Mapping[str, Any]) -> Question:
    return made(Question, name, {"name": name, **said})


QUESTIONS: Mapping[str, Question] = {
    name: _question(name, said) for name, said in rows("liftbite.core.fit", "questions.toml").items()
}
KINDS: Mapping[str, str] = QUESTIONS["kind"].options


@dataclass(frozen=True)
class Case:
    """The answers a plan is made from.

    Attributes
    ----------
    answers : question -> answer, the first one where nobody gave any
    car, pull, hydraulic, concentric, discs : of the planned build
    scope : how far the job goes; empty where nobody said
    fates : part -> what becomes of it
    shop : practice -> what is done on this job
    found : part -> what the bench says of it that wants it renewed
    dual_mass : whether the flywheel that comes out, and the one that goes in, is a dual-mass one
    """

    answers: Mapping[str, str]
    car: bool
    pull: bool
    hydraulic: bool
    concentric: bool
    discs: int
    scope: str
    fates: Mapping[str, str]
    shop: Mapping[str, str]
    found: Mapping[str, str] = field(default_factory=dict)
    dual_mass: tuple[bool, bool] = (False, False)

    def is_(self, question: str, *answers: str) -> bool:
        """True where a question was answered so; a motorcycle has no answer to a car's."""
        return self.answers.get(question) in answers

    def has(self, *words: str) -> bool:
        """True where all of these are so, as the tables say them: "car", "motorcycle", "hydraulic", "opens", "pull"."""
        return all(not self.car if word == "motorcycle" else bool(getattr(self, word)) for word in words)

    @property
    def twin(self) -> bool:
        """True with two discs or more."""
        return self.discs > 1

    def fate(self, part: str) -> str:
        """What becomes of a part; it stays where nothing else was said."""
        return self.fates.get(part, "stays")

    def moves(self, *parts: str) -> bool:
        """True where one of the parts does not simply stay, or the bench wants it renewed."""
        return any(self.fate(part) != "stays" or part in self.found for part in parts)

    def renews(self, *parts: str) -> bool:
        """True where one of the parts is new afterwards, or the bench wants it so."""
        return any(self.fate(part) in ("renewed", "added") or part in self.found for part in parts)

    @property
    def never(self) -> bool:
        """True where nothing was assembled before: a bench, a new installation, parts in boxes."""
        return self.is_("kind", "bench", "new_installation") or self.is_("begun", "never_assembled")

    @cached_property
    def opening(self) -> Opening:
        """How far the job opens: as far as it was said to go, and as its parts want."""
        return max((level for level, _ in self.openings()), default=3)

    def openings(self) -> list[tuple[Opening, str]]:
        """How far each thing wants the job opened, with the reason; nothing where nobody said or planned anything."""
        said: list[tuple[Opening, str]] = []
        if self.scope in _OF_SCOPE:
            said.append((_OF_SCOPE[self.scope], "as far as this job was said to go"))
        for part, fate in self.fates.items():
            if fate != "stays":
                said.append((opening_of(part), f"{PARTS[part].label.lower()}: {fate.replace('_', ' ')}"))
        for part, why in self.found.items():
            said.append((opening_of(part), f"{PARTS[part].label.lower()}: {why}"))
        return said

    @property
    def opens(self) -> bool:
        """True where the gearbox or the pack comes off: all but a job on the hydraulics alone."""
        return self.opening > 0

    @property
    def cover_off(self) -> bool:
        """True where the cover is undone, or the clutch goes on for the first time."""
        return self.opening >= 2 or self.never

    @property
    def flywheel_off(self) -> bool:
        """True where the flywheel comes off, or goes on for the first time."""
        return self.car and (self.opening >= 3 or self.never)

    @property
    def renews_hydraulics(self) -> bool:
        """True where a cylinder, the hose or the fluid is new afterwards."""
        return self.hydraulic and self.moves("master", "slave", "line", "fluid", "restrictor", "reservoir")

    @property
    def bleeds(self) -> bool:
        """True where the clutch has to be bled: its line was opened, or fluid, a cylinder or the hose is new."""
        opened = self.is_("line", "opened") or self.concentric or self.fate("slave") == "renewed"
        return self.hydraulic and (opened or self.renews_hydraulics or self.never or self.opening == 0)


def opening_of(part: str) -> Opening:
    """How far a part wants a clutch opened: the smallest opening that reaches it.

    >>> opening_of("bearing"), opening_of("disc"), opening_of("rear_seal"), opening_of("slave")
    (1, 2, 3, 0)
    """
    return _OF_PART.get(part, _OF_SCOPE[PARTS[part].opening])


def opens_to(case: Case, part: str) -> bool:
    """True where a job opens far enough to reach a part, one of an assembly; a part of the shop's own is in reach.

    >>> clutch = Case({}, True, True, True, False, 1, "clutch", {}, {})
    >>> [opens_to(clutch, part) for part in ("cylinders", "disc", "flywheel", "Speed sensor")]
    [True, True, False, True]
    """
    known = [opening_of(key) for key in parts_of(part) if key in PARTS]
    return not known or min(known) <= case.opening


def asked_of(case: Case) -> list[Question]:
    """The questions that matter to a case.

    >>> bike = Case({"kind": "in_line"}, False, False, False, False, 1, "", {}, {})
    >>> [q.name for q in asked_of(bike)]
    ['begun', 'runs', 'arm', 'helpers']
    """
    return [q for q in QUESTIONS.values() if _is_asked(q, case)]


def _is_asked(question: Question, case: Case) -> bool:
    if question.motorcycle == ("only" if case.car else ""):
        return False
    if case.car and question.kinds and not case.is_("kind", *question.kinds):
        return False
    return not question.has or case.has(question.has)


def case_of(
    build: Build,
    said: Mapping[str, str],
    scope: str,
    shop: Mapping[str, str],
    found: Mapping[str, str] | None = None,
    before: Build | None = None,
) -> Case:
    """What a job's plan is made from.

    Parameters
    ----------
    build : the planned build
    said : question -> answer, where one was given
    scope : how far the job goes; empty where nobody said
    shop : practice -> option
    found : part -> what the bench says of it that wants it renewed
    before : the build that was found; the planned one where there is none
    """
    options = build.chosen.options
    fates = {part.key: options[fate_of(part.key)] for part in fated() if fate_of(part.key) in options}
    kind = said.get("kind") if said.get("kind") in KINDS else next(iter(KINDS))
    known = Case(
        {"kind": str(kind)},
        build.chosen.has("car"),
        options.get("cover_action") == "pull",
        "line_pressure" in build.graph.functions,
        build.chosen.has("concentric slave"),
        int(build.known.get("disc_count", 1) or 1),
        scope,
        fates,
        shop,
        found or {},
        ((before or build).chosen.has("dual-mass flywheel"), build.chosen.has("dual-mass flywheel")),
    )
    return answered(known, said)


def answered(case: Case, said: Mapping[str, str]) -> Case:
    """A case with its answers: those given, and the first one where none was."""
    return replace(case, answers={q.name: _answer(q, said) for q in asked_of(case)})


def _answer(question: Question, said: Mapping[str, str]) -> str:
    given = said.get(question.name, "")
    return given if given in question.options else next(iter(question.options))
