"""Where builders differ, and what a renewed part brings along by what a shop does.

- `PRACTICES`   what shops differ in, with the options; the first is where a shop begins
- `Brought`, `brought`   what goes with the parts that are renewed

[practice: the trade's habits; no source]. The vehicle's manual outranks them.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping
from typing import Literal, NamedTuple

from liftbite.core.job.build import Build
from liftbite.core.job.parts import ASSEMBLIES, PARTS, Work, fate_of

#: Practice -> what it is about, and its options with what they say; the first is where a shop begins.
PRACTICES: Mapping[str, tuple[str, Mapping[str, str]]] = {
    "face": (
        "Flywheel face with a new disc",
        {
            "needed": "Only when needed: a polished, flat face wears facings slower",
            "always": "Always machined: a fresh cut bites faster",
        },
    ),
    "seal": (
        "Rear main and input shaft seal",
        {"always": "Always renewed while it is open", "bad": "Only where it leaks"},
    ),
    "pilot": ("Pilot bearing", {"always": "Renewed with every clutch", "bad": "A nearly new one is kept"}),
    "cylinders": (
        "Master and slave cylinder",
        {"pair": "As a pair: the other one has run as far", "alone": "Only the one that is proved bad"},
    ),
    "small": (
        "Small parts that are known to fail",
        {"always": "Renewed with every clutch, unread", "bad": "Only where one is seen to be worn"},
    ),
    "guard": (
        "Guard band of a reading",
        {"full": "All of the uncertainty, the stricter", "share95": "0.82 of it, the 95 % rule of 2017"},
    ),
}
_CLUTCH = frozenset({"disc", "cover", "plates"})


class Brought(NamedTuple):
    """A part to get, or work to have done, that goes with what is renewed, and why; the part by its key."""

    part: str
    why: str
    work: Work = "get"
    because: Literal["along", "practice"] = "along"


def brought(
    build: Build, renewed: Collection[str], practices: Mapping[str, str], *, opened: bool = True
) -> Iterator[Brought]:
    """What goes with the parts that are renewed: springs with plates, the bearing with every clutch, bolts with what
    they held; the rest as the shop does it.

    Parameters
    ----------
    build : the job as planned
    renewed : keys of the parts that are got anew
    practices : practice -> option the shop, or the job, goes by; where it begins for one that is not there
    opened : True once something was looked at, so that it is open
    """
    does = {name: next(iter(options)) for name, (_, options) in PRACTICES.items()} | dict(practices)
    waiting = [(key, "") for key in renewed if key in PARTS]
    seen = {key for key, _ in waiting}
    while waiting:
        part, brought_by = waiting.pop(0)
        for along in PARTS[part].along:
            practice, option = along.practice
            there = _is_there(build, along.part) and (not along.trait or build.chosen.has(along.trait))
            if not there or (practice and does[practice] != option):
                continue
            if along.part == brought_by or (along.work == "dress" and along.part in renewed):
                continue
            yield Brought(along.part, along.why, along.work, "practice" if practice else "along")
            if along.work == "get" and along.part not in seen:
                seen.add(along.part)
                waiting.append((along.part, part))
    if build.chosen.has("car") and opened and does["seal"] == "always":
        yield from (
            Brought(seal, "the shop renews seals while it is open", because="practice")
            for seal in ASSEMBLIES["seals"].parts
        )
    if _CLUTCH & set(renewed) and does["small"] == "always":
        yield from (
            Brought(part.key, f"known to fail: {part.fails}", because="practice")
            for part in PARTS.values()
            if part.fails and _is_there(build, part.key)
        )


def _is_there(build: Build, part: str) -> bool:
    """True of a part this clutch has and keeps: what is left out is not got again."""
    return build.chosen.has_part(part) and build.chosen.options.get(fate_of(part)) != "left_out"
