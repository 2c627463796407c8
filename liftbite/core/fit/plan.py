"""The steps of a case in order: needs bridged over what is left out, what came off put back.

- `Planned`, `Plan`   a step in its plan, and the whole
- `plan_of`           from a case, with the steps a shop adds of its own
- `without_circles`   steps of one's own that have a place, and those that have none

The plan of a case is a graph without a circle. A step that a case does not have hands its needs on, so nothing loses
what had to come before it. What came off goes back in the reverse order it came off, by construction, and nothing is
started before all of it is back.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from graphlib import TopologicalSorter

from liftbite.core.fit.case import Case
from liftbite.core.fit.library import LIBRARY
from liftbite.core.fit.step import Step

BACK, OWN = "back:", "own:"
#: Most steps of one's own a plan takes.
MOST_OWN = 200
#: The step after which what came off begins to go back, the first of these a case has.
_TURNS = ("housing_tight", "lifted_by_hand")
#: The step nothing of a plan may stay behind of.
_LAST_LOOK = "final_look"


@dataclass(frozen=True, slots=True)
class Planned:
    """A step as it stands in a plan, with the keys it needs there."""

    step: Step
    needs: tuple[str, ...]

    @property
    def key(self) -> str:
        """Its name for good."""
        return self.step.key


@dataclass(frozen=True, eq=False)
class Plan:
    """The steps of a case in an order that keeps every need.

    Attributes
    ----------
    steps : in that order
    left_out : what of the steps of one's own has no place, in a sentence each
    """

    steps: tuple[Planned, ...]
    left_out: tuple[str, ...] = ()

    @cached_property
    def by_key(self) -> Mapping[str, Planned]:
        """Key -> step."""
        return {planned.key: planned for planned in self.steps}

    @cached_property
    def before(self) -> Mapping[str, frozenset[str]]:
        """Key -> everything that has to come before it."""
        found: dict[str, frozenset[str]] = {}
        for planned in self.steps:
            found[planned.key] = frozenset(planned.needs).union(*(found[n] for n in planned.needs))
        return found

    @property
    def minutes(self) -> int:
        """About how long it takes in all."""
        return sum(planned.step.minutes for planned in self.steps)


def plan_of(case: Case, own: Iterable[Step] = ()) -> Plan:
    """The plan of a case.

    Parameters
    ----------
    case : what it depends on
    own : steps added by the shop or the job; one that comes after itself has no place, and is left out by name

    >>> from liftbite.core.fit.case import Case
    >>> bike = Case({"helpers": "0"}, False, False, False, False, 1, "everything", {"plates": "renewed"}, {})
    >>> [p.key for p in plan_of(bike).steps][:4]
    ['cautions', 'parts_gate', 'oil_out', 'lever_slack']
    """
    steps = {key: _in(case, step) for key, step in LIBRARY.items() if step.when(case)}
    placed, left_out = without_circles(own)
    steps |= {step.key: step for step in placed}
    needs = {key: _bridged(step.needs, steps) for key, step in steps.items()}
    backs = {BACK + key: step for key, step in steps.items() if step.back}
    ahead = _ahead(needs)
    turn = tuple(key for key in _TURNS if key in steps)[:1]
    for back, step in backs.items():
        later = (BACK + other for other in steps if steps[other].back and step.key in ahead[other])
        needs[back] = (*turn, step.key, *later)
        steps[back] = replace(step, key=back, title=step.back, stretch="back", back="", hazards=(), tools=(), note="")
    for key, step in steps.items():
        wanted = tuple(n for n in step.needs if n.startswith(BACK) and n in steps)
        needs[key] = (*needs[key], *wanted)
    if _LAST_LOOK in steps:
        after = _after(_LAST_LOOK, needs)
        loose = (key for key in steps if key in backs or (key.startswith(OWN) and key not in after))
        needs[_LAST_LOOK] = (*needs[_LAST_LOOK], *loose)
    place = {key: n for n, key in enumerate([*LIBRARY, *steps])}
    order = _in_order(needs, place)
    return Plan(tuple(Planned(steps[key], tuple(dict.fromkeys(needs[key]))) for key in order), left_out)


def without_circles(own: Iterable[Step]) -> tuple[list[Step], tuple[str, ...]]:
    """Steps of one's own that come after something else than themselves, and in sentences those that do not.

    >>> from liftbite.core.fit.step import Step
    >>> without_circles([Step("own:a", "A", "fit", ("own:b",)), Step("own:b", "B", "fit", ("own:a",))])[1]
    ('“A” comes after itself, so it has no place in the plan', '“B” comes after itself, so it has no place in the plan')
    """
    steps = {step.key: step for step in own}
    rings = _rings(steps)
    kept = [step for key, step in steps.items() if key not in rings]
    sentences = [
        f"“{steps[key].title}” comes after itself, so it has no place in the plan" for key in steps if key in rings
    ]
    if len(kept) > MOST_OWN:
        left = len(kept) - MOST_OWN
        sentences.append(f"{left} of {len(kept)} steps of one's own are left out; a plan takes {MOST_OWN}")
    return kept[:MOST_OWN], tuple(sentences)


def _rings(steps: Mapping[str, Step]) -> set[str]:
    """The steps of one's own that come after themselves. Each names one at most, so each is gone through once."""
    rings: set[str] = set()
    seen: set[str] = set()
    for begin in steps:
        path: dict[str, None] = {}
        key = begin
        while key in steps and key not in seen and key not in path:
            path[key] = None
            key = next(iter(steps[key].needs), "")
        if key in path:
            ring = list(path)
            rings.update(ring[ring.index(key) :])
        seen.update(path)
    return rings


def _after(key: str, needs: Mapping[str, tuple[str, ...]]) -> set[str]:
    """Everything that waits for a step, directly or by way of others."""
    waits: dict[str, list[str]] = {}
    for each, wanted in needs.items():
        for need in wanted:
            waits.setdefault(need, []).append(each)
    found, ahead = {key}, [key]
    while ahead:
        for each in waits.get(ahead.pop(), ()):
            if each not in found:
                found.add(each)
                ahead.append(each)
    return found


def _in(case: Case, step: Step) -> Step:
    """A step as it is in a case."""
    return step if step.hazards_of is None else replace(step, hazards=(*step.hazards, *step.hazards_of(case)))


def _bridged(wanted: Iterable[str], steps: Mapping[str, Step]) -> tuple[str, ...]:
    """Needs of steps that are there; one that is not hands on its own. Each is looked at once."""
    found: dict[str, None] = {}
    ahead, seen = list(wanted)[::-1], set()
    while ahead:
        key = ahead.pop()
        if key in steps:
            found[key] = None
        elif key in LIBRARY and key not in seen:
            seen.add(key)
            ahead += LIBRARY[key].needs[::-1]
    return tuple(found)


def _ahead(needs: Mapping[str, tuple[str, ...]]) -> dict[str, set[str]]:
    """Key -> everything before it."""
    found: dict[str, set[str]] = {}
    for key in TopologicalSorter(needs).static_order():
        found[key] = set(needs.get(key, ())).union(*(found[n] for n in needs.get(key, ())))
    return found


def _in_order(needs: Mapping[str, tuple[str, ...]], place: Mapping[str, int]) -> list[str]:
    """An order that keeps every need, as near to the library's as it can be."""
    sorter = TopologicalSorter(needs)
    sorter.prepare()
    ready: list[str] = []
    found = []
    while sorter.is_active():
        ready = sorted((*ready, *sorter.get_ready()), key=lambda key: place.get(key, len(place)))
        first, *ready = ready
        found.append(first)
        sorter.done(first)
    return found
