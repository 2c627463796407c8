"""Cases of every kind for the tests of the plan."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import combinations
from random import Random
from typing import Any

from hypothesis import strategies as st

from liftbite.core.fit.case import KINDS, QUESTIONS, Case, answered
from liftbite.core.fit.plan import Plan
from liftbite.core.job.parts import fated

SCOPES = ("", "everything", "clutch_flywheel", "clutch", "bearing", "hydraulics", "complaint")
RENEWED = "renewed"


def case(car: bool = True, **more: Any) -> Case:
    """A case with the answers and figures that are named, the usual ones elsewhere."""
    said = {name: more.pop(name) for name in list(more) if name in QUESTIONS}
    taken = {
        "pull": False,
        "hydraulic": True,
        "concentric": False,
        "discs": 1,
        "scope": "",
        "fates": {},
        "shop": {},
    } | more
    return answered(Case({"kind": said.get("kind", "in_line")}, car, **taken), said)


def renewing(*parts: str, **more: Any) -> Case:
    """A case that renews parts."""
    return case(fates=dict.fromkeys(parts, RENEWED), **more)


def name_of(found: Case) -> str:
    """What a case is called in a list of tests."""
    return f"{found.answers.get('kind', 'bike')} {'pull' if found.pull else 'push'}"


#: Every kind of vehicle, push and pull, and a motorcycle with cable and with slave.
EVERY_KIND = [
    *(case(kind=kind, pull=pull) for kind in KINDS for pull in (False, True)),
    *(case(kind=kind, concentric=True) for kind in ("in_line", "engine_out", "new_installation")),
    case(car=False),
    case(car=False, hydraulic=False),
]


def drawn(random: Random) -> Case:
    """Any combination of answers, fates and scope."""
    car = random.random() < 0.75
    said = {q.name: random.choice(list(q.options)) for q in QUESTIONS.values()}
    parts = random.sample(list(fated()), random.choice((0, 1, 2, 3, 5)))
    return case(
        car,
        dual_mass=(random.random() < 0.2, random.random() < 0.2),
        **said,
        pull=car and random.random() < 0.4,
        hydraulic=random.random() < 0.7,
        concentric=car and random.random() < 0.3,
        discs=random.choice((1, 1, 2)),
        scope=random.choice(SCOPES),
        fates={part.key: random.choice(part.fates) for part in parts},
    )


def pairs() -> Iterator[Case]:
    """Every two answers, fates or scopes together, the rest as usual, for each kind of vehicle and a motorcycle."""
    said = [(q.name, option) for q in QUESTIONS.values() for option in list(q.options)[1:] if q.name != "kind"]
    fates = [("fate", part.key, fate) for part in fated() for fate in part.fates[1:]]
    scopes = [("scope", scope) for scope in SCOPES[1:]]
    ways: list[tuple[str, ...]] = [*said, *fates, *scopes]
    for number, (one, other) in enumerate(combinations(ways, 2)):
        more: dict[str, Any] = {"fates": {}}
        for way in (one, other):
            if way[0] == "fate":
                more["fates"] |= {way[1]: way[2]}
            else:
                more[way[0]] = way[1]
        kinds: list[str] = [*KINDS, "motorcycle"]
        kind = kinds[number % len(kinds)]
        yield case(kind != "motorcycle", kind=kind if kind in KINDS else "in_line", **more)


@st.composite
def any_case(draw: st.DrawFn) -> Case:
    """Any case, for properties."""
    return drawn(Random(draw(st.integers(0, 2**32))))


def place_of(plan: Plan) -> dict[str, int]:
    """Key -> its place in the order."""
    return {planned.key: place for place, planned in enumerate(plan.steps)}


def reached(edges: dict[str, set[str]], start: str) -> set[str]:
    """Everything that is reached from a key, itself not among it."""
    found: set[str] = set()
    ahead = [start]
    while ahead:
        for key in edges.get(ahead.pop(), set()) - found:
            found.add(key)
            ahead.append(key)
    return found
