"""From the rows of a question to its answer.

- `STATES_OF`   question -> its words for good, short and bad
- `rolled`      links rolled up to a state and a sentence
- `still_open`, `stopped`, `misfitted`   an answer that waits for figures, that cannot be, of parts that do not fit
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace

from liftbite.core.graph.graph import Refused
from liftbite.core.job.build import Build, label_of, refusal
from liftbite.core.verdicts.looked import Looked
from liftbite.core.verdicts.verdict import Answer, Band, Link, Question, Verdict

STATES_OF: Mapping[Question, tuple[Answer, Answer, Answer]] = {
    "bite": ("holds", "thin", "slips"),
    "lift": ("frees", "thin", "drags"),
    "heat": ("stays", "warm", "cooks"),
    "true": ("runs true", "look again", "stop"),
}


def state_of(question: Question, looked: Looked) -> Answer:
    """The answer its gravest link gives."""
    good, short, bad = STATES_OF[question]
    weakest = looked.weakest
    if weakest.grade == "short":
        return looked.shorts.get(weakest.label, short)
    return bad if weakest.grade == "bad" else good


def rolled(
    question: Question, looked: Looked, margin: Band | None, target: float | None, headline: str = ""
) -> Verdict:
    """The answer: its gravest link decides, and what was not looked at is said.

    Parameters
    ----------
    headline : label of the link that is shown where nothing falls short; the weakest where empty
    """
    state = state_of(question, looked)
    deciding = looked.weakest
    if deciding.grade in {"good", "note"}:
        deciding = looked.named(headline) or deciding
    sentence = f"{capital(state)}: {deciding.label}, {deciding.sentence}.{unseen_words(looked.unseen)}"
    return Verdict(question, state, sentence, margin, margin, target, looked.links, (), deciding, looked.unseen)


def capital(words: str) -> str:
    """The words as the beginning of a sentence."""
    return words[:1].upper() + words[1:]


def unseen_words(unseen: Iterable[str]) -> str:
    """What was not looked at, as a sentence; empty where all was."""
    labels = ", ".join(unseen)
    return f" Not looked at: {labels}." if labels else ""


def still_open(question: Question, build: Build, missing: Iterable[str]) -> Verdict:
    """An answer that waits for figures."""
    names = build.chosen.to_ask(missing)
    return Verdict(question, "open", f"Needs {', '.join(label_of(n).lower() for n in names)}.", needs=names)


def stopped(question: Question, build: Build, refused: Refused) -> Verdict:
    """An answer that cannot be, with what was refused."""
    return Verdict(question, "cannot be", refusal(refused.error, build))


def misfitted(verdict: Verdict, links: tuple[Link, ...]) -> Verdict:
    """The same answer where parts do not go together, which no figure outweighs."""
    if not links or verdict.state == "cannot be":
        return verdict
    sentence = f"Does not fit: {links[0].sentence}"
    return replace(
        verdict, state="does not fit", sentence=sentence, links=(*links, *verdict.links), deciding=links[0], needs=()
    )
