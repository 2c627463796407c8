"""A concentric bearing's reserve: X less Y and the spacers, inside the window that wear and stroke ask for.

- `bearing_reserve`     how far the bearing stands from the fingers
- `reserve_window`, `computed_window`   the reserves that serve, from figures and from a job
- `bearing_stacks`, `Stack`   every stack of the spacers at hand
- `Bearing`, `work_out`, `tell`   the calculation

Lengths in metres.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import combinations
from math import hypot

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.effect import Effect, EffectOf, of_length
from liftbite.core.measure.reading import Readings, values_of
from liftbite.core.measure.setup.calculation import (
    MOST_PIECES,
    Asked,
    Band,
    Calculation,
    Mark,
    Outcome,
    Pieces,
    Remark,
    Ruler,
    SetUp,
    Shown,
    Table,
    Window,
    mm,
    pieces_of,
    right,
    span,
)
from liftbite.core.units.constants import INCH

#: Window of the rule of thumb and its nominal [m] [practice: 1/8 to 3/8 in; 1/4 in].
RULE = Window(INCH / 8, INCH * 3 / 8)
NOMINAL = INCH / 4
#: What the computed window of a reserve keeps beyond the wear [m]; our own choice.
SPARE = 0.5e-3
#: Reserves that differ by less are alike; the fewer spacers win [m].
ALIKE = 0.1e-3
#: Stacks that are shown.
_SHOWN = 8


def bearing_reserve(x: float, y: float, spacers: Sequence[float] = ()) -> float:
    """How far a concentric bearing stands from the fingers: X less Y and the spacers under the bearing.

    Source: [practice: two depths with a straight edge, before the gearbox goes in].

    >>> round(bearing_reserve(3.21875 * INCH, 2.5 * INCH) / INCH, 3)
    0.719
    >>> round(bearing_reserve(3.21875 * INCH, 2.5 * INCH, [0.509 * INCH]) / INCH, 3)
    0.21
    """
    return x - y - sum(spacers)


def reserve_window(
    total_wear: float,
    lever_ratio: float,
    release_stroke: float,
    bearing_stroke: float,
    way: float = 1.0,
    margin: float = SPARE,
) -> Window:
    """The reserve, X less Y, that wear and stroke leave; `way` is the quantity `finger_way`.

    A push cover's fingers come back by wear · R_d and the bearing goes out to release: low = wear · R_d + margin,
    high = bearing stroke − release stroke − margin. A pull cover's go on to the engine and the bearing comes back to
    release: low = release stroke + margin, high = bearing stroke − wear · R_d − margin.

    >>> push, pull = (reserve_window(0.0014, 4.0, 0.0065, 0.020, way) for way in (1.0, -1.0))
    >>> [round(end * 1e3, 2) for w in (push, pull) for end in (w.low, w.high)]
    [6.1, 13.0, 7.0, 13.9]
    """
    worn = total_wear * lever_ratio
    back, out = (worn, release_stroke) if way > 0 else (release_stroke, worn)
    return Window(back + margin, bearing_stroke - out - margin)


@dataclass(frozen=True, slots=True)
class Stack:
    """A stack of spacers under a concentric bearing.

    Attributes
    ----------
    pieces : which of the spacers at hand, by index
    height : of the stack [m]
    reserve : X less Y less the stack [m]
    in_rule : within 1/8 to 3/8 in
    off_nominal : how far from 1/4 in [m]
    in_window : within the window that follows from wear and stroke; None where that is not known
    sure : True where no practice's answer hangs on the doubt of the readings
    """

    pieces: tuple[int, ...]
    height: float
    reserve: float
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
    window : from `reserve_window`, or None where wear and stroke are not known
    doubt : uncertainty of x less y: two depths carry √2 of one reading's [m]

    Raises
    ------
    ValueError : more than `MOST_PIECES` spacers

    >>> stacks = bearing_stacks(3.21875 * INCH, 2.5 * INCH, [0.254 * INCH, 0.255 * INCH])
    >>> stacks[0].pieces, round(stacks[0].reserve / INCH, 3), stacks[0].in_rule
    ((0, 1), 0.21, True)
    """
    if len(spacers) > MOST_PIECES:
        raise ValueError(f"{len(spacers)} spacers are too many to try every stack; {MOST_PIECES} at most")
    found = []
    for n in range(len(spacers) + 1):
        for pieces in combinations(range(len(spacers)), n):
            height = sum(spacers[i] for i in pieces)
            reserve = bearing_reserve(x, y, [height])
            edges = [RULE, *([window] if window else [])]
            sure = all(w.holds(reserve - doubt) == w.holds(reserve + doubt) == w.holds(reserve) for w in edges)
            found.append(
                Stack(
                    pieces,
                    height,
                    reserve,
                    RULE.holds(reserve),
                    abs(reserve - NOMINAL),
                    None if window is None else window.holds(reserve),
                    sure,
                )
            )
    middle = NOMINAL if window is None else (window.low + window.high) / 2

    def rank(s: Stack) -> tuple[bool, int, int]:
        return not (s.in_rule if window is None else s.in_window), round(abs(s.reserve - middle) / ALIKE), len(s.pieces)

    return sorted(found, key=rank)


@dataclass(frozen=True, slots=True)
class Bearing:
    """A concentric bearing's reserve.

    Attributes
    ----------
    reserve, doubt : X less Y and its uncertainty [m]
    window : what wear and stroke ask for, also where nothing can meet it; None where they are not known
    pulls : True for a pull cover, which the rule of thumb is not for
    picked : the stack the builder fits, by index; None where he takes the one proposed
    stacks : every stack of the spacers at hand, best first
    pieces : the spacers
    crossing : master travel the best stack's reserve costs on every stroke where the bearing springs fully back [m],
        or None where the cylinders are not known
    """

    reserve: float
    doubt: float
    window: Window | None
    stacks: tuple[Stack, ...]
    pieces: Pieces
    pulls: bool = False
    picked: tuple[int, ...] | None = None
    crossing: float | None = None

    @property
    def fitted(self) -> Stack:
        """The stack that is fitted: the one picked, or else the one proposed."""
        return next((s for s in self.stacks if s.pieces == self.picked), self.stacks[0])

    @property
    def usable(self) -> Window | None:
        """The window, or None where it is not known or closed."""
        return self.window if self.window is not None and self.window.high > self.window.low else None


def computed_window(build: Build) -> Window | None:
    """The window of a concentric bearing's reserve, from the wear still to come and the stroke; None until known.

    Release stroke is the bearing's travel at full pedal. What has worn already has already moved the fingers.
    """
    wanted = ("wear_limit", "release_lever_ratio", "plate_lift_available", "finger_flex", "finger_way")
    v = build.evaluate(wanted)
    stroke = build.known.get("slave_stroke")
    if stroke is None or any(isinstance(v[n], Needs | Refused) for n in wanted):
        return None
    left = max(float(v["wear_limit"]) - float(build.known.get("wear", 0.0)), 0.0)
    release = float(v["plate_lift_available"] * v["release_lever_ratio"] / v["finger_flex"])
    return reserve_window(left, float(v["release_lever_ratio"]), release, float(stroke), float(v["finger_way"]))


def work_out(build: Build, readings: Readings, said_of: Mapping[str, str]) -> Bearing | None:
    """The reserve of a job's readings with every stack of its spacers; None without X and Y."""
    x, y = values_of(readings, "depth_x"), values_of(readings, "depth_y")
    if not x or not y:
        return None
    u = [max((r.uncertainty for r in readings[n]), default=0.0) for n in ("depth_x", "depth_y")]
    doubt = float(hypot(*u) + (np.ptp(x) + np.ptp(y)) / 2)
    mean_x, mean_y, pieces = float(np.mean(x)), float(np.mean(y)), pieces_of(readings, "spacers")
    pulls = float(build.evaluate(("finger_way",))["finger_way"]) < 0
    picked = FITTED.get(said_of.get("fitted", ""), ("", None))[1]
    found = Bearing(mean_x - mean_y, doubt, computed_window(build), (), pieces, pulls, picked)
    stacks = bearing_stacks(mean_x, mean_y, pieces.heights, found.usable, doubt)
    areas = build.evaluate(("master_area", "slave_area"))
    master, slave = areas["master_area"], areas["slave_area"]
    known = not isinstance(master, Needs | Refused) and not isinstance(slave, Needs | Refused)
    found = replace(found, stacks=tuple(stacks))
    crossing = float(found.fitted.reserve * slave / master) if known else None
    return replace(found, crossing=crossing)


def tell(found: Bearing) -> Outcome:
    """A concentric bearing: what the best stack leaves, inside what."""
    working = [
        f"Reserve = X − Y − spacers, from the means of the depths: X − Y = {span(found.reserve)}; its doubt is "
        f"√(U_X² + U_Y²) and half of both spreads, {span(found.doubt)}.",
        "The rule of the trade, 1/8 to 3/8 in, is for push covers; X is taken to the surface the bearing pulls on."
        if found.pulls
        else f"Rule of the trade: {span(RULE.low)} to {span(RULE.high)}, or a nominal {span(NOMINAL)} [practice].",
    ]
    if found.window is not None:
        low, high = span(found.window.low), span(found.window.high)
        spare = span(SPARE)
        working.append(
            f"Window of this clutch: at least release stroke + {spare} = {low}, for the bearing comes back along its "
            f"sleeve to release; at most bearing stroke − wear to come · lever ratio − {spare} = {high}, for it "
            "follows the fingers to the engine as the discs wear."
            if found.pulls
            else f"Window of this clutch: at least wear to come · lever ratio + {spare} = {low}, so that the fingers "
            f"can come back; at most bearing stroke − release stroke − {spare} = {high}, so that the bearing stays on "
            "its sleeve. It outranks the rule."
        )
    best = found.fitted.reserve
    if found.crossing is not None and best > 0:
        working.append(
            f"A bearing that rides on the fingers only keeps this in reserve. One that springs fully back "
            f"crosses it on every stroke: {mm(best)} mm · A_s/A_m = {mm(found.crossing)} mm of the "
            "master's travel; then enter it as the bearing's clearance."
        )
    return Outcome(_sentence(found), _verdict(found), (*working, *found.pieces.tried()), _shows(found), best)


def _verdict(found: Bearing) -> SetUp:
    """Whether the stack that is fitted leaves the right reserve; none is fitted where nothing was said."""
    if found.reserve <= 0:
        return "stop"
    if found.picked is None and found.stacks[0].pieces:
        return "put right"  # the stack that serves is not in yet
    window = found.usable
    return right(found.fitted.in_rule if window is None and not found.pulls else bool(found.fitted.in_window))


def _sentence(found: Bearing) -> str:
    fitted = found.fitted
    if found.picked is None or fitted.pieces != found.picked:
        return _proposed(found)
    window = found.usable
    inside = fitted.in_rule if window is None else fitted.in_window
    named = found.pieces.named(fitted.pieces) or "no spacer"
    says = f"Fitted with {named}: the reserve is {span(fitted.reserve)}, {'inside' if inside else 'outside'} "
    says += "1/8 to 3/8 in" if window is None else f"{span(window.low)} to {span(window.high)}"
    return f"{says}." if inside else f"{says}. {_proposed(found)}"


def _to_get(found: Bearing) -> str:
    """How thick a stack would do, where none at hand does; empty where none could."""
    window = found.usable or (None if found.pulls else RULE)
    if window is None or found.reserve <= window.low:
        return ""
    return (
        f" Get {span(max(found.reserve - window.high, 0.0))} to {span(found.reserve - window.low)} of spacers in all."
    )


def _proposed(found: Bearing) -> str:
    if found.reserve <= 0:
        return "The bearing already meets the fingers: no stack can help. A shorter bearing or another seat is needed."
    best, window = found.stacks[0], found.usable
    with_what = found.pieces.named(best.pieces) or "no spacer"
    left = f"With {with_what} the reserve is {span(best.reserve)}"
    nearest = f"Nearest: {left[0].lower()}{left[1:]}."
    doubt = "" if best.sure else " It stands on the doubt of the readings: measure again."
    if found.window is not None and window is None:
        return (
            f"No reserve serves: the fingers ask for {span(found.window.low)} and the stroke leaves "
            f"{span(found.window.high)}. A bearing of more stroke is needed. {left}."
        )
    if window is None and found.pulls:
        return f"{left}. Wear limit, lift and bearing stroke give the window of a pull cover; no rule of thumb does."
    if window is None:
        if not best.in_rule:
            return f"No stack at hand falls in 1/8 to 3/8 in. {nearest}{_to_get(found)}"
        own = "wear limit and bearing stroke would give a window of its own"
        return f"{left}, in the rule of 1/8 to 3/8 in; {own}.{doubt}"
    ends = ("the stroke", "the wear to come") if found.pulls else ("the wear to come", "the stroke")
    inside = f"between {span(window.low)} for {ends[0]} and {span(window.high)} for {ends[1]}"
    if not best.in_window:
        return f"No stack at hand falls {inside}. {nearest}{_to_get(found)}"
    rule = "" if best.in_rule or found.pulls else " It lies outside the rule of 1/8 to 3/8 in, which counts less."
    return f"{left}, {inside}.{rule}{doubt}"


def _shows(found: Bearing) -> tuple[Shown, ...]:
    window, best = found.usable, found.stacks[0]
    own = (Band("window of this clutch", window.low, window.high, leading=True),) if window else ()
    rule = () if found.pulls else (Band("1/8 to 3/8 in", RULE.low, RULE.high),)
    bare, proposed = Mark("no spacer", found.reserve), Mark("best stack", best.reserve, leading=found.picked is None)
    fitted = () if found.picked is None else (Mark("fitted", found.fitted.reserve, leading=True),)
    marks = (bare, proposed, *fitted)
    ruler = Ruler(
        "Reserve of the bearing",
        (*own, *rule),
        marks,
        zero="bearing touches the fingers",
    )
    columns = ("Spacers", "Stack", "Reserve", "Window") + (() if found.pulls else ("1/8 to 3/8", "Off 1/4 in"))
    table = Table("Stacks of the spacers at hand", columns, tuple(_row(found, s) for s in found.stacks[:_SHOWN]))
    return (
        Remark(f"X less Y is {span(found.reserve)}, ± {span(found.doubt)} by the readings."),
        ruler,
        table,
        Remark(
            "Spacers are clocked: the holes line up one way. Line and dust shield go on before the gearbox; "
            "after it there is no hand room."
        ),
    )


def _row(found: Bearing, s: Stack) -> tuple[str | float | None, ...]:
    words = {None: "not known", True: "inside", False: "outside"}
    names = ", ".join(found.pieces.names[i] for i in s.pieces) or "none"
    row = (names, s.height if s.pieces else None, s.reserve, words[s.in_window])
    return row if found.pulls else (*row, words[s.in_rule], s.off_nominal)


def _effects(build: Build, readings: Readings, said_of: Mapping[str, str]) -> list[Effect]:
    found = work_out(build, readings, said_of)
    if found is None or found.reserve <= 0 or found.fitted.reserve <= 0:
        return []
    named = found.pieces.named(found.fitted.pieces) or "no spacer"
    why = f"X less Y, with {named}" + ("" if found.picked is not None else ": the stack proposed")
    return [of_length("depth_x", "bearing_reserve", found.fitted.reserve, why)]


#: What is fitted under the bearing -> in words, and the spacers by index; the first where nothing was said.
FITTED: Mapping[str, tuple[str, tuple[int, ...] | None]] = {
    "": ("the stack proposed", None),
    "none": ("no spacer", ()),
    "1": ("Spacer 1", (0,)),
    "2": ("Spacer 2", (1,)),
    "3": ("Spacer 3", (2,)),
    "1+2": ("Spacers 1 and 2", (0, 1)),
    "1+3": ("Spacers 1 and 3", (0, 2)),
    "2+3": ("Spacers 2 and 3", (1, 2)),
    "1+2+3": ("all three", (0, 1, 2)),
}

CALCULATION = Calculation(
    "bearing",
    "Reserve of a concentric bearing",
    "bearing",
    ("depth_x", "depth_y", "spacers"),
    "X and Y, once each",
    work_out,
    tell,
    Asked("depth_x", "fitted", "Under the bearing", {name: words for name, (words, _) in FITTED.items()}),
    {"depth_x": EffectOf(lambda *_: [], told=_effects)},
    "depth_x",
)
