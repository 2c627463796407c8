"""The sums of the set-up that a job's readings allow: each with everything it stands on. Lengths in metres.

- `proofs`, `Proofs`   every sum, None while readings for it are missing
- `Bearing`, `Floater`, `Shaft`, `Fork`, `FlywheelCut`, `EndFloat`, `AirFound`, `Pack`   one sum each
- `computed_window`    the window of a concentric bearing's cushion, from wear and stroke
- `trapped_air`        air still in the system, from the slave's travel

What they come to in words, and how, is said in `proofs_said`.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import hypot

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.judgement import Readings, mean_by_item, values_of
from liftbite.core.measure.setup.fitting import Cut, Window, cushion_window, flywheel_cut
from liftbite.core.measure.setup.proving import (
    FLOATER,
    MOST_PIECES,
    Air,
    FloaterShims,
    ForkChange,
    Reach,
    Stack,
    air_left,
    bearing_stacks,
    floater_stands,
    fork_change,
    shaft_reach,
    shims_for_float,
)
from liftbite.core.quantities.release import inner_gap, outer_gap

#: A plain plate that differs from the common one by more than this is of another thickness [m]; our own choice.
ODD_PLATE = 0.15e-3


@dataclass(frozen=True, slots=True)
class Pieces:
    """Spacers or shims at hand, each by its latest reading.

    Attributes
    ----------
    names, heights : of those that are tried, in order [m]
    untried : how many were measured beyond those
    """

    names: tuple[str, ...]
    heights: tuple[float, ...]
    untried: int


def pieces_of(readings: Readings, check: str) -> Pieces:
    """The pieces at hand that were measured; the first `MOST_PIECES` are tried."""
    latest = {r.place: r.si for r in readings.get(check, ()) if r.si is not None}
    names = sorted(latest, key=lambda place: (len(place), place))
    tried = names[:MOST_PIECES]
    return Pieces(tuple(tried), tuple(latest[n] for n in tried), len(names) - len(tried))


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


@dataclass(frozen=True, slots=True)
class Floater:
    """A twin's floater.

    Attributes
    ----------
    gaps : clearance measured at each stand [m]
    ways : shims for each place one may sit at that is still asked about: raising the stop, lowering it
    pieces : the shims
    wear, inner, outer : free travel of both discs along the inner one's wear [m]; empty where the lift is not known
    reshim_at : wear of the inner disc at which the stands want new shims [m], or None
    """

    gaps: tuple[float, ...]
    ways: tuple[tuple[str, FloaterShims], ...]
    pieces: Pieces
    wear: tuple[float, ...]
    inner: tuple[float, ...]
    outer: tuple[float, ...]
    reshim_at: float | None


@dataclass(frozen=True, slots=True)
class Shaft:
    """The input shaft in its pilot: the depths by place, and what they come to."""

    depths: tuple[tuple[str, float], ...]
    reach: Reach


@dataclass(frozen=True, slots=True)
class Fork:
    """A bearing of another height on a fork.

    Attributes
    ----------
    old, new : heights of the bearings [m]
    arm : pivot to the slave's end of the fork [m], or None
    ratio : slave travel over bearing travel [-]
    play, assumed : free play at the slave or cable with the old bearing [m], and whether nobody entered it
    change : what it does
    stroke, needed : of the slave [m]: what is left with the new bearing, what full pedal asks for; None where not known
    """

    old: float
    new: float
    arm: float | None
    ratio: float
    play: float
    assumed: bool
    change: ForkChange
    stroke: float | None
    needed: float | None


@dataclass(frozen=True, slots=True)
class FlywheelCut:
    """A flywheel that was cut.

    Attributes
    ----------
    face, seat : what came off [m]
    ratio : lever ratio of the cover [-], or None
    cut : what it does
    pushed, concentric : a push-type cover, a concentric slave
    """

    face: float
    seat: float
    ratio: float | None
    cut: Cut
    pushed: bool
    concentric: bool


@dataclass(frozen=True, slots=True)
class EndFloat:
    """An input shaft's end float, the shims that take it up, and what is left [m]."""

    measured: float
    pieces: Pieces
    taken: tuple[int, ...]
    left: float


@dataclass(frozen=True, slots=True)
class AirFound:
    """Trapped air with what it was worked out from [SI]: areas, travels after the port, swell, gauge pressure."""

    air: Air
    master_area: float
    master_travel: float
    slave_area: float
    slave_travel: float
    hose_swell: float
    pressure: float


@dataclass(frozen=True, slots=True)
class Pack:
    """A wet pack: plates counted, and the plain ones' thicknesses by name [m].

    Attributes
    ----------
    friction, plain : as counted, or None
    asked : friction plates the job says, or None
    thick : plain plate -> its thickness
    common : the thickness most have, or None below three plates
    odd : plain plates of another thickness
    """

    friction: int | None
    plain: int | None
    asked: int | None
    thick: tuple[tuple[str, float], ...]
    common: float | None
    odd: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Proofs:
    """The sums of the set-up, each None while readings for it are missing."""

    bearing: Bearing | None = None
    floater: Floater | None = None
    shaft: Shaft | None = None
    fork: Fork | None = None
    cut: FlywheelCut | None = None
    end_float: EndFloat | None = None
    air: AirFound | None = None
    pack: Pack | None = None


def proofs(build: Build, readings: Readings, shim: str = "") -> Proofs:
    """The sums of the set-up that the readings of a job allow.

    Parameters
    ----------
    build : the job
    readings : check -> readings in force
    shim : what a shim under the floater's stands does: "raises" the stop, "lowers" it, or "" where nobody said
    """
    return Proofs(
        _bearing(build, readings), _floater(build, readings, shim), _shaft(readings), _fork(build, readings),
        _cut(build, readings), _end_float(readings), trapped_air(build, readings), _pack(build, readings),
    )  # fmt: skip


def computed_window(build: Build) -> Window | None:
    """The window of a concentric bearing's cushion, from the wear still to come and the stroke; None until known.

    Release stroke is the bearing's travel at full pedal. What has worn already has already moved the fingers.
    """
    v = build.evaluate(("wear_limit", "release_lever_ratio", "plate_lift_available", "finger_flex"))
    stroke = build.known.get("slave_stroke")
    if stroke is None or any(isinstance(v[n], Needs | Refused) for n in v):
        return None
    left = max(float(v["wear_limit"]) - float(build.known.get("wear", 0.0)), 0.0)
    release = float(v["plate_lift_available"] * v["release_lever_ratio"] / v["finger_flex"])
    return cushion_window(left, float(v["release_lever_ratio"]), release, float(stroke))


def trapped_air(build: Build, readings: Readings) -> AirFound | None:
    """Air still in the system from the slave's travel at full pedal; None where it cannot be worked out."""
    travel = values_of(readings, "slave_travel")
    names = ("master_area", "slave_area", "hose_swell", "pedal_stroke", "pedal_free_play", "pedal_ratio", "port_travel",
             "bearing_clearance", "fork_ratio", "finger_flex", "release_lever_ratio")  # fmt: skip
    if not travel:
        return None
    v = build.evaluate(names)
    if any(isinstance(v[n], Needs | Refused) for n in names):
        return None
    bearing = travel[-1] / v["fork_ratio"] - v["bearing_clearance"]
    lift = bearing * v["finger_flex"] / v["release_lever_ratio"]
    pressure = build.evaluate(("line_pressure",), plate_lift=max(lift, 0.0))["line_pressure"]
    if isinstance(pressure, Needs | Refused):
        return None
    master = float((v["pedal_stroke"] - v["pedal_free_play"]) / v["pedal_ratio"] - v["port_travel"])
    doubt = next(r.uncertainty for r in reversed(readings["slave_travel"]) if r.si is not None)
    terms = (float(v["master_area"]), master, float(v["slave_area"]), travel[-1], float(v["hose_swell"]),
             float(pressure))  # fmt: skip
    air = air_left(*terms, travel_doubt=doubt)
    return None if air is None else AirFound(air, *terms)


def _bearing(build: Build, readings: Readings) -> Bearing | None:
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


def _floater(build: Build, readings: Readings, shim: str) -> Floater | None:
    stands = [values_of(readings, "floater_gap", f"Stand {i}")[-1:] for i in (1, 2, 3)]
    gaps = [value for stand in stands for value in stand]
    if len(gaps) < 3:
        return None
    pieces = pieces_of(readings, "floater_shims")
    ways = tuple(
        (way, floater_stands(gaps, pieces.heights, opens=way == "raises"))
        for way in ("raises", "lowers")
        if shim in ("", way)
    )
    v = build.evaluate(("plate_lift_available", "reshim_wear", "wear_limit"))
    lift, at, limit = (None if isinstance(v[n], Needs | Refused) else float(v[n])
                       for n in ("plate_lift_available", "reshim_wear", "wear_limit"))  # fmt: skip
    if lift is None:
        return Floater(tuple(gaps), ways, pieces, (), (), (), at)
    shimmed = ways[0][1]
    gap = float(np.mean(shimmed.gaps)) if shimmed.in_window else (FLOATER.low + FLOATER.high) / 2
    cushion = float(build.known.get("cushion_travel", 0.0))
    wear = np.linspace(0.0, 0.001 if limit is None else limit / 2, 5)
    inner, outer = np.asarray(inner_gap(gap, cushion, wear)), np.asarray(outer_gap(lift, gap, cushion, wear))
    return Floater(tuple(gaps), ways, pieces, tuple(wear.tolist()), tuple(inner.tolist()), tuple(outer.tolist()), at)


def _shaft(readings: Readings) -> Shaft | None:
    names = [p.key for p in CHECKS["shaft_reach"].places(None)]  # type: ignore[arg-type]
    depths = [values_of(readings, "shaft_reach", name)[-1:] for name in names]
    if not all(depths):
        return None
    measured = [d[0] for d in depths]
    return Shaft(tuple(zip(names, measured, strict=True)), shaft_reach(*measured))


def _fork(build: Build, readings: Readings) -> Fork | None:
    old, new, arms = (values_of(readings, "bearing_height", place) for place in ("Old", "New", "Fork"))
    ratio = build.known.get("fork_ratio")
    if not old or not new or ratio is None:
        return None
    ratio, arm = float(ratio), arms[-1] if arms else None
    play = float(build.known.get("bearing_clearance", 0.0)) * ratio
    assumed = build.mark("bearing_clearance") not in {"entered", "measured"}
    change = fork_change(old[-1], new[-1], ratio, play, arm)
    stroke, needed = build.known.get("slave_stroke"), None
    lift = build.evaluate(("plate_lift_available",))["plate_lift_available"]
    if not isinstance(lift, Needs | Refused):
        travel = build.evaluate(("slave_travel",), plate_lift=lift)["slave_travel"]
        needed = None if isinstance(travel, Needs | Refused) else float(travel)
    # a shorter bearing lets the piston stand further out, a taller one pushes it home
    left = None if stroke is None else float(stroke) - max(-change.height, 0.0) * ratio
    return Fork(old[-1], new[-1], arm, ratio, play, assumed, change, left, needed)


def _cut(build: Build, readings: Readings) -> FlywheelCut | None:
    face, seat = values_of(readings, "face_cut")[-1:], values_of(readings, "seat_cut")[-1:]
    if not face and not seat:
        return None
    off_face, off_seat = sum(face), sum(seat)
    found = build.evaluate(("release_lever_ratio",))["release_lever_ratio"]
    ratio = None if isinstance(found, Needs | Refused) else float(found)
    pushed = build.chosen.options.get("cover_action") == "push"
    cut = flywheel_cut(off_face, off_seat, ratio or 0.0, pushed=pushed)
    return FlywheelCut(off_face, off_seat, ratio, cut, pushed, build.chosen.options.get("release") == "concentric")


def _end_float(readings: Readings) -> EndFloat | None:
    measured, pieces = values_of(readings, "end_float"), pieces_of(readings, "retainer_shims")
    if not measured:
        return None
    return EndFloat(measured[-1], pieces, *shims_for_float(measured[-1], pieces.heights))


def _pack(build: Build, readings: Readings) -> Pack | None:
    counts = {r.place: int(r.si) for r in readings.get("plate_count", ()) if r.si is not None}
    thick = mean_by_item(readings, "plain_thickness")
    if not counts and not thick:
        return None
    asked = build.known.get("friction_plate_count")
    common = float(np.median(list(thick.values()))) if len(thick) >= 3 else None
    odd = [name for name, value in thick.items() if common is not None and abs(value - common) > ODD_PLATE]
    return Pack(counts.get("Friction"), counts.get("Plain"), None if asked is None else int(asked),
                tuple(thick.items()), common, tuple(odd))  # fmt: skip
