"""The answers of a job at one moment: results, verdict, chart, assumptions, and what is still missing.

In the order in which it is used:

- `RESULTS`   what the answer to Bite is read from
- `Chart`     engine torque over speed with the capacity across it
- `Answers`, `answer`   all of it
- `stands_on`   the assumptions behind one question

Bite is judged at the low end of the friction band and for the planned stage: that is the day it has to hold.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build, both, build_of, label_of, refusal
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import Entry, Question, question
from liftbite.core.quantities.torque_curve import TorqueCurve, intervals_above
from liftbite.core.units.show import figure
from liftbite.core.verdicts.results import MARGINS, RESULTS_OF, asked_of, results_in
from liftbite.core.verdicts.verdict import Band, Link, Verdict
from liftbite.core.verdicts.verdicts import bite_links, fuse_links, heat_verdict, lift_verdict, true_verdict

NOW, PLANNED = 0.0, 1.0
LOW, NOMINAL, HIGH = -1.0, 0.0, 1.0
_BAND = np.array([LOW, NOMINAL, HIGH])

#: Results of the first question, which no job is without.
RESULTS = RESULTS_OF["bite"]
_ALWAYS = tuple(n for n in RESULTS if n != "spring_rate")


@dataclass(frozen=True, slots=True)
class Chart:
    """Engine torque over speed, and the torque the clutch holds, all at the crank.

    Attributes
    ----------
    now, planned : torque curves; `planned` is None where nothing is planned
    holds : engine torque the clutch can hold, None while it cannot be worked out
    keeps : engine torque held with the reserve the use asks for, at low friction
    slips : stretches of speed [rad/s] in which the engine gets through at low friction
    """

    now: TorqueCurve
    planned: TorqueCurve | None
    holds: Band | None
    keeps: float | None
    slips: tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True)
class Assumption:
    """A value or an option nobody entered: its name, what is taken, whose figure it is."""

    name: str
    value: float | None
    option: str | None
    mark: str
    why: str


@dataclass(frozen=True, slots=True)
class Answers:
    """All a job says at one moment.

    Attributes
    ----------
    build : what is known
    asked : inputs this arrangement has a field for, in the order of work
    results, results_now : result -> band, `Needs` or `Refused`, planned stage and as it is
    verdict : the answer to Bite
    others : the answers to Lift, Heat and True
    chart : None while there is no curve
    assumptions : what the answer stands on that nobody entered
    questions : input -> a question about an unusual figure
    refusals : sentences on values that cannot exist, by the quantity at fault
    """

    build: Build
    asked: tuple[str, ...]
    results: Mapping[str, Any]
    results_now: Mapping[str, Any]
    verdict: Verdict
    others: tuple[Verdict, ...]
    chart: Chart | None
    assumptions: tuple[Assumption, ...]
    questions: Mapping[str, Question]
    refusals: Mapping[str, str]


def answer(entries: Mapping[str, Entry]) -> Answers:
    """Works a job out.

    >>> answer({"layout": Entry("layout", "dry_car")}).verdict.state
    'open'
    """
    build = build_of(entries)
    graph = build.graph
    shown = results_in(graph)
    wanted = (*(n for n in shown if n not in RESULTS or n == "spring_rate"), *_ALWAYS, "use_factor", "engine_curve")
    values_now = build.evaluate(wanted, stage=NOW, friction=_BAND)
    has_plan = build.chosen.options.get("stage_plan", "none") != "none"
    values = build.evaluate(wanted, stage=PLANNED, friction=_BAND) if has_plan else values_now
    asked = asked_of(build)
    refusals = {v.error.quantity: refusal(v.error, build) for n, v in values.items()
                if isinstance(v, Refused) and n in {*RESULTS, "use_factor", "engine_curve"}}  # fmt: skip
    others = tuple(
        verdict(build, PLANNED if has_plan else NOW) for verdict in (_lift, heat_verdict, true_verdict)
    )  # fmt: skip
    seen = ("bite", *(v.question for v in others if v.state != "open"))
    return Answers(
        build=build,
        asked=asked,
        results={name: _band(values[name]) for name in shown},
        results_now={name: _band(values_now[name]) for name in shown},
        verdict=_bite(build, values, values_now, refusals),
        others=others,
        chart=_chart(values_now, values, has_plan),
        assumptions=_assumptions(build, _rests_on(build, seen)),
        questions={e.quantity: q for e in entries.values() if e.quantity in asked and (q := question(e))},
        refusals=refusals,
    )


def _lift(build: Build, _stage: float) -> Verdict:
    return lift_verdict(build)


def _rests_on(build: Build, questions: Iterable[str]) -> tuple[str, ...]:
    """The inputs the answers to `questions` rest on, in the order of work."""
    wanted = [n for q in questions for n in ((*_ALWAYS, *MARGINS[q]) if q == "bite" else MARGINS[q])]
    needed = build.graph.inputs(wanted)
    return tuple(name for name in INPUTS if name in needed)


def _band(value: Any) -> Any:
    if isinstance(value, Needs | Refused):
        return value
    if isinstance(value, float | int) or np.ndim(value) == 0:
        return Band(float(value), float(value), float(value))
    if value.shape == (3,):
        return Band(*value.tolist())
    low, nominal, high = np.broadcast_to(np.asarray(value, dtype=np.float64), 3)
    return Band(float(low), float(nominal), float(high))


def _bite(
    build: Build, values: Mapping[str, Any], values_now: Mapping[str, Any], refusals: Mapping[str, str]
) -> Verdict:
    margin, target = values["bite_margin"], values["use_factor"]
    pressure = values["pressure_margin"]
    if refusals:
        return Verdict("bite", "cannot be", next(iter(refusals.values())))
    missing = frozenset().union(*(v.names for v in (margin, target, pressure) if isinstance(v, Needs)))
    if missing:
        names = build.chosen.to_ask(missing)
        return Verdict("bite", "open", f"Needs {_listed([_asked_for(n) for n in names])}.", needs=names)
    band, now = _band(margin), _band(values_now["bite_margin"])
    impossible = _impossible(build, band)
    if impossible:
        return Verdict("bite", "cannot be", impossible)
    return _judged(build, values, band, now, float(target), float(pressure))


def _impossible(build: Build, band: Band) -> str:
    """Why the margin has no value at a place of the friction band, such as ramps that lock themselves; else empty."""
    for place, value, words in ((LOW, band.low, "low"), (NOMINAL, band.nominal, "nominal"), (HIGH, band.high, "high")):
        if not np.isfinite(value):
            found = build.evaluate(("bite_margin",), stage=PLANNED, friction=place)["bite_margin"]
            why = refusal(found.error, build) if isinstance(found, Refused) else "The margin has no value there."
            return f"At {words} friction: {why}"
    return ""


def _asked_for(name: str) -> str:
    choice = CHOICES.get(name)
    return (choice.asks if choice else "") or label_of(name).lower()


def _listed(words: list[str]) -> str:
    return words[0] if len(words) == 1 else ", ".join(words[:-1]) + " and " + words[-1] if words else ""


def _judged(build: Build, values: Mapping[str, Any], band: Band, now: Band, target: float, pressure: float) -> Verdict:
    use = CHOICES["use"].option(build.chosen.options.get("use", ""))
    asks = f"{use.label.lower()} asks for {figure(target, 3)}" if use else f"{figure(target, 3)} is asked for"
    engine = "planned engine" if build.chosen.options.get("stage_plan", "none") != "none" else "engine"
    stage = PLANNED if engine != "engine" else NOW
    held = both(float(_band(values["holdable_engine_torque"]).low), "N·m")
    made = both(float(values["peak_engine_torque"]), "N·m")
    links = sorted(
        (
            Link("bite_margin", "torque reserve", band.low / target,
                 f"at low friction it holds {figure(band.low, 3)} times the {engine}'s torque; {asks}"),
            Link("pressure_margin", "face pressure", pressure,
                 f"the facing is pressed with {both(float(values['mean_pressure']), 'Pa')}; "
                 f"its limit is {both(float(values['pressure_limit']), 'Pa')}"),
            *bite_links(build, stage, engine)[0],
            *fuse_links(build, stage),
        ),
        key=lambda link: link.reserve,
    )  # fmt: skip
    weakest = links[0]
    if band.low < 1:
        where = _where(values)
        sentence = f"Slips at low friction: holds {held} at the crank, the {engine} makes {made}{where}."
        state = "slips"
    elif weakest.reserve < 1:
        state, sentence = "thin", f"Thin on {weakest.label}: {weakest.sentence}."
    else:
        reserve = next(link for link in links if link.name == "bite_margin")
        state, sentence = "holds", f"Holds: {reserve.sentence}. Nearest to its limit: {weakest.label}."
    return Verdict("bite", state, sentence, band, now, target, tuple(links))


def _where(values: Mapping[str, Any]) -> str:
    curve: TorqueCurve = values["engine_curve"]
    stretches = intervals_above(curve, _band(values["holdable_engine_torque"]).low)
    return ", from " + " and ".join(f"{_rpm(a)} to {_rpm(b)} rpm" for a, b in stretches) if stretches else ""


def _rpm(speed: float) -> str:
    return figure(round(speed * 60 / (2 * np.pi), -1))


def _chart(values_now: Mapping[str, Any], values: Mapping[str, Any], has_plan: bool) -> Chart | None:
    now, planned = values_now["engine_curve"], values["engine_curve"]
    if not isinstance(now, TorqueCurve):
        return None
    curve = planned if isinstance(planned, TorqueCurve) else now
    holds = _band(values["holdable_engine_torque"])
    holds = holds if isinstance(holds, Band) else None
    keeps = _band(values["kept_engine_torque"])
    return Chart(
        now=now,
        planned=planned if has_plan and isinstance(planned, TorqueCurve) else None,
        holds=holds,
        keeps=keeps.low if isinstance(keeps, Band) else None,
        slips=tuple(intervals_above(curve, holds.low)) if holds else (),
    )


def stands_on(build: Build, question: str) -> tuple[Assumption, ...]:
    """What the answer to a question stands on that nobody entered."""
    return _assumptions(build, _rests_on(build, [question]))


def _assumptions(build: Build, asked: tuple[str, ...]) -> tuple[Assumption, ...]:
    listed = [
        Assumption(name, a.value, None, a.mark, a.why)
        for name in asked
        if name not in build.entries and (a := build.chosen.assumed.get(name))
    ]
    for name in build.chosen.begun:
        choice = CHOICES[name]
        option = choice.option(build.chosen.options[name])
        if choice.assumption and option:
            listed.append(Assumption(name, None, option.label, "practice", option.meaning))
    return tuple(listed)
