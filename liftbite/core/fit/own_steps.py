"""Steps of one's own: what a job or a shop adds to its plans.

- `own_steps`     steps a record adds, each with its place
- `fits`          whether new ones have a place in every plan
- `own_key`, `own_keys_of_before`   what such a step goes by, and went by before
- `MOST_OWN`      most of them a plan takes
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from graphlib import CycleError, TopologicalSorter

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.statements import OwnStep
from liftbite.core.fit.step import Step
from liftbite.core.job.parts import part_named
from liftbite.core.job.record import Line, in_force, keys_of_before, name_key

OWN = "own:"
#: Most steps of one's own a plan takes.
MOST_OWN = 200


@dataclass(frozen=True, slots=True)
class OwnPlace:
    """A step of one's own with its place.

    Attributes
    ----------
    step : the step
    after, before : keys of the steps it stands between; empty where not said
    back : what putting it back is called; empty where nothing comes off
    """

    step: Step
    after: str = ""
    before: str = ""
    back: str = ""


def own_steps(record: Iterable[Line]) -> list[OwnPlace]:
    """The steps a record adds, each with its place.

    >>> said = OwnStep(answer="asked", after="cover_on", hands="2", joint="brace")
    >>> own_steps([Line("Brace on", said)])[0].step.joints
    ('brace',)
    """
    return [_own(line) for line in in_force(record, OwnStep).values()]


def _own(line: Line[OwnStep]) -> OwnPlace:
    said = line.statement
    step = Step(
        own_key(line.key),
        line.key,
        "down" if said.back else "fit",
        said.reached,
        hands=int(said.hands or 1),
        tools=_list(said.tools),
        note=said.note,
        hazards=tuple(filter(None, (said.hazards,))),
        evidence=said.evidence or "tick",
        parts=tuple(map(part_named, _list(said.parts))),
        joints=tuple(filter(None, (said.joint,))),
        minutes=int(said.minutes or 10),
    )
    return OwnPlace(step, said.after, said.before, said.back)


def _list(text: str) -> tuple[str, ...]:
    return tuple(part.strip() for part in text.split(",") if part.strip())


def fits(record: Iterable[Line], new: Iterable[Line]) -> None:
    """Whether new steps of one's own have a place in every plan.

    Parameters
    ----------
    record : the steps there are, of the shop and of the job, with the new ones
    new : those that are said now

    Raises
    ------
    UnreadableEntry : one comes after itself, or there are more than a plan takes
    """
    places = own_steps(record)
    rings = in_rings(places)
    placed = [place.step.key for place in places if place.step.key not in rings][:MOST_OWN]
    for line in new:
        if line.answer == "asked" and own_key(line.key) not in placed:
            raise UnreadableEntry(
                f"“{line.key}” comes after itself, or is one more than the {MOST_OWN} steps of one's own a plan takes"
            )


def in_rings(places: Iterable[OwnPlace]) -> set[str]:
    """Keys of the own steps that come after themselves, by way of other own steps.

    >>> from liftbite.core.fit.step import Step
    >>> a, b = Step("own:a", "A", "fit"), Step("own:b", "B", "fit")
    >>> sorted(in_rings([OwnPlace(a, after="own:b"), OwnPlace(b, after="own:a")]))
    ['own:a', 'own:b']
    """
    known = list(places)
    needs: dict[str, set[str]] = {place.step.key: {place.after} for place in known if place.step.key}
    for place in known:
        if place.before:
            needs.setdefault(place.before, set()).add(place.step.key)
    rings: set[str] = set()
    while True:
        try:
            TopologicalSorter({key: wanted - rings for key, wanted in needs.items() if key not in rings}).prepare()
        except CycleError as error:
            rings |= set(error.args[1])
            continue
        return rings & {place.step.key for place in known}


def own_key(title: str) -> str:
    """The name of a step of one's own, for good.

    >>> own_key("Paint the trace on every bolt")
    'own:paint_the_trace_on_every_bolt'
    """
    return OWN + name_key(title, "step", 60)


def own_keys_of_before(titles: Iterable[str]) -> Mapping[str, str]:
    """Key of before -> key, of steps of one's own.

    >>> own_keys_of_before(["Paint bolt #1"])
    {'own:paint_bolt_1': 'own:paint_bolt_1_243fb335506c'}
    """
    return {OWN + old: OWN + key for old, key in keys_of_before(titles, "step", 60).items()}
