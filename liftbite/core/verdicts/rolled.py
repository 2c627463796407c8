"""From the rows of a question to its answer.

- `STATES_OF`   question -> its words for good, thin and bad
- `rolled`      links rolled up to a state and a sentence
- `still_open`, `stopped`   an answer that waits for figures, or that cannot be
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from liftbite.core.graph.graph import Refused
from liftbite.core.job.build import Build, label_of, refusal
from liftbite.core.verdicts.criteria import Looked
from liftbite.core.verdicts.verdict import Answer, Band, Question, Verdict

STATES_OF: Mapping[Question, tuple[Answer, Answer, Answer]] = {
    "bite": ("holds", "thin", "slips"),
    "lift": ("frees", "thin", "drags"),
    "heat": ("stays", "warm", "cooks"),
    "true": ("runs true", "look again", "stop"),
}


def rolled(question: Question, looked: Looked, margin: Band | None, target: float | None) -> Verdict:
    """The answer: its weakest link decides, and what was not looked at is said."""
    good, thin, worst = STATES_OF[question]
    weakest = looked.weakest
    state = worst if looked.bad else thin if weakest.reserve < 1 else good
    sentence = f"{state[0].upper()}{state[1:]}: {weakest.label}, {weakest.sentence}."
    if looked.unseen:
        sentence += f" Not looked at: {', '.join(looked.unseen)}."
    return Verdict(question, state, sentence, margin, margin, target, looked.links)


def still_open(question: Question, build: Build, missing: Iterable[str]) -> Verdict:
    """An answer that waits for figures."""
    names = build.chosen.to_ask(missing)
    return Verdict(question, "open", f"Needs {', '.join(label_of(n).lower() for n in names)}.", needs=names)


def stopped(question: Question, build: Build, refused: Refused) -> Verdict:
    """An answer that cannot be, with what was refused."""
    return Verdict(question, "cannot be", refusal(refused.error, build))
