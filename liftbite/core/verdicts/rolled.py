"""From the rows of a question to its answer.

- `STATES_OF`   question -> its words for good, short and bad
- `rolled`      links rolled up to an answer
- `still_open`, `stopped`, `misfitted`   an answer that waits for figures, that cannot be, of parts that do not fit
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace

from liftbite.core.graph.graph import Refused
from liftbite.core.job.build import Build
from liftbite.core.job.refusal import refusal_of
from liftbite.core.verdicts.rows import Rows
from liftbite.core.verdicts.verdict import Answer, Band, Link, Question, Verdict

STATES_OF: Mapping[Question, tuple[Answer, Answer, Answer]] = {
    "bite": ("holds", "thin", "slips"),
    "lift": ("frees", "thin", "drags"),
    "heat": ("stays", "warm", "cooks"),
    "true": ("runs true", "look again", "stop"),
}


def state_of(question: Question, looked: Rows) -> Answer:
    """The answer its gravest link gives."""
    good, short, bad = STATES_OF[question]
    weakest = looked.weakest
    if weakest.grade == "short":
        return weakest.short or short
    return bad if weakest.grade == "bad" else good


def rolled(question: Question, looked: Rows, margin: Band | None, target: float | None, headline: str = "") -> Verdict:
    """The answer: its gravest link decides.

    Parameters
    ----------
    headline : key of the link that is shown where nothing falls short; the weakest where empty
    """
    deciding = looked.weakest
    if deciding.grade in {"good", "note"}:
        deciding = looked.of(headline) or deciding
    return Verdict(
        question,
        state_of(question, looked),
        "judged",
        margin,
        margin,
        target,
        looked.links,
        (),
        deciding,
        looked.unseen,
    )


def still_open(question: Question, build: Build, missing: Iterable[str]) -> Verdict:
    """An answer that waits for figures."""
    return Verdict(question, "open", "needs", needs=build.chosen.to_ask(missing))


def stopped(question: Question, build: Build, refused: Refused) -> Verdict:
    """An answer that cannot be, with what was refused."""
    return Verdict(question, "cannot be", "refused", refused=refusal_of(refused.error, build))


def misfitted(verdict: Verdict, links: tuple[Link, ...]) -> Verdict:
    """The same answer where parts do not go together, which no figure outweighs."""
    if not links or verdict.state == "cannot be":
        return verdict
    return replace(
        verdict, state="does not fit", reason="misfit", links=(*links, *verdict.links), deciding=links[0], needs=()
    )
