"""The four answers as the account has them: of the clutch as it is planned, and as it stands.

- `AnswerNow`, `answers_now`   an answer with what it speaks of and what it stands on
- `layers_that_stand`          the entries of the clutch as it stands: of what is not done yet, the part that was found
- `points_of_answers`          answers that fall short, and those nobody can give
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Iterator, Mapping
from dataclasses import dataclass
from typing import Literal

from liftbite.core.account.points import Point
from liftbite.core.job.builds import entering, with_entries
from liftbite.core.job.ledger import PLAN, Entry, Layers
from liftbite.core.job.parts import APART, fate_of
from liftbite.core.verdicts.answers import Answers
from liftbite.core.verdicts.verdict import GOOD_STATES, OPEN_STATES, Verdict
from liftbite.core.verdicts.words import verdict_sentence

SpeaksOf = Literal["stands", "planned"]
#: What says how strong the engine is, each enough by itself.
_ENGINE = ("peak_torque", "peak_power", "measured_curve")
#: Answers of Bite that say by themselves that nothing was worked out.
_NOTHING = OPEN_STATES | {"cannot be", "does not fit"}


@dataclass(frozen=True, slots=True)
class AnswerNow:
    """One of the four answers.

    Attributes
    ----------
    verdict : the answer
    speaks_of : the clutch as it stands, or as it is planned
    asked : False of Bite where nobody said how strong the engine is: a class stands in for it
    assumed : inputs what decides it stands on that nobody entered
    """

    verdict: Verdict
    speaks_of: SpeaksOf
    asked: bool
    assumed: tuple[str, ...]


def answers_now(answers: Answers, speaks_of: SpeaksOf) -> tuple[AnswerNow, ...]:
    """The four answers, each with what it speaks of.

    >>> from liftbite.core.verdicts.answers import answer
    >>> [a.verdict.state for a in answers_now(answer({"layout": Entry("layout", "dry_car")}), "planned")]
    ['open', 'open', 'open', 'open']
    """
    entered = any(name in answers.build.entries for name in _ENGINE)
    return tuple(
        AnswerNow(
            verdict,
            speaks_of,
            entered or verdict.question != "bite" or verdict.state in _NOTHING,
            verdict.deciding.basis.assumed if verdict.deciding else (),
        )
        for verdict in (answers.verdict, *answers.others)
    )


def layers_that_stand(layers: Layers, fates: Mapping[str, str], done: Collection[str]) -> Layers:
    """The entries with every fate that is not carried out yet taken back; the same ones where none is left.

    Parameters
    ----------
    layers : of the job
    fates : part -> what becomes of it by the plan
    done : parts whose fate is carried out: a new one is fitted, or it is out

    >>> layers_that_stand({"": {}}, {"disc": "renewed"}, ["disc"])
    {'': {}}
    """
    for part, fate in fates.items():
        if fate in APART and part not in done:
            now = "left_out" if fate == "added" else "stays"
            layers = with_entries(layers, entering(layers, PLAN, [Entry(fate_of(part), now)]))
    return layers


def points_of_answers(answers: Iterable[AnswerNow]) -> Iterator[Point]:
    """Answers that fall short, and those nobody can give."""
    known = list(answers)
    for each in known:
        if each.asked and each.verdict.state not in GOOD_STATES | OPEN_STATES:
            says = f"{each.verdict.question.capitalize()}: {verdict_sentence(each.verdict).rstrip('.')}"
            yield Point("answers", "choose", (says,), each.verdict.question)
    missing = [a.verdict.question.capitalize() for a in known if not a.asked or a.verdict.state in OPEN_STATES]
    if missing:
        yield Point("not answered", "choose", tuple(missing))
