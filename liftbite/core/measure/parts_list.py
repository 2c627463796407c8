"""From verdicts to the list of parts to get, with reasons, and what is worth doing while it is open.

- `Need`, `needs`   the parts to get and why
- `line_key`, `line_named`   what a line of the list goes by in the record, now and before
- `slips_worn`     plates that each pass and slip together
- `Renewal`      the shop's own figures for a part renewed while it is open
- `Offer`, `worth_it`   renew now, or take the chance of having to come back
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from types import MappingProxyType
from typing import Literal, Protocol

from liftbite.core.job.build import Build
from liftbite.core.job.builds import with_what_is_on
from liftbite.core.job.ledger import Entry
from liftbite.core.job.parts import (
    FATES,
    OPENINGS,
    PARTS,
    Work,
    called,
    fate_of,
    fated,
    part_named,
    reached,
)
from liftbite.core.measure.check import Check, Verdict
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.effect import Effect
from liftbite.core.measure.judgement import RENEWS, VERDICTS, Finding
from liftbite.core.measure.practices import brought
from liftbite.core.measure.setup import CALCULATIONS
from liftbite.core.measure.setup.calculation import Calculation, Outcome
from liftbite.core.measure.whose import part_read
from liftbite.core.measure.words import finding_sentence
from liftbite.core.verdicts.answers import bite_alone
from liftbite.core.verdicts.words import verdict_sentence


@dataclass(frozen=True, slots=True)
class Renewal:
    """The shop's own figures for a part, by its key: price, chance of failing, hours to get back in, rate, hours it
    adds."""

    part: str
    price: float
    chance: float
    hours: float
    rate: float
    extra_hours: float = 0.0


#: Work on a part, in the order of the list -> what it is called there.
WORKS: Mapping[Work, str] = {
    "get": "get",
    "dress": "dress or machine",
    "put_right": "put right",
    "measure": "measure better",
}


#: Why a line is on the list: its plan, a verdict of what was found or of what goes in, wear taken together, a
#: calculation of the set-up, somebody's word, its order, another part, a practice of the shop.
Because = Literal["plan", "verdict", "worn together", "set-up", "by name", "order", "along", "practice"]


@dataclass(frozen=True, slots=True)
class Need:
    """A part to get, or work to have done, with every reason for it; the part by its key, or the shop's own name.

    Attributes
    ----------
    part, work : what is done with which part
    reasons, because : why, in words, and as codes
    """

    part: str
    work: Work
    reasons: tuple[str, ...]
    because: frozenset[Because] = frozenset()

    @property
    def key(self) -> str:
        """What it goes by in the record.

        >>> Need("flywheel", "dress", ()).key
        'flywheel:dress'
        """
        return line_key(self.part, self.work)

    @property
    def label(self) -> str:
        """What the part is called."""
        return called(self.part)

    def plans(self, build: Build) -> tuple[str, str] | None:
        """The choice and the fate that would plan it; None where it has none, or is planned already."""
        fate = {"get": "renewed", "dress": "dressed"}.get(self.work)
        part = PARTS.get(self.part)
        if part is None or fate not in part.fates:
            return None
        name = fate_of(part.key)
        planned = build.chosen.options.get(name)
        return (name, fate) if name in build.chosen.offered and planned not in (fate, "renewed") else None


def line_key(part: str, work: Work) -> str:
    """What a line of the list goes by in the record."""
    return f"{part}:{work}"


def line_named(key: str) -> str:
    """What a line of the list goes by, from what it went by before: the part's English name and the work in words.

    >>> line_named("Pilot bearing, get"), line_named("Stands of the floater, put right"), line_named("disc:get")
    ('pilot:get', 'floater:put_right', 'disc:get')
    """
    name, colon, work = key.rpartition(":")
    if colon and work in WORKS:
        return f"{part_named(name)}:{work}"
    name, comma, words = key.rpartition(", ")
    found = next((work for work, said in WORKS.items() if said == words), None)
    if not comma or found is None:
        return line_key(part_named(key), "get")
    set_up = next((c.part for c in CALCULATIONS.values() if c.label == name), None)
    return line_key(set_up or part_named(name), found)


def needs(
    build: Build,
    findings: Sequence[Finding],
    practices: Mapping[str, str],
    new: Sequence[Finding] = (),
    setups: Sequence[tuple[Calculation, Outcome]] = (),
    slips: str = "",
    checks: Mapping[str, Check] = CHECKS,
    added: Mapping[str, str] = MappingProxyType({}),
    going: Mapping[tuple[str, Work], str] = MappingProxyType({}),
    scope: str = "",
) -> list[Need]:
    """The parts to get and the work to have done, each with its reasons; plates are renewed only whole.

    Parameters
    ----------
    build : the job as planned
    findings : verdicts of what was found; those still open decide nothing
    practices : practice -> option picked by the shop
    new : verdicts of the parts that go in
    setups : calculations of the set-up with what they came to
    checks : every check readings may be of
    slips : what Bite says with the wear that was read, where it does not hold then; empty where it does
    added : parts somebody put on the list himself -> why: their age, a weakness he knows of
    going : lines that are ordered or accepted -> why; they stay on the list whatever was read since
    scope : how far the job goes: no practice brings a part it does not reach; empty where nobody said
    """
    lines: dict[tuple[str, Work], tuple[list[str], set[Because]]] = {}

    def get(part: str, why: str, because: Because, work: Work = "get") -> None:
        reasons, codes = lines.setdefault((part, work), ([], set()))
        codes.add(because)
        if why not in reasons:
            reasons.append(why)

    _planned(build, get)
    _by_verdicts(build, findings, checks, "", get)
    _by_verdicts(build, new, checks, "of the one that goes in, ", get)
    worn = "disc" if build.chosen.has("car") else "plates"
    if slips and not any(part == worn for part, _ in lines):
        get(worn, f"every one is within its limit, but with their wear together: {slips}", "worn together")
    for calculation, told in setups:
        if told.verdict in ("put right", "stop"):
            get(calculation.part, f"{calculation.label}: {told.sentence}", "set-up", "put_right")
    for name, why in added.items():
        get(part_named(name), why, "by name")
    for (part, work), why in going.items():
        get(part, why, "order", work)
    renewed = [part for part, work in lines if work == "get"]
    for along in brought(build, renewed, practices, opened=bool(findings)):
        if scope not in OPENINGS or reached(along.part, scope):
            get(along.part, along.why, along.because, along.work)
    order = list(WORKS)
    made = sorted(lines.items(), key=lambda item: order.index(item[0][1]))
    return [Need(part, work, tuple(reasons), frozenset(codes)) for (part, work), (reasons, codes) in made]


class _Get(Protocol):
    """Puts a line on the list."""

    def __call__(self, part: str, why: str, because: Because, work: Work = "get") -> None: ...


def _planned(build: Build, get: _Get) -> None:
    """What the plan says becomes of parts."""
    for part in fated(build.chosen.layout):
        fate = build.chosen.options.get(fate_of(part.key), "")
        if fate in ("renewed", "added", "dressed") and build.chosen.has_part(part.key):
            words = FATES[fate][0]
            get(part.key, f"planned: {words[0].lower()}{words[1:]}", "plan", "dress" if fate == "dressed" else "get")


def _by_verdicts(build: Build, findings: Iterable[Finding], checks: Mapping[str, Check], whose: str, get: _Get) -> None:
    """What verdicts ask for; what is wrong with a part that comes out is nobody's work."""
    fates = build.chosen.options
    parts = fated(build.chosen.layout)
    goes = with_what_is_on(p.key for p in parts if fates.get(fate_of(p.key)) in ("renewed", "left_out"))
    for finding in findings:
        check = checks[finding.check]
        words = f"{whose}{check.label}: {finding_sentence(finding)}"
        if finding.verdict in RENEWS:
            for part in check.got:
                get(part, words, "verdict")
        elif not whose and part_read(finding.check) in goes:
            continue
        elif finding.verdict == "dress or resurface":
            get(check.worked_on, words, "verdict", "dress")
        elif finding.verdict == "put right":
            get(check.worked_on, words, "verdict", "put_right")
        elif finding.verdict == "too close to call" and check.kind == "reading":
            get(check.worked_on, words, "verdict", "measure")


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
    read = {
        e.quantity: Entry(e.quantity, e.typed, e.si, "measured")
        for e in effects
        if e.quantity in ("wear", "inner_wear")
    }
    if not read or bite_alone(entries).state == "slips":
        return ""
    after = bite_alone({**entries, **read})
    return verdict_sentence(after) if after.state == "slips" else ""


def worst(findings: Sequence[Finding]) -> Verdict:
    """The worst verdict among findings, "open" where none has been reached.

    >>> worst([])
    'open'
    """
    reached = [f.verdict for f in findings if f.verdict in VERDICTS]
    return min(reached, key=VERDICTS.index, default="open")
