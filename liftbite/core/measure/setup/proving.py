"""Proving a set-up from measured depths, gaps and shims, before the gearbox goes in. Lengths in metres.

- `bearing_stacks`, `Stack`      a concentric bearing's cushion with every stack of spacers, by three practices
- `floater_stands`, `FloaterShims`   shims that bring a twin's floater into its window, stand by stand
- `shaft_reach`, `Reach`         how far the input shaft enters its pilot, at both ends
- `shims_for_float`              shims that take up an input shaft's end float
- `fork_change`, `ForkChange`    a bearing of another height on a fork
- `air_left`, `Air`              trapped air from measured slave travel, as a band
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations, product
from math import asin, hypot

from liftbite.core.measure.setup.fitting import Window, bearing_cushion, taller_bearing

INCH = 0.0254
THOU = INCH / 1000
#: Window of the rule of thumb and its nominal [m] [practice: 1/8 to 3/8 in; 1/4 in].
RULE = Window(INCH / 8, INCH * 3 / 8)
NOMINAL = INCH / 4
#: Clearance at the floater's stands, and how alike the three have to be [m] [practice].
FLOATER = Window(20 * THOU, 25 * THOU)
ALIKE = 2 * THOU
ATMOSPHERE = 101_325.0
#: Doubt of where a master's port closes [m] [practice].
PORT_DOUBT = 0.5e-3
#: More pieces than this are not tried in every combination.
MOST_PIECES = 10


@dataclass(frozen=True, slots=True)
class Stack:
    """A stack of spacers under a concentric bearing.

    Attributes
    ----------
    pieces : which of the spacers at hand, by index
    height : of the stack [m]
    cushion : X less Y less the stack [m]
    in_rule : within 1/8 to 3/8 in
    off_nominal : how far from 1/4 in [m]
    in_window : within the window that follows from wear and stroke; None where that is not known
    sure : True where no practice's answer hangs on the doubt of the readings
    """

    pieces: tuple[int, ...]
    height: float
    cushion: float
    in_rule: bool
    off_nominal: float
    in_window: bool | None
    sure: bool


def _inside(value: float, window: Window) -> bool:
    return window.low - 1e-9 <= value <= window.high + 1e-9


def bearing_stacks(
    x: float, y: float, spacers: Sequence[float], window: Window | None = None, doubt: float = 0.0
) -> list[Stack]:
    """Every stack of the spacers at hand, the best first: inside the computed window and near its middle, or where
    that is not known inside the rule of thumb and near its nominal. The computed window outranks the rule.

    Parameters
    ----------
    x, y : housing face to finger tips, gearbox face to the bearing pushed home [m]
    spacers : measured thicknesses, not nominal [m]
    window : `fitting.cushion_window`, or None where wear and stroke are not known
    doubt : uncertainty of x less y: two depths carry √2 of one reading's [m]

    Raises
    ------
    ValueError : more than `MOST_PIECES` spacers

    >>> stacks = bearing_stacks(3.21875 * INCH, 2.5 * INCH, [0.254 * INCH, 0.255 * INCH])
    >>> stacks[0].pieces, round(stacks[0].cushion / INCH, 3), stacks[0].in_rule
    ((0, 1), 0.21, True)
    """
    if len(spacers) > MOST_PIECES:
        raise ValueError(f"{len(spacers)} spacers are too many to try every stack; {MOST_PIECES} at most")
    found = []
    for n in range(len(spacers) + 1):
        for pieces in combinations(range(len(spacers)), n):
            height = sum(spacers[i] for i in pieces)
            cushion = bearing_cushion(x, y, [height])
            edges = [RULE, *([window] if window else [])]
            sure = all(_inside(cushion - doubt, w) == _inside(cushion + doubt, w) == _inside(cushion, w) for w in edges)
            found.append(Stack(pieces, height, cushion, _inside(cushion, RULE), abs(cushion - NOMINAL),
                               None if window is None else _inside(cushion, window), sure))  # fmt: skip
    middle = NOMINAL if window is None else (window.low + window.high) / 2

    def rank(s: Stack) -> tuple[bool, float, int]:
        return not (s.in_rule if window is None else s.in_window), abs(s.cushion - middle), len(s.pieces)

    return sorted(found, key=rank)


@dataclass(frozen=True, slots=True)
class FloaterShims:
    """Which shim goes under which stand.

    Attributes
    ----------
    pieces : per stand, the shims at hand by index
    gaps : per stand, the clearance with them in [m]
    in_window, alike : whether all stands are in the window, and within 0.002 in of each other
    """

    pieces: tuple[tuple[int, ...], ...]
    gaps: tuple[float, ...]
    in_window: bool
    alike: bool


def floater_stands(gaps: Sequence[float], shims: Sequence[float], *, opens: bool,
                   window: Window = FLOATER) -> FloaterShims:  # fmt: skip
    """Shims that bring every stand into its window and keep them alike; the fewest pieces that do it best.

    Parameters
    ----------
    gaps : clearance measured at each stand [m]
    shims : measured thicknesses at hand; at most two under a stand, each used once [m]
    opens : True where a shim raises the stop and so opens the gap, False where it closes it: it depends on where the
        shim sits
    window : clearance asked for [m]

    Raises
    ------
    ValueError : no gap, or more than `MOST_PIECES` shims

    >>> found = floater_stands([0.015 * INCH, 0.022 * INCH, 0.0165 * INCH], [0.007 * INCH, 0.006 * INCH], opens=True)
    >>> found.pieces, found.in_window, found.alike
    (((0,), (), (1,)), True, True)
    """
    if not gaps:
        raise ValueError("no gap was measured")
    if len(shims) > MOST_PIECES:
        raise ValueError(f"{len(shims)} shims are too many to try every way; {MOST_PIECES} at most")
    sign = 1.0 if opens else -1.0
    stacks = [c for n in range(3) for c in combinations(range(len(shims)), n)]
    middle = (window.low + window.high) / 2

    def better(gap: float) -> list[tuple[int, ...]]:
        """The dozen stacks that bring one stand nearest to the middle; the best of all lies among them."""
        left = sorted(stacks, key=lambda c: (abs(gap + sign * sum(shims[i] for i in c) - middle), len(c)))
        return [*left[:12], ()]

    best: tuple[tuple[object, ...], FloaterShims] | None = None
    for pieces in product(*(better(g) for g in gaps)):
        used = [i for stack in pieces for i in stack]
        if len(used) != len(set(used)):
            continue
        now = tuple(g + sign * sum(shims[i] for i in stack) for g, stack in zip(gaps, pieces, strict=True))
        inside = all(_inside(g, window) for g in now)
        alike = max(now) - min(now) <= ALIKE + 1e-9
        off = sum(max(window.low - g, g - window.high, 0.0) for g in now)
        rank = (not inside, round(off, 7), not alike, len(used), round(max(abs(g - middle) for g in now), 7))
        if best is None or rank < best[0]:
            best = rank, FloaterShims(pieces, now, inside, alike)
    assert best is not None  # no shim at all is always among the ways
    return best[1]


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


def shaft_reach(protrusion: float, housing_depth: float, block: float, recess: float, stand_out: float,
                pilot_length: float, below: float) -> Reach:  # fmt: skip
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


def shims_for_float(end_float: float, shims: Sequence[float]) -> tuple[tuple[int, ...], float]:
    """Which shims take up an end float to nil but free, and the float left: never less than nothing.

    >>> shims_for_float(0.30e-3, [0.10e-3, 0.25e-3, 0.15e-3])[0]
    (1,)
    """
    if len(shims) > MOST_PIECES:
        raise ValueError(f"{len(shims)} shims are too many to try every way; {MOST_PIECES} at most")
    stacks = [c for n in range(len(shims) + 1) for c in combinations(range(len(shims)), n)]
    left = {c: end_float - sum(shims[i] for i in c) for c in stacks}
    fits = [c for c in stacks if left[c] >= -1e-9]
    best = min(fits, key=lambda c: (round(left[c], 8), len(c)), default=())
    return best, left.get(best, end_float)


@dataclass(frozen=True, slots=True)
class ForkChange:
    """What a bearing of another height does to a fork.

    Attributes
    ----------
    height : how much taller the new bearing is [m]
    free_play : left at the slave or cable [m]; below 0 the bearing is always loaded
    tilt : how far the fork turns [rad]; None where its length was not measured
    """

    height: float
    free_play: float
    tilt: float | None


def fork_change(old: float, new: float, fork_ratio: float, free_play: float, arm: float | None = None) -> ForkChange:
    """A taller bearing takes free play and turns the fork.

    Parameters
    ----------
    old, new : heights of the bearings, seat to face [m]
    fork_ratio : slave travel over bearing travel [-]
    free_play : at the slave or cable with the old one [m]
    arm : pivot to the slave's end of the fork, where it was measured [m]

    >>> found = fork_change(0.020, 0.0215, 1.8, 0.003, 0.1)
    >>> round(found.free_play * 1e3, 2), round(found.tilt, 3)
    (0.3, 0.027)
    """
    rise = new - old
    tilt = None if arm is None else asin(max(-1.0, min(1.0, rise * fork_ratio / arm)))
    return ForkChange(rise, taller_bearing(rise, fork_ratio, free_play), tilt)


@dataclass(frozen=True, slots=True)
class Air:
    """Air still in the system at rest [m³]: best estimate and band; at most nothing below 0."""

    volume: float
    low: float
    high: float


def air_left(master_area: float, master_travel: float, slave_area: float, slave_travel: float, hose_swell: float,
             pressure: float, *, port_doubt: float = PORT_DOUBT, travel_doubt: float = 0.0) -> Air | None:  # fmt: skip
    """Trapped air from measured slave travel, the pedal held at full.

    V_air = (A_m·x_m − A_s·x_s − C·p)·(p_0 + p)/p, isothermal.

    Parameters
    ----------
    master_area, slave_area : [m²]
    master_travel : after the port has closed [m]
    slave_travel : measured [m]
    hose_swell : C [m³/Pa]
    pressure : p, gauge, from the release load [Pa]
    port_doubt : doubt of where the port closes [m]
    travel_doubt : doubt of the slave's travel [m]

    Returns
    -------
    the air with its band; None without pressure, where the sum has no value

    Source: [definition: Boyle's law]; a fork or bulkhead that flexes looks like air [practice].

    Half a millimetre of port doubt at a 285 mm² master:

    >>> air = air_left(285e-6, 20e-3, 285e-6, 18e-3, 0.0, 3e6)
    >>> round((air.high - air.volume) * 1e6, 2)
    0.15
    """
    if pressure <= 0:
        return None
    grows = (ATMOSPHERE + pressure) / pressure
    volume = (master_area * master_travel - slave_area * slave_travel - hose_swell * pressure) * grows
    doubt = hypot(master_area * port_doubt, slave_area * travel_doubt) * grows
    return Air(max(volume, 0.0), max(volume - doubt, 0.0), max(volume + doubt, 0.0))
