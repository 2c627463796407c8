"""What comes next in a clutch's life: when it is measured again, when its floater wants shims, in kilometres.

- `Ahead`, `ahead`   from a build, what was driven and what was measured
- `driven_rate`   rate of wear by the drives that were kept
- `glove_box`     the same in a line to leave in the vehicle

A rate of wear from logged drives outranks one that is worked out from the use; where neither is known, nothing is said.
It is measured again at half of what is left, at most after `MOST`: the trade's habit [practice].
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from liftbite.core.analysis.life import life
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.job.record import Line
from liftbite.core.measure.keyed import read_distance
from liftbite.core.prove.fluids import in_months
from liftbite.core.prove.running_in import LoggedDrive
from liftbite.core.units.read import read
from liftbite.core.units.sentence import both, distance_about, per_distance

#: Share of what is left after which it is measured again, and the longest it waits [m driven].
AGAIN, MOST = 0.5, 50_000e3
#: Fewest logged starts, and the shortest way, that say how a clutch is driven [-], [m].
FEWEST = 5, 5e3


@dataclass(frozen=True, slots=True)
class Ahead:
    """What lies ahead.

    Attributes
    ----------
    rate : wear of the whole stack over distance [m/m]
    whose : where that rate comes from
    ends, left : what ends its life first, and how far that is [m driven]
    measure : when it is measured again [m driven]
    shims : how far until a twin's floater wants new shims [m driven]; None where it has none
    working : how that comes about
    """

    rate: float
    whose: str
    ends: str
    left: float
    measure: float
    shims: float | None
    working: str


def driven_rate(build: Build, drives: Iterable[Line[LoggedDrive]]) -> float | None:
    """Rate of wear by the drives that were kept [m/m]: starts a distance as logged, each wearing as its heat says.

    w = w_1 · (E_logged/E) · n/s, wear of a start being as its heat

    None where fewer starts or metres were logged than say anything, or a start's wear is not known.
    """
    starts, metres, heat = 0, 0.0, 0.0
    for line in drives:
        said = line.statement
        count, drove = int(said.starts or 0), read_distance(said.distance) or 0.0
        starts, metres = starts + count, metres + drove
        heat += count * float(read(said.heat, "J", "J").si) if said.heat else 0.0
    v = build.evaluate(("wear_per_start", "slip_energy"), stage=build.stage)
    wear, energy = v["wear_per_start"], v["slip_energy"]
    if starts < FEWEST[0] or metres < FEWEST[1] or isinstance(wear, Needs | Refused):
        return None
    share = heat / starts / float(energy) if heat and not isinstance(energy, Needs | Refused) else 1.0
    return float(wear) * share * starts / metres


def ahead(build: Build, measured: float | None = None) -> Ahead | None:
    """What lies ahead of a build; None where no rate of wear is known.

    Parameters
    ----------
    build : the planned build
    measured : rate of wear of the stack as it is driven [m/m], by `driven_rate`; None where that is not known
    """
    curve = life(build, stage=build.stage, friction=0.0)
    if isinstance(curve, Needs | Refused):
        return None
    rate, whose = (measured, "as it was driven") if measured else (_worked_out(build), "by its use")
    if not rate or rate <= 0:
        return None
    worn = float(build.known.get("wear", 0.0))
    ends, at = curve.ends[0]
    left = max(at - worn, 0.0) / rate
    inner = None if curve.shims_at is None else max(curve.shims_at - worn / 2, 0.0) / (rate / 2)
    first = min(left * AGAIN, MOST, *(() if inner is None else (inner,)))
    return Ahead(
        rate,
        whose,
        ends,
        left,
        first,
        inner,
        f"{both(at - worn, 'm')} until the {ends} end it, at {per_distance(rate, 'm')} ({whose}); measured "
        "again at half of that, or with the shims [practice].",
    )


def _worked_out(build: Build) -> float | None:
    """Wear over distance, from wear a start and starts a distance."""
    v = build.evaluate(("wear_per_start", "starts_per_distance"), stage=build.stage)
    found = [v[name] for name in ("wear_per_start", "starts_per_distance")]
    if any(isinstance(x, Needs | Refused) for x in found):
        return None
    return float(found[0]) * float(found[1])


#: What ends a life, in words that go before how long it lasts.
_ENDS = {
    "facings": "the facings last",
    "clamp": "the clamp holds",
    "bearing": "the bearing's travel lasts",
    "sleeve": "the sleeve's length lasts",
}


def says(found: Ahead) -> list[str]:
    """What lies ahead, a sentence each."""
    measure, left = distance_about(found.measure), distance_about(found.left)
    told = [f"Measured again in about {measure}; {_ENDS[found.ends]} about {left} more."]
    if found.shims is not None and found.shims < found.left:
        told.append(f"Re-shim clock: the floater wants new shims in about {distance_about(found.shims)}.")
    return told


def glove_box(found: Ahead | None, fluid_due: int | None, *, looked: bool = False) -> str:
    """A line to leave in the vehicle.

    Parameters
    ----------
    found : what lies ahead; None where no rate of wear is known
    fluid_due : days until the hydraulic fluid is renewed; None where there is none
    looked : True once it was looked at again

    >>> glove_box(None, 730), glove_box(None, None, looked=True)
    ('Clutch: look again at 50 to 100 km; fluid in 24 months.', '')
    """
    parts = [] if looked else ["look again at 50 to 100 km"]
    if found is not None:
        parts.append(f"measure at {distance_about(found.measure)}")
        if found.shims is not None and found.shims < found.left:
            parts.append(f"floater shims at {distance_about(found.shims)}")
    if fluid_due is not None:
        parts.append(f"fluid in {in_months(fluid_due)}")
    return f"Clutch: {'; '.join(parts)}." if parts else ""
