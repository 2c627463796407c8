"""What a plan depends on: kind of vehicle, housing, shaft, line, lift, helpers, scope, what comes out.

- `Question`, `QUESTIONS`   what is asked, with its answers; the first one is taken, and said, where nobody answered
- `Case`, `case_of`         the answers of a job
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from liftbite.core.job.build import Build
from liftbite.core.job.parts import fate_of, fated

KINDS: Mapping[str, str] = {
    "in_line": "In line, rear drive",
    "transfer_case": "In line, with transfer case",
    "lengthwise_all_wheel": "Lengthwise, all-wheel drive",
    "transverse": "Transverse transaxle",
    "torque_tube": "Torque tube, rear transaxle",
    "rear_engine": "Rear or mid engine",
    "engine_out": "Engine out, concentric bearing",
}


@dataclass(frozen=True, slots=True)
class Question:
    """Something a plan depends on that the figures of a job do not say."""

    name: str
    label: str
    options: Mapping[str, str]
    motorcycle: bool = False


QUESTIONS: Mapping[str, Question] = {
    q.name: q
    for q in (
        Question("kind", "Kind of vehicle", KINDS),
        Question(
            "housing", "Bell housing", {"separate": "Comes off by itself", "one_piece": "One piece with the gearbox"}
        ),
        Question("shaft", "Output shaft", {"slips": "Slips in: drain first", "flanged": "Flanged: no draining"}),
        Question("line", "Hydraulic line", {"hung": "Slave hung aside closed", "opened": "Opened"}),
        Question("lift", "Works on", {"lift": "A lift", "floor": "The floor, on stands"}),
        Question("helpers", "Helpers", {"0": "Alone", "1": "One helper", "2": "Two or more"}, motorcycle=True),
    )
}


@dataclass(frozen=True, slots=True)
class Case:
    """The answers a plan is made from.

    Attributes
    ----------
    answers : question -> answer, the first one where nobody gave any
    car, pull, hydraulic, concentric, discs : of the planned build
    scope : how far the job goes
    fates : part -> what becomes of it
    shop : practice -> what is done on this job
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

    def is_(self, question: str, *answers: str) -> bool:
        """True where a question was answered so; a motorcycle has no answer to a car's."""
        return self.answers.get(question) in answers

    def has(self, *words: str) -> bool:
        """True where all of these are so, as the tables say them: "car", "motorcycle", "hydraulic", "opens", "pull"."""
        return all(not self.car if word == "motorcycle" else bool(getattr(self, word)) for word in words)

    def fate(self, part: str) -> str:
        """What becomes of a part; it stays where nothing else was said."""
        return self.fates.get(part, "stays")

    def moves(self, *parts: str) -> bool:
        """True where one of the parts does not simply stay."""
        return any(self.fate(part) != "stays" for part in parts)

    @property
    def opens(self) -> bool:
        """True where the clutch is laid open: all but a job on the hydraulics alone."""
        return self.scope != "hydraulics"

    @property
    def flywheel_off(self) -> bool:
        """True where the flywheel comes off: it is renewed, dressed or left, or a seal behind it is renewed."""
        return (
            self.opens
            and self.car
            and (
                self.moves("flywheel", "rear_seal", "input_seal", "pilot")
                or self.scope in {"everything", "clutch_flywheel"}
            )
        )

    @property
    def line_open(self) -> bool:
        """True where fluid has to be bled afterwards."""
        return self.hydraulic and (
            self.is_("line", "opened")
            or self.concentric
            or self.scope == "hydraulics"
            or self.moves("master", "slave", "line", "restrictor")
        )


def case_of(build: Build, said: Mapping[str, str], scope: str, shop: Mapping[str, str]) -> Case:
    """What a job's plan is made from.

    Parameters
    ----------
    build : the planned build
    said : question -> answer, where one was given
    scope : how far the job goes
    shop : practice -> option
    """
    car = build.chosen.has("car")
    asked = [q for q in QUESTIONS.values() if car or q.motorcycle]
    answers = {q.name: said[q.name] if said.get(q.name) in q.options else next(iter(q.options)) for q in asked}
    options = build.chosen.options
    fates = {part.key: options[fate_of(part.key)] for part in fated() if fate_of(part.key) in options}
    return Case(
        answers,
        car,
        options.get("cover_action") == "pull",
        "line_pressure" in build.graph.functions,
        build.chosen.has("concentric slave"),
        int(build.known.get("disc_count", 1) or 1),
        scope,
        fates,
        shop,
    )
