"""The limits of a check in force: the manual's, what follows from the job, the default.

- `limits_of`   of a check
- `value_of`    the figure of one of them
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import replace

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build, label_of
from liftbite.core.measure.check import Check, Limit, LimitName

#: Check -> the job's own figure for a new part.
NEW_FROM_JOB = {"rivet_depth": "facing_depth", "plate_thickness": "friction_plate_thickness",
                "spring_free_length": "spring_free_length"}  # fmt: skip


#: Check -> its limit that is a figure of the job, and which.
LIMIT_FROM_JOB: Mapping[str, tuple[LimitName, str]] = {"pedal_force": ("most", "effort_limit")}


def limits_of(check: Check, build: Build, manual: Mapping[LimitName, tuple[float, str]]) -> tuple[Limit, ...]:
    """The limits in force: the manual's figure where one was typed, then what follows from the job, then the default.

    Parameters
    ----------
    check : the check
    build : the job
    manual : "least", "most", "spread" or "new" -> value [SI] and its source, as typed for this vehicle
    """
    limits = {found.name: found for found in check.limits}
    quantity = NEW_FROM_JOB.get(check.name)
    entry = build.entries.get(quantity) if quantity else None
    if entry is not None and entry.si is not None and "new" in limits:
        old, least = limits["new"], limits.get("least")
        limits["new"] = Limit("new", entry.si, "job", "as this job has it")
        if least is not None and least.value is not None and old.value is not None and check.name != "rivet_depth":
            follows = entry.si * least.value / old.value
            if abs(entry.si - old.value) > 0.035 * old.value:
                limits["least"] = replace(least, value=follows, why=f"{least.why}; in proportion to this job's figure")
    if check.name in LIMIT_FROM_JOB:
        which, quantity = LIMIT_FROM_JOB[check.name]
        value = build.known.get(quantity)
        if value is not None:
            limits[which] = Limit(which, float(value), "job", f"{label_of(quantity).lower()} of this job")
    if check.name == "cover_standoff":
        limits |= {found.name: found for found in _standoff(build)}
    allowed = build.entries.get("plate_wear_allowed")
    new = limits.get("new")
    if check.name == "plate_thickness" and allowed is not None and allowed.si is not None and new and new.value:
        limits["least"] = Limit("least", new.value - allowed.si, "job", "new less the wear this job allows")
    for name, (value, source) in manual.items():
        limits[name] = Limit(name, value, "manual", source or "the manual's figure")
    return tuple(limits.values())


def _standoff(build: Build) -> Iterator[Limit]:
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


def value_of(limits: Iterable[Limit], *names: str) -> float | None:
    """The figure of the first of these names that has one [SI], or None.

    >>> limits = (Limit("least", 2.8e-3, "practice", ""), Limit("new", 3e-3, "practice", ""))
    >>> value_of(limits, "new"), value_of(limits, "least", "most"), value_of(limits, "most")
    (0.003, 0.0028, None)
    """
    known = {found.name: found.value for found in limits if found.value is not None}
    return next((known[name] for name in names if name in known), None)
