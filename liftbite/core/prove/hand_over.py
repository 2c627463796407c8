"""What an owner is told, and the dates to come.

- `briefing`   what the owner has to know, in a few lines
- `dues`       in how many days it is looked at again, bedded in, and its fluid renewed
- `look_at`    what is looked at again after the first kilometres

[practice: the trade's round figures; no source], but for the fluid.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass

from liftbite.core.prove.running_in import RunningIn

#: Item of the card after 50 to 100 km -> what an owner calls it.
_LOOKED_AT: Mapping[str, str] = {
    "recheck:fluid": "levels",
    "recheck:leaks": "leaks",
    "recheck:mounts": "mounts and exhaust",
    "recheck:shafts": "shaft bolts",
    "recheck:travel": "the travel of the release",
}
#: Brake fluid takes up water: renewed after so many days [memory: two years, as makers name it].
FLUID = 730
#: When somebody who drives every day has done 50 to 100 km, and has bedded it in [days].
LOOK_AGAIN, BEDDED = 7, 42


def look_at(items: Iterable[str]) -> str:
    """What is looked at again between 50 and 100 km, as an owner calls it.

    Parameters
    ----------
    items : keys of the items of the card that concern the job

    >>> look_at(["recheck:fluid", "recheck:leaks", "recheck:travel"])
    'levels, leaks and the travel of the release'
    """
    *first, last = [_LOOKED_AT[key] for key in items if key in _LOOKED_AT]
    return f"{', '.join(first)} and {last}" if first else last


def briefing(bedding: RunningIn, look_at: str, *, looked: bool = False) -> Iterator[str]:
    """What the owner has to know.

    Parameters
    ----------
    bedding : how far it is bedded in
    look_at : what is looked at again
    looked : True once it was

    >>> from liftbite.core.prove.running_in import Asked
    >>> [line[:9] for line in briefing(RunningIn(Asked("distance", 800e3), (), 0.0, 0, (), False), "leaks")]
    ['Come back', 'Stop and ']
    """
    if not bedding.done:
        yield bedding.sentence
        yield "Until then: no hard starts, no full throttle in high gears, no trailer, no slipping it on hills."
    if not looked:
        yield f"Come back after 50 to 100 km: {look_at} are looked at again."
    yield "Stop and call if it slips, smells, grinds into gear, shakes, or the pedal goes soft or to the floor."


@dataclass(frozen=True, slots=True)
class Due:
    """Something that is due: its name for good, in how many days, and what it is."""

    name: str
    days: int
    words: str


def dues(*, share: float, looked: bool, fluids: Mapping[str, tuple[str, int]]) -> tuple[Due, ...]:
    """What is due, from the day of the hand-over.

    Parameters
    ----------
    share : how far it is bedded in, 0 to 1 [-]
    looked : True once it was looked at again
    fluids : name -> what it is called, and days until it is renewed

    >>> [(due.name, due.days) for due in dues(share=0.5, looked=True, fluids={"clutch": ("Clutch fluid", 730)})]
    [('bedded-in', 21), ('fluid-clutch', 730)]
    """
    found = []
    if not looked:
        found.append(Due("look-again", LOOK_AGAIN, "look again, after 50 to 100 km"))
    if share < 1:
        found.append(Due("bedded-in", max(round((1 - share) * BEDDED), 1), "bedded in, if driven every day"))
    found += [Due(f"fluid-{name}", days, f"renew: {label.lower()}") for name, (label, days) in fluids.items()]
    return tuple(found)
