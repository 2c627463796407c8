"""A concentric bearing's cushion: X less Y and the spacers, inside the window that wear and stroke ask for.

- `bearing_cushion`     how far the bearing stands from the fingers
- `cushion_window`, `computed_window`   the cushions that serve, from figures and from a job
- `bearing_stacks`, `Stack`   every stack of the spacers at hand
- `Bearing`, `work_out`, `tell`   the calculation

Lengths in metres.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations
from math import hypot

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.checks import Limit
from liftbite.core.measure.effect import Effect, EffectOf, of_length
from liftbite.core.measure.judgement import Readings, values_of
from liftbite.core.measure.setup.calculation import (
    MOST_PIECES,
    Band,
    Calculation,
    Mark,
    Pieces,
    Remark,
    Ruler,
    Shown,
    Table,
    Told,
    Window,
    mm,
    pieces_of,
    said,
)
from liftbite.core.units.constants import INCH

#: Window of the rule of thumb and its nominal [m] [practice: 1/8 to 3/8 in; 1/4 in].
RULE = Window(INCH / 8, INCH * 3 / 8)
NOMINAL = INCH / 4
#: What the computed window of a cushion keeps beyond the wear [m]; our own choice.
SPARE = 0.5e-3
#: Stacks that are shown.
_SHOWN = 8


def bearing_cushion(x: float, y: float, spacers: Sequence[float] = ()) -> float:
    """How far a concentric bearing stands from the fingers: X less Y and the spacers under the bearing.

    Source: [practice: two depths with a straight edge, before the gearbox goes in].

    >>> round(bearing_cushion(3.21875 * INCH, 2.5 * INCH) / INCH, 3)
    0.719
    >>> round(bearing_cushion(3.21875 * INCH, 2.5 * INCH, [0.509 * INCH]) / INCH, 3)
    0.21
    """
    return x - y - sum(spacers)


def cushion_window(
    total_wear: float, lever_ratio: float, release_stroke: float, bearing_stroke: float, margin: float = SPARE
) -> Window:
    """The cushion a push-type cover needs: room for the fingers to come back, stroke enough to release.

    low = wear · R_d + margin, high = bearing stroke − release stroke. The rule of thumb, 1/8 to 3/8 in, is ranked
    below this: 1/8 in at R_d 4 covers 0.79 mm of wear alone.

    >>> w = cushion_window(0.0014, 4.0, 0.0065, 0.020)
    >>> round(w.low * 1e3, 2), round(w.high * 1e3, 2)
    (6.1, 13.5)
    """
    return Window(total_wear * lever_ratio + margin, bearing_stroke - release_stroke)


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


def bearing_stacks(
    x: float, y: float, spacers: Sequence[float], window: Window | None = None, doubt: float = 0.0
) -> list[Stack]:
    """Every stack of the spacers at hand, the best first: inside the computed window and near its middle, or where
    that is not known inside the rule of thumb and near its nominal. The computed window outranks the rule.

    Parameters
    ----------
    x, y : housing face to finger tips, gearbox face to the bearing pushed home [m]
    spacers : measured thicknesses, not nominal [m]
    window : from `cushion_window`, or None where wear and stroke are not known
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
            sure = all(w.holds(cushion - doubt) == w.holds(cushion + doubt) == w.holds(cushion) for w in edges)
            found.append(Stack(pieces, height, cushion, RULE.holds(cushion), abs(cushion - NOMINAL),
                               None if window is None else window.holds(cushion), sure))  # fmt: skip
    middle = NOMINAL if window is None else (window.low + window.high) / 2

    def rank(s: Stack) -> tuple[bool, float, int]:
        return not (s.in_rule if window is None else s.in_window), abs(s.cushion - middle), len(s.pieces)

    return sorted(found, key=rank)


@dataclass(frozen=True, slots=True)
class Bearing:
    """A concentric bearing's cushion.

    Attributes
    ----------
    cushion, doubt : X less Y and its uncertainty [m]
    window : what wear and stroke ask for, also where nothing can meet it; None where they are not known
    stacks : every stack of the spacers at hand, best first
    pieces : the spacers
    crossing : master travel the best stack's cushion costs on every stroke where the bearing springs fully back [m],
        or None where the cylinders are not known
    """

    cushion: float
    doubt: float
    window: Window | None
    stacks: tuple[Stack, ...]
    pieces: Pieces
    crossing: float | None = None

    @property
    def usable(self) -> Window | None:
        """The window, or None where it is not known or closed."""
        return self.window if self.window is not None and self.window.high > self.window.low else None


def computed_window(build: Build) -> Window | None:
    """The window of a concentric bearing's cushion, from the wear still to come and the stroke; None until known.

    Release stroke is the bearing's travel at full pedal. What has worn already has already moved the fingers.
    """
    wanted = ("wear_limit", "release_lever_ratio", "plate_lift_available", "finger_flex")
    v = build.evaluate(wanted)
    stroke = build.known.get("slave_stroke")
    if stroke is None or any(isinstance(v[n], Needs | Refused) for n in wanted):
        return None
    left = max(float(v["wear_limit"]) - float(build.known.get("wear", 0.0)), 0.0)
    release = float(v["plate_lift_available"] * v["release_lever_ratio"] / v["finger_flex"])
    return cushion_window(left, float(v["release_lever_ratio"]), release, float(stroke))


def work_out(build: Build, readings: Readings, _: Mapping[str, str]) -> Bearing | None:
    """The cushion of a job's readings with every stack of its spacers; None without X and Y."""
    x, y = values_of(readings, "depth_x"), values_of(readings, "depth_y")
    if not x or not y:
        return None
    u = [max((r.uncertainty for r in readings[n]), default=0.0) for n in ("depth_x", "depth_y")]
    doubt = float(hypot(*u) + (np.ptp(x) + np.ptp(y)) / 2)
    mean_x, mean_y, pieces = float(np.mean(x)), float(np.mean(y)), pieces_of(readings, "spacers")
    found = Bearing(mean_x - mean_y, doubt, computed_window(build), (), pieces)
    stacks = bearing_stacks(mean_x, mean_y, pieces.heights, found.usable, doubt)
    areas = build.evaluate(("master_area", "slave_area"))
    master, slave = areas["master_area"], areas["slave_area"]
    known = not isinstance(master, Needs | Refused) and not isinstance(slave, Needs | Refused)
    crossing = float(stacks[0].cushion * slave / master) if known else None
    return Bearing(found.cushion, doubt, found.window, tuple(stacks), pieces, crossing)


def tell(found: Bearing) -> Told:
    """A concentric bearing: what the best stack leaves, inside what."""
    working = [
        f"Cushion = X − Y − spacers, from the means of the depths: X − Y = {said(found.cushion)}; its doubt is "
        f"√(U_X² + U_Y²) and half of both spreads, {said(found.doubt)}.",
        f"Rule of the trade: {said(RULE.low)} to {said(RULE.high)}, or a nominal {said(NOMINAL)} [practice].",
    ]
    if found.window is not None:
        working.append(f"Window of this clutch: at least wear to come · lever ratio + {said(SPARE)} = "
                       f"{said(found.window.low)}, so that the fingers can come back; at most bearing stroke − release "
                       f"stroke = {said(found.window.high)}. It outranks the rule.")  # fmt: skip
    best = found.stacks[0].cushion
    if found.crossing is not None and best > 0:
        working.append(f"A bearing that rides on the fingers only keeps this in reserve. One that springs fully back "
                       f"crosses it on every stroke: {mm(best)} mm · A_s/A_m = {mm(found.crossing)} mm of the "
                       "master's travel; then enter it as the bearing's clearance.")  # fmt: skip
    working.append("Push-type covers only: on a pull-type cover the fingers go the other way and X − Y does not apply.")
    return Told(_sentence(found), (*working, *found.pieces.tried()), _shows(found))


def _sentence(found: Bearing) -> str:
    if found.cushion <= 0:
        return "The bearing already meets the fingers: no stack can help. A shorter bearing or another seat is needed."
    best, window = found.stacks[0], found.usable
    with_what = found.pieces.named(best.pieces) or "no spacer"
    left = f"With {with_what} the cushion is {said(best.cushion)}"
    nearest = f"Nearest: {left[0].lower()}{left[1:]}."
    doubt = "" if best.sure else " It stands on the doubt of the readings: measure again."
    if found.window is not None and window is None:
        return (f"No cushion serves: the fingers ask for {said(found.window.low)} and the stroke leaves "
                f"{said(found.window.high)}. A bearing of more stroke is needed. {left}.")  # fmt: skip
    if window is None:
        if not best.in_rule:
            return f"No stack at hand falls in 1/8 to 3/8 in. {nearest}"
        own = "wear limit and bearing stroke would give a window of its own"
        return f"{left}, in the rule of 1/8 to 3/8 in; {own}.{doubt}"
    inside = f"between {said(window.low)} for the wear to come and {said(window.high)} for the stroke"
    if not best.in_window:
        return f"No stack at hand falls {inside}. {nearest}"
    rule = "" if best.in_rule else " It lies outside the rule of 1/8 to 3/8 in, which counts less."
    return f"{left}, {inside}.{rule}{doubt}"


def _shows(found: Bearing) -> tuple[Shown, ...]:
    window, best = found.usable, found.stacks[0]
    own = (Band("window of this clutch", window.low, window.high, leading=True),) if window else ()
    ruler = Ruler(
        "Cushion of the bearing", (*own, Band("1/8 to 3/8 in", RULE.low, RULE.high)),
        (Mark("no spacer", found.cushion), Mark("best stack", best.cushion, leading=True)),
        zero="bearing touches the fingers",
    )  # fmt: skip
    words = {None: "not known", True: "inside", False: "outside"}
    table = Table(
        "Stacks of the spacers at hand", ("Spacers", "Stack", "Cushion", "Window", "1/8 to 3/8", "Off 1/4 in"),
        tuple(
            (", ".join(found.pieces.names[i] for i in s.pieces) or "none", s.height if s.pieces else None, s.cushion,
             words[s.in_window], words[s.in_rule], s.off_nominal)
            for s in found.stacks[:_SHOWN]
        ),
    )  # fmt: skip
    return (
        Remark(f"X less Y is {said(found.cushion)}, ± {said(found.doubt)} by the readings."), ruler, table,
        Remark("Spacers are clocked: the holes line up one way. Line and dust shield go on before the gearbox; "
               "after it there is no hand room."),
    )  # fmt: skip


def _effects(_: Build, readings: Readings, __: Sequence[Limit]) -> list[Effect]:
    x, y = values_of(readings, "depth_x"), values_of(readings, "depth_y")
    left = float(np.mean(x) - np.mean(y)) if x and y else 0.0
    return [of_length("depth_x", "bearing_reserve", left, "X less Y, no spacer")] if left > 0 else []


CALCULATION = Calculation(
    "bearing", "Cushion of a concentric bearing", ("depth_x", "depth_y", "spacers"), "X and Y, once each",
    work_out, tell, effects={"depth_x": EffectOf(_effects)},
)  # fmt: skip
