"""Views of the workbench: the drawing, starts, wheels, and what moves a result. They keep nothing.

Each takes entries that are being typed or tried, like the preview, and answers with everything its sliders need.
"""

from __future__ import annotations

from typing import Any, Literal

import numpy as np
from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from liftbite.api.choose import models as w
from liftbite.api.choose.drawing import name_out, section_out
from liftbite.api.choose.present import against_out, beside_out, next_out, stint_out
from liftbite.api.common import reply, session_of
from liftbite.api.jobs import models as m
from liftbite.api.jobs import models_working as mw
from liftbite.api.jobs.answers import build_with, layers_with
from liftbite.api.jobs.present import figure_out
from liftbite.api.paths import JobPath
from liftbite.api.problems import problem_responses
from liftbite.core.analysis.repeated_starts import RepeatedStarts, repeated_starts, start_kinds
from liftbite.core.analysis.stint import stint
from liftbite.core.analysis.tolerance import Influence, sensitivity, spread_of_samples, tolerances
from liftbite.core.analysis.upshift import upshift_sentence
from liftbite.core.errors import UnreadableEntry
from liftbite.core.find.beside import BESIDE
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.assumptions import STARTS
from liftbite.core.job.build import Build, build_of, unit_of
from liftbite.core.job.builds import apart, entries_of
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import FOUND, PLAN, Layers, present, read_build
from liftbite.core.job.refusal import refusal
from liftbite.core.quantities.launch import launch
from liftbite.core.quantities.launch_case import Launch
from liftbite.core.units.constants import FREEZING
from liftbite.core.units.read import from_si
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.results import friction_of, results_in, target_of
from liftbite.store import jobs as jobs_store

api = APIBlueprint("workbench", __name__, url_prefix="/api/jobs", abp_tags=[Tag(name="workbench")])
_PROBLEMS = problem_responses(400, 404, 422)
_SHOWN = 160  # points of a trace
_FINE = 4.0  # so much shorter are the steps of a trace that is drawn


class MovesIn(mw.TryIn):
    """Which result to look into."""

    result: m.Name = "bite_margin"


@api.post("/<int:job_id>/section", responses={"200": w.SectionOut, **_PROBLEMS})
def section(path: JobPath, body: mw.TryIn) -> Response:
    """The clutch as a drawing that moves over pedal travel and wear."""
    return reply(section_out(build_with(path.job_id, body)))


_OUTCOMES = {
    "locks": "The clutch locks.",
    "spins": "The tyres give way; then the clutch locks, and the wheels take hold again.",
    "stalls": "The engine stalls.",
    "never locks": "It never locks.",
}


def _start(name: str, label: str, found: Launch, build: Build) -> w.StartOut:
    ratio = float(build.evaluate(("primary_ratio",))["primary_ratio"])
    return w.StartOut(
        name=name,
        label=label,
        outcome=str(found.outcome),
        good=found.outcome in {"locks", "spins"},
        energy=figure_out(float(found.energy), "J"),
        slip_time=figure_out(float(found.slip_time), "s"),
        peak_power=figure_out(float(found.peak_power), "W"),
        lowest_speed=figure_out(float(found.lowest_speed) * ratio, "rad/s"),
        temperature=figure_out(float(found.bulk_temperature), "K"),
        tyre_energy=figure_out(float(found.tyre_energy), "J"),
    )


def _trace(found: Launch, ratio: float) -> w.TraceOut:
    t = found.trace
    last = len(t["time"]) - 1
    at = np.unique(np.linspace(0, last, min(_SHOWN, last + 1)).round().astype(int))

    def some(values: Any, digits: int = 2) -> list[float]:
        picked: list[float] = np.round(np.asarray(values)[at], digits).tolist()
        return picked

    slip = t["torque"] * (t["engine_side"] - t["gearbox_side"])
    return w.TraceOut(
        time=some(t["time"], 4),
        engine=some(from_si(1.0, "rpm") * t["engine_side"] * ratio, 1),
        gearbox=some(from_si(1.0, "rpm") * t["gearbox_side"] * ratio, 1),
        vehicle=some(from_si(1.0, "rpm") * t["vehicle_side"] * ratio, 1),
        torque=some(t["torque"]),
        power=some(np.maximum(slip, 0.0) / 1e3, 3),
        heat=some(t["heat"] / 1e3, 4),
        temperature=some(t["temperature"] - 273.15),
    )


def _repeated(build: Build, found: RepeatedStarts | Needs | Refused) -> w.RepeatedStartsOut | None:
    if not isinstance(found, RepeatedStarts):
        return None
    known, stack = build.known, build.evaluate(("stack_sustained", "stack_brief"))
    return w.RepeatedStartsOut(
        begins=np.round(found.begins - 273.15, 1).tolist(),
        ends=np.round(found.ends - 273.15, 1).tolist(),
        heat=np.round(found.energy / 1e3, 3).tolist(),
        outcome=list(found.outcome),
        interval=figure_out(float(known["start_interval"]), "s"),
        sustained=round(float(stack["stack_sustained"]) - FREEZING, 1),
        brief=round(float(stack["stack_brief"]) - FREEZING, 1),
    )


@api.post("/<int:job_id>/launch", responses={"200": w.LaunchOut, **_PROBLEMS})
def start(path: JobPath, body: mw.TryIn) -> Response:
    """The start of a job, integrated; every kind of start beside it; several in a row."""
    build = build_with(path.job_id, body)
    stage = build.stage
    kinds = start_kinds(build, stage=stage)
    shown = [_start(n, STARTS[n].label, found, build) for n, found in kinds.items() if isinstance(found, Launch)]
    case = build.evaluate(("start_case",), stage=stage)["start_case"]
    if isinstance(case, Needs | Refused):
        needs = build.chosen.to_ask(case.names) if isinstance(case, Needs) else ()
        trouble = refusal(case.error, build) if isinstance(case, Refused) else None
        return reply(
            w.LaunchOut(
                trace=None,
                start=None,
                closed_energy=None,
                closed_time=None,
                kinds=shown,
                repeated=None,
                stint=None,
                sentence="",
                needs=[name_out(n) for n in needs],
                trouble=trouble,
                upshift="",
            )
        )
    found = launch(case, _FINE)
    closed = build.evaluate(("held_slip_energy", "held_slip_time"), stage=stage)
    picked = build.chosen.options.get("start", "")
    label = STARTS[picked].label if picked in STARTS else "As entered"

    def one(name: str, unit: str) -> m.FigureOut | None:
        value = closed[name]
        return None if isinstance(value, Needs | Refused) else figure_out(float(value), unit)

    return reply(
        w.LaunchOut(
            trace=_trace(found, float(case.ratio)),
            start=_start(picked, label, found, build),
            closed_energy=one("held_slip_energy", "J"),
            closed_time=one("held_slip_time", "s"),
            kinds=shown,
            repeated=_repeated(build, repeated_starts(build, stage=stage)),
            stint=stint_out(stint(build, stage=stage)),
            sentence=_OUTCOMES[str(found.outcome)],
            needs=[],
            trouble=None,
            upshift=upshift_sentence(build, stage=stage),
        )
    )


@api.post("/<int:job_id>/against", responses={"200": w.AgainstOut, **_PROBLEMS})
def get_against(path: JobPath, body: w.AgainstIn) -> Response:
    """A job as found against the same as planned, its alternatives, and the plans of other jobs."""
    others = {}
    with session_of() as session:
        for number in dict.fromkeys(body.others):
            entries = present(jobs_store.revisions_of(session, number))
            named = entries.get("job_name")
            others[f"{(named.typed if named else '') or 'job'} (job {number})"] = entries
    return reply(against_out(layers_with(path.job_id, body), others))


@api.post("/<int:job_id>/next", responses={"200": w.NextOut, **_PROBLEMS})
def get_next(path: JobPath, body: mw.TryIn) -> Response:
    """The one figure or reading that would settle most, and what would come after it."""
    entries = entries_of(layers_with(path.job_id, body), read_build(body.build))
    return reply(next_out(answer(entries)))


class BesidePath(JobPath):
    """A job, and which of its parts."""

    name: Literal["cylinders", "instructions"]


@api.post("/<int:job_id>/beside/<string:name>", responses={"200": w.BesideOut, **_PROBLEMS})
def get_beside(path: BesidePath, body: mw.TryIn) -> Response:
    """Alternatives for one part of a job, side by side."""
    build = build_with(path.job_id, body)
    return reply(beside_out(build, BESIDE[path.name](build)))


def _comes_out(layers: Layers) -> bool:
    """True where the flywheel that was found is not the one planned."""
    return "flywheel" in apart(layers[PLAN])


_OF_FLYWHEEL = (
    "engine_inertia",
    "stored_energy",
    "free_rev_time",
    "slip_time",
    "slip_energy",
    "surface_temperature",
    "bite_margin",
    "lift_margin",
)


@api.post("/<int:job_id>/flywheel", responses={"200": w.FlywheelOut, **_PROBLEMS})
def flywheel(path: JobPath, body: mw.TryIn) -> Response:
    """The flywheel: the old one against the new one, in figures and in every gear."""
    layers = layers_with(path.job_id, body)
    build = build_of(entries_of(layers, read_build(body.build)))
    stage = build.stage
    found = build_of(entries_of(layers, FOUND)).evaluate(("flywheel_inertia",)) if _comes_out(layers) else {}
    old = found.get("flywheel_inertia", Needs(frozenset({"flywheel_inertia"})))
    new = build.evaluate(("flywheel_inertia",))["flywheel_inertia"]
    names = tuple(n for n in _OF_FLYWHEEL if n in build.graph.functions)

    def values(inertia: Any, wanted: tuple[str, ...], **states: Any) -> dict[str, m.FigureOut | None]:
        if isinstance(inertia, Needs | Refused):
            return dict.fromkeys(wanted)
        found = build.evaluate(wanted, stage=stage, flywheel_inertia=inertia, **states)
        return {
            n: None if isinstance(v := found[n], Needs | Refused) else figure_out(float(v), unit_of(n, build.graph))
            for n in wanted
        }

    before, after = values(old, names), values(new, names)
    shown = [("flywheel_inertia", old, new)]
    figures = [
        w.FlywheelChangeOut(
            name=n,
            label=name_out(n).label,
            old=None if isinstance(o, Needs | Refused) else figure_out(float(o), "kg·m²"),
            new=None if isinstance(v, Needs | Refused) else figure_out(float(v), "kg·m²"),
        )
        for n, o, v in shown
    ]
    figures += [
        w.FlywheelChangeOut(name=n, label=name_out(n).label, old=before[n], new=after[n])
        for n in names
        if before[n] or after[n]
    ]
    gears = []
    mass = build.known.get("vehicle_mass")
    for i, ratio in enumerate(np.atleast_1d(build.known.get("gear_ratios", [])), start=1):
        b, a = (values(x, ("effective_mass",), gear_ratio=float(ratio))["effective_mass"] for x in (old, new))
        share = a.si / float(mass) if a is not None and a.si is not None and mass else None
        gears.append(w.GearOut(gear=i, ratio=float(ratio), old=b, new=a, of_vehicle=share))
    lacks = build.lacks(("engine_inertia", "burst_margin"))
    needs = [name_out(n) for n in build.chosen.to_ask(lacks)]
    return reply(w.FlywheelOut(figures=figures, gears=gears, needs=needs, has_old=not isinstance(old, Needs | Refused)))


@api.post("/<int:job_id>/moves", responses={"200": w.MovesOut, **_PROBLEMS})
def moves(path: JobPath, body: MovesIn) -> Response:
    """What moves a result most, what its tolerances make of it, and the chance that it falls short."""
    build = build_with(path.job_id, body)
    if body.result not in build.graph.functions:
        raise UnreadableEntry(f"“{body.result}” is not a result of this arrangement")
    stage, friction = build.stage, friction_of(body.result)
    unit = unit_of(body.result, build.graph)
    found = build.evaluate((body.result,), stage=stage, friction=friction)[body.result]
    ready = build.ready(results_in(build.graph))
    told: dict[str, Any] = {
        "result": name_out(body.result),
        "results": [name_out(n) for n in ready],
        "influences": [],
        "spread": None,
        "tolerances": len(tolerances(build)),
        "needs": [],
        "trouble": None,
    }
    if isinstance(found, Needs):
        return reply(w.MovesOut(**told | {"needs": [name_out(n) for n in build.chosen.to_ask(found.names)]}))
    if isinstance(found, Refused):
        return reply(w.MovesOut(**told | {"trouble": refusal(found.error, build)}))
    told["influences"] = [
        _influence(e, build, body.result, stage, friction)
        for e in sensitivity(build, body.result, stage=stage, friction=friction)[:16]
        if build.known[e.quantity]
    ]
    target = target_of(build, body.result)
    sampled = spread_of_samples(build, body.result, stage=stage, target=target, samples=40_000)
    if not isinstance(sampled, Needs | Refused) and sampled[0].samples:
        told["spread"] = _spread(sampled, unit, target)
    return reply(w.MovesOut(**told))


def _influence(e: Influence, build: Build, result: str, stage: float, friction: float) -> w.InfluenceOut:
    unit, value = unit_of(result, build.graph), float(build.known[e.quantity])

    def at(factor: float) -> m.FigureOut | None:
        v = build.evaluate((result,), stage=stage, friction=friction, **{e.quantity: value * factor})[result]
        return None if isinstance(v, Needs | Refused) or not np.isfinite(v) else figure_out(float(v), unit)

    return w.InfluenceOut(
        name=e.quantity,
        label=name_out(e.quantity).label,
        elasticity=e.elasticity,
        swing=figure_out(abs(e.swing), unit) if e.swing else None,
        low=at(0.95),
        high=at(1.05),
        value=figure_out(value, INPUTS[e.quantity].unit),
        can_enter=True,
    )


def _spread(sampled: Any, unit: str, target: float | None) -> w.SpreadOut:
    s, values = sampled
    counts, edges = np.histogram(values, bins=36)
    return w.SpreadOut(
        nominal=figure_out(s.nominal, unit),
        worst=figure_out(s.worst, unit),
        best=figure_out(s.best, unit),
        low=figure_out(s.low, unit),
        high=figure_out(s.high, unit),
        short=s.short,
        samples=s.samples,
        bins=edges.tolist(),
        counts=counts.tolist(),
        target=target,
    )
