"""First start, first metres, road test, and the look again: what is done, what is listened for, what is no fault.

- `Item`, `Card`, `CARDS`   what is done one after the other, with big answers
- `NOISES`     noises that are not the clutch, and what they are
- `cards_of`   the cards of a case, each with what of the plan comes first

[practice: chapters of the trade on the first start; no source].
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from liftbite.core.fit.case import Case
from liftbite.core.fit.progress import PASSED, Progress


def _always(_: Case) -> bool:
    return True


@dataclass(frozen=True, slots=True)
class Item:
    """Something that is tried.

    Attributes
    ----------
    name : in the record, after its card's
    do : what is done
    listen : what to look, feel and listen for
    symptom : the complaint it becomes where it is odd, by the fault finder's names
    when : the cases it is part of
    """

    name: str
    do: str
    listen: str
    symptom: str = ""
    when: Callable[[Case], bool] = _always


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
    """

    name: str
    title: str
    caution: str
    on_two: str
    first: tuple[str, ...]
    items: tuple[Item, ...]


def _car(case: Case) -> bool:
    return case.car


def _bike(case: Case) -> bool:
    return not case.car


CARDS: Sequence[Card] = (
    Card("start", "First start",
         "Exhaust on, doors open. On stands every driven wheel is up, and nobody stands in line with one. All-wheel "
         "drive: all four.", "Exhaust on, doors open. On its stand the rear wheel is up, and nobody stands behind it.", ("prove_start", "static_release"), (
        Item("neutral", "Start it in neutral, pedal up", "Turns freely, no scrape, no smell", "noise"),
        Item("down", "Pedal down, held for ten seconds", "No howl from the bearing, no shake that was not there", "noise"),
        Item("into_first", "Still down: into first", "Goes in without a grind; the wheels do not turn", "drags"),
        Item("let_up", "Let it up slowly", "Takes hold smoothly, where Lift says", "judders"),
        Item("leaks", "Off again: a look underneath", "Dry at slave, line, seal and sump", "pedal"),
        Item("level", "Levels again after the run", "Where they were"),
    )),
    Card("metres", "First metres", "A yard, nobody in front or behind. The brakes are proved before the wheels turn freely.",
         "A yard, nobody in front or behind; helmet and gloves. The brakes are proved first.",
         ("prove_drive",), (
        Item("brakes", "Brake pedal, standing and at a walk", "Firm, and it stops"),
        Item("forward", "A few metres forward and back, twice", "No jerk, no drag, the same each time", "judders"),
        Item("reverse", "Into reverse after three seconds of pedal down", "Goes in without a grind", "drags"),
        Item("gates", "Every gear, standing", "Each where it was, or the driver is told of the new gate"),
    )),
    Card("road", "Road test", "By day, alone, a road where one can stop. No full load before it is bedded in.",
         "By day, alone, dressed for it, a road where one can stop. No full load before it is bedded in.", ("prove_drive",), (
        Item("up_down", "Up and down through the gears, gently", "Clean changes both ways", "drags"),
        Item("pull", "Half throttle from low revs in a high gear", "The revs follow the road; they do not run away", "slips"),
        Item("hill", "One start on a slope, short slip", "Takes hold without shudder", "judders"),
        Item("revs", "Through the revs in neutral, pedal up and down", "No shake that comes with speed", "vibration"),
        Item("hot", "Ten minutes on: pull away twice more", "Bites where it did cold; no smell", "smell"),
        Item("lever", "Lever free play once it is warm", "Where it was set", "pedal", _bike),
        Item("after", "Parked for ten minutes, then into gear", "Goes in as before; the pedal stands where it did", "drags"),
    )),
    Card("recheck", "Again after 50 to 100 km", "Cold, chocked, off the road.", "Cold, on its stand, off the road.", ("drive",), (
        Item("fluid", "Fluid and oil levels", "Where they were set"),
        Item("leaks", "Slave, line, seals, sump", "Dry", "pedal"),
        Item("mounts", "Mounts, crossmember, exhaust", "Tight", "", _car),
        Item("shafts", "Shaft and propeller shaft bolts", "Tight: a wrench, not a look", "", _car),
        Item("travel", "Slave travel, or free play at the lever", "As measured before the first start", "drags"),
        Item("sensor", "Sensor and plug of the housing, routing", "Free of shaft and heat", "", _car),
    )),
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Noise:
    """A noise that is not the clutch: how it is heard, and what it is."""

    name: str
    heard: str
    what: str
    when: Callable[[Case], bool] = _always


NOISES: Sequence[Noise] = (
    Noise("input_bearing", "Whirr in neutral with the pedal up, gone with it down", "the gearbox's input bearing", _car),
    Noise("idle_rattle", "Rattle at idle in neutral, gone with a little throttle or the pedal down",
          "gears of a gearbox behind a light flywheel or a solid hub; no fault", _car),
    Noise("exhaust", "Tick or blow that follows the throttle, loudest cold", "an exhaust joint that was undone"),
    Noise("tin", "Scrape or buzz at one engine speed", "a heat shield or the housing's dust plate", _car),
    Noise("starter", "Grind only while it cranks", "the starter's pinion or ring gear, or its spacer", _car),
    Noise("shaft", "Vibration with road speed, the engine off the gear", "a propeller shaft put back another way round", _car),
    Noise("road", "Hum with road speed whatever the pedal does", "wheel bearings or tyres"),
    Noise("primary", "Whine with engine speed, pedal no matter", "the primary gears' lash", _bike),
    Noise("chain", "Slap on and off the throttle", "chain or final drive slack", _bike),
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class CardStanding:
    """A card with its caution and items of the case, and the titles of what comes first and is not done."""

    card: Card
    caution: str
    items: tuple[Item, ...]
    first: tuple[str, ...]


def cards_of(case: Case, found: Progress) -> list[CardStanding]:
    """The cards of a case.

    Parameters
    ----------
    case : of the job
    found : where it stands in its plan: steps that come before a card and are not passed are named
    """
    open_steps = {s.planned.key: s.planned.step.title for s in found.standings if s.state not in PASSED}
    return [
        CardStanding(card, card.caution if case.car else card.on_two, tuple(item for item in card.items if item.when(case)),
                     tuple(open_steps[key] for key in card.first if key in open_steps))
        for card in CARDS
    ]  # fmt: skip


#: Every item by its name in the record.
ITEMS: Mapping[str, Item] = {f"{card.name}:{item.name}": item for card in CARDS for item in card.items}
NOISE: Mapping[str, Noise] = {noise.name: noise for noise in NOISES}
