"""First start, first metres, road test, and the look again: what is done, what is listened for, what is no fault.

- `Item`, `Card`, `CARDS`   what is done one after the other, with big answers
- `NOISES`     noises that are not the clutch, and what they are
- `card_named`, `items_of`   one of them, and its items that concern a case
- `cards_of`   the cards of a case, each with what of the plan comes first

They stand in `cards.toml`.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from liftbite.core.fit.case import Case
from liftbite.core.fit.progress import PASSED, Progress
from liftbite.core.tables import made, rows


@dataclass(frozen=True, slots=True)
class Item:
    """Something that is tried.

    Attributes
    ----------
    name : in the record, after its card's
    do : what is done
    listen : what to look, feel and listen for
    symptom : the complaint it becomes where it is odd, by the fault finder's names
    where : what a case has that it is part of, by the words of `Case.has`
    """

    name: str
    do: str
    listen: str
    symptom: str = ""
    where: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Card:
    """What is tried in one go.

    Attributes
    ----------
    name, title : in the record, on screen
    caution : what can hurt
    on_two : the same for a motorcycle
    first : steps of the plan that are proved before it
    items : in order
    source : where it is from
    """

    name: str
    title: str
    caution: str
    on_two: str
    first: tuple[str, ...]
    items: tuple[Item, ...]
    source: str


@dataclass(frozen=True, slots=True)
class Noise:
    """A noise that is not the clutch: how it is heard, and what it is."""

    name: str
    heard: str
    what: str
    source: str
    where: tuple[str, ...] = ()


def _card(name: str, said: Mapping[str, Any]) -> Card:
    items = tuple(made(Item, f"{name}:{item}", {"name": item, **row}) for item, row in said["items"].items())
    return made(Card, name, {"name": name, **said, "items": items})


_TABLE = rows("liftbite.core.prove", "cards.toml")
CARDS: Sequence[Card] = tuple(_card(name, said) for name, said in _TABLE["card"].items())
NOISES: Sequence[Noise] = tuple(made(Noise, name, {"name": name, **said}) for name, said in _TABLE["noise"].items())


def card_named(name: str) -> Card | None:
    """A card by its name; None where there is none.

    >>> card_named("start").title
    'First start'
    """
    return next((card for card in CARDS if card.name == name), None)


@dataclass(frozen=True, slots=True)
class CardStanding:
    """A card with its caution and items of the case, and the titles of what comes first and is not done."""

    card: Card
    caution: str
    items: tuple[Item, ...]
    first: tuple[str, ...]


def items_of(card: Card, case: Case) -> dict[str, Item]:
    """The items of a card that concern a case, by their names in the record."""
    return {f"{card.name}:{item.name}": item for item in card.items if case.has(*item.where)}


def cards_of(case: Case, found: Progress) -> list[CardStanding]:
    """The cards of a case.

    Parameters
    ----------
    case : of the job
    found : where it stands in its plan: steps that come before a card and are not passed are named
    """
    open_steps = {s.planned.key: s.planned.step.title for s in found.standings if s.state not in PASSED}
    return [
        CardStanding(
            card,
            card.caution if case.car else card.on_two,
            tuple(items_of(card, case).values()),
            tuple(open_steps[key] for key in card.first if key in open_steps),
        )
        for card in CARDS
    ]


#: Every item by its name in the record.
ITEMS: Mapping[str, Item] = {f"{card.name}:{item.name}": item for card in CARDS for item in card.items}
NOISE: Mapping[str, Noise] = {noise.name: noise for noise in NOISES}
