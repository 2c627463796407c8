"""What the owner is told of the work, in the owner's words.

- `owner_lines`   what was renewed, put back, is still to come or not solved, a heading with its lines each
- `OWNER_ANSWERS`, `owner_answer`   question -> answer -> what it means to a driver; an answer with what it stands on
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence

from liftbite.core.account.complaints import Complaint
from liftbite.core.account.parts import PartLine
from liftbite.core.account.points import Code, Point
from liftbite.core.account.words import worded

#: Question -> answer -> what it means to a driver.
OWNER_ANSWERS: Mapping[str, Mapping[str, str]] = {
    "bite": {
        "holds": "The clutch holds the engine.",
        "thin": "The clutch holds the engine, with less in hand than this use asks for.",
        "slips": "The clutch slips under full load.",
        "open": "Whether it holds was not worked out: figures are missing.",
        "not asked": "Whether it holds was not worked out: nobody said how strong the engine is.",
    },
    "lift": {
        "open": "Whether it frees was not worked out: figures are missing.",
        "frees": "It frees when you press the pedal.",
        "thin": "It frees, with little in hand.",
        "look again": "Whether it frees as it should wants another look.",
        "drags": "It drags: it does not free fully.",
    },
    "heat": {
        "open": "How warm it gets was not worked out: figures are missing.",
        "stays": "It stays cool enough for this use.",
        "warm": "It gets warm in this use: give it time between hard starts.",
        "cooks": "This use overheats it.",
    },
    "true": {
        "open": "How true it runs was not worked out: figures are missing.",
        "runs true": "It runs true.",
        "look again": "How true it runs wants another look.",
        "thin": "It runs true, with little in hand.",
        "stop": "It must not run as it is.",
    },
}
#: Most assumed figures that are named to an owner.
_NAMED = 3
#: What is not done, in words an owner knows; what is not here is the shop's own.
_STILL: Mapping[Code, tuple[str, ...]] = {
    "steps": ("1 step of the work is to be done.", "{n} steps of the work are to be done."),
    "hold points": ("1 point is still to be proved.", "{n} points are still to be proved."),
    "awaited": ("Parts on their way: {}.",),
    "to fit": ("Parts to fit: {}.",),
    "renew": ("Found worn, and nothing planned yet: {}.",),
    "dress": ("To be machined or dressed: {}.",),
    "put right": ("To be put right: {}.",),
    "stops": ("Not fit to be used as it was measured: {}.",),
    "cards": ("Not tried yet: {}.",),
    "odd": ("Odd when it was tried: {}.",),
    "left over": ("Left over and not explained: {}.",),
}


def owner_answer(question: str, state: str, assumed: Sequence[str]) -> str:
    """An answer as a driver is told it, and by which figures nobody measured.

    Parameters
    ----------
    question, state : which question, and its answer
    assumed : what decides it and nobody entered, by what it is called

    >>> owner_answer("bite", "holds", ["Friction, low"])
    'The clutch holds the engine. Worked out with typical figures, not measured ones: friction, low.'
    >>> owner_answer("heat", "open", [])
    'How warm it gets was not worked out: figures are missing.'
    """
    says = OWNER_ANSWERS.get(question, {}).get(state)
    if says is None:
        return f"{state[0].upper()}{state[1:]}."
    if state in ("open", "not asked") or not assumed:
        return says
    named = "; ".join(label[0].lower() + label[1:] for label in assumed[:_NAMED])
    more = f" and {len(assumed) - _NAMED} more" if len(assumed) > _NAMED else ""
    return f"{says} Worked out with typical figures, not measured ones: {named}{more}."


def owner_lines(
    parts: Sequence[PartLine], complaints: Iterable[Complaint], points: Iterable[Point]
) -> tuple[tuple[str, tuple[str, ...]], ...]:
    """What was done, what is still to come, and what is not solved; a heading is there only with a line under it.

    >>> owner_lines([PartLine("disc", "get", "fitted"), PartLine("pilot", "get", "suggested")], [], [])
    (('New', ('Disc',)),)
    """
    sections = {
        "New": [line.label for line in parts if line.work == "get" and line.state == "fitted"],
        "Machined or dressed": [line.label for line in parts if line.work == "dress" and line.state == "fitted"],
        "Left out": [line.label for line in parts if line.state == "left_out"],
        "Put back as it was": [line.label for line in parts if line.state == "put_back"],
        "You asked about": [_complaint(each) for each in complaints],
        "Still to do": [_still(point) for point in points if point.code in _STILL],
    }
    return tuple((heading, tuple(lines)) for heading, lines in sections.items() if lines)


def _complaint(each: Complaint) -> str:
    name = each.label
    if each.state == "closed" and each.closed is not None:
        return f"{name}: {each.closed.statement.reason}."
    return f"{name}: the cause was found." if each.state == "explained" else f"{name}: not solved yet."


def _still(point: Point) -> str:
    return worded(_STILL[point.code], point, ", ".join(point.named))
