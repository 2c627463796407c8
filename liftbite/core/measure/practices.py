"""Where builders differ, and what a renewed part brings along by what a shop does.

- `PRACTICES`   what shops differ in, with the options; the first is where a shop begins
- `Brought`, `brought`   what goes with the parts that are renewed
- `SMALL`       small parts that are known to fail, by what a clutch has

[practice: the trade's habits; no source]. The vehicle's manual outranks them.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping
from typing import NamedTuple

from liftbite.core.job.build import Build

#: Practice -> what it is about, and its options with what they say; the first is where a shop begins.
PRACTICES: Mapping[str, tuple[str, Mapping[str, str]]] = {
    "face": ("Flywheel face with a new disc", {
        "needed": "Only when needed: a polished, flat face wears facings slower",
        "always": "Always machined: a fresh cut bites faster"}),
    "seal": ("Rear main and input shaft seal", {
        "always": "Always renewed while it is open",
        "bad": "Only where it leaks"}),
    "pilot": ("Pilot bearing", {
        "always": "Renewed with every clutch",
        "bad": "A nearly new one is kept"}),
    "cylinders": ("Master and slave cylinder", {
        "pair": "As a pair: the other one has run as far",
        "alone": "Only the one that is proved bad"}),
    "small": ("Small parts that are known to fail", {
        "always": "Renewed with every clutch, unread",
        "bad": "Only where one is seen to be worn"}),
    "guard": ("Guard band of a reading", {
        "full": "All of the uncertainty, the stricter",
        "share95": "0.82 of it, the 95 % rule of 2017"}),
}  # fmt: skip
#: What a clutch has -> the small part that is known to fail there, and why it goes while it is open.
SMALL: Mapping[str, tuple[str, str]] = {
    "fork": ("Fork pivot and clip", "the clip breaks, the pivot wears through, and both want the gearbox out again"),
    "concentric slave": ("Seals of the bearing's line", "opened with the bearing; a leak wants the gearbox out again"),
    "cable": ("Cable pins and bushes", "worn ones eat the travel that a new clutch needs"),
    "pulled": ("Retaining ring of the release bearing", "spread when the bearing comes off, and lets go later"),
    "motorcycle": ("Lock washer of the clutch nut", "bent up once; bent a second time it cracks"),
}
_CLUTCH = frozenset({"Disc", "Cover", "Plate set"})
_CYLINDERS = ("Master cylinder", "Slave cylinder")
#: Fasteners that come with a part that is renewed.
_BOLTS = {"Flywheel": "Flywheel bolts", "Cover": "Cover bolts", "Spring set": "Spring bolts"}


class Brought(NamedTuple):
    """A part to get, or work to have done, that goes with what is renewed, and why."""

    part: str
    why: str
    work: str = "get"


def brought(
    build: Build, renewed: Collection[str], practices: Mapping[str, str], *, opened: bool = True
) -> Iterator[Brought]:
    """What goes with the parts that are renewed: springs with plates, the bearing with every clutch, bolts with what
    they held; the rest as the shop does it.

    Parameters
    ----------
    build : the job as planned
    renewed : parts that are got anew, as the list calls them
    practices : practice -> option the shop, or the job, goes by; where it begins for one that is not there
    opened : True once something was looked at, so that it is open
    """
    does = {name: next(iter(options)) for name, (_, options) in PRACTICES.items()} | dict(practices)
    has = build.chosen.has
    along = []
    if "Plate set" in renewed and has("coil springs"):
        along.append(Brought("Spring set", "springs go with a plate set"))
    if has("car"):
        along += _with_a_clutch(renewed, does) if _CLUTCH & set(renewed) else ()
        if opened and does["seal"] == "always":
            seals = ("Rear main seal", "Input shaft seal")
            along += [Brought(seal, "the shop renews seals while it is open") for seal in seals]
    if has("slave on a lever") and does["cylinders"] == "pair":
        along += [Brought(other, f"as a pair with the {one.lower()}: it has run as far")
                  for one, other in (_CYLINDERS, _CYLINDERS[::-1]) if one in renewed]  # fmt: skip
    yield from along
    for part in [*renewed, *(b.part for b in along if b.work == "get")]:
        if part in _BOLTS:
            yield Brought(_BOLTS[part], "bolts that stretch or are marked one-time are never used again")
    if _CLUTCH & set(renewed) and does["small"] == "always":
        yield from (Brought(part, f"known to fail: {why}") for trait, (part, why) in SMALL.items() if has(trait))


def _with_a_clutch(renewed: Collection[str], does: Mapping[str, str]) -> Iterator[Brought]:
    """What goes with a car's disc or cover."""
    yield Brought("Release bearing", "goes with every clutch")
    if does["pilot"] == "always":
        yield Brought("Pilot bearing", "the shop renews it with every clutch")
    if does["face"] == "always" and "Flywheel" not in renewed:
        yield Brought("Flywheel", "the shop machines the face with a new disc; both levels by the same amount",
                      "dress or machine")  # fmt: skip
