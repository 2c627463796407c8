"""The input shaft in its pilot: how far it enters, and what is left below it.

- `shaft_reach`, `Reach`        from the depths
- `Shaft`, `work_out`, `tell`   the calculation

Lengths in metres.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from liftbite.core.job.build import Build
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.effect import Effect, EffectOf, of_length
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.reading import Readings, values_of
from liftbite.core.measure.setup.calculation import Calculation, Outcome, SetUp, mm, right, span


@dataclass(frozen=True, slots=True)
class Reach:
    """An input shaft in its pilot.

    Attributes
    ----------
    engagement : how deep the shaft enters the pilot bearing [m]; below 0 it does not reach it
    clear : from the shaft's tip to the bottom of the bore [m]
    full : True where it passes the whole length of the pilot bearing
    touches : True where it meets the bottom
    """

    engagement: float
    clear: float
    full: bool
    touches: bool


def shaft_reach(
    protrusion: float,
    housing_depth: float,
    block: float,
    recess: float,
    stand_out: float,
    pilot_length: float,
    below: float,
) -> Reach:
    """How far the shaft's tip enters the pilot, and what is left below it.

    engagement = protrusion − housing depth − block plate and gaskets − pilot below the flange + flange beyond the block

    Parameters
    ----------
    protrusion : shaft's tip beyond the gearbox's mounting face
    housing_depth : between the housing's two faces
    block : block plate and gaskets; 0.010 in counts
    recess : pilot's near edge below the crank flange
    stand_out : crank flange beyond the block's face
    pilot_length : of the pilot bearing
    below : from the pilot's far edge to the bottom of the bore

    Source: [practice: the sum of the depths, both ends checked].

    >>> r = shaft_reach(0.190, 0.165, 0.003, 0.004, 0.0, 0.016, 0.010)
    >>> round(r.engagement * 1e3, 1), round(r.clear * 1e3, 1), r.full, r.touches
    (18.0, 8.0, True, False)
    """
    engagement = protrusion - housing_depth - block - recess + stand_out
    clear = pilot_length + below - engagement
    return Reach(engagement, clear, engagement >= pilot_length - 1e-9, clear <= 1e-9)


@dataclass(frozen=True, slots=True)
class Shaft:
    """The input shaft in its pilot: the depths by place, and what they come to."""

    depths: tuple[tuple[str, float], ...]
    reach: Reach


def work_out(build: Build, readings: Readings, _: Mapping[str, str]) -> Shaft | None:
    """The shaft of a job's readings; None while a depth is missing."""
    names = [p.key for p in CHECKS["shaft_reach"].places(build)]
    depths = [values_of(readings, "shaft_reach", name)[-1:] for name in names]
    if not all(depths):
        return None
    measured = [d[0] for d in depths]
    return Shaft(tuple(zip(names, measured, strict=True)), shaft_reach(*measured))


def tell(found: Shaft) -> Outcome:
    """The input shaft in its pilot, both ends."""
    reach, d = found.reach, {name: mm(depth) for name, depth in found.depths}
    if reach.engagement <= 0:
        sentence = f"The shaft does not reach its pilot: {span(-reach.engagement)} short."
    elif reach.touches:
        sentence = "The shaft meets the bottom of the bore: shorten it or sink the pilot before anything is bolted up."
    elif not reach.full:
        sentence = f"The shaft enters the pilot by {span(reach.engagement)}, not its whole length."
    else:
        sentence = f"The shaft passes the whole pilot and stays {span(reach.clear)} clear of the bottom."
    verdict: SetUp = "stop" if reach.engagement <= 0 or reach.touches else right(reach.full)
    out, housing, block, recess, stand, length, below = d.values()
    return Outcome(
        sentence,
        verdict,
        (
            "Enters by shaft beyond the gearbox face − housing depth − block plate and gaskets − pilot below the crank "
            f"flange + flange beyond the block face = {out} − {housing} − {block} − {recess} + {stand} = "
            f"{mm(reach.engagement)} mm.",
            f"Clear of the bottom by pilot length + bore below it − that = {length} + {below} − "
            f"{mm(reach.engagement)} = {mm(reach.clear)} mm. Both ends are checked [practice].",
        ),
        length=reach.engagement,
    )


def _effects(build: Build, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    found = work_out(build, readings, {})
    if found is None:
        return []
    length, below = found.depths[-2][1], found.depths[-1][1]
    return [
        of_length("shaft_reach", "pilot_engagement", found.reach.engagement, "the sum of the depths"),
        of_length("shaft_reach", "pilot_length", length, "as measured"),
        of_length("shaft_reach", "pilot_room", length + below, "the pilot and the bore below it"),
    ]


CALCULATION = Calculation(
    "shaft",
    "Reach of the input shaft",
    "input_shaft",
    ("shaft_reach",),
    "all its depths, none left out: key 0 where there is no plate",
    work_out,
    tell,
    effects={"shaft_reach": EffectOf(_effects)},
    window_of="shaft_reach",
)
