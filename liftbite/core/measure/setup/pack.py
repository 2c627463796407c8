"""A wet pack: plates counted, and plain plates of another thickness.

- `Pack`, `work_out`, `tell`   the calculation
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from liftbite.core.job.build import Build
from liftbite.core.measure.effect import Effect, EffectOf
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.reading import Readings, mean_by_item
from liftbite.core.measure.setup.calculation import Calculation, Outcome, right, span

#: A plain plate that differs from the common one by more than this is of another thickness [m]; our own choice.
ODD_PLATE = 0.15e-3


@dataclass(frozen=True, slots=True)
class Pack:
    """A wet pack: plates counted, and the plain ones' thicknesses by name [m].

    Attributes
    ----------
    friction, plain : as counted, or None
    asked : friction plates the job says, or None
    thick : plain plate -> its thickness
    common : the thickness most have, or None below three plates
    odd : plain plates of another thickness
    """

    friction: int | None
    plain: int | None
    asked: int | None
    thick: tuple[tuple[str, float], ...]
    common: float | None
    odd: tuple[str, ...]


def work_out(build: Build, readings: Readings, _: Mapping[str, str]) -> Pack | None:
    """The pack of a job's readings; None until plates were counted or measured."""
    counts = {r.place: int(r.si) for r in readings.get("plate_count", ()) if r.si is not None}
    thick = mean_by_item(readings, "plain_thickness")
    if not counts and not thick:
        return None
    asked = build.known.get("friction_plate_count")
    common = float(np.median(list(thick.values()))) if len(thick) >= 3 else None
    odd = [name for name, value in thick.items() if common is not None and abs(value - common) > ODD_PLATE]
    return Pack(
        counts.get("Friction"),
        counts.get("Plain"),
        None if asked is None else int(asked),
        tuple(thick.items()),
        common,
        tuple(odd),
    )


def tell(found: Pack) -> Outcome:
    """What counts and thicknesses say of the order of a wet pack."""
    words = []
    if found.friction is not None and found.asked is not None and found.friction != found.asked:
        words.append(f"{found.friction} friction plates are there, but the job says {found.asked}.")
    if found.friction is not None and found.plain is not None:
        usual = (
            "one more friction plate, as usual"
            if found.friction == found.plain + 1
            else ("one more friction plate is usual, look again")
        )
        words.append(f"{found.friction} friction and {found.plain} plain plates: {usual}.")
    if found.common is not None:
        thick = dict(found.thick)
        place = "it has a place of its own in the pack, often at the far end; put it back there"
        words += [f"{name} is {span(thick[name])} among {span(found.common)}: {place}." for name in found.odd]
        if not found.odd:
            words.append(f"Every plain plate read is of one thickness, {span(found.common)}.")
    counted = found.friction is None or found.asked is None or found.friction == found.asked
    alternate = found.friction is None or found.plain is None or found.friction == found.plain + 1
    return Outcome(" ".join(words), right(counted and alternate))


def _effects(build: Build, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    found = work_out(build, readings, {})
    if found is None or found.friction is None:
        return []
    return [Effect("plate_count", "friction_plate_count", f"{found.friction}", float(found.friction), "as counted")]


CALCULATION = Calculation(
    "pack",
    "Order of the pack",
    "plates",
    ("plate_count", "plain_thickness"),
    "counts or plain plates",
    work_out,
    tell,
    effects={"plate_count": EffectOf(_effects)},
)
