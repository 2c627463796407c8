"""The next question: the one figure or reading that would settle most of what a job still leaves open.

- `Asked`      what is asked for, what it settles, and why
- `ranking`    all that could be asked, what settles most first

An assumption with ends is looked at with the rest as it is, at its low and at its high end, all of them at once: it
settles the questions whose answer is another one there, and after that what it leaves of the weakest margin's band.
What is missing settles the questions that wait for it. Of two that settle as much, the one a check of the bench reads
comes first.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, get_args

import numpy as np
import numpy.typing as npt

from liftbite.core.job.build import Build, label_of, unit_of
from liftbite.core.units.sentence import both
from liftbite.core.verdicts.answers import Answers
from liftbite.core.verdicts.criteria import criteria_of
from liftbite.core.verdicts.rows import Samples, sampled
from liftbite.core.verdicts.verdict import Question, Verdict

#: Answers of a question, worst first, as `ranking` counts them.
BAD, SHORT, GOOD = 0, 1, 2
_QUESTIONS: tuple[Question, ...] = get_args(Question)


@dataclass(frozen=True, slots=True)
class Asked:
    """Something worth asking for.

    Attributes
    ----------
    name, label : the input or choice, and what the screen calls it
    missing : True where it has no value at all, so that questions wait for it
    settles : the questions it decides, or that wait for it
    moves : what its ends leave of the weakest margin's band, over that margin [-]
    question : the question whose margin it moves most
    why : one sentence for the builder
    """

    name: str
    label: str
    missing: bool
    settles: tuple[Question, ...]
    moves: float
    question: Question | None
    why: str


def ranking(answers: Answers, read_by: Mapping[str, str] | None = None) -> tuple[Asked, ...]:
    """All that could be asked of a job, what settles most first; nothing where nothing is left to settle.

    Parameters
    ----------
    answers : the job worked out
    read_by : input -> the check of the bench that reads it; of two that settle as much they come first
    """
    found = [*_missing(answers), *_assumed(answers)]
    eased = read_by or {}
    return tuple(sorted(found, key=lambda a: (-len(a.settles), not a.missing, -round(a.moves, 3), a.name not in eased)))


def _missing(answers: Answers) -> list[Asked]:
    """What answers wait for; an answer that waits for one thing only is settled by it before one that waits for ten."""
    waits: dict[str, list[Verdict]] = {}
    for verdict in (answers.verdict, *answers.others):
        if verdict.state == "open":
            for name in answers.build.chosen.to_ask(verdict.needs):
                waits.setdefault(name, []).append(verdict)
    asked = []
    for name, verdicts in waits.items():
        left = min(len(answers.build.chosen.to_ask(v.needs)) for v in verdicts)
        names = tuple(v.question for v in verdicts)
        says = f"{_listed(names)} wait{'s' if len(names) == 1 else ''} for it"
        says += "." if left == 1 else f" and {left - 1} more."
        asked.append(Asked(name, label_of(name), True, names, 1.0 / left, names[0], says))
    return asked


def _assumed(answers: Answers) -> list[Asked]:
    """Assumptions with ends, each at both of them with all others as they are."""
    build = answers.build
    ends = {
        a.name: build.chosen.assumed[a.name]
        for a in answers.assumptions
        if a.option is None and build.chosen.assumed[a.name].low != build.chosen.assumed[a.name].high
    }
    if not ends:
        return []
    verdicts = [v.question for v in (answers.verdict, *answers.others) if v.state != "open"]
    shaping = ends.keys() & build.graph.upstream(("engine_curve",))
    columns = [name for name in ends if name not in shaping]
    size = 2 * len(columns) + 1
    known: dict[str, Any] = {**build.known, "stage": build.stage}
    for i, name in enumerate(columns):
        column = np.full(size, float(known.get(name, ends[name].value)))
        column[2 * i + 1 : 2 * i + 3] = ends[name].low, ends[name].high
        known[name] = column
    levels = _levels(build, known, size, verdicts)
    found = []
    for name, assumed in ends.items():
        if name in shaping:  # a curve has one shape at a time
            single = {**build.known, "stage": build.stage}
            sides = [_levels(build, single | {name: end}, 1, verdicts) for end in (assumed.low, assumed.high)]
            at = {q: [(x[0][0], x[1][0]) for x in (levels[q], *(side[q] for side in sides))] for q in verdicts}
        else:
            i = 2 * columns.index(name)
            at = {q: [(level[k], weakest[k]) for k in (0, i + 1, i + 2)] for q, (level, weakest) in levels.items()}
        found.append(_weighed(build, name, at))
    return [asked for asked in found if asked is not None]


Levels = tuple[npt.NDArray[np.int64], npt.NDArray[np.float64]]


def _levels(build: Build, known: dict[str, Any], size: int, questions: Sequence[Question]) -> dict[Question, Levels]:
    samples = Samples(build, known, size)
    return {question: _level(build, question, samples, size) for question in questions}


def _level(build: Build, question: Question, samples: Samples, size: int) -> Levels:
    """How a question is answered for every candidate, and its weakest reserve."""
    level, weakest = np.full(size, GOOD), np.full(size, np.inf)
    for row in criteria_of(question):
        if row.told or not row.counts(build) or (row.unless and build.chosen.has(row.unless)):
            continue
        soft = any(build.mark(name) == "assumed" for name in row.softened)
        for found in sampled(row, samples.values):
            reserve, value = (np.nan_to_num(np.asarray(x, dtype=np.float64), nan=np.inf) for x in found)
            judged = reserve if row.most else value
            bad = (judged < row.bad_below) if row.bad_below is not None and not soft else np.zeros(size, dtype=bool)
            level = np.minimum(level, np.where(bad, BAD, np.where(reserve < 1, SHORT, GOOD)))
            weakest = np.fmin(weakest, reserve)
    return level, weakest


#: As it is, at the low end and at the high end: how a question is answered, and its weakest reserve.
Ends = Mapping[Question, Sequence[tuple[int, float]]]


def _weighed(build: Build, name: str, at: Ends) -> Asked | None:
    settles = tuple(q for q, ends in at.items() if len({int(level) for level, _ in ends}) > 1)
    swings: dict[Question, float] = {}
    for q, ends in at.items():
        reserves = np.array([reserve for _, reserve in ends])
        if np.all(np.isfinite(reserves)) and reserves[0] > 0:
            swings[q] = float((reserves.max() - reserves.min()) / reserves[0])
    moves, question = max(((swing, q) for q, swing in swings.items()), default=(0.0, None))
    if not settles and moves < 0.005:
        return None
    assumed = build.chosen.assumed[name]
    unit = unit_of(name, build.graph)
    between = f"assumed between {both(assumed.low, unit)} and {both(assumed.high, unit)}"
    says = (
        f"{between}, it decides {_listed(settles)}"
        if settles
        else (f"{between}, it moves {str(question).capitalize()}'s weakest margin by {moves * 100:.0f} %")
    )
    return Asked(name, label_of(name), False, settles, moves, question, f"{says[0].upper()}{says[1:]}.")


def _listed(questions: tuple[Question, ...]) -> str:
    names = [q.capitalize() for q in questions]
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"
