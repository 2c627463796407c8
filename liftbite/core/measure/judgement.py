"""From readings to a verdict: what decided it, whose limit it was, how much of its life is used.

In the order in which it is used:

- `assess`       readings of one check to a `Finding`
- `life_used`    the share of a part's life that is used
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np
import numpy.typing as npt

from liftbite.core.measure.check import Check, Grade, Place, Verdict
from liftbite.core.measure.instruments import INSTRUMENT_KINDS, Zone, guard_band, settles_it, zone
from liftbite.core.measure.limit import Limit, value_of
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.runout import Dowel

#: Verdicts, the worst first; the first that any place leads to is the check's.
VERDICTS: tuple[Verdict, ...] = (
    "stop",
    "renew as set",
    "renew",
    "dress or resurface",
    "put right",
    "too close to call",
    "reuse and watch",
    "reuse",
)
#: Verdicts that let a part be used, and those with which it is got anew.
USABLE: frozenset[Verdict] = frozenset({"reuse", "reuse and watch", "noted"})
RENEWS: frozenset[Verdict] = frozenset({"stop", "renew as set", "renew"})
#: A part this far through its life is watched; our own choice.
WATCH_FROM = 0.75


@dataclass(frozen=True, slots=True)
class Swept:
    """What a sweep amounts to.

    Attributes
    ----------
    tir : total indicator reading, at the radius the limit is meant at [SI]
    off, towards : how far off it is, and which way [SI, rad]; None without angles
    of_face : True where it leans rather than being off its centre
    at, read : where the limit is meant, and what was read at the radius swept; empty and None where that is one
    places : largest reading at the places, where the circle through them goes further; None where it does not
    closes : what the first angle read otherwise at the end; None while it was not read again
    mended : the dowel that does best, of a bore that has a choice
    bore : True for what a dowel mends
    """

    tir: float
    off: float | None = None
    towards: float = 0.0
    of_face: bool = False
    at: str = ""
    read: float | None = None
    places: float | None = None
    closes: float | None = None
    mended: Dowel | None = None
    bore: bool = False


@dataclass(frozen=True, slots=True)
class Overruled:
    """Who put another verdict in the place of the readings', why, and what theirs was."""

    who: str
    reason: str
    by_readings: Verdict


#: What a finding is: nothing yet, a condition, figures without a limit or against one, a sweep.
Code = Literal[
    "nothing read",
    "not looked at",
    "skipped",
    "graded",
    "no limit",
    "for the sums",
    "held",
    "too few angles",
    "does not close",
    "swept",
]


@dataclass(frozen=True, slots=True)
class Held:
    """The worst reading held against one limit.

    Attributes
    ----------
    limit : the limit
    zone : "pass", "fail" or "close"
    value, guard : the reading that decided and its guard band [SI]
    place : where it was taken; of a spread both ends
    unit : SI unit
    swept : of a sweep, what it amounts to
    """

    limit: Limit
    zone: Zone
    value: float
    guard: float
    place: str
    unit: str
    swept: Swept | None = None


@dataclass(frozen=True, slots=True)
class Finding:
    """What the readings of one check amount to.

    Attributes
    ----------
    check : name of the check
    verdict : one of `VERDICTS`; "open" while places are left; "noted" where there is nothing to hold it against
    code : what it is; `measure.words` makes its sentence from that and the figures
    unit : SI unit of its figures
    place : the place that decided, or empty
    held : every limit, held against
    decides : the one that decided
    used : share of the life used, with its band [-]; None without a figure for new and for the limit
    better : the instrument that would settle what is too close to call
    taken, wanted : places read or skipped, and places there are
    worst, mean, spread : of all readings [SI]
    graded : the worst condition that was picked
    skipped : why it was skipped, as it was typed
    swept : of a sweep, what it amounts to
    overruled : by whom it was overruled
    causes : causes of a complaint that it speaks for where it is bad, and against where it is good
    """

    check: str
    verdict: Verdict
    code: Code = "nothing read"
    unit: str = "m"
    place: str = ""
    held: tuple[Held, ...] = ()
    decides: Held | None = None
    used: tuple[float, float, float] | None = None
    better: str = ""
    taken: int = 0
    wanted: int = 0
    worst: float | None = None
    mean: float | None = None
    spread: float | None = None
    graded: Grade | None = None
    skipped: str = ""
    swept: Swept | None = None
    overruled: Overruled | None = None
    causes: tuple[str, ...] = ()

    @property
    def grade(self) -> str:
        """The worst condition that was picked, by its value; empty where none was."""
        return self.graded.value if self.graded else ""

    @property
    def to_go(self) -> int:
        """Places that are left."""
        return self.wanted - self.taken


def _places(readings: Iterable[Reading]) -> dict[str, list[Reading]]:
    found: dict[str, list[Reading]] = {}
    for reading in readings:
        found.setdefault(reading.place, []).append(reading)
    return found


#: The zones, the worst first.
_ORDER: tuple[Zone, ...] = ("fail", "close", "pass")


Figures = npt.NDArray[np.float64]


def _worst(values: Figures, guards: Figures, limit: float, sense: str) -> tuple[int, Zone]:
    """Index and zone of the worst of several values: one that fails before one too close to call before one that
    passes, and of these the one furthest out with its doubt."""
    zones = zone(values, limit, guards, sense)
    inside = (values - limit) * (1.0 if sense == "least" else -1.0) - guards
    word = next(word for word in _ORDER if np.any(zones == word))
    return int(np.argmin(np.where(zones == word, inside, np.inf))), word


def _pairs(values: Figures, guards: Figures) -> tuple[npt.NDArray[np.intp], npt.NDArray[np.intp]]:
    """The pairs a spread's worst lies among: of readings that are equally sure only the ends can make it."""
    ends: list[int] = []
    for guard in np.unique(guards):
        (of,) = np.nonzero(guards == guard)
        ends += sorted({int(of[np.argmin(values[of])]), int(of[len(of) - 1 - np.argmax(values[of][::-1])])})
    first, second = np.triu_indices(len(ends), 1)
    kept = np.array(ends, dtype=np.intp)
    return kept[first], kept[second]


def _against(check: Check, limit: Limit, taken: Sequence[Reading], rule: str) -> Held | None:
    """The worst of the readings against a limit; of a spread the worst pair."""
    if limit.value is None or limit.name == "new" or not taken:
        return None
    values = np.array([r.si for r in taken], dtype=float)
    guards = np.array([guard_band(r.uncertainty, rule) for r in taken])
    if limit.name == "spread":
        first, second = _pairs(values, guards)
        if first.size == 0:
            return None
        apart, guards, sense = np.abs(values[first] - values[second]), np.hypot(guards[first], guards[second]), "most"
        worst, word = _worst(apart, guards, limit.value, sense)
        value, guard = float(apart[worst]), float(guards[worst])
        low, high = sorted((int(first[worst]), int(second[worst])), key=lambda i: values[i])
        place = f"{taken[low].place} to {taken[high].place}"
    else:
        sense = limit.name
        worst, word = _worst(values, guards, limit.value, sense)
        value, guard, place = float(values[worst]), float(guards[worst]), taken[worst].place
    return Held(limit, word, value, guard, place, check.unit)


def life_used(now: float, new: float, limit: float, uncertainty: float = 0.0) -> tuple[float, float, float]:
    """Share of a part's life that is used: low, best and high estimate.

    used = (new − now) / (new − limit), none of it where a part is thicker than a new one

    Parameters
    ----------
    now, new, limit : the reading, a new part's, the limit [SI]
    uncertainty : of the reading, k = 2 [SI]

    Raises
    ------
    ValueError : new and limit are the same figure

    Source: [definition: what is gone over what may go].

    >>> [round(u, 2) for u in life_used(2.9e-3, 3.0e-3, 2.8e-3, 0.03e-3)]
    [0.35, 0.5, 0.65]
    >>> round(life_used(2.5e-3, 3.0e-3, 2.0e-3)[1], 2)
    0.5
    >>> life_used(3.02e-3, 3.0e-3, 2.8e-3)
    (0.0, 0.0, 0.0)
    """
    if new == limit:
        raise ValueError("new and limit are the same figure, so there is no life between them")
    share, doubt = (new - now) / (new - limit), abs(uncertainty / (new - limit))
    return max(share - doubt, 0.0), max(share, 0.0), max(share + doubt, 0.0)


def _grades(check: Check, taken: Sequence[Reading]) -> tuple[Grade, str] | None:
    """The worst grade and its place; of a place graded again the last grade counts."""
    latest = {r.place: r.typed for r in taken if r.typed}
    found = [(g, place) for place, typed in latest.items() for g in check.grades if g.value == typed]
    return min(found, key=lambda f: VERDICTS.index(f[0].verdict), default=None)


def assess(
    check: Check, places: Sequence[Place], readings: Sequence[Reading], limits: Sequence[Limit], rule: str = "full"
) -> Finding:
    """What the readings of one check amount to. Limits apply to the worst place; a fail anywhere decides at once.

    Parameters
    ----------
    check : the check
    places : where it is to be taken
    readings : readings in force, in the order taken; repeats all count
    limits : limits in force, from `limits_of`
    rule : guard rule, a key of `instruments.GUARD_RULES`

    >>> from liftbite.core.measure.checks import CHECKS
    >>> check = CHECKS["plate_thickness"]
    >>> readings = [Reading("Plate 1", 2.82e-3, uncertainty=3e-5), Reading("Plate 2", 2.95e-3, uncertainty=3e-5)]
    >>> found = assess(check, [Place("Plate 1"), Place("Plate 2")], readings, check.limits)
    >>> found.verdict, found.place, found.better
    ('too close to call', 'Plate 1', 'Micrometer')
    """
    by_place = _places(readings)
    done = sum(1 for p in places if p.key in by_place)
    extra = [key for key in by_place if key not in {p.key for p in places}]
    open_places = len(places) - done
    base = Finding(
        check.name,
        "open",
        unit=check.unit,
        taken=done + len(extra),
        wanted=len(places) + len(extra),
        causes=check.causes,
    )
    if check.kind == "grade":
        return _graded(check, readings, base, open_places)
    read = [r for r in readings if r.si is not None]
    if not read:
        skipped = [r.skipped for r in readings if r.skipped]
        if open_places:
            return base
        return replace(
            base, verdict="noted", code="skipped" if skipped else "nothing read", skipped=skipped[-1] if skipped else ""
        )
    values = [r.si for r in read if r.si is not None]
    base = replace(base, mean=float(np.mean(values)), spread=max(values) - min(values))
    held = tuple(h for limit in limits if (h := _against(check, limit, read, rule)) is not None)
    return _judged(check, base, held, limits, read, open_places, rule)


def _graded(check: Check, readings: Sequence[Reading], base: Finding, open_places: int) -> Finding:
    worst = _grades(check, readings)
    skipped = next((r.skipped for r in readings if r.skipped), "")
    if worst is None:
        return replace(
            base,
            verdict="noted" if skipped and not open_places else "open",
            code="skipped" if skipped else "not looked at",
            skipped=skipped,
        )
    grade, place = worst
    waits = open_places and VERDICTS.index(grade.verdict) >= VERDICTS.index("reuse and watch")
    return replace(
        base,
        verdict="open" if waits else grade.verdict,
        code="graded",
        place=place,
        graded=grade,
        causes=grade.causes or base.causes,
    )


def _judged(
    check: Check,
    base: Finding,
    held: tuple[Held, ...],
    limits: Sequence[Limit],
    taken: Sequence[Reading],
    open_places: int,
    rule: str,
) -> Finding:
    if not held:
        wants = any(found.value is None and found.name != "new" for found in limits)
        return replace(
            base,
            verdict="open" if open_places else "noted",
            worst=taken[-1].si,
            code="no limit" if wants else "for the sums",
        )
    order = {"fail": 0, "close": 1, "pass": 2}
    first = min(held, key=lambda h: (order[h.zone], abs(h.value - (h.limit.value or 0.0)) - h.guard))
    used = _used(first, held, limits, taken)
    base = replace(base, code="held", held=held, decides=first, place=first.place, used=used, worst=first.value)
    if first.zone == "fail":
        return replace(base, verdict=check.if_failed)
    if first.zone == "close":
        now = max((r.uncertainty for r in taken), default=0.0)
        better = settles_it(first.value - (first.limit.value or 0.0), check.suited, now, rule)
        return replace(base, verdict="too close to call", better=better.label if better else "")
    if open_places:
        return base
    watch = used is not None and used[1] > WATCH_FROM
    return replace(base, verdict="reuse and watch" if watch else "reuse")


def _used(
    first: Held, held: Sequence[Held], limits: Sequence[Limit], taken: Sequence[Reading]
) -> tuple[float, float, float] | None:
    new = value_of(limits, "new")
    wears = first if first.limit.name == "least" else next((h for h in held if h.limit.name == "least"), None)
    if new is None or wears is None or wears.limit.value is None or new <= wears.limit.value:
        return None
    doubt = next((r.uncertainty for r in taken if r.place == wears.place and r.si == wears.value), 0.0)
    return life_used(wears.value, new, wears.limit.value, doubt)


def uncertainty_of(kind: str, unit: str) -> float:
    """Expanded uncertainty of a kind of instrument where it reads this unit, else 0 [SI]."""
    found = INSTRUMENT_KINDS.get(kind)
    return found.uncertainty if found is not None and found.unit == unit else 0.0
