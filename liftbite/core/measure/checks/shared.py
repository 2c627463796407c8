"""What the tables of checks share: arrangements, places, limits nobody has to repeat.

- `has`, `is_car`, `is_motorcycle` and the like   which arrangement calls for a check
- `spots`, `fixed`, `SWEEP_ANGLES`   places
- `practice`, `manual`, `given`   limits
- `look`      a check that is looked at and not measured
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from typing import Any

from liftbite.core.job.build import Build
from liftbite.core.job.choices import TRAITS
from liftbite.core.measure.check import Check, Grade, Picture, Place
from liftbite.core.measure.grades import PICTURES
from liftbite.core.measure.limit import PRACTICE, Limit, LimitName


def has(trait: str) -> Callable[[Build], bool]:
    """True for an arrangement that has a trait."""
    assert trait in TRAITS, trait
    return lambda build: build.chosen.has(trait)


is_car, is_motorcycle, has_coils, has_fork = has("car"), has("motorcycle"), has("coil springs"), has("fork")


def count_of(build: Build, name: str, otherwise: int) -> int:
    """How many there are by a figure of the job, at least one."""
    return max(1, int(build.known.get(name, otherwise)))


def spots(item: str, how_many: Callable[[Build], int], *spots: str) -> Callable[[Build], tuple[Place, ...]]:
    """So many items, each with the same spots."""

    def found(build: Build) -> tuple[Place, ...]:
        return tuple(Place(f"{item} {i + 1}", s) for i in range(how_many(build)) for s in spots or ("",))

    return found


def fixed(*items: str) -> Callable[[Build], tuple[Place, ...]]:
    """Places that are the same in every job."""
    return lambda _: tuple(Place(item) for item in items)


def discs(build: Build) -> int:
    """How many discs there are."""
    return count_of(build, "disc_count", 1)


def is_hydraulic(build: Build) -> bool:
    """True where fluid works the clutch."""
    return "line_pressure" in build.graph.functions


def has_pedal_stroke(build: Build) -> bool:
    """True where a pedal or a lever has a stroke that is worked out."""
    return "pedal_travel" in build.graph.functions


def is_multi_disc(build: Build) -> bool:
    """True for two discs and more."""
    return is_car(build) and discs(build) > 1


def friction_plates(build: Build) -> int:
    """How many friction plates there are."""
    return count_of(build, "friction_plate_count", 7)


def plain_plates(build: Build) -> int:
    """How many plain plates there are: one fewer than friction plates."""
    return max(1, friction_plates(build) - 1)


def springs(build: Build) -> int:
    """How many springs there are."""
    lengths = build.known.get("spring_free_lengths")
    return count_of(build, "spring_count", 5 if lengths is None else len(lengths))


#: The angles of a sweep before the builder picks others: eight, and the first again to close it.
SWEEP_ANGLES = (*(f"{a}°" for a in range(0, 360, 45)), "0° again")
SWEEP_PLACES = fixed(*SWEEP_ANGLES)


def practice(name: LimitName, value: float | None, words: str = "") -> Limit:
    """A limit of common practice, without a source."""
    return Limit(name, value, "practice", f"{PRACTICE}{': ' + words if words else ''}")


_NO_FIGURE = "no figure without the manual's"


def given(of: str) -> tuple[Limit, Limit]:
    """Room for a kit maker's window of what a sum comes to."""
    why = f"{of}, where the kit maker or the manual gives a window"
    return Limit("least", None, "manual", why), Limit("most", None, "manual", why)


def manual(name: LimitName) -> Limit:
    """A limit nobody knows but the manual."""
    return Limit(name, None, "manual", _NO_FIGURE)


def look(
    name: str, part: str, label: str, how: str, grades: tuple[Grade, ...], wanted: Callable[[Build], bool], **more: Any
) -> Check:
    """A check that is looked at and not measured: a condition is picked."""
    picture: Picture = next((picture for of, picture in PICTURES if of is grades), "surface")
    asked = Check(name, part, label, how, "grade", suited=(), grades=grades, picture=picture, wanted=wanted)
    return replace(asked, **more)


SAG = "Keep the crank pushed one way against its end float. Go round by hand, no fuel, no spark."
