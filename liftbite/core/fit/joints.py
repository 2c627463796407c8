"""Joints of several bolts on a circle: what a job says of them, and the card they are worked from.

- `JOINTS`        the joints whose circle or count a job knows
- `sequence_of`   the order a joint's bolts are tightened in
- `Card`, `card_of`   a circle at its true size
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolts import MOST, places_on, star
from liftbite.core.job.build import Build, label_of


@dataclass(frozen=True, slots=True)
class Joint:
    """Bolts on a circle.

    Attributes
    ----------
    label : what it is called
    count, circle, bolt, tightening : inputs that say how many, on which diameter, how thick, and how tight; empty where
        none does
    """

    label: str
    count: str = ""
    circle: str = ""
    bolt: str = ""
    tightening: str = ""


JOINTS: Mapping[str, Joint] = {
    "flywheel": Joint("Flywheel bolts", "bolt_count", "bolt_circle_diameter", "bolt_diameter", "bolt_torque"),
    "cover": Joint("Cover bolts", circle="flywheel_cover_bolt_circle"),
    "spring_bolts": Joint("Spring bolts", "spring_count", "spring_circle_diameter"),
}


def sequence_of(joint: str, known: Mapping[str, object]) -> tuple[int, ...]:
    """The order a joint's bolts are tightened in; nothing where nobody said how many there are.

    >>> sequence_of("flywheel", {"bolt_count": 6.0}), sequence_of("cover", {})
    ((1, 4, 2, 5, 3, 6), ())
    """
    found = JOINTS.get(joint)
    count = known.get(found.count) if found else None
    return star(int(count)) if isinstance(count, float | int) and 3 <= count <= MOST else ()


@dataclass(frozen=True, slots=True)
class Card:
    """A bolt circle at its true size, its holes numbered clockwise from the top.

    Attributes
    ----------
    label : what the joint is called
    diameter : of the circle [m]
    places : of the holes from the centre, x to the right and y up [m]
    order : their numbers in the order they are tightened
    hole : diameter of a bolt [m]; None where nobody said, and no hole is drawn
    tightening : as typed, or empty
    """

    label: str
    diameter: float
    places: tuple[tuple[float, float], ...]
    order: tuple[int, ...]
    hole: float | None
    tightening: str


def card_of(build: Build, joint: str, count: int | None = None) -> Card:
    """The card of a joint; only from a circle that was entered, for it is laid on the part.

    Parameters
    ----------
    build : the job
    joint : one of `JOINTS`
    count : how many bolts, where the job does not say

    Raises
    ------
    UnreadableEntry : its circle or count is not entered
    """
    found = JOINTS[joint]
    if found.circle not in build.entries:
        raise UnreadableEntry(f"A card at 1:1 wants what was measured: enter {label_of(found.circle).lower()}")
    many = count or int(build.known.get(found.count, 0))
    if not 3 <= many <= MOST:
        raise UnreadableEntry(f"{found.label}: say how many there are, 3 to {MOST}")
    across = float(build.known[found.circle])
    typed = build.entries.get(found.tightening)
    thick = build.known.get(found.bolt)
    return Card(found.label, across, tuple(places_on(many, across)), star(many),
                None if thick is None else float(thick), (typed.typed or "") if typed else "")  # fmt: skip
