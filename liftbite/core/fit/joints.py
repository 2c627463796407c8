"""Joints of several bolts on a circle: what a job says of them, and the card they are worked from.

- `JOINTS`        every joint of a job, some with the inputs that say its circle, count and torque
- `label_of_joint`   what one is called, also one of the job's own
- `count_of`      how many bolts a joint has
- `Card`, `card_of`, `card_of_map`   holes at their true size, of a circle the job knows or of the bolt map
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import hypot

from liftbite.core.errors import UnreadableEntry
from liftbite.core.fit.bolt_map import Hole
from liftbite.core.fit.bolts import MOST, places_on, star
from liftbite.core.fit.pattern import Pattern, places_of
from liftbite.core.job.build import Build, label_of
from liftbite.core.units.show import bare
from liftbite.core.words import folded


@dataclass(frozen=True, slots=True)
class Joint:
    """Bolts on a circle.

    Attributes
    ----------
    label : what it is called
    count, circle, bolt, tightening : inputs that say how many, on which diameter, how thick, and how tight; empty where
        none does
    names : what else somebody may write over a bolt map
    """

    label: str
    count: str = ""
    circle: str = ""
    bolt: str = ""
    tightening: str = ""
    names: tuple[str, ...] = ()


JOINTS: Mapping[str, Joint] = {
    "flywheel": Joint(
        "Flywheel bolts", "bolt_count", "bolt_circle_diameter", "bolt_diameter", "bolt_torque", ("flywheel",)
    ),
    "cover": Joint("Cover bolts", circle="flywheel_cover_bolt_circle", names=("cover",)),
    "floater": Joint("Ring of the floater"),
    "floater_stands": Joint("Stands of the floater"),
    "housing": Joint("Housing to engine", names=("bell housing", "housing")),
    "gearbox": Joint("Gearbox to housing", names=("gearbox",)),
    "mounts": Joint("Mounts", names=("gearbox mount", "engine mount")),
    "crossmember": Joint("Crossmember"),
    "prop_shaft": Joint("Propeller shaft flange"),
    "shaft_flange": Joint("Drive shaft flanges"),
    "hub_nut": Joint("Hub nuts"),
    "starter": Joint("Starter"),
    "slave": Joint("Slave cylinder"),
    "pivot": Joint("Pivot of the arm"),
    "concentric": Joint("Concentric bearing"),
    "bleed_screw": Joint("Bleed screw"),
    "retainer": Joint("Bearing retainer", names=("retainer",)),
    "tower": Joint("Shift lever housing"),
    "exhaust": Joint("Exhaust"),
    "subframe": Joint("Subframe"),
    "strut": Joint("Strut"),
    "ball_joint": Joint("Ball joint"),
    "steering": Joint("Steering pinch bolt"),
    "tube": Joint("Torque tube"),
    "coupling": Joint("Coupling of the tube"),
    "rod": Joint("Shift rod"),
    "plugs": Joint("Drain and fill plugs"),
    "banjo": Joint("Line, banjo bolt"),
    "clutch_cover": Joint("Clutch cover of the case"),
    "spring_bolts": Joint("Spring bolts", "spring_count", "spring_circle_diameter"),
    "centre_nut": Joint("Centre nut of the hub"),
    "wheels": Joint("Wheels"),
}


_NAMED = {folded(name): key for key, joint in JOINTS.items() for name in (key, joint.label, *joint.names)}


def joint_named(name: str) -> str:
    """The key of a joint by its key, its label or another name of it; one of the job's own goes by its name.

    >>> joint_named("Bell housing"), joint_named("flywheel bolts"), joint_named("Heat shield")
    ('housing', 'flywheel', 'Heat shield')
    """
    return _NAMED.get(folded(name), name.strip())


def label_of_joint(joint: str) -> str:
    """What a joint is called; one of the job's own goes by its name.

    >>> label_of_joint("hub_nut"), label_of_joint("Heat shield")
    ('Hub nuts', 'Heat shield')
    """
    return JOINTS[joint].label if joint in JOINTS else joint


def count_of(joint: str, known: Mapping[str, object]) -> int:
    """How many bolts a joint has, by the job's figures; 0 where nobody said.

    >>> count_of("flywheel", {"bolt_count": 6.0}), count_of("cover", {})
    (6, 0)
    """
    found = JOINTS.get(joint)
    count = known.get(found.count) if found else None
    return int(count) if isinstance(count, float | int) and 3 <= count <= MOST else 0


@dataclass(frozen=True, slots=True)
class Card:
    """The holes of a joint at their true size, numbered clockwise.

    Attributes
    ----------
    label : what the joint is called
    diameter : of the circle they stand on; None where they stand on none [m]
    places : of the holes from the middle, x to the right and y up [m]
    order : their numbers in the order they are tightened
    holes : diameter of each bolt [m]; None where nobody said, and no hole is drawn
    tightening : as typed, or empty
    bolts : what belongs in each hole, in words; empty where nobody said
    numbers : of the holes
    starts : where the numbers begin, in words
    """

    label: str
    diameter: float | None
    places: tuple[tuple[float, float], ...]
    order: tuple[int, ...]
    holes: tuple[float | None, ...]
    tightening: str
    bolts: tuple[str, ...] = ()
    numbers: tuple[int, ...] = ()
    starts: str = "numbered clockwise from the part's own mark"

    @property
    def reach(self) -> float:
        """From the middle to the outermost edge of a hole, at least the circle [m]."""
        far = max(hypot(*place) for place in self.places)
        return max(far, (self.diameter or 0.0) / 2) + max((hole or 0.0) for hole in self.holes)


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
    if not found.circle:
        raise UnreadableEntry(f"{found.label}: no circle is known of it; map its holes in the bolt map")
    if found.circle not in build.entries:
        raise UnreadableEntry(f"A card at 1:1 wants what was measured: enter {label_of(found.circle).lower()}")
    many = count or int(build.known.get(found.count, 0))
    if not 3 <= many <= MOST:
        raise UnreadableEntry(f"{found.label}: say how many there are, 3 to {MOST}")
    across = float(build.known[found.circle])
    typed = build.entries.get(found.tightening)
    thick = build.known.get(found.bolt)
    return Card(
        found.label,
        across,
        tuple(places_on(many, across)),
        star(many),
        (None if thick is None else float(thick),) * many,
        (typed.typed or "") if typed else "",
        numbers=tuple(range(1, many + 1)),
    )


#: Where numbers begin, in words.
STARTS = {"part": "numbered clockwise from the part's own mark", "clock": "numbered clockwise from the top, as seen"}


def card_of_map(holes: Sequence[Hole], pattern: Pattern) -> Card:
    """The card of a joint of the bolt map, each bolt's length in its hole's place.

    Raises
    ------
    UnreadableEntry : a hole nobody placed, or no length that was measured
    """
    places = places_of(holes, pattern)
    by_number = {hole.number: hole for hole in holes}
    numbers = tuple(sorted(places))
    order = tuple(numbers[n - 1] for n in star(len(numbers)))
    on_circle = all(hole.out == 1 for hole in holes)
    bolts = tuple(f"{by_number[n].typed} x {bare(by_number[n].length, 'mm')}" for n in numbers)
    return Card(
        pattern.joint,
        2 * hypot(*places[numbers[0]]) if on_circle else None,
        tuple(places[n] for n in numbers),
        order,
        tuple(by_number[n].thread.diameter for n in numbers),
        "",
        bolts,
        numbers,
        STARTS[pattern.starts],
    )
