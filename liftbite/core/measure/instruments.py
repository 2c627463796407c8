"""What a reading is taken with, how far it can be trusted, and what that does to a verdict.

- `InstrumentKind`, `INSTRUMENT_KINDS`   caliper to stopwatch, each with resolution and expanded uncertainty
- `Instrument`     one of a shop, with an identity that readings taken with it name
- `GUARD_RULES`, `guard_band`   how much of the uncertainty a verdict keeps away from its limit
- `zone`, `zone_of`   pass, fail or too close to call
- `settles_it`   the plainest instrument that would settle what is too close to call
- `worst_trust`   the largest uncertainty a reading can have
- `read_trust`   step and uncertainty of a shop's own instrument, as typed
- `TORQUE_BAND`, `ANGLE_BAND`, `read_bands`   how far a pull of a torque wrench may be off, as typed
- `calibration_warns`   what an old calibration is worth saying
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from math import radians
from typing import Any, Literal, get_args

import numpy as np

from liftbite.core.errors import UnreadableEntry
from liftbite.core.units.read import read

Text = np.ndarray[Any, np.dtype[np.str_]]


@dataclass(frozen=True, slots=True)
class InstrumentKind:
    """A kind of instrument.

    Attributes
    ----------
    name, label : name in files, name on screen
    unit : SI unit of what it reads
    resolution : smallest step it shows [SI]
    uncertainty : expanded uncertainty of one reading, k = 2 [SI]
    mark, why : where that figure comes from
    """

    name: str
    label: str
    unit: str
    resolution: float
    uncertainty: float
    mark: str
    why: str


INSTRUMENT_KINDS: Mapping[str, InstrumentKind] = {
    k.name: k
    for k in (
        InstrumentKind("rule", "Steel rule", "m", 5e-4, 3e-4, "practice", "0.3 mm, read by eye"),
        InstrumentKind("caliper", "Caliper", "m", 1e-5, 3e-5, "practice", "0.02 to 0.03 mm; the larger"),
        InstrumentKind("depth_gauge", "Depth gauge", "m", 1e-5, 3e-5, "practice", "as a caliper, 0.02 to 0.03 mm"),
        InstrumentKind("feeler", "Feeler set", "m", 5e-5, 2.5e-5, "practice", "half the next blade's step of 0.05 mm"),
        InstrumentKind("dial", "Dial indicator", "m", 1e-5, 1e-5, "practice", "0.01 mm"),
        InstrumentKind("micrometer", "Micrometer", "m", 1e-6, 4e-6, "practice", "0.004 mm"),
        InstrumentKind("scale", "Scale", "kg", 1e-3, 5e-3, "practice", "5 g on a bench scale"),
        InstrumentKind("force_gauge", "Force gauge", "N", 1.0, 5.0, "practice", "5 N, as a luggage scale reads"),
        InstrumentKind(
            "torque_wrench", "Torque wrench", "N·m", 0.1, 4.0, "memory", "4 % of 100 N·m, as ISO 6789 allows"
        ),
        InstrumentKind("stopwatch", "Stopwatch", "s", 1e-2, 0.2, "memory", "0.2 s, two reactions of a thumb"),
    )
}


#: How far a pull may be off the torque asked, a share, and off the angle [rad] [practice], where a shop says no other.
TORQUE_BAND, ANGLE_BAND = 0.05, radians(5)


@dataclass(frozen=True, slots=True)
class Instrument:
    """An instrument of a shop.

    Attributes
    ----------
    kind : a key of `INSTRUMENT_KINDS`
    name : what the shop calls it
    resolution, uncertainty : smallest step it shows; expanded uncertainty of one reading, k = 2 [SI]
    calibrated_on : ISO date, or empty
    port : device or address of its data port, or empty
    uid : its identity, which readings taken with it name
    torque_band, angle_band : of a torque wrench, how far a pull may be off what is asked: share [-], angle [rad]
    """

    kind: str
    name: str
    resolution: float
    uncertainty: float
    calibrated_on: str = ""
    port: str = ""
    uid: str = ""
    torque_band: float = TORQUE_BAND
    angle_band: float = ANGLE_BAND


#: A calibration is good for so many days; our own choice, a shop's own rule comes first.
CALIBRATION_DAYS = 365

#: Rule -> guard band over expanded uncertainty.
GUARD_RULES: Mapping[str, tuple[str, float]] = {
    "full": ("All of the uncertainty, the stricter", 1.0),
    "share95": ("0.82 of it, the 95 % rule of 2017", 0.82),
}


def guard_band(uncertainty: float, rule: str = "full") -> float:
    """How far inside its limit a reading has to lie to pass.

    Parameters
    ----------
    uncertainty : U, expanded uncertainty of the reading, k = 2 [SI]
    rule : a key of `GUARD_RULES`

    Raises
    ------
    UnreadableEntry : no such rule

    Source: [memory: ISO 14253-1:2017, rules for deciding].

    >>> guard_band(3e-5), guard_band(3e-5, "share95")
    (3e-05, 2.46e-05)
    """
    if rule not in GUARD_RULES:
        raise UnreadableEntry(f"Guard band: “{rule}” is not offered; pick one of {', '.join(GUARD_RULES)}.")
    return float(f"{uncertainty * GUARD_RULES[rule][1]:.12g}")


Zone = Literal["pass", "fail", "close"]


def zone_of(value: float, limit: float, guard: float, sense: str) -> Zone:
    """`zone` of a single reading.

    >>> zone_of(2.9e-3, 2.8e-3, 3e-5, "least")
    'pass'
    """
    return next(word for word in get_args(Zone) if word == zone(value, limit, guard, sense))


def zone(value: Any, limit: Any, guard: Any, sense: str) -> Text:
    """Where readings lie against a limit: "pass", "fail" or "close", elementwise.

    Inside the limit by more than the guard band passes, outside by more fails, all between is too close to call; so is
    a reading exactly one guard band away.

    Parameters
    ----------
    value : readings [SI]
    limit : the limit [SI]
    guard : guard band of each reading, 0 or more [SI]
    sense : "least" where the reading must not be below the limit, "most" where not above

    Returns
    -------
    an array of words of the readings' shape

    Source: [memory: ISO 14253-1:2017, rules for deciding].

    >>> zone([2.9e-3, 2.81e-3, 2.7e-3], 2.8e-3, 3e-5, "least").tolist()
    ['pass', 'close', 'fail']
    """
    if sense not in {"least", "most"}:
        raise ValueError(f"sense is “least” or “most”, not “{sense}”")
    inside = np.subtract(value, limit) * (1.0 if sense == "least" else -1.0)
    guard = np.asarray(guard, dtype=float)
    slack = 1e-9 * np.maximum(np.abs(np.asarray(limit, dtype=float)), 1e-6)  # a reading on the edge is not past it
    found = np.where(inside > guard + slack, "pass", np.where(inside < -guard - slack, "fail", "close"))
    return np.asarray(found)


def settles_it(distance: float, suited: Iterable[str], now: float, rule: str = "full") -> InstrumentKind | None:
    """The plainest instrument whose guard band is smaller than a reading's distance from its limit.

    Parameters
    ----------
    distance : how far the reading lies from its limit [SI]
    suited : kinds that can take this reading
    now : expanded uncertainty of the reading as taken [SI]
    rule : a key of `GUARD_RULES`

    Returns
    -------
    the instrument, or None where none that is better would settle it either

    >>> settles_it(1e-5, ["caliper", "micrometer"], 3e-5).label
    'Micrometer'
    >>> settles_it(1e-6, ["caliper", "micrometer"], 3e-5) is None
    True
    """
    kinds = (INSTRUMENT_KINDS[name] for name in suited)
    better = [k for k in kinds if k.uncertainty < now and guard_band(k.uncertainty, rule) < abs(distance)]
    return max(better, key=lambda k: k.uncertainty, default=None)


#: How much worse than its kind an instrument may be and still be one of it.
WORSE = 1000


def worst_trust(kind: str, unit: str) -> float:
    """The largest uncertainty a reading of a unit can have; of the kind it was taken with, where that is known.

    Parameters
    ----------
    kind : a key of `INSTRUMENT_KINDS`, or empty
    unit : SI unit of what is read

    >>> worst_trust("force_gauge", "N"), worst_trust("", "m"), worst_trust("", "Hz")
    (5000.0, 0.3, inf)
    """
    kinds = [k for k in INSTRUMENT_KINDS.values() if k.name == kind] or [
        k for k in INSTRUMENT_KINDS.values() if k.unit == unit
    ]
    return max((float(f"{WORSE * k.uncertainty:.12g}") for k in kinds), default=float("inf"))


def read_bands(torque: str, angle: str) -> tuple[float, float]:
    """How far a pull of a wrench may be off, as typed; what is left empty is the trade's round figure.

    Parameters
    ----------
    torque : share of what is asked, as “4 %”, or empty
    angle : as “3°”, or empty

    Returns
    -------
    torque [-], angle [rad]

    Raises
    ------
    UnreadableEntry : no such figure, none above nothing, or more than 20 % or 20°

    >>> [round(band, 4) for band in read_bands("4 %", "3°")], read_bands("", "")[0]
    ([0.04, 0.0524], 0.05)
    """
    share = float(read(torque, "share", "%").si) if torque.strip() else TORQUE_BAND
    turned = float(read(angle, "rad", "°").si) if angle.strip() else ANGLE_BAND
    if not 0 < share <= 0.2 or not 0 < turned <= radians(20):
        raise UnreadableEntry("Torque wrench: a pull may be off by 20 % and by 20° at most")
    return share, turned


def read_trust(kind: InstrumentKind, resolution: str, uncertainty: str) -> tuple[float, float]:
    """Step and expanded uncertainty of a shop's own instrument, as typed; what is left empty is as its kind has it.

    A reading is known no better than half a step, so an uncertainty left empty is that at least.

    Parameters
    ----------
    kind : what it is
    resolution : smallest step it shows, as typed, or empty
    uncertainty : k = 2, as typed, or empty

    Returns
    -------
    resolution, uncertainty [SI]

    Raises
    ------
    UnreadableEntry : no such figure, none that an instrument of this kind has, or better than half a step

    >>> read_trust(INSTRUMENT_KINDS["caliper"], "0.1 mm", ""), read_trust(INSTRUMENT_KINDS["micrometer"], "", "0.006")
    ((0.0001, 5e-05), (1e-06, 6e-06))
    """
    shown = {"m": "mm", "kg": "g"}.get(kind.unit, kind.unit)

    def figure(label: str, typed: str, usual: float) -> float:
        try:
            found = read(typed, kind.unit, shown).si
        except UnreadableEntry as error:
            raise UnreadableEntry(f"{label}: {error.reason}.") from None
        if not 0 < found <= WORSE * usual:
            raise UnreadableEntry(f"{label}: “{typed}” is not one of a {kind.label.lower()}.")
        return found

    step = figure("Smallest step", resolution, kind.resolution) if resolution.strip() else kind.resolution
    if not uncertainty.strip():
        return step, max(kind.uncertainty, step / 2)
    doubt = figure("Uncertainty", uncertainty, kind.uncertainty)
    if doubt < step / 2 * (1 - 1e-9):
        raise UnreadableEntry(f"Uncertainty: “{uncertainty}” is finer than half of its smallest step; no reading is.")
    return step, doubt


def calibration_warns(age: float | None) -> str:
    """What is to be said of an instrument's last calibration; empty where nothing is.

    Parameters
    ----------
    age : days since the last one, below 0 for one to come; None where none was noted

    >>> calibration_warns(635)
    'calibrated 21 months ago: check it against a gauge block before it decides'
    >>> calibration_warns(200), calibration_warns(None)
    ('', '')
    """
    if age is None or -1 <= age <= CALIBRATION_DAYS:  # a day's grace: the bench may be ahead of the clock's zone
        return ""
    if age < -1:
        return "its calibration is dated in the future"
    return f"calibrated {round(age / 30.44)} months ago: check it against a gauge block before it decides"
