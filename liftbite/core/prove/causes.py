"""What makes a clutch slip, drag, judder, howl or shake; what each shows; and the tests that tell them apart.

- `COMPLAINTS`, `AS_TOLD`   what can be complained of, and the words it is told by; one told in other words
- `Test`, `TESTS`     something to look at, try or ask, with its answers and how often each is given by a sound vehicle
- `Cause`, `CAUSES`   a fault: which complaints it makes, how often it is the one, which answers it gives, what mends it
- `read_cause`        a cause as its row says it
- `refuse_unfinished`   refuses a table that names what there is none of

The rows stand in `causes.toml`. Shares are round figures of the trade: they order causes, they measure nothing.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from liftbite.core.job.parts import PARTS
from liftbite.core.measure.checks import CHECKS
from liftbite.core.tables import made, rows

#: The answer that tells nothing: a look that settles nothing closes nothing.
CANNOT_TELL = "cannot tell"


@dataclass(frozen=True, slots=True)
class Test:
    """Something that separates causes.

    Attributes
    ----------
    name : in the record
    ask : what is done, as one would say it across a bench
    minutes : what it takes
    answers : answer -> how often a vehicle without the fault gives it [-], together 1
    layout : "dry_car" or "wet_motorcycle"; empty for both
    opens : True where the gearbox has to come out, or the cover off
    source : where its shares are from
    """

    name: str
    ask: str
    minutes: float
    answers: Mapping[str, float]
    source: str
    layout: str = ""
    opens: bool = False


_TABLE = rows("liftbite.core.prove", "causes.toml")
#: Complaint -> the words it is told by, as patterns.
COMPLAINTS: Mapping[str, tuple[str, ...]] = {name: tuple(words) for name, words in _TABLE["complaint"].items()}
#: Name of a complaint in whose words nothing is known: it goes by what was told.
AS_TOLD = "told"
TESTS: Mapping[str, Test] = {name: made(Test, name, {"name": name, **said}) for name, said in _TABLE["test"].items()}


@dataclass(frozen=True, slots=True)
class Cause:
    """A fault.

    Attributes
    ----------
    name, words : in the record, on screen
    shows : complaint -> how often it makes it [-]
    often : how often it is the one, against others of the same complaint [-]
    tells : test -> answer -> how often this fault gives it [-]
    mends : what mends it
    layout : "dry_car" or "wet_motorcycle"; empty for both
    closes : keys of the parts that are got once it was found; nothing where it wants none
    scope : how far the job goes then; empty where it wants no work
    source : where its shares are from
    """

    name: str
    words: str
    shows: Mapping[str, float]
    often: float
    tells: Mapping[str, Mapping[str, float]]
    mends: str
    source: str
    layout: str = ""
    closes: tuple[str, ...] = ()
    scope: str = ""


def read_cause(name: str, said: Mapping[str, Any]) -> Cause:
    """A cause as its row says it: a plain answer is given nine times of ten.

    Raises
    ------
    ValueError : it says too much or too little, or tells of what there is none of
    """
    tells = {test: _answers(name, test, answer) for test, answer in said.get("tells", {}).items()}
    return made(Cause, name, {"name": name, **said, "tells": tells})


def _answers(cause: str, test: str, said: str | Mapping[str, float]) -> Mapping[str, float]:
    if test not in TESTS:
        raise ValueError(f"cause “{cause}” tells of “{test}”, which is no test")
    answers = TESTS[test].answers
    unknown = {said} - set(answers) if isinstance(said, str) else set(said) - set(answers)
    if unknown:
        raise ValueError(f"cause “{cause}”, {test}: {', '.join(sorted(unknown))} is no answer of it")
    if not isinstance(said, str):
        return said
    rest = sum(p for a, p in answers.items() if a != said)
    return {a: 0.9 if a == said else 0.1 * p / rest for a, p in answers.items()}


CAUSES: Mapping[str, Cause] = {name: read_cause(name, said) for name, said in _TABLE["cause"].items()}


def refuse_unfinished() -> None:
    """Refuses a table in which a cause, or a check that speaks for one, names what there is none of.

    Raises
    ------
    ValueError : what is missing, in a sentence for the one who adds it
    """

    def must(holds: object, says: str) -> None:
        if not holds:
            raise ValueError(says)

    for cause in CAUSES.values():
        must(cause.shows, f"cause “{cause.name}”: say which complaints it makes: shows")
        must(cause.mends, f"cause “{cause.name}”: say what mends it: mends")
        for part in cause.closes:
            must(
                part in PARTS,
                f"cause “{cause.name}” closes into “{part}”, which is no part; add it to core/job/parts.py",
            )
    for check in CHECKS.values():
        for name in (*check.causes, *(cause for grade in check.grades for cause in grade.causes)):
            must(name in CAUSES, f"check “{check.name}” speaks for “{name}”, which is no cause")


refuse_unfinished()
