"""The limits of a check in force: the manual's, what follows from the job, the default.

- `limits_of`   of a check
- `new_of`, `plate_limits`, `most_of`, `standoff_limits`   what follows from the job, for the table of checks
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import replace

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build, label_of
from liftbite.core.measure.check import Check
from liftbite.core.measure.limit import Limit, LimitName

OfJob = Callable[[Build, Mapping[LimitName, Limit]], Iterable[Limit]]


def limits_of(check: Check, build: Build, manual: Mapping[LimitName, tuple[float, str]]) -> tuple[Limit, ...]:
    """The limits in force: the manual's figure where one was typed, then what follows from the job, then the default.

    Parameters
    ----------
    check : the check
    build : the job
    manual : "least", "most", "spread" or "new" -> value [SI] and its source, as typed for this vehicle
    """
    limits = {found.name: found for found in check.limits}
    for found in check.of_job(build, dict(limits)):
        limits[found.name] = found
    for name, (value, source) in manual.items():
        limits[name] = Limit(name, value, "manual", source or "the manual's figure")
    return tuple(limits.values())


def new_of(quantity: str, *, in_proportion: bool = False) -> OfJob:
    """What a new part reads is a figure of the job; where told so the least goes with it in proportion."""

    def follows(build: Build, limits: Mapping[LimitName, Limit]) -> Iterator[Limit]:
        entry = build.entries.get(quantity)
        if entry is None or entry.si is None:
            return
        yield Limit("new", entry.si, "job", "as this job has it")
        old, least = limits["new"].value, limits.get("least")
        if not in_proportion or least is None or least.value is None or old is None:
            return
        if abs(entry.si - old) > 0.035 * old:
            why = f"{least.why}; in proportion to this job's figure"
            yield replace(least, value=entry.si * least.value / old, why=why)

    return follows


def plate_limits(build: Build, limits: Mapping[LimitName, Limit]) -> Iterator[Limit]:
    """A friction plate's: the job's figure for a new one, and new less the wear the job allows."""
    found = {limit.name: limit for limit in new_of("friction_plate_thickness", in_proportion=True)(build, limits)}
    new, allowed = found.get("new") or limits.get("new"), build.entries.get("plate_wear_allowed")
    if allowed is not None and allowed.si is not None and new is not None and new.value:
        found["least"] = Limit("least", new.value - allowed.si, "job", "new less the wear this job allows")
    yield from found.values()


def most_of(quantity: str) -> OfJob:
    """The most it may read is a figure of the job."""

    def follows(build: Build, _: Mapping[LimitName, Limit]) -> Iterator[Limit]:
        value = build.known.get(quantity)
        if value is not None:
            yield Limit("most", float(value), "job", f"{label_of(quantity).lower()} of this job")

    return follows


def standoff_limits(build: Build, _: Mapping[LimitName, Limit]) -> Iterator[Limit]:
    """A diaphragm cover stands off by what its ring is pressed flat, at the plate; one for one less with wear.

    Nothing where the ring's press was not entered, or where the cover takes up wear by itself.
    """
    pressed = build.entries.get("diaphragm_set")
    v = build.evaluate(("ring_leverage", "wear_limit"))
    leverage, limit = v["ring_leverage"], v["wear_limit"]
    if (
        pressed is None
        or pressed.si is None
        or isinstance(leverage, Needs | Refused)
        or build.chosen.has("self-adjusting cover")
    ):
        return
    new = pressed.si / float(leverage)
    yield Limit("new", new, "job", "what this cover's ring is pressed flat by, at the plate")
    if not isinstance(limit, Needs | Refused) and 0 < float(limit) < new:
        yield Limit("least", new - float(limit), "job", "new less the wear this stack allows, one for one")
