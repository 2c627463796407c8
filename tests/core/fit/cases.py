"""Cases of every kind for the tests of the plan."""

from __future__ import annotations

from itertools import product
from typing import Any

from hypothesis import strategies as st

from liftbite.core.fit.case import KINDS, QUESTIONS, Case
from liftbite.core.job.parts import FATES, fated

SCOPES = ("everything", "clutch_flywheel", "clutch", "bearing", "hydraulics", "complaint")


def case(car: bool = True, **more: Any) -> Case:
    answers = {q.name: next(iter(q.options)) for q in QUESTIONS.values() if car or q.motorcycle}
    answers |= {name: more.pop(name) for name in list(more) if name in QUESTIONS}
    taken = {
        "pull": False,
        "hydraulic": True,
        "concentric": False,
        "discs": 1,
        "scope": "everything",
        "fates": {},
        "shop": {},
    } | more
    return Case(answers, car, **taken)


def name_of(found: Case) -> str:
    return f"{found.answers.get('kind', 'bike')} {'pull' if found.pull else 'push'}"


#: Every kind of vehicle, push and pull, and a motorcycle with cable and with slave.
EVERY_KIND = [
    *(case(kind=kind, pull=pull, concentric=kind == "engine_out") for kind, pull in product(KINDS, (False, True))),
    case(car=False),
    case(car=False, hydraulic=False),
]


@st.composite
def any_case(draw: st.DrawFn) -> Case:
    car = draw(st.booleans())
    answers = {q.name: draw(st.sampled_from(list(q.options))) for q in QUESTIONS.values() if car or q.motorcycle}
    fates = {
        part: draw(st.sampled_from(list(FATES)))
        for part in draw(st.sets(st.sampled_from([part.key for part in fated()])))
    }
    return Case(
        answers,
        car,
        car and draw(st.booleans()),
        draw(st.booleans()),
        car and draw(st.booleans()),
        draw(st.integers(1, 3)),
        draw(st.sampled_from(SCOPES)),
        fates,
        {},
    )


def reached(edges: dict[str, set[str]], start: str) -> set[str]:
    """Everything that is reached from a key, itself not among it."""
    found: set[str] = set()
    ahead = [start]
    while ahead:
        for key in edges.get(ahead.pop(), set()) - found:
            found.add(key)
            ahead.append(key)
    return found
