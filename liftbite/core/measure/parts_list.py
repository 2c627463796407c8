"""From verdicts to the list of parts to get, with reasons, and what is worth doing while it is open.

- `Need`, `needs`   the parts to get and why
- `slips_worn`     plates that each pass and slip together
- `Renewal`      the shop's own figures for a part renewed while it is open
- `Offer`, `worth_it`   renew now, or take the chance of having to come back
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from types import MappingProxyType

from liftbite.core.job.build import Build
from liftbite.core.job.fates import FATED, FATES, fate_of
from liftbite.core.job.ledger import Entry
from liftbite.core.measure.check import Check, Verdict
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.effect import Effect
from liftbite.core.measure.judgement import VERDICTS, Finding
from liftbite.core.measure.practices import brought
from liftbite.core.measure.setup.calculation import Told
from liftbite.core.measure.whose import part_read
from liftbite.core.verdicts.answers import bite_alone


@dataclass(frozen=True, slots=True)
class Renewal:
    """The shop's own figures for a part: price, chance of failing, hours to get back in, rate, hours it adds."""

    part: str
    price: float
    chance: float
    hours: float
    rate: float
    extra_hours: float = 0.0


_RENEWS = frozenset({"stop", "renew as set", "renew"})
#: Check -> what is got when it is renewed.
_PART = {
    "puck_thickness": "Disc", "friction_warp": "Plate set", "primary_gear": "Basket", "hub_rubber": "Cush rubbers",
    "bearing_bore": "Release bearing", "hydraulics_leak": "Cylinder or its seals", "hydraulics_fluid": "Fluid",
    "rivet_depth": "Disc", "disc_wobble": "Disc", "disc_condition": "Disc", "plate_thickness": "Plate set",
    "plate_condition": "Plate set", "plain_warp": "Plate set", "plain_face": "Plate set",
    "spring_free_length": "Spring set", "spring_square": "Spring set", "flywheel_bolts": "Flywheel bolts",
    "finger_height": "Cover", "finger_tips": "Cover", "plate_face": "Cover", "cover_standoff": "Disc",
    "flywheel_thickness": "Flywheel", "flywheel_face": "Flywheel", "flywheel_insert": "Flywheel insert",
    "ring_gear": "Ring gear", "basket": "Basket", "hub": "Clutch centre", "basket_bearing": "Basket bearing",
    "lifter": "Lifter bearing", "push_rod": "Push rod", "release_bearing": "Release bearing",
    "pilot_bearing": "Pilot bearing", "rear_seal": "Rear main seal", "shaft_seal": "Input shaft seal",
    "fork": "Fork and pivot", "input_shaft": "Input shaft", "end_float": "Retainer shims",
}  # fmt: skip
#: What is got or worked on -> the part whose fate says so.
_FATED = {
    "Disc": "disc", "Plate set": "plates", "Spring set": "springs", "Cover": "cover", "Flywheel": "flywheel",
    "Floater plate": "floater", "Release bearing": "bearing", "Push rod": "push_rod", "Flywheel bolts": "bolts",
    "Pilot bearing": "pilot", "Rear main seal": "seals", "Input shaft seal": "seals", "Fork and pivot": "fork",
    "Basket": "basket", "Master cylinder": "master", "Slave cylinder": "slave", "Hose or cable": "line",
    "Restrictor": "restrictor", "Fluid": "fluid",
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Need:
    """A part to get, or work to have done, with every reason for it."""

    part: str
    work: str
    reasons: tuple[str, ...]

    @property
    def key(self) -> str:
        """What it goes by in the record.

        >>> Need("Flywheel", "dress or machine", ()).key
        'Flywheel, dress or machine'
        """
        return f"{self.part}, {self.work}"

    def plans(self, build: Build) -> tuple[str, str] | None:
        """The choice and the fate that would plan it; None where it has none, or is planned already."""
        part = _FATED.get(self.part)
        fate = {"get": "renewed", "dress or machine": "dressed"}.get(self.work)
        if part is None or fate is None or (fate == "dressed" and not FATED[part].dressed):
            return None
        name = fate_of(part)
        options = build.chosen.options
        return (name, fate) if name in build.chosen.offered and options.get(name) not in (fate, "renewed") else None


def needs(
    build: Build, findings: Sequence[Finding], practices: Mapping[str, str], new: Sequence[Finding] = (),
    setups: Mapping[str, Told] = MappingProxyType({}), slips: str = "", checks: Mapping[str, Check] = CHECKS,
    added: Mapping[str, str] = MappingProxyType({}),
) -> list[Need]:  # fmt: skip
    """The parts to get and the work to have done, each with its reasons; plates are renewed only whole.

    Parameters
    ----------
    build : the job as planned
    findings : verdicts of what was found; those still open decide nothing
    practices : practice -> option picked by the shop
    new : verdicts of the parts that go in
    setups : calculation of the set-up, as it is called -> what it came to
    checks : every check readings may be of
    slips : what Bite says with the wear that was read, where it does not hold then; empty where it does
    added : parts somebody put on the list himself -> why: their age, a weakness he knows of
    """
    found: dict[tuple[str, str], list[str]] = {}

    def get(part: str, why: str, work: str = "get") -> None:
        reasons = found.setdefault((part, work), [])
        if why not in reasons:
            reasons.append(why)

    for label, fated in _FATED.items():
        if build.chosen.options.get(fate_of(fated)) in ("renewed", "added"):
            get(label, f"planned: {FATES[build.chosen.options[fate_of(fated)]][0].lower()}")
    for finding in (*findings, *new):
        check, part = checks[finding.check], _PART.get(finding.check)
        goes_in = "of the one that goes in, " if finding in new else ""
        said = f"{goes_in}{check.label}: {finding.sentence}"
        comes_out = build.chosen.options.get(fate_of(part_read(finding.check))) in ("renewed", "left_out")
        if comes_out and finding not in new and finding.verdict not in _RENEWS:
            continue  # what is wrong with a part that comes out is nobody's work
        if finding.verdict in _RENEWS and part:
            get(part, said)
        elif finding.verdict == "dress or resurface":
            get(_PART.get(finding.check, check.part), said, "dress or machine")
        elif finding.verdict == "put right":
            get(check.part, said, "put right")
        elif finding.verdict == "too close to call" and check.kind == "reading":
            get(_PART.get(finding.check, check.part), said, "measure better")
    worn = "Disc" if build.chosen.has("car") else "Plate set"
    if slips and not any(part == worn for part, _ in found):
        get(worn, f"every one is within its limit, but with their wear together: {slips}")
    for label, told in setups.items():
        if told.verdict in ("put right", "stop"):
            get(label, told.sentence, "put right")
    known = {name.casefold(): name for name in (*_FATED, *_PART.values())}
    for part, why in added.items():
        get(known.get(part.casefold(), part), why)
    renewed = [part for part, work in found if work == "get"]
    for along in brought(build, renewed, practices, opened=bool(findings)):
        get(along.part, along.why, along.work)
    order = {"get": 0, "dress or machine": 1, "put right": 2, "measure better": 3}
    return [Need(p, w, tuple(r)) for (p, w), r in sorted(found.items(), key=lambda item: order[item[0][1]])]


@dataclass(frozen=True, slots=True)
class Offer:
    """A part that might be renewed while it is open.

    Attributes
    ----------
    part : its name
    now : price of the part now, with the labour it adds
    later : chance of failing × (labour to get back in + the part then)
    pays : True where renewing now costs no more
    even : chance at which both cost the same [-]
    """

    part: str
    now: float
    later: float
    pays: bool
    even: float


def worth_it(part: str, price: float, chance: float, hours: float, rate: float, extra_hours: float = 0.0) -> Offer:
    """Renew now, or take the chance of having to come back within the clutch's life; the user's own figures.

    now = price + extra hours · rate, later = chance · (hours · rate + price)

    Parameters
    ----------
    part : its name
    price : of the part [money]
    chance : that it fails within the clutch's life, 0 to 1 [-]
    hours : labour to get back in [h]
    rate : of an hour [money/h]
    extra_hours : labour it adds while it is open [h]

    Raises
    ------
    ValueError : a chance outside 0 to 1, or a price, hours or rate below 0

    Source: [definition: expected cost].

    >>> offer = worth_it("Pilot bearing", 25.0, 0.1, 8.0, 70.0)
    >>> offer.pays, round(offer.later, 1), round(offer.even, 3)
    (True, 58.5, 0.043)
    """
    if not 0 <= chance <= 1:
        raise ValueError(f"a chance is 0 to 1, not {chance:g}")
    if min(price, hours, rate, extra_hours) < 0:
        raise ValueError("price, hours and rate are 0 or more")
    now, back = price + extra_hours * rate, hours * rate + price
    later = chance * back
    return Offer(part, now, later, now <= later, now / back if back > 0 else 1.0)


def slips_worn(entries: Mapping[str, Entry], effects: Sequence[Effect]) -> str:
    """What Bite says with the wear that was read, where the clutch slips by it alone; else nothing.

    Parameters
    ----------
    entries : of what was found
    effects : what its readings enter, from `effects.effects`
    """
    read = {e.quantity: Entry(e.quantity, e.typed, e.si, "measured") for e in effects
            if e.quantity in ("wear", "inner_wear")}  # fmt: skip
    if not read or bite_alone(entries).state == "slips":
        return ""
    after = bite_alone({**entries, **read})
    return after.sentence if after.state == "slips" else ""


def worst(findings: Sequence[Finding]) -> Verdict:
    """The worst verdict among findings, "open" where none has been reached.

    >>> worst([])
    'open'
    """
    reached = [f.verdict for f in findings if f.verdict in VERDICTS]
    return min(reached, key=VERDICTS.index, default="open")
