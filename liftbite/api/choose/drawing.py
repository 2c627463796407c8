"""The drawing as it goes over the wire: millimetres, motions by index, everything the sliders need in one answer."""

from __future__ import annotations

from collections.abc import Iterable
from functools import lru_cache
from typing import Any

import numpy as np

from liftbite.api.choose import models as w
from liftbite.api.jobs import models as m
from liftbite.api.jobs.present import figure_out
from liftbite.core.analysis.life import Life, life
from liftbite.core.drawing.outline import PARTS, Dimension, Outline, Point
from liftbite.core.drawing.section import Section, section
from liftbite.core.errors import OutOfRange
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build, label_of
from liftbite.core.job.refusal import refusal
from liftbite.core.units.read import from_si
from liftbite.core.units.sentence import both

_MM = 1e3


def name_out(name: str) -> m.NameOut:
    """A quantity by name and label."""
    return m.NameOut(name=name, label=label_of(name))


@lru_cache(maxsize=1)
def per_metric() -> w.PerMetricOut:
    """Inch units per metric one."""
    return w.PerMetricOut(
        length=from_si(1e-3, "in"),
        force=from_si(1.0, "lbf"),
        pressure=from_si(1e6, "psi"),
        torque=from_si(1.0, "lb-ft"),
    )


def section_out(build: Build) -> w.SectionOut:
    """The section of a build with every curve its sliders need."""
    try:
        drawn = section(build)
    except OutOfRange as error:
        return _nothing(refusal(error, build))
    names = [""] if not drawn.follows else sorted(drawn.follows)
    index = {name: i for i, name in enumerate(names)} | {"": -1}
    moves = drawn.motion
    holds = build.evaluate(("holdable_engine_torque",), stage=build.stage, wear=moves.wear[:, None])
    torque = holds["holdable_engine_torque"]
    passes = None if moves.passes is None or isinstance(torque, Needs | Refused) else moves.passes * torque
    limit = build.known.get("effort_limit")
    parts = {o.part for o in drawn.clutch.outlines}
    return w.SectionOut(
        parts=[m.NameOut(name=n, label=label) for n, label in PARTS.items() if n in parts | {"release"}],
        clutch=[_outline(o, index) for o in drawn.clutch.outlines],
        chain=[_outline(o, index) for o in drawn.chain.outlines],
        dimensions=[_dimension(d, index) for d in drawn.clutch.dimensions],
        motions=[_grid(drawn.follows[n], _MM) for n in names],
        wear=_list(moves.wear * _MM),
        found=float(build.known["wear"]) * _MM,
        pedal=_list(moves.pedal * _MM),
        gaps=[_grid(gap, _MM) for gap in moves.gaps],
        face_parts=_between(build, len(moves.gaps)),
        lift=_grid(moves.lift, _MM),
        effort=None if moves.effort is None else _grid(moves.effort, 1.0),
        pressure=None if moves.pressure is None else _grid(moves.pressure, 1e-6),
        passes=None if passes is None else _grid(passes, 1.0),
        effort_limit=None if limit is None else float(limit),
        first_movement=_points(moves.first_movement),
        bite_point=_points(moves.bite_point),
        stop=_stop(drawn),
        warns=[_limit(n, at) for n, at in moves.warns.items()],
        life=_life(build),
        usual=[
            w.UsualOut(name=n, label=label_of(n), value=figure_out(v, "-" if "ratio" in n else "m"))
            for n, v in drawn.usual.items()
        ],
        needs=[name_out(n) for n in moves.needs],
        trouble=None,
        inch=per_metric(),
    )


def _nothing(trouble: str) -> w.SectionOut:
    return w.SectionOut(
        parts=[],
        clutch=[],
        chain=[],
        dimensions=[],
        motions=[],
        wear=[0.0],
        found=0.0,
        pedal=[0.0],
        gaps=[],
        face_parts=[],
        lift=[[0.0]],
        effort=None,
        pressure=None,
        passes=None,
        effort_limit=None,
        first_movement=[],
        bite_point=[],
        stop=None,
        warns=[],
        life=None,
        usual=[],
        needs=[],
        trouble=trouble,
        inch=per_metric(),
    )


def _between(build: Build, faces: int) -> list[str]:
    car = build.chosen.has("car")
    first, disc, other = ("flywheel", "disc", "floater") if car else ("hub", "plate", "plain")
    middle = [disc if i % 2 == 0 else other for i in range(faces - 1)]
    return [first, *middle, "pressure plate"]


def _list(values: Any) -> list[float]:
    found: list[float] = np.round(np.asarray(values, dtype=np.float64), 4).tolist()
    return found


def _grid(values: Any, factor: float) -> list[list[float]]:
    found: list[list[float]] = np.round(np.asarray(values, dtype=np.float64) * factor, 4).tolist()
    return found


def _points(values: Any) -> list[float | None]:
    return [] if values is None else [None if np.isnan(v) else round(float(v) * _MM, 3) for v in values]


def _corner(point: Point, index: dict[str, int]) -> tuple[float, float, int]:
    x, r, follows = point
    return round(x * _MM, 4), round(r * _MM, 4), index.get(follows, -1)


def _outline(outline: Outline, index: dict[str, int]) -> w.OutlineOut:
    return w.OutlineOut(
        part=outline.part, material=outline.material, points=[_corner(p, index) for p in outline.points]
    )


def _dimension(d: Dimension, index: dict[str, int]) -> w.DimensionOut:
    return w.DimensionOut(
        name=d.name,
        label=label_of(d.name),
        value=figure_out(d.value, "m"),
        start=_corner(d.start, index),
        end=_corner(d.end, index),
        across=d.across,
    )


_WHY = {
    "pedal_stroke": "the end of its travel",
    "master_stroke": "the master cylinder bottoms",
    "slave_stroke": "the slave runs out of stroke and loses its seal beyond",
    "plate_lift_limit": "fingers bend and straps stretch beyond here: set a pedal stop",
}


def _limit(name: str, at: float) -> w.LimitOut:
    return w.LimitOut(name=name, at=round(at * _MM, 3), sentence=f"{both(at, 'm')}: {_WHY[name]}")


def _stop(drawn: Section) -> w.LimitOut | None:
    return None if drawn.motion.stop is None else _limit(drawn.motion.stop[1], drawn.motion.stop[0])


_ENDS = {
    "facings": "the facings are down to rivets or carrier",
    "clamp": "the clamp does not give the reserve the use asks for any more",
    "bearing": "the fingers have pushed the bearing to its bottom, and the clutch begins to slip",
    "sleeve": "the bearing has followed the fingers to the end of its sleeve, and loses its seal",
}


def _life(build: Build) -> w.LifeOut | None:
    found = life(build, stage=build.stage, friction=0.0)
    if not isinstance(found, Life):
        return None
    return w.LifeOut(
        wear=_list(found.wear * _MM),
        clamp=_maybe(found.clamp),
        margin=_maybe(found.margin),
        target=found.target,
        ends=[w.LimitOut(name=n, at=round(at * _MM, 4), sentence=_end(n, at)) for n, at in found.ends],
        service=""
        if found.shims_at is None
        else f"The floater wants new shims at {both(found.shims_at, 'm')} of inner wear.",
    )


def _end(name: str, at: float) -> str:
    if at <= 0:
        return "Short from new: the clamp does not give the reserve the use asks for"
    return f"Ends at {both(at, 'm')} of wear: {_ENDS[name]}"


def _maybe(values: Iterable[float]) -> list[float | None]:
    return [round(float(v), 4) if np.isfinite(v) else None for v in values]
